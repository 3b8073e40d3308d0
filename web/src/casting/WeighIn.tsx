import { parseTypedNumber, type Saying } from '@yentrik/core'
import { useState } from 'react'
import { request, sentenceOf } from '../live/request.ts'
import { SelectField } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { TextField } from '../parts/TextField.tsx'
import { lotWords, useShelf } from '../record/shelf.ts'
import { type AlloyChoice, inText } from './casting-cards.ts'

/** Pieces of a lot onto the shelf, each weighed by itself. */
export function WeighIn({ alloy }: { readonly alloy: AlloyChoice }) {
  const shelf = useShelf()
  const lots = shelf.usable(alloy.materialId)
  const [lotId, setLotId] = useState('')
  const [text, setText, , begin] = useDraft<string>(`weigh in ${alloy.materialId}`, () => '')
  const [melted, setMelted] = useState<'0' | '1' | '2'>('0')
  const [told, setTold] = useState<{ readonly good: boolean; readonly words: Saying }>()
  const chosen = lots.some((lot) => lot.lotId === lotId) ? lotId : (lots[0]?.lotId ?? '')
  const weighIn = async () => {
    const words = text.split(/[,;\s]+/).filter((word) => word !== '')
    const numbers = words.map((word) => parseTypedNumber(word, 'g'))
    const grams = numbers.flatMap((parsed) => (parsed.ok ? [parsed.value] : []))
    if (grams.length === 0 || grams.length !== words.length)
      return setTold({ good: false, words: 'Write grams with a point, pieces with a comma between them.' })
    try {
      await request('POST /alloy-pieces', { body: { lotId: chosen, grams, meltedBefore: Number(melted) } })
      begin()
      setTold({
        good: true,
        words: grams.length === 1 ? 'It is on the shelf.' : `${grams.length} pieces are on the shelf.`,
      })
    } catch (error) {
      setTold({ good: false, words: sentenceOf(error) })
    }
  }
  return (
    <details>
      <summary className="min-h-11 cursor-pointer text-lg font-semibold">Weigh pieces in</summary>
      {lots.length === 0 ? (
        <p>No lot of {inText(alloy)} is on the shelf: take it in there first.</p>
      ) : (
        <form
          noValidate
          className="grid max-w-xl gap-3 sm:grid-cols-2"
          onSubmit={(event) => {
            event.preventDefault()
            void weighIn()
          }}
        >
          <SelectField
            label="Lot"
            options={lots.map((lot) => [lot.lotId, lotWords(lot, shelf)] as const)}
            value={chosen}
            onChoose={setLotId}
          />
          <SelectField
            label="Melted before"
            options={[
              ['0', 'Never: new'],
              ['1', 'Once'],
              ['2', 'Twice'],
            ]}
            value={melted}
            onChoose={setMelted}
          />
          <TextField
            label="Grams, each piece"
            text={text}
            onText={setText}
            hint="6.02, 5.97: with commas"
            fault={told && !told.good ? told.words : undefined}
          />
          <button type="submit" className="act self-center justify-self-start">
            Onto the shelf
          </button>
          {told?.good && <Message tone="good" words={told.words} />}
        </form>
      )}
    </details>
  )
}
