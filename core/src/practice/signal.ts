import { DomainError } from '../refusal/index.ts'
import { normalQuantile } from '../statistics/index.ts'

/** Fewer of either say nothing about a person (choice). */
const LEAST_OF_EACH = 5

/** Nearer than this a criterion leans to neither side (choice). */
const NEITHER_SIDE = 0.2

export interface Sensitivity {
  readonly hitRate: number
  readonly falseAlarmRate: number
  readonly dPrime: number
  /** Above 0: passes too readily; below: sees ghosts. */
  readonly criterion: number
  readonly leans: 'neither' | 'passes' | 'refuses'
}

/**
 * How well somebody tells a defect from sound work, and on which side they err, over many cases.
 *
 *     H = (found + 0.5)/(n + 1)   F = (false + 0.5)/(m + 1)   d' = z(H) - z(F)   c = -(z(H) + z(F))/2
 *
 * @param found of n defects
 * @param falseAlarms of m clean looks
 * @returns undefined with fewer than 5 of either: then only the counts are shown
 * @throws {DomainError} `counts-out-of-range`
 * Source: Green and Swets 1966; Hautus 1995 (recalled).
 */
export function sensitivity(
  found: number,
  n: number,
  falseAlarms: number,
  m: number,
): Sensitivity | undefined {
  const counts = [found, n, falseAlarms, m]
  if (counts.some((each) => !(Number.isInteger(each) && each >= 0)) || found > n || falseAlarms > m)
    throw new DomainError(
      'counts-out-of-range',
      'More was found than was there, or a count is no whole number.',
      'Enter counts from 0, the found at most as many as there were.',
    )
  if (n < LEAST_OF_EACH || m < LEAST_OF_EACH) return undefined
  const hitRate = (found + 0.5) / (n + 1)
  const falseAlarmRate = (falseAlarms + 0.5) / (m + 1)
  const [hit, alarm] = [normalQuantile(hitRate), normalQuantile(falseAlarmRate)]
  const criterion = -(hit + alarm) / 2
  const leans = Math.abs(criterion) < NEITHER_SIDE ? 'neither' : criterion > 0 ? 'passes' : 'refuses'
  return { hitRate, falseAlarmRate, dPrime: hit - alarm, criterion, leans }
}
