export {
  type Articulator,
  type ArticulatorCard,
  articulatorCards,
  articulatorShape,
  BONWILL_MILLIMETRES,
  checkArticulator,
  incisalPoint,
  type OfSides,
} from './articulator.ts'
export { articulatorCalculator } from './articulator-calculator.ts'
export {
  type BalancedSetUp,
  type PosteriorPlace,
  type ToothContact,
  toothContact,
  usualPlaces,
} from './balanced-contact.ts'
export {
  type CompensatingSphere,
  type CuspAngle,
  christensenGap,
  cuspAngle,
  MONSON_RADIUS_MILLIMETRES,
  onSphere,
  sphereOnPlane,
  sphereThrough,
} from './compensating-sphere.ts'
export {
  type JawMovement,
  LONGEST_GUIDE,
  type Movement,
  moveJaw,
  type TravelDirection,
  travelDirection,
} from './jaw-movement.ts'
export type { JawPose } from './jaw-pose.ts'
export { pinForOpening, type ToothOpening, toothOpening } from './pin-opening.ts'
export type { SpacePoint } from './space.ts'
