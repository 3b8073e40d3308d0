import { DomainError } from '../refusal/index.ts'
import { figure, list, maybe, type Of, record, yesNo } from '../shape/index.ts'

/** One stretch of a program: on to a temperature at a rate, then a hold. */
const segmentShape = record({
  rampCelsiusPerMinute: figure(0, 1000, { example: 5 }),
  toCelsius: figure(-50, 2000, { example: 250 }),
  holdMinutes: figure(0, 10_080, { example: 60 }),
  /** The pump runs while it lasts. */
  vacuum: maybe(yesNo({ example: false })),
})
export type ProgramSegment = Of<typeof segmentShape>
/** A timed temperature cycle of a furnace or a bath. */
export const programShape = record({
  startCelsius: figure(-50, 2000, { example: 20 }),
  segments: list(segmentShape, 20),
})
export type TemperatureProgram = Of<typeof programShape>

/** A segment laid out in time. */
interface ProgramStretch extends ProgramSegment {
  readonly fromCelsius: number
  readonly startMinutes: number
  readonly rampMinutes: number
}

/** A simulation asks for the same program thousands of times. */
const laidOut = new WeakMap<TemperatureProgram, readonly ProgramStretch[]>()

/** The segments of a program one after the other, each with its start and the minutes of its ramp, |ΔT| / rate (exact). */
export function programStretches(program: TemperatureProgram): readonly ProgramStretch[] {
  const known = laidOut.get(program)
  if (known) return known
  const stretches = layOut(program)
  laidOut.set(program, stretches)
  return stretches
}

function layOut({ startCelsius, segments }: TemperatureProgram): readonly ProgramStretch[] {
  let fromCelsius = startCelsius
  let startMinutes = 0
  return segments.map((segment) => {
    const { rampCelsiusPerMinute, toCelsius, holdMinutes } = segment
    const rampMinutes =
      toCelsius === fromCelsius ? 0 : Math.abs(toCelsius - fromCelsius) / rampCelsiusPerMinute
    const stretch = { ...segment, fromCelsius, startMinutes, rampMinutes }
    fromCelsius = toCelsius
    startMinutes += rampMinutes + holdMinutes
    return stretch
  })
}

/** Length of a program, min: Σ |ΔT| / rate + Σ holds (exact). */
export function programMinutes(program: TemperatureProgram): number {
  const last = programStretches(program).at(-1)
  return last ? last.startMinutes + last.rampMinutes + last.holdMinutes : 0
}

/** A day: no machine of the bench is left on a program for longer (choice), min. */
const LONGEST_RUN_MINUTES = 24 * 60

/** Refuses a program that a machine cannot run. @throws {DomainError} `segment` */
export function checkProgramLength(program: TemperatureProgram): void {
  const minutes = programMinutes(program)
  if (!(program.segments.length > 0 && minutes > 0 && minutes <= LONGEST_RUN_MINUTES))
    throw new DomainError(
      'segment',
      'That program cannot be run.',
      'Enter rates above 0, and a day at most in all.',
      'program',
    )
}

/** The stretch that runs so many minutes in; the last one afterwards. */
export function programStretchAt(program: TemperatureProgram, minutes: number): ProgramStretch | undefined {
  const stretches = programStretches(program)
  return (
    stretches.find(
      ({ startMinutes, rampMinutes, holdMinutes }) => minutes <= startMinutes + rampMinutes + holdMinutes,
    ) ?? stretches.at(-1)
  )
}

/** Temperature that a program wants so many minutes in; its last temperature afterwards. */
export function programCelsius(program: TemperatureProgram, minutes: number): number {
  const stretch = programStretchAt(program, minutes)
  if (!stretch) return program.startCelsius
  const { fromCelsius, toCelsius, startMinutes, rampMinutes } = stretch
  const into = minutes - startMinutes
  return into >= rampMinutes ? toCelsius : fromCelsius + (toCelsius - fromCelsius) * (into / rampMinutes)
}

const MINUTE = 60_000

/** When to start, so that it is ready at an instant; elapsed minutes, whatever the clocks do meanwhile. */
export function startFor(readyAt: number, program: TemperatureProgram, reserveMinutes = 0): number {
  return readyAt - (programMinutes(program) + reserveMinutes) * MINUTE
}
/** When what was started at an instant is ready. */
export function readyAfter(startAt: number, program: TemperatureProgram, reserveMinutes = 0): number {
  return startAt + (programMinutes(program) + reserveMinutes) * MINUTE
}
