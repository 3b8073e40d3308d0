import type { Source } from '../materials/index.ts'
import { millimetresFromInches, qty, saying, toRadians } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { figure, type Of, record, sidesOf } from '../shape/index.ts'
import type { SpacePoint } from './space.ts'

/** Sides of the patient. */
const angle = figure(-360, 360, { example: 33 })
const anglesShape = sidesOf(angle)
type OfSides = Of<typeof anglesShape>

/** An articulator as its settings make it. Lengths mm, angles degrees. */
export const articulatorShape = record({
  intercondylarMillimetres: figure(-1000, 1000, { example: 110 }),
  /** Slope of the condylar guides, seen from the side, 0 to 75. */
  condylarDegrees: anglesShape,
  /** Of the medial wall against straight forwards, seen from above, 0 to 45. */
  bennettDegrees: anglesShape,
  /** Sideways play before the slope begins, 0 to 3. */
  immediateSideShiftMillimetres: figure(-100, 100, { example: 0 }),
  /** Slope of the incisal table, 0 to 75. */
  incisalDegrees: angle,
  /** Wings of the table, in cross-section, 0 to 60. */
  wingDegrees: anglesShape,
  /** Tip of the pin when closed at zero; on the midline, in front of the axis. */
  pinTip: record({
    x: figure(-1000, 1000, { example: 100, description: 'In front of the hinge axis' }),
    z: figure(-1000, 1000, { example: -50, description: 'Above the hinge axis' }),
  }),
})
export type Articulator = Of<typeof articulatorShape>

/** An articulator of a kind, with where its figures come from. */
interface ArticulatorCard {
  readonly id: string
  readonly name: string
  readonly articulator: Articulator
  readonly takesFacebow: boolean
  readonly source: Source
}

const both = (value: number): OfSides => ({ right: value, left: value })
/** 4 in, the side of the condylar triangle. Source: Bonwill 1885, recalled. */
export const BONWILL_MILLIMETRES = millimetresFromInches(4)

/** Generic kinds; a lab enters the figures of its own. */
export const articulatorCards: readonly ArticulatorCard[] = [
  {
    id: 'average-value',
    name: 'Average-value, fixed guides',
    articulator: {
      intercondylarMillimetres: 110,
      condylarDegrees: both(33),
      bennettDegrees: both(15),
      immediateSideShiftMillimetres: 0,
      incisalDegrees: 10,
      wingDegrees: both(0),
      pinTip: { x: 100, z: -50 },
    },
    takesFacebow: true,
    source: 'prosthodontic textbooks, recalled: condylar about 33°, Bennett about 15°; sizes common practice',
  },
  {
    id: 'hinge',
    name: 'Plain hinge',
    articulator: {
      intercondylarMillimetres: 80,
      condylarDegrees: both(0),
      bennettDegrees: both(0),
      immediateSideShiftMillimetres: 0,
      incisalDegrees: 0,
      wingDegrees: both(0),
      pinTip: { x: 90, z: -45 },
    },
    takesFacebow: false,
    source: 'common practice: opens and closes only, no guides',
  },
]

/**
 * Refuses settings that no articulator has.
 * @throws {DomainError} `not-a-number`, `intercondylar`, `guide-angle`, `side-shift`, `pin-behind-axis`
 */
export function checkArticulator(articulator: Articulator): void {
  const { intercondylarMillimetres: c, condylarDegrees, bennettDegrees, wingDegrees, pinTip } = articulator
  const settings: readonly (readonly [string, number])[] = [
    ['intercondylarMillimetres', c],
    ...Object.entries({ condylarDegrees, bennettDegrees, wingDegrees }).flatMap(([name, { right, left }]) => [
      [`${name}.right`, right] as const,
      [`${name}.left`, left] as const,
    ]),
    ['immediateSideShiftMillimetres', articulator.immediateSideShiftMillimetres],
    ['incisalDegrees', articulator.incisalDegrees],
    ['pinTip.x', pinTip.x],
    ['pinTip.z', pinTip.z],
  ]
  const [field] = settings.find(([, value]) => !Number.isFinite(value)) ?? []
  if (field)
    throw new DomainError(
      'not-a-number',
      `A setting of the articulator is not a number: ${field}.`,
      'Read it off again.',
      field,
    )
  if (!(c > 0))
    throw new DomainError(
      'intercondylar',
      saying`The condyles are ${qty.mm(c)} apart.`,
      'Enter the distance between them, above 0 mm.',
      'intercondylarMillimetres',
    )
  guideWithin(condylarDegrees, 75, 'condylarDegrees', 'The condylar guide')
  guideWithin(bennettDegrees, 45, 'bennettDegrees', 'The Bennett angle')
  guideWithin(wingDegrees, 60, 'wingDegrees', 'The wing of the table')
  guideWithin(both(articulator.incisalDegrees), 75, 'incisalDegrees', 'The incisal table')
  const shift = articulator.immediateSideShiftMillimetres
  if (!(shift >= 0 && shift <= 3))
    throw new DomainError(
      'side-shift',
      saying`A side shift of ${qty.mm(shift)} cannot be set.`,
      'Enter 0 to 3 mm.',
      'immediateSideShiftMillimetres',
    )
  const iota = toRadians(articulator.incisalDegrees)
  if (!(pinTip.x > 0 && pinTip.x * Math.cos(iota) - pinTip.z * Math.sin(iota) > 0))
    throw new DomainError(
      'pin-behind-axis',
      saying`The tip of the pin lies ${qty.mm(pinTip.x)} in front of the axis.`,
      'Measure the pin again: it stands in front of the axis, on its table.',
      'pinTip',
    )
}

function guideWithin({ right, left }: OfSides, most: number, field: string, what: string): void {
  for (const angle of [right, left])
    if (!(angle >= 0 && angle <= most))
      throw new DomainError(
        'guide-angle',
        saying`${what} is ${qty.degrees(angle)}.`,
        saying`Enter 0 to ${qty.degrees(most)}.`,
        field,
      )
}

/**
 * The incisal point from the condylar triangle: altitude ρ = √(b² - c²/4), and the Balkwill angle K between the
 * triangle and the occlusal plane: (ρ cos K, 0, -ρ sin K).
 *
 * @param sideMillimetres condyle to incisal point; equilateral when it equals the intercondylar distance
 * @param balkwillDegrees 0 to 60, usually about 26 with 101.6 mm (recalled)
 * @throws {DomainError} `triangle`, `guide-angle`
 * @example incisalPoint({ intercondylarMillimetres: 110, sideMillimetres: 110, balkwillDegrees: 24 }).x // 87.027
 * Source: Bonwill 1885, Balkwill 1866, recalled; the geometry is exact.
 */
export function incisalPoint(triangle: {
  readonly intercondylarMillimetres: number
  readonly sideMillimetres: number
  readonly balkwillDegrees: number
}): SpacePoint {
  const { intercondylarMillimetres: c, sideMillimetres: b, balkwillDegrees } = triangle
  if (!(c > 0 && b > c / 2))
    throw new DomainError(
      'triangle',
      saying`Sides of ${qty.mm(b)} do not reach over ${qty.mm(c)}.`,
      'Measure from the condyle to the incisal edge again.',
      'sideMillimetres',
    )
  guideWithin(both(balkwillDegrees), 60, 'balkwillDegrees', 'The Balkwill angle')
  const rho = Math.sqrt(b * b - (c * c) / 4)
  const k = toRadians(balkwillDegrees)
  return { x: rho * Math.cos(k), y: 0, z: -rho * Math.sin(k) }
}
