import { CornerTable, type Triangles } from '../mesh/index.ts'
import { DomainError } from '../refusal/index.ts'
import { cross, minus, unit, type Vector } from './vector.ts'

/** A cast as a survey reads it: corners by index, mm of the cast frame. */
export interface SurveyMesh {
  readonly positions: Float32Array
  /** Three corners a triangle, anticlockwise from outside. */
  readonly triangles: Uint32Array
}

/** A scan with more is not taken: its memory would not fit a small machine (choice). */
export const MOST_TRIANGLES = 2_500_000

/** How a file lies in the cast frame: its x, y and z of the file, as rows. */
export interface CastFrame {
  readonly x: Vector
  readonly y: Vector
  readonly z: Vector
}
export const FILE_FRAME: CastFrame = { x: [1, 0, 0], y: [0, 1, 0], z: [0, 0, 1] }

/**
 * The frame of a cast: y forwards along the midline, z square to the occlusal (or ridge) plane and away from the base, x = y × z.
 * @param front and back of the midline, as tapped
 * @param up the normal of the plane, or the file's own z; it must look away from the base
 * @throws {DomainError} `midline-too-short`: the two taps lie over each other
 */
export function castFrame(front: Vector, back: Vector, up: Vector): CastFrame {
  const z = unit(up)
  const along = minus(front, back)
  const x = cross(along, z)
  if (!(Math.hypot(...x) > LEAST_MIDLINE_MILLIMETRES))
    throw new DomainError(
      'midline-too-short',
      'Front and back of the midline lie over each other.',
      'Tap the front between the middle teeth, the back where the palate or the tongue side ends.',
      'midline',
    )
  return { x: unit(x), y: cross(z, unit(x)), z }
}
const LEAST_MIDLINE_MILLIMETRES = 5

/** The normal of a plane through three places, on the side away from the middle of the cast. */
export function planeUp(places: readonly [Vector, Vector, Vector], middle: Vector): Vector {
  const normal = unit(cross(minus(places[1], places[0]), minus(places[2], places[0])))
  const below = minus(middle, places[0])
  const side = normal[0] * below[0] + normal[1] * below[1] + normal[2] * below[2]
  return side <= 0 ? normal : [-normal[0], -normal[1], -normal[2]]
}

/**
 * Welds the triangles of a file into a mesh by index, in mm. Corners are the same when their coordinates are the same to the last bit;
 * triangles without area are left out. The file is never changed.
 * @throws {DomainError} `mesh-too-large` above 2.5 M triangles, `mesh-not-a-number`
 */
export function surveyMesh(file: Pick<Triangles, 'count' | 'read'>, millimetres = 1): SurveyMesh {
  const { count, read } = file
  if (count > MOST_TRIANGLES)
    throw new DomainError(
      'mesh-too-large',
      `The scan has ${count} triangles.`,
      'Export it at 0.1 mm.',
      'mesh',
    )
  const corners = new CornerTable(count)
  const triangles = new Uint32Array(3 * count)
  const t = new Float64Array(9)
  let held = 0
  for (let n = 0; n < count; n++) {
    read(n, t)
    const a = corners.idOf(t[0]!, t[1]!, t[2]!)
    const b = corners.idOf(t[3]!, t[4]!, t[5]!)
    const c = corners.idOf(t[6]!, t[7]!, t[8]!)
    if (a === b || b === c || c === a) continue
    triangles[held++] = a
    triangles[held++] = b
    triangles[held++] = c
  }
  const positions = corners.positions()
  for (let n = 0; n < positions.length; n++) {
    const value = positions[n]! * millimetres
    if (!Number.isFinite(value))
      throw new DomainError(
        'mesh-not-a-number',
        'The scan has a corner that is no number.',
        'The file is damaged: export it again.',
        'mesh',
      )
    positions[n] = value
  }
  return { positions, triangles: triangles.slice(0, held) }
}

/** The same mesh in another frame: coordinates along its three axes. */
export function inFrame({ positions, triangles }: SurveyMesh, { x, y, z }: CastFrame): SurveyMesh {
  const turned = new Float32Array(positions.length)
  for (let n = 0; n < positions.length; n += 3) {
    const [a, b, c] = [positions[n]!, positions[n + 1]!, positions[n + 2]!]
    turned[n] = a * x[0] + b * x[1] + c * x[2]
    turned[n + 1] = a * y[0] + b * y[1] + c * y[2]
    turned[n + 2] = a * z[0] + b * z[1] + c * z[2]
  }
  return { positions: turned, triangles }
}

/** The same mesh inside out. */
export function flipped({ positions, triangles }: SurveyMesh): SurveyMesh {
  const turned = triangles.slice()
  for (let n = 0; n < turned.length; n += 3) {
    turned[n + 1] = triangles[n + 2]!
    turned[n + 2] = triangles[n + 1]!
  }
  return { positions, triangles: turned }
}

/** Least and most of each coordinate. */
export function boundsOf({ positions }: SurveyMesh): { readonly min: Vector; readonly max: Vector } {
  const min = [Infinity, Infinity, Infinity] as [number, number, number]
  const max = [-Infinity, -Infinity, -Infinity] as [number, number, number]
  for (let n = 0; n < positions.length; n++) {
    const value = positions[n]!
    const k = n % 3
    if (value < min[k]!) min[k] = value
    if (value > max[k]!) max[k] = value
  }
  return { min, max }
}

/** The normal of a triangle times its area. */
export function areaNormal({ positions, triangles }: SurveyMesh, triangle: number): Vector {
  const [a, b, c] = [0, 1, 2].map((k) => 3 * triangles[3 * triangle + k]!) as [number, number, number]
  const ux = positions[b]! - positions[a]!
  const uy = positions[b + 1]! - positions[a + 1]!
  const uz = positions[b + 2]! - positions[a + 2]!
  const vx = positions[c]! - positions[a]!
  const vy = positions[c + 1]! - positions[a + 1]!
  const vz = positions[c + 2]! - positions[a + 2]!
  return [(uy * vz - uz * vy) / 2, (uz * vx - ux * vz) / 2, (ux * vy - uy * vx) / 2]
}

/** Normals at the corners, and how far they are smoothed for the survey line, mm (choice). */
const SMOOTHED_MILLIMETRES = 0.3
const MOST_PASSES = 8

/**
 * Unit normals at the corners: by area, then averaged over about 0.3 mm, so that the noise of a scan does not make the line waver.
 * For the line only: depths and volumes are never smoothed.
 */
export function cornerNormals(mesh: SurveyMesh): Float32Array {
  const { positions, triangles } = mesh
  const normals = new Float32Array(positions.length)
  let edges = 0
  for (let n = 0; n < triangles.length; n += 3) {
    const a = 3 * triangles[n]!
    const b = 3 * triangles[n + 1]!
    const c = 3 * triangles[n + 2]!
    const ux = positions[b]! - positions[a]!
    const uy = positions[b + 1]! - positions[a + 1]!
    const uz = positions[b + 2]! - positions[a + 2]!
    const vx = positions[c]! - positions[a]!
    const vy = positions[c + 1]! - positions[a + 1]!
    const vz = positions[c + 2]! - positions[a + 2]!
    const x = uy * vz - uz * vy
    const y = uz * vx - ux * vz
    const z = ux * vy - uy * vx
    edges += Math.sqrt(ux * ux + uy * uy + uz * uz)
    for (const at of [a, b, c]) {
      normals[at]! += x
      normals[at + 1]! += y
      normals[at + 2]! += z
    }
  }
  toUnit(normals)
  const edge = edges / (triangles.length / 3)
  const passes = Math.min(MOST_PASSES, Math.round((SMOOTHED_MILLIMETRES / edge) ** 2))
  for (let pass = 0; pass < passes; pass++) smooth(normals, triangles)
  return normals
}

function smooth(normals: Float32Array, triangles: Uint32Array): void {
  const before = normals.slice()
  for (let n = 0; n < triangles.length; n += 3) {
    const a = 3 * triangles[n]!
    const b = 3 * triangles[n + 1]!
    const c = 3 * triangles[n + 2]!
    for (let k = 0; k < 3; k++) {
      const sum = before[a + k]! + before[b + k]! + before[c + k]!
      normals[a + k]! += sum
      normals[b + k]! += sum
      normals[c + k]! += sum
    }
  }
  toUnit(normals)
}

function toUnit(normals: Float32Array): void {
  for (let n = 0; n < normals.length; n += 3) {
    const x = normals[n]!
    const y = normals[n + 1]!
    const z = normals[n + 2]!
    const length = Math.sqrt(x * x + y * y + z * z) || 1
    normals[n] = x / length
    normals[n + 1] = y / length
    normals[n + 2] = z / length
  }
}

/** A coarser mesh for looking about: the corners of each cube are one, at their mean. */
export interface Cluster {
  readonly mesh: SurveyMesh
  /** Per corner of the fine mesh, its corner of the coarse one. */
  readonly of: Uint32Array
  /** Per triangle of the coarse mesh, the fine one that it was. */
  readonly from: Uint32Array
}

/** @param size of a cube, mm */
export function clustered({ positions, triangles }: SurveyMesh, size: number): Cluster {
  const of = new Uint32Array(positions.length / 3)
  const cubes = new Map<number, number>()
  const sums: number[] = []
  const counts: number[] = []
  for (let n = 0, at = 0; n < of.length; n++, at += 3) {
    const [x, y, z] = [positions[at]!, positions[at + 1]!, positions[at + 2]!]
    const key =
      (Math.floor(x / size) + 4096) * 67_108_864 +
      (Math.floor(y / size) + 4096) * 8192 +
      Math.floor(z / size) +
      4096
    let id = cubes.get(key)
    if (id === undefined) {
      id = counts.length
      cubes.set(key, id)
      counts.push(0)
      sums.push(0, 0, 0)
    }
    of[n] = id
    counts[id]!++
    sums[3 * id]! += x
    sums[3 * id + 1]! += y
    sums[3 * id + 2]! += z
  }
  const kept: number[] = []
  const from: number[] = []
  for (let n = 0; n < triangles.length; n += 3) {
    const [a, b, c] = [of[triangles[n]!]!, of[triangles[n + 1]!]!, of[triangles[n + 2]!]!]
    if (a === b || b === c || c === a) continue
    kept.push(a, b, c)
    from.push(n / 3)
  }
  return {
    mesh: {
      positions: Float32Array.from(sums, (sum, n) => sum / counts[Math.floor(n / 3)]!),
      triangles: Uint32Array.from(kept),
    },
    of,
    from: Uint32Array.from(from),
  }
}
