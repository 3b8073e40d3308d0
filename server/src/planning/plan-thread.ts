import { Worker } from 'node:worker_threads'
import type { DeskAnswer, DeskAsk, DeskPlan } from '@yentrik/core'

export type Question = Exclude<DeskAsk, { kind: 'plan' }>
type OfQuestion = Exclude<DeskAnswer, DeskPlan>

/** Longer nobody waits for an answer of the planner. */
const LONGEST_MILLIS = 20_000

/** The thread in which the plan is made; begun when it is asked first, begun again when it has died. */
export class PlanThread {
  private worker: Worker | undefined
  private readonly waiting = new Map<number, (answer: OfQuestion | undefined) => void>()
  private asks = 0

  constructor(private readonly heard: (plan: DeskPlan) => void) {}

  plan(ask: Extract<DeskAsk, { kind: 'plan' }>): void {
    this.thread().postMessage(ask)
  }

  /** @returns undefined when there is no answer in time */
  async ask<K extends Question['kind']>(
    question: Omit<Extract<Question, { kind: K }>, 'ask'>,
  ): Promise<Extract<OfQuestion, { kind: K }> | undefined> {
    const ask = ++this.asks
    const answer = await new Promise<OfQuestion | undefined>((resolve) => {
      const timer = setTimeout(() => this.settle(ask, undefined), LONGEST_MILLIS)
      this.waiting.set(ask, (found) => {
        clearTimeout(timer)
        resolve(found)
      })
      this.thread().postMessage({ ...question, ask })
    })
    return answer?.kind === question.kind ? (answer as Extract<OfQuestion, { kind: K }>) : undefined
  }

  async close(): Promise<void> {
    for (const ask of [...this.waiting.keys()]) this.settle(ask, undefined)
    await this.worker?.terminate()
  }

  private settle(ask: number, answer: OfQuestion | undefined): void {
    this.waiting.get(ask)?.(answer)
    this.waiting.delete(ask)
  }

  private thread(): Worker {
    if (this.worker) return this.worker
    // The built worker, also where the tests run the source.
    const worker = new Worker(new URL('../../dist/planning/plan-worker.js', import.meta.url))
    worker.unref()
    worker.on('message', (answer: DeskAnswer) => {
      if (answer.kind === 'plan') this.heard(answer)
      else this.settle(answer.ask, answer)
    })
    worker.on('error', () => {
      this.worker = undefined
      for (const ask of [...this.waiting.keys()]) this.settle(ask, undefined)
    })
    this.worker = worker
    return worker
  }
}
