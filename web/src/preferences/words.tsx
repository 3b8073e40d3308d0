import { displayUnit, formatQuantity, type Saying, showTooth, spoken } from '@yentrik/core'
import { dayAndTime } from '../format/format.ts'
import { labNow } from '../live/lab-clock.ts'
import { usePreferences } from './preferences.ts'

/** How an instant is written, ms since 1970. */
type Clock = (at: number) => string
const byTheDay: Clock = (at) => dayAndTime(at, labNow())

/**
 * What the core says, with its quantities in the units and its teeth in the numbers of this bench.
 * @param clock how instants are written; by the day, as far as needed, when left out. Papers and records want the whole date
 */
export function useWords(clock: Clock = byTheDay): (words: Saying) => string {
  const { units, teeth } = usePreferences()
  return (words) => spoken(words, units, clock, (fdi) => showTooth(fdi, teeth))
}

/** Millimetres in the units of this bench. @param decimals of the metric unit */
export function useMillimetres(decimals = 1): (millimetres: number) => string {
  const units = usePreferences((preferences) => preferences.units)
  return (millimetres) => formatQuantity(millimetres, 'millimetres', units, decimals)
}

/** The number alone, where its unit stands elsewhere: in drawings and tables. */
export function useBareMillimetres(decimals = 1): (millimetres: number) => string {
  const units = usePreferences((preferences) => preferences.units)
  const { fromStored, decimals: usual } = displayUnit('millimetres', units)
  return (millimetres) => fromStored(millimetres).toFixed(units === 'us' ? usual : decimals)
}

/** A saying among other text. */
export function Said({ words, clock }: { readonly words: Saying; readonly clock?: Clock }) {
  return useWords(clock)(words)
}
