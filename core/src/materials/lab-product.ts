import { checkLab, labShape } from '../colour/index.ts'
import { qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { choice, day, figure, id, list, maybe, type Of, record, text, three, yesNo } from '../shape/index.ts'
import { ceramicClasses, ceramicFigures } from './ceramic-class.ts'
import { disinfectingAgents, LONGEST_CONTACT_MINUTES } from './disinfectant.ts'
import {
  type AlloyFigures,
  clockFault,
  clockOrder,
  type ExpansionPoint,
  expansionPointShape,
  type InvestmentFigures,
  type MaterialCard,
  type MaterialClock,
  type ThermalPoint,
  thermalPointShape,
} from './material-card.ts'

const packMinutes = maybe(figure(-1e6, 1e6, { example: 6 }))

/** A product on the lab's own shelf: a generic class, and what its pack says otherwise. */
export const productShape = record({
  /** The generic class it inherits from. */
  materialId: id('high-strength-stone'),
  /** The lab's own name for it. */
  name: text(80, { least: 0, example: 'Blue die stone' }),
  millilitresPerGram: maybe(figure(-100, 100, { example: 0.2 })),
  bagGrams: maybe(figure(-1e6, 1e6, { example: 100 })),
  densityGramsPerCm3: maybe(figure(-100, 100)),
  /** Only the times that the pack prints. */
  clock: maybe(
    record({
      wettedMinutes: packMinutes,
      mixedMinutes: packMinutes,
      pourByMinutes: packMinutes,
      glossLossMinutes: packMinutes,
      setMinutes: packMinutes,
      heatPeakMinutes: packMinutes,
      separateMinutes: packMinutes,
      trimFromMinutes: packMinutes,
      useWithinMinutes: packMinutes,
      dryMinutes: packMinutes,
    }),
  ),
  settingExpansion: maybe(list(expansionPointShape, 40)),
  /** Of an investment. */
  thermalCurve: maybe(list(thermalPointShape, 40)),
  peakCelsius: maybe(figure(-1000, 10_000, { example: 850 })),
  hotEntry: maybe(yesNo({ example: false })),
  /** Of one marked for a hot furnace: when it goes in, minutes from contact with the liquid. */
  furnaceFromMinutes: maybe(figure(-1e6, 1e6, { example: 15 })),
  furnaceToMinutes: maybe(figure(-1e6, 1e6, { example: 20 })),
  hygroscopicPercent: maybe(figure(-100, 100, { example: 1.2 })),
  /** Setting expansion, % for each 0.01 mL/g more. */
  settingPercentPerRatioStep: maybe(figure(-100, 100, { example: -0.02 })),
  /** Of an alloy. */
  castingShrinkagePercent: maybe(figure(-100, 100, { example: 2.3 })),
  castingFromCelsius: maybe(figure(-1000, 10_000, { example: 1380 })),
  castingToCelsius: maybe(figure(-1000, 10_000, { example: 1420 })),
  /** Of a pot of stain: absorption and scattering of one coat in the bands X, Y, Z, as its drawdowns gave them. */
  stain: maybe(
    record({
      absorption: three(figure(0, 1000, { example: 0.01 })),
      scattering: three(figure(0, 1000, { example: 0.01 })),
      /** The ceramic of its chips. */
      onCeramic: choice(ceramicClasses),
      /** The lot that was in the pot. */
      lot: text(60, { least: 0, example: '24-0817' }),
      calibratedOn: day({ example: '2026-11-20' }),
      specular: choice(['excluded', 'included']),
      /** How much of it really lay on fired cases against what was planned, the newest last. */
      fired: maybe(list(figure(0.1, 10, { example: 1.1 }), 60)),
      /** By which its coats are taken, once fired cases agreed and somebody took the offer. */
      factor: maybe(figure(0.1, 10, { example: 1.1 })),
    }),
  ),
  /** Of a block: its colour, glazed; zone by zone where it is graded. */
  block: maybe(
    record({
      colour: labShape,
      neck: maybe(labShape),
      body: maybe(labShape),
      edge: maybe(labShape),
      sides: maybe(labShape),
    }),
  ),
  /** Of a zirconia blank: marked for fast sintering. */
  fastSinter: maybe(yesNo({ example: false })),
  /** Of a disinfectant. */
  agent: maybe(choice(disinfectingAgents)),
  contactMinutes: maybe(figure(-1e6, 1e6, { example: 5 })),
  /** What is printed where: "the pack", "data sheet 3". */
  source: text(200, { least: 0, example: 'the pack' }),
})
export type LabProduct = Of<typeof productShape> & { readonly productId: string }

/** A figure that cannot be taken: which entry, what is wrong and what to do. */
interface ProductFault {
  readonly field: string
  readonly sentence: Saying
}

/**
 * What cannot be right in a product; empty when it can be kept.
 * Out of class is no fault: `productFlags` names that.
 */
export function productFaults(product: LabProduct, classCard: MaterialCard): ProductFault[] {
  const faults: ProductFault[] = []
  const fault = (field: string, sentence: Saying) => faults.push({ field, sentence })
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
  expansionFaults(product.settingExpansion ?? []).forEach((sentence) => {
    fault('settingExpansion', sentence)
  })
  curveFaults(product.thermalCurve ?? []).forEach((sentence) => {
    fault('thermalCurve', sentence)
  })
  const ofInvestment = [
    'thermalCurve',
    'peakCelsius',
    'hotEntry',
    'furnaceFromMinutes',
    'furnaceToMinutes',
    'hygroscopicPercent',
    'settingPercentPerRatioStep',
  ] as const
  const ofAlloy = ['castingShrinkagePercent', 'castingFromCelsius', 'castingToCelsius'] as const
  const ofDisinfectant = ['agent', 'contactMinutes'] as const
  const zirconia = classCard.ceramic !== undefined && ceramicFigures[classCard.ceramic].zirconia
  for (const [fields, its] of [
    [ofInvestment, classCard.investment],
    [ofAlloy, classCard.alloy],
    [ofDisinfectant, classCard.family === 'disinfectant'],
    [['stain'], classCard.stain],
    [['block'], classCard.ceramic],
    [['fastSinter'], zirconia],
  ] as const)
    for (const field of fields)
      if (product[field] !== undefined && !its) fault(field, `${classCard.name} has no such figure.`)
  for (const [zone, colour] of Object.entries(product.block ?? {})) {
    const refused = refusalOf(() => checkLab(colour, `block.${zone}`))
    if (refused) fault(`block.${zone}`, saying`${refused.said} ${refused.advice}`)
  }
  positive('furnaceFromMinutes', product.furnaceFromMinutes, LONGEST_TO_FURNACE_MINUTES, 'min')
  positive('furnaceToMinutes', product.furnaceToMinutes, LONGEST_TO_FURNACE_MINUTES, 'min')
  faults.push(...furnaceFaults(product))
  positive('peakCelsius', product.peakCelsius, 1200, '°C')
  if (
    product.settingPercentPerRatioStep !== undefined &&
    !(Math.abs(product.settingPercentPerRatioStep) <= 1)
  )
    fault('settingPercentPerRatioStep', 'Enter the change for 0.01 mL/g: at most 1 % either way.')
  positive('hygroscopicPercent', product.hygroscopicPercent, 5, '%')
  positive('castingShrinkagePercent', product.castingShrinkagePercent, 5, '%')
  positive('contactMinutes', product.contactMinutes, LONGEST_CONTACT_MINUTES, 'min')
  positive('castingFromCelsius', product.castingFromCelsius, 2000, '°C')
  positive('castingToCelsius', product.castingToCelsius, 2000, '°C')
  const merged = mergedAlloy(product, classCard)
  if (merged && merged.castingCelsius[0] > merged.castingCelsius[1])
    fault('castingToCelsius', 'The casting temperatures do not rise: enter both.')
  return faults
}

function refusalOf(act: () => void): DomainError | undefined {
  try {
    act()
    return undefined
  } catch (error) {
    if (error instanceof DomainError) return error
    throw error
  }
}

/** A day: no investment waits longer for its furnace (choice). */
const LONGEST_TO_FURNACE_MINUTES = 1440

/** The minutes of a hot entry: both or none, rising, and only where it is marked. */
function furnaceFaults({
  hotEntry,
  furnaceFromMinutes: from,
  furnaceToMinutes: to,
}: LabProduct): ProductFault[] {
  if (from === undefined && to === undefined) return []
  if (!hotEntry)
    return [
      {
        field: from === undefined ? 'furnaceToMinutes' : 'furnaceFromMinutes',
        sentence: 'Minutes to a hot furnace are of a product marked for one: mark it, or leave them out.',
      },
    ]
  if (from === undefined || to === undefined)
    return [
      {
        field: from === undefined ? 'furnaceFromMinutes' : 'furnaceToMinutes',
        sentence: 'Enter both: from and to, minutes after contact with the liquid.',
      },
    ]
  return from < to
    ? []
    : [
        {
          field: 'furnaceToMinutes',
          sentence: 'The last minute comes after the first: enter both as printed.',
        },
      ]
}

function expansionFaults(points: readonly ExpansionPoint[]): Saying[] {
  return points.flatMap(({ specialLiquidPercent: c, expansionPercent: e, thermalPercent: t = 0 }, index) => [
    ...(c >= 0 && c <= 100 ? [] : [saying`A share of ${qty.percent(c)} is not between 0 and 100.`]),
    ...[e, t].filter((value) => !(Math.abs(value) <= 5)).map(implausible),
    ...(index > 0 && !(c > points[index - 1]!.specialLiquidPercent)
      ? ['Put the shares of special liquid in rising order, each once.']
      : []),
  ])
}

function curveFaults(points: readonly ThermalPoint[]): Saying[] {
  return points.flatMap(({ celsius, expansionPercent }, index) => [
    ...(celsius >= 0 && celsius <= 1200
      ? []
      : [saying`${qty.celsius(celsius)} is not between ${qty.celsius(0)} and ${qty.celsius(1200)}.`]),
    ...(Math.abs(expansionPercent) <= 5 ? [] : [implausible(expansionPercent)]),
    ...(index > 0 && !(celsius > points[index - 1]!.celsius)
      ? ['Put the temperatures in rising order, each once.']
      : []),
  ])
}

const implausible = (percent: number) => saying`An expansion of ${qty.percent(percent)} cannot be right.`

/** Figures that lie outside the class: allowed, since the pack wins, but reported. */
export function productFlags(product: LabProduct, classCard: MaterialCard): Saying[] {
  const { measure } = classCard
  const ratio = product.millilitresPerGram
  if (ratio === undefined || measure?.by !== 'mass') return []
  const { minMillilitresPerGram: min, maxMillilitresPerGram: max } = measure
  return ratio < min - 1e-9 || ratio > max + 1e-9
    ? [
        saying`${qty.millilitresPerGram(ratio)} is outside the class: ${classCard.name} has ${min.toFixed(2)} to ${max.toFixed(2)} (${measure.source}).`,
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
    throw new DomainError(
      'product-faulty',
      saying`${product.name}: ${fault.sentence}`,
      'Correct it.',
      fault.field,
    )
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
    ...(classCard.investment ? { investment: mergedInvestment(product, classCard.investment) } : {}),
    ...(classCard.alloy ? { alloy: mergedAlloy(product, classCard) } : {}),
  }
}

function mergedInvestment(product: LabProduct, its: InvestmentFigures): InvestmentFigures {
  const { thermalCurve, peakCelsius, hotEntry, hygroscopicPercent, settingPercentPerRatioStep } = product
  const { furnaceFromMinutes: from, furnaceToMinutes: to } = product
  const furnaceMinutes = from !== undefined && to !== undefined ? { from, to } : undefined
  const own = {
    thermalCurve,
    peakCelsius,
    hotEntry,
    furnaceMinutes,
    hygroscopicPercent,
    settingPercentPerRatioStep,
  }
  return { ...its, ...known(own), source: `${product.source}; else ${its.source}` }
}

function mergedAlloy(product: LabProduct, { alloy }: MaterialCard): AlloyFigures | undefined {
  if (!alloy) return undefined
  const { castingShrinkagePercent: shrinkage, castingFromCelsius, castingToCelsius } = product
  const [from, to] = alloy.castingCelsius
  return {
    ...alloy,
    ...known({ shrinkageFraction: shrinkage === undefined ? undefined : shrinkage / 100 }),
    castingCelsius: [castingFromCelsius ?? from, castingToCelsius ?? to],
    source: `${product.source}; else ${alloy.source}`,
  }
}

/** Only what has a value. */
function known<T extends object>(figures: T): { [K in keyof T]?: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(figures).filter(([, value]) => value !== undefined)) as never
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
