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
export { bandsOf, colourDifference, type Lab, labOf, labShape, type ShownColour, shownColour } from './lab.ts'
export {
  type ColourVerdict,
  compareBlocks,
  type MixSheet,
  mixSheet,
  planCrown,
  planZone,
  type Recipe,
  verdictOf,
  type Zone,
  type ZonePlan,
} from './recipe.ts'
