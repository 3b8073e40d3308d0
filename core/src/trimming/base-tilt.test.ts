import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { baseTiltDegrees } from './index.ts'

const at = (x: number, y: number, heightMillimetres: number) => ({ at: { x, y }, heightMillimetres })

describe('a base to the occlusal plane', () => {
  it('is 5.10117 degrees for the readings of the model notes', () =>
    expect(baseTiltDegrees([at(0, 44, 38), at(-24, 6, 36), at(24, 6, 34)])).toBeCloseTo(5.10117, 5))
  it('is level where all heights are alike, and 45 degrees for one up on one along (exact)', () => {
    expect(baseTiltDegrees([at(0, 44, 35), at(-24, 6, 35), at(24, 6, 35)])).toBeCloseTo(0, 12)
    expect(baseTiltDegrees([at(0, 10, 20), at(-5, 0, 10), at(5, 0, 10)])).toBeCloseTo(45, 9)
  })
  it('does not care where the model lies, nor how thick it is', () =>
    fc.assert(
      fc.property(
        fc.double({ min: -100, max: 100, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        (moved, thicker) => {
          const tilt = (by: number, more: number) =>
            baseTiltDegrees([at(by, 44, 38 + more), at(by - 24, 6, 36 + more), at(by + 24, 6, 34 + more)])
          expect(tilt(moved, thicker)).toBeCloseTo(tilt(0, 0), 6)
        },
      ),
    ))
  it.each([
    ['too-few-points', [at(0, 44, 38), at(-24, 6, 36)]],
    ['not-a-number', [at(0, 44, Number.NaN), at(-24, 6, 36), at(24, 6, 34)]],
    ['negative-length', [at(0, 44, 0), at(-24, 6, 36), at(24, 6, 34)]],
    ['heights-on-one-line', [at(0, 0, 38), at(1, 1, 36), at(2, 2, 34)]],
  ])('is refused: %s', (code, readings) =>
    expect(() => baseTiltDegrees(readings)).toThrow(expect.objectContaining({ code })),
  )
})
