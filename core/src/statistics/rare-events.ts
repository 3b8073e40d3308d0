import { DomainError } from '../refusal/index.ts'
import { lnChoose, lnGamma } from './distributions.ts'
import { type Counted, mustBeCounted, mustBeCounts } from './entered.ts'

/** Fewer than so many say nothing of a rate (choice). */
export const LEAST_RARE_EVENTS = 5
/** With so small a chance or less, events that follow one another are called close together (choice). */
const CLOSE_CHANCE = 0.01

export interface RareInput {
  /** How often it was before, in how many jobs. */
  readonly before: Counted
  /** How often it was in the jobs after them. */
  readonly next: Counted
}
export interface Rare {
  readonly state: 'tooFew' | 'told'
  /** Of so many or more, by what was before. */
  readonly chanceOfSoMany: number
  readonly chanceOfNone: number
  readonly closeTogether: boolean
}

/**
 * Whether rare events have come closer together than chance brings them, or stayed away longer.
 * The rate is what the jobs before say of it: beta with events + 1/2 and the rest + 1/2, so the count to come is beta-binomial.
 * @throws {DomainError} `nothing-counted`, `count-above-total`, `counts-not-whole`, `value-not-finite`
 * Source: beta-binomial law; prior of Jeffreys (recalled).
 */
export function rareEvents({ before, next }: RareInput): Rare {
  mustBeCounted(before, 'before')
  mustBeCounted(next, 'next')
  const a = before.count + 0.5
  const b = before.of - before.count + 0.5
  const lnBeta = (x: number, y: number) => lnGamma(x) + lnGamma(y) - lnGamma(x + y)
  const chance = (k: number) => Math.exp(lnChoose(next.of, k) + lnBeta(a + k, b + next.of - k) - lnBeta(a, b))
  let fewer = 0
  for (let k = 0; k < next.count; k++) fewer += chance(k)
  const chanceOfSoMany = Math.max(0, 1 - fewer)
  const state = before.count < LEAST_RARE_EVENTS ? 'tooFew' : 'told'
  return {
    state,
    chanceOfSoMany,
    chanceOfNone: chance(0),
    closeTogether: state === 'told' && next.count > 1 && chanceOfSoMany <= CLOSE_CHANCE,
  }
}

/** The chance of so many or more in the next jobs at a rate that is known. @throws {DomainError} `chance-out-of-range`, `counts-not-whole` */
export function chanceAtRate(rate: number, atLeast: number, next: number): number {
  mustBeCounts([atLeast, next], 'next')
  if (!(rate > 0 && rate < 1))
    throw new DomainError(
      'chance-out-of-range',
      'The rate lies outside 0 to 1.',
      'Enter a rate between them.',
      'rate',
    )
  let fewer = 0
  for (let k = 0; k < atLeast && k <= next; k++)
    fewer += Math.exp(lnChoose(next, k) + k * Math.log(rate) + (next - k) * Math.log1p(-rate))
  return Math.max(0, 1 - fewer)
}

/** Of jobs between events: the limit that is drawn beside them, for their mean. Source: Benneyan 2001 (recalled). */
export const gapLimit = (meanGap: number): number => meanGap + 3 * Math.sqrt(meanGap * (meanGap + 1))

/** Half of all gaps are at most so many jobs at a rate. @throws {DomainError} `chance-out-of-range` */
export function medianGap(rate: number): number {
  if (!(rate > 0 && rate < 1))
    throw new DomainError(
      'chance-out-of-range',
      'The rate lies outside 0 to 1.',
      'Enter a rate between them.',
      'rate',
    )
  return Math.log(0.5) / Math.log1p(-rate)
}
