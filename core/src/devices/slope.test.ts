import { describe, expect, it } from '@jest/globals'
import { perSecond } from './slope.ts'

const samples = (...pairs: readonly (readonly [at: number, value: number])[]) =>
  pairs.map(([at, value]) => ({ at, value }))
const slope = (of: ReturnType<typeof samples>, window = 1000) => perSecond(of, ({ value }) => value, window)

describe('how fast a reading changes', () => {
  it('is the slope of a line: 3 g in half a second are 6 g/s', () =>
    expect(slope(samples([0, 1], [250, 2.5], [500, 4]))).toBeCloseTo(6, 9))
  it('counts from the newest back, the edge of its window with it', () => {
    const jump = samples([0, 100], [1000, 0], [2000, 5])
    expect(slope(jump)).toBeCloseTo(5, 9)
    expect(slope(jump, 999)).toBe(0)
    // By least squares over 0, 1, 2 s and 100, 0, 5: (-95)/2.
    expect(slope(jump, 2000)).toBeCloseTo(-47.5, 9)
  })
  it('is none with fewer than two, or all at once', () => {
    expect([slope([]), slope(samples([5, 1])), slope(samples([5, 1], [5, 3]))]).toEqual([0, 0, 0])
  })
})
