import { type Batch, Batches, Places } from './bookings.ts'
import { type Network, NONE } from './network.ts'
import { windowFor } from './open-time.ts'

/** What is booked of the machines: which hold takes which, from when to when, and what runs together. */
export class MachineBookings {
  /** By hold: its machine, and what it takes of it. */
  readonly machine: Int32Array
  readonly holdFrom: Int32Array
  readonly holdTo: Int32Array
  /** By hold; of one that is in a program. */
  readonly batch: (Batch | undefined)[]
  /** By machine: of those with places, and of those that take a batch. */
  readonly places: readonly (Places | undefined)[]
  readonly batches: readonly (Batches | undefined)[]

  constructor(private readonly net: Network) {
    const holds = net.holds.length
    this.machine = new Int32Array(holds).fill(NONE)
    this.holdFrom = new Int32Array(holds)
    this.holdTo = new Int32Array(holds)
    this.batch = new Array(holds).fill(undefined)
    const machine = new Map(net.instance.machines.map((each) => [each.id, each]))
    const windows = (id: string) => {
      const { calendar } = machine.get(id)!
      return calendar === undefined ? undefined : net.instance.calendars[calendar]
    }
    this.places = net.machines.map((id, n) =>
      net.isBatch[n] ? undefined : new Places(machine.get(id)!.capacity, windows(id)),
    )
    this.batches = net.machines.map((id, n) =>
      net.isBatch[n] ? new Batches(machine.get(id)!.capacity, windows(id)) : undefined,
    )
  }

  /**
   * The batch that a program joins, or the time at which it opens one, whichever runs sooner.
   * @param load what is to run: not before `ready`; in its machine from `begins`, or from its own start
   * @returns NONE for the machine where there is no room; `push`: by how much later it must be loaded to find some
   */
  soonestBatch(
    machines: readonly number[],
    load: {
      readonly program: number
      readonly size: number
      readonly minutes: number
      readonly ready: number
      readonly begins: number
      readonly isOwnStart: boolean
      readonly wait: number
    },
  ): { readonly start: number; readonly machine: number; readonly push: number } {
    const { program, size, minutes, ready, begins: loaded, isOwnStart, wait } = load
    let best = Number.POSITIVE_INFINITY
    let bestMachine = NONE
    let push = Number.POSITIVE_INFINITY
    for (const machine of machines) {
      const batches = this.batches[machine]!
      const { list, windows, capacity } = batches
      let begins = loaded
      for (;;) {
        // The one batch that can be joined is the first that is not over when this hold begins.
        const n = batches.firstAfter(begins)
        const next = list[n]
        if (next && next.program === program && next.start >= ready && next.size + size <= capacity) {
          const last = Math.max(next.to, next.start + minutes)
          const after = list[n + 1]
          const fits = (!after || after.from >= last) && isOpen(windows, Math.min(begins, next.from), last)
          if (fits && next.start < best) {
            best = next.start
            bestMachine = machine
          }
        }
        let opens = Math.max(begins, ready)
        if (!next || next.from >= opens + wait + minutes) opens += wait
        let later = next && next.from < opens + minutes ? next.to : begins
        if (later === begins && windows)
          later = windowFor(windows, begins, opens + minutes - begins) ?? Number.POSITIVE_INFINITY
        if (later === begins) {
          if (opens < best) {
            best = opens
            bestMachine = machine
          }
          break
        }
        if (!isOwnStart) push = Math.min(push, later - begins)
        if (!isOwnStart || later >= best || !Number.isFinite(later)) break
        begins = later
      }
    }
    return { start: best, machine: bestMachine, push }
  }

  holdFor(hold: number, machine: number, from: number, to: number): void {
    this.machine[hold] = machine
    this.holdFrom[hold] = from
    this.holdTo[hold] = to
    this.places[machine]!.take(from, to, this.net.holds[hold]!.size)
  }
  release(hold: number): void {
    if (this.machine[hold] === NONE) return
    this.places[this.machine[hold]!]!.take(
      this.holdFrom[hold]!,
      this.holdTo[hold]!,
      -this.net.holds[hold]!.size,
    )
    this.machine[hold] = NONE
  }
  join(hold: number, machine: number, start: number, from: number, to: number): void {
    const { size, program } = this.net.holds[hold]!
    this.machine[hold] = machine
    this.holdFrom[hold] = from
    this.holdTo[hold] = to
    this.batch[hold] = this.batches[machine]!.add(hold, size, this.net.program[program]!, start, from, to)
  }
  leave(hold: number): void {
    const batch = this.batch[hold]
    if (!batch) return
    this.batches[this.machine[hold]!]!.remove(
      batch,
      hold,
      this.net.holds[hold]!.size,
      this.holdFrom,
      this.holdTo,
    )
    this.batch[hold] = undefined
    this.machine[hold] = NONE
  }
  /** The end of a hold is open again. */
  reopen(hold: number, programEnd: number): void {
    const { program } = this.net.holds[hold]!
    if (program === NONE) {
      this.release(hold)
      return
    }
    const batch = this.batch[hold]
    if (!batch) return
    this.holdTo[hold] = programEnd
    this.batches[this.machine[hold]!]!.measure(batch, this.holdFrom, this.holdTo)
  }

  /** Minutes in which nothing lies in the machine that the lab wants busy, up to the last use of it. */
  idle(): number {
    const { bottleneck, now } = this.net
    if (bottleneck === NONE) return 0
    const batches = this.batches[bottleneck]
    if (batches) return batches.idle(now)
    const places = this.places[bottleneck]!
    return places.idle(now, places.lastUse())
  }
}

/** Whether one window holds all of a stretch. */
export function isOpen(
  windows: readonly (readonly [number, number])[] | undefined,
  from: number,
  to: number,
): boolean {
  return windows === undefined || windowFor(windows, from, to - from) === from
}
