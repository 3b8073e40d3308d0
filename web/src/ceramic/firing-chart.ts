import { displayUnit, type UnitSystem } from '@yentrik/core'
import { clockTime } from '../format/format.ts'
import type { Points } from '../program/run-points.ts'

export const furnaceColour = '#d97a2e'

/** What was set and what the furnace showed, over the hours. */
export function firingOption(set: Points, measured: Points, until: number, system: UnitSystem) {
  const { unit, fromStored: hot } = displayUnit('celsius', system)
  const shown = (points: Points) => points.map(([at, celsius]) => [at, Math.round(hot(celsius))])
  const line = { type: 'line', showSymbol: false }
  return {
    animation: false,
    textStyle: { fontFamily: 'inherit', fontSize: 14 },
    grid: { left: 52, right: 20, top: 20, bottom: 40 },
    tooltip: { trigger: 'axis', valueFormatter: (value: number) => `${value} ${unit}` },
    xAxis: {
      type: 'time',
      max: until,
      axisLabel: { formatter: (at: number) => clockTime(at), hideOverlap: true },
    },
    yAxis: { type: 'value', name: unit, min: 0, axisLabel: { formatter: (value: number) => String(value) } },
    series: [
      { ...line, name: 'set', color: '#8c999c', lineStyle: { width: 2, type: 'dashed' }, data: shown(set) },
      ...(measured.length > 0
        ? [
            {
              ...line,
              name: 'measured',
              color: furnaceColour,
              lineStyle: { width: 3 },
              data: shown(measured),
            },
          ]
        : []),
    ],
  }
}
