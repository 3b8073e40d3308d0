import {
  ceramicFigures,
  type DisinfectingAgent,
  type ExpansionPoint,
  type Lab,
  type LabProduct,
  type MaterialCard,
  productFaults,
  type Saying,
  type ThermalPoint,
  type ToothZone,
  toothZones,
} from '@yentrik/core'
import type { Faults } from '../form/entry-form.ts'
import { readNumber } from '../parts/read-number.ts'

/** Figures that a product may have of its own, whatever its class. */
const common = ['millilitresPerGram', 'bagGrams', 'densityGramsPerCm3'] as const
const units: Readonly<Record<(typeof common)[number], string>> = {
  millilitresPerGram: 'mL/g',
  bagGrams: 'g',
  densityGramsPerCm3: 'g/cm3',
}

/** The times of a clock that the form shows. */
export const clockFields = [
  { field: 'pourBy', of: 'pourByMinutes', label: 'Pour by' },
  { field: 'set', of: 'setMinutes', label: 'Initial set' },
  { field: 'separateFrom', of: 'separateMinutes', label: 'Separate from' },
] as const

/** What only an investment has, and what only an alloy has. */
const ofInvestment = [
  { field: 'peakCelsius', label: 'Final hold', unit: '°C', hint: undefined },
  { field: 'furnaceFromMinutes', label: 'Into the hot furnace from', unit: 'min', hint: 'after contact' },
  { field: 'furnaceToMinutes', label: 'Into the hot furnace by', unit: 'min', hint: 'after contact' },
  { field: 'hygroscopicPercent', label: 'In a water bath', unit: '%', hint: 'hygroscopic expansion' },
  {
    field: 'settingPercentPerRatioStep',
    label: 'Setting for 0.01 mL/g more',
    unit: '%',
    hint: 'usually below 0',
  },
] as const
const ofAlloy = [
  { field: 'castingShrinkagePercent', label: 'Casting shrinkage', unit: '%', hint: undefined },
  { field: 'castingFromCelsius', label: 'Cast from', unit: '°C', hint: undefined },
  { field: 'castingToCelsius', label: 'Cast to', unit: '°C', hint: undefined },
] as const
const ofDisinfectant = [
  { field: 'contactMinutes', label: 'Contact time', unit: 'min', hint: 'wet on the work' },
] as const
export const figuresOf = ({ investment, alloy, family }: MaterialCard) =>
  investment ? ofInvestment : alloy ? ofAlloy : family === 'disinfectant' ? ofDisinfectant : []

type NumberField =
  | (typeof common)[number]
  | (typeof clockFields)[number]['field']
  | (typeof ofInvestment | typeof ofAlloy | typeof ofDisinfectant)[number]['field']
/** A product as it is typed. */
export type TypedProduct = Record<NumberField, string> & {
  name: string
  source: string
  hotEntry: 'no' | 'yes'
  /** Of a disinfectant; empty: not said. */
  agent: DisinfectingAgent | ''
  /** Numbers, two or three a line. */
  settingExpansion: string
  /** Numbers, two a line. */
  thermalCurve: string
  /** Of a block: L*, a*, b*. */
  blockColour: string
  /** Zone by zone where it is graded: its name, L*, a*, b*. */
  gradedBlock: string
  /** Of a zirconia blank. */
  fastSinter: 'no' | 'yes'
}

const text = (value: number | undefined) => (value === undefined ? '' : String(value))

/** A product as the form begins with it. */
export function typedProduct(product: LabProduct | undefined): TypedProduct {
  const own = [...common, ...[...ofInvestment, ...ofAlloy, ...ofDisinfectant].map(({ field }) => field)]
  return {
    ...(Object.fromEntries(own.map((field) => [field, text(product?.[field])])) as Record<
      NumberField,
      string
    >),
    ...(Object.fromEntries(clockFields.map(({ field, of }) => [field, text(product?.clock?.[of])])) as Record<
      NumberField,
      string
    >),
    name: product?.name ?? '',
    source: product?.source ?? 'the pack',
    hotEntry: product?.hotEntry ? 'yes' : 'no',
    agent: product?.agent ?? '',
    settingExpansion: (product?.settingExpansion ?? [])
      .map((point) =>
        [point.specialLiquidPercent, point.expansionPercent, point.thermalPercent]
          .filter((each) => each !== undefined)
          .join(' '),
      )
      .join('\n'),
    thermalCurve: (product?.thermalCurve ?? [])
      .map((point) => `${point.celsius} ${point.expansionPercent}`)
      .join('\n'),
    blockColour: product?.block ? labText(product.block.colour) : '',
    gradedBlock: toothZones
      .flatMap((zone) => (product?.block?.[zone] ? [`${zone} ${labText(product.block[zone])}`] : []))
      .join('\n'),
    fastSinter: product?.fastSinter ? 'yes' : 'no',
  }
}
const labText = ({ L, a, b }: Lab) => `${L} ${a} ${b}`

/** The colour of a block as typed; a sentence where it is none. */
function readBlock({ blockColour, gradedBlock }: TypedProduct): LabProduct['block'] | string | undefined {
  const lab = (words: readonly string[]): Lab | undefined => {
    const [L, a, b] = words.map((word) => readNumber(word, '').value)
    return words.length === 3 && L !== undefined && a !== undefined && b !== undefined
      ? { L, a, b }
      : undefined
  }
  const split = (line: string) => line.trim().split(/[\s;]+/)
  if (blockColour.trim() === '')
    return gradedBlock.trim() === '' ? undefined : 'Enter the colour of the whole block too, as: 84 1 13'
  const colour = lab(split(blockColour))
  if (!colour) return 'Enter three numbers, L*, a* and b*, as: 84 1 13'
  const graded: { [Z in ToothZone]?: Lab } = {}
  for (const line of gradedBlock.split('\n')) {
    if (line.trim() === '') continue
    const [name = '', ...rest] = split(line)
    const zone = toothZones.find((each) => each === name.toLowerCase())
    const own = lab(rest)
    if (!zone || !own) return `"${line.trim()}" is not a zone and three numbers, as: neck 80 2 18`
    graded[zone] = own
  }
  return { colour, ...graded }
}

export const isZirconia = ({ ceramic }: MaterialCard): boolean =>
  ceramic !== undefined && ceramicFigures[ceramic].zirconia

const numbersOf = (classCard: MaterialCard) => [
  ...common.map((field) => ({ field, unit: units[field] })),
  ...clockFields.map(({ field }) => ({ field, unit: 'min' })),
  ...figuresOf(classCard).map(({ field, unit }) => ({ field, unit })),
]

/** What is wrong with it, by the field. */
export function productEntryFaults(
  typed: TypedProduct,
  classCard: MaterialCard,
  product: LabProduct | undefined,
): Faults<TypedProduct> {
  const faults: { [F in keyof TypedProduct]?: Saying } = {}
  for (const { field, unit } of numbersOf(classCard)) {
    const { fault } = readNumber(typed[field], unit, { wanted: false })
    if (fault !== undefined) faults[field] = fault
  }
  const [table, curve] = [readRows(typed.settingExpansion, 2, 3), readRows(typed.thermalCurve, 2, 2)]
  if (typeof table === 'string') faults.settingExpansion = table
  if (typeof curve === 'string') faults.thermalCurve = curve
  const block = classCard.ceramic && readBlock(typed)
  if (typeof block === 'string') faults.blockColour = block
  for (const { field: named, sentence } of productFaults(
    { ...productOf(typed, classCard, product), productId: 'tried' },
    classCard,
  )) {
    const field = fieldOfProduct(named)
    if (field) faults[field] ??= sentence
  }
  return faults
}

/** The field of the form that the core names otherwise; a fault of the whole clock stands at its first time. */
export function fieldOfProduct(named: string): keyof TypedProduct | undefined {
  if (named === 'clock') return 'pourBy'
  if (named.startsWith('block')) return 'blockColour'
  return clockFields.find(({ of }) => named === `clock.${of}`)?.field ?? (named as keyof TypedProduct)
}

/** The product as it is sent. Times that the form does not show stay as they were. */
export function productOf(
  typed: TypedProduct,
  classCard: MaterialCard,
  product: LabProduct | undefined,
): Omit<LabProduct, 'productId'> {
  const value = (field: NumberField, unit: string) => readNumber(typed[field], unit, { wanted: false }).value
  const given = <K extends string>(entries: readonly (readonly [K, number | undefined])[]) =>
    Object.fromEntries(entries.filter(([, each]) => each !== undefined)) as { readonly [P in K]?: number }
  const shown = new Set<string>(clockFields.map(({ of }) => of))
  const clock = {
    ...Object.fromEntries(Object.entries(product?.clock ?? {}).filter(([name]) => !shown.has(name))),
    ...given(clockFields.map(({ field, of }) => [of, value(field, 'min')] as const)),
  }
  const table = readRows(typed.settingExpansion, 2, 3)
  const curve = readRows(typed.thermalCurve, 2, 2)
  const block = classCard.ceramic && readBlock(typed)
  return {
    materialId: classCard.id,
    name: typed.name.trim(),
    source: typed.source.trim(),
    ...given(common.map((field) => [field, value(field, units[field])] as const)),
    ...given(figuresOf(classCard).map(({ field, unit }) => [field, value(field, unit)] as const)),
    ...(Object.keys(clock).length > 0 ? { clock } : {}),
    ...(classCard.investment && typed.hotEntry === 'yes' ? { hotEntry: true } : {}),
    ...(classCard.family === 'disinfectant' && typed.agent !== '' ? { agent: typed.agent } : {}),
    // Drawdowns are made on the Fire screen: here they stay as they are.
    ...(product?.stain ? { stain: product.stain } : {}),
    ...(block && typeof block !== 'string' ? { block } : {}),
    ...(isZirconia(classCard) && typed.fastSinter === 'yes' ? { fastSinter: true } : {}),
    ...(typeof table !== 'string' && table.length > 0 ? { settingExpansion: table.map(expansionPoint) } : {}),
    ...(typeof curve !== 'string' && curve.length > 0 ? { thermalCurve: curve.map(thermalPoint) } : {}),
  }
}

/** Numbers, so many a line; or a sentence that names the line at fault. */
function readRows(lines: string, least: number, most: number): readonly (readonly number[])[] | string {
  const rows: number[][] = []
  for (const [index, line] of lines.split('\n').entries()) {
    if (line.trim() === '') continue
    const numbers = line
      .trim()
      .split(/[\s;]+/)
      .map((word) => readNumber(word, '%').value ?? Number.NaN)
    if (numbers.length < least || numbers.length > most || numbers.some(Number.isNaN))
      return `Line ${index + 1} is not ${least === most ? 'two' : 'two or three'} numbers, as in: 60 1.1`
    rows.push(numbers)
  }
  return rows
}

function expansionPoint([
  specialLiquidPercent = 0,
  expansionPercent = 0,
  thermalPercent,
]: readonly number[]): ExpansionPoint {
  return {
    specialLiquidPercent,
    expansionPercent,
    ...(thermalPercent === undefined ? {} : { thermalPercent }),
  }
}
function thermalPoint([celsius = 0, expansionPercent = 0]: readonly number[]): ThermalPoint {
  return { celsius, expansionPercent }
}
