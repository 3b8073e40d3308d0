import { DomainError } from '../refusal/index.ts'
import type { CaseEvent } from './case-event.ts'
import { standing } from './case-state.ts'
import type { CaseState } from './state.ts'

/** Entries on a running step: each stands for itself. */
const entries = ['checkRecorded', 'mixRecorded', 'sheetRecorded'] as const
/** What moves a job: only the last of them can be taken back, since what came later rests on it. */
const moves = [
  'stepStarted',
  'stepFinished',
  'stepSkipped',
  'wentBack',
  'variantSwapped',
  'dentistAsked',
  'dentistAnswered',
] as const
/** What stands until the next of its kind. */
const replaced = [
  'held',
  'released',
  'impressionsRecorded',
  'authorisationAmended',
  'corrected',
  'paused',
  'resumed',
  'promised',
  'causeFound',
] as const

type Entry = Extract<CaseEvent, { type: (typeof entries)[number] }>
type Move = Extract<CaseEvent, { type: (typeof moves)[number] }>
const isEntry = (event: CaseEvent): event is Entry => (entries as readonly string[]).includes(event.type)
const isMove = (event: CaseEvent): event is Move => (moves as readonly string[]).includes(event.type)

/**
 * Whether an entry may be withdrawn as the case stands.
 * @returns its sequence
 * @throws {DomainError} `nothing-to-withdraw`; `others-rest-on-it`
 */
export function mustBeWithdrawable(state: CaseState, events: readonly CaseEvent[], sequence: number): number {
  const stand = standing(events)
  const event = stand.find((each) => each.sequence === sequence)
  if (!event || !mayEver(event))
    throw new DomainError(
      'nothing-to-withdraw',
      `Entry ${sequence} is none that can be withdrawn.`,
      'Choose an entry that still stands; the receipt of a case always does.',
      'withdraws',
    )
  const later = stand.filter((each) => each.sequence > sequence)
  if (!isFree(state, event, later))
    throw new DomainError(
      'others-rest-on-it',
      'What was done later rests on it.',
      'Withdraw that first, or go back to the step.',
      'withdraws',
    )
  return sequence
}

const mayEver = (event: CaseEvent) =>
  isEntry(event) ||
  isMove(event) ||
  event.type === 'noted' ||
  (replaced as readonly string[]).includes(event.type)

function isFree(state: CaseState, event: CaseEvent, later: readonly CaseEvent[]): boolean {
  if (event.type === 'noted') return true
  if (isEntry(event)) {
    const step = state.jobs.find(({ jobId }) => jobId === event.jobId)?.steps[event.stepId]
    const there =
      step &&
      [...step.readings, ...step.mixes, ...step.sheets].some((each) => each.sequence === event.sequence)
    const corrected = later.some((each) => each.type === 'corrected' && each.corrects === event.sequence)
    const answered = later.some((each) => each.type === 'dentistAnswered' && each.jobId === event.jobId)
    return step?.status === 'running' && there === true && !corrected && !answered
  }
  if (isMove(event))
    return !later.some((each) => (isMove(each) || isEntry(each)) && each.jobId === event.jobId)
  if (event.type === 'corrected')
    return !later.some((each) => each.type === 'corrected' && each.corrects === event.corrects)
  // Whatever was done while it was held, or after its release, has to be looked at first.
  if (event.type === 'held' || event.type === 'released')
    return !later.some((each) => each.type === 'held' || each.type === 'released')
  if (event.type === 'paused' || event.type === 'resumed')
    return !later.some((each) => 'stepId' in each && each.stepId === event.stepId)
  return !later.some((each) => each.type === event.type)
}
