import { Diary } from './bookings.ts'
import { isOpen, MachineBookings } from './machine-bookings.ts'
import { ATTENDED, CLINIC, type Network, NONE, PROGRAM } from './network.ts'
import { windowFor } from './open-time.ts'
import type { Plan } from './plan-shape.ts'

/** What `put` of a step says when it lies. */
const LIES = -1
/** What `put` says when nothing helps. */
const NEVER = -2
/** Returns after which bounds are raised by more, and those after which a block is given up. */
const FIVE_MORE_AFTER = 80
const FIFTEEN_MORE_AFTER = 300
const MOST_RETURNS = 6000

/** Where steps are to lie if they can: none before its start there, with the same person and machine where those are as soon. */
export interface Wanted {
  readonly start: Int32Array
  readonly person: Int32Array
  /** By hold. */
  readonly machine: Int32Array
}

/** The wait before a batch is opened, in minutes, by the program; so that others can still join it. */
export type BatchWaits = (program: number) => number
const noWait: BatchWaits = () => 0

/**
 * What is booked so far, and how one block more is put in: serial generation with un-scheduling. Where a longest wait, or a machine
 * for a whole hold, is not to be had, the step that begins it may not start so soon: its bound goes up, and the block is laid again from there.
 * Bounds only rise, so it ends.
 */
export class Schedule {
  readonly start: Int32Array
  readonly end: Int32Array
  readonly person: Int32Array
  readonly machines: MachineBookings
  private readonly openFrom: Int32Array
  private readonly openTo: Int32Array
  private readonly raised: Int32Array
  private readonly diaries: readonly Diary[]
  private waits: BatchWaits = noWait
  private wanted: Wanted | undefined
  private raiseMore = 0
  /** Steps laid again so far: how much work it was. */
  returns = 0

  constructor(readonly net: Network) {
    const steps = net.ids.length
    this.start = new Int32Array(steps).fill(NONE)
    this.end = new Int32Array(steps).fill(NONE)
    this.person = new Int32Array(steps).fill(NONE)
    this.openFrom = new Int32Array(steps)
    this.openTo = new Int32Array(steps)
    this.raised = new Int32Array(steps)
    this.machines = new MachineBookings(net)
    this.diaries = net.personTime.map((time) => new Diary(time))
    this.bookBegun()
  }

  /** What was started keeps its person. Its machine is taken when its block goes in, and those go in first. */
  private bookBegun(): void {
    const { net } = this
    for (let step = 0; step < net.ids.length; step++) {
      if (net.frozenStart[step] === NONE) continue
      const person = net.frozenPerson[step]!
      this.person[step] = person
      if (person === NONE) continue
      const { time } = this.diaries[person]!
      this.diaries[person]!.book(time.at(net.frozenStart[step]!), time.at(net.frozenEnd[step]!))
    }
  }

  has(block: number): boolean {
    return this.start[this.net.blocks[block]![0]!] !== NONE
  }

  /**
   * Puts a block in at the first place that it has beside what lies there. What goes before it must lie.
   * @returns false: it has none before the horizon; nothing of it lies then
   */
  put(block: number, waits: BatchWaits = noWait, wanted?: Wanted): boolean {
    const steps = this.net.blocks[block]!
    for (const step of steps) this.raised[step] = wanted ? wanted.start[step]! : 0
    return this.lay(steps, waits, wanted)
  }

  /** The same, with one of its steps not before a time: for whoever asks what a later start would do. */
  putNotBefore(block: number, step: number, minute: number): boolean {
    const steps = this.net.blocks[block]!
    for (const each of steps) this.raised[each] = 0
    this.raised[step] = minute
    return this.lay(steps, noWait, undefined)
  }

  private lay(steps: readonly number[], waits: BatchWaits, wanted: Wanted | undefined): boolean {
    this.waits = waits
    this.wanted = wanted
    this.raiseMore = 0
    let returns = 0
    for (let n = 0; n < steps.length; ) {
      const back = this.putStep(steps[n]!)
      if (back === LIES) {
        n++
        continue
      }
      const first = back === NEVER ? 0 : steps.indexOf(back)
      for (let undo = n - 1; undo >= first; undo--) this.take(steps[undo]!)
      if (back === NEVER || ++returns > MOST_RETURNS) {
        for (let undo = first - 1; undo >= 0; undo--) this.take(steps[undo]!)
        return false
      }
      this.returns++
      this.raiseMore = returns > FIFTEEN_MORE_AFTER ? 14 : returns > FIVE_MORE_AFTER ? 4 : 0
      n = first
    }
    return true
  }

  /** Takes a block out. What follows it must be out. */
  remove(block: number): void {
    const steps = this.net.blocks[block]!
    for (let n = steps.length - 1; n >= 0; n--) this.take(steps[n]!)
  }

  /** Where a block lies, to be put back there as it was. */
  remember(block: number): number[] {
    const kept: number[] = []
    for (const step of this.net.blocks[block]!) {
      kept.push(this.start[step]!, this.end[step]!, this.person[step]!)
      for (const hold of this.net.ownHolds[step]!) kept.push(this.machines.machine[hold]!)
      for (const hold of this.net.closes[step]!) kept.push(this.machines.machine[hold]!)
    }
    return kept
  }
  restore(block: number, kept: readonly number[]): void {
    let n = 0
    const { net } = this
    const steps = net.blocks[block]!
    for (const step of steps) {
      this.start[step] = kept[n++]!
      this.end[step] = kept[n++]!
      const person = kept[n++]!
      if (net.frozenStart[step] === NONE) this.bookPerson(step, person)
      for (const hold of net.ownHolds[step]!)
        this.machines.holdFor(hold, kept[n++]!, this.start[step]!, this.end[step]!)
      for (const hold of net.closes[step]!) this.machines.machine[hold] = kept[n++]!
    }
    for (const step of steps)
      for (const hold of net.closes[step]!) {
        const { from, fromEnd, toEnd, program } = net.holds[hold]!
        const machine = this.machines.machine[hold]!
        const begins = fromEnd ? this.end[from]! : this.start[from]!
        const ends = toEnd ? this.end[step]! : this.start[step]!
        if (program === NONE) this.machines.holdFor(hold, machine, begins, ends)
        else this.machines.join(hold, machine, this.start[program]!, begins, ends)
      }
  }

  private take(step: number): void {
    for (const hold of this.net.closes[step]!) this.machines.reopen(hold, this.programEnd(hold))
    this.undoStart(step)
  }

  private bookPerson(step: number, person: number): void {
    this.person[step] = person
    if (person === NONE) return
    const diary = this.diaries[person]!
    const from = diary.time.at(this.start[step]!)
    this.openFrom[step] = from
    this.openTo[step] = from + this.net.minutes[step]!
    diary.book(from, this.openTo[step]!)
  }

  private putStep(step: number): number {
    const { net } = this
    const isBegun = net.frozenStart[step] !== NONE
    const found = isBegun ? this.asItWas(step) : this.firstTime(step)
    if (found !== LIES) return found
    if (!isBegun) {
      const late = this.brokenLink(step)
      if (late !== LIES) {
        this.undoStart(step)
        return late
      }
    }
    for (const hold of net.closes[step]!) {
      const back = this.close(hold, step)
      if (back !== LIES) {
        for (const other of net.closes[step]!) {
          if (other === hold) break
          this.machines.reopen(other, this.programEnd(other))
        }
        this.undoStart(step)
        return back
      }
    }
    return LIES
  }

  /** What `firstTime` of a step booked. */
  private undoStart(step: number): void {
    const { net } = this
    if (net.kind[step] === PROGRAM && net.runs[step] !== NONE) this.machines.leave(net.runs[step]!)
    for (const hold of net.ownHolds[step]!) this.machines.release(hold)
    if (net.frozenStart[step] === NONE && this.person[step] !== NONE) {
      this.diaries[this.person[step]!]!.free(this.openFrom[step]!, this.openTo[step]!)
      this.person[step] = NONE
    }
    this.start[step] = NONE
    this.end[step] = NONE
  }

  private asItWas(step: number): number {
    const { net } = this
    this.start[step] = net.frozenStart[step]!
    this.end[step] = net.frozenEnd[step]!
    this.person[step] = net.frozenPerson[step]!
    for (const hold of net.ownHolds[step]!)
      this.machines.holdFor(hold, net.holds[hold]!.machines[0]!, this.start[step]!, this.end[step]!)
    const hold = net.runs[step]!
    if (net.kind[step] === PROGRAM && hold !== NONE) {
      const { machines, from, fromEnd } = net.holds[hold]!
      const begins = from === step ? this.start[step]! : fromEnd ? this.end[from]! : this.start[from]!
      this.machines.join(hold, machines[0]!, this.start[step]!, begins, this.end[step]!)
    }
    return LIES
  }

  /** Lays a step at its first time, with its person, its own machines or its batch. */
  private firstTime(step: number): number {
    const { net } = this
    let ready = Math.max(net.earliest[step]!, this.raised[step]!)
    for (const link of net.linksTo[step]!) {
      const time = (link.fromEnd ? this.end[link.from]! : this.start[link.from]!) + link.min
      if (time > ready) ready = time
    }
    const pin = net.pinned[step]!
    if (pin > ready) ready = pin
    else if (pin !== NONE && pin < ready) return NEVER
    ready = this.whenRoom(step, ready)
    if (ready >= net.horizon) return NEVER
    const kind = net.kind[step]
    if (kind === ATTENDED) {
      const found = this.putHands(step, ready)
      if (found !== LIES || pin === NONE || this.start[step] === pin) return found
      this.undoStart(step)
      return NEVER
    }
    if (kind === PROGRAM && net.runs[step] !== NONE) return this.putProgram(step, ready)
    if (kind === CLINIC) return this.putAway(step, ready)
    const start = this.ownMachines(step, ready, net.minutes[step]!)
    if (start + net.minutes[step]! > net.horizon) return NEVER
    this.start[step] = start
    this.end[step] = start + net.minutes[step]!
    return this.takeOwn(step)
  }

  /** The first time at which each machine that the step takes for later steps too has room for the least of it. */
  private whenRoom(step: number, ready: number): number {
    const { net } = this
    let at = ready
    for (let again = true; again; ) {
      again = false
      for (const hold of net.opens[step]!) {
        const { machines, size, fromEnd, program, leastMinutes } = net.holds[hold]!
        if (fromEnd || program !== NONE) continue
        let first = Number.POSITIVE_INFINITY
        for (const machine of machines)
          first = Math.min(first, this.machines.places[machine]!.firstFit(at, leastMinutes, size))
        if (first > at) {
          at = first
          again = Number.isFinite(at)
        }
      }
    }
    return at
  }

  /** The first time at which the machines of the step alone have room for so long. */
  private ownMachines(step: number, from: number, minutes: number): number {
    const { net } = this
    const own = net.ownHolds[step]!
    if (own.length === 0) return from
    let at = from
    for (let again = true; again; ) {
      again = false
      for (const hold of own) {
        const { machines, size } = net.holds[hold]!
        let first = Number.POSITIVE_INFINITY
        for (const machine of machines)
          first = Math.min(first, this.machines.places[machine]!.firstFit(at, minutes, size))
        if (first > at) {
          at = first
          if (!Number.isFinite(at)) return at
          again = own.length > 1
        }
      }
    }
    return at
  }

  /** The machine that is wanted first. */
  private inTurn(hold: number, machines: readonly number[]): readonly number[] {
    const wanted = this.wanted?.machine[hold] ?? NONE
    return wanted === NONE || machines.length === 1
      ? machines
      : [wanted, ...machines.filter((each) => each !== wanted)].filter((each) => machines.includes(each))
  }

  private takeOwn(step: number): number {
    const { net } = this
    for (const hold of net.ownHolds[step]!) {
      const { machines, size } = net.holds[hold]!
      const from = this.start[step]!
      const to = this.end[step]!
      const fits = (each: number) => this.machines.places[each]!.firstFit(from, to - from, size) === from
      const machine = this.inTurn(hold, machines).find(fits)!
      this.machines.holdFor(hold, machine, from, to)
    }
    return LIES
  }

  private putHands(step: number, ready: number): number {
    const { net } = this
    const minutes = net.minutes[step]!
    const mayPause = net.mayPause[step] === 1
    const same = net.samePersonAs[step]!
    const able = same === NONE ? this.firstWanted(step) : [this.person[same]!]
    const own = net.ownHolds[step]!.length > 0
    let best = Number.POSITIVE_INFINITY
    let bestOpen = 0
    let bestPerson = NONE
    for (const person of able) {
      if (person === NONE) continue
      const diary = this.diaries[person]!
      let open = diary.time.at(ready)
      let end = Number.POSITIVE_INFINITY
      for (;;) {
        open = diary.gap(open, minutes, mayPause)
        if (open < 0) break
        end = minutes === 0 ? diary.time.starts(open) : diary.time.ends(open + minutes)
        if (!own) break
        const starts = diary.time.starts(open)
        const fits = this.ownMachines(step, starts, end - starts)
        if (fits === starts) break
        if (fits >= net.horizon) {
          open = NONE
          break
        }
        open = Math.max(open + 1, diary.time.at(fits))
      }
      if (open < 0 || end >= best) continue
      best = end
      bestOpen = open
      bestPerson = person
      // Where the wanted one has the wanted time, nobody else is asked.
      const isWanted = person === this.wanted?.person[step]
      if (isWanted && diary.time.starts(open) === this.wanted?.start[step]) break
    }
    if (bestPerson === NONE) return NEVER
    const diary = this.diaries[bestPerson]!
    this.start[step] = diary.time.starts(bestOpen)
    this.end[step] = best
    this.person[step] = bestPerson
    this.openFrom[step] = bestOpen
    this.openTo[step] = bestOpen + minutes
    diary.book(bestOpen, bestOpen + minutes)
    return this.takeOwn(step)
  }

  private firstWanted(step: number): readonly number[] {
    const able = this.net.able[step]!
    const wanted = this.wanted?.person[step] ?? NONE
    return wanted !== NONE && able.includes(wanted)
      ? [wanted, ...able.filter((each) => each !== wanted)]
      : able
  }

  private putAway(step: number, ready: number): number {
    const { windows, days, returnsAt } = this.net.clinic[step]!
    const leaves = windows.findIndex(([, closes]) => closes > ready)
    const back = leaves < 0 ? undefined : windows[leaves + days]
    if (!back) return NEVER
    const start = Math.max(ready, windows[leaves]![0])
    const returns = days === 0 ? start : back[0]
    const late = returns < returnsAt ? windows.find(([, closes]) => closes > returnsAt) : undefined
    this.start[step] = start
    this.end[step] = late ? Math.max(late[0], returnsAt) : returns
    return LIES
  }

  /** The program joins a batch or opens one, whichever runs sooner. */
  private putProgram(step: number, ready: number): number {
    const { net } = this
    const hold = net.runs[step]!
    const { machines, size, from, fromEnd } = net.holds[hold]!
    const minutes = net.minutes[step]!
    const program = net.program[step]!
    const isOwnStart = from === step
    const loaded = isOwnStart ? ready : fromEnd ? this.end[from]! : this.start[from]!
    const place = this.machines.soonestBatch(this.inTurn(hold, machines), {
      program,
      size,
      minutes,
      ready,
      begins: loaded,
      isOwnStart,
      wait: this.waits(program),
    })
    const { start, machine, push } = place
    if (machine === NONE || start + minutes > net.horizon) {
      if (isOwnStart || net.frozenStart[from] !== NONE || !Number.isFinite(push)) return NEVER
      return this.raise(from, push)
    }
    this.start[step] = start
    this.end[step] = start + minutes
    this.machines.join(hold, machine, start, isOwnStart ? start : loaded, start + minutes)
    return LIES
  }

  /** A link into the step that waits too long: the step that it comes from may not be so soon. */
  private brokenLink(step: number): number {
    const { net } = this
    for (const link of net.linksTo[step]!) {
      if (link.max === NONE) continue
      const time = link.fromEnd ? this.end[link.from]! : this.start[link.from]!
      const over = this.start[step]! - time - link.max
      if (over > 0) return net.frozenStart[link.from] === NONE ? this.raise(link.from, over) : NEVER
    }
    return LIES
  }

  private raise(step: number, minutes: number): number {
    this.raised[step] = Math.max(
      this.raised[step]!,
      this.start[step]! + Math.max(1, minutes) + this.raiseMore,
    )
    return step
  }

  /** Takes the machine of a hold for all of its time, now that its end is known. */
  private close(hold: number, step: number): number {
    const { net } = this
    const { machines, size, from, fromEnd, toEnd, program } = net.holds[hold]!
    const begins = fromEnd ? this.end[from]! : this.start[from]!
    const ends = Math.max(begins, toEnd ? this.end[step]! : this.start[step]!)
    if (program !== NONE) return this.closeBatch(hold, ends)
    let soonest = Number.POSITIVE_INFINITY
    for (const machine of this.inTurn(hold, machines)) {
      const fits = this.machines.places[machine]!.firstFit(begins, ends - begins, size)
      if (fits === begins) {
        this.machines.holdFor(hold, machine, begins, ends)
        return LIES
      }
      soonest = Math.min(soonest, fits)
    }
    if (net.frozenStart[from] !== NONE) return NEVER
    return Number.isFinite(soonest) ? this.raise(from, soonest - begins) : NEVER
  }

  private closeBatch(hold: number, ends: number): number {
    const { net } = this
    const { size, from, program } = net.holds[hold]!
    const batches = this.machines.batches[this.machines.machine[hold]!]!
    const batch = this.machines.batch[hold]!
    const last = Math.max(batch.to, ends)
    const next = batches.list[batches.list.indexOf(batch) + 1]
    const isFree = !next || next.from >= last
    if (isFree && isOpen(batches.windows, batch.from, last)) {
      this.machines.holdTo[hold] = ends
      batch.to = last
      return LIES
    }
    if (net.frozenStart[program] !== NONE) {
      // It runs: a machine that is out of order next week does not change that. Another batch may not lie in its way.
      if (!isFree) return NEVER
      this.machines.holdTo[hold] = ends
      batch.to = last
      return LIES
    }
    if (!isFree && next.program === batch.program && next.size + size <= batches.capacity)
      return this.raise(program, next.start - this.start[program]!)
    if (net.frozenStart[from] !== NONE) return this.raise(program, 1)
    if (!isFree) return this.raise(from, next.to - this.start[from]!)
    const window = windowFor(
      batches.windows!,
      this.machines.holdFrom[hold]!,
      ends - this.machines.holdFrom[hold]!,
    )
    return window === undefined ? NEVER : this.raise(from, window - this.machines.holdFrom[hold]!)
  }

  /** When the program of a hold is through; of one without, never asked. */
  private programEnd(hold: number): number {
    const { program } = this.net.holds[hold]!
    return program === NONE ? NONE : this.end[program]!
  }

  plan(): Plan {
    const { net } = this
    return {
      instance: net.instance.name,
      steps: net.ids.flatMap((id, step) =>
        this.start[step] === NONE
          ? []
          : [
              {
                id,
                startMinute: this.start[step]!,
                endMinute: this.end[step]!,
                ...(this.person[step] === NONE ? {} : { personId: net.persons[this.person[step]!]! }),
              },
            ],
      ),
      holds: net.holdIds.flatMap((id, hold) =>
        this.machines.machine[hold] === NONE
          ? []
          : [{ id, machineId: net.machines[this.machines.machine[hold]!]! }],
      ),
    }
  }
}
