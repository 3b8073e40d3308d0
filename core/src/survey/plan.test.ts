import { describe, expect, it } from '@jest/globals'
import { ball, post, together } from '../testing/shapes.ts'
import {
  CastSurvey,
  cornerNormals,
  LEVEL,
  levelFloor,
  type SurveyMesh,
  soundScan,
  type TableTilt,
  turnedOver,
} from './index.ts'

/** Pieces of a plan, four numbers each: how long they are together, and how far from their middle their ends lie. */
function measured(pieces: Float32Array, isFar: (millimetres: number) => boolean = () => true) {
  const ends = Array.from(
    { length: pieces.length / 2 },
    (_, n) => [pieces[2 * n]!, pieces[2 * n + 1]!] as const,
  )
  const [x, y] = [0, 1].map((k) => {
    const along = ends.map((end) => end[k]!)
    return (Math.min(...along) + Math.max(...along)) / 2
  })
  const away = ends.map((end) => Math.hypot(end[0] - x!, end[1] - y!))
  const kept = away.filter(isFar)
  let millimetres = 0
  for (let n = 0; n < pieces.length; n += 4)
    if (isFar(away[n / 2]!))
      millimetres += Math.hypot(pieces[n + 2]! - pieces[n]!, pieces[n + 3]! - pieces[n + 1]!)
  return { millimetres, least: Math.min(...kept), most: Math.max(...kept), x: x!, y: y! }
}

describe('the plan of a ball of 4 mm, as the rod sees it', () => {
  const survey = new CastSurvey(ball(4, [0, 0, 4]), levelFloor(0))
  it.each<[string, TableTilt]>([
    ['level', LEVEL],
    ['tilted', { lateralDegrees: 9, anteroposteriorDegrees: -7 }],
  ])('%s: its outline, its line and a gauge line are circles of 4, 4 and 3.5', (_, tilt) => {
    const { outline, line, gauges } = survey.plan(tilt, [0.5, 5])
    // Along the sides of cells a circle is as long as the square around it.
    const around = measured(outline)
    expect(Math.abs(around.millimetres / (8 * 4) - 1)).toBeLessThan(0.02)
    // r (1 - cos φ) = 0.5 at a radius of r cos φ = 3.5; where it stands on the floor its depth ends too.
    for (const [pieces, radius, within] of [
      [outline, 4, 0.22],
      [line, 4, 0.02],
      [gauges[0]!, 3.5, 0.03],
    ] as const) {
      const { least, most, millimetres, x, y } = measured(pieces, (away) => away > 1)
      expect(least).toBeGreaterThan(radius - within)
      expect(most).toBeLessThan(radius + within)
      if (pieces !== outline) expect(Math.abs(millimetres / (2 * Math.PI * radius) - 1)).toBeLessThan(0.01)
      expect(Math.hypot(x - around.x, y - around.y)).toBeLessThan(0.1)
    }
    expect(gauges[1]).toHaveLength(0)
  })
})

describe('where an arm may hold', () => {
  const survey = new CastSurvey(
    together(ball(4, [0, 0, 4], 96), ball(3, [20, 0, 4], 96), post(2, 8, { rounds: 96, middle: [0, 20] })),
    levelFloor(0.05),
  )
  it('is at the deepest places, the deepest first, 7 mm apart, and nowhere that is not 0.2 mm deep', () => {
    const places = survey.deepPlaces(survey.along(LEVEL))
    const at = (corner: number) => [0, 1, 2].map((k) => survey.mesh.positions[3 * corner + k]!)
    expect(places.length).toBeGreaterThan(1)
    expect(places.length).toBeLessThanOrEqual(12)
    const depths = places.map(({ depthMillimetres }) => depthMillimetres)
    expect(depths).toEqual([...depths].sort((a, b) => b - a))
    expect(Math.min(...depths)).toBeGreaterThanOrEqual(0.2)
    // Under the ball of 4, near its foot, it is nearly its radius deep.
    expect(depths[0]!).toBeGreaterThan(3)
    for (const [n, one] of places.entries())
      for (const other of places.slice(n + 1))
        expect(
          Math.hypot(...at(one.corner).map((value, k) => value - at(other.corner)[k]!)),
        ).toBeGreaterThanOrEqual(7)
    // The upright post has none.
    expect(places.every(({ corner }) => at(corner)[1]! < 15)).toBe(true)
    expect(places.some(({ corner }) => at(corner)[0]! > 15)).toBe(true)
  })
  it('a taper of nothing adds nothing, and twice the taper adds more', () => {
    const [none, two, four] = survey.rooms(LEVEL, [0, 2, 4])
    expect(none).toBeCloseTo(survey.room([0, 0, 1]), 6)
    expect(two!).toBeGreaterThan(none!)
    expect(four!).toBeGreaterThan(two!)
  })
})

describe('a scan that is looked through', () => {
  const cast = post(10, 8, { rounds: 96 })
  const crumb = (away: number) => post(0.5, 0.6, { rounds: 24, middle: [10 + away + 0.5, 0] })
  const codes = (mesh: SurveyMesh, more = {}) => soundScan(mesh, more).words.map(({ code }) => code)
  it('says nothing of a sound one but that its flat top may be a base', () =>
    expect(codes(cast)).toEqual(['upside-down']))
  it('leaves out what lies apart from it and is small, and says so', () => {
    const found = soundScan(together(cast, crumb(4), crumb(7)))
    expect(found.words[0]!.say).toBe('2 small bodies lie apart from the cast: left out.')
    expect(found.mesh.triangles).toHaveLength(cast.triangles.length)
    expect(found.stray.map(({ triangles }) => triangles.length)).toEqual([
      crumb(4).triangles.length / 3,
      crumb(7).triangles.length / 3,
    ])
    const [first] = found.stray[0]!.triangles
    expect(first).toBe(cast.triangles.length / 3)
    expect(soundScan(together(cast, crumb(4))).words[0]!.say).toBe(
      'A small body lies apart from the cast: left out.',
    )
  })
  it('puts it back when it is told to', () => {
    const kept = soundScan(together(cast, crumb(4)), { keepStray: true })
    expect(kept.words[0]!.say).toBe('A small body lies apart from the cast: surveyed with it.')
    expect(kept.mesh.triangles).toHaveLength(cast.triangles.length + crumb(4).triangles.length)
  })
  it('keeps what all but touches it, and a second body that is not small', () => {
    expect(codes(together(cast, crumb(0.1)))).not.toContain('stray-shells')
    expect(codes(together(cast, post(6, 8, { rounds: 48, middle: [30, 0] })))).not.toContain('stray-shells')
  })
  it('turns one that is inside out, and tells of a base that lies upwards', () => {
    const dome = ball(6, [0, 0, 6], 64)
    expect(codes(dome)).toEqual([])
    const inside = { ...dome, triangles: Uint32Array.from(dome.triangles).reverse() }
    const turned = soundScan(inside)
    expect(turned.words.map(({ code }) => code)).toEqual(['inside-out'])
    expect(soundScan(turned.mesh).words).toEqual([])
    const half = together(post(6, 2, { rounds: 64 }))
    expect(soundScan(half).upsideDown).toBe(true)
    expect(soundScan(dome).upsideDown).toBe(false)
    expect([...turnedOver(dome).positions.slice(0, 3)]).toEqual(
      [...dome.positions.slice(0, 3)].map((value, k) => (k === 1 ? value : -value)),
    )
  })
})

describe('the normal of a corner', () => {
  /** A roof of 45° on both sides of x = 0, in squares of 0.1 mm. */
  const roof = (step: number): SurveyMesh => {
    const side = 31
    const positions = Array.from({ length: side * side }, (_, n) => {
      const x = ((n % side) - 15) * step
      return [x, Math.floor(n / side) * step, -Math.abs(x)]
    }).flat()
    const triangles = Array.from({ length: (side - 1) * (side - 1) }, (_, n) => {
      const a = Math.floor(n / (side - 1)) * side + (n % (side - 1))
      return [a, a + 1, a + side, a + 1, a + side + 1, a + side]
    }).flat()
    return { positions: Float32Array.from(positions), triangles: Uint32Array.from(triangles) }
  }
  const leanAt = (step: number, column: number) => {
    const normals = cornerNormals(roof(step))
    const at = 3 * (15 * 31 + column)
    return (Math.atan2(normals[at]!, normals[at + 2]!) * 180) / Math.PI
  }
  it('is smoothed over a fraction of a millimetre, and that of a plane is its own', () => {
    // Two squares beside the ridge the face alone would lean by 45°.
    expect(leanAt(0.1, 17)).toBeLessThan(44)
    expect(leanAt(0.1, 17)).toBeGreaterThan(10)
    expect(leanAt(0.1, 29)).toBeCloseTo(45, 1)
    expect(leanAt(0.1, 15)).toBeCloseTo(0, 1)
    // Of large faces nothing is smoothed.
    expect(leanAt(2, 17)).toBeCloseTo(45, 4)
  })
})
