import { parseTypedNumber } from '@yentrik/core'
import { usePreferences } from '../preferences/preferences.ts'
import { benchUnit, shownText } from './bench-unit.ts'

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
  if (parsed.ok) return { value: parsed.value, converted: parsed.converted === true }
  const { units } = usePreferences.getState()
  const inBenchUnits = parseTypedNumber(shownText(text, unit, units), benchUnit(unit, units))
  return { fault: inBenchUnits.ok ? parsed.sentence : inBenchUnits.sentence }
}
