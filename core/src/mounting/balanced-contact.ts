import { requirePositive } from '../refusal/index.ts'
import type { Articulator } from './articulator.ts'
import { type CompensatingSphere, type CuspAngle, cuspAngle, onSphere } from './compensating-sphere.ts'
import type { Movement } from './jaw-movement.ts'
import type { SpacePoint } from './space.ts'

/** Where the lower cusps of a posterior tooth lie, mm: behind the incisal edge and out from the midline. */
interface PosteriorPlace {
  readonly behindMillimetres: number
  readonly asideMillimetres: number
}

/** Where the teeth usually stand. Source: common practice; a lab measures its own. */
export const usualPlaces = {
  'First premolar': { behindMillimetres: 18, asideMillimetres: 20 },
  'Second premolar': { behindMillimetres: 25, asideMillimetres: 22 },
  'First molar': { behindMillimetres: 35, asideMillimetres: 25 },
  'Second molar': { behindMillimetres: 45, asideMillimetres: 27 },
} as const satisfies Readonly<Record<string, PosteriorPlace>>

/** What a posterior tooth needs on one side. */
export interface ToothContact {
  readonly cusp: SpacePoint
  /** Of the curve there above the occlusal plane, mm. */
  readonly heightMillimetres: number
  readonly protrusion: CuspAngle
  /** Jaw moved to the tooth's own side. */
  readonly working: CuspAngle
  /** Jaw moved to the other side. */
  readonly balancing: CuspAngle
  /** The least cusp angle that keeps contact in all three, degrees. */
  readonly neededDegrees: number
}

export interface BalancedSetUp {
  readonly articulator: Articulator
  /** Incisal edge; the occlusal plane is horizontal through it. */
  readonly incisor: SpacePoint
  /** The curve that the cusps follow; left out: the flat plane. */
  readonly sphere?: CompensatingSphere
  /** Of the sliding condyle, mm, 0 or more: how far from rest contact is wanted. */
  readonly advanceMillimetres: number
}

/**
 * Cusp height and cusp angles of a posterior tooth for contact in protrusion, working and balancing movement.
 *
 * @param side of the patient
 * @throws {DomainError} `not-a-positive-number`, `outside-sphere`, and as `moveJaw`
 * Source: cusp angle = dip of the lower cusp's way less the tilt of the curve along it (exact); a set-up that is to keep
 * contact in every movement needs the largest of them, and is ground towards the others.
 */
export function toothContact(
  { articulator, incisor, sphere, advanceMillimetres }: BalancedSetUp,
  place: PosteriorPlace,
  side: 'right' | 'left',
): ToothContact {
  const behind = requirePositive(
    place.behindMillimetres,
    'behindMillimetres',
    'The place behind the incisors',
  )
  const aside = requirePositive(place.asideMillimetres, 'asideMillimetres', 'The place from the midline')
  const at = { x: incisor.x - behind, y: side === 'left' ? aside : -aside }
  const surface = sphere ? onSphere(sphere, at) : { z: incisor.z, slopeX: 0, slopeY: 0 }
  const cusp = { ...at, z: surface.z }
  const angle = (movement: Movement) =>
    cuspAngle(articulator, { movement, advanceMillimetres }, cusp, surface)
  const protrusion = angle('protrusion')
  const working = angle(side === 'right' ? 'rightLateral' : 'leftLateral')
  const balancing = angle(side === 'right' ? 'leftLateral' : 'rightLateral')
  return {
    cusp,
    heightMillimetres: surface.z - incisor.z,
    protrusion,
    working,
    balancing,
    neededDegrees: Math.max(protrusion.cuspDegrees, working.cuspDegrees, balancing.cuspDegrees),
  }
}
