import { expect, test } from '@jest/globals'
import { type ChartRule, type Looked, Watch } from './control-chart.ts'
import { normalBelow } from './distributions.ts'

/** A value in each zone of a chart with mean 0 and sigma 1, and how likely a normal value lies there; beyond 3 it always signals. */
const zones = [-2.5, -1.5, -0.5, 0.5, 1.5, 2.5].map((value) => ({
  value,
  chance: normalBelow(Math.ceil(value)) - normalBelow(Math.floor(value)),
}))

/** Mean points until a rule is broken by a process that is as it was: a chain over everything that the rules look back on. */
function meanRunLength(rules: readonly ChartRule[]): number {
  const limits = { centre: 0, runCentre: 0, sigma: 1, low: -3, high: 3 }
  const index = new Map<string, number>()
  const states: Looked[] = []
  const moves: { to: number; chance: number }[][] = []
  const known = (looked: Looked) => {
    // Only what the rules can still see is told apart.
    const seen = {
      beyondTwo: rules.includes(2) ? looked.beyondTwo.slice(-2) : [],
      beyondOne: rules.includes(3) ? looked.beyondOne.slice(-4) : [],
      run: rules.includes(4) ? looked.run : 0,
    }
    const key = JSON.stringify(seen)
    const before = index.get(key)
    if (before !== undefined) return before
    index.set(key, states.length)
    states.push(looked)
    return states.length - 1
  }
  known({ beyondTwo: [0, 0], beyondOne: [0, 0, 0, 0], run: 0 })
  for (let at = 0; at < states.length; at++) {
    moves.push(
      zones.flatMap(({ value, chance }) => {
        const watch = new Watch(limits, rules)
        watch.looked = states[at]!
        return watch.next(value) === undefined ? [{ to: known(watch.looked), chance }] : []
      }),
    )
  }
  let alive = new Float64Array(states.length)
  alive[0] = 1
  let mean = 0
  for (let left = 1; left > 1e-9; ) {
    mean += left
    const next = new Float64Array(states.length)
    for (const [from, share] of alive.entries())
      if (share > 0) for (const { to, chance } of moves[from]!) next[to]! += share * chance
    alive = next
    left = next.reduce((sum, each) => sum + each, 0)
  }
  return mean
}

test.each([
  [[1], 370.4],
  [[1, 2], 225.44],
  [[1, 3], 166.05],
  [[1, 4], 152.73],
  [[1, 2, 3], 132.89],
  [[1, 2, 4], 122.05],
  [[1, 3, 4], 105.78],
  [[1, 2, 3, 4], 91.75],
] as const)('rules %p: %p points to a false signal (Champ and Woodall 1987)', (rules, length) => {
  expect(meanRunLength(rules)).toBeCloseTo(length, 1)
})
