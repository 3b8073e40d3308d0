import { materials } from '../materials/index.ts'
import { qty, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import {
  byTag,
  choice,
  figure,
  id,
  instant,
  list,
  maybe,
  type Of,
  record,
  text,
  yesNo,
} from '../shape/index.ts'

const base = {
  id: id(),
  materialId: id(),
  perArch: maybe(yesNo()),
  note: maybe(text(500)),
  source: text(500),
}
export const amountShape = byTag('kind', {
  /** Powder weighed, liquid by the ratio of the card or the one given here. */
  mix: record({ ...base, powderGrams: figure(0, 10_000), millilitresPerGram: maybe(figure(0, 10)) }),
  /** Counted parts, as scoops or equal lengths. */
  parts: record({ ...base, powderParts: figure(0, 1000) }),
  /** Something used up whose lot is recorded, not mixed: a set of teeth, a sheet of wax. */
  use: record({ ...base, count: figure(0, 1000), unit: text(60) }),
})
export type Amount = Of<typeof amountShape>
export type AmountKind = Amount['kind']
export type AmountOf<K extends AmountKind> = Extract<Amount, { readonly kind: K }>

/** A room that somebody mixes in (choice). */
export const MIX_ROOM_CELSIUS = { min: 5, max: 40 } as const

/** Of a mix: grams and millilitres when weighed, parts when counted. */
export const recordedMix = {
  amountId: id('stone'),
  materialId: id('high-strength-stone'),
  powderGrams: maybe(figure(-100_000, 100_000)),
  liquidMillilitres: maybe(figure(-100_000, 100_000)),
  powderParts: maybe(figure(-100_000, 100_000)),
  liquidParts: maybe(figure(-100_000, 100_000)),
  lots: list(id(), 20),
  /** The lab's product, by the name it had then. */
  product: maybe(text(120)),
  /** When powder met liquid; none: when it was recorded. */
  metAt: maybe(instant()),
  /** Of the room it was mixed in; none: as usual. */
  roomCelsius: maybe(figure(MIX_ROOM_CELSIUS.min, MIX_ROOM_CELSIUS.max)),
  /** On the pack's setting time, by ratio and what is in the water; none: by the ratio. */
  settingFactor: maybe(figure(0.1, 20)),
  /** The times of its pack, min, where they are not those of the class. */
  pack: maybe(record({ setMinutes: maybe(figure(0, 20_160)), separateMinutes: maybe(figure(0, 20_160)) })),
  /** Taken settled from the balance, given by the dispenser; by hand when not said. */
  powderFrom: maybe(choice(['balance', 'hand'])),
  liquidFrom: maybe(choice(['dispenser', 'hand'])),
}
const recordedMixShape = record(recordedMix)
export type RecordedMix = Of<typeof recordedMixShape>
export type MixFigure = 'powderGrams' | 'liquidMillilitres' | 'powderParts' | 'liquidParts'

/** A kind of amount, whole. */
interface AmountKindModule<A extends Amount> {
  /** What must be entered of it. */
  readonly figures: readonly MixFigure[]
  /** What a careful technician uses. @param random numbers from 0 to 1 */
  readonly good: (amount: A, random: () => number) => Partial<Record<MixFigure, number>>
}

const tenths = (value: number) => Number(value.toFixed(1))
const measureOf = ({ materialId }: Amount) => materials.get(materialId)?.measure

const amountKinds: { readonly [K in AmountKind]: AmountKindModule<AmountOf<K>> } = {
  mix: {
    figures: ['powderGrams', 'liquidMillilitres'],
    good: (amount, random) => {
      const measure = measureOf(amount)
      if (measure?.by !== 'mass') return {}
      const ratio = amount.millilitresPerGram ?? measure.usualMillilitresPerGram
      const powderGrams = tenths(amount.powderGrams * (1 + 0.01 * (random() - 0.5)))
      return { powderGrams, liquidMillilitres: tenths(powderGrams * ratio) }
    },
  },
  parts: {
    figures: ['powderParts', 'liquidParts'],
    good: (amount) => {
      const measure = measureOf(amount)
      const each = measure?.by === 'parts' ? measure.liquidPartsPerPowderPart : 1
      return { powderParts: amount.powderParts, liquidParts: amount.powderParts * each }
    },
  },
  use: { figures: [], good: () => ({}) },
}
const kindOf = (amount: Amount) => amountKinds[amount.kind] as unknown as AmountKindModule<Amount>

export const goodMix = (amount: Amount, random: () => number): Omit<RecordedMix, 'lots'> => ({
  amountId: amount.id,
  materialId: amount.materialId,
  ...kindOf(amount).good(amount, random),
})

/** More than this in one mix is a slip (choice). */
const MOST_IN_ONE_MIX = 10_000

/** Refuses a mix that nobody can have made. @throws {DomainError} `no-such-material`, `amount-not-plausible` */
export function checkMix(amount: Amount, mix: Omit<RecordedMix, 'lots'>): void {
  if (!materials.has(mix.materialId))
    throw new DomainError(
      'no-such-material',
      `There is no material ${mix.materialId}.`,
      'Choose one from the shelf.',
      'materialId',
    )
  for (const field of kindOf(amount).figures) {
    const value = mix[field]
    if (value === undefined || !(value > 0) || value > MOST_IN_ONE_MIX)
      throw new DomainError(
        'amount-not-plausible',
        value === undefined
          ? 'Nothing cannot be right for what was mixed.'
          : saying`${figureIn(field, value)} cannot be right for what was mixed.`,
        saying`Enter a number above 0 and at most ${figureIn(field, MOST_IN_ONE_MIX)}.`,
        field,
      )
  }
}

function figureIn(field: MixFigure, value: number) {
  if (field === 'powderGrams') return qty.grams(value)
  return field === 'liquidMillilitres' ? qty.millilitres(value) : qty.count(value)
}
