import { qty, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { bilinear, type Closing, inLower, inUpper, type JawFrame, type Under } from './closing.ts'
import { grindingRule } from './grinding-rules.ts'
import { type ArchField, cellAt, type Mouth, regionAt, xOf, yOf } from './mouth-grid.ts'
import { type Bite, bites, isSupportingTip, type ToothRegion, toothRegions } from './regions.ts'

// Looked up once: these loops run through every cell.
const { abs, ceil, floor, max, min, sqrt } = Math

/** Both may not be ground here, or not any more. */
export interface Blocked {
  readonly bite: Bite
  readonly advance: number
  readonly upper: { readonly tooth: number; readonly region: ToothRegion }
  readonly lower: { readonly tooth: number; readonly region: ToothRegion }
}

/** Less than this is nothing, mm. */
const NOTHING = 1e-9
/** The bilinear surface leaves residues: so often they are looked for again. */
const MOST_RESIDUES = 3
const AROUND_CELLS = 2

const sides = ['none', 'upper', 'lower'] as const
/** The rule table as numbers: it is asked for every vertex. */
const table = Uint8Array.from(
  bites.flatMap((bite) =>
    toothRegions.flatMap((upper) =>
      toothRegions.map((lower) => sides.indexOf(grindingRule(bite, upper, lower).grind)),
    ),
  ),
)
const sideFor = (bite: number, upper: number, lower: number) =>
  sides[table[(bite * toothRegions.length + upper) * toothRegions.length + lower]!]!
const mayGive = toothRegions.map((region) => ({
  upper: !isSupportingTip('upper', region) && region !== 'incisalEdge',
  lower: !isSupportingTip('lower', region),
}))

/** Takes off a cell what may still be taken. @returns how much that was */
function cut(field: ArchField, cell: number, depth: number, up: 1 | -1): number {
  const taken = min(depth, field.allowance[cell]!)
  if (taken <= NOTHING) return 0
  field.z[cell] = field.z[cell]! + up * taken
  field.allowance[cell] = field.allowance[cell]! - taken
  return taken
}
const cutUpper = (mouth: Mouth, cell: number, depth: number) => cut(mouth.upper, cell, depth, 1)
const cutLower = (mouth: Mouth, cell: number, depth: number) => cut(mouth.lower, cell, depth, -1)

/** The one who grinds by the rules, with the room it works in. */
export class Grinder {
  readonly blocked = new Map<string, Blocked>()
  private readonly stamp: Int32Array
  private stamped = 0
  private readonly residual: Float64Array
  private readonly under: Under = { z: 0, slopeX: 0, slopeY: 0 }

  constructor(readonly mouth: Mouth) {
    this.stamp = new Int32Array(mouth.lower.z.length)
    this.residual = new Float64Array(mouth.lower.z.length)
  }

  /**
   * Takes every overlap away at an opening, on the side that the rule names.
   * @param cells upper cells that can overlap there
   * @returns what was taken, mm summed over cells
   */
  clear(frame: JawFrame, theta: number, cells: readonly number[]): number {
    let taken = this.clearLower(frame, theta, cells)
    for (let n = 0; n < MOST_RESIDUES; n++) {
      const more = this.clearUpper(frame, theta, cells, n === MOST_RESIDUES - 1)
      taken += more
      if (more <= NOTHING) break
    }
    return taken
  }

  /** One step where a wall carries although nothing overlaps a little below: at the vertex that carries, or under it. */
  clearWall({ frame, opening, carries }: Closing, step: number): number {
    const { mouth } = this
    const at = this.pairOf(frame, opening, carries)
    if (!at) return 0
    const side = this.sideOf(frame, at.upper, at.lower)
    if (side === 'upper') return cutUpper(mouth, at.upper, step)
    if (side === 'lower')
      return this.corners(at.x, at.y).reduce((sum, cell) => sum + cutLower(mouth, cell, step), 0)
    this.block(frame, at.upper, at.lower)
    return 0
  }

  /** Puts the pair that carries on the list of what cannot give way. */
  blockAt({ frame, opening, carries }: Closing): void {
    const at = this.pairOf(frame, opening, carries)
    if (at) this.block(frame, at.upper, at.lower)
  }

  /** Lower vertices under those cells, and two around, against the bilinear upper. */
  private clearLower(frame: JawFrame, theta: number, cells: readonly number[]): number {
    const { mouth, stamp, under } = this
    const { grid, upper, lower } = mouth
    this.stamped++
    let taken = 0
    for (const cell of cells) {
      const q = inLower(frame, theta, { x: xOf(grid, cell), y: yOf(grid, cell), z: upper.z[cell]! })
      const middle = cellAt(grid, q.x, q.y)
      if (middle < 0) continue
      for (let dj = -AROUND_CELLS; dj <= AROUND_CELLS; dj++)
        for (let di = -AROUND_CELLS; di <= AROUND_CELLS; di++) {
          const below = middle + dj * grid.nx + di
          if (lower.tooth[below] === undefined || lower.tooth[below] === 0 || stamp[below] === this.stamped)
            continue
          stamp[below] = this.stamped
          const p = inUpper(frame, theta, { x: xOf(grid, below), y: yOf(grid, below), z: lower.z[below]! })
          if (!bilinear(grid, upper, p.x, p.y, under)) continue
          const gap = under.z - p.z
          if (gap >= 0) continue
          const above = cellAt(grid, p.x, p.y)
          if (this.sideOf(frame, above, below) === 'lower') taken += cutLower(mouth, below, -gap)
        }
    }
    return taken
  }

  /** Upper vertices against the bilinear lower; where the lower is to give way, its corners by the largest residue. */
  private clearUpper(frame: JawFrame, theta: number, cells: readonly number[], isLast: boolean): number {
    const { mouth, residual, under } = this
    const { grid, upper, lower } = mouth
    const touched: number[] = []
    let taken = 0
    for (const cell of cells) {
      const q = inLower(frame, theta, { x: xOf(grid, cell), y: yOf(grid, cell), z: upper.z[cell]! })
      if (!bilinear(grid, lower, q.x, q.y, under)) continue
      const gap = q.z - under.z
      if (gap >= -NOTHING) continue
      const below = cellAt(grid, q.x, q.y)
      const side = this.sideOf(frame, cell, below)
      if (side === 'upper') taken += cutUpper(mouth, cell, -gap)
      else if (side === 'lower')
        for (const corner of this.corners(q.x, q.y)) {
          if (residual[corner] === 0) touched.push(corner)
          residual[corner] = max(residual[corner]!, -gap)
        }
      else if (isLast) this.block(frame, cell, below)
    }
    for (const corner of touched) {
      taken += cutLower(mouth, corner, residual[corner]!)
      residual[corner] = 0
    }
    return taken
  }

  private corners(x: number, y: number): readonly number[] {
    const { grid, lower } = this.mouth
    const i = floor((x - grid.x0) / grid.h)
    const c = floor((y - grid.y0) / grid.h) * grid.nx + i
    return [c, c + 1, c + grid.nx, c + grid.nx + 1].filter((cell) => (lower.tooth[cell] ?? 0) > 0)
  }

  private pairOf(frame: JawFrame, theta: number, cell: number) {
    const { grid, upper, lower } = this.mouth
    if (cell < 0) return undefined
    const q = inLower(frame, theta, { x: xOf(grid, cell), y: yOf(grid, cell), z: upper.z[cell]! })
    const below = cellAt(grid, q.x, q.y)
    return below < 0 || lower.tooth[below] === 0 ? undefined : { upper: cell, lower: below, x: q.x, y: q.y }
  }

  /** The side that the rule names; where its allowance is spent the other one, if nothing protects that. */
  private sideOf({ bite }: JawFrame, above: number, below: number): 'upper' | 'lower' | 'none' {
    const { upper, lower } = this.mouth
    const [u, l] = [upper.region[above]!, lower.region[below]!]
    const named = sideFor(bites.indexOf(bite), u, l)
    if (named === 'none') return 'none'
    const left = { upper: upper.allowance[above]!, lower: lower.allowance[below]! }
    if (left[named] > NOTHING) return named
    const other = named === 'upper' ? 'lower' : 'upper'
    const region = other === 'upper' ? u : l
    return left[other] > NOTHING && mayGive[region]![other] ? other : 'none'
  }

  private block({ bite, advance }: JawFrame, above: number, below: number): void {
    const { upper, lower, upperTeeth, lowerTeeth } = this.mouth
    const pair = {
      upper: { tooth: upperTeeth[upper.tooth[above]! - 1]!, region: regionAt(upper, above) },
      lower: { tooth: lowerTeeth[lower.tooth[below]! - 1]!, region: regionAt(lower, below) },
    }
    this.blocked.set(JSON.stringify([bite, pair]), { bite, advance, ...pair })
  }
}

const STROKE_MOST = 0.5

/** A stroke of a hand tool: a bowl d (1 - r²/a²) on one arch. It never adds, and asks for no allowance: tips are scored, not locked. */
export interface Stroke {
  readonly arch: 'upper' | 'lower'
  readonly x: number
  readonly y: number
  readonly radius: number
  readonly depth: number
}

/** The mark of a round stone pressed in by d: a = √(2 r d - d²). */
export const stoneRadius = (stone: number, depth: number) => sqrt(2 * stone * depth - depth * depth)

/**
 * Cuts with a hand tool.
 * @returns what was taken, mm³
 * @throws {DomainError} `grind-depth`: not above 0, or more than 0.5 mm in one stroke
 * @example on a flat it removes π a² d / 2
 */
export function stroke(mouth: Mouth, { arch, x, y, radius, depth }: Stroke): number {
  if (!(depth > 0 && depth <= STROKE_MOST))
    throw new DomainError(
      'grind-depth',
      saying`A stroke of ${qty.mm(depth)} is not meant.`,
      saying`Take up to ${qty.mm(STROKE_MOST)} at once.`,
      'depth',
    )
  const { grid } = mouth
  const field = mouth[arch]
  const reach = ceil(radius / grid.h) + 1
  const middle = cellAt(grid, x, y)
  if (middle < 0) return 0
  let taken = 0
  for (let dj = -reach; dj <= reach; dj++)
    for (let di = -reach; di <= reach; di++) {
      const cell = middle + dj * grid.nx + di
      if (!((field.tooth[cell] ?? 0) > 0)) continue
      const r2 = (xOf(grid, cell) - x) ** 2 + (yOf(grid, cell) - y) ** 2
      const deep = depth * (1 - r2 / (radius * radius))
      if (deep <= 0) continue
      field.z[cell] = field.z[cell]! + (arch === 'upper' ? deep : -deep)
      field.allowance[cell] = max(0, field.allowance[cell]! - deep)
      taken += deep * grid.h * grid.h
    }
  return taken
}

/** What is off a mouth by now, mm³. */
export function volumeTaken({ grid, upper, lower }: Mouth): number {
  let sum = 0
  for (const field of [upper, lower])
    for (const cell of field.cells) sum += abs(field.z[cell]! - field.untouched[cell]!)
  return sum * grid.h * grid.h
}
