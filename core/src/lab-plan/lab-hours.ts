import type { Spell } from '../equipment/index.ts'
import { type LabCalendar, openingsBetween, type Stretch, without } from '../planning/index.ts'
import type { Holidays, PlanPerson } from './settings.ts'

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
