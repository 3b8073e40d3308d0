import type { Lab, Specular } from '../colour/index.ts'

/**
 * The plain line protocol of balance, dispenser, press and thermometers: one line of text for each message, ended by a newline.
 * docs/devices.md describes it. Anything else is a line that was not understood, and is never taken for a reading.
 */
export type BalanceLine =
  | { readonly kind: 'weight'; readonly grams: number; readonly settled: boolean }
  | { readonly kind: 'tared' }
  | { readonly kind: 'overload' }
  | OtherLine

/** A line from a balance: `WEIGHT 57.31 g MOVING`, `WEIGHT 100.02 g SETTLED`, `TARED`, `OVERLOAD`, `FAULT words`. */
export function readBalanceLine(line: string): BalanceLine {
  const text = line.trim()
  const weight = /^WEIGHT (-?\d{1,6}(?:\.\d{1,4})?) g (MOVING|SETTLED)$/.exec(text)
  if (weight) return { kind: 'weight', grams: Number(weight[1]), settled: weight[2] === 'SETTLED' }
  if (text === 'TARED') return { kind: 'tared' }
  if (text === 'OVERLOAD') return { kind: 'overload' }
  return faultOrNot(text)
}

/** The line that a balance sends for a weight, to a hundredth of a gram. */
export function weightLine(grams: number, settled: boolean): string {
  return `WEIGHT ${grams.toFixed(2)} g ${settled ? 'SETTLED' : 'MOVING'}`
}

type DispenserLine =
  | { readonly kind: 'giving'; readonly millilitres: number }
  | { readonly kind: 'given'; readonly millilitres: number }
  | OtherLine

/** A line from a dispenser: `GIVING 12.1 mL`, `GIVEN 23.0 mL`, `FAULT words`. */
export function readDispenserLine(line: string): DispenserLine {
  const text = line.trim()
  const amount = /^(GIVING|GIVEN) (\d{1,5}(?:\.\d{1,3})?) mL$/.exec(text)
  if (amount) return { kind: amount[1] === 'GIVEN' ? 'given' : 'giving', millilitres: Number(amount[2]) }
  return faultOrNot(text)
}

export type GaugeLine =
  | { readonly kind: 'gauge'; readonly kilopascals: number; readonly held: boolean }
  | OtherLine

/** A line from the gauge of a press: `GAUGE 10342 kPa MOVING`, `GAUGE 10342 kPa HELD`, `FAULT words`. */
export function readGaugeLine(line: string): GaugeLine {
  const text = line.trim()
  const gauge = /^GAUGE (\d{1,5}(?:\.\d{1,2})?) kPa (MOVING|HELD)$/.exec(text)
  if (gauge) return { kind: 'gauge', kilopascals: Number(gauge[1]), held: gauge[2] === 'HELD' }
  return faultOrNot(text)
}

/** The line that the gauge of a press sends, to a kilopascal. */
export function gaugeLine(kilopascals: number, held: boolean): string {
  return `GAUGE ${kilopascals.toFixed(0)} kPa ${held ? 'HELD' : 'MOVING'}`
}

type ThermometerLine = { readonly kind: 'temperature'; readonly celsius: number } | OtherLine

/** A line from the thermometer of a furnace or a bath: `TEMPERATURE 73.4 C`, `FAULT words`. */
export function readThermometerLine(line: string): ThermometerLine {
  const text = line.trim()
  const read = /^TEMPERATURE (-?\d{1,4}(?:\.\d{1,3})?) C$/.exec(text)
  if (read) return { kind: 'temperature', celsius: Number(read[1]) }
  return faultOrNot(text)
}

export type SpectrophotometerLine =
  | { readonly kind: 'colour'; readonly colour: Lab; readonly specular: Specular }
  | { readonly kind: 'white' }
  | { readonly kind: 'ready'; readonly specular: Specular }
  | OtherLine

/** A line from a spectrophotometer: `READY EXCLUDED`, `COLOUR 83.92 1.04 -13.10 EXCLUDED` (L*, a*, b*, D65, 2 degrees), `WHITE`, `FAULT words`. */
export function readSpectrophotometerLine(line: string): SpectrophotometerLine {
  const text = line.trim()
  const figure = String.raw`(-?\d{1,3}(?:\.\d{1,4})?)`
  const read = new RegExp(`^COLOUR ${figure} ${figure} ${figure} (EXCLUDED|INCLUDED)$`).exec(text)
  if (read)
    return {
      kind: 'colour',
      colour: { L: Number(read[1]), a: Number(read[2]), b: Number(read[3]) },
      specular: specularOf(read[4]!),
    }
  if (text === 'WHITE') return { kind: 'white' }
  const ready = /^READY (EXCLUDED|INCLUDED)$/.exec(text)
  return ready ? { kind: 'ready', specular: specularOf(ready[1]!) } : faultOrNot(text)
}
const specularOf = (word: string): Specular => (word === 'INCLUDED' ? 'included' : 'excluded')

/** The line that a spectrophotometer sends for a reading, to a hundredth. */
export const colourLine = ({ L, a, b }: Lab, specular: Specular): string =>
  `COLOUR ${[L, a, b].map((each) => each.toFixed(2)).join(' ')} ${specular.toUpperCase()}`

/** What any device may say besides: that something is wrong, or a line that is none of ours. */
type OtherLine =
  | { readonly kind: 'fault'; readonly words: string }
  | { readonly kind: 'notUnderstood'; readonly line: string }

function faultOrNot(text: string): OtherLine {
  return text.startsWith('FAULT ')
    ? { kind: 'fault', words: text.slice(6) }
    : { kind: 'notUnderstood', line: text }
}
