import 'reflect-metadata'
import { randomBytes, scryptSync } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { PersonOnList, SessionOnList } from '@yentrik/contract'
import request from 'supertest'
import { DataSource } from 'typeorm'
import { TestServer } from '../testing/test-server.ts'
import { PeopleService } from './people.service.ts'
import { Sessions } from './sessions.service.ts'

let server: TestServer
/** The cookie of each, by role; nobody has none. */
const cookies: Record<'nobody' | 'technician' | 'lead', string> = { nobody: '', technician: '', lead: '' }
const signIn = async (name: string, passphrase: string) => {
  const answer = await request(server.app.getHttpServer()).post('/api/session').send({ name, passphrase })
  return String(answer.headers['set-cookie']).split(';')[0] ?? ''
}
beforeAll(async () => {
  server = await TestServer.open()
  await server
    .post('/people', { name: 'Ben', role: 'technician', passphrase: 'wax by the window' })
    .expect(201)
  cookies.lead = await signIn('Ada', 'plaster before noon')
  cookies.technician = await signIn('Ben', 'wax by the window')
})
afterAll(() => server.close())

describe('people', () => {
  it('only the lead adds them, whatever the others send', async () => {
    const cy = { name: 'Cy', role: 'lead', passphrase: 'long enough too' }
    const add = (role: keyof typeof cookies) =>
      request(server.app.getHttpServer()).post('/api/people').set('cookie', cookies[role]).send(cy)
    expect((await add('nobody').expect(401)).body.code).toBe('not-signed-in')
    expect((await add('technician').expect(403)).body.code).toBe('no-right')
    expect((await add('lead').expect(201)).body).toMatchObject({ name: 'Cy', role: 'lead' })
    expect((await add('lead').expect(409)).body).toMatchObject({ code: 'name-taken', field: 'name' })
  })
  it('are named to those who are in, and to nobody else; passphrases to none', async () => {
    const session = (role: keyof typeof cookies) =>
      request(server.app.getHttpServer()).get('/api/session').set('cookie', cookies[role]).expect(200)
    expect((await session('technician')).body).toMatchObject({
      person: { name: 'Ben', role: 'technician' },
      firstStart: false,
      names: expect.arrayContaining(['Ada', 'Ben']),
    })
    const { body } = await session('nobody')
    expect(body).toEqual({
      person: null,
      firstStart: false,
      codeNeeded: false,
      readable: false,
      demo: false,
      names: [],
      pins: [],
    })
    expect(JSON.stringify((await session('lead')).body)).not.toMatch(/secret|passphrase|hash/i)
  })
  it('do not get in by another’s words, and a session ends when it is ended', async () => {
    for (const [name, passphrase] of [
      ['Ben', 'plaster before noon'],
      ['Ben', ''],
      ['Nobody', 'wax by the window'],
      ['ben', 'wax by the window'],
    ])
      expect((await server.post('/session', { name, passphrase }).expect(401)).body.code).toBe(
        'sign-in-refused',
      )
    const cookie = await signIn('Ben', 'wax by the window')
    const as = (verb: 'get' | 'delete', path: string) =>
      request(server.app.getHttpServer())[verb](`/api${path}`).set('cookie', cookie)
    await as('get', '/lab').expect(200)
    await as('delete', '/session').expect(200)
    await as('get', '/lab').expect(401)
    // The session before is another one.
    await request(server.app.getHttpServer()).get('/api/lab').set('cookie', cookies.technician).expect(200)
  })
  it('see their open benches, the lead those of all, and end them', async () => {
    const list = async (cookie: string) =>
      (await request(server.app.getHttpServer()).get('/api/sessions').set('cookie', cookie).expect(200))
        .body as SessionOnList[]
    const end = (cookie: string, sessionId: string) =>
      request(server.app.getHttpServer()).delete(`/api/sessions/${sessionId}`).set('cookie', cookie)
    const other = await signIn('Ben', 'wax by the window')
    const own = await list(cookies.technician)
    expect(new Set(own.map(({ name }) => name))).toEqual(new Set(['Ben']))
    expect(own.filter(({ mine }) => mine)).toHaveLength(1)
    expect(own[0]).toMatchObject({
      address: expect.stringContaining('127.0.0.1'),
      usedAt: expect.stringMatching(/Z$/),
    })
    const leads = await list(cookies.lead)
    expect(new Set(leads.map(({ name }) => name))).toEqual(new Set(['Ada', 'Ben']))
    const ofLead = leads.find(({ mine }) => mine)!
    expect((await end(cookies.technician, ofLead.sessionId).expect(404)).body.code).toBe('no-such-session')
    const ofOther = (await list(other)).find(({ mine }) => mine)!
    await end(cookies.lead, ofOther.sessionId).expect(204)
    await request(server.app.getHttpServer()).get('/api/lab').set('cookie', other).expect(401)
    await request(server.app.getHttpServer()).get('/api/lab').set('cookie', cookies.technician).expect(200)
  })
  it('change their own passphrase, and their other benches are signed out', async () => {
    await server
      .post('/people', { name: 'Dot', role: 'learner', passphrase: 'given by the lead' })
      .expect(201)
    const [here, there] = [await signIn('Dot', 'given by the lead'), await signIn('Dot', 'given by the lead')]
    const change = (body: object) =>
      request(server.app.getHttpServer()).put('/api/session/passphrase').set('cookie', here).send(body)
    const next = 'my own four words'
    expect((await change({ old: 'not it at all', passphrase: next }).expect(401)).body.code).toBe(
      'sign-in-refused',
    )
    expect((await change({ old: 'given by the lead', passphrase: 'short' }).expect(422)).body.field).toBe(
      'passphrase',
    )
    await change({ old: 'given by the lead', passphrase: next }).expect(204)
    await request(server.app.getHttpServer()).get('/api/lab').set('cookie', here).expect(200)
    await request(server.app.getHttpServer()).get('/api/lab').set('cookie', there).expect(401)
    await server.post('/session', { name: 'Dot', passphrase: 'given by the lead' }).expect(401)
    await server.post('/session', { name: 'Dot', passphrase: next }).expect(201)
  })
  it('who leave sign in no more; their name stays and is given to nobody else', async () => {
    const fay = { name: 'Aria', role: 'technician', passphrase: 'three small bubbles' }
    const { personId } = (await server.post('/people', fay).expect(201)).body
    const cookie = await signIn('Aria', fay.passphrase)
    const retire = (who: string, id: string) =>
      request(server.app.getHttpServer()).post(`/api/people/${id}/retire`).set('cookie', who)
    await retire(cookies.technician, personId).expect(403)
    await retire(cookies.lead, personId).expect(204)
    await request(server.app.getHttpServer()).get('/api/lab').set('cookie', cookie).expect(401)
    await server.post('/session', { name: 'Aria', passphrase: fay.passphrase }).expect(401)
    expect((await server.post('/people', fay).expect(409)).body.code).toBe('name-taken')
    expect((await retire(cookies.lead, personId).expect(404)).body.code).toBe('no-such-person')
    const list = (await server.get('/people').expect(200)).body as PersonOnList[]
    expect(list.at(-1)).toMatchObject({ name: 'Aria', retiredAt: expect.stringMatching(/Z$/) })
    expect((await server.get('/session')).body.names).not.toContain('Aria')
  })
  it('the last lead cannot leave', async () => {
    const alone = await TestServer.open()
    const { personId } = (await alone.get('/session')).body.person
    expect((await alone.post(`/people/${personId}/retire`, {}).expect(422)).body.code).toBe('last-lead')
    await alone.close()
  })
  it('are locked out after 12 hours at an idle bench, and after 30 days at any', async () => {
    const HOUR = 3_600_000
    const sessions = server.app.get(Sessions)
    const ben = (await server.app.get(PeopleService).all()).find(({ name }) => name === 'Ben')!
    const opened = Date.now()
    const token = await sessions.open(ben, 'x', opened)
    expect(await sessions.whoIs(token, opened + 12 * HOUR - 1)).toEqual(ben)
    // That was a use: twelve hours count from there.
    expect(await sessions.whoIs(token, opened + 23 * HOUR)).toEqual(ben)
    expect(await sessions.whoIs(token, opened + 36 * HOUR)).toBeUndefined()
    const busy = await sessions.open(ben, 'x', opened)
    for (let hours = 10; hours < 720; hours += 10)
      expect(await sessions.whoIs(busy, opened + hours * HOUR)).toEqual(ben)
    expect(await sessions.whoIs(busy, opened + 720 * HOUR)).toBeUndefined()
  })
  it('with a hash of before get a new one when they sign in', async () => {
    const salt = randomBytes(16)
    const secret = `${salt.toString('hex')}:${scryptSync('wax by the window', salt, 32).toString('hex')}`
    const dataSource = server.app.get(DataSource)
    await dataSource.query("UPDATE people SET secret = ? WHERE name = 'Ben'", [secret])
    await signIn('Ben', 'wax by the window')
    const [row] = await dataSource.query("SELECT secret FROM people WHERE name = 'Ben'")
    expect(row.secret).toMatch(/^\$argon2id/)
    await server.post('/session', { name: 'Ben', passphrase: 'wax by the window' }).expect(201)
  })
  it('that are guessed wait, even with the right passphrase then', async () => {
    await server.post('/people', { name: 'Gus', role: 'reader', passphrase: 'seven dry stones' }).expect(201)
    for (let n = 0; n < 5; n++)
      await server.post('/session', { name: 'Gus', passphrase: `guess number ${n}` }).expect(401)
    const { body } = await server
      .post('/session', { name: 'Gus', passphrase: 'seven dry stones' })
      .expect(429)
    expect(body).toMatchObject({ code: 'too-many-tries', retryAfterSeconds: expect.any(Number) })
    await server.post('/session', { name: 'Ben', passphrase: 'wax by the window' }).expect(201)
  })
  it('stay signed in over a restart', async () => {
    await server.restart()
    await request(server.app.getHttpServer()).get('/api/lab').set('cookie', cookies.technician).expect(200)
  })
})
