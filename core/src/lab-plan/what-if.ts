import {
  changed,
  network,
  type Plan,
  type PlanInstance,
  PlanSearch,
  type PlanWorth,
  type Stretch,
  without,
} from '../planning/index.ts'

/** Something that may happen, or that the lab may do. Minutes as in the instance. */
export type WhatIf =
  | {
      readonly kind: 'machineDown'
      readonly machineId: string
      readonly fromMinute: number
      readonly untilMinute: number
    }
  | {
      readonly kind: 'personAway'
      readonly personId: string
      readonly fromMinute: number
      readonly untilMinute: number
    }
  | { readonly kind: 'rush'; readonly caseId: string }
  | { readonly kind: 'oneMore'; readonly machineId: string }

export interface EndThen {
  readonly caseId: string
  readonly dueMinute: number
  readonly before: number
  readonly after: number
}
export interface TriedOut {
  readonly instance: PlanInstance
  readonly plan: Plan
  readonly worth: PlanWorth
  /** Cases that end otherwise, those that change most first. */
  readonly outcomes: readonly EndThen[]
  readonly lateBefore: number
  readonly lateAfter: number
  /** Cases for which there is no place then. */
  readonly unplaced: readonly string[]
}

/** The weight of a case that everybody drops everything for. */
const RUSH = 10
const ROUNDS = 600

/** The instance as it would be then. */
export function supposed(instance: PlanInstance, what: WhatIf): PlanInstance {
  if (what.kind === 'oneMore') return changed(instance, { kind: 'machine', id: what.machineId })
  if (what.kind === 'rush')
    return {
      ...instance,
      cases: instance.cases.map((each) => (each.id === what.caseId ? { ...each, weight: RUSH } : each)),
    }
  const { fromMinute, untilMinute } = what
  const cut = (windows: readonly Stretch[]): [number, number][] =>
    without(windows, [[fromMinute, untilMinute]]).map(([opens, closes]) => [opens, closes])
  if (what.kind === 'personAway') {
    const { calendar } = instance.persons.find(({ id }) => id === what.personId)!
    const own = `without ${what.personId}`
    return {
      ...instance,
      calendars: { ...instance.calendars, [own]: cut(instance.calendars[calendar]!) },
      persons: instance.persons.map((each) =>
        each.id === what.personId ? { ...each, calendar: own } : each,
      ),
    }
  }
  const machine = instance.machines.find(({ id }) => id === what.machineId)!
  const own = `without ${what.machineId}`
  const always: readonly Stretch[] = [[0, instance.horizonMinute]]
  return {
    ...instance,
    calendars: {
      ...instance.calendars,
      [own]: cut(machine.calendar === undefined ? always : instance.calendars[machine.calendar]!),
    },
    machines: instance.machines.map((each) =>
      each.id === what.machineId ? { ...each, calendar: own } : each,
    ),
  }
}

/** What becomes of a plan then: begun from it, so what need not move does not. */
export function tryOut(instance: PlanInstance, plan: Plan, what: WhatIf): TriedOut {
  const next = supposed(instance, what)
  const net = network(next)
  const search = new PlanSearch(net, { seed: 1, from: plan, withoutRules: true })
  search.run(ROUNDS)
  const { plan: after, worth } = search.best
  const before = endsOf(instance, plan)
  const then = endsOf(next, after)
  const outcomes = instance.cases.flatMap(({ id, dueMinute }): EndThen[] => {
    const [was, is] = [before.get(id), then.get(id)]
    return was === undefined || is === undefined ? [] : [{ caseId: id, dueMinute, before: was, after: is }]
  })
  const late = (of: 'before' | 'after') => outcomes.filter((each) => each[of] > each.dueMinute).length
  return {
    instance: next,
    plan: after,
    worth,
    outcomes: outcomes
      .filter((each) => each.before !== each.after)
      .sort(
        (a, b) =>
          Math.abs(b.after - b.before) - Math.abs(a.after - a.before) || (a.caseId < b.caseId ? -1 : 1),
      ),
    lateBefore: late('before'),
    lateAfter: late('after'),
    unplaced: search.unplaced,
  }
}

function endsOf({ steps }: PlanInstance, plan: Plan): Map<string, number> {
  const caseOf = new Map(steps.map(({ id, caseId }) => [id, caseId]))
  const ends = new Map<string, number>()
  for (const { id, endMinute } of plan.steps) {
    const caseId = caseOf.get(id)
    if (caseId !== undefined) ends.set(caseId, Math.max(ends.get(caseId) ?? 0, endMinute))
  }
  return ends
}
