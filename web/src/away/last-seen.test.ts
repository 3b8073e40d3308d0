import { beforeEach, describe, expect, it, jest } from '@jest/globals'
import { labNow, useLabClock } from '../live/lab-clock.ts'
import { heardUpTo } from '../live/marks.ts'
import { heldAnswer, keepAnswer, queryClient } from '../live/queries.ts'
import { cutOff, freshBench } from '../testing/away.ts'
import { ada, refusal, serverWith, sessionOf } from '../testing/lab.tsx'
import { benchStore } from './bench-store.ts'
import { beginWithServerOrLastSeen, forgetAnswers, rememberAnswers } from './last-seen.ts'

const HOUR = 3_600_000
const session = sessionOf(ada)
const nobody = sessionOf(null)
const record = (caseId: string) => ({ caseId, events: [], routes: {} })
const hashes = async () => (await (await benchStore()).getAll('answers')).map(({ hash }) => hash)

/** Works at a bench that remembers, until it has written down what it holds. */
async function work(does: () => void): Promise<void> {
  const stop = rememberAnswers()
  does()
  await waitUntil(async () => (await hashes()).length > 0)
  stop()
}
async function waitUntil(holds: () => Promise<boolean>): Promise<void> {
  while (!(await holds())) await new Promise((resolve) => setTimeout(resolve, 20))
}
/** The page is loaded again. */
function reload(): void {
  queryClient.clear()
  useLabClock.setState({ labMillis: 0, steadyMillis: performance.now(), speed: 1, mayBeMoved: false })
}

beforeEach(async () => {
  await freshBench()
  queryClient.clear()
  serverWith({ 'GET /session': session })
})

describe('the last bench', () => {
  it('opens without the server: who was here, the bench, the open case, and the clock runs on', async () => {
    useLabClock.setState({
      labMillis: 50 * HOUR,
      steadyMillis: performance.now(),
      speed: 2,
      mayBeMoved: true,
    })
    await work(() => {
      keepAnswer('GET /session', session)
      keepAnswer('GET /cases/:caseId', record('c1'), { path: { caseId: 'c1' } })
      keepAnswer('GET /machine-runs', [])
    })
    reload()
    const back = cutOff()
    await beginWithServerOrLastSeen()
    expect(heldAnswer('GET /session')).toEqual(session)
    expect(heldAnswer('GET /cases/:caseId', { path: { caseId: 'c1' } })).toEqual(record('c1'))
    // What no bench needs to go on with is not kept on the machine.
    expect(heldAnswer('GET /machine-runs')).toBeUndefined()
    expect(labNow() - 50 * HOUR).toBeGreaterThanOrEqual(0)
    expect(labNow() - 50 * HOUR).toBeLessThan(HOUR)
    expect(useLabClock.getState().speed).toBe(2)
    // All of it is older than whatever the stream begins with.
    expect(heardUpTo()).toBe('last seen')
    back()
  })
  it('with the server there nothing is shown that it has not just answered', async () => {
    await work(() => {
      keepAnswer('GET /session', session)
      keepAnswer('GET /cases/:caseId', record('c1'), { path: { caseId: 'c1' } })
    })
    reload()
    await beginWithServerOrLastSeen()
    expect(heldAnswer('GET /cases/:caseId', { path: { caseId: 'c1' } })).toBeUndefined()
    reload()
    serverWith({ 'GET /session': refusal({ status: 403, code: 'no' }) })
    await beginWithServerOrLastSeen()
    expect(heldAnswer('GET /session')).toBeUndefined()
  })
  it.each([
    [11.9, true],
    [12.1, false],
  ])('%d h later it opens: %s', async (hours, opens) => {
    await work(() => keepAnswer('GET /session', session))
    reload()
    cutOff()
    const later = jest.spyOn(Date, 'now').mockReturnValue(Date.now() + hours * HOUR)
    await beginWithServerOrLastSeen()
    later.mockRestore()
    expect(heldAnswer('GET /session') !== undefined).toBe(opens)
  })
  it('is forgotten once nobody is signed in; what waits to be sent is not', async () => {
    await work(() => keepAnswer('GET /session', session))
    const store = await benchStore()
    await store.add('kept', { key: 'k' } as never)
    const stop = rememberAnswers()
    keepAnswer('GET /session', nobody)
    await waitUntil(async () => (await hashes()).length === 0)
    stop()
    expect(await store.count('kept')).toBe(1)
  })
  it('holds no more than the last twelve cases', async () => {
    await work(() => {
      keepAnswer('GET /session', session)
      for (let n = 0; n < 15; n++)
        keepAnswer('GET /cases/:caseId', record(`c${n}`), { path: { caseId: `c${n}` } })
    })
    expect((await hashes()).filter((hash) => hash.includes('caseId'))).toHaveLength(12)
    await forgetAnswers()
    expect(await hashes()).toEqual([])
  })
})
