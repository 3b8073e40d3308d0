import { create } from 'zustand'
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

/** To be called after each change of what is kept. */
export async function changed(): Promise<void> {
  await readKept()
  pages?.postMessage('changed')
}

/** Takes something out of the outbox: it is on record, or somebody has decided to leave it out. */
export async function takeOut(id: number): Promise<void> {
  const store = await benchStore()
  await store.delete('kept', id)
  await changed()
}

/** Puts an entry in the place of the one with its id. */
export async function replace(entry: KeptEntry): Promise<void> {
  const store = await benchStore()
  await store.put('kept', entry)
  await changed()
}
