import type { CaseEvent, JobState } from '@yentrik/core'
import { usePreferences } from '../app/preferences.ts'
import { clockTime } from '../format/format.ts'
import { useShelf } from '../shelf/use-shelf.ts'
import { eventWords } from './event-words.ts'

/** What was measured, weighed and looked at on a step, as it stands on record. */
export function Recorded({
  events,
  job,
  stepId,
}: {
  events: readonly CaseEvent[]
  job: JobState
  stepId: string
}) {
  const units = usePreferences((preferences) => preferences.units)
  const { lotNumber } = useShelf()
  const entries = events.filter(
    (event) =>
      (event.type === 'checkRecorded' || event.type === 'mixRecorded' || event.type === 'sheetRecorded') &&
      event.jobId === job.jobId &&
      event.stepId === stepId,
  )
  if (entries.length === 0) return null
  return (
    <section className="border-base-300 mt-4 border-t pt-3" aria-label="On record">
      <h3 className="font-semibold opacity-80">On record</h3>
      <ul className="mt-1 grid gap-1 text-lg">
        {entries.map((event) => (
          <li key={event.sequence} className="flex gap-3">
            <span className="figures font-mono opacity-80">{clockTime(Date.parse(event.at))}</span>
            <span>{eventWords(event, { jobs: [job], units, lotNumber })}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
