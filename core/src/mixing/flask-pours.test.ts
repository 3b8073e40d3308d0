import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { DomainError } from '../refusal/index.ts'
import { inMetric } from '../testing/words.ts'
import { flaskPours } from './index.ts'

const flask = {
  lowerMillilitres: 160,
  ringMillilitres: 180,
  ringMillimetres: 30,
  castLengthMillimetres: 60,
  castWidthMillimetres: 65,
  castMillimetres: 20,
  cuspMillimetres: 26,
  waxUpCm3: 25,
}

describe('the pours of a flask', () => {
  // By hand: cast 0.8 · 60 · 65 · 20 = 62.4 cm3; the ring is 6 cm3 to the mm: 26 mm are 156, 4 mm are 24.
  it('fills what cast and wax leave', () => {
    const { cm3, roomMillimetres, warning } = flaskPours(flask)
    expect(cm3.first).toBeCloseTo(160 - 62.4, 6)
    expect(cm3.second).toBeCloseTo(156 - 25, 6)
    expect(cm3.cap).toBeCloseTo(24, 6)
    expect(roomMillimetres).toBe(4)
    expect(warning).toBe('')
  })
  it('wants 3 mm above the teeth (common practice)', () =>
    expect(inMetric(flaskPours({ ...flask, cuspMillimetres: 28 }).warning)).toContain(
      'Only 2 mm above the teeth',
    ))
  it.each([
    ['flask-too-low', 'cuspMillimetres', { cuspMillimetres: 31 }],
    ['inside-too-large', 'castMillimetres', { castMillimetres: 60 }],
    ['inside-too-large', 'waxUpCm3', { waxUpCm3: 200 }],
    ['reading-not-plausible', 'lowerMillilitres', { lowerMillilitres: 5 }],
    ['not-a-positive-number', 'castWidthMillimetres', { castWidthMillimetres: 0 }],
  ])('refuses with %s at %s', (code, field, change) => {
    let refusal: unknown
    try {
      flaskPours({ ...flask, ...change })
    } catch (error) {
      refusal = error
    }
    expect(refusal).toBeInstanceOf(DomainError)
    expect(refusal).toMatchObject({ code, field })
  })
  it('pours, cast and wax fill the flask, whatever the height of the cusps', () =>
    fc.assert(
      fc.property(fc.double({ min: 6, max: 29, noNaN: true }), (cuspMillimetres) => {
        const { first, second, cap } = flaskPours({ ...flask, cuspMillimetres }).cm3
        expect(first + second + cap + 62.4 + 25).toBeCloseTo(160 + 180, 6)
      }),
    ))
})
