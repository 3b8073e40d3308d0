import {
  type Check,
  type CheckMeaning,
  type RouteStep,
  readingOutcome,
  type StepMeaning,
  teethOf,
} from '../route/index.ts'
import {
  type DataOfKind,
  type Judged,
  judgeSheet,
  type Outcome,
  type SheetData,
  type SheetJudgement,
  type SheetKind,
  type SheetOf,
  type SheetOfKind,
  type StepSheet,
  sheetPeakCelsius,
} from '../sheet/index.ts'
import type { JobState } from './state.ts'
import {
  finishedAt,
  isSettled,
  type Reading,
  type RecordedSheet,
  type StepState,
  startedAt,
} from './step-state.ts'

/** The step of a job's route. @throws {Error} when it has none of that id */
export function stepOf(job: JobState, stepId: string): RouteStep {
  const step = job.route.steps.find((s) => s.id === stepId)
  if (!step) throw new Error(`The route of job ${job.jobId} has no step ${stepId}.`)
  return step
}

/** The step of a job that means something, and how it stands; undefined where the route has none. */
export function stepMeaning(
  job: JobState,
  meaning: StepMeaning,
): { readonly step: RouteStep; readonly state: StepState } | undefined {
  const step = job.route.steps.find(({ means }) => means === meaning)
  return step && { step, state: job.steps[step.id]! }
}

/** The checks of a job that mean something, each with its step: in a pair there are two. */
export function checksMeaning(
  job: JobState,
  meaning: CheckMeaning,
): readonly { readonly step: RouteStep; readonly check: Check }[] {
  return job.route.steps.flatMap((step) =>
    (step.checks ?? []).flatMap((check) => (check.means === meaning ? [{ step, check }] : [])),
  )
}

/** What was read in the present attempt by checks that mean something, in the order in which it was. */
export function readingsMeaning(job: JobState, meaning: CheckMeaning): readonly Reading[] {
  return checksMeaning(job, meaning)
    .flatMap(({ step, check }) => job.steps[step.id]!.readings.filter(({ checkId }) => checkId === check.id))
    .sort((a, b) => a.sequence - b.sequence)
}

/** The sheets of a kind that a job asks for, each with its step. */
export function sheetsWanted<K extends SheetKind>(
  job: JobState,
  kind: K,
): readonly { readonly step: RouteStep; readonly sheet: SheetOfKind<K> }[] {
  return job.route.steps.flatMap((step) =>
    (step.sheets ?? []).flatMap((sheet) =>
      sheet.kind === kind ? [{ step, sheet: sheet as SheetOfKind<K> }] : [],
    ),
  )
}

/** The last sheet of a kind that is on record in the present attempts of a job. */
export function lastSheetOf<K extends SheetKind>(job: JobState, kind: K): DataOfKind<K> | undefined {
  return job.route.steps
    .flatMap(({ id }) => job.steps[id]!.sheets)
    .sort((a, b) => a.sequence - b.sequence)
    .findLast(({ sheet }) => sheet.kind === kind)?.sheet as DataOfKind<K> | undefined
}

/** Minutes from one moment of the record to another; undefined while one of them is missing. */
export function minutesBetween(from: string | undefined, to: string | undefined): number | undefined {
  return from && to ? (Date.parse(to) - Date.parse(from)) / 60_000 : undefined
}

/** How long a step took, min; undefined: it is not over. */
export function stepMinutes(step: StepState | undefined): number | undefined {
  return minutesBetween(startedAt(step), finishedAt(step))
}

/** The checks of a step whose last reading, at some tooth, does not pass and was not accepted by the dentist. */
export function failingChecks(
  step: RouteStep,
  state: StepState,
): { readonly check: Check; readonly reading: Reading; readonly outcome: Outcome }[] {
  return (step.checks ?? []).flatMap((check) => {
    const last = new Map(
      state.readings.filter((r) => r.checkId === check.id).map((reading) => [reading.tooth, reading]),
    )
    return [...last.values()].flatMap((reading) => {
      if (state.accepted.includes(reading.sequence)) return []
      const outcome = readingOutcome(check, reading)
      return outcome.verdict === 'pass' ? [] : [{ check, reading, outcome }]
    })
  })
}

/** The sheets of a step whose last entry does not pass and was not accepted by the dentist, with what does not. */
export function failingSheets(
  step: RouteStep,
  job: JobState,
): ({ readonly sheet: StepSheet; readonly recorded: RecordedSheet } & SheetJudgement)[] {
  const state = job.steps[step.id]!
  return (step.sheets ?? []).flatMap((sheet) => {
    const recorded = state.sheets.findLast((each) => each.sheetId === sheet.id)
    if (!recorded || state.accepted.includes(recorded.sequence)) return []
    const judged = judgeSheet(sheet, recorded.sheet, (of) => recordedSheet(job, of))
    return judged.faults.length > 0 ? [{ sheet, recorded, ...judged }] : []
  })
}

/** What a sheet comes to as it is recorded, held against what is on record. */
export function judgedIn(job: JobState, sheet: StepSheet, data: SheetData): Judged {
  const peakCelsius = sheetPeakCelsius(data)
  return {
    passes: judgeSheet(sheet, data, (of) => recordedSheet(job, of)).faults.length === 0,
    ...(peakCelsius === undefined ? {} : { peakCelsius }),
  }
}

/** The last entry of a sheet that is on record in a job. */
export function recordedSheet(job: JobState, of: SheetOf): SheetData | undefined {
  return job.steps[stepOfSheet(job, of)]?.sheets.findLast(({ sheetId }) => sheetId === of.sheetId)?.sheet
}

/** The step on which a sheet stands that counts now: where it was taken anew, else where it was taken first. */
export function stepOfSheet(job: JobState, { stepId, sheetId, laterIn }: SheetOf): string {
  const anew = laterIn && job.steps[laterIn]?.sheets.some((each) => each.sheetId === sheetId)
  return anew ? laterIn : stepId
}

/** The checks of a step that still want a reading, and at which tooth. */
export function openChecks(
  step: RouteStep,
  state: StepState,
  teeth: readonly number[],
): { readonly check: Check; readonly tooth: number | undefined }[] {
  return (step.checks ?? []).flatMap((check) => {
    const own = state.readings.filter((r) => r.checkId === check.id)
    return teethOf(check, teeth)
      .filter((tooth) => own.filter((r) => r.tooth === tooth).length < (check.readings ?? 1))
      .map((tooth) => ({ check, tooth }))
  })
}

/** The steps of a job that are running, and those that may be started now: all before them settled. */
export function currentSteps(job: JobState): {
  readonly running: RouteStep[]
  readonly startable: RouteStep[]
} {
  const running = job.route.steps.filter((step) => job.steps[step.id]?.status === 'running')
  const startable = job.route.steps.filter(
    (step) => job.steps[step.id]?.status === 'waiting' && step.after.every((id) => isSettled(job.steps[id])),
  )
  return { running, startable }
}

/** The next thing to do on a job: its running step, or the first that may be started. */
export function currentStep(job: JobState): RouteStep | undefined {
  const { running, startable } = currentSteps(job)
  return running[0] ?? startable[0]
}
