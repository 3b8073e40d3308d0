import {
  type Amount,
  type AmountKind,
  type AmountOf,
  type MaterialCard,
  materials,
  wantedFigures,
} from '@yentrik/core'
import { grams, millilitres, ratio } from '../format/format.ts'

/** An amount as the balance and the cylinder are set. */
interface AmountFigures {
  readonly name: string
  /** The big figures: 220 g, 88 mL; 4 level scoops. */
  readonly figures: readonly { readonly value: string; readonly unit: string; readonly what: string }[]
  readonly note: string
  readonly source: string
}

type Figure = AmountFigures['figures'][number]

/** The big figures of each kind of amount. */
const figuresOf: {
  readonly [K in AmountKind]: (amount: AmountOf<K>, card: MaterialCard) => readonly Figure[]
} = {
  mix: (amount, card) => {
    const { measure } = card
    if (measure?.by !== 'mass') return countedFigures(1, card)
    const { liquidMillilitres = 0 } = wantedFigures(amount, card)
    const wanted = amount.millilitresPerGram ?? measure.usualMillilitresPerGram
    return [
      figure(grams(amount.powderGrams), powderWords(card, amount.powderGrams)),
      figure(millilitres(liquidMillilitres), `${card.liquidName}, ${ratio(wanted)}`),
    ]
  },
  parts: ({ powderParts }, card) => countedFigures(powderParts, card),
  use: ({ count, unit }, card) => [{ value: String(count), unit, what: card.name.toLowerCase() }],
}

/** The figures of an amount of a step, worked out by the core; by the card of the product in use where there is one. */
export function amountFigures(amount: Amount, card = materials.get(amount.materialId)!): AmountFigures {
  const figures = figuresOf[amount.kind] as (amount: Amount, card: MaterialCard) => readonly Figure[]
  return { name: card.name, note: amount.note ?? '', source: amount.source, figures: figures(amount, card) }
}

/** What is counted: scoops and units, or parts where the card names none. */
function countedFigures(powderParts: number, { measure }: MaterialCard): readonly Figure[] {
  const each = measure?.by === 'parts' ? measure : undefined
  return [
    {
      value: String(powderParts),
      unit: '',
      what: `${each?.powderPart ?? 'part'}${powderParts === 1 ? '' : 's'}`,
    },
    {
      value: String(powderParts * (each?.liquidPartsPerPowderPart ?? 1)),
      unit: '',
      what: each?.liquidPart ?? 'part',
    },
  ]
}

function figure(text: string, what: string) {
  const [value = '', unit = ''] = text.split(' ')
  return { value, unit, what }
}

/** What goes on the balance; a blend part by part: 110 plaster + 110 stone. */
export function powderWords(card: MaterialCard, powderGrams: number): string {
  if (!card.blend) return card.powderName === 'powder' ? card.name.toLowerCase() : card.powderName
  return card.blend
    .map((part) => {
      const name = materials.get(part.materialId)?.name.split(',')[0] ?? part.materialId
      return `${Math.round(powderGrams * part.massFraction)} ${name.toLowerCase()}`
    })
    .join(' + ')
}
