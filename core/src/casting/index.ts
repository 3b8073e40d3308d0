export { type AlloyCard, alloyCards } from './alloy-cards.ts'
export {
  type BurnoutProgram,
  type BurnoutSegment,
  type BurnoutWish,
  burnoutProgram,
  checkProgram,
  GYPSUM_CEILING_CELSIUS,
  inversions,
  programCelsius,
  programMinutes,
  readyAfter,
  startFor,
  usualPeaks,
} from './burnout-program.ts'
export {
  type AlloyPiece,
  alloyGrams,
  choosePieces,
  type MeltHistory,
  meanMelts,
  mostRemelt,
  newMetal,
  nextCharge,
  type PatternPart,
  type PieceChoice,
  patternCm3,
  type RingFill,
  ringPowderGrams,
  traceElement,
  USUAL_BUTTON_GRAMS,
  USUAL_WAX_GRAMS_PER_CM3,
} from './casting-metal.ts'
export {
  type ArmRadii,
  centrifugalKilopascals,
  inflowMetresPerSecond,
  speedFor,
  speedRatio,
  turnsForEqualPressure,
} from './centrifugal-arm.ts'
export { type CoreReading, type CoreReady, coreReady, factorFor } from './core-ready.ts'
export {
  availableExpansion,
  type ConcentrationAnswer,
  concentrationFor,
  type DieAndSpacer,
  type ExpansionBudget,
  type ExpansionRow,
  expansionAt,
  type Fit,
  fitAt,
  neededExpansion,
  WAX_CONTRACTION_PER_CELSIUS,
} from './expansion-budget.ts'
export {
  type CutFurnace,
  type CutJudgement,
  furnaceWithCut,
  judgeCut,
  type PowerCut,
  USUAL_TIME_CONSTANT,
} from './power-cut.ts'
export {
  type RingGrid,
  type RingHeat,
  type RingMoment,
  type RingSize,
  ringHeat,
  usualGrid,
} from './ring-heat.ts'
export {
  type RingMaterial,
  type RingSpeed,
  ringMaterials,
  ringSpeeds,
  scaledMaterial,
} from './ring-material.ts'
export {
  type ArrangementLine,
  type Binder,
  checkArrangement,
  endClearances,
  FEED_RATIO,
  type FeedCheck,
  feedCheck,
  gaugeAtLeast,
  type RingArrangement,
  WALL_CLEARANCE,
} from './sprue.ts'
export { type BareMould, bareMouldCelsius, erfc, LATEST_TRANSFER_SECONDS, phosphateOut } from './transfer.ts'
