import {
  type Amount,
  type CaseCommand,
  type CaseState,
  type EventReader,
  type JobState,
  leavingOut,
  type RouteStep,
} from '@yentrik/core'
import { Link } from 'react-router'
import { Sheet } from '../parts/Sheet.tsx'
import { type OpenCase, refusalNow } from '../record/open-case.ts'
import { MixEntry } from '../route/MixEntry.tsx'
import { AmendSheet } from './AmendSheet.tsx'
import { AnswerSheet, GoBackSheet, StaleSheet } from './case-sheets.tsx'
import { ImpressionsSheet } from './ImpressionsSheet.tsx'
import { ReturnSheet } from './ReturnSheet.tsx'
import { StepClock } from './StepClock.tsx'
import { VariantsSheet } from './VariantsSheet.tsx'
import { WhatCanBeDone } from './WhatCanBeDone.tsx'
import { WordsSheet } from './WordsSheet.tsx'

/** What is laid over the case: one question at a time. */
export type OpenSheet =
  | {
      readonly sheet:
        | 'goBack'
        | 'note'
        | 'ask'
        | 'answer'
        | 'hold'
        | 'variants'
        | 'amend'
        | 'skip'
        | 'earlier'
        | 'impressions'
        | 'return'
    }
  | { readonly sheet: 'mix'; readonly amount: Amount }

/** The server, whose clock counts, wants a reason first. */
export const wantsReason = ({ refusal }: OpenCase) =>
  ['too-soon', 'window-missed'].includes(refusal?.problem.code ?? '')

interface CaseSheetsProps {
  readonly openCase: OpenCase
  readonly state: CaseState
  readonly job: JobState
  readonly step: RouteStep
  readonly reader: EventReader
  readonly opened: OpenSheet | undefined
  readonly onShut: () => void
  readonly onGive: (command: CaseCommand) => Promise<boolean>
  readonly onGiveAll: (commands: readonly CaseCommand[]) => Promise<boolean>
  /** Starts or ends the current step, with the reason why it is out of its time. */
  readonly onMove: (outOfTimeReason: string) => Promise<boolean>
}

/** Every question that a case can ask of a person, each as a sheet over it. */
export function CaseSheets({
  openCase,
  state,
  job,
  step,
  reader,
  opened,
  onShut,
  onGive,
  onGiveAll,
  onMove,
}: CaseSheetsProps) {
  const on = { jobId: job.jobId, stepId: step.id }
  const running = job.steps[step.id]?.status === 'running'
  const refusal = openCase.refusal?.said
  const draft = (what: string) => `${openCase.caseId} ${job.jobId} ${step.id} ${what}`
  return (
    <>
      {opened?.sheet === 'mix' && (
        <Sheet title="What was used" onClose={onShut}>
          <MixEntry
            amount={opened.amount}
            caseId={openCase.caseId}
            draftKey={draft(`mix ${opened.amount.id}`)}
            refusal={refusal}
            onRecord={async (mix) => {
              const stored = await onGive({ type: 'recordMix', ...on, ...mix })
              if (stored) onShut()
              return stored
            }}
          />
          {opened.amount.kind === 'mix' && (
            <Link
              className="link mt-4 inline-block"
              to={`/mix?case=${openCase.caseId}&job=${job.jobId}&step=${step.id}&amount=${opened.amount.id}`}
            >
              Work it out on the Mix screen
            </Link>
          )}
        </Sheet>
      )}
      {wantsReason(openCase) && (
        <WordsSheet
          title={openCase.refusal?.problem.code === 'too-soon' ? 'Too soon' : 'The time is past'}
          label={`Why ${running ? 'it is done' : 'it starts'} all the same`}
          button={running ? 'Done all the same' : 'Start all the same'}
          draftKey={draft('out of time')}
          intro={
            <>
              <StepClock caseId={openCase.caseId} job={job} step={step} />
              <WhatCanBeDone
                job={job}
                step={step}
                onGive={async (command) => {
                  const stored = await onGive(command)
                  if (stored) openCase.clearRefusal()
                  return stored
                }}
              />
            </>
          }
          refusal={openCase.refusal?.problem.said?.detail ?? openCase.refusal?.problem.detail}
          onClose={openCase.clearRefusal}
          onGive={onMove}
        />
      )}
      {opened?.sheet === 'return' && <ReturnSheet caseId={openCase.caseId} state={state} onClose={onShut} />}
      {opened?.sheet === 'impressions' && (
        <ImpressionsSheet
          job={job}
          draftKey={`${openCase.caseId} ${job.jobId} impressions`}
          refusal={refusal}
          onClose={onShut}
          onGive={(impressions) => onGive({ type: 'recordImpressions', jobId: job.jobId, impressions })}
        />
      )}
      {opened?.sheet === 'skip' && (
        <WordsSheet
          title={`Leave out "${step.name}"`}
          label="Why"
          button="Leave it out"
          draftKey={draft('leave out')}
          start={step.mayBeSkipped}
          refusal={refusal}
          onClose={onShut}
          onGive={(reason) => onGiveAll(leavingOut(job, step, reason))}
        />
      )}
      {opened?.sheet === 'goBack' && (
        <GoBackSheet
          job={job}
          draftKey={draft('go back')}
          refusal={refusal}
          onClose={onShut}
          onGive={(toStepId, remake, reason) =>
            onGive({ type: 'goBack', jobId: job.jobId, toStepId, remake, reason })
          }
        />
      )}
      {opened?.sheet === 'note' && (
        <WordsSheet
          title="Note"
          label="What the next one should know"
          button="Keep it"
          draftKey={draft('note')}
          refusal={refusal}
          onClose={onShut}
          onGive={(text) => onGive({ type: 'note', ...on, text })}
        />
      )}
      {opened?.sheet === 'hold' && (
        <WordsSheet
          title="Put on hold"
          label="Why"
          button="Put on hold"
          draftKey={draft('hold')}
          refusal={refusal}
          onClose={onShut}
          onGive={(reason) => onGive({ type: 'hold', reason })}
        />
      )}
      {opened?.sheet === 'ask' && (
        <WordsSheet
          title="Ask the dentist"
          label="What was found, and the question"
          button="Ask"
          draftKey={draft('question')}
          intro={<p>The case stops until the answer is entered. Clocks that run go on.</p>}
          refusal={refusal}
          onClose={onShut}
          onGive={(question) => onGive({ type: 'askDentist', ...on, question })}
        />
      )}
      {opened?.sheet === 'answer' && job.question && (
        <AnswerSheet
          job={job}
          draftKey={draft('answer')}
          refusal={refusal}
          onClose={onShut}
          onGive={(answer, decision, toStepId) =>
            onGive({ type: 'dentistAnswered', jobId: job.jobId, answer, decision, toStepId })
          }
        />
      )}
      {opened?.sheet === 'variants' && (
        <VariantsSheet
          job={job}
          draftKey={draft('variant')}
          refusal={refusal}
          onClose={onShut}
          onGive={(matter, choice, reason) =>
            onGive({ type: 'swapVariant', jobId: job.jobId, matter, choice, reason })
          }
        />
      )}
      {opened?.sheet === 'amend' && (
        <AmendSheet
          authorisation={state.authorisation}
          draftKey={`${openCase.caseId} amend`}
          refusal={refusal}
          onClose={onShut}
          onGive={(changes, reason) => onGive({ type: 'amend', changes, reason })}
        />
      )}
      {openCase.stale && (
        <StaleSheet
          since={openCase.stale.since}
          reader={reader}
          refusal={refusalNow(state, openCase.stale.command)}
          onAgain={() => void openCase.giveAgain().then((stored) => stored && onShut())}
          onDrop={openCase.dropStale}
        />
      )}
    </>
  )
}
