/** Rows of a system with three diagonals, and room to solve it in; used again and again. */
export interface Tridiagonal {
  readonly below: Float64Array
  readonly centre: Float64Array
  readonly above: Float64Array
  readonly right: Float64Array
  readonly solution: Float64Array
  readonly scratch: Float64Array
}

export function tridiagonal(size: number): Tridiagonal {
  const room = () => new Float64Array(size)
  return {
    below: room(),
    centre: room(),
    above: room(),
    right: room(),
    solution: room(),
    scratch: room(),
  }
}

/** Solves the first `count` rows into `solution` (Thomas, recalled); the rows must be diagonally dominant. The last `above` is not read. */
export function sweep({ below, centre, above, right, solution, scratch }: Tridiagonal, count: number): void {
  let pivot = centre[0]!
  solution[0] = right[0]! / pivot
  for (let i = 1; i < count; i++) {
    scratch[i] = above[i - 1]! / pivot
    pivot = centre[i]! - below[i]! * scratch[i]!
    solution[i] = (right[i]! - below[i]! * solution[i - 1]!) / pivot
  }
  for (let i = count - 2; i >= 0; i--) solution[i]! -= scratch[i + 1]! * solution[i + 1]!
}
