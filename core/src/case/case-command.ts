import type { Route, RouteTemplate } from '../route/index.ts'
import { byTag, type Of } from '../shape/index.ts'
import type { CaseEvent } from './case-event.ts'
import { type Deeds, deeds } from './payloads.ts'

/** What a person asks of a case. */
export type CaseCommand = {
  [K in keyof Deeds]: { readonly type: K } & Of<Deeds[K]['payload']>
}[keyof Deeds]
export type CommandOf<K extends keyof Deeds> = Extract<CaseCommand, { readonly type: K }>

/** What HTTP takes for a command. */
export const commandShape = byTag(
  'type',
  Object.fromEntries(Object.entries(deeds).map(([type, { payload }]) => [type, payload])) as {
    [K in keyof Deeds]: Deeds[K]['payload']
  },
)

export interface CommandContext {
  /** ms since 1970. */
  readonly now: number
  readonly templates: ReadonlyMap<string, RouteTemplate>
  /** Keeps an immutable copy of a route and names it. */
  readonly routeIdOf: (route: Route) => string
  /** The record so far: what is withdrawn is looked for in it. */
  readonly events?: readonly CaseEvent[]
}
