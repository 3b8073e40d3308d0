import { differenceInCalendarDays, startOfISOWeek, startOfMonth } from 'date-fns'

/** How many days, weeks and months keep one backup each. */
export const KEPT = { days: 7, weeks: 4, months: 12 } as const

/**
 * Which backups may go: all but the newest of each of the last 7 days, 4 weeks and 12 months that have one. The newest of
 * all always stays.
 * @param made when each was made, in any order; days, weeks and months are those of the server's own time zone
 */
export function expired(made: readonly Date[]): Date[] {
  const newestFirst = [...made].sort((a, b) => b.getTime() - a.getTime())
  const kept = new Set<Date>()
  const keepNewestOfEach = (periodOf: (at: Date) => number, most: number) => {
    const periods = new Set<number>()
    for (const at of newestFirst) {
      const period = periodOf(at)
      if (periods.has(period)) continue
      if (periods.size === most) return
      periods.add(period)
      kept.add(at)
    }
  }
  keepNewestOfEach((at) => differenceInCalendarDays(at, 0), KEPT.days)
  keepNewestOfEach((at) => startOfISOWeek(at).getTime(), KEPT.weeks)
  keepNewestOfEach((at) => startOfMonth(at).getTime(), KEPT.months)
  return newestFirst.filter((at) => !kept.has(at))
}
