import { type Binder, binders } from '../materials/index.ts'
import {
  checkMeasured,
  insideCelsius,
  measuredRunShape,
  programCelsius,
  programMinutes,
  programStretchAt,
  type TemperatureProgram,
} from '../program/index.ts'
import { qty, type Saying, saying } from '../quantity/index.ts'
import { requirePositive } from '../refusal/index.ts'
import { choice, maybe, type Of, partsOf, record, yesNo } from '../shape/index.ts'
import {
  checkProgram,
  GYPSUM_CEILING_CELSIUS,
  hotEntryFault,
  inversions,
  mustMayGoInHot,
  programWarnings,
} from './burnout-program.ts'
import {
  CORE_WITHIN_CELSIUS,
  type RingGrid,
  type RingHeat,
  type RingSize,
  ROOM_CELSIUS,
  ringHeat,
  ringSizeShape,
  usualGrid,
} from './ring-heat.ts'
import { ringMaterials } from './ring-material.ts'

/** A burnout as it was run, with the ring that was in it. */
export const burnoutRunShape = record({
  ...partsOf(measuredRunShape),
  binder: choice(binders),
  ring: ringSizeShape,
  /** The product in the ring is marked by its maker for a hot furnace. */
  hotEntry: maybe(yesNo()),
})
export type BurnoutRun = Of<typeof burnoutRunShape>

/** What to do with a ring after its burnout. */
export type BurnoutVerdict = 'goOn' | 'hold' | 'discard'
export interface BurnoutJudgement {
  readonly verdict: BurnoutVerdict
  readonly heat: RingHeat
  /** Coldest the core became after it had been hotter, °C; none: it never fell. */
  readonly coreFellToCelsius?: number
  /** When to cast, minutes from putting in: the later of the program and the core; undefined: discarded. */
  readonly castFromMinutes?: number
  /** What decides, as a sentence. */
  readonly say: Saying
  /** What else was seen, and wants a look but no decision. */
  readonly alsoSeen: readonly Saying[]
}

/** A fall that a core hardly feels, °C (choice). */
const FELT_CELSIUS = 5
/** Through an inversion slower than this, °C/min (common practice: slowly; the figure our choice). */
const FASTEST_THROUGH_INVERSION_CELSIUS_PER_MINUTE = 10
/** Over so many minutes a rate is taken, so that a trembling reading is no rate (choice). */
const RATE_OVER_MINUTES = 3
/** Half the width of the band around the quartz inversion in which heating is slow, °C (choice). */
const QUARTZ_BAND_CELSIUS = 20

/** Refuses a burnout that cannot be followed. @throws {DomainError} of `checkProgram`, `checkMeasured`, `not-a-positive-number` */
export function checkBurnoutRun(run: BurnoutRun): void {
  checkProgram(run.program, run.binder)
  checkMeasured(run)
  requirePositive(run.ring.radiusMillimetres, 'radiusMillimetres', 'The radius')
  requirePositive(run.ring.heightMillimetres, 'heightMillimetres', 'The height')
}

const judged = new WeakMap<BurnoutRun, BurnoutJudgement>()

/**
 * What a burnout did to its ring, by following the furnace as it was read into the core.
 *
 * Discard: gypsum-bonded above its ceiling, or a core that has fallen back through an inversion (it has shrunk all at
 * once). Hold: at the last reading the program is not over, or the core not within 10 °C of the hottest. Else it goes on.
 *
 * @throws {DomainError} of `checkProgram`, `checkMeasured`, `ringHeat`
 * Source: common practice, a ring is not cooled before casting; inversions and ceiling Phillips, recalled; typical ring.
 */
export function judgeBurnout(run: BurnoutRun, grid: RingGrid = usualGrid): BurnoutJudgement {
  const known = grid === usualGrid ? judged.get(run) : undefined
  if (known) return known
  checkBurnoutRun(run)
  const lastMinutes = run.measured.at(-1)!.minutes
  const endMinutes = run.endMinutes ?? programMinutes(run.program)
  const judgement = judgeFurnace(run, startOf(run), insideCelsius(run), { lastMinutes, endMinutes }, grid)
  if (grid === usualGrid) judged.set(run, judgement)
  return judgement
}

/** A reading of the first minute says how hot the furnace was when the ring went in. */
const FIRST_READING_WITHIN_MINUTES = 1
function startOf({ program, measured, showsTooMuchCelsius }: BurnoutRun): number {
  const [first] = measured
  return first && first.minutes <= FIRST_READING_WITHIN_MINUTES
    ? first.celsius - showsTooMuchCelsius
    : program.startCelsius
}

/** @param times how far the furnace was read, and when its program is over */
function judgeFurnace(
  { binder, ring, program, hotEntry = false }: Pick<BurnoutRun, 'binder' | 'ring' | 'program' | 'hotEntry'>,
  startCelsius: number,
  at: (minutes: number) => number,
  { lastMinutes, endMinutes }: { readonly lastMinutes: number; readonly endMinutes: number },
  grid: RingGrid,
): BurnoutJudgement {
  const followed = Math.max(lastMinutes, endMinutes) + 120
  const heat = ringHeat(ring, ringMaterials[binder].typical, at, followed, grid)
  const fall = deepestFall(heat)
  const hottest = Math.max(...heat.curve.map(({ furnaceCelsius }) => furnaceCelsius))
  const base = {
    heat,
    ...(fall ? { coreFellToCelsius: fall.to } : {}),
    alsoSeen: [...programWarnings(program), ...heatedFast(program, at, lastMinutes)],
  }
  const unmarked = hotEntryFault(startCelsius, binder, hotEntry)
  if (unmarked)
    return { ...base, verdict: 'discard', say: saying`${unmarked}. Discard the ring and invest again.` }
  const crossed = fall && crossedInversion(fall.from, fall.to)
  if (binder === 'gypsum' && hottest > GYPSUM_CEILING_CELSIUS)
    return {
      ...base,
      verdict: 'discard',
      say: saying`The furnace was at ${qty.celsius(hottest, 0)}: gypsum-bonded investment breaks down above ${qty.celsius(GYPSUM_CEILING_CELSIUS)}. Discard the ring and invest again.`,
    }
  if (fall && crossed)
    return {
      ...base,
      verdict: 'discard',
      say: saying`The core fell from ${Math.round(fall.from)} to ${qty.celsius(fall.to, 0)}, through the inversion of ${crossed}: the mould has shrunk and may have cracked. Discard the ring and invest again.`,
    }
  const castFromMinutes = Math.max(endMinutes, hotFrom(heat, hottest) ?? followed)
  const held = castFromMinutes <= lastMinutes + SAME_WITHIN_MINUTES
  const fell = fall && saying`The core fell to ${qty.celsius(fall.to, 0)} and through no inversion`
  return {
    ...base,
    castFromMinutes,
    verdict: held ? 'goOn' : 'hold',
    say: held
      ? fell
        ? saying`${fell}, and is hot again.`
        : 'The core never fell and is hot through.'
      : fell
        ? saying`${fell}: let the program finish and hold until it is hot again.`
        : 'The program is not over or the core not hot through: hold on.',
  }
}

/** Two times of a clock that are the same to anybody, min (choice). */
const SAME_WITHIN_MINUTES = 1

/** From when on the core stays within reach of the hottest it is to be; undefined: it does not come there. */
function hotFrom({ curve }: RingHeat, hottest: number): number | undefined {
  const cold = curve.findLastIndex(({ coreCelsius }) => coreCelsius < hottest - CORE_WITHIN_CELSIUS)
  return curve[cold + 1]?.minutes
}

function deepestFall({ curve }: RingHeat): { readonly from: number; readonly to: number } | undefined {
  let highest = Number.NEGATIVE_INFINITY
  let fall: { readonly from: number; readonly to: number } | undefined
  for (const { coreCelsius } of curve) {
    highest = Math.max(highest, coreCelsius)
    if (highest - coreCelsius > FELT_CELSIUS && (!fall || coreCelsius < fall.to))
      fall = { from: highest, to: coreCelsius }
  }
  return fall
}

function crossedInversion(from: number, to: number): string | undefined {
  if (from > inversions.quartzCelsius && to < inversions.quartzCelsius) return 'quartz'
  const [low, high] = inversions.cristobaliteCelsius
  return from > high && to < low ? 'cristobalite' : undefined
}

/** The steepest rise of the furnace inside a band, °C/min. */
export function steepestCelsiusPerMinute(
  at: (minutes: number) => number,
  endMinutes: number,
  [low, high]: readonly [number, number],
): number {
  let steepest = 0
  for (let minutes = RATE_OVER_MINUTES; minutes <= endMinutes; minutes++) {
    const [before, now] = [at(minutes - RATE_OVER_MINUTES), at(minutes)]
    if (now > low && before < high) steepest = Math.max(steepest, (now - before) / RATE_OVER_MINUTES)
  }
  return steepest
}

/** Bands that a furnace goes through slowly, °C. */
export const slowBands: readonly { readonly name: string; readonly celsius: readonly [number, number] }[] = [
  { name: 'cristobalite', celsius: inversions.cristobaliteCelsius },
  {
    name: 'quartz',
    celsius: [inversions.quartzCelsius - QUARTZ_BAND_CELSIUS, inversions.quartzCelsius + QUARTZ_BAND_CELSIUS],
  },
]

/** Inversions that were gone through too fast; a ring marked for a hot entry starts above them. */
function heatedFast(
  { startCelsius }: TemperatureProgram,
  at: (minutes: number) => number,
  endMinutes: number,
): Saying[] {
  return slowBands.flatMap(({ name, celsius }) => {
    if (startCelsius > celsius[0]) return []
    const rate = steepestCelsiusPerMinute(at, endMinutes, celsius)
    return rate > FASTEST_THROUGH_INVERSION_CELSIUS_PER_MINUTE
      ? [saying`Through ${name} at ${qty.celsiusPerMinute(rate, 0)}: look for cracks before it is cast.`]
      : []
  })
}

/** A furnace that stood without power for a while. */
export interface PowerCut {
  /** From putting the ring in. */
  readonly afterMinutes: number
  readonly minutes: number
  /** In which an unpowered furnace loses 63 % of its heat over the room; its own, if it was ever timed. */
  readonly timeConstantMinutes: number
}
/** Of a small closed furnace (our assumption; time your own). */
export const USUAL_TIME_CONSTANT_MINUTES = 60

interface CutFurnace {
  /** Furnace temperature so many minutes after putting in. */
  readonly at: (minutes: number) => number
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
export function furnaceWithCut(program: TemperatureProgram, cut: PowerCut): CutFurnace {
  requirePositive(cut.afterMinutes, 'afterMinutes', 'The start of the cut', { orZero: true })
  requirePositive(cut.minutes, 'minutes', 'The length of the cut', { orZero: true })
  requirePositive(cut.timeConstantMinutes, 'timeConstantMinutes', 'The time constant')
  const planned = (minutes: number) => programCelsius(program, minutes)
  const before = planned(cut.afterMinutes)
  const cooled = (minutes: number) =>
    ROOM_CELSIUS + (before - ROOM_CELSIUS) * Math.exp(-minutes / cut.timeConstantMinutes)
  const lowest = cooled(cut.minutes)
  const rate = programStretchAt(program, cut.afterMinutes)!.rampCelsiusPerMinute
  const climb = Math.max(0, before - lowest) / rate
  const back = cut.afterMinutes + cut.minutes
  return {
    at: (minutes) => {
      if (minutes <= cut.afterMinutes) return planned(minutes)
      if (minutes <= back) return cooled(minutes - cut.afterMinutes)
      if (minutes <= back + climb) return lowest + rate * (minutes - back)
      return planned(minutes - cut.minutes - climb)
    },
    endMinutes: Math.max(programMinutes(program), cut.afterMinutes) + cut.minutes + climb,
  }
}

/**
 * What a power cut did to a ring, where only its times are known.
 * @throws {DomainError} of `checkProgram`, `furnaceWithCut`, `ringHeat`
 */
export function judgeCut(
  ring: RingSize,
  binder: Binder,
  program: TemperatureProgram,
  cut: PowerCut,
  { grid = usualGrid, hotEntry = false }: { readonly grid?: RingGrid; readonly hotEntry?: boolean } = {},
): BurnoutJudgement {
  checkProgram(program, binder)
  mustMayGoInHot(program.startCelsius, binder, hotEntry)
  const { at, endMinutes } = furnaceWithCut(program, cut)
  return judgeFurnace(
    { binder, ring, program, hotEntry },
    program.startCelsius,
    at,
    { lastMinutes: endMinutes, endMinutes },
    grid,
  )
}
