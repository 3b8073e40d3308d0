import { type Chart, controlChart, DOTS_BELOW } from '../statistics/index.ts'
import { type CaseRef, type CountedRecord, refTo } from './counted-record.ts'
import type { SeriesDigest } from './digest.ts'
import type { LabEvent } from './lab-event.ts'

/** A signal stands on the list so long, then only in its chart, days (choice). */
const SIGNAL_DAYS = 7
const DAY = 86_400_000
/** The step of a value is read off its places, at most so many. */
const MOST_PLACES = 3

export interface ChartPoint extends CaseRef {
  readonly value: number
  readonly sequence: number
  /** A later reading of the same job: in no limit. */
  readonly repeat?: true
  readonly leftOut?: string
  /** Of the lot it was mixed from, where it is known. */
  readonly lot?: string
}
export interface ChartSignal extends CaseRef {
  readonly series: string
  readonly sequence: number
  readonly rule: 1 | 2 | 3 | 4
  readonly value: number
  /** What somebody saw who looked. */
  readonly seen?: { readonly words: string; readonly by: string; readonly at: string }
}
export interface SeriesChart extends Omit<Chart, 'signals'> {
  readonly series: string
  readonly template: string
  readonly step: string
  readonly name: string
  readonly quantity: SeriesDigest['quantity']
  readonly min?: number
  readonly max?: number
  readonly computed?: true
  readonly points: readonly ChartPoint[]
  readonly signals: readonly ChartSignal[]
  /** Since when the limits count, and why. */
  readonly since?: { readonly at: string; readonly reason: string }
}

/** Every series of measured values with its limits and signals. */
export function seriesCharts({ jobs, said }: CountedRecord): readonly SeriesChart[] {
  const all = new Map<string, { about: SeriesDigest; template: string; points: ChartPoint[] }>()
  for (const { of, job } of jobs)
    for (const series of job.series) {
      const known = all.get(series.key) ?? { about: series, template: job.template, points: [] }
      all.set(series.key, known)
      for (const { at, sequence, value, repeat } of series.values)
        known.points.push({ ...refTo(of, at), sequence, value, ...(repeat ? { repeat } : {}) })
    }
  return [...all.values()]
    .map(({ about, template, points }) => chartOf(about, template, points, said))
    .sort((one, other) => (one.series < other.series ? -1 : 1))
}

function chartOf(
  about: SeriesDigest,
  template: string,
  unsorted: readonly ChartPoint[],
  said: readonly LabEvent[],
): SeriesChart {
  const { key: series, step, name, quantity, min, max, computed } = about
  const about_ = said.filter((event) => 'series' in event && event.series === series)
  const outs = new Map(
    about_.flatMap((event) =>
      event.type === 'valueLeftOut' ? [[`${event.caseId} ${event.entry}`, event.reason] as const] : [],
    ),
  )
  const points = [...unsorted]
    .sort(
      (one, other) =>
        one.at - other.at ||
        (one.caseId < other.caseId ? -1 : one.caseId > other.caseId ? 1 : 0) ||
        one.sequence - other.sequence,
    )
    .map((point) => {
      const leftOut = outs.get(`${point.caseId} ${point.sequence}`)
      return leftOut === undefined ? point : { ...point, leftOut }
    })
  const set = about_.findLast((event) => event.type === 'limitsSet')
  const first = points.filter(({ repeat }) => !repeat)
  const since = set ? first.filter(({ at }) => at < Date.parse(set.at)).length : 0
  const chart = controlChart({
    values: first.map(({ value }) => value),
    step: stepOfValues(first.map(({ value }) => value)),
    ...(about.least === undefined ? {} : { least: about.least }),
    ...(about.most === undefined ? {} : { most: about.most }),
    since,
    leftOut: first.flatMap(({ leftOut }, n) => (leftOut === undefined ? [] : [n])),
  })
  const signals = chart.signals.flatMap(({ index, rule }, n): ChartSignal[] => {
    const before = chart.signals[n - 1]
    // A run that goes on is the same signal.
    if (rule === 4 && before?.rule === 4 && before.index === index - 1) return []
    const point = first[index]!
    const seen = about_.findLast(
      (event) =>
        event.type === 'signalSeen' && event.caseId === point.caseId && event.entry === point.sequence,
    )
    const { caseId, docket, at, sequence, value } = point
    return [
      {
        ...{ series, caseId, docket, at, sequence, rule, value },
        ...(seen?.type === 'signalSeen' ? { seen: { words: seen.words, by: seen.by, at: seen.at } } : {}),
      },
    ]
  })
  const { signals: _all, ...limits } = chart
  return {
    ...limits,
    ...{ series, template, step, name, quantity },
    ...(min === undefined ? {} : { min }),
    ...(max === undefined ? {} : { max }),
    ...(computed ? { computed } : {}),
    points,
    signals,
    ...(set?.type === 'limitsSet' ? { since: { at: set.at, reason: set.reason } } : {}),
  }
}

/** What an instrument reads to, by the places that anybody has ever read of it; undefined with values that were worked out. */
export function stepOfValues(values: readonly number[]): number | undefined {
  if (values.length < DOTS_BELOW) return undefined
  for (let places = 0; places <= MOST_PLACES; places++)
    if (values.every((value) => Number(value.toFixed(places)) === value)) return 10 ** -places
  return undefined
}

/** Signals of the last days that nobody has looked at. */
export function signalsToLookAt(charts: readonly SeriesChart[], now: number): readonly ChartSignal[] {
  return charts
    .flatMap(({ signals }) => signals)
    .filter(({ at, seen }) => !seen && at > now - SIGNAL_DAYS * DAY && at <= now)
    .sort((one, other) => other.at - one.at)
}
