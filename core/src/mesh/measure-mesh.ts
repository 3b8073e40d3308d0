import { DomainError } from '../refusal/index.ts'
import type { Triangles } from './triangles.ts'

export interface MeshMeasure {
  readonly triangles: number
  /** In cubes of the file's unit, never negative. */
  readonly volume: number
  readonly area: number
  readonly min: readonly [number, number, number]
  readonly max: readonly [number, number, number]
  /** Edges with one triangle only: the rim of a hole. 0 when watertight. */
  readonly openEdges: number
  /** Edges with more than two triangles, or with two that face opposite ways. */
  readonly tangledEdges: number
  readonly watertight: boolean
  /** Its triangles face inwards. The volume is right all the same. */
  readonly insideOut: boolean
}

interface MeasureOptions {
  /** Called now and then with the share done, 0 to 1. A true answer stops it. */
  readonly onProgress?: (share: number) => boolean | undefined
}

/**
 * Volume, surface, size and tightness of a mesh in one pass.
 *
 *     V = Σ (a - o) · ((b - o) × (c - o)) / 6      A = Σ |(b - a) × (c - a)| / 2
 *
 * with o the first corner, so that a mesh far from the origin loses no digits. Corners are the same when their
 * coordinates are the same to the last bit; every edge of a closed surface has two triangles that run along it in
 * opposite directions. The volume of an open mesh depends on how the hole is closed: it is given, with `watertight` false.
 *
 * @throws {DomainError} `mesh-not-a-number`, `mesh-no-triangles`, `mesh-stopped`
 * Source: divergence theorem (exact).
 */
export function measureMesh(triangles: Triangles, { onProgress }: MeasureOptions = {}): MeshMeasure {
  if (triangles.count === 0)
    throw new DomainError(
      'mesh-no-triangles',
      'There is no triangle in the file.',
      'Export it again.',
      'mesh',
    )
  const t = new Float64Array(9)
  triangles.read(0, t)
  const [ox, oy, oz] = [t[0]!, t[1]!, t[2]!]
  const min: [number, number, number] = [ox, oy, oz]
  const max: [number, number, number] = [ox, oy, oz]
  const corners = new CornerTable(triangles.count)
  const edges = new EdgeTable(triangles.count)
  let [six, twice] = [0, 0]
  for (let n = 0; n < triangles.count; n++) {
    triangles.read(n, t)
    for (let k = 0; k < 9; k++) {
      const value = t[k]!
      const axis = k % 3
      if (!Number.isFinite(value))
        throw new DomainError(
          'mesh-not-a-number',
          `Triangle ${n + 1} has a corner that is no number.`,
          'The file is damaged: export it again.',
          'mesh',
        )
      if (value < min[axis]!) min[axis] = value
      if (value > max[axis]!) max[axis] = value
    }
    const [ax, ay, az] = [t[0]! - ox, t[1]! - oy, t[2]! - oz]
    const [bx, by, bz] = [t[3]! - ox, t[4]! - oy, t[5]! - oz]
    const [cx, cy, cz] = [t[6]! - ox, t[7]! - oy, t[8]! - oz]
    six += ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)
    const [ux, uy, uz] = [bx - ax, by - ay, bz - az]
    const [vx, vy, vz] = [cx - ax, cy - ay, cz - az]
    twice += Math.hypot(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx)
    const a = corners.idOf(t[0]!, t[1]!, t[2]!)
    const b = corners.idOf(t[3]!, t[4]!, t[5]!)
    const c = corners.idOf(t[6]!, t[7]!, t[8]!)
    // A triangle without area has no edges of its own.
    if (a !== b && b !== c && c !== a) {
      edges.add(a, b)
      edges.add(b, c)
      edges.add(c, a)
    }
    if ((n & 0xffff) === 0xffff && onProgress?.((n + 1) / triangles.count))
      throw new DomainError(
        'mesh-stopped',
        'Reading the mesh was stopped.',
        'Drop a file to start again.',
        'mesh',
      )
  }
  const { openEdges, tangledEdges } = edges.faults()
  return {
    triangles: triangles.count,
    volume: Math.abs(six) / 6,
    area: twice / 2,
    min,
    max,
    openEdges,
    tangledEdges,
    watertight: openEdges === 0 && tangledEdges === 0,
    insideOut: six < 0,
  }
}

const powerAbove = (n: number) => 2 ** Math.ceil(Math.log2(Math.max(1024, n)))

/** Gives every distinct corner a number. Open addressing on typed arrays: an object for each would cost ten times as much. */
class CornerTable {
  private slots: Int32Array
  private xyz: Float32Array
  private count = 0

  constructor(triangles: number) {
    // A closed surface has about half as many corners as triangles.
    this.slots = new Int32Array(powerAbove(triangles)).fill(-1)
    this.xyz = new Float32Array(3 * Math.ceil(0.55 * triangles + 16))
  }

  idOf(x: number, y: number, z: number): number {
    const [fx, fy, fz] = [Math.fround(x) + 0, Math.fround(y) + 0, Math.fround(z) + 0]
    const mask = this.slots.length - 1
    let slot = cornerHash(fx, fy, fz) & mask
    for (;;) {
      const id = this.slots[slot]!
      if (id === -1) break
      if (this.xyz[3 * id] === fx && this.xyz[3 * id + 1] === fy && this.xyz[3 * id + 2] === fz) return id
      slot = (slot + 1) & mask
    }
    const id = this.count++
    if (3 * id + 3 > this.xyz.length) {
      const larger = new Float32Array(Math.ceil(1.5 * this.xyz.length))
      larger.set(this.xyz)
      this.xyz = larger
    }
    this.xyz[3 * id] = fx
    this.xyz[3 * id + 1] = fy
    this.xyz[3 * id + 2] = fz
    this.slots[slot] = id
    if (this.count > 0.7 * this.slots.length) this.grow()
    return id
  }

  private grow(): void {
    this.slots = new Int32Array(2 * this.slots.length).fill(-1)
    const mask = this.slots.length - 1
    for (let id = 0; id < this.count; id++) {
      let slot = cornerHash(this.xyz[3 * id]!, this.xyz[3 * id + 1]!, this.xyz[3 * id + 2]!) & mask
      while (this.slots[slot] !== -1) slot = (slot + 1) & mask
      this.slots[slot] = id
    }
  }
}

const floats = new Float32Array(3)
const bits = new Int32Array(floats.buffer)
function cornerHash(x: number, y: number, z: number): number {
  floats[0] = x
  floats[1] = y
  floats[2] = z
  return mixed(
    Math.imul(bits[0]!, 0x9e3779b1) ^ Math.imul(bits[1]!, 0x85ebca77) ^ Math.imul(bits[2]!, 0xc2b2ae3d),
  )
}

/** Spreads the bits of a hash (the finaliser of MurmurHash3, public domain). */
function mixed(hash: number): number {
  let h = hash
  h = Math.imul(h ^ (h >>> 16), 0x85ebca6b)
  h = Math.imul(h ^ (h >>> 13), 0xc2b2ae35)
  return (h ^ (h >>> 16)) >>> 0
}

/** Counts how often each edge is run along, and in which direction. */
class EdgeTable {
  private low: Int32Array
  private high: Int32Array
  /** Uses in the low four bits (at most 15), runs from low to high in the upper four. */
  private uses: Uint8Array
  private count = 0

  constructor(triangles: number) {
    const size = powerAbove(2 * triangles)
    this.low = new Int32Array(size).fill(-1)
    this.high = new Int32Array(size)
    this.uses = new Uint8Array(size)
  }

  add(from: number, to: number): void {
    const [low, high] = from < to ? [from, to] : [to, from]
    const slot = this.slotOf(low, high)
    if (this.low[slot] === -1) {
      this.low[slot] = low
      this.high[slot] = high
      this.count++
    }
    const held = this.uses[slot]!
    const times = Math.min(15, (held & 15) + 1)
    const upwards = Math.min(15, (held >> 4) + (from < to ? 1 : 0))
    this.uses[slot] = times | (upwards << 4)
    if (this.count > 0.8 * this.low.length) this.grow()
  }

  private slotOf(low: number, high: number): number {
    const mask = this.low.length - 1
    let slot = mixed(Math.imul(low, 0x9e3779b1) ^ high) & mask
    while (this.low[slot] !== -1 && !(this.low[slot] === low && this.high[slot] === high))
      slot = (slot + 1) & mask
    return slot
  }

  private grow(): void {
    const { low, high, uses } = this
    this.low = new Int32Array(2 * low.length).fill(-1)
    this.high = new Int32Array(2 * low.length)
    this.uses = new Uint8Array(2 * low.length)
    for (let n = 0; n < low.length; n++) {
      if (low[n] === -1) continue
      const slot = this.slotOf(low[n]!, high[n]!)
      this.low[slot] = low[n]!
      this.high[slot] = high[n]!
      this.uses[slot] = uses[n]!
    }
  }

  faults(): { openEdges: number; tangledEdges: number } {
    let [openEdges, tangledEdges] = [0, 0]
    for (let slot = 0; slot < this.low.length; slot++) {
      if (this.low[slot] === -1) continue
      const times = this.uses[slot]! & 15
      if (times === 1) openEdges++
      else if (times > 2 || this.uses[slot]! >> 4 !== 1) tangledEdges++
    }
    return { openEdges, tangledEdges }
  }
}
