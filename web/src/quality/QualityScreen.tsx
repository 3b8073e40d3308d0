import type { QualityShown } from '@yentrik/contract'
import { DOTS_BELOW, FROZEN_AT, type QualityFigures, type QualityTable } from '@yentrik/core'
import { Printer } from 'lucide-react'
import { useState } from 'react'
import { Link, NavLink, useNavigate, useParams } from 'react-router'
import { monthName, shortDate } from '../format/format.ts'
import { useNow } from '../live/lab-clock.ts'
import { useAnswer } from '../live/queries.ts'
import { Message, Waiting } from '../parts/Message.tsx'
import { CasesSheet, type CasesShown } from './CasesSheet.tsx'
import { ChartsView } from './ChartsView.tsx'
import { CompareView } from './CompareView.tsx'
import { ControlChart } from './ControlChart.tsx'
import { CostCard } from './CostCard.tsx'
import { DifferentCard } from './DifferentCard.tsx'
import { FiveLines } from './FiveLines.tsx'
import { StepsView } from './StepsView.tsx'
import { TimesView } from './TimesView.tsx'

const views = [
  ['', 'Overview'],
  ['steps', 'Steps'],
  ['charts', 'Charts'],
  ['compare', 'Same or different'],
  ['times', 'Times and promises'],
] as const
const spans = [
  ['month', 'Month', 0],
  ['quarter', 'Quarter', 2],
  ['year', 'Year', 11],
] as const
const tables = [
  ['goingsBack', 'what went back'],
  ['steps', 'steps'],
  ['values', 'values'],
  ['comparisons', 'comparisons'],
] as const satisfies readonly (readonly [QualityTable, string])[]
type Span = (typeof spans)[number][0]

/** The first midnight of the month that lies so many months back. */
function monthsBack(now: number, months: number): number {
  const day = new Date(now)
  return new Date(day.getFullYear(), day.getMonth() - months, 1).getTime()
}

/** What the lab's own record says, honest at small numbers. */
export function QualityScreen() {
  const { view = '' } = useParams()
  const now = useNow()
  const [span, setSpan] = useState<Span>('month')
  const months = spans.find(([id]) => id === span)![2]
  const from = monthsBack(now, months)
  const { data: quality, error } = useAnswer('GET /quality', {
    query: { from: new Date(from).toISOString() },
  })
  const [cases, setCases] = useState<CasesShown>()
  if (!quality)
    return error ? (
      <main className="p-8">
        <Message tone="error" words={error.said} />
      </main>
    ) : (
      <Waiting />
    )
  const { figures } = quality
  return (
    <main className="mx-auto flex max-w-[1500px] flex-col gap-2.5 p-4 py-3 xl:min-h-dvh">
      <header className="flex flex-wrap items-center gap-x-5 gap-y-2">
        <h1 className="text-[2.25rem] leading-none font-bold">Quality</h1>
        <p className="figures">
          {shortDate(from)} to {shortDate(now)} · {figures.lateNow.open} open cases{leftOutWords(quality)}
        </p>
        <div className="ml-auto flex flex-wrap gap-2">
          <fieldset className="flex gap-2" aria-label="Period">
            {spans.map(([id, name]) => (
              <button
                key={id}
                type="button"
                aria-pressed={span === id}
                className={`small-act ${span === id ? 'bg-base-content text-base-100' : ''}`}
                onClick={() => setSpan(id)}
              >
                {name}
              </button>
            ))}
          </fieldset>
          <Link to={`/papers/quality?from=${new Date(from).toISOString()}`} className="small-act">
            <Printer className="size-5" aria-hidden /> The {span}, 2 pages
          </Link>
        </div>
      </header>
      <nav aria-label="Views of quality" className="flex flex-wrap gap-1">
        {views.map(([id, name]) => (
          <NavLink
            key={id}
            to={id ? `/quality/${id}` : '/quality'}
            end
            className={({ isActive }) =>
              `flex min-h-11 items-center rounded-xl px-3 ${isActive ? 'bg-base-300 font-bold' : 'hover:bg-base-300/60'}`
            }
          >
            {name}
          </NavLink>
        ))}
      </nav>
      {figures.cases === 0 ? (
        <Nothing />
      ) : view === 'steps' ? (
        <StepsView figures={figures} onCases={setCases} />
      ) : view === 'charts' ? (
        <ChartsView figures={figures} />
      ) : view === 'compare' ? (
        <CompareView quality={quality} onCases={setCases} />
      ) : view === 'times' ? (
        <TimesView figures={figures} onCases={setCases} />
      ) : (
        <Overview quality={quality} span={span} onCases={setCases} />
      )}
      {figures.cases > 0 && (
        <p className="flex flex-wrap items-center gap-x-4 text-sm">
          As CSV, times in UTC:
          {tables.map(([which, name]) => (
            <a
              key={which}
              className="inline-flex min-h-11 items-center underline underline-offset-4"
              href={`/api/quality/table?which=${which}&from=${encodeURIComponent(new Date(from).toISOString())}`}
            >
              {name}
            </a>
          ))}
          <Link
            to="/handbook/quality"
            className="ml-auto inline-flex min-h-11 items-center underline underline-offset-4"
          >
            What must not be concluded
          </Link>
        </p>
      )}
      {cases && <CasesSheet shown={cases} onClose={() => setCases(undefined)} />}
    </main>
  )
}

function Overview({
  quality,
  span,
  onCases,
}: {
  readonly quality: QualityShown
  readonly span: Span
  readonly onCases: (shown: CasesShown) => void
}) {
  const go = useNavigate()
  const { figures } = quality
  const shown = chartToShow(figures)
  const { from } = figures.period
  const names =
    span === 'month'
      ? { now: monthName(from), before: 'before' }
      : span === 'quarter'
        ? { now: 'this quarter', before: 'before' }
        : { now: 'this year', before: 'before' }
  return (
    <div className="grid min-h-0 grow grid-cols-[minmax(0,1fr)] gap-3 xl:grid-cols-[minmax(0,1.09fr)_minmax(0,1fr)] xl:grid-rows-[minmax(25.25rem,auto)_minmax(0,1fr)]">
      <FiveLines figures={figures} names={names} onCases={onCases} onCharts={() => go('/quality/charts')} />
      <section className="card-flat flex flex-col p-5 pt-4 pb-4" aria-label="The chart to look at">
        {shown ? (
          <>
            <h2 className="text-xl font-bold">{shown.name}</h2>
            <ControlChart series={shown.series} />
          </>
        ) : (
          <>
            <h2 className="text-xl font-bold">Charts</h2>
            <p className="mt-2">
              Nothing was measured yet. From {DOTS_BELOW} first readings of a check on there are limits, from{' '}
              {FROZEN_AT} they stay.
            </p>
          </>
        )}
      </section>
      <CostCard
        causes={figures.causes}
        from={`${monthName(figures.causes.from)} to ${monthName(figures.period.until)}`}
        onCases={onCases}
      />
      <DifferentCard quality={quality} onCases={onCases} />
    </div>
  )
}

/** The chart of the newest signal to be looked at; else of the last signal; else the one with most values. */
function chartToShow({ toLook, charts }: QualityFigures) {
  const [signal] = toLook.signals
  const last = charts.flatMap(({ signals }) => signals).sort((one, other) => other.at - one.at)[0]
  const wanted = signal?.series ?? last?.series
  return (
    charts.find(({ series }) => series === wanted) ??
    [...charts].sort((one, other) => other.count - one.count)[0]
  )
}

function leftOutWords({ figures: { leftOut }, isDemo }: QualityShown): string {
  const parts = [
    isDemo ? 'all of it invented' : undefined,
    leftOut.practice > 0 ? `${leftOut.practice} of practice left out` : undefined,
    leftOut.demo > 0 ? `${leftOut.demo} of the demo left out` : undefined,
    leftOut.fastClock > 0 ? `${leftOut.fastClock} with a fast clock left out` : undefined,
    leftOut.elsewhere > 0 ? `${leftOut.elsewhere} from other labs left out` : undefined,
    leftOut.damaged.length > 0 ? `${leftOut.damaged.length} cannot be read` : undefined,
  ].filter((part) => part !== undefined)
  return parts.map((part) => ` · ${part}`).join('')
}

function Nothing() {
  return (
    <section className="card-flat grid max-w-3xl gap-4 p-8">
      <h2 className="text-2xl font-bold">Nothing has been counted yet</h2>
      <p className="text-lg">
        What is done on cases is counted here by itself: what was on time, what had to be done again and what
        that cost, and which readings stand out. The first ten jobs are shown one by one; percent come later.
      </p>
      <div className="flex flex-wrap gap-3">
        <Link to="/cases/new" className="act-main">
          Take in a case
        </Link>
        <Link to="/handbook/quality" className="act">
          What must not be concluded
        </Link>
      </div>
    </section>
  )
}
