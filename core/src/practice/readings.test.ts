import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { routeTemplates } from '../jobs/index.ts'
import { seededRandom } from '../random/index.ts'
import { passingRange, scaleOf, trueValue } from './index.ts'
import { pointerAt } from './readings.ts'

describe('a drawn instrument', () => {
  const of = (quantity: string, min?: number, max?: number, plausible = { min: 0, max: 1000 }) =>
    scaleOf({ quantity, min, max, plausible } as Parameters<typeof scaleOf>[0])
  it.each([
    // A tenth of the passing range or finer, in steps of 1, 2 or 5.
    ['millimetres', 1, 1.5, 'caliper', 0.05],
    ['millimetres', 1, 1.2, 'gauge', 0.02],
    ['millimetres', 10, 16, 'rule', 0.5],
    ['millimetres', 10, 30, 'rule', 2],
    ['millimetres', 10, 50, 'rule', 5],
    ['degrees', 10, 11, 'dial', 0.25],
    ['celsius', 100, 102, 'thermometer', 0.5],
    ['celsius', 850, 900, 'thermometer', 5],
    ['grams', 1, 1.04, 'balance', 0.01],
    ['grams', 10, 20, 'balance', 1],
    ['micrometres', 20, 25, 'dial', 1],
    ['count', 2, 6, 'count', 1],
    ['count', 2.5, 6, 'label', 0.2],
  ])('for %s from %d to %d is a %s in steps of %d', (quantity, min, max, instrument, step) =>
    expect(of(quantity, min, max)).toMatchObject({ instrument, step }),
  )
  it('below nothing is a gauge, with room on both sides that can be', () => {
    expect(of('millimetres', -3, 3, { min: -10, max: 10 }).instrument).toBe('gauge')
    const { from, to } = of('millimetres', 10, 16, { min: 8, max: 18 })
    expect([from, to]).toEqual([8, 18])
    // As much room as the range itself, out to a long line of the scale.
    expect(of('millimetres', 10, 16)).toMatchObject({ from: 0, to: 25 })
  })
  it('passes from its least to half as much again, where there is no most, and from nothing where there is no least', () => {
    const range = (min?: number, max?: number, plausible = { min: 0, max: 100 }) =>
      passingRange({ min, max, plausible, quantity: 'millimetres' } as Parameters<typeof passingRange>[0])
    expect(range(10)).toEqual({ low: 10, high: 15 })
    expect(range(90)).toEqual({ low: 90, high: 100 })
    expect(range(undefined, 4)).toEqual({ low: 0, high: 4 })
    expect(range(undefined, 4, { min: 1, max: 100 })).toEqual({ low: 1, high: 4 })
    // Of a mere reference: about the geometric middle of what can be, or a tenth of it from nothing on.
    const { low, high } = range(undefined, undefined, { min: 4, max: 100 })
    expect([low, high]).toEqual([expect.closeTo(16, 9), expect.closeTo(24, 9)])
    expect(range()).toEqual({ low: expect.closeTo(8, 9), high: expect.closeTo(12, 9) })
  })

  const measures = [...routeTemplates.values()].flatMap(({ steps }) =>
    steps.flatMap(({ checks = [] }) => checks.flatMap((check) => (check.kind === 'measure' ? [check] : []))),
  )
  it('of every route: sound work passes with a step and a half to spare, a fault is as far beyond', () => {
    fc.assert(
      fc.property(fc.constantFrom(...measures), fc.integer({ min: 0, max: 9999 }), (check, seed) => {
        const { low, high } = passingRange(check)
        const { step: one, instrument } = scaleOf(check)
        const random = seededRandom(seed)
        const clear = Math.min(1.5 * one, (high - low) / 2) - 1e-6
        const good = trueValue(check, random)
        const isCount = instrument === 'count'
        expect(good).toBeGreaterThanOrEqual(isCount ? low : low + clear)
        expect(good).toBeLessThanOrEqual(isCount ? high : high - clear)
        const { min, max } = check.plausible
        if (check.min !== undefined && check.min > min)
          expect(trueValue(check, random, 'below')).toBeLessThanOrEqual(
            isCount ? low - 1 : Math.max(min, low - 1.5 * one + 1e-6),
          )
        if (check.max !== undefined && check.max < max)
          expect(trueValue(check, random, 'above')).toBeGreaterThanOrEqual(
            isCount ? high + 1 : Math.min(max, high + 1.5 * one - 1e-6),
          )
      }),
    )
  })
  it('sound work spreads by a sixth of its range', () => {
    const check = measures.find(
      ({ min, max, quantity }) => min !== undefined && max! > min && quantity === 'millimetres',
    )!
    const random = seededRandom(3)
    const { low, high } = passingRange(check)
    const wide = { ...check, plausible: { min: low - 100, max: high + 100 } }
    const values = Array.from({ length: 4000 }, () => trueValue(wide, random))
    const mean = values.reduce((a, b) => a + b, 0) / 4000
    const deviation = Math.sqrt(values.reduce((a, b) => a + (b - mean) ** 2, 0) / 4000)
    // What would come nearer than a step and a half to a limit is held there: a little less than a sixth.
    expect(deviation / (high - low)).toBeGreaterThan(0.14)
    expect(deviation / (high - low)).toBeLessThan(0.175)
  })
  it('has its pointer within a step, off by half a step as a rule; what is counted or printed is read as it is', () => {
    const scale = of('millimetres', 10, 16)
    const random = seededRandom(5)
    const offs = Array.from({ length: 4000 }, () => (pointerAt(13, scale, random) - 13) / scale.step)
    expect(Math.max(...offs.map(Math.abs))).toBeLessThanOrEqual(1 + 1e-9)
    const deviation = Math.sqrt(offs.reduce((sum, off) => sum + off * off, 0) / 4000)
    // Normal with half a step, cut at two of its deviations: by tables 0.48 of a step.
    expect(deviation).toBeGreaterThan(0.45)
    expect(deviation).toBeLessThan(0.5)
    expect(pointerAt(3, of('count', 2, 6), random)).toBe(3)
    expect(pointerAt(3.14, of('count', 2.5, 6), random)).toBe(3.1)
  })
})
