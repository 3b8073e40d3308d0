import { describe, expect, it } from '@jest/globals'
import { latestStart, usualCalendar } from './index.ts'

// Worked by hand on a calendar: Monday to Friday, 07:30 to 17:00 local time.
const calendar = usualCalendar('Europe/Vienna')
const local = (text: string) => Date.parse(`${text}+01:00`)
const hands = (handsOnMinutes: number, waitMinutes = 0) => ({ handsOnMinutes, waitMinutes })

describe('latest start', () => {
  it('takes hands off the end of the day', () => {
    expect(latestStart([hands(60)], local('2026-03-05T12:00'), calendar)).toBe(local('2026-03-05T11:00'))
  })
  it('lets waiting run through the night', () => {
    // 12 h of cure before Thursday 08:00 begins Wednesday 20:00, so its hands are done by 17:00.
    expect(latestStart([hands(10, 720)], local('2026-03-05T08:00'), calendar)).toBe(local('2026-03-04T16:50'))
  })
  it('leaves out nights and weekends for hands', () => {
    // Due Monday 07:40: ten minutes fit on Monday, an hour does not and goes to Friday.
    expect(latestStart([hands(10)], local('2026-03-09T07:40'), calendar)).toBe(local('2026-03-09T07:30'))
    expect(latestStart([hands(60)], local('2026-03-09T07:40'), calendar)).toBe(local('2026-03-06T16:00'))
  })
  it('adds up a chain', () => {
    expect(latestStart([hands(10, 45), hands(30)], local('2026-03-05T12:00'), calendar)).toBe(
      local('2026-03-05T10:35'),
    )
  })
  it('spreads work longer than a day', () => {
    // 11 h: 9.5 h on Thursday, the last 1.5 h before it on Wednesday.
    expect(latestStart([hands(660)], local('2026-03-05T17:00'), calendar)).toBe(local('2026-03-04T15:30'))
  })
  it('keeps wall-clock hours when clocks change (Europe/Vienna, 29 March 2026)', () => {
    const due = Date.parse('2026-03-30T08:30+02:00')
    expect(latestStart([hands(60)], due, calendar)).toBe(Date.parse('2026-03-30T07:30+02:00'))
  })
  it('refuses a lab that never opens', () => {
    expect(() => latestStart([hands(1)], 0, { ...calendar, weekdays: [] })).toThrow(
      expect.objectContaining({ code: 'calendar-closed' }),
    )
  })
})
