import type { ChainLink } from './explain.ts'
import { network } from './network.ts'
import type { Plan, PlanInstance } from './plan-shape.ts'
import { leastChange } from './replan.ts'

/** One more of something, or one thing less. */
export type Change =
  | { readonly kind: 'machine'; readonly id: string }
  | { readonly kind: 'person'; readonly skill: string }
  | { readonly kind: 'case'; readonly id: string }

export interface Advice {
  readonly change: Change
  /** The case ends so much sooner, all others staying where they are. */
  readonly soonerMinutes: number
  readonly endMinute: number
}
const MOST_TRIED = 3
/** Less is not worth a word (choice). */
const LEAST_GAIN_MINUTES = 15

/** The instance with one place more of a machine, one person more who can, or without a case. */
export function changed(instance: PlanInstance, change: Change): PlanInstance {
  if (change.kind === 'machine') {
    const machine = instance.machines.find(({ id }) => id === change.id)!
    const { calendar: _out, ...always } = machine
    if (machine.type === 'places')
      return {
        ...instance,
        machines: instance.machines.map((each) =>
          each.id === change.id ? { ...each, capacity: each.capacity + 1 } : each,
        ),
      }
    const second = `${change.id} +1`
    return {
      ...instance,
      machines: [...instance.machines, { ...always, id: second }],
      holds: instance.holds.map((hold) =>
        hold.machineIds.includes(change.id) && !isBegun(instance, hold.fromStep)
          ? { ...hold, machineIds: [...hold.machineIds, second] }
          : hold,
      ),
    }
  }
  if (change.kind === 'person') {
    const like = instance.persons.find(({ skills }) => skills.includes(change.skill))!
    return {
      ...instance,
      persons: [
        ...instance.persons,
        { id: `${change.skill} +1`, skills: [change.skill], calendar: like.calendar },
      ],
    }
  }
  const gone = new Set(instance.steps.filter(({ caseId }) => caseId === change.id).map(({ id }) => id))
  return {
    ...instance,
    cases: instance.cases.filter(({ id }) => id !== change.id),
    steps: instance.steps.filter(({ id }) => !gone.has(id)),
    links: instance.links.filter(({ from }) => !gone.has(from)),
    holds: instance.holds.filter(({ fromStep }) => !gone.has(fromStep)),
  }
}

const isBegun = ({ steps }: PlanInstance, stepId: string) =>
  steps.some(({ id, frozen }) => id === stepId && frozen !== undefined)

/**
 * What would have a case ready sooner: one more of what it waits for, or the case that it waits for out of the way; tried by laying it
 * again, all others staying where they are.
 * @param chain why it ends when it does
 */
export function advice(
  instance: PlanInstance,
  plan: Plan,
  caseId: string,
  chain: readonly ChainLink[],
): readonly Advice[] {
  const own = instance.steps.filter((step) => step.caseId === caseId)
  const ends = new Map(plan.steps.map(({ id, endMinute }) => [id, endMinute]))
  const end = Math.max(...own.map(({ id }) => ends.get(id)!))
  const found: Advice[] = []
  for (const change of changesFor(instance, caseId, chain).slice(0, MOST_TRIED)) {
    const net = network(changed(instance, change))
    const { schedule, without } = leastChange(net, plan)
    if (without.length > 0) continue
    const one = net.cases.indexOf(caseId)
    const blocks = net.caseBlocks[one]!
    for (const block of [...blocks].reverse()) schedule.remove(block)
    const fits = blocks.every((block) => schedule.put(block))
    if (!fits) continue
    const endMinute = Math.max(...net.caseSteps[one]!.map((step) => schedule.end[step]!))
    if (end - endMinute >= LEAST_GAIN_MINUTES)
      found.push({ change, soonerMinutes: end - endMinute, endMinute })
  }
  return found.sort((a, b) => b.soonerMinutes - a.soonerMinutes)
}

/** By how long each made it wait, the longest first. */
function changesFor(instance: PlanInstance, caseId: string, chain: readonly ChainLink[]): Change[] {
  const weights = new Map<string, { change: Change; minutes: number }>()
  const add = (change: Change, minutes: number) => {
    const key = JSON.stringify(change)
    weights.set(key, { change, minutes: (weights.get(key)?.minutes ?? 0) + minutes })
  }
  for (const { stepId, readyMinute, startMinute, cause } of chain) {
    const minutes = startMinute - readyMinute
    if (cause?.kind === 'machine')
      for (const { id } of cause.by.slice(0, 1)) add({ kind: 'machine', id }, minutes)
    const step = instance.steps.find(({ id }) => id === stepId)
    if (cause?.kind === 'people' && step?.kind === 'attended')
      add({ kind: 'person', skill: step.skill }, minutes)
    if (cause?.kind === 'people' || cause?.kind === 'machine')
      for (const { caseId: other } of cause.by.slice(0, 1))
        if (other !== undefined && other !== caseId) add({ kind: 'case', id: other }, minutes)
  }
  return [...weights.values()].sort((a, b) => b.minutes - a.minutes).map(({ change }) => change)
}
