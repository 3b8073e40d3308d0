import { type CaseState, type JobState, stepOf } from '@yentrik/core'
import { dayAndTime } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { Message } from '../parts/Message.tsx'
import { Said } from '../preferences/words.tsx'

/** What stands in the way of work, with the one thing to do about it. */
export function Standing({
  state,
  job,
  onAnswer,
  answerWords = 'Enter the answer',
  onRelease,
}: {
  state: CaseState
  job: JobState
  onAnswer: () => void
  answerWords?: string
  onRelease: () => void
}) {
  const now = useNow()
  if (state.ended)
    return (
      <div className="card-flat p-4">
        <Message tone="warning">
          The case ended {dayAndTime(Date.parse(state.ended.at), now)}: {state.ended.reason}
        </Message>
      </div>
    )
  return (
    <>
      {job.question && (
        <div className="card-flat border-warning flex flex-wrap items-center justify-between gap-3 border-2 p-4">
          <div>
            <Message tone="warning">
              Waiting for the dentist since {dayAndTime(Date.parse(job.question.since), now)}
            </Message>
            <p className="mt-1 text-xl font-semibold">
              <Said words={job.question.question} />
            </p>
          </div>
          <button type="button" className="act-main" onClick={onAnswer}>
            {answerWords}
          </button>
        </div>
      )}
      {state.held && (
        <div className="card-flat border-warning flex flex-wrap items-center justify-between gap-3 border-2 p-4">
          <Message tone="warning">
            On hold since {dayAndTime(Date.parse(state.held.since), now)}: {state.held.reason}
          </Message>
          <button type="button" className="act-main" onClick={onRelease}>
            Take off hold
          </button>
        </div>
      )}
      {job.wentBack && !job.question && (
        <Message tone="warning">
          {job.wentBack.remake ? 'Remake' : 'Gone back'} to "{stepOf(job, job.wentBack.toStepId).name}":{' '}
          {job.wentBack.reason}
        </Message>
      )}
    </>
  )
}
