import { blocksOf, type Hold, type Link } from './blocks.ts'
import { OpenTime } from './open-time.ts'
import type { PlanInstance, PlanStep } from './plan-shape.ts'

export const ATTENDED = 0
export const WAIT = 1
export const PROGRAM = 2
export const CLINIC = 3
const kindNumber = { attended: ATTENDED, wait: WAIT, program: PROGRAM, clinic: CLINIC } as const

/** Number for none. */
export const NONE = -1

/**
 * An instance by numbers, in one order whatever the order of its lists, so that the same seed gives the same plan: everything is
 * sorted by id first. Steps are numbered case by case, within a case in an order in which links only lead on.
 */
export interface Network {
  readonly instance: PlanInstance
  readonly now: number
  readonly horizon: number
  readonly ids: readonly string[]
  readonly steps: readonly PlanStep[]
  readonly kind: Uint8Array
  readonly minutes: Int32Array
  readonly mayPause: Uint8Array
  readonly caseOf: Int32Array
  /** No start before it: now, the release of its case, its own. */
  readonly earliest: Int32Array
  readonly promised: Int32Array
  /** Pinned to a start. */
  readonly pinned: Int32Array
  /** Frozen: starts and ends as it did. NONE: free. */
  readonly frozenStart: Int32Array
  readonly frozenEnd: Int32Array
  readonly frozenPerson: Int32Array
  /** Who can do it, those with the fewest other skills first. */
  readonly able: readonly (readonly number[])[]
  readonly samePersonAs: Int32Array
  readonly program: Int32Array
  readonly clinic: readonly (ClinicStep | undefined)[]
  readonly links: readonly Link[]
  readonly linksTo: readonly (readonly Link[])[]
  readonly linksFrom: readonly (readonly Link[])[]
  readonly holds: readonly Hold[]
  readonly holdIds: readonly string[]
  /** Holds of one step alone, from its start to its end, without a program. */
  readonly ownHolds: readonly (readonly number[])[]
  /** Others, by the step that opens, closes and runs them. */
  readonly opens: readonly (readonly number[])[]
  readonly closes: readonly (readonly number[])[]
  readonly runs: Int32Array
  readonly persons: readonly string[]
  readonly personTime: readonly OpenTime[]
  readonly machines: readonly string[]
  readonly isBatch: readonly boolean[]
  readonly cases: readonly string[]
  readonly release: Int32Array
  readonly due: Int32Array
  readonly weight: Float64Array
  readonly caseSteps: readonly (readonly number[])[]
  /** Steps that are planned as one: tied by longest waits, holds, or the same person. In an order in which links only lead on. */
  readonly blocks: readonly (readonly number[])[]
  readonly blockOf: Int32Array
  readonly caseBlocks: readonly (readonly number[])[]
  /** Blocks of the same case that must come before. */
  readonly blocksBefore: readonly (readonly number[])[]
  /** It has a step that was started or is pinned: it goes in first, since its machine and its longest waits count already. */
  readonly begun: readonly boolean[]
  readonly bottleneck: number
}
interface ClinicStep {
  readonly windows: readonly (readonly [number, number])[]
  readonly days: number
  readonly returnsAt: number
}

const byId = <T extends { readonly id: string }>(list: readonly T[]): T[] =>
  [...list].sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0))

/** The instance by numbers. It must have passed `checkInstance`. */
export function network(instance: PlanInstance): Network {
  const { nowMinute: now, horizonMinute: horizon } = instance
  const persons = byId(instance.persons)
  const machines = byId(instance.machines)
  const cases = byId(instance.cases)
  const number = (list: readonly { readonly id: string }[]) => new Map(list.map(({ id }, n) => [id, n]))
  const personNumber = number(persons)
  const machineNumber = number(machines)
  const caseNumber = number(cases)
  const steps = inOrder(instance, caseNumber)
  const stepNumber = number(steps)
  const count = steps.length

  const times = new Map<string, OpenTime>()
  const timeOf = (calendar: string): OpenTime => {
    const known = times.get(calendar) ?? new OpenTime(instance.calendars[calendar]!, horizon)
    times.set(calendar, known)
    return known
  }
  const ints = (of: (step: PlanStep) => number | undefined) =>
    Int32Array.from(steps, (step) => of(step) ?? NONE)
  const programs = [
    ...new Set(steps.flatMap((step) => (step.kind === 'program' ? [step.program] : []))),
  ].sort()
  const skilled = new Map<string, readonly number[]>()
  const able = (step: PlanStep): readonly number[] => {
    if (step.kind !== 'attended') return []
    if (step.personId !== undefined) return [personNumber.get(step.personId)!]
    const known =
      skilled.get(step.skill) ??
      persons
        .map((_, n) => n)
        .filter((n) => persons[n]!.skills.includes(step.skill))
        .sort((a, b) => persons[a]!.skills.length - persons[b]!.skills.length || a - b)
    skilled.set(step.skill, known)
    return known
  }

  const links: Link[] = instance.links
    .map(({ from, fromEvent, to, minMinutes, maxMinutes }) => ({
      from: stepNumber.get(from)!,
      fromEnd: fromEvent !== 'start',
      to: stepNumber.get(to)!,
      min: minMinutes,
      max: maxMinutes ?? NONE,
    }))
    .sort((a, b) => a.to - b.to || a.from - b.from || a.min - b.min || a.max - b.max)
  const linksTo: Link[][] = steps.map(() => [])
  const linksFrom: Link[][] = steps.map(() => [])
  for (const link of links) {
    linksTo[link.to]!.push(link)
    linksFrom[link.from]!.push(link)
  }
  const least = leastSpan(steps, linksTo)
  const holds: Hold[] = byId(instance.holds).map((hold) => {
    const from = stepNumber.get(hold.fromStep)!
    const to = stepNumber.get(hold.toStep)!
    return {
      machines: hold.machineIds.map((id) => machineNumber.get(id)!).sort((a, b) => a - b),
      size: hold.size,
      from,
      fromEnd: hold.fromEvent === 'end',
      to,
      toEnd: hold.toEvent === 'end',
      program: hold.programStep === undefined ? NONE : stepNumber.get(hold.programStep)!,
      leastMinutes: least(from, hold.fromEvent === 'end', to, hold.toEvent === 'end'),
    }
  })
  const isOwn = ({ from, fromEnd, to, toEnd, program }: Hold) =>
    from === to && !fromEnd && toEnd && program === NONE
  const holdsBy = (of: (hold: Hold) => number) => {
    const lists: number[][] = steps.map(() => [])
    for (const [n, hold] of holds.entries()) if (of(hold) !== NONE) lists[of(hold)]!.push(n)
    return lists
  }
  const runs = new Int32Array(count).fill(NONE)
  for (const [n, { program }] of holds.entries()) if (program !== NONE) runs[program] = n

  const caseOf = ints((step) => caseNumber.get(step.caseId))
  const frozenStart = ints((step) => step.frozen?.startMinute)
  const pinned = ints((step) => (step.kind === 'attended' ? step.pinnedMinute : undefined))
  const samePersonAs = ints((step) =>
    step.kind === 'attended' && step.samePersonAs !== undefined
      ? stepNumber.get(step.samePersonAs)
      : undefined,
  )
  const { blocks, blockOf, blocksBefore } = blocksOf(count, links, holds, samePersonAs)
  const caseBlocks: number[][] = cases.map(() => [])
  for (const [n, block] of blocks.entries()) caseBlocks[caseOf[block[0]!]!]!.push(n)
  const caseSteps: number[][] = cases.map(() => [])
  for (let step = 0; step < count; step++) caseSteps[caseOf[step]!]!.push(step)

  return {
    instance,
    now,
    horizon,
    ids: steps.map(({ id }) => id),
    steps,
    kind: Uint8Array.from(steps, ({ kind }) => kindNumber[kind]),
    minutes: Int32Array.from(steps, ({ minutes }) => minutes),
    mayPause: Uint8Array.from(steps, (step) => (step.kind === 'attended' && step.mayPause ? 1 : 0)),
    caseOf,
    earliest: Int32Array.from(steps, ({ caseId, earliestMinute = 0 }) =>
      Math.max(now, cases[caseNumber.get(caseId)!]!.releaseMinute, earliestMinute),
    ),
    pinned,
    promised: ints((step) => step.promisedMinute),
    frozenStart,
    frozenEnd: ints((step) => step.frozen?.endMinute),
    frozenPerson: ints((step) =>
      step.frozen?.personId === undefined ? undefined : personNumber.get(step.frozen.personId),
    ),
    able: steps.map(able),
    samePersonAs,
    program: ints((step) => (step.kind === 'program' ? programs.indexOf(step.program) : undefined)),
    clinic: steps.map((step) =>
      step.kind === 'clinic'
        ? {
            windows: instance.calendars[step.calendar]!,
            days: step.clinicDays,
            returnsAt: step.returnsAtMinute ?? 0,
          }
        : undefined,
    ),
    links,
    linksTo,
    linksFrom,
    holds,
    holdIds: byId(instance.holds).map(({ id }) => id),
    ownHolds: holdsBy((hold) => (isOwn(hold) ? hold.from : NONE)),
    opens: holdsBy((hold) => (isOwn(hold) ? NONE : hold.from)),
    closes: holdsBy((hold) => (isOwn(hold) ? NONE : hold.to)),
    runs,
    persons: persons.map(({ id }) => id),
    personTime: persons.map(({ calendar }) => timeOf(calendar)),
    machines: machines.map(({ id }) => id),
    isBatch: machines.map(({ type }) => type === 'batch'),
    cases: cases.map(({ id }) => id),
    release: Int32Array.from(cases, ({ releaseMinute }) => releaseMinute),
    due: Int32Array.from(cases, ({ dueMinute }) => dueMinute),
    weight: Float64Array.from(cases, ({ weight }) => weight),
    caseSteps,
    blocks,
    blockOf,
    caseBlocks,
    blocksBefore,
    begun: blocks.map((block) => block.some((step) => frozenStart[step] !== NONE || pinned[step] !== NONE)),
    bottleneck:
      instance.bottleneckMachineId === undefined ? NONE : machineNumber.get(instance.bottleneckMachineId)!,
  }
}

/** Steps case by case; in a case none before one that it follows, else by id. */
function inOrder(instance: PlanInstance, caseNumber: ReadonlyMap<string, number>): PlanStep[] {
  const known = new Map(instance.steps.map((step) => [step.id, step]))
  const after = new Map<string, string[]>()
  const left = new Map<string, number>(instance.steps.map(({ id }) => [id, 0]))
  const follows = (from: string, to: string) => {
    if (from === to) return
    const list = after.get(from) ?? []
    list.push(to)
    after.set(from, list)
    left.set(to, left.get(to)! + 1)
  }
  for (const { from, to } of instance.links) follows(from, to)
  for (const hold of instance.holds) {
    // What opens a hold goes before what runs and closes it, though no link may say so.
    follows(hold.fromStep, hold.programStep ?? hold.toStep)
    if (hold.programStep !== undefined) follows(hold.programStep, hold.toStep)
  }
  for (const step of instance.steps)
    if (step.kind === 'attended' && step.samePersonAs !== undefined) follows(step.samePersonAs, step.id)
  // Cases in their order, and in each the first by id of those that nothing holds back.
  const sorted = [...instance.steps].sort((a, b) => {
    const byCase = caseNumber.get(a.caseId)! - caseNumber.get(b.caseId)!
    return byCase || (a.id < b.id ? -1 : 1)
  })
  const ready = sorted.filter(({ id }) => left.get(id) === 0)
  const rank = new Map(sorted.map(({ id }, n) => [id, n]))
  const order: PlanStep[] = []
  while (ready.length > 0) {
    const step = ready.shift()!
    order.push(step)
    for (const next of after.get(step.id) ?? []) {
      left.set(next, left.get(next)! - 1)
      if (left.get(next) !== 0) continue
      const at = ready.findIndex(({ id }) => rank.get(id)! > rank.get(next)!)
      ready.splice(at < 0 ? ready.length : at, 0, known.get(next)!)
    }
  }
  // Stable: within a case the order stays.
  return order.sort((a, b) => caseNumber.get(a.caseId)! - caseNumber.get(b.caseId)!)
}

/** The least time that can lie between two events of one case, by links and minutes alone. */
function leastSpan(steps: readonly PlanStep[], linksTo: readonly (readonly Link[])[]) {
  return (from: number, fromEnd: boolean, to: number, toEnd: boolean): number => {
    if (from === to) return toEnd && !fromEnd ? steps[from]!.minutes : 0
    const starts = new Map<number, number>([[from, 0]])
    for (let step = from + 1; step <= to; step++) {
      let start = Number.NEGATIVE_INFINITY
      for (const link of linksTo[step]!) {
        const before = starts.get(link.from)
        if (before === undefined) continue
        start = Math.max(start, before + (link.fromEnd ? steps[link.from]!.minutes : 0) + link.min)
      }
      if (start > Number.NEGATIVE_INFINITY) starts.set(step, start)
    }
    const begin = starts.get(to) ?? 0
    return Math.max(0, begin + (toEnd ? steps[to]!.minutes : 0) - (fromEnd ? steps[from]!.minutes : 0))
  }
}
