import { type WindowVerdict, windowByMachine, windowVerdict } from '../case/index.ts'
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

/** More of each kind on one screen helps nobody; the rest is in the list of cases. */
const MOST_SHOWN = 40

/** When the machine in which the work of a step lies should have ended, ms since 1970; undefined: it lies in none. */
export type MachineEnd = (work: {
  readonly caseId: string
  readonly jobId: string
  readonly stepId: string
  readonly startedAt: number
}) => number | undefined

/**
 * The bench at an instant: what runs, what to do now, what comes later, who is waited for.
 * @param now ms since 1970
 * @param machineEnd moves the window of what lies in a machine
 */
export function benchList(
  summaries: readonly CaseSummary[],
  now: number,
  machineEnd: MachineEnd = () => undefined,
): BenchList {
  const open = summaries.filter(({ status }) => status !== 'ended' && status !== 'delivered')
  const entries = open.flatMap((summary) =>
    summary.items.map((item) => judge(summary, byMachine(summary, item, machineEnd), now)),
  )
  const stopped = new Set(
    open.flatMap(({ caseId, status }) => (status === 'held' || status === 'asking' ? [caseId] : [])),
  )
  const workable = entries.filter(({ caseId }) => !stopped.has(caseId))
  const isAway = ({ kind, running }: BenchEntry) => kind === 'clinic' && running
  const isLater = ({ verdict }: BenchEntry) => verdict === 'tooSoon'
  const here = workable.filter((entry) => !isAway(entry))
  return shown({
    running: entries.filter(({ window, kind }) => window && kind !== 'clinic'),
    now: here.filter((entry) => !isLater(entry)),
    later: here.filter(isLater),
    asking: open.filter(({ status }) => status === 'asking'),
    away: workable.filter(isAway),
  })
}

/**
 * The bench after a change of one case.
 * @param ofCase the bench of that case alone, as it is now
 * @returns undefined where something may have to come up that was not shown before: the whole must be made anew
 */
export function benchWithCase(bench: BenchList, caseId: string, ofCase: BenchList): BenchList | undefined {
  const joined = <K extends keyof BenchList>(kind: K) =>
    [...bench[kind].filter((each) => each.caseId !== caseId), ...ofCase[kind]] as BenchList[K]
  const next = shown({
    running: joined('running'),
    now: joined('now'),
    later: joined('later'),
    asking: joined('asking'),
    away: joined('away'),
  })
  const kinds = Object.keys(next) as (keyof BenchList)[]
  return kinds.some((kind) => bench[kind].length === MOST_SHOWN && next[kind].length < MOST_SHOWN)
    ? undefined
    : next
}

/** In the order in which each kind is shown, and no more of it than that. */
function shown({ running, now, later, asking, away }: BenchList): BenchList {
  const sorted = <T>(some: readonly T[], order: (a: T, b: T) => number) =>
    [...some].sort(order).slice(0, MOST_SHOWN)
  const bySoonest = (a: BenchEntry, b: BenchEntry) => a.at - b.at
  return {
    running: sorted(running, (a, b) => a.window!.goodFrom - b.window!.goodFrom),
    now: sorted(now, (a, b) => rank(a) - rank(b) || bySoonest(a, b)),
    later: sorted(later, bySoonest),
    asking: sorted(asking, (a, b) => (a.question?.since ?? 0) - (b.question?.since ?? 0)),
    away: sorted(away, (a, b) => dueBack(a) - dueBack(b)),
  }
}

/** When a case at the clinic is due back; without an agreed hour, when the case itself is due. */
const dueBack = ({ window, dueAt }: BenchEntry) => window?.lateFrom ?? dueAt

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

function judge(summary: CaseSummary, item: BenchItem, now: number): BenchEntry {
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
