import { type Saying, showTooth, spoken } from '@yentrik/core'
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

/** A saying among other text. */
export function Said({ words, clock }: { readonly words: Saying; readonly clock?: Clock }) {
  return useWords(clock)(words)
}
