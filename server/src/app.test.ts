import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { inventedPair } from '@yentrik/core'
import request from 'supertest'
import { backupFolderOf, settingsFrom } from './settings/server-settings.ts'
import { TestServer } from './testing/test-server.ts'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.open()
})
afterAll(() => server.close())

describe('settings', () => {
  it('has port 4310, this machine only', () => {
    expect(settingsFrom({})).toMatchObject({
      port: 4310,
      host: '127.0.0.1',
      demo: false,
      clockControl: false,
    })
  })
  it('refuses a port that is none', () =>
    expect(() => settingsFrom({ PORT: 'door' })).toThrow('PORT is "door"'))
  it('opens the demo to the network only when that is said twice', () => {
    const demo = { YENTRIK_DEMO: '1' }
    expect(() => settingsFrom({ ...demo, HOST: '0.0.0.0' })).toThrow('The demo lets everybody in')
    expect(() => settingsFrom({ ...demo, HOST: '192.168.1.4' })).toThrow('YENTRIK_DEMO_OPEN=1')
    expect(settingsFrom({ ...demo, HOST: '0.0.0.0', YENTRIK_DEMO_OPEN: '1' }).host).toBe('0.0.0.0')
    for (const HOST of ['localhost', '127.0.0.1', '::1'])
      expect(settingsFrom({ ...demo, HOST }).host).toBe(HOST)
    expect(settingsFrom({ HOST: '0.0.0.0' }).host).toBe('0.0.0.0')
  })
  it('reads names, folders and hours, and says which makes no sense', () => {
    const env = {
      YENTRIK_DATA: '/srv/lab.sqlite',
      YENTRIK_NAMES: 'lab.example, bench.example',
      YENTRIK_SECOND_BACKUPS: '/mnt/stick',
      YENTRIK_BACKUP_AT: '23:05',
      YENTRIK_NEW_LAB: '1',
    }
    const settings = settingsFrom(env)
    expect(settings).toMatchObject({
      names: ['lab.example', 'bench.example'],
      secondBackupFolder: '/mnt/stick',
      backupAt: '23:05',
      newLab: true,
    })
    expect(backupFolderOf(settings)).toBe('/srv/lab-backups')
    expect(backupFolderOf(settingsFrom({ ...env, YENTRIK_BACKUPS: '/srv/kept' }))).toBe('/srv/kept')
    expect(settingsFrom({})).toMatchObject({ backupAt: '02:30', newLab: false })
    for (const hour of ['24:00', '2:30', '12:60', 'night'])
      expect(() => settingsFrom({ YENTRIK_BACKUP_AT: hour })).toThrow(`YENTRIK_BACKUP_AT is "${hour}"`)
  })
})

describe('people', () => {
  it('lets nobody in without a session, but for health and calculators', async () => {
    const bare = request(server.app.getHttpServer())
    await bare.get('/api/health').expect(200, { ok: true })
    expect((await bare.get('/api/cases').expect(401)).body.code).toBe('not-signed-in')
    await bare
      .post('/api/calc/mix')
      .send({ from: 'powder', powderGrams: 100, millilitresPerGram: 0.2 })
      .expect(200, { powderGrams: 100, liquidMillilitres: 20 })
  })
  it('refuses a wrong passphrase and a session that was made up', async () => {
    const bare = request(server.app.getHttpServer())
    const wrong = { name: 'Ada', passphrase: 'not this one' }
    expect((await bare.post('/api/session').send(wrong).expect(401)).body.code).toBe('sign-in-refused')
    await bare.get('/api/bench').set('cookie', 'yentrik_session=made-up').expect(401)
  })
  it('sets a cookie that scripts cannot read and other sites cannot send', async () => {
    const answer = await server.post('/session', { name: 'Ada', passphrase: 'plaster before noon' })
    expect(String(answer.headers['set-cookie'])).toMatch(/HttpOnly; SameSite=Strict/)
  })
})

describe('the shelf', () => {
  const lot = { materialId: 'dental-stone', number: '24-0817', expiresOn: '2049-01-31' }
  it('takes a lot, once, and marks it used up', async () => {
    const { lotId } = (await server.post('/lots', lot).expect(201)).body
    expect((await server.post('/lots', lot).expect(409)).body.code).toBe('lot-known')
    await server.post(`/lots/${lotId}/use`, { inUse: false }).expect(204)
    expect((await server.get('/lots')).body).toMatchObject([{ number: '24-0817', inUse: false }])
    await server.post('/lots/none/use', { inUse: false }).expect(404)
  })
  it.each([
    [{ ...lot, materialId: 'sand' }, 'materialId'],
    [{ ...lot, expiresOn: '2001-01-01', number: 'x' }, 'expiresOn'],
    [{ ...lot, expiresOn: '31.1.2099' }, 'expiresOn'],
    [{ ...lot, number: ' ' }, 'number'],
  ])('refuses %j', async (body, field) => {
    expect((await server.post('/lots', body).expect(422)).body.field).toBe(field)
  })
  it('publishes cards and routes, these by their names', async () => {
    expect((await server.get('/materials')).body.length).toBeGreaterThan(8)
    const templates = (await server.get('/route-templates')).body as { id: string; name: string }[]
    expect(new Set(templates.map(({ id }) => id))).toEqual(
      new Set(
        `study-cast study-model-pair implant-verification articulator-mounting cast-crown cast-bridge cast-posts
        tooth-wax-up complete-denture wire-clasp-partial immediate-denture clear-clasp milled-ceramic
        green-zirconia`.split(/\s+/),
      ),
    )
    const names = templates.map(({ name }) => name)
    expect(names).toEqual([...names].sort((a, b) => a.localeCompare(b)))
  })
})

describe('errors and documents', () => {
  it('answers broken JSON and unknown addresses as problems', async () => {
    const broken = await server
      .post('/calc/mix', {})
      .set('content-type', 'application/json')
      .send('{"from":')
      .expect(400)
    expect(broken.body.code).toBe('not-readable')
    expect((await server.get('/nothing').expect(404)).body).toMatchObject({ code: 'not-found', status: 404 })
  })
  it('describes every calculator and the commands in its OpenAPI', async () => {
    const { body } = await server.get('/openapi.json').expect(200)
    expect(Object.keys(body.paths)).toEqual(
      expect.arrayContaining([
        '/api/calc/mix',
        '/api/calc/mix-correction',
        '/api/calc/gypsum',
        '/api/calc/amount',
        '/api/calc/trim',
        '/api/calc/articulator',
        '/api/calc/set-up',
        '/api/tooth-sets/{name}',
        '/api/cases/{caseId}/events',
      ]),
    )
    const asks = (path: string) => body.paths[path].post.requestBody.content['application/json']
    expect(asks('/api/calc/mix')).toMatchObject({
      example: { powderGrams: 100 },
      schema: { properties: { powderGrams: { maximum: expect.any(Number) } } },
    })
    const { command } = asks('/api/cases/{caseId}/events').schema.properties
    const types = command.oneOf.map(
      (each: { properties: { type: { enum: string[] } } }) => each.properties.type.enum,
    )
    expect(types.flat()).toEqual(expect.arrayContaining(['recordMix', 'dentistAnswered', 'amend']))
  })
  it('says how much to mix over HTTP as the core does', async () => {
    const volume = { from: 'volume', materialId: 'high-strength-stone', cm3: 60, millilitresPerGram: 0.24 }
    // Model notes: 60 mL at 0.24 is 99.398 g and 23.855 mL; that is one bag of 100 g.
    expect((await server.post('/calc/amount', volume).expect(200)).body).toEqual({
      powderGrams: expect.closeTo(99.398, 3),
      liquidMillilitres: expect.closeTo(23.855, 3),
      bags: 1,
    })
    const space = {
      from: 'space',
      materialId: 'dental-stone',
      shape: 'block',
      lengthMillimetres: -1,
      widthMillimetres: 2,
      heightMillimetres: 3,
    }
    expect((await server.post('/calc/amount', space).expect(422)).body.field).toBe('lengthMillimetres')
    const job = { from: 'job', materialId: 'dental-stone', jobId: 'arch', size: 'small' }
    expect((await server.post('/calc/amount', job).expect(200)).body.powderGrams).toBe(100)
    expect(
      (await server.post('/calc/amount', { ...job, materialId: 'alginate' }).expect(422)).body.code,
    ).toBe('no-ratio')
  })
  it('plans a trim over HTTP, and names the landmark at fault', async () => {
    const plan = (await server.post('/calc/trim', inventedPair).expect(200)).body
    // Model notes, worked example: α = 65.22486° of the upper.
    expect(plan.upper.plan.sideAngleDegrees).toBeCloseTo(65.22486, 5)
    const { upper } = inventedPair
    const short = {
      ...inventedPair,
      upper: { ...upper, landmarks: { ...upper.landmarks, midline: [{ x: 0, y: 5 }] } },
    }
    expect((await server.post('/calc/trim', short).expect(422)).body).toMatchObject({
      code: 'too-few-points',
      field: 'midline',
    })
    const wrong = { ...inventedPair, upper: { ...upper, outline: [{ x: 'a', y: 1 }] } }
    expect((await server.post('/calc/trim', wrong).expect(422)).body.field).toBe('upper.outline.0.x')
  })
  it('moves a jaw over HTTP, and names the setting at fault', async () => {
    const articulator = {
      intercondylarMillimetres: 110,
      condylarDegrees: { right: 30, left: 30 },
      bennettDegrees: { right: 15, left: 15 },
      immediateSideShiftMillimetres: 0,
      incisalDegrees: 15,
      wingDegrees: { right: 0, left: 0 },
      pinTip: { x: 100, z: -50 },
    }
    const asked = {
      articulator,
      point: { x: 50, y: 25, z: -35 },
      movement: 'protrusion',
      advanceMillimetres: 4,
    }
    // Model notes, worked example: the molar goes forward 4.395419 and down 1.737612.
    const { moved, travel } = (await server.post('/calc/articulator', asked).expect(200)).body
    expect(moved.x).toBeCloseTo(54.395419, 5)
    expect(moved.z).toBeCloseTo(-36.737612, 5)
    expect(travel.dipDegrees).toBeCloseTo(21.200381, 5)
    const steep = { ...asked, articulator: { ...articulator, incisalDegrees: 80 } }
    expect((await server.post('/calc/articulator', steep).expect(422)).body).toMatchObject({
      code: 'guide-angle',
      field: 'incisalDegrees',
    })
  })
  it('mends a mix and sets gypsum over HTTP as the core does', async () => {
    const bowl = {
      powderGrams: 110,
      liquidMillilitres: 24,
      millilitresPerGram: 0.24,
      toleranceFraction: 0.02,
      thickening: false,
      liquidGramsPerMillilitre: 1,
    }
    const fix = (await server.post('/calc/mix-correction', bowl).expect(200)).body
    // By hand: 110 · 0.24 - 24 = 2.4 mL.
    expect(fix).toEqual({ action: 'addLiquid', liquidMillilitres: expect.closeTo(2.4, 9) })
    const set = (await server.post('/calc/gypsum', { millilitresPerGram: 0.24 }).expect(200)).body
    // Model notes: porosity 0.15301 at 0.24.
    expect(set.porosity).toBeCloseTo(0.15301, 4)
    expect((await server.post('/calc/gypsum', { millilitresPerGram: -1 }).expect(422)).body.field).toBe(
      'millilitresPerGram',
    )
  })
})
