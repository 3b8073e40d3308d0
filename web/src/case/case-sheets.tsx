import {
  type CaseEvent,
  type DentistDecision,
  decisionWords,
  type EventReader,
  eventWords,
  type JobState,
  type Saying,
  saying,
  stepOf,
} from '@yentrik/core'
import { Pills, SelectField } from '../parts/Choices.tsx'
import { forgetting, useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { Reopened } from '../parts/Reopened.tsx'
import { Sheet } from '../parts/Sheet.tsx'
import { Said } from '../preferences/words.tsx'
import { WordsSheet } from './WordsSheet.tsx'

interface StepChoiceProps {
  readonly job: JobState
  readonly stepId: string
  readonly onChoose: (stepId: string) => void
}

/** The steps that were begun, to go back to one of them. */
function StepChoice({ job, stepId, onChoose }: StepChoiceProps) {
  return (
    <SelectField
      label="To which step"
      options={job.route.steps
        .filter((step) => job.steps[step.id]?.status !== 'waiting')
        .map((step) => [step.id, step.name])}
      value={stepId}
      onChoose={onChoose}
    />
  )
}

function beforeLast(job: JobState): string {
  const begun = job.route.steps.filter((step) => job.steps[step.id]?.status !== 'waiting')
  return begun.at(-2)?.id ?? begun.at(-1)?.id ?? ''
}

export function GoBackSheet({
  job,
  draftKey,
  refusal,
  onClose,
  onGive,
}: {
  job: JobState
  draftKey: string
  refusal?: Saying
  onClose: () => void
  onGive: (toStepId: string, remake: boolean, reason: string) => Promise<boolean>
}) {
  const [toStepId, setToStepId, forget] = useDraft(`${draftKey} to`, () => beforeLast(job))
  if (toStepId === '')
    return (
      <Sheet title="Go back" onClose={onClose}>
        <p>Nothing has been begun yet.</p>
      </Sheet>
    )
  return (
    <WordsSheet
      title="Go back"
      label="Why"
      button={`Go back to "${stepOf(job, toStepId).name}"`}
      draftKey={draftKey}
      refusal={refusal}
      onClose={onClose}
      onGive={(reason) => forgetting(forget, onGive(toStepId, false, reason))}
      intro={
        <>
          <StepChoice job={job} stepId={toStepId} onChoose={setToStepId} />
          <Reopened job={job} toStepId={toStepId} remake={false} />
        </>
      }
    />
  )
}

/** What the dentist said, and what follows from it. */
export function AnswerSheet({
  job,
  draftKey,
  refusal,
  onClose,
  onGive,
}: {
  job: JobState
  draftKey: string
  refusal?: Saying
  onClose: () => void
  onGive: (answer: string, decision: DentistDecision, toStepId?: string) => Promise<boolean>
}) {
  const [{ decision, toStepId }, keep, forget] = useDraft(`${draftKey} decision`, () => ({
    decision: 'proceed' as DentistDecision,
    toStepId: beforeLast(job),
  }))
  const backwards = decision === 'goBack' || decision === 'remake'
  return (
    <WordsSheet
      title="The dentist's answer"
      label="What the dentist said"
      button="Enter the answer"
      draftKey={draftKey}
      refusal={refusal}
      onClose={onClose}
      onGive={(answer) => forgetting(forget, onGive(answer, decision, backwards ? toStepId : undefined))}
      intro={
        <>
          {job.question && (
            <p className="text-lg font-semibold">
              <Said words={job.question.question} />
            </p>
          )}
          <Pills
            label="So"
            options={(Object.keys(decisionWords) as DentistDecision[]).map((each) => [
              each,
              decisionWords[each],
            ])}
            value={decision}
            onChoose={(next) => keep({ decision: next, toStepId })}
          />
          {backwards && (
            <StepChoice job={job} stepId={toStepId} onChoose={(next) => keep({ decision, toStepId: next })} />
          )}
          {backwards && <Reopened job={job} toStepId={toStepId} remake={decision === 'remake'} />}
        </>
      }
    />
  )
}

/** Somebody else was quicker: what they did, and whether one's own entry still holds. */
export function StaleSheet({
  since,
  reader,
  refusal,
  onAgain,
  onDrop,
}: {
  since: readonly CaseEvent[]
  reader: EventReader
  refusal?: Saying
  onAgain: () => void
  onDrop: () => void
}) {
  return (
    <Sheet title="Somebody worked on this case meanwhile" onClose={onDrop}>
      <ul className="mb-4 grid gap-1">
        {since.map((event) => (
          <li key={event.sequence}>
            <b>{event.by}</b>: <Said words={eventWords(event, reader)} />
          </li>
        ))}
      </ul>
      {refusal ? (
        <Message tone="warning" words={saying`Your entry no longer holds: ${refusal}`} />
      ) : (
        <Message tone="good">Your entry still holds. Nothing of theirs is lost if you store it now.</Message>
      )}
      <div className="mt-5 flex flex-wrap gap-3">
        {!refusal && (
          <button type="button" className="act-main" onClick={onAgain}>
            Store mine too
          </button>
        )}
        <button type="button" className="act" onClick={onDrop}>
          Leave mine out
        </button>
      </div>
    </Sheet>
  )
}
