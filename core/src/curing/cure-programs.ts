import { USUAL_ROOM_CELSIUS } from '../heat/index.ts'
import type { Source } from '../materials/index.ts'
import { COMMON_PRACTICE } from '../materials/index.ts'
import type { ProgramSegment, TemperatureProgram } from '../program/index.ts'
import { qty, type Saying, saying } from '../quantity/index.ts'

/** Water of the bath at the start, °C: it has stood in the room. */
export const COLD_WATER_CELSIUS = USUAL_ROOM_CELSIUS
/** The usual hold, °C: 165 °F (exact 73.9). */
const LONG_HOLD_CELSIUS = 74
export const BOIL_CELSIUS = 100

/** A bath that labs use. */
interface CurePreset {
  readonly id: string
  readonly name: Saying
  readonly program: TemperatureProgram
  readonly source: Source
}

/** A ramp of so many minutes between two temperatures, then a hold. */
export function stretch(
  fromCelsius: number,
  toCelsius: number,
  rampMinutes: number,
  holdMinutes: number,
): ProgramSegment {
  const rampCelsiusPerMinute = toCelsius === fromCelsius ? 1 : Math.abs(toCelsius - fromCelsius) / rampMinutes
  return { rampCelsiusPerMinute, toCelsius, holdMinutes }
}

/** From cold water: up to a hold, and where it ends in a boil, on to that. */
export function twoStage(
  first: { readonly toCelsius: number; readonly rampMinutes: number; readonly holdMinutes: number },
  boil?: { readonly rampMinutes: number; readonly holdMinutes: number },
): TemperatureProgram {
  return {
    startCelsius: COLD_WATER_CELSIUS,
    segments: [
      stretch(COLD_WATER_CELSIUS, first.toCelsius, first.rampMinutes, first.holdMinutes),
      ...(boil ? [stretch(first.toCelsius, BOIL_CELSIUS, boil.rampMinutes, boil.holdMinutes)] : []),
    ],
  }
}

const hold = (holdMinutes: number) => ({ toCelsius: LONG_HOLD_CELSIUS, rampMinutes: 30, holdMinutes })
const boil = { rampMinutes: 30, holdMinutes: 60 }

const named = (hours: string): Saying => saying`${qty.celsius(LONG_HOLD_CELSIUS, 0)} ${hours}`

/** Baths of the trade, and the one that must not be: into boiling water. */
export const curePresets: readonly CurePreset[] = [
  {
    id: 'long-boil',
    name: named('8 h, then boil 1 h'),
    program: twoStage(hold(480), boil),
    source: COMMON_PRACTICE,
  },
  { id: 'long', name: named('12 h, no boil'), program: twoStage(hold(720)), source: COMMON_PRACTICE },
  {
    id: 'short-boil',
    name: named('2 h, then boil 1 h'),
    program: twoStage(hold(120), boil),
    source: COMMON_PRACTICE,
  },
  {
    id: 'straight',
    name: 'Straight into boiling water, 45 min',
    program: { startCelsius: BOIL_CELSIUS, segments: [stretch(BOIL_CELSIUS, BOIL_CELSIUS, 0, 45)] },
    source: 'never with a thick base: common practice',
  },
]
