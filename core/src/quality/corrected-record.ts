import type { CaseEvent, EventOfType } from '../case/index.ts'

/**
 * A record as if nobody had erred: what was corrected as it should have been, what was withdrawn gone. Their places are kept by notes, so that
 * it can be followed as any other.
 * @returns the events, and how many slips there were
 */
export function correctedRecord(events: readonly CaseEvent[]): {
  readonly events: readonly CaseEvent[]
  readonly slips: number
} {
  const gone = new Set(events.flatMap((event) => (event.type === 'withdrawn' ? [event.withdraws] : [])))
  const corrections = new Map<number, EventOfType<'corrected'>>()
  for (const event of events)
    if (event.type === 'corrected' && !gone.has(event.sequence)) {
      const before = corrections.get(event.corrects)
      // A second correction of a mix says only what it changes.
      corrections.set(event.corrects, before ? { ...before, ...event } : event)
    }
  const slips = gone.size + corrections.size
  if (slips === 0) return { events, slips }
  return {
    slips,
    events: events.map((event): CaseEvent => {
      if (event.type === 'withdrawn' || event.type === 'corrected' || gone.has(event.sequence))
        return inItsPlace(event)
      const correction = corrections.get(event.sequence)
      return correction ? asCorrected(event, correction) : event
    }),
  }
}

function inItsPlace({ sequence, at, by }: CaseEvent): CaseEvent {
  return { sequence, at, by, type: 'noted', text: '' }
}

function asCorrected(event: CaseEvent, right: EventOfType<'corrected'>): CaseEvent {
  if (event.type === 'checkRecorded') return { ...event, value: right.value, answer: right.answer }
  if (event.type === 'sheetRecorded')
    return { ...event, sheet: right.sheet ?? event.sheet, judged: right.judged }
  if (event.type !== 'mixRecorded') return event
  return {
    ...event,
    powderGrams: right.powderGrams ?? event.powderGrams,
    liquidMillilitres: right.liquidMillilitres ?? event.liquidMillilitres,
    roomCelsius: right.roomCelsius ?? event.roomCelsius,
    lots: right.lots ?? event.lots,
  }
}
