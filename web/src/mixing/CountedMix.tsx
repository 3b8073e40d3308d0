import { liquidParts, type MaterialCard, materials, type PartsMeasure } from '@yentrik/core'
import { capital } from '../format/format.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { SelectField } from '../parts/Choices.tsx'
import { useDraft } from '../parts/draft.ts'
import { Message } from '../parts/Message.tsx'
import { NumberField } from '../parts/NumberField.tsx'
import { readNumber } from '../parts/read-number.ts'

type Counted = MaterialCard & { readonly measure: PartsMeasure }
const countedCards = [...materials.values()].filter((card): card is Counted => card.measure?.by === 'parts')

/** Materials that are counted, not weighed: scoops to units of water, base to catalyst. */
export function CountedMix() {
  const [cardId, setCardId] = useDraft<string>('counted material', () => countedCards[0]?.id ?? '')
  const [text, setText] = useDraft<string>('counted mix', () => '4')
  const { refusal, run } = useRequest()
  const card = countedCards.find((each) => each.id === cardId)
  if (!card) return null
  const { value, fault } = readNumber(text, '')
  const wrong =
    fault ??
    (value !== undefined && !(value > 0 && value <= 100)
      ? 'Enter a number above 0 and at most 100.'
      : undefined)
  const { powderPart, liquidPart, liquidPartsPerPowderPart, source } = card.measure
  return (
    <section
      className="grid items-start gap-5 lg:grid-cols-[20rem_12rem_auto_minmax(0,1fr)]"
      aria-label="Counted, not weighed"
    >
      <SelectField
        label="Counted, not weighed"
        options={countedCards.map((each) => [each.id, each.name])}
        value={cardId}
        onChoose={setCardId}
        hint={source}
      />
      <NumberField label={capital(`${powderPart}s`)} unit="" text={text} onText={setText} fault={wrong} />
      {card.clock && (
        <button
          type="button"
          className="act self-center"
          onClick={() =>
            void run(() =>
              request('POST /mixing/clocks', { body: { materialId: card.id, settingFactor: 1 } }),
            )
          }
        >
          The parts meet
        </button>
      )}
      {refusal && <Message tone="error" words={refusal} />}
      {value !== undefined && !wrong && (
        <p className="self-center text-2xl">
          <output className="figures text-5xl font-bold" aria-label="To measure">
            {Number(liquidParts(value, liquidPartsPerPowderPart).toFixed(2))}
          </output>{' '}
          {liquidPart}
        </p>
      )}
    </section>
  )
}
