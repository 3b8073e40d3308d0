import type { Bench, CaseRecord, Chain } from '@yentrik/contract'
import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { DataSource } from 'typeorm'
import { intake, TestServer } from '../testing/test-server.ts'
import { CaseStore } from './case-store.ts'

const first = { type: 'startStep', jobId: 'job-1', stepId: 'work-authorisation' }
const hold = { type: 'hold', reason: 'clinic calls back' }
let server: TestServer
beforeAll(async () => {
  server = await TestServer.open()
})
afterAll(() => server.close())

describe('taking in', () => {
  it('gives the next docket and keeps what was sent', async () => {
    const one = await server.receive()
    const two = await server.receive()
    const received = one.events[0]
    expect(received).toMatchObject({
      type: 'caseReceived',
      by: 'Ada',
      docket: 'K-0001',
      authorisation: { clinic: 'Mill Lane', teeth: [11, 21] },
    })
    expect(two.events[0]).toMatchObject({ docket: 'K-0002' })
    await server.get('/dockets/k-0002').expect(200, { caseId: two.caseId })
  })
  it('leaves out the numbers that were given by hand', async () => {
    const docketOf = ({ events: [received] }: CaseRecord) =>
      received?.type === 'caseReceived' ? received.docket : ''
    const number = Number(docketOf(await server.receive()).slice(2))
    const docket = (n: number) => `K-${String(n).padStart(4, '0')}`
    for (const n of [number + 1, number + 2]) await server.receive({ docket: docket(n) })
    expect(docketOf(await server.receive())).toBe(docket(number + 3))
    expect(docketOf(await server.receive())).toBe(docket(number + 4))
  })
  it('refuses a docket in use, whatever its case, and an unknown one', async () => {
    await server.receive({ docket: 'M-77' })
    const { body } = await server.post('/cases', { ...intake(), docket: 'm-77' }).expect(409)
    expect(body).toMatchObject({ code: 'docket-taken', field: 'docket', remedy: expect.any(String) })
    expect((await server.get('/dockets/M-78').expect(404)).body.code).toBe('no-such-docket')
  })
  it.each([
    ['an unknown field', { colour: 'red' }, 'colour'],
    ['no jobs', { jobs: [] }, 'jobs'],
    [
      'an unknown tooth',
      { authorisation: { ...intake().authorisation, teeth: [99] } },
      'authorisation.teeth',
    ],
    [
      'a date that is none',
      { authorisation: { ...intake().authorisation, dueAt: 'soon' } },
      'authorisation.dueAt',
    ],
    ['an empty clinic', { authorisation: { ...intake().authorisation, clinic: '' } }, 'authorisation.clinic'],
    [
      'a past date',
      { authorisation: { ...intake().authorisation, dueAt: '2020-01-01T00:00:00.000Z' } },
      'authorisation.dueAt',
    ],
    ['a docket with spaces', { docket: 'K 1' }, 'docket'],
    ['an unknown job', { jobs: [{ templateId: 'sculpture', choices: {} }] }, 'jobs'],
    ['an unknown choice', { jobs: [{ templateId: 'study-cast', choices: { base: 'none' } }] }, 'choices'],
  ])('refuses %s and stores nothing', async (_, change, field) => {
    const before = (await server.get('/cases?which=all')).body.length
    const answer = await server.post('/cases', { ...intake(), ...change }).expect(422)
    expect(answer.headers['content-type']).toContain('application/problem+json')
    expect(answer.body).toMatchObject({
      field,
      detail: expect.stringMatching(/\S/),
      remedy: expect.stringMatching(/\S/),
    })
    expect((await server.get('/cases?which=all')).body).toHaveLength(before)
  })
  it('takes the variants of the lab where the intake makes no choice', async () => {
    await server
      .put('/lab', { labName: 'Kiln Street', variants: { 'study-cast': { base: 'one-pour' } } })
      .expect(200)
    const { routes } = await server.receive()
    expect(Object.values(routes)[0]?.choices).toMatchObject({ base: 'one-pour', arch: 'upper' })
    await server
      .put('/lab', { labName: 'Kiln Street', variants: { 'study-cast': { base: 'three-pour' } } })
      .expect(422)
    await server.put('/lab', { labName: 'Kiln Street', variants: {} }).expect(200)
  })
})

describe('commands', () => {
  it('become events, with who and when', async () => {
    const { caseId } = await server.receive()
    const { body } = await server.command(caseId, 1, first).expect(201)
    expect(body).toMatchObject({
      sequence: 2,
      type: 'stepStarted',
      by: 'Ada',
      at: expect.stringMatching(/Z$/),
    })
    expect(await server.events(caseId)).toHaveLength(2)
  })
  it('tell a stale writer what was done since', async () => {
    const { caseId } = await server.receive()
    await server.command(caseId, 1, first).expect(201)
    const { body } = await server.command(caseId, 1, { type: 'note', text: 'mine' }).expect(409)
    expect(body).toMatchObject({ code: 'stale', since: [{ sequence: 2, type: 'stepStarted' }] })
    await server.command(caseId, 2, { type: 'note', text: 'mine' }).expect(201)
  })
  it('let one of ten writers at once through', async () => {
    const { caseId } = await server.receive()
    const answers = await Promise.all(
      Array.from({ length: 10 }, (_, n) => server.command(caseId, 1, { type: 'note', text: `writer ${n}` })),
    )
    expect(answers.map((a) => a.status).sort()).toEqual([201, ...Array<number>(9).fill(409)])
    expect(await server.events(caseId)).toHaveLength(2)
  })
  it.each([
    ['an unknown type', { type: 'explode' }, 'command.type'],
    ['an unknown field', { ...first, colour: 'red' }, 'command.colour'],
    ['a missing reason', { type: 'hold' }, 'command.reason'],
    [
      'a number that is text',
      { type: 'recordCheck', jobId: 'job-1', stepId: 'trim', checkId: 'back-angle', value: '90' },
      'command.value',
    ],
    [
      'a change of the authorisation to a tooth that is none',
      { type: 'amend', changes: { teeth: [5] }, reason: 'x' },
      'command.changes.teeth',
    ],
  ])('refuse %s, naming the place', async (_, command, field) => {
    const { caseId } = await server.receive()
    const { body } = await server.command(caseId, 1, command).expect(422)
    expect(body.field).toBe(field)
    expect(await server.events(caseId)).toHaveLength(1)
  })
  it('sent again under the same key, because the answer was lost, are done once', async () => {
    const { caseId } = await server.receive()
    const other = await server.receive()
    const send = (id: string, seen: number, key: string, text = 'once') =>
      server.post(`/cases/${id}/events`, { seen, command: { type: 'note', text }, key })
    const first = (await send(caseId, 1, 'key-00000001').expect(201)).body
    await send(caseId, 2, 'key-00000002', 'another').expect(201)
    // As it was seen then, and as it is seen now.
    for (const seen of [1, 2, 3])
      expect((await send(caseId, seen, 'key-00000001').expect(201)).body).toEqual(first)
    expect(await server.events(caseId)).toHaveLength(3)
    expect((await send(other.caseId, 1, 'key-00000001').expect(409)).body).toMatchObject({
      code: 'key-of-another-case',
      field: 'key',
    })
    expect((await send(caseId, 3, 'short').expect(422)).body.field).toBe('key')
    await server.restart()
    expect((await send(caseId, 3, 'key-00000001').expect(201)).body).toEqual(first)
    // Two at once under one key: both are told of the one event.
    const twice = await Promise.all([send(caseId, 3, 'key-00000003'), send(caseId, 3, 'key-00000003')])
    expect(twice.map(({ status, body }) => [status, body.sequence])).toEqual([
      [201, 4],
      [201, 4],
    ])
  })
  it('that a bench has kept count from when they were done, and say when they came', async () => {
    const { caseId } = await server.receive()
    const { now } = (await server.get('/clock').expect(200)).body
    const iso = (millis: number) => new Date(millis).toISOString()
    const send = (doneAt: unknown) =>
      server.post(`/cases/${caseId}/events`, { seen: 1, command: { type: 'note', text: 'kept' }, doneAt })
    for (const bad of ['yesterday', 12, '2026-13-01T00:00:00Z'])
      expect((await send(bad).expect(422)).body.field).toBe('doneAt')
    const before = iso(now - 3_600_000)
    const { body } = await send(before).expect(201)
    const [received] = (await server.get(`/cases/${caseId}`).expect(200)).body.events
    // The case came in after that: not before it.
    expect(body).toMatchObject({ at: received.at, kept: { doneAt: before } })
    expect(Math.abs(Date.parse(body.kept.sentAt) - now)).toBeLessThan(60_000)
    expect((await server.get(`/cases/${caseId}`).expect(200)).body.events[1]).toEqual(body)
  })
  it('that were refused are not remembered by their key', async () => {
    const { caseId } = await server.receive()
    const key = 'key-refused-1'
    const finish = { type: 'finishStep', jobId: 'job-1', stepId: 'work-authorisation' }
    await server.post(`/cases/${caseId}/events`, { seen: 1, command: finish, key }).expect(422)
    await server.post(`/cases/${caseId}/events`, { seen: 1, command: first, key }).expect(201)
  })
  it('forget their keys after a month', async () => {
    const { caseId } = await server.receive()
    const send = () => server.post(`/cases/${caseId}/events`, { seen: 1, command: hold, key: 'key-of-old-1' })
    await send().expect(201)
    const store = server.app.get(CaseStore)
    await store.forgetOldKeys(Date.now() + 29 * 86_400_000)
    await send().expect(201)
    await store.forgetOldKeys(Date.now() + 31 * 86_400_000)
    await send().expect(409)
  })
  it('refuse by the rules of the bench, in words', async () => {
    const { caseId } = await server.receive()
    const { body } = await server.command(caseId, 1, { ...first, stepId: 'deliver' }).expect(422)
    expect(body).toMatchObject({ code: 'step-not-yet', remedy: 'Finish that first.' })
    await server.command('nobody', 1, first).expect(404)
  })
  it('amend the work authorisation without losing the rest of it', async () => {
    const { caseId } = await server.receive()
    await server
      .command(caseId, 1, { type: 'amend', changes: { shade: 'Oat 2' }, reason: 'clinic called' })
      .expect(201)
    const document = (await server.get(`/cases/${caseId}/document`).expect(200)).body
    expect(document.events[1].changes).toEqual({ shade: 'Oat 2' })
  })
  it('refuse a lot that is on no shelf', async () => {
    const { caseId } = await server.receive()
    const mix = {
      type: 'recordMix',
      jobId: 'job-1',
      stepId: 'pour-anatomy',
      amountId: 'stone',
      materialId: 'dental-stone',
      powderGrams: 1,
      liquidMillilitres: 1,
      lots: ['none'],
    }
    expect((await server.command(caseId, 1, mix).expect(422)).body.code).toBe('no-such-lot')
  })
})

describe('the bench and the clock', () => {
  it('shows a case, its window as lab time passes, and nothing once it is on hold', async () => {
    const { caseId } = await server.receive({ docket: 'CL-1' })
    const mine = async () => {
      const { body } = await server.get('/bench').expect(200)
      return (body as Bench).work.filter(({ docket, stopped }) => docket === 'CL-1' && !stopped)
    }
    expect(await mine()).toMatchObject([{ stepId: 'work-authorisation', running: false }])
    const before = (await server.get('/clock')).body.now
    await server.post('/clock', { speed: 1, forwardMinutes: 45 }).expect(201)
    expect((await server.get('/clock')).body.now - before).toBeGreaterThanOrEqual(45 * 60_000)
    await server.command(caseId, 1, hold).expect(201)
    expect(await mine()).toEqual([])
  })
  it('gives one case of the bench, one case in short, and what came on a case since', async () => {
    const { caseId } = await server.receive({ docket: 'CL-2' })
    await server.receive({ docket: 'CL-3' })
    const bench = (await server.get(`/bench/cases/${caseId}`).expect(200)).body as Bench
    expect(bench).toMatchObject({ work: [{ docket: 'CL-2' }], asking: [], cut: false })
    expect((await server.get(`/cases/${caseId}/summary`).expect(200)).body).toMatchObject({
      docket: 'CL-2',
      sequence: 1,
    })
    await server.command(caseId, 1, { type: 'note', text: 'one' }).expect(201)
    await server.command(caseId, 2, { type: 'note', text: 'two' }).expect(201)
    const since = (await server.get(`/cases/${caseId}/events?after=2`).expect(200)).body as CaseRecord
    expect(since).toMatchObject({ caseId, events: [{ sequence: 3, text: 'two' }], routes: {} })
    const whole = (await server.get(`/cases/${caseId}/events?after=0`).expect(200)).body as CaseRecord
    expect(whole).toEqual((await server.get(`/cases/${caseId}`)).body)
    expect((await server.get(`/cases/${caseId}/events?after=-1`).expect(422)).body.field).toBe('after')
    for (const path of ['/bench/cases/none', '/cases/none/summary', '/cases/none/events?after=1'])
      expect((await server.get(path).expect(404)).body.code).toBe('no-such-case')
  })
  it('cannot be moved where the setting does not allow it', async () => {
    const fixed = await TestServer.open({ clockControl: false })
    expect((await fixed.post('/clock', { speed: 2, forwardMinutes: 0 }).expect(403)).body.code).toBe(
      'clock-is-fixed',
    )
    await fixed.close()
  })
})

describe('a case whose record is damaged', () => {
  const sql = (words: string, parameters: unknown[]) => server.app.get(DataSource).query(words, parameters)
  it('says so, with the way to the last backup, and the others work on', async () => {
    const { caseId } = await server.receive({ docket: 'BAD-1' })
    const other = await server.receive({ docket: 'GOOD-1' })
    await server.command(caseId, 1, { type: 'note', text: 'x' }).expect(201)
    await sql('UPDATE case_events SET data = \'{"text": \' WHERE case_id = ? AND sequence = 2', [caseId])
    await server.restart()
    for (const path of [`/cases/${caseId}`, `/cases/${caseId}/chain`, `/cases/${caseId}/document`])
      expect((await server.get(path).expect(500)).body).toMatchObject({
        code: 'case-damaged',
        detail: expect.stringMatching(/^The record of this case is damaged: .+\.$/),
        remedy: expect.stringContaining('Settings names the last good backup'),
      })
    expect((await server.command(caseId, 2, first)).body.code).toBe('case-damaged')
    // It is still in the lists, and the others are worked on.
    const listed = (await server.get('/cases').expect(200)).body.map(
      ({ docket }: { docket: string }) => docket,
    )
    expect(listed).toEqual(expect.arrayContaining(['BAD-1', 'GOOD-1']))
    await server.command(other.caseId, 1, first).expect(201)
    await server.get('/bench').expect(200)
  })
  it('is believed as it lies in the file, not as it is remembered', async () => {
    const { caseId } = await server.receive()
    await server.command(caseId, 1, { type: 'note', text: 'as it was' }).expect(201)
    const last = async () => (await server.events(caseId)).at(-1)
    expect(await last()).toMatchObject({ text: 'as it was' })
    await sql('UPDATE case_events SET data = \'{"text": "as it is"}\' WHERE case_id = ? AND sequence = 2', [
      caseId,
    ])
    expect(await last()).toMatchObject({ text: 'as it is' })
  })
  it('that lacks an event is one as well', async () => {
    const { caseId } = await server.receive()
    for (const seen of [1, 2]) await server.command(caseId, seen, { type: 'note', text: 'x' }).expect(201)
    await sql('DELETE FROM case_events WHERE case_id = ? AND sequence = 2', [caseId])
    await server.restart()
    expect((await server.get(`/cases/${caseId}`).expect(500)).body.detail).toBe(
      'The record of this case is damaged: Event 3 cannot follow event 1.',
    )
  })
  it('an event that was changed is found by its link', async () => {
    const { caseId } = await server.receive()
    for (const seen of [1, 2])
      await server.command(caseId, seen, { type: 'note', text: 'as it was' }).expect(201)
    const chain = async () => (await server.get(`/cases/${caseId}/chain`).expect(200)).body as Chain
    const before = await chain()
    expect(before).toMatchObject({ events: 3, looseAt: null })
    await sql(
      "UPDATE case_events SET data = json_set(data, '$.text', 'as I like it') WHERE case_id = ? AND sequence = 2",
      [caseId],
    )
    await server.restart()
    expect(await chain()).toEqual({ ...before, looseAt: 3 })
  })
})
