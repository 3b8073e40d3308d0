import { type Cooling, coldAfterMinutes, judgeCure } from '../curing/index.ts'
import type { Amount, OfMix, RouteStep } from '../route/index.ts'
import { judgeSheet, type SheetOf } from '../sheet/index.ts'
import { impressionClocks } from './impressions.ts'
import { lastSheetOf, recordedSheet } from './job.ts'
import { paced } from './mix-pace.ts'
import type { JobState } from './state.ts'
import { finishedAt, metMillis, type StepMix, type StepState } from './step-state.ts'
import type { StepWindow } from './window-verdict.ts'

const MINUTE = 60_000

/** The window that a step is in, or none: it is not running and nothing before it has set a clock. */
export function stepWindow(job: JobState, step: RouteStep): StepWindow | undefined {
  const state = job.steps[step.id]
  if (state?.status === 'running' && step.wait) {
    const window = windowFrom('finish', Date.parse(state.startedAt), step.wait, job)
    if (step.wait.contactOf) return contactWindow(window, state, step.wait.contactOf)
    if (step.wait.cools) return coolingWindow(window, job, step.wait.cools)
    // A curve on record that is good says more than the usual hours: it may be short of them.
    return curveIsGood(job, step) ? { ...window, goodFrom: window.from } : window
  }
  if (state?.status === 'running' && step.dueBackOf)
    return dueBackWindow(job, Date.parse(state.startedAt), step.dueBackOf)
  if (state?.status === 'waiting' && step.pours) return pourWindow(job, step, step.pours)
  if (state?.status === 'waiting' && step.startWindow) {
    const over = finishedAt(job.steps[step.startWindow.afterStepId])
    if (over) return windowFrom('start', Date.parse(over), step.startWindow, job)
  }
  return undefined
}

/** By when an impression must be in stone: from the mouth where that is known, else from when it was looked at here. */
function pourWindow(
  job: JobState,
  step: RouteStep,
  { lookedAtIn, say }: NonNullable<RouteStep['pours']>,
): StepWindow | undefined {
  const looked = finishedAt(job.steps[lookedAtIn])
  const windows = impressionClocks(job, step).flatMap((clock) => {
    const from = clock.takenAt ?? (looked === undefined ? undefined : Date.parse(looked))
    if (from === undefined) return []
    return [
      {
        to: 'start',
        from,
        goodFrom: from,
        lateFrom: from + clock.bestMinutes * MINUTE,
        pastFrom: from + clock.latestMinutes * MINUTE,
        late: clock.late,
        ifPast: { toStepId: lookedAtIn, say },
        source:
          clock.takenAt === undefined
            ? `${clock.source}; the hour of the impression is not known`
            : clock.source,
      } as const,
    ]
  })
  // The one that closes first.
  return windows.sort((a, b) => a.pastFrom - b.pastFrom)[0]
}

/** Opened when the whole mould is cold, by the cure on record; else after the usual time. */
function coolingWindow(window: StepWindow, job: JobState, cooling: Cooling): StepWindow {
  const run = lastSheetOf(job, 'cure')?.run
  if (!run) return window
  const goodFrom = window.from + millis(coldAfterMinutes(judgeCure(run, cooling)))
  return { ...window, goodFrom, lateFrom: Math.max(goodFrom, window.lateFrom) }
}

/** Wet for as long as the label of what was put on says, from when it was. */
function contactWindow(window: StepWindow, state: StepState, sheetId: string): StepWindow | undefined {
  const last = state.sheets.findLast((each) => each.sheetId === sheetId)
  // Nothing is on it yet.
  if (last?.sheet.kind !== 'disinfection') return undefined
  const from = Date.parse(last.at)
  const goodFrom = from + millis(last.sheet.contactMinutes)
  return { ...window, from, goodFrom, lateFrom: goodFrom + window.lateFrom - window.from }
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

type Minutes = Pick<WrittenWindow, 'earliestMinutes' | 'bestMinutes' | 'latestMinutes'>
type WrittenWindow = NonNullable<RouteStep['wait'] | RouteStep['startWindow']>

function windowFrom(to: StepWindow['to'], tapped: number, window: WrittenWindow, job: JobState): StepWindow {
  const { early, late, source, ifPast, ofMix, ofCheck } = window
  const mixes = ofMix ? mixesOf(job, ofMix) : []
  const read = ofCheck ? lastReadings(job, ofCheck) : []
  const spans =
    mixes.length > 0
      ? mixes.map(({ mix, amount }) => span(metMillis(mix), paced(window, ofMix!.pace, mix, amount)))
      : read.length > 0
        ? read.map(({ at }) => span(Date.parse(at), window))
        : [span(tapped, window)]
  const goodFrom = Math.max(...spans.map((each) => each.goodFrom))
  const pastFrom = Math.min(...spans.map((each) => each.pastFrom))
  return {
    to,
    from: Math.min(...spans.map((each) => each.from)),
    goodFrom,
    // With several it opens with the last and closes with the first.
    lateFrom: Math.max(goodFrom, Math.min(...spans.map((each) => each.lateFrom))),
    ...(pastFrom === Number.POSITIVE_INFINITY ? {} : { pastFrom: Math.max(goodFrom, pastFrom) }),
    ...(ifPast ? { ifPast } : {}),
    early,
    late,
    source,
  }
}

/** The last reading of a check at each tooth, in this attempt. */
function lastReadings(
  job: JobState,
  { stepId, checkId }: { readonly stepId: string; readonly checkId: string },
) {
  const own = job.steps[stepId]?.readings.filter((reading) => reading.checkId === checkId) ?? []
  return [...new Map(own.map((reading) => [reading.tooth, reading])).values()]
}

/** The mixes of this attempt that a window counts from: of each amount the one that was mixed last. */
function mixesOf(job: JobState, { stepId }: OfMix): { readonly mix: StepMix; readonly amount?: Amount }[] {
  const amounts = job.route.steps.find(({ id }) => id === stepId)?.amounts ?? []
  const last = new Map((job.steps[stepId]?.mixes ?? []).map((mix) => [mix.amountId, mix]))
  return [...last.values()].flatMap((mix) => {
    const amount = amounts.find(({ id }) => id === mix.amountId)
    // A thing used up, as a sheet of wax, has no clock.
    return amount?.kind === 'use' ? [] : [{ mix, ...(amount ? { amount } : {}) }]
  })
}

function span(from: number, { earliestMinutes = 0, bestMinutes, latestMinutes }: Minutes) {
  return {
    from,
    goodFrom: from + millis(earliestMinutes),
    lateFrom: from + millis(bestMinutes),
    pastFrom: latestMinutes === undefined ? Number.POSITIVE_INFINITY : from + millis(latestMinutes),
  }
}

/** An instant on record is whole. */
const millis = (minutes: number) => Math.round(minutes * MINUTE)
