import type { CaseEvent, EventStamp, RecordedMix, WorkAuthorisation } from './case-event.ts'
import type { Check, Outcome, Route, RouteStep } from './route-template.ts'
import { judgeSheet, type SheetJudgement } from './sheet-rules.ts'
import type { SheetData, SheetOf, StepSheet } from './step-sheet.ts'

export type StepStatus = 'waiting' | 'running' | 'done' | 'skipped'

/** One reading of a check. A corrected one keeps what was first entered. */
export interface Reading extends EventStamp {
  readonly checkId: string
  readonly value?: number
  readonly answer?: string
  readonly corrected?: { readonly value?: number; readonly answer?: string; readonly reason: string }
}
export interface StepMix extends EventStamp, RecordedMix {
  readonly corrected?: {
    readonly powderGrams?: number
    readonly liquidMillilitres?: number
    readonly reason: string
  }
}

export interface RecordedSheet extends EventStamp {
  readonly sheetId: string
  readonly sheet: SheetData
}

/** A step as it stands. When it is opened again, a new attempt begins and the old one goes to `past`. */
export interface StepState {
  readonly status: StepStatus
  readonly attempt: number
  readonly startedAt?: string
  readonly startedBy?: string
  readonly finishedAt?: string
  readonly finishedBy?: string
  readonly outOfTimeReason?: string
  readonly skipReason?: string
  readonly readings: readonly Reading[]
  readonly mixes: readonly StepMix[]
  readonly sheets: readonly RecordedSheet[]
  /** Checks and sheets that failed and that the dentist has accepted. */
  readonly accepted: readonly string[]
  readonly past: readonly StepState[]
}

export interface DentistQuestion {
  readonly question: string
  readonly since: string
  readonly stepId?: string
  /** The check that asks; none when a person asked. */
  readonly checkId?: string
}

export interface JobState {
  readonly jobId: string
  readonly routeId: string
  readonly route: Route
  readonly steps: Readonly<Record<string, StepState>>
  readonly question?: DentistQuestion
  /** The last time it went back, until the step it went back to is finished again. */
  readonly wentBack?: {
    readonly toStepId: string
    readonly reason: string
    readonly at: string
    readonly remake: boolean
  }
  readonly remakes: number
}

export interface CaseState {
  readonly docket: string
  readonly authorisation: WorkAuthorisation
  readonly receivedAt: string
  readonly sequence: number
  readonly jobs: readonly JobState[]
  readonly held?: { readonly reason: string; readonly since: string }
  readonly ended?: { readonly reason: string; readonly at: string }
}

export type RouteLookup = (routeId: string) => Route

/**
 * The state of a case, from its events alone: the same on the server and in the browser.
 * @param routes gives the immutable copy that an event names
 * @throws {Error} when the first event is not `caseReceived` or the sequence has a gap: the record is damaged
 */
export function caseState(events: readonly CaseEvent[], routes: RouteLookup): CaseState {
  const [first, ...rest] = events
  if (first?.type !== 'caseReceived' || first.sequence !== 1)
    throw new Error('The first event of a case must be its receipt, with sequence 1.')
  let state: CaseState = {
    docket: first.docket,
    authorisation: first.authorisation,
    receivedAt: first.at,
    sequence: 1,
    jobs: first.jobs.map(({ jobId, routeId }) => {
      const route = routes(routeId)
      return { jobId, routeId, route, steps: freshSteps(route), remakes: 0 }
    }),
  }
  for (const event of rest) state = applyEvent(state, event, routes)
  return state
}

const freshStep: StepState = {
  status: 'waiting',
  attempt: 1,
  readings: [],
  mixes: [],
  sheets: [],
  accepted: [],
  past: [],
}

function freshSteps(route: Route): Record<string, StepState> {
  return Object.fromEntries(route.steps.map((step) => [step.id, freshStep]))
}

/** One event further. @throws {Error} when the sequence has a gap */
export function applyEvent(state: CaseState, event: CaseEvent, routes: RouteLookup): CaseState {
  if (event.sequence !== state.sequence + 1)
    throw new Error(`Event ${event.sequence} cannot follow event ${state.sequence}.`)
  const next = { ...state, sequence: event.sequence }
  switch (event.type) {
    case 'caseReceived':
      throw new Error('A case is received once.')
    case 'authorisationAmended':
      return { ...next, authorisation: { ...state.authorisation, ...event.changes } }
    case 'held':
      return { ...next, held: { reason: event.reason, since: event.at } }
    case 'released':
      return { ...next, held: undefined }
    case 'noted':
      return next
    case 'corrected':
      return { ...next, jobs: state.jobs.map((job) => correctIn(job, event)) }
    case 'dentistAnswered':
      if (event.decision === 'end') return { ...next, ended: { reason: event.answer, at: event.at } }
      return { ...next, jobs: mapJob(state, event.jobId, (job) => answerIn(job, event)) }
    default:
      return { ...next, jobs: mapJob(state, event.jobId, (job) => applyToJob(job, event, routes)) }
  }
}

function mapJob(state: CaseState, jobId: string, change: (job: JobState) => JobState): JobState[] {
  return state.jobs.map((job) => (job.jobId === jobId ? change(job) : job))
}

type JobEvent = Extract<
  CaseEvent,
  {
    type:
      | 'stepStarted'
      | 'stepFinished'
      | 'stepSkipped'
      | 'checkRecorded'
      | 'mixRecorded'
      | 'sheetRecorded'
      | 'wentBack'
      | 'variantSwapped'
      | 'dentistAsked'
  }
>

function applyToJob(job: JobState, event: JobEvent, routes: RouteLookup): JobState {
  const { sequence, at, by } = event
  const stamp = { sequence, at, by }
  switch (event.type) {
    case 'stepStarted':
      return setStep(job, event.stepId, (step) => ({
        ...step,
        status: 'running',
        startedAt: at,
        startedBy: by,
        outOfTimeReason: event.outOfTimeReason,
      }))
    case 'stepFinished': {
      const done = setStep(job, event.stepId, (step) => ({
        ...step,
        status: 'done',
        finishedAt: at,
        finishedBy: by,
        outOfTimeReason: event.outOfTimeReason ?? step.outOfTimeReason,
      }))
      return job.wentBack?.toStepId === event.stepId ? { ...done, wentBack: undefined } : done
    }
    case 'stepSkipped':
      return setStep(job, event.stepId, (step) => ({
        ...step,
        status: 'skipped',
        finishedAt: at,
        finishedBy: by,
        skipReason: event.reason,
      }))
    case 'checkRecorded': {
      const reading: Reading = { ...stamp, checkId: event.checkId, value: event.value, answer: event.answer }
      return withQuestion(
        setStep(job, event.stepId, (step) => ({
          ...step,
          readings: [...step.readings, reading],
          accepted: step.accepted.filter((id) => id !== event.checkId),
        })),
        event.stepId,
        at,
      )
    }
    case 'mixRecorded': {
      const { type: _type, jobId: _jobId, stepId, ...mix } = event
      return setStep(job, stepId, (step) => ({ ...step, mixes: [...step.mixes, mix] }))
    }
    case 'sheetRecorded': {
      const { sheetId, sheet } = event
      return setStep(job, event.stepId, (step) => ({
        ...step,
        sheets: [...step.sheets, { ...stamp, sheetId, sheet }],
        accepted: step.accepted.filter((id) => id !== sheetId),
      }))
    }
    case 'wentBack':
      return goBack(job, event.toStepId, event.remake, event.reason, at)
    case 'variantSwapped': {
      const route = routes(event.routeId)
      const steps = Object.fromEntries(route.steps.map((step) => [step.id, job.steps[step.id] ?? freshStep]))
      return { ...job, routeId: event.routeId, route, steps }
    }
    case 'dentistAsked':
      return { ...job, question: { question: event.question, since: at, stepId: event.stepId } }
  }
}

function setStep(job: JobState, stepId: string, change: (step: StepState) => StepState): JobState {
  const step = job.steps[stepId]
  if (!step) throw new Error(`The route of job ${job.jobId} has no step ${stepId}.`)
  return { ...job, steps: { ...job.steps, [stepId]: change(step) } }
}

/** Opens or withdraws the question that a failing check of this step puts to the dentist. */
function withQuestion(job: JobState, stepId: string, at: string): JobState {
  if (job.question && (job.question.checkId === undefined || job.question.stepId !== stepId)) return job
  const step = stepOf(job, stepId)
  const asking = failingChecks(step, job.steps[stepId]!).find(
    ({ outcome }) => outcome.verdict === 'askDentist',
  )
  if (!asking || asking.outcome.verdict === 'pass') return { ...job, question: undefined }
  if (job.question?.checkId === asking.check.id) return job
  return { ...job, question: { question: asking.outcome.say, since: at, stepId, checkId: asking.check.id } }
}

function answerIn(job: JobState, event: Extract<CaseEvent, { type: 'dentistAnswered' }>): JobState {
  const { stepId, checkId } = job.question ?? {}
  const answered: JobState = { ...job, question: undefined }
  if (event.decision === 'proceed') {
    if (!stepId) return answered
    // Asked by a person about a step: what does not pass on its sheets is what was asked about.
    const ids = checkId ? [checkId] : failingSheets(stepOf(job, stepId), job).map(({ sheet }) => sheet.id)
    return setStep(answered, stepId, (step) => ({ ...step, accepted: [...step.accepted, ...ids] }))
  }
  if (!event.toStepId) return answered
  return goBack(answered, event.toStepId, event.decision === 'remake', event.answer, event.at)
}

/** The step gone back to and everything that follows from it open again; what is done only once stays, but for a remake. */
function goBack(job: JobState, toStepId: string, remake: boolean, reason: string, at: string): JobState {
  const steps = { ...job.steps }
  for (const step of reopenedSteps(job.route, toStepId, remake)) {
    const was = steps[step.id]!
    if (
      was.status === 'waiting' &&
      was.readings.length === 0 &&
      was.mixes.length === 0 &&
      was.sheets.length === 0
    )
      continue
    steps[step.id] = { ...freshStep, attempt: was.attempt + 1, past: [...was.past, { ...was, past: [] }] }
  }
  return {
    ...job,
    steps,
    question: undefined,
    wentBack: { toStepId, reason, at, remake },
    remakes: job.remakes + (remake ? 1 : 0),
  }
}

/**
 * The steps that open again when a job goes back to one of its steps: that step and all that come after it.
 * Steps marked `onlyOnce` stay done, unless it is a remake.
 */
export function reopenedSteps(route: Route, toStepId: string, remake: boolean): RouteStep[] {
  const open = new Set([toStepId])
  const reopened: RouteStep[] = []
  for (const step of route.steps) {
    if (step.id !== toStepId && !step.after.some((id) => open.has(id))) continue
    open.add(step.id)
    if (step.id === toStepId || remake || !step.onlyOnce) reopened.push(step)
  }
  return reopened
}

function correctIn(job: JobState, event: Extract<CaseEvent, { type: 'corrected' }>): JobState {
  for (const [stepId, step] of Object.entries(job.steps)) {
    if (step.readings.some((r) => r.sequence === event.corrects)) {
      const readings = step.readings.map((r): Reading => {
        if (r.sequence !== event.corrects) return r
        const corrected = { value: r.value, answer: r.answer, reason: event.reason }
        return { ...r, value: event.value, answer: event.answer, corrected }
      })
      const checkId = readings.find((r) => r.sequence === event.corrects)!.checkId
      const accepted = step.accepted.filter((id) => id !== checkId)
      return withQuestion(
        setStep(job, stepId, () => ({ ...step, readings, accepted })),
        stepId,
        event.at,
      )
    }
    if (step.mixes.some((m) => m.sequence === event.corrects)) {
      const mixes = step.mixes.map((m): StepMix => {
        if (m.sequence !== event.corrects) return m
        const { powderGrams, liquidMillilitres } = m
        const corrected = { powderGrams, liquidMillilitres, reason: event.reason }
        return {
          ...m,
          powderGrams: event.powderGrams ?? powderGrams,
          liquidMillilitres: event.liquidMillilitres ?? liquidMillilitres,
          corrected,
        }
      })
      return setStep(job, stepId, () => ({ ...step, mixes }))
    }
  }
  return job
}

/** The step of a job's route. @throws {Error} when it has none of that id */
export function stepOf(job: JobState, stepId: string): RouteStep {
  const step = job.route.steps.find((s) => s.id === stepId)
  if (!step) throw new Error(`The route of job ${job.jobId} has no step ${stepId}.`)
  return step
}

/** What a reading means by the check's limits or answers. */
export function readingOutcome(check: Check, reading: Pick<Reading, 'value' | 'answer'>): Outcome {
  if (check.kind === 'observe')
    return (
      check.answers.find((a) => a.answer === reading.answer)?.outcome ?? {
        verdict: 'adjust',
        say: 'Check again.',
      }
    )
  const value = reading.value ?? Number.NaN
  if (check.min !== undefined && !(value >= check.min))
    return check.below ?? { verdict: 'adjust', say: check.how }
  if (check.max !== undefined && !(value <= check.max))
    return check.above ?? { verdict: 'adjust', say: check.how }
  return { verdict: 'pass' }
}

/** The checks of a step whose last reading does not pass and was not accepted by the dentist. */
export function failingChecks(
  step: RouteStep,
  state: StepState,
): { readonly check: Check; readonly reading: Reading; readonly outcome: Outcome }[] {
  return (step.checks ?? []).flatMap((check) => {
    const reading = state.readings.findLast((r) => r.checkId === check.id)
    if (!reading || state.accepted.includes(check.id)) return []
    const outcome = readingOutcome(check, reading)
    return outcome.verdict === 'pass' ? [] : [{ check, reading, outcome }]
  })
}

/** The sheets of a step whose last entry does not pass and was not accepted by the dentist, with what does not. */
export function failingSheets(
  step: RouteStep,
  job: JobState,
): ({ readonly sheet: StepSheet } & SheetJudgement)[] {
  const state = job.steps[step.id]!
  return (step.sheets ?? []).flatMap((sheet) => {
    const last = state.sheets.findLast((each) => each.sheetId === sheet.id)
    if (!last || state.accepted.includes(sheet.id)) return []
    const judged = judgeSheet(sheet, last.sheet, (of) => recordedSheet(job, of))
    return judged.faults.length > 0 ? [{ sheet, ...judged }] : []
  })
}

/** The last entry of a sheet that is on record in a job. */
export function recordedSheet(job: JobState, { stepId, sheetId }: SheetOf): SheetData | undefined {
  return job.steps[stepId]?.sheets.findLast((each) => each.sheetId === sheetId)?.sheet
}

/** The checks of a step that still want a reading. */
export function openChecks(step: RouteStep, state: StepState): Check[] {
  return (step.checks ?? []).filter(
    (check) => state.readings.filter((r) => r.checkId === check.id).length < (check.readings ?? 1),
  )
}

/** Whether every step of every job is done or skipped. */
export function isDelivered(state: CaseState): boolean {
  return state.jobs.every((job) => job.route.steps.every((step) => isSettled(job.steps[step.id])))
}

export function isSettled(step: StepState | undefined): boolean {
  return step?.status === 'done' || step?.status === 'skipped'
}

/** The steps of a job that are running, and those that may be started now: all before them settled. */
export function stepsInHand(job: JobState): {
  readonly running: RouteStep[]
  readonly startable: RouteStep[]
} {
  const running = job.route.steps.filter((step) => job.steps[step.id]?.status === 'running')
  const startable = job.route.steps.filter(
    (step) => job.steps[step.id]?.status === 'waiting' && step.after.every((id) => isSettled(job.steps[id])),
  )
  return { running, startable }
}
