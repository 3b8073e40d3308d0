import { joined, qty, type Saying, saying, toDegrees, toRadians } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { choice, figure, type Of, record } from '../shape/index.ts'
import { dot, unit, type Vector } from './vector.ts'

/** The cast on the table: x is the patient's left on an upper, the right on a lower. */
export const surveyArchShape = choice(['upper', 'lower'])
export type SurveyArch = Of<typeof surveyArchShape>

/** How the table stands, as seen from the front and from the side. */
export const tableTiltShape = record({
  /** Above 0 the side of x is raised. */
  lateralDegrees: figure(-1e4, 1e4, { example: 5 }),
  /** Above 0 the front is raised (posterior tilt), below 0 lowered (anterior tilt). */
  anteroposteriorDegrees: figure(-1e4, 1e4, { example: -3 }),
})
export type TableTilt = Of<typeof tableTiltShape>
export const LEVEL: TableTilt = { lateralDegrees: 0, anteroposteriorDegrees: 0 }

/** More than this and the cast slides off the table: it is the cast that should be turned. */
export const MOST_TILT_DEGREES = 45

/**
 * The way an appliance comes off, d = (tan λ, tan α, 1)/|..|, in the cast frame.
 * @throws {DomainError} `not-a-number`, `tilt-out-of-range` above 45° in all
 * Source: geometry (exact): the angles seen from the front and from the side, in no order of turning.
 */
export function pathOf({ lateralDegrees, anteroposteriorDegrees }: TableTilt): Vector {
  for (const [field, value] of Object.entries({ lateralDegrees, anteroposteriorDegrees }))
    if (!Number.isFinite(value))
      throw new DomainError('not-a-number', 'The tilt is not a number.', 'Enter it in degrees.', field)
  const outside = (value: number) => !(Math.abs(value) <= MOST_TILT_DEGREES)
  const path = unit([Math.tan(toRadians(lateralDegrees)), Math.tan(toRadians(anteroposteriorDegrees)), 1])
  const total = toDegrees(Math.acos(Math.min(1, path[2])))
  if (outside(lateralDegrees) || outside(anteroposteriorDegrees) || outside(total))
    throw new DomainError(
      'tilt-out-of-range',
      'No table tilts so far.',
      saying`Turn the cast, not the tilt: at most ${qty.degrees(MOST_TILT_DEGREES, 0)} in all.`,
      outside(anteroposteriorDegrees) ? 'anteroposteriorDegrees' : 'lateralDegrees',
    )
  return path
}

/** The two angles of a path, and how far it leans in all. */
export function tiltOf(path: Vector): TableTilt & { readonly totalDegrees: number } {
  const [x, y, z] = path
  return {
    lateralDegrees: toDegrees(Math.atan2(x, z)),
    anteroposteriorDegrees: toDegrees(Math.atan2(y, z)),
    totalDegrees: toDegrees(Math.acos(Math.min(1, z / Math.hypot(x, y, z)))),
  }
}

/** A corner of the base, mm from the middle of the cast frame, as it lies on the table. */
export const baseCornerShape = record({
  x: figure(-1e4, 1e4, { example: -30 }),
  y: figure(-1e4, 1e4, { example: 0 }),
})
export type BaseCorner = Of<typeof baseCornerShape>

/** The corners of a base under a cast when nobody says: narrower in front by an eighth to each side, as a base is trimmed (choice). */
export function usualCorners([left, back]: Vector, [right, front]: Vector): BaseCorner[] {
  const inwards = (right - left) / 8
  return [
    { x: left, y: back },
    { x: right, y: back },
    { x: right - inwards, y: front },
    { x: left + inwards, y: front },
  ]
}

/** A corner with how far it is raised over the lowest, mm. */
export interface BaseLift extends BaseCorner {
  readonly name: string
  readonly liftMillimetres: number
}

/**
 * How far each corner of the base is raised over the lowest one: lift = p·d - min p·d.
 * @param corners three to eight, mm; their names follow from where they lie
 * @throws {DomainError} as `pathOf`; `too-few-places`
 * Source: geometry (exact).
 */
export function baseLifts(arch: SurveyArch, tilt: TableTilt, corners: readonly BaseCorner[]): BaseLift[] {
  if (corners.length < 3)
    throw new DomainError(
      'too-few-places',
      'A base has three corners or more.',
      'Enter every corner.',
      'corners',
    )
  const path = pathOf(tilt)
  const heights = corners.map(({ x, y }) => dot([x, y, 0], path))
  const lowest = Math.min(...heights)
  const middle = corners.reduce((sum, { y }) => sum + y, 0) / corners.length
  return corners.map(({ x, y }, n) => ({
    x,
    y,
    name: `${sideOf(arch, x)} ${y > middle ? 'front' : 'back'}`,
    liftMillimetres: heights[n]! - lowest,
  }))
}

/** Left or right of the patient. */
export function sideOf(arch: SurveyArch, x: number): 'left' | 'right' {
  return x > 0 === (arch === 'upper') ? 'left' : 'right'
}

/** What a step of the table does: less cannot be set by hand (choice). */
const LEAST_ANGLE_DEGREES = 0.05

/** What the hand does to a level table. */
export function handWords(arch: SurveyArch, tilt: TableTilt, lifts: readonly BaseLift[]): Saying {
  const raised = lifts
    .filter(({ liftMillimetres }) => liftMillimetres >= 0.05)
    .sort((a, b) => b.liftMillimetres - a.liftMillimetres)
  if (raised.length === 0) return 'Leave the table level.'
  const corners = joined(
    raised.map(({ name, liftMillimetres }) => saying`${name} ${qty.mm(liftMillimetres, 1)}`),
  )
  return saying`Raise ${corners}, with wedges or the ball joint: ${joined(tiltWords(arch, tilt))}.`
}

/** Each angle that is not level, in words. */
export function tiltWords(
  arch: SurveyArch,
  { lateralDegrees, anteroposteriorDegrees }: TableTilt,
): readonly Saying[] {
  const words: Saying[] = []
  if (Math.abs(anteroposteriorDegrees) >= LEAST_ANGLE_DEGREES)
    words.push(
      saying`front ${anteroposteriorDegrees > 0 ? 'up' : 'down'} ${qty.degrees(Math.abs(anteroposteriorDegrees), 1)}`,
    )
  if (Math.abs(lateralDegrees) >= LEAST_ANGLE_DEGREES)
    words.push(saying`${sideOf(arch, lateralDegrees)} side up ${qty.degrees(Math.abs(lateralDegrees), 1)}`)
  return words.length === 0 ? ['level'] : words
}
