export {
  checkFinishedPair,
  type FinishedModel,
  type FinishedPair,
  finishedPairShape,
  sideTouchUps,
  type TouchUp,
} from './finished-pair.ts'
export { inventedFinishedPair, inventedPair } from './invented-pair.ts'
export { type ArchLandmarks, fromCalipers, type Side } from './landmarks.ts'
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
export { type Rebase, rebasesOf } from './rebase.ts'
export { heelRange } from './trim-choices.ts'
export { FIRST_PASS_LEAVES, plannedOutline, type TrimCut } from './trim-cuts.ts'
export { baseTiltDegrees, type HeightPlan, TOTAL_HEIGHT } from './trim-heights.ts'
