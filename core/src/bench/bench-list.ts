import { type WindowVerdict, windowVerdict } from '../route/index.ts'
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
}

/**
 * The bench at an instant: what runs, what to do now, what comes later, who is waited for.
 * A deadline is the end of the step's window or the latest start that still makes the due date, whichever is sooner.
 * @param now ms since 1970
 */
export function benchList(summaries: readonly CaseSummary[], now: number): BenchList {
  const workable = summaries.filter(({ status }) => status === 'open' || status === 'away')
  const entries = workable.flatMap((summary) => summary.items.map((item) => entryOf(summary, item, now)))
  const away = entries.filter((e) => e.kind === 'clinic' && e.running)
  const here = entries.filter((e) => !(e.kind === 'clinic' && e.running))
  const clocks = summaries
    .filter(({ status }) => status !== 'ended' && status !== 'delivered')
    .flatMap((summary) => summary.items.map((item) => entryOf(summary, item, now)))
    .filter((e) => e.window && e.kind !== 'clinic')
  const bySoonest = (a: BenchEntry, b: BenchEntry) => a.at - b.at
  const isLater = (e: BenchEntry) => e.verdict === 'tooSoon'
  return {
    running: clocks.sort((a, b) => a.window!.goodFrom - b.window!.goodFrom),
    now: here.filter((e) => !isLater(e)).sort((a, b) => rank(a) - rank(b) || bySoonest(a, b)),
    later: here.filter(isLater).sort(bySoonest),
    asking: summaries
      .filter(({ status }) => status === 'asking')
      .sort((a, b) => (a.question?.since ?? 0) - (b.question?.since ?? 0)),
    away: away.sort((a, b) => a.dueAt - b.dueAt),
  }
}

/** A clock that is running out goes before a hand's work in progress, and that before what is only due. */
function rank(entry: BenchEntry): number {
  if (entry.window) return 0
  return entry.running ? 1 : 2
}

function entryOf(summary: CaseSummary, item: BenchItem, now: number): BenchEntry {
  const verdict = item.window && windowVerdict(item.window, now)
  const deadline = Math.min(item.startBy, windowEnd(item, verdict))
  return {
    ...item,
    caseId: summary.caseId,
    sequence: summary.sequence,
    docket: summary.docket,
    jobName: summary.jobNames.join(', '),
    clinic: summary.clinic,
    dueAt: summary.dueAt,
    ...(verdict ? { verdict } : {}),
    at: verdict === 'tooSoon' && item.window ? item.window.goodFrom : deadline,
  }
}

/** The end of the good time while it lasts, then the moment from which it is past. */
function windowEnd({ window }: BenchItem, verdict: WindowVerdict | undefined): number {
  if (!window) return Number.POSITIVE_INFINITY
  return verdict === 'good' ? window.lateFrom : (window.pastFrom ?? window.lateFrom)
}

/** How many windows stand open or are about to be missed: the count in the title bar. */
export function openWindowCount(list: BenchList): number {
  return list.now.filter((e) => e.window).length
}
