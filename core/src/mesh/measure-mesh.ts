import { DomainError } from '../refusal/index.ts'
import { CornerTable } from './corner-table.ts'
import { EdgeTable } from './edge-table.ts'
import type { Triangles } from './triangles.ts'

// Looked up once: these loops run through every triangle.
const { abs, min, sqrt } = Math

/** What is known of a mesh after one look at each triangle. */
export interface MeshSize {
  readonly triangles: number
  /** In cubes of the file's unit, never negative. */
  readonly volume: number
  readonly min: readonly [number, number, number]
  readonly max: readonly [number, number, number]
  /** Its triangles face inwards. The volume is right all the same. */
  readonly insideOut: boolean
}

/** What is known once its edges are held against each other. */
export interface MeshTightness {
  readonly area: number
  /** Edges with one triangle only: the rim of a hole. 0 when watertight. */
  readonly openEdges: number
  /** Edges with more than two triangles, or with two that face opposite ways. */
  readonly tangledEdges: number
  readonly watertight: boolean
}
export type MeshMeasure = MeshSize & MeshTightness

interface MeasureOptions {
  /** Called now and then with the share done, 0 to 1. A true answer stops it. */
  readonly onProgress?: (share: number) => boolean | undefined
}

/**
 * Volume and size of a mesh: one look at each triangle, and nothing is kept.
 *
 *     V = Σ (a - o) · ((b - o) × (c - o)) / 6
 *
 * with o the first corner, so that a mesh far from the origin loses no digits. The volume of an open mesh depends on how the hole
 * is closed: whether it is, `meshTightness` says.
 *
 * @throws {DomainError} `mesh-not-a-number`, `mesh-no-triangles`, `mesh-stopped`
 * Source: divergence theorem (exact).
 */
export function meshSize(triangles: Triangles, { onProgress }: MeasureOptions = {}): MeshSize {
  const { count } = triangles
  if (count === 0)
    throw new DomainError(
      'mesh-no-triangles',
      'There is no triangle in the file.',
      'Export it again.',
      'mesh',
    )
  const t = new Float64Array(9)
  triangles.read(0, t)
  const [x, y, z] = [t[0]!, t[1]!, t[2]!]
  const sums = { six: 0, ox: x, oy: y, oz: z, minX: x, minY: y, minZ: z, maxX: x, maxY: y, maxZ: z }
  const block = new Float32Array(9 * BLOCK)
  for (let first = 0; first < count; first += BLOCK) {
    const many = min(BLOCK, count - first)
    triangles.readMany(first, many, block)
    addBlock(block, 9 * many, sums)
    if (first % (128 * BLOCK) === 127 * BLOCK) mayGoOn(onProgress, (first + many) / count)
  }
  const { six, minX, minY, minZ, maxX, maxY, maxZ } = sums
  // What is no number, or has no end, is in the sum by then.
  if (!Number.isFinite(six)) throw notANumber(triangles)
  return {
    triangles: count,
    volume: abs(six) / 6,
    min: [minX, minY, minZ],
    max: [maxX, maxY, maxZ],
    insideOut: six < 0,
  }
}

/** Triangles that are taken at a time. */
const BLOCK = 512

interface Sums {
  six: number
  readonly ox: number
  readonly oy: number
  readonly oz: number
  minX: number
  minY: number
  minZ: number
  maxX: number
  maxY: number
  maxZ: number
}

/** Adds a block of triangles to the sums: short, and called often, so that it is compiled after a few blocks. */
function addBlock(block: Float32Array, length: number, sums: Sums): void {
  const { ox, oy, oz } = sums
  let { six, minX, minY, minZ, maxX, maxY, maxZ } = sums
  for (let n = 0; n < length; n += 9) {
    const x0 = block[n]!
    const y0 = block[n + 1]!
    const z0 = block[n + 2]!
    const x1 = block[n + 3]!
    const y1 = block[n + 4]!
    const z1 = block[n + 5]!
    const x2 = block[n + 6]!
    const y2 = block[n + 7]!
    const z2 = block[n + 8]!
    if (x0 < minX) minX = x0
    if (x0 > maxX) maxX = x0
    if (x1 < minX) minX = x1
    if (x1 > maxX) maxX = x1
    if (x2 < minX) minX = x2
    if (x2 > maxX) maxX = x2
    if (y0 < minY) minY = y0
    if (y0 > maxY) maxY = y0
    if (y1 < minY) minY = y1
    if (y1 > maxY) maxY = y1
    if (y2 < minY) minY = y2
    if (y2 > maxY) maxY = y2
    if (z0 < minZ) minZ = z0
    if (z0 > maxZ) maxZ = z0
    if (z1 < minZ) minZ = z1
    if (z1 > maxZ) maxZ = z1
    if (z2 < minZ) minZ = z2
    if (z2 > maxZ) maxZ = z2
    const bx = x1 - ox
    const by = y1 - oy
    const bz = z1 - oz
    const cx = x2 - ox
    const cy = y2 - oy
    const cz = z2 - oz
    six += (x0 - ox) * (by * cz - bz * cy) + (y0 - oy) * (bz * cx - bx * cz) + (z0 - oz) * (bx * cy - by * cx)
  }
  sums.six = six
  sums.minX = minX
  sums.minY = minY
  sums.minZ = minZ
  sums.maxX = maxX
  sums.maxY = maxY
  sums.maxZ = maxZ
}

/** The first triangle with a corner that is no number. */
function notANumber({ count, read }: Triangles): DomainError {
  const t = new Float64Array(9)
  let n = 0
  for (; n < count; n++) {
    read(n, t)
    if (!t.every(Number.isFinite)) break
  }
  return new DomainError(
    'mesh-not-a-number',
    `Triangle ${n + 1} has a corner that is no number.`,
    'The file is damaged: export it again.',
    'mesh',
  )
}

/**
 * Surface and tightness of a mesh: corners are the same when their coordinates are the same to the last bit; every edge of a
 * closed surface has two triangles that run along it in opposite directions.
 *
 *     A = Σ |(b - a) × (c - a)| / 2
 *
 * @throws {DomainError} `mesh-stopped`
 */
export function meshTightness(triangles: Triangles, { onProgress }: MeasureOptions = {}): MeshTightness {
  const { count } = triangles
  const t = new Float64Array(9)
  const corners = new CornerTable(count)
  const edges = new EdgeTable(count)
  let twice = 0
  for (let n = 0; n < count; n++) {
    triangles.read(n, t)
    const ux = t[3]! - t[0]!
    const uy = t[4]! - t[1]!
    const uz = t[5]! - t[2]!
    const vx = t[6]! - t[0]!
    const vy = t[7]! - t[1]!
    const vz = t[8]! - t[2]!
    const px = uy * vz - uz * vy
    const py = uz * vx - ux * vz
    const pz = ux * vy - uy * vx
    twice += sqrt(px * px + py * py + pz * pz)
    const a = corners.idOf(t[0]!, t[1]!, t[2]!)
    const b = corners.idOf(t[3]!, t[4]!, t[5]!)
    const c = corners.idOf(t[6]!, t[7]!, t[8]!)
    // A triangle without area has no edges of its own.
    if (a !== b && b !== c && c !== a) {
      edges.add(a, b)
      edges.add(b, c)
      edges.add(c, a)
    }
    if ((n & 0xffff) === 0xffff) mayGoOn(onProgress, (n + 1) / count)
  }
  const { openEdges, tangledEdges } = edges.faults()
  return { area: twice / 2, openEdges, tangledEdges, watertight: openEdges === 0 && tangledEdges === 0 }
}

/** Both: volume and size first, tightness after. @throws {DomainError} as both */
export function measureMesh(triangles: Triangles, { onProgress }: MeasureOptions = {}): MeshMeasure {
  const part = (from: number, share: number) =>
    onProgress ? { onProgress: (done: number) => onProgress(from + share * done) } : {}
  const size = meshSize(triangles, part(0, SIZE_SHARE))
  return { ...size, ...meshTightness(triangles, part(SIZE_SHARE, 1 - SIZE_SHARE)) }
}
/** Of the whole time, about. */
const SIZE_SHARE = 0.1

function mayGoOn(onProgress: MeasureOptions['onProgress'], share: number): void {
  if (onProgress?.(share))
    throw new DomainError(
      'mesh-stopped',
      'Reading the mesh was stopped.',
      'Drop a file to start again.',
      'mesh',
    )
}
