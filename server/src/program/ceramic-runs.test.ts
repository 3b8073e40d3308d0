import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { MachineRunShown } from '@yentrik/contract'
import { firingProgram, programMinutes } from '@yentrik/core'
import { TestServer } from '../testing/test-server.ts'

const stain = firingProgram({ ceramic: 'disilicate', firing: 'stain', wallMillimetres: 1.5, units: 1 })
const sintering = firingProgram({ ceramic: 'zirconia4y', firing: 'sinter', wallMillimetres: 1.5, units: 1 })

describe('a ceramic furnace that is not there', () => {
  let server: TestServer
  beforeAll(async () => {
    server = await TestServer.open({ kiln: 'stand-in', sinter: 'stand-in' })
  })
  afterAll(() => server.close())

  const start = async (kind: 'kiln' | 'sinter', machine: string, program: object) =>
    (await server.post('/machine-runs', { kind, machine, program, loads: [] }).expect(201)).body
      .runId as string
  const forward = (minutes: number) =>
    server.post('/clock', { speed: 1, forwardMinutes: minutes }).expect(201)
  const shown = async (runId: string): Promise<MachineRunShown> =>
    (await server.get('/machine-runs').expect(200)).body.find((each: MachineRunShown) => each.runId === runId)

  it('is read six times a minute, with what its pump leaves; a second thermometer finds what it reads too much', async () => {
    const runId = await start('kiln', 'Kiln A', stain)
    await forward(11)
    const { measured } = await shown(runId)
    expect(measured.length).toBeGreaterThan(60)
    const low = Math.min(...measured.map(({ kilopascals = 101 }) => kilopascals))
    expect(low).toBeLessThan(5)
    const { celsius, shownCelsius } = (
      await server.get(`/machine-runs/${runId}/second-thermometer`).expect(200)
    ).body
    // Its nature, our choice: 6 °C too much, a degree of noise.
    expect(shownCelsius - celsius).toBeGreaterThan(3)
    expect(shownCelsius - celsius).toBeLessThan(10)
  })
  it('whose vacuum leaks never gets far', async () => {
    const runId = await start('kiln', 'Kiln B', stain)
    await server.post(`/machine-runs/${runId}/troubles`, { kind: 'vacuumLeak' }).expect(204)
    await forward(12)
    const low = Math.min(...(await shown(runId)).measured.map(({ kilopascals = 101 }) => kilopascals))
    expect(low).toBeGreaterThan(20)
  })
  it('sinters by its program, cooling as it can, and waits in the dark', async () => {
    const runId = await start('sinter', 'Sinter A', sintering)
    const whole = await shown(runId)
    const minutes = (Date.parse(whole.endsAt) - Date.parse(whole.startedAt)) / 60_000
    expect(minutes).toBeGreaterThanOrEqual(programMinutes(sintering) - 1)
    expect(minutes).toBeLessThan(programMinutes(sintering) + 45)
    await forward(60)
    await server.post(`/machine-runs/${runId}/troubles`, { kind: 'powerCut', minutes: 40 }).expect(204)
    const cut = await shown(runId)
    expect(Date.parse(cut.endsAt) - Date.parse(whole.endsAt)).toBeGreaterThan(35 * 60_000)
  })
  it('is another machine than a burnout furnace: none is connected', async () => {
    const refused = await server
      .post('/machine-runs', { kind: 'furnace', machine: 'Furnace', program: stain, loads: [] })
      .expect(404)
    expect(refused.body.code).toBe('no-furnace')
  })
})

it('without one its heat is typed', async () => {
  const server = await TestServer.open()
  const body = { machine: 'Kiln', program: stain, loads: [] }
  for (const [kind, words] of [
    ['kiln', 'No ceramic furnace is connected.'],
    ['sinter', 'No sintering furnace is connected.'],
  ] as const)
    expect((await server.post('/machine-runs', { ...body, kind }).expect(404)).body).toMatchObject({
      code: `no-${kind}`,
      detail: words,
    })
  await server.close()
})
