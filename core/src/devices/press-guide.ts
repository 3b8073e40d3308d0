import { perSecond } from './slope.ts'

/** The gauge at a moment, as the press sent it. */
export interface GaugeSample {
  /** ms on any steady clock. */
  readonly at: number
  readonly kilopascals: number
  /** It no longer sinks: the dough has flowed. */
  readonly held: boolean
}
/** Between which readings a closing counts, kPa. */
export interface PressLimits {
  readonly leastKilopascals: number
  readonly mostKilopascals: number
}
/** What to say to whoever turns the press. */
export type PressWord = 'close' | 'slower' | 'hold' | 'more' | 'right' | 'letOff'

/** Faster than this the dough has no time to flow, kPa/s: the trial pressure in half a minute (our choice). */
export const FASTEST_KILOPASCALS_PER_SECOND = 350
/** Below this the press only touches, kPa (our choice). */
export const TOUCHING_KILOPASCALS = 200
/** The rise is judged over this long, ms (choice). */
const RISE_WINDOW_MILLIS = 1500

/**
 * What to say to whoever turns the press: close, slower, hold until the dough has flowed, more once it has given way, right,
 * let off. Only a reading that holds is right: a moving one still sinks.
 *
 * @param samples in time order, the newest last
 * @returns undefined without a sample
 */
export function pressWord(
  samples: readonly GaugeSample[],
  { leastKilopascals, mostKilopascals }: PressLimits,
): PressWord | undefined {
  const last = samples.at(-1)
  if (!last) return undefined
  const { kilopascals, held } = last
  if (kilopascals > mostKilopascals) return 'letOff'
  if (kilopascals >= leastKilopascals) return held ? 'right' : 'hold'
  const rise = perSecond(samples, (sample) => sample.kilopascals, RISE_WINDOW_MILLIS)
  if (rise > FASTEST_KILOPASCALS_PER_SECOND) return 'slower'
  return held && kilopascals > TOUCHING_KILOPASCALS ? 'more' : 'close'
}
