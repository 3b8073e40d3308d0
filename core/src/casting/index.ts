export { type AlloyCard, alloyCards, alloyOf, LIGHTEST_ALLOY_GRAMS_PER_CM3 } from './alloy-cards.ts'
export { type ArmCard, armMeasures, armSpeed, checkArmCard, radiiOf } from './arm-card.ts'
export {
  type BurnoutWish,
  burnoutProgram,
  checkProgram,
  GYPSUM_CEILING_CELSIUS,
  inversions,
  overnight,
  usualPeaks,
} from './burnout-program.ts'
export {
  alloyCalculator,
  burnoutCalculator,
  expansionCalculator,
  sprueCalculator,
} from './casting-calculators.ts'
export {
  type AlloyPiece,
  alloyGrams,
  alloyPieceShape,
  choosePieces,
  type LotShare,
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
} from './casting-metal.ts'
export {
  type ArmRadii,
  centrifugalKilopascals,
  inflowMetresPerSecond,
  speedFor,
  speedRatio,
  turnsForEqualPressure,
} from './centrifugal-arm.ts'
export { type Charge, chargeOf, checkPiece, isNew, meltedOnce } from './charge.ts'
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
  type BurnoutJudgement,
  type BurnoutRun,
  type BurnoutVerdict,
  burnoutRunShape,
  checkBurnoutRun,
  furnaceWithCut,
  judgeBurnout,
  judgeCut,
  type PowerCut,
  slowBands,
  steepestCelsiusPerMinute,
  USUAL_TIME_CONSTANT_MINUTES,
} from './judge-burnout.ts'
export {
  arrangementIn,
  checkRingCard,
  type PatternsToRing,
  type RingCard,
  type RingProposal,
  ringFor,
  ringMeasures,
  usualRings,
} from './ring-choice.ts'
export {
  CORE_WITHIN_CELSIUS,
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
  BETWEEN_PATTERNS_MILLIMETRES,
  checkArrangement,
  endClearances,
  FEED_RATIO,
  type FeedCheck,
  feedCheck,
  gaugeAtLeast,
  offAxisMillimetres,
  RESERVOIR_WITHIN_MILLIMETRES,
  type RingArrangement,
  WALL_CLEARANCE_MILLIMETRES,
} from './sprue.ts'
export { expansionRows, thermalAt, thermalShareAt } from './thermal-shape.ts'
export { type BareMould, bareMouldCelsius, erfc, LATEST_TRANSFER_SECONDS, phosphateOut } from './transfer.ts'
