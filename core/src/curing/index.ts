export { type Closure, checkClosures, closureShape, gentleLimits, judgeClosures } from './closures.ts'
export {
  COOLING_MINUTES,
  type Cooling,
  type CureFineness,
  type CureOutcome,
  type CureQuestion,
  coolings,
  cure,
  drawnFineness,
  MONOMER_BOILS_CELSIUS,
  OPEN_BELOW_CELSIUS,
  quotedFineness,
} from './cure.ts'
export { dough, type ResinSection, setStone, usualFlask } from './cure-bodies.ts'
export { cureCalculator } from './cure-calculator.ts'
export { type CureWish, fastestSafe, isSafe, type SafeBy, safeBy } from './cure-optimiser.ts'
export { COLD_WATER_CELSIUS, curePresets, twoStage } from './cure-programs.ts'
export {
  cureVerdict,
  type FollowedSection,
  ISO_RESIDUAL_PERCENT,
  PEAK_WITHIN_CELSIUS,
  RESIDUAL_WITHIN,
  sectionName,
} from './cure-verdict.ts'
export {
  DOUGH_SOURCE,
  type DoughStageName,
  doughStageAt,
  doughStages,
  JAR_CELSIUS,
  ripensByRoom,
} from './dough-stages.ts'
export {
  type CureJudgement,
  type CureRun,
  checkCureRun,
  coldAfterMinutes,
  cureRunShape,
  judgeCure,
} from './judge-cure.ts'

export { LEFT_BY_SAW_MILLIMETRES, sawDepth } from './saw-depth.ts'
