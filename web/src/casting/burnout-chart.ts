import { type CoreReady, displayUnit, type RingSpeed, slowBands, type UnitSystem } from '@yentrik/core'
import { clockTime } from '../format/format.ts'
import type { Points } from '../program/run-points.ts'

export const furnaceColour = '#d97a2e'
export const coreColour = '#3f8f97'
const quiet = '#8c999c'

const line = { type: 'line', showSymbol: false }

/** Bands of the inversions, behind the curves. */
const bandsIn = (hot: Hot) => ({
  silent: true,
  itemStyle: { color: 'rgba(140,153,156,0.18)' },
  label: { position: 'insideTopLeft', fontSize: 13, color: '#6b7678' },
  data: slowBands.map(({ name, celsius: [from, to] }) => [{ name, yAxis: hot(from) }, { yAxis: hot(to) }]),
})
/** A temperature on the axis of this bench. */
type Hot = (celsius: number) => number

function frame(series: readonly object[], until: number, unit: string) {
  return {
    animation: false,
    textStyle: { fontFamily: 'inherit', fontSize: 14 },
    grid: { left: 52, right: 20, top: 20, bottom: 40 },
    tooltip: { trigger: 'axis', valueFormatter: (value: number) => `${value.toFixed(0)} ${unit}` },
    xAxis: {
      type: 'time',
      max: until,
      axisLabel: { formatter: (instant: number) => clockTime(instant), hideOverlap: true },
    },
    yAxis: { type: 'value', name: unit, min: 0 },
    series,
  }
}

/** The furnace and the core as they are planned, with the range of the core. */
export function plannedOption({ heats, programMinutes }: CoreReady, putInAt: number, system: UnitSystem) {
  const { unit, fromStored: hot } = displayUnit('celsius', system)
  const hours = (minutes: number) => putInAt + minutes * 60_000
  const core = (speed: RingSpeed) =>
    heats[speed].curve.map(({ minutes, coreCelsius }) => [hours(minutes), hot(coreCelsius)])
  const dashed = { color: coreColour, lineStyle: { width: 1, type: 'dashed' } }
  return frame(
    [
      {
        ...line,
        name: 'furnace',
        color: furnaceColour,
        lineStyle: { width: 3 },
        data: heats.typical.curve.map(({ minutes, furnaceCelsius }) => [hours(minutes), hot(furnaceCelsius)]),
        markArea: bandsIn(hot),
        markLine: {
          symbol: 'none',
          label: { formatter: '{b}' },
          data: [{ xAxis: hours(programMinutes), name: 'ends' }],
        },
      },
      { ...line, name: 'core, likely', color: coreColour, lineStyle: { width: 3 }, data: core('typical') },
      { ...line, name: 'core, fast ring', ...dashed, data: core('fast') },
      { ...line, name: 'core, slow ring', ...dashed, data: core('slow') },
    ],
    hours(programMinutes + 30),
    unit,
  )
}

/** What was set, what the furnace shows and where the core is by that. */
export function measuredOption(
  curves: {
    readonly set: Points
    readonly measured: Points
    readonly core: Points
    readonly until: number
  },
  system: UnitSystem,
) {
  const { unit, fromStored: hot } = displayUnit('celsius', system)
  const shown = (points: Points) => points.map(([instant, celsius]) => [instant, hot(celsius)])
  return frame(
    [
      {
        ...line,
        name: 'set',
        color: quiet,
        lineStyle: { width: 2, type: 'dashed' },
        data: shown(curves.set),
        markArea: bandsIn(hot),
      },
      {
        ...line,
        name: 'measured',
        color: furnaceColour,
        lineStyle: { width: 3 },
        data: shown(curves.measured),
      },
      { ...line, name: 'core, likely', color: coreColour, lineStyle: { width: 3 }, data: shown(curves.core) },
    ],
    curves.until,
    unit,
  )
}
