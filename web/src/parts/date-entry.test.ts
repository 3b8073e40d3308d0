import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { dateText, instantOf, timeText } from './date-entry.ts'

describe('a date and a time as typed', () => {
  it('is the instant by the clock of this machine, and reads back as it was typed', () => {
    expect(instantOf('2026-03-05', '07:40')).toBe(new Date(2026, 2, 5, 7, 40).getTime())
    const minutes = fc.integer({ min: 0, max: 40 * 525_960 })
    fc.assert(
      fc.property(minutes, (after) => {
        const instant = new Date(2020, 0, 1).getTime() + after * 60_000
        // An hour that strikes twice in autumn is read as the first.
        const again = instantOf(dateText(instant), timeText(instant))!
        expect(Math.abs(again - instant) % 3_600_000).toBe(0)
        expect([dateText(again), timeText(again)]).toEqual([dateText(instant), timeText(instant)])
      }),
    )
  })
  it.each([
    ['2026-02-31', '10:00'],
    ['2026-02-29', '10:00'],
    ['2026-13-01', '10:00'],
    ['2026-00-10', '10:00'],
    ['2026-11-25', '24:00'],
    ['2026-11-25', '10:61'],
    ['', '10:00'],
    ['2026-11-25', ''],
    ['25.11.2026', '10:00'],
    ['2026-11-25', '7:40'],
  ])('%s %s is none', (day, time) => expect(instantOf(day, time)).toBeUndefined())
  it('a leap day is one', () => expect(instantOf('2028-02-29', '10:00')).toBeDefined())
})
