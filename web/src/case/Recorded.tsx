import { type CaseEvent, eventWords, type JobState } from '@yentrik/core'
import { Link } from 'react-router'
import { clockTime, dateAndTime } from '../format/format.ts'
import { Said } from '../preferences/words.tsx'
import { useShelf } from '../record/shelf.ts'
import { sheetKindsShown } from '../sheet/sheet-kinds.tsx'

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
            <span>
              <Said words={eventWords(event, { jobs: [job], lotNumber })} clock={dateAndTime} />
            </span>
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
  const { again } = sheetKindsShown[last.sheet.kind]
  if (!again) return null
  return (
    <>
      {last.sheet.kind === 'mounting' && last.sheet.photo && (
        <img src={last.sheet.photo} alt="The mounted casts" className="mt-2 max-h-60 rounded-xl" />
      )}
      <Link
        className="link mt-2 inline-block"
        to={again.to({ caseId, jobId: job.jobId, stepId, sheetId: last.sheetId })}
      >
        {again.words}
      </Link>
    </>
  )
}
