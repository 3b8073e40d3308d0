import { qty, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { choice, figure, list, maybe, type Of, record } from '../shape/index.ts'
import { programCelsius, programShape } from './temperature-program.ts'

/** A temperature that was read, minutes from the start. */
const measuredPointShape = record({
  minutes: figure(-100_000, 100_000, { example: 120 }),
  celsius: figure(-1000, 10_000, { example: 250 }),
  /** Left in a chamber that is pumped. */
  kilopascals: maybe(figure(0, 200, { example: 4 })),
})
export type MeasuredPoint = Of<typeof measuredPointShape>

/** What is known of a run: its program, and what was read off the machine or by hand. */
export const measuredRunShape = record({
  program: programShape,
  /** All the way by the machine, or now and then by hand. */
  from: choice(['machine', 'hand']),
  measured: list(measuredPointShape, 1000),
  /** When the machine had run the program through, which waits and power cuts put off; left out: as planned. */
  endMinutes: maybe(figure(-100_000, 100_000, { example: 310 })),
  /** What the machine shows too much, °C, by a second thermometer; 0 when none was held to it. */
  showsTooMuchCelsius: figure(-2000, 2000, { example: 0 }),
})
export type MeasuredRun = Of<typeof measuredRunShape>

/** Points beyond this are not kept: fifteen hours by the minute (choice). */
const MOST_POINTS = 900

/** The readings of a machine as a record keeps them: all, or of a long run every second, third ... and always the last. */
export function keptReadings(measured: readonly MeasuredPoint[]): readonly MeasuredPoint[] {
  const every = measured.length <= MOST_POINTS ? 1 : Math.ceil(measured.length / (MOST_POINTS - 1))
  return measured
    .filter((_, index) => index % every === 0 || index === measured.length - 1)
    .map(({ minutes, celsius, kilopascals }) => ({
      minutes,
      celsius,
      ...(kilopascals === undefined ? {} : { kilopascals }),
    }))
}

/** A week: no program runs on longer (choice). */
const LONGEST_MINUTES = 7 * 24 * 60

/**
 * Refuses readings that make no sense.
 * @throws {DomainError} `no-reading`, `readings-not-in-order`, `reading-not-plausible`
 */
export function checkMeasured({ measured, showsTooMuchCelsius, endMinutes }: MeasuredRun): void {
  if (measured.length === 0)
    throw new DomainError(
      'no-reading',
      'Nothing was read.',
      'Read the temperature once, in the final hold.',
      'measured',
    )
  if (measured.length > MOST_POINTS)
    throw new DomainError(
      'too-many-readings',
      `${measured.length} readings are too many.`,
      `Keep at most ${MOST_POINTS}, one a minute.`,
      'measured',
    )
  for (const [index, { minutes, celsius }] of measured.entries()) {
    if (!(minutes >= 0 && minutes <= LONGEST_MINUTES && minutes > (measured[index - 1]?.minutes ?? -1)))
      throw new DomainError(
        'readings-not-in-order',
        saying`The reading at ${qty.minutes(minutes)} is out of order.`,
        'Enter the readings by the clock, each after the one before.',
        'measured',
      )
    if (!isPlausibleCelsius(celsius)) throw implausible(celsius)
  }
  if (!(Math.abs(showsTooMuchCelsius) <= 200)) throw implausible(showsTooMuchCelsius)
  if (!(endMinutes === undefined || (endMinutes >= 0 && endMinutes <= LONGEST_MINUTES)))
    throw new DomainError(
      'readings-not-in-order',
      saying`The program cannot have ended after ${qty.minutes(endMinutes)}.`,
      'Enter when it ended, by the clock.',
      'measured',
    )
}

/** Whether a furnace or a bath can be so hot at all; a broken thermocouple reads far beyond (our choice of the ends). */
export function isPlausibleCelsius(celsius: number): boolean {
  return celsius > -20 && celsius < 1800
}

function implausible(celsius: number): DomainError {
  return new DomainError(
    'reading-not-plausible',
    saying`${qty.celsius(celsius)} cannot be right.`,
    'Read it again.',
    'measured',
  )
}

/**
 * The temperature inside over time, as far as it is known: between the machine's own readings a straight line; with
 * readings by hand the program, moved by what they were off it.
 */
export function insideCelsius(run: MeasuredRun): (minutes: number) => number {
  const { measured, program, from, showsTooMuchCelsius } = run
  const value = (point: MeasuredPoint) =>
    point.celsius - showsTooMuchCelsius - (from === 'hand' ? programCelsius(program, point.minutes) : 0)
  const at = (minutes: number) => {
    const after = measured.findIndex((point) => point.minutes >= minutes)
    if (after < 0) return value(measured.at(-1)!)
    const right = measured[after]!
    const left = measured[after - 1]
    if (!left || right.minutes === minutes) return value(right)
    const share = (minutes - left.minutes) / (right.minutes - left.minutes)
    return value(left) + share * (value(right) - value(left))
  }
  return from === 'hand' ? (minutes) => programCelsius(program, minutes) + at(minutes) : at
}
