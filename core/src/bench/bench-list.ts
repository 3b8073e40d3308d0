import { type WindowVerdict, windowByMachine, windowVerdict } from '../route/index.ts'
import type { BenchItem, CaseSummary } from './case-summary.ts'

/** A step on the bench, with its case. */
export interface BenchEntry extends BenchItem {
  readonly caseId: string
  readonly sequence: number
  readonly docket: string
  readonly jobName: string
  readonly clinic: string
  readonly dueAt: number
  readonly verdict?: WindowVerdict
  /** The clock time that matters: open from, or do it by. */
  readonly at: number
}

export interface BenchList {
  /** Everything with a clock on it, the soonest to open first. */
  readonly running: readonly BenchEntry[]
  /** What hands can do now, the nearest deadline first. */
  readonly now: readonly BenchEntry[]
  /** What opens later, in time order. */
  readonly later: readonly BenchEntry[]
  readonly asking: readonly CaseSummary[]
  readonly away: readonly BenchEntry[]
  /** How many windows stand open or are about to be missed, shown here or not. */
  readonly openWindows: number
}

/** When the machine in which the work of a step lies should have ended, ms since 1970; undefined: it lies in none. */
export type MachineEnd = (work: {
  readonly caseId: string
  readonly jobId: string
  readonly stepId: string
  readonly startedAt: number
}) => number | undefined

/** An item judged by the clock, before it is written out for a screen. */
interface Judged {
  readonly summary: CaseSummary
  readonly item: BenchItem
  readonly verdict: WindowVerdict | undefined
  readonly at: number
}

/**
 * The bench at an instant: what runs, what to do now, what comes later, who is waited for.
 * A deadline is the end of the step's window or the latest start that still makes the due date, whichever is sooner.
 * @param now ms since 1970
 * @param most entries of each kind to write out
 * @param machineEnd moves the window of what lies in a machine
 */
export function benchList(
  summaries: readonly CaseSummary[],
  now: number,
  most = Number.POSITIVE_INFINITY,
  machineEnd: MachineEnd = () => undefined,
): BenchList {
  const open = summaries.filter(({ status }) => status !== 'ended' && status !== 'delivered')
  const judged = open.flatMap((summary) =>
    summary.items.map((item) => judge(summary, byMachine(summary, item, machineEnd), now)),
  )
  const workable = judged.filter(({ summary: { status } }) => status === 'open' || status === 'away')
  const isAway = ({ item }: Judged) => item.kind === 'clinic' && item.running
  const isLater = ({ verdict }: Judged) => verdict === 'tooSoon'
  const here = workable.filter((each) => !isAway(each))
  const doable = here.filter((each) => !isLater(each))
  const bySoonest = (a: Judged, b: Judged) => a.at - b.at
  const written = (some: Judged[], order: (a: Judged, b: Judged) => number) =>
    some.sort(order).slice(0, most).map(writeOut)
  return {
    openWindows: doable.filter(({ item }) => item.window).length,
    running: written(
      judged.filter(({ item }) => item.window && item.kind !== 'clinic'),
      (a, b) => a.item.window!.goodFrom - b.item.window!.goodFrom,
    ),
    now: written(doable, (a, b) => rank(a.item) - rank(b.item) || bySoonest(a, b)),
    later: written(here.filter(isLater), bySoonest),
    asking: open
      .filter(({ status }) => status === 'asking')
      .sort((a, b) => (a.question?.since ?? 0) - (b.question?.since ?? 0))
      .slice(0, most),
    away: written(workable.filter(isAway), (a, b) => dueBack(a) - dueBack(b)),
  }
}

/** When a case at the clinic is due back; without an agreed hour, when the case itself is due. */
const dueBack = ({ item, summary }: Judged) => item.window?.lateFrom ?? summary.dueAt

/** A clock that is running out goes before a hand's work in progress, and that before what is only due. */
function rank(item: BenchItem): number {
  if (item.window) return 0
  return item.running ? 1 : 2
}

function byMachine({ caseId }: CaseSummary, item: BenchItem, machineEnd: MachineEnd): BenchItem {
  const { jobId, stepId, running, startedAt, window } = item
  if (!running || startedAt === undefined || !window) return item
  const endsAt = machineEnd({ caseId, jobId, stepId, startedAt })
  return endsAt === undefined ? item : { ...item, window: windowByMachine(window, endsAt) }
}

function judge(summary: CaseSummary, item: BenchItem, now: number): Judged {
  const verdict = item.window && windowVerdict(item.window, now)
  const deadline = Math.min(item.startBy, windowEnd(item, verdict))
  return {
    summary,
    item,
    verdict,
    at: verdict === 'tooSoon' && item.window ? item.window.goodFrom : deadline,
  }
}

function writeOut({ summary, item, verdict, at }: Judged): BenchEntry {
  return {
    ...item,
    caseId: summary.caseId,
    sequence: summary.sequence,
    docket: summary.docket,
    jobName: summary.jobNames.join(', '),
    clinic: summary.clinic,
    dueAt: summary.dueAt,
    ...(verdict ? { verdict } : {}),
    at,
  }
}

/** The end of the good time while it lasts, then the moment from which it is past. */
function windowEnd({ window }: BenchItem, verdict: WindowVerdict | undefined): number {
  if (!window) return Number.POSITIVE_INFINITY
  return verdict === 'good' ? window.lateFrom : (window.pastFrom ?? window.lateFrom)
}
