import { DomainError } from '../refusal/index.ts'
import { buildRoute } from './build-route.ts'
import type { CaseCommand, CommandContext } from './case-command.ts'
import type { CaseEvent, WorkAuthorisation } from './case-event.ts'
import { applyEvent, type CaseState, caseState } from './case-state.ts'
import { decide } from './decide.ts'
import type { Route } from './route-template.ts'
import { routeTemplates } from './templates/index.ts'

/** A case in memory: its events so far and its state, with the routes it names. */
export interface CaseAtHand {
  readonly events: readonly CaseEvent[]
  readonly state: CaseState
  readonly routes: ReadonlyMap<string, Route>
}

/** What is taken in: the work authorisation and the jobs, each with the choices made for it. */
export interface Intake {
  readonly docket: string
  readonly authorisation: WorkAuthorisation
  readonly jobs: readonly {
    readonly templateId: string
    readonly choices: Readonly<Record<string, string>>
  }[]
}

/**
 * Takes a case in.
 * @param at ms since 1970
 * @param routeIdOf names a route; the same route always gets the same name
 * @throws {DomainError} `no-jobs`, `no-such-template`, `no-such-matter`, `no-such-choice`, `due-before-receipt`
 */
export function receiveCase(
  intake: Intake,
  at: number,
  by: string,
  routeIdOf: (route: Route) => string,
): CaseAtHand {
  if (intake.jobs.length === 0)
    throw new DomainError('no-jobs', 'No job was chosen.', 'Choose what is to be made.', 'jobs')
  if (!(Date.parse(intake.authorisation.dueAt) > at))
    throw new DomainError(
      'due-before-receipt',
      'The due date is not in the future.',
      'Enter the date the clinic wants it back.',
      'authorisation.dueAt',
    )
  const routes = new Map<string, Route>()
  const jobs = intake.jobs.map(({ templateId, choices }, index) => {
    const template = routeTemplates.get(templateId)
    if (!template)
      throw new DomainError(
        'no-such-template',
        `There is no job "${templateId}".`,
        `Choose one of: ${[...routeTemplates.keys()].join(', ')}.`,
        'jobs',
      )
    const route = buildRoute(template, choices)
    const routeId = routeIdOf(route)
    routes.set(routeId, route)
    return { jobId: `job-${index + 1}`, routeId }
  })
  const { docket, authorisation } = intake
  const first: CaseEvent = {
    sequence: 1,
    at: new Date(at).toISOString(),
    by,
    type: 'caseReceived',
    docket,
    authorisation,
    jobs,
  }
  return { events: [first], state: caseState([first], (id) => routes.get(id)!), routes }
}

/** One command further, or a refusal. @throws {DomainError} as `decide` */
export function obey(
  hand: CaseAtHand,
  command: CaseCommand,
  at: number,
  by: string,
  routeIdOf: CommandContext['routeIdOf'],
): CaseAtHand {
  const routes = new Map(hand.routes)
  const keep = (route: Route) => {
    const id = routeIdOf(route)
    routes.set(id, route)
    return id
  }
  const data = decide(hand.state, command, { now: at, templates: routeTemplates, routeIdOf: keep })
  const event: CaseEvent = { ...data, sequence: hand.state.sequence + 1, at: new Date(at).toISOString(), by }
  return {
    events: [...hand.events, event],
    state: applyEvent(hand.state, event, (id) => routes.get(id)!),
    routes,
  }
}
