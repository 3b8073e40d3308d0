import type { CaseEvent } from './case-event.ts'

/** Names an event by all that is in it, the link to the one before included. */
export type EventHash = (event: CaseEvent) => string

/** Events with a link each to the one before, the first has none. */
export function chained(events: readonly CaseEvent[], hashOf: EventHash): CaseEvent[] {
  const linked: CaseEvent[] = []
  for (const event of events) {
    const last = linked.at(-1)
    linked.push(last ? { ...event, previous: hashOf(last) } : event)
  }
  return linked
}

/** Whether events carry links at all: those of a record made before there were links do not. */
export function hasLinks(events: readonly CaseEvent[]): boolean {
  return events.some(({ previous }) => previous !== undefined)
}

/**
 * The first event whose link does not fit the one before: that one, or all before it, were changed, added or taken away
 * after they were put on record. A change of the last event alone cannot be seen from within: its hash stands on papers.
 * @returns its sequence; undefined when every link fits
 */
export function looseLink(events: readonly CaseEvent[], hashOf: EventHash): number | undefined {
  return events.find(({ previous }, index) => {
    const before = events[index - 1]
    return previous !== (before && hashOf(before))
  })?.sequence
}
