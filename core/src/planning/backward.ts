import type { Network } from './network.ts'
import type { Plan } from './plan-shape.ts'
import { blocksFrom, scheduleOf } from './stored-plan.ts'

export interface LatestLoad {
  readonly loadMinute: number
  /** When the program begins, by its timer where nobody is there. */
  readonly programMinute: number
  readonly outMinute: number
  /** It cannot be out by the time asked: this is the soonest that it can. */
  readonly isTooLate?: true
}

/**
 * The latest that work can be put into its machine so that it is out by a time, all other work staying where it is.
 * @param programStep what runs in the machine
 * @param outByMinute when it is to be in the hand again
 */
export function latestLoad(net: Network, plan: Plan, programStep: string, outByMinute: number): LatestLoad {
  const program = net.ids.indexOf(programStep)
  const { from: load, to: out } = net.holds[net.runs[program]!]!
  const schedule = scheduleOf(net, plan)
  const [block, later] = [net.blockOf[load]!, blocksFrom(net, load)]
  for (const each of later) schedule.remove(each)
  const at = (minute: number): LatestLoad | undefined => {
    if (!schedule.putNotBefore(block, load, minute)) return undefined
    const found = {
      loadMinute: schedule.start[load]!,
      programMinute: schedule.start[program]!,
      // A ring leaves the furnace when its casting begins, a flask when somebody has taken it out.
      outMinute: net.holds[net.runs[program]!]!.toEnd ? schedule.end[out]! : schedule.start[out]!,
    }
    schedule.remove(block)
    return found
  }
  const soonest = at(net.now)
  if (!soonest) throw new Error('a plan that is there has no place for what is in it')
  if (soonest.outMinute > outByMinute) return { ...soonest, isTooLate: true }
  let found = soonest
  let [low, high] = [soonest.loadMinute, outByMinute]
  while (low < high) {
    const middle = (low + high + 1) >> 1
    const tried = at(middle)
    if (tried && tried.outMinute <= outByMinute) {
      found = tried
      low = Math.max(middle, tried.loadMinute)
    } else high = middle - 1
  }
  return found
}
