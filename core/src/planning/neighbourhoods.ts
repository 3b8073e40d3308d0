import { begunFirst } from './lay.ts'
import { type Network, NONE, PROGRAM } from './network.ts'
import type { Schedule } from './schedule.ts'

/** What is taken out and put back in another order. */
export interface Removal {
  /** In the order in which they are to go back. */
  readonly cases: readonly number[]
  readonly byCase: readonly (readonly number[])[]
  /** All blocks, in an order in which none goes before one that it follows. */
  readonly blocks: readonly number[]
  /** As they are to go back. */
  readonly order: readonly number[]
}

const LEAST_OUT = 2
const MOST_OUT = 7
/** Batches of the same program within a day are neighbours. */
const NEAR_MINUTES = 1440

/** Chooses cases whose order is worth another try: a costly one with what stands in its way, a batch, neighbours of one person, any. */
export class Neighbourhoods {
  private readonly span: number
  constructor(
    private readonly net: Network,
    public schedule: Schedule,
    private readonly random: () => number,
    /** When a block should begin at the latest, heavy cases sooner. */
    private readonly latest: Float64Array,
  ) {
    this.span =
      latest.length === 0
        ? 0
        : latest.reduce((a, b) => Math.max(a, b)) - latest.reduce((a, b) => Math.min(a, b))
  }

  choose(value: Float64Array, aloneEnd: Int32Array): Removal {
    const { net, random } = this
    const count = Math.min(net.cases.length, LEAST_OUT + Math.floor(random() * (MOST_OUT - LEAST_OUT + 1)))
    const kind = random()
    const chosen: number[] = []
    const add = (one: number) => {
      if (chosen.length < count && !chosen.includes(one)) chosen.push(one)
    }
    if (kind < 0.6) {
      const costly = this.costly(value, aloneEnd)
      add(costly)
      for (const one of this.shuffled(this.inTheWayOf(costly))) add(one)
    } else if (kind < 0.8) for (const one of this.shuffled(this.ofABatch())) add(one)
    else if (kind < 0.9) for (const one of this.ofAPerson(count)) add(one)
    while (chosen.length < Math.min(count, LEAST_OUT) || (kind >= 0.9 && chosen.length < count))
      add(Math.floor(random() * net.cases.length))
    return this.ordered(chosen, kind < 0.6)
  }

  /** The order of going back: mostly by due date with some noise, the costly one usually first. */
  private ordered(chosen: readonly number[], costlyFirst: boolean): Removal {
    const { net, random } = this
    const how = random()
    const key = new Map(
      chosen.map((one, n) => [
        one,
        costlyFirst && n === 0 && random() < 0.7
          ? Number.NEGATIVE_INFINITY
          : how < 0.4
            ? random()
            : how < 0.7
              ? net.due[one]! + (random() - 0.5) * 2880
              : this.firstStart(one) + (random() - 0.5) * 960,
      ]),
    )
    const cases = [...chosen].sort((a, b) => key.get(a)! - key.get(b)! || a - b)
    const byCase = cases.map((one) => {
      const blocks = net.caseBlocks[one]!
      // Often only what comes later in a case is worth another try.
      const from = blocks.length > 1 && random() < 0.3 ? Math.floor(random() * blocks.length) : 0
      return from === 0 ? blocks : blocks.slice(from)
    })
    const blocks = byCase.flat()
    return { cases, byCase, blocks, order: this.wayBack(blocks, cases.length) }
  }

  /** What was begun first; then case by case, or the blocks of all of them by when they have to begin. */
  private wayBack(blocks: readonly number[], cases: number): readonly number[] {
    const { net, random } = this
    const order = begunFirst(net, blocks)
    // Of a single case only its own blocks can change places.
    const isOne = cases < 2
    if (!isOne && random() < 0.5) return order
    const noise = new Map<number, number>()
    const span = isOne ? this.span * random() : 1440
    const key = blocks.map((block) => {
      const one = isOne ? block : net.caseOf[net.blocks[block]![0]!]!
      const shift = noise.get(one) ?? (random() - 0.5) * span
      noise.set(one, shift)
      return net.begun[block] ? Number.NEGATIVE_INFINITY : this.latest[block]! + shift
    })
    const rank = new Map(blocks.map((block, n) => [block, n]))
    const wanted = [...order].sort(
      (a, b) => key[rank.get(a)!]! - key[rank.get(b)!]! || rank.get(a)! - rank.get(b)!,
    )
    // Of two branches of a case the later may have to begin sooner, but none before what it follows.
    const left = new Set(wanted)
    const given: number[] = []
    const give = (block: number) => {
      if (!left.delete(block)) return
      for (const before of net.blocksBefore[block]!) give(before)
      given.push(block)
    }
    for (const block of wanted) give(block)
    return given
  }

  private firstStart(one: number): number {
    const { net, schedule } = this
    for (const step of net.caseSteps[one]!) if (net.frozenStart[step] === NONE) return schedule.start[step]!
    return 0
  }

  /** By what it costs above what it would alone. */
  private costly(value: Float64Array, aloneEnd: Int32Array): number {
    const { net, random } = this
    const { late, flow } = net.instance.weights
    let sum = 0
    const above = new Float64Array(value.length)
    for (let one = 0; one < value.length; one++) {
      const end = aloneEnd[one]!
      const least =
        late * net.weight[one]! * Math.max(0, end - net.due[one]!) + flow * (end - net.release[one]!)
      above[one] = Math.max(0, value[one]! - least) + 1
      sum += above[one]!
    }
    let left = random() * sum
    for (let one = 0; one < value.length; one++) {
      left -= above[one]!
      if (left <= 0) return one
    }
    return value.length - 1
  }

  /** Cases that hold its people or its machines while one of its steps waits. */
  private inTheWayOf(one: number): number[] {
    const { net, schedule, random } = this
    const gaps: { step: number; ready: number; gap: number }[] = []
    let sum = 0
    for (const step of net.caseSteps[one]!) {
      if (net.frozenStart[step] !== NONE) continue
      let ready = net.earliest[step]!
      for (const link of net.linksTo[step]!)
        ready = Math.max(
          ready,
          (link.fromEnd ? schedule.end[link.from]! : schedule.start[link.from]!) + link.min,
        )
      const gap = schedule.start[step]! - ready
      if (gap <= 0) continue
      gaps.push({ step, ready, gap })
      sum += gap
    }
    if (gaps.length === 0) return []
    let left = random() * sum
    const chosen =
      gaps.find(({ gap }) => {
        left -= gap
        return left <= 0
      }) ?? gaps[0]!
    const { step, ready } = chosen
    const until = schedule.start[step]!
    const found = new Set<number>()
    const able = net.able[step]!
    if (able.length > 0) {
      for (let other = 0; other < net.ids.length; other++)
        if (
          schedule.start[other]! < until &&
          schedule.end[other]! > ready &&
          net.frozenStart[other] === NONE &&
          able.includes(schedule.person[other]!)
        )
          found.add(net.caseOf[other]!)
    }
    const machines = new Set<number>()
    for (const list of [net.opens[step]!, net.ownHolds[step]!])
      for (const hold of list) for (const machine of net.holds[hold]!.machines) machines.add(machine)
    if (net.runs[step] !== NONE)
      for (const machine of net.holds[net.runs[step]!]!.machines) machines.add(machine)
    if (machines.size > 0)
      for (const [hold, { from }] of net.holds.entries())
        if (
          machines.has(schedule.machines.machine[hold]!) &&
          schedule.machines.holdFrom[hold]! < until + 1 &&
          schedule.machines.holdTo[hold]! > ready
        )
          found.add(net.caseOf[from]!)
    found.delete(one)
    return [...found]
  }

  /** The members of one batch, and of those of the same program within a day. */
  private ofABatch(): number[] {
    const { net, schedule, random } = this
    const programs: number[] = []
    for (let step = 0; step < net.ids.length; step++)
      if (net.kind[step] === PROGRAM && net.frozenStart[step] === NONE) programs.push(step)
    if (programs.length === 0) return []
    const chosen = programs[Math.floor(random() * programs.length)]!
    const found = new Set<number>()
    for (const step of programs)
      if (
        net.program[step] === net.program[chosen] &&
        Math.abs(schedule.start[step]! - schedule.start[chosen]!) <= NEAR_MINUTES
      )
        found.add(net.caseOf[step]!)
    return [...found]
  }

  /** Cases that follow one another in the hands of one person. */
  private ofAPerson(count: number): number[] {
    const { net, schedule, random } = this
    const step = Math.floor(random() * net.ids.length)
    const person = schedule.person[step]!
    if (person === NONE) return []
    const own: number[] = []
    for (let other = 0; other < net.ids.length; other++)
      if (schedule.person[other] === person) own.push(other)
    own.sort((a, b) => schedule.start[a]! - schedule.start[b]! || a - b)
    const at = own.indexOf(step)
    return [...new Set(own.slice(Math.max(0, at - count), at + count).map((other) => net.caseOf[other]!))]
  }

  private shuffled(list: number[]): number[] {
    for (let n = list.length - 1; n > 0; n--) {
      const other = Math.floor(this.random() * (n + 1))
      const kept = list[n]!
      list[n] = list[other]!
      list[other] = kept
    }
    return list
  }
}
