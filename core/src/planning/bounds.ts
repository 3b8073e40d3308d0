import { alone } from './lay.ts'
import { leastCostPairs } from './least-cost-pairs.ts'
import { ATTENDED, type Network, NONE } from './network.ts'
import { shortestLeftFirst } from './one-machine.ts'

/**
 * What no plan can cost less than: each case alone, or the hands of one skill or of all as one quick pair of hands, whichever is larger.
 * Weak where cures and clinics dominate: below it there is a mistake, above it it says little.
 * @returns in the units of the plan's cost, without idle and moved
 */
export function costBound(net: Network): number {
  const { late, flow } = net.instance.weights
  const times = alone(net)
  const costOf = (one: number, end: number) =>
    late * net.weight[one]! * Math.max(0, end - net.due[one]!) + flow * (end - net.release[one]!)
  const path = net.cases.reduce((sum, _, one) => sum + costOf(one, times.end[one]!), 0)
  const skills = [...new Set(net.steps.flatMap((step) => (step.kind === 'attended' ? [step.skill] : [])))]
  const loads = [...skills.map((skill) => [skill]), skills].map((set) => {
    const steps = net.steps
      .map((_, step) => step)
      .filter((step) => {
        const of = net.steps[step]!
        return (
          net.kind[step] === ATTENDED &&
          net.frozenStart[step] === NONE &&
          of.kind === 'attended' &&
          set.includes(of.skill)
        )
      })
    return loadBound(net, times, steps, costOf)
  })
  return Math.max(path, ...loads)
}

/** All who can do any of it work as one, at the speed of how many are there, interrupting at will; the k-th case done is then done soonest. */
function loadBound(
  net: Network,
  times: ReturnType<typeof alone>,
  steps: readonly number[],
  costOf: (one: number, end: number) => number,
): number {
  const people = [...new Set(steps.flatMap((step) => net.able[step]!))]
  const open = people.map((person) => net.personTime[person]!)
  const doneBy = (minute: number) => open.reduce((sum, time) => sum + time.at(minute), 0)
  /** The first minute by which so much work can have been done. */
  const when = (work: number): number => {
    let [low, high] = [net.now, net.horizon]
    while (low < high) {
      const middle = (low + high) >> 1
      if (doneBy(middle) >= work) high = middle
      else low = middle + 1
    }
    return low
  }
  const byCase = net.cases
    .map((_, one) => ({ one, own: steps.filter((step) => net.caseOf[step] === one) }))
    .filter(({ own }) => own.length > 0)
  const work = byCase.map(({ own }) => ({
    minutes: own.reduce((sum, step) => sum + net.minutes[step]!, 0),
    // In the work that all together could have done: a clock on which everybody is always there.
    release: doneBy(Math.min(...own.map((step) => net.earliest[step]!))),
  }))
  const ends = [...shortestLeftFirst(work)].sort((a, b) => a - b).map(when)
  const withWork = new Set(byCase.map(({ one }) => one))
  const rest = net.cases.reduce(
    (sum, _, one) => (withWork.has(one) ? sum : sum + costOf(one, times.end[one]!)),
    0,
  )
  const costs = byCase.map(({ one }) => ends.map((end) => costOf(one, Math.max(end, times.end[one]!))))
  return rest + leastCostPairs(costs)
}
