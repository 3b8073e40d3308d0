import { qty, saying, toDegrees, toRadians } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { type Articulator, checkArticulator } from './articulator.ts'
import { type JawPose, jawPose } from './jaw-pose.ts'
import { less, type SpacePoint, times } from './space.ts'

export const movements = ['protrusion', 'rightLateral', 'leftLateral'] as const
export type Movement = (typeof movements)[number]

/** Beyond any guide, mm: warned about, not refused (choice). */
export const LONGEST_GUIDE = 12

/** A movement of the lower against the upper along the guides. */
export interface JawMovement {
  readonly movement: Movement
  /** Horizontal advance of the sliding condyle, mm, 0 or more. */
  readonly advanceMillimetres: number
  readonly pinMillimetres?: number
  /** The working condyle only turns; the Bennett angle is not used. */
  readonly workingFixed?: boolean
}

/**
 * Where the lower goes in a movement, exactly. Guides are straight, teeth do not touch, nothing bends, the articulator
 * has no play.
 *
 * @throws {DomainError} of `checkArticulator`; `negative-advance`, `condyles-too-far`, `pin-cannot-reach`, `opening`
 * Source: rigid-body geometry (exact).
 */
export function moveJaw(articulator: Articulator, to: JawMovement): JawPose {
  checkArticulator(articulator)
  const { advanceMillimetres: X, pinMillimetres = 0 } = to
  if (!(Number.isFinite(X) && X >= 0))
    throw new DomainError(
      'negative-advance',
      saying`The advance is ${qty.mm(X)}.`,
      'Enter 0 mm or more.',
      'advanceMillimetres',
    )
  if (!(Math.abs(pinMillimetres) <= 20))
    throw new DomainError(
      'opening',
      saying`A pin change of ${qty.mm(pinMillimetres)} is not meant.`,
      'Enter at most 20 mm up or down.',
      'pinMillimetres',
    )
  return poseAt(articulator, to, X)
}

function poseAt(articulator: Articulator, to: JawMovement, X: number): JawPose {
  const condyles = to.movement === 'protrusion' ? protruded(articulator, X) : lateral(articulator, to, X)
  return jawPose(articulator, condyles, to.pinMillimetres)
}

const slope = (degrees: number) => Math.tan(toRadians(degrees))

function protruded(
  { intercondylarMillimetres: c, condylarDegrees }: Articulator,
  X: number,
): JawPose['condyles'] {
  const zRight = -X * slope(condylarDegrees.right)
  const zLeft = -X * slope(condylarDegrees.left)
  const half = 0.5 * Math.sqrt(withinReach(c * c - (zLeft - zRight) ** 2))
  return { right: { x: X, y: -half, z: zRight }, left: { x: X, y: half, z: zLeft } }
}

function lateral(
  {
    intercondylarMillimetres: c,
    condylarDegrees,
    bennettDegrees,
    immediateSideShiftMillimetres: i,
  }: Articulator,
  { movement, workingFixed }: JawMovement,
  X: number,
): JawPose['condyles'] {
  // To the right the left condyle slides, and the other way round.
  const m = movement === 'rightLateral' ? -1 : 1
  const balancing = m < 0 ? 'left' : 'right'
  const z = -X * slope(condylarDegrees[balancing])
  const apart = Math.sqrt(withinReach(c * c - X * X - z * z))
  const yBalancing = workingFixed
    ? (m * c) / 2 - m * apart
    : (-m * c) / 2 + m * (i + X * slope(bennettDegrees[balancing]))
  const yWorking = workingFixed ? (m * c) / 2 : yBalancing + m * apart
  const slid = { x: X, y: yBalancing, z }
  const working = { x: 0, y: yWorking, z: 0 }
  return m < 0 ? { right: working, left: slid } : { right: slid, left: working }
}

function withinReach(square: number): number {
  if (square > 0) return square
  throw new DomainError(
    'condyles-too-far',
    'The condyles cannot stay that distance apart so far out.',
    'Ask for a smaller movement.',
    'advanceMillimetres',
  )
}

/** How a point of the lower travels at a moment of a movement. Angles in degrees. */
export interface TravelDirection {
  /** Of the way seen from above, from straight forwards, to the left above 0. */
  readonly azimuthDegrees: number
  /** Downwards above 0. */
  readonly dipDegrees: number
  readonly sagittalDegrees: number
  readonly frontalDegrees: number
}

/** Step of the central difference, mm. The formulas are smooth, so it may reach over 0. */
const STEP = 1e-4

/**
 * The direction in which a point of the lower travels at a place of a movement.
 * @throws {DomainError} as `moveJaw`
 */
export function travelDirection(
  articulator: Articulator,
  to: JawMovement,
  point: SpacePoint,
): TravelDirection {
  moveJaw(articulator, to)
  const at = (X: number) => poseAt(articulator, to, X).move(point)
  // With a side shift or wings there is a corner at 0: then only onwards.
  const smooth =
    to.advanceMillimetres > STEP ||
    (articulator.immediateSideShiftMillimetres === 0 &&
      articulator.wingDegrees.right === 0 &&
      articulator.wingDegrees.left === 0)
  const before = to.advanceMillimetres - (smooth ? STEP : 0)
  const t = times(less(at(to.advanceMillimetres + STEP), at(before)), 1 / STEP)
  return {
    azimuthDegrees: toDegrees(Math.atan2(t.y, t.x)),
    dipDegrees: toDegrees(Math.atan2(-t.z, Math.hypot(t.x, t.y))),
    sagittalDegrees: toDegrees(Math.atan2(-t.z, t.x)),
    frontalDegrees: toDegrees(Math.atan2(-t.z, Math.abs(t.y))),
  }
}
