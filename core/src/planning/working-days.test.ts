import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { afterWorkingDays, usualCalendar } from './index.ts'

const usual = usualCalendar('UTC')
// 2026-11-27 was a Friday.
describe('so many working days later', () => {
  it.each([
    ['2026-11-27', 0, '2026-11-27'],
    ['2026-11-27', 1, '2026-11-30'],
    ['2026-11-27', 2, '2026-12-01'],
    ['2026-11-28', 0, '2026-11-30'],
    ['2026-11-28', 2, '2026-12-01'],
    ['2026-11-27', 5, '2026-12-04'],
    ['2026-12-30', 3, '2027-01-04'],
    ['2028-02-28', 1, '2028-02-29'],
  ])('%s and %d is %s', (day, days, expected) => expect(afterWorkingDays(day, days, usual)).toBe(expected))
  it('by the lab own week', () =>
    expect(afterWorkingDays('2026-11-27', 1, { weekdays: [6] })).toBe('2026-11-28'))
  it('is a working day, and one more is later', () => {
    const day = fc.date({ min: new Date('2000-01-01'), max: new Date('2100-01-01'), noInvalidDate: true })
    const weekdays = fc.uniqueArray(fc.integer({ min: 0, max: 6 }), { minLength: 1 })
    fc.assert(
      fc.property(day, fc.integer({ min: 0, max: 60 }), weekdays, (from, days, open) => {
        const text = from.toISOString().slice(0, 10)
        const after = afterWorkingDays(text, days, { weekdays: open })
        expect(open).toContain(new Date(`${after}T00:00Z`).getUTCDay())
        expect(after >= text).toBe(true)
        // From a day that is closed, the first working day is the next one too.
        const next = afterWorkingDays(text, days + 1, { weekdays: open })
        expect(days === 0 ? next >= after : next > after).toBe(true)
      }),
    )
  })
  it.each([
    ['calendar-closed', '2026-11-27', 1, []],
    ['work-not-plausible', '2026-11-27', -1, [1]],
    ['work-not-plausible', '2026-11-27', 1.5, [1]],
    ['work-not-plausible', '2026-11-27', 1001, [1]],
    ['not-an-instant', 'noon', 1, [1]],
  ])('%s', (code, day, days, weekdays) =>
    expect(() => afterWorkingDays(day, days, { weekdays })).toThrow(expect.objectContaining({ code })),
  )
})
