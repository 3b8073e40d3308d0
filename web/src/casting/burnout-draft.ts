import {
  type Binder,
  burnoutProgram,
  type CastingRecord,
  type RingSize,
  type TemperatureProgram,
  USUAL_ROOM_CELSIUS,
  usualPeaks,
} from '@yentrik/core'
import { attempt } from '../parts/attempt.ts'
import { readNumber } from '../parts/read-number.ts'
import { readAll, type Typed } from '../parts/typed-figures.ts'
import { readSegments, type SegmentDraft, typedSegment } from '../program/program-draft.ts'

export interface BurnoutDraft {
  readonly binder: Binder
  readonly pattern: 'wax' | 'resin'
  readonly fast: boolean
  readonly figures: Typed
  readonly segments: readonly SegmentDraft[]
  /** Ready at this hour: HH:MM. */
  readonly readyAt: string
}

export const burnoutStart: BurnoutDraft = {
  binder: 'phosphate',
  pattern: 'wax',
  fast: false,
  figures: {
    diameter: '65',
    height: '55',
    rings: '1',
    peak: String(usualPeaks.phosphate),
    room: '20',
    reserve: '10',
  },
  segments: [],
  readyAt: '09:30',
}

/** To begin with, for a case: its investment by its product, what carries its pattern, and the ring that was chosen for it. */
export function burnoutFor({
  binder,
  pattern = 'wax',
  usualPeakCelsius,
}: Pick<CastingRecord, 'binder' | 'pattern' | 'usualPeakCelsius'>): BurnoutDraft {
  if (!binder) return burnoutStart
  const { rings, room, reserve } = burnoutStart.figures
  return {
    ...burnoutStart,
    binder,
    pattern,
    figures: {
      rings: rings ?? '1',
      room: room ?? '20',
      reserve: reserve ?? '10',
      peak: String(usualPeakCelsius ?? usualPeaks[binder]),
    },
  }
}

/** With the ring of the sprue planner, as long as none was typed here. */
export function withRing(draft: BurnoutDraft, sprue: Typed): BurnoutDraft {
  const { diameter = '', height = '' } = sprue
  return { ...draft, figures: { diameter, height, ...draft.figures } }
}

/** The units of what is typed on the burnout panel. */
export const burnoutUnits: Readonly<Record<string, string>> = {
  diameter: 'mm',
  height: 'mm',
  peak: '°C',
  room: '°C',
  reserve: 'min',
  cutAfter: 'min',
  cutFor: 'min',
  cutTau: 'min',
  readMinutes: 'min',
  readCelsius: '°C',
}

/** The program that follows from binder, ring and pattern, as lines to be changed. */
export function proposed(draft: BurnoutDraft): readonly SegmentDraft[] {
  const number = (key: string, otherwise: number) =>
    readNumber(draft.figures[key] ?? '', burnoutUnits[key] ?? '').value ?? otherwise
  const { segments } = burnoutProgram({
    binder: draft.binder,
    radiusMillimetres: number('diameter', 65) / 2,
    rings: number('rings', 1),
    pattern: draft.pattern,
    fast: draft.fast,
    peakCelsius: number('peak', usualPeaks[draft.binder]),
  })
  return segments.map(typedSegment)
}

/** The draft as it is shown: with the proposal, as long as nobody has changed its lines. */
export function shownDraft(draft: BurnoutDraft): BurnoutDraft {
  if (draft.segments.length > 0) return draft
  return { ...draft, segments: attempt(() => proposed(draft)).answer ?? [] }
}

/** The ring as typed; undefined while a measure is missing or wrong. */
export function ringOf({ figures }: BurnoutDraft): RingSize | undefined {
  const { values } = readAll(figures, ['diameter', 'height'], burnoutUnits)
  return values && { radiusMillimetres: values.diameter / 2, heightMillimetres: values.height }
}

/** The program as typed, or what is wrong with which line. */
export function programOf(draft: BurnoutDraft): {
  readonly program?: TemperatureProgram
  readonly wrong?: string
} {
  const { segments, wrong } = readSegments(draft.segments)
  if (!segments) return { wrong }
  const first = segments[0]
  const room = readNumber(draft.figures.room ?? '', '°C').value ?? USUAL_ROOM_CELSIUS
  return { program: { startCelsius: draft.fast && first ? first.toCelsius : room, segments } }
}
