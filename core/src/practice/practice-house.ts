import type { CaseEvent, RouteSource } from '../case/index.ts'
import { routeTemplates } from '../jobs/index.ts'
import { textHash } from '../random/index.ts'
import type { Route } from '../route/index.ts'

/** Links of a record that nobody relies on: short. The real ones are the server's. */
const eventHash = ({ sequence, at, type, previous = '' }: CaseEvent): string =>
  textHash(`${sequence} ${at} ${type} ${previous}`).toString(16)
const routeIdOf = ({ templateId, choices }: Route) => JSON.stringify([templateId, choices])

/** The routes of the house, for cases that are not on its record. */
export const practiceHouse: RouteSource = { templates: routeTemplates, routeIdOf, eventHash }
