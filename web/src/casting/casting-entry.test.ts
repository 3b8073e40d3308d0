import { describe, expect, it } from '@jest/globals'
import { programMinutes } from '@yentrik/core'
import { attempt } from '../parts/attempt.ts'
import { readAll } from '../parts/typed-figures.ts'
import { nextAt } from '../program/program-draft.ts'
import { burnoutStart, programOf, proposed } from './burnout-draft.ts'

describe('a burnout as it is typed', () => {
  it('proposes a program that can be run, longer for resin and for more rings', () => {
    const minutes = (change: object) => {
      const draft = { ...burnoutStart, ...change }
      const { program } = programOf({ ...draft, segments: proposed(draft) })
      return programMinutes(program!)
    }
    // By hand: 46 + 60 + 64 + 30 + 40 + 60.
    expect(minutes({})).toBeCloseTo(300, 6)
    expect(minutes({ pattern: 'resin' })).toBeGreaterThan(minutes({}))
    expect(minutes({ figures: { ...burnoutStart.figures, rings: '4' } })).toBeGreaterThan(minutes({}))
  })
  it('a hot entry begins at its peak', () => {
    const draft = { ...burnoutStart, fast: true }
    const { program } = programOf({ ...draft, segments: proposed(draft) })
    expect(program).toMatchObject({ startCelsius: 850, segments: [{ toCelsius: 850, holdMinutes: 60 }] })
  })
  it('names the line that wants a number', () => {
    const segments = [...proposed(burnoutStart), { rate: '5', to: '', hold: '0' }]
    expect(programOf({ ...burnoutStart, segments }).wrong).toBe(
      'Line 4 wants a rate, a temperature and a hold.',
    )
  })
  it('ready at an hour is the next time it strikes', () => {
    const noon = new Date(2026, 2, 4, 12, 0).getTime()
    expect(new Date(nextAt('14:30', noon)!).getHours()).toBe(14)
    expect(nextAt('14:30', noon)! - noon).toBe(2.5 * 3_600_000)
    // Past today: tomorrow.
    expect(nextAt('9:30', noon)! - noon).toBe(21.5 * 3_600_000)
    for (const wrong of ['', '25:00', '9.30', '09:61', 'noon']) expect(nextAt(wrong, noon)).toBeUndefined()
  })
})

describe('figures as they are typed', () => {
  it('all, or what is wrong with which', () => {
    expect(readAll({ a: '1,5', b: '2 in' }, ['a', 'b'], { b: 'mm' })).toEqual({
      values: { a: 1.5, b: 50.8 },
      faults: {},
    })
    const { values, faults } = readAll({ a: 'x' }, ['a', 'b'], {})
    expect(values).toBeUndefined()
    expect(Object.keys(faults)).toEqual(['a', 'b'])
  })
  it('only a refusal of the core becomes words; any other error is our fault', () => {
    expect(attempt(() => 3)).toEqual({ answer: 3 })
    expect(() =>
      attempt(() => {
        throw new TypeError('a slip')
      }),
    ).toThrow(TypeError)
  })
})
