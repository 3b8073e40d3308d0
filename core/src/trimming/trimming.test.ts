import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { metric } from '../testing/words.ts'
import { caliperSymmetry } from './finished-pair.ts'
import { fromCalipers, type Point, plannedOutline, planPair, sideTouchUps } from './index.ts'
import { type LowerLandmarks, seenFrom, type UpperLandmarks } from './landmarks.ts'
import { usualTrimChoices } from './trim-choices.ts'
import { trimCuts } from './trim-cuts.ts'
import { planeOffMiddle, planHeights } from './trim-heights.ts'
import { planLower, planUpper } from './trim-plan.ts'

const P = (x: number, y: number): Point => ({ x, y })

/** The model of the notes; every figure below was computed there in two ways (closed form; line search and linear programs). */
const upper: UpperLandmarks = {
  midline: [P(0, 5), P(0, 30)],
  notches: { right: P(-21, 1), left: P(21.5, 1.6) },
  canines: { right: P(-16, 31), left: P(16.4, 30.6) },
  buccal: { right: [P(-20, 26), P(-23, 19.5), P(-26, 13)], left: [P(20.4, 26), P(23, 19.6), P(26.8, 13.2)] },
  vestibule: {
    right: [P(-25, 27), P(-28, 20), P(-31, 12.5)],
    left: [P(25.5, 27), P(28.8, 20), P(31.6, 12.5)],
  },
  anterior: [P(-14.5, 39), P(14.5, 39), P(-7.5, 44.5), P(7.5, 44.5), P(0, 46.5)],
  incisorFront: P(0, 42.5),
}
const lower: LowerLandmarks = {
  backEdge: [P(-20, 0), P(20, 0)],
  mark: P(0, 0),
  canines: { right: P(-13, 33), left: P(13, 33) },
  buccal: { right: [P(-18, 27), P(-22, 19), P(-26, 11)], left: [P(18.2, 27), P(22, 19), P(26, 11)] },
  vestibule: {
    right: [P(-21, 28), P(-26, 19), P(-29.5, 10.5)],
    left: [P(21, 28), P(25.8, 19), P(29.2, 10.5)],
  },
  anterior: [P(-13, 39), P(13, 39), P(-6, 43), P(6, 43), P(0, 44)],
  incisorFront: P(0, 40),
}
const outline = [P(-40, -8), P(-42, 12), P(-24, 48), P(0, 58), P(24, 48), P(42, 12), P(40, -8)]

/** Moves every landmark by a map of the plane. */
function moved(model: UpperLandmarks, map: (p: Point) => Point): UpperLandmarks {
  const each = (points: readonly Point[]) => points.map(map)
  const both = <T, U>(sided: { readonly right: T; readonly left: T }, change: (t: T) => U) => ({
    right: change(sided.right),
    left: change(sided.left),
  })
  return {
    midline: each(model.midline),
    notches: both(model.notches, map),
    canines: both(model.canines, map),
    buccal: both(model.buccal, each),
    vestibule: both(model.vestibule, each),
    anterior: each(model.anterior),
    incisorFront: map(model.incisorFront),
  }
}
/** The mirrored patient: x turned, and right becomes left. */
function mirrored(model: UpperLandmarks): UpperLandmarks {
  const flipped = moved(model, (p) => P(-p.x, p.y))
  const swap = <T>({ right, left }: { readonly right: T; readonly left: T }) => ({ right: left, left: right })
  return {
    ...flipped,
    notches: swap(flipped.notches),
    canines: swap(flipped.canines),
    buccal: swap(flipped.buccal),
    vestibule: swap(flipped.vestibule),
  }
}

describe('the worked example, upper', () => {
  const plan = planUpper(upper)
  it('takes the right side: 65.22486°, and moves out by 0.516838 mm', () => {
    expect(plan.better).toBe('right')
    expect(plan.sideAngleDegrees).toBeCloseTo(65.22486, 5)
    expect(plan.tauDegrees).toBeCloseTo(24.77514, 5)
    expect(plan.sideLine.offset).toBeCloseTo(34.949452, 6)
    expect(plan.outwardShiftMillimetres).toBeCloseTo(0.516838, 6)
    expect(plan.asymmetryMillimetres).toBeCloseTo(0.516838, 6)
    expect(plan.slackMillimetres.right).toBeCloseTo(0.516838, 6)
    expect(plan.slackMillimetres.left).toBeCloseTo(0, 9)
  })
  it('puts corner, apex and front', () => {
    expect(plan.corner.x).toBeCloseTo(21.284211, 6)
    expect(plan.corner.y).toBeCloseTo(37.284211, 6)
    expect(plan.apex.y).toBeCloseTo(49.970218, 6)
    if (plan.front.kind !== 'planes') throw new Error('an upper has planes')
    expect(plan.front.angleDegrees).toBeCloseTo(30.79617, 5)
    expect(90 + plan.front.angleDegrees + plan.tauDegrees).toBeCloseTo(145.57131, 5)
    expect(180 - 2 * plan.front.angleDegrees).toBeCloseTo(118.40766, 5)
  })
  it('puts the heels', () => {
    const { heel } = plan
    expect(heel.betaDegrees).toBeCloseTo(57.38757, 5)
    expect(heel.gammaDegrees).toBeCloseTo(57.38757, 5)
    expect(heel.atBack.x).toBeCloseTo(26.710216, 6)
    expect(heel.atSide.x).toBeCloseTo(33.554926, 6)
    expect(heel.atSide.y).toBeCloseTo(10.697661, 6)
    expect(heel.longestMillimetres).toBeCloseTo(16.739945, 6)
    expect(heel.lengthMillimetres).toBe(12.7)
  })
  it('takes off 7, 8.63, 9.90 and 9.92 mm in that order', () => {
    const cuts = trimCuts(plan, outline)
    expect(cuts.map((c) => c.name)).toEqual([
      'back',
      'right side',
      'left side',
      'right front',
      'left front',
      'right heel',
      'left heel',
    ])
    const depths = [7, 8.632598, 8.632598, 9.904723, 9.904723, 9.924474, 9.924474]
    for (const [index, depth] of depths.entries()) expect(cuts[index]?.depthMillimetres).toBeCloseTo(depth, 6)
    expect(cuts.some((c) => c.noStone)).toBe(false)
  })
  it('finds the base 1.51 mm too thin and asks for a rebase of 3.51 mm', () => {
    // The notes give the places in the model frame, which lies 1 mm behind that of the landmarks.
    const readings = [P(0, 43), P(-24, 5), P(24, 5)].map((at, n) => ({
      at,
      heightMillimetres: [38, 36, 34][n]!,
    }))
    const heights = planHeights(plan, readings)
    expect(heights.tiltDegrees).toBeCloseTo(5.10117, 5)
    const remove = [-1.51161, -0.952254, 1.657964, 3.546333, 3.431648, 1.84399, 0.714241]
    for (const [index, each] of remove.entries())
      expect(heights.corners[index]?.removeMillimetres).toBeCloseTo(each, 6)
    expect(heights.shortMillimetres).toBeCloseTo(1.51161, 6)
    expect(heights.rebaseMillimetres).toBeCloseTo(3.51161, 6)
    expect(planHeights(plan, readings, 30).thinOverVault).toBe(true)
    expect(planHeights(plan, readings, 20).thinOverVault).toBe(false)
  })
})

describe('the worked example, lower', () => {
  const plan = planLower(lower, 65.22486)
  it.each([30, 135, 200, 290])('turned by %d° and shifted it is the same plan', (degrees) => {
    const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)]
    const map = (p: Point) => P(c * p.x - s * p.y + 9, s * p.x + c * p.y - 4)
    const { backEdge, mark, ...rest } = lower
    const { midline: _m, notches: _n, ...turned } = moved({ ...upper, ...rest }, map)
    const other = planLower({ ...turned, backEdge: backEdge.map(map) as never, mark: map(mark) }, 65.22486)
    expect(other.sideLine.offset).toBeCloseTo(plan.sideLine.offset, 9)
    expect(other.corner.x).toBeCloseTo(plan.corner.x, 9)
    expect(other.corner.y).toBeCloseTo(plan.corner.y, 9)
    expect(other.heel.lengthMillimetres).toBeCloseTo(plan.heel.lengthMillimetres, 9)
    expect(other.better).toBe(plan.better)
  })
  it('puts sides, arc and heels', () => {
    expect(plan.better).toBe('right')
    expect(plan.sideAngleDegrees).toBeCloseTo(63.43495, 5)
    expect(plan.sideLine.offset).toBeCloseTo(31.752165, 6)
    expect(plan.asymmetryMillimetres).toBeCloseTo(0.178885, 6)
    expect(plan.corner.x).toBeCloseTo(17, 6)
    expect(plan.corner.y).toBeCloseTo(37, 6)
    if (plan.front.kind !== 'arc') throw new Error('a lower has an arc')
    expect(plan.front.radiusMillimetres).toBeCloseTo(24.142857, 6)
    expect(plan.front.centre.y).toBeCloseTo(19.857143, 6)
    expect(plan.front.halfAngleDegrees).toBeCloseTo(44.76027, 5)
    expect(plan.heel.gammaDegrees).toBeCloseTo(59.17748, 4)
    expect(plan.heel.atBack.x).toBeCloseTo(23.30646, 4)
    expect(plan.heel.atSide.x).toBeCloseTo(30.15117, 4)
    expect(plan.heel.longestMillimetres).toBeCloseTo(13.246493, 4)
  })
  it('is said to be unusual by its own range, 55 to 65° at its sides', () => {
    const buccal = (back: number) => {
      const side = (s: number) => [0, 1, 2].map((n) => P(s * (18 + 4 * n), 27 - back * n))
      return { right: side(-1), left: side(1) }
    }
    const said = (back: number) =>
      planLower({ ...lower, buccal: buccal(back) }, 65.22486)
        .warnings.filter(({ code }) => code === 'unusual-angle')
        .map(({ sentence }) => metric(sentence))
        .filter((words) => words.startsWith('The side angle'))
    // atan(8/4) is 63.4°, atan(9/4) 66.0°, atan(5.5/4) 54.0°.
    expect(said(8)).toEqual([])
    expect(said(9)).toEqual([expect.stringContaining('outside the usual 55-65°')])
    expect(said(5.5)).toHaveLength(1)
  })
  it('cuts the arc after the sides', () => {
    expect(trimCuts(plan, outline).map((c) => c.name)).toEqual([
      'back',
      'right side',
      'left side',
      'front arc',
      'right heel',
      'left heel',
    ])
  })
  it('warns of anatomy behind the back', () => {
    const behind = {
      ...lower,
      vestibule: { ...lower.vestibule, left: [...lower.vestibule.left, P(29, -1.5)] },
    }
    expect(planLower(behind, 65.22486).warnings.map((w) => w.code)).toContain('behind-back')
  })
})

/** A symmetric arch whose plan is trigonometry by hand: sides at tan τ = t, front at 45° from canine corner to apex. */
function handModel(change: Partial<UpperLandmarks> = {}): UpperLandmarks {
  const side = (s: number) => [P(s * 20, 26), P(s * 23, 20), P(s * 26, 14)]
  return {
    midline: [P(0, 5), P(0, 30)],
    notches: { right: P(-20, 2), left: P(20, 2) },
    canines: { right: P(-16, 30), left: P(16, 30) },
    buccal: { right: side(-1), left: side(1) },
    vestibule: { right: [P(-28, 20)], left: [P(28, 20)] },
    anterior: [P(0, 44)],
    incisorFront: P(0, 41),
    ...change,
  }
}

describe('models worked by hand', () => {
  // tan τ = 3/6: τ = 26.565°, α = 63.435°. n = (cos τ, sin τ) = (2, 1)/√5. Back is 2 - 2 = 0, so the frame is the model's.
  it('symmetric: h = (2 · 28 + 20)/√5, nothing asymmetric', () => {
    const plan = planUpper(handModel())
    expect(plan.sideAngleDegrees).toBeCloseTo(63.43495, 5)
    expect(plan.sideLine.offset).toBeCloseTo(76 / Math.sqrt(5), 9)
    expect(plan.asymmetryMillimetres).toBeCloseTo(0, 9)
    expect(plan.either).toBe(true)
    // From (16, 30) along 45° to 2w + y = 76: 62 + 3t = 76, t = 14/3. Front to (0, 44): atan((44 - 34.667)/20.667).
    expect(plan.corner.x).toBeCloseTo(16 + 14 / 3, 9)
    if (plan.front.kind !== 'planes') throw new Error('planes')
    expect(plan.front.angleDegrees).toBeCloseTo(
      (Math.atan((44 - 30 - 14 / 3) / (16 + 14 / 3)) * 180) / Math.PI,
      9,
    )
  })
  it('skewed: turned by 30° and shifted, the same plan', () => {
    const [c, s] = [Math.cos(Math.PI / 6), Math.sin(Math.PI / 6)]
    const turned = planUpper(moved(handModel(), (p) => P(c * p.x - s * p.y + 7, s * p.x + c * p.y - 3)))
    expect(turned.sideLine.offset).toBeCloseTo(76 / Math.sqrt(5), 9)
  })
  it('one canine out of line: the better side gives the corner', () => {
    const plan = planUpper(handModel({ canines: { right: P(-16, 30), left: P(18, 26) } }))
    expect(plan.better).toBe('right')
    expect(plan.corner.x).toBeCloseTo(16 + 14 / 3, 9)
  })
  it('one side crowded: its residual is larger, the other is taken', () => {
    const crowded = [P(20, 26), P(25, 20), P(26, 14)]
    const plan = planUpper(handModel({ buccal: { right: handModel().buccal.right, left: crowded } }))
    expect(plan.better).toBe('right')
    // The crowded vestibule of the left reaches further: (2 · 29 + 20)/√5 for both.
    const further = planUpper(handModel({ vestibule: { right: [P(-28, 20)], left: [P(29, 20)] } }))
    expect(further.sideLine.offset).toBeCloseTo(78 / Math.sqrt(5), 9)
    expect(further.asymmetryMillimetres).toBeCloseTo(2 / Math.sqrt(5), 9)
  })
  it('small arch: too short for the wanted heel, as long as it can be', () => {
    // α = 63.435°: C = (38, 0), bisector b = (-cos α/2, sin α/2), q to the notch (20, 2), D1 = 1/(2 tan(α/2)).
    const half = Math.atan(2) / 2
    const corner = 38
    const room = (corner - 25) * Math.cos(half) + 2 * Math.sin(half)
    const small = handModel({ notches: { right: P(-25, 2), left: P(25, 2) } })
    const expected = Math.min(room, (corner - 28) * Math.cos(half) + 20 * Math.sin(half)) * 2 * Math.tan(half)
    expect(planUpper(small).heel.longestMillimetres).toBeCloseTo(expected, 9)
  })
  it('thin base: short by 4.925 mm at 30 mm, rebase by 6.925; or the plane off the middle', () => {
    const readings = [P(0, 40), P(-20, 5), P(20, 5)].map((at) => ({ at, heightMillimetres: 30 }))
    const heights = planHeights(planUpper(handModel()), readings)
    expect(heights.tiltDegrees).toBeCloseTo(0, 9)
    expect(heights.rebaseMillimetres).toBeCloseTo(34.925 - 30 + 2, 9)
    expect(planeOffMiddle(33, 40)).toBeCloseTo(33 - 34.925, 9)
    expect(planeOffMiddle(40, 40)).toBe(0)
    expect(planeOffMiddle(30, 40)).toBeUndefined()
  })
  it.each([
    // Usual: sides at 60 to 70° of an upper (handbooks, recalled loosely); atan of the rise of the buccal line.
    [3, 5, true],
    [3, 5.4, false],
    [3, 6, false],
    [3, 8, false],
    [3, 8.5, true],
  ])('sides that run %d out for %d back are said to be unusual: %s', (out, back, isUnusual) => {
    const side = (s: number) => [0, 1, 2].map((n) => P(s * (20 + out * n), 26 - back * n))
    const plan = planUpper(handModel({ buccal: { right: side(-1), left: side(1) } }))
    const degrees = (Math.atan(back / out) * 180) / Math.PI
    expect(plan.sideAngleDegrees).toBeCloseTo(degrees, 9)
    const words = plan.warnings
      .filter(({ code }) => code === 'unusual-angle')
      .map(({ sentence }) => metric(sentence))
    expect(words.some((word) => word.startsWith('The side angle of'))).toBe(isUnusual)
    for (const word of words)
      expect(word).toMatch(/outside the usual \d+-\d+°: look at the landmarks again\.$/)
  })
  it('two places are a line, one is none', () => {
    const two = { right: [P(-20, 26), P(-26, 14)], left: [P(20, 26), P(26, 14)] }
    expect(planUpper(handModel({ buccal: two })).sideAngleDegrees).toBeCloseTo(
      (Math.atan(2) * 180) / Math.PI,
      9,
    )
  })
  it('a steep front is kept at 40° and the sides move out', () => {
    const plan = planUpper(handModel({ anterior: [P(0, 60)], incisorFront: P(0, 41) }))
    expect(plan.warnings.map((w) => w.code)).toContain('front-steep')
    expect(plan.front).toMatchObject({ kind: 'planes', angleDegrees: expect.closeTo(40, 9) })
    expect(plan.apex.y).toBeGreaterThanOrEqual(60 - 1e-9)
  })
  // Worked in the notes: d1 30, d2 32, L 20 gives f = 6.9, 29.1957 from the midline.
  it('calipers give a point', () => {
    const { forward, fromMidline } = fromCalipers(30, 32, 20)
    expect(forward).toBeCloseTo(6.9, 9)
    expect(fromMidline).toBeCloseTo(29.1957, 4)
  })
})

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
