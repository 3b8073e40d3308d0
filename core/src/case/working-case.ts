import { DomainError } from '../refusal/index.ts'
import { buildRoute, impressionsShape, mustHaveTeeth, type Route, readRoute } from '../route/index.ts'
import { id, list, maybe, named, type Of, record, text } from '../shape/index.ts'
import { instantMillis, inUtc } from '../time/index.ts'
import type { CaseCommand, CommandContext } from './case-command.ts'
import type { CaseEvent, CaseMark, EventStamp } from './case-event.ts'
import { applyEvent, applyStanding, caseState, type RouteLookup } from './case-state.ts'
import type { EventHash } from './chain.ts'
import { decide } from './decide.ts'
import { checkedImpressions } from './impressions.ts'
import { authorisationShape } from './payloads.ts'
import type { CaseState } from './state.ts'

/** A case in memory: its events so far and its state, with the routes it names. */
export interface WorkingCase {
  readonly events: readonly CaseEvent[]
  readonly state: CaseState
  readonly routes: ReadonlyMap<string, Route>
}

/** What is taken in: the work authorisation and the jobs, each with the choices made for it. */
export const intakeParts = {
  authorisation: authorisationShape,
  jobs: list(
    record({
      templateId: id('study-cast'),
      choices: named(text(80), 60, { example: { arch: 'upper' } }),
      impressions: maybe(impressionsShape),
    }),
    8,
    1,
  ),
}
const intakeShape = record({ docket: text(40), ...intakeParts })
export interface Intake extends Of<typeof intakeShape> {
  readonly mark?: CaseMark
}

/** The routes of the house, how a copy of one is named (the same route always the same), and how events are linked. */
export interface RouteSource extends Omit<CommandContext, 'now'> {
  readonly eventHash: EventHash
}

/**
 * Takes a case in.
 * @param at ms since 1970
 * @throws {DomainError} `no-jobs`, `no-such-template`, `no-such-matter`, `no-such-choice`,
 * `teeth-missing`, `due-before-receipt`, `not-an-instant`
 */
export function receiveCase(
  intake: Intake,
  at: number,
  by: string,
  { templates, routeIdOf }: RouteSource,
): WorkingCase {
  if (intake.jobs.length === 0)
    throw new DomainError('no-jobs', 'No job was chosen.', 'Choose what is to be made.', 'jobs')
  const { dueAt, tryInAt } = intake.authorisation
  if (!(instantMillis(dueAt, 'authorisation.dueAt') > at))
    throw new DomainError(
      'due-before-receipt',
      'The due date is not in the future.',
      'Enter the date the clinic wants it back.',
      'authorisation.dueAt',
    )
  const routes = new Map<string, Route>()
  const jobs = intake.jobs.map(({ templateId, choices, impressions }, index) => {
    const template = templates.get(templateId)
    if (!template)
      throw new DomainError(
        'no-such-template',
        `There is no job "${templateId}".`,
        `Choose one of: ${[...templates.keys()].join(', ')}.`,
        'jobs',
      )
    mustHaveTeeth(template, intake.authorisation.teeth)
    const route = buildRoute(template, choices)
    const routeId = routeIdOf(route)
    routes.set(routeId, route)
    return {
      jobId: `job-${index + 1}`,
      routeId,
      ...(impressions && impressions.length > 0
        ? { impressions: checkedImpressions(route, impressions, at) }
        : {}),
    }
  })
  const { docket } = intake
  const authorisation = {
    ...intake.authorisation,
    dueAt: inUtc(dueAt),
    ...(tryInAt === undefined ? {} : { tryInAt: inUtc(tryInAt, 'authorisation.tryInAt') }),
  }
  const first: CaseEvent = {
    sequence: 1,
    at: new Date(at).toISOString(),
    by,
    type: 'caseReceived',
    docket,
    ...(intake.mark ? { mark: intake.mark } : {}),
    authorisation,
    jobs,
  }
  return workingCase([first], routes, templates)
}

/**
 * A case from its record: the routes are read as their templates know them today.
 * @throws {Error} as `caseState`: the record is damaged
 */
export function workingCase(
  events: readonly CaseEvent[],
  routes: ReadonlyMap<string, Route>,
  templates: RouteSource['templates'],
): WorkingCase {
  return { events, routes, state: caseState(events, routeReader(routes, templates)) }
}

/**
 * One event of others further, as it was put on record.
 * @param gone what the whole record withdraws, where it is known: then nothing is worked out twice
 * @throws {Error} as `applyEvent`
 */
export function follow(
  working: WorkingCase,
  event: CaseEvent,
  routes: ReadonlyMap<string, Route>,
  templates: RouteSource['templates'],
  gone?: ReadonlyMap<number, number>,
): WorkingCase {
  const events = [...working.events, event]
  const reader = routeReader(routes, templates)
  const state = gone
    ? applyStanding(working.state, event, reader, gone)
    : event.type === 'withdrawn'
      ? caseState(events, reader)
      : applyEvent(working.state, event, reader)
  return { events, routes, state }
}

function routeReader(routes: ReadonlyMap<string, Route>, templates: RouteSource['templates']): RouteLookup {
  return (routeId) => {
    const route = routes.get(routeId)
    if (!route) throw new Error(`The record names the route ${routeId}, which is not there.`)
    return readRoute(route, templates)
  }
}

/** The routes that events name. */
export function namedRoutes(events: readonly CaseEvent[]): string[] {
  const named = events.flatMap((event) =>
    event.type === 'caseReceived'
      ? event.jobs.map(({ routeId }) => routeId)
      : event.type === 'variantSwapped'
        ? [event.routeId]
        : [],
  )
  return [...new Set(named)]
}

/**
 * One command further, or a refusal.
 * @param doneAt when it was done, where it was kept at a bench until the server was back; ms since 1970
 * @param clockSpeed of the clock that `at` is read from
 * @throws {DomainError} as `decide`
 */
export function obey(
  working: WorkingCase,
  command: CaseCommand,
  at: number,
  by: string,
  { templates, routeIdOf, eventHash }: RouteSource,
  doneAt?: number,
  clockSpeed = 1,
): WorkingCase {
  const routes = new Map(working.routes)
  const keep = (route: Route) => {
    const id = routeIdOf(route)
    routes.set(id, route)
    return id
  }
  const stamp = {
    ...stampAfter(working.events, at, by, eventHash, doneAt),
    ...(clockSpeed > 1 ? { clockSpeed } : {}),
  }
  const now = Date.parse(stamp.at)
  const data = decide(working.state, command, { now, templates, routeIdOf: keep, events: working.events })
  return follow(working, { ...data, ...stamp }, routes, templates)
}

/** A clock may be set by a second without a word, and an answer may take one. */
const WORTH_A_WORD_MILLIS = 1000

/**
 * The stamp of the event that comes next. Time never runs back within a case: where the clock stands before the last
 * event, the new one is given the time of that, and the first such event says what the clock said. What was kept at a
 * bench counts from when it was done there, but never from before the last event, nor from the future.
 * @param at ms since 1970, by the clock
 * @param doneAt ms since 1970, by the clock of the bench that kept it
 */
export function stampAfter(
  events: readonly CaseEvent[],
  at: number,
  by: string,
  eventHash: EventHash,
  doneAt: number = at,
): EventStamp {
  const last = events.at(-1)!
  const since = Date.parse(last.at)
  const came = Math.max(at, since)
  const saidAlready = events.some((event) => event.at === last.at && event.clockAt !== undefined)
  const iso = (millis: number) => new Date(millis).toISOString()
  return {
    sequence: last.sequence + 1,
    at: iso(Math.max(Math.min(doneAt, came), since)),
    by,
    previous: eventHash(last),
    ...(since - at > WORTH_A_WORD_MILLIS && !saidAlready ? { clockAt: iso(at) } : {}),
    ...(at - doneAt > WORTH_A_WORD_MILLIS ? { kept: { doneAt: iso(doneAt), sentAt: iso(came) } } : {}),
  }
}
