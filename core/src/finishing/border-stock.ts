import { COMMON_PRACTICE } from '../materials/index.ts'
import { qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'
import { type FinishingLadder, planLadder } from './ladder.ts'

/** What a border keeps after everything, mm (common practice). */
export const BORDER_LEAST_MILLIMETRES = 3
/** What contouring takes, mm, and by how much a hand goes beyond what is needed (assumptions). */
export const CONTOUR_MILLIMETRES = 0.3
export const OVERRUN = 2
export const BORDER_SOURCE = `${COMMON_PRACTICE} for 3 mm; what the ladder takes is its model`

/**
 * How thick a border must be when finishing begins, so that 3 mm stay: contour, the whole ladder on its polished side, and a reserve for
 * one repeat.
 * @param repeatFrom index of the stage that one repeat begins with
 * @throws {DomainError} of `planLadder`; `overrun`: below 1
 * @example borderToStart(resinLadder, 2) // 3.4654: wax it to 3.5 mm
 */
export function borderToStart(
  ladder: FinishingLadder,
  repeatFrom: number,
  { contour = CONTOUR_MILLIMETRES, overrun = OVERRUN } = {},
): number {
  checkOverrun(overrun)
  requirePositive(contour, 'contourMillimetres', 'What contouring takes', { orZero: true })
  return BORDER_LEAST_MILLIMETRES + contour + taken(ladder, 0, overrun) + taken(ladder, repeatFrom, overrun)
}

/** What all stages from one on take off a border, mm. */
function taken(ladder: FinishingLadder, from: number, overrun: number): number {
  const removal = planLadder(ladder)
    .slice(from)
    .reduce((sum, { removalMicrometres }) => sum + removalMicrometres, 0)
  return (overrun * removal) / 1000
}
function checkOverrun(overrun: number): void {
  if (!(overrun >= 1))
    throw new DomainError(
      'overrun',
      `An overrun of ${overrun} is less than nothing more.`,
      'Enter 1 or more.',
      'overrun',
    )
}

/**
 * How thick a border must be before a stage, so that 3 mm stay after it and all that follow.
 * @example borderBefore(resinLadder, 2) // 3.0527: before rubber
 */
export const borderBefore = (ladder: FinishingLadder, next: number, overrun = OVERRUN) =>
  BORDER_LEAST_MILLIMETRES + taken(ladder, next, overrun)

/** How a border stands before a stage. */
export interface BorderStock {
  /** What stays after this stage and all that follow, mm. */
  readonly leftMillimetres: number
  /** How often the work may go back to `repeatFrom`. */
  readonly repeats: number
  readonly enough: boolean
  readonly say: Saying
}

/**
 * What is left of a measured border at the end of the ladder. Below 3 mm no stage is started: the dentist is asked.
 * @param next index of the stage that comes next
 * @throws {DomainError} of `planLadder`; `not-a-positive-number`, `overrun`
 */
export function borderStock(
  ladder: FinishingLadder,
  measuredMillimetres: number,
  next: number,
  repeatFrom: number,
  overrun = OVERRUN,
): BorderStock {
  checkOverrun(overrun)
  requirePositive(measuredMillimetres, 'measuredMillimetres', 'The border')
  const left = measuredMillimetres - taken(ladder, next, overrun)
  const repeat = taken(ladder, repeatFrom, overrun)
  const enough = left >= BORDER_LEAST_MILLIMETRES
  const repeats = enough && repeat > 0 ? Math.floor((left - BORDER_LEAST_MILLIMETRES) / repeat) : 0
  return {
    leftMillimetres: left,
    repeats,
    enough,
    say: enough
      ? saying`${qty.mm(left, 2)} stay at the end${repeats > 0 ? saying`, with room to go back ${repeats} ${repeats === 1 ? 'time' : 'times'}` : ', with no room to go back'}.`
      : saying`${qty.mm(left, 2)} would stay at the end, ${qty.mm(BORDER_LEAST_MILLIMETRES)} are wanted: ask the dentist, do not polish.`,
  }
}
