export { type Articulator, articulatorCards, articulatorShape, checkArticulator } from './articulator.ts'
export { articulatorCalculator } from './articulator-calculator.ts'
export { type BalancedSetUp, type ToothContact, toothContact, usualPlaces } from './balanced-contact.ts'
export {
  type CompensatingSphere,
  christensenGap,
  MONSON_RADIUS_MILLIMETRES,
  onSphere,
  sphereOnPlane,
  sphereThrough,
} from './compensating-sphere.ts'
export { type JawMovement, LONGEST_GUIDE, type Movement, moveJaw, travelDirection } from './jaw-movement.ts'
export type { JawPose } from './jaw-pose.ts'
export { pinAtRotation, pinForOpening, toothOpening } from './pin-opening.ts'
export type { SpacePoint } from './space.ts'
