import { toDegrees, toRadians } from '../quantity/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'

/** Wire or plastic on wet enamel (choice). */
export const USUAL_FRICTION = 0.2

/** A wall under the survey line: how steep it is where so much depth is left. */
export type UndercutWall = (leftMillimetres: number) => number

/** A wall round as a ball of that radius: r (1 - cos φ) deep at φ under its line. */
export const roundWall =
  (radiusMillimetres: number): UndercutWall =>
  (left) =>
    toDegrees(Math.acos(Math.max(-1, 1 - left / radiusMillimetres)))

/** A straight wall. */
export const straightWall =
  (degrees: number): UndercutWall =>
  () =>
    degrees

/** Steps along the way out (choice): the peak is then refined between its neighbours. */
const STEPS = 400

/**
 * The greatest pull along the path while the tip rides from its depth out to the survey line: W = F tan(β + ρ), ρ = atan µ,
 * with F = k (depth - left) where so much depth is left.
 * @throws {DomainError} `not-a-positive-number`; `wall-too-steep`: with its friction the tip cannot slide out at all
 * Source: wedge with friction (exact); one arm is aimed at 3-7 N (Frank and Nicholls 1981, recalled).
 */
export function peakPull(asked: {
  readonly newtonsPerMillimetre: number
  readonly depthMillimetres: number
  readonly wall: UndercutWall
  readonly friction?: number | undefined
}): { readonly newtons: number; readonly leftMillimetres: number } {
  const { newtonsPerMillimetre, depthMillimetres, wall, friction = USUAL_FRICTION } = asked
  requirePositive(newtonsPerMillimetre, 'newtonsPerMillimetre', 'Stiffness')
  requirePositive(depthMillimetres, 'depthMillimetres', 'Depth')
  requirePositive(friction, 'friction', 'Friction', { orZero: true })
  const rest = Math.atan(friction)
  const pull = (left: number) => {
    const slope = toRadians(wall(left)) + rest
    if (!(slope < Math.PI / 2))
      throw new DomainError(
        'wall-too-steep',
        'Under such a wall the tip does not slide out: it hooks.',
        'Take a place where the wall is nearer to the path.',
        'wall',
      )
    return newtonsPerMillimetre * (depthMillimetres - left) * Math.tan(Math.max(0, slope))
  }
  let best = 0
  for (let n = 1; n <= STEPS; n++)
    if (pull((depthMillimetres * n) / STEPS) > pull((depthMillimetres * best) / STEPS)) best = n
  let low = (depthMillimetres * Math.max(0, best - 1)) / STEPS
  let high = (depthMillimetres * Math.min(STEPS, best + 1)) / STEPS
  for (let n = 0; n < 60; n++) {
    const [a, b] = [low + (high - low) / 3, high - (high - low) / 3]
    if (pull(a) >= pull(b)) high = b
    else low = a
  }
  const left = (low + high) / 2
  return { newtons: pull(left), leftMillimetres: left }
}
