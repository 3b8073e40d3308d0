import type { CaseEvent, JobState } from '@yentrik/core'
import { Link } from 'react-router'
import { usePreferences } from '../app/preferences.ts'
import { clockTime } from '../format/format.ts'
import { useShelf } from '../shelf/use-shelf.ts'
import { eventWords } from './event-words.ts'

/** What was measured, weighed and looked at on a step, as it stands on record. */
export function Recorded({
  events,
  job,
  stepId,
  caseId,
}: {
  events: readonly CaseEvent[]
  job: JobState
  stepId: string
  caseId: string
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
      <SheetLink entries={entries} job={job} stepId={stepId} caseId={caseId} />
    </section>
  )
}

/** From the last sheet of the step to its instrument. */
function SheetLink({
  entries,
  job,
  stepId,
  caseId,
}: {
  entries: readonly CaseEvent[]
  job: JobState
  stepId: string
  caseId: string
}) {
  const last = entries.findLast((event) => event.type === 'sheetRecorded')
  if (last?.type !== 'sheetRecorded') return null
  const sheet = `case=${caseId}&job=${job.jobId}&sheet=${last.sheetId}`
  const kind = last.sheet.kind
  if (kind !== 'mounting' && kind !== 'trimPlan') return null
  return (
    <Link
      className="link mt-2 inline-block"
      to={kind === 'mounting' ? `/mount?${sheet}&step=${stepId}` : `/trim?${sheet}&plan=${stepId}`}
    >
      {kind === 'mounting' ? 'What the pin and the guides do' : 'The whole plan'}
    </Link>
  )
}
