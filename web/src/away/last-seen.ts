import { type DehydratedState, dehydrate, hashKey, hydrate } from '@tanstack/react-query'
import type { Session } from '@yentrik/contract'
import { runningNow, useLabClock } from '../live/lab-clock.ts'
import { hearUpTo } from '../live/marks.ts'
import { keyOf, queryClient, type ReadKey } from '../live/queries.ts'
import { Refusal, request } from '../live/request.ts'
import { benchStore } from './bench-store.ts'

/** What a bench needs to go on with while the server is away. */
const remembered: readonly ReadKey[] = [
  'GET /session',
  'GET /bench',
  'GET /lab',
  'GET /lots',
  'GET /products',
  'GET /equipment',
  'GET /cases/:caseId',
]
/** A session at a bench ends by then: who comes later has to be asked who they are. */
const LONGEST_MILLIS = 12 * 60 * 60_000
const MOST_CASES = 12
const WRITTEN_AFTER_MILLIS = 1000
const CLOCK = 'clock'

/**
 * Remembers on this machine what the server has answered, so that the last bench opens without it. Once nobody is signed
 * in any more it is forgotten.
 * @returns stops
 */
export function rememberAnswers(): () => void {
  const old = new Set<string>()
  const write = () => {
    const hashes = [...old]
    old.clear()
    void writeDown(hashes).catch(() => undefined)
  }
  return queryClient.getQueryCache().subscribe(({ type, query }) => {
    const key = query.queryKey[0] as ReadKey
    if (type !== 'updated' || query.state.status !== 'success' || !remembered.includes(key)) return
    if (key === 'GET /session' && !(query.state.data as Session).person) {
      void forgetAnswers().catch(() => undefined)
      return
    }
    if (old.size === 0) setTimeout(write, WRITTEN_AFTER_MILLIS)
    old.add(query.queryHash)
  })
}

/** Forgets what the server has answered; what was done here and waits to be sent stays. */
export async function forgetAnswers(): Promise<void> {
  await (await benchStore()).clear('answers')
}

async function writeDown(hashes: readonly string[]): Promise<void> {
  const store = await benchStore()
  const transaction = store.transaction('answers', 'readwrite')
  const { queries } = dehydrate(queryClient, {
    shouldDehydrateQuery: ({ queryHash, state }) => hashes.includes(queryHash) && state.status === 'success',
  })
  const at = Date.now()
  for (const query of queries) await transaction.store.put({ hash: query.queryHash, at, query })
  const { speed, mayBeMoved } = useLabClock.getState()
  await transaction.store.put({ hash: CLOCK, at, query: { labMillis: runningNow(), speed, mayBeMoved } })
  const cases = (await transaction.store.index('at').getAllKeys()).filter((hash) =>
    hash.includes('GET /cases/:caseId'),
  )
  for (const hash of cases.slice(0, Math.max(0, cases.length - MOST_CASES)))
    await transaction.store.delete(hash)
  await transaction.done
}

/**
 * Asks who is here, which every page begins with; where the server does not answer, what was last seen at this bench takes
 * the place of its answers until it does.
 */
export async function beginWithServerOrLastSeen(): Promise<void> {
  try {
    await queryClient.fetchQuery({
      queryKey: keyOf('GET /session'),
      queryFn: () => request('GET /session'),
      retry: false,
    })
  } catch (error) {
    if (!(error instanceof Refusal) || error.problem.status !== 0) return
    await recallAnswers().catch(() => undefined)
  }
}

async function recallAnswers(): Promise<void> {
  const answers = await (await benchStore()).getAll('answers')
  const session = answers.find(({ hash }) => hash === hashKey(keyOf('GET /session')))
  if (!session || Date.now() - session.at > LONGEST_MILLIS) return
  const queries = answers
    .filter(({ hash }) => hash !== CLOCK)
    .map(({ query }) => query as DehydratedState['queries'][number])
  hydrate(queryClient, { queries, mutations: [] })
  const clock = answers.find(({ hash }) => hash === CLOCK)
  if (clock) {
    const { labMillis, speed, mayBeMoved } = clock.query as ReturnType<typeof useLabClock.getState>
    useLabClock.setState({
      labMillis: labMillis + (Date.now() - clock.at) * speed,
      steadyMillis: performance.now(),
      speed,
      mayBeMoved,
    })
  }
  // Whatever the stream of changes begins with: all of this is older, and fetched again once the server is back.
  hearUpTo('last seen')
}
