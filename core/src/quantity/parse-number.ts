import {
  celsiusFromFahrenheit,
  fahrenheitFromCelsius,
  KILOPASCALS_PER_PSI,
  MILLIMETRES_PER_INCH,
} from './convert.ts'

/** What became of a typed number: the value in the unit of its field, or a sentence that says what to type. */
type ParsedNumber =
  | {
      readonly ok: true
      readonly value: number
      /** It was typed with another unit than that of the field. */
      readonly converted?: true
    }
  | { readonly ok: false; readonly sentence: string }

/** A comma before three digits: of a decimal, or of thousands. A leading 0 leaves no doubt. */
const TWO_WAYS = /^[+-]?[1-9]\d{0,2},\d{3}$/

/** As a ruler in inches is read: 3/4, 2 3/4. */
const FRACTION = /^(\d+\s+)?(\d+)\/([1-9]\d*)(?=\s*\D*$)/

/** How a unit goes into the first one of its kind, and back. */
interface Unit {
  readonly toBase: (value: number) => number
  readonly fromBase: (value: number) => number
}
const times = (factor: number): Unit => ({
  toBase: (value) => value * factor,
  fromBase: (value) => value / factor,
})
const celsius = times(1)
const fahrenheit: Unit = { toBase: celsiusFromFahrenheit, fromBase: fahrenheitFromCelsius }
const inch = times(MILLIMETRES_PER_INCH)
const micrometre = times(0.001)

/** Units that are understood in place of one another, as they are typed in small letters. */
const interchangeable: readonly Readonly<Record<string, Unit>>[] = [
  { mm: times(1), cm: times(10), µm: micrometre, um: micrometre, in: inch, '"': inch },
  { '°c': celsius, c: celsius, '°f': fahrenheit, f: fahrenheit },
  { kpa: times(1), mpa: times(1000), bar: times(100), psi: times(KILOPASCALS_PER_PSI) },
  { g: times(1), mg: times(0.001), kg: times(1000) },
  { ml: times(1), cc: times(1), cm3: times(1), 'cm³': times(1), l: times(1000) },
  { '°c/min': times(1), 'c/min': times(1), '°f/min': times(5 / 9), 'f/min': times(5 / 9) },
  { min: times(1), s: times(1 / 60), h: times(60) },
]
/** By how much, not how hot: a difference has no zero to move. */
const apartUnits: Readonly<Record<string, Unit>> = {
  '°c': celsius,
  c: celsius,
  '°f': times(5 / 9),
  f: times(5 / 9),
}

/**
 * Reads a number as people type it: a point or a comma as the decimal separator, a fraction as 2 3/4, spaces around it, its unit
 * behind it. A unit
 * that measures the same is converted: 1 in in a field of mm is 25.4 mm.
 * A number with both separators, or with two, is refused rather than guessed; so is one that can be read two ways, as 1,200, and
 * one that stops at its separator, as 24, where a digit may be missing.
 *
 * @param text as typed
 * @param unit of the field; empty: a bare number
 * @param apart by how much, not how hot: 9 °F of difference are 5 °C
 */
export function parseTypedNumber(
  text: string,
  unit: string,
  { apart = false }: { readonly apart?: boolean } = {},
): ParsedNumber {
  const trimmed = text.trim()
  if (trimmed === '') return { ok: false, sentence: `Enter a number${unit && ` in ${unit}`}.` }
  const decimal = trimmed.replace(FRACTION, (_, whole, over, under) =>
    String(Number(whole ?? 0) + Number(over) / Number(under)),
  )
  const [, digits = '', typedUnit = ''] = /^([+-]?(?:\d+(?:[.,]\d+)?|[.,]\d+))\s*(\D*)$/.exec(decimal) ?? []
  if (TWO_WAYS.test(digits)) {
    const [small, large] = [digits.replace(',', '.'), digits.replace(',', '')]
    return {
      ok: false,
      sentence: `"${trimmed}" can be read as ${small} or ${large}. Type the one that is meant.`,
    }
  }
  const value = Number(digits.replace(',', '.'))
  const own = unit.toLowerCase()
  const typed = typedUnit.toLowerCase()
  if (digits !== '' && (typed === '' || typed === own)) return { ok: true, value }
  const kinds = apart && own in apartUnits ? [apartUnits] : interchangeable
  const kind = kinds.find((units) => own in units && typed in units)
  if (digits === '' || !kind)
    return {
      ok: false,
      sentence: `"${trimmed}" is not a number. Use digits and one decimal point or comma${unit && `, in ${unit}`}.`,
    }
  return { ok: true, value: rounded(kind[own]!.fromBase(kind[typed]!.toBase(value))), converted: true }
}

/** A conversion leaves no digits behind that nobody typed. */
const rounded = (value: number) => Number(value.toPrecision(9))
