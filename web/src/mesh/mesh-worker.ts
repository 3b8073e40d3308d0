import type { Attempt } from '../parts/attempt.ts'
import { startWorker, type WorkerThread } from '../worker/worker.ts'
import type { MeshWork } from './mesh.worker.ts'

/** A worker for one file; `stop` ends it, whatever it is doing. */
export const meshWorker = (): WorkerThread<MeshWork> =>
  startWorker<MeshWork>(() => new Worker(new URL('./mesh.worker.ts', import.meta.url), { type: 'module' }))

/** A file that broke the thread that read it. */
export const brokenFile = (): Attempt<never> => ({
  refusal: 'The file could not be read: it may be too large for this machine. Make it coarser and try again.',
})
