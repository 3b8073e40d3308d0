import { describe, expect, it } from '@jest/globals'
import { ball, moved, post, together } from '../testing/shapes.ts'
import { metric, refused } from '../testing/words.ts'
import {
  boundsOf,
  CastSurvey,
  CastView,
  castFrame,
  clustered,
  FILE_FRAME,
  inFrame,
  LEVEL,
  levelFloor,
  planeUp,
  roomUnder,
  soundScan,
  surveyMesh,
  surveyPlace,
  turnedOver,
  unitOf,
  usualFloor,
} from './index.ts'

const arch = together(post(20, 4, { rounds: 96 }), ball(4, [8, 2, 8], 64), ball(3, [-9, 6, 7], 64))

describe('the frame of a cast', () => {
  it('midline and plane make it: y forwards, z away from the base', () => {
    const found = castFrame([0, 30, 8], [0, 0, 8], [0, 0, 2])
    expect(found).toEqual(FILE_FRAME)
    const turned = castFrame([-30, 0, 8], [0, 0, 8], [0, 0, 1])
    expect(turned.y).toEqual([-1, 0, 0])
    const mesh = inFrame(arch, turned)
    expect(boundsOf(mesh).max[1]).toBeCloseTo(-boundsOf(arch).min[0], 4)
    expect(refused(() => castFrame([0, 0, 8], [0, 0, 2], [0, 0, 1]))?.code).toBe('midline-too-short')
    // The plane looks away from what lies under it, in whatever order it was tapped.
    for (const places of [
      [
        [0, 30, 9],
        [20, 0, 9],
        [-20, 0, 9],
      ],
      [
        [0, 30, 9],
        [-20, 0, 9],
        [20, 0, 9],
      ],
    ] as const)
      expect(planeUp(places, [0, 15, 4])[2]).toBeCloseTo(1, 9)
  })
  it('the floor is put a quarter up, or 1 mm over the sulcus', () => {
    expect(usualFloor(post(4, 8), 2).height).toBe(3)
    expect(usualFloor(post(4, 8)).height).toBe(2)
    expect(refused(() => new CastSurvey(post(4, 8), levelFloor(8)))?.code).toBe('region-empty')
  })
  it('corners of a cube are drawn together', () => {
    const coarse = clustered(arch, 2)
    expect(coarse.mesh.triangles.length).toBeLessThan(arch.triangles.length / 4)
    expect(coarse.of).toHaveLength(arch.positions.length / 3)
  })
  it('and only of one cube, along each of its sides', () => {
    const corners = (...places: readonly (readonly [number, number, number])[]) => [
      ...clustered({ positions: Float32Array.from(places.flat()), triangles: Uint32Array.from([]) }, 2).of,
    ]
    expect(corners([0.1, 0.1, 0.1], [1.9, 0.1, 0.1], [0.1, 1.9, 0.1], [0.1, 0.1, 1.9])).toEqual([0, 0, 0, 0])
    expect(corners([1.9, 1.9, 1.9], [2.1, 1.9, 1.9], [1.9, 2.1, 1.9], [1.9, 1.9, 2.1])).toEqual([0, 1, 2, 3])
    expect(corners([-0.1, 0, 0], [0.1, 0, 0])).toEqual([0, 1])
  })
  it.each([0.04, 0.6, Number.NaN])('a cell of %d is refused', (cell) =>
    expect(refused(() => new CastView(arch, levelFloor(0)).look([0, 0, 1], cell))?.code).toBe(
      'cell-out-of-range',
    ),
  )
  it('a scan that is wider than a survey can be is refused', () => {
    const wide = together(post(2, 3, { rounds: 16 }), post(2, 3, { rounds: 16, middle: [400, 400] }))
    expect(refused(() => new CastView(wide, levelFloor(0)).look([0, 0, 1], 0.15))?.code).toBe(
      'mesh-too-large',
    )
    expect(refused(() => surveyMesh({ count: 2_500_001, read: () => undefined }))?.code).toBe(
      'mesh-too-large',
    )
    expect(
      refused(() =>
        surveyMesh({ count: 1, read: (_, into) => into.set([0, 0, Number.NaN, 1, 0, 0, 0, 1, 0]) }),
      )?.code,
    ).toBe('mesh-not-a-number')
  })
  it('painted, a gap counts when its upper or its lower face does', () => {
    const body = together(ball(4, [0, 0, 7], 64), post(6, 1, { rounds: 64 }))
    const view = new CastView(body, levelFloor(0.5))
    view.look([0, 0, 1], 0.15)
    const all = roomUnder(view).cubicMillimetres
    const balls = ball(4, [0, 0, 7], 64).triangles.length / 3
    const painted = (of: (n: number) => boolean) =>
      roomUnder(
        view,
        Uint8Array.from({ length: body.triangles.length / 3 }, (_, n) => (of(n) ? 1 : 0)),
      ).cubicMillimetres
    expect(painted((n) => n < balls)).toBeCloseTo(all, 6)
    // The plate's top is the lower face of every gap.
    expect(painted((n) => n >= balls)).toBeCloseTo(all, 6)
    expect(painted(() => false)).toBe(0)
  })
})

it('the unit is taken where one alone fits, and asked where several or none do', () => {
  expect(unitOf(64)).toBe('mm')
  expect(unitOf(0.07)).toBe('m')
  // 2.5 is a cast in inches, or half of one in centimetres.
  for (const size of [2.5, 0.0004, 50_000]) {
    const against = refused(() => unitOf(size))
    expect([against?.code, against?.field]).toEqual(['units-unclear', 'unit'])
  }
  expect(refused(() => unitOf(0.0004))?.message).toBe('The cast would be 0.0004 mm wide.')
})

it('a base that lies upwards is told; the flat tops of a few teeth are none', () => {
  const teeth = [-9, 0, 9].map((x) =>
    moved(post(3, 6, { rounds: 64, middle: [x, 0] }), (px, py, z) => [px, py, z + 3]),
  )
  const cast = together(post(20, 4, { rounds: 96 }), ...teeth)
  expect(soundScan(cast).upsideDown).toBe(false)
  expect(soundScan(turnedOver(cast)).upsideDown).toBe(true)
})

describe('a place', () => {
  const body = ball(4, [0, 0, 4])
  const survey = new CastSurvey(body, levelFloor(0.2))
  const place = (change: Partial<Parameters<typeof surveyPlace>[0]> = {}) =>
    surveyPlace({
      mesh: body,
      normals: survey.normals,
      floor: survey.floor,
      tilt: LEVEL,
      tap: [3.9, 0, 3.1],
      gaugeMillimetres: 0.5,
      ...change,
    })
  // On a ball of 4: closed form.
  it.each([
    [0.25, 1.4217, 1.3919, 20.364],
    [0.5, 2.0214, 1.9365, 28.955],
    [0.75, 2.4895, 2.3318, 35.659],
  ])(
    'a gauge of %d touches %d down the wall, %d below the line, at %d degrees',
    (gaugeMillimetres, down, drop, angle) => {
      const { tip, levelMillimetres, words } = place({ gaugeMillimetres })
      expect(Math.abs(tip!.downMillimetres - down)).toBeLessThan(0.06)
      expect(Math.abs(tip!.dropMillimetres - drop)).toBeLessThan(0.03)
      expect(Math.abs(tip!.angleDegrees - angle)).toBeLessThan(1.5)
      expect(Math.abs(levelMillimetres - gaugeMillimetres)).toBeLessThan(0.01)
      expect(words).toEqual([])
    },
  )
  it('tilted, the section still tells the truth', () => {
    const { tip } = place({ tilt: { lateralDegrees: 8, anteroposteriorDegrees: 0 } })
    expect(Math.abs(tip!.downMillimetres - 2.0214)).toBeLessThan(0.06)
  })
  it('what tilt alone makes is warned of', () => {
    const upright = post(4, 7)
    const found = surveyPlace({
      mesh: upright,
      normals: new CastSurvey(upright, levelFloor(0.2)).normals,
      floor: levelFloor(0.2),
      tilt: { lateralDegrees: 12, anteroposteriorDegrees: 0 },
      tap: [-4, 0, 4],
      gaugeMillimetres: 0.5,
    })
    expect(found.levelMillimetres).toBe(0)
    expect(found.words.map(({ code }) => code)).toEqual(['only-by-tilt'])
  })
  it('near the gum, nearly parallel, and where there is nothing', () => {
    const gum = (z: number) => place({ gum: [3.5, 0, z] }).words.map(({ code }) => code)
    expect(gum(1.4)).toEqual(['near-gum'])
    expect(gum(0.5)).toEqual([])
    const steep = post(3, 12, { top: 3.6 })
    const parallel = surveyPlace({
      mesh: steep,
      normals: new CastSurvey(steep, levelFloor(0.2)).normals,
      floor: levelFloor(0.2),
      tilt: LEVEL,
      tap: [3.3, 0, 6],
      gaugeMillimetres: 0.25,
    })
    expect(parallel.words.map(({ code }) => code)).toEqual(['nearly-parallel'])
    const none = surveyPlace({
      mesh: steep,
      normals: new CastSurvey(steep, levelFloor(0.2)).normals,
      floor: levelFloor(0.2),
      tilt: LEVEL,
      tap: [3.3, 0, 6],
      gaugeMillimetres: 1.5,
    })
    expect(none.words.map(({ code }) => code)).toEqual(['no-undercut-here'])
    expect(metric(none.words[0]!.say)).toMatch(
      /^Deepest here is 0\.\d+ mm\. Another tooth, another tilt, or ask the dentist for a contour\.$/,
    )
  })
  it('stone in the way of the gauge is told', () => {
    // A lip in front of the wall, over which the rod does not come in.
    const cave = together(
      post(3, 2, { rounds: 128 }),
      moved(post(3, 1, { rounds: 128 }), (x, y, z) => [x, y, z + 6]),
      post(1, 7, { rounds: 128 }),
      moved(post(0.4, 7, { rounds: 64 }), (x, y, z) => [x + 2, y, z]),
    )
    const found = surveyPlace({
      mesh: cave,
      normals: new CastSurvey(cave, levelFloor(0.2)).normals,
      floor: levelFloor(0.2),
      tilt: LEVEL,
      tap: [1, 0, 4],
      gaugeMillimetres: 1.5,
    })
    expect(found.words.map(({ code }) => code)).toContain('not-reachable')
  })
  it('a narrow gap is told', () => {
    // Two long bodies that nearly touch: 0.12 mm of free between them, which coarser cells do not see.
    const pair = moved(
      together(
        post(3, 8, { top: 3.6, rounds: 128, middle: [-3.66, 0] }),
        post(3, 8, { top: 3.6, rounds: 128, middle: [3.66, 0] }),
      ),
      (x, y, z) => [x, 12 * y, z],
    )
    const codes = (tap: readonly [number, number, number]) =>
      surveyPlace({
        mesh: pair,
        normals: new CastSurvey(pair, levelFloor(0.2)).normals,
        floor: levelFloor(0.2),
        tilt: LEVEL,
        tap,
        gaugeMillimetres: 0.35,
      }).words.map(({ code }) => code)
    expect(codes([-0.36, 0, 4])).toContain('crease')
    expect(codes([-3.66 - 3.3, 0, 4])).not.toContain('crease')
  })
  it('a tap beside the cast is refused', () =>
    expect(refused(() => place({ tap: [9, 0, 3] }))?.code).toBe('place-not-on-cast'))
})
