export { archAt, archPoint } from './arch-form.ts'
export { inventedPrescription, inventedSetUp, inventedSetUpReading } from './invented-set-up.ts'
export { type NeededCusp, neededCusps } from './needed-cusps.ts'
export {
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
export { setUpCalculator } from './set-up-calculator.ts'
export {
  cuspsApart,
  type PlacedAnterior,
  type PlacedPosterior,
  planSetUp,
  type SetUpEntry,
  type SetUpPlan,
  setUpEntryShape,
} from './set-up-plan.ts'
export { settingOrder, stillToSet } from './setting-order.ts'
export { CANINE_BEYOND_MILLIMETRES, type Stances, usualStances } from './stances.ts'
export {
  type AnteriorTooth,
  anteriorTeeth,
  checkToothSet,
  posteriorTeeth,
  type ToothSet,
  toothMeasuresShape,
  toothNames,
} from './tooth-set.ts'
