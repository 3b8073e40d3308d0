import { type WindowVerdict, windowByMachine, windowVerdict } from '../case/index.ts'
import type { BenchItem, CaseSummary } from './case-summary.ts'

/** A step that is running or may be started, with its case. */
interface BenchWork extends BenchItem {
  readonly caseId: string
  readonly sequence: number
  readonly docket: string
  readonly jobName: string
  readonly clinic: string
  readonly dueAt: number
  /** As the plan of the lab has it; none where there is no plan. */
  readonly planned?: PlannedWork
  /** Its case is on hold, or waits for an answer: only its clocks go on. */
  readonly stopped?: true
}

/** When a step is planned, and in whose hands; ms since 1970. */
export interface PlannedWork {
  readonly at: number
  readonly personId?: string
  readonly person?: string
  /** So much later it may begin and its case is still ready when due, all else staying as planned. */
  readonly slackMillis: number
}
export type PlannedWorkOf = (caseId: string, jobId: string, stepId: string) => PlannedWork | undefined

/** What lies on the bench, whatever the time. */
export interface BenchContents {
  readonly work: readonly BenchWork[]
  readonly asking: readonly CaseSummary[]
  /** There is more than is shown. */
  readonly cut: boolean
}

/** Work as it stands at an instant. */
export interface BenchEntry extends BenchWork {
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
 * What lies on the bench: everything of the open cases, or as much of it as is shown now.
 * @param now ms since 1970
 * @param machineEnd moves the window of what lies in a machine
 */
export function benchContents(
  summaries: readonly CaseSummary[],
  now: number,
  machineEnd: MachineEnd = () => undefined,
  plannedOf: PlannedWorkOf = () => undefined,
): BenchContents {
  const open = summaries.filter(({ status }) => status !== 'ended' && status !== 'delivered')
  const all: BenchContents = {
    work: open.flatMap((summary) =>
      workOf(summary).map((work) => byPlan(byMachine(work, machineEnd), plannedOf)),
    ),
    asking: open.filter(({ status }) => status === 'asking'),
    cut: false,
  }
  const { asking, ...lists } = sorted(all, now)
  if ([asking, ...Object.values(lists)].every((list) => list.length <= MOST_SHOWN)) return all
  const shown = new Set(
    Object.values(lists).flatMap((list) => list.slice(0, MOST_SHOWN).map(({ work }) => work)),
  )
  return {
    work: all.work.filter((work) => shown.has(work)),
    asking: asking.slice(0, MOST_SHOWN),
    cut: true,
  }
}

/**
 * The bench at an instant: what runs, what to do now, what comes later, who is waited for.
 * @param now ms since 1970
 * @param me whose bench it is: what is planned for them goes before what is planned for others
 */
export function benchList(contents: BenchContents, now: number, me?: string): BenchList {
  const { running, now: doable, later, asking, away } = sorted(contents, now, me)
  const shown = (list: readonly Judged[]) =>
    list
      .slice(0, MOST_SHOWN)
      .map(({ work, verdict, at }): BenchEntry => ({ ...work, ...(verdict ? { verdict } : {}), at }))
  return {
    running: shown(running),
    now: shown(doable),
    later: shown(later),
    asking: asking.slice(0, MOST_SHOWN),
    away: shown(away),
  }
}

/**
 * The bench after a change of one case.
 * @param ofCase what lies there of that case alone, as it is now
 * @returns undefined where something may have to come up that was cut off before: the whole must be made again
 */
export function benchWithCase(
  bench: BenchContents,
  caseId: string,
  ofCase: BenchContents,
): BenchContents | undefined {
  const others = bench.work.filter((each) => each.caseId !== caseId)
  const asking = bench.asking.filter((each) => each.caseId !== caseId)
  const before = bench.work.length - others.length + bench.asking.length - asking.length
  if (bench.cut && ofCase.work.length + ofCase.asking.length < before) return undefined
  return {
    work: [...others, ...ofCase.work],
    asking: [...asking, ...ofCase.asking],
    cut: bench.cut,
  }
}

/** Work with how it stands at an instant: there is much of it, and little of it is shown. */
interface Judged {
  readonly work: BenchWork
  readonly verdict?: WindowVerdict
  readonly at: number
}

/** Each kind in the order in which it is shown. */
function sorted({ work, asking }: BenchContents, now: number, me?: string) {
  const judgedWork = work.map((each) => judged(each, now))
  const workable = judgedWork.filter((each) => !each.work.stopped)
  const isAway = (each: Judged) => each.work.kind === 'clinic' && each.work.running
  const isLater = ({ verdict }: Judged) => verdict === 'tooSoon'
  const inHouse = workable.filter((each) => !isAway(each))
  const bySoonest = (a: Judged, b: Judged) => a.at - b.at
  const turn = ({ work: { planned }, at }: Judged) => planned?.at ?? at
  const byTurn = (a: Judged, b: Judged) => turn(a) - turn(b) || a.at - b.at
  const isOthers = ({ planned, running, window }: BenchWork) =>
    me !== undefined && planned?.personId !== undefined && planned.personId !== me && !running && !window
  // A case that is late anyway can wait for the five minutes that another material still has.
  const byClock = (a: Judged, b: Judged) =>
    a.work.window && b.work.window ? windowEnd(a.work, a.verdict) - windowEnd(b.work, b.verdict) : 0
  return {
    running: judgedWork
      .filter((each) => each.work.window && each.work.kind !== 'clinic')
      .sort((a, b) => a.work.window!.goodFrom - b.work.window!.goodFrom),
    now: inHouse
      .filter((each) => !isLater(each))
      .sort(
        (a, b) =>
          rank(a.work) - rank(b.work) ||
          byClock(a, b) ||
          Number(isOthers(a.work)) - Number(isOthers(b.work)) ||
          byTurn(a, b),
      ),
    later: inHouse.filter(isLater).sort(bySoonest),
    asking: [...asking].sort((a, b) => (a.question?.since ?? 0) - (b.question?.since ?? 0)),
    away: workable.filter(isAway).sort((a, b) => dueBack(a.work) - dueBack(b.work)),
  }
}

/** Whether the plan begins a step only after the good of its window has gone. */
export const isPlannedTooLate = ({ window, planned }: BenchWork): boolean =>
  window?.to === 'start' && planned !== undefined && planned.at > window.lateFrom

/** When a case at the clinic is due back; without an agreed hour, when the case itself is due. */
const dueBack = ({ window, dueAt }: BenchWork) => window?.lateFrom ?? dueAt

/** A clock that is running out goes before a hand's work in progress, and that before what is only due. */
function rank({ window, running }: BenchItem): number {
  if (window) return 0
  return running ? 1 : 2
}

/** The plan knows who and what is free, and so by when a step has to begin. */
function byPlan(work: BenchWork, plannedOf: PlannedWorkOf): BenchWork {
  const planned = plannedOf(work.caseId, work.jobId, work.stepId)
  return planned ? { ...work, planned, startBy: planned.at + planned.slackMillis } : work
}

function byMachine(work: BenchWork, machineEnd: MachineEnd): BenchWork {
  const { caseId, jobId, stepId, running, startedAt, window } = work
  if (!running || startedAt === undefined || !window) return work
  const endsAt = machineEnd({ caseId, jobId, stepId, startedAt })
  return endsAt === undefined ? work : { ...work, window: windowByMachine(window, endsAt) }
}

/** A summary never changes, and the bench is made of all of them whenever somebody looks. */
const workByCase = new WeakMap<CaseSummary, readonly BenchWork[]>()

function workOf(summary: CaseSummary): readonly BenchWork[] {
  const known = workByCase.get(summary)
  if (known) return known
  const { caseId, sequence, docket, jobNames, clinic, dueAt, status } = summary
  const stopped = status === 'held' || status === 'asking'
  const work = summary.items.map(
    (item): BenchWork => ({
      ...item,
      caseId,
      sequence,
      docket,
      jobName: jobNames.join(', '),
      clinic,
      dueAt,
      ...(stopped ? { stopped } : {}),
    }),
  )
  workByCase.set(summary, work)
  return work
}

function judged(work: BenchWork, now: number): Judged {
  const verdict = work.window && windowVerdict(work.window, now)
  const deadline = Math.min(work.startBy, windowEnd(work, verdict))
  const at = verdict === 'tooSoon' && work.window ? work.window.goodFrom : deadline
  return verdict ? { work, verdict, at } : { work, at }
}

/** The end of the good time while it lasts, then the moment from which it is past. */
function windowEnd({ window }: BenchItem, verdict: WindowVerdict | undefined): number {
  if (!window) return Number.POSITIVE_INFINITY
  return verdict === 'good' ? window.lateFrom : (window.pastFrom ?? window.lateFrom)
}
