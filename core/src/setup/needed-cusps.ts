import { type Articulator, toothContact } from '../mounting/index.ts'
import type { SetUpEntry, SetUpPlan } from './set-up-plan.ts'

/** What a planned back tooth needs to keep contact in every movement. Degrees. */
export interface NeededCusp {
  readonly fdi: number
  readonly neededDegrees: number
  /** Of the chosen teeth less what is needed; below 0 they are too flat. */
  readonly spareDegrees: number
}

/** How far from rest contact is usually wanted, mm of the sliding condyle (choice). */
const USUAL_ADVANCE = 4

/**
 * The cusp angle that each planned back tooth needs for contact in protrusion, working and balancing movement, next to
 * the angle of the chosen set.
 *
 * The places of the teeth and the curve are the plan's; heights measured on natural lowers are not followed.
 * @param advanceMillimetres of the sliding condyle
 * @throws {DomainError} as `toothContact`
 * @example neededCusps(entry, plan, articulator)[0] // { fdi: 14, neededDegrees: 19.8, spareDegrees: 0.2 }
 */
export function neededCusps(
  { toothSet, incisorForwardMillimetres, incisorBelowMillimetres }: SetUpEntry,
  { posterior, rim, curve }: SetUpPlan,
  articulator: Articulator,
  advanceMillimetres = USUAL_ADVANCE,
): NeededCusp[] {
  const set = {
    articulator,
    incisor: { x: incisorForwardMillimetres, y: 0, z: -incisorBelowMillimetres },
    sphere: curve,
    advanceMillimetres,
  }
  return posterior.map(({ fdi, side, palatal }) => {
    const place = {
      behindMillimetres: rim.frontMillimetres - palatal.at.y,
      asideMillimetres: Math.abs(palatal.at.x),
    }
    const { neededDegrees } = toothContact(set, place, side)
    return { fdi, neededDegrees, spareDegrees: toothSet.cuspDegrees - neededDegrees }
  })
}
