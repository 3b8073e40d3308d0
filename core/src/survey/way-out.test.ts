import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { refused } from '../testing/words.ts'
import { type Contact, twoWalls, type Vector, wayOut } from './index.ts'

const radians = (degrees: number) => (degrees * Math.PI) / 180
/** A ridge on a curve, 30° to each side: labial undercut u, palatal draft v, the palate towards -x. */
const SIDE = 30
const ridge = (u: number, v: number, each = 1, steps = 12): Contact[] =>
  Array.from({ length: steps + 1 }, (_, n) => radians(-SIDE + (2 * SIDE * n) / steps)).flatMap((turn) =>
    [[1, u] as const, [-1, v] as const].map(([side, lean]): Contact => {
      const flat = side * Math.cos(radians(lean))
      return {
        normal: [flat * Math.cos(turn), flat * Math.sin(turn), -side * Math.sin(radians(lean))],
        area: each,
      }
    }),
  )
/** Labial faces are worst at the ends of the curve, palatal ones in its middle: equal where tan θ = (sin u + sin v)/(cos v + cos u cos 30°). */
const best = (u: number, v: number) => {
  const turn = Math.atan(
    (Math.sin(radians(u)) + Math.sin(radians(v))) /
      (Math.cos(radians(v)) + Math.cos(radians(u)) * Math.cos(radians(SIDE))),
  )
  return { turn, lean: Math.sin(turn) * Math.cos(radians(v)) - Math.cos(turn) * Math.sin(radians(v)) }
}

// Figures: closed form.
describe('a piece of stone between two walls', () => {
  it('comes whole inwards at 25 with 5 to spare for 20 and 30', () => {
    const found = twoWalls({ labialUndercutDegrees: 20, palatalDraftDegrees: 30, heightMillimetres: 8 })
    expect(found).toEqual({ inwardsDegrees: 25, lockedDegrees: -5, whole: true, lockedMillimetres: 0 })
  })
  it('is locked by 10 at 20 inwards for 30 and 10: 1.389 over 8 mm', () => {
    const found = twoWalls({ labialUndercutDegrees: 30, palatalDraftDegrees: 10, heightMillimetres: 8 })
    expect(found.inwardsDegrees).toBe(20)
    expect(found.lockedDegrees).toBe(10)
    expect(found.whole).toBe(false)
    expect(found.lockedMillimetres).toBeCloseTo(1.389185, 6)
  })
  it('comes whole exactly when the undercut is no more than the draft', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: -20, max: 40 }),
        fc.integer({ min: -20, max: 40 }),
        (u, v) =>
          twoWalls({ labialUndercutDegrees: u, palatalDraftDegrees: v, heightMillimetres: 8 }).whole ===
          u <= v,
      ),
    ))
})

describe('the way out of a piece on a curve', () => {
  it('is the one that its walls share best', () =>
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 40 }), (u, v) => {
        const { turn, lean } = best(u, v)
        const found = wayOut(ridge(u, v))
        const wrong = [
          Math.abs(Math.sin(radians(found.lockedDegrees)) - lean) > 0.001,
          Math.abs(-found.way[0] - Math.sin(turn)) > 0.003,
          Math.abs(found.way[1]) > 0.006,
          Math.abs(found.straightLockedDegrees - Math.max(u, -v)) > 1e-6,
          Math.abs(lean) > 0.002 && found.whole !== lean < 0,
        ]
        expect({ u, v, wrong }).toEqual({ u, v, wrong: wrong.map(() => false) })
      }),
      { numRuns: 30 },
    ))
  it('2 % of the area may lean against the way, more may not', () => {
    // 26 faces of one: the one that looks straight down is 2 % or 3 % of all.
    const rough = (area: number): Contact[] => [...ridge(20, 30), { normal: [0, 0, -1], area }]
    expect(wayOut(rough(0.5)).lockedDegrees).toBeLessThan(-3)
    expect(wayOut(rough(0.6)).lockedDegrees).toBeGreaterThan(10)
  })
  it('thousands of faces are drawn together, and the way stays the same', () => {
    const found = wayOut(ridge(20, 30, 1, 3000))
    expect(Math.abs(found.lockedDegrees - (Math.asin(best(20, 30).lean) * 180) / Math.PI)).toBeLessThan(2)
    expect(found.whole).toBe(true)
  })
  it('refuses a piece that touches nothing, and walls that lean too far', () => {
    expect(refused(() => wayOut([]))?.code).toBe('contact-empty')
    expect(refused(() => wayOut([{ normal: [0, 0, 1] as Vector, area: 0 }]))?.code).toBe('contact-empty')
    const walls = { labialUndercutDegrees: 20, palatalDraftDegrees: 30, heightMillimetres: 8 }
    expect(refused(() => twoWalls({ ...walls, labialUndercutDegrees: 81 }))?.code).toBe('angle-out-of-range')
    expect(refused(() => twoWalls({ ...walls, heightMillimetres: 0 }))?.code).toBe('not-a-positive-number')
  })
})
