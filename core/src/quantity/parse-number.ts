/** What became of a typed number: the value, or a sentence that says what to type. */
export type ParsedNumber =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly sentence: string }

/**
 * Reads a number as people type it: a point or a comma as the decimal separator, spaces around it.
 * A number with both, or with two separators, is refused rather than guessed: 1,234 could be 1.234 or 1234.
 *
 * @param text as typed
 * @param unit shown in the refusal, so that 2.6in in a field of mm is not silently taken
 */
export function parseTypedNumber(text: string, unit: string): ParsedNumber {
  const trimmed = text.trim()
  if (trimmed === '') return { ok: false, sentence: `Enter a number${unit && ` in ${unit}`}.` }
  const withoutUnit =
    unit !== '' && trimmed.toLowerCase().endsWith(unit.toLowerCase())
      ? trimmed.slice(0, -unit.length).trim()
      : trimmed
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(withoutUnit))
    return {
      ok: false,
      sentence: `"${trimmed}" is not a number. Use digits and one decimal point or comma${unit && `, in ${unit}`}.`,
    }
  return { ok: true, value: Number(withoutUnit.replace(',', '.')) }
}
