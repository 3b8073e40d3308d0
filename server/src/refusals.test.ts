import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { ExplainedRefusal, Problem } from '@yentrik/contract'
import request from 'supertest'
import { TestServer } from './testing/test-server.ts'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.open()
})
afterAll(() => server.close())
const bare = () => request(server.app.getHttpServer())

describe('the catalogue of refusals', () => {
  it('has each code once, with what it means and what to do, in sentences', async () => {
    const all = (await bare().get('/api/refusals').expect(200)).body as readonly ExplainedRefusal[]
    const codes = all.map(({ code }) => code)
    expect(new Set(codes).size).toBe(codes.length)
    expect(codes).toEqual(
      expect.arrayContaining([
        'reading-not-plausible',
        'too-soon',
        'case-held',
        'no-right',
        'not-an-instant',
        'stale',
      ]),
    )
    for (const { code, means, remedies } of all) {
      expect(code).toMatch(/^[a-z]+(-[a-z0-9]+)*$/)
      for (const words of [...means, ...remedies])
        expect({ code, words }).toMatchObject({ words: expect.stringMatching(/\w/) })
    }
  })
  it.each([
    [
      'the core',
      () =>
        server.post('/calc/alloy', {
          patterns: [{ grams: -1, gramsPerCm3: 0.95 }],
          alloyGramsPerCm3: 15,
          buttonGrams: 5,
        }),
    ],
    ['the server', () => server.get('/dockets/K-0000')],
    ['the door', () => bare().get('/api/cases')],
    ['the shape', () => server.post('/lots', { number: 5 })],
    ['broken JSON', () => bare().post('/api/session').type('json').send('{')],
    ['nowhere', () => bare().get('/api/nowhere')],
  ] as const)('explains what %s refuses, at the address that its type names', async (_, ask) => {
    const problem = (await ask()).body as Problem
    expect(problem.type).toBe(`/api/refusals/${problem.code}`)
    const explained = (await bare().get(problem.type).expect(200)).body as ExplainedRefusal
    expect(explained.code).toBe(problem.code)
    expect(explained.remedies.length).toBeGreaterThan(0)
  })
  it('has no word for a code that is none', async () => {
    expect((await bare().get('/api/refusals/of-nothing').expect(404)).body.code).toBe('no-such-refusal')
  })
})
