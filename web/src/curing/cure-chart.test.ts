import { describe, expect, it } from '@jest/globals'
import { type CureCurves, cureOption } from './cure-chart.ts'

const curves: CureCurves = {
  program: {
    startCelsius: 20,
    segments: [{ rampCelsiusPerMinute: 2, toCelsius: 100, holdMinutes: 60 }],
  },
  followed: [],
  going: false,
  startAt: 0,
  untilMinutes: 120,
  units: 'metric',
}
type Line = {
  data: readonly (readonly [number, number])[]
  markLine?: { data: readonly { yAxis: number }[] }
}
const bath = (units: CureCurves['units']) => cureOption({ ...curves, units }).series[0] as unknown as Line

describe('the chart of a cure', () => {
  // 20 and 100 °C are 68 and 212 °F (exact); monomer boils at 100.8 °C: 213.44 °F.
  it.each([
    ['metric', [20, 100, 100], 100.8],
    ['us', [68, 212, 212], 213.44],
  ] as const)('in %s units has bath and boil on one axis', (units, heats, boils) => {
    expect(bath(units).data.map(([, heat]) => heat)).toEqual(heats)
    expect(bath(units).markLine?.data[0]?.yAxis).toBeCloseTo(boils, 6)
    const { yAxis } = cureOption({ ...curves, units })
    expect(yAxis.min).toBeLessThan(heats[0])
    expect(yAxis.max).toBeGreaterThan(boils)
    expect((yAxis.max - yAxis.min) % yAxis.interval).toBe(units === 'us' ? 0 : 10)
  })
})
