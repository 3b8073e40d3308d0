import {
  applyStanding,
  type CaseEvent,
  type CaseState,
  type CauseFound,
  caseState,
  finishedAt,
  goingsBack,
  isDelivered,
  isRemake,
  type JobState,
  type RouteLookup,
  type SentBack,
  type StepState,
  startedAt,
} from '../case/index.ts'
import { without } from '../planning/index.ts'
import { DomainError } from '../refusal/index.ts'
import { type RouteStep, readingOutcome } from '../route/index.ts'
import { isGrowing, type Judged, type SheetKind } from '../sheet/index.ts'
import { correctedRecord } from './corrected-record.ts'
import type { AttemptDigest, BackDigest, CaseDigest, JobDigest, Span } from './digest.ts'
import { seriesOf, usedIn } from './digest-values.ts'
import { flowOf } from './flow.ts'
import { type LabHours, OpenHours } from './open-hours.ts'
import type { Attempt, Opened } from './opened.ts'
import { CLINIC_CAUSE, causesOf, lastBegun, seenFaults } from './seen-faults.ts'

const MINUTE = 60_000
/** They put progress on record, and never say that something went wrong. */
const progress: readonly SheetKind[] = ['closures', 'parts', 'dispatch', 'tryInAnswer']

/** What a case looked like when one of its jobs was sent back. */
interface Before {
  readonly back: SentBack
  readonly job: JobState
  readonly foundAt: RouteStep | undefined
  /** Steps that were settled and opened again. */
  readonly settled: readonly string[]
  /** As step and attempt, of all that was opened again. */
  readonly thrown: readonly string[]
}

/**
 * What quality needs of a case, worked out in one pass over its record: nothing is judged again that was judged when it was recorded.
 * @param routes gives the immutable copy that an event names
 * @param hours when hands are at the benches
 * @throws {DomainError} `record-damaged`
 */
export function digestCase(
  caseId: string,
  events: readonly CaseEvent[],
  routes: RouteLookup,
  hours: LabHours,
): CaseDigest {
  try {
    return new CaseDigester(caseId, events, routes, hours).digest()
  } catch (error) {
    if (error instanceof DomainError) throw error
    const [first] = events
    const docket = first?.type === 'caseReceived' ? first.docket : caseId
    throw new DomainError(
      'record-damaged',
      `The record of ${docket} is damaged: ${error instanceof Error ? error.message : String(error)}`,
      'It is left out; all others are counted. Settings names the last good backup.',
    )
  }
}

class CaseDigester {
  private readonly events: readonly CaseEvent[]
  private readonly slips: number
  private readonly judged = new Map<number, Judged>()
  private readonly causes = new Map<number, CauseFound>()
  private readonly held: Span[] = []
  private readonly asked = new Map<string, Span[]>()
  private readonly pauses = new Map<string, Span[]>()
  private readonly before: Before[] = []
  private readonly answered = new Set<object>()
  private state: CaseState
  private dueAt: number
  private readonly until: number
  private readonly open: OpenHours

  constructor(
    private readonly caseId: string,
    recorded: readonly CaseEvent[],
    private readonly routes: RouteLookup,
    hours: LabHours,
  ) {
    const corrected = correctedRecord(recorded)
    this.events = corrected.events
    this.slips = corrected.slips
    const [first, ...rest] = this.events
    this.state = caseState(this.events.slice(0, 1), routes)
    this.dueAt = Date.parse(this.state.authorisation.dueAt)
    this.until = Date.parse(this.events.at(-1)!.at)
    this.open = new OpenHours(hours, Date.parse(first!.at), this.until + MINUTE)
    const sentBack = new Map(goingsBack(this.events).map((back) => [back.sequence, back]))
    for (const event of rest) this.follow(event, sentBack.get(event.sequence))
    this.endOpenSpans()
  }

  private follow(event: CaseEvent, back: SentBack | undefined): void {
    const was = this.state
    const at = Date.parse(event.at)
    if (event.type === 'sheetRecorded' && event.judged) this.judged.set(event.sequence, event.judged)
    if (event.type === 'causeFound') this.causes.set(event.wentBack, event)
    if (event.type === 'authorisationAmended' && event.changes.dueAt && at <= this.dueAt)
      this.dueAt = Date.parse(event.changes.dueAt)
    this.state = applyStanding(was, event, this.routes, new Map())
    if (was.held && !this.state.held) this.held.push([Date.parse(was.held.since), at])
    for (const [n, job] of this.state.jobs.entries()) {
      const old = was.jobs[n]!
      if (old === job) continue
      // Whatever work goes on shows that it was answered, though a corrected record has no answer.
      if (
        old.question &&
        !this.answered.has(old.question) &&
        (job.question !== old.question || isWork(event))
      ) {
        this.answered.add(old.question)
        push(this.asked, job.jobId, [Date.parse(old.question.since), at])
      }
      for (const [stepId, step] of Object.entries(job.steps))
        this.pauseOver(old.steps[stepId], step, job, stepId, at)
      if (back?.jobId === job.jobId) this.before.push(beforeOf(back, old, job))
    }
  }

  private pauseOver(
    old: StepState | undefined,
    step: StepState,
    { jobId }: JobState,
    stepId: string,
    at: number,
  ): void {
    if (old === step || old?.status !== 'running' || !old.pausedSince) return
    if (step.status === 'running' && step.pausedSince === old.pausedSince) return
    push(this.pauses, `${jobId} ${stepId} ${old.attempt}`, [Date.parse(old.pausedSince), at])
  }

  private endOpenSpans(): void {
    if (this.state.held) this.held.push([Date.parse(this.state.held.since), this.until])
    for (const job of this.state.jobs) {
      if (job.question && !this.answered.has(job.question))
        push(this.asked, job.jobId, [Date.parse(job.question.since), this.until])
      for (const [stepId, step] of Object.entries(job.steps))
        if (step.status === 'running' && step.pausedSince)
          push(this.pauses, `${job.jobId} ${stepId} ${step.attempt}`, [
            Date.parse(step.pausedSince),
            this.until,
          ])
    }
  }

  digest(): CaseDigest {
    const { state } = this
    const [first] = this.events
    const receipt = first?.type === 'caseReceived' ? first : undefined
    const promised = this.events.find((event) => event.type === 'promised')
    const jobs = state.jobs.map((job) => this.job(job))
    const delivered = !state.ended && isDelivered(state)
    return {
      caseId: this.caseId,
      docket: state.docket,
      clinic: state.authorisation.clinic,
      ...(receipt?.mark ? { mark: receipt.mark } : {}),
      ...(this.events.some(({ clockSpeed = 1 }) => clockSpeed > 1) ? { fast: true as const } : {}),
      ...(state.imported ? { elsewhere: true as const } : {}),
      receivedAt: Date.parse(state.receivedAt),
      dueAt: this.dueAt,
      ...(delivered ? { deliveredAt: Math.max(...jobs.map(({ deliveredAt = 0 }) => deliveredAt)) } : {}),
      ...(state.ended ? { endedAt: Date.parse(state.ended.at) } : {}),
      ...(state.held ? { heldNow: true as const } : {}),
      ...(state.cameBack ? { returnOf: { docket: state.cameBack.docket, cause: state.cameBack.cause } } : {}),
      ...(promised?.type === 'promised'
        ? { promise: { dueAt: Date.parse(promised.dueAt), chance: promised.chance } }
        : {}),
      slips: this.slips,
      jobs,
      until: this.until,
    }
  }

  private job(job: JobState): JobDigest {
    const received = Date.parse(this.state.receivedAt)
    const backs = this.before.filter(({ back }) => back.jobId === job.jobId)
    const thrownBy = new Map(backs.flatMap(({ back, thrown }) => thrown.map((key) => [key, back] as const)))
    const opened = job.route.steps.flatMap((step) => {
      const { past, ...now } = job.steps[step.id]!
      return [...past, now as Attempt]
        .filter((attempt) => attempt.status !== 'waiting' && begun(attempt) >= received)
        .map((attempt) => ({ step, attempt, by: thrownBy.get(`${step.id} ${attempt.attempt}`) }))
    })
    const attempts = opened.map((each) => this.attempt(job, each))
    const settled = job.route.steps.every(({ id }) => ['done', 'skipped'].includes(job.steps[id]!.status))
    const over = Math.max(received, ...attempts.map(({ until = 0 }) => until))
    const deliveredAt = settled && !this.state.ended ? over : undefined
    const sheets = opened.flatMap(({ attempt }) => attempt.sheets)
    const end = deliveredAt ?? (this.state.ended ? Date.parse(this.state.ended.at) : this.until)
    return {
      jobId: job.jobId,
      template: job.route.templateId,
      choices: job.route.choices,
      ...(deliveredAt === undefined ? {} : { deliveredAt }),
      attempts,
      backs: this.backs(backs, attempts, end),
      series: seriesOf(job, opened, this.judged),
      used: opened.filter(({ attempt }) => attempt.attempt === 1).flatMap(({ attempt }) => usedIn(attempt)),
      flow: flowOf(
        {
          attempts,
          kindOf: new Map(job.route.steps.map(({ id, kind }) => [id, kind])),
          held: this.held,
          asked: this.asked.get(job.jobId) ?? [],
          open: this.open,
        },
        received,
        end,
      ),
      notRecorded: sheets.filter(({ sheet, sequence }) => counts(sheet.kind) && !this.judged.has(sequence))
        .length,
    }
  }

  private attempt(job: JobState, { step, attempt, by }: Opened): AttemptDigest {
    const from = startedAt(attempt)
    const over = finishedAt(attempt)
    const start = from === undefined ? undefined : Date.parse(from)
    const until = over === undefined ? by && Date.parse(by.at) : Date.parse(over)
    const last = until ?? this.until
    const away = [
      ...this.held,
      ...(this.asked.get(job.jobId) ?? []),
      ...(this.pauses.get(`${job.jobId} ${step.id} ${attempt.attempt}`) ?? []),
    ]
    const ran = start !== undefined && last > start
    const grams = attempt.mixes.reduce((sum, { powderGrams = 0 }) => sum + powderGrams, 0)
    return {
      step: step.id,
      attempt: attempt.attempt,
      state: attempt.status as AttemptDigest['state'],
      ...(start === undefined ? {} : { from: start }),
      ...(until === undefined ? {} : { until }),
      ...('startedBy' in attempt ? { by: attempt.startedBy } : {}),
      ...(ran && step.kind === 'attended' ? { hands: without([[start, last]], away) } : {}),
      ...(ran && step.kind === 'machine' ? { machineMinutes: (last - start) / MINUTE } : {}),
      ...(grams > 0 ? { grams } : {}),
      ...(by ? { thrownBy: by.sequence } : {}),
      ...(this.failed(step, attempt) ? { failed: true as const } : {}),
    }
  }

  /** A reading that counts, or the first entry of a sheet, did not pass. */
  private failed(step: RouteStep, { readings, sheets }: Attempt): boolean {
    const check = (step.checks ?? []).some((check) => {
      const own = readings.filter(({ checkId }) => checkId === check.id)
      return [...new Set(own.map(({ tooth }) => tooth))].some((tooth) => {
        const counting = own.filter((each) => each.tooth === tooth)[(check.readings ?? 1) - 1]
        return counting !== undefined && readingOutcome(check, counting).verdict !== 'pass'
      })
    })
    return (
      check ||
      (step.sheets ?? []).some((sheet) => {
        const first = sheets.find(({ sheetId }) => sheetId === sheet.id)
        if (!first || !counts(sheet.kind) || isGrowing(sheet)) return false
        return this.judged.get(first.sequence)?.passes === false
      })
    )
  }

  private backs(backs: readonly Before[], attempts: readonly AttemptDigest[], end: number): BackDigest[] {
    const spans = backs.map(({ back, settled }) => {
      const at = Date.parse(back.at)
      const again = settled.map((step) =>
        Math.min(
          ...attempts.flatMap((attempt) =>
            attempt.step === step && (attempt.from ?? attempt.until ?? 0) >= at && attempt.state !== 'running'
              ? [attempt.until!]
              : [],
          ),
        ),
      )
      const over = Math.max(at, ...again)
      return {
        from: at,
        until: Number.isFinite(over) ? over : Math.max(at, end),
        open: !Number.isFinite(over),
      }
    })
    return backs.map(({ back, job, foundAt }, n): BackDigest => {
      const span = spans[n]!
      const later = spans.slice(n + 1).map(({ from, until }): Span => [from, until])
      const own = without([[span.from, span.until]], later)
      const found = this.causes.get(back.sequence)
      const clinic = foundAt !== undefined && (foundAt.kind === 'clinic' || foundAt.stage === 'receive')
      const told = found && found.cause !== 'notFound' ? found.cause === CLINIC_CAUSE : clinic
      return {
        sequence: back.sequence,
        at: span.from,
        to: back.toStepId,
        ...(foundAt ? { foundAt: foundAt.id } : {}),
        side: told ? 'clinic' : 'lab',
        remake: isRemake(back),
        reason: back.type === 'wentBack' ? back.reason : back.answer,
        clockMinutes: own.reduce((sum, [from, until]) => sum + (until - from) / MINUTE, 0),
        ...(span.open ? { open: true as const } : {}),
        ...(found ? causeParts(found, job, foundAt) : {}),
      }
    })
  }
}

/** Refused while the dentist is asked. */
const isWork = ({ type }: CaseEvent) => type === 'stepStarted' || type === 'stepFinished'
const counts = (kind: SheetKind) => !progress.includes(kind)
const begun = (attempt: Attempt) => Date.parse(startedAt(attempt) ?? finishedAt(attempt) ?? '')

function push(map: Map<string, Span[]>, key: string, [from, until]: Span): void {
  if (until > from) map.set(key, [...(map.get(key) ?? []), [from, until]])
}

function beforeOf(back: SentBack, old: JobState, now: JobState): Before {
  const again = Object.keys(now.steps).filter((id) => old.steps[id]?.attempt !== now.steps[id]!.attempt)
  return {
    back,
    job: old,
    foundAt: lastBegun(old),
    settled: again.filter((id) => ['done', 'skipped'].includes(old.steps[id]!.status)),
    thrown: again.map((id) => `${id} ${old.steps[id]!.attempt}`),
  }
}

function causeParts(
  { place, fault, cause, said, how }: CauseFound,
  job: JobState,
  foundAt: RouteStep | undefined,
): Partial<BackDigest> {
  const seen =
    foundAt && seenFaults(job, foundAt).find((each) => each.place === place && each.fault === fault)
  const causes = seen ? causesOf(job, seen) : []
  return {
    cause,
    ...(place ? { place } : {}),
    ...(fault ? { fault } : {}),
    ...(said ? { said } : {}),
    ...(how ? { how } : {}),
    ...(causes.length > 0 ? { rank: causes.findIndex(({ name }) => name === cause) + 1 } : {}),
  }
}
