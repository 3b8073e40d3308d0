export {
  type Closure,
  type ClosuresJudged,
  checkClosures,
  closureShape,
  gentleLimits,
  judgeClosures,
} from './closures.ts'
export {
  COOLING,
  COOLING_MINUTES,
  type CureFineness,
  type CureMoment,
  type CureOutcome,
  type CureQuestion,
  checkBath,
  cure,
  exactly,
  MONOMER_BOILS_CELSIUS,
  type PorosityRisk,
  quickly,
  vapourPressure,
} from './cure.ts'
export {
  checkSection,
  dough,
  type FlaskBody,
  flaskWalls,
  type ResinSection,
  setStone,
  type ThermalBody,
  usualFlask,
  wetStone,
} from './cure-bodies.ts'
export { cureCalculator } from './cure-calculator.ts'
export {
  type CureProposal,
  type CureWish,
  fastestSafe,
  isSafe,
  type SafeBy,
  safeBy,
} from './cure-optimiser.ts'
export {
  BOIL_CELSIUS,
  COLD_WATER_CELSIUS,
  type CurePreset,
  curePresets,
  LONG_HOLD_CELSIUS,
  twoStage,
} from './cure-programs.ts'
export {
  type CureVerdict,
  cureVerdict,
  type FollowedSection,
  ISO_RESIDUAL_PERCENT,
  PEAK_WITHIN_CELSIUS,
  RESIDUAL_WITHIN,
  sectionName,
} from './cure-verdict.ts'
export {
  DOUGH_SOURCE,
  type DoughStage,
  type DoughStageName,
  doughStageAt,
  doughStages,
} from './dough-stages.ts'
export { type CureJudgement, type CureRun, checkCureRun, cureRunShape, judgeCure } from './judge-cure.ts'
export { type DoughRecipe, usualDough } from './resin-kinetics.ts'
export { LEFT_BY_SAW_MILLIMETRES, sawDepth } from './saw-depth.ts'
