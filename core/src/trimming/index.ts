export {
  type BaseCorners,
  caliperSymmetry,
  checkFinishedPair,
  type FinishedModel,
  type FinishedPair,
  finishedPairShape,
  type PairLine,
  type PlannedAngles,
  SYMMETRY_LIMIT,
  sideTouchUps,
  symmetryFigure,
  type TouchUp,
  touchUp,
} from './finished-pair.ts'
export { inventedFinishedPair, inventedPair } from './invented-pair.ts'
export {
  type ArchLandmarks,
  fromCalipers,
  type LowerLandmarks,
  type PerSide,
  type Side,
  type UpperLandmarks,
} from './landmarks.ts'
export {
  type ModelEntry,
  type PairEntry,
  type PairPlan,
  type PlannedModel,
  pairEntryShape,
  planPair,
  trimCalculator,
} from './pair-plan.ts'
export { type Point, pointShape } from './plane-geometry.ts'
export { FIRST_PASS_LEAVES, plannedOutline, type TrimCut, trimCuts } from './trim-cuts.ts'
export {
  type HeightPlan,
  type HeightReading,
  LEAST_OVER_VAULT,
  planeOffMiddle,
  planHeights,
  REBASE_ALLOWANCE,
  TOTAL_HEIGHT,
} from './trim-heights.ts'
export {
  heelRange,
  planLower,
  planUpper,
  type TrimChoices,
  type TrimPlan,
  type TrimWarning,
  usualTrimChoices,
} from './trim-plan.ts'
