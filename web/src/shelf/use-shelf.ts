import { type LabProduct, type MaterialCard, materials } from '@yentrik/core'
import { useFetched } from '../live/live-store.ts'

/** A lot with what is left of it, as the server sums it up. */
export interface Lot {
  readonly lotId: string
  readonly materialId: string
  readonly productId: string | null
  readonly number: string
  readonly receivedAt: string
  readonly expiresOn: string | null
  readonly openedOn: string | null
  readonly receivedGrams: number | null
  readonly lowBelowGrams: number | null
  readonly quarantine: string | null
  readonly inUse: boolean
  readonly usedGrams: number
  readonly leftGrams: number | null
  readonly runsLow: boolean
  readonly openCases: number
}

export interface ShelfProduct {
  readonly product: LabProduct
  readonly card: MaterialCard
  readonly flags: readonly string[]
}

export interface Shelf {
  readonly lots: readonly Lot[]
  readonly products: readonly ShelfProduct[]
  /** Lots of a material that may be used: open packs first, then the one that expires first. */
  readonly usable: (materialId: string) => readonly Lot[]
  readonly lotNumber: (lotId: string) => string
  /** The card that the calculators use: of the product where one is named, else of the class. */
  readonly card: (materialId: string, productId?: string | null) => MaterialCard | undefined
  readonly ready: boolean
}

/** The shelf as it stands. */
export function useShelf(): Shelf {
  const { data: lots = [], ...fetched } = useFetched<readonly Lot[]>('/lots')
  const { data: products, error } = useFetched<readonly ShelfProduct[]>('/products')
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
    lotNumber: (lotId) => lots.find((lot) => lot.lotId === lotId)?.number ?? lotId,
    card: (materialId, productId) =>
      products?.find(({ product }) => product.productId === productId)?.card ?? materials.get(materialId),
    ready: (products !== undefined || error !== undefined) && fetched.error === undefined,
  }
}

/** Whether a lot of one material will do where another is asked for: itself, or a kind of it. */
function serves(materialId: string, wanted: string): boolean {
  return materialId === wanted || materials.get(materialId)?.kindOf === wanted
}

const expiry = ({ expiresOn }: Lot) => expiresOn ?? '9999'

/** A lot as it stands in a list to choose from. */
export function lotWords(lot: Lot, { products }: Pick<Shelf, 'products'>): string {
  const product = products.find((each) => each.product.productId === lot.productId)?.product.name
  return product ? `${lot.number}, ${product}` : lot.number
}
