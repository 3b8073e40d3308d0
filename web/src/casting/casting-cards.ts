import { type AlloyCard, alloyOf, type MaterialCard, materials } from '@yentrik/core'
import { useShelf } from '../record/shelf.ts'

/** An alloy to choose: a class, or a product of the lab with its class. */
export interface AlloyChoice extends AlloyCard {
  /** Of the class. */
  readonly materialId: string
  readonly product?: string
}

/** Its name inside a sentence: a class in small letters, a product as the lab writes it. */
export const inText = ({ name, product }: AlloyChoice) => product ?? name.toLowerCase()

const cardsOf = (family: MaterialCard['family']) =>
  [...materials.values()].filter((card) => card.family === family)

/** Alloys and investments as the shelf knows them: the classes, and the lab's own products behind them. */
export function useCastingCards(): {
  readonly alloys: readonly AlloyChoice[]
  readonly investments: readonly MaterialCard[]
} {
  const { products } = useShelf()
  const alloy = (card: MaterialCard, more: Pick<AlloyChoice, 'materialId' | 'product'>) => {
    const found = alloyOf(card)
    return found ? [{ ...found, ...more }] : []
  }
  return {
    alloys: [
      ...cardsOf('alloy').flatMap((card) => alloy(card, { materialId: card.id })),
      ...products.flatMap(({ product, card }) =>
        alloy(card, { materialId: product.materialId, product: product.name }),
      ),
    ],
    investments: [
      ...cardsOf('investment'),
      ...products.flatMap(({ card }) => (card.investment ? [card] : [])),
    ],
  }
}
