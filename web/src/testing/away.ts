import 'fake-indexeddb/auto'
import { benchStore } from '../away/bench-store.ts'
import { readKept } from '../away/kept.ts'
import { sendKept } from '../away/outbox.ts'
import { keepAnswer } from '../live/queries.ts'
import { ada, sessionOf } from './lab.tsx'

/** A browser that keeps things, with nothing kept, and a person who is signed in. */
export async function freshBench(person = ada): Promise<void> {
  const store = await benchStore()
  await store.clear('kept')
  await store.clear('answers')
  await readKept()
  keepAnswer('GET /session', sessionOf(person))
  // Nothing of the test before is about to be sent.
  await sendKept()
}

/** The network is cut: nothing is reached. @returns puts it back */
export function cutOff(): () => void {
  const there = globalThis.fetch
  globalThis.fetch = (async () => {
    throw new TypeError('Failed to fetch')
  }) as typeof fetch
  return () => {
    globalThis.fetch = there
  }
}

/** The answer to the next thing that is stored is lost on its way; it was stored all the same. */
export function loseNextAnswer(): void {
  const there = globalThis.fetch
  globalThis.fetch = (async (input: string, init?: RequestInit) => {
    const answer = await there(input, init)
    if (init?.method !== 'POST') return answer
    globalThis.fetch = there
    throw new TypeError('Failed to fetch')
  }) as typeof fetch
}
