import { describe, expect, it } from '@jest/globals'
import { lower, moved, outline, P, upper } from '../testing/arch-models.ts'
import { metric } from '../testing/words.ts'
import { fromCalipers, type Point } from './index.ts'
import type { UpperLandmarks } from './landmarks.ts'
import { trimCuts } from './trim-cuts.ts'
import { planeOffMiddle, planHeights } from './trim-heights.ts'
import { planLower, planUpper } from './trim-plan.ts'

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
