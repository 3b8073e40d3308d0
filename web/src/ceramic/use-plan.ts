import type { ZonePlan } from '@yentrik/core'
import type { Attempt } from '../parts/attempt.ts'
import { useWorker } from '../worker/use-worker.ts'
import { shareWorker } from '../worker/worker.ts'
import type { BlockFound, BlockQuestion, CeramicWork, PlannedZones } from './ceramic.worker.ts'
import type { PlanQuestion } from './plan-draft.ts'

const inWorker = shareWorker<CeramicWork>(
  () => new Worker(new URL('./ceramic.worker.ts', import.meta.url), { type: 'module' }),
)

/** Stains for every zone, from one set of pots. */
export const usePlan = (question: PlanQuestion | undefined): Attempt<PlannedZones> | undefined =>
  useWorker(question, (taken) => inWorker((work) => work.plan(taken)))

/** Which of the blocks of the shelf would do better. */
export const useBlocks = (question: BlockQuestion | undefined): Attempt<readonly BlockFound[]> | undefined =>
  useWorker(question, (taken) => inWorker((work) => work.blocks(taken)), { keeps: false })

/** What one firing and two may end at. */
export const useSchools = (question: (PlanQuestion & { readonly plan: readonly ZonePlan[] }) | undefined) =>
  useWorker(question, (taken) => inWorker((work) => work.schools(taken)), { keeps: false })
