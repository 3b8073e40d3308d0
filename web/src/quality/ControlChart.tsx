import type { ChartShown } from '@yentrik/contract'
import { type ChartSignal, mayDo, type Saying, saying } from '@yentrik/core'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { dateAndTime, shortDate } from '../format/format.ts'
import { freshen, useAnswer } from '../live/queries.ts'
import { request } from '../live/request.ts'
import { useRequest } from '../live/use-request.ts'
import { Chart } from '../parts/Chart.tsx'
import { Message, Waiting } from '../parts/Message.tsx'
import { useWords } from '../preferences/words.tsx'
import { useSession } from '../session/session.ts'
import { ruleWords, stateWords } from './quality-words.ts'

/** As many as can be told apart. */
const MOST_SHOWN = 60
const MOST_OTHERS = 4
/** How high the band of a lot stands, in steps of the axis. */
const BAND_OF_ROOM = 0.7

/** One series of measured values: dots, limits, tolerance, and what was said of its signals. */
export function ControlChart({
  series,
  tall = false,
  onPaper = false,
}: {
  readonly series: string
  readonly tall?: boolean
  /** What is said of it stands beside it there, without names. */
  readonly onPaper?: boolean
}) {
  const { data: chart, error } = useAnswer('GET /quality/chart', { query: { series } })
  if (!chart) return error ? <Message tone="error" words={error.said} /> : <Waiting />
  return <Shown chart={chart} tall={tall} onPaper={onPaper} />
}

function Shown({
  chart,
  tall,
  onPaper,
}: {
  readonly chart: ChartShown
  readonly tall: boolean
  readonly onPaper: boolean
}) {
  const say = useWords()
  const points = chart.points.slice(-MOST_SHOWN)
  const option = useMemo(() => optionOf(chart, points, (words) => say(words)), [chart, points, say])
  const signalled = chart.signals.filter(({ sequence, caseId }) =>
    points.some((point) => point.sequence === sequence && point.caseId === caseId),
  )
  const [pickedAt, setPicked] = useState<number>()
  const picked = signalled.find(({ at }) => at === pickedAt) ?? signalled.at(-1)
  const others = signalled.filter((signal) => !signal.seen && signal !== picked)
  return (
    <div className="flex min-h-0 grow flex-col gap-2">
      <p className="text-sm opacity-85">
        first reading of each job, {chart.count} {chart.count === 1 ? 'job' : 'jobs'}
        {points.length > 0 && `, ${shortDate(points[0]!.at)} to ${shortDate(points.at(-1)!.at)}`};{' '}
        {stateWords[chart.state]}
        {chart.computed && '; worked out by a model, not read'}
        {chart.borderline && '; only just fine enough an instrument'}
        {chart.since && `; limits anew since ${shortDate(Date.parse(chart.since.at))}: ${chart.since.reason}`}
      </p>
      <Chart
        option={option}
        className={tall ? 'h-96' : onPaper ? 'min-h-36 grow' : 'min-h-44 grow'}
        says={`${chart.name}: ${points.length} values, ${signalled.length} of them signalled`}
      />
      {!onPaper && picked && <Look key={picked.at} signal={picked} chart={chart} mayLeaveOut={tall} />}
      {tall && others.length > 0 && (
        <p className="flex flex-wrap items-center gap-x-3 text-sm">
          Not looked at either:
          {others.slice(-MOST_OTHERS).map(({ at, docket }) => (
            <button
              key={at}
              type="button"
              className="min-h-11 min-w-11 underline underline-offset-4"
              onClick={() => setPicked(at)}
            >
              {docket}
            </button>
          ))}
        </p>
      )}
    </div>
  )
}

/** A signal asks to be looked at, and is quiet once somebody has said what was different. */
function Look({
  signal,
  chart,
  mayLeaveOut,
}: {
  readonly signal: ChartSignal
  readonly chart: ChartShown
  readonly mayLeaveOut: boolean
}) {
  const say = useWords()
  const { person } = useSession()
  const [words, setWords] = useState('')
  const { refusal, run } = useRequest()
  const { series, caseId, docket, sequence, rule, value, at, seen } = signal
  const entry = sequence
  const tell = (leaveOut: boolean) =>
    run(async () => {
      await request('POST /quality/seen', { body: { series, caseId, entry, words } })
      if (leaveOut)
        await request('POST /quality/said', {
          body: { type: 'valueLeftOut', series, caseId, entry, reason: words },
        })
      await freshen('GET /quality', 'GET /quality/chart')
    })
  return (
    <form
      className="border-warning grid gap-2 border-l-4 pl-3"
      onSubmit={(event) => {
        event.preventDefault()
        void tell(false)
      }}
    >
      <p className="leading-snug">
        <b>
          <Link to={`/case/${caseId}?entry=${sequence}`} className="underline underline-offset-4">
            {docket}
          </Link>
          , {say(saying`${{ value: rounded(value, chart), kind: chart.quantity }}`)}: {ruleWords[rule]}.
        </b>{' '}
        {dateAndTime(at)}.{!seen && ' Look what was different; it need not be a fault.'}
      </p>
      {seen && (
        <p className="text-sm">
          “{seen.words}”
          <br />
          {seen.by}, {shortDate(Date.parse(seen.at))}. Hollow: a later reading of the same job.
        </p>
      )}
      {!seen && person && mayDo(person.role, 'work') && (
        <div className="flex flex-wrap gap-2">
          <input
            className="entry min-w-0 grow"
            aria-label="What was different"
            placeholder="What was different"
            value={words}
            onChange={(event) => setWords(event.target.value)}
          />
          <button type="submit" className="small-act">
            Looked at
          </button>
          {mayLeaveOut && mayDo(person.role, 'decide') && (
            <button type="button" className="small-act" onClick={() => void tell(true)}>
              And leave it out of the limits
            </button>
          )}
        </div>
      )}
      {refusal && <Message tone="error" words={refusal} />}
    </form>
  )
}

/** Values one after the other that are from the same lot; what is of none makes no band. */
function lotRuns(
  points: ChartShown['points'],
): readonly { readonly lot: string; readonly first: number; readonly last: number }[] {
  const runs: { lot: string; first: number; last: number }[] = []
  for (const [n, { lot }] of points.entries()) {
    const before = runs.at(-1)
    if (lot === undefined) continue
    if (before?.lot === lot) before.last = n
    else runs.push({ lot, first: n, last: n })
  }
  // One lot for all says nothing.
  return runs.length > 1 ? runs : []
}

/** As many places as tell its values apart. */
function rounded(value: number, { points, mean }: ChartShown): number {
  const values = points.map((point) => point.value)
  const range = Math.max(...values, mean ?? value) - Math.min(...values, mean ?? value)
  const places = range > 0 ? Math.min(3, Math.max(0, 1 - Math.floor(Math.log10(range)))) : 2
  return Number(value.toFixed(places))
}

function optionOf(chart: ChartShown, points: ChartShown['points'], say: (words: Saying) => string) {
  const inWords = (value: number) => say(saying`${{ value: rounded(value, chart), kind: chart.quantity }}`)
  const isSignal = new Map(
    chart.signals.map((signal) => [`${signal.caseId} ${signal.sequence}`, signal] as const),
  )
  const ink = 'var(--color-base-content)'
  const { mean, low, high, min, max, least: floor, most: ceiling } = chart
  // What cannot be read beyond anyway is no tolerance.
  const bounds = { min: min === floor ? undefined : min, max: max === ceiling ? undefined : max }
  const provisional = chart.state === 'provisional'
  const limit = provisional ? 'provisional' : 'limit'
  const lines = (
    [
      [mean, 'mean', 'var(--good)', 'solid'],
      [high, limit, ink, 'dashed'],
      [low, limit, ink, 'dashed'],
      [bounds.max, 'at most', 'var(--color-warning)', 'solid'],
      [bounds.min, 'at least', 'var(--color-warning)', 'solid'],
    ] as const
  )
    .flatMap(([value, name, color, type]) => (value === undefined ? [] : [{ value, name, color, type }]))
    .sort((one, other) => one.value - other.value)
  const values = points.map(({ value }) => value)
  const all = [...values, ...[mean, low, high, bounds.min, bounds.max].filter((each) => each !== undefined)]
  const [least, most] = [Math.min(...all), Math.max(...all)]
  const near = (value: number, other: number | undefined) =>
    other !== undefined && Math.abs(value - other) < 0.14 * (most - least)
  // A round step of the axis.
  const room = 10 ** Math.floor(Math.log10(most - least || 1)) / 2
  const axisLeast = (Math.floor(least / room) - (lotRuns(points).length > 1 ? 1 : 0)) * room
  return {
    animation: false,
    textStyle: { fontFamily: 'inherit' },
    grid: { left: 58, right: provisional ? 146 : 112, top: 14, bottom: 26 },
    xAxis: {
      type: 'category',
      data: points.map(({ docket }) => docket),
      axisTick: { show: false },
      axisLine: { lineStyle: { color: 'var(--color-base-300)' } },
      axisLabel: { hideOverlap: true },
    },
    yAxis: {
      type: 'value',
      scale: true,
      min: axisLeast,
      max: Math.ceil((most + room / 3) / room) * room,
      axisLabel: { formatter: (value: number) => inWords(value) },
      splitLine: { lineStyle: { color: 'var(--color-base-300)' } },
    },
    tooltip: {
      trigger: 'item',
      formatter: ({ dataIndex }: { dataIndex: number }) => {
        const { docket, value, at, leftOut } = points[dataIndex]!
        return `${docket}: ${inWords(value)}<br>${dateAndTime(at)}${leftOut ? '<br>left out of the limits' : ''}`
      },
    },
    series: [
      {
        type: 'line',
        data: points.map(({ value, repeat, leftOut, caseId, sequence }) => {
          const signal = isSignal.get(`${caseId} ${sequence}`)
          return {
            value,
            symbol: signal ? 'diamond' : 'circle',
            symbolSize: signal ? 17 : 9,
            itemStyle: {
              color: repeat || leftOut ? 'var(--color-base-100)' : signal ? 'var(--color-error)' : ink,
              borderColor: signal ? 'var(--color-error)' : ink,
              borderWidth: repeat || leftOut || signal?.seen ? 2 : 0,
            },
          }
        }),
        lineStyle: { color: ink, opacity: 0.3, width: 1.5 },
        symbol: 'circle',
        showAllSymbol: true,
        emphasis: { disabled: true },
        // Which lot it was mixed from, as bands along the foot.
        markArea: {
          silent: true,
          label: { position: 'insideLeft' as const, color: ink, fontSize: 11 },
          data: lotRuns(points).map(({ lot, first, last }, n) => [
            {
              name: chart.lots[lot] ?? lot,
              coord: [first, axisLeast],
              itemStyle: { color: 'var(--color-primary)', opacity: n % 2 === 0 ? 0.22 : 0.1 },
            },
            { coord: [last, axisLeast + room * BAND_OF_ROOM] },
          ]),
        },
        markLine: {
          silent: true,
          symbol: 'none',
          data: lines.map(({ value, name, color, type }, n) => ({
            yAxis: value,
            lineStyle: { color, type, width: 2 },
            label: {
              formatter: `${name} ${inWords(value)}`,
              position: 'end' as const,
              // Two that nearly touch stand above and below.
              verticalAlign: near(value, lines[n + 1]?.value)
                ? ('top' as const)
                : near(value, lines[n - 1]?.value)
                  ? ('bottom' as const)
                  : ('middle' as const),
              color,
              fontSize: 13,
              fontWeight: 'bold' as const,
            },
          })),
        },
      },
    ],
  }
}
