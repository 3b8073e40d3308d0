import { DomainError } from '../refusal/index.ts'
import { medianOf, sumOf } from './distributions.ts'
import { mustBeFinite } from './entered.ts'

/** 3 standard deviations, as the mean of ranges of two gives them: 3/(2/√π), as published to two places (Wheeler, recalled). */
export const LIMIT_FACTOR = 2.66
/** The upper limit of ranges of two (Wheeler, recalled). */
export const RANGE_FACTOR = 3.267
/** Fewer values are dots only; from the second number on the limits stay; from the third the finer rules mean something (choice). */
export const DOTS_BELOW = 8
export const FROZEN_AT = 20
const FINER_RULES_FROM = 50
/** With so few possible ranges an instrument reads too coarsely for limits (Wheeler, recalled). */
const COARSE_RANGES = 3

export const chartRules = [1, 2, 3, 4] as const
export type ChartRule = (typeof chartRules)[number]
/** Rules 2 and 3 cry more often than they tell (Champ and Woodall 1987, recalled). */
export const USUAL_RULES: readonly ChartRule[] = [1, 4]
/** Of points with these rules one in so many is chance (choice, from the rates of limits that are worked out from 20 values). */
export const CHANCE_ONE_IN = 90

export interface ChartInput {
  /** First readings of first attempts, in their order. */
  readonly values: readonly number[]
  /** What the instrument reads to; in the unit of the values. */
  readonly step?: number
  /** What no reading can be below, or above. */
  readonly least?: number
  readonly most?: number
  readonly rules?: readonly ChartRule[]
  /** The limits count from this value on, the first being 0: since then it is another product, gauge or method. */
  readonly since?: number
  /** Values that somebody has taken out of the limits, with their cause. */
  readonly leftOut?: readonly number[]
}
export interface Signal {
  /** Which value, the first being 0. */
  readonly index: number
  readonly rule: ChartRule
}
export interface Chart {
  readonly state: 'dots' | 'provisional' | 'frozen' | 'tooCoarse'
  /** Just enough possible ranges. */
  readonly borderline?: true
  readonly mean?: number
  readonly movingRange?: number
  readonly low?: number
  readonly high?: number
  readonly rangeHigh?: number
  readonly sigma?: number
  /** How many values the limits are from. */
  readonly from: number
  readonly signals: readonly Signal[]
}

/**
 * A chart of single values with their moving ranges.
 *
 *     limits  mean ± 2.66 mR     ranges up to 3.267 mR     sigma = 2.66 mR/3
 *
 * Below 8 values dots; up to 19 provisional, by rule 1 alone; then the limits of the first 20 stay. A limit at or past what can be
 * read is left out, and the run of rule 4 then counts about the median.
 * @throws {DomainError} `value-not-finite`, `step-not-positive`
 * Source: Shewhart 1931, Wheeler (charts), Western Electric 1956 (rules), recalled.
 */
export function controlChart(input: ChartInput): Chart {
  const { values, step, least, most, since = 0, leftOut = [] } = input
  mustBeFinite(values, 'values')
  if (step !== undefined && !(step > 0))
    throw new DomainError(
      'step-not-positive',
      'The step of the instrument is not above 0.',
      'Enter what it reads to.',
      'step',
    )
  const counting = values.flatMap((value, index) =>
    index >= since && !leftOut.includes(index) ? [{ value, index }] : [],
  )
  const base = counting.slice(0, FROZEN_AT).map(({ value }) => value)
  const from = base.length
  if (from < DOTS_BELOW) return { state: 'dots', from, signals: [] }
  const mean = sumOf(base) / from
  const ranges = base.slice(1).map((value, n) => Math.abs(value - base[n]!))
  const movingRange = sumOf(ranges) / ranges.length
  const sigma = (LIMIT_FACTOR * movingRange) / 3
  const coarse = coarseness(movingRange, step)
  if (coarse === 'tooCoarse') return { state: 'tooCoarse', mean, movingRange, from, signals: [] }
  const low = mean - LIMIT_FACTOR * movingRange
  const high = mean + LIMIT_FACTOR * movingRange
  const bounds = {
    ...(least !== undefined && low <= least ? {} : { low }),
    ...(most !== undefined && high >= most ? {} : { high }),
  }
  const oneSided = Object.keys(bounds).length < 2
  const frozen = from >= FROZEN_AT
  const wanted = input.rules ?? USUAL_RULES
  const rules = frozen
    ? wanted.filter((rule) => rule === 1 || rule === 4 || counting.length >= FINER_RULES_FROM)
    : wanted.filter((rule) => rule === 1)
  const watch = new Watch(
    { centre: mean, runCentre: oneSided ? medianOf(base) : mean, sigma, ...bounds },
    rules,
  )
  const signals = values.flatMap((value, index): Signal[] => {
    if (index < since) return []
    const rule = watch.next(value)
    return rule === undefined ? [] : [{ index, rule }]
  })
  return {
    state: frozen ? 'frozen' : 'provisional',
    ...(coarse ? { borderline: true as const } : {}),
    ...{ mean, movingRange, ...bounds, rangeHigh: RANGE_FACTOR * movingRange, sigma, from, signals },
  }
}

function coarseness(movingRange: number, step: number | undefined): 'tooCoarse' | 'borderline' | undefined {
  if (movingRange === 0) return 'tooCoarse'
  if (step === undefined) return undefined
  // What is a whole number but for its last binary place is one.
  const possible = Math.floor((RANGE_FACTOR * movingRange) / step + 1e-9) + 1
  if (possible <= COARSE_RANGES) return 'tooCoarse'
  return possible === COARSE_RANGES + 1 ? 'borderline' : undefined
}

interface Limits {
  readonly centre: number
  /** About which runs are counted. */
  readonly runCentre: number
  readonly sigma: number
  readonly low?: number
  readonly high?: number
}

/** On which side of a line, and beyond it, the last points were; what a rule looks back on and no more. */
export interface Looked {
  readonly beyondTwo: readonly number[]
  readonly beyondOne: readonly number[]
  readonly run: number
}
const nothingLooked: Looked = { beyondTwo: [], beyondOne: [], run: 0 }

/** Goes along the points of a chart and says which rule each of them breaks. */
export class Watch {
  looked = nothingLooked

  constructor(
    private readonly limits: Limits,
    private readonly rules: readonly ChartRule[],
  ) {}

  /** One point further. @returns the first rule that it breaks; a run of 8 is said at its eighth and at every further point */
  next(value: number): ChartRule | undefined {
    const { centre, runCentre, sigma, low, high } = this.limits
    const beyond = (sigmas: number) =>
      Math.abs(value - centre) > sigmas * sigma ? Math.sign(value - centre) : 0
    const side = Math.sign(value - runCentre)
    const { run } = this.looked
    this.looked = {
      beyondTwo: [...this.looked.beyondTwo, beyond(2)].slice(-3),
      beyondOne: [...this.looked.beyondOne, beyond(1)].slice(-5),
      run: side === 0 ? 0 : side === Math.sign(run) ? run + side : side,
    }
    const broken: Readonly<Record<ChartRule, boolean>> = {
      1: (low !== undefined && value < low) || (high !== undefined && value > high),
      2: onOneSide(this.looked.beyondTwo, 2),
      3: onOneSide(this.looked.beyondOne, 4),
      4: Math.abs(this.looked.run) >= 8,
    }
    return this.rules.find((rule) => broken[rule])
  }
}

/** So many of them on the side of the last. */
function onOneSide(sides: readonly number[], many: number): boolean {
  const last = sides.at(-1)!
  return last !== 0 && sides.filter((side) => side === last).length >= many
}
