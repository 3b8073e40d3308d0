import { type Articulator, type Movement, moveJaw, type SpacePoint } from '../mounting/index.ts'
import { qty, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import type { ArchField, Grid, Mouth } from './mouth-grid.ts'
import type { Bite } from './regions.ts'

// Looked up once: these loops run through every cell.
const { abs, floor, max, min } = Math

/** Where the lower stands in a bite but for its opening, which turns it about the axis of its condyles. */
export interface JawFrame {
  readonly bite: Bite
  /** Advance of the sliding condyle, mm. */
  readonly advance: number
  readonly origin: SpacePoint
  /** Columns of the turn: forwards, to the left, up. */
  readonly ahead: SpacePoint
  readonly across: SpacePoint
  readonly up: SpacePoint
  /** The opening at which the pin rests on its table, radians. */
  readonly table: number
}

const movementOf: Readonly<Record<Bite, Movement>> = {
  centric: 'protrusion',
  protrusive: 'protrusion',
  right: 'rightLateral',
  left: 'leftLateral',
}
const MOST_ADVANCE = 3

/**
 * The frame of a bite at an advance.
 * @throws {DomainError} `advance`: not 0 to 3 mm; of `moveJaw`
 */
export function frameOf(articulator: Articulator, bite: Bite, advance: number): JawFrame {
  if (!(advance >= 0 && advance <= MOST_ADVANCE))
    throw new DomainError(
      'advance',
      saying`An advance of ${qty.mm(advance)} is beyond the free path of the teeth.`,
      saying`Enter 0 to ${qty.mm(MOST_ADVANCE)}.`,
      'advanceMillimetres',
    )
  const X = bite === 'centric' ? 0 : advance
  const { origin, axes, opening } = moveJaw(articulator, {
    movement: movementOf[bite],
    advanceMillimetres: X,
  })
  return { bite, advance: X, origin, ...axes, table: opening }
}

/** The lower surface under a point, with its slopes; made once and filled again, for it is read millions of times. */
export interface Under {
  z: number
  slopeX: number
  slopeY: number
}
/** A lower square whose corners belong to different teeth and differ by more is a gap between teeth (choice). */
const GAP_SPACINGS = 2.5

/** Reads a surface between its cells into `under`. @returns whether there is a tooth */
export function bilinear(
  { x0, y0, h, nx, ny }: Grid,
  { z, tooth, untouched }: Pick<ArchField, 'z' | 'tooth' | 'untouched'>,
  x: number,
  y: number,
  under: Under,
): boolean {
  const fx = (x - x0) / h
  const fy = (y - y0) / h
  const i = floor(fx)
  const j = floor(fy)
  if (i < 0 || j < 0 || i >= nx - 1 || j >= ny - 1) return false
  const c = j * nx + i
  const t00 = tooth[c]!
  const t10 = tooth[c + 1]!
  const t01 = tooth[c + nx]!
  const t11 = tooth[c + nx + 1]!
  if (t00 === 0 || t10 === 0 || t01 === 0 || t11 === 0) return false
  const z00 = z[c]!
  const z10 = z[c + 1]!
  const z01 = z[c + nx]!
  const z11 = z[c + nx + 1]!
  if (!(t00 === t10 && t00 === t01 && t00 === t11) && spanOf(untouched, c, nx) > GAP_SPACINGS * h)
    return false
  const u = fx - i
  const v = fy - j
  const low = z00 + (z10 - z00) * u
  const high = z01 + (z11 - z01) * u
  under.z = low + (high - low) * v
  under.slopeX = ((z10 - z00) * (1 - v) + (z11 - z01) * v) / h
  under.slopeY = (high - low) / h
  return true
}

/** Of the heights before anything was ground: a gap stays one, else grinding could make a partner, and open a bite. */
function spanOf(z: Float64Array, c: number, nx: number): number {
  const [z00, z10, z01, z11] = [z[c]!, z[c + 1]!, z[c + nx]!, z[c + nx + 1]!]
  return max(z00, z10, z01, z11) - min(z00, z10, z01, z11)
}

/** Growth of a gap with opening is not taken for less than this share of the distance to the axis: it guards walls (choice). */
const LEAST_GROWTH = 0.35
const CLOSED_WITHIN = 1e-7
const MOST_PASSES = 60

/** What a pass over the upper vertices has found. */
interface Pass {
  /** The most that the jaw would have to open for one of them, radians; below 0: all hang clear. */
  readonly most: number
  readonly at: number
}

/**
 * One pass of Newton over upper vertices against the bilinear lower.
 * @param cells all of the upper, or those that can carry
 * @param overlapping gathers the ones that overlap
 */
function pass(
  mouth: Mouth,
  frame: JawFrame,
  theta: number,
  cells: Int32Array | readonly number[],
  overlapping?: number[],
): Pass {
  const { grid, upper, lower } = mouth
  const { x0, y0, h, nx } = grid
  const { origin: o, ahead: a, across: e, up: w } = frame
  const [cos, sin] = [Math.cos(theta), Math.sin(theta)]
  const { z } = upper
  let most = Number.NEGATIVE_INFINITY
  let at = -1
  for (let n = 0; n < cells.length; n++) {
    const cell = cells[n]!
    const dx = x0 + h * (cell % nx) - o.x
    const dy = y0 + h * ((cell / nx) | 0) - o.y
    const dz = z[cell]! - o.z
    const vx = a.x * dx + a.y * dy + a.z * dz
    const vz = w.x * dx + w.y * dy + w.z * dz
    const qx = vx * cos - vz * sin
    const qz = vx * sin + vz * cos
    if (!bilinear(grid, lower, qx, e.x * dx + e.y * dy + e.z * dz, under)) continue
    const gap = qz - under.z
    const growth = max(qx + under.slopeX * qz, LEAST_GROWTH * qx)
    const needs = -gap / growth
    if (needs > most) {
      most = needs
      at = cell
    }
    if (overlapping && gap < 0) overlapping.push(cell)
  }
  return { most, at }
}
const under: Under = { z: 0, slopeX: 0, slopeY: 0 }

/** How a mouth closes in a bite. */
export interface Closing {
  readonly frame: JawFrame
  /** The pose that is carried, by teeth or by the pin, radians. */
  readonly opening: number
  /** By the teeth alone, radians. */
  readonly teeth: number
  /** The upper cell that carries. */
  readonly carries: number
  /** The upper cells that overlap where the pin is on its table: no others can carry. */
  readonly overlapping: readonly number[]
}

/**
 * Closes the lower on the upper until a tooth or the pin stops it: Newton on the maximum, exact to the grid, without a search.
 *
 * @param among cells that alone can carry, where that is known
 * @throws {DomainError} `no-contact`: no tooth stands over another
 * Source: gap of each vertex and its growth with opening (rigid-body geometry, exact). Limits: rigid teeth, no slip of the jaw.
 */
export function close(
  mouth: Mouth,
  frame: JawFrame,
  among: Int32Array | readonly number[] = mouth.upper.cells,
): Closing {
  const overlapping: number[] = []
  const first = pass(mouth, frame, frame.table, among, overlapping)
  if (first.at < 0)
    throw new DomainError(
      'no-contact',
      'No tooth stands over another.',
      'Look whether both dentures are home, and in the same bite.',
    )
  // With openings the gaps only grow: what overlaps now alone can carry. Where nothing does, the teeth close further than the pin.
  const cells = overlapping.length > 0 ? overlapping : among
  let theta = frame.table
  let found = first
  for (let n = 0; n < MOST_PASSES && abs(found.most) >= CLOSED_WITHIN; n++) {
    theta += found.most
    const next = pass(mouth, frame, theta, cells)
    if (next.at < 0) break
    found = next
  }
  return { frame, opening: max(theta, frame.table), teeth: theta, carries: found.at, overlapping }
}

/** An upper point in the coordinates of the lower. */
export function inLower(
  { origin: o, ahead, across, up }: JawFrame,
  theta: number,
  q: SpacePoint,
): SpacePoint {
  const d = { x: q.x - o.x, y: q.y - o.y, z: q.z - o.z }
  const dot = (axis: SpacePoint) => axis.x * d.x + axis.y * d.y + axis.z * d.z
  const [cos, sin, x, z] = [Math.cos(theta), Math.sin(theta), dot(ahead), dot(up)]
  return { x: x * cos - z * sin, y: dot(across), z: x * sin + z * cos }
}

/** A lower point where it stands in the frame of the upper. */
export function inUpper(
  { origin: o, ahead, across, up }: JawFrame,
  theta: number,
  p: SpacePoint,
): SpacePoint {
  const [cos, sin] = [Math.cos(theta), Math.sin(theta)]
  const x = cos * p.x + sin * p.z
  const z = cos * p.z - sin * p.x
  return {
    x: o.x + ahead.x * x + across.x * p.y + up.x * z,
    y: o.y + ahead.y * x + across.y * p.y + up.y * z,
    z: o.z + ahead.z * x + across.z * p.y + up.z * z,
  }
}
