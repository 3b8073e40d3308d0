import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import request from 'supertest'
import { sessionCookie } from './people/session.guard.ts'
import { TestServer } from './testing/test-server.ts'

/** What once stopped the lab with a single request, each as it was sent. */
let server: TestServer
beforeAll(async () => {
  server = await TestServer.open()
})
afterAll(() => server.close())

const bare = () => request(server.app.getHttpServer())

describe('a date that is none', () => {
  it.each([
    [{ dueAt: null }],
    [{ dueAt: '20261209' }],
    [{ dueAt: '2026-W50-3' }],
    [{ dueAt: '2026-12-09' }],
    [{ dueAt: '2026-12-09T11:00:00' }],
    [{ dueAt: '2026-02-31T11:00:00Z' }],
    [{ dueAt: '9999-12-09T11:00:00Z' }],
    [{ tryInAt: 'soon' }],
    [{ clinic: null }],
    [{ patientAge: null }],
    [{ enclosures: [null] }],
    [{}],
  ])('is refused in words, and the lab goes on: %j', async (changes) => {
    const { caseId } = await server.receive()
    const amend = { type: 'amend', changes, reason: 'the clinic rang' }
    const { body } = await server.command(caseId, 1, amend).expect(422)
    expect(body.remedy).toMatch(/\w/)
    expect(await server.events(caseId)).toHaveLength(1)
    await server.get('/bench').expect(200)
  })
  it('is kept in UTC when it came with an offset, on intake and later', async () => {
    const { caseId } = await server.receive()
    const changes = { dueAt: '2031-06-02T11:00:00+02:00' }
    await server.command(caseId, 1, { type: 'amend', changes, reason: 'the clinic rang' }).expect(201)
    expect((await server.events(caseId))[1]).toMatchObject({ changes: { dueAt: '2031-06-02T09:00:00.000Z' } })
    const into = await TestServer.open()
    try {
      const { body } = await server.get(`/cases/${caseId}/document`).expect(200)
      await into.post('/cases/import', body).expect(201)
    } finally {
      await into.close()
    }
  })
  it('may not lie before the case came in', async () => {
    const { caseId } = await server.receive()
    const amend = { type: 'amend', changes: { dueAt: '2020-01-01T00:00:00Z' }, reason: 'a slip' }
    expect((await server.command(caseId, 1, amend).expect(422)).body).toMatchObject({
      code: 'due-before-receipt',
      field: 'changes.dueAt',
    })
  })
})

describe('names that every object has of its own', () => {
  it.each([
    ['/lots', { materialId: 'dental-stone', number: { constructor: 1 } }, 'number.constructor'],
    ['/lots', { toString: 1 }, 'toString'],
    [
      '/people',
      { name: 'Ben', role: 'lead', passphrase: { hasOwnProperty: [] } },
      'passphrase.hasOwnProperty',
    ],
    ['/calc/mix', JSON.parse('{"from":"powder","__proto__":{"powderGrams":1}}'), '__proto__'],
  ])('are nobody’s entries: %s', async (path, sent, field) => {
    const { body } = await server.post(path, sent).expect(422)
    expect(body).toMatchObject({ code: 'entry-not-valid', field })
    expect(body.detail).toContain('is not known here')
  })
})

describe('a calculator whose figures run out of all bounds', () => {
  it('says so and gives no figure', async () => {
    const mixed = { powderGrams: 110, liquidMillilitres: 24, liquidGramsPerMillilitre: 1 }
    const wanted = { millilitresPerGram: 1e-320, toleranceFraction: 0.02, thickening: false }
    const { body } = await bare()
      .post('/api/calc/mix-correction')
      .send({ ...mixed, ...wanted })
      .expect(422)
    expect(body).toMatchObject({
      code: 'no-figure',
      remedy: expect.stringContaining('far from anything real'),
    })
  })
})

describe('a calculator that is asked for too much', () => {
  const ring = { radiusMillimetres: 20, heightMillimetres: 50 }
  const slow = (rampCelsiusPerMinute: number, startCelsius = 20) => ({
    binder: 'phosphate',
    ring,
    startCelsius,
    segments: [{ rampCelsiusPerMinute, toCelsius: 850, holdMinutes: 60 }],
  })
  it.each([
    ['burnout', slow(0.01)],
    ['burnout', slow(5, -1e308)],
    ['burnout', { ...slow(5), segments: [{ rampCelsiusPerMinute: 5, toCelsius: 850, holdMinutes: 1e7 }] }],
    ['burnout', { ...slow(5), ring: { radiusMillimetres: null, heightMillimetres: 1 } }],
    ['cure', { sections: [{ shape: 'ridge', millimetres: 1e9 }], program: slow(1) }],
    ['alloy', { parts: [{ grams: 1e308, gramsPerCm3: 1 }], alloyGramsPerCm3: 15 }],
    ['amount', { from: 'volume', materialId: 'dental-stone', cm3: 1e308 }],
    ['mix', { from: 'powder', millilitresPerGram: 0.2, powderGrams: null }],
    ['cure', { sections: [null], program: slow(1) }],
    ['set-up', { opposing: { kind: 'natural', right: [null], left: [] }, rim: [null] }],
  ])('%s refuses it at once, without a session', async (name, asked) => {
    const { body } = await bare().post(`/api/calc/${name}`).send(asked).expect(422)
    expect(body.detail).toMatch(/\w/)
  })
  it('takes no body of more than 100 kB, whatever is in it', async () => {
    await bare()
      .post('/api/calc/mix')
      .set('content-type', 'application/json')
      .send('['.repeat(5_000_000))
      .expect(413)
    const keys = Object.fromEntries(Array.from({ length: 20_000 }, (_, n) => [`k${n}`, n]))
    await bare().post('/api/calc/mix').send(keys).expect(413)
  })
  it('works a heavy one out in a thread of its own: others are answered meanwhile', async () => {
    const heavy = bare()
      .post('/api/calc/burnout')
      .send({ ...slow(1), segments: slow(1).segments })
      .expect(200)
    const answered: string[] = []
    await Promise.all([
      heavy.then(() => answered.push('burnout')),
      bare()
        .get('/api/health')
        .expect(200)
        .then(() => answered.push('health')),
    ])
    expect(answered).toEqual(['health', 'burnout'])
  })
})

describe('what is no request of a bench', () => {
  it('a cookie that is an object is no session', async () => {
    const odd = `${sessionCookie({})}=${encodeURIComponent('j:{"a":1}')}`
    expect((await bare().get('/api/bench').set('cookie', odd).expect(401)).body.code).toBe('not-signed-in')
    await bare().get('/api/health').set('cookie', odd).expect(200)
  })
  it('nesting without end is refused', async () => {
    const deep = `${'{"a":'.repeat(3000)}1${'}'.repeat(3000)}`
    const { body } = await server
      .request('put', '/lab')
      .set('content-type', 'application/json')
      .send(`{"labName":"L","variants":${deep}}`)
      .expect(422)
    expect(body.code).toBe('too-deep')
  })
  it.each([
    [{ labName: 'L', variants: null }],
    [{ labName: 'L', variants: { 'study-cast': null } }],
    [{ labName: 'L', variants: { 'study-cast': { base: null } } }],
    [{ labName: null, variants: {} }],
    [null],
    [[]],
  ])('the lab refuses %j', async (body) => {
    await server.put('/lab', body as object).expect(422)
  })
  it('a document with steps that are none, or with events without end, is refused with its place', async () => {
    const { caseId } = await server.receive()
    const { body: document } = await server.get(`/cases/${caseId}/document`).expect(200)
    const id = '11111111-2222-4333-8444-555555555555'
    const [routeId] = Object.keys(document.routes)
    const broken = structuredClone(document)
    broken.routes[routeId!].steps[0].checks = [null]
    expect((await server.post('/cases/import', { ...broken, caseId: id }).expect(422)).body).toMatchObject({
      code: 'document-damaged',
      field: expect.stringContaining('/steps/0/checks/0'),
    })
    const note = (sequence: number) => ({ ...document.events[0], type: 'noted', sequence, text: 'x' })
    const endless = Array.from({ length: 60_000 }, (_, n) => {
      const { sequence, at, by, type, text } = note(n + 1)
      return { sequence, at, by, type, text }
    })
    await server.post('/cases/import', { ...document, caseId: id, events: endless }).expect(422)
  })
  it('takes a long case in whole', async () => {
    const { caseId } = await server.receive()
    const { body: document } = await server.get(`/cases/${caseId}/document`).expect(200)
    const [first] = document.events
    const notes = Array.from({ length: 3000 }, (_, n) => ({
      sequence: n + 2,
      at: first.at,
      by: first.by,
      type: 'noted',
      text: `note ${n}`,
    }))
    const long = {
      ...document,
      caseId: '11111111-2222-4333-8444-666666666666',
      events: [{ ...first, docket: 'K-LONG' }, ...notes],
    }
    expect((await server.post('/cases/import', long).expect(201)).body.events).toHaveLength(3002)
  })
})
