import { calculator, figure, list, maybe, type Of, record } from '../shape/index.ts'
import { lowerLandmarksShape, MANY_POINTS, upperLandmarksShape } from './landmarks.ts'
import { pointShape } from './plane-geometry.ts'
import { trimChangesShape, usualTrimChoices } from './trim-choices.ts'
import { type TrimCut, trimCuts } from './trim-cuts.ts'
import {
  type HeightPlan,
  heightReadingShape,
  planeOffMiddle,
  planHeights,
  TOTAL_HEIGHT,
} from './trim-heights.ts'
import { planLower, planUpper, type TrimPlan } from './trim-plan.ts'

/** What was marked and measured on one model. Points and outline in one frame of its own, mm. */
const modelEntry = {
  /** The present base from above, as a polygon; fewer than 3 points: not marked, so no depths. */
  outline: list(pointShape, MANY_POINTS),
  /** Three or more, or none yet. */
  heights: list(heightReadingShape, 50),
  /** Deepest anatomy below the occlusal plane, mm. */
  deepestMillimetres: maybe(figure(-500, 500, { example: 22 })),
}
const upperModelShape = record({ ...modelEntry, landmarks: upperLandmarksShape })
const lowerModelShape = record({ ...modelEntry, landmarks: lowerLandmarksShape })
type UpperModelEntry = Of<typeof upperModelShape>
export type ModelEntry<L> = Omit<UpperModelEntry, 'landmarks'> & { readonly landmarks: L }

/** Everything that was entered for a pair of study models; the plan follows from it. */
export const pairEntryShape = record(
  {
    upper: upperModelShape,
    lower: lowerModelShape,
    /** Where they differ from the usual. */
    choices: trimChangesShape,
    /** The occlusal plane off the middle of the total height, instead of a rebase; upwards positive, mm. */
    planeOffMiddleMillimetres: maybe(figure(-100, 100)),
  },
  {
    description:
      'A pair of study models as marked and measured; every length mm, in one frame for each model.',
  },
)
export type PairEntry = Of<typeof pairEntryShape>

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

const both = (x: number, y: number) => ({ right: { x: -x, y }, left: { x, y } })
const along = (...points: readonly (readonly [number, number])[]) => ({
  right: points.map(([x, y]) => ({ x: -x, y })),
  left: points.map(([x, y]) => ({ x, y })),
})
const arch = {
  canines: both(16, 31),
  buccal: along([20, 26], [23, 19.5], [26, 13]),
  vestibule: along([25, 27], [28, 20], [31, 12.5]),
  anterior: [{ x: 0, y: 46.5 }],
  incisorFront: { x: 0, y: 42.5 },
}

export const trimCalculator = calculator({
  name: 'trim',
  summary: 'Every cut of a pair of study models from their landmarks',
  input: pairEntryShape,
  example: {
    upper: {
      landmarks: {
        ...arch,
        midline: [
          { x: 0, y: 5 },
          { x: 0, y: 30 },
        ],
        notches: both(21, 1),
      },
      outline: [],
      heights: [],
    },
    lower: {
      landmarks: {
        ...arch,
        backEdge: [
          { x: -20, y: 0 },
          { x: 20, y: 0 },
        ],
        mark: { x: 0, y: 0 },
      },
      outline: [],
      heights: [],
    },
    choices: {},
  },
  answer: planPair,
})
