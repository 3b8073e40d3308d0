/** A job shop: every job is a chain of operations, each on one machine for so long. The whole is to end as soon as it can. */
export interface JobShop {
  readonly machines: number
  /** By job, in their order: machine from 0, and duration. */
  readonly jobs: readonly (readonly (readonly [number, number])[])[]
}

const NONE = -1

/**
 * The disjunctive graph of a job shop with an order on every machine: heads (longest way before an operation), tails (longest way
 * after it), and an order of all operations in which every arc leads on. That order is kept, and after a move repaired only between
 * the two operations moved: heads are worked out again from there on, tails from there back.
 */
export class Graph {
  readonly count: number
  readonly minutes: Int32Array
  readonly machineOf: Int32Array
  readonly jobBefore: Int32Array
  readonly jobAfter: Int32Array
  readonly machineBefore: Int32Array
  readonly machineAfter: Int32Array
  readonly head: Int32Array
  readonly tail: Int32Array
  readonly order: Int32Array
  private readonly place: Int32Array
  private readonly mark: Uint8Array
  private readonly moved: Int32Array
  private readonly lastOfJobs: number[] = []
  makespan = 0

  constructor(readonly shop: JobShop) {
    const count = shop.jobs.reduce((sum, job) => sum + job.length, 0)
    this.count = count
    const ints = () => new Int32Array(count).fill(NONE)
    this.minutes = ints()
    this.machineOf = ints()
    this.jobBefore = ints()
    this.jobAfter = ints()
    this.machineBefore = ints()
    this.machineAfter = ints()
    this.head = ints()
    this.tail = ints()
    this.order = ints()
    this.place = ints()
    this.moved = ints()
    this.mark = new Uint8Array(count)
    let operation = 0
    for (const job of shop.jobs)
      for (const [k, [machine, minutes]] of job.entries()) {
        this.minutes[operation] = minutes
        this.machineOf[operation] = machine
        if (k > 0) {
          this.jobBefore[operation] = operation - 1
          this.jobAfter[operation - 1] = operation
        }
        operation++
        if (k === job.length - 1) this.lastOfJobs.push(operation - 1)
      }
  }

  /** Machines take operations by a number of each, which must rise along every job. */
  orderBy(key: ArrayLike<number>): void {
    const sorted = Array.from({ length: this.count }, (_, n) => n).sort((a, b) => key[a]! - key[b]! || a - b)
    const last = new Int32Array(this.shop.machines).fill(NONE)
    this.machineAfter.fill(NONE)
    for (const [n, operation] of sorted.entries()) {
      this.order[n] = operation
      this.place[operation] = n
      const machine = this.machineOf[operation]!
      const before = last[machine]!
      this.machineBefore[operation] = before
      if (before !== NONE) this.machineAfter[before] = operation
      last[machine] = operation
    }
    this.measure(0, this.count - 1)
  }

  /** Heads from one place of the order on, tails from another back. */
  private measure(from: number, back: number): void {
    const { order, head, tail, minutes, jobBefore, jobAfter, machineBefore, machineAfter, count } = this
    for (let n = from; n < count; n++) {
      const operation = order[n]!
      const a = jobBefore[operation]!
      const b = machineBefore[operation]!
      const viaJob = a < 0 ? 0 : head[a]! + minutes[a]!
      const viaMachine = b < 0 ? 0 : head[b]! + minutes[b]!
      head[operation] = viaJob > viaMachine ? viaJob : viaMachine
    }
    for (let n = back; n >= 0; n--) {
      const operation = order[n]!
      const a = jobAfter[operation]!
      const b = machineAfter[operation]!
      const viaJob = a < 0 ? 0 : tail[a]! + minutes[a]!
      const viaMachine = b < 0 ? 0 : tail[b]! + minutes[b]!
      tail[operation] = viaJob > viaMachine ? viaJob : viaMachine
    }
    let longest = 0
    for (const last of this.lastOfJobs) {
      const ends = head[last]! + minutes[last]!
      if (ends > longest) longest = ends
    }
    this.makespan = longest
  }

  private unlink(operation: number): void {
    const { machineBefore, machineAfter } = this
    const a = machineBefore[operation]!
    const b = machineAfter[operation]!
    if (a >= 0) machineAfter[a] = b
    if (b >= 0) machineBefore[b] = a
  }

  /** Moves an operation on its machine to right behind a later one. There must be no other way from it to there. */
  moveBehind(operation: number, other: number): void {
    const { machineBefore, machineAfter } = this
    const from = this.place[operation]!
    const to = this.place[other]!
    this.unlink(operation)
    const after = machineAfter[other]!
    machineAfter[other] = operation
    machineBefore[operation] = other
    machineAfter[operation] = after
    if (after >= 0) machineBefore[after] = operation
    this.repair(from, to, operation, true)
  }
  /** Moves an operation on its machine to right before an earlier one. */
  moveBefore(operation: number, other: number): void {
    const { machineBefore, machineAfter } = this
    const from = this.place[other]!
    const to = this.place[operation]!
    this.unlink(operation)
    const before = machineBefore[other]!
    machineBefore[other] = operation
    machineAfter[operation] = other
    machineBefore[operation] = before
    if (before >= 0) machineAfter[before] = operation
    this.repair(from, to, operation, false)
  }

  /** Between two places of the order: what follows the moved one goes behind the rest, or what it follows before it. */
  private repair(from: number, to: number, operation: number, behind: boolean): void {
    const { order, place, mark, moved } = this
    const [jobLink, machineLink] = behind
      ? [this.jobBefore, this.machineBefore]
      : [this.jobAfter, this.machineAfter]
    mark[operation] = 1
    let marked = 0
    const step = behind ? 1 : -1
    let write = behind ? from : to
    for (let n = write; behind ? n <= to : n >= from; n += step) {
      const each = order[n]!
      const a = jobLink[each]!
      const b = machineLink[each]!
      if (each === operation || (a >= 0 && mark[a] === 1) || (b >= 0 && mark[b] === 1 && b !== NONE)) {
        mark[each] = 1
        moved[marked++] = each
      } else {
        order[write] = each
        place[each] = write
        write += step
      }
    }
    for (let n = 0; n < marked; n++) {
      const each = moved[n]!
      order[write] = each
      place[each] = write
      mark[each] = 0
      write += step
    }
    this.measure(from, to)
  }

  /** Where each operation starts: enough to make the graph again. */
  starts(): Int32Array {
    return this.head.slice()
  }
}
