import type { Plan, PlanHold, PlanInstance, PlannedStep, PlanStep, PlanWorth } from './plan-shape.ts'

/** What a plan may do wrong; one code for each rule of the model. */
export const planFaultCodes = [
  'step-missing',
  'step-unknown',
  'step-twice',
  'time-not-whole',
  'end-before-start',
  'duration',
  'before-now',
  'before-release',
  'before-earliest',
  'past-horizon',
  'person-missing',
  'person-unknown',
  'person-without-skill',
  'person-not-wanted',
  'person-pinned',
  'not-same-person',
  'outside-hours',
  'person-twice',
  'link-too-soon',
  'link-too-late',
  'clinic-leaves-closed',
  'clinic-returns',
  'frozen-moved',
  'pin-moved',
  'hold-missing',
  'hold-machine',
  'machine-full',
  'machine-closed',
  'batch-programs-differ',
  'batch-full',
  'batches-overlap',
] as const
export interface PlanFault {
  readonly code: (typeof planFaultCodes)[number]
  /** Of the step or hold. */
  readonly id: string
}

type Windows = readonly (readonly [number, number])[]

/**
 * Every rule that a plan breaks, worked out minute by minute from the instance alone: it shares nothing with what makes plans.
 */
export function checkPlan(instance: PlanInstance, plan: Plan): readonly PlanFault[] {
  const faults: PlanFault[] = []
  const say = (code: PlanFault['code'], id: string) => faults.push({ code, id })
  const planned = new Map<string, PlannedStep>()
  const wanted = new Map(instance.steps.map((step) => [step.id, step]))
  for (const step of plan.steps) {
    if (!wanted.has(step.id)) say('step-unknown', step.id)
    else if (planned.has(step.id)) say('step-twice', step.id)
    else planned.set(step.id, step)
  }
  for (const step of instance.steps) {
    const found = planned.get(step.id)
    if (found) checkStep(instance, step, found, planned, say)
    else say('step-missing', step.id)
  }
  checkPersons(instance, planned, wanted, say)
  for (const { from, fromEvent = 'end', to, minMinutes, maxMinutes } of instance.links) {
    const [a, b] = [planned.get(from), planned.get(to)]
    // What has begun has begun, whatever would have been right.
    if (!a || !b || wanted.get(to)!.frozen) continue
    const wait = b.startMinute - (fromEvent === 'end' ? a.endMinute : a.startMinute)
    if (wait < minMinutes) say('link-too-soon', to)
    if (maxMinutes !== undefined && wait > maxMinutes) say('link-too-late', to)
  }
  checkHolds(instance, plan, planned, wanted, say)
  return faults
}

type Say = (code: PlanFault['code'], id: string) => void

function checkStep(
  instance: PlanInstance,
  step: PlanStep,
  { startMinute: start, endMinute: end, personId }: PlannedStep,
  planned: ReadonlyMap<string, PlannedStep>,
  say: Say,
): void {
  const fault = (code: PlanFault['code']) => say(code, step.id)
  if (!Number.isInteger(start) || !Number.isInteger(end)) {
    fault('time-not-whole')
    return
  }
  if (end < start) {
    fault('end-before-start')
    return
  }
  if (step.frozen) {
    const { startMinute, endMinute, personId: who } = step.frozen
    if (start !== startMinute || end !== endMinute || personId !== who) fault('frozen-moved')
    return
  }
  const release = instance.cases.find(({ id }) => id === step.caseId)!.releaseMinute
  if (start < instance.nowMinute) fault('before-now')
  if (start < release) fault('before-release')
  if (start < (step.earliestMinute ?? 0)) fault('before-earliest')
  if (end > instance.horizonMinute) fault('past-horizon')
  if (step.kind === 'attended') {
    if (personId === undefined) {
      fault('person-missing')
      return
    }
    const person = instance.persons.find(({ id }) => id === personId)
    if (!person) {
      fault('person-unknown')
      return
    }
    if (step.pinnedMinute !== undefined && step.pinnedMinute !== start) fault('pin-moved')
    if (step.personId !== undefined && step.personId !== personId) fault('person-pinned')
    if (step.personId === undefined && !person.skills.includes(step.skill)) fault('person-without-skill')
    if (step.samePersonAs !== undefined && planned.get(step.samePersonAs)?.personId !== personId)
      fault('not-same-person')
    const open = openMinutes(instance.calendars[person.calendar]!, start, end)
    if (open !== step.minutes) fault('duration')
    if (step.minutes > 0) {
      const windows = instance.calendars[person.calendar]!
      const inOne = windows.some(([opens, closes]) => opens <= start && end <= closes)
      // A step that may pause begins and ends with hands on it.
      const edges = [start, end - 1].every((minute) => openMinutes(windows, minute, minute + 1) === 1)
      if (step.mayPause ? !edges : !inOne) fault('outside-hours')
    }
    return
  }
  if (personId !== undefined) fault('person-not-wanted')
  if (step.kind !== 'clinic') {
    if (end - start !== step.minutes) fault('duration')
    return
  }
  const windows = instance.calendars[step.calendar]!
  if (openMinutes(windows, start, start + 1) !== 1) fault('clinic-leaves-closed')
  const later = windows.filter(([opens]) => opens > start)
  const back = step.clinicDays === 0 ? start : (later[step.clinicDays - 1]?.[0] ?? Number.POSITIVE_INFINITY)
  const due = Math.max(back, step.returnsAtMinute ?? 0)
  const isOpen = end === start || openMinutes(windows, end, end + 1) === 1
  if (end < due || !isOpen || openMinutes(windows, due, end) > 0) fault('clinic-returns')
}

/** Open minutes between two instants. */
function openMinutes(windows: Windows, from: number, to: number): number {
  let open = 0
  for (const [opens, closes] of windows) open += Math.max(0, Math.min(to, closes) - Math.max(from, opens))
  return open
}

function checkPersons(
  instance: PlanInstance,
  planned: ReadonlyMap<string, PlannedStep>,
  wanted: ReadonlyMap<string, PlanStep>,
  say: Say,
): void {
  for (const { id, calendar } of instance.persons) {
    const own = [...planned.values()].filter(({ personId }) => personId === id)
    own.sort((a, b) => a.startMinute - b.startMinute || a.endMinute - b.endMinute)
    let last: PlannedStep | undefined
    for (const step of own) {
      // Two that overlap only where the person is away do not meet: a step that pauses is not worked on then.
      if (last && step.startMinute < last.endMinute && step.endMinute > step.startMinute) {
        const both = openMinutes(
          instance.calendars[calendar]!,
          step.startMinute,
          Math.min(last.endMinute, step.endMinute),
        )
        const frozen = wanted.get(step.id)!.frozen && wanted.get(last.id)!.frozen
        if (both > 0 && !frozen) say('person-twice', step.id)
      }
      if (!last || step.endMinute > last.endMinute) last = step
    }
  }
}

function checkHolds(
  instance: PlanInstance,
  plan: Plan,
  planned: ReadonlyMap<string, PlannedStep>,
  wanted: ReadonlyMap<string, PlanStep>,
  say: Say,
): void {
  const machineOf = new Map(plan.holds.map(({ id, machineId }) => [id, machineId]))
  const taken: { hold: PlanHold; from: number; to: number; start: number; machine: string }[] = []
  for (const hold of instance.holds) {
    const machine = machineOf.get(hold.id)
    const [a, b] = [planned.get(hold.fromStep), planned.get(hold.toStep)]
    if (machine === undefined) say('hold-missing', hold.id)
    else if (!hold.machineIds.includes(machine)) say('hold-machine', hold.id)
    else if (a && b) {
      const from = hold.fromEvent === 'end' ? a.endMinute : a.startMinute
      const to = hold.toEvent === 'end' ? b.endMinute : b.startMinute
      const start = hold.programStep === undefined ? from : planned.get(hold.programStep)?.startMinute
      taken.push({ hold, from, to, start: start ?? from, machine })
    }
  }
  for (const { id, type, capacity, calendar } of instance.machines) {
    const here = taken.filter(({ machine }) => machine === id)
    if (calendar !== undefined) {
      const windows = instance.calendars[calendar]!
      for (const { hold, from, to } of here) {
        const inOne = windows.some(([opens, closes]) => opens <= from && to <= closes)
        if (!inOne && !wanted.get(hold.fromStep)!.frozen) say('machine-closed', hold.id)
      }
    }
    if (type === 'places') {
      for (const one of here) {
        const at = here.filter(({ from, to }) => from <= one.from && to > one.from)
        if (at.reduce((sum, { hold }) => sum + hold.size, 0) > capacity && one.to > one.from)
          say('machine-full', one.hold.id)
      }
      continue
    }
    const batches = new Map<string, typeof taken>()
    for (const one of here) {
      const step = wanted.get(one.hold.programStep ?? '')
      const key = `${one.start} ${step?.kind === 'program' ? step.program : ''}`
      batches.set(key, [...(batches.get(key) ?? []), one])
    }
    const hulls = [...batches.values()].map((batch) => ({
      from: Math.min(...batch.map(({ from }) => from)),
      to: Math.max(...batch.map(({ to }) => to)),
      start: batch[0]!.start,
      id: batch[0]!.hold.id,
      size: batch.reduce((sum, { hold }) => sum + hold.size, 0),
    }))
    hulls.sort((a, b) => a.from - b.from || a.to - b.to)
    for (const [n, hull] of hulls.entries()) {
      if (hull.size > capacity) say('batch-full', hull.id)
      const next = hulls[n + 1]
      if (next && next.from < hull.to) {
        say(next.start === hull.start ? 'batch-programs-differ' : 'batches-overlap', next.id)
      }
    }
  }
}

/** What a plan is worth by the instance's weights, summed up from the plan alone. */
export function planWorth(instance: PlanInstance, plan: Plan): PlanWorth {
  const { weights, previous, cases, bottleneckMachineId } = instance
  const planned = new Map(plan.steps.map((step) => [step.id, step]))
  const known = new Map(cases.map((each) => [each.id, each]))
  const ends = new Map(cases.map(({ id, releaseMinute }) => [id, releaseMinute]))
  let promised = 0
  for (const { id, caseId, promisedMinute } of instance.steps) {
    const { endMinute } = planned.get(id)!
    ends.set(caseId, Math.max(ends.get(caseId)!, endMinute))
    if (promisedMinute !== undefined)
      promised += known.get(caseId)!.weight * Math.max(0, endMinute - promisedMinute)
  }
  let cost = 0
  for (const { id, dueMinute, releaseMinute, weight } of cases) {
    const end = ends.get(id)!
    cost += weights.late * weight * Math.max(0, end - dueMinute) + weights.flow * (end - releaseMinute)
  }
  for (const { id, startMinute, personId } of previous?.steps ?? []) {
    const now = planned.get(id)
    if (!now || startMinute >= previous!.stableUntilMinute) continue
    const other = personId !== undefined && personId !== now.personId ? 30 : 0
    cost += weights.moved * (Math.abs(now.startMinute - startMinute) + other)
  }
  if (bottleneckMachineId !== undefined) {
    const machineOf = new Map(plan.holds.map(({ id, machineId }) => [id, machineId]))
    const used = instance.holds
      .filter(({ id }) => machineOf.get(id) === bottleneckMachineId)
      .map(({ fromStep, fromEvent, toStep, toEvent }) => {
        const [a, b] = [planned.get(fromStep)!, planned.get(toStep)!]
        return [
          fromEvent === 'end' ? a.endMinute : a.startMinute,
          toEvent === 'end' ? b.endMinute : b.startMinute,
        ] as const
      })
      .sort((a, b) => a[0] - b[0])
    let at = instance.nowMinute
    for (const [from, to] of used) {
      cost += weights.idle * Math.max(0, from - at)
      at = Math.max(at, to)
    }
  }
  return { promised: Math.round(promised * 1e6) / 1e6, cost: Math.round(cost * 1e6) / 1e6 }
}
