import type { RouteStep } from '../route/index.ts'
import { judgeSheet, type SheetOf } from '../sheet/index.ts'
import { recordedSheet } from './job.ts'
import type { JobState } from './state.ts'
import { finishedAt } from './step-state.ts'
import type { StepWindow } from './window-verdict.ts'

const MINUTE = 60_000

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
