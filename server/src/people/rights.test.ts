import 'reflect-metadata'
import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { type RouteKey, routes } from '@yentrik/contract'
import { type Role, rights, roles } from '@yentrik/core'
import request from 'supertest'
import { TestServer } from '../testing/test-server.ts'

let server: TestServer
/** The cookie of each; nobody has none. */
const cookies: Record<Role | 'nobody', string> = {
  nobody: '',
  lead: '',
  technician: '',
  learner: '',
  reader: '',
}
const words = 'wax by the window'
beforeAll(async () => {
  server = await TestServer.open()
  for (const role of roles) {
    await server.post('/people', { name: `a ${role}`, role, passphrase: words }).expect(201)
    const answer = await server.post('/session', { name: `a ${role}`, passphrase: words }).expect(201)
    cookies[role] = String(answer.headers['set-cookie']).split(';')[0] ?? ''
  }
})
afterAll(() => server.close())

/** Asks a route with nothing in its body: what it says of the person comes before what it says of that. */
const ask = (route: RouteKey, who: Role | 'nobody', body: object = {}, path = 'none') => {
  const [method, pattern] = route.split(' ') as [string, string]
  const address = `/api${pattern.replaceAll(/:\w+/g, path)}`
  const verb = method.toLowerCase() as 'get' | 'post' | 'put' | 'delete'
  return request(server.app.getHttpServer())
    [verb](address)
    .set('cookie', cookies[who])
    .send(method === 'GET' ? undefined : body)
}

const bench = 'lead technician learner'
const skilled = 'lead technician'
const everybody = 'lead technician learner reader'
/** Who may change what, route by route, written down beside the declarations. What is read, everybody who is signed in may read. */
const changes: Readonly<
  Record<Exclude<RouteKey, `GET ${string}` | `${string} /session` | 'POST /session/pin'>, string>
> = {
  'POST /people': 'lead',
  'POST /people/:personId/retire': 'lead',
  'POST /backups': 'lead',
  'PUT /lab': 'lead',
  'PUT /plan/people/:personId': 'lead',
  'POST /plan/calendar': 'lead',
  'PUT /plan/holidays': 'lead',
  'PUT /plan/minutes': 'lead',
  'POST /lots/:lotId/release': 'lead',
  'POST /cases': skilled,
  'POST /cases/import': skilled,
  'POST /cases/:caseId/return': skilled,
  'POST /plan/anew': skilled,
  'POST /drills': bench,
  'POST /quality/seen': bench,
  'POST /quality/said': skilled,
  'POST /practice': bench,
  'POST /practice/:practiceId/acts': bench,
  'POST /practice/:practiceId/again': bench,
  'POST /practice/:practiceId/sign': 'lead',
  'PUT /plan/priority/:caseId': skilled,
  'POST /plan/pins': skilled,
  'POST /plan/unpin': skilled,
  'POST /plan/feeds': skilled,
  'DELETE /plan/feeds/:feedId': skilled,
  'POST /products': skilled,
  'PUT /products/:productId': skilled,
  'POST /lots': skilled,
  'POST /lots/:lotId/use': skilled,
  'PUT /tooth-sets/:name': skilled,
  'DELETE /tooth-sets/:name': skilled,
  'PUT /equipment/:name': skilled,
  'DELETE /equipment/:name': skilled,
  'POST /alloy-pieces': skilled,
  'DELETE /alloy-pieces/:pieceId': skilled,
  'POST /cases/:caseId/events': bench,
  'POST /lots/:lotId/open': bench,
  'POST /lots/:lotId/quarantine': bench,
  'POST /lots/:lotId/enlargement': bench,
  'POST /machine-runs': bench,
  'POST /machine-runs/:runId/stop': bench,
  'POST /machine-runs/:runId/troubles': bench,
  'POST /devices/balance/tare': bench,
  'POST /devices/balance/take': bench,
  'POST /devices/dispenser/give': bench,
  'POST /devices/press/take': bench,
  'POST /devices/stand-in/balance': bench,
  'POST /devices/stand-in/press': bench,
  'POST /devices/spectrophotometer/white': bench,
  'POST /devices/spectrophotometer/read': bench,
  'POST /devices/stand-in/spectrophotometer': bench,
  'POST /mixing/clocks': bench,
  'DELETE /mixing/clocks/:clockId': bench,
  // Of oneself, whoever one is.
  'PUT /session/passphrase': roles.join(' '),
  'PUT /session/pin': roles.join(' '),
  'DELETE /sessions/:sessionId': roles.join(' '),
  'POST /first-start': roles.join(' '),
  // The clock is moved in demos alone, by anybody.
  'POST /plan/promise': everybody,
  'POST /plan/latest-load': everybody,
  'POST /clock': roles.join(' '),
}
const all = (Object.keys(routes) as RouteKey[]).filter((route) => !route.endsWith(' /session'))
const mayAsk = (route: RouteKey) =>
  (changes as Readonly<Record<string, string>>)[route] ?? (route === 'GET /people' ? 'lead' : roles.join(' '))

describe('every route', () => {
  it.each(all)('%s: nobody is let in but where it is open', async (route) => {
    const { status, body } = await ask(route, 'nobody')
    if (routes[route].open) expect([401, 500]).not.toContain(status)
    else expect([status, body.code]).toEqual([401, 'not-signed-in'])
  })
  it.each(all.flatMap((route) => roles.map((role) => [route, role] as const)))(
    '%s: %s',
    async (route, role) => {
      const { status, body } = await ask(route, role)
      expect(status).not.toBe(500)
      if (mayAsk(route).split(' ').includes(role)) expect([401, 403]).not.toContain(status)
      else expect([status, body.code]).toEqual([403, 'no-right'])
    },
  )
})

describe('a command to a case', () => {
  const amend = { type: 'amend', changes: { patientCode: 'P-8' }, reason: 'misread' }
  const start = { type: 'startStep', jobId: 'job-1', stepId: 'work-authorisation' }
  const command = async (who: Role, body: object) => {
    const { caseId } = await server.receive()
    return ask('POST /cases/:caseId/events', who, { seen: 1, command: body }, caseId)
  }
  it('that decides is the technician’s and the lead’s, and the learner meets it in plain words', async () => {
    for (const role of ['lead', 'technician'] as const) expect((await command(role, amend)).status).toBe(201)
    expect((await command('learner', amend)).body).toMatchObject({
      code: 'no-right',
      detail: expect.stringMatching(/^A learner may not decide on a case: /),
      remedy: 'Ask the lab lead or a technician.',
    })
  })
  it('that is work is also the learner’s, and not the reader’s', async () => {
    expect((await command('learner', start)).status).toBe(201)
    expect((await command('reader', start)).body).toMatchObject({
      code: 'no-right',
      detail: expect.stringMatching(/^Somebody who only reads may not work on a case: /),
    })
  })
})

describe('the page Running a lab', () => {
  it('shows the table of rights as it is', () => {
    const page = readFileSync(new URL('../../../docs/running-a-lab.md', import.meta.url), 'utf8')
    for (const { may, roles: allowed } of Object.values(rights)) {
      const marks = roles
        .map((role) => ((allowed as readonly Role[]).includes(role) ? 'yes' : ''))
        .join(' | ')
      expect(page.replaceAll(/ +/g, ' ')).toContain(`| ${may} | ${marks} |`.replaceAll(/ +/g, ' '))
    }
  })
})
