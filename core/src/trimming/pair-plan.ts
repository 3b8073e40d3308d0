import type { LowerLandmarks, UpperLandmarks } from './landmarks.ts'
import type { Point } from './plane-geometry.ts'
import { type TrimCut, trimCuts } from './trim-cuts.ts'
import {
  type HeightPlan,
  type HeightReading,
  planeOffMiddle,
  planHeights,
  TOTAL_HEIGHT,
} from './trim-heights.ts'
import { planLower, planUpper, type TrimChoices, type TrimPlan, usualTrimChoices } from './trim-plan.ts'

/** What was marked and measured on one model. Points and outline in one frame of its own, mm. */
export interface ModelEntry<L> {
  readonly landmarks: L
  /** The present base from above, as a polygon; fewer than 3 points: not marked, so no depths. */
  readonly outline: readonly Point[]
  /** Three or more, or none yet. */
  readonly heights: readonly HeightReading[]
  /** Deepest anatomy below the occlusal plane, mm. */
  readonly deepestMillimetres?: number
}

/** Everything that was entered for a pair of study models; the plan follows from it. */
export interface PairEntry {
  readonly upper: ModelEntry<UpperLandmarks>
  readonly lower: ModelEntry<LowerLandmarks>
  /** Where they differ from the usual. */
  readonly choices: Partial<TrimChoices>
  /** The occlusal plane off the middle of the total height, instead of a rebase; upwards positive, mm. */
  readonly planeOffMiddleMillimetres?: number
}

export interface PlannedModel {
  readonly plan: TrimPlan
  /** Without a marked outline no depth is known. */
  readonly cuts: readonly TrimCut[]
  readonly depthsKnown: boolean
  readonly heights?: HeightPlan
}
export interface PairPlan {
  readonly upper: PlannedModel
  readonly lower: PlannedModel
  /** Where the plane may go instead of a rebase; none when no rebase is needed or no place is near enough. */
  readonly insteadOfRebaseMillimetres?: number
}

/**
 * The whole plan of a pair: the upper first, the lower with heels parallel to it.
 * @throws {DomainError} as `planUpper`, `planLower` and `planHeights`
 */
export function planPair(entry: PairEntry): PairPlan {
  const choices = { ...usualTrimChoices, ...entry.choices }
  const off = entry.planeOffMiddleMillimetres ?? 0
  const upperPlan = planUpper(entry.upper.landmarks, choices)
  const upper = planned(upperPlan, entry.upper, TOTAL_HEIGHT / 2 + off)
  // The better side of the lower is its own, so a choice made for the upper does not bind it.
  const lowerPlan = planLower(entry.lower.landmarks, upperPlan.sideAngleDegrees, {
    ...choices,
    betterSide: undefined,
  })
  const lower = planned(lowerPlan, entry.lower, TOTAL_HEIGHT / 2 - off)
  const needsRebase = [upper, lower].some(({ heights }) => (heights?.rebaseMillimetres ?? 0) > 0)
  const instead =
    needsRebase && upper.heights && lower.heights
      ? planeOffMiddle(upper.heights.leastMillimetres, lower.heights.leastMillimetres)
      : undefined
  return { upper, lower, ...(instead === undefined ? {} : { insteadOfRebaseMillimetres: instead }) }
}

function planned(plan: TrimPlan, entry: ModelEntry<unknown>, target: number): PlannedModel {
  const depthsKnown = entry.outline.length >= 3
  return {
    plan,
    depthsKnown,
    cuts: trimCuts(plan, depthsKnown ? entry.outline : []),
    ...(entry.heights.length > 0
      ? { heights: planHeights(plan, entry.heights, entry.deepestMillimetres, target) }
      : {}),
  }
}
