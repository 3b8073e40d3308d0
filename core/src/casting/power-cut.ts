import { requirePositive } from '../refusal/index.ts'
import {
  type BurnoutProgram,
  checkProgram,
  inversions,
  programCelsius,
  programMinutes,
} from './burnout-program.ts'
import { type RingGrid, type RingHeat, type RingSize, ringHeat, usualGrid } from './ring-heat.ts'
import { ringMaterials } from './ring-material.ts'
import type { Binder } from './sprue.ts'

/** A furnace that stood without power for a while. */
export interface PowerCut {
  /** From putting the ring in. */
  readonly afterMinutes: number
  readonly minutes: number
  /** In which an unpowered furnace loses 63 % of its heat over the room; its own, if it was ever timed. */
  readonly timeConstantMinutes: number
}
/** Of a small closed furnace, min (our assumption; time your own). */
export const USUAL_TIME_CONSTANT = 60
const ROOM = 20

export interface CutFurnace {
  /** Furnace temperature so many minutes after putting in. */
  readonly at: (minutes: number) => number
  readonly lowestCelsius: number
  /** When the program ends now. */
  readonly endMinutes: number
}

/**
 * The furnace through a power cut: its program, a natural cooling, back up at the rate of the stretch that was cut, and
 * the rest of the program from where it stood.
 *
 * @throws {DomainError} `not-a-positive-number`
 * Source: T = Ta + (T0 - Ta) exp(-t/τ), a body that loses heat in proportion (exact for one τ; our assumption).
 */
export function furnaceWithCut(program: BurnoutProgram, cut: PowerCut): CutFurnace {
  requirePositive(cut.afterMinutes, 'afterMinutes', 'The start of the cut', { orZero: true })
  requirePositive(cut.minutes, 'minutes', 'The length of the cut', { orZero: true })
  requirePositive(cut.timeConstantMinutes, 'timeConstantMinutes', 'The time constant')
  const before = programCelsius(program, cut.afterMinutes)
  const cooled = (minutes: number) => ROOM + (before - ROOM) * Math.exp(-minutes / cut.timeConstantMinutes)
  const lowestCelsius = cooled(cut.minutes)
  const rate = rateAt(program, cut.afterMinutes)
  const climb = Math.max(0, before - lowestCelsius) / rate
  const back = cut.afterMinutes + cut.minutes
  return {
    at: (minutes) => {
      if (minutes <= cut.afterMinutes) return programCelsius(program, minutes)
      if (minutes <= back) return cooled(minutes - cut.afterMinutes)
      if (minutes <= back + climb) return lowestCelsius + rate * (minutes - back)
      return programCelsius(program, minutes - cut.minutes - climb)
    },
    lowestCelsius,
    endMinutes: Math.max(programMinutes(program), cut.afterMinutes) + cut.minutes + climb,
  }
}

/** The rate of the stretch that runs at a time; of the last one afterwards. */
function rateAt({ startCelsius, segments }: BurnoutProgram, minutes: number): number {
  let from = startCelsius
  let left = minutes
  for (const { rampCelsiusPerMinute, toCelsius, holdMinutes } of segments) {
    const stretch = Math.abs(toCelsius - from) / rampCelsiusPerMinute + holdMinutes
    if (left <= stretch) return rampCelsiusPerMinute
    left -= stretch
    from = toCelsius
  }
  return segments.at(-1)!.rampCelsiusPerMinute
}

export interface CutJudgement {
  readonly verdict: 'goOn' | 'hold' | 'discard'
  readonly furnace: CutFurnace
  readonly heat: RingHeat
  /** Coldest the core became after it had been hotter, °C; none: it never fell. */
  readonly coreFellToCelsius?: number
  /** When to cast, the later of the program and the core; undefined: the ring is discarded. */
  readonly castFromMinutes?: number
  readonly say: string
}

/** A fall that a core hardly feels, °C (choice). */
const FELT = 5

/**
 * What a power cut did to a ring, by following the furnace into its core.
 *
 * A core that has fallen back through an inversion has shrunk all at once: discard it. One that only cooled is held until
 * it is hot again; one that did not fall goes on with its program.
 * @throws {DomainError} of `checkProgram`, `furnaceWithCut`, `ringHeat`
 * Source: common practice, a ring is not cooled before casting; inversions Phillips, recalled; typical values of the ring.
 */
export function judgeCut(
  size: RingSize,
  binder: Binder,
  program: BurnoutProgram,
  cut: PowerCut,
  grid: RingGrid = usualGrid,
): CutJudgement {
  checkProgram(program, binder)
  const furnace = furnaceWithCut(program, cut)
  const heat = ringHeat(size, ringMaterials[binder].typical, furnace.at, furnace.endMinutes + 120, grid)
  let highest = Number.NEGATIVE_INFINITY
  let fall: { readonly from: number; readonly to: number } | undefined
  for (const { coreCelsius } of heat.curve) {
    highest = Math.max(highest, coreCelsius)
    if (highest - coreCelsius > FELT && (!fall || coreCelsius < fall.to))
      fall = { from: highest, to: coreCelsius }
  }
  const base = { furnace, heat, ...(fall ? { coreFellToCelsius: fall.to } : {}) }
  const crossed = fall && crossedInversion(fall.from, fall.to)
  if (crossed)
    return {
      ...base,
      verdict: 'discard',
      say: `The core fell from ${Math.round(fall!.from)} to ${Math.round(fall!.to)} °C, through the inversion of ${crossed}: the mould has shrunk and may have cracked. Discard the ring and invest again.`,
    }
  const { coreReadyMinutes } = heat
  const castFromMinutes = Math.max(furnace.endMinutes, coreReadyMinutes ?? furnace.endMinutes)
  return {
    ...base,
    castFromMinutes,
    verdict: fall ? 'hold' : 'goOn',
    say: fall
      ? `The core fell to ${Math.round(fall.to)} °C and through no inversion: let the program finish and hold until it is hot again.`
      : 'The core never fell: the program goes on, later by the time lost.',
  }
}

function crossedInversion(from: number, to: number): string | undefined {
  if (from > inversions.quartzCelsius && to < inversions.quartzCelsius) return 'quartz'
  const [low, high] = inversions.cristobaliteCelsius
  return from > high && to < low ? 'cristobalite' : undefined
}
