import {
  isGrowing,
  type JobState,
  joined,
  judgeSheet,
  type Outcome,
  type RouteStep,
  recordedSheet,
  type Saying,
  type SheetData,
  type SheetKind,
  type StepSheet,
  saying,
} from '@yentrik/core'
import type { ReactNode } from 'react'
import { Link } from 'react-router'
import { Message } from '../parts/Message.tsx'
import { BackTo } from '../parts/Reopened.tsx'
import { Said, useWords } from '../preferences/words.tsx'
import { LiesThere } from '../record/SeenThere.tsx'
import type { SheetEntryProps } from '../record/sheet-entry.ts'
import { sheetKindsShown } from './sheet-kinds.tsx'

interface StepSheetCardProps {
  readonly sheet: StepSheet
  readonly job: JobState
  readonly step: RouteStep
  readonly caseId: string
  /** Of the work authorisation. */
  readonly teeth: readonly number[]
  readonly enclosures: readonly string[]
  readonly refusal?: Saying
  readonly open: boolean
  readonly onRecord: (data: SheetData) => Promise<boolean>
  readonly onGoBack: (outcome: Extract<Outcome, { toStepId: string }>, because: string) => void
  readonly onAsk: (question: string) => void
}

/** A sheet of a step: several readings that belong together, and what they mean under it at once. */
export function StepSheetCard(props: StepSheetCardProps) {
  const { sheet, job, step, caseId } = props
  const last = recordedSheet(job, { stepId: step.id, sheetId: sheet.id })
  const kind = sheetKindsShown[sheet.kind]
  const Entry = kind.Entry as (entry: SheetEntryProps<SheetKind>) => ReactNode
  const attempt = job.steps[step.id]?.attempt ?? 1
  return (
    <section className="border-base-300 border-t pt-3" aria-label={sheet.name}>
      <h3 className="text-lg font-semibold">{sheet.name}</h3>
      <p className="mb-2 text-sm opacity-80">
        {sheet.how} Source: {sheet.source}.
      </p>
      <LiesThere stepId={step.id} sheetId={sheet.id} />
      <Entry
        {...(props as Omit<StepSheetCardProps, 'onRecord'>)}
        onRecord={props.onRecord as SheetEntryProps<SheetKind>['onRecord']}
        last={last?.kind === sheet.kind ? last : undefined}
        draftKey={`${caseId} ${job.jobId} ${step.id} ${sheet.id} ${attempt}`}
      />
      {last && kind.again?.beside && (
        <Link
          className="link mt-2 inline-block"
          to={kind.again.to({ caseId, jobId: job.jobId, stepId: step.id, sheetId: sheet.id })}
        >
          {kind.again.words}
        </Link>
      )}
      {last && <Judged {...props} last={last} />}
    </section>
  )
}

function Judged({
  sheet,
  job,
  step,
  last,
  onGoBack,
  onAsk,
}: StepSheetCardProps & { readonly last: SheetData }) {
  const say = useWords()
  const { faults, outcome } = judgeSheet(sheet, last, (of) => recordedSheet(job, of))
  const recorded = job.steps[step.id]?.sheets.findLast(({ sheetId }) => sheetId === sheet.id)
  const accepted = recorded !== undefined && job.steps[step.id]?.accepted.includes(recorded.sequence)
  if (faults.length === 0 || outcome.verdict === 'pass')
    return (
      <div className="mt-2">
        <Message tone="good">On record</Message>
      </div>
    )
  if (accepted)
    return (
      <div className="mt-2">
        <Message tone="warning" words={saying`${joined(faults)}: accepted by the dentist`} />
      </div>
    )
  // Ticks that are still missing, closures that are still to come, are work to do, no fault.
  if (isGrowing(sheet))
    return (
      <p className="mt-2 opacity-80">
        <Said words={joined(faults)} />.
      </p>
    )
  const found = saying`${joined(faults, '. ')}. ${outcome.say}`
  return (
    <div className="mt-2 grid justify-items-start gap-2">
      <Message tone="error" words={found} />
      {'toStepId' in outcome && (
        <BackTo
          job={job}
          outcome={outcome}
          onGoBack={() => onGoBack(outcome, `${sheet.name}: ${say(joined(faults))}`)}
        />
      )}
      {outcome.verdict === 'askDentist' && (
        <button type="button" className="act btn-error" onClick={() => onAsk(say(found))}>
          Ask the dentist
        </button>
      )}
    </div>
  )
}
