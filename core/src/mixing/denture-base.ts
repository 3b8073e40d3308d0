import type { Source } from '../materials/index.ts'
import { requireWithin } from '../refusal/index.ts'

/** A denture base to be packed. */
export interface DentureBase {
  readonly shape: 'base'
  readonly arch: 'upper' | 'lower'
  /** Of the plate and the flanges, mm, 1 to 6. */
  readonly thicknessMillimetres: number
  /** Of the cast under the base, where it was measured, cm2, 3 to 60. */
  readonly areaCm2?: number
}

/** Mean bearing area of edentulous jaws, cm2. */
export const BEARING_AREA_CM2 = { upper: 22.96, lower: 12.25 } as const
/** Length along the ridge, mm, and resin between ridge and teeth, mm2 across it (both assumed). */
const RIDGE_MILLIMETRES = { upper: 115, lower: 105 } as const
const RIDGE_SECTION_MM2 = 50
/** Flash of the trial closures and what stays in the jar, of what the base takes: about as much again (common practice). */
export const USUAL_FLASH_FRACTION = 1
export const DENTURE_BASE_SOURCE: Source =
  'mean bearing areas 22.96 and 12.25 cm2 (Boucher, recalled); a ridge of 50 mm2 across assumed; good to about a third. Common practice mixes 21-30 g of polymer for one base'

/**
 * Volume of a denture base without its teeth, cm3: the bearing area times the thickness, and the body of resin on the ridge.
 * @throws {DomainError} `reading-not-plausible`
 * @example dentureBaseCm3({ shape: 'base', arch: 'upper', thicknessMillimetres: 2.5 }) // 11.49
 * Source: geometry; areas recalled, the ridge assumed.
 */
export function dentureBaseCm3({ arch, thicknessMillimetres, areaCm2 }: DentureBase): number {
  requireWithin(thicknessMillimetres, {
    least: 1,
    most: 6,
    kind: 'millimetres',
    what: 'The thickness of the base',
    field: 'thicknessMillimetres',
  })
  const area = areaCm2 ?? BEARING_AREA_CM2[arch]
  requireWithin(area, {
    least: 3,
    most: 60,
    kind: 'squareCentimetres',
    what: 'The area under the base',
    field: 'areaCm2',
  })
  return (area * thicknessMillimetres) / 10 + (RIDGE_MILLIMETRES[arch] * RIDGE_SECTION_MM2) / 1000
}
