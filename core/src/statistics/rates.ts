import { lnChoose, rootOf, Z_95 } from './distributions.ts'
import { type Counted, mustBeCounted } from './entered.ts'

/** Below so many no percent is shown, only the counts (choice). */
export const LEAST_FOR_PERCENT = 10

export interface Interval {
  readonly low: number
  readonly high: number
}
export interface Share extends Counted, Interval {
  readonly share: number
  /** `tooFew`: say it by its counts, as 2 of 7. */
  readonly state: 'percent' | 'tooFew'
}

/**
 * A share with its interval of 95 %.
 * @throws {DomainError} `nothing-counted`, `count-above-total`, `counts-not-whole`, `value-not-finite`
 * Source: Wilson 1927.
 */
export function shareOf(counted: Counted): Share {
  mustBeCounted(counted)
  const { count, of } = counted
  const share = count / of
  const z2 = Z_95 * Z_95
  const middle = (share + z2 / (2 * of)) / (1 + z2 / of)
  const half = (Z_95 * Math.sqrt((share * (1 - share)) / of + z2 / (4 * of * of))) / (1 + z2 / of)
  return {
    count,
    of,
    share,
    // At the ends it is exact; rounding would put it a hair outside.
    low: count === 0 ? 0 : Math.max(0, middle - half),
    high: count === of ? 1 : Math.min(1, middle + half),
    state: of < LEAST_FOR_PERCENT ? 'tooFew' : 'percent',
  }
}

/** The share that is exceeded only with a chance of 5 of 100: exact, one side. @throws {DomainError} as `shareOf` */
export function exactHigh(counted: Counted): number {
  mustBeCounted(counted)
  const { count, of } = counted
  if (count === of) return 1
  const atMost = (p: number) => {
    let sum = 0
    for (let k = 0; k <= count; k++)
      sum += Math.exp(lnChoose(of, k) + k * Math.log(p) + (of - k) * Math.log1p(-p))
    return sum
  }
  return rootOf((p) => 0.05 - atMost(p), 1e-12, 1 - 1e-12)
}

export interface Difference extends Interval {
  readonly first: Share
  readonly second: Share
  readonly difference: number
}

/**
 * The difference of two shares with its interval of 95 %.
 * @throws {DomainError} as `shareOf`
 * Source: Newcombe 1998, method 10.
 */
export function differenceOf(one: Counted, other: Counted): Difference {
  const first = shareOf(one)
  const second = shareOf(other)
  const difference = first.share - second.share
  return {
    first,
    second,
    difference,
    low: difference - Math.hypot(first.share - first.low, second.high - second.share),
    high: difference + Math.hypot(first.high - first.share, second.share - second.low),
  }
}

export interface Rolled {
  readonly jobs: Share
  /** What would come of it if faults came singly; steps with none counted are left out. */
  readonly product: number
}

/**
 * The share of jobs in which nothing went back, beside the product of the steps' shares. No count is ever added to make up for few.
 * @throws {DomainError} as `shareOf`
 */
export function rolledYield(clean: Counted, steps: readonly Counted[]): Rolled {
  for (const step of steps) mustBeCounted(step, 'steps')
  return { jobs: shareOf(clean), product: steps.reduce((all, { count, of }) => all * (count / of), 1) }
}
