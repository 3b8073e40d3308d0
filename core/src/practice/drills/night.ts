import { qty, saying } from '../../quantity/index.ts'
import { list, record, whole } from '../../shape/index.ts'
import { streamAt } from '../streams.ts'
import { drill, pointsFor } from './drill.ts'

/** Six cases, each first on the bench and then in the furnace, one after the other. */
export interface NightTask {
  readonly cases: readonly {
    readonly name: string
    readonly benchMinutes: number
    readonly furnaceMinutes: number
    readonly dueMinutes: number
  }[]
}
const CASES = 6
/** So many minutes late above the best, and nothing is left of it (choice). */
const WORST_MINUTES = 240

export interface NightOrder {
  /** Of each place in the order: when it leaves the bench and the furnace. */
  readonly runs: readonly {
    readonly at: number
    readonly benchFrom: number
    readonly furnaceFrom: number
    readonly until: number
  }[]
  readonly lateMinutes: number
}
/** Follows an order: two machines in a row, no overtaking. */
export function nightOf({ cases }: NightTask, order: readonly number[]): NightOrder {
  let bench = 0
  let furnace = 0
  let lateMinutes = 0
  const runs = order.map((at) => {
    const { benchMinutes, furnaceMinutes, dueMinutes } = cases[at]!
    const benchFrom = bench
    bench += benchMinutes
    const furnaceFrom = Math.max(bench, furnace)
    furnace = furnaceFrom + furnaceMinutes
    lateMinutes += Math.max(0, furnace - dueMinutes)
    return { at, benchFrom, furnaceFrom, until: furnace }
  })
  return { runs, lateMinutes }
}

/** Every order of six is tried. */
export function bestNight(task: NightTask): {
  readonly order: readonly number[]
  readonly lateMinutes: number
} {
  let best: { order: readonly number[]; lateMinutes: number } | undefined
  const visit = (order: readonly number[], left: readonly number[]) => {
    if (left.length === 0) {
      const { lateMinutes } = nightOf(task, order)
      if (!best || lateMinutes < best.lateMinutes) best = { order, lateMinutes }
      return
    }
    for (const next of left)
      visit(
        [...order, next],
        left.filter((each) => each !== next),
      )
  }
  visit(
    [],
    task.cases.map((_, n) => n),
  )
  return best!
}

export const night = drill({
  name: 'Night',
  does: 'six cases on one bench and one furnace',
  task: (seed): NightTask => {
    const random = streamAt(seed, 'drill night')
    const five = (from: number, to: number) => 5 * Math.round((from + (to - from) * random()) / 5)
    const cases = Array.from({ length: CASES }, (_, n) => ({
      name: `case ${n + 1}`,
      benchMinutes: five(10, 50),
      furnaceMinutes: five(20, 90),
    }))
    const whole = cases.reduce((sum, { furnaceMinutes }) => sum + furnaceMinutes, 30)
    return { cases: cases.map((each) => ({ ...each, dueMinutes: five(0.25 * whole, 0.9 * whole) })) }
  },
  answer: record({ order: list(whole(0, CASES - 1), CASES, CASES) }),
  score(task, { order }) {
    const best = bestNight(task)
    if (new Set(order).size !== CASES)
      return { points: 0, say: 'A case is missing from the order.', better: 'Each case once.' }
    const { lateMinutes } = nightOf(task, order)
    return {
      points: pointsFor(lateMinutes - best.lateMinutes, WORST_MINUTES),
      say: saying`${qty.minutes(lateMinutes, 0)} late in all.`,
      better: saying`The best order is ${qty.minutes(best.lateMinutes, 0)} late: ${best.order.map((n) => n + 1).join(', ')}.`,
    }
  },
})
