import { DomainError, requirePositive } from '../refusal/index.ts'

/** The order of the hands for every gypsum mix (common practice). */
export const MIXING_RULES = [
  'Weigh the powder, measure the water; tare the bowl first.',
  'Powder into water. Wet all of it by hand before the machine, then mix under vacuum.',
  'Rinse bowl and blade at once.',
  'Never add water to a mix that thickens: start again.',
] as const

/** A weighed powder and a measured liquid. */
export interface Mix {
  readonly powderGrams: number
  readonly liquidMillilitres: number
}

/** What is known before mixing: one of these. */
export type MixGiven =
  | { readonly from: 'powder'; readonly powderGrams: number }
  | { readonly from: 'liquid'; readonly liquidMillilitres: number }
  | { readonly from: 'total'; readonly totalGrams: number; readonly liquidGramsPerMillilitre: number }
  | { readonly from: 'bags'; readonly bags: number; readonly bagGrams: number }

/**
 * Both parts of a mix from the one that is known and the ratio R, mL of liquid per g of powder:
 * liquid = R · powder; from a total mass T with liquid density ρ, powder = T / (1 + R ρ).
 *
 * @throws {DomainError} `not-a-positive-number` with the field at fault
 * @example mixParts({ from: 'powder', powderGrams: 100 }, 0.2) // 100 g, 20 mL
 * Source: exact.
 */
export function mixParts(given: MixGiven, millilitresPerGram: number): Mix {
  requirePositive(millilitresPerGram, 'millilitresPerGram', 'The ratio')
  const powderGrams = powderOf(given, millilitresPerGram)
  const liquidMillilitres =
    given.from === 'liquid' ? given.liquidMillilitres : powderGrams * millilitresPerGram
  return { powderGrams, liquidMillilitres }
}

function powderOf(given: MixGiven, millilitresPerGram: number): number {
  switch (given.from) {
    case 'powder':
      return requirePositive(given.powderGrams, 'powderGrams', 'The powder')
    case 'liquid':
      return requirePositive(given.liquidMillilitres, 'liquidMillilitres', 'The liquid') / millilitresPerGram
    case 'total':
      requirePositive(given.liquidGramsPerMillilitre, 'liquidGramsPerMillilitre', 'The density of the liquid')
      return (
        requirePositive(given.totalGrams, 'totalGrams', 'The total') /
        (1 + millilitresPerGram * given.liquidGramsPerMillilitre)
      )
    case 'bags':
      requirePositive(given.bagGrams, 'bagGrams', 'The weight of a bag')
      return requirePositive(given.bags, 'bags', 'The number of bags') * given.bagGrams
  }
}

/**
 * Whole bags or scoops that hold at least the amount, rounded up.
 * A thousandth of a pack is let go, so that 300.0001 g of 100 g bags is 3.
 */
export function packsNeeded(amount: number, packSize: number): number {
  requirePositive(amount, 'amount', 'The amount')
  requirePositive(packSize, 'packSize', 'The size of a pack')
  return Math.max(1, Math.ceil(amount / packSize - 1e-3))
}

/**
 * Counted parts: liquid parts for a number of powder parts (alginate: 4 scoops, 4 units of water).
 * @throws {DomainError} `not-a-positive-number`
 */
export function liquidParts(powderParts: number, liquidPartsPerPowderPart: number): number {
  requirePositive(liquidPartsPerPowderPart, 'liquidPartsPerPowderPart', 'The parts')
  return requirePositive(powderParts, 'powderParts', 'The powder') * liquidPartsPerPowderPart
}

/**
 * Ratio of a blend of powders: the mean of their ratios weighted by mass, W = Σ m W / Σ m.
 *
 * @param parts at least one
 * @throws {DomainError} `empty-blend`, `not-a-positive-number`
 * @example blendRatio([{ grams: 60, millilitresPerGram: 0.5 }, { grams: 140, millilitresPerGram: 0.3 }]) // 0.36
 * Source: exact, each powder taking up its own water.
 */
export function blendRatio(
  parts: readonly { readonly grams: number; readonly millilitresPerGram: number }[],
): number {
  if (parts.length === 0)
    throw new DomainError('empty-blend', 'The blend has no parts.', 'Enter at least one powder.', 'parts')
  let grams = 0
  let millilitres = 0
  for (const part of parts) {
    grams += requirePositive(part.grams, 'grams', 'The powder')
    millilitres += part.grams * requirePositive(part.millilitresPerGram, 'millilitresPerGram', 'The ratio')
  }
  return millilitres / grams
}
