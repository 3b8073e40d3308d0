import { type JobState, judgeSheet, recordedSheet, type SheetData, type StepSheet } from '@yentrik/core'
import { Link } from 'react-router'
import { BurnoutEntry } from '../casting/BurnoutEntry.tsx'
import { ButtonEntry, ChargeEntry } from '../casting/ChargeEntry.tsx'
import { ClosuresEntry } from '../curing/ClosuresEntry.tsx'
import { CureEntry } from '../curing/CureEntry.tsx'
import { RegionsEntry } from '../inspection/RegionsEntry.tsx'
import { Told } from '../parts/Told.tsx'
import { TeethSetEntry } from '../setup/TeethSetEntry.tsx'
import { GroovesEntry } from '../waxing/GroovesEntry.tsx'
import { RoomEntry } from '../waxing/RoomEntry.tsx'
import { DispatchEntry, PartsEntry, PlacesEntry } from './LinesEntry.tsx'
import { MountingEntry } from './MountingEntry.tsx'
import { TryInEntry } from './TryInEntry.tsx'

interface SheetEntryProps {
  readonly sheet: StepSheet
  readonly job: JobState
  readonly stepId: string
  readonly caseId: string
  /** Of the work authorisation. */
  readonly teeth: readonly number[]
  readonly refusal?: string
  readonly open: boolean
  readonly onRecord: (data: SheetData) => Promise<boolean>
  readonly onGoBack: (toStepId: string, remake: boolean, because: string) => void
  readonly onAsk: (question: string) => void
  readonly stepName: (stepId: string) => string
}

/** A sheet of a step: several readings that belong together, and what they mean under it at once. */
export function SheetEntry(props: SheetEntryProps) {
  const { sheet, job, stepId, onGoBack, onAsk, stepName } = props
  const last = recordedSheet(job, { stepId, sheetId: sheet.id })
  const { faults, outcome } = last
    ? judgeSheet(sheet, last, (of) => recordedSheet(job, of))
    : { faults: [], outcome: undefined }
  const accepted = job.steps[stepId]?.accepted.includes(sheet.id)
  // Ticks that are still missing, closures that are still to come, are work to do, no fault.
  const unfinished = sheet.kind === 'teethSet' || sheet.kind === 'closures'
  return (
    <section className="border-base-300 border-t pt-3" aria-label={sheet.name}>
      <h3 className="text-lg font-semibold">{sheet.name}</h3>
      <p className="mb-2 text-sm opacity-80">
        {sheet.how} Source: {sheet.source}.
      </p>
      <Entry {...props} last={last} />
      {last && (
        <div className="mt-2 grid justify-items-start gap-2">
          {faults.length === 0 ? (
            <Told tone="good">On record</Told>
          ) : accepted ? (
            <Told tone="warning">{faults.join(', ')}: accepted by the dentist</Told>
          ) : unfinished ? (
            <p className="opacity-80">{faults.join(', ')}.</p>
          ) : (
            outcome &&
            outcome.verdict !== 'pass' && (
              <>
                <Told tone="error">
                  {faults.join('. ')}. {outcome.say}
                </Told>
                {'toStepId' in outcome && (
                  <button
                    type="button"
                    className="act btn-error"
                    onClick={() =>
                      onGoBack(
                        outcome.toStepId,
                        outcome.verdict === 'remake',
                        `${sheet.name}: ${faults.join(', ')}`,
                      )
                    }
                  >
                    Go back to "{stepName(outcome.toStepId)}"
                  </button>
                )}
                {outcome.verdict === 'askDentist' && (
                  <button
                    type="button"
                    className="act btn-error"
                    onClick={() => onAsk(`${faults.join('. ')}. ${outcome.say}`)}
                  >
                    Ask the dentist
                  </button>
                )}
              </>
            )
          )}
        </div>
      )}
    </section>
  )
}

/** The entry that a kind of sheet wants: here in the step, or on the screen of its instrument. */
function Entry(props: SheetEntryProps & { readonly last: SheetData | undefined }) {
  const { sheet, job, stepId, caseId, teeth, refusal, open, onRecord } = props
  const { last } = props
  const on = `case=${caseId}&job=${job.jobId}&sheet=${sheet.id}`
  const draftKey = `${caseId} ${job.jobId} ${stepId} ${sheet.id} ${job.steps[stepId]?.attempt ?? 1}`
  const entering = { job, refusal, open, onRecord }
  switch (sheet.kind) {
    case 'parts':
      return <PartsEntry {...entering} sheet={sheet} last={last?.kind === 'parts' ? last : undefined} />
    case 'places':
      return (
        <PlacesEntry
          {...entering}
          sheet={sheet}
          teeth={teeth}
          last={last?.kind === 'places' ? last : undefined}
        />
      )
    case 'dispatch':
      return <DispatchEntry {...entering} sheet={sheet} last={last?.kind === 'dispatch' ? last : undefined} />
    case 'tryInAnswer':
      return <TryInEntry {...entering} sheet={sheet} last={last?.kind === 'tryInAnswer' ? last : undefined} />
    case 'teethSet':
      return <TeethSetEntry {...entering} sheet={sheet} last={last?.kind === 'teethSet' ? last : undefined} />
    case 'room':
      return (
        <RoomEntry
          {...entering}
          sheet={sheet}
          draftKey={draftKey}
          last={last?.kind === 'room' ? last : undefined}
        />
      )
    case 'grooves':
      return <GroovesEntry {...entering} teeth={teeth} last={last?.kind === 'grooves' ? last : undefined} />
    case 'regions':
      return (
        <RegionsEntry
          {...entering}
          sheet={sheet}
          draftKey={draftKey}
          last={last?.kind === 'regions' ? last : undefined}
        />
      )
    case 'burnout':
      return (
        <BurnoutEntry
          {...entering}
          sheet={sheet}
          caseId={caseId}
          stepId={stepId}
          last={last?.kind === 'burnout' ? last : undefined}
        />
      )
    case 'cure':
      return (
        <CureEntry
          {...entering}
          caseId={caseId}
          stepId={stepId}
          last={last?.kind === 'cure' ? last : undefined}
        />
      )
    case 'closures':
      return (
        <ClosuresEntry
          {...entering}
          sheet={sheet}
          draftKey={draftKey}
          last={last?.kind === 'closures' ? last : undefined}
        />
      )
    case 'charge':
      return (
        <ChargeEntry
          {...entering}
          caseId={caseId}
          draftKey={draftKey}
          last={last?.kind === 'charge' ? last : undefined}
        />
      )
    case 'button':
      return (
        <ButtonEntry {...entering} draftKey={draftKey} last={last?.kind === 'button' ? last : undefined} />
      )
    case 'mounting':
      return (
        <>
          <MountingEntry {...entering} last={last} />
          {last && <To to={`/mount?${on}&step=${stepId}`}>What the pin and the guides do</To>}
        </>
      )
    case 'prescription':
    case 'setUpPlan':
    case 'setUp':
      return (
        <Link className={last ? 'act' : 'act-main'} to={`/set-up?${on}&step=${stepId}`}>
          {setUpWords[sheet.kind][last ? 1 : 0]}
        </Link>
      )
    case 'trimPlan':
    case 'finishedPair':
      return (
        <Link
          className={last ? 'act' : 'act-main'}
          to={`/trim?${on}&${sheet.kind === 'trimPlan' ? 'plan' : 'pair'}=${stepId}`}
        >
          {trimWords[sheet.kind][last ? 1 : 0]}
        </Link>
      )
  }
}

function To({ to, children }: { to: string; children: string }) {
  return (
    <Link className="link mt-2 inline-block" to={to}>
      {children}
    </Link>
  )
}

const setUpWords = {
  prescription: ['Measure the rim', 'Look at the rim again'],
  setUpPlan: ['Open the set-up planner', 'Look at the plan again'],
  setUp: ['Measure the teeth', 'Measure the teeth again'],
} as const
const trimWords = {
  trimPlan: ['Open the trim planner', 'Look at the plan again'],
  finishedPair: ['Enter what you read', 'Read it again'],
} as const
