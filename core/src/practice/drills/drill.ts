import type { Saying } from '../../quantity/index.ts'
import type { Of, Shape } from '../../shape/index.ts'

/** What a drill came to. */
export interface DrillResult {
  /** 0 to 100. */
  readonly points: number
  /** What was done, against what was there. */
  readonly say: Saying
  /** What would have been right. */
  readonly better: Saying
}

/** One instrument, two to five minutes: a task of a seed, an answer, and a score by the core. */
export interface DrillModule<T, A extends Shape> {
  readonly name: string
  readonly does: string
  /** The same seed is the same task: two people can be compared by it. */
  readonly task: (seed: number) => T
  readonly answer: A
  readonly score: (task: T, answer: Of<A>, seed: number) => DrillResult
}
export const drill = <T, A extends Shape>(declared: DrillModule<T, A>): DrillModule<T, A> => declared

/** A hundred at none, none at the worst, straight between (choice). */
export const pointsFor = (off: number, worst: number): number =>
  Math.round(1000 * Math.min(1, Math.max(0, 1 - Math.abs(off) / worst))) / 10
