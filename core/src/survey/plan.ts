import { type CastView, NO_STONE } from './cast-view.ts'
import { squareTo, type Vector } from './vector.ts'

/** Places of the cast as the rod sees them: two numbers a place, mm to the right and ahead. */
export function seenAlong(points: Float32Array, d: Vector): Float32Array {
  const [right, ahead] = squareTo(d)
  const seen = new Float32Array((2 * points.length) / 3)
  for (let n = 0; n < points.length / 3; n++) {
    const [x, y, z] = [points[3 * n]!, points[3 * n + 1]!, points[3 * n + 2]!]
    seen[2 * n] = x * right[0] + y * right[1] + z * right[2]
    seen[2 * n + 1] = x * ahead[0] + y * ahead[1] + z * ahead[2]
  }
  return seen
}

/** The outline of the stone in a view: pieces along the sides of its cells, four numbers each, mm to the right and ahead. */
export function outlineOf({ columns, rows, top, cell, originRight, originAhead }: CastView): Float32Array {
  const pieces: number[] = []
  const stone = (x: number, y: number) =>
    x >= 0 && y >= 0 && x < columns && y < rows && top[y * columns + x]! > NO_STONE
  const add = (x0: number, y0: number, x1: number, y1: number) =>
    pieces.push(
      originRight + x0 * cell,
      originAhead + y0 * cell,
      originRight + x1 * cell,
      originAhead + y1 * cell,
    )
  for (let y = 0; y <= rows; y++)
    for (let x = 0; x <= columns; x++) {
      const here = stone(x, y)
      if (here !== stone(x - 1, y)) add(x - 0.5, y - 0.5, x - 0.5, y + 0.5)
      if (here !== stone(x, y - 1)) add(x - 0.5, y - 0.5, x + 0.5, y - 0.5)
    }
  return Float32Array.from(pieces)
}
