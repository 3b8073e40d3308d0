import { qty, type Saying, saying } from '../quantity/index.ts'
import { requirePositive } from '../refusal/index.ts'
import type { Mix } from './mix.ts'

interface MixInBowl extends Mix {
  /** Wanted ratio, mL/g, and how far from it is still accepted, as a fraction (0.02 is 2 %). */
  readonly millilitresPerGram: number
  readonly toleranceFraction: number
  /** Whether the mix has begun to thicken. Then nothing may be added. */
  readonly thickening: boolean
  /** Room in the bowl for powder and liquid together, g; none given: no limit. */
  readonly bowlGrams?: number
  readonly liquidGramsPerMillilitre: number
  /** What the balance and the cylinder can add at least, g and mL; an addition is rounded to it. None: any. */
  readonly readableGrams?: number
  readonly readableMillilitres?: number
  /** The range of the class, mL/g, for the reason when it cannot be met. */
  readonly classRange?: { readonly min: number; readonly max: number }
}

type MixCorrection =
  | { readonly action: 'goodAsItIs' }
  | { readonly action: 'addLiquid'; readonly liquidMillilitres: number }
  | { readonly action: 'addPowder'; readonly powderGrams: number }
  | { readonly action: 'startAgain'; readonly reason: Saying }

/**
 * What to do with a mix whose parts are already in the bowl: add the other part, or start again.
 *
 * Powder p and liquid v against the wanted ratio R: liquid to add p R - v if that is above 0, else powder v / R - p.
 * Where the balance or the cylinder cannot add so little that the ratio is met, it says start again.
 * Adding water to a mix that thickens breaks the crystals already formed, so it is refused (common practice).
 *
 * @throws {DomainError} `not-a-positive-number`
 * Source: exact; the rule against adding to a thickening mix is common practice.
 */
export function correctMix(bowl: MixInBowl): MixCorrection {
  const { powderGrams, liquidMillilitres, millilitresPerGram, toleranceFraction } = bowl
  requirePositive(powderGrams, 'powderGrams', 'The powder')
  requirePositive(liquidMillilitres, 'liquidMillilitres', 'The liquid')
  requirePositive(millilitresPerGram, 'millilitresPerGram', 'The ratio')
  requirePositive(toleranceFraction, 'toleranceFraction', 'The tolerance', { orZero: true })
  requirePositive(bowl.liquidGramsPerMillilitre, 'liquidGramsPerMillilitre', 'The density of the liquid')
  const wantedMillilitres = powderGrams * millilitresPerGram
  if (Math.abs(liquidMillilitres - wantedMillilitres) <= toleranceFraction * wantedMillilitres)
    return { action: 'goodAsItIs' }
  if (bowl.thickening)
    return {
      action: 'startAgain',
      reason: 'The mix is thickening. Adding to it breaks the crystals that have formed.',
    }
  const tooDry = wantedMillilitres > liquidMillilitres
  const addMillilitres = tooDry
    ? roundedTo(bowl.readableMillilitres, wantedMillilitres - liquidMillilitres)
    : 0
  const addGrams = tooDry
    ? 0
    : roundedTo(bowl.readableGrams, liquidMillilitres / millilitresPerGram - powderGrams)
  const reached = (liquidMillilitres + addMillilitres) / (powderGrams + addGrams)
  if (Math.abs(reached - millilitresPerGram) > toleranceFraction * millilitresPerGram * (1 + 1e-9) + 1e-12)
    return { action: 'startAgain', reason: missed(reached, bowl) }
  const fullGrams =
    powderGrams + addGrams + (liquidMillilitres + addMillilitres) * bowl.liquidGramsPerMillilitre
  if (bowl.bowlGrams !== undefined && fullGrams > bowl.bowlGrams)
    return {
      action: 'startAgain',
      reason: saying`Corrected it would be ${qty.grams(fullGrams, 0)}, more than the bowl's ${qty.grams(bowl.bowlGrams)}.`,
    }
  return tooDry
    ? { action: 'addLiquid', liquidMillilitres: addMillilitres }
    : { action: 'addPowder', powderGrams: addGrams }
}

function roundedTo(readable: number | undefined, amount: number): number {
  if (readable === undefined) return amount
  requirePositive(readable, 'readable', 'What can be read')
  return Math.round(amount / readable) * readable
}

function missed(reached: number, { classRange, toleranceFraction }: MixInBowl): Saying {
  const nearest = saying`The nearest that can be measured gives ${qty.millilitresPerGram(reached, 3)}`
  return classRange && (reached < classRange.min || reached > classRange.max)
    ? saying`${nearest}, beyond the class range of ${classRange.min.toFixed(2)} to ${classRange.max.toFixed(2)}.`
    : saying`${nearest}, not within ${qty.percent(toleranceFraction * 100, 0)}.`
}
