export { toDegrees, toRadians } from './angle.ts'
export {
  celsiusFromFahrenheit,
  fahrenheitFromCelsius,
  inchesFromMillimetres,
  KILOPASCALS_PER_PSI,
  kilopascalsFromPsi,
  MILLIMETRES_PER_INCH,
  millimetresFromInches,
  psiFromKilopascals,
} from './convert.ts'
export {
  displayUnit,
  formatQuantity,
  type QuantityKind,
  quantityKinds,
  type UnitSystem,
} from './display-quantity.ts'
export { type ParsedNumber, parseTypedNumber } from './parse-number.ts'
export {
  capital,
  joined,
  type Moment,
  type Quantity,
  qty,
  type Saying,
  saying,
  spoken,
  unfinished,
} from './saying.ts'
