import { toRadians } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import type { Articulator } from './articulator.ts'
import { cross, inner, less, plus, type SpacePoint, times, unit } from './space.ts'

/** Where the lower member has gone: a rigid movement. */
export interface JawPose {
  /** Opening about its own hinge axis, radians; above 0 the front has gone down. */
  readonly opening: number
  readonly condyles: { readonly right: SpacePoint; readonly left: SpacePoint }
  /** Middle between the condyles, and the axes of the lower before it opens: forwards, to the left, up. */
  readonly origin: SpacePoint
  readonly axes: { readonly ahead: SpacePoint; readonly across: SpacePoint; readonly up: SpacePoint }
  /** Any point of the lower: where it is now. */
  readonly move: (point: SpacePoint) => SpacePoint
}

/**
 * The pose of the lower member with its condyles at two places and the pin on its table, in closed form.
 *
 * Any lower point goes to P' = O' + R0 Ry(θ) P. In the lower's coordinates the tip is Ry(-θ) v; it rests on a plane of
 * the table when a cos θ + b sin θ = k; of two planes the one that asks for the larger θ carries.
 *
 * @param pinMillimetres how far the tip has been let down; longer opens
 * @throws {DomainError} `pin-cannot-reach`
 * Source: rigid-body geometry (exact).
 */
export function jawPose(
  articulator: Articulator,
  condyles: JawPose['condyles'],
  pinMillimetres = 0,
): JawPose {
  const { right, left } = condyles
  const origin = times(plus(right, left), 0.5)
  const e = unit(less(left, right))
  const e1 = unit(cross(e, { x: 0, y: 0, z: 1 }))
  const e3 = cross(e1, e)
  const turned = ({ x, y, z }: SpacePoint) => plus(plus(times(e1, x), times(e, y)), times(e3, z))
  const { pinTip } = articulator
  const tip: SpacePoint = { x: pinTip.x, y: 0, z: pinTip.z }
  const down = less({ ...tip, z: tip.z - pinMillimetres }, origin)
  const v = { x: inner(down, e1), y: inner(down, e), z: inner(down, e3) }
  const opening = Math.max(...tablePlanes(articulator).map((normal) => openingOn(normal, v, tip)))
  const [cos, sin] = [Math.cos(opening), Math.sin(opening)]
  return {
    opening,
    condyles,
    origin,
    axes: { ahead: e1, across: e, up: e3 },
    move: ({ x, y, z }) => plus(origin, turned({ x: cos * x + sin * z, y, z: cos * z - sin * x })),
  }
}

/** Normals of the two planes of the incisal table; one when it has no wings. */
function tablePlanes({ incisalDegrees, wingDegrees }: Articulator): SpacePoint[] {
  const tan = (degrees: number) => Math.tan(toRadians(degrees))
  const left = { x: tan(incisalDegrees), y: -tan(wingDegrees.left), z: 1 }
  const right = { x: tan(incisalDegrees), y: tan(wingDegrees.right), z: 1 }
  return wingDegrees.left === 0 && wingDegrees.right === 0 ? [left] : [left, right]
}

function openingOn(n: SpacePoint, v: SpacePoint, tip: SpacePoint): number {
  const a = n.x * v.x + n.z * v.z
  const b = n.z * v.x - n.x * v.z
  const k = inner(n, tip) - n.y * v.y
  return rootNearestZero(a, b, k)
}

/**
 * The root of a cos θ + b sin θ = k that lies nearest 0.
 * @throws {DomainError} `pin-cannot-reach` when there is none
 */
export function rootNearestZero(a: number, b: number, k: number): number {
  const size = Math.hypot(a, b)
  if (!(Math.abs(k) <= size))
    throw new DomainError(
      'pin-cannot-reach',
      'The pin cannot reach its table so far out.',
      'Ask for a smaller movement or opening.',
    )
  const middle = Math.atan2(b, a)
  const half = Math.acos(k / size)
  const near = (angle: number) => Math.atan2(Math.sin(angle), Math.cos(angle))
  const [first, second] = [near(middle + half), near(middle - half)]
  return Math.abs(first) <= Math.abs(second) ? first : second
}
