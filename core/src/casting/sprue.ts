import type { Binder } from '../materials/index.ts'
import { gaugeMillimetres } from '../materials/index.ts'
import { qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'

/** A feeder must freeze last: its modulus against that of what it feeds. Source: foundry rule after Chvorinov 1940, recalled. */
export const FEED_RATIO = 1.2

/** Wax wire that is usual for a sprue, by its gauge: a higher number is thinner (common practice; ASTM B258). */
export const USUAL_SPRUE_GAUGES = { thickest: 10, thinnest: 14 } as const

/** Volume by cooled surface, mm. */
const moduli = {
  /** A long rod of a diameter. */
  rod: (millimetres: number) => millimetres / 4,
  /** A plate of a thickness. */
  plate: (millimetres: number) => millimetres / 2,
  ball: (millimetres: number) => millimetres / 6,
  cube: (millimetres: number) => millimetres / 6,
} as const

export interface FeedCheck {
  readonly sprueModulusMillimetres: number
  readonly sectionModulusMillimetres: number
  readonly ratio: number
  /** Freezing time of the sprue against the section: it goes with the square of the modulus. */
  readonly timeRatio: number
  readonly feeds: boolean
  /** What would: a ball reservoir near the pattern, or a sprue, at least so thick. */
  readonly reservoirMillimetres: number
  readonly sprueMillimetres: number
}

/**
 * Whether a round sprue freezes after the thickest section that it feeds.
 *
 * @param sprueMillimetres diameter
 * @param sectionMillimetres thickness of the thickest part, taken as a plate
 * @throws {DomainError} `not-a-positive-number`
 * @example feedCheck(2.5882, 1.5) // ratio 0.8627: freezes first; reservoir 5.40 mm, or a sprue of 3.60 mm
 * Source: modulus V/A, Chvorinov 1940, recalled; the mould taken equally hot all round.
 */
export function feedCheck(sprueMillimetres: number, sectionMillimetres: number): FeedCheck {
  const sprue = moduli.rod(requirePositive(sprueMillimetres, 'sprueMillimetres', 'The sprue'))
  const section = moduli.plate(
    requirePositive(sectionMillimetres, 'sectionMillimetres', 'The thickest section'),
  )
  const ratio = sprue / section
  return {
    sprueModulusMillimetres: sprue,
    sectionModulusMillimetres: section,
    ratio,
    timeRatio: ratio ** 2,
    feeds: ratio >= FEED_RATIO,
    reservoirMillimetres: 6 * FEED_RATIO * section,
    sprueMillimetres: 4 * FEED_RATIO * section,
  }
}

/**
 * The highest gauge number (the thinnest wire) that is still at least so thick.
 * @throws {DomainError} `not-a-positive-number`, `no-such-gauge`
 * @example gaugeAtLeast(1.5) // 14
 * Source: ASTM B258.
 */
export function gaugeAtLeast(millimetres: number): number {
  requirePositive(millimetres, 'millimetres', 'The thickness')
  for (let gauge = 36; gauge >= 0; gauge--) if (gaugeMillimetres(gauge) >= millimetres) return gauge
  throw new DomainError(
    'no-such-gauge',
    saying`No gauge is ${qty.mm(millimetres)} thick.`,
    'Use a ball reservoir or two sprues.',
    'millimetres',
  )
}

/** From the end of the pattern to the end of the ring, mm: what gas can still leave through (common practice). */
export const endClearances: Readonly<Record<Binder, { readonly least: number; readonly most: number }>> = {
  gypsum: { least: 5, most: 7 },
  phosphate: { least: 3, most: 4 },
}
/** From the pattern to the wall of the ring, mm (common practice). */
const WALL_CLEARANCE_MILLIMETRES = 6
/** Between patterns in one ring, mm (common practice). */
const BETWEEN_PATTERNS_MILLIMETRES = 6

/** A pattern as it stands in its ring, mm from the former upwards. */
export interface RingArrangement {
  readonly binder: Binder
  readonly ringRadiusMillimetres: number
  readonly ringHeightMillimetres: number
  /** Height of the crucible former inside the ring. */
  readonly formerMillimetres: number
  readonly sprueLengthMillimetres: number
  readonly patternHeightMillimetres: number
  /** Half the width of a pattern, from its own axis to its outermost part. */
  readonly patternReachMillimetres: number
  /** Like ones that stand evenly round the axis; one, as usual, stands on it. */
  readonly patterns?: number
}

/** From the axis of the ring to the axis of each pattern, mm: neighbours keep their distance (chord of a circle, exact). */
export function offAxisMillimetres({
  patterns = 1,
  patternReachMillimetres,
}: Pick<RingArrangement, 'patterns' | 'patternReachMillimetres'>): number {
  if (!(Number.isInteger(patterns) && patterns >= 1 && patterns <= 12))
    throw new DomainError(
      'patterns',
      `${patterns} patterns do not go into one ring.`,
      'Enter a whole number from 1 to 12.',
      'patterns',
    )
  if (patterns === 1) return 0
  return (2 * patternReachMillimetres + BETWEEN_PATTERNS_MILLIMETRES) / (2 * Math.sin(Math.PI / patterns))
}

/** From the axis of the ring to the outermost part of any pattern, mm. */
export function outermostMillimetres(
  at: Pick<RingArrangement, 'patterns' | 'patternReachMillimetres'>,
): number {
  return offAxisMillimetres(at) + at.patternReachMillimetres
}

/** How near to its pattern a ball reservoir sits, mm (common practice). */
export const RESERVOIR_WITHIN_MILLIMETRES = 1.5

export interface ArrangementLine {
  readonly id: 'end' | 'wall' | 'thermalCentre'
  readonly name: string
  readonly foundMillimetres: number
  readonly leastMillimetres: number
  readonly mostMillimetres?: number
  readonly pass: boolean
  /** What to change; empty when it passes. */
  readonly say: Saying
}

/**
 * How a pattern stands in its ring, line by line, and what to change.
 *
 * end = H - former - sprue - pattern; the whole pattern above mid-height, out of the thermal centre.
 * @throws {DomainError} `not-a-positive-number`
 * Source: common practice; 6 mm for gypsum-bonded, 3-4 mm for phosphate-bonded.
 */
export function checkArrangement(at: RingArrangement): ArrangementLine[] {
  for (const [field, value] of Object.entries(at))
    if (typeof value === 'number')
      requirePositive(value, field, 'The measure', { orZero: field === 'formerMillimetres' })
  const { least, most } = endClearances[at.binder]
  const end =
    at.ringHeightMillimetres - at.formerMillimetres - at.sprueLengthMillimetres - at.patternHeightMillimetres
  const wall = at.ringRadiusMillimetres - outermostMillimetres(at)
  const above = at.formerMillimetres + at.sprueLengthMillimetres - at.ringHeightMillimetres / 2
  const mm = (value: number) => qty.mm(value, 1)
  return [
    {
      id: 'end',
      name: 'To the end of the ring',
      foundMillimetres: end,
      leastMillimetres: least,
      mostMillimetres: most,
      pass: end >= least && end <= most,
      say:
        end < least
          ? saying`Shorten the sprue by ${mm(least - end)}, or take a taller ring.`
          : end > most
            ? saying`Lengthen the sprue by ${mm(end - most)}, or take a lower ring: gas would not get out.`
            : '',
    },
    {
      id: 'wall',
      name: 'To the wall of the ring',
      foundMillimetres: wall,
      leastMillimetres: WALL_CLEARANCE_MILLIMETRES,
      pass: wall >= WALL_CLEARANCE_MILLIMETRES,
      say:
        wall < WALL_CLEARANCE_MILLIMETRES
          ? saying`Take a ring ${mm(2 * (WALL_CLEARANCE_MILLIMETRES - wall))} wider.`
          : '',
    },
    {
      id: 'thermalCentre',
      name: 'Above the thermal centre',
      foundMillimetres: above,
      leastMillimetres: 0,
      pass: above >= 0,
      say:
        above < 0
          ? saying`Raise the pattern by ${mm(-above)}: in the middle of the ring it freezes last.`
          : '',
    },
  ]
}
