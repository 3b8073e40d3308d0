import { ATTENDED, type Network, NONE, PROGRAM } from './network.ts'
import type { Plan } from './plan-shape.ts'

/** What holds a person or a machine while a step waits for it. */
export interface Blocker {
  /** The person or machine. */
  readonly id: string
  /** What they are at: a step of a case; absent: not there at all. */
  readonly stepId?: string
  readonly caseId?: string
  readonly fromMinute: number
  readonly untilMinute: number
}
export type GapCause =
  /** Everybody who can is at something else, or not there. */
  | { readonly kind: 'people'; readonly by: readonly Blocker[] }
  | { readonly kind: 'machine'; readonly by: readonly Blocker[] }
  /** It would stand too long before a later step. */
  | { readonly kind: 'heldBack'; readonly stepId: string; readonly withinMinutes: number }
  /** It waits for what runs in the same program. */
  | { readonly kind: 'together'; readonly stepIds: readonly string[] }
  /** Its program begins by the timer, so that it ends when somebody is there. */
  | { readonly kind: 'timer' }
  | { readonly kind: 'closed' }
  | { readonly kind: 'nothing' }

/** One link of the chain: a step of the case, how long it waited, and for what. */
export interface ChainLink {
  readonly stepId: string
  readonly readyMinute: number
  readonly startMinute: number
  readonly endMinute: number
  readonly cause?: GapCause
}

/** More than these say no more. */
const MOST_NAMED = 4

/**
 * Why a case ends when it does: from its last step back to what each had to wait for. Worked out from the plan, so every name is of
 * what really lies there.
 * @returns the chain in the order of time
 */
export function explain(net: Network, plan: Plan, caseId: string): readonly ChainLink[] {
  const lie = laid(net, plan)
  const own = net.caseSteps[net.cases.indexOf(caseId)]!
  if (own.length === 0) return []
  let step = own.reduce((a, b) => (lie.end[b]! > lie.end[a]! ? b : a))
  const chain: ChainLink[] = []
  for (let n = 0; n < own.length; n++) {
    let before: number = NONE
    let ready = net.frozenStart[step] === NONE ? net.earliest[step]! : lie.start[step]!
    for (const link of net.frozenStart[step] === NONE ? net.linksTo[step]! : []) {
      const time = (link.fromEnd ? lie.end[link.from]! : lie.start[link.from]!) + link.min
      if (time >= ready) {
        ready = time
        before = link.from
      }
    }
    const gap = lie.start[step]! - ready
    chain.push({
      stepId: net.ids[step]!,
      readyMinute: ready,
      startMinute: lie.start[step]!,
      endMinute: lie.end[step]!,
      ...(gap > 0 ? { cause: causeOf(net, lie, step, ready) } : {}),
    })
    if (before === NONE) break
    step = before
  }
  return chain.reverse()
}

interface Laid {
  readonly start: Int32Array
  readonly end: Int32Array
  readonly person: Int32Array
  readonly machine: Int32Array
}
function laid(net: Network, plan: Plan): Laid {
  const steps = new Map(plan.steps.map((step) => [step.id, step]))
  const machines = new Map(plan.holds.map(({ id, machineId }) => [id, machineId]))
  return {
    start: Int32Array.from(net.ids, (id) => steps.get(id)!.startMinute),
    end: Int32Array.from(net.ids, (id) => steps.get(id)!.endMinute),
    person: Int32Array.from(net.ids, (id) => net.persons.indexOf(steps.get(id)!.personId ?? '')),
    machine: Int32Array.from(net.holdIds, (id) => net.machines.indexOf(machines.get(id) ?? '')),
  }
}

function causeOf(net: Network, lie: Laid, step: number, ready: number): GapCause {
  const until = lie.start[step]!
  if (net.kind[step] === ATTENDED) {
    const people = peopleInTheWay(net, lie, step, ready, until)
    if (people) return people
  }
  const machine = machineInTheWay(net, lie, step, ready, until)
  if (machine) return machine
  const held = heldBack(net, lie, step, until - ready)
  if (net.kind[step] === PROGRAM) {
    const together = togetherWith(net, lie, step, ready)
    if (together) return together
    if (held || net.linksFrom[step]!.length > 0) return { kind: 'timer' }
  }
  if (held) return held
  if (net.kind[step] !== ATTENDED && net.kind[step] !== PROGRAM) return { kind: 'closed' }
  return { kind: 'nothing' }
}

/** Where nobody who can has so long free in the gap: what each is at for the longest of it. */
function peopleInTheWay(
  net: Network,
  lie: Laid,
  step: number,
  ready: number,
  until: number,
): GapCause | undefined {
  const same = net.samePersonAs[step]!
  const able = same === NONE ? net.able[step]! : [lie.person[same]!]
  const by: Blocker[] = []
  for (const person of able) {
    const taken = takenBy(net, lie, person, step, ready, until)
    if (longestFree(taken, ready, until) >= Math.min(net.minutes[step]!, until - ready)) return undefined
    const longest = taken.reduce((a, b) =>
      Math.min(b.untilMinute, until) - Math.max(b.fromMinute, ready) >
      Math.min(a.untilMinute, until) - Math.max(a.fromMinute, ready)
        ? b
        : a,
    )
    by.push(longest)
  }
  if (by.length === 0) return undefined
  return { kind: 'people', by: by.slice(0, MOST_NAMED) }
}

/** What a person is at between two times, and when not there, in the order of time. */
function takenBy(
  net: Network,
  lie: Laid,
  person: number,
  except: number,
  from: number,
  until: number,
): Blocker[] {
  const id = net.persons[person]!
  const taken: Blocker[] = []
  for (let other = 0; other < net.ids.length; other++)
    if (
      lie.person[other] === person &&
      other !== except &&
      lie.start[other]! < until &&
      lie.end[other]! > from
    )
      taken.push({
        id,
        stepId: net.ids[other]!,
        caseId: net.cases[net.caseOf[other]!]!,
        fromMinute: lie.start[other]!,
        untilMinute: lie.end[other]!,
      })
  let closed = 0
  for (const [opens, closes] of [...net.personTime[person]!.windows, [net.horizon, net.horizon] as const]) {
    if (opens > from && closed < until && opens > closed)
      taken.push({ id, fromMinute: closed, untilMinute: opens })
    closed = closes
    if (closed >= until) break
  }
  return taken.sort((a, b) => a.fromMinute - b.fromMinute)
}

function longestFree(taken: readonly Blocker[], from: number, until: number): number {
  let longest = 0
  let at = from
  for (const { fromMinute, untilMinute } of taken) {
    longest = Math.max(longest, Math.min(fromMinute, until) - at)
    at = Math.max(at, untilMinute)
  }
  return Math.max(longest, until - at)
}

/** Holds that fill a machine which the step takes, or opens, in the gap. */
function machineInTheWay(
  net: Network,
  lie: Laid,
  step: number,
  ready: number,
  until: number,
): GapCause | undefined {
  const wanted = [...net.ownHolds[step]!, ...net.opens[step]!]
  if (net.runs[step] !== NONE) wanted.push(net.runs[step]!)
  for (const hold of wanted) {
    const by: Blocker[] = []
    const { machines, size } = net.holds[hold]!
    const room = machines.some((machine) => {
      const taken: (Blocker & { readonly size: number })[] = []
      for (const [other, { from, fromEnd, to, toEnd, size: takes }] of net.holds.entries()) {
        if (other === hold || lie.machine[other] !== machine || isOneBatch(net, lie, hold, other)) continue
        const begins = fromEnd ? lie.end[from]! : lie.start[from]!
        const ends = toEnd ? lie.end[to]! : lie.start[to]!
        if (begins >= until || ends <= ready) continue
        taken.push({
          id: net.machines[machine]!,
          stepId: net.ids[from]!,
          caseId: net.cases[net.caseOf[from]!]!,
          fromMinute: begins,
          untilMinute: ends,
          size: takes,
        })
      }
      by.push(...taken.map(({ size: _, ...blocker }) => blocker))
      const { capacity, calendar, type } = net.instance.machines.find(
        ({ id }) => id === net.machines[machine],
      )!
      if (calendar !== undefined) {
        const open = net.instance.calendars[calendar]!.some(
          ([opens, closes]) => opens <= ready && closes >= until,
        )
        if (!open) {
          by.push({ id: net.machines[machine]!, fromMinute: ready, untilMinute: until })
          return false
        }
      }
      // Of a batch machine any other batch fills it, of places as many as there are.
      return type === 'batch'
        ? taken.length === 0
        : taken.reduce((sum, each) => sum + each.size, 0) + size <= capacity
    })
    if (!room && by.length > 0) {
      by.sort((a, b) => b.untilMinute - a.untilMinute || (a.stepId ?? '').localeCompare(b.stepId ?? ''))
      return { kind: 'machine', by: by.slice(0, MOST_NAMED) }
    }
  }
  return undefined
}

/** A later step that would come too late after this one, had it begun when it could. */
function heldBack(net: Network, lie: Laid, step: number, gap: number): GapCause | undefined {
  for (const link of net.linksFrom[step]!) {
    if (link.max === NONE) continue
    const wait = lie.start[link.to]! - (link.fromEnd ? lie.end[step]! : lie.start[step]!)
    if (wait + gap > link.max) return { kind: 'heldBack', stepId: net.ids[link.to]!, withinMinutes: link.max }
  }
  // Through what follows at once: pack, press and clamp move together.
  for (const link of net.linksFrom[step]!) {
    if (link.max === NONE || net.blockOf[link.to] !== net.blockOf[step]) continue
    const found = heldBack(net, lie, link.to, gap)
    if (found) return found
  }
  return undefined
}

/** Whether two holds go through one run of a machine together. */
function isOneBatch(net: Network, lie: Laid, one: number, other: number): boolean {
  const [a, b] = [net.holds[one]!.program, net.holds[other]!.program]
  return a !== NONE && b !== NONE && lie.machine[one] === lie.machine[other] && lie.start[a] === lie.start[b]
}

function togetherWith(net: Network, lie: Laid, step: number, ready: number): GapCause | undefined {
  const hold = net.runs[step]!
  if (hold === NONE) return undefined
  const stepIds: string[] = []
  for (const [other, { program }] of net.holds.entries())
    if (
      program !== step &&
      isOneBatch(net, lie, hold, other) &&
      net.linksTo[program]!.some(
        (link) => (link.fromEnd ? lie.end[link.from]! : lie.start[link.from]!) + link.min > ready,
      )
    )
      stepIds.push(net.ids[program]!)
  return stepIds.length > 0 ? { kind: 'together', stepIds: stepIds.sort().slice(0, MOST_NAMED) } : undefined
}
