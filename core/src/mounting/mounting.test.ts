import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { BONWILL_MILLIMETRES, incisalPoint } from './articulator.ts'
import { cuspAngle } from './compensating-sphere.ts'
import {
  type Articulator,
  articulatorCards,
  checkArticulator,
  christensenGap,
  type JawMovement,
  MONSON_RADIUS_MILLIMETRES,
  type Movement,
  moveJaw,
  onSphere,
  pinForOpening,
  type SpacePoint,
  sphereOnPlane,
  sphereThrough,
  toothContact,
  toothOpening,
  travelDirection,
} from './index.ts'

const both = (value: number) => ({ right: value, left: value })
const S = (x: number, y: number, z: number): SpacePoint => ({ x, y, z })
/** The articulator of the notes' worked example; every figure there was computed twice, in closed form and numerically. */
const worked: Articulator = {
  intercondylarMillimetres: 110,
  condylarDegrees: both(30),
  bennettDegrees: both(15),
  immediateSideShiftMillimetres: 0,
  incisalDegrees: 15,
  wingDegrees: both(0),
  pinTip: { x: 100, z: -50 },
}
const [molarLeft, molarRight, incisor] = [S(50, 25, -35), S(50, -25, -35), S(85, 0, -35)]
const close = (got: SpacePoint, x: number, y: number, z: number) => {
  expect(got.x).toBeCloseTo(x, 5)
  expect(got.y).toBeCloseTo(y, 5)
  expect(got.z).toBeCloseTo(z, 5)
}
const go = (
  articulator: Articulator,
  movement: Movement,
  advanceMillimetres: number,
  more: Partial<JawMovement> = {},
) => moveJaw(articulator, { movement, advanceMillimetres, ...more })
const degrees = (radians: number) => (radians * 180) / Math.PI

describe('the worked example', () => {
  it('triangle: the incisal point at a Balkwill angle of 24°', () => {
    const triangle = { intercondylarMillimetres: 110, sideMillimetres: 110, balkwillDegrees: 24 }
    close(incisalPoint(triangle), 87.026893, 0, -38.746869)
  })
  // Bonwill 1885 and Monson 1920, recalled: 4 in; the altitude of the equilateral triangle of 101.6 is 87.98818.
  it('4 in are 101.6 mm, for triangle and sphere', () => {
    expect([BONWILL_MILLIMETRES, MONSON_RADIUS_MILLIMETRES]).toEqual([101.6, 101.6])
    const flat = { intercondylarMillimetres: 101.6, sideMillimetres: 101.6, balkwillDegrees: 0 }
    expect(incisalPoint(flat).x).toBeCloseTo(87.98818, 5)
  })
  it('pin 1 mm longer opens a molar by 0.497 mm on a flat table, 0.438 mm on one of 15°', () => {
    const flat = toothOpening({ ...worked, incisalDegrees: 0 }, 1, molarLeft)
    expect(flat.rotationDegrees).toBeCloseTo(0.571514, 6)
    expect(flat.openingMillimetres).toBeCloseTo(0.49699, 6)
    expect(flat.similarTrianglesMillimetres).toBe(0.5)
    const sloped = toothOpening(worked, 1, molarLeft)
    expect(sloped.rotationDegrees).toBeCloseTo(0.503609, 6)
    expect(sloped.openingMillimetres).toBeCloseTo(0.438124, 6)
  })
  it('protrusion of 4 mm', () => {
    const pose = go(worked, 'protrusion', 4)
    expect(degrees(pose.opening)).toBeCloseTo(-0.652634, 6)
    close(pose.move(molarLeft), 54.395419, 25, -36.737612)
    close(pose.move(incisor), 89.393149, 0, -36.338949)
    const at4 = travelDirection(worked, { movement: 'protrusion', advanceMillimetres: 4 }, molarLeft)
    expect(at4.dipDegrees).toBeCloseTo(21.200381, 5)
    const at0 = (point: SpacePoint) =>
      travelDirection(worked, { movement: 'protrusion', advanceMillimetres: 0 }, point).dipDegrees
    expect(at0(molarLeft)).toBeCloseTo(21.924323, 5)
    expect(at0(incisor)).toBeCloseTo(17.501048, 5)
  })
  it('protrusion on unequal guides', () => {
    const pose = go({ ...worked, condylarDegrees: { right: 20, left: 35 } }, 'protrusion', 4)
    close(pose.condyles.right, 4, -54.995889, -1.455881)
    close(pose.condyles.left, 4, 54.995889, -2.80083)
    expect(degrees(pose.opening)).toBeCloseTo(-0.558714, 6)
    close(pose.move(molarLeft), 54.338916, 24.576175, -36.94222)
  })
  it('right lateral, with the Bennett shift and with the working condyle fixed', () => {
    const pose = go(worked, 'rightLateral', 4)
    close(pose.condyles.right, 0, -55.974784, 0)
    close(pose.condyles.left, 4, 53.928203, -2.309401)
    expect(degrees(pose.opening)).toBeCloseTo(-0.360934, 6)
    close(pose.move(incisor), 87.136091, -4.845913, -35.610957)
    close(pose.move(molarRight), 51.250684, -28.555508, -35.306525)
    close(pose.move(molarLeft), 53.068866, 21.400395, -36.356253)
    const direction = travelDirection(worked, { movement: 'rightLateral', advanceMillimetres: 4 }, molarRight)
    expect(direction.dipDegrees).toBeCloseTo(3.957528, 4)
    expect(direction.azimuthDegrees).toBeCloseTo(-70.719138, 4)
    const fixed = go(worked, 'rightLateral', 4, { workingFixed: true })
    close(fixed.condyles.left, 4, 54.902988, -2.309401)
    expect(degrees(fixed.opening)).toBeCloseTo(-0.355141, 6)
  })
  it('wings lift it: the left plane carries', () => {
    const pose = go({ ...worked, wingDegrees: both(20) }, 'rightLateral', 4)
    expect(degrees(pose.opening)).toBeCloseTo(0.693125, 6)
    close(pose.move(incisor), 86.486918, -4.855098, -37.172445)
    close(pose.move(molarRight), 50.603868, -28.551252, -36.224279)
    close(pose.move(molarLeft), 52.42205, 21.404652, -37.274007)
  })
  it('flat rims gape behind by 1.148 mm when protruded by 4', () =>
    expect(christensenGap(worked, { x: 85, z: -35 }, 4, 45)).toBeCloseTo(1.147556, 6))
  it('the compensating sphere, and the cusp angle on it', () => {
    const triangle = { intercondylarMillimetres: 101.6, sideMillimetres: 101.6, balkwillDegrees: 24 }
    const sphere = sphereThrough([S(0, -50.8, 0), S(0, 50.8, 0), incisalPoint(triangle)])
    close(sphere.centre, 60.535001, 0, 63.854786)
    const there = onSphere(sphere, { x: 50, y: 25 })
    expect(there.z).toBeCloseTo(-34.056264, 5)
    expect(there.z + 35.788017).toBeCloseTo(1.731753, 5)
    const narrow = { ...worked, intercondylarMillimetres: 101.6 }
    const cusp = cuspAngle(
      narrow,
      { movement: 'protrusion', advanceMillimetres: 4 },
      S(50, 25, there.z),
      there,
    )
    expect(cusp.dipDegrees).toBeCloseTo(21.251086, 4)
    expect(cusp.tiltDegrees).toBeCloseTo(6.141265, 5)
    expect(cusp.cuspDegrees).toBeCloseTo(15.109821, 4)
    expect(onSphere(sphereOnPlane(-35, 60), { x: 60, y: 0 })).toEqual({ z: -35, slopeX: 0, slopeY: 0 })
    const point = incisalPoint(triangle)
    const set = { articulator: narrow, incisor: point, sphere, advanceMillimetres: 4 }
    const place = { behindMillimetres: point.x - 50, asideMillimetres: 25 }
    const tooth = toothContact(set, place, 'left')
    expect(tooth.heightMillimetres).toBeCloseTo(1.731753, 5)
    expect(tooth.protrusion.cuspDegrees).toBeCloseTo(15.109821, 4)
  })
  // The same example's directions at the first molars on the flat plane, right lateral: on a plane the tilt is 0.
  it('a flat plane: the cusp angle is the dip of the way, the steepest movement decides', () => {
    const flat = { articulator: worked, incisor, advanceMillimetres: 4 }
    const place = { behindMillimetres: 35, asideMillimetres: 25 }
    const right = toothContact(flat, place, 'right')
    expect(right.working.cuspDegrees).toBeCloseTo(3.957528, 4)
    expect(toothContact(flat, place, 'left').balancing.cuspDegrees).toBeCloseTo(15.549233, 4)
    expect(right.protrusion.cuspDegrees).toBeCloseTo(21.200381, 4)
    expect(right.neededDegrees).toBeCloseTo(21.200381, 4)
    expect(right.heightMillimetres).toBe(0)
  })
  it('steep wings of the table open the balancing side most: it decides', () => {
    const winged = {
      ...worked,
      condylarDegrees: { right: 40, left: 40 },
      incisalDegrees: 0,
      wingDegrees: { right: 45, left: 45 },
    }
    const set = { articulator: winged, incisor, advanceMillimetres: 4 }
    // Moved to the right, the left condyle slides forward: the left is the balancing side.
    const left = toothContact(set, { behindMillimetres: 35, asideMillimetres: 25 }, 'left')
    expect(left.balancing.cuspDegrees).toBeGreaterThan(
      Math.max(left.protrusion.cuspDegrees, left.working.cuspDegrees) + 1,
    )
    expect(left.neededDegrees).toBe(left.balancing.cuspDegrees)
  })
  it('whatever the articulator, no movement needs more than is needed', () => {
    const angle = (most: number) => fc.double({ min: 0, max: most, noNaN: true })
    fc.assert(
      fc.property(angle(55), angle(55), angle(30), angle(25), (right, left, incisal, wing) => {
        const articulator = {
          ...worked,
          condylarDegrees: { right, left },
          incisalDegrees: incisal,
          wingDegrees: { right: wing, left: wing },
        }
        const set = { articulator, incisor, advanceMillimetres: 3 }
        for (const side of ['right', 'left'] as const) {
          const tooth = toothContact(set, { behindMillimetres: 30, asideMillimetres: 24 }, side)
          const each = [tooth.protrusion, tooth.working, tooth.balancing].map(
            ({ cuspDegrees }) => cuspDegrees,
          )
          for (const degrees of each) expect(tooth.neededDegrees).toBeGreaterThanOrEqual(degrees)
          expect(each).toContain(tooth.neededDegrees)
        }
      }),
    )
  })
})

describe('laws of a rigid jaw', () => {
  const angle = (most: number) => fc.double({ min: 0, max: most, noNaN: true })
  const articulators = fc
    .record({
      r: angle(45),
      l: angle(45),
      br: angle(20),
      bl: angle(20),
      i: angle(30),
      wr: angle(25),
      wl: angle(25),
    })
    .map(
      (a): Articulator => ({
        ...worked,
        condylarDegrees: { right: a.r, left: a.l },
        bennettDegrees: { right: a.br, left: a.bl },
        incisalDegrees: a.i,
        wingDegrees: { right: a.wr, left: a.wl },
      }),
    )
  const movements = fc.constantFrom<Movement>('protrusion', 'rightLateral', 'leftLateral')
  const advance = angle(8)
  const points = fc.record({
    x: fc.double({ min: 20, max: 90, noNaN: true }),
    y: fc.double({ min: -35, max: 35, noNaN: true }),
    z: fc.double({ min: -60, max: -10, noNaN: true }),
  })
  const apart = (a: SpacePoint, b: SpacePoint) => Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z)

  it('equal condylar and incisal angles move every point along that angle', () => {
    fc.assert(
      fc.property(angle(60), advance, points, (gamma, X, point) => {
        const equal = { ...worked, condylarDegrees: both(gamma), incisalDegrees: gamma }
        const moved = go(equal, 'protrusion', X).move(point)
        close(moved, point.x + X, point.y, point.z - X * Math.tan((gamma * Math.PI) / 180))
      }),
    )
  })
  it('distances between points of the lower never change', () => {
    fc.assert(
      fc.property(articulators, movements, advance, points, points, (a, movement, X, p, q) => {
        const { move } = go(a, movement, X)
        expect(apart(move(p), move(q))).toBeCloseTo(apart(p, q), 8)
      }),
    )
  })
  it('the condyles stay their distance apart and the tip stays on its table', () => {
    fc.assert(
      fc.property(articulators, movements, advance, (a, movement, X) => {
        const { condyles, move } = go(a, movement, X)
        expect(apart(condyles.right, condyles.left)).toBeCloseTo(110, 8)
        close(move(S(0, 55, 0)), condyles.left.x, condyles.left.y, condyles.left.z)
      }),
    )
  })
  it('right and left swapped change the sign of y and nothing else', () => {
    const swap = ({ right, left }: { right: number; left: number }) => ({ right: left, left: right })
    fc.assert(
      fc.property(articulators, advance, points, (a, X, p) => {
        const mirrored = {
          ...a,
          condylarDegrees: swap(a.condylarDegrees),
          bennettDegrees: swap(a.bennettDegrees),
          wingDegrees: swap(a.wingDegrees),
        }
        const one = go(a, 'rightLateral', X).move(p)
        const other = go(mirrored, 'leftLateral', X).move({ ...p, y: -p.y })
        close(other, one.x, -one.y, one.z)
      }),
    )
  })
  it('no advance and no pin: no movement', () => {
    fc.assert(
      fc.property(articulators, movements, points, (a, movement, p) => {
        close(go(a, movement, 0).move(p), p.x, p.y, p.z)
      }),
    )
  })
  it('without slopes a lateral keeps every height', () => {
    const level = { ...worked, condylarDegrees: both(0), incisalDegrees: 0 }
    fc.assert(
      fc.property(advance, points, (X, p) =>
        expect(go(level, 'rightLateral', X).move(p).z).toBeCloseTo(p.z, 8),
      ),
    )
  })
  it('a steeper condyle lets the molars drop more', () => {
    const drop = (gamma: number) =>
      -go({ ...worked, condylarDegrees: both(gamma) }, 'protrusion', 4).move(molarLeft).z
    expect(drop(40)).toBeGreaterThan(drop(30))
  })
  it('pin to tooth and back again, on any table', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -5, max: 5, noNaN: true }),
        angle(30),
        points,
        (pin, incisalDegrees, tooth) => {
          const a = { ...worked, incisalDegrees }
          const { openingMillimetres } = toothOpening(a, pin, tooth)
          expect(pinForOpening(a, openingMillimetres, tooth)).toBeCloseTo(pin, 6)
        },
      ),
    )
  })
})

describe('refusals', () => {
  const code = (run: () => unknown) => {
    try {
      run()
    } catch (error) {
      return (error as { code: string }).code
    }
    return 'taken'
  }
  it.each<[string, Partial<Articulator>]>([
    ['not-a-number', { incisalDegrees: Number.NaN }],
    ['intercondylar', { intercondylarMillimetres: 0 }],
    ['guide-angle', { condylarDegrees: { right: 80, left: 30 } }],
    ['guide-angle', { bennettDegrees: { right: 15, left: -1 } }],
    ['guide-angle', { wingDegrees: both(61) }],
    ['side-shift', { immediateSideShiftMillimetres: 4 }],
    ['pin-behind-axis', { pinTip: { x: -5, z: -50 } }],
  ])('%s', (wanted, change) => expect(code(() => checkArticulator({ ...worked, ...change }))).toBe(wanted))
  it('movements, openings, triangles and spheres', () => {
    expect(code(() => go(worked, 'protrusion', -1))).toBe('negative-advance')
    expect(code(() => go(worked, 'rightLateral', 105))).toBe('condyles-too-far')
    expect(code(() => go(worked, 'protrusion', 1, { pinMillimetres: 21 }))).toBe('opening')
    expect(code(() => toothOpening(worked, 25, incisor))).toBe('opening')
    expect(
      code(() => incisalPoint({ intercondylarMillimetres: 110, sideMillimetres: 50, balkwillDegrees: 20 })),
    ).toBe('triangle')
    expect(code(() => sphereThrough([S(0, -80, 0), S(0, 80, 0), S(90, 0, -30)], 60))).toBe('sphere-too-small')
    expect(code(() => onSphere(sphereOnPlane(0, 0, 50), { x: 60, y: 0 }))).toBe('outside-sphere')
  })
  it('every shipped kind is sound and says where its figures come from', () => {
    for (const { articulator, source } of articulatorCards) {
      checkArticulator(articulator)
      expect(source).toMatch(/recalled|common practice/)
    }
  })
})

// The limits of the model notes, section 8, each taken at its end and refused past it.
describe('what an articulator can be set to', () => {
  const usual = articulatorCards[0]!.articulator
  it.each<[string, (value: number) => Partial<Articulator>, number, number]>([
    ['guide-angle', (x) => ({ condylarDegrees: both(x) }), 0, 75],
    ['guide-angle', (x) => ({ condylarDegrees: { right: 30, left: x } }), 0, 75],
    ['guide-angle', (x) => ({ incisalDegrees: x }), 0, 75],
    ['guide-angle', (x) => ({ bennettDegrees: both(x) }), 0, 45],
    ['guide-angle', (x) => ({ wingDegrees: both(x) }), 0, 60],
    ['side-shift', (x) => ({ immediateSideShiftMillimetres: x }), 0, 3],
  ])('%s: %#', (code, of, least, most) => {
    const check = (value: number) => () => checkArticulator({ ...usual, ...of(value) })
    for (const value of [least, most]) expect(check(value)).not.toThrow()
    for (const value of [least - 0.01, most + 0.01])
      expect(check(value)).toThrow(expect.objectContaining({ code }))
  })
  it('the pin stands in front of the axis, on its table', () => {
    const at =
      (x: number, z: number, incisalDegrees = 45) =>
      () =>
        checkArticulator({ ...usual, incisalDegrees, pinTip: { x, z } })
    expect(at(0, -50)).toThrow(expect.objectContaining({ code: 'pin-behind-axis', field: 'pinTip' }))
    // x cos 45° - z sin 45° is 0 where z is x.
    expect(at(50, 51)).toThrow(expect.objectContaining({ code: 'pin-behind-axis' }))
    expect(at(50, 49)).not.toThrow()
  })
  // Prosthodontic textbooks, recalled: condylar about 33°, Bennett about 15°; 110 mm between the condyles, model notes.
  it('the average-value one is average, the plain hinge has no guides', () => {
    const [average, hinge] = articulatorCards
    expect(average).toMatchObject({
      takesFacebow: true,
      articulator: {
        intercondylarMillimetres: 110,
        condylarDegrees: { right: 33, left: 33 },
        bennettDegrees: { right: 15, left: 15 },
        incisalDegrees: 10,
        immediateSideShiftMillimetres: 0,
        pinTip: { x: 100, z: -50 },
      },
    })
    expect(hinge).toMatchObject({
      takesFacebow: false,
      articulator: {
        condylarDegrees: { right: 0, left: 0 },
        bennettDegrees: { right: 0, left: 0 },
        incisalDegrees: 0,
      },
    })
  })
})
