import {
  displayUnit,
  type FollowedSection,
  MONOMER_BOILS_CELSIUS,
  programStretches,
  type TemperatureProgram,
  type UnitSystem,
} from '@yentrik/core'
import { clockTime, quantity } from '../format/format.ts'

type Points = readonly (readonly [minutes: number, celsius: number])[]

export interface CureCurves {
  readonly program: TemperatureProgram
  readonly followed: readonly FollowedSection[]
  /** The bath as it was read, where it has been. */
  readonly measured?: readonly { readonly minutes: number; readonly celsius: number }[]
  /** It still runs: what is set lies ahead. */
  readonly going: boolean
  readonly startAt: number
  readonly untilMinutes: number
  readonly units: UnitSystem
}

/** From cold water to above the boil, on the axis of a bench: its ends and its lines. */
const axes = {
  metric: { min: 0, max: 130, interval: 20 },
  us: { min: 30, max: 270, interval: 30 },
} as const satisfies Readonly<Record<UnitSystem, object>>
const MINUTE = 60_000

/** Bath, thin and thick resin over the hours, with the heat at which monomer boils. */
export function cureOption({ program, followed, measured, going, startAt, untilMinutes, units }: CureCurves) {
  const hot = displayUnit('celsius', units).fromStored
  const at = (points: Points) =>
    points.map(([minutes, celsius]) => [startAt + minutes * MINUTE, hot(celsius)])
  const line = (color: string, width: number, points: Points, more: object = {}) => ({
    type: 'line',
    silent: true,
    showSymbol: false,
    lineStyle: { color, width, ...more },
    data: at(points),
  })
  const { bath, ahead } = bathOf(program, followed, measured, going)
  return {
    animation: false,
    textStyle: { fontFamily: 'inherit', fontSize: 14 },
    grid: { left: 46, right: 14, top: 14, bottom: 30 },
    xAxis: {
      type: 'time',
      min: startAt,
      max: startAt + untilMinutes * MINUTE,
      axisLabel: { formatter: (instant: number) => clockTime(instant), hideOverlap: true },
      splitLine: lines,
    },
    yAxis: {
      type: 'value',
      ...axes[units],
      axisLabel: { showMinLabel: false, showMaxLabel: false },
      splitLine: lines,
    },
    series: [
      { ...line('var(--metal)', 3, bath), markLine: boiling(units), markArea: tooHot(units) },
      line('var(--metal)', 2, ahead, { type: 'dashed' }),
      ...followed.map(({ outcome }, n) =>
        line(
          n === 0 ? 'var(--resin)' : 'var(--color-error)',
          n === 0 ? 2.5 : 3.5,
          thinned(outcome.curve).map(({ minutes, coreCelsius }) => [minutes, coreCelsius] as const),
        ),
      ),
      ...hottestOf(followed).map(({ outcome }) => ({
        ...line('transparent', 0, []),
        markPoint: peak(startAt + outcome.peakMinutes * MINUTE, outcome.peakCelsius, units),
      })),
    ],
  }
}

/** The bath as it was read or is set, and what lies ahead of it or behind: dashed. */
function bathOf(
  program: TemperatureProgram,
  [first]: readonly FollowedSection[],
  measured: CureCurves['measured'],
  going: boolean,
): { readonly bath: Points; readonly ahead: Points } {
  const corners: Points = programStretches(program).flatMap(
    ({ startMinutes, rampMinutes, holdMinutes, toCelsius }) => [
      [startMinutes + rampMinutes, toCelsius] as const,
      [startMinutes + rampMinutes + holdMinutes, toCelsius] as const,
    ],
  )
  const start = [0, program.startCelsius] as const
  const last = measured?.at(-1)
  const bath = measured?.map(({ minutes, celsius }) => [minutes, celsius] as const) ?? [start, ...corners]
  if (going)
    return {
      bath,
      ahead: [
        last ? ([last.minutes, last.celsius] as const) : start,
        ...corners.filter(([minutes]) => minutes > (last?.minutes ?? 0)),
      ],
    }
  const { curve = [], bathMinutes = 0 } = first?.outcome ?? {}
  return {
    bath,
    ahead: curve
      .filter(({ minutes }) => minutes > bathMinutes)
      .map(({ minutes, bathCelsius }) => [minutes, bathCelsius] as const),
  }
}

const hottestOf = (followed: readonly FollowedSection[]): readonly FollowedSection[] =>
  [...followed].sort((a, b) => b.outcome.peakCelsius - a.outcome.peakCelsius).slice(0, 1)

/** Enough points for the eye: every minute near a peak matters, of a night every second one is enough. */
function thinned<T>(curve: readonly T[]): readonly T[] {
  return curve.length > 500 ? curve.filter((_, n) => n % 2 === 0) : curve
}

const lines = { show: true, lineStyle: { color: 'var(--color-base-300)' } }
const bold = { fontWeight: 'bold', fontFamily: 'inherit' } as const
const boiling = (units: UnitSystem) => ({
  silent: true,
  symbol: 'none',
  lineStyle: { color: 'var(--color-error)', type: 'dashed', width: 1.5 },
  label: {
    ...bold,
    position: 'insideMiddleTop',
    fontSize: 14,
    color: 'var(--color-error)',
    formatter: `monomer boils, ${quantity(MONOMER_BOILS_CELSIUS, 'celsius', units)}`,
  },
  data: [{ yAxis: boilsAt(units) }],
})
const boilsAt = (units: UnitSystem) => displayUnit('celsius', units).fromStored(MONOMER_BOILS_CELSIUS)
const tooHot = (units: UnitSystem) => ({
  silent: true,
  itemStyle: { color: 'var(--color-error)', opacity: 0.09 },
  data: [[{ yAxis: boilsAt(units) }, { yAxis: axes[units].max }]],
})
const peak = (instant: number, celsius: number, units: UnitSystem) => ({
  silent: true,
  symbol: 'circle',
  symbolSize: 12,
  itemStyle: { color: 'var(--color-error)' },
  label: {
    ...bold,
    position: 'right',
    offset: [4, celsius > 96 ? 14 : -10],
    fontSize: 18,
    color: 'var(--color-base-content)',
    formatter: `${quantity(Math.round(celsius), 'celsius', units)} at ${clockTime(instant)}`,
  },
  data: [{ coord: [instant, displayUnit('celsius', units).fromStored(celsius)] }],
})
