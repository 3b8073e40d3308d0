import type { Source } from '../materials/index.ts'
import { DomainError } from '../refusal/index.ts'
import { type ArmRadii, speedRatio } from './centrifugal-arm.ts'
import { checkRingCard, type RingCard } from './ring-choice.ts'

/** A spring arm of the lab, as it was measured. */
export interface ArmCard {
  readonly name: string
  /** From the axis to the metal, and to the end of the mould. */
  readonly innerMillimetres: number
  readonly outerMillimetres: number
  /** One speed that was measured, by film or tachometer, at so many turns. */
  readonly measuredRpm: number
  readonly measuredTurns: number
  readonly source: Source
}
/** A burnout furnace of the lab. */
export interface FurnaceCard {
  readonly name: string
  /** In which it loses 63 % of its heat when it is off. */
  readonly timeConstantMinutes: number
  readonly mostRings: number
  readonly source: Source
}

/** What the lab casts with. */
export type CastingEquipment =
  | ({ readonly kind: 'ring' } & RingCard)
  | ({ readonly kind: 'arm' } & ArmCard)
  | ({ readonly kind: 'furnace' } & FurnaceCard)
export type EquipmentKind = CastingEquipment['kind']

/** Refuses equipment whose measures make no sense. @throws {DomainError} `equipment`, `ring`, `name-missing` */
export function checkEquipment(equipment: CastingEquipment): void {
  if (equipment.name.trim() === '')
    throw new DomainError('name-missing', 'It has no name.', 'Give it the name the lab calls it by.', 'name')
  if (equipment.kind === 'ring') {
    checkRingCard(equipment)
    return
  }
  const within = (field: string, value: number, most: number) => {
    if (!(value > 0 && value <= most))
      throw new DomainError(
        'equipment',
        `${value} cannot be right here.`,
        `Enter a number above 0 and at most ${most}.`,
        field,
      )
  }
  if (equipment.kind === 'furnace') {
    within('timeConstantMinutes', equipment.timeConstantMinutes, 600)
    within('mostRings', equipment.mostRings, 60)
    return
  }
  within('innerMillimetres', equipment.innerMillimetres, 1000)
  within('outerMillimetres', equipment.outerMillimetres, 1000)
  within('measuredRpm', equipment.measuredRpm, 3000)
  within('measuredTurns', equipment.measuredTurns, 10)
  if (!(equipment.outerMillimetres > equipment.innerMillimetres))
    throw new DomainError(
      'equipment',
      'The end of the mould lies further out than the metal.',
      'Measure both from the axis of the arm.',
      'outerMillimetres',
    )
}

export const radiiOf = ({ innerMillimetres, outerMillimetres }: ArmCard): ArmRadii => ({
  innerMetres: innerMillimetres / 1000,
  outerMetres: outerMillimetres / 1000,
})

/** A preload so large that the speed goes with the root of the turns. */
const LARGE_PRELOAD_TURNS = 1000

/**
 * Speed of an arm at other turns than it was measured at, rpm: the band from a spring without preload to one with a
 * large one, since the preload is not known from the desk.
 * @throws {DomainError} `not-a-positive-number`
 */
export function armSpeed({ measuredRpm, measuredTurns }: ArmCard, turns: number): readonly [number, number] {
  const speeds = [0, LARGE_PRELOAD_TURNS].map(
    (preload) => measuredRpm * speedRatio(turns, measuredTurns, preload),
  )
  return [Math.min(...speeds), Math.max(...speeds)]
}
