import {
  LOOSE_POLYMER_GRAMS_PER_ML,
  MONOMER_GRAMS_PER_CM3,
  POLYMER_GRAMS_PER_CM3,
} from '../materials/index.ts'
import { requirePositive } from '../refusal/index.ts'

/** Volume lost when pure monomer polymerises: 1 - 0.945/1.19, 0.206. Source: Phillips (about 21 %), recalled. */
export const MONOMER_SHRINKAGE_FRACTION = 1 - MONOMER_GRAMS_PER_CM3 / POLYMER_GRAMS_PER_CM3

/**
 * Shrinkage in volume of a dough when it cures, from its parts by volume (loose powder : monomer).
 * Only the monomer shrinks; the beads are taken at their true density, so air between them does not count.
 *
 * @param powderParts volumes of loose powder to one volume of monomer, 0 or more
 * @example doughShrinkageFraction(3) // 0.074, handbooks print about 7 %
 * @throws {DomainError} `not-a-positive-number`
 * Source: exact from the densities (Phillips, recalled) and the loose density of the beads (common practice).
 */
export function doughShrinkageFraction(powderParts: number): number {
  requirePositive(powderParts, 'powderParts', 'The powder', { orZero: true })
  const beadsCm3 = (powderParts * LOOSE_POLYMER_GRAMS_PER_ML) / POLYMER_GRAMS_PER_CM3
  return MONOMER_SHRINKAGE_FRACTION / (1 + beadsCm3)
}
