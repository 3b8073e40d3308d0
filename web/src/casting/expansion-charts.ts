import {
  availableExpansion,
  type ConcentrationAnswer,
  displayUnit,
  type ExpansionBudget,
  neededExpansion,
  slowBands,
  type ThermalPoint,
  thermalShareAt,
  type UnitSystem,
} from '@yentrik/core'

const teal = '#3f8f97'
const base = {
  animation: false,
  textStyle: { fontFamily: 'inherit', fontSize: 14 },
  grid: { left: 48, right: 16, top: 24, bottom: 40 },
}
const axisName = { nameLocation: 'middle', nameGap: 26 }

/** Gap on the die against the share of special liquid. */
export function gapOption(
  curve: readonly (readonly number[])[],
  wanted: number,
  answer: ConcentrationAnswer,
) {
  const at = answer.reachable ? answer.specialLiquidPercent : answer.bestPercent
  return {
    ...base,
    tooltip: { trigger: 'axis', valueFormatter: (value: number) => `${value.toFixed(1)} µm` },
    xAxis: { type: 'value', name: 'special liquid, %', ...axisName, min: 'dataMin', max: 'dataMax' },
    yAxis: { type: 'value', name: 'gap, µm', scale: true },
    series: [
      {
        type: 'line',
        data: curve,
        showSymbol: false,
        lineStyle: { width: 3 },
        color: teal,
        markLine: {
          symbol: 'none',
          label: { formatter: '{b}', position: 'insideEndTop' },
          data: [
            { yAxis: wanted, name: 'wanted' },
            { xAxis: at, name: `${at.toFixed(1)} %` },
          ],
        },
      },
    ],
  }
}

/** Expansion of the whole mould while it heats up, against what the alloy needs; the inversions are the steep parts. */
export function mouldOption(
  budget: ExpansionBudget,
  specialLiquidPercent: number,
  curve: readonly ThermalPoint[],
  peakCelsius: number,
  system: UnitSystem,
) {
  const { unit, fromStored: hot } = displayUnit('celsius', system)
  const needed = 100 * neededExpansion(budget.shrinkageFraction)
  const points = curve
    .filter(({ celsius }) => celsius <= peakCelsius)
    .map(({ celsius }) => {
      const thermalShare = thermalShareAt(curve, celsius, peakCelsius)
      return [hot(celsius), 100 * availableExpansion({ ...budget, thermalShare }, specialLiquidPercent)]
    })
  return {
    ...base,
    tooltip: { trigger: 'axis', valueFormatter: (value: number) => `${value.toFixed(2)} %` },
    xAxis: { type: 'value', name: `mould, ${unit}`, ...axisName, min: hot(0), max: hot(peakCelsius) },
    yAxis: { type: 'value', name: 'expansion, %', scale: true },
    series: [
      {
        type: 'line',
        data: points,
        symbolSize: 6,
        lineStyle: { width: 3 },
        color: '#d97a2e',
        markArea: {
          silent: true,
          itemStyle: { color: 'rgba(140,153,156,0.18)' },
          label: { position: 'insideTop', fontSize: 13, color: '#6b7678' },
          data: slowBands.map(({ name, celsius: [from, to] }) => [
            { name, xAxis: hot(from) },
            { xAxis: hot(to) },
          ]),
        },
        markLine: {
          symbol: 'none',
          label: { formatter: '{b}', position: 'insideEndTop' },
          data: [{ yAxis: needed, name: 'needed' }],
        },
      },
    ],
  }
}
