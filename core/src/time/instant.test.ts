import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { instantMillis, inUtc } from './index.ts'

const refused = (text: string, field?: string) => () => instantMillis(text, field)

describe('an instant that was written down', () => {
  // Offsets by arithmetic: 08:00 at +01:00 is 07:00 in UTC.
  it.each([
    ['2026-03-02T08:00:00Z', '2026-03-02T08:00:00.000Z'],
    ['2026-03-02T08:00:00+01:00', '2026-03-02T07:00:00.000Z'],
    ['2026-03-02T00:30-05:30', '2026-03-02T06:00:00.000Z'],
    ['2028-02-29T12:00:00.5Z', '2028-02-29T12:00:00.500Z'],
    ['2000-01-01T00:00:00Z', '2000-01-01T00:00:00.000Z'],
  ])('%s is %s in UTC', (text, utc) => {
    expect(inUtc(text)).toBe(utc)
    expect(instantMillis(text)).toBe(Date.parse(utc))
  })
  it.each([
    '20261209',
    '2026-W50-3',
    '2026-12-09',
    '2026-12-09T11:00:00',
    '2026-02-31T12:00:00Z',
    '2026-02-29T12:00:00Z',
    '2026-04-31T12:00:00Z',
    '2026-12-09T25:00:00Z',
    '1999-12-31T23:59:59Z',
    '2200-01-01T00:00:00Z',
    '',
    'tomorrow',
  ])('"%s" is refused, with how to write it', (text) =>
    expect(refused(text, 'dueAt')).toThrow(
      expect.objectContaining({
        code: 'not-an-instant',
        field: 'dueAt',
        remedy: expect.stringContaining('2026-12-09T11:00:00Z'),
      }),
    ),
  )
  it('the last moment before the year 2200 is one', () =>
    expect(instantMillis('2199-12-31T23:59:59.999Z')).toBe(Date.UTC(2200, 0) - 1))
  it('goes out and comes back as it was', () => {
    const instants = fc.date({
      min: new Date('2000-01-01T00:00:00Z'),
      max: new Date('2199-12-31T23:59:59Z'),
      noInvalidDate: true,
    })
    fc.assert(fc.property(instants, (at) => expect(instantMillis(at.toISOString())).toBe(at.getTime())))
  })
  it('an offset moves it by so much, whichever way', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 14 }),
        fc.integer({ min: 0, max: 59 }),
        fc.boolean(),
        (hours, minutes, west) => {
          const two = (value: number) => String(value).padStart(2, '0')
          const apart = instantMillis(`2026-03-02T12:00:00${west ? '-' : '+'}${two(hours)}:${two(minutes)}`)
          const byHand = (west ? 1 : -1) * (hours * 60 + minutes) * 60_000
          expect(apart).toBe(Date.UTC(2026, 2, 2, 12) + byHand)
        },
      ),
    )
  })
})
