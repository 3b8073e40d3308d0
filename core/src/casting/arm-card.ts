import { DomainError, requireMeasure } from '../refusal/index.ts'
import { figure, type Of, record, text } from '../shape/index.ts'
import { type ArmRadii, speedRatio } from './centrifugal-arm.ts'

/** A spring arm of the lab, as it was measured. */
export const armMeasures = {
  /** From the axis to the metal, and to the end of the mould. */
  innerMillimetres: figure(0, 10_000, { example: 220 }),
  outerMillimetres: figure(0, 10_000, { example: 250 }),
  /** One speed that was measured, by film or tachometer, at so many turns. */
  measuredRpm: figure(0, 100_000, { example: 400 }),
  measuredTurns: figure(0, 1000, { example: 3 }),
  source: text(200, { example: 'measured here' }),
}
const armCardShape = record({ name: text(120), ...armMeasures })
export type ArmCard = Of<typeof armCardShape>
/** Refuses an arm whose measures make no sense. @throws {DomainError} `equipment` */
export function checkArmCard(arm: ArmCard): void {
  requireMeasure('innerMillimetres', arm.innerMillimetres, 1000)
  requireMeasure('outerMillimetres', arm.outerMillimetres, 1000)
  requireMeasure('measuredRpm', arm.measuredRpm, 3000)
  requireMeasure('measuredTurns', arm.measuredTurns, 10)
  if (!(arm.outerMillimetres > arm.innerMillimetres))
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

/**
 * Speed of an arm at other turns than it was measured at, rpm: the band from a spring without preload to the
 * limit of a large one, since the preload is not known from the desk.
 * @throws {DomainError} `not-a-positive-number`
 */
export function armSpeed({ measuredRpm, measuredTurns }: ArmCard, turns: number): readonly [number, number] {
  const speeds = [0, Number.POSITIVE_INFINITY].map(
    (preload) => measuredRpm * speedRatio(turns, measuredTurns, preload),
  )
  return [Math.min(...speeds), Math.max(...speeds)]
}
