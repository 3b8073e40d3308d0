import { toRadians } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { figure, maybe, type Of, record, three, two } from '../shape/index.ts'
import { type PerSide, sides } from './landmarks.ts'
import { distance, type Point } from './plane-geometry.ts'
import { heelRange } from './trim-choices.ts'
import { PLANE_OFF_MIDDLE, TOTAL_HEIGHT } from './trim-heights.ts'
import type { TrimPlan } from './trim-plan.ts'

/** One reading of the finished pair: what was read, what was wanted, whether it passes. */
export interface PairLine {
  readonly name: string
  readonly read: number
  readonly unit: '°' | 'mm'
  readonly min: number
  readonly max: number
  readonly pass: boolean
  readonly source: string
}

/** Calipers and protractor on a finished model, right then left. Angles are inside angles, degrees; lengths mm. */
const degrees = figure(-360, 360, { example: 90 })
const millimetres = figure(-500, 500, { example: 12.7 })
const finishedModelShape = record({
  backToMidlineDegrees: degrees,
  backToBaseDegrees: degrees,
  sideDegrees: two(degrees),
  /** Only the upper has front planes. */
  frontDegrees: maybe(two(degrees)),
  heelMillimetres: two(millimetres),
  /** At the back. */
  heelDegrees: two(degrees),
  /** From the midline straight out to the corners of the side, with calipers; none: not read. */
  canineCornerMillimetres: maybe(two(millimetres)),
  heelCornerMillimetres: maybe(two(millimetres)),
})
export type FinishedModel = Of<typeof finishedModelShape>
export const finishedPairShape = record({
  upper: finishedModelShape,
  lower: finishedModelShape,
  /** Standing in occlusion, at three places. */
  totalHeightsMillimetres: three(millimetres),
  planeFromMiddleMillimetres: millimetres,
  basesTiltDegrees: degrees,
  upperBaseToPlaneDegrees: degrees,
  backStepMillimetres: millimetres,
})
export type FinishedPair = Of<typeof finishedPairShape>
interface PlannedAngles {
  readonly sideDegrees: number
  readonly frontDegrees?: number
  /** 180° - β. */
  readonly heelDegrees: number
}

const CHOICE = 'tolerance our choice'
const PRACTICE = 'common practice'

/**
 * Every reading of a finished pair against its plan. Tolerances are our choice and stand beside each line; ranges are
 * common practice.
 * @throws {DomainError} `not-a-number` naming the reading
 */
export function checkFinishedPair(
  pair: FinishedPair,
  upperPlan: PlannedAngles,
  lowerPlan: PlannedAngles,
): PairLine[] {
  const lines: PairLine[] = []
  const line = (name: string, read: number, unit: '°' | 'mm', min: number, max: number, source = CHOICE) => {
    if (!Number.isFinite(read))
      throw new DomainError('not-a-number', `"${name}" is not a number.`, 'Read it again.', name)
    // A reading at the limit passes; the binary tail of a decimal must not fail it.
    lines.push({ name, read, unit, min, max, pass: read >= min - 1e-9 && read <= max + 1e-9, source })
  }
  for (const [arch, model, plan] of [
    ['Upper', pair.upper, upperPlan],
    ['Lower', pair.lower, lowerPlan],
  ] as const) {
    line(`${arch}: back to midline`, model.backToMidlineDegrees, '°', 89, 91)
    line(`${arch}: back to base`, model.backToBaseDegrees, '°', 89.5, 90.5)
    pairOf(`${arch}: side`, model.sideDegrees, plan.sideDegrees)
    if (model.frontDegrees && plan.frontDegrees !== undefined)
      pairOf(`${arch}: front`, model.frontDegrees, plan.frontDegrees)
    const [right, left] = model.heelMillimetres
    line(`${arch}: right heel`, right, 'mm', heelRange.min, heelRange.max, PRACTICE)
    line(`${arch}: left heel`, left, 'mm', heelRange.min, heelRange.max, PRACTICE)
    line(`${arch}: heels differ by`, Math.abs(right - left), 'mm', 0, 0.8)
    for (const [side, angle] of [
      ['right', model.heelDegrees[0]],
      ['left', model.heelDegrees[1]],
    ] as const)
      line(`${arch}: ${side} heel at the back`, angle, '°', plan.heelDegrees - 2, plan.heelDegrees + 2)
    const unlike = caliperSymmetry(model)
    if (unlike !== undefined) line(`${arch}: symmetry, by calipers`, unlike, 'mm', 0, SYMMETRY_LIMIT)
  }
  for (const [index, side] of ['right', 'left'].entries())
    line(
      `Lower to upper heel, ${side}`,
      Math.abs(pair.lower.heelDegrees[index]! - pair.upper.heelDegrees[index]!),
      '°',
      0,
      2,
    )
  const heights = pair.totalHeightsMillimetres
  line(
    'Mean total height',
    heights.reduce((s, x) => s + x, 0) / 3,
    'mm',
    TOTAL_HEIGHT - 1,
    TOTAL_HEIGHT + 1,
    `2 3/4 in, ${PRACTICE}; ${CHOICE}`,
  )
  line('Occlusal plane from the middle', Math.abs(pair.planeFromMiddleMillimetres), 'mm', 0, PLANE_OFF_MIDDLE)
  line('Bases parallel within', Math.abs(pair.basesTiltDegrees), '°', 0, 1)
  line('Upper base to occlusal plane', pair.upperBaseToPlaneDegrees, '°', 0, 5, PRACTICE)
  line('Backs flush within', Math.abs(pair.backStepMillimetres), 'mm', 0, 0.5)
  return lines

  function pairOf(name: string, [right, left]: readonly [number, number], planned: number): void {
    line(`${name} right`, right, '°', planned - 2, planned + 2)
    line(`${name} left`, left, '°', planned - 2, planned + 2)
    line(`${name}s differ by`, Math.abs(right - left), '°', 0, 1)
  }
}

/** Corners of a finished base in the model frame, right and left by pairs, and the apex on the midline. */
interface BaseCorners {
  readonly pairs: readonly { readonly right: Point; readonly left: Point }[]
  readonly apex?: Point
}
/** Largest distance allowed, mm (choice). */
const SYMMETRY_LIMIT = 1

/**
 * Symmetry of a base: every right corner mirrored in the midline against its left one; the apex counts 2|x|.
 * @returns the largest distance and the root mean square, mm
 */
export function symmetryFigure({ pairs, apex }: BaseCorners): {
  readonly largest: number
  readonly rootMeanSquare: number
} {
  const off = [
    ...pairs.map(({ right, left }) => distance({ x: -right.x, y: right.y }, left)),
    ...(apex ? [2 * Math.abs(apex.x)] : []),
  ]
  if (off.length === 0) return { largest: 0, rootMeanSquare: 0 }
  return {
    largest: Math.max(...off),
    rootMeanSquare: Math.sqrt(off.reduce((s, d) => s + d * d, 0) / off.length),
  }
}

/** With calipers only: the largest difference of right and left over the paired lengths; undefined without any. */
export function caliperSymmetry({
  canineCornerMillimetres: canine,
  heelCornerMillimetres: heel,
}: FinishedModel): number | undefined {
  const off = [canine, heel].flatMap((pair) => (pair ? [Math.abs(pair[0] - pair[1])] : []))
  return off.length > 0 ? Math.max(...off) : undefined
}

/**
 * What to touch again on the two sides of a finished model, from the caliper distances of their corners. A corner that
 * lies d too far from the midline stands d cos τ out of the planned side line.
 * @returns undefined while the corners have not been read
 */
export function sideTouchUps(model: FinishedModel, plan: TrimPlan): PerSide<TouchUp> | undefined {
  const { canineCornerMillimetres: canine, heelCornerMillimetres: heel } = model
  if (!canine || !heel) return undefined
  const across = Math.cos(toRadians(plan.tauDegrees))
  const slack = [plan.slackMillimetres.right, plan.slackMillimetres.left] as const
  const [right, left] = sides.map((_, side) =>
    touchUp([(heel[side]! - plan.heel.atSide.x) * across, (canine[side]! - plan.corner.x) * across], slack),
  )
  return { right: right!, left: left! }
}

/** What to take off a cut at its two measured ends, or why it has to stay. */
export type TouchUp =
  | { readonly action: 'take'; readonly millimetres: readonly [number, number] }
  | { readonly action: 'moveBoth'; readonly millimetres: number }
  | { readonly action: 'leave'; readonly overcutMillimetres: number }

/**
 * Touching a cut again without breaking another: both ends proud, take off what is proud; one overcut, the cut and its
 * mirror may move in by that much only if the slack of both sides allows it.
 *
 * @param excess how far each end stands out of the planned line, mm; negative is overcut
 * @param slack stone outside the vestibule, right and left, mm
 */
export function touchUp(excess: readonly [number, number], slack: readonly [number, number]): TouchUp {
  const overcut = -Math.min(...excess)
  if (overcut <= 0) return { action: 'take', millimetres: excess }
  return overcut <= Math.min(...slack)
    ? { action: 'moveBoth', millimetres: overcut }
    : { action: 'leave', overcutMillimetres: overcut }
}
