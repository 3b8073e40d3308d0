import { type CastView, SNAP } from './cast-view.ts'
import type { FreeEdge } from './free-edge.ts'

/** Depth classes, mm (choice): to each of these, and above the last. */
export const DEPTH_CLASSES = [0.25, 0.5, 0.75, 1.5] as const

/** The deepest that the rod still touches on the survey line, mm. */
const ON_LINE_MILLIMETRES = 0.05

/**
 * Depth of undercut at every corner of the mesh that stands above the floor: the way, square to d, to the nearest place where no stone
 * is as high; 0 when nothing is above it.
 * @param into filled and given back
 */
export function depthsOf(view: CastView, edge: FreeEdge, into: Float32Array): Float32Array {
  const { u, v, w } = view
  for (let n = 0; n < u.length; n++) {
    const column = u[n]! / SNAP
    const row = v[n]! / SNAP
    const height = w[n]!
    into[n] = height > view.floorAt(column, row) ? edge.depthAt(column, row, height) : 0
  }
  return into
}

/** The height of contour: pieces of line, six numbers each (two places of the cast frame), and how long they are. */
export interface SurveyLine {
  readonly pieces: Float32Array
  readonly millimetres: number
  /** Per piece, 1 where the wall is so near to d that the line is only a band there. */
  readonly band: Uint8Array
}

/** Walls that lean less from d, over this much around the line, have a band for a line (choice). */
const BAND_DEGREES = 2
const BAND_MILLIMETRES = 0.7

/**
 * The survey line: n·d = 0 on the smooth-shaded surface, kept where the rod reaches it. A low concave one, or one under another body,
 * drops out by itself.
 * @param normals at the corners, smoothed (`cornerNormals`)
 */
export function surveyLine(view: CastView, edge: FreeEdge, normals: Float32Array): SurveyLine {
  const { mesh, d, u, v, w } = view
  const { triangles, positions } = mesh
  const facing = new Float32Array(u.length)
  for (let n = 0, at = 0; n < u.length; n++, at += 3)
    facing[n] = normals[at]! * d[0] + normals[at + 1]! * d[1] + normals[at + 2]! * d[2]
  let pieces = new Float32Array(6 << 11)
  let band = new Uint8Array(1 << 11)
  let held = 0
  let millimetres = 0
  const steep = Math.sin((BAND_DEGREES * Math.PI) / 180)
  const p = new Float64Array(6)
  for (let n = 0; n < triangles.length; n += 3) {
    const a = triangles[n]!
    const b = triangles[n + 1]!
    const c = triangles[n + 2]!
    const upA = facing[a]! > 0
    if (upA === facing[b]! > 0 && upA === facing[c]! > 0) continue
    let ends = 0
    let column = 0
    let row = 0
    let height = 0
    for (let k = 0; k < 3; k++) {
      const from = triangles[n + k]!
      const to = triangles[n + ((k + 1) % 3)]!
      const [f, g] = [facing[from]!, facing[to]!]
      if (f > 0 === g > 0) continue
      const part = f / (f - g)
      for (let axis = 0; axis < 3; axis++)
        p[3 * ends + axis] =
          positions[3 * from + axis]! + part * (positions[3 * to + axis]! - positions[3 * from + axis]!)
      column += (u[from]! + part * (u[to]! - u[from]!)) / SNAP / 2
      row += (v[from]! + part * (v[to]! - v[from]!)) / SNAP / 2
      height += (w[from]! + part * (w[to]! - w[from]!)) / 2
      ends++
    }
    if (!(height > view.floorAt(column, row))) continue
    if (!(edge.depthAt(column, row, height) <= ON_LINE_MILLIMETRES)) continue
    if (held === band.length) {
      const more = new Float32Array(2 * pieces.length)
      more.set(pieces)
      pieces = more
      const bands = new Uint8Array(2 * band.length)
      bands.set(band)
      band = bands
    }
    pieces.set(p, 6 * held)
    const least = Math.min(facing[a]!, facing[b]!, facing[c]!)
    const most = Math.max(facing[a]!, facing[b]!, facing[c]!)
    const low = Math.min(w[a]!, w[b]!, w[c]!)
    const high = Math.max(w[a]!, w[b]!, w[c]!)
    // How far along d the wall goes on at this turning before it leans by more than that.
    band[held++] = (most - least) * BAND_MILLIMETRES < steep * (high - low) ? 1 : 0
    millimetres += Math.hypot(p[3]! - p[0]!, p[4]! - p[1]!, p[5]! - p[2]!)
  }
  return { pieces: pieces.slice(0, 6 * held), band: band.slice(0, held), millimetres }
}

/** Gauge lines: where the depth passes a gauge, six numbers a piece. */
export function depthLine(view: CastView, depths: Float32Array, gaugeMillimetres: number): Float32Array {
  const { triangles, positions } = view.mesh
  const pieces: number[] = []
  for (let n = 0; n < triangles.length; n += 3) {
    const deep = [0, 1, 2].map((k) => depths[triangles[n + k]!]! > gaugeMillimetres)
    if (deep[0] === deep[1] && deep[1] === deep[2]) continue
    for (let k = 0; k < 3; k++) {
      if (deep[k] === deep[(k + 1) % 3]) continue
      const from = triangles[n + k]!
      const to = triangles[n + ((k + 1) % 3)]!
      const part = (gaugeMillimetres - depths[from]!) / (depths[to]! - depths[from]!)
      for (let axis = 0; axis < 3; axis++)
        pieces.push(
          positions[3 * from + axis]! + part * (positions[3 * to + axis]! - positions[3 * from + axis]!),
        )
    }
  }
  return Float32Array.from(pieces)
}

/**
 * Area deeper than each gauge, mm²: the depth taken linear over each triangle.
 * @param counts per triangle, 1 where it counts; left out: all
 */
export function areasDeeper(
  view: CastView,
  depths: Float32Array,
  gauges: readonly number[],
  counts?: Uint8Array,
): number[] {
  const { triangles, positions } = view.mesh
  const areas = gauges.map(() => 0)
  for (let n = 0; n < triangles.length; n += 3) {
    if (counts && counts[n / 3] === 0) continue
    const a = triangles[n]!
    const b = triangles[n + 1]!
    const c = triangles[n + 2]!
    const most = Math.max(depths[a]!, depths[b]!, depths[c]!)
    if (most === 0) continue
    const least = Math.min(depths[a]!, depths[b]!, depths[c]!)
    const middle = depths[a]! + depths[b]! + depths[c]! - most - least
    const at = (corner: number, axis: number) => positions[3 * corner + axis]!
    const edge = (corner: number, axis: number) => at(corner, axis) - at(a, axis)
    const x = edge(b, 1) * edge(c, 2) - edge(b, 2) * edge(c, 1)
    const y = edge(b, 2) * edge(c, 0) - edge(b, 0) * edge(c, 2)
    const z = edge(b, 0) * edge(c, 1) - edge(b, 1) * edge(c, 0)
    const area = Math.sqrt(x * x + y * y + z * z) / 2
    gauges.forEach((gauge, k) => {
      areas[k]! += area * shareAbove(gauge, least, middle, most)
    })
  }
  return areas
}

/** The share of a triangle whose linear value is above a level. */
function shareAbove(level: number, least: number, middle: number, most: number): number {
  if (level >= most) return 0
  if (level <= least) return 1
  return level >= middle
    ? (most - level) ** 2 / ((most - least) * (most - middle))
    : 1 - (level - least) ** 2 / ((most - least) * (middle - least))
}
