import type { CaseEvent, JobState, SheetKind } from '@yentrik/core'
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
  const on = `case=${caseId}&job=${job.jobId}&sheet=${last.sheetId}`
  const instrument = instruments[last.sheet.kind]
  if (!instrument) return null
  return (
    <>
      {last.sheet.kind === 'mounting' && last.sheet.photo && (
        <img src={last.sheet.photo} alt="The mounted casts" className="mt-2 max-h-60 rounded-xl" />
      )}
      <Link className="link mt-2 inline-block" to={instrument.to(on, stepId)}>
        {instrument.words}
      </Link>
    </>
  )
}

/** Where a stored sheet can be looked at again. */
const instruments: Readonly<
  Partial<Record<SheetKind, { readonly words: string; readonly to: (on: string, stepId: string) => string }>>
> = {
  mounting: { words: 'What the pin and the guides do', to: (on, step) => `/mount?${on}&step=${step}` },
  trimPlan: { words: 'The whole plan', to: (on, step) => `/trim?${on}&plan=${step}` },
  prescription: { words: 'The rim in a drawing', to: (on, step) => `/set-up?${on}&step=${step}` },
  setUpPlan: { words: 'The whole plan', to: (on, step) => `/set-up?${on}&step=${step}` },
  setUp: { words: 'The set-up in a drawing', to: (on, step) => `/set-up?${on}&step=${step}` },
}
