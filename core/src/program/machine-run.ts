import { requirePositive } from '../refusal/index.ts'
import {
  programCelsius,
  programMinutes,
  programStretchAt,
  type TemperatureProgram,
} from './temperature-program.ts'

/** What a heated machine is like: one mass that is heated, loses heat to the room, and is read with a lag. */
export interface MachineNature {
  readonly roomCelsius: number
  /** In which it loses 63 % of its heat over the room when nothing heats it. */
  readonly timeConstantMinutes: number
  /** Where full power would bring it. */
  readonly fullPowerCelsius: number
  readonly sensorLagMinutes: number
  readonly noiseCelsius: number
  /** It gets no hotter than this: water boils. */
  readonly mostCelsius?: number
  /** Its thermocouple shows so much more than there is. */
  readonly readsTooMuchCelsius?: number
  /** It is read so many times a minute, 6 at most; once when left out. */
  readonly readingsPerMinute?: 1 | 2 | 3 | 6
}

/** What goes wrong with it; minutes from the start of the run. */
export type MachineTrouble =
  | { readonly kind: 'powerCut' | 'doorOpen'; readonly fromMinutes: number; readonly minutes: number }
  /** The thermocouple reads more and more too high (or, below 0, too low). */
  | { readonly kind: 'drift'; readonly fromMinutes: number; readonly celsiusPerHour: number }
  /** Its door no longer seals: the pump never gets far. */
  | { readonly kind: 'vacuumLeak'; readonly fromMinutes: number }

/** One reading of a run. */
interface RunMoment {
  readonly minutes: number
  readonly setCelsius: number
  /** What the machine shows. */
  readonly measuredCelsius: number
  /** What is really inside. */
  readonly chamberCelsius: number
  /** Left in the chamber; only of a program with a vacuum. */
  readonly kilopascals?: number
}
export interface MachineRun {
  /** One moment a minute, or more where the machine is read more often, from 0. */
  readonly moments: readonly RunMoment[]
  /** When the program had run through; undefined: not yet. */
  readonly endMinutes?: number
}

const STEP_MINUTES = 1 / 6
/** So far behind its set point the program waits, °C (choice). */
const WAITS_BEHIND_CELSIUS = 25
/** Share of full power per °C of error, and the minutes in which a lasting error doubles it (choice). */
const POWER_PER_CELSIUS = 0.012
const RESET_MINUTES = 12
/** A larger error is on its way to be mended, and is not summed up (choice). */
const RESETS_WITHIN_CELSIUS = 10
/** An open door lets the heat out so many times as fast (choice). */
const DOOR_LOSS_FACTOR = 8
/** The air, what a good pump leaves of it, what a leak lets in, and in which it gets there (choice). */
const AIR_KILOPASCALS = 101
const PUMPED_KILOPASCALS = 3
const LEAKING_KILOPASCALS = 35
const PUMP_MINUTES = 0.4

/**
 * A machine that is not there, on its program: it lags, overshoots, trembles, waits when it is behind, goes on where it
 * stood after a power cut. Always the same for the same seed, so that it can be worked out again at any time.
 *
 *     dT/dt = P - (T - T_room) / τ,  P by a PI controller on what the sensor shows
 *
 * @param minutes how far to follow it
 * @param random numbers from 0 to 1
 * @throws {DomainError} `not-a-positive-number`
 * Source: a first-order body with a PI controller, textbook; its figures are our choice.
 */
export function runMachine(
  program: TemperatureProgram,
  nature: MachineNature,
  troubles: readonly MachineTrouble[],
  minutes: number,
  random: () => number,
): MachineRun {
  requirePositive(minutes, 'minutes', 'The time', { orZero: true })
  const { roomCelsius, timeConstantMinutes: tau, fullPowerCelsius, sensorLagMinutes, noiseCelsius } = nature
  const { mostCelsius = Number.POSITIVE_INFINITY, readsTooMuchCelsius = 0, readingsPerMinute = 1 } = nature
  const pumps = program.segments.some(({ vacuum }) => vacuum)
  let left = AIR_KILOPASCALS
  const span = fullPowerCelsius - roomCelsius
  const length = programMinutes(program)
  let chamber = program.startCelsius
  let sensed = chamber
  let into = 0
  let reset = 0
  let endMinutes: number | undefined
  const moments: RunMoment[] = []
  const steps = Math.floor(minutes / STEP_MINUTES + 1e-9)
  for (let n = 0; n <= steps; n++) {
    const now = n * STEP_MINUTES
    const setCelsius = programCelsius(program, into)
    const shown = sensed + readsTooMuchCelsius + driftAt(troubles, now)
    if (n % (6 / readingsPerMinute) === 0)
      moments.push({
        minutes: Math.round(now * readingsPerMinute) / readingsPerMinute,
        setCelsius,
        measuredCelsius: shown + noiseCelsius * (2 * random() - 1),
        chamberCelsius: chamber,
        ...(pumps ? { kilopascals: left } : {}),
      })
    const dark = isOn(troubles, 'powerCut', now)
    const leaks = troubles.some(({ kind, fromMinutes }) => kind === 'vacuumLeak' && now >= fromMinutes)
    const pumped = !dark && into < length && programStretchAt(program, into)?.vacuum
    const towards = pumped ? (leaks ? LEAKING_KILOPASCALS : PUMPED_KILOPASCALS) : AIR_KILOPASCALS
    left += (towards - left) * (1 - Math.exp(-STEP_MINUTES / PUMP_MINUTES))
    const error = setCelsius - shown
    const rate = rampRate(program, into)
    const wanted = (setCelsius - roomCelsius) / span + (rate * tau) / span + POWER_PER_CELSIUS * error + reset
    const power = dark ? 0 : Math.min(1, Math.max(0, wanted))
    if (!dark && power === wanted && Math.abs(error) < RESETS_WITHIN_CELSIUS)
      reset += (POWER_PER_CELSIUS * error * STEP_MINUTES) / RESET_MINUTES
    const loss = (chamber - roomCelsius) / (isOn(troubles, 'doorOpen', now) ? tau / DOOR_LOSS_FACTOR : tau)
    chamber = Math.min(mostCelsius, chamber + STEP_MINUTES * ((power * span) / tau - loss))
    sensed += (chamber - sensed) * (1 - Math.exp(-STEP_MINUTES / sensorLagMinutes))
    if (!dark && error < WAITS_BEHIND_CELSIUS) into += STEP_MINUTES
    if (endMinutes === undefined && into >= length) endMinutes = now + STEP_MINUTES
  }
  return { moments, ...(endMinutes === undefined ? {} : { endMinutes }) }
}

/** °C/min that the program wants just then: 0 in a hold. */
function rampRate(program: TemperatureProgram, minutes: number): number {
  const stretch = programStretchAt(program, minutes)
  if (!stretch || minutes >= stretch.startMinutes + stretch.rampMinutes) return 0
  return (stretch.toCelsius - stretch.fromCelsius) / stretch.rampMinutes
}

function isOn(troubles: readonly MachineTrouble[], kind: 'powerCut' | 'doorOpen', now: number): boolean {
  return troubles.some(
    (trouble) =>
      trouble.kind === kind &&
      now >= trouble.fromMinutes &&
      'minutes' in trouble &&
      now < trouble.fromMinutes + trouble.minutes,
  )
}

function driftAt(troubles: readonly MachineTrouble[], now: number): number {
  return troubles.reduce(
    (sum, trouble) =>
      trouble.kind === 'drift' && now > trouble.fromMinutes
        ? sum + (trouble.celsiusPerHour * (now - trouble.fromMinutes)) / 60
        : sum,
    0,
  )
}
