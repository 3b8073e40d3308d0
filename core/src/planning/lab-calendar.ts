import { TZDate } from '@date-fns/tz'
import { startOfMonth as firstOfMonth, format, startOfDay, startOfWeek } from 'date-fns'
import { DomainError } from '../refusal/index.ts'

/** When hands are at the benches. Unattended steps run at any hour. */
export interface LabCalendar {
  /** IANA name, as Europe/Vienna. */
  readonly timeZone: string
  /** Minutes after local midnight. */
  readonly opensMinute: number
  readonly closesMinute: number
  /** 0 is Sunday. */
  readonly weekdays: readonly number[]
}

/** Monday to Friday, 07:30 to 17:00 (choice; a lab sets its own). */
export function usualCalendar(timeZone: string): LabCalendar {
  return { timeZone, opensMinute: 450, closesMinute: 1020, weekdays: [1, 2, 3, 4, 5] }
}

/** One stretch of work: hands first, then time by itself. Minutes, 0 or more. */
export interface WorkStretch {
  readonly handsOnMinutes: number
  readonly waitMinutes: number
}

const MINUTE = 60_000

/** A week and the days on which clocks change: further back than this no opening hours have to be looked for. */
const MOST_DAYS_BACK = 9
/** More working days than this no chain of work takes. */
const MOST_OPENINGS = 5000
/** From 1970 to the year 3000: what is no instant in between is a slip, and is never searched from. */
const LATEST_INSTANT = Date.UTC(3000, 0, 1)

/**
 * The latest moment to begin a chain of work so that all of it is done at the due time: from the due time backwards,
 * waiting anywhere in the day or night, hands only while the lab is open. Hands of one step stay in one opening where
 * they fit. Machines and people are taken to be free.
 *
 * @param due ms since 1970
 * @returns ms since 1970
 * @throws {DomainError} `calendar-closed` when no weekday or no hour is open; `not-an-instant`, `work-not-plausible`
 */
export function latestStart(chain: readonly WorkStretch[], due: number, calendar: LabCalendar): number {
  checkCalendar(calendar)
  if (!(due >= 0 && due <= LATEST_INSTANT))
    throw new DomainError('not-an-instant', 'The due date is no date.', 'Enter a day and a time.', 'due')
  let cursor = due
  for (const { handsOnMinutes, waitMinutes } of [...chain].reverse()) {
    if (!(handsOnMinutes >= 0 && waitMinutes >= 0 && Number.isFinite(handsOnMinutes + waitMinutes)))
      throw new DomainError(
        'work-not-plausible',
        'A step takes less than no time.',
        'Give every step minutes of 0 or more.',
        'chain',
      )
    cursor -= waitMinutes * MINUTE
    cursor = backThroughHands(cursor, handsOnMinutes, calendar)
  }
  return cursor
}

/** @throws {DomainError} `calendar-closed` */
export function checkCalendar({ opensMinute, closesMinute, weekdays }: LabCalendar): void {
  const isOpen = weekdays.some((day) => Number.isInteger(day) && day >= 0 && day <= 6)
  if (!isOpen || !(opensMinute >= 0 && closesMinute > opensMinute && closesMinute <= 24 * 60)) throw closed()
}

const closed = () =>
  new DomainError(
    'calendar-closed',
    'The lab is never open.',
    'Set opening hours and at least one weekday.',
    'calendar',
  )

function backThroughHands(end: number, minutes: number, calendar: LabCalendar): number {
  let left = minutes * MINUTE
  if (left === 0) return end
  let cursor = end
  const dayLength = (calendar.closesMinute - calendar.opensMinute) * MINUTE
  for (let opening = 0; opening < MOST_OPENINGS; opening++) {
    const { opens, closes } = openingAtOrBefore(cursor, calendar)
    const room = Math.min(cursor, closes) - opens
    if (left <= room) return Math.min(cursor, closes) - left
    if (left > dayLength) left -= room
    cursor = opens
  }
  throw new DomainError(
    'work-not-plausible',
    'A step takes more than ten years of hands.',
    'Give it the minutes that it really takes.',
    'chain',
  )
}

interface Opening {
  readonly opens: number
  readonly closes: number
}

/** The opening hours that hold the instant, or the last ones before it. */
function openingAtOrBefore(instant: number, calendar: LabCalendar): Opening {
  const today = Math.floor(instant / DAY)
  for (let day = today; day >= today - MOST_DAYS_BACK; day--) {
    const opening = openingsAround(day, calendar).findLast(({ opens }) => opens < instant)
    if (opening) return opening
  }
  throw closed()
}

const DAY = 24 * 60 * MINUTE
/** Time zones are slow to ask, and every step of every case asks for the same days. */
const known = new WeakMap<LabCalendar, Map<number, readonly Opening[]>>()
/** Days that are remembered of one calendar: some years. */
const MOST_REMEMBERED = 2000

/** The opening hours of every local day that touches a day of Greenwich, by its number since 1970; in their order. */
function openingsAround(utcDay: number, calendar: LabCalendar): readonly Opening[] {
  const days = known.get(calendar) ?? new Map<number, readonly Opening[]>()
  known.set(calendar, days)
  const remembered = days.get(utcDay)
  if (remembered) return remembered
  const starts = [0, DAY - 1].map((into) => startOfDay(new TZDate(utcDay * DAY + into, calendar.timeZone)))
  const openings = starts
    .filter((day, n) => day.getTime() !== starts[n - 1]?.getTime())
    .filter((day) => calendar.weekdays.includes(day.getDay()))
    .map((day) => ({
      opens: atMinute(day, calendar.opensMinute),
      closes: atMinute(day, calendar.closesMinute),
    }))
  if (days.size >= MOST_REMEMBERED) days.clear()
  days.set(utcDay, openings)
  return openings
}

/** Wall-clock minutes after midnight, right also on the days when clocks change. */
function atMinute(day: TZDate, minute: number): number {
  const moment = new TZDate(day, day.timeZone)
  moment.setHours(Math.floor(minute / 60), minute % 60, 0, 0)
  return moment.getTime()
}

/**
 * The opening hours that touch a stretch of time, in their order, holidays left out.
 * @param holidays calendar days, YYYY-MM-DD
 * @throws {DomainError} `calendar-closed`
 */
export function openingsBetween(
  calendar: LabCalendar,
  from: number,
  until: number,
  holidays: ReadonlySet<string> = new Set(),
): readonly { readonly opens: number; readonly closes: number }[] {
  checkCalendar(calendar)
  const found: { opens: number; closes: number }[] = []
  for (let day = Math.floor(from / DAY) - 1; day <= Math.floor(until / DAY) + 1; day++)
    for (const { opens, closes } of openingsAround(day, calendar)) {
      // A local day may touch two days of Greenwich.
      if (closes <= from || opens >= until || opens <= (found.at(-1)?.opens ?? Number.NEGATIVE_INFINITY))
        continue
      if (holidays.has(localDay(opens, calendar.timeZone))) continue
      found.push({ opens, closes })
    }
  return found
}

/** The calendar day of an instant where the lab is, YYYY-MM-DD. */
export function localDay(instant: number, timeZone: string): string {
  return format(new TZDate(instant, timeZone), 'yyyy-MM-dd')
}

/** The last local Monday 00:00 that is not after an instant; ms since 1970. */
export function mondayBefore(instant: number, timeZone: string): number {
  return startOfWeek(new TZDate(instant, timeZone), { weekStartsOn: 1 }).getTime()
}

/** The first midnight of the local month of an instant; ms since 1970. */
export function startOfMonth(instant: number, timeZone: string): number {
  return firstOfMonth(new TZDate(instant, timeZone)).getTime()
}

/** An instant as the clock of the lab shows it, 2026-03-05 14:30. */
export function localClock(instant: number, timeZone: string): string {
  return format(new TZDate(instant, timeZone), 'yyyy-MM-dd HH:mm')
}
