import type { ProgramSegment } from '@yentrik/core'
import { readNumber } from '../parts/read-number.ts'

/** A segment of a program as it is typed. */
export interface SegmentDraft {
  readonly rate: string
  readonly to: string
  readonly hold: string
  /** The pump runs while it lasts. */
  readonly vacuum?: boolean
}

/** A segment as it would be typed: the rate to a hundredth, the hold to the minute. */
export function typedSegment({
  rampCelsiusPerMinute,
  toCelsius,
  holdMinutes,
  vacuum,
}: ProgramSegment): SegmentDraft {
  return {
    rate: String(Number(rampCelsiusPerMinute.toFixed(2))),
    to: String(Number(toCelsius.toFixed(1))),
    // A firing holds for a minute or two, a burnout for hours.
    hold: String(holdMinutes < 10 ? Number(holdMinutes.toFixed(1)) : Math.round(holdMinutes)),
    ...(vacuum ? { vacuum } : {}),
  }
}

/** The segments as typed, or what is wrong with which line. */
export function readSegments(drafts: readonly SegmentDraft[]): {
  readonly segments?: readonly ProgramSegment[]
  readonly wrong?: string
} {
  const segments: ProgramSegment[] = []
  for (const [index, { rate, to, hold, vacuum }] of drafts.entries()) {
    const [r, t, h] = [
      readNumber(rate, '°C/min').value,
      readNumber(to, '°C').value,
      readNumber(hold, 'min').value,
    ]
    if (r === undefined || t === undefined || h === undefined)
      return { wrong: `Line ${index + 1} wants a rate, a temperature and a hold.` }
    segments.push({
      rampCelsiusPerMinute: r,
      toCelsius: t,
      holdMinutes: h,
      ...(vacuum ? { vacuum } : {}),
    })
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
