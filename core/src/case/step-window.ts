import type { RouteStep } from '../route/index.ts'
import { judgeSheet, type SheetOf } from '../sheet/index.ts'
import { recordedSheet } from './job.ts'
import type { JobState } from './state.ts'
import { finishedAt } from './step-state.ts'

const MINUTE = 60_000

/** The time window of a step, instants in ms since 1970. */
export interface StepWindow {
  /** To end a running step, or to start one that is waiting. */
  readonly to: 'finish' | 'start'
  readonly from: number
  readonly goodFrom: number
  readonly lateFrom: number
  /** When it is past; none: late is the worst. */
  readonly pastFrom?: number
  /** Past is too late: it wants a reason. */
  readonly hard?: boolean
  readonly early?: string
  readonly late: string
  readonly source: string
}

export type WindowVerdict = 'tooSoon' | 'good' | 'late' | 'past'

/** The window that a step is in, or none: it is not running and nothing before it has set a clock. */
export function stepWindow(job: JobState, step: RouteStep): StepWindow | undefined {
  const state = job.steps[step.id]
  if (state?.status === 'running' && step.wait) {
    const window = windowFrom('finish', Date.parse(state.startedAt), step.wait)
    // A curve on record that is good says more than the usual hours: it may be short of them.
    return curveIsGood(job, step) ? { ...window, goodFrom: window.from } : window
  }
  if (state?.status === 'running' && step.dueBackOf)
    return dueBackWindow(job, Date.parse(state.startedAt), step.dueBackOf)
  if (state?.status === 'waiting' && step.startWindow) {
    const over = finishedAt(job.steps[step.startWindow.afterStepId])
    if (over) return windowFrom('start', Date.parse(over), step.startWindow)
  }
  return undefined
}

function curveIsGood(job: JobState, step: RouteStep): boolean {
  return (step.sheets ?? []).some((sheet) => {
    if (sheet.kind !== 'cure' && sheet.kind !== 'burnout') return false
    const data = recordedSheet(job, { stepId: step.id, sheetId: sheet.id })
    return data !== undefined && judgeSheet(sheet, data, () => undefined).outcome.verdict === 'pass'
  })
}

/**
 * The window of work that lies in a machine: open from when its program is expected to end, and as long as usual.
 * One that is open from its beginning stays as it is.
 * @param endsAt ms since 1970
 */
export function windowByMachine(window: StepWindow, endsAt: number): StepWindow {
  if (window.to !== 'finish' || window.goodFrom <= window.from) return window
  const by = endsAt - window.goodFrom
  return {
    ...window,
    goodFrom: endsAt,
    lateFrom: window.lateFrom + by,
    ...(window.pastFrom === undefined ? {} : { pastFrom: window.pastFrom + by }),
    early: 'The machine is still on its program.',
    source: 'by the program of the machine, as it runs',
  }
}

/** Away until the hour agreed with the clinic; after it somebody should ask. */
function dueBackWindow(job: JobState, from: number, of: SheetOf): StepWindow | undefined {
  const sent = recordedSheet(job, of)
  if (sent?.kind !== 'dispatch') return undefined
  return {
    to: 'finish',
    from,
    goodFrom: from,
    lateFrom: Date.parse(sent.dueBackAt),
    late: 'It was due back: ask the clinic.',
    source: 'as agreed with the clinic',
  }
}

function windowFrom(
  to: StepWindow['to'],
  from: number,
  window: {
    readonly earliestMinutes?: number
    readonly bestMinutes: number
    readonly latestMinutes?: number
    readonly hard?: boolean
    readonly early?: string
    readonly late: string
    readonly source: string
  },
): StepWindow {
  const { earliestMinutes = 0, bestMinutes, latestMinutes, hard, early, late, source } = window
  return {
    to,
    from,
    goodFrom: from + earliestMinutes * MINUTE,
    lateFrom: from + bestMinutes * MINUTE,
    ...(latestMinutes === undefined ? {} : { pastFrom: from + latestMinutes * MINUTE }),
    ...(hard ? { hard } : {}),
    early,
    late,
    source,
  }
}

/**
 * Too soon, good, late or past at an instant. The good time holds its first and last moment.
 * A window that is good from its beginning is never too soon, though a clock may lag a moment behind the event.
 */
export function windowVerdict(window: StepWindow, now: number): WindowVerdict {
  if (now < window.goodFrom && window.goodFrom > window.from) return 'tooSoon'
  if (window.pastFrom !== undefined && now > window.pastFrom) return 'past'
  return now > window.lateFrom ? 'late' : 'good'
}
