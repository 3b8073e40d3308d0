import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { type RouteKey, routes } from '@yentrik/contract'
import request from 'supertest'
import { TestServer } from '../testing/test-server.ts'

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

/** Asks a route with nothing in its body: what it says of the person comes before what it says of that. */
const ask = (route: RouteKey, role: keyof typeof cookies) => {
  const [method, pattern] = route.split(' ') as [string, string]
  const address = `/api${pattern.replaceAll(/:\w+/g, 'none')}`
  const verb = method.toLowerCase() as 'get' | 'post' | 'put' | 'delete'
  return request(server.app.getHttpServer())
    [verb](address)
    .set('cookie', cookies[role])
    .send(method === 'GET' ? undefined : {})
}
/** Only the lead may. */
const leadOnly: readonly RouteKey[] = ['POST /people']
const all = (Object.keys(routes) as RouteKey[]).filter((route) => !route.endsWith(' /session'))

describe('every route', () => {
  it.each(all)('%s: nobody is let in but where it is open', async (route) => {
    const { status, body } = await ask(route, 'nobody')
    if (routes[route].open) expect([401, 500]).not.toContain(status)
    else expect([status, body.code]).toEqual([401, 'not-signed-in'])
  })
  it.each(all)('%s: a technician is let in, but where the lead alone may', async (route) => {
    const { status } = await ask(route, 'technician')
    expect(status).not.toBe(500)
    if (!leadOnly.includes(route)) expect([401, 403]).not.toContain(status)
  })
  it.each(all)('%s: the lead is let in', async (route) => {
    const { status } = await ask(route, 'lead')
    expect([403, 500]).not.toContain(status)
  })
})

describe('people', () => {
  it('only the lead adds them, whatever the others send', async () => {
    const cy = { name: 'Cy', role: 'lead', passphrase: 'long enough too' }
    const add = (role: keyof typeof cookies) =>
      request(server.app.getHttpServer()).post('/api/people').set('cookie', cookies[role]).send(cy)
    for (const role of ['nobody', 'technician'] as const)
      expect((await add(role).expect(403)).body.code).toBe('lead-only')
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
    expect(body).toEqual({ person: null, firstStart: false, demo: false, names: [] })
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
  it('stay signed in over a restart', async () => {
    await server.restart()
    await request(server.app.getHttpServer()).get('/api/lab').set('cookie', cookies.technician).expect(200)
  })
})
