import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import type { Point } from '../trimming/index.ts'
import { archLength, fitArch, halfWidthAt, nearestOnArch } from './arch-form.ts'
import { archAt, archPoint } from './index.ts'

const P = (x: number, y: number): Point => ({ x, y })
/** Places on x² = f(d), d behind a front at y = 9. */
const onCurve = (width: (d: number) => number, depths: readonly number[]) =>
  depths.flatMap((d) => (d === 0 ? [P(0, 9)] : [P(width(d), 9 - d), P(-width(d), 9 - d)]))
const depths = [0, 3, 8, 15, 24, 34]
const parabola = (d: number) => Math.sqrt(22 * d)
/** Semi-axes a across and b along: x² = a² (1 - (1 - d/b)²) = (2 a²/b) d - (a²/b²) d². */
const ellipse = (a: number, b: number) => (d: number) => a * Math.sqrt(1 - (1 - d / b) ** 2)

describe('the arch fit', () => {
  it('finds a parabola x² = 22 d again, without error', () => {
    const arch = fitArch(onCurve(parabola, depths))
    expect(arch.frontMillimetres).toBeCloseTo(9, 9)
    expect(arch.openness).toBeCloseTo(22, 8)
    expect(arch.closing).toBeCloseTo(0, 9)
    expect(arch.rmsMillimetres).toBeLessThan(1e-6)
  })
  it('finds an ellipse of 30 by 50 mm again: k = 2 · 30²/50 = 36, γ = -(30/50)² = -0.36', () => {
    const arch = fitArch(onCurve(ellipse(30, 50), depths))
    expect(arch.frontMillimetres).toBeCloseTo(9, 8)
    expect(arch.openness).toBeCloseTo(36, 7)
    expect(arch.closing).toBeCloseTo(-0.36, 8)
    expect(arch.rmsMillimetres).toBeLessThan(1e-6)
  })
  it('finds a hyperbola x² = 20 d + 0.1 d² again', () => {
    const arch = fitArch(onCurve((d) => Math.sqrt(20 * d + 0.1 * d * d), depths))
    expect(arch.openness).toBeCloseTo(20, 7)
    expect(arch.closing).toBeCloseTo(0.1, 8)
  })
  it('under a ruler noise of 0.3 mm stays within it, and says how far each place lies off', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.double({ min: -0.3, max: 0.3, noNaN: true }),
            fc.double({ min: -0.3, max: 0.3, noNaN: true }),
          ),
          {
            minLength: 11,
            maxLength: 11,
          },
        ),
        (noise) => {
          const places = onCurve(ellipse(30, 50), depths).map(({ x, y }, n) =>
            P(x + noise[n]![0], y + noise[n]![1]),
          )
          const arch = fitArch(places)
          expect(arch.rmsMillimetres).toBeLessThan(0.43)
          expect(Math.abs(arch.frontMillimetres - 9)).toBeLessThan(1)
          for (const d of depths.slice(1))
            expect(Math.abs(halfWidthAt(arch, 9 - d)! - ellipse(30, 50)(d))).toBeLessThan(1)
        },
      ),
    )
  })
  it('one place 2 mm outside is found: it alone lies far off, with its sign', () => {
    const places = onCurve(parabola, [0, 2, 5, 9, 14, 20, 27, 34])
    const spoilt = places.map((p, n) => (n === 7 ? P(p.x + 2.3, p.y) : p))
    const { offMillimetres } = fitArch(spoilt)
    const worst = Math.max(...offMillimetres.map(Math.abs))
    expect(Math.abs(offMillimetres[7]!)).toBe(worst)
    expect(offMillimetres[7]).toBeGreaterThan(1)
  })
  it('mirror: right and left exchanged give the same arch', () => {
    const places = [P(0, 8), P(-12, 4.4), P(12.2, 4.1), P(-21, -5.6), P(21.2, -5.2), P(-27, -21)]
    const [one, other] = [fitArch(places), fitArch(places.map(({ x, y }) => P(-x, y)))]
    expect(other.openness).toBeCloseTo(one.openness, 9)
    expect(other.rmsMillimetres).toBeCloseTo(one.rmsMillimetres, 9)
  })
  it.each([
    ['too-few-places', [P(0, 9), P(10, 4), P(-10, 4), P(20, -5)]],
    ['one-sided', [P(0, 9), P(5, 8), P(10, 5), P(15, 0), P(20, -8)]],
    ['not-a-number', [P(0, Number.NaN), P(5, 8), P(-10, 5), P(15, 0), P(-20, -8)]],
    ['not-an-arch', [P(0, -9), P(10, 0), P(-10, 0), P(20, 20), P(-20, 20)]],
    ['not-an-arch', [P(2, 5), P(4, 5), P(-2, 5), P(-4, 5), P(-6, 5)]],
  ])('refuses with %s', (code, places) => {
    expect(() => fitArch(places)).toThrow(
      expect.objectContaining({ code, remedy: expect.stringMatching(/\S/) }),
    )
  })
})

describe('lengths along an arch', () => {
  const circle = { frontMillimetres: 0, openness: 60, closing: -1 } // x² = 60 d - d²: radius 30
  it('on a circle of 30 mm a quarter is 30 π/2, at 30 beside and 30 behind', () => {
    const quarter = archAt(circle, (30 * Math.PI) / 2)
    expect(quarter.at.x).toBeCloseTo(30, 5)
    expect(quarter.at.y).toBeCloseTo(-30, 5)
    expect(quarter.along.x).toBeCloseTo(0, 5)
    expect(quarter.along.y).toBeCloseTo(-1, 5)
  })
  it('on the parabola x² = 4 a d it is x/2 √(1 + (x/2a)²) + a asinh(x/2a)', () => {
    const a = 5.5
    const x = 20
    const length = (x / 2) * Math.sqrt(1 + (x / (2 * a)) ** 2) + a * Math.asinh(x / (2 * a))
    const arch = { frontMillimetres: 0, openness: 4 * a, closing: 0 }
    expect(archLength(arch, Math.sqrt((x * x) / (4 * a)))).toBeCloseTo(length, 7)
    expect(archAt(arch, -length).at.x).toBeCloseTo(-x, 6)
  })
  it('there and back: the nearest place to a place of the arch is itself', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -45, max: 45, noNaN: true }),
        fc.double({ min: -0.6, max: 0.3, noNaN: true }),
        (length, closing) => {
          const arch = { frontMillimetres: 8, openness: 36, closing }
          const { at } = archAt(arch, length)
          const near = nearestOnArch(arch, at)
          expect(near.lengthMillimetres).toBeCloseTo(length, 4)
          expect(Math.abs(near.offMillimetres)).toBeLessThan(1e-6)
        },
      ),
    )
  })
  it('a point 2 mm outside along the normal lies 2 mm off, inside below 0', () => {
    const arch = { frontMillimetres: 8, openness: 36, closing: -0.36 }
    const { at, along } = archAt(arch, 20)
    const beside = (mm: number) => P(at.x - along.y * mm, at.y + along.x * mm)
    expect(nearestOnArch(arch, beside(2)).offMillimetres).toBeCloseTo(2, 6)
    expect(nearestOnArch(arch, beside(-1)).offMillimetres).toBeCloseTo(-1, 6)
  })
  it('refuses a length beyond the end of the arch; none has a width in front of it', () => {
    expect(() => archAt(circle, 100)).toThrow(expect.objectContaining({ code: 'beyond-arch' }))
    expect(halfWidthAt(circle, 1)).toBeUndefined()
    expect(archPoint(circle, 0)).toEqual({ x: 0, y: 0 })
  })
})

describe('half the width of an arch', () => {
  // x² = 20 d - 0.5 d²: an ellipse that is closed again 40 mm behind its front, widest half way at the square root of 200.
  const ellipse = { frontMillimetres: 9, openness: 20, closing: -0.5 }
  it.each<[number, number | undefined]>([
    [9.001, undefined],
    [9, 0],
    [-11, Math.sqrt(200)],
    [-31, 0],
    [-31.001, undefined],
  ])('at %d is %d', (y, half) => {
    const found = halfWidthAt(ellipse, y)
    if (half === undefined) expect(found).toBeUndefined()
    else expect(found).toBeCloseTo(half, 6)
  })
  it('a place outside has its distance above 0, one inside below, on either side', () => {
    const parabola = { frontMillimetres: 9, openness: 20, closing: 0 }
    for (const x of [1, -1]) {
      // At d = 5 the arch is 10 wide.
      expect(nearestOnArch(parabola, P(x * 12, 4)).offMillimetres).toBeGreaterThan(0)
      expect(nearestOnArch(parabola, P(x * 8, 4)).offMillimetres).toBeLessThan(0)
      expect(nearestOnArch(parabola, P(x * 10, 4)).offMillimetres).toBeCloseTo(0, 3)
    }
    expect(nearestOnArch(parabola, P(0, 10)).offMillimetres).toBeCloseTo(1, 3)
    expect(nearestOnArch(parabola, P(0, 8)).offMillimetres).toBeCloseTo(-1, 3)
  })
  it('places on the centre line count for neither side', () => {
    const one = [P(0, 9), P(10, 4), P(1, 8), P(-10, 4), P(-1, 8), P(14, -1)]
    expect(() => fitArch(one)).toThrow(expect.objectContaining({ code: 'one-sided' }))
    const both = [P(0, 9), P(10, 4), P(14.142, -1), P(-10, 4), P(-14.142, -1)]
    expect(fitArch(both).openness).toBeCloseTo(20, 1)
  })
})
