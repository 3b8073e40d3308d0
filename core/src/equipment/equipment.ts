import { type ArmCard, checkArmCard, checkRingCard, type RingCard } from '../casting/index.ts'
import type { Source } from '../materials/index.ts'
import { checkFlaskWater, type FlaskWater } from '../mixing/index.ts'
import { DomainError, requireMeasure } from '../refusal/index.ts'

/** A heated machine of the lab: how fast it loses its heat, and what goes in at once. */
interface HeatedCard {
  readonly name: string
  /** In which it loses 63 % of its heat when it is off. */
  readonly timeConstantMinutes: number
  readonly source: Source
}
/** A burnout furnace of the lab. */
export interface FurnaceCard extends HeatedCard {
  readonly mostRings: number
}
/** A curing bath of the lab. */
export interface BathCard extends HeatedCard {
  readonly mostFlasks: number
}

/** A flask of the lab, measured once with water. */
export interface FlaskCard extends FlaskWater {
  readonly name: string
  readonly source: Source
}

/** What stands in the lab, as it was measured there. */
export type LabEquipment =
  | ({ readonly kind: 'ring' } & RingCard)
  | ({ readonly kind: 'arm' } & ArmCard)
  | ({ readonly kind: 'furnace' } & FurnaceCard)
  | ({ readonly kind: 'bath' } & BathCard)
  | ({ readonly kind: 'flask' } & FlaskCard)
export type EquipmentKind = LabEquipment['kind']

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

/** Refuses equipment whose measures make no sense. @throws {DomainError} `equipment`, `ring`, `reading-not-plausible`, `name-missing` */
export function checkEquipment(equipment: LabEquipment): void {
  if (equipment.name.trim() === '')
    throw new DomainError('name-missing', 'It has no name.', 'Give it the name the lab calls it by.', 'name')
  switch (equipment.kind) {
    case 'ring':
      checkRingCard(equipment)
      break
    case 'arm':
      checkArmCard(equipment)
      break
    case 'furnace':
      requireMeasure('timeConstantMinutes', equipment.timeConstantMinutes, 600)
      requireMeasure('mostRings', equipment.mostRings, 60)
      break
    case 'bath':
      requireMeasure('timeConstantMinutes', equipment.timeConstantMinutes, 1440)
      requireMeasure('mostFlasks', equipment.mostFlasks, 60)
      break
    case 'flask':
      checkFlaskWater(equipment)
  }
}
