import { type CaseState, freshStep } from '../case/index.ts'
import type { Route } from '../route/index.ts'

/** The docket of a case that is not taken in yet. */
export const NOT_YET = 'new case'

/** A case as it would be if it came in now, for whoever asks for a date. @param now,dueAt ms since 1970 */
export function caseToCome(route: Route, now: number, dueAt: number): CaseState {
  return {
    docket: NOT_YET,
    authorisation: {
      clinic: '-',
      prescriber: '-',
      patientCode: '-',
      wanted: '-',
      teeth: [],
      enclosures: [],
      dueAt: new Date(dueAt).toISOString(),
    },
    receivedAt: new Date(now).toISOString(),
    sequence: 1,
    lots: [],
    jobs: [
      {
        jobId: 'job-1',
        routeId: NOT_YET,
        route,
        steps: Object.fromEntries(route.steps.map(({ id }) => [id, freshStep])),
        impressions: [],
        remakes: 0,
      },
    ],
  }
}
