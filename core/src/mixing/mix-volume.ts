import type { MaterialCard } from '../materials/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'
import type { Mix } from './mix.ts'

/** Air mixed in, as a fraction of the volume (assumption: vacuum 0.5-1 %, by hand 2-5 %). */
export const AIR_FRACTION = { vacuum: 0.01, hand: 0.03 } as const
/** What stays in the bowl and on the spatula, as a fraction (common practice: about a tenth). */
export const USUAL_WASTE_FRACTION = 0.1

interface VolumeWanted {
  /** To be filled, cm3, above 0. */
  readonly cm3: number
  readonly millilitresPerGram: number
  /** 0 to 0.2 of the mixed volume. */
  readonly airFraction?: number
  /** 0 to 1 of the volume wanted. */
  readonly wasteFraction?: number
}

/**
 * Volume of a fresh mix, mL: V = (p/ρ + v) / (1 - a).
 * @throws {DomainError} `no-density` when the card has none; `not-a-positive-number`, `air-out-of-range`
 * Source: exact from the densities of the parts.
 */
export function mixMillilitres(card: MaterialCard, mix: Mix, airFraction = 0): number {
  const density = densityOf(card)
  requirePositive(mix.powderGrams, 'powderGrams', 'The powder')
  requirePositive(mix.liquidMillilitres, 'liquidMillilitres', 'The liquid', { orZero: true })
  checkAir(airFraction)
  return (mix.powderGrams / density + mix.liquidMillilitres) / (1 - airFraction)
}

/**
 * Powder and liquid that fill a volume: p = V (1 + w)(1 - a) / (1/ρ + W), v = p W.
 *
 * @throws {DomainError} `no-density`, `not-a-positive-number`, `air-out-of-range`, `waste-out-of-range`
 * @example mixForVolume(stone, { cm3: 60, millilitresPerGram: 0.24 }) // 99.398 g, 23.855 mL for a powder of 2.75 g/cm3
 * Source: exact from the densities of the parts.
 */
export function mixForVolume(card: MaterialCard, wanted: VolumeWanted): Mix {
  const { cm3, millilitresPerGram, airFraction = 0, wasteFraction = 0 } = wanted
  requirePositive(cm3, 'cm3', 'The volume')
  requirePositive(millilitresPerGram, 'millilitresPerGram', 'The ratio')
  checkAir(airFraction)
  if (!(wasteFraction >= 0 && wasteFraction <= 1))
    throw new DomainError(
      'waste-out-of-range',
      `The waste is ${wasteFraction}.`,
      'Enter a waste from 0 to 100 %.',
      'wasteFraction',
    )
  const powderGrams =
    (cm3 * (1 + wasteFraction) * (1 - airFraction)) / (1 / densityOf(card) + millilitresPerGram)
  return { powderGrams, liquidMillilitres: powderGrams * millilitresPerGram }
}

function densityOf(card: MaterialCard): number {
  if (card.density) return card.density.gramsPerCm3
  throw new DomainError(
    'no-density',
    `The density of ${card.name.toLowerCase()} is not known.`,
    'Enter it on its card, or go by weight.',
    'materialId',
  )
}

function checkAir(airFraction: number): void {
  if (!(airFraction >= 0 && airFraction <= 0.2))
    throw new DomainError(
      'air-out-of-range',
      `The air share is ${airFraction}.`,
      'Enter air from 0 to 20 %.',
      'airFraction',
    )
}
