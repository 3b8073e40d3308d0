export {
  type ArchForm,
  type ArchPlace,
  archAt,
  archLength,
  archPoint,
  type FittedArch,
  fitArch,
  halfWidthAt,
  LEAST_ARCH_POINTS,
  nearestOnArch,
} from './arch-form.ts'
export { inventedPrescription, inventedSetUp, inventedSetUpReading } from './invented-set-up.ts'
export { type NeededCusp, neededCusps, USUAL_ADVANCE } from './needed-cusps.ts'
export {
  ASK_BEYOND_MILLIMETRES,
  checkPrescription,
  checkSetUpReading,
  compareSetUp,
  type Prescription,
  prescriptionShape,
  type SetUpLine,
  type SetUpMeasure,
  type SetUpReading,
  type SetUpTolerances,
  setUpReadingShape,
  setUpTolerancesShape,
  usualTolerances,
} from './prescription.ts'
export {
  type AnteriorStance,
  CANINE_BEYOND_MILLIMETRES,
  cuspsApart,
  type PlacedAnterior,
  type PlacedPosterior,
  planSetUp,
  type SetUpEntry,
  type SetUpPlan,
  type Stances,
  setUpCalculator,
  setUpEntryShape,
  usualStances,
} from './set-up-plan.ts'
export { type SettingSchool, settingOrder, stillToSet } from './setting-order.ts'
export {
  type AnteriorTooth,
  anteriorTeeth,
  checkToothSet,
  fdiOf,
  type PosteriorTooth,
  posteriorTeeth,
  type ToothKind,
  type ToothSet,
  toothMeasuresShape,
  toothNames,
} from './tooth-set.ts'
