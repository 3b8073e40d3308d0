import 'reflect-metadata'
import { type AddressInfo, createServer, type Server, type Socket } from 'node:net'
import { afterAll, afterEach, beforeAll, describe, expect, it } from '@jest/globals'
import { curePresets, programMinutes } from '@yentrik/core'
import { TestServer } from '../testing/test-server.ts'

const MINUTE = 60_000
const { program } = curePresets[0]!

describe('the thermometer of a real bath', () => {
  let server: TestServer
  let device: Server
  let bath: { readonly host: string; readonly port: number }
  const spoken = new Set<Socket>()
  beforeAll(async () => {
    device = createServer((socket) => spoken.add(socket.on('close', () => spoken.delete(socket))))
    await new Promise<void>((ready) => device.listen(0, '127.0.0.1', ready))
    bath = { host: '127.0.0.1', port: (device.address() as AddressInfo).port }
  })
  afterEach(() => server.close())
  afterAll(() => {
    for (const socket of spoken) socket.destroy()
    device.close()
  })
  /** Says a line until what is asked for holds: the server listens in its own time. */
  async function until<T>(line: string, ask: () => Promise<T>, holds: (answer: T) => boolean): Promise<T> {
    for (let tries = 0; tries < 200; tries++) {
      for (const socket of spoken) socket.write(`${line}\n`)
      const answer = await ask()
      if (holds(answer)) return answer
      await new Promise((next) => setTimeout(next, 25))
    }
    throw new Error('it never came')
  }
  const run = async (runId: string) =>
    (await server.get('/machine-runs').expect(200)).body.find(
      (each: { runId: string }) => each.runId === runId,
    )
  const start = (machine: string) =>
    server.post('/machine-runs', { kind: 'bath', machine, program, loads: [] })
  const forward = (minutes: number) => server.post('/clock', { speed: 1, forwardMinutes: minutes })

  it('is kept by the minute with the run, over a restart, until the flasks are out', async () => {
    server = await TestServer.open({ bath })
    const { runId } = (await start('Bath').expect(201)).body
    const first = await until(
      'TEMPERATURE 22.5 C',
      () => run(runId),
      ({ measured }) => measured.length === 1,
    )
    expect(first).toMatchObject({ standIn: false, ended: false, measured: [{ minutes: 0, celsius: 22.5 }] })
    await forward(30)
    await until(
      'TEMPERATURE 61 C',
      () => run(runId),
      ({ measured }) => measured.length === 2,
    )
    await server.app.close()
    await server.start({ bath })
    await forward(30)
    const later = await until(
      'TEMPERATURE 74.2 C',
      () => run(runId),
      ({ measured }) => measured.length === 3,
    )
    expect(later.measured.map(({ celsius }: { celsius: number }) => celsius)).toEqual([22.5, 61, 74.2])
    expect(later.measured[1].minutes).toBeGreaterThanOrEqual(30)
    // The machine runs its program by itself: over when its hours are.
    expect(Date.parse(later.endsAt) - Date.parse(later.startedAt)).toBe(programMinutes(program) * MINUTE)
    await forward(programMinutes(program))
    expect((await run(runId)).ended).toBe(true)
    await server.post(`/machine-runs/${runId}/stop`, {}).expect(200)
    await forward(5)
    const out = await run(runId)
    await until(
      'TEMPERATURE 20 C',
      async () => 'said',
      () => true,
    )
    expect((await run(runId)).measured).toEqual(out.measured)
  })
  it('follows one bath at a time, is no stand-in, and says when it is silent', async () => {
    server = await TestServer.open({ bath })
    const { runId } = (await start('Bath').expect(201)).body
    expect((await start('Other').expect(409)).body.code).toBe('thermometer-busy')
    expect(
      (await server.post(`/machine-runs/${runId}/troubles`, { kind: 'powerCut' }).expect(404)).body.code,
    ).toBe('not-a-stand-in')
    await server.get(`/machine-runs/${runId}/second-thermometer`).expect(404)
    const broken = await until(
      'FAULT sensor open',
      () => run(runId),
      ({ fault }) => fault?.includes('sensor'),
    )
    expect(broken.fault).toBe('The thermometer says: sensor open.')
    expect(broken.measured).toEqual([])
    // A thermocouple that has come off reads far beyond: one such reading would spoil the whole curve.
    const off = await until(
      'TEMPERATURE 2047 C',
      () => run(runId),
      ({ fault }) => fault?.includes('2047'),
    )
    expect(off.measured).toEqual([])
    const back = await until(
      'TEMPERATURE 23 C',
      () => run(runId),
      ({ measured }) => measured.length === 1,
    )
    expect(back.fault).toBeUndefined()
  })
})
