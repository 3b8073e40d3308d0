import type { LotOnShelf } from '@yentrik/contract'
import { materials } from '@yentrik/core'
import { useMemo, useState } from 'react'
import { grams, midnightOf, shortDate } from '../format/format.ts'
import { request } from '../live/request.ts'
import type { Shelf } from '../record/shelf.ts'
import type { CsvColumn } from '../table/csv.ts'
import { DataTable, type TableColumn } from '../table/DataTable.tsx'
import { ImportPreview } from '../table/ImportPreview.tsx'
import { lotHeads, lotOf, readLotRow } from './lot-entry.ts'
import { lotNotices } from './shelf-notices.ts'

/** Every lot on the shelf. */
export function LotTable({
  shelf,
  now,
  onOpen,
}: {
  readonly shelf: Shelf
  readonly now: number
  readonly onOpen: (lot: LotOnShelf) => void
}) {
  const [words, setWords] = useState('')
  const [used, setUsed] = useState(false)
  const day = Math.floor(now / 86_400_000)
  const { lots, products } = shelf
  const names = useMemo(() => namesOf(products), [products])
  const columns = useMemo(() => lotColumns(names, day * 86_400_000), [names, day])
  const found = useMemo(() => {
    const wanted = words.trim().toLowerCase()
    return lots.filter(
      (lot) => (used || lot.inUse) && `${lot.number} ${names(lot).join(' ')}`.toLowerCase().includes(wanted),
    )
  }, [lots, names, used, words])
  return (
    <div className="flex min-h-0 flex-col gap-3">
      <div className="flex flex-wrap items-center gap-4">
        <input
          type="search"
          className="entry max-w-sm"
          aria-label="Search lots"
          placeholder="Number, material, product"
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
        <label className="flex min-h-11 items-center gap-3">
          <input
            type="checkbox"
            className="checkbox"
            checked={used}
            onChange={(event) => setUsed(event.target.checked)}
          />
          used up ones too
        </label>
      </div>
      <DataTable
        name="Lots"
        rows={found}
        columns={columns}
        keyOf={({ lotId }) => lotId}
        onOpen={onOpen}
        startsBy={{ id: 'material', desc: false }}
        csv={{ file: 'lots.csv', columns: csvColumns(names) }}
        empty="No lot fits. Clear the search, or take one in."
        foot={
          <ImportPreview
            what="Lots"
            heads={lotHeads}
            needed={['Material', 'Lot']}
            read={(row) => readLotRow(row, shelf)}
            words={({ cells }) => [cells.Lot, cells.Material, cells.Product].filter(Boolean).join(', ')}
            store={(lot) => request('POST /lots', { body: lotOf(lot) })}
          />
        }
      />
    </div>
  )
}

type Names = (lot: LotOnShelf) => readonly [material: string, product: string]

function namesOf(products: Shelf['products']): Names {
  const byId = new Map(products.map(({ product }) => [product.productId, product.name]))
  return ({ materialId, productId }) => [
    materials.get(materialId)?.name ?? materialId,
    (productId && byId.get(productId)) ?? '',
  ]
}

function lotColumns(names: Names, now: number): readonly TableColumn<LotOnShelf>[] {
  return [
    {
      id: 'number',
      name: 'Lot',
      width: '9rem',
      value: ({ number }) => number,
      show: ({ number }) => <b className="figures font-mono">{number}</b>,
    },
    {
      id: 'material',
      name: 'Material',
      width: 'minmax(0,1fr)',
      value: (lot) => names(lot).join(' '),
      show: (lot) => {
        const [material, product] = names(lot)
        return (
          <>
            <span className="block truncate font-semibold">{material}</span>
            {product && <span className="block truncate text-sm opacity-80">{product}</span>}
          </>
        )
      },
    },
    {
      id: 'left',
      name: 'Left',
      width: '8rem',
      right: true,
      value: ({ leftGrams }) => leftGrams ?? undefined,
      show: ({ leftGrams, runsLow }) => (
        <span className={`figures ${runsLow ? 'text-warning font-semibold' : ''}`}>
          {leftGrams === null ? '' : grams(leftGrams)}
        </span>
      ),
    },
    {
      id: 'expires',
      name: 'Good until',
      width: '9rem',
      wideOnly: true,
      value: ({ expiresOn }) => expiresOn ?? undefined,
      show: ({ expiresOn }) => (
        <span className="figures">
          {expiresOn && `${shortDate(midnightOf(expiresOn))} ${expiresOn.slice(0, 4)}`}
        </span>
      ),
    },
    {
      id: 'notices',
      name: 'To look at',
      width: 'minmax(0,1fr)',
      wideOnly: true,
      value: (lot) => (lot.inUse ? lotNotices(lot, now)[0]?.words : 'used up'),
      show: (lot) =>
        lot.inUse ? (
          <span className={lot.quarantine ? 'text-error font-semibold' : 'text-warning'}>
            {lotNotices(lot, now)
              .map((notice) => notice.words)
              .join(', ')}
          </span>
        ) : (
          'used up'
        ),
    },
  ]
}

const csvColumns = (names: Names): readonly CsvColumn<LotOnShelf>[] => [
  { name: 'Lot', value: ({ number }) => number },
  { name: 'Material', value: (lot) => names(lot)[0] },
  { name: 'Product', value: (lot) => names(lot)[1] },
  { name: 'Came', value: ({ receivedAt }) => receivedAt },
  { name: 'Opened', value: ({ openedOn }) => openedOn ?? undefined },
  { name: 'Expires', value: ({ expiresOn }) => expiresOn ?? undefined },
  { name: 'Received', unit: 'g', value: ({ receivedGrams }) => receivedGrams ?? undefined },
  { name: 'Left', unit: 'g', value: ({ leftGrams }) => leftGrams ?? undefined },
  { name: 'Low below', unit: 'g', value: ({ lowBelowGrams }) => lowBelowGrams ?? undefined },
  { name: 'Quarantine', value: ({ quarantine }) => quarantine ?? undefined },
  { name: 'In use', value: ({ inUse }) => (inUse ? 'yes' : 'no') },
]
