import type { CaseCommand, JobState, RouteStep } from '@yentrik/core'
import { clockTime } from '../format/format.ts'

/** Since when whoever does a step is called away from it; undefined: they are at it. */
export function pausedSince(job: JobState, step: RouteStep): number | undefined {
  const state = job.steps[step.id]
  return state?.status === 'running' && state.pausedSince ? Date.parse(state.pausedSince) : undefined
}

/** A step that somebody was called away from: its time counts again from here on. */
export function BackAtIt({
  job,
  step,
  onGive,
}: {
  readonly job: JobState
  readonly step: RouteStep
  readonly onGive: (command: CaseCommand) => void
}) {
  const since = pausedSince(job, step)
  if (since === undefined) return null
  return (
    <button
      type="button"
      className="act"
      onClick={() => onGive({ type: 'resume', jobId: job.jobId, stepId: step.id })}
    >
      Back at it <span className="figures font-normal">away since {clockTime(since)}</span>
    </button>
  )
}
