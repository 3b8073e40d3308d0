import type { CasePlan } from '@yentrik/contract'
import type { JobState } from '@yentrik/core'
import { useAnswer } from '../live/queries.ts'

/** When each step of a case is planned; undefined: it is in no plan, or none is known yet. */
export function useCasePlan(caseId: string): CasePlan | undefined {
  const { data } = useAnswer('GET /plan/cases/:caseId', { path: { caseId } })
  return data?.plan ?? undefined
}

/** When a step is planned to begin; of one that waits by itself already, when it is ready. */
export function plannedAt(
  plan: CasePlan | undefined,
  { jobId, steps }: Pick<JobState, 'jobId' | 'steps'>,
  stepId: string,
): number | undefined {
  const planned = plan?.steps.find((step) => step.jobId === jobId && step.stepId === stepId)
  return steps[stepId]?.status === 'running' ? planned?.until : planned?.at
}
