import { qty, saying } from '../quantity/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'

interface DilutedLiquid {
  readonly specialMillilitres: number
  readonly waterMillilitres: number
}

/**
 * Special liquid and water that make a liquid of a share: special = share · total, water = the rest.
 *
 * @param specialPercent share of special liquid by volume, 0 to 100
 * @throws {DomainError} `not-a-positive-number`, `share-out-of-range`
 * @example dilutedLiquid(20, 60) // 12 mL of special liquid, 8 mL of water
 * Source: exact by volume, the small contraction on mixing not counted.
 */
export function dilutedLiquid(totalMillilitres: number, specialPercent: number): DilutedLiquid {
  requirePositive(totalMillilitres, 'totalMillilitres', 'The liquid')
  if (!(specialPercent >= 0 && specialPercent <= 100))
    throw new DomainError(
      'share-out-of-range',
      saying`A share of ${qty.percent(specialPercent)} cannot be mixed.`,
      'Enter a share of special liquid from 0 to 100 %.',
      'specialPercent',
    )
  const specialMillilitres = (totalMillilitres * specialPercent) / 100
  return { specialMillilitres, waterMillilitres: totalMillilitres - specialMillilitres }
}
