import {
  checkEquipment,
  type EquipmentKind,
  type EquipmentOf,
  type LabEquipment,
  type Spell,
  type Station,
  stationNames,
} from '@yentrik/core'
import { readNumber } from '../parts/read-number.ts'

/** A measure of a piece of equipment, as it is typed and shown. */
interface Measure<K extends EquipmentKind> {
  readonly field: Exclude<
    keyof EquipmentOf<K>,
    'kind' | 'name' | 'source' | 'outOfOrder' | 'startsByTimer' | 'what'
  > &
    string
  readonly label: string
  readonly unit: string
  readonly hint?: string
  /** May be left empty. */
  readonly optional?: true
}
interface KindShown<K extends EquipmentKind> {
  readonly name: string
  readonly measures: readonly Measure<K>[]
}

/** Every kind of equipment, with what is measured of it. */
export const equipmentKinds: { readonly [K in EquipmentKind]: KindShown<K> } = {
  ring: {
    name: 'Ring',
    measures: [
      { field: 'innerDiameterMillimetres', label: 'Inside', unit: 'mm' },
      { field: 'heightMillimetres', label: 'High', unit: 'mm' },
      { field: 'formerMillimetres', label: 'Former, high', unit: 'mm' },
      { field: 'linerMillimetres', label: 'Liner', unit: 'mm', hint: '0: none' },
    ],
  },
  arm: {
    name: 'Casting arm',
    measures: [
      { field: 'innerMillimetres', label: 'Metal from the axis', unit: 'mm' },
      { field: 'outerMillimetres', label: 'End of the mould', unit: 'mm' },
      { field: 'measuredRpm', label: 'Speed measured', unit: 'rpm', hint: 'film or tachometer' },
      { field: 'measuredTurns', label: 'At turns', unit: '' },
    ],
  },
  furnace: {
    name: 'Furnace',
    measures: [
      { field: 'timeConstantMinutes', label: 'Cools by 63 % in', unit: 'min', hint: 'switched off' },
      { field: 'mostRings', label: 'Rings it takes', unit: '' },
    ],
  },
  bath: {
    name: 'Curing bath',
    measures: [
      { field: 'timeConstantMinutes', label: 'Cools by 63 % in', unit: 'min', hint: 'switched off' },
      { field: 'mostFlasks', label: 'Flasks it takes', unit: '' },
    ],
  },
  flask: {
    name: 'Flask',
    measures: [
      { field: 'lowerMillilitres', label: 'Lower half', unit: 'mL', hint: 'water to its rim' },
      { field: 'ringMillilitres', label: 'Ring above', unit: 'mL', hint: 'water to the lid' },
      { field: 'ringMillimetres', label: 'Ring, high', unit: 'mm' },
    ],
  },
  wheel: {
    name: 'Wheel',
    measures: [
      { field: 'grainMicrometres', label: 'Grain of its compound', unit: 'µm', hint: 'F120 is 109' },
      { field: 'depthRatio', label: 'Scratch over grain', unit: '', hint: 'usually 0.025' },
      { field: 'cubicMillimetresPerSecond', label: 'Takes off', unit: 'mm³/s', hint: 'by a test plate' },
      { field: 'diameterMillimetres', label: 'Across', unit: 'mm' },
      { field: 'rpm', label: 'Runs at', unit: 'rpm' },
    ],
  },
  kiln: {
    name: 'Ceramic furnace',
    measures: [
      { field: 'timeConstantMinutes', label: 'Cools by 63 % in', unit: 'min', hint: 'switched off' },
      { field: 'mostUnits', label: 'Crowns it takes', unit: '' },
      {
        field: 'silverShownCelsius',
        label: 'Showed as silver melted',
        unit: '°C',
        hint: 'melts at 961.8 °C',
        optional: true,
      },
    ],
  },
  sinter: {
    name: 'Sintering furnace',
    measures: [
      { field: 'timeConstantMinutes', label: 'Cools by 63 % in', unit: 'min', hint: 'switched off' },
      { field: 'mostUnits', label: 'Crowns it takes', unit: '' },
    ],
  },
  station: {
    name: 'Place',
    measures: [{ field: 'places', label: 'Places it has', unit: '', hint: 'how many at once' }],
  },
  tab: {
    name: 'Shade tab',
    measures: [
      { field: 'L', label: 'L*', unit: '', hint: 'D65, gloss excluded' },
      { field: 'a', label: 'a*', unit: '' },
      { field: 'b', label: 'b*', unit: '' },
    ],
  },
}
export const kindNames = Object.keys(equipmentKinds) as readonly EquipmentKind[]

interface AnyMeasure {
  readonly field: string
  readonly label: string
  readonly unit: string
  readonly hint?: string
  readonly optional?: true
}
export const measuresOf = (kind: EquipmentKind): readonly AnyMeasure[] => equipmentKinds[kind].measures

/** A measure of a piece, by the name of its field. */
export const measured = (equipment: LabEquipment, field: string): number | undefined =>
  (equipment as unknown as Readonly<Record<string, number>>)[field]

/** Its measures in words. */
export const measureWords = (equipment: LabEquipment): string =>
  [
    ...(equipment.kind === 'station' ? [stationNames[equipment.what]] : []),
    ...eachMeasure(equipment),
    ...('startsByTimer' in equipment && equipment.startsByTimer ? ['begins by timer'] : []),
  ].join(', ')

const eachMeasure = (equipment: LabEquipment): string[] =>
  measuresOf(equipment.kind)
    .filter(({ field }) => measured(equipment, field) !== undefined)
    .map(({ field, label, unit }) =>
      `${label.charAt(1) === '*' ? label : label.toLowerCase()} ${measured(equipment, field)} ${unit}`.trim(),
    )

/** A piece of equipment as it is typed: its measures by their fields. */
export interface TypedEquipment {
  kind: EquipmentKind
  name: string
  [measure: string]: string
}
/** What is not measured: whether it begins by itself, when it cannot be used, which place it is. */
export interface EquipmentFacts {
  readonly startsByTimer: boolean
  readonly outOfOrder: readonly Spell[]
  readonly what: Station
}
/** The kinds in which a program runs. */
export const runsPrograms = (kind: EquipmentKind): boolean =>
  kind === 'furnace' || kind === 'bath' || kind === 'kiln' || kind === 'sinter'

export const factsOf = (equipment: LabEquipment | undefined): EquipmentFacts => ({
  startsByTimer: equipment !== undefined && 'startsByTimer' in equipment && equipment.startsByTimer === true,
  outOfOrder: (equipment && 'outOfOrder' in equipment ? equipment.outOfOrder : undefined) ?? [],
  what: equipment?.kind === 'station' ? equipment.what : 'mixer',
})

export const typedEquipment = (equipment: LabEquipment | undefined): TypedEquipment => ({
  kind: equipment?.kind ?? 'ring',
  name: equipment?.name ?? '',
  ...Object.fromEntries(
    equipment
      ? measuresOf(equipment.kind).map(({ field }) => [field, String(measured(equipment, field) ?? '')])
      : [],
  ),
})

/** A piece without what the form asks for. */
function unmeasured(equipment: LabEquipment): object {
  const asked = new Set<string>([
    'startsByTimer',
    'outOfOrder',
    ...measuresOf(equipment.kind).map(({ field }) => field),
  ])
  return Object.fromEntries(Object.entries(equipment).filter(([field]) => !asked.has(field)))
}

/** As it is stored. @throws {DomainError} as `checkEquipment` */
export function equipmentOf(
  typed: TypedEquipment,
  { startsByTimer, outOfOrder, what }: EquipmentFacts,
  before?: LabEquipment,
): LabEquipment {
  const measures = Object.fromEntries(
    measuresOf(typed.kind).flatMap(({ field, unit, optional }) => {
      const text = typed[field] ?? ''
      return optional && text.trim() === '' ? [] : [[field, readNumber(text, unit).value ?? Number.NaN]]
    }),
  )
  const { kind } = typed
  const canBeOut = runsPrograms(kind) || kind === 'station'
  const equipment = {
    // What is on record and not on the form stays, as the day of a silver test.
    ...(before?.kind === kind ? unmeasured(before) : {}),
    kind,
    name: typed.name.trim(),
    source: before?.source ?? (kind === 'station' ? 'counted here' : 'measured here'),
    ...measures,
    ...(runsPrograms(kind) && startsByTimer ? { startsByTimer } : {}),
    ...(canBeOut && outOfOrder.length > 0 ? { outOfOrder } : {}),
    ...(kind === 'station' ? { what } : {}),
  } as unknown as LabEquipment
  checkEquipment(equipment)
  return equipment
}
