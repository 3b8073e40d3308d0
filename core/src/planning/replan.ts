import { begunFirst, replayOrder } from './lay.ts'
import { type Network, NONE } from './network.ts'
import type { Plan } from './plan-shape.ts'
import { Schedule, type Wanted } from './schedule.ts'

/** An old plan in the numbers of a network that may have other steps: what it does not know is wanted nowhere. */
export function wantedOf(net: Network, plan: Plan): Wanted {
  const step = new Map(plan.steps.map((each) => [each.id, each]))
  const hold = new Map(plan.holds.map((each) => [each.id, each.machineId]))
  const person = new Map(net.persons.map((id, n) => [id, n]))
  const machine = new Map(net.machines.map((id, n) => [id, n]))
  return {
    start: Int32Array.from(net.ids, (id) => step.get(id)?.startMinute ?? 0),
    person: Int32Array.from(net.ids, (id) => person.get(step.get(id)?.personId ?? '') ?? NONE),
    machine: Int32Array.from(net.holdIds, (id) => machine.get(hold.get(id) ?? '') ?? NONE),
  }
}

/**
 * The old plan with as little moved as can be: what still fits stays to the minute, the rest goes in where it finds room.
 * @returns the schedule, and the blocks for which there is no place before the horizon
 */
export function leastChange(net: Network, old: Plan): { schedule: Schedule; without: readonly number[] } {
  const schedule = new Schedule(net)
  const wanted = wantedOf(net, old)
  const order = replayOrder(net, old)
  const moved: number[] = []
  const isOut = new Set<number>()
  // A block may begin before one that it has to wait for later on.
  const keep = (block: number): boolean => {
    if (schedule.has(block)) return true
    if (isOut.has(block)) return false
    if (net.blocksBefore[block]!.every(keep) && schedule.put(block, undefined, wanted)) {
      // What was begun, or is new, may lie elsewhere: then others that keep their place go first.
      if (isPinned(net, block) || isAsWanted(net, schedule, block, wanted)) return true
      schedule.remove(block)
    }
    moved.push(block)
    isOut.add(block)
    return false
  }
  for (const block of order) keep(block)
  const without: number[] = []
  const put = (block: number): boolean => {
    if (schedule.has(block)) return true
    if (!isOut.delete(block)) return false
    const can = net.blocksBefore[block]!.every(put) && schedule.put(block)
    if (!can) without.push(block)
    return can
  }
  for (const block of begunFirst(net, moved)) put(block)
  return { schedule, without }
}

function isAsWanted(net: Network, schedule: Schedule, block: number, wanted: Wanted): boolean {
  return net.blocks[block]!.every(
    (step) =>
      net.frozenStart[step] !== NONE ||
      (schedule.start[step] === wanted.start[step] && schedule.person[step] === wanted.person[step]),
  )
}

/** What somebody has put at a time lies there now, wherever it lay before, and others make way. */
const isPinned = (net: Network, block: number): boolean =>
  net.blocks[block]!.some((step) => net.pinned[step] !== NONE)
