import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { lower, mirrored, moved, outline, P, upper } from '../testing/arch-models.ts'
import { caliperSymmetry } from './finished-pair.ts'
import { fromCalipers, type Point, plannedOutline, planPair, sideTouchUps } from './index.ts'
import { seenFrom, type UpperLandmarks } from './landmarks.ts'
import { usualTrimChoices } from './trim-choices.ts'
import { planHeights } from './trim-heights.ts'
import { planLower, planUpper } from './trim-plan.ts'

describe('laws', () => {
  const jitter = fc.double({ min: -1, max: 1, noNaN: true })
  const models = fc.array(jitter, { minLength: 40, maxLength: 40 }).map((noise) => {
    let next = 0
    return moved(upper, (p) => P(p.x + noise[next++ % 40]!, p.y + noise[next++ % 40]!))
  })
  const figures = (m: UpperLandmarks, choices = usualTrimChoices) => {
    const { corner, apex, heel, sideAngleDegrees, sideLine, asymmetryMillimetres } = planUpper(m, choices)
    return [
      corner.x,
      corner.y,
      apex.y,
      heel.atBack.x,
      heel.atSide.x,
      heel.atSide.y,
      sideAngleDegrees,
      sideLine.offset,
      asymmetryMillimetres,
    ]
  }
  const close = (a: readonly number[], b: readonly number[]) => {
    for (const [n, x] of a.entries()) expect(x).toBeCloseTo(b[n]!, 6)
  }
  it('a mirrored model has the mirrored plan', () => {
    fc.assert(
      fc.property(models, (m) => {
        close(figures(mirrored(m)), figures(m))
        const [a, b] = [planUpper(m), planUpper(mirrored(m))]
        if (!a.either) expect(b.better).not.toBe(a.better)
      }),
    )
  })
  it('turning, shifting and taking a picture with y downwards change nothing', () => {
    fc.assert(
      fc.property(models, fc.double({ min: 0, max: 6.3, noNaN: true }), fc.boolean(), (m, angle, flip) => {
        const [c, s] = [Math.cos(angle), Math.sin(angle)]
        const map = (p: Point) => P(c * p.x - s * p.y + 100, (s * p.x + c * p.y - 50) * (flip ? -1 : 1))
        close(figures(moved(m, map)), figures(m))
      }),
    )
  })
  it('scaling every length scales the plan, the heel kept in its range', () => {
    fc.assert(
      fc.property(models, fc.double({ min: 0.85, max: 1.2, noNaN: true }), (m, k) => {
        const choices = { ...usualTrimChoices, backClearanceMillimetres: 2 * k, heelMillimetres: 12.7 * k }
        const [small, large] = [
          figures(m),
          figures(
            moved(m, (p) => P(k * p.x, k * p.y)),
            choices,
          ),
        ]
        close(
          large.map((x, n) => (n === 6 ? x : x / k)),
          small,
        )
      }),
    )
  })
  it('the order of points does not matter', () => {
    fc.assert(
      fc.property(models, (m) => {
        const back = <T>(list: readonly T[]) => [...list].reverse()
        const both = (x: UpperLandmarks['buccal']) => ({ right: back(x.right), left: back(x.left) })
        close(
          figures({
            ...m,
            midline: back(m.midline),
            buccal: both(m.buccal),
            vestibule: both(m.vestibule),
            anterior: back(m.anterior),
          }),
          figures(m),
        )
      }),
    )
  })
  it('every protected point is inside, both halves are alike, the angles add up to 900°', () => {
    fc.assert(
      fc.property(models, (m) => {
        const plan = planUpper(m)
        const lines = [
          plan.sideLine,
          plan.heel.line,
          ...(plan.front.kind === 'planes' ? [plan.front.line] : []),
        ]
        for (const p of plan.framed.protected)
          for (const side of ['right', 'left'] as const)
            for (const { normal, offset } of lines) {
              const q = seenFrom(side, p)
              expect(q.x * normal.x + q.y * normal.y).toBeLessThanOrEqual(offset + 1e-9)
            }
        const corners = plannedOutline(plan)
        const angles = corners.map((p, n) => {
          const [a, b] = [corners.at(n - 1)!, corners[(n + 1) % corners.length]!]
          const turn = Math.atan2(a.y - p.y, a.x - p.x) - Math.atan2(b.y - p.y, b.x - p.x)
          return (((turn + 4 * Math.PI) % (2 * Math.PI)) * 180) / Math.PI
        })
        expect(angles.reduce((sum, x) => sum + x, 0)).toBeCloseTo(900, 6)
      }),
    )
  })
})

describe('refusals', () => {
  const code = (change: Partial<UpperLandmarks>, choices = {}) => {
    try {
      planUpper({ ...upper, ...change }, { ...usualTrimChoices, ...choices })
    } catch (error) {
      return (error as { code: string }).code
    }
    return 'taken'
  }
  it.each<[string, Partial<UpperLandmarks>, object]>([
    ['not-a-number', { incisorFront: P(Number.NaN, 1) }, {}],
    ['not-a-number', { midline: [P(0, 5), P(0, Number.POSITIVE_INFINITY)] }, {}],
    ['midline-points-coincide', { midline: [P(0, 5), P(0, 9.9)] }, {}],
    ['too-few-points', { midline: [P(0, 5)] }, {}],
    ['too-few-points', { buccal: { ...upper.buccal, left: [P(20, 26)] } }, {}],
    ['too-few-points', { vestibule: { ...upper.vestibule, right: [] } }, {}],
    ['sides-swapped', { notches: { right: P(21, 1), left: P(-21, 1) } }, {}],
    ['sides-swapped', { buccal: { right: upper.buccal.left, left: upper.buccal.right } }, {}],
    ['points-are-no-line', { buccal: { ...upper.buccal, left: [P(20, 26), P(26, 26), P(23, 21)] } }, {}],
    ['points-are-no-line', { buccal: { ...upper.buccal, left: [P(15, 20), P(25, 19), P(35, 18)] } }, {}],
    // A little more than 45° from the midline.
    ['points-are-no-line', { buccal: { ...upper.buccal, left: [P(20, 26), P(26.1, 20), P(32.2, 14)] } }, {}],
    // The hindmost point is also the outermost: it stands in the very corner that the heel would cut off.
    ['no-room-for-heel', { vestibule: { right: [P(-31, 12.5)], left: [P(31.6, 12.5), P(45, -3)] } }, {}],
    // Canines marked beside the molars: the side is shorter than the heel's leg along it.
    [
      'cuts-cross',
      {
        midline: [P(0, 0), P(0, 10)],
        notches: { right: P(-15.18, 3.57), left: P(15.18, 3.57) },
        canines: { right: P(-17.23, 5.08), left: P(17.23, 5.08) },
        buccal: {
          right: [P(-20.3, 17), P(-22.3, 14.9), P(-24.3, 12.7)],
          left: [P(20.3, 17), P(22.3, 14.9), P(24.3, 12.7)],
        },
        vestibule: { right: [P(-22.3, 8.5)], left: [P(22.3, 8.5)] },
        anterior: [],
        incisorFront: P(0, 26.4),
      },
      { heelMillimetres: 13.6 },
    ],
    ['heel-range', {}, { heelMillimetres: 9 }],
    ['heel-range', {}, { heelMillimetres: 16 }],
    [
      'incisor-behind-canines',
      { anterior: [], incisorFront: P(0, 26), vestibule: { right: [P(-40, 14)], left: [P(40, 14)] } },
      {},
    ],
  ])('%s', (wanted, change, choices) => expect(code(change, choices)).toBe(wanted))
  it('heels at both ends of their range are taken', () => {
    expect(code({}, { heelMillimetres: 9.525 })).toBe('taken')
    expect(code({}, { heelMillimetres: 15.875 })).toBe('taken')
  })
  it('calipers and heights', () => {
    expect(() => fromCalipers(5, 40, 20)).toThrow(expect.objectContaining({ code: 'distances-do-not-meet' }))
    expect(() => fromCalipers(-5, 4, 20)).toThrow(expect.objectContaining({ code: 'negative-length' }))
    const plan = planUpper(upper)
    expect(() =>
      planHeights(
        plan,
        [P(0, 0), P(20, 0), P(0, 20)].map((at) => ({ at, heightMillimetres: -1 })),
      ),
    ).toThrow(expect.objectContaining({ code: 'negative-length' }))
    const at = (places: Point[]) => places.map((place) => ({ at: place, heightMillimetres: 38 }))
    expect(() => planHeights(plan, at([P(0, 0), P(1, 1)]))).toThrow(
      expect.objectContaining({ code: 'too-few-points' }),
    )
    expect(() => planHeights(plan, at([P(0, 0), P(1, 1), P(2, 2)]))).toThrow(
      expect.objectContaining({ code: 'heights-on-one-line' }),
    )
  })
})

describe('a pair as it is entered', () => {
  const at = (heightMillimetres: number) =>
    [P(0, 43), P(-24, 5), P(24, 5)].map((place) => ({ at: place, heightMillimetres }))
  const entry = (upperHeight: number, lowerHeight: number) => ({
    upper: { landmarks: upper, outline, heights: at(upperHeight) },
    lower: { landmarks: lower, outline, heights: at(lowerHeight) },
    choices: {},
  })
  it('plans the lower by the upper and gives every depth', () => {
    const { upper: u, lower: l } = planPair(entry(38, 38))
    expect(l.plan.heel.betaDegrees).toBeCloseTo(57.38757, 4)
    expect(u.cuts.map((c) => c.name)[0]).toBe('back')
    expect(u.depthsKnown && l.depthsKnown).toBe(true)
  })
  it('knows no depth without an edge, and says so rather than 0', () => {
    const bare = entry(38, 38)
    const { upper: u } = planPair({ ...bare, upper: { ...bare.upper, outline: [] } })
    expect(u.depthsKnown).toBe(false)
    expect(u.cuts.every((c) => c.depthMillimetres === undefined && !c.noStone)).toBe(true)
  })
  // The total is 69.85: an upper of 33 wants the plane 33 - 34.925 = -1.925 off the middle; one of 30 is 4.925 short.
  it('offers the plane off the middle instead of a rebase, where it is near enough', () => {
    expect(planPair(entry(38, 38)).insteadOfRebaseMillimetres).toBeUndefined()
    expect(planPair(entry(33, 40)).insteadOfRebaseMillimetres).toBeCloseTo(-1.925, 9)
    expect(planPair(entry(30, 40)).insteadOfRebaseMillimetres).toBeUndefined()
    const moved = planPair({ ...entry(33, 40), planeOffMiddleMillimetres: -1.925 })
    expect(moved.upper.heights?.rebaseMillimetres).toBeCloseTo(0, 9)
    expect(moved.lower.heights?.rebaseMillimetres).toBe(0)
  })
  it('says which side to touch by the calipers: d too far out stands d cos τ proud', () => {
    const { plan } = planPair(entry(38, 38)).upper
    const read = (canineLeft: number) => ({
      backToMidlineDegrees: 90,
      backToBaseDegrees: 90,
      sideDegrees: [65, 65] as const,
      heelMillimetres: [12.7, 12.7] as const,
      heelDegrees: [122, 122] as const,
      canineCornerMillimetres: [plan.corner.x, canineLeft] as const,
      heelCornerMillimetres: [plan.heel.atSide.x, plan.heel.atSide.x] as const,
    })
    expect(caliperSymmetry(read(plan.corner.x + 2))).toBeCloseTo(2, 9)
    // cos 24.77514° = 0.90796: 2 mm out is 1.81592 mm proud.
    expect(sideTouchUps(read(plan.corner.x + 2), plan)?.left).toEqual({
      action: 'take',
      millimetres: [expect.closeTo(0, 9), expect.closeTo(1.81592, 4)],
    })
    // The left vestibule touches its cut already, so nothing may move in after an overcut.
    expect(sideTouchUps(read(plan.corner.x - 1), plan)?.left).toEqual({
      action: 'leave',
      overcutMillimetres: expect.closeTo(0.90796, 4),
    })
    const { canineCornerMillimetres: _left, ...without } = read(20)
    expect(sideTouchUps(without, plan)).toBeUndefined()
  })
})

describe('the outline from above', () => {
  it('is its own mirror; the lower front lies on its arc, evenly (chords of equal angles are equal)', () => {
    const [above, below] = [planUpper(upper), planLower(lower, planUpper(upper).sideAngleDegrees)]
    for (const plan of [above, below]) {
      const corners = plannedOutline(plan)
      for (const { x, y } of corners)
        expect(corners.some((each) => Math.hypot(each.x + x, each.y - y) < 1e-9)).toBe(true)
    }
    const { front } = below
    if (front.kind !== 'arc') throw new Error('an arc')
    const arc = plannedOutline(below).filter(
      ({ x, y }) =>
        Math.abs(Math.hypot(x - front.centre.x, y - front.centre.y) - front.radiusMillimetres) < 1e-9,
    )
    // The corners, the apex, and seven between it and each of them.
    expect(arc).toHaveLength(17)
    const chords = arc.slice(1).map(({ x, y }, n) => Math.hypot(x - arc[n]!.x, y - arc[n]!.y))
    const part = 2 * front.radiusMillimetres * Math.sin((front.halfAngleDegrees * Math.PI) / 180 / 16)
    for (const chord of chords) expect(chord).toBeCloseTo(part, 9)
  })
})
