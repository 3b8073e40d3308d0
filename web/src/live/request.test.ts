import { describe, expect, it, jest } from '@jest/globals'
import { DomainError, qty, saying } from '@yentrik/core'
import { refusal, serverWith } from '../testing/lab.tsx'
import { heardUpTo, hearUpTo } from './marks.ts'
import { Refusal, refusedHere, request, sentenceOf } from './request.ts'

const refused = async (work: Promise<unknown>): Promise<Refusal> => {
  const error = await work.then(
    () => undefined,
    (reason: unknown) => reason,
  )
  if (!(error instanceof Refusal)) throw new Error(`not refused: ${String(error)}`)
  return error
}

describe('a request', () => {
  it('goes where its route says, with its path, query and body', async () => {
    const sent = serverWith({
      'GET /cases/:caseId': { caseId: 'a b' },
      'GET /cases': [],
      'POST /cases/:caseId/events': { sequence: 4 },
    })
    await request('GET /cases/:caseId', { path: { caseId: 'a b/c' } })
    await request('GET /cases', { query: { which: 'all' } })
    await request('POST /cases/:caseId/events', {
      path: { caseId: 'k' },
      body: { type: 'release' } as never,
    })
    expect(sent).toEqual([
      { method: 'GET', address: '/cases/a%20b%2Fc', body: undefined },
      { method: 'GET', address: '/cases?which=all', body: undefined },
      { method: 'POST', address: '/cases/k/events', body: { type: 'release' } },
    ])
  })
  it('gives the answer, or nothing where there is none', async () => {
    serverWith({ 'GET /lab': { name: 'Ours' }, 'DELETE /session': undefined })
    expect(await request('GET /lab')).toEqual({ name: 'Ours' })
    expect(await request('DELETE /session')).toBeUndefined()
  })
  it('that is refused says what the server says, with its quantities', async () => {
    serverWith({
      'GET /lab': refusal({
        code: 'too-hot',
        detail: 'That is too hot.',
        remedy: 'Wait.',
        said: { detail: saying`${qty.celsius(93)} is too hot.`, remedy: 'Wait.' },
      }),
    })
    const error = await refused(request('GET /lab'))
    expect(error.problem.code).toBe('too-hot')
    expect(error.message).toBe('That is too hot. Wait.')
    expect(error.said).toEqual([{ value: 93, kind: 'celsius' }, ' is too hot. Wait.'])
    expect(sentenceOf(error)).toBe(error.said)
  })
  it('that reaches nobody says that nothing was stored', async () => {
    serverWith({})
    const error = await refused(request('GET /lab'))
    expect(error.problem).toMatchObject({ status: 0, code: 'server-not-reached' })
    expect(error.message).toContain('Nothing was stored.')
  })
  it.each([
    ['GET /lab', 'Check that it runs, then try again.'],
    ['DELETE /session', 'It may have stored this all the same: look before you try again.'],
  ])('%s that is not answered for 15 s says so', async (route, remedy) => {
    const patience = jest.spyOn(AbortSignal, 'timeout').mockImplementation((millis) => {
      expect(millis).toBe(15_000)
      return AbortSignal.abort()
    })
    globalThis.fetch = (async (_: unknown, { signal }: RequestInit) => signal?.throwIfAborted()) as never
    const error = await refused(request(route as never))
    expect(error.problem.code).toBe('server-too-slow')
    expect(error.message).toContain(remedy)
    patience.mockRestore()
  })
  it('that its asker has given up is no refusal', async () => {
    globalThis.fetch = (async (_: unknown, { signal }: RequestInit) => signal?.throwIfAborted()) as never
    const leaving = AbortSignal.abort(new Error('left'))
    await expect(request('GET /lab', undefined, leaving)).rejects.toThrow('left')
  })
  it('tells how far the changes are that its answer holds', async () => {
    const answer = { ok: true, status: 200, text: async () => '{}' }
    globalThis.fetch = (async () => ({ ...answer, headers: { get: () => 'm-7' } })) as never
    await request('GET /lab')
    const first = heardUpTo()
    expect(first).toBe('m-7')
    globalThis.fetch = (async () => ({ ...answer, headers: { get: () => 'm-9' } })) as never
    await request('GET /lab')
    expect(heardUpTo()).toBe('m-7')
    hearUpTo('m-8')
    expect(heardUpTo()).toBe('m-8')
  })
})

describe('what the core refuses before anything is sent', () => {
  it('is told as the server would', () => {
    const error = refusedHere(new DomainError('x-y', saying`${qty.mm(3)} is thin.`, 'Add wax.', 'wall'))
    expect(error.problem).toMatchObject({
      type: '/api/refusals/x-y',
      status: 422,
      code: 'x-y',
      field: 'wall',
    })
    expect(error.message).toBe('3 mm is thin. Add wax.')
    expect(refusedHere(new DomainError('x', 'a', 'b')).problem).not.toHaveProperty('field')
  })
  it('anything else is told as it is', () =>
    expect(sentenceOf(new TypeError('ours'))).toBe('TypeError: ours'))
})
