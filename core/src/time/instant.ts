import { DomainError } from '../refusal/index.ts'
import { INSTANT_PATTERN } from '../shape/index.ts'

const written = new RegExp(INSTANT_PATTERN)
/** Of the lab's dates (our choice): a slip in the year is no date. */
const [FIRST, LAST] = [Date.UTC(2000, 0), Date.UTC(2200, 0)]

/**
 * An instant that was written down: ISO 8601 with Z or an offset. Text without one would mean another moment on another
 * machine, and is refused, as is a day that the calendar does not have.
 *
 * @returns ms since 1970
 * @throws {DomainError} `not-an-instant`
 * @example instantMillis('2026-03-02T08:00:00+01:00') // 1772434800000
 */
export function instantMillis(text: string, field?: string): number {
  const millis = written.test(text) && dayExists(text) ? Date.parse(text) : Number.NaN
  if (!(millis >= FIRST && millis < LAST))
    throw new DomainError(
      'not-an-instant',
      `"${text}" is not a date with its time.`,
      'Write it as 2026-12-09T11:00:00Z, or with an offset as 2026-12-09T12:00:00+01:00.',
      field,
    )
  return millis
}

/** The same instant as the record keeps it: in UTC, to the millisecond. @throws {DomainError} `not-an-instant` */
export function inUtc(text: string, field?: string): string {
  return new Date(instantMillis(text, field)).toISOString()
}

/** Date.parse takes a 31st of February for the 3rd of March. */
function dayExists(text: string): boolean {
  const [year, month, day] = [text.slice(0, 4), text.slice(5, 7), text.slice(8, 10)].map(Number)
  const date = new Date(Date.UTC(year!, month! - 1, day))
  return date.getUTCMonth() === month! - 1 && date.getUTCDate() === day
}
