import type { LotOnShelf, ProductOnShelf } from '@yentrik/contract'
import { type MaterialCard, materials } from '@yentrik/core'
import { useAnswer } from '../live/queries.ts'

export interface Shelf {
  readonly lots: readonly LotOnShelf[]
  readonly products: readonly ProductOnShelf[]
  /** Lots of a material that may be used: open packs first, then the one that expires first. */
  readonly usable: (materialId: string) => readonly LotOnShelf[]
  /** Every lot of it, those that may no longer be used too: what was really taken. */
  readonly ofMaterial: (materialId: string) => readonly LotOnShelf[]
  readonly lotNumber: (lotId: string) => string
  /** The card that the calculators use: of the product where one is named, else of the class. */
  readonly card: (materialId: string, productId?: string | null) => MaterialCard | undefined
  readonly ready: boolean
}

/** The shelf as it stands. */
export function useShelf(): Shelf {
  const { data: lots = [], error: lotsRefused } = useAnswer('GET /lots')
  const { data: products, error } = useAnswer('GET /products')
  return {
    lots,
    products: products ?? [],
    usable: (materialId) =>
      lots
        .filter((lot) => serves(lot.materialId, materialId) && lot.inUse && lot.quarantine === null)
        .sort(
          (a, b) =>
            Number(b.openedOn !== null) - Number(a.openedOn !== null) || expiry(a).localeCompare(expiry(b)),
        ),
    ofMaterial: (materialId) => lots.filter((lot) => serves(lot.materialId, materialId)),
    lotNumber: (lotId) => lots.find((lot) => lot.lotId === lotId)?.number ?? lotId,
    card: (materialId, productId) =>
      products?.find(({ product }) => product.productId === productId)?.card ?? materials.get(materialId),
    ready: (products !== undefined || error !== null) && lotsRefused === null,
  }
}

/** Whether a lot of one material will do where another is asked for: itself, or a kind of it. */
function serves(materialId: string, wanted: string): boolean {
  return materialId === wanted || materials.get(materialId)?.kindOf === wanted
}

const expiry = ({ expiresOn }: LotOnShelf) => expiresOn ?? '9999'

/** A lot as it stands in a list to choose from. */
export function lotWords(lot: LotOnShelf, { products }: Pick<Shelf, 'products'>): string {
  const product = products.find((each) => each.product.productId === lot.productId)?.product.name
  return product ? `${lot.number}, ${product}` : lot.number
}
