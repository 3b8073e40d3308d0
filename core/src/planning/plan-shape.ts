import {
  byTag,
  choice,
  figure,
  id,
  list,
  maybe,
  named,
  type Of,
  record,
  text,
  two,
  whole,
  yesNo,
} from '../shape/index.ts'

/** Minutes from a local Monday 00:00; at most about two years on. */
const minute = (notes = {}) => whole(0, 1_000_000, notes)
const windows = list(two(minute()), 4000)
const end = choice(['start', 'end'])

const frozenShape = record({ startMinute: minute(), endMinute: minute(), personId: maybe(id()) })
const ofEveryStep = {
  id: id(),
  caseId: id(),
  stage: text(80),
  minutes: whole(0, 100_000),
  /** Not before. */
  earliestMinute: maybe(minute()),
  /** Promised to be ended by then. */
  promisedMinute: maybe(minute()),
  /** It was started: it keeps its start, its expected end and its person, whatever the calendars say. */
  frozen: maybe(frozenShape),
}
const stepShape = byTag('kind', {
  /** Hands of one person with the skill, held from start to end. `mayPause`: it may run over a break, a night, a weekend. */
  attended: record({
    ...ofEveryStep,
    skill: id(),
    mayPause: maybe(yesNo()),
    /** Of its minutes, standard deviation by mean, where the lab has timed it. */
    spread: maybe(figure(0, 2)),
    /** Pinned to a start. */
    pinnedMinute: maybe(minute()),
    /** Pinned to a person. */
    personId: maybe(id()),
    samePersonAs: maybe(id()),
  }),
  /** By itself, day and night. */
  wait: record(ofEveryStep),
  /** In a batch machine: what has the same program and the same start is one batch. */
  program: record({ ...ofEveryStep, program: text(120) }),
  /** Away: leaves in an open window of its calendar, is back when so many further windows have opened. */
  clinic: record({
    ...ofEveryStep,
    calendar: id(),
    clinicDays: whole(0, 60),
    returnsAtMinute: maybe(minute()),
  }),
})
export type PlanStep = Of<typeof stepShape>
export type PlanStepOf<K extends PlanStep['kind']> = Extract<PlanStep, { readonly kind: K }>

const linkShape = record({
  from: id(),
  fromEvent: maybe(end),
  /** Its start. */
  to: id(),
  minMinutes: whole(0, 100_000),
  maxMinutes: maybe(whole(0, 100_000)),
})
export type PlanLink = Of<typeof linkShape>

/** A machine taken from one event to another, at one of several machines. */
const holdShape = record({
  id: id(),
  machineIds: list(id(), 40, 1),
  size: whole(0, 1000),
  fromStep: id(),
  fromEvent: end,
  toStep: id(),
  toEvent: end,
  /** The program that it waits for and runs in; on a batch machine alone. */
  programStep: maybe(id()),
})
export type PlanHold = Of<typeof holdShape>

const weight = (example: number) => figure(0, 100_000, { example })
export const planInstanceShape = record({
  format: choice(['laboratory-plan 1']),
  name: text(120),
  seed: maybe(whole(0, 4_294_967_295)),
  nowMinute: minute(),
  horizonMinute: minute(),
  weights: record({ late: weight(10), flow: weight(0.1), idle: weight(0.01), moved: weight(1) }),
  bottleneckMachineId: maybe(id()),
  /** Open windows, sorted, disjoint, half open. */
  calendars: named(windows, 200),
  persons: list(record({ id: id(), skills: list(id(), 40), calendar: id() }), 100),
  machines: list(
    record({ id: id(), type: choice(['places', 'batch']), capacity: whole(1, 1000), calendar: maybe(id()) }),
    200,
  ),
  cases: list(
    record({
      id: id(),
      route: text(120),
      releaseMinute: minute(),
      dueMinute: minute(),
      weight: figure(0, 1000, { example: 1 }),
    }),
    1000,
  ),
  steps: list(stepShape, 30_000),
  links: list(linkShape, 60_000),
  holds: list(holdShape, 30_000),
  previous: maybe(
    record({
      stableUntilMinute: minute(),
      steps: list(record({ id: id(), startMinute: minute(), personId: maybe(id()) }), 30_000),
    }),
  ),
})
/** What is to be planned. Times are whole minutes from a local Monday 00:00; the real clock belongs to who makes it. */
export type PlanInstance = Of<typeof planInstanceShape>

export interface PlannedStep {
  readonly id: string
  readonly startMinute: number
  readonly endMinute: number
  readonly personId?: string
}
export interface Plan {
  readonly instance: string
  readonly steps: readonly PlannedStep[]
  /** On which of its machines a hold is; one without a machine is not among them. */
  readonly holds: readonly { readonly id: string; readonly machineId: string }[]
}

/** Minutes late at promised ends, weighed; it goes before the cost. */
export interface PlanWorth {
  readonly promised: number
  readonly cost: number
}
export const isBetter = (a: PlanWorth, b: PlanWorth) =>
  a.promised < b.promised || (a.promised === b.promised && a.cost < b.cost)
