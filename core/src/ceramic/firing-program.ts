import { type CeramicClass, ceramicFigures } from '../materials/index.ts'
import {
  type ProgramSegment,
  programMinutes,
  programStretches,
  type TemperatureProgram,
} from '../program/index.ts'
import { qty, saying } from '../quantity/index.ts'
import { DomainError, requireWithin } from '../refusal/index.ts'

export const firings = ['dry', 'sinter', 'crystallise', 'stain', 'glaze'] as const
export type Firing = (typeof firings)[number]
export const firingNames: Readonly<Record<Firing, string>> = {
  dry: 'Drying',
  sinter: 'Sintering',
  crystallise: 'Crystallisation',
  stain: 'Stain firing',
  glaze: 'Glaze firing',
}
/** The machine that runs it. */
export const firingMachine = (firing: Firing): 'kiln' | 'sinter' => (firing === 'sinter' ? 'sinter' : 'kiln')
/** What wears a ceramic: drying and sintering make it first. */
export const countsAsFiring = (firing: Firing): boolean => firing !== 'dry' && firing !== 'sinter'

/** What lies in the furnace. */
export interface FiringLoad {
  readonly ceramic: CeramicClass
  readonly firing: Firing
  /** Of the thickest wall in it: one mixed load takes its slowest row. */
  readonly wallMillimetres: number
  readonly units: number
  /** Infiltrated with colour: longer to dry. */
  readonly infiltrated?: boolean
  /** A bridge: slower, and supported. */
  readonly bridge?: boolean
  /** Peak of the firing before, which a glaze lies below. */
  readonly peakBefore?: number
}

/** Fastest ramp of sintering by the thickest wall. Source: example table, editable: the maker's program wins. */
const sinterRates = [
  { millimetres: 3, rate: 10 },
  { millimetres: 6, rate: 8 },
  { millimetres: 10, rate: 5 },
  { millimetres: 15, rate: 3 },
] as const
/** A bridge goes no faster (our choice). */
const BRIDGE_RATE = 5
/** Faster than this is fast sintering, only for a blank that is marked for it. Source: 5 to 10 K/min, recalled. */
export const FASTEST_SINTER_RATE = 10
/** Opened below it. Source: recalled. */
export const SINTER_OPENS_CELSIUS = 200
/** A glaze lies so much below the firing before it: the middle of 10 to 20 K, recalled. */
const GLAZE_BELOW_CELSIUS = 15
/** Cooled slowly above this wall (our choice). */
const THICK_MILLIMETRES = 2
const STANDBY_CELSIUS = 400
const ROOM_CELSIUS = 25
/** In which a sintering furnace loses 63 % of its heat (our choice until it is timed). */
export const USUAL_SINTER_TAU_MINUTES = 100

/** The fastest ramp for a wall, K/min. @throws {DomainError} `wall-too-thick` */
export function sinterRate(wallMillimetres: number, bridge = false): number {
  const row = sinterRates.find(({ millimetres }) => wallMillimetres <= millimetres)
  if (!row)
    throw new DomainError(
      'wall-too-thick',
      saying`A wall of ${qty.mm(wallMillimetres, 1)} is in no table of ours.`,
      'Ask the maker of the blank for a program, and type it in.',
      'wallMillimetres',
    )
  return bridge ? Math.min(BRIDGE_RATE, row.rate) : row.rate
}

/**
 * Minutes to cool by a rate while the furnace can, and as it cools by itself below: T* = Ta + r τ.
 * @param from, to, room °C @param rate K/min, above 0 @param tau min, above 0
 * @throws {DomainError} `never-so-cold` when it must get as cold as the room
 * Source: a body that loses heat in proportion (exact).
 */
export function coolingMinutes(from: number, to: number, rate: number, tau: number, room: number): number {
  const { withRate, alone } = coolingParts(from, to, rate, tau, room)
  return withRate + alone
}

function coolingParts(from: number, to: number, rate: number, tau: number, room: number) {
  if (to <= room)
    throw new DomainError(
      'never-so-cold',
      saying`It never gets to ${qty.celsius(to)} in a room of ${qty.celsius(room)}.`,
      'Enter a temperature above that of the room.',
      'openCelsius',
    )
  const turn = Math.min(from, Math.max(to, room + rate * tau))
  return {
    turn,
    withRate: (from - turn) / rate,
    alone: tau * Math.log((turn - room) / (to - room)),
  }
}

/** A program with its cooling, to the minute as long as the furnace takes for it. */
export function withCooling(
  program: TemperatureProgram,
  {
    rate,
    tau,
    room = ROOM_CELSIUS,
    to,
  }: { readonly rate: number; readonly tau: number; readonly room?: number; readonly to: number },
): TemperatureProgram {
  const from = program.segments.at(-1)?.toCelsius ?? program.startCelsius
  const { turn, withRate, alone } = coolingParts(from, to, rate, tau, room)
  return {
    ...program,
    segments: [
      ...program.segments,
      ...(withRate > 0 ? [{ rampCelsiusPerMinute: rate, toCelsius: turn, holdMinutes: 0 }] : []),
      ...(alone > 0 ? [{ rampCelsiusPerMinute: (turn - to) / alone, toCelsius: to, holdMinutes: 0 }] : []),
    ],
  }
}

/** Minutes of drying at 120 °C. Source: 10 to 40 min by thickness, longer when infiltrated, recalled; the rows are our choice. */
export function dryingMinutes(wallMillimetres: number, infiltrated = false): number {
  const plain = wallMillimetres <= 1 ? 10 : wallMillimetres <= 2 ? 20 : wallMillimetres <= 4 ? 30 : 40
  return infiltrated ? 1.5 * plain : plain
}

/** Refuses a resin-bonded ceramic. @throws {DomainError} `hybrid-never-fired` */
export function mustFire(ceramic: CeramicClass): void {
  if (!ceramicFigures[ceramic].fires)
    throw new DomainError(
      'hybrid-never-fired',
      `${ceramicFigures[ceramic].name} is never fired: it would burn.`,
      'Polish it, or glaze it with a lacquer that light cures.',
      'ceramic',
    )
}

/**
 * A program for a firing, by class, wall and load; editable, and the maker's sheet wins.
 * @throws {DomainError} `hybrid-never-fired`, `firing-not-of-class`, `wall-too-thick`, `reading-not-plausible`
 * Source: pre-dry 2 to 6 min, ramps 30 to 60 K/min, hold 1 to 2 min, crystallisation 840 to 850 °C, sintering 2 h: recalled.
 */
export function firingProgram(load: FiringLoad): TemperatureProgram {
  const { ceramic, firing, wallMillimetres, units, infiltrated, bridge, peakBefore } = load
  mustFire(ceramic)
  requireWithin(wallMillimetres, {
    least: 0.1,
    most: 40,
    what: 'Thickest wall',
    field: 'wallMillimetres',
    kind: 'millimetres',
  })
  requireWithin(units, { least: 1, most: 60, what: 'Units', field: 'units' })
  const figures = ceramicFigures[ceramic]
  const notOfClass = (what: string) =>
    new DomainError(
      'firing-not-of-class',
      `${figures.name} is not ${what}.`,
      'Choose another firing, or the class it really is.',
      'firing',
    )
  const line = (rate: number, to: number, hold: number, vacuum = false): ProgramSegment => ({
    rampCelsiusPerMinute: rate,
    toCelsius: to,
    holdMinutes: hold,
    ...(vacuum ? { vacuum } : {}),
  })
  if (firing === 'dry')
    return {
      startCelsius: ROOM_CELSIUS,
      segments: [line(5, 80, 0), line(4, 120, dryingMinutes(wallMillimetres, infiltrated))],
    }
  if (firing === 'sinter') {
    const peak = figures.sinterCelsius
    if (peak === undefined) throw notOfClass('sintered')
    const rate = sinterRate(wallMillimetres, bridge)
    const warm = { startCelsius: ROOM_CELSIUS, segments: [line(rate, peak, 120)] }
    return withCooling(warm, { rate, tau: USUAL_SINTER_TAU_MINUTES, to: SINTER_OPENS_CELSIUS })
  }
  if (firing === 'crystallise' && !figures.crystallises) throw notOfClass('crystallised by firing')
  const stain = figures.stainCelsius!
  const peak =
    firing === 'crystallise' ? 845 : firing === 'glaze' ? (peakBefore ?? stain) - GLAZE_BELOW_CELSIUS : stain
  const hold = firing === 'crystallise' ? 10 : 1
  // Closing slowly dries paste and glaze: longer for more of them.
  const preDry = Math.min(6, 3.5 + 0.5 * units)
  const slow = figures.glassTransitionCelsius
  return {
    startCelsius: STANDBY_CELSIUS,
    segments: [
      line(10, STANDBY_CELSIUS, preDry),
      line(45, STANDBY_CELSIUS + 50, 0),
      line(wallMillimetres > THICK_MILLIMETRES ? 35 : 45, peak, hold, true),
      ...(slow !== undefined && (wallMillimetres > THICK_MILLIMETRES || firing === 'crystallise')
        ? [line(20, slow, 0)]
        : []),
      // Down to where it closes again, before anybody opens it.
      line(45, STANDBY_CELSIUS, 0),
    ],
  }
}

/** Ramp through the boiling of water of a piece that was not dried, at most (our choice), K/min. */
export const WET_RAMP_CELSIUS_PER_MINUTE = 5
const STEAM_CELSIUS = [80, 150] as const

/** Fastest ramp of a program while the water boils out, K/min; a furnace that is hot already counts as at once. */
function rampThroughSteam(program: TemperatureProgram): number {
  if (program.startCelsius >= STEAM_CELSIUS[1]) return Number.POSITIVE_INFINITY
  return programStretches(program).reduce((fastest, { fromCelsius, toCelsius, rampCelsiusPerMinute }) => {
    const within = toCelsius > fromCelsius && toCelsius > STEAM_CELSIUS[0] && fromCelsius < STEAM_CELSIUS[1]
    return within ? Math.max(fastest, rampCelsiusPerMinute) : fastest
  }, 0)
}

/** Whether a wet piece would burst on a program. */
export const burstsWet = (program: TemperatureProgram, dried: boolean): boolean =>
  !dried && rampThroughSteam(program) > WET_RAMP_CELSIUS_PER_MINUTE

/**
 * Refuses to start what would be spoiled: a wet piece on a fast ramp, fast sintering of a blank not marked for it, a hybrid.
 * @throws {DomainError} `hybrid-never-fired`, `wet-fast-ramp`, `fast-sintering-not-marked`
 */
export function mustMayFire(
  program: TemperatureProgram,
  {
    ceramic,
    firing,
    dried,
    fastMarked = false,
  }: {
    readonly ceramic: CeramicClass
    readonly firing: Firing
    readonly dried: boolean
    readonly fastMarked?: boolean
  },
): void {
  mustFire(ceramic)
  if (burstsWet(program, dried))
    throw new DomainError(
      'wet-fast-ramp',
      'It is not dry: on this ramp the steam bursts it.',
      firing === 'sinter'
        ? 'Dry it first, by wall and colour liquid, then sinter.'
        : 'Dry it first, and look: matt all over, no dark spot.',
      'dried',
    )
  const fastest = Math.max(
    0,
    ...programStretches(program).map(({ fromCelsius, toCelsius, rampCelsiusPerMinute }) =>
      toCelsius > fromCelsius ? rampCelsiusPerMinute : 0,
    ),
  )
  if (firing === 'sinter' && fastest > FASTEST_SINTER_RATE && !fastMarked)
    throw new DomainError(
      'fast-sintering-not-marked',
      saying`${qty.celsiusPerMinute(fastest)} is fast sintering, and this blank is not marked for it.`,
      saying`Take ${qty.celsiusPerMinute(FASTEST_SINTER_RATE)} at most, or mark the product on the shelf if its sheet allows it.`,
      'program',
    )
}

/** The furnace reads by so much too high, by a silver test: silver melts at 961.78 °C, ITS-90, exact. */
export const SILVER_CELSIUS = 961.78
/** @param shownCelsius what the furnace showed when the wire melted @throws {DomainError} `reading-not-plausible` */
export function silverOffset(shownCelsius: number): number {
  requireWithin(shownCelsius, {
    least: 860,
    most: 1060,
    what: 'The furnace when the silver melted',
    field: 'silverCelsius',
    kind: 'celsius',
  })
  return shownCelsius - SILVER_CELSIUS
}

/** A program as it is set on a furnace that reads wrong, so that inside it is as hot as wanted; cold holds stay. */
export function setFor(program: TemperatureProgram, offsetCelsius: number): TemperatureProgram {
  const set = (celsius: number) => (celsius > STEAM_CELSIUS[1] ? celsius + offsetCelsius : celsius)
  return {
    startCelsius: program.startCelsius,
    segments: program.segments.map((each) => ({ ...each, toCelsius: set(each.toCelsius) })),
  }
}

/** Hands on each before it is fired, and until it is cold enough on its peg to be read. Source: common practice, 20 to 30 min for stains, 10 for glaze, about 15 to cool. */
export const paintMinutes = { stain: 25, glaze: 10 } as const
export const COOLS_MINUTES = 15

interface Occupied {
  readonly from: number
  readonly to: number
  readonly words: string
}

/**
 * When a firing can run on a machine: as soon as it is free, or so that it is ready by an hour.
 * @param taken what the machine runs already, ms @param program with its cooling
 * @returns start and end, ms; what is in the way of the wish; whether the wish can be kept
 */
export function fireAt(
  now: number,
  program: TemperatureProgram,
  taken: readonly Occupied[],
  readyBy?: number,
): { readonly from: number; readonly to: number; readonly inTheWay?: string; readonly late: boolean } {
  const length = programMinutes(program) * 60_000
  const wish = readyBy === undefined ? now : Math.max(now, readyBy - length)
  const free = (from: number) => taken.find((each) => from < each.to && from + length > each.from)
  const inTheWay = free(wish)?.words
  if (!inTheWay)
    return { from: wish, to: wish + length, late: readyBy !== undefined && wish + length > readyBy }
  // Before what is in the way where there is room, else after it.
  const ends = [now, ...taken.map(({ to }) => to)]
    .filter((at) => at >= now && !free(at))
    .sort((a, b) => a - b)
  const from = ends[0]!
  return { from, to: from + length, inTheWay, late: readyBy !== undefined && from + length > readyBy }
}
