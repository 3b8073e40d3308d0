export { colourCalculators } from './calculators.ts'
export {
  type CalibratedBand,
  calibratePot,
  type Drawdown,
  filmOf,
} from './calibrate.ts'
export { CURVE_NANOMETRES, type Illuminant, labOfCurve, metamerism, whiteOf } from './curves.ts'
export {
  type Coat,
  film,
  glazed,
  mattOf,
  onSubstrate,
  overSurface,
  type Pot,
  type Specular,
  stained,
  stainedColour,
  substrateOf,
  thickFilm,
  underSurface,
} from './film.ts'
export {
  bandsOf,
  checkLab,
  colourDifference,
  type Lab,
  labOf,
  labShape,
  type ShownColour,
  shownColour,
} from './lab.ts'
export {
  coatWords,
  labWords,
  meanReading,
  outlierOf,
  READINGS,
  recipeWords,
} from './reading.ts'
export { type NamedReading, readingRows, readReadings } from './reading-table.ts'
export {
  ACCEPTABLE,
  type ColourVerdict,
  compareBlocks,
  type MixSheet,
  MOST_COATS,
  mixSheet,
  NOT_SEEN,
  planCrown,
  planZone,
  type Recipe,
  USUAL_COATS,
  verdictOf,
  type Zone,
  type ZonePlan,
} from './recipe.ts'
export {
  type AfterFiring,
  afterFiring,
  checkStainPlan,
  colourOf,
  type FiredResult,
  firedFactor,
  offeredFactor,
  type PlannedPot,
  type PlannedZone,
  plannedDifference,
  plannedPotShape,
  type StainPlan,
  schools,
  stainPlanShape,
  stainWarnings,
  type ToothZone,
  toothZones,
  zoneNames,
  zoneWords,
} from './stain-plan.ts'
