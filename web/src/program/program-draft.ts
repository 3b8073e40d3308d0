import type { ProgramSegment } from '@yentrik/core'
import { readNumber } from '../parts/read-number.ts'

/** A segment of a program as it is typed. */
export interface SegmentDraft {
  readonly rate: string
  readonly to: string
  readonly hold: string
}

/** A segment as it would be typed: the rate to a hundredth, the hold to the minute. */
export function typedSegment({ rampCelsiusPerMinute, toCelsius, holdMinutes }: ProgramSegment): SegmentDraft {
  return {
    rate: String(Number(rampCelsiusPerMinute.toFixed(2))),
    to: String(toCelsius),
    hold: String(Math.round(holdMinutes)),
  }
}

/** The segments as typed, or what is wrong with which line. */
export function readSegments(drafts: readonly SegmentDraft[]): {
  readonly segments?: readonly ProgramSegment[]
  readonly wrong?: string
} {
  const segments: ProgramSegment[] = []
  for (const [index, { rate, to, hold }] of drafts.entries()) {
    const [r, t, h] = [
      readNumber(rate, '°C/min').value,
      readNumber(to, '°C').value,
      readNumber(hold, 'min').value,
    ]
    if (r === undefined || t === undefined || h === undefined)
      return { wrong: `Line ${index + 1} wants a rate, a temperature and a hold.` }
    segments.push({ rampCelsiusPerMinute: r, toCelsius: t, holdMinutes: h })
  }
  return { segments }
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
