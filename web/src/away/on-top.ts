import type { CaseRecord } from '@yentrik/contract'
import { routeTemplates, type WorkingCase, withKept, workingCase } from '@yentrik/core'
import type { KeptEntry } from './bench-store.ts'

/** What the core needs to try a command here: only the server can name a route and link an event, and neither is stored from here. */
export const source = {
  templates: routeTemplates,
  routeIdOf: () => 'kept at the bench',
  eventHash: () => '',
}
const workings = new WeakMap<CaseRecord, WorkingCase>()

/** A case as its record says it stands. */
export function workingOf(record: CaseRecord): WorkingCase {
  const known = workings.get(record)
  if (known) return known
  const working = workingCase(record.events, new Map(Object.entries(record.routes)), routeTemplates)
  workings.set(record, working)
  return working
}

/** A case with what this bench has kept for it on top, as far as it holds. */
export const onTopOf = (record: CaseRecord, kept: readonly KeptEntry[]) =>
  withKept(
    workingOf(record),
    kept.filter(({ caseId, unfit }) => caseId === record.caseId && !unfit),
    source,
  )
