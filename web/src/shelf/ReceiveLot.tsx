import { materials } from '@yentrik/core'
import { type FormEvent, useState } from 'react'
import { ApiError, api } from '../live/api.ts'
import { SelectField } from '../parts/Choices.tsx'
import { NumberField, readNumber } from '../parts/NumberField.tsx'
import { TextField } from '../parts/TextField.tsx'
import { Told } from '../parts/Told.tsx'
import type { Shelf } from './use-shelf.ts'

/** A lot has come: of which material and product, its number, expiry and weight. */
export function ReceiveLot({ materialId: openId, shelf }: { materialId: string; shelf: Shelf }) {
  const [materialId, setMaterialId] = useState(openId)
  const [productId, setProductId] = useState('')
  const [number, setNumber] = useState('')
  const [expiresOn, setExpiresOn] = useState('')
  const [received, setReceived] = useState('')
  const [lowBelow, setLowBelow] = useState('')
  const [fault, setFault] = useState<{ field?: string; words: string }>()
  const [stored, setStored] = useState<string>()
  const products = shelf.products.filter(({ product }) => product.materialId === materialId)
  const receive = async (event: FormEvent) => {
    event.preventDefault()
    setStored(undefined)
    setFault(undefined)
    if (number.trim() === '')
      return setFault({ field: 'number', words: 'Enter the lot number from the pack.' })
    const grams = readNumber(received, 'g', false)
    if (grams.fault) return setFault({ field: 'receivedGrams', words: grams.fault })
    const low = readNumber(lowBelow, 'g', false)
    if (low.fault) return setFault({ field: 'lowBelowGrams', words: low.fault })
    const body = {
      materialId,
      number: number.trim(),
      ...(productId ? { productId } : {}),
      ...(expiresOn ? { expiresOn } : {}),
      ...(grams.value === undefined ? {} : { receivedGrams: grams.value }),
      ...(low.value === undefined ? {} : { lowBelowGrams: low.value }),
    }
    try {
      await api('/lots', { body })
      setStored(`Lot ${number.trim()} is on the shelf.`)
      setNumber('')
    } catch (error) {
      if (error instanceof ApiError) setFault({ field: error.problem.field, words: error.message })
    }
  }
  const at = (field: string) => (fault?.field === field ? fault.words : undefined)
  return (
    <form className="card-flat grid gap-2 p-5" onSubmit={receive} noValidate>
      <h2 className="text-xl font-semibold">A lot has come</h2>
      <SelectField
        label="Material"
        options={[...materials.values()].map((card) => [card.id, card.name])}
        value={materialId}
        onChoose={(id) => {
          setMaterialId(id)
          setProductId('')
        }}
      />
      {products.length > 0 && (
        <SelectField
          label="Product"
          options={[
            ['', 'None named'],
            ...products.map(({ product }) => [product.productId, product.name] as const),
          ]}
          value={productId}
          onChoose={setProductId}
        />
      )}
      <TextField label="Lot number" text={number} onText={setNumber} fault={at('number')} />
      <TextField
        label="Expires on"
        type="date"
        text={expiresOn}
        onText={setExpiresOn}
        fault={at('expiresOn')}
      />
      <div className="grid grid-cols-2 gap-x-3">
        <NumberField
          label="Powder"
          unit="g"
          text={received}
          onText={setReceived}
          fault={at('receivedGrams')}
          hint="empty: not counted"
        />
        <NumberField
          label="Low below"
          unit="g"
          text={lowBelow}
          onText={setLowBelow}
          fault={at('lowBelowGrams')}
        />
      </div>
      {fault && !['number', 'expiresOn', 'receivedGrams', 'lowBelowGrams'].includes(fault.field ?? '') && (
        <Told tone="error">{fault.words}</Told>
      )}
      {stored && <Told tone="good">{stored}</Told>}
      <button type="submit" className="act-main">
        Onto the shelf
      </button>
    </form>
  )
}
