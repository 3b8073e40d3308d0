import {
  type FollowedSection,
  MONOMER_BOILS_CELSIUS,
  programStretches,
  type TemperatureProgram,
} from '@yentrik/core'
import { clockTime } from '../format/format.ts'

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
}

const [LOW, HIGH] = [0, 130]
const MINUTE = 60_000

/** Bath, thin and thick resin over the hours, with the heat at which monomer boils. */
export function cureOption({ program, followed, measured, going, startAt, untilMinutes }: CureCurves) {
  const at = (points: Points) => points.map(([minutes, celsius]) => [startAt + minutes * MINUTE, celsius])
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
      splitLine: { show: true },
    },
    yAxis: {
      type: 'value',
      min: LOW,
      max: HIGH,
      interval: 20,
      axisLabel: { showMinLabel: false, showMaxLabel: false },
    },
    series: [
      { ...line('var(--metal)', 3, bath), markLine: boiling, markArea: tooHot },
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
        markPoint: peak(startAt + outcome.peakMinutes * MINUTE, outcome.peakCelsius),
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

const bold = { fontWeight: 'bold', fontFamily: 'inherit' } as const
const boiling = {
  silent: true,
  symbol: 'none',
  lineStyle: { color: 'var(--color-error)', type: 'dashed', width: 1.5 },
  label: {
    ...bold,
    position: 'insideMiddleTop',
    fontSize: 14,
    color: 'var(--color-error)',
    formatter: `monomer boils, ${MONOMER_BOILS_CELSIUS} °C`,
  },
  data: [{ yAxis: MONOMER_BOILS_CELSIUS }],
}
const tooHot = {
  silent: true,
  itemStyle: { color: 'var(--color-error)', opacity: 0.09 },
  data: [[{ yAxis: MONOMER_BOILS_CELSIUS }, { yAxis: HIGH }]],
}
const peak = (instant: number, celsius: number) => ({
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
    formatter: `${Math.round(celsius)} °C at ${clockTime(instant)}`,
  },
  data: [{ coord: [instant, celsius] }],
})
