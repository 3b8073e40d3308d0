import { requirePositive } from '../refusal/index.ts'
import { perSecond } from './slope.ts'

/** A weight at a moment, as the balance sent it. */
export interface WeightSample {
  /** ms on any steady clock. */
  readonly at: number
  readonly grams: number
  readonly settled: boolean
}

interface PourTarget {
  readonly targetGrams: number
  /** How far from it is still right, as a fraction. */
  readonly toleranceFraction: number
}

/** Between hearing "stop" and the last grain on the pan: reaction and fall, ms (choice). */
export const STOP_LAG_MILLIS = 500
/** The flow is judged over this long, ms (choice). */
const FLOW_WINDOW_MILLIS = 900
/** From here on it says to go slowly, as time left at the present flow, ms (choice). */
const SLOW_BEFORE_MILLIS = 2500

/** Below this nothing is being poured; the balance only settles, g/s (choice). */
const STILL_GRAMS_PER_SECOND = 0.3

export type PourWord = 'pour' | 'slowly' | 'stop' | 'wait' | 'right' | 'more' | 'tooMuch'

export interface PourGuide {
  readonly grams: number
  /** g/s, over the last moments; 0 when it stands still. */
  readonly flowGramsPerSecond: number
  readonly word: PourWord
  /** What is still to come, or too much, g; above 0 when it is missing. */
  readonly missingGrams: number
  readonly minGrams: number
  readonly maxGrams: number
}

/**
 * What to say to whoever pours. Stop comes early by what falls in the meantime: at flow f it says stop when
 * grams + f · lag reaches the target. Only a settled weight is right, short or too much; a moving one never is.
 *
 * @param samples in time order, the newest last; at least one
 * @throws {DomainError} `not-a-positive-number`
 */
export function pourGuide(samples: readonly WeightSample[], target: PourTarget): PourGuide | undefined {
  const { targetGrams, toleranceFraction } = target
  requirePositive(targetGrams, 'targetGrams', 'The target')
  requirePositive(toleranceFraction, 'toleranceFraction', 'The tolerance', { orZero: true })
  const last = samples.at(-1)
  if (!last) return undefined
  // What is taken off the pan is no flow.
  const flow = Math.max(
    0,
    perSecond(samples, ({ grams }) => grams, FLOW_WINDOW_MILLIS),
  )
  const band = targetGrams * toleranceFraction
  const missing = targetGrams - last.grams
  return {
    grams: last.grams,
    flowGramsPerSecond: flow,
    word: wordFor(last, flow, missing, band, targetGrams),
    missingGrams: missing,
    minGrams: targetGrams - band,
    maxGrams: targetGrams + band,
  }
}

function wordFor(
  { settled }: WeightSample,
  flow: number,
  missing: number,
  band: number,
  targetGrams: number,
): PourWord {
  if (settled) {
    if (Math.abs(missing) <= band) return 'right'
    if (missing < 0) return 'tooMuch'
    // An empty pan is no short mix.
    return missing > 0.98 * targetGrams ? 'pour' : 'more'
  }
  if (flow < STILL_GRAMS_PER_SECOND && missing <= band) return 'wait'
  if (missing - (flow * STOP_LAG_MILLIS) / 1000 <= 0) return 'stop'
  return flow > 0 && missing <= (flow * SLOW_BEFORE_MILLIS) / 1000 ? 'slowly' : 'pour'
}
