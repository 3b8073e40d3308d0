import { displayUnit, parseTypedNumber, type QuantityKind, type UnitSystem } from '@yentrik/core'
import { usePreferences } from '../preferences/preferences.ts'

/**
 * A field keeps what was typed as text in its own, metric unit. On a bench with other units it is typed and shown in those, and
 * the text that is kept carries the unit along: "72 °F". So nothing changes its meaning when the units of the bench are changed.
 */

/** The units of fields that another bench reads otherwise. */
const kinds: Readonly<Record<string, QuantityKind>> = {
  mm: 'millimetres',
  '°C': 'celsius',
  '°C/min': 'celsiusPerMinute',
  kPa: 'kilopascals',
}
/** What a typed conversion keeps: as much as a gauge shows. */
const DIGITS = 4

/** The unit in which a field of a metric unit is typed on this bench. */
export function benchUnit(unit: string, system: UnitSystem): string {
  const kind = kinds[unit]
  return kind ? displayUnit(kind, system).unit : unit
}

/** The unit of a field or the head of a table, on this bench. */
export function useBenchUnit(): (unit: string) => string {
  const system = usePreferences(({ units }) => units)
  return (unit) => benchUnit(unit, system)
}

/** The unit in which a quantity is kept, and the decimals it is read to. */
export function keptUnit(kind: QuantityKind): { readonly unit: string; readonly decimals: number } {
  return displayUnit(kind, 'metric')
}

/** The text of a field as its bench shows it; what carries a unit of its own, or is no number, stays as it is. */
export function shownText(text: string, unit: string, system: UnitSystem, apart = false): string {
  const shown = benchUnit(unit, system)
  if (shown === unit) return text
  if (text.endsWith(` ${shown}`)) return text.slice(0, -shown.length - 1)
  const parsed = parseTypedNumber(text, unit)
  const kind = apart ? 'celsiusApart' : kinds[unit]
  if (!parsed.ok || parsed.converted || carriesUnit(text) || !kind) return text
  return String(Number(displayUnit(kind, system).fromStored(parsed.value).toPrecision(DIGITS)))
}

/** What is kept of what was typed in a field. */
export function keptText(typed: string, unit: string, system: UnitSystem): string {
  const shown = benchUnit(unit, system)
  return shown === unit || typed.trim() === '' || carriesUnit(typed) ? typed : `${typed} ${shown}`
}

const carriesUnit = (text: string) => /[^\d\s.,+/-]/.test(text)
