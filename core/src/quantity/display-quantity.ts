import {
  celsiusFromFahrenheit,
  fahrenheitFromCelsius,
  inchesFromMillimetres,
  kilopascalsFromPsi,
  millimetresFromInches,
  psiFromKilopascals,
} from './convert.ts'

/** What a number measures. Stored always in SI-based units: mm, degrees, °C, kPa, g, mL, minutes, turns, a count. */
export type QuantityKind =
  | 'millimetres'
  | 'degrees'
  | 'celsius'
  | 'kilopascals'
  | 'grams'
  | 'millilitres'
  | 'minutes'
  | 'count'

/** The lab's choice of display. Storage never changes with it. */
export type UnitSystem = 'metric' | 'us'

interface DisplayUnit {
  readonly unit: string
  readonly decimals: number
  readonly fromStored: (stored: number) => number
  readonly toStored: (shown: number) => number
}

const same = (n: number) => n
const metric: Readonly<Record<QuantityKind, DisplayUnit>> = {
  millimetres: { unit: 'mm', decimals: 2, fromStored: same, toStored: same },
  degrees: { unit: '°', decimals: 1, fromStored: same, toStored: same },
  celsius: { unit: '°C', decimals: 1, fromStored: same, toStored: same },
  kilopascals: { unit: 'kPa', decimals: 0, fromStored: same, toStored: same },
  grams: { unit: 'g', decimals: 1, fromStored: same, toStored: same },
  millilitres: { unit: 'mL', decimals: 1, fromStored: same, toStored: same },
  minutes: { unit: 'min', decimals: 0, fromStored: same, toStored: same },
  count: { unit: '', decimals: 0, fromStored: same, toStored: same },
}
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
 * @example formatQuantity(10342.1, 'kilopascals', 'us') // '1500 psi'
 */
export function formatQuantity(stored: number, kind: QuantityKind, system: UnitSystem): string {
  const { unit, decimals, fromStored } = displayUnit(kind, system)
  const number = String(Number(fromStored(stored).toFixed(decimals)))
  if (unit === '') return number
  return unit === '°' ? `${number}°` : `${number} ${unit}`
}
