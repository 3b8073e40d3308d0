import { joined, qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { checkLab, colourDifference, type Lab } from './lab.ts'

/** How many readings make one, with an instrument. */
export const READINGS = 3
/** A reading further from the middle of the others is read again, ΔE00 (our choice: noise of a good instrument is 0.2 to 0.3). */
const OUTLIER = 1

const middle = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b)
  const half = sorted.length >> 1
  return sorted.length % 2 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}

/** The first reading that lies apart from the others, of three or more; -1: none does. */
export function outlierOf(readings: readonly Lab[]): number {
  if (readings.length < READINGS) return -1
  const median: Lab = {
    L: middle(readings.map(({ L }) => L)),
    a: middle(readings.map(({ a }) => a)),
    b: middle(readings.map(({ b }) => b)),
  }
  const apart = readings.map((each) => colourDifference(each, median))
  const worst = apart.indexOf(Math.max(...apart))
  return apart[worst]! > OUTLIER ? worst : -1
}

/**
 * The mean of some readings of one place.
 * @throws {DomainError} `no-reading`, `reading-apart` (one that lies apart is read again, never averaged away), as `checkLab`
 */
export function meanReading(readings: readonly Lab[], field = 'readings'): Lab {
  if (readings.length === 0)
    throw new DomainError('no-reading', 'Nothing was read.', 'Read it, three times at one place.', field)
  for (const each of readings) checkLab(each, field)
  const apart = outlierOf(readings)
  if (apart >= 0)
    throw new DomainError(
      'reading-apart',
      `Reading ${apart + 1} lies apart from the others.`,
      'Seat the tip flat, clean and wet as the others, and read that one again.',
      field,
    )
  const mean = (of: (each: Lab) => number) =>
    readings.reduce((sum, each) => sum + of(each), 0) / readings.length
  return { L: mean(({ L }) => L), a: mean(({ a }) => a), b: mean(({ b }) => b) }
}

const asWritten = (value: number) => value.toFixed(1)
/** A colour as it is said: L* 84.0, a* 1.0, b* 13.0. */
export const labWords = ({ L, a, b }: Lab): string =>
  `L* ${asWritten(L)}, a* ${asWritten(a)}, b* ${asWritten(b)}`

/** Pots with their coats in words. */
export const recipeWords = (coats: readonly number[], names: readonly string[]): Saying =>
  coats.some((x) => x > 0)
    ? joined(
        coats.flatMap((x, pot) => (x > 0 ? [saying`${qty.count(x, 2)} ${names[pot] ?? ''}`] : [])),
        ' + ',
      )
    : 'glaze only'
