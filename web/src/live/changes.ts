import type { CaseRecord, LiveChange } from '@yentrik/contract'
import { benchContents, benchWithCase, type CaseSummary } from '@yentrik/core'
import { create } from 'zustand'
import { readClock, runningNow } from './lab-clock.ts'
import { heardUpTo, hearUpTo } from './marks.ts'
import { changeHeld, freshen, heldAnswer, keyOf, queryClient, type ReadKey } from './queries.ts'
import { request } from './request.ts'
import { listenTo } from './streams.ts'

/** Whether the server is reached. */
export const useReached = create<{ readonly reached: boolean }>(() => ({ reached: true }))

/** What each kind of change makes old, and how it is made fresh with no more than what changed. */
const follow: {
  readonly [K in LiveChange['kind']]: (change: LiveChange) => Promise<unknown>
} = {
  case: ({ caseId, sequence, summary }) =>
    caseId === undefined || sequence === undefined || summary === undefined
      ? Promise.resolve()
      : Promise.all([
          followCase(caseId, sequence),
          followLists(summary),
          followBench(summary),
          // Nobody watches figures by the minute: they are counted anew when somebody comes to them.
          ...(['GET /quality', 'GET /quality/chart'] as const).map(freshenQuietly),
        ]),
  lots: () =>
    freshen(
      'GET /lots',
      'GET /products',
      'GET /alloy-pieces',
      'GET /lots/:lotId/cases',
      'GET /mixing/remembered',
    ),
  lab: () => freshen('GET /lab', 'GET /tooth-sets', 'GET /equipment'),
  plan: () => freshen('GET /plan/settings', 'GET /plan'),
  planned: () => freshen('GET /plan', 'GET /plan/document', 'GET /plan/cases/:caseId', 'GET /bench'),
  mixes: () => freshen('GET /mixing/clocks'),
  machines: () => freshen('GET /machine-runs', 'GET /bench'),
  quality: () => freshen('GET /quality', 'GET /quality/chart', 'GET /quality/findings', 'GET /quality/said'),
  clock: () => Promise.all([readClock(), freshen('GET /bench', 'GET /machine-runs')]),
}

/** Listens to the changes that the server announces, for as long as the page lives. @returns stops listening */
export function followChanges(): () => void {
  return listenTo('changes', (heard) => {
    if ('reached' in heard) {
      useReached.setState({ reached: heard.reached })
      if (heard.reached) void readClock().catch(() => undefined)
      return
    }
    const { mark } = heard.data as { readonly mark: string }
    if (heard.name === 'hello') {
      // What is held may be older than where the stream begins: what changed between is not known.
      if (heardUpTo() !== undefined && heardUpTo() !== mark) void queryClient.invalidateQueries()
    } else {
      const change = heard.data as LiveChange
      follow[change.kind](change).catch(() => queryClient.invalidateQueries())
    }
    hearUpTo(mark)
  })
}

const isShown = (route: ReadKey, parts?: object): boolean =>
  queryClient.getQueryCache().findAll({
    queryKey: parts === undefined ? [route] : keyOf(route, parts as never),
    type: 'active',
  }).length > 0

/** An open case is followed by the events that are not held yet; one that is not on screen is read when it is opened. */
async function followCase(caseId: string, sequence: number): Promise<void> {
  const parts = { path: { caseId } }
  const held = heldAnswer('GET /cases/:caseId', parts)
  const last = held?.events.at(-1)?.sequence ?? 0
  if (!held || last >= sequence) return
  await freshenQuietly('GET /cases/:caseId/jobs/:jobId/statement')
  if (!isShown('GET /cases/:caseId', parts)) {
    queryClient.removeQueries({ queryKey: keyOf('GET /cases/:caseId', parts) })
    return
  }
  await catchUp(caseId)
}

/** Fetches the events of an open case that are not held yet. */
export async function catchUp(caseId: string): Promise<void> {
  const parts = { path: { caseId } }
  const last = heldAnswer('GET /cases/:caseId', parts)?.events.at(-1)?.sequence ?? 0
  const since = await request('GET /cases/:caseId/events', { ...parts, query: { after: String(last) } })
  changeHeld('GET /cases/:caseId', parts, (record) => recordWith(record, since))
}

/**
 * A record with what came since; what is held already stays as it is. Events with a gap before them are left out: a case
 * does not stand on half of what was done.
 */
export function recordWith(record: CaseRecord, since: Pick<CaseRecord, 'events' | 'routes'>): CaseRecord {
  const last = record.events.at(-1)?.sequence ?? 0
  const added = since.events.filter(({ sequence }) => sequence > last)
  if (added[0]?.sequence !== last + 1) return record
  return {
    ...record,
    events: [...record.events, ...added],
    routes: { ...record.routes, ...since.routes },
  }
}

async function followLists(summary: CaseSummary): Promise<void> {
  if (!isShown('GET /cases')) return freshenQuietly('GET /cases')
  for (const [key, held] of queryClient.getQueriesData<readonly CaseSummary[]>({ queryKey: ['GET /cases'] }))
    if (held) queryClient.setQueryData(key, listWith(held, summary, whichOf(key[1])))
}
const whichOf = (parts: unknown) =>
  (parts as { readonly query?: { readonly which?: 'live' | 'closed' | 'all' } } | undefined)?.query?.which ??
  'live'

/** A list of cases with one of them as it is now. */
export function listWith(
  list: readonly CaseSummary[],
  summary: CaseSummary,
  which: 'live' | 'closed' | 'all',
): readonly CaseSummary[] {
  const closed = summary.status === 'delivered' || summary.status === 'ended'
  const belongs = which === 'all' || closed === (which === 'closed')
  const others = list.filter(({ caseId }) => caseId !== summary.caseId)
  return belongs ? [...others, summary] : others
}

async function followBench(summary: CaseSummary): Promise<void> {
  const bench = heldAnswer('GET /bench')
  if (!bench || !isShown('GET /bench')) return freshenQuietly('GET /bench')
  const { caseId } = summary
  const ofCase = isInMachine(summary)
    ? await request('GET /bench/cases/:caseId', { path: { caseId } })
    : { ...benchContents([summary], runningNow()), at: runningNow() }
  const next = benchWithCase(heldAnswer('GET /bench') ?? bench, caseId, ofCase)
  if (next) changeHeld('GET /bench', undefined, () => ({ ...next, at: ofCase.at }))
  else await freshen('GET /bench')
}

/** When a machine will have ended, only the server knows. */
const isInMachine = ({ items }: CaseSummary) => items.some(({ running, machine }) => running && machine)

/** Old, but not fetched before somebody wants it. */
async function freshenQuietly(route: ReadKey): Promise<void> {
  await queryClient.invalidateQueries({ queryKey: [route], refetchType: 'none' })
}
