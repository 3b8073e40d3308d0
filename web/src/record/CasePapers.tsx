import { type CaseState, isDevice } from '@yentrik/core'
import { Link } from 'react-router'

/** The papers that leave with a case; a device has a statement and instructions too. */
export function CasePapers({
  caseId,
  state: { jobs },
  className,
}: {
  readonly caseId: string
  readonly state: CaseState
  readonly className: string
}) {
  const devices = jobs.filter(isDevice)
  return (
    <>
      {devices.map(({ jobId, route }) => (
        <Link key={jobId} className={className} to={`/papers/statement/${caseId}?job=${jobId}`}>
          Statement on the custom-made device{jobs.length > 1 && `, ${route.name}`}
        </Link>
      ))}
      {devices.length > 0 && (
        <Link className={className} to={`/papers/instructions/${caseId}`}>
          Instructions for use
        </Link>
      )}
      <Link className={className} to={`/papers/label/${caseId}`}>
        Label
      </Link>
      <Link className={className} to={`/papers/delivery/${caseId}`}>
        Delivery note
      </Link>
    </>
  )
}
