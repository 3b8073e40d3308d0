import type { BurnoutJudgement, BurnoutRun, PowerCut } from '@yentrik/core'
import type { Attempt } from '../parts/attempt.ts'
import { useWorker } from '../worker/use-worker.ts'
import { shareWorker } from '../worker/worker.ts'
import type { BurnoutQuestion, CastingWork, FollowedBurnout } from './casting.worker.ts'

const inWorker = shareWorker<CastingWork>(
  () => new Worker(new URL('./casting.worker.ts', import.meta.url), { type: 'module' }),
)

/** Follows a burnout into the core of its ring. */
export function useBurnout(question: BurnoutQuestion | undefined): Attempt<FollowedBurnout> | undefined {
  return useWorker(question, (taken) => inWorker((work) => work.follow(taken)), { keeps: false })
}

/** What a power cut did to a burnout. */
export function useCut(
  question: (BurnoutQuestion & { readonly cut: PowerCut }) | undefined,
): Attempt<BurnoutJudgement> | undefined {
  return useWorker(question, (taken) => inWorker((work) => work.cut(taken)), { keeps: false })
}

/** What a measured burnout did to its ring. */
export function useJudged(run: BurnoutRun | undefined): Attempt<BurnoutJudgement> | undefined {
  return useWorker(run, (taken) => inWorker((work) => work.judge(taken)))
}
