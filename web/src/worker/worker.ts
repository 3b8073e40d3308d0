import { type Remote, wrap } from 'comlink'

/** A worker thread and the way to give it work. */
export interface WorkerThread<T> {
  /** @throws {Error} what the work threw; `broken off` when the thread could not go on */
  readonly give: <A>(work: (remote: Remote<T>) => Promise<A>) => Promise<A>
  /** Ends it, whatever it is doing. */
  readonly stop: () => void
}

/** Starts a worker thread. What breaks it is thrown at everybody who waits for it: nobody waits for ever. */
export function startWorker<T>(start: () => Worker): WorkerThread<T> {
  const worker = start()
  const remote = wrap<T>(worker)
  const broken = new Promise<never>((_, reject) => {
    worker.addEventListener('error', () => reject(new Error('The calculation was broken off.')))
    worker.addEventListener('messageerror', () => reject(new Error('The calculation was broken off.')))
  })
  broken.catch(() => undefined)
  return { give: (work) => Promise.race([work(remote), broken]), stop: () => worker.terminate() }
}

/** A thread that all of a page share: started at its first work, and again after one that broke it. */
export function shareWorker<T>(start: () => Worker): WorkerThread<T>['give'] {
  let thread: WorkerThread<T> | undefined
  return async (work) => {
    thread ??= startWorker<T>(start)
    const mine = thread
    try {
      return await mine.give(work)
    } catch (error) {
      if (thread === mine) thread = undefined
      mine.stop()
      throw error
    }
  }
}
