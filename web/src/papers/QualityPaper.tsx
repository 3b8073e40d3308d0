import {
  type Difference,
  differenceOf,
  type HandsLost,
  isWorse,
  type Line,
  type QualityFigures,
} from '@yentrik/core'
import { useSearchParams } from 'react-router'
import { longDate, shortDate } from '../format/format.ts'
import { useAnswer } from '../live/queries.ts'
import { Waiting } from '../parts/Message.tsx'
import { ControlChart } from '../quality/ControlChart.tsx'
import {
  comparedWords,
  differenceWords,
  hoursBetween,
  hoursWords,
  jobName,
  percent,
  ruleWords,
  shareWords,
  stepName,
} from '../quality/quality-words.ts'
import { Paper } from './Paper.tsx'

const MOST_CHARTS = 3
const MOST_TIMES = 12
const MOVED = 1.1

/** Two pages for the wall or the file: what happened, what it cost, what is not known. No names. */
export function QualityPaper() {
  const [search] = useSearchParams()
  const from = search.get('from')
  const { data: quality } = useAnswer('GET /quality', { query: from ? { from } : {} })
  const { data: lab } = useAnswer('GET /lab')
  if (!quality) return <Waiting />
  const { figures, unknowns, lots } = quality
  const { table } = figures.causes
  const charts = [...figures.charts]
    .filter(({ signals }) => signals.length > 0)
    .sort((one, other) => other.signals.at(-1)!.at - one.signals.at(-1)!.at)
    .slice(0, MOST_CHARTS)
  const moved = figures.times.filter(
    ({ takenMinutes, planMinutes }) =>
      takenMinutes !== undefined && Math.max(takenMinutes / planMinutes, planMinutes / takenMinutes) > MOVED,
  )
  const few = figures.comparisons.filter(({ compared }) => compared.state === 'tooFew')
  const told = figures.comparisons.filter(isWorse)
  return (
    <Paper title="Quality, two pages">
      <h1 className="border-b-2 border-black text-[18pt] font-bold">
        {lab?.labName ?? 'Our laboratory'}: quality
      </h1>
      <p className="mt-1">
        {longDate(figures.period.from)} to {longDate(figures.period.until)}; before it{' '}
        {longDate(figures.before.from)} to {longDate(figures.before.until)}.
        {quality.isDemo && ' All of it invented.'} Behind each number where it may truly lie, 19 times in 20.
      </p>
      <table className="mt-3 w-full border-collapse [&_td]:border-b [&_td]:py-1 [&_th]:border-b-2 [&_th]:text-left">
        <thead>
          <tr>
            <th />
            <th>This period</th>
            <th>Before</th>
          </tr>
        </thead>
        <tbody>
          <ShareRow name="On time" {...figures.onTime} />
          <ShareRow name="Nothing went back" {...figures.clean} />
          <tr>
            <td className="font-bold">Hands lost</td>
            <td>{lostWords(figures.handsLost.now)}</td>
            <td>{lostWords(figures.handsLost.before)}</td>
          </tr>
          <tr>
            <td className="font-bold">Late now</td>
            <td colSpan={2}>
              {figures.lateNow.late} of {figures.lateNow.open} in the house
            </td>
          </tr>
          <tr>
            <td className="font-bold">Not looked at yet</td>
            <td colSpan={2}>
              {figures.toLook.signals.length} signals on {figures.toLook.charts} charts with limits
            </td>
          </tr>
        </tbody>
      </table>
      <div className="mt-4 grid grid-cols-2 gap-x-8">
        <section>
          <h2 className="text-[13pt] font-bold">What cost most hours</h2>
          <p className="text-[9pt]">Since {longDate(figures.causes.from)}; hours of hands.</p>
          <ul>
            {table.rows.map((row) => (
              <li key={row.cause}>
                <b>{hoursWords(row.handsHours)}</b> {row.cause}, {row.count} times
                {row.interval && ` (${hoursBetween(row.interval)})`}; {hoursWords(row.clockHours)} by the
                clock
                {row.grams > 0 && `, ${Math.round(row.grams)} g of mixes`}
              </li>
            ))}
            {table.single.length > 0 && (
              <li>
                {table.single.length === 1 ? '1 single one' : `${table.single.length} single ones`}:{' '}
                {table.single.map(({ cause }) => cause).join('; ')}
              </li>
            )}
            {table.notFound && <li>Not found: {table.notFound.count} times</li>}
            {table.notSaid && <li>Not said: {table.notSaid.count} times</li>}
            {table.count === 0 && <li>Nothing went back.</li>}
          </ul>
        </section>
        <section>
          <h2 className="text-[13pt] font-bold">Remakes</h2>
          <p>{remakeWords(figures.remakes)}</p>
          <p className="text-[9pt]">Jobs from one to the next: {figures.remakes.gaps.join(', ')}.</p>
          <h2 className="mt-3 text-[13pt] font-bold">Different</h2>
          {told.length === 0 && <p>No sign of a difference between lots, products, ways or machines.</p>}
          <ul>
            {told.map((each) => (
              <li key={`${each.of} ${each.name}`}>
                <b>{comparedWords(each, lots).what}</b>: {each.first.count} of {each.first.of} went back,{' '}
                {comparedWords(each, lots).others} {each.second.count} of {each.second.of}; by job{' '}
                {differenceWords(each)}: {each.word}. A difference is no cause.
              </li>
            ))}
          </ul>
        </section>
      </div>
      <div className="mt-4 grid grid-cols-2 gap-x-8">
        <section>
          <h2 className="text-[13pt] font-bold">Times that moved</h2>
          {moved.length === 0 && <p>None by more than a tenth.</p>}
          <ul className="text-[9pt]">
            {moved.slice(0, MOST_TIMES).map(({ template, step, planMinutes, takenMinutes, learned }) => (
              <li key={`${template} ${step}`}>
                {stepName(template, step)}: {Math.round(planMinutes)} to {Math.round(takenMinutes!)} min,
                timed {learned.n} times
              </li>
            ))}
          </ul>
        </section>
        <section>
          <h2 className="text-[13pt] font-bold">Promises</h2>
          {figures.promises.told ? (
            <ul>
              {figures.promises.told.bins.map(({ from: begins, said, kept }) => (
                <li key={begins}>
                  said about {percent(said)} %: {shareWords(kept)}
                </li>
              ))}
            </ul>
          ) : (
            <p>None is over yet.</p>
          )}
        </section>
      </div>
      <section className="mt-2 break-before-page">
        <h2 className="text-[13pt] font-bold">Charts that signalled</h2>
        {charts.length === 0 && <p>None.</p>}
        {charts.map(({ series, name, template, signals }) => (
          <div key={series} className="break-inside-avoid">
            <h3 className="mt-2 font-bold">
              {name}, {jobName(template)}
            </h3>
            <div className="flex h-[46mm] flex-col">
              <ControlChart series={series} onPaper />
            </div>
            {signals.slice(-2).map(({ docket, rule, seen, sequence, at }) => (
              <p key={`${docket} ${sequence}`} className="text-[9pt]">
                {docket}, {shortDate(at)}: {ruleWords[rule]}. {seen ? `“${seen.words}”` : 'Not looked at.'}
              </p>
            ))}
          </div>
        ))}
      </section>
      <section className="mt-4 break-inside-avoid">
        <h2 className="text-[13pt] font-bold">What we do not know</h2>
        <ul className="text-[9pt]">
          {unknowns.map(({ question, counted }) => (
            <li key={question}>
              {question} {counted}
            </li>
          ))}
          {few.map((each) => (
            <li key={`${each.of} ${each.name}`}>
              {comparedWords(each, lots).what}: {each.first.count} of {each.first.of} against{' '}
              {each.second.count} of {each.second.of}: too few to tell.
            </li>
          ))}
          <li>
            {figures.times.filter(({ learned }) => learned.state === 'planned').length} steps were timed too
            seldom; {figures.charts.filter(({ state }) => state === 'dots').length} series have fewer than 8
            values.
          </li>
          <li>Fewer faults recorded is not fewer faults. Not recorded is not good.</li>
        </ul>
      </section>
    </Paper>
  )
}

function ShareRow({
  name,
  now,
  before,
}: {
  readonly name: string
  readonly now: Line
  readonly before: Line
}) {
  const words = ({ share }: Line) => (share ? shareWords(share) : 'nothing was counted')
  return (
    <tr>
      <td className="font-bold">{name}</td>
      <td>{words(now)}</td>
      <td>
        {words(before)}
        {now.share && before.share && `; ${changeWords(differenceOf(now.share, before.share))}`}
      </td>
    </tr>
  )
}

/** No arrow: a difference that may be none is said to be so. */
function changeWords({ difference, low, high }: Difference): string {
  const points = (share: number) => `${share > 0 ? '+' : ''}${percent(share)}`
  const told = `${points(difference)} points (${points(low)} to ${points(high)})`
  return low <= 0 && high >= 0 ? `${told}, no sign of a change` : told
}

const lostWords = ({ hours, events, ofHours, interval }: HandsLost) =>
  events === 0
    ? `none of ${Math.round(ofHours)} h`
    : `${hoursWords(hours)} of ${Math.round(ofHours)} h, ${events} times${interval ? ` (${hoursBetween(interval)})` : ''}`

function remakeWords({ events, jobs, rare }: QualityFigures['remakes']): string {
  const counted = `${events} in ${jobs} jobs`
  if (!rare || rare.state === 'tooFew') return `${counted}: too few to tell.`
  return rare.closeTogether
    ? `${counted}. Closer together than chance makes it.`
    : `${counted}. Neither closer together nor further apart than chance makes it.`
}
