import type { RecordedMix } from '../route/index.ts'
import type { SheetData } from '../sheet/index.ts'
import type { EventStamp } from './case-event.ts'

/** One reading of a check. A corrected one keeps what was first entered. */
export interface Reading extends EventStamp {
  readonly checkId: string
  /** Where it was read, FDI; none: of the whole piece. */
  readonly tooth?: number
  readonly value?: number
  readonly answer?: string
  readonly corrected?: { readonly value?: number; readonly answer?: string; readonly reason: string }
}
export interface StepMix extends EventStamp, RecordedMix {
  readonly corrected?: {
    readonly powderGrams?: number
    readonly liquidMillilitres?: number
    readonly lots?: readonly string[]
    readonly reason: string
  }
}

/** When the parts of a mix met, ms since 1970: as its clock has it, else as it was recorded. */
export const metMillis = ({ metAt, at }: Pick<StepMix, 'metAt' | 'at'>) => Date.parse(metAt ?? at)

export interface RecordedSheet extends EventStamp {
  readonly sheetId: string
  readonly sheet: SheetData
  readonly corrected?: { readonly sheet: SheetData; readonly reason: string }
}

/** What was entered on a step in one attempt. */
interface StepEntries {
  readonly attempt: number
  readonly readings: readonly Reading[]
  readonly mixes: readonly StepMix[]
  readonly sheets: readonly RecordedSheet[]
  /** Sequences of the readings and sheets that failed and that the dentist has accepted as they are. */
  readonly accepted: readonly number[]
}

interface Begun {
  readonly startedAt: string
  readonly startedBy: string
  readonly outOfTimeReason?: string
  /** Whoever does it was called away then, and is not back. */
  readonly pausedSince?: string
}
interface Ended {
  readonly finishedAt: string
  readonly finishedBy: string
}
/** How a step stands. */
type StepStanding =
  | { readonly status: 'waiting' }
  | ({ readonly status: 'running' } & Begun)
  | ({ readonly status: 'done' } & Begun & Ended)
  | ({ readonly status: 'skipped'; readonly skipReason: string } & Ended)
type StepStatus = StepStanding['status']

/** A step as it stands. When it is opened again, a new attempt begins and the old one goes to `past`. */
export type StepState = StepEntries &
  StepStanding & { readonly past: readonly (StepEntries & StepStanding)[] }

/** Every standing, and those that a step may move to from it. */
export const stepMoves: Readonly<Record<StepStatus, readonly StepStatus[]>> = {
  waiting: ['running', 'skipped'],
  running: ['done', 'waiting'],
  done: ['waiting'],
  skipped: ['waiting'],
}

export const mayMove = ({ status }: StepStanding, to: StepStatus): boolean => stepMoves[status].includes(to)

export const freshStep: StepState = {
  status: 'waiting',
  attempt: 1,
  readings: [],
  mixes: [],
  sheets: [],
  accepted: [],
  past: [],
}

type Stamp = Pick<EventStamp, 'at' | 'by'>

/** @throws {Error} when the step does not stand so that it can: the record is damaged */
export function started(step: StepState, { at, by }: Stamp, outOfTimeReason?: string): StepState {
  mustMove(step, 'running')
  return { ...step, status: 'running', startedAt: at, startedBy: by, ...reasonOf(outOfTimeReason) }
}

/** @throws {Error} as `started` */
export function finished(step: StepState, { at, by }: Stamp, outOfTimeReason?: string): StepState {
  if (step.status !== 'running') throw damaged(step, 'done')
  return { ...goingOn(step), status: 'done', finishedAt: at, finishedBy: by, ...reasonOf(outOfTimeReason) }
}

/** Called away from it. @throws {Error} as `started` */
export function paused(step: StepState, at: string): StepState {
  if (step.status !== 'running') throw damaged(step, 'running')
  return { ...step, pausedSince: at }
}

/** Back at it: said, or told by the next entry. */
export function goingOn<S extends StepState>(step: S): S {
  if (!('pausedSince' in step)) return step
  const { pausedSince: _over, ...rest } = step
  return rest as unknown as S
}

/** @throws {Error} as `started` */
export function skipped(step: StepState, { at, by }: Stamp, skipReason: string): StepState {
  mustMove(step, 'skipped')
  return { ...step, status: 'skipped', finishedAt: at, finishedBy: by, skipReason }
}

/** The next attempt; nothing that was entered is lost. A step on which nothing was done stays as it is. */
export function reopened(step: StepState): StepState {
  const untouched = step.status === 'waiting' && !hasEntries(step)
  if (untouched) return step
  const { past, ...attempt } = step
  return { ...freshStep, attempt: step.attempt + 1, past: [...past, attempt] }
}

/** Whether anything was entered in this attempt. */
function hasEntries({ readings, mixes, sheets }: StepEntries): boolean {
  return readings.length > 0 || mixes.length > 0 || sheets.length > 0
}

/** When it was begun, and when it was over: done or left out; undefined: not yet. ISO 8601. */
export const startedAt = (step: StepStanding | undefined): string | undefined =>
  step && 'startedAt' in step ? step.startedAt : undefined
export const finishedAt = (step: StepStanding | undefined): string | undefined =>
  step && 'finishedAt' in step ? step.finishedAt : undefined

export function isSettled(step: StepStanding | undefined): boolean {
  return step?.status === 'done' || step?.status === 'skipped'
}

const reasonOf = (outOfTimeReason: string | undefined) => (outOfTimeReason ? { outOfTimeReason } : {})

function mustMove(step: StepStanding, to: StepStatus): void {
  if (!mayMove(step, to)) throw damaged(step, to)
}

function damaged({ status }: StepStanding, to: StepStatus): Error {
  return new Error(`A step that is ${status} cannot become ${to}.`)
}
