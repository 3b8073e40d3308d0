import { armMeasures, checkArmCard, checkRingCard, ringMeasures } from '../casting/index.ts'
import { silverOffset } from '../ceramic/index.ts'
import { checkLab, labShape } from '../colour/index.ts'
import { checkWheel, wheelMeasures } from '../finishing/index.ts'
import { checkFlaskWater, flaskWater } from '../mixing/index.ts'
import { stationNames, stations } from '../planning/index.ts'
import { DomainError, requireMeasure } from '../refusal/index.ts'
import {
  byTag,
  choice,
  day,
  figure,
  instant,
  list,
  maybe,
  type Of,
  partsOf,
  record,
  text,
  words,
  yesNo,
} from '../shape/index.ts'

const source = text(200, { example: 'measured here' })
/** In which a heated machine loses 63 % of its heat when it is off. */
const timeConstantMinutes = figure(0, 10_000, { example: 60 })

/** From when to when it cannot be used, or somebody is not there. */
export const spellShape = record({ from: instant(), until: instant(), why: maybe(words(200)) })
export type Spell = Of<typeof spellShape>
const outOfOrder = maybe(list(spellShape, 50))
/** It begins at a set hour by itself; without, somebody must be there. */
const startsByTimer = maybe(yesNo({ example: true }))
const ofProgramMachine = { startsByTimer, outOfOrder, source }

/** What stands in the lab, as it was measured there: each kind with its measures. */
export const equipmentShape = byTag('kind', {
  ring: record(ringMeasures),
  arm: record(armMeasures),
  furnace: record({
    timeConstantMinutes,
    mostRings: figure(0, 1000, { example: 6 }),
    ...ofProgramMachine,
  }),
  bath: record({
    timeConstantMinutes,
    mostFlasks: figure(0, 1000, { example: 4 }),
    ...ofProgramMachine,
  }),
  flask: record({ ...flaskWater, source }),
  wheel: record(wheelMeasures),
  kiln: record({
    timeConstantMinutes,
    mostUnits: figure(0, 1000, { example: 6 }),
    /** What it showed when silver wire melted in it. */
    silverShownCelsius: maybe(figure(-1000, 10_000, { example: 966 })),
    silverTestedOn: maybe(day({ example: '2026-11-20' })),
    ...ofProgramMachine,
  }),
  sinter: record({ timeConstantMinutes, mostUnits: figure(0, 1000, { example: 20 }), ...ofProgramMachine }),
  /** Places of the workshop that work has to wait for. */
  station: record({ what: choice(stations), places: figure(0, 1000, { example: 1 }), outOfOrder, source }),
  /** A tab or another sample of the lab, measured once: a target under its own name. */
  tab: record({ ...partsOf(labShape), source }),
})
/** Under the name that the lab calls it by. */
export type LabEquipment = Of<typeof equipmentShape> & { readonly name: string }
export type EquipmentKind = LabEquipment['kind']
export type EquipmentOf<K extends EquipmentKind> = Extract<LabEquipment, { readonly kind: K }>
export type BathCard = Omit<EquipmentOf<'bath'>, 'kind'>

/** Refuses more flasks than go into a bath. @throws {DomainError} `bath-full` */
export function checkFlasks({ name, mostFlasks }: BathCard, flasks: number): void {
  if (flasks > mostFlasks)
    throw new DomainError(
      'bath-full',
      `${name} takes ${mostFlasks} at most.`,
      'Leave some out, or take another.',
      'loads',
    )
}

/** Refuses more pieces than go into a furnace. @throws {DomainError} `furnace-full` */
export function checkPieces(
  { name, mostUnits }: Pick<EquipmentOf<'kiln' | 'sinter'>, 'mostUnits'> & { readonly name: string },
  pieces: number,
): void {
  if (pieces > mostUnits)
    throw new DomainError(
      'furnace-full',
      `${name} takes ${mostUnits} at most.`,
      'Leave some out, or take another.',
      'loads',
    )
}

const checks: { readonly [K in EquipmentKind]: (equipment: EquipmentOf<K>) => void } = {
  ring: checkRingCard,
  arm: checkArmCard,
  furnace: ({ timeConstantMinutes: minutes, mostRings }) => {
    requireMeasure('timeConstantMinutes', minutes, 600)
    requireMeasure('mostRings', mostRings, 60)
  },
  bath: ({ timeConstantMinutes: minutes, mostFlasks }) => {
    requireMeasure('timeConstantMinutes', minutes, 1440)
    requireMeasure('mostFlasks', mostFlasks, 60)
  },
  flask: checkFlaskWater,
  wheel: checkWheel,
  kiln: ({ timeConstantMinutes: minutes, mostUnits, silverShownCelsius }) => {
    requireMeasure('timeConstantMinutes', minutes, 600)
    requireMeasure('mostUnits', mostUnits, 60)
    if (silverShownCelsius !== undefined) silverOffset(silverShownCelsius)
  },
  sinter: ({ timeConstantMinutes: minutes, mostUnits }) => {
    requireMeasure('timeConstantMinutes', minutes, 1440)
    requireMeasure('mostUnits', mostUnits, 200)
  },
  station: ({ what, places }) => {
    requireMeasure('places', places, 200)
    if (!Number.isInteger(places))
      throw new DomainError(
        'equipment',
        `${stationNames[what]}: ${places} places cannot be.`,
        'Enter a whole number.',
        'places',
      )
  },
  tab: (colour) => checkLab(colour, 'L'),
}

/** Refuses a spell that ends before it begins. @throws {DomainError} `spell` */
export function checkSpells(spells: readonly Spell[], field: string): void {
  for (const { from, until } of spells)
    if (!(Date.parse(from) < Date.parse(until)))
      throw new DomainError(
        'spell',
        'It is over before it begins.',
        'Enter an end that comes after the beginning.',
        field,
      )
}

/** Refuses equipment whose measures make no sense. @throws {DomainError} `equipment`, `ring`, `reading-not-plausible`, `name-missing` */
export function checkEquipment(equipment: LabEquipment): void {
  if (equipment.name.trim() === '')
    throw new DomainError('name-missing', 'It has no name.', 'Give it the name the lab calls it by.', 'name')
  if ('outOfOrder' in equipment) checkSpells(equipment.outOfOrder ?? [], 'outOfOrder')
  const check = checks[equipment.kind] as (equipment: LabEquipment) => void
  check(equipment)
}

/** How much goes into a machine at once, or how many of a place there are; undefined: nothing lies in it. */
export function placesIn(equipment: LabEquipment): number | undefined {
  switch (equipment.kind) {
    case 'station':
      return equipment.places
    case 'furnace':
      return equipment.mostRings
    case 'bath':
      return equipment.mostFlasks
    case 'kiln':
    case 'sinter':
      return equipment.mostUnits
    default:
      return undefined
  }
}
