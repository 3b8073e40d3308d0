import { type AlloyFigures, type MaterialCard, materials } from '../materials/index.ts'

/** An alloy as the casting instruments use it: a class of the shelf, or a product of the lab. */
export interface AlloyCard extends AlloyFigures {
  readonly id: string
  readonly name: string
  readonly gramsPerCm3: number
}

/** The alloy that a material card describes; undefined when it is none. */
export function alloyOf({ id, name, alloy, density }: MaterialCard): AlloyCard | undefined {
  return alloy && density && { ...alloy, id, name, gramsPerCm3: density.gramsPerCm3 }
}

/** Casting alloys by class. */
export const alloyCards: readonly AlloyCard[] = [...materials.values()].flatMap((card) => alloyOf(card) ?? [])

/** The lightest of them: less metal than this cannot fill a mould. */
export const LIGHTEST_ALLOY_GRAMS_PER_CM3 = Math.min(...alloyCards.map(({ gramsPerCm3 }) => gramsPerCm3))
