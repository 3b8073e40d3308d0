import { chargeOf } from '../casting/index.ts'
import type { Route, RouteStep } from '../route/index.ts'
import type { SheetData } from '../sheet/index.ts'
import { carriedSteps } from './carry-over.ts'
import type { CaseEvent, EventOfType } from './case-event.ts'
import { failingChecks, failingSheets, stepOf } from './job.ts'
import type { CaseState, JobState } from './state.ts'
import {
  finished,
  freshStep,
  goingOn,
  paused,
  type Reading,
  type RecordedSheet,
  reopened,
  type StepMix,
  type StepState,
  skipped,
  started,
} from './step-state.ts'

export type RouteLookup = (routeId: string) => Route

/**
 * The state of a case, from its events alone: the same on the server and in the browser.
 * @param routes gives the immutable copy that an event names
 * @throws {Error} when the first event is not `caseReceived`, the sequence has a gap or a step cannot move so: the record is
 * damaged
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
    lots: lotsCarried(first),
    ...(first.cameBack ? { cameBack: first.cameBack } : {}),
    jobs: first.jobs.map(({ jobId, routeId, impressions = [], carried = [], fromStepId }) => {
      const route = routes(routeId)
      const steps = { ...freshSteps(route), ...carriedSteps(carried) }
      return { jobId, routeId, route, steps, impressions, remakes: 0, ...(fromStepId ? { fromStepId } : {}) }
    }),
  }
  const gone = withdrawals(rest)
  for (const event of rest) state = applyStanding(state, event, routes, gone)
  return state
}

/** One event further in a record of which it is known what was withdrawn. @throws {Error} as `applyEvent` */
export function applyStanding(
  state: CaseState,
  event: CaseEvent,
  routes: RouteLookup,
  gone: ReadonlyMap<number, number>,
): CaseState {
  return event.type === 'withdrawn' || gone.has(event.sequence)
    ? { ...state, sequence: following(state, event) }
    : applyEvent(state, event, routes)
}

/** What was withdrawn, each with the entry that did. */
export function withdrawals(events: readonly CaseEvent[]): ReadonlyMap<number, number> {
  return new Map(
    events.flatMap((event) => (event.type === 'withdrawn' ? [[event.withdraws, event.sequence]] : [])),
  )
}

/** A record without what was withdrawn: what was mixed, melted and read. */
export function standing(events: readonly CaseEvent[]): readonly CaseEvent[] {
  const gone = withdrawals(events)
  return gone.size === 0 ? events : events.filter(({ sequence }) => !gone.has(sequence))
}

function following(state: CaseState, event: CaseEvent): number {
  if (event.sequence !== state.sequence + 1)
    throw new Error(`Event ${event.sequence} cannot follow event ${state.sequence}.`)
  return event.sequence
}

/** The lots that work brought along which came back. */
function lotsCarried({ jobs }: EventOfType<'caseReceived'>): readonly string[] {
  const used = jobs.flatMap(({ carried = [] }) =>
    carried.flatMap(({ mixes, sheets }) => [
      ...mixes.flatMap(({ lots }) => lots),
      ...sheets.flatMap(({ sheet }) => lotsMelted(sheet)),
    ]),
  )
  return [...new Set(used)]
}

const lotsMelted = (sheet: SheetData) =>
  sheet.kind === 'charge' ? chargeOf(sheet.pieces).lots.map(({ lotId }) => lotId) : []

function freshSteps(route: Route): Record<string, StepState> {
  return Object.fromEntries(route.steps.map((step) => [step.id, freshStep]))
}

/** One event further; not one that withdraws another. @throws {Error} when the sequence has a gap, or a step cannot move so */
export function applyEvent(state: CaseState, event: CaseEvent, routes: RouteLookup): CaseState {
  const next = { ...state, sequence: following(state, event) }
  switch (event.type) {
    case 'caseReceived':
      throw new Error('A case is received once.')
    case 'withdrawn':
      throw new Error('What is withdrawn is left out of the whole record: begin again from its first event.')
    case 'imported':
      return { ...next, imported: { sequence: event.sequence, ...(event.lab ? { lab: event.lab } : {}) } }
    case 'cameBack':
      return { ...next, cameBackAs: { caseId: event.caseId, docket: event.docket } }
    case 'authorisationAmended':
      return { ...next, authorisation: { ...state.authorisation, ...event.changes } }
    case 'held':
      return { ...next, held: { reason: event.reason, since: event.at } }
    case 'released':
      return { ...next, held: undefined }
    case 'noted':
    case 'promised':
    case 'causeFound':
      return next
    case 'corrected':
      return {
        ...next,
        lots: [...new Set([...state.lots, ...(event.lots ?? [])])],
        jobs: state.jobs.map((job) => correctIn(job, event)),
      }
    case 'dentistAnswered':
      if (event.decision === 'end') return { ...next, ended: { reason: event.answer, at: event.at } }
      return { ...next, jobs: mapJob(state, event.jobId, (job) => answerIn(job, event)) }
    default:
      return {
        ...next,
        lots: withLots(state.lots, event),
        jobs: mapJob(state, event.jobId, (job) => applyToJob(job, event, routes)),
      }
  }
}

function mapJob(state: CaseState, jobId: string, change: (job: JobState) => JobState): JobState[] {
  return state.jobs.map((job) => (job.jobId === jobId ? change(job) : job))
}

type JobEvent = Exclude<
  CaseEvent,
  {
    type:
      | 'caseReceived'
      | 'imported'
      | 'cameBack'
      | 'authorisationAmended'
      | 'held'
      | 'released'
      | 'noted'
      | 'promised'
      | 'causeFound'
      | 'corrected'
      | 'withdrawn'
      | 'dentistAnswered'
  }
>

function withLots(lots: readonly string[], event: JobEvent): readonly string[] {
  const used =
    event.type === 'mixRecorded' ? event.lots : event.type === 'sheetRecorded' ? lotsMelted(event.sheet) : []
  return used.length === 0 ? lots : [...new Set([...lots, ...used])]
}

function applyToJob(job: JobState, event: JobEvent, routes: RouteLookup): JobState {
  const { sequence, at: entered, by } = event
  // What was not tapped in time counts from when it really was.
  const at = ('realAt' in event && event.realAt) || entered
  const stamp = { sequence, at, by }
  switch (event.type) {
    case 'stepStarted':
      return setStep(job, event.stepId, (step) => started(step, stamp, event.outOfTimeReason))
    case 'stepFinished': {
      const done = setStep(job, event.stepId, (step) => finished(step, stamp, event.outOfTimeReason))
      return job.wentBack?.toStepId === event.stepId ? { ...done, wentBack: undefined } : done
    }
    case 'stepSkipped':
      return setStep(job, event.stepId, (step) => skipped(step, stamp, event.reason))
    case 'checkRecorded': {
      const { checkId, tooth, value, answer } = event
      const reading: Reading = { ...stamp, checkId, ...(tooth === undefined ? {} : { tooth }), value, answer }
      const read = setStep(job, event.stepId, (step) => ({
        ...goingOn(step),
        readings: [...step.readings, reading],
      }))
      return withQuestion(read, event.stepId, at)
    }
    case 'mixRecorded': {
      const { type: _type, jobId: _jobId, stepId, ...mix } = event
      return setStep(job, stepId, (step) => ({ ...goingOn(step), mixes: [...step.mixes, mix] }))
    }
    case 'sheetRecorded': {
      const { sheetId, sheet } = event
      return setStep(job, event.stepId, (step) => ({
        ...goingOn(step),
        sheets: [...step.sheets, { ...stamp, sheetId, sheet }],
      }))
    }
    case 'paused':
      return setStep(job, event.stepId, (step) => paused(step, at))
    case 'resumed':
      return setStep(job, event.stepId, goingOn)
    case 'impressionsRecorded':
      return { ...job, impressions: event.impressions }
    case 'wentBack': {
      const back = goBack(job, event.toStepId, event.remake, event.reason, at)
      if (event.awaits === undefined) return back
      return {
        ...back,
        question: { question: event.awaits, since: at, stepId: event.toStepId },
        // A new one comes: the hour of the old one says nothing of it.
        impressions: job.impressions.map(({ takenAt: _old, ...impression }) => impression),
      }
    }
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
  const open = failingChecks(step, job.steps[stepId]!).find(({ outcome }) => outcome.verdict === 'askDentist')
  if (!open || open.outcome.verdict === 'pass') return { ...job, question: undefined }
  if (job.question?.checkId === open.check.id) return job
  return { ...job, question: { question: open.outcome.say, since: at, stepId, checkId: open.check.id } }
}

function answerIn(job: JobState, event: EventOfType<'dentistAnswered'>): JobState {
  const { stepId, checkId } = job.question ?? {}
  const answered: JobState = { ...job, question: undefined }
  if (event.decision === 'proceed') {
    if (!stepId) return answered
    const step = stepOf(job, stepId)
    // Asked by a person about a step: what does not pass on its sheets is what was asked about.
    const accepted = checkId
      ? failingChecks(step, job.steps[stepId]!).flatMap(({ check, reading }) =>
          check.id === checkId ? [reading.sequence] : [],
        )
      : failingSheets(step, job).map(({ recorded }) => recorded.sequence)
    // Another check of the step may want to ask as well.
    return withQuestion(
      setStep(answered, stepId, (now) => ({ ...now, accepted: [...now.accepted, ...accepted] })),
      stepId,
      event.at,
    )
  }
  if (!event.toStepId) return answered
  return goBack(answered, event.toStepId, event.decision === 'remake', event.answer, event.at)
}

/** The step gone back to and everything that follows from it open again; what is done only once stays, but for a remake. */
function goBack(job: JobState, toStepId: string, remake: boolean, reason: string, at: string): JobState {
  const again = reopenedSteps(job.route, toStepId, remake).map(({ id }) => [id, reopened(job.steps[id]!)])
  return {
    ...job,
    steps: { ...job.steps, ...(Object.fromEntries(again) as Record<string, StepState>) },
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
  const again: RouteStep[] = []
  for (const step of route.steps) {
    if (step.id !== toStepId && !step.after.some((id) => open.has(id))) continue
    open.add(step.id)
    if (step.id === toStepId || remake || !step.onlyOnce) again.push(step)
  }
  return again
}

function correctIn(job: JobState, event: EventOfType<'corrected'>): JobState {
  const { corrects, reason } = event
  for (const [stepId, step] of Object.entries(job.steps)) {
    if (step.readings.some(({ sequence }) => sequence === corrects)) {
      const readings = step.readings.map((reading): Reading => {
        if (reading.sequence !== corrects) return reading
        const corrected = { value: reading.value, answer: reading.answer, reason }
        return { ...reading, value: event.value, answer: event.answer, corrected }
      })
      // What the dentist accepted was the reading as it stood.
      const accepted = step.accepted.filter((sequence) => sequence !== corrects)
      return withQuestion(
        setStep(job, stepId, () => ({ ...step, readings, accepted })),
        stepId,
        event.at,
      )
    }
    if (step.mixes.some(({ sequence }) => sequence === corrects)) {
      const mixes = step.mixes.map((mix): StepMix => {
        if (mix.sequence !== corrects) return mix
        const { powderGrams, liquidMillilitres, lots } = mix
        return {
          ...mix,
          powderGrams: event.powderGrams ?? powderGrams,
          liquidMillilitres: event.liquidMillilitres ?? liquidMillilitres,
          roomCelsius: event.roomCelsius ?? mix.roomCelsius,
          lots: event.lots ?? lots,
          corrected: { powderGrams, liquidMillilitres, lots, reason },
        }
      })
      return setStep(job, stepId, () => ({ ...step, mixes }))
    }
    const { sheet } = event
    if (sheet && step.sheets.some(({ sequence }) => sequence === corrects)) {
      const sheets = step.sheets.map(
        (each): RecordedSheet =>
          each.sequence === corrects ? { ...each, sheet, corrected: { sheet: each.sheet, reason } } : each,
      )
      const accepted = step.accepted.filter((sequence) => sequence !== corrects)
      return setStep(job, stepId, () => ({ ...step, sheets, accepted }))
    }
  }
  return job
}

/** Whether every step of every job is done or left out. */
export function isDelivered(state: CaseState): boolean {
  return state.jobs.every((job) =>
    job.route.steps.every(({ id }) => ['done', 'skipped'].includes(job.steps[id]!.status)),
  )
}
