import type { Body } from '@yentrik/contract'
import {
  type CaseEvent,
  DomainError,
  type JobState,
  type RouteStep,
  routeTemplates,
  type SheetKind,
  type SheetOfKind,
  stepOf,
} from '@yentrik/core'
import { Bench } from '@yentrik/core/testing'
import { refusal, serverWith } from './lab.tsx'

type Choices = Readonly<Record<string, string>>

/** A step of a case that was worked up to it, as a screen is given it. */
export interface StepAtHand {
  readonly bench: Bench
  readonly job: JobState
  readonly step: RouteStep
}

export function atStep(templateId: string, stepId: string, choices: Choices = {}): StepAtHand {
  const bench = new Bench(templateId, { ...choices }).upTo(stepId)
  return { bench, job: bench.job, step: stepOf(bench.job, stepId) }
}

/** The same without the work before it: a step of a fresh case. */
export function fromRoute(templateId: string, stepId: string, choices: Choices = {}): StepAtHand {
  const bench = new Bench(templateId, { ...choices })
  return { bench, job: bench.job, step: stepOf(bench.job, stepId) }
}

/** The first step of any route that asks for a sheet of a kind, and that sheet. */
export function askingFor<K extends SheetKind>(
  kind: K,
  templateId?: string,
): StepAtHand & { readonly sheet: SheetOfKind<K> } {
  for (const template of routeTemplates.values()) {
    if (templateId !== undefined && template.id !== templateId) continue
    const bench = new Bench(template.id)
    for (const step of bench.job.route.steps) {
      const sheet = step.sheets?.find((each) => each.kind === kind)
      if (sheet) return { bench, job: bench.job, step, sheet: sheet as SheetOfKind<K> }
    }
  }
  throw new Error(`no route asks for ${kind}`)
}

/** A case on a server of its own: it obeys what it is told, as the real one does, and answers with the event. */
export function caseOnServer(bench: Bench, more: object = {}) {
  const problem = (code: string, { message, remedy, field }: DomainError, rest: object = {}) =>
    refusal({ code, detail: message, remedy, ...(field ? { field } : {}), ...rest })
  const done = new Map<string, CaseEvent>()
  return serverWith({
    'GET /cases/:caseId': () => ({
      caseId: 'c1',
      events: bench.working.events,
      routes: Object.fromEntries(bench.working.routes),
    }),
    'GET /cases/:caseId/events': (_: unknown, query: URLSearchParams) => ({
      events: bench.working.events.filter(({ sequence }) => sequence > Number(query.get('after'))),
      routes: Object.fromEntries(bench.working.routes),
    }),
    'POST /cases/:caseId/events': (body: unknown) => {
      const { seen, command, key, doneAt } = body as Body<'POST /cases/:caseId/events'>
      const known = key && done.get(key)
      if (known) return known
      const since = bench.working.events.filter(({ sequence }) => sequence > seen)
      if (since.length > 0) return refusal({ status: 409, code: 'stale', since } as never)
      try {
        bench.do(command, doneAt === undefined ? undefined : Date.parse(doneAt))
        const event = bench.working.events.at(-1)!
        if (key) done.set(key, event)
        return event
      } catch (error) {
        if (!(error instanceof DomainError)) throw error
        return problem(error.code, error)
      }
    },
    'GET /cases/:caseId/chain': () => ({
      events: bench.working.events.length,
      newest: 'f00d',
      looseAt: null,
    }),
    'GET /lots': [],
    'GET /products': [],
    'GET /machine-runs': [],
    'GET /mixing/clocks': [],
    'GET /equipment': [],
    'GET /devices': { balance: null },
    ...more,
  })
}
