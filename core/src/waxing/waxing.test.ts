import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { inMetric } from '../testing/words.ts'
import {
  checkGroovePattern,
  groovePatterns,
  groovePatternsFor,
  ponticClearanceMillimetres,
  type RoomSite,
  roomRules,
  roomVerdict,
} from './index.ts'

const site = (
  room: number,
  green: number,
  resin: number,
  place: RoomSite['place'] = 'functionalCusp',
): RoomSite => ({
  name: 'Cusp',
  place,
  roomMillimetres: room,
  greenMillimetres: green,
  resinMillimetres: resin,
})

describe('the room budget', () => {
  it('what is left is room less layers', () => {
    expect(roomVerdict(site(1.8, 0.3, 0.5))).toMatchObject({ verdict: 'enough', takeOff: [] })
    expect(roomVerdict(site(1.8, 0.3, 0.5)).outerMillimetres).toBeCloseTo(1, 9)
  })
  it('names the layer that is too thick, and by how much', () => {
    // By hand: 1.6 - 0.3 - 1.1 = 0.2 left, 0.5 wanted: 0.3 off the resin.
    const verdict = roomVerdict(site(1.6, 0.3, 1.1))
    expect(verdict.takeOff).toEqual([{ layer: 'resin', millimetres: expect.closeTo(0.3, 9) }])
    expect(inMetric(verdict.say)).toBe('Cusp: too thick for the anatomy. Thin the pattern resin by 0.3 mm.')
    // 1.9 - 0.9 - 0.8 leaves 0.2, 0.3 is missing. Green wax is laid at 0.2 or thicker, resin at 0.3: 0.7 and 0.5 to give.
    expect(roomVerdict(site(1.9, 0.9, 0.8)).takeOff).toEqual([
      { layer: 'green', millimetres: expect.closeTo(0.3, 9) },
    ])
    expect(roomVerdict(site(1.6, 1, 0.3)).takeOff).toEqual([
      { layer: 'green', millimetres: expect.closeTo(0.2, 9) },
    ])
  })
  it('asks the dentist where a casting has no room, whatever the layers', () => {
    expect(roomVerdict(site(1.4, 0.2, 0.3))).toMatchObject({ verdict: 'noRoom', takeOff: [] })
    expect(inMetric(roomVerdict(site(0.6, 0.2, 0.3, 'axial')).say)).toContain('Leave the resin out here')
  })
  it('thinned as it says there is enough, and no layer gets thinner than it can be laid', () => {
    const tenth = (max: number) => fc.integer({ min: 0, max: max * 10 }).map((n) => n / 10)
    fc.assert(
      fc.property(
        tenth(4),
        tenth(2),
        tenth(2),
        fc.constantFrom('functionalCusp', 'otherCusp', 'fossa', 'axial'),
        (room, green, resin, place) => {
          const before = site(room, green, resin, place)
          const verdict = roomVerdict(before)
          expect(verdict.outerMillimetres).toBeCloseTo(room - green - resin, 9)
          if (verdict.verdict !== 'thinALayer') return
          const off = (layer: string) =>
            verdict.takeOff.find((each) => each.layer === layer)?.millimetres ?? 0
          const after = site(room, green - off('green'), resin - off('resin'), place)
          expect(after.greenMillimetres).toBeGreaterThanOrEqual(Math.min(green, 0.2) - 1e-9)
          expect(after.resinMillimetres).toBeGreaterThanOrEqual(Math.min(resin, 0.3) - 1e-9)
          expect(roomVerdict(after).verdict).toBe('enough')
        },
      ),
    )
  })
  it('more room never turns enough into too little', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 4, noNaN: true }),
        fc.double({ min: 0, max: 2, noNaN: true }),
        (room, more) => {
          if (roomVerdict(site(room, 0.3, 0.4)).verdict === 'enough')
            expect(roomVerdict(site(room + more, 0.3, 0.4)).verdict).toBe('enough')
        },
      ),
    )
  })
  it('keeps the published least of a gold casting: 1.5 mm on functional cusps, 1 mm on others', () => {
    // Shillingburg, Fundamentals of Fixed Prosthodontics, recalled.
    expect([roomRules.functionalCusp.leastMillimetres, roomRules.otherCusp.leastMillimetres]).toEqual([
      1.5, 1,
    ])
  })
  it.each([
    [{ ...site(1, 0.2, 0.3), name: ' ' }, 'words-missing'],
    [site(Number.NaN, 0.2, 0.3), 'layer-measure'],
    [site(1, -0.1, 0.3), 'layer-measure'],
    [site(1, 0.2, 9), 'layer-measure'],
  ])('refuses %j', (bad, code) => {
    expect(() => roomVerdict(bad)).toThrow(expect.objectContaining({ code, field: 'sites' }))
  })
})

describe('clearance under a pontic', () => {
  it('three sheets of 28 gauge are 0.96 mm (0.321 mm each, ASTM B258)', () => {
    expect(ponticClearanceMillimetres(1)).toBeCloseTo(0.321, 3)
    expect(ponticClearanceMillimetres(3)).toBeCloseTo(0.96, 2)
  })
  it.each([-1, 1.5, 21])('refuses %d sheets', (sheets) =>
    expect(() => ponticClearanceMillimetres(sheets)).toThrow(
      expect.objectContaining({ code: 'sheet-count' }),
    ),
  )
})

describe('groove patterns', () => {
  it('every tooth but the wisdom teeth has one, front teeth one of their own', () => {
    for (const quadrant of [1, 2, 3, 4]) {
      for (const place of [4, 5, 6, 7])
        expect(groovePatternsFor(quadrant * 10 + place).length).toBeGreaterThan(0)
      // Front teeth by fossa, cingulum and ridges, seen from lingual; wisdom teeth vary too much.
      for (const place of [1, 2, 3])
        expect(groovePatternsFor(quadrant * 10 + place)).toContainEqual(
          expect.objectContaining({ face: 'lingual', says: expect.stringMatching(/fossa|ridge/) }),
        )
      expect(groovePatternsFor(quadrant * 10 + 8)).toEqual([])
    }
  })
  it('a lower second premolar has the three of the books: Y, U and H; a lower first molar five or four cusps', () => {
    expect(groovePatternsFor(35).map(({ id }) => id.slice(-1))).toEqual(['y', 'u', 'h'])
    expect(groovePatternsFor(46).map(({ cusps }) => cusps.length)).toEqual([5, 4])
  })
  it('every line of a drawing stays in its square, every pit lies on a groove', () => {
    for (const { outline, grooves, cusps, pits } of groovePatterns) {
      for (const [x, y] of [...outline, ...grooves.flat(), ...cusps, ...pits])
        expect(x >= 0 && x <= 100 && y >= 0 && y <= 100).toBe(true)
      for (const [x, y] of pits)
        expect(Math.min(...grooves.flat().map(([gx, gy]) => Math.hypot(gx - x, gy - y)))).toBeLessThan(8)
    }
  })
  it('refuses a pattern of another tooth, with those that may be chosen', () => {
    expect(() => checkGroovePattern(46, 'upper-molar-three')).toThrow(
      expect.objectContaining({ code: 'no-such-pattern', remedy: expect.stringContaining('Five cusps, Y') }),
    )
    expect(() => checkGroovePattern(11, 'lower-molar-five')).toThrow(
      expect.objectContaining({ remedy: expect.stringContaining('One broad fossa') }),
    )
    expect(() => checkGroovePattern(48, 'lower-molar-five')).toThrow(
      expect.objectContaining({ remedy: expect.stringContaining('wisdom tooth') }),
    )
  })
})
