import { type Remote, wrap } from 'comlink'
import type { MeshWork } from './mesh.worker.ts'

/** A worker for one file; `stop` ends it, whatever it is doing. */
export function meshWorker(): { readonly work: Remote<MeshWork>; readonly stop: () => void } {
  const worker = new Worker(new URL('./mesh.worker.ts', import.meta.url), { type: 'module' })
  return { work: wrap<MeshWork>(worker), stop: () => worker.terminate() }
}
