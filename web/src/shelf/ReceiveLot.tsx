import { materials } from '@yentrik/core'
import { useState } from 'react'
import { useEntryForm } from '../form/entry-form.ts'
import { FormNumber, FormSelect, FormText } from '../form/fields.tsx'
import { request } from '../live/request.ts'
import { Message } from '../parts/Message.tsx'
import type { Shelf } from '../record/shelf.ts'
import { lotFaults, lotOf, type TypedLot } from './lot-entry.ts'

/** A lot has come: of which material and product, its number, expiry and weight. */
export function ReceiveLot({ materialId, shelf }: { materialId: string; shelf: Shelf }) {
  const [stored, setStored] = useState<string>()
  const form = useEntryForm<TypedLot>({
    draftKey: `lot ${materialId}`,
    start: () => ({
      materialId,
      productId: '',
      number: '',
      expiresOn: '',
      receivedGrams: '',
      lowBelowGrams: '',
    }),
    check: lotFaults,
    store: async (typed) => {
      setStored(undefined)
      const { number } = await request('POST /lots', { body: lotOf(typed) })
      setStored(`Lot ${number} is on the shelf.`)
    },
    // The next pack of the same delivery is often of the same kind.
    keeps: (typed) => ({ ...typed, number: '' }),
  })
  const products = shelf.products.filter(({ product }) => product.materialId === form.values.materialId)
  return (
    <form className="card-flat grid gap-2 p-5" onSubmit={form.submit} noValidate>
      <h2 className="text-xl font-semibold">A lot has come</h2>
      <FormSelect
        form={form}
        name="materialId"
        label="Material"
        options={[...materials.values()].map((card) => [card.id, card.name])}
        onChosen={() => form.set('productId', '')}
      />
      {products.length > 0 && (
        <FormSelect
          form={form}
          name="productId"
          label="Product"
          options={[
            ['', 'None named'],
            ...products.map(({ product }) => [product.productId, product.name] as const),
          ]}
        />
      )}
      <FormText form={form} name="number" label="Lot number" />
      <FormText form={form} name="expiresOn" label="Expires on" type="date" />
      <div className="grid grid-cols-2 gap-x-3">
        <FormNumber form={form} name="receivedGrams" label="Powder" unit="g" hint="empty: not counted" />
        <FormNumber form={form} name="lowBelowGrams" label="Low below" unit="g" />
      </div>
      {form.fault && <Message tone="error">{form.fault}</Message>}
      {stored && !form.fault && !form.wrong && <Message tone="good">{stored}</Message>}
      <button type="submit" className="act-main" disabled={form.busy}>
        Onto the shelf
      </button>
    </form>
  )
}
