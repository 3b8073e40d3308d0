import { describe, expect, it } from '@jest/globals'
import { ball, post, revolved } from '../testing/shapes.ts'
import { refused } from '../testing/words.ts'
import { CastSurvey, cornerNormals, LEVEL, levelFloor, surveyMesh, tripodOf, unitOf } from './index.ts'

describe('a scan as a mesh by index', () => {
  const triangles = [
    [0, 0, 0, 1, 0, 0, 0, 2, 3],
    [1, 0, 0, 4, 5, 6, 0, 2, 3],
    // Without area: two corners are one.
    [1, 0, 0, 1, 0, 0, 0, 2, 3],
    [7, 8, 9, 1, 0, 0, 7, 8, 9],
    [7, 8, 9, 1, 0, 0, 1, 0, 0],
  ]
  const file = { count: triangles.length, read: (n: number, into: Float64Array) => into.set(triangles[n]!) }
  it('has each corner once, in mm, and no triangle without area', () => {
    const mesh = surveyMesh(file as never, 10)
    const corner = (n: number) => [...mesh.positions.slice(3 * n, 3 * n + 3)]
    expect([...mesh.triangles].map((n) => corner(n))).toEqual(
      [
        [0, 0, 0],
        [1, 0, 0],
        [0, 2, 3],
        [1, 0, 0],
        [4, 5, 6],
        [0, 2, 3],
      ].map((place) => place.map((value) => 10 * value)),
    )
    expect(new Set([...mesh.triangles]).size).toBe(4)
  })
  it('is refused when it would be too wide or too small for dental work in every unit', () => {
    expect(unitOf(70)).toBe('mm')
    expect(refused(() => unitOf(4000))?.code).toBe('units-unclear')
  })
})

describe('the band of a survey line', () => {
  /** A barrel whose wall is an arc of so large a radius. */
  const barrel = (radius: number) =>
    revolved(
      [
        [0, 0],
        ...Array.from({ length: 81 }, (_, n): [number, number] => {
          const z = (n / 80) * 8
          return [10 - (radius - Math.sqrt(radius ** 2 - (z - 4) ** 2)), z]
        }),
        [0, 8],
      ],
      { rounds: 64 },
    )
  // Within 0.7 mm of the line a wall leans by 0.7 mm over its radius: 0.8° at 50 mm, 4° at 10 mm; below 2° it is a band (choice).
  it.each([
    [50, 1],
    [10, 0],
  ])('of a wall with a radius of %d mm: %d', (radius, band) => {
    const mesh = barrel(radius)
    const { line } = new CastSurvey(mesh, levelFloor(0.5)).along(LEVEL)
    expect(line.band.length).toBeGreaterThan(30)
    expect(new Set(line.band)).toEqual(new Set([band]))
    expect(Math.abs(line.millimetres / (2 * Math.PI * 10) - 1)).toBeLessThan(0.01)
  })
  it('runs at the widest of a ball, and its pieces hang together', () => {
    const mesh = ball(4, [0, 0, 4], 64)
    expect(cornerNormals(mesh)).toHaveLength(mesh.positions.length)
    const { line } = new CastSurvey(mesh, levelFloor(0.5)).along(LEVEL)
    for (let n = 0; n < line.pieces.length; n += 3) {
      expect(line.pieces[n + 2]).toBeCloseTo(4, 1)
      expect(Math.hypot(line.pieces[n]!, line.pieces[n + 1]!)).toBeCloseTo(4, 1)
    }
  })
})

describe('three places to scratch', () => {
  it('lie as far apart as a round top lets them: 1.41 of its radius', () => {
    const { positions } = post(12, 6, { rounds: 180 })
    const seen = Uint8Array.from({ length: positions.length / 3 }, (_, n) => {
      const [x, y] = [positions[3 * n]!, positions[3 * n + 1]!]
      return Math.hypot(x, y) > 11 ? 1 : 0
    })
    const marks = tripodOf(positions, seen, [0, 0, 1])!
    const apart = [
      [0, 1],
      [1, 2],
      [0, 2],
    ].map(([a, b]) => {
      const [p, q] = [marks[a!]!.place, marks[b!]!.place]
      return Math.hypot(p.x - q.x, p.y - q.y, p.z - q.z)
    })
    expect(Math.min(...apart)).toBeGreaterThan(1.4 * 12)
  })
})
