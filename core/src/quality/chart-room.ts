import { type Chart, controlChart, DOTS_BELOW } from '../statistics/index.ts'
import { type CaseRef, type CountedRecord, refTo } from './counted-record.ts'
import type { CaseDigest, SeriesDigest, ValueDigest } from './digest.ts'
import type { LabEvent } from './lab-event.ts'

/** A signal stands on the list so long, then only in its chart, days (choice). */
export const SIGNAL_DAYS = 7
const DAY = 86_400_000

export interface ChartPoint extends CaseRef {
  readonly value: number
  readonly sequence: number
  /** A later reading of the same job: in no limit. */
  readonly repeat?: true
  readonly leftOut?: string
  /** Of the lot that the step was mixed from, by its id. */
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
  /** Nothing can be read below, or above. */
  readonly least?: number
  readonly most?: number
  readonly computed?: true
  /** First readings of first attempts. */
  readonly count: number
  /** All of them, in their order; made when somebody looks at them. */
  readonly points: () => readonly ChartPoint[]
  readonly signals: readonly ChartSignal[]
  /** Since when the limits count, and why. */
  readonly since?: { readonly at: string; readonly reason: string }
}

/** The values of one series, in lists: a lab has tens of thousands, and most charts are only counted. */
interface Gathered {
  readonly about: SeriesDigest
  readonly template: string
  readonly of: CaseDigest[]
  readonly values: ValueDigest[]
}

/** Every series of measured values with its limits and signals. */
export function seriesCharts({ jobs, said }: CountedRecord): readonly SeriesChart[] {
  const all = new Map<string, Gathered>()
  for (const { of, job } of jobs)
    for (const series of job.series) {
      let known = all.get(series.key)
      if (!known) {
        known = { about: series, template: job.template, of: [], values: [] }
        all.set(series.key, known)
      }
      for (const value of series.values) {
        known.of.push(of)
        known.values.push(value)
      }
    }
  return [...all.values()]
    .map((gathered) => chartOf(gathered, said))
    .sort((one, other) => (one.series < other.series ? -1 : 1))
}

function chartOf({ about, template, of, values }: Gathered, said: readonly LabEvent[]): SeriesChart {
  const { key: series, step, name, quantity, min, max, computed } = about
  const own = said.filter((event) => 'series' in event && event.series === series)
  const outs = new Map(
    own.flatMap((event) =>
      event.type === 'valueLeftOut' ? [[`${event.caseId} ${event.entry}`, event.reason] as const] : [],
    ),
  )
  const outOf = (n: number) =>
    outs.size === 0 ? undefined : outs.get(`${of[n]!.caseId} ${values[n]!.sequence}`)
  // Sorted by time, then case, then entry: whatever order the cases came in.
  const order = values.map((_, n) => n)
  order.sort((one, other) => {
    const [a, b] = [values[one]!, values[other]!]
    if (a.at !== b.at) return a.at - b.at
    const [c, d] = [of[one]!.caseId, of[other]!.caseId]
    return c === d ? a.sequence - b.sequence : c < d ? -1 : 1
  })
  const first = order.filter((n) => !values[n]!.repeat)
  const numbers = first.map((n) => values[n]!.value)
  const set = own.findLast((event) => event.type === 'limitsSet')
  const since = set ? first.filter((n) => values[n]!.at < Date.parse(set.at)).length : 0
  const places = stepOfValues(numbers)
  const { signals: found, ...limits } = controlChart({
    values: numbers,
    ...(places === undefined ? {} : { step: places }),
    ...(about.least === undefined ? {} : { least: about.least }),
    ...(about.most === undefined ? {} : { most: about.most }),
    since,
    leftOut: first.flatMap((n, at) => (outOf(n) === undefined ? [] : [at])),
  })
  const signals = found.flatMap(({ index, rule }, n): ChartSignal[] => {
    const before = found[n - 1]
    // A run that goes on is the same signal.
    if (rule === 4 && before?.rule === 4 && before.index === index - 1) return []
    const { caseId, docket } = of[first[index]!]!
    const { at, sequence, value } = values[first[index]!]!
    const seen = own.findLast(
      (event) => event.type === 'signalSeen' && event.caseId === caseId && event.entry === sequence,
    )
    return [
      {
        ...{ series, caseId, docket, at, sequence, rule, value },
        ...(seen?.type === 'signalSeen' ? { seen: { words: seen.words, by: seen.by, at: seen.at } } : {}),
      },
    ]
  })
  return {
    ...limits,
    ...{ series, template, step, name, quantity },
    ...(min === undefined ? {} : { min }),
    ...(max === undefined ? {} : { max }),
    ...(about.least === undefined ? {} : { least: about.least }),
    ...(about.most === undefined ? {} : { most: about.most }),
    ...(computed ? { computed } : {}),
    count: first.length,
    signals,
    points: () =>
      order.map((n): ChartPoint => {
        const leftOut = outOf(n)
        const { at, sequence, value, repeat, lot } = values[n]!
        return {
          ...refTo(of[n]!, at),
          ...{ sequence, value },
          ...(repeat ? { repeat } : {}),
          ...(lot === undefined ? {} : { lot }),
          ...(leftOut === undefined ? {} : { leftOut }),
        }
      }),
    ...(set?.type === 'limitsSet' ? { since: { at: set.at, reason: set.reason } } : {}),
  }
}

/** What an instrument reads to: the smallest difference of any two values that were ever read; undefined with too few of them. */
export function stepOfValues(values: readonly number[]): number | undefined {
  if (values.length < DOTS_BELOW) return undefined
  const sorted = Float64Array.from(values).sort()
  let least = Number.POSITIVE_INFINITY
  for (let n = 1; n < sorted.length; n++) {
    const apart = sorted[n]! - sorted[n - 1]!
    // Nearer than this they are one value, but for the last places of a computer.
    if (apart > 1e-9 && apart < least) least = apart
  }
  return Number.isFinite(least) ? least : undefined
}

/** Signals of the last days that nobody has looked at. */
export function signalsToLookAt(charts: readonly SeriesChart[], now: number): readonly ChartSignal[] {
  return charts
    .flatMap(({ signals }) => signals)
    .filter(({ at, seen }) => !seen && at > now - SIGNAL_DAYS * DAY && at <= now)
    .sort((one, other) => other.at - one.at)
}
