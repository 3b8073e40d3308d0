import type { Network } from './network.ts'
import { NONE } from './network.ts'
import type { Plan } from './plan-shape.ts'
import { Schedule } from './schedule.ts'

/** A plan as a schedule that can be changed: every step where the plan has it. It must break no rule. */
export function scheduleOf(net: Network, plan: Plan): Schedule {
  const schedule = new Schedule(net)
  const step = new Map(plan.steps.map((each) => [each.id, each]))
  const machine = new Map(plan.holds.map(({ id, machineId }) => [id, machineId]))
  const person = new Map(net.persons.map((id, n) => [id, n]))
  const machineNumber = new Map(net.machines.map((id, n) => [id, n]))
  const ofHold = (hold: number) => machineNumber.get(machine.get(net.holdIds[hold]!)!)!
  for (const [n, block] of net.blocks.entries()) {
    const kept = block.flatMap((each) => {
      const { startMinute, endMinute, personId } = step.get(net.ids[each]!)!
      return [
        startMinute,
        endMinute,
        personId === undefined ? NONE : person.get(personId)!,
        ...net.ownHolds[each]!.map(ofHold),
        ...net.closes[each]!.map(ofHold),
      ]
    })
    schedule.restore(n, kept)
  }
  return schedule
}

/** Blocks of a case from one step on: those that have to be laid again when it moves. Last first. */
export function blocksFrom(net: Network, step: number): number[] {
  const out = new Set([net.blockOf[step]!])
  const own = net.caseBlocks[net.caseOf[step]!]!
  for (const block of own) if (net.blocksBefore[block]!.some((before) => out.has(before))) out.add(block)
  return own.filter((block) => out.has(block)).reverse()
}
