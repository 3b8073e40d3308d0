export { type AlloyCard, alloyCards, alloyOf, LIGHTEST_ALLOY_GRAMS_PER_CM3 } from './alloy-cards.ts'
export { type ArmCard, armMeasures, armSpeed, checkArmCard, radiiOf } from './arm-card.ts'
export {
  burnoutProgram,
  checkProgram,
  GYPSUM_CEILING_CELSIUS,
  HOT_ENTRY_FROM_CELSIUS,
  inversions,
  mustMayGoInHot,
  overnight,
  programWarnings,
  usualPeaks,
} from './burnout-program.ts'
export { castingCalculators } from './casting-calculators.ts'
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
  patternCm3,
  ringMix,
  ringPowderGrams,
  USUAL_BUTTON_GRAMS,
} from './casting-metal.ts'
export { centrifugalKilopascals, inflowMetresPerSecond, turnsForEqualPressure } from './centrifugal-arm.ts'
export { type Charge, chargeOf, checkPiece, isNew, meltedOnce } from './charge.ts'
export { type CoreReading, type CoreReady, coreReady, factorFor } from './core-ready.ts'
export {
  availableExpansion,
  type ConcentrationAnswer,
  concentrationFor,
  type DieAndSpacer,
  type ExpansionBudget,
  type ExpansionRow,
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
  ringFor,
  ringMeasures,
  usualRings,
} from './ring-choice.ts'
export { type RingSize, ringHeat } from './ring-heat.ts'
export { type RingSpeed, ringMaterials } from './ring-material.ts'
export {
  type ArrangementLine,
  checkArrangement,
  endClearances,
  FEED_RATIO,
  feedCheck,
  gaugeAtLeast,
  offAxisMillimetres,
  RESERVOIR_WITHIN_MILLIMETRES,
  type RingArrangement,
  USUAL_SPRUE_GAUGES,
} from './sprue.ts'
export { expansionRows, thermalShareAt } from './thermal-shape.ts'
export { bareMouldCelsius, LATEST_TRANSFER_SECONDS, phosphateOut } from './transfer.ts'
