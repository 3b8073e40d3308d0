import { USUAL_ROOM_CELSIUS } from '../heat/index.ts'
import {
  programCelsius,
  programMinutes,
  programStretches,
  type TemperatureProgram,
} from '../program/index.ts'
import { GAS_CONSTANT, ICE_POINT_KELVIN, qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { type FlaskBody, type ResinSection, usualFlask } from './cure-bodies.ts'
import { CureField, type CureGrid, usualCells } from './cure-field.ts'
import {
  type DoughRecipe,
  HEAT_OF_POLYMERISATION,
  MMA_KILOGRAMS_PER_MOLE,
  monomerVolumeShare,
  ReactingResin,
  usualDough,
} from './resin-kinetics.ts'

// Looked up once: they stand in the inner loop.
const { abs, exp, max, min } = Math

/** Where the monomer boils by itself at 1 atm, °C. Source: Phillips; CRC Handbook (both recalled). */
export const MONOMER_BOILS_CELSIUS = 100.8

/** What is round the flask at a moment. */
interface Bath {
  readonly celsius: number
  /** Heat transfer to the wall, W/m2K. */
  readonly film: number
}
const WATER_FILM_WATTS_PER_M2K = 500
/** How a flask cools after its bath: on the bench and then in cold water, or in air alone (common practice). */
export const coolings = ['water', 'air'] as const
export type Cooling = (typeof coolings)[number]
const ON_THE_BENCH = { celsius: USUAL_ROOM_CELSIUS, film: 10 }
/** Source of the films: natural convection, estimated. The last goes on until the flask may be opened. */
const coolingBaths: Readonly<Record<Cooling, readonly (Bath & { readonly minutes: number })[]>> = {
  water: [
    { ...ON_THE_BENCH, minutes: 30 },
    { celsius: 20, film: 300, minutes: 20 },
  ],
  air: [{ ...ON_THE_BENCH, minutes: 180 }],
}
const LONGEST_COOLING_SECONDS = 9 * 3600
const coolingMinutes = (cooling: Cooling) =>
  coolingBaths[cooling].reduce((sum, { minutes }) => sum + minutes, 0)
/** How long bench and cold water take, min. */
export const COOLING_MINUTES = coolingMinutes('water')

/** A cure to be followed. */
export interface CureQuestion {
  readonly section: ResinSection
  readonly program: TemperatureProgram
  readonly flask?: FlaskBody
  readonly recipe?: DoughRecipe
  /** Of flask and dough as they go in; room temperature when left out. */
  readonly startCelsius?: number
  /** Bench and cold water when left out. */
  readonly cooling?: Cooling
  /** The bath as it was measured, °C after so many minutes, until the flask came out; left out: as the program says. */
  readonly measured?: { readonly at: (minutes: number) => number; readonly endMinutes: number }
}

/** One minute of it. */
interface CureMoment {
  readonly minutes: number
  readonly bathCelsius: number
  readonly mouldCelsius: number
  readonly coreCelsius: number
  /** Conversion in the middle, 0 to 1. */
  readonly coreConversion: number
  /** Monomer that is left on the whole, % by mass. */
  readonly residualPercent: number
}

type PorosityRisk = 'low' | 'watch' | 'high'
export interface CureOutcome {
  readonly curve: readonly CureMoment[]
  /** When the bath is over, min. */
  readonly bathMinutes: number
  /** Hottest resin that still holds more than 5 % monomer, °C, and when. */
  readonly peakCelsius: number
  readonly peakMinutes: number
  /** Vapour pressure of the monomer over the dough, as a share of one atmosphere, at its highest. */
  readonly boiling: number
  /** To the boiling point of the monomer, °C; below 0: hotter. */
  readonly marginCelsius: number
  readonly risk: PorosityRisk
  /** Monomer left on the whole, % by mass: when the bath is over, and when the flask is cold. */
  readonly residualAtEndPercent: number
  readonly residualPercent: number
  /** When the whole mould is below 30 °C, min; from then on it may be opened. */
  readonly openFromMinutes: number
  /** Heat that came in and was given off, less what is stored, as a share of what was given off. */
  readonly energyError: number
}

const SHORTEST_SECONDS = 0.1
/** Resin with less monomer than this is stiff: it cannot boil any more. */
const STIFF_MONOMER = 0.05
/** Judgement of the model notes: below 1, since water and air in the dough add to the pressure. */
const LOW_RISK = 0.6
const HIGH_RISK = 0.8
export const OPEN_BELOW_CELSIUS = 30

export interface CureFineness {
  readonly cells: CureGrid
  readonly longestSeconds: number
  /** A step lets the conversion rise by about so much in the fastest cell. */
  readonly rise: number
}
/** For a figure to quote, and for a picture that is dragged. */
export const quotedFineness: CureFineness = {
  cells: { resin: 16, stone: 20 },
  longestSeconds: 10,
  rise: 0.002,
}
export const drawnFineness: CureFineness = { cells: usualCells, longestSeconds: 30, rise: 0.002 }

/**
 * What happens inside the resin: heat through flask and stone, the reaction and its own heat, the monomer that is left.
 *
 * Each step: the kinetics of every cell at its temperature, their heat from the exact rise, then one implicit heat step.
 * @throws {DomainError} `bath`, `flask-start`, `section-too-thick`, `dough`, `not-a-positive-number`
 * Source: heat conduction with free-radical kinetics (see `resin-kinetics`); calibrated to practice, not to a product.
 * Limits: about ±10 °C on the peak of a thick section, ±40 % on residual monomer. Not counted: packing pressure,
 * shrinkage, cross-linker, dissolved water and air, teeth, the sides of the flask, several flasks in one bath.
 */
export function cure(question: CureQuestion, fineness: CureFineness = drawnFineness): CureOutcome {
  const {
    section,
    program,
    flask = usualFlask,
    recipe = usualDough,
    startCelsius = USUAL_ROOM_CELSIUS,
    cooling = 'water',
    measured,
  } = question
  checkBath(program)
  checkFlaskStart(startCelsius)
  const bathMinutes = measured?.endMinutes ?? programMinutes(program)
  const celsiusAt = measured?.at ?? ((minutes: number) => programCelsius(program, minutes))
  const bath = (minutes: number): Bath => bathAt(minutes, bathMinutes, celsiusAt, cooling)
  const field = new CureField(section, flask, startCelsius, fineness.cells)
  const cells = field.resinCells
  const resin = new ReactingResin(cells, recipe)
  const heatPerRise =
    (HEAT_OF_POLYMERISATION * recipe.monomerShare * recipe.kilogramsPerM3) / MMA_KILOGRAMS_PER_MOLE
  const heat = new Float64Array(cells)
  const storedAtStart = field.stored
  const breaks = breaksOf(program, measured, bathMinutes, cooling)
  const cold = (bathMinutes + coolingMinutes(cooling)) * 60
  // A flask that is still warm then stays where it is until it may be opened.
  const end = cold + LONGEST_COOLING_SECONDS
  const curve: CureMoment[] = []
  let [now, step, given, nextMinute, nextBreak] = [0, SHORTEST_SECONDS * 10, 0, 0, 0]
  let [peakCelsius, peakMinutes, boiling] = [Number.NEGATIVE_INFINITY, 0, 0]
  let highest = { celsius: Number.NEGATIVE_INFINITY, monomer: 0 }
  let residualAtEndPercent = 100 * recipe.monomerShare
  let residualColdPercent = residualAtEndPercent
  let openFromMinutes: number | undefined
  const take = () => {
    while (now >= nextMinute * 60 - 1e-6) {
      curve.push({
        minutes: nextMinute,
        bathCelsius: bath(nextMinute).celsius,
        mouldCelsius: field.mouldCelsius,
        coreCelsius: field.celsius[0]!,
        coreConversion: resin.conversion[0]!,
        residualPercent: residual(field, resin),
      })
      nextMinute++
    }
  }
  take()
  while (now < cold - 1e-6 || (openFromMinutes === undefined && now < end - 1e-6)) {
    while (nextBreak < breaks.length && breaks[nextBreak]! <= now + 1e-6) nextBreak++
    const until = min(breaks[nextBreak] ?? end, nextMinute * 60, end)
    const seconds = min(step, until - now)
    let fastest = 0
    for (let n = 0; n < cells; n++) {
      const rise = resin.react(n, field.celsius[n]! + ICE_POINT_KELVIN, seconds)
      if (rise > fastest) fastest = rise
      heat[n] = heatPerRise * rise * field.volume[n]!
      given += heat[n]!
    }
    now += seconds
    const { celsius, film } = bath((now - seconds / 2) / 60)
    field.step(seconds, celsius, film, heat)
    for (let n = 0; n < cells; n++) {
      const monomer = resin.monomerShare(n)
      const celsius = field.celsius[n]!
      if (monomer > STIFF_MONOMER && celsius > peakCelsius) {
        peakCelsius = celsius
        peakMinutes = now / 60
      }
      // It rises with both: no warmer and no richer than where it was highest, it cannot be higher.
      if (celsius <= highest.celsius && monomer <= highest.monomer) continue
      const pressure = vapourPressure(celsius, monomer)
      if (pressure > boiling) {
        boiling = pressure
        highest = { celsius, monomer }
      }
    }
    // A step ends on either moment.
    if (abs(now - bathMinutes * 60) <= 1e-6) residualAtEndPercent = residual(field, resin)
    if (now > bathMinutes * 60 + 1e-6 && openFromMinutes === undefined && field.hottest < OPEN_BELOW_CELSIUS)
      openFromMinutes = now / 60
    if (abs(now - cold) <= 1e-6) residualColdPercent = residual(field, resin)
    take()
    const wanted = fastest > 0 ? (step * fineness.rise) / max(fastest, 1e-12) : step * 1.5
    step = min(fineness.longestSeconds, max(SHORTEST_SECONDS, min(1.5 * step, max(0.3 * step, wanted))))
  }
  const marginCelsius = MONOMER_BOILS_CELSIUS - peakCelsius
  return {
    curve,
    bathMinutes,
    peakCelsius,
    peakMinutes,
    boiling,
    marginCelsius,
    risk: boiling >= HIGH_RISK ? 'high' : boiling < LOW_RISK && marginCelsius >= 0 ? 'low' : 'watch',
    residualAtEndPercent,
    residualPercent: residualColdPercent,
    openFromMinutes: openFromMinutes ?? end / 60,
    energyError: (field.inflow + given - (field.stored - storedAtStart)) / max(1, given),
  }
}

/** Monomer left on the whole, % by mass. */
function residual(field: CureField, resin: ReactingResin): number {
  let [sum, volume] = [0, 0]
  for (let n = 0; n < field.resinCells; n++) {
    sum += field.volume[n]! * resin.monomerShare(n)
    volume += field.volume[n]!
  }
  return (100 * sum) / volume
}

/**
 * Vapour pressure of the monomer over a dough, as a share of one atmosphere; at 1 it boils.
 *
 *     Π = p_sat(T) φ exp((1 - φ) + χ (1 - φ)²),  p_sat = exp(-36 500/R (1/T - 1/373.95)),  χ 0.45
 *
 * @param monomerShare of the mass
 * @example a dough with all its monomer boils at 106.8 °C, one that is half cured at 118.8
 * Source: Flory-Huggins, χ recalled; vapour pressure fitted to 5.1 kPa at 25 °C and 1 atm at 100.8 °C.
 */
export function vapourPressure(celsius: number, monomerShare: number): number {
  const phi = monomerVolumeShare(monomerShare)
  const activity = phi * exp(1 - phi + 0.45 * (1 - phi) ** 2)
  return activity * exp((-36_500 / GAS_CONSTANT) * (1 / (celsius + ICE_POINT_KELVIN) - 1 / 373.95))
}

function bathAt(
  minutes: number,
  bathMinutes: number,
  celsiusAt: (minutes: number) => number,
  cooling: Cooling,
): Bath {
  if (minutes <= bathMinutes) return { celsius: celsiusAt(minutes), film: WATER_FILM_WATTS_PER_M2K }
  let from = bathMinutes
  for (const { celsius, film, minutes: length } of coolingBaths[cooling]) {
    if (minutes <= from + length) return { celsius, film }
    from += length
  }
  return coolingBaths[cooling].at(-1)!
}

/** Instants that a step must end on, s. */
function breaksOf(
  program: TemperatureProgram,
  measured: CureQuestion['measured'],
  bathMinutes: number,
  cooling: Cooling,
): number[] {
  const own = measured
    ? []
    : programStretches(program).flatMap(({ startMinutes, rampMinutes }) => [
        startMinutes,
        startMinutes + rampMinutes,
      ])
  let from = bathMinutes
  const cooled = coolingBaths[cooling].map(({ minutes }) => (from += minutes))
  return [...own, bathMinutes, ...cooled]
    .map((minutes) => minutes * 60)
    .filter((seconds) => seconds > 0)
    .sort((a, b) => a - b)
}

/** Hotter than this is not counted on, °C. */
const HOTTEST_BATH_CELSIUS = 130

const MOST_LINES = 12
const LONGEST_HOLD_MINUTES = 24 * 60
const LONGEST_BATH_MINUTES = 36 * 60

/** Refuses a bath that cannot be run: which line, which of its figures, and what it may be. @throws {DomainError} `bath` */
export function checkBath({ startCelsius, segments }: TemperatureProgram): void {
  const within = (value: number, most: number) => value >= 0 && value <= most
  if (!within(startCelsius, HOTTEST_BATH_CELSIUS))
    refuseBath(
      saying`A bath does not start at ${qty.celsius(startCelsius)}.`,
      saying`Enter ${qty.celsius(0)} to ${qty.celsius(HOTTEST_BATH_CELSIUS)}.`,
      'startCelsius',
    )
  if (segments.length === 0) refuseBath('The bath is empty.', 'Add a line.', 'segments')
  if (segments.length > MOST_LINES)
    refuseBath(`The bath has ${segments.length} lines.`, `Enter ${MOST_LINES} at most.`, 'segments')
  for (const [index, { rampCelsiusPerMinute, toCelsius, holdMinutes }] of segments.entries()) {
    const field = (name: string) => `segments.${index}.${name}`
    if (!(rampCelsiusPerMinute > 0 && Number.isFinite(rampCelsiusPerMinute)))
      refuseBath(
        saying`Line ${index + 1} heats at ${qty.celsiusPerMinute(rampCelsiusPerMinute)}.`,
        'Enter a rate above 0.',
        field('rampCelsiusPerMinute'),
      )
    if (!within(toCelsius, HOTTEST_BATH_CELSIUS))
      refuseBath(
        saying`Line ${index + 1} goes to ${qty.celsius(toCelsius)}.`,
        saying`Enter ${qty.celsius(0)} to ${qty.celsius(HOTTEST_BATH_CELSIUS)}.`,
        field('toCelsius'),
      )
    if (!within(holdMinutes, LONGEST_HOLD_MINUTES))
      refuseBath(
        saying`Line ${index + 1} holds for ${qty.minutes(holdMinutes)}.`,
        saying`Enter 0 to ${qty.minutes(LONGEST_HOLD_MINUTES)}.`,
        field('holdMinutes'),
      )
  }
  const minutes = programMinutes({ startCelsius, segments })
  if (!(minutes > 0)) refuseBath('The bath takes no time.', 'Enter a hold.', 'segments')
  if (minutes > LONGEST_BATH_MINUTES)
    refuseBath('That bath runs longer than a day and a half.', 'Shorten a hold.', 'segments')
}

function refuseBath(message: Saying, remedy: Saying, field: string): never {
  throw new DomainError('bath', message, remedy, field)
}

/** No flask is put in hotter (choice). */
const HOTTEST_FLASK_CELSIUS = 200

/** @throws {DomainError} `flask-start` */
function checkFlaskStart(celsius: number): void {
  if (!(celsius >= 0 && celsius <= HOTTEST_FLASK_CELSIUS))
    throw new DomainError(
      'flask-start',
      saying`A flask does not go in at ${qty.celsius(celsius)}.`,
      saying`Enter ${qty.celsius(0)} to ${qty.celsius(HOTTEST_FLASK_CELSIUS)}; left out, the room.`,
      'startCelsius',
    )
}
