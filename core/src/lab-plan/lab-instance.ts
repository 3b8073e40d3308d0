import type { CaseState, JobState } from '../case/index.ts'
import { type LabEquipment, placesIn } from '../equipment/index.ts'
import {
  type LabCalendar,
  mondayBefore,
  type Plan,
  type PlanInstance,
  type PlanStep,
  without,
} from '../planning/index.ts'
import type { RouteTemplate } from '../route/index.ts'
import { jobWork } from './job-work.ts'
import { labHours, personHours, spells } from './lab-hours.ts'
import { type PlanSettings, usualPerson } from './settings.ts'
import type { JobWork, RunningIn, Task } from './task.ts'

const MINUTE = 60_000
const DAY = 86_400_000
/** A plan looks so far beyond the last due date, and no further than so many days (choice). */
const DAYS_BEYOND = 14
const LEAST_DAYS = 14
const MOST_DAYS = 84
/** An answer of the dentist is reckoned with a working day after the question (common practice). */
const ANSWER_DAYS = 1
/** A start that was planned within so long is not moved without need (choice). */
const STABLE_MINUTES = 240
/** A furnace without a timer is started so soon after the last was put in. */
const NO_TIMER_MINUTES = 60
const CLINIC = 'courier'

export interface LiveCase {
  readonly caseId: string
  readonly state: CaseState
}
/** The work that lies in machines now, by case, job and step. */
export type RunningWork = (caseId: string, jobId: string, stepId: string) => RunningIn | undefined

export interface LabToPlan {
  /** ms since 1970. */
  readonly now: number
  readonly calendar: LabCalendar
  readonly people: readonly { readonly id: string; readonly name: string }[]
  readonly equipment: readonly LabEquipment[]
  readonly settings: PlanSettings
  readonly cases: readonly LiveCase[]
  readonly templates: ReadonlyMap<string, RouteTemplate>
  readonly runningIn?: RunningWork
  readonly previous?: Plan
  /** Cases whose longest waits nobody can keep any more. */
  readonly letWaitsGo?: ReadonlySet<string>
  /** Cases whose pins cannot be kept. */
  readonly letPinsGo?: ReadonlySet<string>
  /** Cases that have no place at all. */
  readonly leaveOut?: ReadonlySet<string>
}

export interface TaskOfCase extends Task {
  readonly caseId: string
  readonly jobId: string
}
/** The lab as an instance to plan, and what its steps are. */
export interface LabInstance {
  readonly instance: PlanInstance
  /** Minute 0; ms since 1970. */
  readonly base: number
  readonly tasks: ReadonlyMap<string, TaskOfCase>
  /** Cases with a step that is pinned. */
  readonly pinned: ReadonlySet<string>
  /** By the id of the instance. */
  readonly caseIds: ReadonlyMap<string, string>
  readonly broken: readonly { readonly caseId: string; readonly jobId: string; readonly stepId: string }[]
}

type Minutes = [number, number][]

/** The lab as it stands, for the planner. Cases that are held, ended or delivered are not in it. */
export function labInstance(lab: LabToPlan): LabInstance {
  const { now, calendar, settings } = lab
  const base = mondayBefore(now, calendar.timeZone) - 7 * DAY
  const cases = lab.cases.filter(
    ({ caseId, state }) => !state.held && !state.ended && !lab.leaveOut?.has(caseId),
  )
  const due = Math.max(now, ...cases.map(({ state }) => Date.parse(state.authorisation.dueAt)))
  const days = Math.min(MOST_DAYS, Math.max(LEAST_DAYS, (due - now) / DAY) + DAYS_BEYOND)
  const until = now + days * DAY
  const minute = (ms: number) => Math.max(0, Math.round((ms - base) / MINUTE))
  /** A stretch that has begun already counts from its whole minute on. */
  const windows = (list: readonly (readonly [number, number])[]): Minutes =>
    list.map(([from, to]): [number, number] => [minute(from), minute(to)]).filter(([from, to]) => to > from)

  const open = labHours(calendar, settings.holidays, base, until)
  const told = lab.people.map(({ id }) => ({ id, ...(settings.people[id] ?? usualPerson) }))
  // Where nobody is said to know anything, everybody does everything.
  const people = told.some(({ skills }) => skills.length > 0)
    ? told
    : told.map((person) => ({ ...person, skills: usualPerson.skills }))
  const calendars: Record<string, Minutes> = { [CLINIC]: windows(open) }
  for (const person of people)
    calendars[`person ${person.id}`] = windows(personHours(person, calendar, settings.holidays, base, until))
  const nowMinute = minute(now)
  const horizonMinute = minute(until)
  for (const each of lab.equipment)
    if ('outOfOrder' in each && each.outOfOrder && each.outOfOrder.length > 0)
      calendars[`machine ${each.name}`] = windows(without([[base, until]], spells(each.outOfOrder)))

  const work = cases.flatMap(({ caseId, state }) =>
    state.jobs.map((job) => ({
      caseId,
      state,
      job,
      work: workOf(lab, caseId, state, job),
    })),
  )
  const takenNow = placesTaken(
    work.map((each) => each.work),
    now,
  )
  const machines = machinesOf(lab.equipment, calendars, takenNow)
  const places = stationIds(lab.equipment)
  const programs = machinesByKind(lab.equipment)
  const known = new Set(machines.map(({ id }) => id))

  const tasks = new Map<string, TaskOfCase>()
  const steps: PlanStep[] = []
  const links: PlanInstance['links'][number][] = []
  const holds: PlanInstance['holds'][number][] = []
  const skillsHere = new Set(people.flatMap((person) => person.skills))
  const longest = new Map<string, number>()
  for (const { skills, id } of people)
    for (const skill of skills) {
      const own = Math.max(0, ...calendars[`person ${id}`]!.map(([from, to]) => to - from))
      longest.set(skill, Math.max(longest.get(skill) ?? 0, own))
    }
  const personIds = new Map(people.map(({ id }) => [id, id]))
  const byName = new Map(lab.people.map(({ id, name }) => [name, id]))
  const busy = new Map<string, number>()

  for (const { caseId, state, job, work: done } of work) {
    const answer = answerAt(job, open, now)
    const promised =
      state.authorisation.tryInAt === undefined ? undefined : Date.parse(state.authorisation.tryInAt)
    const leaves = done.tasks.find(({ part, begun }) => part === 'away' && !begun)
    const before = leaves && done.links.findLast(({ to }) => to === leaves.id)?.from
    for (const task of done.tasks) {
      tasks.set(task.id, { ...task, caseId, jobId: job.jobId })
      const pin = lab.letPinsGo?.has(caseId) ? undefined : pinOf(settings, caseId, job.jobId, task)
      const frozen = task.begun && frozenOf(task, byName, busy, minute, now)
      steps.push({
        id: task.id,
        caseId: state.docket,
        stage: task.part,
        minutes: task.minutes,
        ...(answer === undefined || frozen ? {} : { earliestMinute: minute(answer) }),
        ...(promised !== undefined && task.id === before ? { promisedMinute: minute(promised) } : {}),
        ...(frozen ? { frozen } : {}),
        ...kindOf(task, pin, { skillsHere, longest, personIds, minute, nowMinute }),
      })
    }
    links.push(
      ...done.links.map(({ from, fromEvent, to, min, max }) => ({
        from,
        fromEvent,
        to,
        minMinutes: Math.ceil(min),
        ...(max === undefined ? {} : { maxMinutes: Math.max(Math.ceil(min), Math.floor(max)) }),
      })),
    )
    for (const hold of done.holds) {
      const wanted = hold.station
        ? (places.get(hold.station) ?? [])
        : hold.named
          ? [hold.named].filter((each) => known.has(each))
          : (programs.get(hold.machine!) ?? [])
      if (wanted.length === 0) continue
      holds.push({
        id: hold.id,
        machineIds: wanted,
        size: 1,
        fromStep: hold.from,
        fromEvent: 'start',
        toStep: hold.to,
        toEvent: hold.toEvent,
        ...(hold.run ? { programStep: hold.run } : {}),
      })
      // Somebody must start what has no timer.
      const needsHands =
        hold.run && hold.run !== hold.from && wanted.every((id) => !hasTimer(lab.equipment, id))
      if (needsHands)
        links.push({
          from: hold.from,
          fromEvent: 'end',
          to: hold.run!,
          minMinutes: 0,
          maxMinutes: NO_TIMER_MINUTES,
        })
    }
  }
  return {
    instance: {
      format: 'laboratory-plan 1',
      name: 'lab',
      nowMinute,
      horizonMinute,
      weights: { late: 10, flow: 0.1, idle: 0, moved: 1 },
      calendars,
      persons: people.map(({ id, skills }) => ({
        id,
        // What nobody knows, anybody does: a plan of a small lab is better than none.
        skills: [...skills, ...(skills.length > 0 ? ['any'] : [])],
        calendar: `person ${id}`,
      })),
      machines,
      cases: cases.map(({ caseId, state }) => ({
        id: state.docket,
        route: state.jobs[0]?.route.name ?? 'none',
        releaseMinute: Math.min(nowMinute, minute(Date.parse(state.receivedAt))),
        dueMinute: minute(Date.parse(state.authorisation.dueAt)),
        weight: settings.priorities[caseId] ?? 1,
      })),
      steps,
      links,
      holds,
      ...(lab.previous
        ? {
            previous: {
              stableUntilMinute: nowMinute + STABLE_MINUTES,
              steps: lab.previous.steps
                .filter(({ id, startMinute }) => tasks.has(id) && startMinute >= nowMinute)
                .map(({ id, startMinute, personId }) => ({
                  id,
                  startMinute,
                  ...(personId ? { personId } : {}),
                })),
            },
          }
        : {}),
    },
    base,
    tasks,
    caseIds: new Map(cases.map(({ caseId, state }) => [state.docket, caseId])),
    pinned: new Set(
      settings.pins.map(({ caseId }) => caseId).filter((caseId) => !lab.letPinsGo?.has(caseId)),
    ),
    broken: work.flatMap(({ caseId, job, work: { broken } }) =>
      broken.map((stepId) => ({ caseId, jobId: job.jobId, stepId })),
    ),
  }
}

function workOf(lab: LabToPlan, caseId: string, state: CaseState, job: JobState): JobWork {
  const { templateId } = job.route
  const pins = lab.settings.pins.filter((pin) => pin.caseId === caseId && pin.jobId === job.jobId)
  return jobWork(job, {
    name: `${state.docket}/${job.jobId}`,
    now: lab.now,
    template: lab.templates.get(templateId),
    minutes: (stepId) => lab.settings.minutes[`${templateId}/${stepId}`] ?? {},
    runningIn: (stepId) => lab.runningIn?.(caseId, job.jobId, stepId),
    letWaitsGo: lab.letWaitsGo?.has(caseId) ?? false,
    pinned: new Set(pins.map(({ stepId }) => stepId)),
  })
}

const pinOf = ({ pins }: PlanSettings, caseId: string, jobId: string, task: Task) =>
  pins.find((pin) => pin.caseId === caseId && pin.jobId === jobId && pin.stepId === task.steps[0]?.stepId)

/** What was begun. Of one person only one thing at a time holds them: what was begun last. */
function frozenOf(
  task: Task,
  byName: ReadonlyMap<string, string>,
  busy: Map<string, number>,
  minute: (ms: number) => number,
  now: number,
): NonNullable<PlanStep['frozen']> {
  const { from, until, by } = task.begun!
  const personId = by === undefined ? undefined : byName.get(by)
  const startMinute = minute(Math.min(from, now))
  const endMinute = Math.max(startMinute, minute(until))
  if (personId === undefined || busy.has(personId)) return { startMinute, endMinute }
  busy.set(personId, endMinute)
  return { startMinute, endMinute, personId }
}

interface Abilities {
  readonly skillsHere: ReadonlySet<string>
  readonly longest: ReadonlyMap<string, number>
  readonly personIds: ReadonlyMap<string, string>
  readonly minute: (ms: number) => number
  readonly nowMinute: number
}
type OfKind =
  | { readonly kind: 'wait' }
  | Pick<PlanStepOfHands, 'kind' | 'skill'>
  | { readonly kind: 'program'; readonly program: string }
  | { readonly kind: 'clinic'; readonly calendar: string; readonly clinicDays: number }
type PlanStepOfHands = Extract<PlanStep, { readonly kind: 'attended' }>

function kindOf(task: Task, pin: PlanSettings['pins'][number] | undefined, abilities: Abilities): OfKind {
  if (task.part === 'away') return { kind: 'clinic', calendar: CLINIC, clinicDays: task.clinicDays ?? 1 }
  if (task.part === 'run') return { kind: 'program', program: task.program ?? task.id }
  if (task.skill === undefined) return { kind: 'wait' }
  const { skillsHere, longest, personIds, minute, nowMinute } = abilities
  const skill = skillsHere.has(task.skill) ? task.skill : 'any'
  const mayPause = task.mayPause || task.minutes > (longest.get(skill) ?? 0)
  const at = pin?.at === undefined ? undefined : minute(Date.parse(pin.at))
  const who = pin?.personId === undefined ? undefined : personIds.get(pin.personId)
  return {
    kind: 'attended',
    skill,
    ...(mayPause ? { mayPause: true } : {}),
    ...(task.spread === undefined ? {} : { spread: task.spread }),
    ...(at !== undefined && at >= nowMinute ? { pinnedMinute: at } : {}),
    ...(who === undefined ? {} : { personId: who }),
  } as PlanStepOfHands
}

/** When work on a job can go on that waits for an answer: a working day after the question, never before the next opening. */
function answerAt(
  { question }: JobState,
  open: readonly (readonly [number, number])[],
  now: number,
): number | undefined {
  if (!question) return undefined
  const asked = Date.parse(question.since)
  const later = open.filter(([opens]) => opens > asked)
  const expected = later[ANSWER_DAYS - 1]?.[0] ?? now
  return expected > now ? expected : (open.find(([opens]) => opens > now)?.[0] ?? now)
}

/** How many of each place are taken by what was begun: more than the lab says it has stay as they are. */
function placesTaken(work: readonly JobWork[], now: number): ReadonlyMap<string, number> {
  const taken = new Map<string, number>()
  for (const { tasks, holds } of work) {
    const begun = new Map(tasks.map((task) => [task.id, task.begun]))
    for (const { station, from, to } of holds) {
      const closes = begun.get(to)
      if (!station || !begun.get(from) || (closes && closes.until <= now)) continue
      taken.set(station, (taken.get(station) ?? 0) + 1)
    }
  }
  return taken
}

function machinesOf(
  equipment: readonly LabEquipment[],
  calendars: Readonly<Record<string, unknown>>,
  taken: ReadonlyMap<string, number>,
): PlanInstance['machines'] {
  const calendarOf = (name: string) => (calendars[`machine ${name}`] ? { calendar: `machine ${name}` } : {})
  return equipment.flatMap((each): PlanInstance['machines'][number][] => {
    if (each.kind === 'station') {
      const [first] = stationIds(equipment).get(each.what)!
      const begun = first === each.name ? (taken.get(each.what) ?? 0) : 0
      return [
        { id: each.name, type: 'places', capacity: Math.max(each.places, begun), ...calendarOf(each.name) },
      ]
    }
    const most = placesIn(each)
    return most === undefined
      ? []
      : [{ id: each.name, type: 'batch', capacity: Math.max(1, Math.floor(most)), ...calendarOf(each.name) }]
  })
}

function stationIds(equipment: readonly LabEquipment[]): ReadonlyMap<string, string[]> {
  const ids = new Map<string, string[]>()
  for (const each of equipment)
    if (each.kind === 'station') ids.set(each.what, [...(ids.get(each.what) ?? []), each.name])
  return ids
}
function machinesByKind(equipment: readonly LabEquipment[]): ReadonlyMap<string, string[]> {
  const ids = new Map<string, string[]>()
  for (const { kind, name } of equipment) ids.set(kind, [...(ids.get(kind) ?? []), name])
  return ids
}
const hasTimer = (equipment: readonly LabEquipment[], name: string) =>
  equipment.some((each) => each.name === name && 'startsByTimer' in each && each.startsByTimer === true)
