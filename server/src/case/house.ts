import { createHash } from 'node:crypto'
import { type Route, type RouteSource, routeTemplates } from '@yentrik/core'
import { eventHash } from '../database/event-hash.ts'

/** Names a route by what is in it. */
export function routeIdOf(route: Route): string {
  return createHash('sha256').update(JSON.stringify(route)).digest('hex').slice(0, 24)
}

/** The routes of the house, and how it names routes and links events. */
export const house: RouteSource = { templates: routeTemplates, routeIdOf, eventHash }
