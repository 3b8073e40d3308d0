import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
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
  it.each([
    ['no weekday', { weekdays: [] }],
    ['a weekday that no week has', { weekdays: [7, -1, 2.5] }],
    ['hours that end before they begin', { opensMinute: 600, closesMinute: 600 }],
    ['hours past midnight', { closesMinute: 1441 }],
    ['no hour at all', { opensMinute: Number.NaN }],
  ])('refuses a lab that never opens: %s', (_, change) => {
    expect(() => latestStart([hands(1)], local('2026-03-05T12:00'), { ...calendar, ...change })).toThrow(
      expect.objectContaining({ code: 'calendar-closed' }),
    )
  })
  it.each([Number.NaN, Number.POSITIVE_INFINITY, -1, Date.UTC(3000, 0, 2)])(
    'never searches from %d, which is no date',
    (due) => {
      expect(() => latestStart([hands(1)], due, calendar)).toThrow(
        expect.objectContaining({ code: 'not-an-instant', field: 'due' }),
      )
    },
  )
  it.each([
    [hands(Number.NaN)],
    [hands(-1)],
    [hands(1, Number.NaN)],
    [hands(Number.POSITIVE_INFINITY)],
    [hands(1e9)],
  ])('refuses work that nobody can do: %o', (stretch) => {
    expect(() => latestStart([stretch], local('2026-03-05T12:00'), calendar)).toThrow(
      expect.objectContaining({ code: 'work-not-plausible', field: 'chain' }),
    )
  })
  it('finds the one open day of a week, and the whole day of a lab that never closes', () => {
    const mondays = { ...calendar, weekdays: [1] }
    expect(latestStart([hands(30)], local('2026-03-08T12:00'), mondays)).toBe(local('2026-03-02T16:30'))
    const always = { ...calendar, opensMinute: 0, closesMinute: 1440, weekdays: [0, 1, 2, 3, 4, 5, 6] }
    expect(latestStart([hands(90)], local('2026-03-08T01:00'), always)).toBe(local('2026-03-07T22:30'))
  })
  const stretch = fc.record({
    handsOnMinutes: fc.integer({ min: 0, max: 900 }),
    waitMinutes: fc.integer({ min: 0, max: 2000 }),
  })
  const chain = fc.array(stretch, { maxLength: 6 })
  // Any minute of a year, the changes of the clock among them.
  const due = fc
    .integer({ min: 0, max: 525_600 })
    .map((minute) => Date.parse('2026-01-01T00:00Z') + minute * 60_000)
  it('leaves room for all the work, and none of its first minute falls outside the opening hours', () => {
    fc.assert(
      fc.property(chain, due, (work, at) => {
        const start = latestStart(work, at, calendar)
        const minutes = work.reduce((sum, each) => sum + each.handsOnMinutes + each.waitMinutes, 0)
        expect(start).toBeLessThanOrEqual(at - minutes * 60_000)
        if (!work[0]?.handsOnMinutes) return
        const clock = new Intl.DateTimeFormat('en-GB', {
          timeZone: calendar.timeZone,
          weekday: 'short',
          hour: '2-digit',
          minute: '2-digit',
          hourCycle: 'h23',
        }).format(start)
        const [, day, hour, minute] = /^(\w+) (\d+):(\d+)$/.exec(clock.replace(',', ''))!
        const minuteOfDay = Number(hour) * 60 + Number(minute)
        expect(['Mon', 'Tue', 'Wed', 'Thu', 'Fri']).toContain(day)
        expect(minuteOfDay).toBeGreaterThanOrEqual(calendar.opensMinute)
        expect(minuteOfDay).toBeLessThan(calendar.closesMinute)
      }),
    )
  })
  it('is never earlier for a later due time, and never later for more work', () => {
    fc.assert(
      fc.property(chain, stretch, due, fc.integer({ min: 1, max: 5000 }), (work, more, at, later) => {
        const start = latestStart(work, at, calendar)
        expect(latestStart(work, at + later * 60_000, calendar)).toBeGreaterThanOrEqual(start)
        expect(latestStart([more, ...work], at, calendar)).toBeLessThanOrEqual(start)
      }),
    )
  })
})

describe('the week of a lab that has not set its own', () => {
  // A whole week back from Saturday noon: an hour of hands ends on Friday at 17:00; Sunday and Saturday take none.
  it.each([
    ['2026-03-07T12:00', '2026-03-06T16:00'],
    ['2026-03-08T12:00', '2026-03-06T16:00'],
    ['2026-03-06T12:00', '2026-03-06T11:00'],
    ['2026-03-05T12:00', '2026-03-05T11:00'],
    ['2026-03-04T12:00', '2026-03-04T11:00'],
    ['2026-03-03T12:00', '2026-03-03T11:00'],
    ['2026-03-02T12:00', '2026-03-02T11:00'],
    ['2026-03-02T07:00', '2026-02-27T16:00'],
  ])('an hour before %s begins %s', (due, start) => {
    expect(latestStart([hands(60)], local(due), calendar)).toBe(local(start))
  })
  it('no hands need no opening hour: they may end at night', () => {
    expect(latestStart([hands(0)], local('2026-03-08T03:00'), calendar)).toBe(local('2026-03-08T03:00'))
    expect(latestStart([hands(0, 30)], local('2026-03-08T03:00'), calendar)).toBe(local('2026-03-08T02:30'))
  })
})
