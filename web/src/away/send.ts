import type { CaseRecord } from '@yentrik/contract'
import { renumbered, type Saying, saying, withKept } from '@yentrik/core'
import { catchUp, recordWith } from '../live/changes.ts'
import { changeHeld, heldAnswer, keyOf, queryClient } from '../live/queries.ts'
import { Refusal, request } from '../live/request.ts'
import { benchStore, type KeptEntry } from './bench-store.ts'
import { changed, replace } from './kept.ts'
import { source, workingOf } from './on-top.ts'

const SERVER_FAULT = 500
const SIGN_IN_FIRST = 401
/** Others may do something between a look and a write; not for ever. */
const MOST_TRIES = 5

/** Sends one entry, and asks where it does not fit what others did meanwhile. @returns whether it is on record, waits, or nobody answered */
export async function send(
  entry: KeptEntry,
  sentUpTo: Map<string, number>,
): Promise<'sent' | 'waits' | 'away'> {
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
      if (unfit) return ask(entry, unfit.refusal.code, saying`${unfit.refusal.said} ${unfit.refusal.advice}`)
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

async function ask(entry: KeptEntry, code: string, said: Saying): Promise<'waits'> {
  await replace({ ...entry, unfit: { code, said } })
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
