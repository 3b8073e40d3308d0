import { type Binder, materials } from '../materials/index.ts'
import { programMinutes, type TemperatureProgram } from '../program/index.ts'
import { qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'

/** Gypsum binder breaks down with carbon above it. Source: Phillips, recalled. */
export const GYPSUM_CEILING_CELSIUS = 700
/** Where quartz and cristobalite expand all at once. Source: Phillips, recalled. */
export const inversions = { cristobaliteCelsius: [200, 270] as const, quartzCelsius: 573 }

/** A ring that goes into a furnace hotter than this is not taken slowly through its inversions, °C (choice: where the first begins). */
export const HOT_ENTRY_FROM_CELSIUS = inversions.cristobaliteCelsius[0]

/**
 * Why a ring may not go in so hot; undefined: it may. Only a phosphate-bonded product that its maker has marked for it may.
 * @param marked whether the product in hand is; never known of a class card
 * Source: common practice, the sheet of the maker; a wet ring bursts by its steam.
 */
export function hotEntryFault(startCelsius: number, binder: Binder, marked: boolean): Saying | undefined {
  if (startCelsius <= HOT_ENTRY_FROM_CELSIUS || (marked && binder === 'phosphate')) return undefined
  return binder === 'gypsum'
    ? saying`A gypsum-bonded ring never goes into ${qty.celsius(startCelsius, 0)}: steam bursts it`
    : saying`A ring whose product is not marked for it does not go into ${qty.celsius(startCelsius, 0)}: steam bursts it`
}

/** @throws {DomainError} `not-marked-for-hot-entry` */
export function mustMayGoInHot(startCelsius: number, binder: Binder, marked: boolean): void {
  const fault = hotEntryFault(startCelsius, binder, marked)
  if (fault)
    throw new DomainError(
      'not-marked-for-hot-entry',
      saying`${fault}.`,
      'Start in a cold furnace, or mark the product on the shelf where its sheet says so.',
      'startCelsius',
    )
}

/** No room is warmer (choice). */
export const WARMEST_ROOM_CELSIUS = 40

/** What a program does that nobody wants of it, as sentences. */
export function programWarnings({ startCelsius, segments }: TemperatureProgram): Saying[] {
  const last = segments.at(-1)
  const before = segments.at(-2)?.toCelsius ?? startCelsius
  return [
    ...(startCelsius > WARMEST_ROOM_CELSIUS && startCelsius <= HOT_ENTRY_FROM_CELSIUS
      ? [
          saying`The furnace is at ${qty.celsius(startCelsius, 0)} when the ring goes in: it wants to be cold.`,
        ]
      : []),
    ...(last && last.toCelsius < before
      ? [
          saying`The last stretch falls from ${qty.celsius(before, 0)} to ${qty.celsius(last.toCelsius, 0)}: the mould shrinks before it is cast.`,
        ]
      : []),
  ]
}

/** No furnace of the trade is hotter (choice). */
const HOTTEST_CELSIUS = 1300
/** Two days and nights: no ring stays in for longer (choice). */
const LONGEST_MINUTES = 48 * 60

/**
 * Refuses a program that cannot be run.
 * @throws {DomainError} `no-segment`, `segment`, `gypsum-too-hot`, `program-too-long`
 */
export function checkProgram(program: TemperatureProgram, binder: Binder): void {
  const { startCelsius, segments } = program
  if (!(startCelsius >= 0 && startCelsius <= HOTTEST_CELSIUS))
    throw new DomainError(
      'segment',
      saying`A furnace does not start at ${qty.celsius(startCelsius)}.`,
      saying`Enter the temperature at which the ring goes in, ${qty.celsius(0)} to ${qty.celsius(HOTTEST_CELSIUS)}.`,
      'startCelsius',
    )
  if (segments.length === 0)
    throw new DomainError('no-segment', 'The program is empty.', 'Add a ramp and a hold.', 'segments')
  let from = startCelsius
  for (const { rampCelsiusPerMinute, toCelsius, holdMinutes } of segments) {
    const moves = toCelsius !== from
    const good =
      toCelsius >= 0 &&
      toCelsius <= HOTTEST_CELSIUS &&
      holdMinutes >= 0 &&
      (!moves || (rampCelsiusPerMinute > 0 && Number.isFinite(rampCelsiusPerMinute)))
    if (!good)
      throw new DomainError(
        'segment',
        saying`A stretch to ${qty.celsius(toCelsius)} at ${qty.celsiusPerMinute(rampCelsiusPerMinute)}, held ${qty.minutes(holdMinutes)}, cannot be run.`,
        saying`Enter a rate above 0, a temperature to ${qty.celsius(HOTTEST_CELSIUS)} and a hold of 0 or more.`,
        'segments',
      )
    if (binder === 'gypsum' && toCelsius > GYPSUM_CEILING_CELSIUS)
      throw new DomainError(
        'gypsum-too-hot',
        saying`Gypsum-bonded investment breaks down above ${qty.celsius(GYPSUM_CEILING_CELSIUS)}.`,
        saying`Set the final hold to ${qty.celsius(GYPSUM_CEILING_CELSIUS)} or less, or invest in phosphate-bonded.`,
        'segments',
      )
    from = toCelsius
  }
  const minutes = programMinutes(program)
  if (!(minutes <= LONGEST_MINUTES))
    throw new DomainError(
      'program-too-long',
      saying`The program takes ${qty.minutes(minutes, 0)}.`,
      saying`Enter faster rates or shorter holds: ${qty.minutes(LONGEST_MINUTES)} at most in all.`,
      'segments',
    )
}

interface BurnoutWish {
  readonly binder: Binder
  /** Of the ring, mm. */
  readonly radiusMillimetres: number
  readonly rings: number
  /** Wax, or resin patterns: slower, held longer. */
  readonly pattern: 'wax' | 'resin'
  /** Marked by its maker for a hot entry. */
  readonly fast: boolean
  readonly peakCelsius: number
}

/** Usual final temperatures, °C (common practice; the maker's sheet wins). */
export const usualPeaks: Readonly<Record<Binder, number>> = {
  gypsum: materials.get('gypsum-investment')!.investment!.peakCelsius,
  phosphate: materials.get('phosphate-investment')!.investment!.peakCelsius,
}

/**
 * A safe program by binder, size, number of rings and kind of pattern: slow through cristobalite and quartz, the first
 * hold long enough to drive out the water, the last longer for more and larger rings.
 *
 * @throws {DomainError} `segment`, `gypsum-too-hot`, `not-marked-for-hot-entry`
 * Source: common practice; the rates and added minutes our choice, the maker's sheet wins.
 */
export function burnoutProgram(wish: BurnoutWish): TemperatureProgram {
  const { binder, radiusMillimetres, rings, pattern, fast, peakCelsius } = wish
  if (fast) mustMayGoInHot(peakCelsius, binder, true)
  const larger = Math.max(0, radiusMillimetres - 32.5)
  const more = Math.max(0, rings - 1)
  const finalHold = 60 + 2 * larger + 10 * more + (pattern === 'resin' ? 30 : 0)
  const program: TemperatureProgram = fast
    ? {
        // The ring goes into the hot furnace: it starts at its peak.
        startCelsius: peakCelsius,
        segments: [{ rampCelsiusPerMinute: 1, toCelsius: peakCelsius, holdMinutes: finalHold }],
      }
    : {
        startCelsius: 20,
        segments: [
          {
            rampCelsiusPerMinute: pattern === 'resin' ? 3 : 5,
            toCelsius: 250,
            holdMinutes: (pattern === 'resin' ? 90 : 60) + 2 * larger + 5 * more,
          },
          ...(binder === 'phosphate'
            ? [{ rampCelsiusPerMinute: 5, toCelsius: 570, holdMinutes: 30 + 5 * more }]
            : []),
          {
            rampCelsiusPerMinute: binder === 'phosphate' ? 7 : 5,
            toCelsius: peakCelsius,
            holdMinutes: finalHold,
          },
        ],
      }
  checkProgram(program, binder)
  return program
}

/**
 * A program in two stages for the night: the ring dries in the first hold until the morning, then goes on as it would.
 *
 * @param minutes from putting it in to the end of the program
 * @throws {DomainError} `night-too-short`: the program as it is takes longer
 * Source: common practice; long low holds only dry it.
 */
export function overnight(program: TemperatureProgram, minutes: number): TemperatureProgram {
  const spare = minutes - programMinutes(program)
  const [first, ...rest] = program.segments
  if (!(spare >= 0) || !first || rest.length === 0)
    throw new DomainError(
      'night-too-short',
      saying`The program takes ${qty.minutes(Math.ceil(programMinutes(program)))}, and there are ${Math.floor(minutes)}.`,
      'Put it in earlier, or have it ready later.',
      'minutes',
    )
  return { ...program, segments: [{ ...first, holdMinutes: first.holdMinutes + spare }, ...rest] }
}
