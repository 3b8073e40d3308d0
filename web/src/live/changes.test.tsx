import { beforeEach, describe, expect, it } from '@jest/globals'
import { QueryClientProvider } from '@tanstack/react-query'
import { act, renderHook, waitFor } from '@testing-library/react'
import type { CaseRecord, LiveChange } from '@yentrik/contract'
import { benchContents, type CaseSummary, caseSummary, usualCalendar } from '@yentrik/core'
import { Bench, START } from '@yentrik/core/testing'
import type { ReactNode } from 'react'
import { type SentRequest, serverWith } from '../testing/lab.tsx'
import { followChanges, listWith, recordWith, useReached } from './changes.ts'
import { heldAnswer, queryClient, useAnswer } from './queries.ts'

/** The one stream of this page, as a test lets it speak. */
class Stream {
  static last: Stream
  onopen: () => void = () => undefined
  onerror: () => void = () => undefined
  private readonly named = new Map<string, (message: { readonly data: string }) => void>()
  constructor() {
    Stream.last = this
  }
  addEventListener(name: string, listener: (message: { readonly data: string }) => void): void {
    this.named.set(name, listener)
  }
  close(): void {}
  say(name: string, data: object): void {
    this.named.get(name)?.({ data: JSON.stringify(data) })
  }
}
globalThis.EventSource = Stream as never
followChanges()
let mark = 0
const change = (what: Omit<LiveChange, 'mark'>) =>
  act(async () => Stream.last.say('change', { ...what, mark: `m-${++mark}` }))

const bench = new Bench().upTo('wrap')
const { events } = bench.working
const record: CaseRecord = { caseId: 'c1', events: events.slice(0, 3), routes: {} }
const calendar = usualCalendar('UTC')
const summary = (more: Partial<CaseSummary> = {}): CaseSummary => ({
  ...caseSummary('c1', bench.working.state, calendar),
  ...more,
})
const changeOf = (of: CaseSummary, sequence: number) =>
  change({ kind: 'case', caseId: of.caseId, sequence, summary: { ...of, sequence } })
const caseParts = { path: { caseId: 'c1' } }

const around = ({ children }: { readonly children: ReactNode }) => (
  <QueryClientProvider client={queryClient}>{children}</QueryClientProvider>
)
const shown = <T,>(use: () => { readonly data: T | undefined }) => renderHook(use, { wrapper: around }).result

let sent: SentRequest[]
const addresses = () => sent.splice(0).map(({ address }) => address)

beforeEach(() => {
  sent = serverWith({
    'GET /cases/:caseId': record,
    'GET /cases/:caseId/events': { events: events.slice(2), routes: {} },
    'GET /cases': [summary(), summary({ caseId: 'c2' })],
    'GET /bench': { ...benchContents([summary(), summary({ caseId: 'c2' })], START), at: START },
    'GET /bench/cases/:caseId': { ...benchContents([], START), at: START + 1 },
    'GET /lots': [],
    'GET /lab': { name: 'Ours' },
    'GET /clock': { now: START, speed: 1, mayBeMoved: false },
  })
})

describe('a change of a case', () => {
  it('asks for no more than the events that an open case has not, and the case stays what it was', async () => {
    const held = shown(() => useAnswer('GET /cases/:caseId', caseParts))
    await waitFor(() => expect(held.current.data?.events).toHaveLength(3))
    addresses()
    await changeOf(summary(), events.length)
    await waitFor(() => expect(held.current.data?.events).toHaveLength(events.length))
    expect(addresses()).toEqual(['/cases/c1/events?after=3'])
    expect(held.current.data?.events.map(({ sequence }) => sequence)).toEqual(
      events.map(({ sequence }) => sequence),
    )
  })
  it('that is held already asks for nothing', async () => {
    const held = shown(() => useAnswer('GET /cases/:caseId', caseParts))
    await waitFor(() => expect(held.current.data).toBeDefined())
    addresses()
    await changeOf(summary(), 3)
    expect(addresses()).toEqual([])
  })
  it('of another one is put on the bench without asking', async () => {
    const held = shown(() => useAnswer('GET /bench'))
    await waitFor(() => expect(held.current.data?.work.length).toBeGreaterThan(0))
    addresses()
    await changeOf(summary({ caseId: 'c2', docket: 'K-9' }), 9)
    const docketOf = (id: string) => held.current.data?.work.find(({ caseId }) => caseId === id)?.docket
    await waitFor(() => expect(docketOf('c2')).toBe('K-9'))
    expect(docketOf('c1')).toBe('K-1')
    expect(addresses()).toEqual([])
  })
  it('that lies in a machine asks a bench once, for that case alone: only the server knows its end', async () => {
    const held = shown(() => useAnswer('GET /bench'))
    await waitFor(() => expect(held.current.data?.work.length).toBeGreaterThan(0))
    addresses()
    const items = summary().items.map((item) => ({ ...item, running: true, machine: 'bath' as const }))
    await changeOf(summary({ caseId: 'c2', items }), 9)
    await waitFor(() => expect(held.current.data?.work.some(({ caseId }) => caseId === 'c2')).toBe(false))
    expect(held.current.data?.work.some(({ caseId }) => caseId === 'c1')).toBe(true)
    expect(addresses()).toEqual(['/bench/cases/c2'])
  })
  it('puts one line of a list in the place of the old one', async () => {
    const held = shown(() => useAnswer('GET /cases', {}))
    await waitFor(() => expect(held.current.data).toHaveLength(2))
    addresses()
    await changeOf(summary({ docket: 'K-9' }), 9)
    await waitFor(() => expect(held.current.data?.find(({ caseId }) => caseId === 'c1')?.docket).toBe('K-9'))
    expect(addresses()).toEqual([])
  })
  it('that nobody looks at is fetched when somebody does, not before', async () => {
    queryClient.setQueryData(['GET /cases/:caseId', caseParts], record)
    queryClient.setQueryData(['GET /bench'], { work: [], asking: [], cut: false, at: START })
    await changeOf(summary(), 9)
    expect(addresses()).toEqual([])
    expect(heldAnswer('GET /cases/:caseId', caseParts)).toBeUndefined()
    expect(queryClient.getQueryState(['GET /bench'])?.isInvalidated).toBe(true)
  })
})

describe('other changes', () => {
  it('of the shelf fetch the shelf, and no other room', async () => {
    const lots = shown(() => useAnswer('GET /lots'))
    const lab = shown(() => useAnswer('GET /lab'))
    await waitFor(() => expect(lots.current.data && lab.current.data).toBeDefined())
    addresses()
    await change({ kind: 'lots' })
    await waitFor(() => expect(sent.length).toBeGreaterThan(0))
    expect(addresses()).toEqual(['/lots'])
    await change({ kind: 'lab' })
    await waitFor(() => expect(sent.length).toBeGreaterThan(0))
    expect(addresses()).toEqual(['/lab'])
  })
  it('between a page and its stream are not known: all is fetched again', async () => {
    const lots = shown(() => useAnswer('GET /lots'))
    await waitFor(() => expect(lots.current.data).toBeDefined())
    await change({ kind: 'clock' })
    addresses()
    await act(async () => Stream.last.say('hello', { mark: `m-${mark}` }))
    expect(addresses()).toEqual([])
    await act(async () => Stream.last.say('hello', { mark: 'm-far' }))
    await waitFor(() => expect(sent.length).toBeGreaterThan(0))
    expect(addresses()).toEqual(['/lots'])
  })
  it('say whether the server is reached, and set the clock by it when it is again', async () => {
    await act(async () => Stream.last.onerror())
    expect(useReached.getState().reached).toBe(false)
    addresses()
    await act(async () => Stream.last.onopen())
    expect(useReached.getState().reached).toBe(true)
    expect(addresses()).toEqual(['/clock'])
  })
})

describe('a record with what came since', () => {
  const since = (from: number) => ({ events: events.slice(from), routes: { r2: {} as never } })
  it('has each event once, in their order', () => {
    for (const from of [0, 2, 3])
      expect(recordWith(record, since(from)).events.map(({ sequence }) => sequence)).toEqual(
        events.map(({ sequence }) => sequence),
      )
    expect(Object.keys(recordWith(record, since(0)).routes)).toEqual(['r2'])
  })
  it('does not stand on what has a gap before it', () =>
    expect(recordWith(record, { events: events.slice(4), routes: {} })).toBe(record))
  it('is itself where nothing came', () => {
    expect(recordWith(record, { events: events.slice(0, 3), routes: {} })).toBe(record)
    expect(recordWith(record, { events: [], routes: {} })).toBe(record)
  })
})

describe('a list with one case as it is now', () => {
  const list = [summary(), summary({ caseId: 'c2' })]
  const ids = (of: readonly CaseSummary[]) => of.map(({ caseId }) => caseId)
  it('takes a case in, once', () => {
    expect(ids(listWith(list, summary({ caseId: 'c3' }), 'live'))).toEqual(['c1', 'c2', 'c3'])
    expect(ids(listWith(list, summary(), 'live'))).toEqual(['c2', 'c1'])
  })
  it.each([
    ['delivered', 'live', false],
    ['ended', 'live', false],
    ['delivered', 'closed', true],
    ['ended', 'closed', true],
    ['open', 'closed', false],
    ['held', 'live', true],
    ['asking', 'live', true],
    ['delivered', 'all', true],
    ['open', 'all', true],
  ] as const)('of a case that is %s: among the %s ones %s', (status, which, belongs) =>
    expect(ids(listWith(list, summary({ status }), which)).includes('c1')).toBe(belongs),
  )
})
