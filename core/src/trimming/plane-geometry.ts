import { figure, type Of, record } from '../shape/index.ts'
/** A point or vector of a plane, mm. In the model frame x is to the patient's left and y forwards from the back cut. */
export const pointShape = record({
  x: figure(-1000, 1000, { example: 16.4 }),
  y: figure(-1000, 1000, { example: 30.6 }),
})
export type Point = Of<typeof pointShape>

export const dot = (a: Point, b: Point) => a.x * b.x + a.y * b.y
export const minus = (a: Point, b: Point): Point => ({ x: a.x - b.x, y: a.y - b.y })
export const along = (from: Point, direction: Point, distance: number): Point => ({
  x: from.x + distance * direction.x,
  y: from.y + distance * direction.y,
})
export const mean = (points: readonly Point[]): Point => ({
  x: points.reduce((sum, p) => sum + p.x, 0) / points.length,
  y: points.reduce((sum, p) => sum + p.y, 0) / points.length,
})
export const distance = (a: Point, b: Point) => Math.hypot(a.x - b.x, a.y - b.y)

/** A line n · p = h, the inside being n · p <= h. */
export interface CutLine {
  /** Outward unit normal. */
  readonly normal: Point
  readonly offset: number
}

interface FittedLine {
  readonly through: Point
  /** Unit. */
  readonly direction: Point
  /** Sum of squared distances, mm2 (the smaller eigenvalue), and the larger one. */
  readonly acrossSquares: number
  readonly alongSquares: number
}

/**
 * The line with the least sum of squared perpendicular distances to points.
 *
 *     θ = ½ atan2(2 Sxy, Sxx - Syy)   r = √(((Sxx - Syy)/2)² + Sxy²)   λ = (Sxx + Syy)/2 ± r
 *
 * Source: orthogonal regression, Pearson 1901, recalled.
 */
export function fitLine(points: readonly Point[]): FittedLine {
  const through = mean(points)
  let sxx = 0
  let syy = 0
  let sxy = 0
  for (const p of points) {
    const d = minus(p, through)
    sxx += d.x * d.x
    syy += d.y * d.y
    sxy += d.x * d.y
  }
  const theta = 0.5 * Math.atan2(2 * sxy, sxx - syy)
  const r = Math.hypot((sxx - syy) / 2, sxy)
  const half = (sxx + syy) / 2
  return {
    through,
    direction: { x: Math.cos(theta), y: Math.sin(theta) },
    acrossSquares: Math.max(0, half - r),
    alongSquares: half + r,
  }
}

/** Where two cut lines meet. They must not be parallel. */
export function meet(a: CutLine, b: CutLine): Point {
  const det = a.normal.x * b.normal.y - a.normal.y * b.normal.x
  return {
    x: (a.offset * b.normal.y - b.offset * a.normal.y) / det,
    y: (a.normal.x * b.offset - b.normal.x * a.offset) / det,
  }
}

/** How far a polygon stands out over a line at its most, mm; negative: it does not reach it. */
export function standsOut(polygon: readonly Point[], line: CutLine): number {
  return Math.max(...polygon.map((p) => dot(line.normal, p) - line.offset))
}

/** What is left of a polygon inside a line (Sutherland and Hodgman 1974, recalled). */
export function cutOff(polygon: readonly Point[], line: CutLine): Point[] {
  const out = (p: Point) => dot(line.normal, p) - line.offset
  return polygon.flatMap((p, index) => {
    const q = polygon[(index + 1) % polygon.length]!
    const [op, oq] = [out(p), out(q)]
    const kept = op <= 0 ? [p] : []
    return op * oq < 0 ? [...kept, along(p, minus(q, p), op / (op - oq))] : kept
  })
}
