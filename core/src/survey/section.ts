import type { CastView } from './cast-view.ts'
import type { FreeEdge } from './free-edge.ts'
import { cross, dot, minus, plus, times, unit, type Vector } from './vector.ts'

/** A cast cut through a place, in the plane of d and the way out to the nearest free place: mm outwards and along d from the place. */
export interface Section {
  /** Runs of the cut surface, out and up by turns. */
  readonly runs: readonly (readonly (readonly [number, number])[])[]
  readonly out: Vector
  readonly origin: Vector
}

/** Where an edge of the mesh is cut, and the cut edges next to it. */
interface CutEnd {
  readonly at: readonly [number, number]
  readonly joins: string[]
}

/** The cut of a mesh by the plane through a place, spanned by d and a way out square to it. */
export function sectionAt(view: CastView, origin: Vector, out: Vector): Section {
  const { positions, triangles } = view.mesh
  const { d } = view
  const across = cross(d, out)
  const side = (corner: number) =>
    (positions[3 * corner]! - origin[0]) * across[0] +
    (positions[3 * corner + 1]! - origin[1]) * across[1] +
    (positions[3 * corner + 2]! - origin[2]) * across[2]
  // Each end of a piece lies on an edge of the mesh: pieces that share one hang together.
  const ends = new Map<string, CutEnd>()
  for (let n = 0; n < triangles.length; n += 3) {
    const corners = [triangles[n]!, triangles[n + 1]!, triangles[n + 2]!] as const
    const sides = corners.map(side)
    if (sides[0]! >= 0 === sides[1]! >= 0 && sides[1]! >= 0 === sides[2]! >= 0) continue
    const keys: string[] = []
    for (let k = 0; k < 3; k++) {
      const [s, t] = [sides[k]!, sides[(k + 1) % 3]!]
      if (s >= 0 === t >= 0) continue
      const [a, b] = [corners[k]!, corners[(k + 1) % 3]!]
      const [low, high] = a < b ? [a, b] : [b, a]
      const key = `${low} ${high}`
      keys.push(key)
      if (ends.has(key)) continue
      const part = s / (s - t)
      const p: Vector = [0, 1, 2].map(
        (axis) => positions[3 * a + axis]! + part * (positions[3 * b + axis]! - positions[3 * a + axis]!),
      ) as unknown as Vector
      const from = minus(p, origin)
      ends.set(key, { at: [dot(from, out), dot(from, d)], joins: [] })
    }
    if (keys.length !== 2) continue
    ends.get(keys[0]!)!.joins.push(keys[1]!)
    ends.get(keys[1]!)!.joins.push(keys[0]!)
  }
  const used = new Set<string>()
  const runs: (readonly [number, number])[][] = []
  const follow = (key: string, into: (readonly [number, number])[]) => {
    for (let at: string | undefined = key; at !== undefined && !used.has(at); ) {
      used.add(at)
      const { at: place, joins }: CutEnd = ends.get(at)!
      into.push(place)
      at = joins.find((next) => !used.has(next))
    }
  }
  for (const [key, { joins }] of ends) {
    if (used.has(key)) continue
    const one: (readonly [number, number])[] = []
    follow(key, one)
    const other: (readonly [number, number])[] = []
    const back = joins.find((next) => !used.has(next))
    if (back !== undefined) follow(back, other)
    const run = [...other.reverse(), ...one]
    if (run.length > 1) runs.push(run)
  }
  return { runs, out, origin }
}

/** A place on the wall of a section: how far down the surface from the survey line, how deep, and how steep. */
export interface WallPlace {
  readonly point: Vector
  readonly out: number
  readonly up: number
  /** Down the surface from the survey line, mm: what dividers are opened to. */
  readonly downMillimetres: number
  /** Under the survey line along d, mm. */
  readonly dropMillimetres: number
  readonly depthMillimetres: number
  readonly angleDegrees: number
}

/** Steps down the wall, mm (choice). */
const STEP = 0.05

/** The wall through the place of a section, from its survey line down, as far as it gets deeper. */
export function wallDown(view: CastView, edge: FreeEdge, section: Section): readonly WallPlace[] {
  const { runs, out, origin } = section
  let nearest: { readonly run: readonly (readonly [number, number])[]; readonly n: number } | undefined
  let least = Infinity
  for (const run of runs)
    run.forEach(([x, y], n) => {
      const far = Math.hypot(x, y)
      if (far < least) {
        least = far
        nearest = { run, n }
      }
    })
  if (!nearest) return []
  // Downwards along the run: the way on which it falls where the place is.
  const { run, n } = nearest
  const falls = run[Math.min(run.length - 1, n + 2)]![1] - run[Math.max(0, n - 2)]![1] < 0
  const down = falls ? run : [...run].reverse()
  const start = falls ? n : run.length - 1 - n
  const fine = resampled(down, start)
  const depthAt = ([x, y]: readonly [number, number]) => {
    const point = plus(origin, plus(times(out, x), times(view.d, y)))
    const { column, row, height } = view.placeOf(point)
    return { point, depth: edge.depthAt(column, row, height), counts: height > view.floorAt(column, row) }
  }
  // Up to the survey line: the last place with something above it, going up from where the wall is.
  let from = fine.start
  if (depthAt(fine.places[from]!).depth > 0)
    while (from > 0 && depthAt(fine.places[from - 1]!).depth > 0) from--
  else while (from + 1 < fine.places.length && depthAt(fine.places[from + 1]!).depth === 0) from++
  from = Math.max(0, from - 1)
  // Between the two, where it faces square to d: below there it leans in.
  while (from > 0 && fine.places[from - 1]![0] >= fine.places[from]![0] - 1e-9) from--
  while (from + 1 < fine.places.length && fine.places[from + 1]![0] > fine.places[from]![0] + 1e-9) from++
  const line = fine.places[from]
  if (!line) return []
  const walls: WallPlace[] = []
  let way = 0
  let deepest = 0
  for (let k = from; k < fine.places.length; k++) {
    const place = fine.places[k]!
    if (k > from) way += Math.hypot(place[0] - fine.places[k - 1]![0], place[1] - fine.places[k - 1]![1])
    const { point, depth, counts } = depthAt(place)
    if (!counts || depth < deepest - 0.1) break
    deepest = Math.max(deepest, depth)
    const [before, after] = [
      fine.places[Math.max(from, k - 4)]!,
      fine.places[Math.min(fine.places.length - 1, k + 4)]!,
    ]
    walls.push({
      point,
      out: place[0],
      up: place[1],
      downMillimetres: way,
      dropMillimetres: line[1] - place[1],
      depthMillimetres: depth,
      angleDegrees: (Math.atan2(before[0] - after[0], before[1] - after[1]) * 180) / Math.PI,
    })
  }
  return walls
}

function resampled(run: readonly (readonly [number, number])[], start: number) {
  const places: (readonly [number, number])[] = []
  let at = 0
  for (let n = 0; n + 1 < run.length; n++) {
    if (n === start) at = places.length
    const [a, b] = [run[n]!, run[n + 1]!]
    const steps = Math.max(1, Math.ceil(Math.hypot(b[0] - a[0], b[1] - a[1]) / STEP))
    for (let k = 0; k < steps; k++)
      places.push([a[0] + (k / steps) * (b[0] - a[0]), a[1] + (k / steps) * (b[1] - a[1])])
  }
  if (start >= run.length - 1) at = places.length
  places.push(run.at(-1)!)
  return { places, start: Math.min(at, places.length - 1) }
}

/** Where a wall is as deep as a gauge: between two of its places; undefined where it is nowhere so deep. */
export function wallAt(walls: readonly WallPlace[], gaugeMillimetres: number): WallPlace | undefined {
  const n = walls.findIndex(({ depthMillimetres }) => depthMillimetres >= gaugeMillimetres)
  if (n < 0) return undefined
  const [before, there] = [walls[Math.max(0, n - 1)]!, walls[n]!]
  const rise = there.depthMillimetres - before.depthMillimetres
  const part = rise > 0 ? (gaugeMillimetres - before.depthMillimetres) / rise : 1
  const between = (key: 'out' | 'up' | 'downMillimetres' | 'dropMillimetres' | 'angleDegrees') =>
    before[key] + part * (there[key] - before[key])
  return {
    point: plus(before.point, times(minus(there.point, before.point), part)),
    out: between('out'),
    up: between('up'),
    downMillimetres: between('downMillimetres'),
    dropMillimetres: between('dropMillimetres'),
    depthMillimetres: gaugeMillimetres,
    angleDegrees: between('angleDegrees'),
  }
}

/** The way out of a place, square to d: to its nearest free place, or where its face looks. */
export function wayOutwards(view: CastView, edge: FreeEdge, point: Vector, normal: Vector): Vector {
  const { column, row, height } = view.placeOf(point)
  if (edge.depthAt(column, row, height) > 0) {
    const free = view.pointAt(edge.nearColumn, edge.nearRow, height)
    const to = minus(free, point)
    if (Math.hypot(...to) > 1e-3) return unit(minus(to, times(view.d, dot(to, view.d))))
  }
  const flat = minus(normal, times(view.d, dot(normal, view.d)))
  return Math.hypot(...flat) > 1e-6 ? unit(flat) : view.right
}
