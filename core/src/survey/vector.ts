/** A place or a direction of the cast frame: x to the side, y forwards, z up from the base; mm or unit length. */
export type Vector = readonly [number, number, number]

export const dot = (a: Vector, b: Vector) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
export const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]
export const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
export const plus = (a: Vector, b: Vector): Vector => [a[0] + b[0], a[1] + b[1], a[2] + b[2]]
export const times = (a: Vector, by: number): Vector => [a[0] * by, a[1] * by, a[2] * by]
export const lengthOf = (a: Vector) => Math.sqrt(dot(a, a))
export const unit = (a: Vector): Vector => times(a, 1 / lengthOf(a))

/** Two directions square to d and to each other, so that (first, second, d) is right-handed; the first keeps as much of x as it can. */
export function squareTo(d: Vector): readonly [Vector, Vector] {
  const side: Vector = Math.abs(d[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0]
  const first = unit(minus(side, times(d, dot(side, d))))
  return [first, cross(d, first)]
}
