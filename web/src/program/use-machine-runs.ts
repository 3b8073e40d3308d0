import type { MachineLoad, MachineRunShown } from '@yentrik/contract'
import { type JobState, type MachineKind, startedAt } from '@yentrik/core'
import { useAnswer } from '../live/queries.ts'
import type { ForCase } from '../record/IntoRecord.tsx'

/** The run that holds the work of a step, of this attempt and none before; undefined while the step is not running. */
export function runOf(
  runs: readonly MachineRunShown[],
  caseId: string,
  { jobId, steps }: JobState,
  stepId: string,
): MachineRunShown | undefined {
  const step = steps[stepId]
  const since = step?.status === 'running' ? startedAt(step) : undefined
  if (since === undefined) return undefined
  return runs.find(
    (run) =>
      run.startedAt >= since &&
      run.loads.some((load) => load.caseId === caseId && load.jobId === jobId && load.stepId === stepId),
  )
}

/** The steps of a job that run and whose work belongs into a machine of this kind. */
export function loadsOf({ caseId, job }: ForCase, kind: MachineKind): readonly MachineLoad[] {
  return job.route.steps
    .filter(({ id, machine }) => machine === kind && job.steps[id]?.status === 'running')
    .map(({ id }) => ({ caseId, jobId: job.jobId, stepId: id }))
}

/** How often a machine is looked at while it runs, ms. */
const LOOK_MILLIS = 3000

/** What the machines run, looked at every few seconds while one of them does. */
export function useMachineRuns(): readonly MachineRunShown[] {
  const { data = [] } = useAnswer('GET /machine-runs', undefined, {
    everyMillis: (runs) => (runs?.some(({ stoppedAt }) => stoppedAt === null) ? LOOK_MILLIS : undefined),
  })
  return data
}
