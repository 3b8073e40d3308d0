import { DomainError } from '../refusal/index.ts'
import { chiSquareQuantile, sumOf } from './distributions.ts'
import { mustBeFinite } from './entered.ts'
import type { Interval } from './rates.ts'

/** Fewer events are shown one by one (choice). */
export const LEAST_FOR_HOURS = 3

export interface LostHours extends Interval {
  readonly hours: number
  readonly events: number
  readonly state: 'tooFew' | 'told'
}

/**
 * Hours lost to something that happens by chance, with the interval of 95 % in which its like would lie another time.
 * Of events of one hour each it is the exact interval of Poisson.
 * @param hours of each event, above 0
 * @param most the largest that one could be, where none was: without it an empty list has no interval
 * @throws {DomainError} `hours-not-positive`, `value-not-finite`, `nothing-counted`
 * Source: Fay and Feuer 1997; Garwood 1936 (recalled).
 */
export function lostHours(hours: readonly number[], most?: number): LostHours {
  mustBeFinite(most === undefined ? hours : [...hours, most], 'hours')
  if (![...hours, ...(most === undefined ? [] : [most])].every((each) => each > 0))
    throw new DomainError(
      'hours-not-positive',
      'An event took no time, or less.',
      'Enter hours above 0.',
      'hours',
    )
  const largest = hours.length > 0 ? Math.max(...hours, most ?? 0) : most
  if (largest === undefined)
    throw new DomainError(
      'nothing-counted',
      'No event was entered.',
      'Enter the hours of each, or the most that one could take.',
      'hours',
    )
  const y = sumOf(hours)
  const v = sumOf(hours.map((each) => each * each))
  const above = y + largest
  const spread = v + largest * largest
  return {
    hours: y,
    events: hours.length,
    low: y === 0 ? 0 : (v / (2 * y)) * chiSquareQuantile(0.025, (2 * y * y) / v),
    high: (spread / (2 * above)) * chiSquareQuantile(0.975, (2 * above * above) / spread),
    state: hours.length < LEAST_FOR_HOURS ? 'tooFew' : 'told',
  }
}
