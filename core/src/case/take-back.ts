import { DomainError } from '../refusal/index.ts'
import type { Route } from '../route/index.ts'
import { choice, id, instant, list, maybe, type Of, record, text, words } from '../shape/index.ts'
import { instantMillis, inUtc } from '../time/index.ts'
import { carriedOf } from './carry-over.ts'
import type { CaseEvent } from './case-event.ts'
import { isDelivered, reopenedSteps } from './case-state.ts'
import { authorisationShape } from './payloads.ts'
import { sentence } from './refuse.ts'
import { isArrival, returnCauseIds, routeBack } from './return-causes.ts'
import type { JobState } from './state.ts'
import { follow, type RouteSource, stampAfter, type WorkingCase, workingCase } from './working-case.ts'

/** What is said of a case that comes back. */
export const returnParts = {
  cause: choice(returnCauseIds),
  found: words(),
  /** The jobs that came back, and the step each begins again from. */
  jobs: list(record({ jobId: id('job-1'), fromStepId: id('pumice') }), 20, 1),
  /** Of the work authorisation, what is otherwise now. What came along then went back then. */
  changes: record({
    dueAt: instant(),
    enclosures: maybe(authorisationShape.properties.enclosures),
    notes: authorisationShape.properties.notes,
  }),
}
const returnShape = record({ docket: text(40), caseId: id(), ...returnParts })
export type Returned = Of<typeof returnShape>

/**
 * The steps of a job that are done again when it comes back: from the chosen step on, and what is done with everything that
 * comes in from a mouth.
 */
export function returnedSteps(route: Route, fromStepId: string): readonly string[] {
  const again = new Set(reopenedSteps(route, fromStepId, false).map(({ id }) => id))
  return route.steps.flatMap((step) => (again.has(step.id) || isArrival(step) ? [step.id] : []))
}

/**
 * A delivered case that came back: a new case with its route, variants, impressions, lots and settings, begun again from a step.
 * @param returned its new docket; `caseId` the new case's, for the record of the first
 * @param firstId of the first case
 * @returns the new case, and the first with where it went on record
 * @throws {DomainError} `not-delivered`, `came-back-already`, `no-such-job`, `no-such-step`, `words-missing`, `due-before-receipt`
 */
export function takeBack(
  first: WorkingCase,
  firstId: string,
  { docket, caseId, cause, found, jobs, changes }: Returned,
  at: number,
  by: string,
  { templates, routeIdOf, eventHash }: RouteSource,
): { readonly back: WorkingCase; readonly first: WorkingCase } {
  const { state } = first
  mustHaveLeft(first)
  const routes = new Map<string, Route>()
  const received = jobs.map(({ jobId, fromStepId }, index) => {
    const job = state.jobs.find((each) => each.jobId === jobId)
    if (!job)
      throw new DomainError('no-such-job', `The case has no job ${jobId}.`, 'Reload the case.', 'jobs')
    if (!job.route.steps.some((step) => step.id === fromStepId))
      throw new DomainError(
        'no-such-step',
        `"${job.route.name}" has no step ${fromStepId}.`,
        'Choose one of its steps.',
        'jobs',
      )
    const route = routeBack(job.route, fromStepId)
    const again = new Set(returnedSteps(job.route, fromStepId))
    const routeId = routeIdOf(route)
    routes.set(routeId, route)
    return {
      jobId: `job-${index + 1}`,
      routeId,
      ...impressionsBack(job, again),
      fromStepId,
      carried: carriedOf(route, job.steps, again),
    }
  })
  const { tryInAt: _then, notes: _noted, ...authorisation } = state.authorisation
  if (!(instantMillis(changes.dueAt, 'changes.dueAt') > at))
    throw new DomainError(
      'due-before-receipt',
      'The due date is not in the future.',
      'Enter the date the clinic wants it back.',
      'changes.dueAt',
    )
  const [made] = first.events
  const mark = made?.type === 'caseReceived' ? made.mark : undefined
  const receipt: CaseEvent = {
    sequence: 1,
    at: new Date(at).toISOString(),
    by,
    type: 'caseReceived',
    docket,
    ...(mark ? { mark } : {}),
    authorisation: { ...authorisation, enclosures: [], ...changes, dueAt: inUtc(changes.dueAt) },
    jobs: received,
    cameBack: {
      caseId: firstId,
      docket: state.docket,
      cause,
      found: sentence(found, 'found', 'what was found'),
    },
  }
  const note: CaseEvent = { ...stampAfter(first.events, at, by, eventHash), type: 'cameBack', caseId, docket }
  return {
    back: workingCase([receipt], routes, templates),
    first: follow(first, note, first.routes, templates),
  }
}

/** Where it is poured again a new one comes: the hour of the old one says nothing of it. */
function impressionsBack({ route, impressions }: JobState, again: ReadonlySet<string>) {
  if (impressions.length === 0) return {}
  const pouredAgain = route.steps.some(({ id, pours }) => pours !== undefined && again.has(id))
  return {
    impressions: impressions.map(({ takenAt, ...rest }) =>
      pouredAgain || !takenAt ? rest : { ...rest, takenAt },
    ),
  }
}

function mustHaveLeft({ state }: WorkingCase): void {
  if (state.cameBackAs)
    throw new DomainError(
      'came-back-already',
      `It came back before, as ${state.cameBackAs.docket}.`,
      `Take ${state.cameBackAs.docket} back, or work on it.`,
    )
  if (state.ended || !isDelivered(state))
    throw new DomainError(
      'not-delivered',
      state.ended ? 'The case ended before it was delivered.' : 'It has not left the lab yet.',
      state.ended ? 'Take it in as a new case.' : 'Go back to the step that is to be done again.',
    )
}
