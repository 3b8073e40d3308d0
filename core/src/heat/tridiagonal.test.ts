import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { sweep, type Tridiagonal, tridiagonal } from './index.ts'

/** What the rows come to for a solution: A x. */
function times({ below, centre, above }: Tridiagonal, x: Float64Array, count: number): number[] {
  return Array.from(
    { length: count },
    (_, i) =>
      (i > 0 ? below[i]! * x[i - 1]! : 0) + centre[i]! * x[i]! + (i < count - 1 ? above[i]! * x[i + 1]! : 0),
  )
}

describe('a system with three diagonals', () => {
  it('of the second difference is the parabola that it comes from (by hand)', () => {
    // -u'' = 2, u(0) = u(1) = 0: u = x (1 - x), which the second difference meets exactly.
    const inner = 9
    const h = 1 / (inner + 1)
    const system = tridiagonal(inner)
    system.below.fill(-1)
    system.centre.fill(2)
    system.above.fill(-1)
    system.right.fill(2 * h * h)
    sweep(system, inner)
    for (let i = 0; i < inner; i++) {
      const x = (i + 1) * h
      expect(system.solution[i]).toBeCloseTo(x * (1 - x), 12)
    }
  })
  it('is solved: put back in, the solution gives the right side, whatever the rows', () => {
    const row = fc.record({
      below: fc.double({ min: -5, max: 5, noNaN: true }),
      above: fc.double({ min: -5, max: 5, noNaN: true }),
      more: fc.double({ min: 0.1, max: 10, noNaN: true }),
      right: fc.double({ min: -100, max: 100, noNaN: true }),
    })
    fc.assert(
      fc.property(fc.array(row, { minLength: 1, maxLength: 40 }), (rows) => {
        const system = tridiagonal(rows.length)
        for (const [i, { below, above, more, right }] of rows.entries()) {
          system.below[i] = below
          system.above[i] = above
          // Diagonally dominant, as a heat equation always is.
          system.centre[i] = Math.abs(below) + Math.abs(above) + more
          system.right[i] = right
        }
        sweep(system, rows.length)
        for (const [i, value] of times(system, system.solution, rows.length).entries())
          expect(value).toBeCloseTo(system.right[i]!, 8)
      }),
    )
  })
  it('of fewer rows than there is room for leaves the rest alone', () => {
    const system = tridiagonal(4)
    system.centre.fill(2)
    system.right.fill(6)
    system.solution.fill(-7)
    sweep(system, 2)
    expect([...system.solution]).toEqual([3, 3, -7, -7])
  })
})
