import type { CaseEvent, RouteSource } from '../case/index.ts'
import { routeTemplates } from '../jobs/index.ts'
import type { Route } from '../route/index.ts'

/** Links of a record that nobody relies on: short (FNV-1a, 32 bit). The real ones are the server's. */
function eventHash(event: CaseEvent): string {
  let hash = 0x811c9dc5
  const words = `${event.sequence} ${event.at} ${event.type} ${event.previous ?? ''}`
  for (const letter of words) hash = Math.imul(hash ^ letter.codePointAt(0)!, 0x01000193)
  return (hash >>> 0).toString(16)
}
const routeIdOf = ({ templateId, choices }: Route) => JSON.stringify([templateId, choices])

/** The routes of the house, for cases that are not on its record. */
export const practiceHouse: RouteSource = { templates: routeTemplates, routeIdOf, eventHash }
