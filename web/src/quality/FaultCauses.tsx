import { castingCauses, castingRecord, type JobState, type Standing } from '@yentrik/core'
import { Told } from '../parts/Told.tsx'

const standingWords: Readonly<Record<Standing, string>> = {
  supported: 'The record speaks for it',
  unknown: 'Nothing on record',
  against: 'The record speaks against it',
}

/** What may have caused the fault that the inspection of a casting found, by the evidence of this case. */
export function FaultCauses({ job, fault }: { job: JobState; fault: string | undefined }) {
  const causes = fault === undefined ? [] : castingCauses(fault, castingRecord(job))
  if (causes.length === 0) return null
  return (
    <section className="border-base-300 border-t pt-3" aria-label="What may have caused it">
      <h3 className="text-lg font-semibold">What may have caused it</h3>
      <ol className="grid gap-2">
        {causes.map(({ name, standing, words, change }) => (
          <li key={name} className={standing === 'against' ? 'opacity-75' : ''}>
            {standing === 'supported' ? (
              <Told tone="warning">{`${name}. ${words}`}</Told>
            ) : (
              <p>
                <b>{name}.</b> {words}
              </p>
            )}
            <p className="text-sm">
              {standingWords[standing]}. {change}
            </p>
          </li>
        ))}
      </ol>
    </section>
  )
}
