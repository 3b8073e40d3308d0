import {
  amountsIn,
  type CaseState,
  currentSteps,
  isDelivered,
  isSettled,
  type JobState,
  type StepWindow,
  startedAt,
  stepWindow,
} from '../case/index.ts'
import { type LabCalendar, latestStart, type WorkStretch } from '../planning/index.ts'
import type { Saying } from '../quantity/index.ts'
import type { Amount, MachineKind, Picture, RouteStep, Stage, StepKind } from '../route/index.ts'

export type CaseStatus = 'open' | 'held' | 'asking' | 'away' | 'ended' | 'delivered'

/** A step that is running or may be started: what the bench needs of it. */
export interface BenchItem {
  readonly jobId: string
  readonly stepId: string
  readonly name: string
  readonly stage: Stage
  readonly kind: StepKind
  readonly picture?: Picture
  /** In which its work lies. */
  readonly machine?: MachineKind
  readonly running: boolean
  readonly startedAt?: number
  readonly window?: StepWindow
  /** Latest moment to begin it, so that the case is ready when due; ms since 1970. */
  readonly startBy: number
  readonly why: string
  readonly amounts: readonly Amount[]
  readonly attempt: number
}

/** What lists show of a case. Worked out when an event is written; nothing in it depends on the present time. */
export interface CaseSummary {
  readonly caseId: string
  /** Of the last event. */
  readonly sequence: number
  readonly docket: string
  readonly clinic: string
  readonly prescriber: string
  readonly patientCode: string
  readonly jobNames: readonly string[]
  readonly dueAt: number
  readonly receivedAt: number
  readonly status: CaseStatus
  /** Of the current step; `deliver` when there is none left. */
  readonly stage: Stage
  readonly startBy: number
  readonly stepsDone: number
  readonly stepsInAll: number
  readonly wentBack?: string
  readonly question?: { readonly jobId: string; readonly text: Saying; readonly since: number }
  readonly heldReason?: string
  /** Lots that ever went into it, of attempts that were given up too. */
  readonly lots: readonly string[]
  readonly items: readonly BenchItem[]
}

/** Sums a case up for lists. Slack is `startBy` minus the present time. */
export function caseSummary(caseId: string, state: CaseState, calendar: LabCalendar): CaseSummary {
  const { authorisation, jobs } = state
  const dueAt = Date.parse(authorisation.dueAt)
  const closed = state.ended !== undefined || isDelivered(state)
  const items = closed ? [] : jobs.flatMap((job) => benchItems(job, dueAt, calendar))
  const waiting = jobs.find((job) => job.question)
  const wentBack = jobs.find((job) => job.wentBack)?.wentBack
  const steps = jobs.flatMap((job) => job.route.steps.map((step) => job.steps[step.id]))
  return {
    caseId,
    sequence: state.sequence,
    docket: state.docket,
    clinic: authorisation.clinic,
    prescriber: authorisation.prescriber,
    patientCode: authorisation.patientCode,
    jobNames: jobs.map((job) => job.route.name),
    dueAt,
    receivedAt: Date.parse(state.receivedAt),
    status: statusOf(state, items),
    stage: items[0]?.stage ?? 'deliver',
    startBy: Math.min(dueAt, ...items.map((item) => item.startBy)),
    stepsDone: steps.filter(isSettled).length,
    stepsInAll: steps.length,
    ...(wentBack && !closed ? { wentBack: wentBack.reason } : {}),
    ...(waiting?.question && !closed
      ? {
          question: {
            jobId: waiting.jobId,
            text: waiting.question.question,
            since: Date.parse(waiting.question.since),
          },
        }
      : {}),
    lots: state.lots,
    ...(state.held ? { heldReason: state.held.reason } : {}),
    items,
  }
}

function statusOf(state: CaseState, items: readonly BenchItem[]): CaseStatus {
  if (state.ended) return 'ended'
  if (isDelivered(state)) return 'delivered'
  if (state.held) return 'held'
  if (state.jobs.some((job) => job.question)) return 'asking'
  return items.length > 0 && items.every((item) => item.running && item.kind === 'clinic') ? 'away' : 'open'
}

function benchItems(job: JobState, dueAt: number, calendar: LabCalendar): BenchItem[] {
  const { running, startable } = currentSteps(job)
  const item = (step: RouteStep, isRunning: boolean): BenchItem => {
    const state = job.steps[step.id]!
    const window = stepWindow(job, step)
    const begun = startedAt(state)
    return {
      jobId: job.jobId,
      stepId: step.id,
      name: step.name,
      stage: step.stage,
      kind: step.kind,
      ...(step.picture ? { picture: step.picture } : {}),
      ...(step.machine ? { machine: step.machine } : {}),
      running: isRunning,
      ...(begun ? { startedAt: Date.parse(begun) } : {}),
      ...(window ? { window } : {}),
      startBy: latestStart(remainingWork(job, step), dueAt, calendar),
      why: step.why,
      amounts: amountsIn(job, step),
      attempt: state.attempt,
    }
  }
  return [...running.map((step) => item(step, true)), ...startable.map((step) => item(step, false))]
}

/** The step and what is left after it, as one chain: parallel steps are counted one after the other, so it errs early. */
function remainingWork(job: JobState, from: RouteStep): WorkStretch[] {
  const index = job.route.steps.indexOf(from)
  return job.route.steps
    .slice(index)
    .filter((step) => !isSettled(job.steps[step.id]))
    .map(({ handsOnMinutes, waitMinutes = 0 }) => ({ handsOnMinutes, waitMinutes }))
}
