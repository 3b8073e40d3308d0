import type { Binder } from '../materials/index.ts'
import { programMinutes, type TemperatureProgram } from '../program/index.ts'
import { qty, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { checkProgram, mustMayGoInHot } from './burnout-program.ts'
import {
  followMinutes,
  type RingGrid,
  type RingHeat,
  type RingSize,
  ringHeat,
  usualGrid,
} from './ring-heat.ts'
import {
  type RingMaterial,
  type RingSpeed,
  ringMaterials,
  ringSpeeds,
  scaledMaterial,
} from './ring-material.ts'

/** When a ring is ready, as a range: what is not known of the investment is not hidden. Minutes from putting it in. */
export interface CoreReady {
  readonly heats: Readonly<Record<RingSpeed, RingHeat>>
  readonly programMinutes: number
  /** Of the program and the core, whichever is later; undefined: not within the time looked at. */
  readonly castFromMinutes: Readonly<Record<RingSpeed, number | undefined>>
}

interface FollowedBy {
  /** On both conductivities, from `factorFor`; 1 when nothing was read. */
  readonly factor?: number
  readonly grid?: RingGrid
  /** The product in hand is marked for a hot entry. */
  readonly hotEntry?: boolean
}

/**
 * A burnout followed in the fast, the typical and the slow investment.
 * @throws {DomainError} of `checkProgram`, `mustMayGoInHot` and `ringHeat`
 */
export function coreReady(
  size: RingSize,
  binder: Binder,
  program: TemperatureProgram,
  { factor = 1, grid = usualGrid, hotEntry = false }: FollowedBy = {},
): CoreReady {
  checkProgram(program, binder)
  mustMayGoInHot(program.startCelsius, binder, hotEntry)
  const length = programMinutes(program)
  const follow = (speed: RingSpeed) =>
    ringHeat(
      size,
      scaledMaterial(ringMaterials[binder][speed], factor),
      program,
      followMinutes(program),
      grid,
    )
  const heats = Object.fromEntries(ringSpeeds.map((speed) => [speed, follow(speed)])) as Record<
    RingSpeed,
    RingHeat
  >
  const castFrom = (speed: RingSpeed) => {
    const { coreReadyMinutes } = heats[speed]
    return coreReadyMinutes === undefined ? undefined : Math.max(length, coreReadyMinutes)
  }
  return {
    heats,
    programMinutes: length,
    castFromMinutes: { fast: castFrom('fast'), typical: castFrom('typical'), slow: castFrom('slow') },
  }
}

/** A thermocouple in the core of a dummy ring, read once. */
export interface CoreReading {
  readonly minutes: number
  readonly celsius: number
}
const FACTORS = [0.3, 3] as const

/**
 * By how much the conductivities must be scaled so that the core is as hot as it was read: bisection, as a larger factor
 * is always sooner.
 * @throws {DomainError} `reading-out-of-reach`: no factor from 0.3 to 3 gives it
 */
export function factorFor(
  size: RingSize,
  material: RingMaterial,
  program: TemperatureProgram,
  { minutes, celsius }: CoreReading,
  grid: RingGrid = usualGrid,
): number {
  const off = (factor: number) =>
    ringHeat(size, scaledMaterial(material, factor), program, minutes, grid).curve.at(-1)!.coreCelsius -
    celsius
  let [low, high] = FACTORS as readonly [number, number]
  if (!(off(low) <= 0 && off(high) >= 0))
    throw new DomainError(
      'reading-out-of-reach',
      saying`No usual investment is at ${qty.celsius(celsius)} after ${qty.minutes(minutes)}.`,
      'Check where the thermocouple sits and when it was read.',
      'celsius',
    )
  for (let n = 0; n < 20; n++) {
    const middle = Math.sqrt(low * high)
    if (off(middle) < 0) low = middle
    else high = middle
  }
  return Math.sqrt(low * high)
}
