export { toDegrees, toRadians } from './angle.ts'
export { GAS_CONSTANT, ICE_POINT_KELVIN, STEFAN_BOLTZMANN } from './constants.ts'
export { kilopascalsFromPsi, MILLIMETRES_PER_INCH, millimetresFromInches } from './convert.ts'
export {
  displayUnit,
  formatQuantity,
  type QuantityKind,
  quantityKinds,
  type UnitSystem,
} from './display-quantity.ts'
export { parseTypedNumber } from './parse-number.ts'
export { capital, joined, type Quantity, qty, type Saying, saying, spoken, unfinished } from './saying.ts'
