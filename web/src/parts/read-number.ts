import { parseTypedNumber } from '@yentrik/core'

/** What is wanted of a typed number beyond its being one. */
interface Wanted {
  /** Whether an empty field is a fault. */
  readonly wanted?: boolean
  /** By how much, not how hot. */
  readonly apart?: boolean
}

/** The number typed, in the unit of its field, or the sentence to show; an empty field is neither, unless it is wanted. */
export function readNumber(
  text: string,
  unit: string,
  { wanted = true, apart = false }: Wanted = {},
): { readonly value?: number; readonly fault?: string; readonly converted?: boolean } {
  if (text.trim() === '' && !wanted) return {}
  const parsed = parseTypedNumber(text, unit, { apart })
  return parsed.ok
    ? { value: parsed.value, converted: parsed.converted === true }
    : { fault: parsed.sentence }
}
