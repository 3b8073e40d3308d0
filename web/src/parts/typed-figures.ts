import { readNumber } from './read-number.ts'

export type Typed = Readonly<Record<string, string>>

/** Numbers out of what was typed; `undefined` while one is missing or wrong. @param unitOf the unit of the field of a key */
export function readAll<K extends string>(
  typed: Typed,
  keys: readonly K[],
  unitOf: (key: K) => string = () => '',
): { readonly values?: Readonly<Record<K, number>>; readonly faults: Typed } {
  const faults: Record<string, string> = {}
  const values = {} as Record<K, number>
  for (const key of keys) {
    const { value, fault } = readNumber(typed[key] ?? '', unitOf(key))
    if (value === undefined) faults[key] = fault ?? 'Enter a number.'
    else values[key] = value
  }
  return Object.keys(faults).length > 0 ? { faults } : { values, faults }
}
