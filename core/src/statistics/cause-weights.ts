import { DomainError } from '../refusal/index.ts'
import { sumOf } from './distributions.ts'
import { mustBeCounts } from './entered.ts'
import { type Share, shareOf } from './rates.ts'

/** What the usual order is worth, in findings (choice). */
const ORDER_WORTH = 4
/** From so many findings on it is said how often each was found (choice). */
export const LEAST_FINDINGS = 5

/**
 * How likely each cause of a fault is in this lab: the usual order, moved by what was found.
 *
 *     prior of rank r of J  4 (1/r)/H_J     weight = (prior + found)/(4 + N)
 *
 * @param found how often each was found, in their usual order
 * @throws {DomainError} `counts-not-whole`, `nothing-counted` without any cause
 * Source: Dirichlet law with a prior by Zipf's; its worth is a choice.
 */
export function causeWeights(found: readonly number[]): readonly number[] {
  mustBeCounts(found, 'found')
  if (found.length === 0)
    throw new DomainError('nothing-counted', 'No cause was entered.', 'Enter at least one.', 'found')
  const harmonic = sumOf(found.map((_, n) => 1 / (n + 1)))
  const all = ORDER_WORTH + sumOf(found)
  return found.map((count, n) => (ORDER_WORTH / (n + 1) / harmonic + count) / all)
}

export interface CauseHits {
  readonly first: Share
  readonly firstThree: Share
  /** Mean of 1 by the rank at which it stood; what was not on the list counts 0. */
  readonly meanReciprocalRank: number
}

/**
 * How high on the fault finder's list the cause stood that was found in the end.
 * @param ranks from 1; 0: it was not on the list
 * @throws {DomainError} `rank-not-whole`, `nothing-counted`
 */
export function causeHits(ranks: readonly number[]): CauseHits {
  if (!ranks.every((rank) => Number.isInteger(rank) && rank >= 0))
    throw new DomainError(
      'rank-not-whole',
      'A rank is no whole number.',
      'Enter ranks from 1, or 0 for a cause that was not on the list.',
      'ranks',
    )
  const of = ranks.length
  const within = (most: number) => ranks.filter((rank) => rank > 0 && rank <= most).length
  return {
    first: shareOf({ count: within(1), of }),
    firstThree: shareOf({ count: within(3), of }),
    meanReciprocalRank: sumOf(ranks.map((rank) => (rank > 0 ? 1 / rank : 0))) / of,
  }
}
