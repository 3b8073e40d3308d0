import type { LotOnShelf } from '@yentrik/contract'
import { type MaterialCard, type MaterialFamily, materials } from '@yentrik/core'
import { useState } from 'react'
import { useSearchParams } from 'react-router'
import { EquipmentList } from '../equipment/EquipmentList.tsx'
import { useNow } from '../live/lab-clock.ts'
import { Pills } from '../parts/Choices.tsx'
import { Waiting } from '../parts/Message.tsx'
import { type Shelf, useShelf } from '../record/shelf.ts'
import { LotCard } from './LotCard.tsx'
import { LotTable } from './LotTable.tsx'
import { MaterialFigures } from './MaterialFigures.tsx'
import { ProductForm } from './ProductForm.tsx'
import { ReceiveLot } from './ReceiveLot.tsx'
import { lotNotices } from './shelf-notices.ts'

const families: readonly (readonly [MaterialFamily, string])[] = [
  ['gypsum', 'Gypsum'],
  ['investment', 'Investment'],
  ['impression', 'Impression'],
  ['acrylic', 'Acrylic'],
  ['lightCure', 'Light-cured'],
  ['putty', 'Putty'],
  ['wax', 'Wax'],
  ['alloy', 'Alloy'],
  ['liquid', 'Liquids'],
  ['disinfectant', 'Disinfectants'],
  ['aid', 'Aids'],
]

const shelves = [
  ['materials', 'Materials'],
  ['lots', 'Lots'],
  ['equipment', 'Equipment'],
] as const

/** Materials by family, the one that is open with its figures, products and lots; what wants attention on top. */
export function ShelfScreen() {
  const shelf = useShelf()
  const now = useNow()
  const [query, setQuery] = useSearchParams()
  const openId = query.get('material') ?? 'high-strength-stone'
  const card = materials.get(openId) ?? materials.get('high-strength-stone')!
  if (!shelf.ready) return <Waiting />
  const shown = shelves.find(([each]) => each === query.get('show'))?.[0] ?? 'materials'
  const choose = (
    <Pills
      label="On the shelf"
      options={shelves}
      value={shown}
      onChoose={(show) => setQuery(show === 'materials' ? {} : { show })}
    />
  )
  if (shown !== 'materials')
    return (
      <main className="mx-auto flex max-w-[1500px] flex-col gap-3 p-4 sm:h-dvh sm:p-5">
        <header className="flex flex-wrap items-end gap-x-5 gap-y-2">
          <h1 className="text-3xl font-bold">Shelf</h1>
          {choose}
        </header>
        {shown === 'equipment' ? (
          <EquipmentList />
        ) : (
          <LotTable shelf={shelf} now={now} onOpen={(lot) => setQuery({ material: lot.materialId })} />
        )}
      </main>
    )
  const attention = shelf.lots.filter((lot) => lotNotices(lot, now).length > 0)
  return (
    <main className="mx-auto flex max-w-[1500px] flex-col gap-3 p-4 sm:p-5 lg:h-dvh lg:min-h-[640px]">
      <header className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <h1 className="text-3xl font-bold">Shelf</h1>
        <ul className="flex min-w-0 grow basis-0 flex-wrap gap-2" aria-label="Wants attention">
          {attention.map((lot) => (
            <li key={lot.lotId}>
              <button
                type="button"
                className="small-act"
                onClick={() => setQuery({ material: lot.materialId })}
              >
                <b className="figures mr-1 font-mono">{lot.number}</b> {lotNotices(lot, now)[0]?.words}
              </button>
            </li>
          ))}
        </ul>
        {choose}
      </header>
      <div className="grid min-h-0 grow gap-4 lg:grid-cols-[18rem_minmax(0,1fr)_21rem]">
        <nav className="card-flat min-h-0 overflow-y-auto p-2" aria-label="Materials">
          {families.map(([family, name]) => (
            <section key={family}>
              <h2 className="px-3 pt-3 pb-1 text-sm font-semibold opacity-80">{name}</h2>
              <ul>
                {[...materials.values()]
                  .filter((each) => each.family === family)
                  .map((each) => (
                    <MaterialRow
                      key={each.id}
                      card={each}
                      lots={shelf.lots.filter((lot) => lot.materialId === each.id)}
                      open={each.id === card.id}
                      now={now}
                      onOpen={() => setQuery({ material: each.id })}
                    />
                  ))}
              </ul>
            </section>
          ))}
        </nav>
        <OpenMaterial key={card.id} card={card} shelf={shelf} now={now} />
        <aside className="min-h-0 overflow-y-auto">
          <ReceiveLot key={card.id} materialId={card.id} shelf={shelf} />
        </aside>
      </div>
    </main>
  )
}

function MaterialRow({
  card,
  lots,
  open,
  now,
  onOpen,
}: {
  card: MaterialCard
  lots: readonly LotOnShelf[]
  open: boolean
  now: number
  onOpen: () => void
}) {
  const inUse = lots.filter((lot) => lot.inUse && lot.quarantine === null).length
  const wants = lots.some((lot) => lotNotices(lot, now).length > 0)
  return (
    <li>
      <button
        type="button"
        aria-current={open || undefined}
        className={`flex min-h-11 w-full items-center justify-between gap-2 rounded-xl px-3 text-left ${open ? 'bg-primary text-primary-content font-semibold' : 'hover:bg-base-200'}`}
        onClick={onOpen}
      >
        <span className="min-w-0 truncate">{card.name}</span>
        <span className="shrink-0 text-sm opacity-80">
          {wants ? 'look' : lots.length === 0 ? '' : inUse === 1 ? '1 lot' : `${inUse} lots`}
        </span>
      </button>
    </li>
  )
}

function OpenMaterial({ card, shelf, now }: { card: MaterialCard; shelf: Shelf; now: number }) {
  const [editing, setEditing] = useState<string>()
  const lots = shelf.lots.filter((lot) => lot.materialId === card.id)
  const products = shelf.products.filter(({ product }) => product.materialId === card.id)
  return (
    <section className="card-flat min-h-0 overflow-y-auto p-5" aria-label={card.name}>
      <h2 className="text-2xl font-bold">{card.name}</h2>
      <MaterialFigures card={card} />
      <h3 className="mt-5 mb-2 text-lg font-semibold">Lots</h3>
      {lots.length === 0 && <p className="opacity-80">No lot is noted. Take one in on the right.</p>}
      <ul className="grid gap-3">
        {lots.map((lot) => (
          <LotCard key={lot.lotId} lot={lot} shelf={shelf} now={now} />
        ))}
      </ul>
      <h3 className="mt-6 mb-2 flex items-center justify-between text-lg font-semibold">
        The lab's products of this class
        <button type="button" className="small-act" onClick={() => setEditing('new')}>
          New product
        </button>
      </h3>
      {products.length === 0 && editing === undefined && (
        <p className="opacity-80">None: the figures of the class are used.</p>
      )}
      <ul className="grid gap-3">
        {products.map((each) => (
          <li key={each.product.productId} className="border-base-300 border-t pt-3">
            {editing === each.product.productId ? (
              <ProductForm classCard={card} product={each.product} onDone={() => setEditing(undefined)} />
            ) : (
              <div className="flex items-start justify-between gap-3">
                <div>
                  <h4 className="font-semibold">{each.product.name}</h4>
                  <MaterialFigures card={each.card} flags={each.flags} />
                </div>
                <button
                  type="button"
                  className="small-act"
                  onClick={() => setEditing(each.product.productId)}
                  aria-label={`Change ${each.product.name}`}
                >
                  Change
                </button>
              </div>
            )}
          </li>
        ))}
        {editing === 'new' && (
          <li className="border-base-300 border-t pt-3">
            <ProductForm classCard={card} onDone={() => setEditing(undefined)} />
          </li>
        )}
      </ul>
    </section>
  )
}
