import type { Route, RouteStep } from '../route/index.ts'
import type { CommandOf } from './case-command.ts'
import { stepOf } from './job.ts'
import type { JobState } from './state.ts'
import { isSettled } from './step-state.ts'

/** So long do small steps of a card take hands at most, min each (choice). */
const SMALL_HANDS_MINUTES = 10

/**
 * Steps that one hand does straight after each other, in their order: small ones with nothing to measure, to wait for or to decide
 * between them. What must be looked at, or a wait that begins when the hands let go, stands at its end.
 */
export type Card = readonly [RouteStep, ...RouteStep[]]

/**
 * The card that a step of a route stands on; of itself alone where nothing joins it.
 * @throws {Error} when the route has no such step
 */
export function cardOf(route: Route, stepId: string): Card {
  const step = route.steps.find(({ id }) => id === stepId)
  if (!step) throw new Error(`The route has no step ${stepId}.`)
  const card: [RouteStep, ...RouteStep[]] = [step]
  for (let before = joinedTo(route, step); before; before = joinedTo(route, before)) card.unshift(before)
  for (let next = joined(route, step); next; next = joined(route, next)) card.push(next)
  return card
}

/** The step with which this one is done in one go; undefined: it begins a card. */
function joinedTo(route: Route, step: RouteStep): RouteStep | undefined {
  const before = route.steps.find(({ id }) => id === step.after[0])
  return before && joined(route, before) === step ? before : undefined
}

/** The step that is done in one go with this one. */
function joined(route: Route, step: RouteStep): RouteStep | undefined {
  const [next, ...others] = route.steps.filter(({ after }) => after.includes(step.id))
  if (!next || others.length > 0 || next.after.length > 1) return undefined
  return isSmallAndSure(step) && !endCounts(route, step) && goesOnByItself(next) ? next : undefined
}

/** Small work of hands after which nothing is left to judge. */
function isSmallAndSure(step: RouteStep): boolean {
  return isSmall(step) && !step.wait && !step.mayBeSkipped && !step.checks?.length && !step.sheets?.length
}

function isSmall({ kind, handsOnMinutes, instrument, plannedCuts, machine }: RouteStep): boolean {
  const byItself = !instrument && !plannedCuts && !machine
  return kind === 'attended' && handsOnMinutes <= SMALL_HANDS_MINUTES && byItself
}

/** What may follow without a tap: nothing is weighed, filled in or left out in it, and no clock says when it may begin. */
function goesOnByItself(step: RouteStep): boolean {
  // What came along is answered like a look: it is in the bag.
  const entered = step.amounts?.length || step.sheets?.some(({ kind }) => kind !== 'enclosures')
  return (step.kind === 'unattended' || isSmall(step)) && !entered && !step.startWindow && !step.mayBeSkipped
}

/** A clock of another step counts from its end, which then must be the true one. */
function endCounts({ steps }: Route, { id }: RouteStep): boolean {
  return steps.some(({ startWindow }) => startWindow?.afterStepId === id)
}

/** What is done in one go with a step, behind it on its card, and is still to do. */
export function restOfCard(job: JobState, stepId: string): readonly RouteStep[] {
  const card = cardOf(job.route, stepId)
  return card
    .slice(card.findIndex(({ id }) => id === stepId) + 1)
    .filter(({ id }) => job.steps[id]?.status === 'waiting')
}

type Move = CommandOf<'startStep'> | CommandOf<'finishStep'>

/**
 * One tap on *Done*: ends the running step and what is done in one go with it, up to what must be looked at or waited for, which
 * is started.
 * @param upToStepId only so far: it is started and left running
 */
export function doneOnCard(job: JobState, stepId: string, upToStepId?: string): readonly Move[] {
  const moves: Move[] = [move('finishStep', job, stepId)]
  for (const step of restOfCard(job, stepId)) {
    moves.push(move('startStep', job, step.id))
    if (step.id === upToStepId || step.kind !== 'attended' || step.checks?.length || step.sheets?.length)
      break
    moves.push(move('finishStep', job, step.id))
  }
  return moves
}

const move = (type: Move['type'], { jobId }: JobState, stepId: string): Move => ({ type, jobId, stepId })

/**
 * The step that the same hand can begin with the tap that ends this one; undefined: a wait, a machine, a decision or a clock comes
 * first.
 */
export function onTo(job: JobState, stepId: string): RouteStep | undefined {
  const ended = new Set(
    doneOnCard(job, stepId).flatMap((each) => (each.type === 'finishStep' ? [each.stepId] : [])),
  )
  const last = [...ended].at(-1)
  const next = job.route.steps.find(
    ({ id, after }) =>
      job.steps[id]?.status === 'waiting' &&
      after.includes(last ?? '') &&
      after.every((before) => ended.has(before) || isSettled(job.steps[before])),
  )
  const begun = cardOf(job.route, stepId).some(({ id }) => id === next?.id)
  return next && !begun && next.kind === 'attended' && !next.mayBeSkipped && !next.startWindow
    ? stepOf(job, next.id)
    : undefined
}
