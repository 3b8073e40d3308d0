import { DomainError } from '../refusal/index.ts'
import type { SurveyMesh } from './survey-mesh.ts'
import { dot, squareTo, type Vector } from './vector.ts'

const { min, max, ceil, floor, round } = Math

/** A plane under which nothing counts: normal · p = height, mm of the cast frame. */
export interface Floor {
  readonly normal: Vector
  readonly height: number
}
export const levelFloor = (height: number): Floor => ({ normal: [0, 0, 1], height })

/** Where no stone is: lower than any. */
export const NO_STONE = -1e6

/** Snapped to this part of a cell, edges are worked out exactly: a shared edge is hit once. */
const PARTS = 1024
export const LEAST_CELL = 0.05
export const MOST_CELL = 0.5
/** Cells that one view may have: more do not fit the memory of a small machine (choice). */
const MOST_CELLS = 4_000_000

/** A part of a view only: the square round a place, mm. */
interface Crop {
  readonly middle: Vector
  readonly across: number
}

/**
 * A cast seen along a direction, as the rod of the table sees it: for every cell the highest stone, and all its faces above the floor.
 * The arrays are used again from one look to the next: without, collecting them costs more than the work.
 */
export class CastView {
  d: Vector = [0, 0, 1]
  right: Vector = [1, 0, 0]
  ahead: Vector = [0, 1, 0]
  cell = 0.15
  columns = 0
  rows = 0
  /** Of the middle of cell 0, mm along `right` and `ahead`. */
  originRight = 0
  originAhead = 0
  /** Per vertex, in cells, and its height along d in mm. */
  readonly u: Int32Array
  readonly v: Int32Array
  readonly w: Float32Array
  /** Per cell: the highest stone that looks up, or `NO_STONE`. */
  top = new Float32Array(0)
  /** Per cell: the first of its faces above the floor, or -1; then `next`. */
  head = new Int32Array(0)
  next = new Int32Array(1 << 16)
  faceHeight = new Float32Array(1 << 16)
  /** Triangle + 1, negative where it looks down. */
  face = new Int32Array(1 << 16)
  private faces = 0
  private floorAt0 = 0
  private floorPerRight = 0
  private floorPerAhead = 0

  constructor(
    readonly mesh: SurveyMesh,
    readonly floorPlane: Floor,
  ) {
    const corners = mesh.positions.length / 3
    this.u = new Int32Array(corners)
    this.v = new Int32Array(corners)
    this.w = new Float32Array(corners)
  }

  /**
   * Looks along d.
   * @param cell side of a cell, mm, 0.05 to 0.5
   * @throws {DomainError} `cell-out-of-range`, `mesh-too-large`
   */
  look(d: Vector, cell: number, crop?: Crop): void {
    if (!(cell >= LEAST_CELL && cell <= MOST_CELL))
      throw new DomainError(
        'cell-out-of-range',
        `A survey in cells of ${cell} mm tells nothing.`,
        `Enter a cell from ${LEAST_CELL} to ${MOST_CELL} mm.`,
        'cellMillimetres',
      )
    this.d = d
    ;[this.right, this.ahead] = squareTo(d)
    this.cell = cell
    this.project(crop)
    this.setFloor()
    this.raster(crop !== undefined)
  }

  private project(crop: Crop | undefined): void {
    const { positions } = this.mesh
    const { u, v, w, d, right, ahead, cell } = this
    const [rx, ry, rz] = right
    const [ax, ay, az] = ahead
    const [dx, dy, dz] = d
    let [lowU, highU, lowV, highV] = [Infinity, -Infinity, Infinity, -Infinity]
    if (crop) {
      const [across, along] = [dot(crop.middle, right), dot(crop.middle, ahead)]
      lowU = across - crop.across / 2
      highU = across + crop.across / 2
      lowV = along - crop.across / 2
      highV = along + crop.across / 2
    } else
      for (let n = 0; n < positions.length; n += 3) {
        const [x, y, z] = [positions[n]!, positions[n + 1]!, positions[n + 2]!]
        const across = x * rx + y * ry + z * rz
        const along = x * ax + y * ay + z * az
        if (across < lowU) lowU = across
        if (across > highU) highU = across
        if (along < lowV) lowV = along
        if (along > highV) highV = along
      }
    // Half a cell aside: a body that ends on the middle of a cell all round would be counted too small.
    this.originRight = lowU - 2.5 * cell
    this.originAhead = lowV - 2.5 * cell
    this.columns = ceil((highU - lowU) / cell) + 6
    this.rows = ceil((highV - lowV) / cell) + 6
    if (!(this.columns * this.rows <= MOST_CELLS))
      throw new DomainError(
        'mesh-too-large',
        'The scan is too wide for so fine a survey.',
        'Export the cast alone, at 0.1 mm.',
        'mesh',
      )
    const scale = PARTS / cell
    const [u0, v0] = [this.originRight, this.originAhead]
    for (let n = 0, at = 0; n < u.length; n++, at += 3) {
      const x = positions[at]!
      const y = positions[at + 1]!
      const z = positions[at + 2]!
      u[n] = round((x * rx + y * ry + z * rz - u0) * scale)
      v[n] = round((x * ax + y * ay + z * az - v0) * scale)
      w[n] = x * dx + y * dy + z * dz
    }
  }

  private setFloor(): void {
    const { normal, height } = this.floorPlane
    const along = dot(normal, this.d)
    this.floorPerRight = (-dot(normal, this.right) / along) * this.cell
    this.floorPerAhead = (-dot(normal, this.ahead) / along) * this.cell
    this.floorAt0 =
      (height - this.originRight * dot(normal, this.right) - this.originAhead * dot(normal, this.ahead)) /
      along
  }

  /** The height of the floor along d over a place, in cells. */
  floorAt(column: number, row: number): number {
    return this.floorAt0 + column * this.floorPerRight + row * this.floorPerAhead
  }

  private raster(cropped: boolean): void {
    const { columns, rows, u, v, w } = this
    const cells = columns * rows
    if (this.top.length < cells) {
      this.top = new Float32Array(cells)
      this.head = new Int32Array(cells)
    }
    this.top.fill(NO_STONE, 0, cells)
    this.head.fill(-1, 0, cells)
    this.faces = 0
    const { triangles } = this.mesh
    const { top } = this
    for (let n = 0; n < triangles.length; n += 3) {
      const a = triangles[n]!
      let b = triangles[n + 1]!
      let c = triangles[n + 2]!
      const ax = u[a]!
      const ay = v[a]!
      let bx = u[b]!
      let by = v[b]!
      let cx = u[c]!
      let cy = v[c]!
      let left = ceil(min(ax, bx, cx) / PARTS)
      let right = floor(max(ax, bx, cx) / PARTS)
      if (left > right) continue
      let low = ceil(min(ay, by, cy) / PARTS)
      let high = floor(max(ay, by, cy) / PARTS)
      if (low > high) continue
      if (cropped) {
        left = max(left, 0)
        right = min(right, columns - 1)
        low = max(low, 0)
        high = min(high, rows - 1)
      }
      const whole = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay)
      if (whole === 0) continue
      const up = whole > 0
      if (!up) {
        ;[b, c] = [c, b]
        const [x, y] = [bx, by]
        bx = cx
        by = cy
        cx = x
        cy = y
      }
      const size = up ? whole : -whole
      // Inside where all three are at least 0; on an edge only where it is a left or a top one.
      const abx = bx - ax
      const aby = by - ay
      const bcx = cx - bx
      const bcy = cy - by
      const cax = ax - cx
      const cay = ay - cy
      const biasAB = aby < 0 || (aby === 0 && abx < 0) ? 0 : 1
      const biasBC = bcy < 0 || (bcy === 0 && bcx < 0) ? 0 : 1
      const biasCA = cay < 0 || (cay === 0 && cax < 0) ? 0 : 1
      const wa = w[a]!
      const wb = w[b]! - wa
      const wc = w[c]! - wa
      for (let row = low; row <= high; row++) {
        const y = row * PARTS
        for (let column = left; column <= right; column++) {
          const x = column * PARTS
          const toC = abx * (y - ay) - aby * (x - ax)
          if (toC < biasAB) continue
          if (bcx * (y - by) - bcy * (x - bx) < biasBC) continue
          const toB = cax * (y - cy) - cay * (x - cx)
          if (toB < biasCA) continue
          const height = wa + (toC * wc + toB * wb) / size
          const at = row * columns + column
          if (up && height > top[at]!) top[at] = height
          if (height > this.floorAt0 + column * this.floorPerRight + row * this.floorPerAhead)
            this.push(at, height, up ? n / 3 + 1 : -(n / 3 + 1))
        }
      }
    }
  }

  private push(at: number, height: number, face: number): void {
    if (this.faces === this.next.length) this.grow()
    const place = this.faces++
    this.faceHeight[place] = height
    this.face[place] = face
    this.next[place] = this.head[at]!
    this.head[at] = place
  }

  private grow(): void {
    const next = new Int32Array(2 * this.next.length)
    next.set(this.next)
    this.next = next
    const heights = new Float32Array(next.length)
    heights.set(this.faceHeight)
    this.faceHeight = heights
    const face = new Int32Array(next.length)
    face.set(this.face)
    this.face = face
  }

  /** A place of the cast frame in cells of this view, with its height along d. */
  placeOf(p: Vector): { readonly column: number; readonly row: number; readonly height: number } {
    return {
      column: (dot(p, this.right) - this.originRight) / this.cell,
      row: (dot(p, this.ahead) - this.originAhead) / this.cell,
      height: dot(p, this.d),
    }
  }

  /** And back. */
  pointAt(column: number, row: number, height: number): Vector {
    const { d, right, ahead, cell } = this
    const across = this.originRight + column * cell
    const along = this.originAhead + row * cell
    const part = (k: 0 | 1 | 2) => right[k] * across + ahead[k] * along + d[k] * height
    return [part(0), part(1), part(2)]
  }
}

/** Snapped coordinates in whole cells. */
export const SNAP = PARTS
