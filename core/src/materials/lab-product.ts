import { DomainError } from '../refusal/index.ts'
import {
  clockFault,
  clockOrder,
  type ExpansionPoint,
  type MaterialCard,
  type MaterialClock,
} from './material-card.ts'

/** A product on the lab's own shelf: a generic class, and what its pack says otherwise. */
export interface LabProduct {
  readonly productId: string
  /** The generic class it inherits from. */
  readonly materialId: string
  /** The lab's own name for it. */
  readonly name: string
  readonly millilitresPerGram?: number
  readonly bagGrams?: number
  readonly densityGramsPerCm3?: number
  /** Only the times that the pack prints. */
  readonly clock?: Partial<Omit<MaterialClock, 'source'>>
  readonly settingExpansion?: readonly ExpansionPoint[]
  /** What is printed where: "the pack", "data sheet 3". */
  readonly source: string
}

/** A figure that cannot be taken: which entry, what is wrong and what to do. */
export interface ProductFault {
  readonly field: string
  readonly sentence: string
}

/**
 * What cannot be right in a product; empty when it can be kept.
 * Out of class is no fault: `productFlags` names that.
 */
export function productFaults(product: LabProduct, classCard: MaterialCard): ProductFault[] {
  const faults: ProductFault[] = []
  const fault = (field: string, sentence: string) => faults.push({ field, sentence })
  if (product.name.trim() === '') fault('name', 'Give it the name that the lab calls it by.')
  if (product.source.trim() === '') fault('source', 'Say where the figures stand: the pack, or a data sheet.')
  const positive = (field: string, value: number | undefined, most: number, unit: string) => {
    if (value !== undefined && !(value > 0 && value <= most))
      fault(field, `Enter a number above 0 and at most ${most} ${unit}.`)
  }
  positive('millilitresPerGram', product.millilitresPerGram, 2, 'mL/g')
  positive('bagGrams', product.bagGrams, 50_000, 'g')
  positive('densityGramsPerCm3', product.densityGramsPerCm3, 25, 'g/cm3')
  if (product.millilitresPerGram !== undefined && classCard.measure?.by !== 'mass')
    fault('millilitresPerGram', `${classCard.name} is not weighed: it has no ratio.`)
  for (const name of clockOrder) positive(`clock.${name}`, product.clock?.[name], 20_160, 'min')
  const clock = mergedClock(product, classCard)
  if (!clock && Object.keys(product.clock ?? {}).length > 0)
    fault('clock', `${classCard.name} has no clock of its own: enter pour by, set and separate.`)
  const fallen = clock && product.clock ? clockFault(clock) : undefined
  if (fallen) fault('clock', `The times do not rise: ${fallen.replace('the clock must rise: ', '')}.`)
  const points = product.settingExpansion ?? []
  for (const [index, { specialLiquidPercent: c, expansionPercent: e }] of points.entries()) {
    if (!(c >= 0 && c <= 100)) fault('settingExpansion', `A share of ${c} % is not between 0 and 100.`)
    if (!(Math.abs(e) <= 5)) fault('settingExpansion', `An expansion of ${e} % cannot be right.`)
    if (index > 0 && !(c > points[index - 1]!.specialLiquidPercent))
      fault('settingExpansion', 'Put the shares of special liquid in rising order, each once.')
  }
  return faults
}

/** Figures that lie outside the class: allowed, since the pack wins, but told. */
export function productFlags(product: LabProduct, classCard: MaterialCard): string[] {
  const { measure } = classCard
  const ratio = product.millilitresPerGram
  if (ratio === undefined || measure?.by !== 'mass') return []
  const { minMillilitresPerGram: min, maxMillilitresPerGram: max } = measure
  return ratio < min - 1e-9 || ratio > max + 1e-9
    ? [
        `${ratio} mL/g is outside the class: ${classCard.name} has ${min.toFixed(2)} to ${max.toFixed(2)} (${measure.source}).`,
      ]
    : []
}

/**
 * The card that the calculators use for a product: the class, with the figures of the pack and their source.
 * @throws {DomainError} `product-faulty` with the first entry at fault
 */
export function productCard(product: LabProduct, classCard: MaterialCard): MaterialCard {
  const [fault] = productFaults(product, classCard)
  if (fault)
    throw new DomainError('product-faulty', `${product.name}: ${fault.sentence}`, 'Correct it.', fault.field)
  const { source } = product
  const { measure } = classCard
  const clock = mergedClock(product, classCard)
  return {
    ...classCard,
    id: product.productId,
    name: product.name,
    ...(measure?.by === 'mass'
      ? {
          measure: {
            ...measure,
            ...(product.millilitresPerGram === undefined
              ? {}
              : { usualMillilitresPerGram: product.millilitresPerGram, source }),
            ...(product.bagGrams === undefined ? {} : { bagGrams: product.bagGrams }),
          },
        }
      : {}),
    ...(clock ? { clock } : {}),
    ...(product.densityGramsPerCm3 === undefined
      ? {}
      : { density: { gramsPerCm3: product.densityGramsPerCm3, source } }),
    ...(product.settingExpansion?.length
      ? { settingExpansion: { points: product.settingExpansion, source } }
      : {}),
  }
}

/** The times of the pack over those of the class; undefined while some that every clock needs are missing. */
function mergedClock(
  { clock: packs, source }: LabProduct,
  { clock }: MaterialCard,
): MaterialClock | undefined {
  if (!packs || Object.keys(packs).length === 0) return clock
  if (clock) return { ...clock, ...packs, source: `${source}; else ${clock.source}` }
  const { pourByMinutes, setMinutes, separateMinutes } = packs
  if (pourByMinutes === undefined || setMinutes === undefined || separateMinutes === undefined)
    return undefined
  return { ...packs, pourByMinutes, setMinutes, separateMinutes, source }
}
