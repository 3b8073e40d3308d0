import { describe, expect, it } from '@jest/globals'
import { addDays, addHours } from 'date-fns'
import fc from 'fast-check'
import { expired } from './retention.ts'

/** Half past two of so many nights, the last of them given. */
const nights = (last: Date, count: number) => Array.from({ length: count }, (_, n) => addDays(last, -n))
const days = (dates: readonly Date[]) => dates.map((at) => `${at.getMonth() + 1}-${at.getDate()}`)
const kept = (made: readonly Date[]) => {
  const gone = new Set(expired(made))
  return made.filter((at) => !gone.has(at))
}

describe('which backups are kept', () => {
  it('of a year of nights: 7 days, the last of 4 weeks, the last of each month', () => {
    // 27 November 2026 is a Friday: its weeks end on the Sundays 22, 15 and 8. Counted on a calendar.
    const year = nights(new Date(2026, 10, 27, 2, 30), 331)
    expect(days(kept(year))).toEqual(
      '11-27 11-26 11-25 11-24 11-23 11-22 11-21 11-15 11-8 10-31 9-30 8-31 7-31 6-30 5-31 4-30 3-31 2-28 1-31'.split(
        ' ',
      ),
    )
  })
  it('of two years: no more than 12 months', () => {
    const months = new Set(
      kept(nights(new Date(2026, 10, 27, 2, 30), 700)).map((at) => `${at.getFullYear()}-${at.getMonth()}`),
    )
    expect(months.size).toBe(12)
  })
  it('of one day the newest alone, once the day has gone by; of gaps the days that there are', () => {
    const at = new Date(2026, 5, 10, 2, 30)
    const made = [at, addHours(at, 6), addDays(at, -30), addDays(at, -40)]
    expect(days(expired(made))).toEqual(['6-10'])
    expect(expired(made)).toEqual([at])
  })
  it('a new one every night for years never drops one that the next thinning would have wanted', () => {
    const all: Date[] = []
    let left: Date[] = []
    for (const at of nights(new Date(2026, 10, 27, 2, 30), 500).reverse()) {
      all.push(at)
      left = kept([...left, at])
    }
    expect(new Set(days(left))).toEqual(new Set(days(kept(all))))
  })
  it('the newest always stays, nothing is both kept and gone, at most 23 are kept', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(
          fc.date({ min: new Date(2020, 0, 1), max: new Date(2027, 0, 1), noInvalidDate: true }),
          {
            minLength: 1,
            maxLength: 80,
            selector: (at) => at.getTime(),
          },
        ),
        (made) => {
          const gone = expired(made)
          const newest = made.reduce((a, b) => (a > b ? a : b))
          expect(gone).not.toContain(newest)
          expect(new Set(gone).size).toBe(gone.length)
          expect(made.length - gone.length).toBeLessThanOrEqual(23)
          // What is kept would be kept again.
          expect(expired(kept(made))).toEqual([])
        },
      ),
    )
  })
})
