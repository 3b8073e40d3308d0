import { qty, saying, toDegrees, toRadians } from '../quantity/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'
import { type Articulator, BONWILL_MILLIMETRES } from './articulator.ts'
import { type JawMovement, moveJaw, travelDirection } from './jaw-movement.ts'
import { cross, inner, less, plus, type SpacePoint, times, unit } from './space.ts'

/** Radius of the compensating curve, mm: 4 in. Source: Monson 1920, recalled; editable. */
export const MONSON_RADIUS_MILLIMETRES = BONWILL_MILLIMETRES

/** A sphere above the teeth on whose lower side the cusps lie. */
export interface CompensatingSphere {
  readonly centre: SpacePoint
  readonly radiusMillimetres: number
}

/**
 * The sphere of a radius through three points: usually both condyle centres and the incisal point.
 *
 * Circumcentre Z = p + (|w|² (g × u) + |u|² (w × g)) / (2 |g|²) with u = q - p, w = r - p, g = u × w; the centre lies
 * √(R² - r²) above it.
 * @throws {DomainError} `sphere-too-small`, `not-a-positive-number`
 * Source: exact; the choice of points, Monson 1920, recalled.
 */
export function sphereThrough(
  [p, q, r]: readonly [SpacePoint, SpacePoint, SpacePoint],
  radiusMillimetres = MONSON_RADIUS_MILLIMETRES,
): CompensatingSphere {
  requirePositive(radiusMillimetres, 'radiusMillimetres', 'The radius')
  const [u, w] = [less(q, p), less(r, p)]
  const g = cross(u, w)
  const out = times(
    plus(times(cross(g, u), inner(w, w)), times(cross(w, g), inner(u, u))),
    1 / (2 * inner(g, g)),
  )
  const circle = inner(out, out)
  if (!(circle <= radiusMillimetres ** 2))
    throw new DomainError(
      'sphere-too-small',
      saying`A sphere of ${qty.mm(radiusMillimetres)} does not reach all three points.`,
      saying`Choose a radius of at least ${qty.mm(Math.sqrt(circle), 1)}.`,
      'radiusMillimetres',
    )
  const up = unit(g.z < 0 ? times(g, -1) : g)
  return {
    centre: plus(plus(p, out), times(up, Math.sqrt(radiusMillimetres ** 2 - circle))),
    radiusMillimetres,
  }
}

/** The sphere that touches the occlusal plane at a place of the midline. */
export function sphereOnPlane(
  planeZ: number,
  touchX: number,
  radiusMillimetres = MONSON_RADIUS_MILLIMETRES,
): CompensatingSphere {
  requirePositive(radiusMillimetres, 'radiusMillimetres', 'The radius')
  return { centre: { x: touchX, y: 0, z: planeZ + radiusMillimetres }, radiusMillimetres }
}

/**
 * Height of the curve at a place, and how it slopes there: z = S_z - κ, κ = √(R² - (x - S_x)² - (y - S_y)²).
 * @throws {DomainError} `outside-sphere`
 */
export function onSphere(
  { centre, radiusMillimetres }: CompensatingSphere,
  at: { readonly x: number; readonly y: number },
): { readonly z: number; readonly slopeX: number; readonly slopeY: number } {
  const [dx, dy] = [at.x - centre.x, at.y - centre.y]
  const square = radiusMillimetres ** 2 - dx * dx - dy * dy
  if (!(square > 0))
    throw new DomainError(
      'outside-sphere',
      'That place lies outside the sphere.',
      'Choose a larger radius or a place nearer the middle.',
      'radiusMillimetres',
    )
  const kappa = Math.sqrt(square)
  return { z: centre.z - kappa, slopeX: dx / kappa, slopeY: dy / kappa }
}

/** What a tooth needs to stay in contact through a movement. Degrees. */
export interface CuspAngle {
  readonly dipDegrees: number
  readonly azimuthDegrees: number
  /** Slope of the curve itself along the way. */
  readonly tiltDegrees: number
  /** Below 0: the curve alone is steeper than the way; lower it. */
  readonly cuspDegrees: number
}

/**
 * The cusp angle that keeps contact in a movement: the dip of the lower cusp's way less the tilt of the occlusal
 * surface along it.
 *
 * @param cusp on the lower, at the height of the curve
 * @param surface slope of the curve or plane there
 * @throws {DomainError} as `moveJaw`
 * Source: an incline stays in contact when its slope along the way equals the dip (exact).
 */
export function cuspAngle(
  articulator: Articulator,
  movement: JawMovement,
  cusp: SpacePoint,
  surface: { readonly slopeX: number; readonly slopeY: number },
): CuspAngle {
  const { azimuthDegrees, dipDegrees } = travelDirection(articulator, movement, cusp)
  const az = toRadians(azimuthDegrees)
  const tiltDegrees = toDegrees(Math.atan(-(surface.slopeX * Math.cos(az) + surface.slopeY * Math.sin(az))))
  return { dipDegrees, azimuthDegrees, tiltDegrees, cuspDegrees: dipDegrees - tiltDegrees }
}

/**
 * The gap that opens between flat rims behind when the jaw is protruded and the front edges stay in contact
 * (Christensen). On a horizontal plane it is (x_T - x) tan(-θ) at the place x of the upper rim.
 *
 * @param rimEdge front edge of the rims
 * @param atX where the gap is asked for
 * @throws {DomainError} as `moveJaw`
 */
export function christensenGap(
  articulator: Articulator,
  rimEdge: { readonly x: number; readonly z: number },
  advanceMillimetres: number,
  atX: number,
): number {
  const onRims: Articulator = {
    ...articulator,
    pinTip: rimEdge,
    incisalDegrees: 0,
    wingDegrees: { right: 0, left: 0 },
  }
  const { opening } = moveJaw(onRims, { movement: 'protrusion', advanceMillimetres })
  return (rimEdge.x - atX) * Math.tan(-opening)
}
