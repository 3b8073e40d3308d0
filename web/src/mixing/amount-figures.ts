import { type Amount, type MaterialCard, materials, mixParts } from '@yentrik/core'
import { grams, millilitres, ratio } from '../format/format.ts'

/** An amount as the balance and the cylinder are set. */
export interface AmountFigures {
  readonly name: string
  /** The big figures: 220 g, 88 mL; 4 level scoops. */
  readonly figures: readonly { readonly value: string; readonly unit: string; readonly what: string }[]
  readonly note: string
  readonly source: string
}

/** The figures of an amount of a step, worked out by the core; by the card of the product in use where there is one. */
export function amountFigures(amount: Amount, card = materials.get(amount.materialId)!): AmountFigures {
  const note = amount.note ?? ''
  const named = { name: card.name, note, source: amount.source }
  if (amount.kind === 'use')
    return {
      ...named,
      figures: [{ value: String(amount.count), unit: amount.unit, what: card.name.toLowerCase() }],
    }
  const { measure } = card
  if (amount.kind === 'parts' || measure?.by !== 'mass') {
    const parts = amount.kind === 'parts' ? amount.powderParts : 1
    const each = measure?.by === 'parts' ? measure : undefined
    return {
      ...named,
      figures: [
        { value: String(parts), unit: '', what: `${each?.powderPart ?? 'part'}${parts === 1 ? '' : 's'}` },
        {
          value: String(parts * (each?.liquidPartsPerPowderPart ?? 1)),
          unit: '',
          what: each?.liquidPart ?? 'part',
        },
      ],
    }
  }
  const wanted = amount.millilitresPerGram ?? measure.usualMillilitresPerGram
  const mix = mixParts({ from: 'powder', powderGrams: amount.powderGrams }, wanted)
  return {
    ...named,
    figures: [
      figure(grams(mix.powderGrams), powderWords(card, amount.powderGrams)),
      figure(millilitres(mix.liquidMillilitres), `${card.liquidName}, ${ratio(wanted)}`),
    ],
  }
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
