import { qty, saying, toDegrees, toRadians } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { type Articulator, checkArticulator } from './articulator.ts'
import { jawPose, rootNearestZero } from './jaw-pose.ts'
import { lengthOf, less, type SpacePoint } from './space.ts'

/** What a change of the pin does at a tooth. */
export interface ToothOpening {
  /** How far the lower tooth drops, mm; closing is below 0. */
  readonly openingMillimetres: number
  /** The straight way from before to after, mm. */
  readonly chordMillimetres: number
  readonly rotationDegrees: number
  /** By similar triangles, p · x / x_T, for small changes on a flat table: about 1 % off at 2 mm. */
  readonly similarTrianglesMillimetres: number
}

/**
 * From the pin to a tooth: the pin is further from the hinge than the tooth, so it opens more there.
 *
 * @param pinMillimetres longer is above 0; at most 20 either way
 * @param tooth on the lower, in front of the axis
 * @throws {DomainError} of `checkArticulator`; `opening`, `pin-cannot-reach`
 * @example toothOpening(articulator, 1, { x: 50, y: 25, z: -35 }) // flat table, pin tip 100 mm out: 0.497 mm
 * Source: rotation about the hinge axis (exact).
 */
export function toothOpening(
  articulator: Articulator,
  pinMillimetres: number,
  tooth: SpacePoint,
): ToothOpening {
  checkArticulator(articulator)
  checkOpening(pinMillimetres, 'pinMillimetres')
  const pose = jawPose(articulator, closed(articulator), pinMillimetres)
  const moved = less(pose.move(tooth), tooth)
  return {
    openingMillimetres: -moved.z,
    chordMillimetres: lengthOf(moved),
    rotationDegrees: toDegrees(pose.opening),
    similarTrianglesMillimetres: (pinMillimetres * tooth.x) / articulator.pinTip.x,
  }
}

/**
 * From a tooth back to the pin: how far the pin must go so that the lower tooth drops by h.
 *
 * x sin θ - z cos θ = h - z gives θ; then p = [n_x (x_T cos θ - z_T sin θ) + n_z (x_T sin θ + z_T cos θ) - n·T] /
 * (n_z cos θ - n_x sin θ).
 *
 * @throws {DomainError} of `checkArticulator`; `opening`, `pin-cannot-reach`
 * Source: rotation about the hinge axis (exact).
 */
export function pinForOpening(
  articulator: Articulator,
  openingMillimetres: number,
  tooth: SpacePoint,
): number {
  checkArticulator(articulator)
  checkOpening(openingMillimetres, 'openingMillimetres')
  return pinAtRotation(articulator, rootNearestZero(-tooth.z, tooth.x, openingMillimetres - tooth.z))
}

/** What the pin reads, mm, when the lower is turned about its hinge axis; opening is above 0. @param theta radians */
export function pinAtRotation(articulator: Articulator, theta: number): number {
  const [cos, sin] = [Math.cos(theta), Math.sin(theta)]
  const { x, z } = articulator.pinTip
  const n = { x: Math.tan(toRadians(articulator.incisalDegrees)), z: 1 }
  return (
    (n.x * (x * cos - z * sin) + n.z * (x * sin + z * cos) - (n.x * x + n.z * z)) / (n.z * cos - n.x * sin)
  )
}

function closed({ intercondylarMillimetres: c }: Articulator) {
  return { right: { x: 0, y: -c / 2, z: 0 }, left: { x: 0, y: c / 2, z: 0 } }
}

function checkOpening(millimetres: number, field: string): void {
  if (!(Math.abs(millimetres) <= 20))
    throw new DomainError(
      'opening',
      saying`An opening of ${qty.mm(millimetres)} is not meant.`,
      'Enter at most 20 mm up or down.',
      field,
    )
}
