import { latestLoad } from './backward.ts'
import { type Network, NONE } from './network.ts'
import type { Plan } from './plan-shape.ts'

export interface OvernightLoad {
  readonly machineId: string
  /** The programs in it, by their steps. */
  readonly programs: readonly string[]
  readonly loadByMinute: number
  readonly startMinute: number
  readonly endMinute: number
  readonly outMinute: number
  /** What the latest load hangs on: that somebody is there, that the program is through in time, or what goes before. */
  readonly limit: 'closing' | 'program' | 'before'
}

/** So near to the close the close itself is the limit. */
const NEAR_CLOSE_MINUTES = 20

/**
 * What is to be put into machines before the lab closes, and the latest by when, so that it comes out as planned.
 * @param close,open minutes: when the lab closes next, and when it opens after that
 */
export function nightLoads(net: Network, plan: Plan, close: number, open: number): readonly OvernightLoad[] {
  const step = new Map(plan.steps.map((each) => [each.id, each]))
  const machine = new Map(plan.holds.map(({ id, machineId }) => [id, machineId]))
  const batches = new Map<string, { hold: number; program: number }[]>()
  for (const [hold, { program, from }] of net.holds.entries()) {
    if (program === NONE || net.frozenStart[from] !== NONE) continue
    const runs = step.get(net.ids[program]!)!
    const loads = step.get(net.ids[from]!)!
    const isTonight = loads.startMinute < close && runs.endMinute > close && runs.startMinute < open
    if (!isTonight) continue
    const key = `${machine.get(net.holdIds[hold]!)} ${runs.startMinute}`
    batches.set(key, [...(batches.get(key) ?? []), { hold, program }])
  }
  return [...batches.values()]
    .map((batch) => {
      const latest = batch.map(({ hold, program }) => {
        const { to, toEnd } = net.holds[hold]!
        const out = step.get(net.ids[to]!)!
        const outMinute = toEnd ? out.endMinute : out.startMinute
        const load = step.get(net.ids[net.holds[hold]!.from]!)!
        const { loadMinute } = latestLoad(net, plan, net.ids[program]!, outMinute)
        // What is in the house is loaded before it closes, though another evening would do as well.
        const by = Math.min(loadMinute, close - (load.endMinute - load.startMinute))
        return { by: Math.max(by, load.startMinute), outMinute, load }
      })
      const first = latest.reduce((a, b) => (b.by < a.by ? b : a))
      const runs = step.get(net.ids[batch[0]!.program]!)!
      const limit: OvernightLoad['limit'] =
        first.by >= close - NEAR_CLOSE_MINUTES - (first.load.endMinute - first.load.startMinute)
          ? 'closing'
          : first.by === first.load.startMinute
            ? 'before'
            : 'program'
      return {
        machineId: machine.get(net.holdIds[batch[0]!.hold]!)!,
        programs: batch.map(({ program }) => net.ids[program]!),
        loadByMinute: first.by,
        startMinute: runs.startMinute,
        endMinute: runs.endMinute,
        outMinute: Math.min(...latest.map(({ outMinute }) => outMinute)),
        limit,
      }
    })
    .sort((a, b) => a.loadByMinute - b.loadByMinute)
}
