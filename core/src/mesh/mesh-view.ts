import type { MeshSize } from './measure-mesh.ts'
import type { Triangles } from './triangles.ts'

/**
 * Corners to draw, nine numbers a triangle, at most about `most` triangles. A finer mesh is drawn coarser: corners
 * snap to a grid, and triangles that lose their area are left out. For looking only, never for measuring.
 */
export function meshForView(triangles: Triangles, { min, max }: MeshSize, most: number): Float32Array {
  const t = new Float64Array(9)
  if (triangles.count <= most) {
    const all = new Float32Array(9 * triangles.count)
    for (let n = 0; n < triangles.count; n++) {
      triangles.read(n, t)
      all.set(t, 9 * n)
    }
    return all
  }
  const longest = Math.max(...max.map((high, axis) => high - min[axis]!))
  for (let cells = 256; ; cells /= 2) {
    const snapped = snappedTo(triangles, min, longest / cells, most)
    if (snapped || cells <= 32) return snapped ?? new Float32Array()
  }
}

function snappedTo(
  triangles: Triangles,
  min: MeshSize['min'],
  cell: number,
  most: number,
): Float32Array | undefined {
  const t = new Float64Array(9)
  const kept = new Float32Array(9 * most)
  let count = 0
  for (let n = 0; n < triangles.count; n++) {
    triangles.read(n, t)
    for (let k = 0; k < 9; k++) {
      const low = min[k % 3]!
      t[k] = low + Math.round((t[k]! - low) / cell) * cell
    }
    const same = (a: number, b: number) => t[a] === t[b] && t[a + 1] === t[b + 1] && t[a + 2] === t[b + 2]
    if (same(0, 3) || same(3, 6) || same(6, 0)) continue
    if (count === most) return undefined
    kept.set(t, 9 * count++)
  }
  return kept.slice(0, 9 * count)
}

/** A mesh seen from straight above, as heights on a grid of square cells; NaN where there is nothing. */
interface TopView {
  readonly columns: number
  readonly rows: number
  /** Side of a cell, in the file's unit. */
  readonly cell: number
  /** Row by row from the top of the picture, where y is largest. */
  readonly heights: Float32Array
}

/**
 * The view along -z: for each cell the highest point of the mesh over its middle. An instrument for marking landmarks.
 * @param columns across the wider side, 16 to 2000
 */
export function topView(triangles: Triangles, { min, max }: MeshSize, columns: number): TopView {
  const [width, depth] = [max[0] - min[0], max[1] - min[1]]
  const cell = Math.max(width, depth, 1e-9) / columns
  const size = { columns: Math.max(1, Math.ceil(width / cell)), rows: Math.max(1, Math.ceil(depth / cell)) }
  const heights = new Float32Array(size.columns * size.rows).fill(Number.NaN)
  const t = new Float64Array(9)
  for (let n = 0; n < triangles.count; n++) {
    triangles.read(n, t)
    const column = (k: number) => (t[k]! - min[0]) / cell - 0.5
    const row = (k: number) => (max[1] - t[k]!) / cell - 0.5
    const [ax, ay, bx, by, cx, cy] = [column(0), row(1), column(3), row(4), column(6), row(7)]
    const whole = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay)
    if (whole === 0) continue
    const top = Math.max(0, Math.ceil(Math.min(ay, by, cy)))
    const foot = Math.min(size.rows - 1, Math.floor(Math.max(ay, by, cy)))
    const left = Math.max(0, Math.ceil(Math.min(ax, bx, cx)))
    const right = Math.min(size.columns - 1, Math.floor(Math.max(ax, bx, cx)))
    for (let y = top; y <= foot; y++)
      for (let x = left; x <= right; x++) {
        const b = ((x - ax) * (cy - ay) - (cx - ax) * (y - ay)) / whole
        const c = ((bx - ax) * (y - ay) - (x - ax) * (by - ay)) / whole
        if (b < -1e-9 || c < -1e-9 || b + c > 1 + 1e-9) continue
        const height = t[2]! + b * (t[5]! - t[2]!) + c * (t[8]! - t[2]!)
        const at = y * size.columns + x
        if (!(heights[at]! >= height)) heights[at] = height
      }
  }
  return { ...size, cell, heights }
}
