import { millimetresFromInches, qty, saying, toDegrees } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { figure, type Of, record } from '../shape/index.ts'
import { type Point, pointShape } from './plane-geometry.ts'
import type { TrimPlan } from './trim-plan.ts'

/** Total height of the pair, 2 3/4 in (common practice); the occlusal plane in the middle of it. */
export const TOTAL_HEIGHT = millimetresFromInches(2.75)
/** Stone to trim flat after a rebase, mm (choice). */
const REBASE_ALLOWANCE = 2
/** How far the occlusal plane may lie off the middle, mm (choice: "near the middle", common practice). */
export const PLANE_OFF_MIDDLE = 3
/** Least stone over the deepest anatomy, mm (choice). */
const LEAST_OVER_VAULT = 6

/** The height gauge on the present base while the model stands on its teeth. */
export const heightReadingShape = record({
  at: pointShape,
  heightMillimetres: figure(-500, 500, { example: 38 }),
})
type HeightReading = Of<typeof heightReadingShape>

export interface HeightPlan {
  /** Present base to the occlusal plane. A finished base may have 0-5° (common practice). */
  readonly tiltDegrees: number
  readonly corners: readonly {
    readonly name: string
    readonly at: Point
    readonly presentMillimetres: number
    readonly removeMillimetres: number
  }[]
  readonly leastMillimetres: number
  readonly shortMillimetres: number
  /** 0: none is needed. */
  readonly rebaseMillimetres: number
  /** Stone that stays over the deepest anatomy, where its depth was given. */
  readonly overVaultMillimetres?: number
  readonly thinOverVault: boolean
}

/**
 * What to take off the base at each corner, from three or more height readings through which the least-squares plane
 * D = g0 + gx x + gy y is laid (three: exact).
 *
 * @param readings with their places in the frame of the landmarks
 * @param deepestMillimetres of palate or sulcus floor from the occlusal plane
 * @throws {DomainError} `too-few-points`, `not-a-number`, `negative-length`, `heights-on-one-line`
 */
export function planHeights(
  plan: TrimPlan,
  readings: readonly HeightReading[],
  deepestMillimetres?: number,
  targetMillimetres = TOTAL_HEIGHT / 2,
): HeightPlan {
  checkReadings(readings)
  const plane = heightPlane(readings.map((r) => ({ at: plan.framed.toModel(r.at), d: r.heightMillimetres })))
  const corners = baseCorners(plan).map(({ name, at }) => {
    const presentMillimetres = plane.g0 + plane.gx * at.x + plane.gy * at.y
    return { name, at, presentMillimetres, removeMillimetres: presentMillimetres - targetMillimetres }
  })
  const least = Math.min(...corners.map((c) => c.presentMillimetres))
  const short = Math.max(0, targetMillimetres - least)
  const over = deepestMillimetres === undefined ? undefined : targetMillimetres - deepestMillimetres
  return {
    tiltDegrees: tiltOf(plane),
    corners,
    leastMillimetres: least,
    shortMillimetres: short,
    rebaseMillimetres: short > 0 ? short + REBASE_ALLOWANCE : 0,
    ...(over === undefined ? {} : { overVaultMillimetres: over }),
    thinOverVault: over !== undefined && over < LEAST_OVER_VAULT,
  }
}

function checkReadings(readings: readonly HeightReading[]): void {
  if (readings.length < 3)
    throw new DomainError(
      'too-few-points',
      'The height was read at too few places.',
      'Read it at 3 places or more.',
      'heights',
    )
  for (const { at, heightMillimetres } of readings) {
    if (![at.x, at.y, heightMillimetres].every(Number.isFinite))
      throw new DomainError('not-a-number', 'A height reading is not a number.', 'Read it again.', 'heights')
    if (heightMillimetres <= 0)
      throw new DomainError(
        'negative-length',
        saying`A height is ${qty.mm(heightMillimetres)}.`,
        'Enter heights above 0.',
        'heights',
      )
  }
}

const tiltOf = ({ gx, gy }: { readonly gx: number; readonly gy: number }) =>
  toDegrees(Math.atan(Math.hypot(gx, gy)))

/**
 * A base to the occlusal plane, from three or more heights of a model that stands on its teeth.
 * @throws {DomainError} `too-few-points`, `not-a-number`, `negative-length`, `heights-on-one-line`
 * @example heights of 38, 36 and 34 at (0, 44), (-24, 6) and (24, 6) // 5.10°
 */
export function baseTiltDegrees(readings: readonly HeightReading[]): number {
  checkReadings(readings)
  return tiltOf(heightPlane(readings.map(({ at, heightMillimetres }) => ({ at, d: heightMillimetres }))))
}

/**
 * Instead of a rebase: the occlusal plane off the middle by e, upwards positive, within 3 mm, the nearest to 0.
 * @param upperLeast and
 * @param lowerLeast the least present heights of both models, mm
 * @returns undefined when no such place exists
 */
export function planeOffMiddle(upperLeast: number, lowerLeast: number): number | undefined {
  const from = Math.max(TOTAL_HEIGHT / 2 - lowerLeast, -PLANE_OFF_MIDDLE)
  const to = Math.min(upperLeast - TOTAL_HEIGHT / 2, PLANE_OFF_MIDDLE)
  if (from > to) return undefined
  return Math.min(Math.max(0, from), to)
}

function baseCorners(plan: TrimPlan): { name: string; at: Point }[] {
  const { heel, corner, apex } = plan
  const right = (p: Point): Point => ({ x: -p.x, y: p.y })
  return [
    { name: 'left heel at the back', at: heel.atBack },
    { name: 'left heel at the side', at: heel.atSide },
    { name: 'left canine corner', at: corner },
    { name: 'front', at: apex },
    { name: 'right canine corner', at: right(corner) },
    { name: 'right heel at the side', at: right(heel.atSide) },
    { name: 'right heel at the back', at: right(heel.atBack) },
  ]
}

/** The least-squares plane through readings, from its normal equations about their mean. */
function heightPlane(readings: readonly { at: Point; d: number }[]): { g0: number; gx: number; gy: number } {
  const n = readings.length
  const mx = readings.reduce((s, r) => s + r.at.x, 0) / n
  const my = readings.reduce((s, r) => s + r.at.y, 0) / n
  const md = readings.reduce((s, r) => s + r.d, 0) / n
  let [sxx, sxy, syy, sxd, syd] = [0, 0, 0, 0, 0]
  for (const { at, d } of readings) {
    const [x, y, z] = [at.x - mx, at.y - my, d - md]
    sxx += x * x
    sxy += x * y
    syy += y * y
    sxd += x * z
    syd += y * z
  }
  const det = sxx * syy - sxy * sxy
  if (!(det > 1e-9 * (sxx + syy) ** 2))
    throw new DomainError(
      'heights-on-one-line',
      'The height readings lie on one line.',
      'Read the height at three corners of the base.',
      'heights',
    )
  const gx = (sxd * syy - syd * sxy) / det
  const gy = (syd * sxx - sxd * sxy) / det
  return { g0: md - gx * mx - gy * my, gx, gy }
}
