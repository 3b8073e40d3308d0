import { describe, expect, it } from '@jest/globals'
import { halfWidthAt } from './arch-form.ts'
import { posteriorPath } from './posterior-path.ts'

/** Parabolas, the front of both at y = 9: at a depth d behind it 20 d and 12 d are the squares of half the width. */
const rim = { frontMillimetres: 9, openness: 20, closing: 0 }
const crest = { frontMillimetres: 9, openness: 12, closing: 0 }
const lengths = [0, 0.013, 1, 3.337, 9.999, 10, 10.013, 17.5, 30]

describe('the line of the back teeth', () => {
  it('where rim and crest are one it runs on both of them, at every length', () => {
    const on = posteriorPath({ rim, crest: rim, startY: 0, crestAfterMillimetres: 10 })
    for (const length of lengths) {
      const { x, y } = on(length).at
      // The stride is 0.02 mm: between two of its places a chord runs inside the curve.
      expect(Math.abs(x - halfWidthAt(rim, y)!)).toBeLessThan(1e-4)
    }
  })
  it('begins on the rim and ends on the crest', () => {
    const path = posteriorPath({ rim, crest, startY: 0, crestAfterMillimetres: 10 })
    expect(path(0).at).toEqual({ x: expect.closeTo(halfWidthAt(rim, 0)!, 9), y: expect.closeTo(0, 9) })
    for (const length of [10.1, 17.5, 30]) {
      const { x, y } = path(length).at
      expect(Math.abs(x - halfWidthAt(crest, y)!)).toBeLessThan(1e-3)
    }
    const { x, y } = path(5).at
    // Half of the way is half of the smooth step: 3/4 - 2/8.
    expect(x).toBeCloseTo((halfWidthAt(rim, y)! + halfWidthAt(crest, y)!) / 2, 1)
  })
  it('a millimetre along it is a millimetre further, backwards, in the direction it gives', () => {
    const path = posteriorPath({ rim, crest, startY: 0, crestAfterMillimetres: 10 })
    for (const length of [0.5, 4.2, 9.7, 12, 20]) {
      const [before, after] = [path(length), path(length + 0.1)]
      const step = { x: after.at.x - before.at.x, y: after.at.y - before.at.y }
      expect(Math.hypot(step.x, step.y)).toBeCloseTo(0.1, 4)
      expect(step.y).toBeLessThan(0)
      expect(Math.hypot(before.along.x, before.along.y)).toBeCloseTo(1, 9)
      expect((step.x * before.along.x + step.y * before.along.y) / 0.1).toBeCloseTo(1, 2)
    }
  })
  it.each([
    ['rim', { startY: 10 }],
    ['crest', { crest: { ...crest, closing: -0.9 }, crestAfterMillimetres: 2 }],
  ])('says which arch ends too early: the %s', (field, change) => {
    expect(() => posteriorPath({ rim, crest, startY: 0, crestAfterMillimetres: 10, ...change })(30)).toThrow(
      expect.objectContaining({ code: 'beyond-arch', field }),
    )
  })
})
