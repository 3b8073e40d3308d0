import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { inMetric } from '../testing/words.ts'
import {
  type AlloyPiece,
  type ArmCard,
  armSpeed,
  arrangementIn,
  chargeOf,
  checkArrangement,
  checkPiece,
  checkRingCard,
  expansionRows,
  isNew,
  meanMelts,
  meltedOnce,
  newMetal,
  offAxisMillimetres,
  type PatternsToRing,
  ringFor,
  thermalShareAt,
  usualRings,
} from './index.ts'
import { thermalAt } from './thermal-shape.ts'

const piece = (id: string, grams: number, lotId: string, melts = 0): AlloyPiece => {
  let history = newMetal
  for (let melt = 0; melt < melts; melt++) history = meltedOnce(history)
  return { id, grams, lots: [{ lotId, share: 1 }], history }
}

describe('a charge', () => {
  it('mixes by mass: 6 g new of A with 4 g once-melted of B (by hand)', () => {
    const { grams, remeltShare, history, lots } = chargeOf([piece('1', 6, 'A'), piece('2', 4, 'B', 1)])
    expect(grams).toBe(10)
    expect(remeltShare).toBeCloseTo(0.4, 12)
    expect(history.shares.map((share) => Number(share.toFixed(9)))).toEqual([0.6, 0.4])
    expect(lots).toEqual([
      { lotId: 'A', share: 0.6 },
      { lotId: 'B', share: 0.4 },
    ])
    // Its button: nothing of it is new any more.
    expect(meanMelts(meltedOnce(history))).toBeCloseTo(1.4, 12)
    expect(isNew(meltedOnce(history))).toBe(false)
    expect(isNew(newMetal)).toBe(true)
  })
  it('adds up: shares of melts and of lots are the whole, whatever is melted together', () => {
    const pieces = fc.array(
      fc
        .tuple(fc.double({ min: 0.5, max: 40, noNaN: true }), fc.constantFrom('A', 'B', 'C'), fc.nat(3))
        .map(([grams, lot, melts]) => piece(`${lot} ${grams}`, grams, lot, melts)),
      { minLength: 1, maxLength: 12 },
    )
    fc.assert(
      fc.property(pieces, (stock) => {
        const charge = chargeOf(stock)
        const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0)
        expect(sum(charge.history.shares)).toBeCloseTo(1, 9)
        expect(sum(charge.lots.map(({ share }) => share))).toBeCloseTo(1, 9)
        checkPiece({ grams: 5, lots: charge.lots, history: meltedOnce(charge.history) })
      }),
      // Two masses whose parts add up to a last digit over the whole.
      { examples: [[[piece('1', 0.7780565630503706, 'A'), piece('2', 1.2530055095474653, 'A')]]] },
    )
  })
  it('refuses no piece at all, and a piece that cannot be', () => {
    expect(() => chargeOf([])).toThrow(expect.objectContaining({ code: 'no-piece' }))
    for (const wrong of [
      { ...piece('1', 0, 'A') },
      { ...piece('1', 6, 'A'), history: { shares: [0.5] } },
      { ...piece('1', 6, 'A'), lots: [{ lotId: 'A', share: 0.4 }] },
    ])
      expect(() => checkPiece(wrong)).toThrow(expect.objectContaining({ code: 'piece' }))
  })
})

describe('patterns in one ring', () => {
  it('one stands on the axis; two and four keep 6 mm between them (chord of a circle, by hand)', () => {
    const off = (patterns: number) => offAxisMillimetres({ patterns, patternReachMillimetres: 5 })
    expect(off(1)).toBe(0)
    expect(off(2)).toBeCloseTo(8, 9)
    expect(off(4)).toBeCloseTo(16 / (2 * Math.SQRT1_2), 9)
    expect(() => off(2.5)).toThrow(expect.objectContaining({ code: 'patterns' }))
  })
  const wish: PatternsToRing = {
    binder: 'phosphate',
    patterns: 1,
    patternHeightMillimetres: 9,
    patternReachMillimetres: 5.5,
  }
  it('takes the smallest ring that keeps every clearance; more patterns never a smaller one', () => {
    expect(ringFor(wish)?.card.name).toBe('Ring 36 mm')
    const diameter = (patterns: number) =>
      ringFor({ ...wish, patterns })?.card.innerDiameterMillimetres ?? Number.POSITIVE_INFINITY
    for (let patterns = 1; patterns < 12; patterns++)
      expect(diameter(patterns + 1)).toBeGreaterThanOrEqual(diameter(patterns))
    expect(diameter(12)).toBe(Number.POSITIVE_INFINITY)
  })
  // By hand: 48/2 less a liner of 1 is 23; 52 less the former of 18, the pattern of 9 and the middle of 3 to 4 is 21.5.
  it('the liner takes its room, the sprue brings the pattern to the middle of its clearance', () => {
    const lined = arrangementIn(usualRings[1]!, wish)
    expect(lined.ringRadiusMillimetres).toBe(23)
    expect(lined.sprueLengthMillimetres).toBe(21.5)
    expect(arrangementIn({ ...usualRings[1]!, linerMillimetres: 0 }, wish).ringRadiusMillimetres).toBe(24)
    // Gypsum wants 5 to 7 at the end: 52 - 18 - 9 - 6.
    expect(arrangementIn(usualRings[1]!, { ...wish, binder: 'gypsum' }).sprueLengthMillimetres).toBe(19)
    // A pattern that fills the ring leaves the shortest sprue.
    expect(
      arrangementIn(usualRings[1]!, { ...wish, patternHeightMillimetres: 30 }).sprueLengthMillimetres,
    ).toBe(5)
  })
  it.each([
    ['innerDiameterMillimetres', 0],
    ['innerDiameterMillimetres', 150],
    ['heightMillimetres', 0],
    ['heightMillimetres', 150],
    ['formerMillimetres', 0],
    ['formerMillimetres', 52],
    ['linerMillimetres', -0.1],
    ['linerMillimetres', 24],
  ])('a ring with a %s of %d cannot be', (field, value) =>
    expect(() => checkRingCard({ ...usualRings[1]!, [field]: value })).toThrow(
      expect.objectContaining({ code: 'ring', field }),
    ),
  )
  it('a ring without a liner can', () =>
    expect(() => checkRingCard({ ...usualRings[1]!, linerMillimetres: 0 })).not.toThrow())
  it('what it proposes passes every line, in gypsum too', () => {
    for (const binder of ['gypsum', 'phosphate'] as const) {
      const { arrangement } = ringFor({ ...wish, binder, patterns: 3 })!
      expect(checkArrangement(arrangement).every(({ pass }) => pass)).toBe(true)
    }
    const small = arrangementIn(usualRings[0]!, { ...wish, patterns: 4 })
    expect(checkArrangement(small).find(({ id }) => id === 'wall')?.pass).toBe(false)
  })
})

describe('the thermal curve of an investment', () => {
  // The example shape of the model notes for phosphate, times 1.10 %.
  const curve = [
    [20, 0],
    [200, 0.22],
    [270, 0.682],
    [400, 0.792],
    [850, 1.1],
  ].map(([celsius = 0, expansionPercent = 0]) => ({ celsius, expansionPercent }))
  it('is linear between its points and never goes beyond them', () => {
    expect(thermalAt(curve, 235)).toBeCloseTo(0.00451, 9)
    expect(thermalAt(curve, 20)).toBe(0)
    expect(thermalShareAt(curve, 400, 850)).toBeCloseTo(0.72, 9)
    for (const celsius of [10, 900, Number.NaN])
      expect(() => thermalAt(curve, celsius)).toThrow(expect.objectContaining({ code: 'outside-curve' }))
    expect(() => thermalAt([], 20)).toThrow(expect.objectContaining({ code: 'outside-curve' }))
  })
  it('fills in the rows of a table that gives no thermal figure, and leaves them out where it cannot', () => {
    const points = [
      { specialLiquidPercent: 0, expansionPercent: 0.2 },
      { specialLiquidPercent: 50, expansionPercent: 0.58, thermalPercent: 1.2 },
    ]
    const [from, given] = expansionRows(points, curve, 850)
    expect(from?.thermalFraction).toBeCloseTo(0.011, 12)
    expect(given?.thermalFraction).toBeCloseTo(0.012, 12)
    expect(expansionRows(points, undefined, 850)).toHaveLength(1)
  })
})

describe('an arm of the lab', () => {
  const arm: ArmCard = {
    name: 'Arm',
    innerMillimetres: 220,
    outerMillimetres: 250,
    measuredRpm: 400,
    measuredTurns: 3,
    source: 'measured',
  }
  it('an arm at 4 turns is 1.155 to 1.333 times as fast as at 3 (√(4/3) and 4/3, models of a spring)', () => {
    const [slow, fast] = armSpeed(arm, 4)
    expect(slow / 400).toBeCloseTo(Math.sqrt(4 / 3), 3)
    expect(fast / 400).toBeCloseTo(4 / 3, 9)
  })
})

describe('the lines of a ring, each with what to change', () => {
  // By hand: a ring of 50 mm, former 8, sprue 18, pattern 18 leaves 6 to the end; 8 + 18 - 25 is 1 above the middle.
  const good = {
    ringRadiusMillimetres: 25,
    ringHeightMillimetres: 50,
    formerMillimetres: 8,
    sprueLengthMillimetres: 18,
    patternHeightMillimetres: 18,
    patternReachMillimetres: 6,
    patterns: 1,
    binder: 'gypsum',
  } as const
  const lines = (change: object) =>
    Object.fromEntries(
      checkArrangement({ ...good, ...change } as Parameters<typeof checkArrangement>[0]).map(
        ({ id, pass, say, foundMillimetres }) => [id, [pass, foundMillimetres, inMetric(say)]],
      ),
    )
  it('nothing is said of what passes', () => {
    const { end, thermalCentre } = lines({})
    expect(end).toEqual([true, 6, ''])
    expect(thermalCentre).toEqual([true, 1, ''])
  })
  it('on the middle is still above it; below it says by how much', () => {
    expect(lines({ sprueLengthMillimetres: 17 }).thermalCentre).toEqual([true, 0, ''])
    expect(lines({ sprueLengthMillimetres: 14 }).thermalCentre).toEqual([
      false,
      -3,
      'Raise the pattern by 3 mm: in the middle of the ring it freezes last.',
    ])
  })
  it('too near the end, too far from it', () => {
    expect(lines({ patternHeightMillimetres: 22 }).end).toEqual([
      false,
      2,
      expect.stringMatching(/^Shorten the sprue by \d/),
    ])
    expect(lines({ patternHeightMillimetres: 8 }).end).toEqual([
      false,
      16,
      expect.stringMatching(/^Lengthen the sprue by \d/),
    ])
  })
  it('outside the curve it says from where to where, or to copy one', () => {
    const curve = [
      { celsius: 20, expansionPercent: 0.1 },
      { celsius: 800, expansionPercent: 1 },
    ]
    expect(() => thermalAt(curve, 19)).toThrow('19 °C is outside the curve of the product.')
    expect(thermalAt(curve, 20)).toBeCloseTo(0.001, 12)
    expect(thermalAt(curve, 800)).toBeCloseTo(0.01, 12)
    const remedyOf = (points: typeof curve) => {
      try {
        return String(thermalAt(points, 5))
      } catch (error) {
        return (error as { readonly remedy: string }).remedy
      }
    }
    expect(remedyOf(curve)).toBe('Choose from 20 to 800 °C.')
    expect(remedyOf([])).toBe("Copy the curve from the maker's sheet.")
  })
})
