import type { CaseEvent, CaseEventData } from '../case/index.ts'
import type { LabHours } from '../quality/index.ts'
import { digestCase } from '../quality/index.ts'
import { seededRandom } from '../random/index.ts'
import type { Route, RouteStep } from '../route/index.ts'

const MINUTE = 60_000
/** A Monday, 08:00 where the lab is. */
export const MONDAY = Date.UTC(2026, 2, 2, 8)
/** Half past seven to five, five days. */
export const madeHours: LabHours = {
  calendar: { timeZone: 'UTC', opensMinute: 450, closesMinute: 1020, weekdays: [1, 2, 3, 4, 5] },
}

type Made = Pick<RouteStep, 'id'> & Partial<RouteStep>
/** A route of steps one after the other, hands on each of ten minutes where nothing else is said. */
export function madeRoute(templateId: string, steps: readonly Made[], choices = {}): Route {
  return {
    templateId,
    templateVersion: 1,
    name: templateId,
    choices,
    steps: steps.map((step, n) => ({
      name: step.id,
      stage: 'pour',
      kind: 'attended',
      how: ['Do it.'],
      why: 'It is wanted.',
      handsOnMinutes: 10,
      after: n === 0 ? [] : [steps[n - 1]!.id],
      ...step,
    })),
  }
}
/** A length of which 1 to 2 mm are wanted. */
export const length = {
  kind: 'measure' as const,
  id: 'length',
  name: 'Length',
  how: 'Measure it.',
  source: 'made for tests',
  quantity: 'millimetres' as const,
  min: 1,
  max: 2,
  plausible: { min: 0, max: 20 },
}
export const pqr = madeRoute('pqr', [{ id: 'p' }, { id: 'q', checks: [length] }, { id: 'r' }])

type Parts<T extends CaseEvent['type']> = Omit<Extract<CaseEventData, { readonly type: T }>, 'type' | 'jobId'>

/** A record that is written down minute by minute, for tests: nothing of it is judged. */
export class MadeCase {
  readonly events: CaseEvent[]
  by = 'Ada'

  constructor(
    readonly caseId: string,
    readonly route: Route = pqr,
    readonly received = 0,
    receipt: Partial<Parts<'caseReceived'>> & { readonly dueMinutes?: number } = {},
  ) {
    const { dueMinutes = 10_000, ...rest } = receipt
    this.events = [
      {
        sequence: 1,
        at: this.instant(received),
        by: this.by,
        type: 'caseReceived',
        docket: `K-${caseId}`,
        authorisation: {
          clinic: 'Mill Lane',
          prescriber: 'Dr. Orla',
          patientCode: 'P-1',
          wanted: 'as written',
          teeth: [],
          dueAt: this.instant(dueMinutes),
          enclosures: [],
        },
        jobs: [{ jobId: 'job-1', routeId: route.templateId }],
        ...rest,
      },
    ]
  }
  private instant(minutes: number): string {
    return new Date(MONDAY + minutes * MINUTE).toISOString()
  }
  add<T extends CaseEvent['type']>(type: T, minutes: number, parts: Parts<T>, more: object = {}): number {
    const sequence = this.events.length + 1
    const stamp = { sequence, at: this.instant(minutes), by: this.by }
    this.events.push({ ...stamp, type, jobId: 'job-1', ...parts, ...more } as unknown as CaseEvent)
    return sequence
  }
  start(stepId: string, minutes: number) {
    return this.add('stepStarted', minutes, { stepId })
  }
  finish(stepId: string, minutes: number) {
    return this.add('stepFinished', minutes, { stepId })
  }
  /** From one minute to another. */
  step(stepId: string, from: number, until: number): this {
    this.start(stepId, from)
    this.finish(stepId, until)
    return this
  }
  back(toStepId: string, minutes: number, remake = false) {
    return this.add('wentBack', minutes, { toStepId, remake, reason: 'it was not right' })
  }
  read(value: number, minutes: number, stepId = 'q', checkId = 'length') {
    return this.add('checkRecorded', minutes, { stepId, checkId, value })
  }
  digest(hours: LabHours = madeHours) {
    return digestCase(this.caseId, this.events, () => this.route, hours)
  }
}

/** Cases of three steps that are worked as it comes: begun, read, sent back, held, asked about; some delivered, some not. */
export function inventedRecord(seed: number, cases = 12): readonly MadeCase[] {
  const random = seededRandom(seed)
  const upTo = (most: number) => Math.floor(random() * most)
  return Array.from({ length: cases }, (_, n) => {
    const made = new MadeCase(`c${n}`, pqr, upTo(6000), { dueMinutes: 6000 + upTo(6000) })
    let now = made.received
    const pass = (most = 40) => {
      now += 1 + upTo(most)
      return now
    }
    let next = 0
    for (let act = 0; act < 14 && next < 3; act++) {
      made.by = ['Ada', 'Ben'][upTo(2)]!
      const { id } = pqr.steps[next]!
      made.start(id, pass(random() < 0.1 ? 1500 : 40))
      if (random() < 0.15) {
        made.add('held', pass(), { reason: 'waits' })
        made.add('released', pass(300), {})
      }
      if (random() < 0.15) {
        made.add('paused', pass(), { stepId: id })
        made.add('resumed', pass(), { stepId: id })
      }
      if (id === 'q') made.read(0.5 + upTo(20) / 10, pass())
      if (random() < 0.12) {
        made.add('dentistAsked', pass(), { stepId: id, question: 'so?' })
        made.add('dentistAnswered', pass(900), { answer: 'yes', decision: 'proceed' })
      }
      if (random() < 0.25) {
        next = upTo(next + 1)
        made.back(pqr.steps[next]!.id, pass(), random() < 0.3)
        continue
      }
      made.finish(id, pass())
      next++
    }
    return made
  })
}
