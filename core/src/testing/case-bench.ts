import {
  type CaseCommand,
  type CaseEvent,
  carefulWork,
  currentStep,
  obey,
  receiveCase,
  refusalOf,
  stepOf,
  stepWindow,
  type WorkingCase,
} from '../case/index.ts'
import { routeTemplates } from '../jobs/index.ts'
import { seededRandom, textHash } from '../random/index.ts'
import { type Impression, type Route, teethOf } from '../route/index.ts'
import type { SheetData } from '../sheet/index.ts'

export const START = Date.parse('2026-03-02T08:00:00Z')
export const MINUTE = 60_000
const nameOf = (route: Route) => JSON.stringify([route.templateId, route.choices])
/** Links of the tests: short, and another one for any other event. How the server does it is its own matter. */
const eventHash = (event: CaseEvent): string => textHash(JSON.stringify(event)).toString(16)
export const routes = { templates: routeTemplates, routeIdOf: nameOf, eventHash }
export const J = 'job-1'

/** For the tests of routes: a case with a clock: the words of a bench in the order of a bench. */
export class Bench {
  now = START
  working: WorkingCase
  constructor(
    templateId = 'study-cast',
    choices: Record<string, string> = {},
    impressions: readonly Impression[] = [],
  ) {
    const authorisation = {
      clinic: 'Mill Lane',
      prescriber: 'Dr. Orla',
      patientCode: 'P-7',
      wanted: 'as written',
      teeth: routeTemplates.get(templateId)?.teeth ? [35, 36, 37] : [],
      dueAt: '2026-03-20T12:00:00Z',
      enclosures: [],
    }
    this.working = receiveCase(
      { docket: 'K-1', authorisation, jobs: [{ templateId, choices, impressions }] },
      START,
      'Ada',
      routes,
    )
  }
  do(command: CaseCommand, doneAt?: number): void {
    this.working = obey(this.working, command, this.now, 'Ada', routes, doneAt)
  }
  get job() {
    return this.working.state.jobs[0]!
  }
  /** Works as a careful technician up to a step, which is started. */
  upTo(stepId: string): this {
    this.before(stepId)
    this.do({ type: 'startStep', jobId: J, stepId })
    return this
  }
  /** Works as a careful technician up to a step, which is not started yet. */
  before(stepId: string): this {
    const random = seededRandom(1)
    for (;;) {
      const step = currentStep(this.job)
      if (!step) throw new Error(`never came to ${stepId}`)
      if (step.id === stepId && this.job.steps[stepId]!.status === 'waiting') return this
      if (this.job.steps[step.id]!.status === 'waiting') {
        this.do({ type: 'startStep', jobId: J, stepId: step.id })
      }
      for (const command of carefulWork(J, step, random, undefined, this.working.state.authorisation))
        this.do(command)
      const opens = stepWindow(this.job, step)?.goodFrom ?? 0
      this.now = Math.max(this.now + (step.wait ? 0 : MINUTE), opens)
      this.do({ type: 'finishStep', jobId: J, stepId: step.id })
    }
  }
  /** What a careful technician enters on a step that is started. */
  carefully(stepId: string): readonly CaseCommand[] {
    return carefulWork(
      J,
      stepOf(this.job, stepId),
      seededRandom(1),
      undefined,
      this.working.state.authorisation,
    )
  }
  check(stepId: string, checkId: string, reading: number | string): void {
    const value = typeof reading === 'number' ? { value: reading } : { answer: reading }
    const check = stepOf(this.job, stepId).checks?.find(({ id }) => id === checkId)
    // Where it is read tooth by tooth, the same at each.
    for (const tooth of check ? teethOf(check, this.working.state.authorisation.teeth) : [undefined])
      this.do({
        type: 'recordCheck',
        jobId: J,
        stepId,
        checkId,
        ...(tooth === undefined ? {} : { tooth }),
        ...value,
      })
  }
  sheet(stepId: string, sheetId: string, sheet: SheetData): void {
    this.do({ type: 'recordSheet', jobId: J, stepId, sheetId, sheet })
  }
  finish(stepId: string): void {
    this.do({ type: 'finishStep', jobId: J, stepId })
  }
  refusal(command: CaseCommand): string | undefined {
    return refusalOf(this.working.state, command, { now: this.now, ...routes, events: this.working.events })
      ?.code
  }
}
