import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { DomainError, requireMeasure, requirePositive, requireWithin } from './index.ts'

const refused = (work: () => unknown): DomainError => {
  try {
    work()
  } catch (error) {
    if (error instanceof DomainError) return error
  }
  throw new Error('was not refused')
}

describe('a refusal', () => {
  it('says what is wrong, what to do, which entry and which code', () => {
    const limits = { least: 0, most: 60, kind: 'millimetres' as const, what: 'The wall', field: 'wall' }
    expect(refused(() => requireWithin(75, limits))).toMatchObject({
      code: 'reading-not-plausible',
      message: 'The wall: 75 mm cannot be right.',
      remedy: 'Measure again and enter a number from 0 mm to 60 mm.',
      field: 'wall',
    })
    expect(refused(() => requireWithin(75, { ...limits, code: 'wall' })).code).toBe('wall')
    expect(refused(() => requirePositive(0, 'mass', 'The mass'))).toMatchObject({
      code: 'not-a-positive-number',
      message: 'The mass is 0.',
      remedy: 'Enter the mass as a number above 0.',
    })
    expect(refused(() => requireMeasure('turns', -1, 10))).toMatchObject({
      code: 'equipment',
      field: 'turns',
    })
  })
  it('comes for what is no number at all, never for what is within', () => {
    for (const value of [Number.NaN, Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY]) {
      refused(() => requireWithin(value, { least: 0, most: 9, what: 'It', field: 'it' }))
      refused(() => requirePositive(value, 'it', 'It', { orZero: true }))
      refused(() => requireMeasure('it', value, 9))
    }
    fc.assert(
      fc.property(fc.double({ min: 0, max: 100, noNaN: true }), (value) => {
        requireWithin(value, { least: 0, most: 100, what: 'It', field: 'it' })
        expect(requirePositive(value, 'it', 'It', { orZero: true })).toBe(value)
        if (value > 0) requireMeasure('it', value, 100)
      }),
    )
  })
  it('takes the ends of the range, and 0 only where it is told to', () => {
    requireWithin(0, { least: 0, most: 9, what: 'It', field: 'it' })
    requireWithin(9, { least: 0, most: 9, what: 'It', field: 'it' })
    requireMeasure('it', 9, 9)
    refused(() => requireMeasure('it', 0, 9))
    refused(() => requirePositive(0, 'it', 'It'))
  })
})
