import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { doughStageAt, doughStages } from './index.ts'

describe('the stages of a dough', () => {
  it('at 23 °C: sandy, stringy, dough from 6 to 15 min, rubbery, stiff (common practice)', () => {
    expect([0, 3, 6, 14.9, 15, 30].map((minutes) => doughStageAt(minutes, 23).name)).toEqual([
      'sandy',
      'stringy',
      'dough',
      'dough',
      'rubbery',
      'stiff',
    ])
  })
  it('ten degrees colder it takes twice as long', () => {
    const warm = doughStages(23)
    doughStages(13).forEach((stage, n) => {
      expect(stage.fromMinutes).toBeCloseTo(2 * warm[n]!.fromMinutes, 9)
    })
  })
  it('follow on each other without a gap, and warmer is never later', () => {
    fc.assert(
      fc.property(fc.double({ min: 5, max: 39, noNaN: true }), (celsius) => {
        const stages = doughStages(celsius)
        stages.slice(1).forEach((stage, n) => {
          expect(stage.fromMinutes).toBe(stages[n]!.toMinutes)
        })
        expect(doughStages(celsius + 1)[2]!.fromMinutes).toBeLessThan(stages[2]!.fromMinutes)
      }),
    )
  })
  it.each([Number.NaN, 0, 60])('refuses a jar at %d °C', (celsius) =>
    expect(() => doughStages(celsius)).toThrow(expect.objectContaining({ code: 'temperature' })),
  )
})
