import type { Graph } from './graph.ts'

const NONE = -1

/** Steps without a gain after which a search gives up; short runs from many beginnings do better than one long one. */
const STEPS_WITHOUT_GAIN = 2500

/**
 * Tabu search on the critical path with the moves N6: an operation of a block of it goes right behind a later or before an earlier
 * one (recalled: Balas and Vazacopoulos 1998; Zhang and others 2007). What was reversed may not be turned back for a while.
 */
export class Tabu {
  private readonly until: Int32Array
  private readonly path: Int32Array
  private readonly stretch: Int32Array
  private readonly newHead: Int32Array
  private step = 0
  /** Moves as one number: operation, other, and which way. */
  private chosenMove = NONE
  private anyMove = NONE
  private least = 0
  private ties = 0
  private seen = 0
  private readonly tenure: number

  constructor(
    private readonly graph: Graph,
    private readonly random: () => number,
  ) {
    const { count, shop } = graph
    this.until = new Int32Array(count * count)
    this.path = new Int32Array(count)
    this.stretch = new Int32Array(count)
    this.newHead = new Int32Array(count)
    this.tenure = 10 + Math.floor(shop.jobs.length / shop.machines)
  }

  /** From where the graph is. @returns the starts of the best that was met, and its makespan */
  run(stop: () => boolean, least: number): { starts: Int32Array; makespan: number; steps: number } {
    const { graph } = this
    this.until.fill(0)
    this.step = 0
    let best = graph.makespan
    let starts = graph.starts()
    let gained = 0
    while (this.step - gained < STEPS_WITHOUT_GAIN && best > least) {
      if ((this.step & 63) === 0 && stop()) break
      this.step++
      if (!this.move(best)) break
      if (graph.makespan < best) {
        best = graph.makespan
        starts = graph.starts()
        gained = this.step
      }
    }
    return { starts, makespan: best, steps: this.step }
  }

  private move(best: number): boolean {
    const length = this.criticalPath()
    const { machineOf } = this.graph
    const { path } = this
    this.chosenMove = NONE
    this.anyMove = NONE
    this.least = Number.POSITIVE_INFINITY
    this.ties = 0
    this.seen = 0
    for (let from = 0; from < length; ) {
      let to = from
      const machine = machineOf[path[from]!]
      while (to + 1 < length && machineOf[path[to + 1]!] === machine) to++
      if (to > from) this.considerBlock(from, to, from > 0, to < length - 1, best)
      from = to + 1
    }
    const move = this.chosenMove !== NONE ? this.chosenMove : this.anyMove
    if (move === NONE) return false
    const { count } = this.graph
    const behind = move < count * count
    const pair = behind ? move : move - count * count
    const operation = Math.floor(pair / count)
    const other = pair % count
    this.forbid(operation, other, behind)
    if (behind) this.graph.moveBehind(operation, other)
    else this.graph.moveBefore(operation, other)
    return true
  }

  /**
   * The moves of one block. What comes first in the first block of the way, and last in the last, may stay: moving it there gains
   * nothing. Two neighbours change places in one way only.
   */
  private considerBlock(from: number, to: number, hasBefore: boolean, hasAfter: boolean, best: number): void {
    const { path } = this
    const first = path[from]!
    const last = path[to]!
    if (to === from + 1) {
      if (hasBefore || hasAfter) this.consider(first, last, true, best)
      return
    }
    if (hasAfter) {
      for (let n = from; n < to; n++) this.consider(path[n]!, last, true, best)
      for (let n = from + 1; n < to - 1; n++) this.consider(last, path[n]!, false, best)
    }
    if (hasBefore) {
      for (let n = from + 1; n < to; n++) this.consider(path[n]!, first, false, best)
      for (let n = from + 2; n < to; n++) this.consider(first, path[n]!, true, best)
    }
    if (hasBefore) this.consider(last, first, false, best)
  }

  private consider(operation: number, other: number, behind: boolean, best: number): void {
    if (!this.isSafe(operation, other, behind)) return
    const size = this.collect(operation, other, behind)
    const value = this.estimate(size, behind)
    const { count } = this.graph
    const move = operation * count + other + (behind ? 0 : count * count)
    this.seen++
    if (this.random() * this.seen < 1) this.anyMove = move
    if (value > this.least || (value >= best && this.isTabu(size, behind))) return
    this.ties = value < this.least ? 1 : this.ties + 1
    this.least = value
    if (this.ties === 1 || this.random() * this.ties < 1) this.chosenMove = move
  }

  /** One longest way through the graph; where two go on, either. */
  private criticalPath(): number {
    const { head, tail, minutes, makespan, jobAfter, machineAfter, count } = this.graph
    let at = -1
    let seen = 0
    for (let n = 0; n < count; n++)
      if (head[n] === 0 && minutes[n]! + tail[n]! === makespan && this.random() * ++seen < 1) at = n
    let length = 0
    while (at >= 0) {
      this.path[length++] = at
      const ends = head[at]! + minutes[at]!
      const left = tail[at]!
      if (left === 0) break
      const a = jobAfter[at]!
      const b = machineAfter[at]!
      const viaJob = a >= 0 && head[a] === ends && minutes[a]! + tail[a]! === left
      const viaMachine = b >= 0 && head[b] === ends && minutes[b]! + tail[b]! === left
      at = viaJob && viaMachine ? (this.random() < 0.5 ? a : b) : viaJob ? a : b
    }
    return length
  }

  /** No way leads from one to the other beside the machine: by their heads and tails, so some safe ones are left out too. */
  private isSafe(operation: number, other: number, behind: boolean): boolean {
    const { jobAfter, jobBefore, tail, head, minutes } = this.graph
    if (behind) {
      const next = jobAfter[operation]!
      return next < 0 || tail[other]! + minutes[other]! >= tail[next]! + minutes[next]!
    }
    const before = jobBefore[operation]!
    return before < 0 || head[other]! + minutes[other]! >= head[before]! + minutes[before]!
  }

  /** The operations of the machine that change places, in their new order. */
  private collect(operation: number, other: number, behind: boolean): number {
    const { machineAfter } = this.graph
    const { stretch } = this
    let size = 0
    if (behind) {
      for (let at = machineAfter[operation]!; ; at = machineAfter[at]!) {
        stretch[size++] = at
        if (at === other) break
      }
      stretch[size++] = operation
    } else {
      stretch[size++] = operation
      for (let at = other; at !== operation; at = machineAfter[at]!) stretch[size++] = at
    }
    return size
  }

  /** The longest way through the stretch after the move, by the heads and tails of what does not move. */
  private estimate(size: number, behind: boolean): number {
    const { stretch, newHead } = this
    const { head, tail, minutes, jobBefore, jobAfter, machineBefore, machineAfter } = this.graph
    const first = stretch[0]!
    const last = stretch[size - 1]!
    // One of the ends was moved from the other end: what lay around the stretch stays.
    const wasFirst = behind ? last : stretch[1]!
    const before = machineBefore[wasFirst]!
    let ready = before < 0 ? 0 : head[before]! + minutes[before]!
    for (let n = 0; n < size; n++) {
      const each = stretch[n]!
      const job = jobBefore[each]!
      const viaJob = job < 0 ? 0 : head[job]! + minutes[job]!
      const starts = viaJob > ready ? viaJob : ready
      newHead[n] = starts
      ready = starts + minutes[each]!
    }
    const wasLast = behind ? stretch[size - 2]! : first
    const after = machineAfter[wasLast]!
    let left = after < 0 ? 0 : tail[after]! + minutes[after]!
    let longest = 0
    for (let n = size - 1; n >= 0; n--) {
      const each = stretch[n]!
      const job = jobAfter[each]!
      const viaJob = job < 0 ? 0 : tail[job]! + minutes[job]!
      const own = (viaJob > left ? viaJob : left) + minutes[each]!
      if (newHead[n]! + own > longest) longest = newHead[n]! + own
      left = own
    }
    return longest
  }

  private isTabu(size: number, behind: boolean): boolean {
    const { stretch, until, step } = this
    const { count } = this.graph
    const moved = behind ? stretch[size - 1]! : stretch[0]!
    for (let n = 0; n < size; n++) {
      const each = stretch[n]!
      if (each === moved) continue
      const pair = behind ? each * count + moved : moved * count + each
      if (until[pair]! > step) return true
    }
    return false
  }

  private forbid(operation: number, other: number, behind: boolean): void {
    const size = this.collect(operation, other, behind)
    const { count } = this.graph
    const last = this.step + this.tenure + Math.floor(this.random() * 12)
    for (let n = 0; n < size; n++) {
      const each = this.stretch[n]!
      if (each === operation) continue
      // The order that it had until now.
      this.until[behind ? operation * count + each : each * count + operation] = last
    }
  }
}
