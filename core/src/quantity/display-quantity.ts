import {
  celsiusFromFahrenheit,
  fahrenheitFromCelsius,
  inchesFromMillimetres,
  kilopascalsFromPsi,
  millimetresFromInches,
  psiFromKilopascals,
} from './convert.ts'

/** The lab's choice of display. Storage never changes with it. */
export type UnitSystem = 'metric' | 'us'

interface DisplayUnit {
  readonly unit: string
  readonly decimals: number
  /** Zeros up to here are written: 0.30, as the trade writes a ratio. */
  readonly least?: number
  readonly fromStored: (stored: number) => number
  readonly toStored: (shown: number) => number
}

const same = (n: number) => n
const plain = (unit: string, decimals: number): DisplayUnit => ({
  unit,
  decimals,
  fromStored: same,
  toStored: same,
})

/** What a number measures, and how it is shown. Stored in the units of this list. */
const metric = {
  millimetres: plain('mm', 2),
  micrometres: plain('µm', 0),
  degrees: plain('°', 1),
  celsius: plain('°C', 1),
  /** By how much, not how hot: a difference has no zero to move. */
  celsiusApart: plain('°C', 0),
  celsiusPerMinute: plain('°C/min', 0),
  kilopascals: plain('kPa', 0),
  grams: plain('g', 1),
  millilitres: plain('mL', 1),
  millilitresPerGram: { ...plain('mL/g', 3), least: 2 },
  squareCentimetres: plain('cm2', 1),
  cubicCentimetres: plain('cm3', 0),
  gramsPerCubicCentimetre: plain('g/cm3', 2),
  minutes: plain('min', 0),
  seconds: plain('s', 0),
  percent: plain('%', 0),
  count: plain('', 0),
} as const satisfies Readonly<Record<string, DisplayUnit>>
export type QuantityKind = keyof typeof metric
export const quantityKinds = Object.keys(metric) as readonly QuantityKind[]

/** Grams and millilitres stay as they are: US benches weigh gypsum in grams too (common practice). */
const us: Readonly<Record<QuantityKind, DisplayUnit>> = {
  ...metric,
  millimetres: {
    unit: 'in',
    decimals: 3,
    fromStored: inchesFromMillimetres,
    toStored: millimetresFromInches,
  },
  celsius: {
    unit: '°F',
    decimals: 0,
    fromStored: fahrenheitFromCelsius,
    toStored: celsiusFromFahrenheit,
  },
  celsiusApart: { unit: '°F', decimals: 0, fromStored: (c) => (c * 9) / 5, toStored: (f) => (f * 5) / 9 },
  celsiusPerMinute: {
    unit: '°F/min',
    decimals: 0,
    fromStored: (c) => (c * 9) / 5,
    toStored: (f) => (f * 5) / 9,
  },
  kilopascals: {
    unit: 'psi',
    decimals: 0,
    fromStored: psiFromKilopascals,
    toStored: kilopascalsFromPsi,
  },
}

/** The unit, decimals and conversions in which a quantity is shown and typed under a unit system. */
export function displayUnit(kind: QuantityKind, system: UnitSystem): DisplayUnit {
  return system === 'us' ? us[kind] : metric[kind]
}

/**
 * One measured value as text with its unit, rounded to the decimals of its kind, trailing zeros dropped.
 * @param decimals other than those of its kind; of the metric unit: an inch or a psi keeps its own
 * @example formatQuantity(10342.1, 'kilopascals', 'us') // '1500 psi'
 */
export function formatQuantity(
  stored: number,
  kind: QuantityKind,
  system: UnitSystem,
  decimals?: number,
): string {
  const { unit, decimals: usual, least = 0, fromStored } = displayUnit(kind, system)
  const digits = fromStored === same ? (decimals ?? usual) : usual
  if (unit === 'in') {
    const fraction = fractionOfInch(fromStored(stored))
    if (fraction) return `${fraction} in`
  }
  const rounded = Number(fromStored(stored).toFixed(digits))
  const number = Number(rounded.toFixed(least)) === rounded ? rounded.toFixed(least) : String(rounded)
  if (unit === '') return number
  return unit === '°' ? `${number}°` : `${number} ${unit}`
}

const SIXTEENTHS = 16
/** A conversion leaves no more than this behind of what was a fraction, inches. */
const EXACT = 1e-6

/** What was given as a fraction of an inch, as the trade writes it: 2 3/4. Undefined for what is none, and for whole inches. */
function fractionOfInch(inches: number): string | undefined {
  const parts = Math.round(Math.abs(inches) * SIXTEENTHS)
  if (parts % SIXTEENTHS === 0 || Math.abs(Math.abs(inches) * SIXTEENTHS - parts) > EXACT) return undefined
  const halvings = [8, 4, 2, 1].find((by) => parts % by === 0) ?? 1
  const [over, under] = [(parts % SIXTEENTHS) / halvings, SIXTEENTHS / halvings]
  const whole = Math.floor(parts / SIXTEENTHS)
  return `${inches < 0 ? '-' : ''}${whole > 0 ? `${whole} ` : ''}${over}/${under}`
}
