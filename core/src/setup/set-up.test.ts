import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { articulatorCards, moveJaw } from '../mounting/index.ts'
import { inMetric, metric } from '../testing/words.ts'
import { nearestOnArch } from './arch-form.ts'
import {
  compareSetUp,
  inventedPrescription,
  inventedSetUp,
  neededCusps,
  type Prescription,
  planSetUp,
  type SetUpEntry,
  type SetUpReading,
  settingOrder,
  stillToSet,
  usualTolerances,
} from './index.ts'
import { CANINE_BEYOND_MILLIMETRES } from './stances.ts'

const wanted: Prescription = inventedPrescription
const same: SetUpReading = {
  centreLineMillimetres: wanted.centreLineMillimetres,
  incisalLevelMillimetres: { right: wanted.incisalLevelMillimetres, left: wanted.incisalLevelMillimetres },
  labialFullnessMillimetres: {
    right: wanted.labialFullnessMillimetres,
    left: wanted.labialFullnessMillimetres,
  },
  canineMillimetres: wanted.canineMillimetres,
  planeMillimetres: wanted.planeMillimetres,
  pinMillimetres: wanted.pinMillimetres,
}
const failing = (found: SetUpReading, by = wanted) =>
  compareSetUp(by, found).filter(({ verdict }) => verdict !== 'pass')

describe('a set-up against its prescription', () => {
  it('the same figures pass throughout, each measure once, both sides', () => {
    const lines = compareSetUp(wanted, same)
    expect(lines).toHaveLength(10)
    expect(lines.every(({ verdict, say }) => verdict === 'pass' && say === '')).toBe(true)
  })
  it('a central 0.6 mm low: that tooth, upwards, by 0.6', () => {
    const low = { ...same, incisalLevelMillimetres: { right: 21.5, left: 22.1 } }
    expect(inMetric(failing(low))).toMatchObject([
      { measure: 'level', side: 'left', say: 'Raise 21 by 0.6 mm.' },
    ])
  })
  it('on a lower arch longer from the vestibule is higher: the other way', () => {
    const low = { ...same, incisalLevelMillimetres: { right: 21.5, left: 22.1 } }
    expect(inMetric(failing(low, { ...wanted, arch: 'lower' }))).toMatchObject([
      { say: 'Lower 31 by 0.6 mm.' },
    ])
  })
  it.each<[Partial<SetUpReading>, string]>([
    [{ centreLineMillimetres: 0.7 }, "Move 11 and 21 to the patient's right by 0.7 mm."],
    [{ centreLineMillimetres: -0.7 }, "Move 11 and 21 to the patient's left by 0.7 mm."],
    [{ labialFullnessMillimetres: { right: 9.2, left: 8 } }, 'Bring 11 in by 1.2 mm.'],
    [{ labialFullnessMillimetres: { right: 8, left: 6.5 } }, 'Bring 21 out by 1.5 mm.'],
    [{ canineMillimetres: { right: 25.5, left: 24.5 } }, 'Bring 13 forward along the rim by 1.5 mm.'],
    [{ planeMillimetres: { right: 26, left: 25.5 } }, 'Lower the left molars by 1 mm.'],
    [
      { pinMillimetres: 0.4 },
      'The pin stands 0.4 mm open: find the early contact with paper and seat that tooth deeper.',
    ],
  ])('%j: says what to move, which way, how far', (change, say) => {
    expect(inMetric(failing({ ...same, ...change }).map((line) => line.say))).toEqual([say])
  })
  it('exactly at the tolerance passes, above 3 mm the dentist is asked', () => {
    expect(failing({ ...same, incisalLevelMillimetres: { right: 22, left: 21 } })).toEqual([])
    expect(inMetric(failing({ ...same, centreLineMillimetres: 3.1 }))).toMatchObject([
      { verdict: 'ask', say: expect.stringContaining('ask the dentist') },
    ])
  })
  it('moving a central by what it says brings it to the prescription', () => {
    fc.assert(
      fc.property(fc.double({ min: 18.6, max: 24.4, noNaN: true }), (left) => {
        const [line] = failing({ ...same, incisalLevelMillimetres: { right: 21.5, left } })
        if (!line) return expect(Math.abs(left - 21.5)).toBeLessThanOrEqual(0.5 + 1e-9)
        const [, way, size] = /^(Raise|Lower) 21 by ([\d.]+) mm\.$/.exec(metric(line.say))!
        const moved = left + (way === 'Raise' ? -1 : 1) * Number(size)
        expect(Math.abs(moved - 21.5)).toBeLessThanOrEqual(0.05 + 1e-9)
      }),
    )
  })
  it('refuses a reading that cannot be, by its name', () => {
    expect(() => compareSetUp(wanted, { ...same, pinMillimetres: 45 })).toThrow(
      expect.objectContaining({ code: 'reading-not-plausible', field: 'pinMillimetres' }),
    )
    expect(() => compareSetUp({ ...wanted, incisalLevelMillimetres: Number.NaN }, same)).toThrow(
      expect.objectContaining({ field: 'incisalLevelMillimetres' }),
    )
    expect(() => compareSetUp(wanted, same, { ...usualTolerances, levelMillimetres: -1 })).toThrow(
      expect.objectContaining({ code: 'tolerance' }),
    )
  })
})

describe('the set-up plan', () => {
  const plan = planSetUp(inventedSetUp)
  const widths = inventedSetUp.toothSet.widthsMillimetres
  const byFdi = (fdi: number) => [...plan.anterior, ...plan.posterior].find((tooth) => tooth.fdi === fdi)!

  const byBack = (fdi: number) => plan.posterior.find((tooth) => tooth.fdi === fdi)!
  const palatal = (fdi: number) => byBack(fdi).palatal.heightMillimetres

  it('stands 14 teeth, the middle of each front tooth on the rim at half its width', () => {
    expect([...plan.anterior, ...plan.posterior]).toHaveLength(14)
    expect(nearestOnArch(plan.rim, byFdi(21).centre).lengthMillimetres).toBeCloseTo(8.9 / 2, 4)
    expect(nearestOnArch(plan.rim, byFdi(12).centre).lengthMillimetres).toBeCloseTo(-(8.9 + 6.9 / 2), 4)
    expect(nearestOnArch(plan.rim, byFdi(23).centre).lengthMillimetres).toBeCloseTo(8.9 + 6.9 + 4, 4)
  })
  it('tells gaps and crowding: canine lines less central, lateral and canine', () => {
    // By hand: 8.9 + 6.9 + 8 = 23.8; lines at 24 and 24.5.
    expect(plan.sixMillimetres).toBeCloseTo(23.8, 9)
    expect(plan.spareMillimetres.right).toBeCloseTo(0.2, 9)
    expect(plan.spareMillimetres.left).toBeCloseTo(0.7, 9)
    const wide = { ...inventedSetUp.toothSet, widthsMillimetres: { ...widths, central: 10.2 } }
    expect(inMetric(planSetUp({ ...inventedSetUp, toothSet: wide }).remarks).join(' ')).toContain(
      '1.7 mm too wide',
    )
  })
  it('says what does not fit, and nothing of what does', () => {
    const remarks = (change: Partial<SetUpEntry>) =>
      planSetUp({ ...inventedSetUp, ...change }).remarks.map(metric)
    const lines = (right: number, left: number) => remarks({ canineMillimetres: { right, left } })
    const own = remarks({})
    const added = (other: readonly string[]) => other.filter((each) => !own.includes(each))
    // Six front teeth are 23.8 to each side.
    expect(added(lines(25.8, 25.8)).join(' ')).toContain('The six front teeth leave 4 mm')
    expect(added(lines(22.3, 22.3)).join(' ')).toContain('3 mm too wide')
    expect(added(lines(21.8, 25.8)).join(' ')).toContain('not the same distance from the centre line')
    expect(added(remarks({ curveRadiusMillimetres: 125 })).join(' ')).toContain(
      'a radius of 125 mm, not the published',
    )
  })
  it.each([
    ['central', 'mesiodistalDegrees', 31],
    ['lateral', 'mesiodistalDegrees', -31],
    ['canine', 'labialDegrees', 46],
    ['central', 'labialDegrees', -31],
    ['lateral', 'shortMillimetres', 3.1],
    ['canine', 'shortMillimetres', -3.1],
  ] as const)('a %s with %s of %d is refused', (tooth, key, value) => {
    const stances = {
      ...inventedSetUp.stances,
      [tooth]: { ...inventedSetUp.stances[tooth], [key]: value },
    }
    expect(() => planSetUp({ ...inventedSetUp, stances })).toThrow(
      expect.objectContaining({ code: 'reading-not-plausible', field: 'stances' }),
    )
  })
  it('back teeth point along their side to the next', () => {
    for (const side of ['right', 'left'] as const) {
      const own = plan.posterior.filter((tooth) => tooth.side === side)
      for (const [n, { distal, centre }] of own.entries()) {
        expect(Math.hypot(distal.x, distal.y)).toBeCloseTo(1, 6)
        const next = own[n + 1]
        if (!next) continue
        const to = { x: next.centre.x - centre.x, y: next.centre.y - centre.y }
        expect((to.x * distal.x + to.y * distal.y) / Math.hypot(to.x, to.y)).toBeGreaterThan(0.97)
      }
    }
  })
  it('tells that gum would show when the central is shorter than to the high-lip line', () => {
    expect(inMetric(planSetUp({ ...inventedSetUp, highLipMillimetres: 12.5 }).remarks).join(' ')).toContain(
      '1.5 mm shorter',
    )
    expect(plan.neckBeyondLipMillimetres).toBeCloseTo(1.5, 9)
  })
  it('the canine stands upright, the lateral slants more than the central', () => {
    const [central, lateral, canine] = [11, 12, 13].map((fdi) => plan.anterior.find((t) => t.fdi === fdi)!)
    expect(canine!.stance.labialDegrees).toBe(0)
    expect(lateral!.stance.labialDegrees).toBeGreaterThan(central!.stance.labialDegrees)
    // Neck height by hand: 11 cos 8° cos 2° = 10.886.
    expect(central!.neckMillimetres).toBeCloseTo(10.886, 3)
  })
  it('neighbouring back teeth touch: along the path half of both widths, straight across hardly less', () => {
    for (const [a, b] of [
      [24, 25],
      [25, 26],
      [26, 27],
      [16, 17],
    ] as const) {
      const [one, other] = [byFdi(a), byFdi(b)]
      const between = Math.hypot(one.centre.x - other.centre.x, one.centre.y - other.centre.y)
      const half = (one.widthMillimetres + other.widthMillimetres) / 2
      expect(between).toBeLessThanOrEqual(half + 1e-9)
      expect(between).toBeGreaterThan(0.985 * half)
    }
  })
  it('from the middle of the first molar on the teeth stand over the crest of the ridge', () => {
    for (const fdi of [16, 26, 17, 27])
      expect(Math.abs(nearestOnArch(plan.crest, byFdi(fdi).centre).offMillimetres)).toBeLessThan(0.15)
    expect(nearestOnArch(plan.crest, byFdi(24).centre).offMillimetres).toBeGreaterThan(2)
  })
  it('palatal cusps of first premolars and first molars lie on the plane, second molars rise', () => {
    for (const fdi of [14, 24, 16, 26]) expect(palatal(fdi)).toBeCloseTo(0, 9)
    expect(palatal(25)).toBeLessThan(0)
    expect(palatal(27)).toBeGreaterThan(0.5)
    for (const tooth of plan.posterior)
      expect(tooth.buccal.heightMillimetres).toBeGreaterThan(tooth.palatal.heightMillimetres)
  })
  it('every cusp lies on one sphere of 4 in about a centre on the midline, by hand from two cusps', () => {
    const at = (fdi: number) => byBack(fdi).palatal.at
    const [p, q] = [at(24), at(26)]
    // |p - S|² = |q - S|² on the midline, and |p - S|² + S_z² = R².
    const y = (p.x ** 2 + p.y ** 2 - q.x ** 2 - q.y ** 2) / (2 * (p.y - q.y))
    const z = Math.sqrt(101.6 ** 2 - p.x ** 2 - (p.y - y) ** 2)
    for (const { buccal, palatal: inner } of plan.posterior)
      for (const cusp of [buccal, inner])
        expect(Math.hypot(cusp.at.x, cusp.at.y - y, cusp.heightMillimetres - z)).toBeCloseTo(101.6, 9)
  })
  it('through condyles and incisors it is the sphere of the articulator: heights as in its worked example', () => {
    // Model notes: c 101.6, b 101.6, K 24: incisor (80.381203, -35.788017); at (50, 25) the sphere is 1.731753 above.
    const bonwill = planSetUp({
      ...inventedSetUp,
      curve: 'condyles',
      intercondylarMillimetres: 101.6,
      incisorForwardMillimetres: 80.381203,
      incisorBelowMillimetres: 35.788017,
    })
    const centre = { x: 60.535001, z: 63.854786 }
    for (const { palatal: inner } of bonwill.posterior) {
      const x = 80.381203 + inner.at.y - bonwill.rim.frontMillimetres
      const z = inner.heightMillimetres - 35.788017
      expect(Math.hypot(x - centre.x, inner.at.x, z - centre.z)).toBeCloseTo(101.6, 4)
    }
  })
  it('needed cusp angles: dip of the way less tilt of the curve, the largest of the three movements', () => {
    const { articulator } = articulatorCards[0]!
    const needed = neededCusps(inventedSetUp, plan, articulator)
    expect(needed).toHaveLength(8)
    for (const { fdi, neededDegrees, spareDegrees } of needed) {
      expect(spareDegrees).toBeCloseTo(20 - neededDegrees, 9)
      const cusp = byBack(fdi).palatal
      const at = {
        x: 85 + cusp.at.y - plan.rim.frontMillimetres,
        y: cusp.at.x,
        z: cusp.heightMillimetres - 35,
      }
      // In protrusion by hand: dip = atan2 of the way of that point between two near advances, tilt from the sphere.
      const [a, b] = [3.999, 4.001].map((advanceMillimetres) =>
        moveJaw(articulator, { movement: 'protrusion', advanceMillimetres }).move(at),
      )
      const dip = (Math.atan2(a!.z - b!.z, Math.hypot(b!.x - a!.x, b!.y - a!.y)) * 180) / Math.PI
      const { centre } = plan.curve
      const tilt = (Math.atan((centre.x - at.x) / (centre.z - at.z)) * 180) / Math.PI
      expect(neededDegrees).toBeGreaterThanOrEqual(dip - tilt - 0.01)
    }
  })
  it('with every guide at zero and teeth on a flat curve no cusp is needed', () => {
    const { articulator } = articulatorCards[0]!
    const flat = planSetUp({ ...inventedSetUp, curveRadiusMillimetres: 1e6 })
    const level = {
      ...articulator,
      condylarDegrees: { right: 0, left: 0 },
      incisalDegrees: 0,
      wingDegrees: { right: 0, left: 0 },
    }
    for (const { neededDegrees } of neededCusps(inventedSetUp, flat, level))
      expect(neededDegrees).toBeCloseTo(0, 2)
  })
  it('against natural lowers edge to edge the palatal cusps meet them and the canine comes lower', () => {
    const heightsMillimetres = { right: [0, 0.4, 0.9, 1.6], left: [0.1, 0.5, 1, 1.7] }
    const natural: SetUpEntry = {
      ...inventedSetUp,
      opposing: { kind: 'natural', overlapMillimetres: 0, heightsMillimetres },
    }
    const against = planSetUp(natural)
    expect(against.posterior.map(({ palatal }) => palatal.heightMillimetres)).toEqual([
      ...heightsMillimetres.right,
      ...heightsMillimetres.left,
    ])
    expect(against.anterior.find(({ fdi }) => fdi === 13)!.edgeMillimetres).toBe(-CANINE_BEYOND_MILLIMETRES)
    expect(
      planSetUp({
        ...natural,
        opposing: { kind: 'natural', overlapMillimetres: 2, heightsMillimetres },
      }).anterior.find(({ fdi }) => fdi === 13)!.edgeMillimetres,
    ).toBe(0)
  })
  it('mirror: a mirrored rim and ridge give the mirrored set-up', () => {
    const flip = (points: SetUpEntry['rim']) => points.map(({ x, y }) => ({ x: -x, y }))
    const { right, left } = inventedSetUp.canineMillimetres
    const other = planSetUp({
      ...inventedSetUp,
      rim: flip(inventedSetUp.rim),
      crest: flip(inventedSetUp.crest),
      canineMillimetres: { right: left, left: right },
    })
    for (const tooth of plan.anterior) {
      const twin = other.anterior.find(({ kind, side }) => kind === tooth.kind && side !== tooth.side)!
      expect(twin.centre.x).toBeCloseTo(-tooth.centre.x, 6)
      expect(twin.centre.y).toBeCloseTo(tooth.centre.y, 6)
    }
  })
  it.each<[string, Partial<SetUpEntry>]>([
    ['too-few-places', { rim: inventedSetUp.rim.slice(0, 3) }],
    ['tooth-measure', { toothSet: { ...inventedSetUp.toothSet, cuspDegrees: 80 } }],
    ['words-missing', { toothSet: { ...inventedSetUp.toothSet, name: ' ' } }],
    ['reading-not-plausible', { canineMillimetres: { right: 2, left: 24 } }],
    ['sphere-too-small', { curveRadiusMillimetres: 15 }],
    [
      'too-few-places',
      {
        opposing: {
          kind: 'natural',
          overlapMillimetres: 0,
          heightsMillimetres: { right: [0], left: [0, 0, 0, 0] },
        },
      },
    ],
  ])('refuses with %s what cannot be planned', (code, change) => {
    expect(() => planSetUp({ ...inventedSetUp, ...change })).toThrow(
      expect.objectContaining({ code, remedy: expect.stringMatching(/\S/) }),
    )
  })
})

describe('the order of setting (common practice)', () => {
  it('one side, then the other; or in pairs from the middle', () => {
    expect(settingOrder('upper', 'front', 'side-by-side')).toEqual([21, 22, 23, 11, 12, 13])
    expect(settingOrder('upper', 'back', 'side-by-side')).toEqual([24, 25, 26, 27, 14, 15, 16, 17])
    expect(settingOrder('lower', 'front', 'in-pairs')).toEqual([31, 41, 32, 42, 33, 43])
  })
  it('takes any order of ticks, none twice, none from elsewhere', () => {
    const order = settingOrder('upper', 'front', 'side-by-side')
    expect(stillToSet(order, [11, 21])).toEqual([22, 23, 12, 13])
    expect(() => stillToSet(order, [24])).toThrow(expect.objectContaining({ code: 'no-such-tooth' }))
    expect(() => stillToSet(order, [11, 11])).toThrow(expect.objectContaining({ code: 'tooth-twice' }))
  })
})
