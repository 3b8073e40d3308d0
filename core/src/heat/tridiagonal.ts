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
  // One division a row: it is what takes the time. The row before is held in plain variables.
  let inverse = 1 / centre[0]!
  let found = right[0]! * inverse
  solution[0] = found
  for (let i = 1; i < count; i++) {
    const under = below[i]!
    const factor = above[i - 1]! * inverse
    scratch[i] = factor
    inverse = 1 / (centre[i]! - under * factor)
    found = (right[i]! - under * found) * inverse
    solution[i] = found
  }
  for (let i = count - 2; i >= 0; i--) {
    found = solution[i]! - scratch[i + 1]! * found
    solution[i] = found
  }
}
