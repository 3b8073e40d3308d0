import { USUAL_ROOM_CELSIUS } from '../heat/index.ts'
import { COMMON_PRACTICE, type Source } from '../materials/index.ts'
import { DomainError } from '../refusal/index.ts'

export type DoughStageName = 'sandy' | 'stringy' | 'dough' | 'rubbery' | 'stiff'
interface DoughStage {
  readonly name: DoughStageName
  /** From the moment the parts met. */
  readonly fromMinutes: number
  /** Left out: it stays so. */
  readonly toMinutes?: number
}

/** Ends of the stages at 23 °C, min (common practice; the pack wins). */
const ends: readonly (readonly [DoughStageName, number])[] = [
  ['sandy', 2],
  ['stringy', 6],
  ['dough', 15],
  ['rubbery', 22],
]
/** Colder by so much it takes twice as long (rule of thumb, our assumption). */
const TWICE_AS_LONG_CELSIUS = 10

export const DOUGH_SOURCE: Source = `${COMMON_PRACTICE} at ${USUAL_ROOM_CELSIUS} °C; twice as long for 10 °C colder is our assumption; the pack wins`

/** Whether a material is left to ripen into a dough, by the warmth of its room. */
export const ripensByRoom = (materialId: string): boolean => materialId === 'heat-cure-acrylic'

/** A room in which a jar may stand, °C (choice). */
export const JAR_CELSIUS = { min: 5, max: 40 } as const

/**
 * The stages of a heat-cure dough over time, by the temperature of the jar.
 * @throws {DomainError} `temperature`: not between 5 and 40 °C
 * @example at 23 °C it may be packed from minute 6 to 15
 */
export function doughStages(celsius: number): readonly DoughStage[] {
  if (!(celsius >= JAR_CELSIUS.min && celsius <= JAR_CELSIUS.max))
    throw new DomainError(
      'temperature',
      `A jar at ${celsius} °C is no place for a dough.`,
      'Enter the temperature of the room: 5 to 40 °C.',
      'celsius',
    )
  const slower = 2 ** ((USUAL_ROOM_CELSIUS - celsius) / TWICE_AS_LONG_CELSIUS)
  let fromMinutes = 0
  const stages = ends.map(([name, end]): DoughStage => {
    const stage = { name, fromMinutes, toMinutes: end * slower }
    fromMinutes = stage.toMinutes
    return stage
  })
  return [...stages, { name: 'stiff', fromMinutes }]
}

/** The stage of a dough after so many minutes. @throws {DomainError} as `doughStages` */
export function doughStageAt(minutes: number, celsius: number): DoughStage {
  const stages = doughStages(celsius)
  return stages.find(({ toMinutes }) => toMinutes === undefined || minutes < toMinutes) ?? stages.at(-1)!
}
