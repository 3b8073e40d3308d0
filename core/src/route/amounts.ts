import { JAR_CELSIUS } from '../curing/index.ts'
import { type MaterialCard, materials } from '../materials/index.ts'
import { RATIO_TOLERANCE_FRACTION } from '../mixing/index.ts'
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
  words,
  yesNo,
} from '../shape/index.ts'
import { checkMeanings } from './meanings.ts'

const base = {
  id: id(),
  materialId: id(),
  perArch: maybe(yesNo()),
  note: maybe(text(500)),
  source: text(500),
}
export const amountShape = byTag('kind', {
  /** Powder weighed, liquid by the ratio of the card or the one given here. */
  mix: record({
    ...base,
    powderGrams: figure(0, 10_000),
    /** The reading that says how much powder, once it is on record. */
    gramsOf: maybe(choice(checkMeanings)),
    millilitresPerGram: maybe(figure(0, 10)),
  }),
  /** Counted parts, as scoops or equal lengths. */
  parts: record({ ...base, powderParts: figure(0, 1000) }),
  /** Something used up whose lot is recorded, not mixed: a set of teeth, a sheet of wax. */
  use: record({ ...base, count: figure(0, 1000), unit: text(60) }),
})
export type Amount = Of<typeof amountShape>
export type AmountKind = Amount['kind']
export type AmountOf<K extends AmountKind> = Extract<Amount, { readonly kind: K }>

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
  roomCelsius: maybe(figure(JAR_CELSIUS.min, JAR_CELSIUS.max)),
  /** On the pack's setting time, by ratio and what is in the water; none: by the ratio. */
  settingFactor: maybe(figure(0.1, 20)),
  /** What its pack says, where that is not what the class says. */
  pack: maybe(
    record({
      setMinutes: maybe(figure(0, 20_160)),
      separateMinutes: maybe(figure(0, 20_160)),
      millilitresPerGram: maybe(figure(0, 10)),
      /** Of an investment marked for a hot furnace: from contact to furnace. */
      furnaceMinutes: maybe(record({ from: figure(0, 1440), to: figure(0, 1440) })),
      peakCelsius: maybe(figure(0, 1300)),
    }),
  ),
  /** Why it is used although its ratio is outside the range of card and pack. */
  ratioReason: maybe(words()),
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
  /** What the step wants, by the card of what is in use. */
  readonly wanted: (amount: A, card: MaterialCard) => Partial<Record<MixFigure, number>>
  /** What a careful technician uses. @param random numbers from 0 to 1 */
  readonly good: (amount: A, random: () => number) => Partial<Record<MixFigure, number>>
}

const tenths = (value: number) => Number(value.toFixed(1))

const amountKinds: { readonly [K in AmountKind]: AmountKindModule<AmountOf<K>> } = {
  mix: {
    figures: ['powderGrams', 'liquidMillilitres'],
    wanted: ({ powderGrams, millilitresPerGram }, { measure }) =>
      measure?.by === 'mass'
        ? {
            powderGrams,
            liquidMillilitres: tenths(powderGrams * (millilitresPerGram ?? measure.usualMillilitresPerGram)),
          }
        : {},
    good: (amount, random) => {
      const powderGrams = tenths(amount.powderGrams * (1 + 0.01 * (random() - 0.5)))
      return wantedFigures({ ...amount, powderGrams })
    },
  },
  parts: {
    figures: ['powderParts', 'liquidParts'],
    wanted: ({ powderParts }, { measure }) => ({
      powderParts,
      liquidParts: powderParts * (measure?.by === 'parts' ? measure.liquidPartsPerPowderPart : 1),
    }),
    good: (amount) => wantedFigures(amount),
  },
  use: { figures: [], wanted: () => ({}), good: () => ({}) },
}
const kindOf = (amount: Amount) => amountKinds[amount.kind] as unknown as AmountKindModule<Amount>

/**
 * What a step wants of an amount, in the figures that go on record: as the balance and the cylinder are set, to a tenth.
 * @param card of the product in use; of the class when left out
 */
export const wantedFigures = (amount: Amount, card = materials.get(amount.materialId)!) =>
  kindOf(amount).wanted(amount, card)

export const goodMix = (amount: Amount, random: () => number): Omit<RecordedMix, 'lots'> => ({
  amountId: amount.id,
  materialId: amount.materialId,
  ...kindOf(amount).good(amount, random),
})

/**
 * What of a mix came out of each of its lots, as shares that add up to 1: of a blend by its parts, one lot for each in their order;
 * else alike. None where no lot was noted.
 */
export function lotShares({ materialId, lots }: Pick<RecordedMix, 'materialId' | 'lots'>): readonly number[] {
  const blend = materials.get(materialId)?.blend
  return blend?.length === lots.length
    ? blend.map(({ massFraction }) => massFraction)
    : lots.map(() => 1 / lots.length)
}

/** More than this in one mix is a slip (choice). */
const MOST_IN_ONE_MIX = 10_000

/** So far beyond the range of a card no mix can be wetted or poured: a decimal point was lost (choice). */
const ABSURD_FACTOR = 2

/** The ratios that card, pack and step allow, mL/g, each end with what a balance and a cylinder cannot tell; undefined: none is said. */
function allowedRatios(amount: Amount, mix: Pick<RecordedMix, 'materialId' | 'pack'>) {
  const measure = materials.get(mix.materialId)?.measure
  if (amount.kind !== 'mix' || measure?.by !== 'mass') return undefined
  const said = [mix.pack?.millilitresPerGram, amount.millilitresPerGram].filter(
    (ratio) => ratio !== undefined,
  )
  return {
    least: Math.min(measure.minMillilitresPerGram, ...said) * (1 - RATIO_TOLERANCE_FRACTION),
    most: Math.max(measure.maxMillilitresPerGram, ...said) * (1 + RATIO_TOLERANCE_FRACTION),
  }
}

/**
 * Whether a mix hit a ratio that card or pack allows. `outside`: it wants a decision; `absurd`: it cannot have been mixed so.
 * @returns `within` where nothing is said of it, or a figure is missing
 */
export function ratioVerdict(
  amount: Amount,
  mix: Pick<RecordedMix, 'materialId' | 'pack' | 'powderGrams' | 'liquidMillilitres'>,
): 'within' | 'outside' | 'absurd' {
  const allowed = allowedRatios(amount, mix)
  const { powderGrams, liquidMillilitres } = mix
  if (!allowed || !powderGrams || liquidMillilitres === undefined) return 'within'
  const ratio = liquidMillilitres / powderGrams
  if (ratio >= allowed.least && ratio <= allowed.most) return 'within'
  const absurd = ratio < allowed.least / ABSURD_FACTOR || ratio > allowed.most * ABSURD_FACTOR
  return absurd ? 'absurd' : 'outside'
}

function checkRatio(amount: Amount, mix: Omit<RecordedMix, 'lots'>): void {
  const verdict = ratioVerdict(amount, mix)
  if (verdict === 'within') return
  const { least, most } = allowedRatios(amount, mix)!
  const { powderGrams = 0, liquidMillilitres = 0 } = mix
  const hit = saying`${qty.grams(powderGrams)} + ${qty.millilitres(liquidMillilitres)} is ${qty.millilitresPerGram(liquidMillilitres / powderGrams)}, outside ${least.toFixed(2)} to ${qty.millilitresPerGram(most, 2)}`
  if (verdict === 'absurd')
    throw new DomainError(
      'ratio-not-plausible',
      saying`${hit}: it cannot have been mixed so.`,
      'Look for a lost decimal point, and enter what was weighed and measured.',
      'liquidMillilitres',
    )
  if (!mix.ratioReason?.trim())
    throw new DomainError(
      'ratio-outside-range',
      saying`${hit}.`,
      'Correct the figures, mix again, or say why it is used all the same.',
      'ratioReason',
    )
}

/**
 * Refuses a mix that nobody can have made, and one outside its range without a reason.
 * @throws {DomainError} `no-such-material`, `amount-not-plausible`, `ratio-not-plausible`, `ratio-outside-range`
 */
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
  checkRatio(amount, mix)
}

function figureIn(field: MixFigure, value: number) {
  if (field === 'powderGrams') return qty.grams(value)
  return field === 'liquidMillilitres' ? qty.millilitres(value) : qty.count(value)
}
