import { DomainError } from '../refusal/index.ts'
import type { LabCalendar } from './lab-calendar.ts'

const DAY = 86_400_000
/** More working days than this no job is given (choice). */
const MOST_DAYS = 1000

/**
 * The working day so many working days after a day; with none to go, the next day on which the lab is open, or that day.
 * @param day YYYY-MM-DD, as is the answer
 * @param workingDays a whole number, 0 to 1000
 * @throws {DomainError} `calendar-closed` when no weekday is open; `work-not-plausible`; `not-an-instant`
 */
export function afterWorkingDays(
  day: string,
  workingDays: number,
  { weekdays }: Pick<LabCalendar, 'weekdays'>,
): string {
  if (weekdays.length === 0)
    throw new DomainError('calendar-closed', 'The lab is never open.', 'Choose its working days.', 'weekdays')
  if (!(Number.isInteger(workingDays) && workingDays >= 0 && workingDays <= MOST_DAYS))
    throw new DomainError(
      'work-not-plausible',
      `${workingDays} working days cannot be right.`,
      `Enter a whole number from 0 to ${MOST_DAYS}.`,
      'workingDays',
    )
  let at = Date.parse(`${day}T00:00:00Z`)
  if (Number.isNaN(at))
    throw new DomainError('not-an-instant', `"${day}" is no day.`, 'Write it as 2026-03-05.', 'day')
  const isOpen = () => weekdays.includes(new Date(at).getUTCDay())
  for (let left = workingDays; left > 0; ) {
    at += DAY
    if (isOpen()) left--
  }
  while (!isOpen()) at += DAY
  return new Date(at).toISOString().slice(0, 10)
}
