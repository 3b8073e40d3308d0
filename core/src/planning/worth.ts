import { type Network, NONE } from './network.ts'
import type { PlanWorth } from './plan-shape.ts'
import type { Schedule } from './schedule.ts'

/** Another person counts like so many minutes of shift. */
const OTHER_PERSON_MINUTES = 30
/** A minute late at a promise outweighs so much cost while a plan is looked for; between two plans it goes before any cost. */
const PROMISE_WEIGHT = 1000

/** What a schedule is worth, case by case, so that a change of one case is summed up alone. */
export class Worth {
  private readonly previousStart: Int32Array
  private readonly previousPerson: Int32Array

  constructor(readonly net: Network) {
    const { previous } = net.instance
    this.previousStart = new Int32Array(net.ids.length).fill(NONE)
    this.previousPerson = new Int32Array(net.ids.length).fill(NONE)
    if (!previous) return
    const number = new Map(net.ids.map((id, n) => [id, n]))
    const person = new Map(net.persons.map((id, n) => [id, n]))
    for (const { id, startMinute, personId } of previous.steps) {
      const step = number.get(id)
      if (step === undefined || startMinute >= previous.stableUntilMinute) continue
      this.previousStart[step] = startMinute
      this.previousPerson[step] = personId === undefined ? NONE : (person.get(personId) ?? NONE)
    }
  }

  /** Minutes late at the promises of a case, weighed. */
  promisedOf(schedule: Schedule, one: number): number {
    const { net } = this
    let promised = 0
    for (const step of net.caseSteps[one]!) {
      const by = net.promised[step]!
      if (by !== NONE && schedule.end[step]! > by) promised += schedule.end[step]! - by
    }
    return promised * net.weight[one]!
  }

  /** What a case costs: its lateness, the time it is in the house, what was moved. */
  costOf(schedule: Schedule, one: number): number {
    const { net } = this
    const { late, flow, moved } = net.instance.weights
    let end = net.release[one]!
    let shifted = 0
    for (const step of net.caseSteps[one]!) {
      if (schedule.end[step]! > end) end = schedule.end[step]!
      const before = this.previousStart[step]!
      if (before === NONE || schedule.start[step] === NONE) continue
      shifted += Math.abs(schedule.start[step]! - before)
      const person = this.previousPerson[step]!
      if (person !== NONE && person !== schedule.person[step]) shifted += OTHER_PERSON_MINUTES
    }
    return (
      late * net.weight[one]! * Math.max(0, end - net.due[one]!) +
      flow * (end - net.release[one]!) +
      moved * shifted
    )
  }

  /** Both in one figure, for the search. */
  scalarOf(schedule: Schedule, one: number): number {
    return PROMISE_WEIGHT * this.promisedOf(schedule, one) + this.costOf(schedule, one)
  }

  of(schedule: Schedule): PlanWorth {
    let promised = 0
    let cost = this.net.instance.weights.idle * schedule.machines.idle()
    for (let one = 0; one < this.net.cases.length; one++) {
      promised += this.promisedOf(schedule, one)
      cost += this.costOf(schedule, one)
    }
    // Sums of many small parts differ in their last digits by their order alone.
    return { promised: Math.round(promised * 1e6) / 1e6, cost: Math.round(cost * 1e6) / 1e6 }
  }
}
