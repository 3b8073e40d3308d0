import {
  type Binder,
  burnoutProgram,
  type ProgramSegment,
  type RingSize,
  type TemperatureProgram,
  usualPeaks,
} from '@yentrik/core'
import { readNumber } from '../parts/NumberField.tsx'
import { ask, readAll, type Typed } from './typed-figures.ts'

/** A segment as it is typed. */
export interface SegmentDraft {
  readonly rate: string
  readonly to: string
  readonly hold: string
}
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
  figures: { diameter: '65', height: '55', rings: '1', peak: String(usualPeaks.phosphate), reserve: '10' },
  segments: [],
  readyAt: '09:30',
}

/** To begin with, for a case: its investment, and the ring that was chosen for it. */
export function burnoutFor(binder: Binder | undefined): BurnoutDraft {
  if (!binder) return burnoutStart
  const { rings, reserve } = burnoutStart.figures
  return {
    ...burnoutStart,
    binder,
    figures: { rings: rings ?? '1', reserve: reserve ?? '10', peak: String(usualPeaks[binder]) },
  }
}

/** With the ring of the sprue planner, as long as none was typed here. */
export function withRing(draft: BurnoutDraft, sprue: Typed): BurnoutDraft {
  const { diameter = '', height = '' } = sprue
  return { ...draft, figures: { diameter, height, ...draft.figures } }
}

/** The program that follows from binder, ring and pattern, as lines to be changed. */
export function proposed(draft: BurnoutDraft): readonly SegmentDraft[] {
  const number = (key: string, otherwise: number) =>
    readNumber(draft.figures[key] ?? '', '').value ?? otherwise
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

/** A segment as it would be typed, to the minute. */
export function typedSegment({ rampCelsiusPerMinute, toCelsius, holdMinutes }: ProgramSegment): SegmentDraft {
  return {
    rate: String(rampCelsiusPerMinute),
    to: String(toCelsius),
    hold: String(Math.round(holdMinutes)),
  }
}

/** The draft as it is shown: with the proposal, as long as nobody has changed its lines. */
export function shownDraft(draft: BurnoutDraft): BurnoutDraft {
  if (draft.segments.length > 0) return draft
  return { ...draft, segments: ask(() => proposed(draft)).answer ?? [] }
}

/** The ring as typed; undefined while a measure is missing or wrong. */
export function ringOf({ figures }: BurnoutDraft): RingSize | undefined {
  const { values } = readAll(figures, ['diameter', 'height'])
  return values && { radiusMillimetres: values.diameter / 2, heightMillimetres: values.height }
}

/** The program as typed, or what is wrong with which line. */
export function programOf(draft: BurnoutDraft): {
  readonly program?: TemperatureProgram
  readonly wrong?: string
} {
  const segments = []
  for (const [index, { rate, to, hold }] of draft.segments.entries()) {
    const [r, t, h] = [readNumber(rate, '').value, readNumber(to, '').value, readNumber(hold, '').value]
    if (r === undefined || t === undefined || h === undefined)
      return { wrong: `Line ${index + 1} wants a rate, a temperature and a hold.` }
    segments.push({ rampCelsiusPerMinute: r, toCelsius: t, holdMinutes: h })
  }
  const first = segments[0]
  return { program: { startCelsius: draft.fast && first ? first.toCelsius : 20, segments } }
}

const DAY = 24 * 60 * 60_000

/** The next instant at which it is this hour: HH:MM by the clock of this machine. */
export function nextAt(text: string, now: number): number | undefined {
  const found = /^(\d{1,2}):(\d{2})$/.exec(text.trim())
  if (!found || Number(found[1]) > 23 || Number(found[2]) > 59) return undefined
  const at = new Date(now)
  at.setHours(Number(found[1]), Number(found[2]), 0, 0)
  return at.getTime() > now ? at.getTime() : at.getTime() + DAY
}
