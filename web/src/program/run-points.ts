import type { MachineRunShown } from '@yentrik/contract'
import { programStretches, type TemperatureProgram } from '@yentrik/core'

const MINUTE = 60_000
export type Points = readonly (readonly [instant: number, celsius: number])[]

/** A program laid out from an instant on: the corners of its curve. */
export const plannedPoints = (program: TemperatureProgram, start: number): Points => [
  [start, program.startCelsius],
  ...programStretches(program).flatMap(({ startMinutes, rampMinutes, holdMinutes, toCelsius }) => [
    [start + (startMinutes + rampMinutes) * MINUTE, toCelsius] as const,
    [start + (startMinutes + rampMinutes + holdMinutes) * MINUTE, toCelsius] as const,
  ]),
]

/** What a run measured, by the clock. */
export const measuredPoints = ({ startedAt, measured }: MachineRunShown): Points =>
  measured.map(({ minutes, celsius }) => [Date.parse(startedAt) + minutes * MINUTE, celsius])
