import type { CaseRecord } from '@yentrik/contract'
import { renumbered, routeTemplates, spoken, type WorkingCase, withKept, workingCase } from '@yentrik/core'
import { create } from 'zustand'
import { catchUp, recordWith, useReached } from '../live/changes.ts'
import { changeHeld, heldAnswer, keyOf, queryClient } from '../live/queries.ts'
import { Refusal, request } from '../live/request.ts'
import { benchStore, type KeptEntry } from './bench-store.ts'

/** What waits at this bench to be sent, in its order. */
export const useOutbox = create<{ readonly kept: readonly KeptEntry[] }>(() => ({ kept: [] }))

/** All pages of this browser have one outbox; each hears when another has changed it. */
const pages = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('yentrik-kept')
if (pages) pages.onmessage = () => void readKept()

/** Reads what is kept, at the start and when another page has changed it. */
export async function readKept(): Promise<void> {
  const store = await benchStore()
  useOutbox.setState({ kept: await store.getAll('kept') })
}

async function changed(): Promise<void> {
  await readKept()
  pages?.postMessage('changed')
}

/** Keeps something until the server is back. It is on the disk of this machine when this returns. */
export async function keep(entry: Omit<KeptEntry, 'id'>): Promise<void> {
  const store = await benchStore()
  // Without an id of its own the store numbers it.
  await store.add('kept', entry as KeptEntry)
  await changed()
  sendSoon()
}

/** Takes something out of the outbox: it is on record, or somebody has decided to leave it out. */
export async function takeOut(id: number): Promise<void> {
  const store = await benchStore()
  await store.delete('kept', id)
  await changed()
}

/** Puts something else in the place of what does not fit as it is, and sends it. */
export async function keepInstead(entry: KeptEntry): Promise<void> {
  await replace(entry)
  sendSoon()
}

async function replace(entry: KeptEntry): Promise<void> {
  const store = await benchStore()
  await store.put('kept', entry)
  await changed()
}

const source = {
  templates: routeTemplates,
  // Only the server can name a route and link an event; neither is stored from here.
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

/** A server that answers slowly is not asked all the time. */
const FIRST_WAIT_MILLIS = 1000
const LONGEST_WAIT_MILLIS = 30_000
let wait = FIRST_WAIT_MILLIS
let timer: ReturnType<typeof setTimeout> | undefined

function sendSoon(): void {
  clearTimeout(timer)
  timer = setTimeout(() => void sendKept(), wait)
  wait = Math.min(2 * wait, LONGEST_WAIT_MILLIS)
}

/** Sends when the server is reached again, for as long as the page lives. @returns stops */
export function sendWhenReached(): () => void {
  void readKept()
    .then(sendKept)
    .catch(() => undefined)
  return useReached.subscribe(({ reached }, before) => {
    if (reached && !before.reached) void sendKept()
  })
}

let sending: Promise<void> | undefined

/** Sends what is kept, in its order; of a case with something that somebody is asked about the rest waits. */
export function sendKept(): Promise<void> {
  sending ??= alone(sendAll).finally(() => {
    sending = undefined
  })
  return sending
}

/** One page at a time; where a browser has no locks, the keys see to it that nothing is done twice. */
function alone(work: () => Promise<void>): Promise<void> {
  return navigator.locks ? navigator.locks.request('yentrik-kept', work) : work()
}

async function sendAll(): Promise<void> {
  clearTimeout(timer)
  const waiting = new Set<string>()
  const sentUpTo = new Map<string, number>()
  await readKept()
  for (let at = 0; at < useOutbox.getState().kept.length; ) {
    const entry = useOutbox.getState().kept[at]!
    const mine = heldAnswer('GET /session')?.person?.personId === entry.personId
    const outcome = entry.unfit || !mine || waiting.has(entry.caseId) ? 'waits' : await send(entry, sentUpTo)
    if (outcome === 'away') return sendSoon()
    if (outcome === 'waits') {
      waiting.add(entry.caseId)
      at++
    }
  }
  wait = FIRST_WAIT_MILLIS
}

const SERVER_FAULT = 500
const SIGN_IN_FIRST = 401
/** Others may do something between a look and a write; not for ever. */
const MOST_TRIES = 5

async function send(entry: KeptEntry, sentUpTo: Map<string, number>): Promise<'sent' | 'waits' | 'away'> {
  const path = { caseId: entry.caseId }
  const { command, key, doneAt } = entry
  let seen = Math.max(entry.seen, sentUpTo.get(entry.caseId) ?? 0)
  for (let attempt = 0; attempt < MOST_TRIES; attempt++) {
    try {
      const event = await request('POST /cases/:caseId/events', {
        path,
        body: { seen, command, key, doneAt: new Date(doneAt).toISOString() },
      })
      sentUpTo.set(entry.caseId, event.sequence)
      await onRecord(entry, event.sequence)
      if (heldAnswer('GET /cases/:caseId', { path })) {
        changeHeld('GET /cases/:caseId', { path }, (held) =>
          recordWith(held, { events: [event], routes: {} }),
        )
        await catchUp(entry.caseId)
      }
      return 'sent'
    } catch (error) {
      if (!(error instanceof Refusal)) throw error
      const { status, code } = error.problem
      if (status === 0 || status >= SERVER_FAULT || status === SIGN_IN_FIRST) return 'away'
      if (code !== 'stale') return ask(entry, code, error.said)
      const record = await latest(entry.caseId)
      const { unfit } = withKept(workingOf(record), [entry], source)
      if (unfit) return ask(entry, unfit.refusal.code, `${unfit.refusal.message} ${unfit.refusal.remedy}`)
      seen = record.events.at(-1)!.sequence
    }
  }
  return 'away'
}

/** The case as it is on record now. */
async function latest(caseId: string): Promise<CaseRecord> {
  const parts = { path: { caseId } }
  if (heldAnswer('GET /cases/:caseId', parts)) await catchUp(caseId)
  return (
    heldAnswer('GET /cases/:caseId', parts) ??
    queryClient.fetchQuery({
      queryKey: keyOf('GET /cases/:caseId', parts),
      queryFn: () => request('GET /cases/:caseId', parts),
    })
  )
}

async function ask(entry: KeptEntry, code: string, said: Refusal['said']): Promise<'waits'> {
  await replace({ ...entry, unfit: { code, sentence: spoken(said, 'metric') } })
  return 'waits'
}

/** Corrections that were made meanwhile name an entry by the number that it was thought to have. */
async function onRecord(entry: KeptEntry, sequence: number): Promise<void> {
  const store = await benchStore()
  const transaction = store.transaction('kept', 'readwrite')
  for (const other of await transaction.store.getAll())
    if (other.caseId === entry.caseId && other.id > entry.id) {
      const command = renumbered(other.command, entry.sequence, sequence)
      if (command !== other.command) await transaction.store.put({ ...other, command })
    }
  await transaction.store.delete(entry.id)
  await transaction.done
  await changed()
}
