import type { TrainedLook, TrainedSection } from '@yentrik/core'
import type { Attempt } from '../parts/attempt.ts'
import { useWorker } from '../worker/use-worker.ts'
import { shareWorker } from '../worker/worker.ts'
import type { RemountWork, TrainerQuestion } from './remount.worker.ts'

export const inRemountWorker = shareWorker<RemountWork>(
  () => new Worker(new URL('./remount.worker.ts', import.meta.url), { type: 'module' }),
)

/** How the computed mouth stands; the last answer stays until the next is there. */
export function useMouth(
  question: TrainerQuestion,
): Attempt<{ readonly look: TrainedLook; readonly section: TrainedSection | undefined }> | undefined {
  return useWorker(question, (taken) => inRemountWorker((work) => work.look(taken)))
}
