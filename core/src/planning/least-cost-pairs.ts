/**
 * The least sum when each row takes one column of its own (Hungarian method; recalled: Kuhn 1955, in the form by shortest ways of Jonker
 * and Volgenant 1987).
 * @param cost square
 */
export function leastCostPairs(cost: readonly (readonly number[])[]): number {
  const n = cost.length
  const rowPrice = new Float64Array(n + 1)
  const columnPrice = new Float64Array(n + 1)
  /** The row of each column; column 0 is where a new row begins. */
  const rowOf = new Int32Array(n + 1)
  for (let row = 1; row <= n; row++) {
    rowOf[0] = row
    const least = new Float64Array(n + 1).fill(Number.POSITIVE_INFINITY)
    const from = new Int32Array(n + 1)
    const isDone = new Uint8Array(n + 1)
    let column = 0
    do {
      isDone[column] = 1
      const at = rowOf[column]!
      let step = Number.POSITIVE_INFINITY
      let next = 0
      for (let j = 1; j <= n; j++) {
        if (isDone[j]) continue
        const reduced = cost[at - 1]![j - 1]! - rowPrice[at]! - columnPrice[j]!
        if (reduced < least[j]!) {
          least[j] = reduced
          from[j] = column
        }
        if (least[j]! < step) {
          step = least[j]!
          next = j
        }
      }
      for (let j = 0; j <= n; j++) {
        if (isDone[j]) {
          rowPrice[rowOf[j]!]! += step
          columnPrice[j]! -= step
        } else least[j]! -= step
      }
      column = next
    } while (rowOf[column] !== 0)
    while (column !== 0) {
      const before = from[column]!
      rowOf[column] = rowOf[before]!
      column = before
    }
  }
  let sum = 0
  for (let column = 1; column <= n; column++) sum += cost[rowOf[column]! - 1]![column - 1]!
  return sum
}
