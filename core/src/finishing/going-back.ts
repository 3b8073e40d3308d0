import { DomainError } from '../refusal/index.ts'
import {
  CHANGE_SECONDS,
  CLEARING,
  checkLadder,
  damageOf,
  depthOf,
  type FinishingLadder,
  secondsFor,
} from './ladder.ts'

/** A stage covers scratches so much deeper than its normal job (assumption). */
const COVERS = 1.5
/** A patch is blended over at least this, mm² (assumption). */
export const LEAST_PATCH_SQUARE_MILLIMETRES = 300

/** How a bench sees depth: it does not measure (assumption). µm. */
export const scratchWords = {
  nail: { says: 'catches a nail', micrometres: 20 },
  wet: { says: 'seen wet', micrometres: 5 },
  lens: { says: 'only dry, with a lens', micrometres: 1 },
  haze: { says: 'only as haze against a lamp', micrometres: 0.3 },
} as const
export type ScratchWord = keyof typeof scratchWords

/** Where a scratch sends the work back to. */
export interface GoingBack {
  /** Index of the stage to go back to; undefined: it is the stage's own mark, carry on. */
  readonly to?: number
  /** Every stage to be run again, in its order. */
  readonly again: readonly number[]
  readonly removalMicrometres: number
  /** With the changes of wheel. */
  readonly seconds: number
}

/**
 * Back to the finest stage whose normal job covers the scratch, and every stage from there again, none left out. A soft wheel kept on one
 * deep scratch digs a hollow, heats and rounds: that is why the stage itself is not always the answer.
 *
 * @param depthMicrometres of the scratch
 * @param seenAt index of the stage at which it is seen
 * @param areaSquareMillimetres the whole face, or the patch that is blended, at least 300
 * @throws {DomainError} of `checkLadder`; `unknown-stage`
 * @example of the usual resin ladder, 5 µm seen at high shine: back to coarse pumice, 571 s
 */
export function goingBack(
  ladder: FinishingLadder,
  depthMicrometres: number,
  seenAt: number,
  areaSquareMillimetres = ladder.areaSquareMillimetres,
): GoingBack {
  checkLadder(ladder)
  const { stages, material } = ladder
  const seen = stages[seenAt]
  if (!seen || !(depthMicrometres > 0))
    throw new DomainError(
      'unknown-stage',
      'That stage is not on this ladder.',
      'Choose the stage at which the scratch was seen.',
      'seenAt',
    )
  if (depthMicrometres <= depthOf(seen)) return { again: [], removalMicrometres: 0, seconds: 0 }
  const area = Math.max(areaSquareMillimetres, LEAST_PATCH_SQUARE_MILLIMETRES)
  const covers = (stage: number) => depthMicrometres <= COVERS * damageOf(stages[stage - 1]!, material)
  let to = seenAt
  while (to > 0 && !covers(to)) to--
  const again = stages.slice(to, seenAt + 1).map((_, n) => to + n)
  const removals = again.map((stage) =>
    stage === to ? CLEARING * depthMicrometres : CLEARING * damageOf(stages[stage - 1]!, material),
  )
  return {
    to,
    again,
    removalMicrometres: removals.reduce((sum, each) => sum + each, 0),
    seconds:
      again.reduce((sum, stage, n) => sum + secondsFor(removals[n]!, stages[stage]!, area), 0) +
      CHANGE_SECONDS * again.length,
  }
}
