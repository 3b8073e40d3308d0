import { toRadians } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { figure, type Of, record, three } from '../shape/index.ts'
import { cross, dot, lengthOf, minus, plus, times, unit, type Vector } from './vector.ts'

const millimetre = (example: number) => figure(-1e4, 1e4, { example })
/** A mark of a tripod: where it is on the scan, and how high the table reads it (any zero), mm. */
export const tripodMarkShape = record({
  place: record({ x: millimetre(0), y: millimetre(28), z: millimetre(9) }),
  heightMillimetres: millimetre(2.6),
})
export const tripodShape = three(tripodMarkShape)
export type Tripod = Of<typeof tripodShape>

/** Places within this angle of one line turn about it freely (choice). */
const LEAST_ANGLE_DEGREES = 3

/**
 * The path that a tripod holds, from three places of the cast and the heights the table reads there: the least-norm solution of
 * (P2 - P1)·d = h2 - h1, (P3 - P1)·d = h3 - h1, made up to unit length along the normal of the three; the root that looks up.
 * @throws {DomainError} `not-a-number`, `tripod-on-a-line`, `tripod-heights-impossible`
 * Source: linear algebra (exact).
 */
export function pathOfTripod(marks: Tripod): Vector {
  marks.forEach(({ place, heightMillimetres }, n) => {
    if (![place.x, place.y, place.z, heightMillimetres].every(Number.isFinite))
      throw new DomainError(
        'not-a-number',
        `Mark ${n + 1} has a figure that is no number.`,
        'Enter it in millimetres.',
        'heightMillimetres',
      )
  })
  const [p1, p2, p3] = marks.map(({ place: { x, y, z } }): Vector => [x, y, z]) as [Vector, Vector, Vector]
  const [a, b] = [minus(p2, p1), minus(p3, p1)]
  const normal = cross(a, b)
  const sides = [lengthOf(a), lengthOf(b), lengthOf(minus(p3, p2))].sort((one, other) => one - other)
  // The smallest angle of the triangle lies between its two longest sides.
  if (!(lengthOf(normal) > Math.sin(toRadians(LEAST_ANGLE_DEGREES)) * sides[1]! * sides[2]!))
    throw new DomainError(
      'tripod-on-a-line',
      'The three marks lie almost on one line.',
      'Set one of them well to the side.',
      'place',
    )
  const [ha, hb] = [
    marks[1].heightMillimetres - marks[0].heightMillimetres,
    marks[2].heightMillimetres - marks[0].heightMillimetres,
  ]
  const [aa, ab, bb] = [dot(a, a), dot(a, b), dot(b, b)]
  const whole = aa * bb - ab * ab
  const least = plus(times(a, (ha * bb - hb * ab) / whole), times(b, (hb * aa - ha * ab) / whole))
  const left = 1 - dot(least, least)
  if (!(left >= 0))
    throw new DomainError(
      'tripod-heights-impossible',
      'Two heights differ by more than the places do.',
      'Read the heights again.',
      'heightMillimetres',
    )
  const along = times(unit(normal), Math.sqrt(left))
  const [one, other] = [plus(least, along), minus(least, along)]
  return one[2] >= other[2] ? one : other
}

/** Marks of a tripod lie at least so far from each other, mm; their heights differ by no more than the rod can be read (choices). */
const LEAST_APART_MILLIMETRES = 15
const LEVEL_MILLIMETRES = 0.1
const LEVELS = 24

/**
 * Three places of one height along the path, to be scratched with the arm locked: well apart, on faces that the rod sees.
 * @param seen per corner, 1 where nothing is above it and it is to be marked
 * @returns the marks, their height 0; undefined where no three lie apart
 */
export function tripodOf(positions: Float32Array, seen: Uint8Array, path: Vector): Tripod | undefined {
  const heights: number[] = []
  const corners: number[] = []
  for (let n = 0; n < seen.length; n++)
    if (seen[n] === 1) {
      corners.push(n)
      heights.push(dot(at(n), path))
    }
  function at(n: number): Vector {
    return [positions[3 * n]!, positions[3 * n + 1]!, positions[3 * n + 2]!]
  }
  const low = heights.reduce((least, height) => Math.min(least, height), Infinity)
  const high = heights.reduce((most, height) => Math.max(most, height), -Infinity)
  let best: { readonly apart: number; readonly places: readonly [Vector, Vector, Vector] } | undefined
  for (let n = 1; n < LEVELS; n++) {
    const level = low + ((high - low) * n) / LEVELS
    const near = corners.filter((_, k) => Math.abs(heights[k]! - level) < LEVEL_MILLIMETRES).map(at)
    if (near.length < 3) continue
    const front = near.reduce((a, b) => (b[1] > a[1] ? b : a))
    const far = (from: readonly Vector[]) => (p: Vector) =>
      Math.min(...from.map((q) => lengthOf(minus(p, q))))
    const most = (from: readonly Vector[]) => near.reduce((a, b) => (far(from)(b) > far(from)(a) ? b : a))
    const second = most([front])
    const third = most([front, second])
    const apart = Math.min(lengthOf(minus(front, second)), far([front, second])(third))
    if (apart >= LEAST_APART_MILLIMETRES && (!best || apart > best.apart))
      best = { apart, places: [front, second, third] }
  }
  if (!best) return undefined
  const mark = ([x, y, z]: Vector) => ({ place: { x, y, z }, heightMillimetres: 0 })
  const [a, b, c] = best.places
  return [mark(a), mark(b), mark(c)]
}
