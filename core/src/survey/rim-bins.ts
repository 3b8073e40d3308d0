import { type CastView, NO_STONE, SNAP } from './cast-view.ts'

const { floor, max, min } = Math

/** A square without a wall. */
export const NO_SQUARE = -1

/** The triangles that look up, by the squares with a wall that they reach. */
export class RimBins {
  private readonly heads: Int32Array
  private next = new Int32Array(1 << 14)
  private triangle = new Int32Array(1 << 14)
  private count = 0
  place = 0
  before = 0
  after = 0

  constructor(
    private readonly view: CastView,
    private readonly rim: Int32Array,
    squares: number,
  ) {
    this.heads = new Int32Array(squares).fill(-1)
    const { mesh, u, v, columns, rows } = view
    const { triangles } = mesh
    for (let n = 0; n < triangles.length; n += 3) {
      const a = triangles[n]!
      const b = triangles[n + 1]!
      const c = triangles[n + 2]!
      const ax = u[a]!
      const ay = v[a]!
      const bx = u[b]!
      const by = v[b]!
      const cx = u[c]!
      const cy = v[c]!
      if ((bx - ax) * (cy - ay) - (cx - ax) * (by - ay) <= 0) continue
      const left = max(0, floor(min(ax, bx, cx) / SNAP))
      const right = min(columns - 1, floor(max(ax, bx, cx) / SNAP))
      const low = max(0, floor(min(ay, by, cy) / SNAP))
      const high = min(rows - 1, floor(max(ay, by, cy) / SNAP))
      for (let y = low; y <= high; y++)
        for (let at = y * columns + left; at <= y * columns + right; at++) {
          const square = rim[at]!
          if (square !== NO_SQUARE) this.push(square, n)
        }
    }
  }

  private push(square: number, triangle: number): void {
    if (this.count === this.next.length) {
      const next = new Int32Array(2 * this.count)
      next.set(this.next)
      this.next = next
      const held = new Int32Array(2 * this.count)
      held.set(this.triangle)
      this.triangle = held
    }
    this.next[this.count] = this.heads[square]!
    this.triangle[this.count] = triangle
    this.heads[square] = this.count++
  }

  /** Leaves where the wall on a link is, in `place`, `before` and `after`. */
  wallOn(at: number, direction: 0 | 1, firstHigher: boolean, mean: number): void {
    const { columns } = this.view
    const row = floor(at / columns)
    const column = at - row * columns
    const from = (direction === 0 ? column : row) * SNAP
    const count = this.cutAll(this.heads[this.rim[at]!]!, direction, (direction === 0 ? row : column) * SNAP)
    const pieces = this.pieces
    // From the higher end, 0 to 1.
    let far = 0
    let before = mean
    for (let n = 0; n < 4 * count; n += 4) {
      let s0 = (pieces[n]! - from) / SNAP
      let s1 = (pieces[n + 2]! - from) / SNAP
      if (!firstHigher) {
        s0 = 1 - s0
        s1 = 1 - s1
      }
      if (s0 > s1) {
        const [s, w] = [s0, pieces[n + 1]!]
        s0 = s1
        s1 = s
        pieces[n + 1] = pieces[n + 3]!
        pieces[n + 3] = w
      }
      pieces[n] = s0
      pieces[n + 2] = s1
      // The farthest of it within the link where it still is as high as the mean.
      let end = min(1, s1)
      const start = max(0, s0)
      if (start > end || end < far) continue
      const w0 = pieces[n + 1]!
      const w1 = pieces[n + 3]!
      const rise = s1 === s0 ? 0 : (w1 - w0) / (s1 - s0)
      let there = s1 === s0 ? max(w0, w1) : w0 + (end - s0) * rise
      if (there < mean) {
        if (s1 === s0 || w0 + (start - s0) * rise < mean) continue
        end = s0 + (mean - w0) / rise
        there = mean
        if (end < far) continue
      }
      before = end > far + 1e-9 ? there : max(before, there)
      far = end
    }
    let after = NO_STONE
    const beyond = far + 1e-6
    for (let n = 0; n < 4 * count; n += 4) {
      const s0 = pieces[n]!
      const s1 = pieces[n + 2]!
      if (s0 > beyond || s1 < beyond || s1 === s0) continue
      const w0 = pieces[n + 1]!
      const there = w0 + ((beyond - s0) / (s1 - s0)) * (pieces[n + 3]! - w0)
      if (there < mean && there > after) after = there
    }
    this.place = firstHigher ? far : 1 - far
    this.before = before
    this.after = after
  }

  /** Where a line of the grid cuts each triangle of a bin: two places along it with their heights, four numbers a triangle. */
  private pieces = new Float64Array(4 * 64)

  /** Cuts the triangles of a bin by a line of the grid; how many it cuts. */
  private cutAll(first: number, direction: 0 | 1, line: number): number {
    const { mesh, u, v, w } = this.view
    const { triangles } = mesh
    const s = direction === 0 ? u : v
    const t = direction === 0 ? v : u
    let count = 0
    for (let held = first; held !== -1; held = this.next[held]!) {
      const n = this.triangle[held]!
      const a = triangles[n]!
      const b = triangles[n + 1]!
      const c = triangles[n + 2]!
      const ta = t[a]! - line
      const tb = t[b]! - line
      const tc = t[c]! - line
      if ((ta < 0 && tb < 0 && tc < 0) || (ta > 0 && tb > 0 && tc > 0)) continue
      if (4 * count + 8 > this.pieces.length) {
        const larger = new Float64Array(2 * this.pieces.length)
        larger.set(this.pieces)
        this.pieces = larger
      }
      let ends = 0
      for (let k = 0; k < 3 && ends < 2; k++) {
        const from = k === 0 ? a : k === 1 ? b : c
        const to = k === 0 ? b : k === 1 ? c : a
        const tf = k === 0 ? ta : k === 1 ? tb : tc
        const tt = k === 0 ? tb : k === 1 ? tc : ta
        if (tf === tt || (tf < 0 && tt < 0) || (tf > 0 && tt > 0)) continue
        const part = tf / (tf - tt)
        const place = s[from]! + part * (s[to]! - s[from]!)
        if (ends === 1 && place === this.pieces[4 * count]!) continue
        this.pieces[4 * count + 2 * ends] = place
        this.pieces[4 * count + 2 * ends + 1] = w[from]! + part * (w[to]! - w[from]!)
        ends++
      }
      if (ends === 2) count++
    }
    return count
  }
}
