import { seededRandom } from '../../random/index.ts'
import { DomainError } from '../../refusal/index.ts'
import { jobShopBound } from './bound.ts'
import { Graph, type JobShop } from './graph.ts'
import { Tabu } from './tabu.ts'

export interface JobShopPlan {
  readonly makespan: number
  /** By job and operation. */
  readonly starts: readonly (readonly number[])[]
}

const ELITES = 6

/**
 * Tabu search from several beginnings, whose best are kept; further ones begin half way between two of those (recalled: Peng,
 * Lue and Cheng 2015). Starts rise along every job, and so does any mean of two: the middle needs no repair.
 * @param seed the same seed and the same steps give the same plan
 * @throws {DomainError} `job-shop`
 */
export class JobShopSearch {
  private readonly graph: Graph
  private readonly tabu: Tabu
  private readonly random: () => number
  private readonly elites: { starts: Int32Array; makespan: number }[] = []
  /** Nothing can be shorter. */
  readonly bound: number
  steps = 0

  constructor(
    readonly shop: JobShop,
    seed: number,
  ) {
    checkJobShop(shop)
    this.random = seededRandom(seed)
    this.graph = new Graph(shop)
    this.tabu = new Tabu(this.graph, this.random)
    this.bound = jobShopBound(shop)
    this.improve(this.randomKey(), () => true)
  }

  get best(): JobShopPlan {
    const { starts, makespan } = this.elites.reduce((a, b) => (b.makespan < a.makespan ? b : a))
    let n = 0
    return { makespan, starts: this.shop.jobs.map((job) => job.map(() => starts[n++]!)) }
  }

  /** Goes on until told to stop, until the bound is met, or for so many runs. */
  run(stop: () => boolean, runs = Number.POSITIVE_INFINITY): void {
    for (let n = 0; n < runs && !stop(); n++) {
      if (this.best.makespan <= this.bound) return
      if (this.elites.length < ELITES) this.improve(this.randomKey(), stop)
      else this.improve(this.halfWay(), stop)
    }
  }

  private improve(key: Float64Array, stop: () => boolean): void {
    this.graph.orderBy(key)
    const { starts, makespan, steps } = this.tabu.run(stop, this.bound)
    this.steps += steps
    const isKnown = this.elites.some(
      (elite) => elite.makespan === makespan && elite.starts.every((start, n) => start === starts[n]),
    )
    if (isKnown) return
    this.elites.push({ starts, makespan })
    if (this.elites.length <= ELITES) return
    const worst = this.elites.reduce((a, b) => (b.makespan >= a.makespan ? b : a))
    this.elites.splice(this.elites.indexOf(worst), 1)
  }

  /** Any order in which jobs go on. */
  private randomKey(): Float64Array {
    const key = new Float64Array(this.graph.count)
    let n = 0
    for (const job of this.shop.jobs) {
      const values = job.map(() => this.random()).sort((a, b) => a - b)
      for (const value of values) key[n++] = value
    }
    return key
  }

  private halfWay(): Float64Array {
    const one = Math.floor(this.random() * this.elites.length)
    const other = (one + 1 + Math.floor(this.random() * (this.elites.length - 1))) % this.elites.length
    const [a, b] = [this.elites[one]!.starts, this.elites[other]!.starts]
    const share = 0.35 + 0.3 * this.random()
    return Float64Array.from(a, (start, n) => (1 - share) * start + share * b[n]!)
  }
}

/** @throws {DomainError} `job-shop` */
function checkJobShop({ machines, jobs }: JobShop): void {
  const bad = jobs.some((job) =>
    job.some(
      ([machine, minutes]) =>
        !Number.isInteger(machine) ||
        machine < 0 ||
        machine >= machines ||
        !(Number.isInteger(minutes) && minutes > 0),
    ),
  )
  if (bad || jobs.length === 0 || jobs.some((job) => job.length === 0))
    throw new DomainError(
      'job-shop',
      'This is no job shop.',
      'Give every job operations with a machine from 0 and a whole duration above 0.',
      'jobs',
    )
}
