import type { OpenTime } from './open-time.ts'
import { windowFor } from './open-time.ts'

/** Where a list of sorted numbers first goes above one. */
function firstAbove(sorted: readonly number[], value: number): number {
  let low = 0
  let high = sorted.length
  while (low < high) {
    const middle = (low + high) >> 1
    if (sorted[middle]! > value) high = middle
    else low = middle + 1
  }
  return low
}

/** What one person is booked for, in open minutes of their own calendar. */
export class Diary {
  private readonly from: number[] = []
  private readonly to: number[] = []
  constructor(readonly time: OpenTime) {}

  /**
   * The first open minute at or after `open` from which so many minutes are free, in one window unless it may pause.
   * @returns -1: there is none before the horizon
   */
  gap(open: number, minutes: number, mayPause: boolean): number {
    const { time, from, to } = this
    let at = open
    let next = firstAbove(to, at)
    while (at + minutes <= time.total) {
      if (!mayPause) {
        const closes = time.windowEnd(at)
        if (at + minutes > closes) {
          if (closes <= at) return -1
          at = closes
          while (next < to.length && to[next]! <= at) next++
          continue
        }
      }
      if (next >= from.length || from[next]! >= at + minutes) return at
      at = to[next]!
      next++
    }
    return -1
  }
  book(from: number, to: number): void {
    if (to <= from) return
    const at = firstAbove(this.from, from)
    this.from.splice(at, 0, from)
    this.to.splice(at, 0, to)
  }
  free(from: number, to: number): void {
    if (to <= from) return
    const at = firstAbove(this.from, from) - 1
    this.from.splice(at, 1)
    this.to.splice(at, 1)
  }
}

/** How much of a machine with several places is taken, as steps over time. */
export class Places {
  private readonly times: number[] = [0]
  private readonly used: number[] = [0]
  constructor(
    readonly capacity: number,
    readonly windows?: readonly (readonly [number, number])[],
  ) {}

  /** The first time from `start` at which so much room stays free for so long. Infinity: never. */
  firstFit(start: number, span: number, size: number): number {
    const { times, used, capacity } = this
    let at = start
    for (;;) {
      if (this.windows) {
        const opens = windowFor(this.windows, at, span)
        if (opens === undefined) return Number.POSITIVE_INFINITY
        at = opens
      }
      let n = firstAbove(times, at) - 1
      let full = -1
      const ends = at + span
      for (; n < times.length && (times[n]! < ends || times[n]! <= at); n++)
        if (used[n]! + size > capacity) full = n
      if (full < 0) return at
      if (full + 1 >= times.length) return Number.POSITIVE_INFINITY
      at = times[full + 1]!
    }
  }
  /** Takes room, or gives it back with a size below 0. */
  take(from: number, to: number, size: number): void {
    if (to <= from || size === 0) return
    const first = this.split(from)
    const last = this.split(to)
    for (let n = first; n < last; n++) this.used[n] = this.used[n]! + size
    this.join(last)
    this.join(first)
  }
  private split(at: number): number {
    const n = firstAbove(this.times, at) - 1
    if (this.times[n] === at) return n
    this.times.splice(n + 1, 0, at)
    this.used.splice(n + 1, 0, this.used[n]!)
    return n + 1
  }
  private join(n: number): void {
    if (n > 0 && n < this.times.length && this.used[n] === this.used[n - 1]) {
      this.times.splice(n, 1)
      this.used.splice(n, 1)
    }
  }
  /** Minutes between two instants in which nothing is in it. */
  idle(from: number, to: number): number {
    let idle = 0
    for (let n = 0; n < this.times.length; n++) {
      const ends = this.times[n + 1] ?? Number.POSITIVE_INFINITY
      if (this.used[n] === 0) idle += Math.max(0, Math.min(to, ends) - Math.max(from, this.times[n]!))
    }
    return idle
  }
  lastUse(): number {
    return this.times.at(-1)!
  }
}

/** Several holds that go through one program together. */
export interface Batch {
  readonly program: number
  readonly start: number
  size: number
  /** From the first that is put in to the last that is taken out. */
  from: number
  to: number
  /** The holds in it, each with its own time. */
  readonly members: number[]
}

/** What runs in a machine that takes one batch at a time. */
export class Batches {
  /** In the order of time; no two of them at once. */
  readonly list: Batch[] = []
  constructor(
    readonly capacity: number,
    readonly windows?: readonly (readonly [number, number])[],
  ) {}

  /** The number of the first batch that ends after an instant. */
  firstAfter(at: number): number {
    const { list } = this
    let low = 0
    let high = list.length
    while (low < high) {
      const middle = (low + high) >> 1
      if (list[middle]!.to > at) high = middle
      else low = middle + 1
    }
    return low
  }
  /** Puts a hold into the batch of that program and start; it is made where there is none. */
  add(hold: number, size: number, program: number, start: number, from: number, to: number): Batch {
    const { list } = this
    let n = this.firstAfter(start)
    if (n > 0 && list[n - 1]!.start === start) n--
    let batch = list[n]
    if (batch?.start !== start || batch.program !== program) {
      batch = { program, start, size: 0, from, to, members: [] }
      while (n > 0 && list[n - 1]!.start > start) n--
      while (n < list.length && list[n]!.start < start) n++
      list.splice(n, 0, batch)
    }
    batch.size += size
    batch.members.push(hold)
    if (from < batch.from) batch.from = from
    if (to > batch.to) batch.to = to
    return batch
  }
  remove(batch: Batch, hold: number, size: number, holdFrom: Int32Array, holdTo: Int32Array): void {
    batch.members.splice(batch.members.indexOf(hold), 1)
    batch.size -= size
    if (batch.members.length === 0) {
      this.list.splice(this.list.indexOf(batch), 1)
      return
    }
    this.measure(batch, holdFrom, holdTo)
  }
  measure(batch: Batch, holdFrom: Int32Array, holdTo: Int32Array): void {
    let from = Number.POSITIVE_INFINITY
    let to = 0
    for (const hold of batch.members) {
      if (holdFrom[hold]! < from) from = holdFrom[hold]!
      if (holdTo[hold]! > to) to = holdTo[hold]!
    }
    batch.from = from
    batch.to = to
  }
  idle(from: number): number {
    let idle = 0
    let at = from
    for (const batch of this.list) {
      idle += Math.max(0, batch.from - at)
      at = Math.max(at, batch.to)
    }
    return idle
  }
}
