import { type Network, NONE } from './network.ts'
import type { Plan } from './plan-shape.ts'
import { type BatchWaits, Schedule } from './schedule.ts'

/** Puts blocks in, one after the other, those that go before a block first. @returns those that have no place before the horizon */
export function putAll(schedule: Schedule, blocks: readonly number[], waits?: BatchWaits): number[] {
  const without = new Set<number>()
  const put = (block: number): void => {
    if (without.has(block) || schedule.has(block)) return
    for (const before of schedule.net.blocksBefore[block]!) put(before)
    const can = schedule.net.blocksBefore[block]!.every((before) => schedule.has(before))
    if (!can || !schedule.put(block, waits)) without.add(block)
  }
  for (const block of blocks) put(block)
  return [...without]
}

/** What was begun first: its machine is taken and its longest waits count. */
export function begunFirst(net: Network, blocks: readonly number[]): number[] {
  return [...blocks.filter((block) => net.begun[block]), ...blocks.filter((block) => !net.begun[block])]
}

export interface Alone {
  /** By case. */
  readonly end: Int32Array
  readonly stepStart: Int32Array
  readonly stepEnd: Int32Array
}

/** How long each case takes alone, with nobody and nothing in its way: its end, and that of each step. Earlier it cannot be. */
export function alone(net: Network): Alone {
  const end = new Int32Array(net.cases.length)
  const stepStart = new Int32Array(net.ids.length)
  const stepEnd = new Int32Array(net.ids.length)
  const schedule = new Schedule(net)
  for (let one = 0; one < net.cases.length; one++) {
    const blocks = begunFirst(net, net.caseBlocks[one]!)
    const without = putAll(schedule, blocks)
    for (const step of net.caseSteps[one]!) {
      const ends = schedule.end[step]!
      stepStart[step] = ends === NONE ? net.horizon : schedule.start[step]!
      stepEnd[step] = ends === NONE ? net.horizon : ends
      end[one] = Math.max(end[one]!, stepEnd[step]!)
    }
    if (without.length > 0) end[one] = net.horizon
    for (const block of [...net.caseBlocks[one]!].reverse()) if (schedule.has(block)) schedule.remove(block)
  }
  return { end, stepStart, stepEnd }
}

/** Orders of blocks by simple rules: cases one after the other, or block by block by when each has to begin at the latest. */
export function ruleOrders(net: Network, times: Alone): readonly (readonly number[])[] {
  const promise = net.caseSteps.map((steps, one) => {
    const dates = steps.map((step) => net.promised[step]!).filter((minute) => minute !== NONE)
    return Math.min(net.due[one]!, ...dates)
  })
  const work = net.caseSteps.map((steps) =>
    steps.reduce((sum, step) => sum + (net.frozenStart[step] === NONE ? net.minutes[step]! : 0), 0),
  )
  const weight = (one: number) => net.weight[one]! || 1
  const byCase = [
    (one: number) => net.due[one]!,
    (one: number) => promise[one]! - 1000 * Math.log(weight(one)),
    (one: number) => (net.due[one]! - net.release[one]!) / weight(one),
    (one: number) => promise[one]! - 2 * work[one]!,
    (one: number) => net.release[one]! + work[one]!,
  ].map((rule) => {
    const value = net.cases.map((_, one) => rule(one))
    const cases = net.cases.map((_, one) => one).sort((a, b) => value[a]! - value[b]! || a - b)
    return cases.flatMap((one) => net.caseBlocks[one]!)
  })
  const byBlock = blockKeys(net, times).map((key) => byKey(key))
  return [...byCase, ...byBlock]
}

/** Blocks in the order of a number of each. */
export function byKey(key: ArrayLike<number>): number[] {
  return Array.from(key, (_, block) => block).sort((a, b) => key[a]! - key[b]! || a - b)
}

/** For each block when it has to begin at the latest, as if alone: as it is, with heavy cases sooner, and by a share of the slack. */
export function blockKeys(net: Network, { end, stepStart, stepEnd }: Alone): readonly Float64Array[] {
  const sums = net.cases.map((_, one) => {
    const byPromise = net.caseSteps[one]!.map((step) =>
      net.promised[step] === NONE ? Number.POSITIVE_INFINITY : net.promised[step]! - stepEnd[step]!,
    )
    const weight = net.weight[one]! || 1
    const room = net.due[one]! - end[one]!
    const least = Math.min(room, ...byPromise)
    return [least, least - 1000 * Math.log(weight), Math.max(0, room) / weight / 2] as const
  })
  return [0, 1, 2].map((rule) =>
    Float64Array.from(net.blocks, (block) => {
      const starts = Math.min(...block.map((step) => stepStart[step]!))
      return sums[net.caseOf[block[0]!]!]![rule]! + starts
    }),
  )
}

/** A plan of old times laid again, block by block in the order of its starts: the same where nothing has changed. */
export function replayOrder(net: Network, plan: Pick<Plan, 'steps'>): number[] {
  const start = new Map(plan.steps.map(({ id, startMinute }) => [id, startMinute]))
  const first = net.blocks.map((block) => {
    const known = block
      .filter((step) => net.frozenStart[step] === NONE)
      .map((step) => start.get(net.ids[step]!) ?? Number.POSITIVE_INFINITY)
    return Math.min(Number.POSITIVE_INFINITY, ...known)
  })
  const blocks = net.blocks.map((_, n) => n)
  return begunFirst(
    net,
    blocks.sort((a, b) => (first[a] === first[b] ? a - b : first[a]! - first[b]!)),
  )
}
