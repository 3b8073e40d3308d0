import type { CheckOf } from '../route/index.ts'
import { normal } from './streams.ts'

/** The drawn instruments that a value is read off. */
export const instrumentsToRead = [
  'caliper',
  'rule',
  'gauge',
  'dial',
  'thermometer',
  'balance',
  'label',
  'count',
] as const
export type InstrumentToRead = (typeof instrumentsToRead)[number]

/** A drawn instrument: its scale, and its smallest step. In the unit of the quantity. */
export interface Scale {
  readonly instrument: InstrumentToRead
  readonly from: number
  readonly to: number
  readonly step: number
}

/** A tenth of the passing range is read, or less (choice). */
const STEPS_IN_RANGE = 8
/** Finer than this no hand instrument of the quantity is; coarser nobody uses (choice). */
const finest: Readonly<Partial<Record<CheckOf<'measure'>['quantity'], number>>> = {
  millimetres: 0.02,
  degrees: 0.25,
  celsius: 0.5,
  grams: 0.01,
  micrometres: 1,
  count: 0.1,
}

/** The largest of 1, 2, 5 times a power of ten that is not above it. */
function niceBelow(value: number): number {
  const power = 10 ** Math.floor(Math.log10(value))
  const share = value / power
  const nice = share >= 5 ? 5 : share >= 2 ? 2 : 1
  return Number((nice * power).toPrecision(6))
}

/** Pieces are counted whole; a figure of a label may have tenths. */
const isWhole = ({ quantity, min = 0, max = 0 }: Measured): boolean =>
  quantity === 'count' && Number.isInteger(min) && Number.isInteger(max)

type Measured = Pick<CheckOf<'measure'>, 'min' | 'max' | 'plausible' | 'quantity'>

/** Where a careful hand ends up: within the limits; of a mere reference somewhere in what can be. */
export function passingRange({ min, max, plausible }: Measured): {
  readonly low: number
  readonly high: number
} {
  if (min === undefined && max === undefined)
    return plausible.min > 0
      ? {
          low: Math.sqrt(plausible.min * plausible.max) * 0.8,
          high: Math.sqrt(plausible.min * plausible.max) * 1.2,
        }
      : { low: plausible.max * 0.08, high: plausible.max * 0.12 }
  const low = min ?? Math.max(plausible.min, 0)
  const high = max ?? Math.min(plausible.max, low * 1.5)
  return { low, high }
}

/** The instrument for a measure: by its quantity, and how fine its limits are. */
export function scaleOf(check: Measured): Scale {
  const { low, high } = passingRange(check)
  const { quantity, plausible } = check
  if (isWhole(check)) return { instrument: 'count', from: 0, to: plausible.max, step: 1 }
  const range = high > low ? high - low : Math.max(Math.abs(high), 1)
  const step = Math.max(niceBelow(range / STEPS_IN_RANGE), finest[quantity] ?? 0)
  const room = Math.max(range, 10 * step)
  const from = Math.max(plausible.min, Math.floor((low - room) / (10 * step)) * 10 * step)
  const to = Math.min(plausible.max, Math.ceil((high + room) / (10 * step)) * 10 * step)
  return { instrument: instrumentFor(quantity, step, from), from: tidy(from), to: tidy(to), step }
}

const tidy = (value: number) => Number(value.toPrecision(9))

function instrumentFor(quantity: Measured['quantity'], step: number, from: number): InstrumentToRead {
  if (quantity === 'celsius') return 'thermometer'
  if (quantity === 'grams') return 'balance'
  if (quantity === 'count') return 'label'
  if (quantity !== 'millimetres') return 'dial'
  // Below nothing only a dial goes.
  return step < 0.05 || from < 0 ? 'gauge' : step < 0.5 ? 'caliper' : 'rule'
}

/** So far from a limit a true value keeps, in steps: what is read honestly is never on its other side. */
const CLEAR_STEPS = 1.5

/**
 * What is really there: of a careful hand about the middle of the passing range, N(mid, range/6); of a fault clearly beyond its limit.
 * @param side of a fault
 */
export function trueValue(check: Measured, random: () => number, side?: 'below' | 'above'): number {
  const { low, high } = passingRange(check)
  const { plausible } = check
  const { step } = scaleOf(check)
  const counted = isWhole(check)
  const whole = (value: number) => (counted ? Math.round(value) : value)
  const cut = (value: number) => tidy(whole(Math.min(plausible.max, Math.max(plausible.min, value))))
  if (side) {
    const beyond = CLEAR_STEPS * step + Math.abs(normal(random)) * Math.max((high - low) / 3, 2 * step)
    const value = cut(side === 'below' ? low - beyond : high + beyond)
    // A whole number must leave the limit, whatever the chance.
    return counted && value === (side === 'below' ? low : high)
      ? cut(side === 'below' ? value - 1 : value + 1)
      : value
  }
  const mid = (low + high) / 2
  const value = mid + (normal(random) * (high - low)) / 6
  const clear = Math.min(CLEAR_STEPS * step, (high - low) / 2)
  return cut(Math.min(high - clear, Math.max(low + clear, value)))
}

/** Where the pointer stands: at the true value, off by what a hand sets, within one step. */
export function pointerAt(
  value: number,
  { instrument, step, from, to }: Scale,
  random: () => number,
): number {
  if (instrument === 'count' || instrument === 'label') return Number(value.toFixed(1))
  const off = Math.max(-1, Math.min(1, 0.5 * normal(random))) * step
  return tidy(Math.min(to, Math.max(from, value + off)))
}
