import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { TestServer } from '../testing/test-server.ts'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.open()
})
afterAll(() => server.close())

const ring = {
  kind: 'ring',
  source: 'measured here',
  innerDiameterMillimetres: 48,
  heightMillimetres: 52,
  formerMillimetres: 18,
  linerMillimetres: 1,
}

describe('the lab', () => {
  it('has a name and ways of its own, kept over a restart', async () => {
    const variants = { 'study-cast': { base: 'one-pour' } }
    await server.put('/lab', { labName: 'Alder Row', address: ' Alder Row 4 ', variants }).expect(200)
    await server.restart()
    expect((await server.get('/lab').expect(200)).body).toMatchObject({
      labName: 'Alder Row',
      address: 'Alder Row 4',
      variants,
    })
  })
  it('keeps its address where only its name is changed', async () => {
    await server.put('/lab', { labName: 'Elder Row', variants: {} }).expect(200)
    expect((await server.get('/lab')).body).toMatchObject({ labName: 'Elder Row', address: 'Alder Row 4' })
  })
  it.each([
    ['an unknown job', { labName: 'x', variants: { magic: {} } }, 'no-such-template', 'variants'],
    [
      'an unknown matter',
      { labName: 'x', variants: { 'study-cast': { colour: 'red' } } },
      'no-such-matter',
      'choices',
    ],
    [
      'an unknown choice',
      { labName: 'x', variants: { 'study-cast': { base: 'none' } } },
      'no-such-choice',
      'choices',
    ],
    ['no name', { labName: '', variants: {} }, 'not-as-described', 'labName'],
    ['null within', { labName: 'x', variants: { 'study-cast': null } }, 'not-as-described', undefined],
  ])('refuses %s, and stays as it was', async (_, body, code, field) => {
    const before = (await server.get('/lab')).body
    const refused = (await server.put('/lab', body).expect(422)).body
    expect(refused.remedy).toMatch(/\w/)
    if (code !== 'not-as-described') expect(refused.code).toBe(code)
    if (field) expect(refused.field).toBe(field)
    expect((await server.get('/lab')).body).toEqual(before)
  })
})

describe('what stands in the lab', () => {
  const names = async () =>
    ((await server.get('/equipment').expect(200)).body as { name: string }[]).map(({ name }) => name)
  it('is put on the list by its name, changed under it, and taken off', async () => {
    await server.put('/equipment/Small%20ring', ring).expect(200)
    await server.put('/equipment/A%20ring', ring).expect(200)
    expect(await names()).toEqual(['A ring', 'Small ring'])
    await server.put('/equipment/A%20ring', { ...ring, heightMillimetres: 60 }).expect(200)
    expect(await names()).toHaveLength(2)
    expect((await server.get('/equipment')).body[0]).toMatchObject({ name: 'A ring', heightMillimetres: 60 })
    await server.delete('/equipment/A%20ring')
    expect(await names()).toEqual(['Small ring'])
  })
  it('is refused with measures that cannot be, and the list stays', async () => {
    const refused = (await server.put('/equipment/Tower', { ...ring, heightMillimetres: 400 }).expect(422))
      .body
    expect(refused).toMatchObject({ code: 'ring', field: 'heightMillimetres' })
    expect(await names()).toEqual(['Small ring'])
  })
  it('takes two at once, and keeps both', async () => {
    await Promise.all(['B', 'C', 'D'].map((name) => server.put(`/equipment/${name}`, ring).expect(200)))
    expect(await names()).toEqual(['B', 'C', 'D', 'Small ring'])
  })
})

describe('the clock of the lab', () => {
  const now = async () =>
    (await server.get('/clock').expect(200)).body as { now: number; speed: number; mayBeMoved: boolean }
  it('goes with the world until it is moved', async () => {
    const { now: lab, speed, mayBeMoved } = await now()
    expect([speed, mayBeMoved]).toEqual([1, true])
    expect(Math.abs(lab - Date.now())).toBeLessThan(5000)
  })
  it('is moved on, runs faster, and does so after a restart', async () => {
    await server.post('/clock', { speed: 60, forwardMinutes: 90 }).expect(201)
    const { now: lab, speed } = await now()
    expect(speed).toBe(60)
    expect(lab - Date.now()).toBeGreaterThanOrEqual(90 * 60_000)
    await server.restart()
    const again = await now()
    expect(again.speed).toBe(60)
    expect(again.now).toBeGreaterThanOrEqual(lab)
  })
  it('is never moved back', async () => {
    const before = (await now()).now
    expect((await server.post('/clock', { speed: 1, forwardMinutes: -10 })).status).toBe(422)
    expect((await now()).now).toBeGreaterThanOrEqual(before)
  })
  it('stands still for nobody where the setting does not allow it', async () => {
    await server.restart({ clockControl: false })
    expect((await server.post('/clock', { speed: 1, forwardMinutes: 10 }).expect(403)).body.code).toBe(
      'clock-is-fixed',
    )
    expect((await now()).mayBeMoved).toBe(false)
    await server.restart()
  })
})
