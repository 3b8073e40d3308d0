import { qty, saying } from '../quantity/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'
import {
  type FinishingLadder,
  type FinishingStage,
  ladderSeconds,
  measuredRate,
  planLadder,
} from './ladder.ts'

/** What a stage that is left out costs: the next one must work for it. */
export interface LeftOut {
  readonly next: FinishingStage
  /** Contact of the next one, s: as usual, and until it has cleared what it finds then. */
  readonly usualSeconds: number
  readonly seconds: number
  /** Of the whole ladder, contact more than in full, s; below 0: less. */
  readonly moreSeconds: number
}

/**
 * A stage left out of a ladder. Never in silence: a recorded variant whose next stage gets the longer time.
 * @param index of the stage, neither the first nor the last
 * @throws {DomainError} `stage-not-left-out`
 * @example without tripoli, high shine works 375 s instead of 100
 */
export function leavingOutStage(ladder: FinishingLadder, index: number): LeftOut {
  const next = ladder.stages[index + 1]
  if (index < 1 || !next)
    throw new DomainError(
      'stage-not-left-out',
      'Neither the first stage nor the last is left out.',
      'Choose one between them.',
    )
  const full = planLadder(ladder)
  const short = planLadder({ ...ladder, stages: ladder.stages.filter((_, n) => n !== index) })
  return {
    next,
    usualSeconds: full[index + 1]!.seconds,
    seconds: short[index]!.seconds,
    moreSeconds: ladderSeconds(short).contact - ladderSeconds(full).contact,
  }
}

/** So many passes over a test plate make a measured wheel. */
export const PASSES = 3

/**
 * The rate of a wheel from passes over a test plate, mm³/s: their mean.
 * @param areaSquareMillimetres of the plate
 * @param before the stage whose scratches went
 * @param passes seconds of each, at least three
 * @throws {DomainError} `too-few-passes`, `not-a-positive-number`
 */
export function rateOfPasses(
  areaSquareMillimetres: number,
  before: FinishingStage,
  passes: readonly number[],
): number {
  if (passes.length < PASSES)
    throw new DomainError(
      'too-few-passes',
      `${passes.length} of ${PASSES} passes are timed.`,
      'One pass may be a lucky one: time three.',
      'passes',
    )
  const rates = passes.map((seconds) => measuredRate(areaSquareMillimetres, before, seconds))
  return rates.reduce((sum, rate) => sum + rate, 0) / rates.length
}

/**
 * The rate of a wheel by caliper, mm³/s: what came off an area in so many seconds.
 * @param beforeMillimetres thickness before and after, at the same place; many strokes, or a caliper reads nothing
 * @throws {DomainError} `nothing-came-off`, `not-a-positive-number`
 */
export function rateByCaliper(
  areaSquareMillimetres: number,
  beforeMillimetres: number,
  afterMillimetres: number,
  seconds: number,
): number {
  requirePositive(areaSquareMillimetres, 'areaSquareMillimetres', 'The area')
  requirePositive(afterMillimetres, 'afterMillimetres', 'The thickness')
  requirePositive(seconds, 'seconds', 'The time')
  if (!(beforeMillimetres > afterMillimetres))
    throw new DomainError(
      'nothing-came-off',
      saying`${qty.mm(beforeMillimetres, 2)} before and ${qty.mm(afterMillimetres, 2)} after: nothing came off that a caliper reads.`,
      'Work longer on the same place, then measure again.',
      'afterMillimetres',
    )
  return (areaSquareMillimetres * (beforeMillimetres - afterMillimetres)) / seconds
}
