import { DomainError } from '@yentrik/core'
import { readNumber } from './NumberField.tsx'

export type Typed = Readonly<Record<string, string>>

/** Numbers out of what was typed; `undefined` while one is missing or wrong. */
export function readAll<K extends string>(
  typed: Typed,
  keys: readonly K[],
): { readonly values?: Readonly<Record<K, number>>; readonly faults: Typed } {
  const faults: Record<string, string> = {}
  const values = {} as Record<K, number>
  for (const key of keys) {
    const { value, fault } = readNumber(typed[key] ?? '', '')
    if (value === undefined) faults[key] = fault ?? 'Enter a number.'
    else values[key] = value
  }
  return Object.keys(faults).length > 0 ? { faults } : { values, faults }
}

/** What the core answers, or its refusal in words. */
export function ask<T>(question: () => T): { readonly answer?: T; readonly refusal?: string } {
  try {
    return { answer: question() }
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return { refusal: `${error.message} ${error.remedy}` }
  }
}
