import { type MaterialCard, materials } from '@yentrik/core'
import { type FormEvent, useState } from 'react'
import { Link } from 'react-router'
import type { Lot } from '../case/use-lots.ts'
import { ratio, shortDate } from '../format/format.ts'
import { ApiError, api } from '../live/api.ts'
import { useFetched, useNow } from '../live/live-store.ts'
import { SelectField } from '../parts/Choices.tsx'
import { TextField } from '../parts/TextField.tsx'
import { Told } from '../parts/Told.tsx'

/** Sooner than this a lot is about to expire. */
const SOON_MILLIS = 60 * 86_400_000

/** Materials with their figures and sources, and the lots on the shelf. */
export function ShelfScreen() {
  const { data: lots = [], error } = useFetched<readonly Lot[]>('/lots')
  return (
    <main className="mx-auto max-w-[1500px] p-4 sm:p-6">
      <h1 className="mb-4 text-3xl font-bold">Shelf</h1>
      {error && <Told tone="error">{error.message}</Told>}
      <div className="grid items-start gap-5 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <ul className="card-flat divide-base-300 divide-y">
          {[...materials.values()].map((card) => (
            <MaterialRow key={card.id} card={card} lots={lots.filter((lot) => lot.materialId === card.id)} />
          ))}
        </ul>
        <ReceiveLot />
      </div>
    </main>
  )
}

function MaterialRow({ card, lots }: { card: MaterialCard; lots: readonly Lot[] }) {
  const now = useNow()
  return (
    <li className="grid gap-x-5 gap-y-1 px-5 py-3 sm:grid-cols-[minmax(0,1fr)_13rem_minmax(0,15rem)]">
      <div>
        <h2 className="font-semibold">{card.name}</h2>
        <p className="text-sm opacity-80">{card.notes[0]}</p>
      </div>
      <div>
        {card.measure?.by === 'mass' && (
          <Link to={`/mix?material=${card.id}`} className="link">
            <b className="figures">{ratio(card.measure.usualMillilitresPerGram)}</b> mL/g (
            {ratio(card.measure.minMillilitresPerGram)}-{ratio(card.measure.maxMillilitresPerGram)})
          </Link>
        )}
        {card.measure?.by === 'parts' && (
          <p>
            1 {card.measure.powderPart} : {card.measure.liquidPartsPerPowderPart} {card.measure.liquidPart}
          </p>
        )}
        {card.measure && <p className="text-sm opacity-80">{card.measure.source}</p>}
        {card.iso6873 && (
          <p className="text-sm opacity-80">
            ISO 6873, recalled: at least {card.iso6873.strengthMegapascals.min} MPa at 1 h, expansion at most{' '}
            {card.iso6873.expansionPercent.max} %
          </p>
        )}
      </div>
      <ul>
        {lots.map((lot) => {
          const expires = lot.expiresOn ? Date.parse(lot.expiresOn) : undefined
          const expired = expires !== undefined && expires < now
          const soon = expires !== undefined && expires < now + SOON_MILLIS
          return (
            <li key={lot.lotId} className="flex items-center justify-between gap-2">
              <span className={lot.inUse ? '' : 'opacity-70'}>
                <b className="figures font-mono">{lot.number}</b>
                <span
                  className={`block text-sm ${expired ? 'text-error font-semibold' : soon ? 'text-warning font-semibold' : 'opacity-80'}`}
                >
                  {expires === undefined
                    ? 'no expiry noted'
                    : `${expired ? 'expired' : 'until'} ${shortDate(expires)} ${new Date(expires).getFullYear()}`}
                </span>
              </span>
              <button
                type="button"
                className="small-act px-3"
                onClick={() => api(`/lots/${lot.lotId}/use`, { body: { inUse: !lot.inUse } })}
                aria-label={`${lot.inUse ? 'Used up' : 'Use again'}: lot ${lot.number}`}
              >
                {lot.inUse ? 'Used up' : 'Use again'}
              </button>
            </li>
          )
        })}
        {lots.length === 0 && <li className="text-sm opacity-80">no lot</li>}
      </ul>
    </li>
  )
}

function ReceiveLot() {
  const [materialId, setMaterialId] = useState('dental-stone')
  const [number, setNumber] = useState('')
  const [expiresOn, setExpiresOn] = useState('')
  const [fault, setFault] = useState<{ field?: string; words: string }>()
  const [stored, setStored] = useState<string>()
  const receive = async (event: FormEvent) => {
    event.preventDefault()
    setStored(undefined)
    setFault(undefined)
    if (number.trim() === '')
      return setFault({ field: 'number', words: 'Enter the lot number from the pack.' })
    try {
      await api('/lots', { body: { materialId, number: number.trim(), ...(expiresOn ? { expiresOn } : {}) } })
      setStored(`Lot ${number.trim()} is on the shelf.`)
      setNumber('')
    } catch (error) {
      if (error instanceof ApiError) setFault({ field: error.problem.field, words: error.message })
    }
  }
  const at = (field: string) => (fault?.field === field ? fault.words : undefined)
  return (
    <form className="card-flat grid gap-3 p-5" onSubmit={receive} noValidate>
      <h2 className="text-xl font-semibold">A lot has come</h2>
      <SelectField
        label="Material"
        options={[...materials.values()].map((card) => [card.id, card.name])}
        value={materialId}
        onChoose={setMaterialId}
      />
      <TextField label="Lot number" text={number} onText={setNumber} fault={at('number')} />
      <TextField
        label="Expires on"
        type="date"
        text={expiresOn}
        onText={setExpiresOn}
        fault={at('expiresOn')}
      />
      {fault && !['number', 'expiresOn'].includes(fault.field ?? '') && (
        <Told tone="error">{fault.words}</Told>
      )}
      {stored && <Told tone="good">{stored}</Told>}
      <button type="submit" className="act-main">
        Onto the shelf
      </button>
    </form>
  )
}
