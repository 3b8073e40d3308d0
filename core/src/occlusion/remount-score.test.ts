import { describe, expect, it } from '@jest/globals'
import { metric } from '../testing/words.ts'
import { volumeTaken } from './grinding.ts'
import { waxSetUp } from './mouth.ts'
import { copyOf, type Mouth } from './mouth-grid.ts'
import { scoreRemount } from './remount-score.ts'

const wax = waxSetUp({ spacingMillimetres: 0.3 })
/** The same, some of its lower teeth so much lower: what is taken off, or as it was set. */
function lowered(teeth: readonly number[], millimetres: number, asSet = true): Mouth {
  const mouth = copyOf(wax)
  for (const cell of mouth.lower.cells)
    if (teeth.includes(mouth.lowerTeeth[mouth.lower.tooth[cell]! - 1]!))
      mouth.lower.z[cell] = mouth.lower.z[cell]! - millimetres
  return asSet ? { ...mouth, lower: { ...mouth.lower, untouched: mouth.lower.z } } : mouth
}
const parts = (mouth: Mouth) => scoreRemount(mouth, 1).parts
const back = [34, 35, 36, 37, 44, 45, 46, 47]

// Worth (choices): pin 20, centric 25, working side 15, balancing side 10, forwards 10, tips 15, economy 5.
describe('what each part of a remount is worth', () => {
  const full = parts(wax)
  it('is all in a set-up as it was waxed, but for how canine and back teeth go together', () =>
    expect(full).toMatchObject({ pin: 20, centric: 25, balancing: 10, protrusive: 10, tips: 15, economy: 5 }))
  it('of a canine that does not guide is three tenths of one look in six, on each side', () => {
    const one = (15 * 0.3) / 6
    expect(parts(lowered([43], 0.5)).working).toBeCloseTo(full.working - one, 9)
    expect(parts(lowered([33, 43], 0.5)).working).toBeCloseTo(full.working - 2 * one, 9)
  })
  it('without back teeth is nothing in centric and in balance, and what front teeth alone are worth elsewhere', () => {
    const { centric, balancing, working, protrusive } = parts(lowered(back, 0.3))
    expect([centric, balancing]).toEqual([0, 0])
    // The canines in one look of three on each side, the front teeth in one of three forwards: 0.3 of each.
    expect(working).toBeCloseTo((15 * 0.3) / 3, 9)
    expect(protrusive).toBeCloseTo((10 * 0.3) / 3, 9)
  })
  it('of one side that touches forwards is 0.35', () => {
    const right = parts(lowered([44, 45, 46, 47], 0.3))
    expect(right.protrusive).toBeLessThan(full.protrusive - 3)
    expect(right.protrusive).toBeGreaterThan(parts(lowered(back, 0.3)).protrusive)
    expect(right.balancing).toBeCloseTo(5, 9)
  })
  it.each([
    [0.02, 12],
    [0.06, 6],
    [0.1, 0],
    [0.2, 0],
  ])('of tips that have lost %d mm is %d', (lost, worth) => {
    const { parts: found, tipLostMillimetres } = scoreRemount(lowered([46], lost, false), 1)
    expect(tipLostMillimetres).toBeCloseTo(lost, 6)
    expect(found.tips).toBeCloseTo(worth, 6)
  })
  it('of economy is full up to what the expert took, none at twice that', () => {
    const cut = lowered([46], 0.06, false)
    const volume = volumeTaken(cut)
    const economy = (expert: number) => scoreRemount(cut, expert).parts.economy
    expect(economy(volume)).toBeCloseTo(5, 9)
    expect(economy(volume / 1.5)).toBeCloseTo(2.5, 9)
    expect([economy(volume / 2), economy(volume / 3), economy(0)]).toEqual([expect.closeTo(0, 9), 0, 0])
    expect(scoreRemount(wax, 0).parts.economy).toBe(5)
  })
  it('of a pin that stands open falls from 0.05 to 0.55 mm', () => {
    for (const millimetres of [0.05, 0.15, 0.25]) {
      const { parts: found, pinMillimetres: pin } = scoreRemount(lowered([46], -millimetres), 1)
      expect(pin).toBeGreaterThan(0.05)
      expect(found.pin).toBeCloseTo(20 * Math.min(1, Math.max(0, (0.55 - pin) / 0.5)), 9)
    }
  })
})

describe('what a remount has lost', () => {
  const cut = scoreRemount(lowered([46], 0.06, false), 1)
  it('is told dearest first, three at most, nothing below half a point', () => {
    expect(cut.losses.map(({ part }) => part)).toEqual(['tips', 'working', 'economy'])
    expect(metric(cut.losses[0]!.say)).toBe('A supporting tip has lost 0.06 mm.')
    expect(metric(cut.losses[2]!.say)).toMatch(/^[\d.]+ mm³ are off; 1 were enough\.$/)
    expect(cut.losses[0]!.lost).toBeCloseTo(9, 6)
    expect(cut.cap).toBeUndefined()
    expect(cut.total).toBeCloseTo(
      Object.values(cut.parts).reduce((sum, part) => sum + part, 0),
      9,
    )
    expect(scoreRemount(wax, 1).losses.map(({ part }) => part)).toEqual(['working'])
  })
  it('is capped at 50 where a tip has lost more than a tenth', () => {
    const { cap, total } = scoreRemount(lowered([46], 0.11, false), 1)
    expect(metric(cap!)).toBe('A supporting tip has lost 0.11 mm: no more than 50 points.')
    expect(total).toBeLessThanOrEqual(50)
    expect(scoreRemount(lowered([46], 0.09, false), 1).cap).toBeUndefined()
  })
})
