import type { Spell } from '../equipment/index.ts'
import { type LabCalendar, localDay, openingsBetween } from '../planning/index.ts'
import type { Holidays, PlanPerson } from './settings.ts'

type Stretch = readonly [from: number, until: number]

/** What is left of stretches without others; all sorted and disjoint. */
export function without(stretches: readonly Stretch[], gone: readonly Stretch[]): Stretch[] {
  return gone.reduce<Stretch[]>(
    (left, [from, until]) =>
      left.flatMap(([opens, closes]): Stretch[] =>
        until <= opens || from >= closes
          ? [[opens, closes]]
          : [
              ...(from > opens ? [[opens, from] as Stretch] : []),
              ...(until < closes ? [[until, closes] as Stretch] : []),
            ],
      ),
    [...stretches],
  )
}

/** When the lab is open between two instants, ms. */
export function labHours(calendar: LabCalendar, holidays: Holidays, from: number, until: number): Stretch[] {
  const closed = new Set(holidays.map(({ day }) => day))
  return openingsBetween(calendar, from, until, closed).map(({ opens, closes }) => [opens, closes])
}

/** When somebody is there: in their own hours, or those of the lab, but for holidays and days off. */
export function personHours(
  { hours, away }: PlanPerson,
  calendar: LabCalendar,
  holidays: Holidays,
  from: number,
  until: number,
): Stretch[] {
  const there = hours
    ? ownHours(hours, calendar, holidays, from, until)
    : labHours(calendar, holidays, from, until)
  return without(there, spells(away))
}

export const spells = (list: readonly Spell[]): Stretch[] =>
  list.map(({ from, until }) => [Date.parse(from), Date.parse(until)])

/** A day with several stretches is several calendars of one stretch each, laid over one another. */
function ownHours(
  hours: NonNullable<PlanPerson['hours']>,
  calendar: LabCalendar,
  holidays: Holidays,
  from: number,
  until: number,
): Stretch[] {
  return hours
    .flatMap(({ weekday, opensMinute, closesMinute }) =>
      labHours(
        { timeZone: calendar.timeZone, weekdays: [weekday], opensMinute, closesMinute },
        holidays,
        from,
        until,
      ),
    )
    .sort((a, b) => a[0] - b[0])
}

/** The day of an instant in the lab, as a heading has it. */
export const dayOf = (instant: number, { timeZone }: LabCalendar): string => localDay(instant, timeZone)
