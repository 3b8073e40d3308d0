import { normalBelow, sumOf } from './distributions.ts'
import { mustBeAsLong, mustBeChances } from './entered.ts'
import { type Share, shareOf } from './rates.ts'

/** Fewer promises say nothing of a plan (choice). */
export const LEAST_PROMISES = 20
/** Below this p the chances are called off (the usual level of a sign). */
const SIGN_OF_BEING_OFF = 0.05
/** Where the bins of chances begin (choice). */
const BINS = [0, 0.5, 0.7, 0.8, 0.9] as const

export interface PromiseBin {
  readonly from: number
  /** What was said, as a mean. */
  readonly said: number
  readonly kept: Share
}
export interface Calibration {
  readonly state: 'tooFew' | 'told'
  readonly n: number
  /** Mean square of what was said less what was. */
  readonly brier: number
  readonly reliability: number
  readonly resolution: number
  readonly uncertainty: number
  /** Below or above 2 the chances are off; undefined where every one was 0, 1 or a half. */
  readonly z?: number
  readonly p?: number
  /** So far off by chance alone less than once in twenty. */
  readonly off: boolean
  readonly bins: readonly PromiseBin[]
}

/**
 * Whether promises were kept as often as was said. With one chance in each bin: Brier = reliability - resolution + uncertainty.
 * @param chances from 0 to 1
 * @param kept one of each
 * @returns undefined without any
 * @throws {DomainError} `chance-out-of-range`, `lengths-differ`
 * Source: Brier 1950; Murphy 1973; Spiegelhalter 1986 (recalled).
 */
export function calibration(chances: readonly number[], kept: readonly boolean[]): Calibration | undefined {
  mustBeAsLong(chances, kept, 'kept')
  mustBeChances(chances, 'chance-out-of-range', 'chances')
  const n = chances.length
  if (n === 0) return undefined
  const promises = chances.map((chance, at) => ({ chance, kept: kept[at] ? 1 : 0 }))
  const base = sumOf(promises.map((each) => each.kept)) / n
  const bins = BINS.flatMap((from, at) => {
    const to = BINS[at + 1] ?? Number.POSITIVE_INFINITY
    const own = promises.filter(({ chance }) => chance >= from && chance < to)
    if (own.length === 0) return []
    const said = sumOf(own.map(({ chance }) => chance)) / own.length
    return [{ from, said, kept: shareOf({ count: sumOf(own.map((each) => each.kept)), of: own.length }) }]
  })
  const binned = (of: (bin: PromiseBin) => number) => sumOf(bins.map((bin) => bin.kept.of * of(bin))) / n
  const variance = sumOf(promises.map(({ chance: p }) => (1 - 2 * p) ** 2 * p * (1 - p)))
  const z =
    variance > 0
      ? sumOf(promises.map(({ chance: p, kept: o }) => (o - p) * (1 - 2 * p))) / Math.sqrt(variance)
      : undefined
  const p = z === undefined ? undefined : 2 * normalBelow(-Math.abs(z))
  return {
    state: n < LEAST_PROMISES ? 'tooFew' : 'told',
    n,
    brier: sumOf(promises.map(({ chance, kept: o }) => (chance - o) ** 2)) / n,
    reliability: binned(({ said, kept: { share } }) => (said - share) ** 2),
    resolution: binned(({ kept: { share } }) => (share - base) ** 2),
    uncertainty: base * (1 - base),
    ...(z === undefined ? {} : { z, p: p! }),
    off: p !== undefined && p < SIGN_OF_BEING_OFF,
    bins,
  }
}
