export { ceramicCalculators } from './calculators.ts'
export { archimedesDensity, densityPercent, LEAST_DENSITY_PERCENT } from './density.ts'
export {
  checkEnlargement,
  type Enlargement,
  enlargementShape,
  enlargementWarnings,
  factorOfDensities,
  factorWords,
  greenSize,
  isOtherFactor,
  SIZE_TOLERANCE_PERCENT,
  shrinkageOf,
  sizeErrorMicrometres,
  sizeOffPercent,
} from './enlargement.ts'
export {
  burstsWet,
  COOLS_MINUTES,
  coolingMinutes,
  countsAsFiring,
  dryingMinutes,
  FASTEST_SINTER_RATE,
  type Firing,
  type FiringLoad,
  fireAt,
  firingMachine,
  firingNames,
  firingProgram,
  firings,
  mustFire,
  mustMayFire,
  paintMinutes,
  SILVER_CELSIUS,
  SINTER_OPENS_CELSIUS,
  setFor,
  silverOffset,
  sinterRate,
  USUAL_SINTER_TAU_MINUTES,
  withCooling,
} from './firing-program.ts'
export { GLAZE_BELOW, glazeExpansions } from './gate.ts'
export {
  checkFiringRun,
  type FiringJudgement,
  type FiringRun,
  type FiringVerdict,
  firingRunShape,
  judgeFiring,
} from './judge-firing.ts'
export { potOf, potWarnings } from './pot.ts'
