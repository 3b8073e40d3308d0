import {
  type Calibration,
  type CauseHits,
  calibration,
  gapLimit,
  LEAST_PROMISES,
  LEAST_RARE_EVENTS,
  type Rare,
  rareEvents,
  sumOf,
} from '../statistics/index.ts'
import { type CauseTable, causeTable, finderHits } from './cause-table.ts'
import { type ChartSignal, type SeriesChart, seriesCharts, signalsToLookAt } from './chart-room.ts'
import { type Comparison, comparisons } from './comparisons.ts'
import {
  type CaseRef,
  type CountedRecord,
  countedRecord,
  mustBePeriod,
  newestFirst,
  type Period,
  periodBefore,
  type QualityInput,
  refTo,
  within,
} from './counted-record.ts'
import {
  cleanJobs,
  type HandsLost,
  handsLost,
  type LateNow,
  type Line,
  lateNow,
  onTime,
} from './five-lines.ts'
import { learnedTimes, type StepTime } from './learned-times.ts'
import { type JobYield, jobYields } from './yields.ts'

const DAY = 86_400_000
/** Causes and comparisons look further back than a month: three of them, and a year (choice). */
const CAUSE_DAYS = 91
const COMPARED_DAYS = 365

/** How often jobs were made anew. */
export interface Remakes {
  readonly events: number
  readonly jobs: number
  /** Jobs from one to the next, in the order of delivery; the last: since the last one. */
  readonly gaps: readonly number[]
  /** Jobs from one to the next, on average, and a gap that would be long: drawn, and no more than that. */
  readonly meanGap?: number
  readonly longGap?: number
  /** The period against all before it; undefined: nothing was delivered in one of them. */
  readonly rare?: Rare
  readonly cases: readonly CaseRef[]
}
export interface Promises {
  readonly made: number
  readonly told?: Calibration
  /** Open cases whose promise cannot be judged yet, and delivered ones for which none is on record. */
  readonly waiting: number
  readonly notRecorded: number
}

/** Everything that a lab's own record says of its quality in a period. */
export interface QualityFigures {
  readonly period: Period
  readonly before: Period
  readonly cases: number
  readonly jobs: number
  readonly leftOut: CountedRecord['leftOut']
  readonly slips: number
  readonly onTime: { readonly now: Line; readonly before: Line }
  readonly clean: { readonly now: Line; readonly before: Line }
  readonly handsLost: { readonly now: HandsLost; readonly before: HandsLost }
  readonly lateNow: LateNow
  readonly toLook: { readonly signals: readonly ChartSignal[]; readonly charts: number }
  readonly causes: { readonly from: number; readonly table: CauseTable; readonly hits?: CauseHits }
  readonly comparisons: readonly Comparison[]
  readonly remakes: Remakes
  readonly promises: Promises
  readonly times: readonly StepTime[]
  readonly yields: readonly JobYield[]
  /** Without their points. */
  readonly charts: readonly Omit<SeriesChart, 'points'>[]
}

/**
 * All figures of a period.
 * @param planOf hands of a step by its route, min
 * @throws {DomainError} `period-empty`, `calendar-missing`
 */
export function qualityFigures(
  input: QualityInput,
  period: Period,
  planOf: (template: string, step: string) => number | undefined,
): QualityFigures {
  mustBePeriod(period)
  const record = countedRecord(input)
  const before = periodBefore(period)
  const year = { from: period.until - COMPARED_DAYS * DAY, until: period.until }
  const quarter = { from: Math.min(period.from, period.until - CAUSE_DAYS * DAY), until: period.until }
  const charts = seriesCharts(record)
  const hits = finderHits(record, year)
  const both = <T>(of: (record: CountedRecord, period: Period) => T) => ({
    now: of(record, period),
    before: of(record, before),
  })
  return {
    period,
    before,
    cases: record.cases.length,
    jobs: record.jobs.length,
    leftOut: record.leftOut,
    slips: sumOf(record.cases.map(({ slips }) => slips)),
    onTime: both(onTime),
    clean: both(cleanJobs),
    handsLost: both(handsLost),
    lateNow: lateNow(record),
    toLook: { signals: signalsToLookAt(charts, input.now), charts: charts.filter(hasLimits).length },
    causes: { from: quarter.from, table: causeTable(record, quarter), ...(hits ? { hits } : {}) },
    comparisons: comparisons(record, year),
    remakes: remakes(record, period),
    promises: promises(record, input.now),
    times: learnedTimes(record, planOf),
    yields: jobYields(record, year),
    charts: charts.map(({ points: _later, ...chart }) => chart),
  }
}

export const hasLimits = ({ state }: Pick<SeriesChart, 'state'>): boolean =>
  state === 'frozen' || state === 'provisional'

/** Jobs in the order in which they were delivered; ties by their case. */
function remakes({ jobs }: CountedRecord, period: Period): Remakes {
  const delivered = jobs
    .filter(({ job }) => job.deliveredAt !== undefined && job.deliveredAt < period.until)
    .sort(
      (one, other) =>
        one.job.deliveredAt! - other.job.deliveredAt! || (one.of.caseId < other.of.caseId ? -1 : 1),
    )
  const isRemade = ({ job }: (typeof delivered)[number]) => job.backs.some(({ remake }) => remake)
  const gaps = [0]
  for (const each of delivered) {
    gaps[gaps.length - 1]! += 1
    if (isRemade(each)) gaps.push(0)
  }
  const counted = (list: typeof delivered) => ({ count: list.filter(isRemade).length, of: list.length })
  const then = counted(delivered.filter(({ job }) => job.deliveredAt! < period.from))
  const now = counted(delivered.filter(({ job }) => within(period, job.deliveredAt)))
  return {
    events: counted(delivered).count,
    jobs: delivered.length,
    gaps,
    ...gapsOf(gaps.slice(0, -1)),
    ...(then.of > 0 && now.of > 0 ? { rare: rareEvents({ before: then, next: now }) } : {}),
    cases: newestFirst(
      delivered
        .filter(isRemade)
        .map(({ of, job }) => refTo(of, job.backs.findLast(({ remake }) => remake)!.at)),
    ),
  }
}

function gapsOf(between: readonly number[]): Pick<Remakes, 'meanGap' | 'longGap'> {
  if (between.length === 0) return {}
  const meanGap = sumOf(between) / between.length
  return { meanGap, longGap: gapLimit(meanGap) }
}

/** Of each case its first promise: what was amended is another one. */
function promises({ cases }: CountedRecord, now: number): Promises {
  const promised = cases.flatMap(({ promise, deliveredAt, endedAt }) =>
    promise && endedAt === undefined ? [{ ...promise, deliveredAt }] : [],
  )
  const over = promised.filter(({ dueAt, deliveredAt }) => deliveredAt !== undefined || dueAt <= now)
  const told = calibration(
    over.map(({ chance }) => chance),
    over.map(({ dueAt, deliveredAt }) => deliveredAt !== undefined && deliveredAt <= dueAt),
  )
  return {
    made: over.length,
    ...(told ? { told } : {}),
    waiting: promised.length - over.length,
    notRecorded: cases.filter(({ promise, deliveredAt }) => !promise && deliveredAt !== undefined).length,
  }
}

/** What a lab cannot know yet, with what it would take: as words for whoever asks. */
export interface Unknown {
  readonly about: 'promises' | 'remakes'
  readonly question: string
  readonly counted: string
  /** How many more there must be; undefined: that cannot be said. */
  readonly more?: number
  /** How many there are of how many that are wanted. */
  readonly have?: { readonly count: number; readonly of: number }
}

/** Promises and remakes that are too few, as questions. Comparisons are put into words by whoever knows their names. */
export function unknownsOf({ promises: made, remakes: again }: QualityFigures): readonly Unknown[] {
  const found: Unknown[] = []
  if (made.made < LEAST_PROMISES)
    found.push({
      about: 'promises',
      question: 'Is the plan honest?',
      counted: `${made.made} promises, wants ${LEAST_PROMISES}`,
      more: LEAST_PROMISES - made.made,
      have: { count: made.made, of: LEAST_PROMISES },
    })
  if (again.events < LEAST_RARE_EVENTS)
    found.push({
      about: 'remakes',
      question: 'Are remakes getting fewer?',
      counted: `${again.events} in ${again.jobs} jobs. One more or less is no trend.`,
      more: LEAST_RARE_EVENTS - again.events,
      have: { count: again.events, of: LEAST_RARE_EVENTS },
    })
  return found
}
