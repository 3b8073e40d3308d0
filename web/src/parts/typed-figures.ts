import { readNumber } from './read-number.ts'

export type Typed = Readonly<Record<string, string>>

/** The unit of each figure, by its key. */
export const unitsOf = (
  specs: readonly { readonly key: string; readonly unit: string }[],
): Readonly<Record<string, string>> => Object.fromEntries(specs.map(({ key, unit }) => [key, unit]))

/**
 * Numbers out of what was typed; `undefined` while one is missing or wrong.
 * @param units of the figures, by their keys
 * @param apart those that say by how much, not how hot
 */
export function readAll<K extends string>(
  typed: Typed,
  keys: readonly K[],
  units: Readonly<Record<string, string>>,
  apart: readonly K[] = [],
): { readonly values?: Readonly<Record<K, number>>; readonly faults: Typed } {
  const faults: Record<string, string> = {}
  const values = {} as Record<K, number>
  for (const key of keys) {
    const { value, fault } = readNumber(typed[key] ?? '', units[key] ?? '', { apart: apart.includes(key) })
    if (value === undefined) faults[key] = fault ?? 'Enter a number.'
    else values[key] = value
  }
  return Object.keys(faults).length > 0 ? { faults } : { values, faults }
}
