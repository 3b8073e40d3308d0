import {
  type BoardBar,
  choice,
  figure,
  holidaysShape,
  id,
  instant,
  maybe,
  named,
  type Pin,
  type Plan,
  type PlanInstance,
  type PlanPerson,
  type PlanSettings,
  type PlanWorth,
  type Priority,
  pinShape,
  planPersonShape,
  priorities,
  record,
  text,
  typedAs,
  words,
} from '@yentrik/core'
import { nothing, result, results, route } from './route.ts'

/** A stretch of work as it is planned. All times in ms since 1970. */
export interface PlanBar extends BoardBar {
  readonly pinned?: true
}
/** A place or a machine taken by a case, and when its program runs. */
export interface PlanLoad {
  readonly id: string
  readonly machine: string
  readonly caseId: string
  readonly docket: string
  readonly at: number
  readonly until: number
  readonly runs?: { readonly at: number; readonly until: number; readonly program: string }
}
export interface PlanCase {
  readonly caseId: string
  readonly docket: string
  readonly jobName: string
  readonly clinic: string
  readonly dueAt: number
  readonly endsAt: number
  readonly priority: Priority
  /** Of being ready when due; left out until it is worked out. */
  readonly chance?: number
  /** Somebody must decide: a longest wait cannot be kept, or the pin of a step. */
  readonly broken?: readonly { readonly stepId: string; readonly name: string }[]
  readonly pinLost?: true
}
/** What a person or machine was at while a step waited. */
export interface PlanBlocker {
  /** Their name; of a machine, as the lab calls it. */
  readonly who: string
  readonly docket?: string
  readonly stepName?: string
  readonly at: number
  readonly until: number
}
export type PlanCause =
  | { readonly kind: 'people' | 'machine'; readonly by: readonly PlanBlocker[] }
  | { readonly kind: 'heldBack'; readonly stepName: string; readonly withinMinutes: number }
  | { readonly kind: 'together'; readonly dockets: readonly string[] }
  | { readonly kind: 'timer' | 'closed' | 'nothing' }
/** One link of the chain that makes a case late. */
export interface PlanChainLink {
  readonly barId: string
  readonly stepName: string
  readonly readyAt: number
  readonly at: number
  readonly until: number
  readonly cause?: PlanCause
}
/** What would have it ready sooner: one of something more, or another case out of the way. */
export interface PlanAdvice {
  readonly kind: 'machine' | 'person' | 'case'
  readonly name: string
  readonly soonerMinutes: number
  readonly onTime: boolean
}
export interface PlanLate {
  readonly caseId: string
  readonly docket: string
  readonly lateMinutes: number
  readonly chain: readonly PlanChainLink[]
  readonly advice: readonly PlanAdvice[]
}
/** A machine to be loaded before the lab closes. */
export interface PlanTonight {
  readonly caseIds: readonly string[]
  readonly machine: string
  readonly kind: string
  readonly dockets: readonly string[]
  readonly loadBy: number
  readonly startsAt: number
  readonly runsMinutes: number
  readonly outAt: number
  /** What the latest load hangs on. */
  readonly limit: 'closing' | 'program' | 'before'
  readonly startsByTimer: boolean
}
export interface PlanRow {
  readonly id: string
  readonly name: string
  /** When they are there, or it can be used, within what is shown. */
  readonly open: readonly (readonly [number, number])[]
  /** Of machines: how much goes in, and what it is. */
  readonly places?: number
  readonly kind?: string
  readonly batch?: boolean
}
export interface PlanShown {
  /** Otherwise the server is told to make none. */
  readonly makesPlans: boolean
  /** None yet: the first is being made, or there is nothing to plan. */
  readonly madeAt: number | null
  readonly now: number
  readonly isSearching: boolean
  readonly from: number
  readonly until: number
  readonly open: readonly (readonly [number, number])[]
  readonly people: readonly PlanRow[]
  readonly machines: readonly PlanRow[]
  readonly bars: readonly PlanBar[]
  readonly loads: readonly PlanLoad[]
  readonly cases: readonly PlanCase[]
  readonly late: readonly PlanLate[]
  readonly tonight: readonly PlanTonight[]
  readonly notPlanned: readonly {
    readonly caseId: string
    readonly docket: string
    readonly why: 'held' | 'noPlace' | 'damaged'
  }[]
  readonly rounds: number
  readonly worth: PlanWorth | null
}

/** A date for a case that is not taken in yet. */
export interface Promised {
  readonly endsAt: number
  /** By when it is ready in 80 and in 95 of a hundred. */
  readonly by80: number
  readonly by95: number
  /** Chance of the date that was asked for. */
  readonly chance?: number
  /** Cases that it would push, by how much. */
  readonly pushes: readonly {
    readonly docket: string
    readonly laterMinutes: number
    readonly isLate: boolean
  }[]
}
/** The plan of one case: when each step is planned, and what is to come in the next hours. */
export interface CasePlan {
  readonly endsAt: number
  readonly dueAt: number
  readonly steps: readonly {
    readonly jobId: string
    readonly stepId: string
    readonly at: number
    readonly until: number
    readonly person?: string
  }[]
  readonly bars: readonly (PlanBar & { readonly person?: string })[]
  readonly loads: readonly PlanLoad[]
  readonly broken: readonly string[]
}

/** The instance and the plan, for other solvers and for what-if. */
export interface PlanDocument {
  readonly base: number
  readonly instance: PlanInstance
  readonly plan: Plan
  readonly names: Readonly<Record<string, string>>
}
export interface PlanFeed {
  readonly feedId: string
  /** Whose; none: of the whole lab. */
  readonly personId: string | null
  readonly address: string
  readonly madeAt: string
}

const settings = result<PlanSettings>('Skills, hours, days off, holidays, own minutes, pins')

export const planningRoutes = {
  'GET /plan': route({
    room: 'planning',
    summary: 'The plan of people and machines: bars, what is late and why, what to load tonight',
    query: record({ days: maybe(choice(['1', '3', '7'])) }),
    answer: result<PlanShown>('The plan'),
  }),
  'GET /plan/cases/:caseId': route({
    room: 'planning',
    summary: 'When each step of a case is planned; null: it is in no plan',
    answer: result<{ readonly plan: CasePlan | null }>('The plan of the case'),
  }),
  'GET /plan/document': route({
    room: 'planning',
    summary: 'Instance and plan as JSON (laboratory-plan 1), for other solvers',
    answer: result<PlanDocument>('Instance and plan'),
  }),
  'GET /plan/csv': route({
    room: 'planning',
    summary: 'The planned steps, one a line',
    answer: text(10_000_000),
  }),
  'GET /calendar/:secret': route({
    room: 'planning',
    summary: 'The plan as a calendar (iCalendar), for whoever has the address',
    answer: text(10_000_000),
    open: true,
  }),
  'POST /plan/anew': route({
    room: 'planning',
    right: 'decide',
    summary: 'Plan again without regard to the plan that there is',
    answer: nothing,
    status: 204,
  }),
  'POST /plan/promise': route({
    room: 'planning',
    summary: 'When a case that is not taken in yet could be ready, and what it would push',
    body: record({
      templateId: id('complete-denture'),
      choices: named(text(80), 60),
      dueAt: maybe(instant()),
      priority: maybe(choice(priorities)),
    }),
    answer: result<Promised>('A date with its chance'),
  }),
  'POST /plan/latest-load': route({
    room: 'planning',
    summary: 'The latest that a step can be put into its machine, so that it is out by a time',
    body: record({ caseId: id(), jobId: id('job-1'), stepId: id('cure-long'), outBy: instant() }),
    answer: record({
      loadAt: figure(0, 1e14),
      startsAt: figure(0, 1e14),
      outAt: figure(0, 1e14),
      isTooLate: maybe(typedAs<boolean>({ type: 'boolean' })),
    }),
  }),
  'GET /plan/settings': route({
    room: 'planning',
    summary: 'What the lab says of its planning',
    answer: settings,
  }),
  'PUT /plan/people/:personId': route({
    room: 'planning',
    right: 'lead',
    summary: 'What somebody can do and when they are there',
    body: planPersonShape,
    answer: result<PlanPerson>('As it is now'),
  }),
  'POST /plan/calendar': route({
    room: 'planning',
    right: 'lead',
    summary: 'Take days off from a calendar (iCalendar): of a person, or holidays of the lab',
    body: record({ personId: maybe(id()), calendar: words(500_000) }),
    answer: record({ taken: figure(0, 1e6) }),
  }),
  'PUT /plan/holidays': route({
    room: 'planning',
    right: 'lead',
    summary: 'Days on which the lab is closed',
    body: record({ holidays: holidaysShape }),
    answer: settings,
  }),
  'PUT /plan/minutes': route({
    room: 'planning',
    right: 'lead',
    summary: 'Minutes of a step as the lab has timed it; without both, those of the route again',
    body: record({
      templateId: id('complete-denture'),
      stepId: id('trim-master'),
      hands: maybe(figure(0, 10_000)),
      wait: maybe(figure(0, 100_000)),
    }),
    answer: settings,
  }),
  'PUT /plan/priority/:caseId': route({
    room: 'planning',
    right: 'decide',
    summary: 'How soon a case is wanted, beside its date',
    body: record({ priority: choice(priorities) }),
    answer: settings,
  }),
  'POST /plan/pins': route({
    room: 'planning',
    right: 'decide',
    summary: 'Put a step at a time, or into the hands of somebody',
    body: pinShape,
    answer: results<Pin>('A pin'),
  }),
  'POST /plan/unpin': route({
    room: 'planning',
    right: 'decide',
    summary: 'Let a step go where it fits again',
    body: record({ caseId: id(), jobId: id('job-1'), stepId: id() }),
    answer: results<Pin>('A pin'),
  }),
  'GET /plan/feeds': route({
    room: 'planning',
    summary: 'Calendar addresses that were given out',
    answer: results<PlanFeed>('A feed'),
  }),
  'POST /plan/feeds': route({
    room: 'planning',
    right: 'decide',
    summary: 'Give out a calendar address, of a person or of the lab; whoever has it can read, nobody else',
    body: record({ personId: maybe(id()) }),
    answer: result<PlanFeed>('The feed'),
    status: 201,
  }),
  'DELETE /plan/feeds/:feedId': route({
    room: 'planning',
    right: 'decide',
    summary: 'Take a calendar address back',
    answer: nothing,
    status: 204,
  }),
}
