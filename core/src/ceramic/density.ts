import { type CeramicClass, ceramicFigures } from '../materials/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'

/** Of the density without a pore; below it is remade, not sintered again. Source: at least 99 %, recalled. */
export const LEAST_DENSITY_PERCENT = 99

/**
 * Density by Archimedes, g/cm3: dry mass times the density of water over the mass lost in it.
 * @param dryGrams above 0 @param inWaterGrams hanging in water, below the dry mass @param waterCelsius 10 to 40
 * @throws {DomainError} `not-a-positive-number`, `density-not-rising`, `reading-not-plausible`
 * Source: exact; water 0.99821 g/cm3 at 20 °C, Kell 1975, recalled, by a straight line of 0.00021 a degree (within 0.1 % from 15 to 30).
 */
export function archimedesDensity(dryGrams: number, inWaterGrams: number, waterCelsius: number): number {
  requirePositive(dryGrams, 'dryGrams', 'The dry mass')
  requirePositive(inWaterGrams, 'inWaterGrams', 'The mass in water')
  if (inWaterGrams >= dryGrams)
    throw new DomainError(
      'density-not-rising',
      'It cannot weigh more in water than dry.',
      'Weigh it dry, then hanging under water, free of bubbles.',
      'inWaterGrams',
    )
  if (!(waterCelsius >= 10 && waterCelsius <= 40))
    throw new DomainError(
      'reading-not-plausible',
      'The water of a bench is not so cold or so warm.',
      'Enter its temperature, from 10 to 40 °C.',
      'waterCelsius',
    )
  const water = 0.99821 - 0.00021 * (waterCelsius - 20)
  return (dryGrams * water) / (dryGrams - inWaterGrams)
}

/** A density as a share of what the class has without a pore, %; undefined for a class that is not sintered. */
export function densityPercent(gramsPerCm3: number, ceramic: CeramicClass): number | undefined {
  const full = ceramicFigures[ceramic].gramsPerCm3
  return full === undefined ? undefined : (100 * gramsPerCm3) / full
}
