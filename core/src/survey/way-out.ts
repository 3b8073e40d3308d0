import { toDegrees, toRadians } from '../quantity/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'
import { squareTo, unit, type Vector } from './vector.ts'

/** Faces of a piece of stone that the denture lies on: normals outwards from the stone, with their areas, mm². */
export interface Contact {
  readonly normal: Vector
  readonly area: number
}

/** How a piece of stone comes out. */
export interface WayOut {
  /** The way it moves. */
  readonly way: Vector
  /** By how much the tightest face leans against the way; 0 or less: it comes whole. */
  readonly lockedDegrees: number
  readonly whole: boolean
  /** Leaning against it when it is drawn straight down. */
  readonly straightLockedDegrees: number
  /** Off straight down. */
  readonly offStraightDegrees: number
}

/** Of the area, may lean against the way all the same: roughness of a scan (choice). */
const MAY_EXCEED = 0.02
/** Normals that differ less are one (choice): about 600 directions over a sphere. */
const BINS = 600
/** Search of the way: off straight down at most, first step and last (choices). */
const MOST_OFF_DEGREES = 75
const FIRST_STEP_DEGREES = 7.5
const LAST_STEP_DEGREES = 0.05
/** Neighbours of a step, turned by the golden angle so often before the step is halved (choices). */
const NEIGHBOURS = 8
const TURNS = 4
const GOLDEN = 2.399963

/**
 * The way on which a piece of stone leaves the denture with least hindrance: m with the least of the largest n·m over its contact;
 * 2 % of the area may exceed (choice). Free when n·m ≤ 0 for every normal.
 * @param down straight down from the denture, towards the base of the cast
 * @throws {DomainError} `contact-empty`
 * Source: contact of rigid bodies (exact); sought on a lattice that is halved, no random numbers.
 */
export function wayOut(contacts: readonly Contact[], down: Vector = [0, 0, -1]): WayOut {
  const bins = binned(contacts)
  if (bins.length === 0)
    throw new DomainError(
      'contact-empty',
      'No stone of this piece lies on the denture.',
      'Paint the fitting surface, or set the cuts elsewhere.',
      'faces',
    )
  const [side, ahead] = squareTo(down)
  const at = (a: number, b: number): Vector => {
    const angle = Math.hypot(a, b)
    const sine = angle === 0 ? 0 : Math.sin(toRadians(angle)) / angle
    const cosine = Math.cos(toRadians(angle))
    return unit([
      down[0] * cosine + (side[0] * a + ahead[0] * b) * sine,
      down[1] * cosine + (side[1] * a + ahead[1] * b) * sine,
      down[2] * cosine + (side[2] * a + ahead[2] * b) * sine,
    ])
  }
  const allowed = MAY_EXCEED * bins.reduce((sum, { area }) => sum + area, 0)
  let best = { a: 0, b: 0, worst: worstLean(bins, at(0, 0), allowed) }
  const straight = best.worst
  const tryAt = (a: number, b: number) => {
    if (Math.hypot(a, b) > MOST_OFF_DEGREES) return false
    const worst = worstLean(bins, at(a, b), allowed)
    if (!(worst < best.worst - 1e-12)) return false
    best = { a, b, worst }
    return true
  }
  const steps = Math.ceil(MOST_OFF_DEGREES / FIRST_STEP_DEGREES)
  for (let i = -steps; i <= steps; i++)
    for (let j = -steps; j <= steps; j++) tryAt(i * FIRST_STEP_DEGREES, j * FIRST_STEP_DEGREES)
  // The valley is a crease: neighbours in a few fixed directions would miss the way along it.
  let turn = 0
  for (let step = FIRST_STEP_DEGREES / 2; step >= LAST_STEP_DEGREES; step /= 2)
    for (let missed = 0; missed < TURNS; ) {
      const { a, b } = best
      let found = false
      for (let n = 0; n < NEIGHBOURS; n++) {
        const angle = turn + (2 * Math.PI * n) / NEIGHBOURS
        if (tryAt(a + step * Math.cos(angle), b + step * Math.sin(angle))) found = true
      }
      missed = found ? 0 : missed + 1
      turn += GOLDEN
    }
  const degrees = (worst: number) => toDegrees(Math.asin(Math.max(-1, Math.min(1, worst))))
  return {
    way: at(best.a, best.b),
    lockedDegrees: degrees(best.worst),
    // What the last step of the search cannot tell from 0 is free.
    whole: best.worst <= Math.sin(toRadians(LAST_STEP_DEGREES)),
    straightLockedDegrees: degrees(straight),
    offStraightDegrees: Math.hypot(best.a, best.b),
  }
}

/** The largest n·m that is left once so much area may exceed it. */
function worstLean(bins: readonly Contact[], way: Vector, allowed: number): number {
  const leans = bins.map(({ normal: [x, y, z], area }) => ({
    lean: x * way[0] + y * way[1] + z * way[2],
    area,
  }))
  leans.sort((a, b) => b.lean - a.lean)
  let spent = 0
  for (const { lean, area } of leans) {
    spent += area
    if (spent > allowed) return lean
  }
  return leans.at(-1)!.lean
}

/** Contacts of about one direction as one: area-weighted. Few are left as they are. */
function binned(contacts: readonly Contact[]): Contact[] {
  const sound = contacts.filter(({ area }) => area > 0)
  if (sound.length <= BINS) return sound.map(({ normal, area }) => ({ normal: unit(normal), area }))
  // A cube map of so many squares on each of six faces.
  const across = Math.round(Math.sqrt(BINS / 6))
  const sums = new Map<number, [number, number, number, number]>()
  for (const { normal, area } of sound) {
    const n = unit(normal)
    const size = [Math.abs(n[0]), Math.abs(n[1]), Math.abs(n[2])]
    const axis = size.indexOf(Math.max(...size))
    const face = 2 * axis + (n[axis]! > 0 ? 1 : 0)
    const square = (k: number) =>
      Math.min(across - 1, Math.floor((across * (n[(axis + k) % 3]! / size[axis]! + 1)) / 2))
    const key = (face * across + square(1)) * across + square(2)
    const sum = sums.get(key) ?? [0, 0, 0, 0]
    for (let k = 0; k < 3; k++) sum[k]! += area * n[k]!
    sum[3] += area
    sums.set(key, sum)
  }
  return [...sums.values()].map(([x, y, z, area]) => ({ normal: unit([x, y, z]), area }))
}

/** A ridge cut across: what holds it between its two walls. */
export interface TwoWalls {
  /** From straight down, inwards (towards the palate or the tongue). */
  readonly inwardsDegrees: number
  /** 0 or less: it comes whole, with so much to spare. */
  readonly lockedDegrees: number
  readonly whole: boolean
  /** How deep the wall holds it when it is moved that way, mm. */
  readonly lockedMillimetres: number
}

/**
 * A ridge with two straight walls in section: m* = (u + v)/2 inwards, locked (u - v)/2. It comes whole exactly when u ≤ v.
 * @param labialUndercut u, degrees; the palatal wall's draft v; the height that the wall holds, mm
 * @throws {DomainError} `angle-out-of-range`, `not-a-positive-number`
 * Source: geometry (exact).
 */
export function twoWalls(asked: {
  readonly labialUndercutDegrees: number
  readonly palatalDraftDegrees: number
  readonly heightMillimetres: number
}): TwoWalls {
  const { labialUndercutDegrees: u, palatalDraftDegrees: v, heightMillimetres } = asked
  for (const [field, value] of Object.entries({ labialUndercutDegrees: u, palatalDraftDegrees: v }))
    if (!(value >= -80 && value <= 80))
      throw new DomainError(
        'angle-out-of-range',
        'A wall of a ridge does not lean so far.',
        'Enter it from the way straight down, -80 to 80 degrees.',
        field,
      )
  requirePositive(heightMillimetres, 'heightMillimetres', 'Height')
  const lockedDegrees = (u - v) / 2
  return {
    inwardsDegrees: (u + v) / 2,
    lockedDegrees,
    whole: u <= v,
    lockedMillimetres: heightMillimetres * Math.max(0, Math.sin(toRadians(lockedDegrees))),
  }
}
