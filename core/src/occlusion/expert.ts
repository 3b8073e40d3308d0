import { type Articulator, articulatorCards, pinAtRotation } from '../mounting/index.ts'
import { joined, type Saying, saying } from '../quantity/index.ts'
import { type Closing, close, frameOf, type JawFrame } from './closing.ts'
import { type Blocked, Grinder, volumeTaken } from './grinding.ts'
import type { Mouth } from './mouth-grid.ts'
import { type Bite, bites, regionName, type ToothRegion, toothRegions } from './regions.ts'

// Looked up once: these loops run through every cell.
const { abs, floor } = Math

/** The articulator of the computed mouth (choice). */
export const trainerArticulator: Articulator = {
  ...articulatorCards[0]!.articulator,
  condylarDegrees: { right: 30, left: 30 },
  incisalDegrees: 10,
  wingDegrees: { right: 5, left: 5 },
}

/** Advances at which a movement is ground, mm: 0.5 apart would leave ridges of 45 µm, these leave 11 (choice). */
export const advancesOf = (bite: Bite): readonly number[] =>
  bite === 'centric' ? [0] : [0.25, 0.5, 0.75, 1, 1.25, 1.5]

const USUAL_STEP = 0.15
/** A step at the tooth as opening: it is taken at 50 mm from the axis. */
const STEP_AT = 50
const LIFTS_NOTHING = 0.005
const GAINS_NOTHING = 0.002
const MOST_CYCLES = 6
const MOST_STALLED = 2

/** The frames of a bite, each with the upper cells that can carry: grinding only opens gaps, so no others ever will. */
interface Path {
  readonly bite: Bite
  readonly frames: readonly JawFrame[]
  readonly cells: (readonly number[])[]
}

function pathOf(mouth: Mouth, articulator: Articulator, bite: Bite): Path {
  const frames = advancesOf(bite).map((advance) => frameOf(articulator, bite, advance))
  return { bite, frames, cells: frames.map((frame) => close(mouth, frame).overlapping) }
}

/** Closes along a path where a tooth carries; undefined where the pin does. */
function closedAt(mouth: Mouth, path: Path, index: number): Closing | undefined {
  const cells = path.cells[index]!
  if (cells.length === 0) return undefined
  const closing = close(mouth, path.frames[index]!, cells)
  path.cells[index] = closing.overlapping
  return closing.overlapping.length > 0 ? closing : undefined
}

/** How far the teeth hold the pin off its table along a bite, mm, the worst of its advances. */
function liftOf(mouth: Mouth, articulator: Articulator, path: Path): number {
  const lifts = path.frames.map((frame, index) => {
    const closing = closedAt(mouth, path, index)
    if (!closing) return 0
    return path.bite === 'centric'
      ? pinAtRotation(articulator, closing.teeth)
      : (closing.teeth - frame.table) * articulator.pinTip.x
  })
  return Math.max(0, ...lifts)
}

/** One round of grinding, as it is told. */
export interface ExpertRound {
  readonly bite: Bite
  /** Of the pin off its table, mm. */
  readonly liftBefore: number
  readonly liftAfter: number
  /** All that is off by then, mm³. */
  readonly volume: number
  /** Where it took most in this round, the most first. */
  readonly ground: readonly Ground[]
}

/** What was taken from a region of a tooth, mm³. */
export interface Ground {
  readonly tooth: number
  readonly region: ToothRegion
  readonly volume: number
}

/** So many places are told of a round. */
const TOLD = 2

export interface ExpertWork {
  readonly rounds: readonly ExpertRound[]
  /** What stays: it is not proved that every mouth becomes free. */
  readonly blocked: readonly Blocked[]
}

/**
 * Grinds a mouth by the rules until every bite is free or reported as blocked. Changes the mouth that it is given.
 *
 * It ends: removal only lowers what the teeth ask for in every pose, so no bite undoes another; a round gains, or counts to the stop.
 *
 * @param options.step mm at the tooth a round, 0.05 to 0.3 (choice)
 * @param options.only these bites, in their order; all when left out
 * @param options.onRound told after each round, for whoever follows
 * Source: the rule table (Schuyler, recalled, and common practice); the order centric, right, left, forwards.
 */
export function grindByRules(
  mouth: Mouth,
  {
    articulator = trainerArticulator,
    step = USUAL_STEP,
    only = bites,
    onRound,
  }: {
    readonly articulator?: Articulator
    readonly step?: number
    readonly only?: readonly Bite[]
    readonly onRound?: (round: ExpertRound) => void
  } = {},
): ExpertWork {
  const grinder = new Grinder(mouth)
  const paths = only.map((bite) => pathOf(mouth, articulator, bite))
  const rounds: ExpertRound[] = []
  // What was off the mouth when a bite got stuck: it is tried again only when another has taken more since.
  const stuck = new Map<Bite, number>()
  for (let cycle = 0; cycle < MOST_CYCLES; cycle++) {
    let changed = false
    for (const path of paths) {
      if (stuck.get(path.bite) === volumeTaken(mouth)) continue
      let stalled = 0
      let lift = liftOf(mouth, articulator, path)
      while (lift > LIFTS_NOTHING && stalled < MOST_STALLED) {
        const before = { upper: mouth.upper.z.slice(), lower: mouth.lower.z.slice() }
        const taken = roundOf(grinder, path, step)
        if (taken > 0) changed = true
        const after = liftOf(mouth, articulator, path)
        stalled = lift - after < GAINS_NOTHING ? stalled + 1 : 0
        const round = {
          bite: path.bite,
          liftBefore: lift,
          liftAfter: after,
          volume: volumeTaken(mouth),
          ground: groundSince(mouth, before),
        }
        rounds.push(round)
        onRound?.(round)
        lift = after
      }
      if (lift > LIFTS_NOTHING) stuck.set(path.bite, volumeTaken(mouth))
      else stuck.delete(path.bite)
    }
    if (!changed) break
  }
  // What carries in the end is named, also where it gave way without any gain.
  for (const path of paths)
    if (stuck.has(path.bite)) for (const closing of carried(mouth, path)) grinder.blockAt(closing)
  const blocked = [...grinder.blocked.values()].filter(({ bite }) => stuck.has(bite))
  return { rounds, blocked }
}

/** Where a mouth was ground since its surfaces stood so, by tooth and region, the most first. */
function groundSince(
  { grid, upper, lower, upperTeeth, lowerTeeth }: Mouth,
  before: { readonly upper: Float64Array; readonly lower: Float64Array },
): readonly Ground[] {
  const regions = toothRegions.length
  const told = (
    [
      [upper, before.upper, upperTeeth],
      [lower, before.lower, lowerTeeth],
    ] as const
  ).flatMap(([{ z, cells, tooth, region }, was, teeth]) => {
    const sums = new Float64Array(teeth.length * regions)
    for (const cell of cells) {
      const taken = abs(z[cell]! - was[cell]!)
      if (taken > 0) {
        const at = (tooth[cell]! - 1) * regions + region[cell]!
        sums[at] = sums[at]! + taken
      }
    }
    return [...sums].flatMap((sum, at): Ground[] =>
      sum === 0
        ? []
        : [
            {
              tooth: teeth[floor(at / regions)]!,
              region: toothRegions[at % regions]!,
              volume: sum * grid.h * grid.h,
            },
          ],
    )
  })
  return told.sort((one, other) => other.volume - one.volume).slice(0, TOLD)
}

/** What the hand looks for in a bite (Schuyler, recalled, and common practice). */
const aims: Readonly<Record<Bite, string>> = {
  centric: 'fossae and inclines, never a supporting tip',
  right: 'working side: cheek cusps of the upper, tongue cusps of the lower; balancing side: inclines',
  left: 'working side: cheek cusps of the upper, tongue cusps of the lower; balancing side: inclines',
  protrusive: 'inclines and front edges, not the height of a cusp',
}

/** A round of the expert in words: where it took most, and what it looks for there. */
export function expertWords({ bite, ground }: Pick<ExpertRound, 'bite' | 'ground'>): Saying {
  if (ground.length === 0) return 'Nothing gave way.'
  const places = ground.map(({ tooth, region }) => saying`${{ tooth }}, ${regionName(region, tooth)}`)
  return saying`Most at ${joined(places, '; then ')}: ${aims[bite]}.`
}

const carried = (mouth: Mouth, path: Path) =>
  path.frames.flatMap((_, index) => closedAt(mouth, path, index) ?? [])

function roundOf(grinder: Grinder, path: Path, step: number): number {
  const { mouth } = grinder
  let taken = 0
  for (const [index, frame] of path.frames.entries()) {
    const closing = closedAt(mouth, path, index)
    if (!closing) continue
    const target = Math.max(frame.table, closing.teeth - step / STEP_AT)
    const off = grinder.clear(frame, target, closing.overlapping)
    // Nothing gave way although teeth carry: a spot on a wall.
    taken += off > 0 ? off : grinder.clearWall(closing, step)
  }
  return taken
}

/** Takes every overlap away in all bites at once: how a set-up is ground in before it is processed. */
export function clearAll(mouth: Mouth, articulator: Articulator): void {
  const grinder = new Grinder(mouth)
  for (const bite of bites)
    for (const advance of advancesOf(bite)) {
      const frame = frameOf(articulator, bite, advance)
      grinder.clear(frame, frame.table, close(mouth, frame).overlapping)
    }
}
