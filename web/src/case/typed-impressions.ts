import {
  type Impression,
  type ImpressionMaterial,
  impressionKeeping,
  type PouredImpression,
} from '@yentrik/core'
import { labNow } from '../live/lab-clock.ts'
import { dateText, instantOf, timeText } from '../parts/date-entry.ts'
import { readNumber } from '../parts/read-number.ts'

/** An impression as it is typed; no material: none came; no time: not known. */
export interface TypedImpression {
  readonly material: ImpressionMaterial | ''
  readonly time: string
  readonly day: string
  /** From the mouth, min; empty: as usual. */
  readonly keeps: string
}

export const usualImpression = ({ usual, ifGiven }: PouredImpression): TypedImpression => ({
  material: ifGiven ? '' : usual,
  time: '',
  day: '',
  keeps: '',
})

/** One on record, to be put right. */
export const typedOf = ({ material, takenAt, keepsMinutes }: Impression): TypedImpression => ({
  material,
  time: takenAt === undefined ? '' : timeText(Date.parse(takenAt)),
  day: takenAt === undefined ? '' : dateText(Date.parse(takenAt)),
  keeps: keepsMinutes === undefined ? '' : String(keepsMinutes),
})

type Typed = Readonly<Record<string, TypedImpression>>
const takenOf = ({ day, time }: TypedImpression) => instantOf(day || dateText(labNow()), time)

/** The first thing that is wrong with what was typed, in words. */
export function impressionsFault(poured: readonly PouredImpression[], typed: Typed): string | undefined {
  for (const impression of poured) {
    const entry = typed[impression.id]
    if (!entry || entry.material === '') continue
    const taken = takenOf(entry)
    // Of what keeps nothing more is asked.
    if (!impressionKeeping[entry.material].window) continue
    if (entry.time !== '' && taken === undefined)
      return `${impression.name}: enter a day and a time of the clock, or leave the time empty.`
    if (taken !== undefined && taken > labNow() + 60_000)
      return `${impression.name}: it was not taken yet at that time. Enter when it was.`
    const { value, fault } = readNumber(entry.keeps, '')
    if (entry.keeps.trim() !== '' && (fault !== undefined || !(value! >= 1 && value! <= 20_160)))
      return `${impression.name}: enter for how many minutes it keeps, 1 to 20160, or leave it empty.`
  }
  return undefined
}

/** What goes on record: of each that came its material, and the hour where it is known. */
export function impressionsOf(poured: readonly PouredImpression[], typed: Typed): Impression[] {
  return poured.flatMap((impression) => {
    const entry = typed[impression.id] ?? usualImpression(impression)
    if (entry.material === '') return []
    if (!impressionKeeping[entry.material].window) return [{ of: impression.id, material: entry.material }]
    const taken = entry.time === '' ? undefined : takenOf(entry)
    const keeps = readNumber(entry.keeps, '').value
    return [
      {
        of: impression.id,
        material: entry.material,
        ...(taken === undefined ? {} : { takenAt: new Date(taken).toISOString() }),
        ...(entry.keeps.trim() === '' || keeps === undefined ? {} : { keepsMinutes: keeps }),
      },
    ]
  })
}
