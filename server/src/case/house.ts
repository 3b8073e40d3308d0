import { createHash } from 'node:crypto'
import { type CaseEvent, type Route, type RouteSource, routeTemplates } from '@yentrik/core'
import canonicalize from 'canonicalize'

const sha256 = (text: string) => createHash('sha256').update(text).digest('hex')

/** Names a route by what is in it. */
export function routeIdOf(route: Route): string {
  return sha256(JSON.stringify(route)).slice(0, 24)
}

/** SHA-256 over the canonical JSON of an event (RFC 8785), so that anybody can work it out again from a document. */
export function eventHash(event: CaseEvent): string {
  return sha256(canonicalize(event)!)
}

/** The routes of the house, and how it names routes and links events. */
export const house: RouteSource = { templates: routeTemplates, routeIdOf, eventHash }
