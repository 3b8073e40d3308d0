import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { metric, refused } from '../testing/words.ts'
import { armLoad, armWays, armWords, type ClaspArm, peakPull, roundWall, straightWall } from './index.ts'

const steel = (change: Partial<ClaspArm> = {}): ClaspArm => ({
  material: 'steel',
  run: { shape: 'straight', freeMillimetres: 15 },
  cut: { section: 'round', millimetres: 0.9 },
  deflectionMillimetres: 0.5,
  ...change,
})
const arc = (degrees: number, radiusMillimetres = 5) => ({
  shape: 'arc' as const,
  radiusMillimetres,
  degrees,
})
const round = (millimetres: number, tipMillimetres?: number) => ({
  section: 'round' as const,
  millimetres,
  ...(tipMillimetres === undefined ? {} : { tipMillimetres }),
})

// Figures: beam theory in closed form, worked out twice outside the project.
describe('an arm in its undercut', () => {
  it('a straight wire of 15 mm holds 2.58 N at 540 MPa, and may go 1.11 mm', () => {
    const found = armLoad(steel())
    expect(found.newtons).toBeCloseTo(2.576499, 6)
    expect(found.stressMegapascals).toBeCloseTo(540, 6)
    expect(found.limitMillimetres).toBeCloseTo(1.1111, 4)
    expect(found.verdict).toBe('springs')
    expect(metric(armWords(steel()))).toBe('It springs back: at 45 % of its limit, about 2.6 N.')
  })
  it('round a premolar it takes a set at 0.5: the free length decides', () => {
    const short = steel({ run: arc(120) })
    const found = armLoad(short)
    expect(found.newtons).toBeCloseTo(18.349621, 5)
    expect(found.stressMegapascals).toBeCloseTo(1281.946, 3)
    expect(found.limitMillimetres).toBeCloseTo(0.468, 4)
    expect(found.verdict).toBe('takesASet')
    expect(metric(armWords(short))).toMatch(
      /^It takes a set each time: at 107 % of its limit\. Any one is enough: /,
    )
    expect(metric(armWords(short))).toContain('0.67 mm thick or a gauge of 0.37 mm')
  })
  it('a taper to half the root holds half, and is worst in its middle', () => {
    const tapered = armLoad(steel({ run: { shape: 'straight', freeMillimetres: 12 }, cut: round(1.2, 0.6) }))
    expect(tapered.newtons).toBeCloseTo(7.952156, 5)
    expect(tapered.stressMegapascals).toBeCloseTo(666.667, 3)
    expect(tapered.worstAtMillimetres).toBeCloseTo(6, 9)
    const even = armLoad(steel({ run: { shape: 'straight', freeMillimetres: 12 }, cut: round(1.2) }))
    expect(even.newtons).toBeCloseTo(15.904313, 5)
    expect(even.stressMegapascals).toBeCloseTo(1125, 6)
    expect(even.verdict).toBe('bendsForGood')
  })
  it('a clear strip is judged by its strain', () => {
    const strip = armLoad({
      material: 'copolyester',
      gigapascals: 2,
      run: { shape: 'straight', freeMillimetres: 10 },
      cut: { section: 'strip', widthMillimetres: 4, thickMillimetres: 1.2 },
      deflectionMillimetres: 0.75,
    })
    expect(strip.newtons).toBeCloseTo(2.592, 6)
    expect(strip.strain).toBeCloseTo(0.0135, 9)
    expect(strip.limitMillimetres).toBeCloseTo(1.1111, 4)
  })
  it('halved in thickness a sixteenth of the force, twice as long an eighth', () => {
    const { newtons } = armLoad(steel())
    expect(newtons / armLoad(steel({ cut: round(0.45) })).newtons).toBeCloseTo(16, 9)
    expect(newtons / armLoad(steel({ run: { shape: 'straight', freeMillimetres: 30 } })).newtons).toBeCloseTo(
      8,
      9,
    )
  })
  it('force and stress grow with the deflection; a flat arc is a straight arm', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.05, max: 2, noNaN: true }),
        fc.double({ min: 1, max: 5, noNaN: true }),
        (y, by) => {
          const [one, more] = [
            armLoad(steel({ deflectionMillimetres: y })),
            armLoad(steel({ deflectionMillimetres: by * y })),
          ]
          expect(more.newtons / one.newtons).toBeCloseTo(by, 6)
          expect(more.stressMegapascals / one.stressMegapascals).toBeCloseTo(by, 6)
          const flat = armLoad(steel({ run: arc(0.5, (15 / 0.5) * (180 / Math.PI)) }))
          expect(flat.newtons / armLoad(steel()).newtons).toBeCloseTo(1, 3)
          expect(flat.stressMegapascals / 540).toBeCloseTo(1, 3)
        },
      ),
      { numRuns: 20 },
    ))
  it('each of its ways alone brings it to 80 % of its limit', () => {
    for (const arm of [
      steel({ run: arc(120, 5.5), deflectionMillimetres: 0.55 }),
      steel({ deflectionMillimetres: 1.2 }),
    ]) {
      const { longerMillimetres, thinnerMillimetres, shallowerMillimetres } = armWays(arm)
      expect(armLoad({ ...arm, cut: round(thinnerMillimetres) }).share).toBeCloseTo(0.8, 6)
      expect(armLoad({ ...arm, deflectionMillimetres: shallowerMillimetres }).share).toBeCloseTo(0.8, 6)
      const longer =
        arm.run.shape === 'arc'
          ? arc((longerMillimetres! / 5.5) * (180 / Math.PI), 5.5)
          : { shape: 'straight' as const, freeMillimetres: longerMillimetres! }
      expect(armLoad({ ...arm, run: longer }).share).toBeCloseTo(0.8, 4)
    }
    // Round a small tooth no length is enough.
    expect(armWays(steel({ run: arc(120, 3) })).longerMillimetres).toBeUndefined()
  })
  it('names the field of what is refused', () => {
    const field = (arm: ClaspArm) => refused(() => armLoad(arm))?.field
    expect(field(steel({ run: arc(120, 0) }))).toBe('radiusMillimetres')
    expect(field(steel({ run: arc(201) }))).toBe('degrees')
    expect(field(steel({ cut: round(-0.9) }))).toBe('millimetres')
  })
  it('says its ways, and no length where none is enough', () => {
    expect(metric(armWords(steel({ deflectionMillimetres: 1.2 })))).toMatch(
      /^It takes a set each time: at 1\d\d % of its limit\. Any one is enough: [\d.]+ mm free, [\d.]+ mm thick or a gauge of [\d.]+ mm\.$/,
    )
    expect(metric(armWords(steel({ run: arc(120, 3) })))).toMatch(
      /Any one is enough: [\d.]+ mm thick or a gauge of [\d.]+ mm\.$/,
    )
    expect(metric(armWords(steel()))).toMatch(/^It springs back: at \d+ % of its limit, about 2\.6 N\.$/)
  })
  it.each<[string, ClaspArm, string]>([
    ['no radius', steel({ run: arc(120, 0) }), 'not-a-positive-number'],
    ['no length', steel({ run: { shape: 'straight', freeMillimetres: 0 } }), 'not-a-positive-number'],
    ['no thickness', steel({ cut: round(-0.9) }), 'not-a-positive-number'],
    ['a deflection below 0', steel({ deflectionMillimetres: -0.1 }), 'not-a-positive-number'],
    ['a tip thicker than the root', steel({ cut: round(0.6, 1.2) }), 'taper-inverted'],
    ['a taper round an arc', steel({ run: arc(120), cut: round(1.2, 0.6) }), 'taper-on-an-arc'],
    ['an arc of nothing', steel({ run: arc(0) }), 'arc-out-of-range'],
    ['an arc over 200', steel({ run: arc(201) }), 'arc-out-of-range'],
  ])('%s is refused', (_, arm, code) => expect(refused(() => armLoad(arm))?.code).toBe(code))
})

describe('what pulls an arm off', () => {
  const asked = { newtonsPerMillimetre: 5, depthMillimetres: 0.5, friction: 0.2 }
  it('on a ball the pull is greatest where 0.121 is left', () => {
    const { newtons, leftMillimetres } = peakPull({ ...asked, wall: roundWall(4) })
    expect(newtons).toBeCloseTo(0.901377, 6)
    expect(leftMillimetres).toBeCloseTo(0.121081, 4)
  })
  it('on a straight wall it is greatest at the line', () => {
    const { newtons, leftMillimetres } = peakPull({ ...asked, wall: straightWall(20) })
    expect(leftMillimetres).toBeCloseTo(0, 6)
    // 5 × 0.5 × tan(20° + atan 0.2), by hand.
    expect(newtons).toBeCloseTo(2.5 * 0.608247, 5)
  })
  it('a wall that hooks is refused, and so are figures that are none', () => {
    expect(refused(() => peakPull({ ...asked, wall: straightWall(80) }))?.code).toBe('wall-too-steep')
    expect(refused(() => peakPull({ ...asked, depthMillimetres: 0, wall: straightWall(8) }))?.code).toBe(
      'not-a-positive-number',
    )
    expect(refused(() => peakPull({ ...asked, friction: -1, wall: straightWall(8) }))?.code).toBe(
      'not-a-positive-number',
    )
  })
})
