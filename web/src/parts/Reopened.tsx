import { type JobState, type Outcome, reopenedSteps, stepOf } from '@yentrik/core'

interface ReopenedProps {
  readonly job: JobState
  readonly toStepId: string
  readonly remake: boolean
}

/** What opens again when a job goes back, so that nobody is surprised. */
export function Reopened({ job, toStepId, remake }: ReopenedProps) {
  const again = reopenedSteps(job.route, toStepId, remake).filter(
    (step) => job.steps[step.id]?.status !== 'waiting',
  )
  return (
    <p>
      To be done again: <b>{again.map((step) => step.name).join(', ')}</b>. What was done stays on record.
    </p>
  )
}

type BackTo = Extract<Outcome, { toStepId: string }>

/** The way back that an outcome rules, with what it opens again. */
export function BackTo({
  job,
  outcome,
  onGoBack,
}: {
  readonly job: JobState
  readonly outcome: BackTo
  readonly onGoBack: () => void
}) {
  const remake = outcome.verdict === 'remake'
  const awaits = outcome.verdict === 'remake' ? outcome.awaits : undefined
  return (
    <>
      <Reopened job={job} toStepId={outcome.toStepId} remake={remake} />
      {awaits !== undefined && (
        <p>
          The clinic is asked, and the case waits for its answer: <b>{awaits}</b>
        </p>
      )}
      <button type="button" className="act btn-error" onClick={onGoBack}>
        {awaits !== undefined ? 'Ask, then remake from' : remake ? 'Remake from' : 'Go back to'} "
        {stepOf(job, outcome.toStepId).name}"
      </button>
    </>
  )
}
