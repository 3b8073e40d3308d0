import { seededRandom } from '../random/index.ts'
import { Diary } from './bookings.ts'
import { ATTENDED, CLINIC, type Network, NONE, PROGRAM } from './network.ts'
import type { Plan, PlanStep } from './plan-shape.ts'

/** Of durations, standard deviation by mean (common practice, until the lab's own times replace it). */
export const usualSpread = { attended: 0.25, wait: 0.05, program: 0.02, clinicDayMore: 0.15 } as const
export interface Spread {
  readonly attended: number
  readonly wait: number
  readonly program: number
  /** Chance that the clinic keeps a case one day more. */
  readonly clinicDayMore: number
}
/** Another person than planned is taken when the own one comes so much later. */
const OTHER_PERSON_MINUTES = 10

export interface Doubt {
  /** By case, in the order of the network. */
  readonly ends: readonly Int32Array[]
  /** How often the longest wait before a step was exceeded, by the step. */
  readonly broken: ReadonlyMap<string, number>
  readonly runs: number
}

/**
 * What becomes of a plan when things take as long as they take. The lab reacts: whoever can takes the next step in the planned order, a batch
 * waits for all of it, and what begins a longest wait or a program does not begin before its planned time.
 * @param spread of all steps of a kind; left out: of hands as the lab has timed them, where it has, else as is usual
 * @param strict every step by its planned person and not before its planned time; without spread that is the plan itself
 */
export function simulate(
  net: Network,
  plan: Plan,
  options: {
    readonly runs: number
    readonly seed: number
    readonly spread?: Spread
    readonly strict?: boolean
  },
): Doubt {
  const { runs, seed, spread = usualSpread, strict = false } = options
  const ofHands = (step: number) =>
    options.spread === undefined ? (spreadOf(net.steps[step]!) ?? spread.attended) : spread.attended
  const random = seededRandom(seed)
  const planned = new Map(plan.steps.map((step) => [step.id, step]))
  const starts = Int32Array.from(net.ids, (id) => planned.get(id)!.startMinute)
  const person = new Map(net.persons.map((id, n) => [id, n]))
  const who = net.ids.map((id) => person.get(planned.get(id)!.personId ?? '') ?? NONE)
  const order = net.ids.map((_, step) => step).sort((a, b) => starts[a]! - starts[b]! || a - b)
  const batches = batchesOf(net, plan, starts)
  const ends = net.cases.map(() => new Int32Array(runs))
  const broken = new Map<string, number>()
  const start = new Int32Array(net.ids.length)
  const end = new Int32Array(net.ids.length)
  const waitsNot = net.ids.map((_, step) => net.linksFrom[step]!.some(({ max }) => max !== NONE))

  for (let run = 0; run < runs; run++) {
    const diaries = net.personTime.map((time) => new Diary(time))
    const freeFrom = new Map<string, number>()
    /** Who did a step in this run, for what the same person goes on with. */
    const whoDid = new Map<number, number>()
    start.fill(NONE)
    const readyOf = (step: number): number => {
      let ready = net.earliest[step]!
      for (const link of net.linksTo[step]!)
        ready = Math.max(ready, (link.fromEnd ? end[link.from]! : start[link.from]!) + link.min)
      const opened = batches.openedBy.get(step)
      if (opened !== undefined) ready = Math.max(ready, freeFrom.get(opened.machine) ?? 0)
      return strict || waitsNot[step] || net.kind[step] === PROGRAM ? Math.max(ready, starts[step]!) : ready
    }
    for (const step of order) {
      if (start[step] !== NONE) continue
      if (net.frozenStart[step] !== NONE) begun(step)
      else if (net.kind[step] === ATTENDED) hands(step)
      else if (net.kind[step] === CLINIC) away(step)
      else if (net.kind[step] === PROGRAM) {
        const together = batches.members.get(step) ?? [step]
        const ready = Math.max(...together.map(readyOf))
        const minutes = drawn(net.minutes[step]!, spread.program)
        for (const each of together) lie(each, ready, ready + minutes)
      } else {
        const ready = readyOf(step)
        lie(step, ready, ready + drawn(net.minutes[step]!, spread.wait))
      }
    }
    for (let step = 0; step < net.ids.length; step++) {
      const one = ends[net.caseOf[step]!]!
      one[run] = Math.max(one[run]!, end[step]!)
      for (const link of net.linksTo[step]!) {
        if (link.max === NONE || net.frozenStart[step] !== NONE) continue
        const wait = start[step]! - (link.fromEnd ? end[link.from]! : start[link.from]!)
        if (wait > link.max) broken.set(net.ids[step]!, (broken.get(net.ids[step]!) ?? 0) + 1)
      }
    }

    function lie(step: number, from: number, to: number): void {
      start[step] = from
      end[step] = Math.min(to, net.horizon)
      const closed = batches.closedBy.get(step)
      if (closed === undefined) return
      const leaves = closed.toEnd ? end[step]! : from
      freeFrom.set(closed.machine, Math.max(freeFrom.get(closed.machine) ?? 0, leaves))
    }
    function begun(step: number): void {
      const from = net.frozenStart[step]!
      const until = net.frozenEnd[step]!
      // What was ended has no doubt left; what runs has that of its rest.
      const left = until - Math.max(from, net.now)
      const cv = net.kind[step] === ATTENDED ? ofHands(step) : spread.program
      const ends = left > 0 ? until - left + drawn(left, cv) : until
      lie(step, from, ends)
      const whose = net.frozenPerson[step]!
      if (whose === NONE) return
      const { time } = diaries[whose]!
      diaries[whose]!.book(time.at(from), time.at(ends))
    }
    function hands(step: number): void {
      const ready = readyOf(step)
      const minutes = drawn(net.minutes[step]!, ofHands(step))
      const same = net.samePersonAs[step]!
      const able = strict ? [who[step]!] : same === NONE ? net.able[step]! : [whoDid.get(same) ?? who[step]!]
      let best = Number.POSITIVE_INFINITY
      let bestOpen = 0
      let bestPerson = able[0]!
      for (const each of able) {
        const diary = diaries[each]!
        // A step that takes longer than any window is done over the end of one.
        let open = diary.gap(diary.time.at(ready), minutes, net.mayPause[step] === 1)
        if (open < 0) open = diary.gap(diary.time.at(ready), minutes, true)
        if (open < 0) continue
        const from = diary.time.starts(open) + (each === who[step] ? 0 : OTHER_PERSON_MINUTES)
        if (from < best) {
          best = from
          bestOpen = open
          bestPerson = each
        }
      }
      whoDid.set(step, bestPerson)
      const diary = diaries[bestPerson]!
      if (!Number.isFinite(best)) {
        lie(step, net.horizon, net.horizon)
        return
      }
      diary.book(bestOpen, bestOpen + minutes)
      lie(
        step,
        diary.time.starts(bestOpen),
        minutes === 0 ? diary.time.starts(bestOpen) : diary.time.ends(bestOpen + minutes),
      )
    }
    function away(step: number): void {
      const { windows, days, returnsAt } = net.clinic[step]!
      const ready = readyOf(step)
      const leaves = windows.findIndex(([, closes]) => closes > ready)
      const more = random() < spread.clinicDayMore ? 1 : 0
      const back = leaves < 0 ? undefined : windows[leaves + days + more]
      const from = leaves < 0 ? net.horizon : Math.max(ready, windows[leaves]![0])
      const home = days + more === 0 ? from : (back?.[0] ?? net.horizon)
      const late = home < returnsAt ? windows.find(([, closes]) => closes > returnsAt) : undefined
      lie(step, from, late ? Math.max(late[0], returnsAt) : home)
    }
  }
  return { ends, broken, runs }

  function drawn(minutes: number, cv: number): number {
    if (cv === 0 || minutes === 0) return minutes
    const variance = Math.log(1 + cv * cv)
    const normal = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random())
    return Math.max(1, Math.round(minutes * Math.exp(Math.sqrt(variance) * normal - variance / 2)))
  }
}

const spreadOf = (step: PlanStep) => (step.kind === 'attended' ? step.spread : undefined)

/** What goes through a program together, and which step opens and closes its machine. */
function batchesOf(net: Network, plan: Plan, starts: Int32Array) {
  const machineOf = new Map(plan.holds.map(({ id, machineId }) => [id, machineId]))
  const lists = new Map<string, number[]>()
  const openedBy = new Map<number, { readonly machine: string }>()
  const closedBy = new Map<number, { readonly machine: string; readonly toEnd: boolean }>()
  for (const [hold, { program, from, to, toEnd }] of net.holds.entries()) {
    if (program === NONE) continue
    const machine = machineOf.get(net.holdIds[hold]!)!
    const key = `${machine} ${starts[program]}`
    lists.set(key, [...(lists.get(key) ?? []), program])
    openedBy.set(from, { machine: key })
    closedBy.set(to, { machine, toEnd })
  }
  // A batch waits until the one before it has left its machine.
  const members = new Map<number, readonly number[]>()
  for (const list of lists.values()) for (const program of list) members.set(program, list)
  for (const [step, { machine }] of openedBy)
    openedBy.set(step, { machine: machine.slice(0, machine.lastIndexOf(' ')) })
  return { members, openedBy, closedBy }
}

/** The share of runs that end by a time. */
export const chanceBy = (ends: Int32Array, minute: number): number =>
  ends.reduce((count, end) => count + (end <= minute ? 1 : 0), 0) / ends.length

/** The time by which so large a share of runs has ended. */
export function endAt(ends: Int32Array, share: number): number {
  const sorted = Int32Array.from(ends).sort()
  return sorted[Math.min(sorted.length - 1, Math.ceil(share * sorted.length) - 1)]!
}
