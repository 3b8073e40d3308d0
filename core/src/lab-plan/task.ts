import type { Skill, Station } from '../planning/index.ts'
import type { RouteStep, RouteTemplate, Stage } from '../route/index.ts'
import type { PlanSettings } from './settings.ts'

/** Hands on it; put into a machine, run there, taken out; waiting; at the clinic; over. */
export type TaskPart = 'hands' | 'load' | 'run' | 'wait' | 'out' | 'away' | 'been'

/** A stretch of a job as it is planned: one or several steps of the route, or a part of one. */
export interface Task {
  readonly id: string
  readonly part: TaskPart
  /** The steps of the route in it, each with when it begins within it. */
  readonly steps: readonly { readonly stepId: string; readonly name: string; readonly afterMinutes: number }[]
  readonly stage: Stage
  readonly minutes: number
  readonly skill?: Skill
  readonly mayPause?: true
  /** Of its minutes, standard deviation by mean, as the lab has timed them. */
  readonly spread?: number
  readonly program?: string
  /** It was begun, or is over: ms. */
  readonly begun?: { readonly from: number; readonly until: number; readonly by?: string }
  readonly clinicDays?: number
}
export interface TaskLink {
  readonly from: string
  readonly fromEvent: 'start' | 'end'
  readonly to: string
  readonly min: number
  readonly max?: number
}
export interface TaskHold {
  readonly id: string
  readonly station?: Station
  readonly machine?: NonNullable<RouteStep['machine']>
  /** The one in which it lies already. */
  readonly named?: string
  readonly from: string
  readonly to: string
  readonly toEvent: 'start' | 'end'
  readonly run?: string
}
/** What is left of a job, as tasks. */
export interface JobWork {
  readonly tasks: readonly Task[]
  readonly links: readonly TaskLink[]
  readonly holds: readonly TaskHold[]
  /** Steps whose longest wait is over, or cannot be kept: somebody has to decide. */
  readonly broken: readonly string[]
}

/** What lies in a machine: which, from when, until when; ms. */
export interface RunningIn {
  readonly machine: string
  readonly runId: string
  readonly from: number
  readonly until: number
}
export interface JobContext {
  /** Begins the ids: the docket and the job. */
  readonly name: string
  readonly now: number
  readonly template: RouteTemplate | undefined
  readonly minutes: (stepId: string) => PlanSettings['minutes'][string]
  readonly runningIn: (stepId: string) => RunningIn | undefined
  /** Longest waits behind what is done are let go: nobody can keep them. */
  readonly letWaitsGo: boolean
  /** Steps that are to keep their own task, since somebody has pinned them. */
  readonly pinned: ReadonlySet<string>
  /** When a case at the clinic is due back, ms. */
  readonly dueBack?: number
}

/** What a task is called: its first step, and how many more. */
export const taskName = ({ steps, part }: Pick<Task, 'steps' | 'part'>): string =>
  steps.length === 0 ? part : steps.map(({ name }) => name).join(', ')
