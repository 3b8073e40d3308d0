import { parseTypedNumber } from '@yentrik/core'
import { useState } from 'react'
import { useEntryForm } from '../form/entry-form.ts'
import { FormSelect, FormText } from '../form/fields.tsx'
import { request } from '../live/request.ts'
import { Message } from '../parts/Message.tsx'
import { lotWords, useShelf } from '../record/shelf.ts'
import { type AlloyChoice, inText } from './casting-cards.ts'

const wordsOf = (text: string) => text.split(/[,;\s]+/).filter((word) => word !== '')
/** The pieces typed, g; undefined while one of them is no number. */
function gramsOf(text: string): readonly number[] | undefined {
  const numbers = wordsOf(text).map((word) => parseTypedNumber(word, 'g'))
  const grams = numbers.flatMap((parsed) => (parsed.ok ? [parsed.value] : []))
  return grams.length > 0 && grams.length === numbers.length ? grams : undefined
}

/** Pieces of a lot onto the shelf, each weighed by itself. */
export function WeighIn({ alloy }: { readonly alloy: AlloyChoice }) {
  const shelf = useShelf()
  const lots = shelf.usable(alloy.materialId)
  const [stored, setStored] = useState<string>()
  const lotOf = (chosen: string) =>
    lots.some(({ lotId }) => lotId === chosen) ? chosen : (lots[0]?.lotId ?? '')
  const form = useEntryForm({
    draftKey: `weigh in ${alloy.materialId}`,
    start: () => ({ lotId: '', text: '', melted: '0' }),
    check: ({ text }) => ({
      text: gramsOf(text) ? undefined : 'Write grams with a point, pieces with a comma between them.',
    }),
    fieldOf: (named) => (named === 'grams' ? 'text' : named === 'lotId' ? 'lotId' : undefined),
    store: async ({ lotId, text, melted }) => {
      setStored(undefined)
      const grams = gramsOf(text) ?? []
      await request('POST /alloy-pieces', {
        body: { lotId: lotOf(lotId), grams, meltedBefore: Number(melted) },
      })
      setStored(grams.length === 1 ? 'It is on the shelf.' : `${grams.length} pieces are on the shelf.`)
    },
    // The next piece is often of the same lot.
    keeps: (typed) => ({ ...typed, text: '' }),
  })
  return (
    <details>
      <summary className="min-h-11 cursor-pointer text-lg font-semibold">Weigh pieces in</summary>
      {lots.length === 0 ? (
        <p>No lot of {inText(alloy)} is on the shelf: take it in there first.</p>
      ) : (
        <form noValidate className="grid max-w-xl gap-3 sm:grid-cols-2" onSubmit={form.submit}>
          <FormSelect
            form={form}
            name="lotId"
            label="Lot"
            shown={lotOf(form.values.lotId)}
            options={lots.map((lot) => [lot.lotId, lotWords(lot, shelf)] as const)}
          />
          <FormSelect
            form={form}
            name="melted"
            label="Melted before"
            options={[
              ['0', 'Never: new'],
              ['1', 'Once'],
              ['2', 'Twice'],
            ]}
          />
          <FormText form={form} name="text" label="Grams, each piece" hint="6.02, 5.97: with commas" />
          <button type="submit" className="act self-center justify-self-start" disabled={form.busy}>
            Onto the shelf
          </button>
          {form.fault && <Message tone="error">{form.fault}</Message>}
          {stored && !form.fault && !form.wrong && <Message tone="good">{stored}</Message>}
        </form>
      )}
    </details>
  )
}
