import { parentPort } from 'node:worker_threads'
import { type DeskAsk, PlanDesk } from '@yentrik/core'

/** So long at a time, then it listens whether something else is asked. */
const SLICE_MILLIS = 40
const MOST_ROUNDS = 1_000_000

/** The planner's desk in a thread of its own: it answers, and goes on with its plan while nobody asks. */
const desk = new PlanDesk()
let isGoingOn = false

parentPort!.on('message', (ask: DeskAsk) => {
  parentPort!.postMessage(desk.answer(ask))
  if (!isGoingOn) setImmediate(goOn)
  isGoingOn = true
})

function goOn(): void {
  const until = performance.now() + SLICE_MILLIS
  const done = desk.work(MOST_ROUNDS, () => performance.now() > until)
  if (done) parentPort!.postMessage(done)
  isGoingOn = desk.isSearching
  if (isGoingOn) setImmediate(goOn)
}
