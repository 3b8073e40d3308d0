import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import {
  capital,
  clockTime,
  dayAndTime,
  duration,
  grams,
  longDate,
  midnightOf,
  minutesSeconds,
  quantity,
  ratio,
  shortDate,
} from './format.ts'

const MINUTE = 60_000
const HOUR = 60 * MINUTE
// A Wednesday.
const noon = new Date(2026, 10, 25, 12, 0).getTime()

describe('a clock time', () => {
  it('has two digits each, by the 24-hour clock', () => {
    expect(clockTime(new Date(2026, 10, 25, 7, 5).getTime())).toBe('07:05')
    expect(clockTime(new Date(2026, 10, 25, 0, 0).getTime())).toBe('00:00')
  })
  it.each([
    [0, '12:00'],
    [11.5, '23:30'],
    [-11.5, '00:30'],
    [12, 'tomorrow 00:00'],
    [20, 'tomorrow 08:00'],
    [44, 'Fri 08:00'],
    [-20, 'Tue 16:00'],
    [8 * 24, 'Thu 3 Dec 12:00'],
    [-8 * 24, 'Tue 17 Nov 12:00'],
  ])('%d h from now is %s', (hours, words) => expect(dayAndTime(noon + hours * HOUR, noon)).toBe(words))
  it('tells a day and the day before it apart wherever this machine stands', () => {
    expect(shortDate(midnightOf('2026-11-25'))).toBe('Wed 25 Nov')
    expect(longDate(midnightOf('2026-01-01'))).toBe('Thu 1 Jan 2026')
  })
})

describe('a length of time', () => {
  it.each([
    [0, '0 min'],
    [4.4, '4 min'],
    [59.6, '1 h'],
    [60, '1 h'],
    [130, '2 h 10'],
    [605, '10 h 05'],
    [35 * 60 + 59, '35 h 59'],
    [36 * 60, '2 days'],
    [3 * 24 * 60, '3 days'],
    [-130, '2 h 10'],
  ])('%d min is %s', (minutes, words) => expect(duration(minutes * MINUTE)).toBe(words))
  it('runs in minutes and seconds, and never below 0', () => {
    expect(minutesSeconds(247_900)).toBe('4:07')
    expect(minutesSeconds(-5)).toBe('0:00')
  })
  it('reads back as the same length to the minute, up to a day and a half', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 36 * 60 - 1 }), (minutes) => {
        const found = /^(?:(\d+) h ?)?(?:(\d+)(?: min)?)?$/.exec(duration(minutes * MINUTE))
        expect(Number(found?.[1] ?? 0) * 60 + Number(found?.[2] ?? 0)).toBe(minutes)
      }),
    )
  })
})

describe('figures', () => {
  it('ratios have two places, a third only where it says something', () => {
    expect([0.3, 0.24, 0.385, 0.5, 1].map(ratio)).toEqual(['0.30', '0.24', '0.385', '0.50', '1.00'])
  })
  it('units follow the bench, grams do not', () => {
    expect(quantity(100, 'celsius', 'us')).toBe('212 °F')
    expect(quantity(25.4, 'millimetres', 'us')).toBe('1 in')
    expect(quantity(10_342.1, 'kilopascals', 'us')).toBe('1500 psi')
    expect(grams(220)).toBe('220 g')
  })
  it('a label begins with a capital', () =>
    expect(['water', '', 'µm'].map(capital)).toEqual(['Water', '', 'Μm']))
})
