import {
  type CureQuestion,
  curePresets,
  type ProgramSegment,
  programMinutes,
  qty,
  type ResinSection,
  type Saying,
  setStone,
  type TemperatureProgram,
  usualFlask,
} from '@yentrik/core'
import { attempt } from '../parts/attempt.ts'
import { readNumber } from '../parts/read-number.ts'
import { readSegments, type SegmentDraft, typedSegment } from '../program/program-draft.ts'

const MINUTE = 60_000

/** A bath to compare, as it is typed. */
export interface BathDraft {
  readonly name: Saying
  readonly startCelsius: string
  readonly segments: readonly SegmentDraft[]
}

/** What the Cure screen holds. */
export interface CureDraft {
  /** Thinnest and thickest place, mm, as typed. */
  readonly thin: string
  readonly thick: string
  readonly ratio: string
  /** HH:MM. */
  readonly inAt: string
  readonly outBy: string
  readonly baths: readonly BathDraft[]
  readonly chosen: number
  /** Why a bath was run against advice. */
  readonly reason?: string
}

const draftOf = (name: Saying, { startCelsius, segments }: TemperatureProgram): BathDraft => ({
  name,
  startCelsius: String(startCelsius),
  segments: segments.map(typedSegment),
})

/** The usual base: a palate of 2.5 mm, a ridge of 12 (common practice). */
export const cureStart: CureDraft = {
  thin: '2.5',
  thick: '12',
  ratio: '0.30',
  inAt: '17:00',
  outBy: '07:30',
  baths: curePresets.map(({ name, program }) => draftOf(name, program)),
  chosen: 0,
}

/** For a case, the bath that its lab uses chosen. */
export function cureFor(choice: string | undefined): CureDraft {
  const chosen = curePresets.findIndex(({ id }) => id === choice)
  return { ...cureStart, chosen: Math.max(0, chosen) }
}

/** The thinnest or the thickest place, as typed, in words. */
export const placeWords = (typed: string): Saying => {
  const { value } = readNumber(typed, 'mm')
  return value === undefined ? typed : [qty.mm(value)]
}

/** Sections as typed: the thin place as a sheet, the thick one as a ridge; undefined while one is wrong. */
export function sectionsOf({
  thin,
  thick,
}: Pick<CureDraft, 'thin' | 'thick'>): readonly ResinSection[] | undefined {
  const [sheet, ridge] = [readNumber(thin, 'mm').value, readNumber(thick, 'mm').value]
  if (!(sheet && ridge && sheet > 0 && ridge > 0)) return undefined
  return [
    { shape: 'sheet', millimetres: sheet },
    { shape: 'ridge', millimetres: ridge },
  ]
}

/** The bath as a program, or what is wrong. */
export function bathProgram({ startCelsius, segments: drafts }: BathDraft): {
  readonly program?: TemperatureProgram
  readonly wrong?: string
} {
  const start = readNumber(startCelsius, '°C').value
  const { segments, wrong } = readSegments(drafts)
  if (!segments || start === undefined) return { wrong: wrong ?? 'Enter the water at the start.' }
  return { program: { startCelsius: start, segments } }
}

/** The same bath with one of its segments changed, as a hand drags it: whole degrees, five minutes. */
export function dragged(bath: BathDraft, segment: number, to: Partial<ProgramSegment>): BathDraft {
  const { program } = bathProgram(bath)
  if (!program) return bath
  const segments = program.segments.map((each, n) => {
    if (n !== segment) return each
    const celsius = Math.min(100, Math.max(40, Math.round(to.toCelsius ?? each.toCelsius)))
    const hold = Math.min(1440, Math.max(0, 5 * Math.round((to.holdMinutes ?? each.holdMinutes) / 5)))
    return { ...each, toCelsius: celsius, holdMinutes: hold }
  })
  return { ...bath, segments: segments.map(typedSegment) }
}

/** A bath that was proposed, in the place of the last one. */
export function withProposal(draft: CureDraft, name: Saying, program: TemperatureProgram): CureDraft {
  const baths = [...draft.baths.slice(0, 3), draftOf(name, program)]
  return { ...draft, baths, chosen: baths.length - 1 }
}

export type FollowQuestion = Omit<CureQuestion, 'section'> & { readonly sections: readonly ResinSection[] }

/** What the worker is asked; undefined while an entry is wrong. */
export function questionOf(
  draft: CureDraft,
  program: TemperatureProgram | undefined,
): FollowQuestion | undefined {
  const sections = sectionsOf(draft)
  const ratio = readNumber(draft.ratio, 'mL/g').value
  const stone = ratio === undefined ? undefined : attempt(() => setStone(ratio)).answer
  return program && sections && stone && { sections, program, flask: { ...usualFlask, stone } }
}

/** When a bath is over, to the minute: rates are typed in hundredths. */
export function outOf(startAt: number, program: TemperatureProgram): number {
  return Math.round(startAt / MINUTE + programMinutes(program)) * MINUTE
}
