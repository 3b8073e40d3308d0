import type { Body } from '@yentrik/contract'
import { materials } from '@yentrik/core'
import type { Faults } from '../form/entry-form.ts'
import { readNumber } from '../parts/read-number.ts'
import type { Shelf } from '../record/shelf.ts'
import type { CsvRow } from '../table/csv.ts'
import type { ReadRow } from '../table/ImportPreview.tsx'

/** A lot as it is typed. */
export interface TypedLot {
  readonly materialId: string
  readonly productId: string
  readonly number: string
  readonly expiresOn: string
  readonly receivedGrams: string
  readonly lowBelowGrams: string
}

const grams = (text: string) => readNumber(text, 'g', { wanted: false })

export function lotFaults({ number, receivedGrams, lowBelowGrams }: TypedLot): Faults<TypedLot> {
  return {
    number: number.trim() === '' ? 'Enter the lot number from the pack.' : undefined,
    receivedGrams: grams(receivedGrams).fault,
    lowBelowGrams: grams(lowBelowGrams).fault,
  }
}

export function lotOf(typed: TypedLot): Body<'POST /lots'> {
  const [received, low] = [grams(typed.receivedGrams).value, grams(typed.lowBelowGrams).value]
  return {
    materialId: typed.materialId,
    number: typed.number.trim(),
    ...(typed.productId ? { productId: typed.productId } : {}),
    ...(typed.expiresOn ? { expiresOn: typed.expiresOn } : {}),
    ...(received === undefined ? {} : { receivedGrams: received }),
    ...(low === undefined ? {} : { lowBelowGrams: low }),
  }
}

export const lotHeads = ['Material', 'Product', 'Lot', 'Expires', 'Received', 'Low below'] as const
type LotHead = (typeof lotHeads)[number]

/** A row of a delivery as a lot; material and product by the names that the shelf has. */
export function readLotRow(
  { cells }: CsvRow<LotHead>,
  { products }: Pick<Shelf, 'products'>,
): ReadRow<TypedLot> {
  const named = (name: string) => (each: string) => each.toLowerCase() === name.toLowerCase()
  const product =
    cells.Product === ''
      ? undefined
      : products.find(({ product: { name } }) => named(cells.Product)(name))?.product
  if (cells.Product !== '' && !product)
    return { ok: false, sentence: `There is no product "${cells.Product}" on the shelf. Add it there first.` }
  const material = [...materials.values()].find(
    ({ id, name }) => id === cells.Material || named(cells.Material)(name),
  )
  const materialId = material?.id ?? product?.materialId
  if (!materialId)
    return { ok: false, sentence: `There is no material "${cells.Material}". Write it as the shelf does.` }
  if (product && product.materialId !== materialId)
    return { ok: false, sentence: `${product.name} is no ${material?.name.toLowerCase()}.` }
  if (cells.Expires !== '' && !/^\d{4}-\d{2}-\d{2}$/.test(cells.Expires))
    return { ok: false, sentence: `"${cells.Expires}" is no day. Write it as 2028-05-01.` }
  const value: TypedLot = {
    materialId,
    productId: product?.productId ?? '',
    number: cells.Lot,
    expiresOn: cells.Expires,
    receivedGrams: cells.Received,
    lowBelowGrams: cells['Low below'],
  }
  const [fault] = Object.values(lotFaults(value)).filter((each) => each !== undefined)
  return fault === undefined ? { ok: true, value } : { ok: false, sentence: fault }
}
