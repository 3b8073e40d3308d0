import { seededRandom } from '../random/index.ts'
import { alone, begunFirst, blockKeys, putAll, replayOrder, ruleOrders } from './lay.ts'
import { Neighbourhoods } from './neighbourhoods.ts'
import type { Network } from './network.ts'
import { isBetter, type Plan, type PlanWorth } from './plan-shape.ts'
import { leastChange } from './replan.ts'
import { type BatchWaits, Schedule } from './schedule.ts'
import { Worth } from './worth.ts'

export interface SearchOptions {
  readonly seed: number
  /** A plan to begin from: kept where it still fits, or laid again in its order, or given up for one of the rules, whichever is best. */
  readonly from?: Plan
  /** With a plan to begin from, rules may be left out: an answer is then there sooner. */
  readonly withoutRules?: boolean
}

interface Laid {
  readonly schedule: Schedule
  readonly without: readonly number[]
  readonly scalar: number
}

/** Acceptance: a plan may be worse by this much of the mean cost of a case at first, and by this much at the end of a cycle. */
const HOT = 0.05
const HOT_FEW_CASES = 1
const FEW_CASES = 25
const COLD = 0.001
/** Rounds of the first cycle; each further one is half as long again. */
const FIRST_CYCLE = 2500

/**
 * A search that can be asked at any time: it begins with what simple rules give and goes on by taking some cases out and putting
 * them back in another order (large neighbourhood search). The same seed and rounds give the same plan; a clock only says when to stop.
 */
export class PlanSearch {
  private readonly schedule: Schedule
  private readonly worth: Worth
  private readonly random: () => number
  private readonly value: Float64Array
  private readonly near: Neighbourhoods
  private readonly aloneEnd: Int32Array
  private current = 0
  private cycleLeft = FIRST_CYCLE
  private cycle = FIRST_CYCLE
  private bestScalar = Number.POSITIVE_INFINITY
  private bestKept: (number[] | undefined)[] = []
  rounds = 0
  /** Blocks for which there is no place before the horizon, by their cases. */
  readonly unplaced: readonly string[]
  private found: { readonly plan: Plan; readonly worth: PlanWorth }

  constructor(
    readonly net: Network,
    { seed, from, withoutRules = false }: SearchOptions,
  ) {
    this.random = seededRandom(seed)
    this.worth = new Worth(net)
    this.value = new Float64Array(net.cases.length)
    const times = alone(net)
    this.aloneEnd = times.end
    const orders = from && withoutRules ? [] : ruleOrders(net, times).map((blocks) => begunFirst(net, blocks))
    if (from) orders.unshift(replayOrder(net, from))
    let best: Laid | undefined = from && this.valued(leastChange(net, from))
    for (const blocks of orders) {
      const schedule = new Schedule(net)
      const other = this.valued({ schedule, without: putAll(schedule, blocks) })
      const isFuller = !best || other.without.length < best.without.length
      if (isFuller || (other.without.length === best!.without.length && other.scalar < best!.scalar))
        best = other
    }
    if (!best) throw new Error('a plan begins from something')
    this.schedule = best.schedule
    this.unplaced = [...new Set(best.without.map((block) => net.cases[net.caseOf[net.blocks[block]![0]!]!]!))]
    this.near = new Neighbourhoods(net, this.schedule, this.random, blockKeys(net, times)[1]!)
    for (let one = 0; one < net.cases.length; one++) this.value[one] = this.worth.scalarOf(this.schedule, one)
    this.current = this.total()
    this.found = { plan: this.schedule.plan(), worth: this.worth.of(this.schedule) }
    this.keepBest()
  }

  private valued({ schedule, without }: Omit<Laid, 'scalar'>): Laid {
    let scalar = this.net.instance.weights.idle * schedule.machines.idle()
    for (let one = 0; one < this.net.cases.length; one++) scalar += this.worth.scalarOf(schedule, one)
    return { schedule, without, scalar }
  }

  get best(): { readonly plan: Plan; readonly worth: PlanWorth } {
    return this.found
  }

  private total(): number {
    let sum = this.net.instance.weights.idle * this.schedule.machines.idle()
    for (const value of this.value) sum += value
    return sum
  }

  private keepBest(): void {
    this.bestScalar = this.current
    this.bestKept = this.net.blocks.map((_, block) =>
      this.schedule.has(block) ? this.schedule.remember(block) : undefined,
    )
  }

  /** Goes on for so many rounds, or until told to stop. @returns true: something better was found */
  run(rounds: number, stop: () => boolean = () => false): boolean {
    const before = this.found
    if (this.unplaced.length > 0 || this.net.cases.length === 0) return false
    for (let n = 0; n < rounds; n++) {
      if ((n & 7) === 0 && stop()) break
      this.rounds++
      this.round()
    }
    return this.found !== before
  }

  private temperature(): number {
    const hot = this.net.cases.length <= FEW_CASES ? HOT_FEW_CASES : HOT
    const done = 1 - this.cycleLeft / this.cycle
    return (Math.max(1, this.bestScalar) / this.net.cases.length) * hot * (COLD / hot) ** done
  }

  private round(): void {
    const { net, schedule, random, worth } = this
    if (--this.cycleLeft <= 0) this.nextCycle()
    const bound = this.current - this.temperature() * Math.log(1 - random())
    const out = this.near.choose(this.value, this.aloneEnd)
    const kept = out.blocks.map((block) => schedule.remember(block))
    for (let n = out.blocks.length - 1; n >= 0; n--) schedule.remove(out.blocks[n]!)
    const oldValues = out.cases.map((one) => this.value[one]!)
    let without = this.current
    for (const value of oldValues) without -= value
    const waits = this.drawWaits()
    const put: number[] = []
    let sum = 0
    let fits = true
    const open = new Map(out.cases.map((one, n) => [one, out.byCase[n]!.length]))
    for (const block of out.order) {
      if (!schedule.put(block, waits)) {
        fits = false
        break
      }
      put.push(block)
      const one = net.caseOf[net.blocks[block]![0]!]!
      const left = open.get(one)! - 1
      open.set(one, left)
      if (left > 0) continue
      this.value[one] = worth.scalarOf(schedule, one)
      sum += this.value[one]!
      if (without + sum > bound) {
        fits = false
        break
      }
    }
    if (fits) {
      const total = this.total()
      if (total <= bound) {
        this.current = total
        if (total < this.bestScalar - 1e-7) this.better()
        return
      }
    }
    for (let n = put.length - 1; n >= 0; n--) schedule.remove(put[n]!)
    for (const [n, block] of out.blocks.entries()) schedule.restore(block, kept[n]!)
    for (const [n, one] of out.cases.entries()) this.value[one] = oldValues[n]!
  }

  private better(): void {
    this.keepBest()
    const worth = this.worth.of(this.schedule)
    if (isBetter(worth, this.found.worth)) this.found = { plan: this.schedule.plan(), worth }
  }

  /** Back to the best, a little warm again, for longer. */
  private nextCycle(): void {
    this.cycle = Math.round(this.cycle * 1.5)
    this.cycleLeft = this.cycle
    const { schedule, net } = this
    for (let block = net.blocks.length - 1; block >= 0; block--) schedule.remove(block)
    for (const [block, kept] of this.bestKept.entries()) schedule.restore(block, kept!)
    for (let one = 0; one < net.cases.length; one++) this.value[one] = this.worth.scalarOf(schedule, one)
    this.current = this.total()
  }

  /** Nobody ever waits for a second ring unless somebody waits before the furnace is closed. */
  private drawWaits(): BatchWaits | undefined {
    const { random } = this
    if (random() > 0.4) return undefined
    const draws = new Map<number, number>()
    return (program) => {
      const known = draws.get(program)
      if (known !== undefined) return known
      const kind = random()
      const wait =
        kind < 0.5
          ? 0
          : kind < 0.75
            ? 5 * (1 + Math.floor(random() * 12))
            : 30 * (1 + Math.floor(random() * 8))
      draws.set(program, wait)
      return wait
    }
  }
}
