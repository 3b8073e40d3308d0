import { Link, useLocation } from 'react-router'
import { useReached } from '../live/changes.ts'
import { Message } from '../parts/Message.tsx'
import { useSession } from '../session/session.ts'
import { useOutbox } from './kept.ts'

/** Whether the server is reached, and what waits at this bench until it is. */
export function AwayBar() {
  const { reached } = useReached()
  const kept = useOutbox((outbox) => outbox.kept)
  const { person } = useSession()
  const { pathname } = useLocation()
  const unfit = kept.filter(({ unfit: asked, caseId }) => asked && pathname !== `/case/${caseId}`)
  const waiting = kept.filter((entry) => !entry.unfit).length
  if (reached && waiting + unfit.length === 0) return null
  const others = [
    ...new Set(kept.filter(({ personId }) => personId !== person?.personId).map(({ by }) => by)),
  ]
  const byDocket = new Map(unfit.map(({ docket, caseId }) => [docket, caseId]))
  return (
    <div className="bg-base-100 no-print flex flex-wrap items-center gap-x-6 gap-y-1 px-6 py-2">
      {!reached && (
        <Message tone="warning">
          The server is not reached. Clocks run on; what you do on an open case is kept here and sent when it
          is back.
        </Message>
      )}
      {waiting > 0 && (
        <p role="status" className="text-lg font-semibold">
          Kept here, <span className="figures">{waiting}</span> to send
        </p>
      )}
      {reached && others.length > 0 && (
        <p>Of {others.join(' and ')}: sent when they sign in at this bench.</p>
      )}
      {[...byDocket].map(([docket, caseId]) => (
        <Link key={docket} className="small-act" to={`/case/${caseId}`}>
          {docket}: look at what does not fit any more
        </Link>
      ))}
    </div>
  )
}
