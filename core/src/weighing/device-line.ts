/**
 * The plain line protocol of balance and dispenser: one line of text for each message, ended by a newline.
 * docs/devices.md describes it. Anything else is a line that was not understood, and is never taken for a weight.
 */
export type BalanceLine =
  | { readonly kind: 'weight'; readonly grams: number; readonly settled: boolean }
  | { readonly kind: 'tared' }
  | { readonly kind: 'overload' }
  | { readonly kind: 'fault'; readonly words: string }
  | { readonly kind: 'notUnderstood'; readonly line: string }

/** A line from a balance: `WEIGHT 57.31 g MOVING`, `WEIGHT 100.02 g SETTLED`, `TARED`, `OVERLOAD`, `FAULT words`. */
export function readBalanceLine(line: string): BalanceLine {
  const text = line.trim()
  const weight = /^WEIGHT (-?\d{1,6}(?:\.\d{1,4})?) g (MOVING|SETTLED)$/.exec(text)
  if (weight) return { kind: 'weight', grams: Number(weight[1]), settled: weight[2] === 'SETTLED' }
  if (text === 'TARED') return { kind: 'tared' }
  if (text === 'OVERLOAD') return { kind: 'overload' }
  if (text.startsWith('FAULT ')) return { kind: 'fault', words: text.slice(6) }
  return { kind: 'notUnderstood', line: text }
}

/** The line that a balance sends for a weight, to a hundredth of a gram. */
export function weightLine(grams: number, settled: boolean): string {
  return `WEIGHT ${grams.toFixed(2)} g ${settled ? 'SETTLED' : 'MOVING'}`
}

export type DispenserLine =
  | { readonly kind: 'giving'; readonly millilitres: number }
  | { readonly kind: 'given'; readonly millilitres: number }
  | { readonly kind: 'fault'; readonly words: string }
  | { readonly kind: 'notUnderstood'; readonly line: string }

/** A line from a dispenser: `GIVING 12.1 mL`, `GIVEN 23.0 mL`, `FAULT words`. */
export function readDispenserLine(line: string): DispenserLine {
  const text = line.trim()
  const amount = /^(GIVING|GIVEN) (\d{1,5}(?:\.\d{1,3})?) mL$/.exec(text)
  if (amount) return { kind: amount[1] === 'GIVEN' ? 'given' : 'giving', millilitres: Number(amount[2]) }
  if (text.startsWith('FAULT ')) return { kind: 'fault', words: text.slice(6) }
  return { kind: 'notUnderstood', line: text }
}
