import type { CaseEvent, EventOfType } from './case-event.ts'
import { standing } from './case-state.ts'

/** Every mix that stands on record, remakes too, each with its figures and lots as they were last corrected. */
export function standingMixes(events: readonly CaseEvent[]): readonly EventOfType<'mixRecorded'>[] {
  const stand = standing(events)
  const corrected = new Map(
    stand.flatMap((event) => (event.type === 'corrected' ? [[event.corrects, event]] : [])),
  )
  return stand.flatMap((event) => {
    if (event.type !== 'mixRecorded') return []
    const { powderGrams, liquidMillilitres, lots } = corrected.get(event.sequence) ?? {}
    return [
      {
        ...event,
        ...(powderGrams === undefined ? {} : { powderGrams }),
        ...(liquidMillilitres === undefined ? {} : { liquidMillilitres }),
        ...(lots === undefined ? {} : { lots }),
      },
    ]
  })
}
