import { DomainError } from '../refusal/index.ts'
import type { PlanInstance, PlanStep } from './plan-shape.ts'

const refuse = (code: string, said: string, advice: string, field: string): never => {
  throw new DomainError(code, said, advice, field)
}

/**
 * Refuses what no plan can be made of, with the names of what is wrong.
 * @throws {DomainError} `plan-names`, `plan-calendar`, `plan-skill`, `plan-links`, `plan-hold`, `plan-too-long`, `plan-frozen`
 */
export function checkInstance(instance: PlanInstance): void {
  const { calendars, persons, machines, cases, steps, links, holds } = instance
  for (const [field, list] of Object.entries({ persons, machines, cases, steps, holds }))
    checkNames(field, list)
  const known = new Map(steps.map((step) => [step.id, step]))
  const caseIds = new Set(cases.map(({ id }) => id))
  const machineOf = new Map(machines.map((machine) => [machine.id, machine]))
  const personIds = new Set(persons.map(({ id }) => id))
  if (instance.horizonMinute <= instance.nowMinute)
    refuse('plan-calendar', 'The horizon lies before now.', 'Plan at least a minute ahead.', 'horizonMinute')
  for (const [id, windows] of Object.entries(calendars)) {
    const isSorted = windows.every(
      ([opens, closes], n) => opens < closes && (n === 0 || windows[n - 1]![1] <= opens),
    )
    if (!isSorted)
      refuse(
        'plan-calendar',
        `The windows of ${id} overlap or are not in order.`,
        'Sort them and join those that meet.',
        'calendars',
      )
  }
  for (const { id, calendar } of [...persons, ...machines])
    if (calendar !== undefined && !calendars[calendar])
      refuse(
        'plan-calendar',
        `${id} has no calendar ${calendar}.`,
        'Give the calendar, or name one that there is.',
        'calendars',
      )
  if (instance.bottleneckMachineId !== undefined && !machineOf.has(instance.bottleneckMachineId))
    refuse(
      'plan-names',
      `There is no machine ${instance.bottleneckMachineId}.`,
      'Name one of the machines.',
      'bottleneckMachineId',
    )

  for (const step of steps) {
    if (!caseIds.has(step.caseId))
      refuse('plan-names', `Step ${step.id} is of no case.`, 'Name one of the cases.', 'steps')
    checkStep(instance, step, known, personIds)
  }
  for (const { from, to, minMinutes, maxMinutes } of links) {
    const [a, b] = [known.get(from), known.get(to)]
    if (!a || !b)
      refuse(
        'plan-names',
        `A link leads from ${from} to ${to}, which are not both there.`,
        'Name two of the steps.',
        'links',
      )
    if (a!.caseId !== b!.caseId)
      refuse('plan-links', `${from} and ${to} are of two cases.`, 'Link steps of one case.', 'links')
    if (maxMinutes !== undefined && maxMinutes < minMinutes)
      refuse(
        'plan-links',
        `${to} may wait ${maxMinutes} min after ${from} at most, and must wait ${minMinutes}.`,
        'Let the longest wait be the longer one.',
        'links',
      )
  }
  for (const { id, machineIds, size, fromStep, toStep, programStep } of holds) {
    const ends = [fromStep, toStep, ...(programStep === undefined ? [] : [programStep])]
    if (ends.some((step) => !known.has(step)))
      refuse(
        'plan-names',
        `The hold ${id} names a step that is not there.`,
        'Name steps that are there.',
        'holds',
      )
    if (new Set(ends.map((step) => known.get(step)!.caseId)).size > 1)
      refuse('plan-hold', `The hold ${id} goes over two cases.`, 'Let it begin and end in one case.', 'holds')
    for (const machineId of machineIds) {
      const machine = machineOf.get(machineId)
      if (!machine)
        refuse(
          'plan-names',
          `The hold ${id} wants ${machineId}, which is not there.`,
          'Name one of the machines.',
          'holds',
        )
      if (size > machine!.capacity)
        refuse(
          'plan-hold',
          `${machineId} takes ${machine!.capacity}, and ${id} needs ${size}.`,
          'Name a larger machine.',
          'holds',
        )
      if ((machine!.type === 'batch') !== (programStep !== undefined))
        refuse(
          'plan-hold',
          `${machineId} and the hold ${id} do not fit: a program runs in a batch machine, all else in places.`,
          'Name another machine.',
          'holds',
        )
    }
    if (programStep !== undefined && known.get(programStep)!.kind !== 'program')
      refuse('plan-hold', `${programStep} is no program.`, 'Name the step that runs in the machine.', 'holds')
  }
  checkOrder(instance, known)
  checkFrozen(instance)
}

function checkNames(field: string, list: readonly { readonly id: string }[]): void {
  const seen = new Set<string>()
  for (const { id } of list) {
    if (seen.has(id))
      refuse('plan-names', `There are two called ${id}.`, 'Give each an id of its own.', field)
    seen.add(id)
  }
}

function checkStep(
  { calendars, persons }: PlanInstance,
  step: PlanStep,
  known: ReadonlyMap<string, PlanStep>,
  personIds: ReadonlySet<string>,
): void {
  if (step.kind === 'clinic' && !calendars[step.calendar])
    refuse(
      'plan-calendar',
      `${step.id} leaves by the calendar ${step.calendar}, which is not there.`,
      'Give the calendar, or name one that there is.',
      'calendars',
    )
  if (step.frozen?.personId !== undefined && !personIds.has(step.frozen.personId))
    refuse(
      'plan-names',
      `${step.id} was begun by ${step.frozen.personId}, who is not there.`,
      'Name one of the people.',
      'persons',
    )
  if (step.kind !== 'attended' || step.frozen) return
  if (step.personId !== undefined && !personIds.has(step.personId))
    refuse(
      'plan-names',
      `${step.id} is pinned to ${step.personId}, who is not there.`,
      'Name one of the people.',
      'persons',
    )
  const same = step.samePersonAs === undefined ? undefined : known.get(step.samePersonAs)
  if (step.samePersonAs !== undefined && same?.kind !== 'attended')
    refuse(
      'plan-names',
      `${step.id} wants the person of ${step.samePersonAs}, which nobody does.`,
      'Name an attended step.',
      'steps',
    )
  const able = persons.filter(({ id, skills }) =>
    step.personId === undefined ? skills.includes(step.skill) : id === step.personId,
  )
  if (able.length === 0)
    refuse(
      'plan-skill',
      `Nobody can do ${step.id}: it takes ${step.skill}.`,
      'Give that skill to somebody.',
      'persons',
    )
  if (step.mayPause) return
  const longest = Math.max(
    ...able.map(({ calendar }) =>
      Math.max(0, ...(calendars[calendar] ?? []).map(([opens, closes]) => closes - opens)),
    ),
  )
  if (step.minutes > longest)
    refuse(
      'plan-too-long',
      `${step.id} takes ${step.minutes} min, and nobody who can do it is there for so long at a time.`,
      'Let it pause, or make it two steps.',
      'steps',
    )
}

/** Links, and what opens a machine before what closes it, must lead on. */
function checkOrder({ links, holds }: PlanInstance, known: ReadonlyMap<string, PlanStep>): void {
  const after = new Map<string, string[]>()
  const left = new Map([...known.keys()].map((id) => [id, 0]))
  const follows = (from: string, to: string) => {
    if (from === to) return
    after.set(from, [...(after.get(from) ?? []), to])
    left.set(to, left.get(to)! + 1)
  }
  for (const { from, to } of links) {
    if (from === to) refuse('plan-links', `${from} waits for itself.`, 'Take that link out.', 'links')
    follows(from, to)
  }
  for (const { fromStep, toStep, programStep } of holds) {
    follows(fromStep, programStep ?? toStep)
    if (programStep !== undefined) follows(programStep, toStep)
  }
  for (const step of known.values())
    if (step.kind === 'attended' && step.samePersonAs !== undefined) follows(step.samePersonAs, step.id)
  const ready = [...left].filter(([, count]) => count === 0).map(([id]) => id)
  for (let id = ready.pop(); id !== undefined; id = ready.pop()) {
    left.delete(id)
    for (const next of after.get(id) ?? []) {
      left.set(next, left.get(next)! - 1)
      if (left.get(next) === 0) ready.push(next)
    }
  }
  if (left.size > 0)
    refuse(
      'plan-links',
      `${[...left.keys()].sort().slice(0, 3).join(', ')} wait for one another in a ring.`,
      'Take one of their links out; a machine closes after it was opened.',
      'links',
    )
}

function checkFrozen({ persons, steps, calendars, machines, holds, nowMinute }: PlanInstance): void {
  for (const { id, frozen } of steps)
    if (frozen && (frozen.endMinute < frozen.startMinute || frozen.startMinute > nowMinute))
      refuse(
        'plan-frozen',
        `${id} was begun at ${frozen.startMinute} and ends at ${frozen.endMinute}, which cannot be.`,
        'A step that was begun lies before now and ends after its start.',
        'steps',
      )
  for (const { id, calendar } of persons) {
    const windows = calendars[calendar] ?? []
    const own = steps
      .flatMap(({ id: step, frozen }) => (frozen?.personId === id ? [{ step, ...frozen }] : []))
      .sort((a, b) => a.startMinute - b.startMinute)
    for (const [n, one] of own.entries()) {
      const next = own[n + 1]
      if (!next || next.startMinute >= one.endMinute) continue
      const isOpen = windows.some(
        ([opens, closes]) =>
          Math.max(opens, next.startMinute) < Math.min(closes, one.endMinute, next.endMinute),
      )
      if (isOpen)
        refuse(
          'plan-frozen',
          `${id} cannot have begun ${one.step} and ${next.step} at once.`,
          'Say which of them is another’s, or when the first ends.',
          'steps',
        )
    }
  }
  const begun = new Map(steps.map(({ id, frozen }) => [id, frozen]))
  for (const { id, type, capacity } of machines) {
    if (type !== 'places') continue
    const inside = holds.filter(({ machineIds, fromStep, toStep }) => {
      const [from, to] = [begun.get(fromStep), begun.get(toStep)]
      return machineIds.length === 1 && machineIds[0] === id && from && (!to || to.endMinute > nowMinute)
    })
    if (inside.reduce((sum, { size }) => sum + size, 0) > capacity)
      refuse(
        'plan-frozen',
        `${id} takes ${capacity}, and more lies in it.`,
        'Say how many places it really has.',
        'machines',
      )
  }
}
