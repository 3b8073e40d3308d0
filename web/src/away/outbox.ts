import { useReached } from '../live/changes.ts'
import { heldAnswer } from '../live/queries.ts'
import { Refusal } from '../live/request.ts'
import { benchStore, type KeptEntry } from './bench-store.ts'
import { changed, readKept, replace, useOutbox } from './kept.ts'

/** Keeps something until the server is back. It is on the disk of this machine when this returns. */
export async function keep(entry: Omit<KeptEntry, 'id'>): Promise<void> {
  const store = await benchStore()
  // Without an id of its own the store numbers it.
  await store.add('kept', entry as KeptEntry)
  await changed()
  sendSoon()
}

/** Puts something else in the place of what does not fit as it is, and sends it. */
export async function keepInstead(entry: KeptEntry): Promise<void> {
  await replace(entry)
  sendSoon()
}

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
  // Where a browser keeps nothing there is nothing to send.
  const sendAny = () => void sendKept().catch(() => undefined)
  sendAny()
  return useReached.subscribe(({ reached }, before) => {
    if (reached && !before.reached) sendAny()
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
  if (useOutbox.getState().kept.length === 0) return
  // What a case makes of it is known to the whole core, which does not come with the first view.
  const { send } = await import('./send.ts')
  for (let at = 0; at < useOutbox.getState().kept.length; ) {
    const entry = useOutbox.getState().kept[at]!
    const mine = heldAnswer('GET /session')?.person?.personId === entry.personId
    const waits = entry.unfit || !mine || waiting.has(entry.caseId)
    const outcome = waits ? 'waits' : await send(entry, sentUpTo).catch(awayWhenNotReached)
    if (outcome === 'away') return sendSoon()
    if (outcome === 'waits') {
      waiting.add(entry.caseId)
      at++
    }
  }
  wait = FIRST_WAIT_MILLIS
}

/** What others did could not be read just now: another time. */
function awayWhenNotReached(error: unknown): 'away' {
  if (error instanceof Refusal) return 'away'
  throw error
}
