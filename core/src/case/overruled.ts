import type { CaseEvent } from './case-event.ts'
import { standing } from './case-state.ts'

/** What a later entry says of an earlier one: that it was a slip, or what it should have been. */
export interface Overruled {
  readonly how: 'corrected' | 'withdrawn'
  /** The sequence of the later entry. */
  readonly by: number
}

/** The entries that stand no longer as they were written, by their sequence. A correction that was withdrawn counts no more. */
export function overruled(events: readonly CaseEvent[]): ReadonlyMap<number, Overruled> {
  const marks = new Map<number, Overruled>()
  for (const event of standing(events)) {
    if (event.type === 'corrected') marks.set(event.corrects, { how: 'corrected', by: event.sequence })
    if (event.type === 'withdrawn') marks.set(event.withdraws, { how: 'withdrawn', by: event.sequence })
  }
  return marks
}

/** As it stands behind the entry: " (withdrawn by entry 9)"; empty where nothing was said of it. */
export const overruledWords = (mark: Overruled | undefined): string =>
  mark ? ` (${mark.how} by entry ${mark.by})` : ''
