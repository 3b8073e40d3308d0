import { type CastView, NO_STONE } from './cast-view.ts'
import { NO_SQUARE, RimBins } from './rim-bins.ts'

const { abs, floor, max, min, sqrt } = Math

/** Two heights that differ by more cells than this have a wall between them (choice). */
const WALL = 3.7
/** Less is no undercut (choices): how far below the top at the corners of its square, and how deep. */
const NEAR_TOP_MILLIMETRES = 0.01
export const LEAST_DEPTH_MILLIMETRES = 0.02
/** Deeper than this is not told apart. */
export const MOST_DEPTH_MILLIMETRES = 4
/** Below the smooth top by less than so much of a cell is not below it. */
const SMOOTH = 0.3

/** No wall; a wall whose place nobody asked for yet; from 0 on the number of its place. */
const NONE = NO_SQUARE
const UNKNOWN = -2

/**
 * The rim of the stone at or above a height, in a view along d. Since that stone is where the height map is at least so high, one map
 * answers for every height. Between cell centres the rim is linear; where a wall stands between two, its place is cut from the triangles.
 */
export class FreeEdge {
  private readonly columns: number
  private readonly rows: number
  private readonly low: Float32Array
  /** Links from a cell to the next in its row, and to the one above it. */
  private readonly across: Int32Array
  private readonly along: Int32Array
  private readonly bins: RimBins
  /** Three numbers a wall: its place on the link, 0 to 1 from the lower index, the height before and after it from the higher side. */
  private walls = new Float32Array(3 << 12)
  private wallCount = 0
  /** Where the last answer was: the next one asked for is mostly near it. */
  private lastColumn = 0
  private lastRow = 0
  private lastHeight = Infinity
  /** The place of the last answer, in cells. */
  nearColumn = 0
  nearRow = 0

  constructor(readonly view: CastView) {
    const { columns, rows, cell, top } = view
    this.columns = columns
    this.rows = rows
    const cells = columns * rows
    this.low = new Float32Array(cells).fill(Infinity)
    this.across = new Int32Array(cells).fill(NONE)
    this.along = new Int32Array(cells).fill(NONE)
    const rim = new Int32Array(cells).fill(NONE)
    const least = WALL * cell
    let squares = 0
    const mark = (at: number) => {
      if (rim[at] === NONE) rim[at] = squares++
    }
    for (let row = 0; row < rows - 1; row++)
      for (let at = row * columns; at < (row + 1) * columns - 1; at++) {
        const a = top[at]!
        const b = top[at + 1]!
        const c = top[at + columns]!
        const d = top[at + columns + 1]!
        const ab = a < b ? a : b
        const cd = c < d ? c : d
        this.low[at] = ab < cd ? ab : cd
        if (abs(a - b) > least) {
          this.across[at] = UNKNOWN
          mark(at)
        }
        if (abs(a - c) > least) {
          this.along[at] = UNKNOWN
          mark(at)
        }
      }
    this.bins = new RimBins(view, rim, squares)
  }

  /**
   * How deep a place lies behind the stone above it: the way, square to d, to the nearest place where no stone is as high. What an undercut
   * gauge reads, its shank clear of all above. At most 4 mm.
   * @param column, row in cells of the view; the height in mm
   */
  depthAt(column: number, row: number, height: number): number {
    const { columns, rows, low } = this
    const { top, cell } = this.view
    const i = floor(column)
    const j = floor(row)
    if (!(i >= 0 && j >= 0 && i < columns - 1 && j < rows - 1)) return 0
    const own = j * columns + i
    const a = top[own]!
    const b = top[own + 1]!
    const c = top[own + columns]!
    const d = top[own + columns + 1]!
    const near = height + NEAR_TOP_MILLIMETRES
    if (a < near && b < near && c < near && d < near) return this.here(column, row)
    if (this.isSmooth(own)) {
      const x = column - i
      const y = row - j
      const above = (1 - y) * ((1 - x) * a + x * b) + y * ((1 - x) * c + x * d) - height
      if (above < SMOOTH * cell) return this.here(column, row)
    }
    let best = MOST_DEPTH_MILLIMETRES / cell
    if (height >= this.lastHeight) {
      const x = this.lastColumn - column
      const y = this.lastRow - row
      const known = sqrt(x * x + y * y)
      if (known < best) {
        best = known
        this.nearColumn = this.lastColumn
        this.nearRow = this.lastRow
      }
    }
    const inside = min(column - i, i + 1 - column, row - j, j + 1 - row)
    for (let ring = 0; ring === 0 || ring - 1 + inside < best; ring++) {
      const top = j + ring
      const foot = j - ring
      for (let y = max(0, foot); y <= min(rows - 2, top); y++) {
        // Whole rows above and below, else the two ends.
        const step = y === top || y === foot ? 1 : 2 * ring
        const from = i - ring
        for (let x = from; x <= i + ring; x += step) {
          if (x < 0 || x > columns - 2) continue
          const at = y * columns + x
          if (low[at]! >= height) continue
          const found = this.squareDistance(at, x, y, column, row, height, ring === 0)
          if (found === 0) return this.here(column, row)
          if (found < best) {
            best = found
            this.nearColumn = this.foundColumn
            this.nearRow = this.foundRow
          }
        }
      }
    }
    this.lastColumn = this.nearColumn
    this.lastRow = this.nearRow
    this.lastHeight = height
    const depth = best * cell
    return depth < LEAST_DEPTH_MILLIMETRES ? 0 : depth
  }

  private here(column: number, row: number): number {
    this.nearColumn = column
    this.nearRow = row
    return 0
  }

  private isSmooth(at: number): boolean {
    return (
      this.across[at] === NONE &&
      this.along[at] === NONE &&
      this.along[at + 1] === NONE &&
      this.across[at + this.columns] === NONE
    )
  }

  private foundColumn = 0
  private foundRow = 0

  /** From a place to the rim within a square, in cells; 0 where the place itself is free; Infinity without a rim. */
  private squareDistance(
    at: number,
    i: number,
    j: number,
    column: number,
    row: number,
    height: number,
    own: boolean,
  ): number {
    const { columns } = this
    const { top } = this.view
    const a = top[at]!
    const b = top[at + 1]!
    const c = top[at + columns]!
    const d = top[at + columns + 1]!
    const inA = a >= height
    const inB = b >= height
    const inC = c >= height
    const inD = d >= height
    const held = (inA ? 1 : 0) + (inB ? 1 : 0) + (inC ? 1 : 0) + (inD ? 1 : 0)
    if (held === 4) return Infinity
    if (held === 0) return own ? 0 : Infinity
    // Where the rim cuts the four sides, in cells of the view.
    const foot = inA !== inB ? i + this.cross(this.across, at, 0, a, b, height) : 0
    const head = inC !== inD ? i + this.cross(this.across, at + columns, 0, c, d, height) : 0
    const left = inA !== inC ? j + this.cross(this.along, at, 1, a, c, height) : 0
    const right = inB !== inD ? j + this.cross(this.along, at + 1, 1, b, d, height) : 0
    const x = column
    const y = row
    if (held === 2 && inA === inD) {
      // A saddle: its middle says which two corners hang together.
      const joined = (a + b + c + d) / 4 >= height === inA
      // Each segment cuts off one corner: that of A and D, or that of B and C.
      const one = joined ? segment(x, y, foot, j, i + 1, right) : segment(x, y, foot, j, i, left)
      const [oneColumn, oneRow] = [nearX, nearY]
      const other = joined ? segment(x, y, i, left, head, j + 1) : segment(x, y, head, j + 1, i + 1, right)
      if (own && this.saddleFree(joined, inA, { x, y, i, j, foot, head, left, right })) return 0
      this.foundColumn = one < other ? oneColumn : nearX
      this.foundRow = one < other ? oneRow : nearY
      return min(one, other)
    }
    // Two of the four sides are cut; the first in this order, and the last.
    const x0 = inA !== inB ? foot : inC !== inD ? head : i
    const y0 = inA !== inB ? j : inC !== inD ? j + 1 : left
    const x1 = inB !== inD ? i + 1 : inA !== inC ? i : head
    const y1 = inB !== inD ? right : inA !== inC ? left : j + 1
    if (own) {
      // A corner that is sure to lie off the segment: one that is alone, or any of two.
      const alone = held === 1 ? true : held === 3 ? false : inA
      const cx = inA === alone || held === 2 ? i : inB === alone ? i + 1 : inC === alone ? i : i + 1
      const cy = inA === alone || held === 2 ? j : inB === alone ? j : j + 1
      const corner = (x1 - x0) * (cy - y0) - (y1 - y0) * (cx - x0)
      const same = corner * ((x1 - x0) * (y - y0) - (y1 - y0) * (x - x0)) > 0
      const cornerHeld = held === 2 ? inA : alone
      if (same !== cornerHeld) return 0
    }
    const found = segment(x, y, x0, y0, x1, y1)
    this.foundColumn = nearX
    this.foundRow = nearY
    return found
  }

  private saddleFree(
    joined: boolean,
    inA: boolean,
    at: {
      readonly x: number
      readonly y: number
      readonly i: number
      readonly j: number
      readonly foot: number
      readonly head: number
      readonly left: number
      readonly right: number
    },
  ): boolean {
    const { x, y, i, j, foot, head, left, right } = at
    const cut = (x0: number, y0: number, x1: number, y1: number, cx: number, cy: number) =>
      ((x1 - x0) * (cy - y0) - (y1 - y0) * (cx - x0)) * ((x1 - x0) * (y - y0) - (y1 - y0) * (x - x0)) > 0
    const inCorner = joined
      ? cut(foot, j, i + 1, right, i + 1, j) || cut(i, left, head, j + 1, i, j + 1)
      : cut(foot, j, i, left, i, j) || cut(head, j + 1, i + 1, right, i + 1, j + 1)
    // Joined: the corners cut off are B and C; else A and D.
    const cornersHeld = joined ? !inA : inA
    return inCorner !== cornersHeld
  }

  /** Where the rim at a height cuts a link, 0 to 1 from its lower index. */
  private cross(
    links: Int32Array,
    at: number,
    direction: 0 | 1,
    first: number,
    second: number,
    height: number,
  ): number {
    let wall = links[at]!
    if (wall === NONE) return (first - height) / (first - second)
    if (wall === UNKNOWN) {
      wall = this.find(at, direction, first, second)
      links[at] = wall
    }
    const place = this.walls[3 * wall]!
    const before = this.walls[3 * wall + 1]!
    const after = this.walls[3 * wall + 2]!
    const [high, low] = first > second ? [first, second] : [second, first]
    // From the higher end.
    const s = first > second ? place : 1 - place
    const from =
      height > before && high > before
        ? (s * (high - height)) / (high - before)
        : height < after && after > low
          ? s + ((1 - s) * (after - height)) / (after - low)
          : s
    return first > second ? from : 1 - from
  }

  /** The place of a wall: the farthest from its higher end where stone still reaches the mean of both. */
  private find(at: number, direction: 0 | 1, first: number, second: number): number {
    const mean = max(first, second) / 2 + max(min(first, second), NO_STONE) / 2
    this.bins.wallOn(at, direction, first > second, mean)
    const { place, before, after } = this.bins
    const wall = this.wallCount++
    if (3 * wall + 3 > this.walls.length) {
      const larger = new Float32Array(2 * this.walls.length)
      larger.set(this.walls)
      this.walls = larger
    }
    this.walls[3 * wall] = place
    this.walls[3 * wall + 1] = before
    this.walls[3 * wall + 2] = after
    return wall
  }

  /** Every segment of wall in the view, in cells, with the height of the stone that stands over it: what a taper starts from. */
  wallSegments(
    take: (x0: number, y0: number, x1: number, y1: number, height: number) => void,
    floorAt: (column: number, row: number) => number,
  ): void {
    const { columns, rows, across, along } = this
    const { top } = this.view
    for (let j = 0; j < rows - 1; j++)
      for (let i = 0; i < columns - 1; i++) {
        const at = j * columns + i
        const places: [number, number, number][] = []
        const add = (
          links: Int32Array,
          link: number,
          direction: 0 | 1,
          x: number,
          y: number,
          other: number,
        ) => {
          if (links[link] === NONE) return
          const [first, second] = [top[link]!, top[other]!]
          this.cross(links, link, direction, first, second, (first + second) / 2)
          const wall = links[link]!
          const place = this.walls[3 * wall]!
          places.push([
            direction === 0 ? x + place : x,
            direction === 0 ? y : y + place,
            this.walls[3 * wall + 1]!,
          ])
        }
        add(across, at, 0, i, j, at + 1)
        add(across, at + columns, 0, i, j + 1, at + columns + 1)
        add(along, at, 1, i, j, at + columns)
        add(along, at + 1, 1, i + 1, j, at + columns + 1)
        if (places.length < 2) continue
        const floorHere = floorAt(i, j)
        for (let n = 1; n < places.length; n++) {
          const [x0, y0, h0] = places[n - 1]!
          const [x1, y1, h1] = places[n]!
          const height = min(h0, h1)
          if (height > floorHere) take(x0, y0, x1, y1, height)
        }
      }
  }
}

let nearX = 0
let nearY = 0
/** From a place to a segment; the nearest place of it is kept beside. */
function segment(x: number, y: number, x0: number, y0: number, x1: number, y1: number): number {
  const dx = x1 - x0
  const dy = y1 - y0
  const long = dx * dx + dy * dy
  const t = long === 0 ? 0 : max(0, min(1, ((x - x0) * dx + (y - y0) * dy) / long))
  nearX = x0 + t * dx
  nearY = y0 + t * dy
  const ex = x - nearX
  const ey = y - nearY
  return sqrt(ex * ex + ey * ey)
}
