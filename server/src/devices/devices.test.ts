import 'reflect-metadata'
import type { AddressInfo } from 'node:net'
import { createServer, type Server, type Socket } from 'node:net'
import { afterAll, afterEach, describe, expect, it } from '@jest/globals'
import { type BalanceLine, type GaugeLine, readBalanceLine, readGaugeLine } from '@yentrik/core'
import { settingsFrom } from '../settings/server-settings.ts'
import { TestServer } from '../testing/test-server.ts'
import { StandInBalance } from './stand-in-balance.ts'
import { StandInDispenser } from './stand-in-dispenser.ts'
import { StandInPress } from './stand-in-press.ts'

/** A stand-in on a clock of its own: no waiting. */
class Bench {
  readonly balance = new StandInBalance(1)
  last?: BalanceLine
  constructor() {
    this.balance.lines.subscribe((line) => {
      this.last = readBalanceLine(line)
    })
  }
  after(seconds: number): BalanceLine | undefined {
    for (let n = 0; n < 10 * seconds; n++) this.balance.tick(0.1)
    return this.last
  }
  gramsAfter(seconds: number): number {
    const line = this.after(seconds)
    return line?.kind === 'weight' ? line.grams : Number.NaN
  }
}

describe('the stand-in balance', () => {
  it('moves while it is poured on, lags, and settles when the hand stops', () => {
    const bench = new Bench()
    bench.balance.control({ does: 'pour', gramsPerSecond: 10 })
    const moving = bench.after(3)
    expect(moving).toMatchObject({ kind: 'weight', settled: false })
    bench.balance.control({ does: 'stop' })
    const still = bench.after(3)
    expect(still).toMatchObject({ kind: 'weight', settled: true })
    if (moving?.kind !== 'weight' || still?.kind !== 'weight') throw new Error('weights')
    expect(still.grams).toBeGreaterThan(moving.grams)
    expect(still.grams).toBeCloseTo(30, 0)
  })
  it('tares a bowl away', () => {
    const bench = new Bench()
    bench.balance.control({ does: 'pour', gramsPerSecond: 100, upToGrams: 180 })
    bench.after(5)
    bench.balance.send('TARE')
    expect(bench.last).toEqual({ kind: 'tared' })
    bench.balance.control({ does: 'pour', gramsPerSecond: 8, upToGrams: 100 })
    const full = bench.after(17)
    expect(full).toMatchObject({ kind: 'weight', settled: true })
    expect(full?.kind === 'weight' && Math.abs(full.grams - 100)).toBeLessThan(0.3)
  })
  it('says so when it is too heavy, says nothing when unplugged, and forgets its tare', () => {
    const bench = new Bench()
    bench.balance.control({ does: 'pour', gramsPerSecond: 100 })
    expect(bench.after(8)?.kind).toBe('overload')
    bench.balance.control({ does: 'clear' })
    bench.balance.control({ does: 'pour', gramsPerSecond: 50, upToGrams: 50 })
    bench.after(3)
    bench.balance.send('TARE')
    bench.balance.control({ does: 'unplug' })
    bench.last = undefined
    expect(bench.after(2)).toBeUndefined()
    bench.balance.control({ does: 'plugIn' })
    const again = bench.after(2)
    expect(again?.kind === 'weight' && again.grams).toBeGreaterThan(49)
  })
  it('carries all that it may, and no more', () => {
    const bench = new Bench()
    bench.balance.control({ does: 'pour', gramsPerSecond: 100, upToGrams: 610 })
    expect(bench.after(10)).toMatchObject({ kind: 'weight', settled: true })
    bench.balance.control({ does: 'pour', gramsPerSecond: 100, upToGrams: 610.5 })
    expect(bench.after(3)?.kind).toBe('overload')
  })
  it('left alone it trembles by hundredths of a gram, and creeps by some tenths in an hour', () => {
    const bench = new Bench()
    bench.balance.control({ does: 'pour', gramsPerSecond: 50, upToGrams: 100 })
    bench.after(5)
    const read = Array.from({ length: 50 }, () => bench.gramsAfter(0.1))
    const spread = Math.max(...read) - Math.min(...read)
    expect(spread).toBeGreaterThan(0.01)
    expect(spread).toBeLessThan(0.05)
    expect(read.reduce((sum, each) => sum + each, 0) / 50).toBeCloseTo(100, 1)
    const crept = Math.abs(bench.gramsAfter(3600) - 100)
    expect(crept).toBeGreaterThan(0.05)
    expect(crept).toBeLessThan(1)
  })
  it('tares away what is still falling, and gives back no more than lies there', () => {
    const bench = new Bench()
    bench.balance.control({ does: 'pour', gramsPerSecond: 100 })
    bench.after(1)
    bench.balance.control({ does: 'stop' })
    bench.balance.send('TARE')
    expect(bench.gramsAfter(3)).toBeCloseTo(0, 0)
    bench.balance.control({ does: 'takeOut', grams: 40 })
    expect(bench.gramsAfter(3)).toBeCloseTo(-40, 0)
    bench.balance.control({ does: 'takeOut', grams: 500 })
    expect(bench.gramsAfter(3)).toBeCloseTo(-100, 0)
  })
})

it('the stand-in dispenser gives what was asked to a drop, and runs empty', () => {
  const dispenser = new StandInDispenser(1)
  const heard: string[] = []
  dispenser.lines.subscribe((line) => heard.push(line))
  for (const badly of ['PLEASE GIVE 23.0 mL', 'GIVE 23.0 mL now', 'GIVE a little']) dispenser.send(badly)
  for (let n = 0; n < 60; n++) dispenser.tick(0.1)
  expect(heard.filter((line) => line.startsWith('GIVEN'))).toEqual([])
  dispenser.send('GIVE 23.0 mL')
  for (let n = 0; n < 60; n++) dispenser.tick(0.1)
  expect(heard.at(-1)).toMatch(/^GIVEN 2[23]\.\d mL$/)
  dispenser.send('GIVE 5000.0 mL')
  for (let n = 0; n < 5000; n++) dispenser.tick(0.1)
  expect(heard.at(-1)).toMatch(/^FAULT empty after 19/)
})

describe('the stand-in press', () => {
  /** The gauge after so many seconds of its own. */
  function after(press: StandInPress, seconds: number): GaugeLine & { kind: 'gauge' } {
    let last: GaugeLine | undefined
    const heard = press.lines.subscribe((line) => {
      last = readGaugeLine(line)
    })
    for (let n = 0; n < 10 * seconds; n++) press.tick(0.1)
    heard.unsubscribe()
    if (last?.kind !== 'gauge') throw new Error('no reading')
    return last
  }
  it('rises as it is closed, sinks while the dough gives way, and then holds', () => {
    const press = new StandInPress(1)
    press.control({ does: 'close', kilopascalsPerSecond: 250, upToKilopascals: 10_000 })
    const rising = after(press, 20)
    expect(rising).toMatchObject({ held: false })
    expect(rising.kilopascals).toBeGreaterThan(4500)
    const top = after(press, 20)
    const held = after(press, 60)
    expect(held.held).toBe(true)
    expect(held.kilopascals).toBeLessThan(top.kilopascals)
    expect(held.kilopascals / 10_000).toBeCloseTo(0.85, 1)
  })
  it('stops where the hand stops, ends where its screw ends, and lets off to nothing', () => {
    const press = new StandInPress(1)
    press.control({ does: 'close', kilopascalsPerSecond: 250 })
    after(press, 10)
    press.control({ does: 'stop' })
    expect(after(press, 60).kilopascals).toBeLessThan(2600)
    press.control({ does: 'close', kilopascalsPerSecond: 5000 })
    expect(after(press, 30).kilopascals).toBeLessThan(30_100)
    press.control({ does: 'letOff' })
    expect(after(press, 5).kilopascals).toBeLessThan(20)
  })
})

describe('settings of devices', () => {
  it('are a stand-in in the demo, none in daily work, or an address', () => {
    expect(settingsFrom({ YENTRIK_DEMO: '1' })).toMatchObject({
      balance: 'stand-in',
      dispenser: 'stand-in',
      press: 'stand-in',
    })
    expect(settingsFrom({ YENTRIK_BATH: 'sink.local:4004' }).bath).toEqual({ host: 'sink.local', port: 4004 })
    expect(settingsFrom({ YENTRIK_DEMO: '1', YENTRIK_FURNACE: 'none' }).furnace).toBeUndefined()
    expect(settingsFrom({ YENTRIK_PRESS: '10.0.0.7:4003' }).press).toEqual({ host: '10.0.0.7', port: 4003 })
    expect(settingsFrom({}).balance).toBeUndefined()
    expect(settingsFrom({ YENTRIK_BALANCE: 'pan.local:4001' }).balance).toEqual({
      host: 'pan.local',
      port: 4001,
    })
    expect(() => settingsFrom({ YENTRIK_BALANCE: 'usb' })).toThrow('HOST:PORT')
    expect(() => settingsFrom({ YENTRIK_DEVICE_SPEED: '0' })).toThrow('from 1 to 100')
  })
})

describe('over HTTP', () => {
  let server: TestServer | undefined
  let device: Server | undefined
  const spoken = new Set<Socket>()
  afterEach(async () => {
    await server?.close()
    server = undefined
  })
  afterAll(() => {
    for (const socket of spoken) socket.destroy()
    device?.close()
  })
  /** Asks again until it holds; the device speaks in its own time. */
  async function until<T>(ask: () => Promise<T>, holds: (answer: T) => boolean): Promise<T> {
    for (let tries = 0; tries < 200; tries++) {
      const answer = await ask()
      if (holds(answer)) return answer
      await new Promise((next) => setTimeout(next, 25))
    }
    throw new Error('it never came')
  }

  it('without a balance everything is typed', async () => {
    server = await TestServer.open()
    expect((await server.post('/devices/balance/take', {}).expect(404)).body.code).toBe('no-balance')
    expect((await server.post('/devices/balance/tare', {}).expect(404)).body.remedy).toBe('Type the weight.')
    expect((await server.post('/devices/dispenser/give', { millilitres: 5 }).expect(404)).body.code).toBe(
      'no-dispenser',
    )
    expect((await server.get('/devices')).body.balance.connected).toBe(false)
  })
  it('takes a settled weight, never a moving one, and none when the plug is out', async () => {
    server = await TestServer.open({ balance: 'stand-in', dispenser: 'stand-in', deviceSpeed: 50 })
    const on = server
    const state = async () => (await on.get('/devices').expect(200)).body
    await until(state, ({ balance }) => balance.settled)
    await on
      .post('/devices/stand-in/balance', { does: 'pour', gramsPerSecond: 2, upToGrams: 100 })
      .expect(204)
    await until(state, ({ balance }) => balance.grams > 5)
    expect((await on.post('/devices/balance/take', {}).expect(409)).body.code).toBe('weight-not-settled')
    await until(state, ({ balance }) => balance.settled && balance.grams > 95)
    const { grams } = (await on.post('/devices/balance/take', {}).expect(200)).body
    expect(Math.abs(grams - 100)).toBeLessThan(1)
    await on.post('/devices/dispenser/give', { millilitres: 23 }).expect(202)
    await until(state, ({ dispenser }) => Math.abs(dispenser.givenMillilitres - 23) <= 0.1)
    await on.post('/devices/stand-in/balance', { does: 'unplug' }).expect(204)
    await until(state, ({ balance }) => !balance.connected)
    expect((await on.post('/devices/balance/take', {}).expect(409)).body.code).toBe('balance-not-reached')
    const { session } = (await state()).balance
    await on.post('/devices/stand-in/balance', { does: 'plugIn' }).expect(204)
    expect((await until(state, ({ balance }) => balance.connected)).balance.session).toBe(session + 1)
    expect((await on.post('/devices/stand-in/balance', { does: 'juggle' }).expect(422)).body.field).toBe(
      'does',
    )
  })
  it('takes the press once it holds, never while it moves, and says so when it falls silent', async () => {
    server = await TestServer.open({ press: 'stand-in', deviceSpeed: 50 })
    const on = server
    const press = async () => (await on.get('/devices').expect(200)).body.press
    const hand = (body: object) => on.post('/devices/stand-in/press', body).expect(204)
    await until(press, ({ held }) => held)
    await hand({ does: 'close', kilopascalsPerSecond: 100, upToKilopascals: 12_000 })
    await until(press, ({ kilopascals }) => kilopascals > 500)
    expect((await on.post('/devices/press/take', {}).expect(409)).body.code).toBe('press-not-held')
    await until(press, ({ held, kilopascals }) => held && kilopascals > 5000)
    const { kilopascals } = (await on.post('/devices/press/take', {}).expect(200)).body
    expect(kilopascals / 12_000).toBeCloseTo(0.85, 1)
    await hand({ does: 'unplug' })
    await until(press, ({ connected }) => !connected)
    expect((await on.post('/devices/press/take', {}).expect(409)).body.code).toBe('press-not-reached')
    expect((await on.post('/devices/stand-in/press', { does: 'kick' }).expect(422)).body.field).toBe('does')
  })
  it('goes on without a device that is not there, says so, and hears it once it comes', async () => {
    const late = createServer((socket) => {
      spoken.add(socket)
      socket.write('GAUGE 9871 kPa HELD\n')
    })
    await new Promise<void>((ready) => late.listen(0, '127.0.0.1', ready))
    const { port } = late.address() as AddressInfo
    await new Promise((closed) => late.close(closed))
    server = await TestServer.open({ press: { host: '127.0.0.1', port } })
    const on = server
    const refused = (await on.post('/devices/press/take', {}).expect(409)).body
    expect(refused).toMatchObject({
      code: 'press-not-reached',
      detail: 'The gauge of the press is not reached.',
    })
    await new Promise<void>((ready) => late.listen(port, '127.0.0.1', ready))
    const taken = await until(
      async () => await on.post('/devices/press/take', {}),
      ({ status }) => status === 200,
    )
    expect(taken.body).toEqual({ kilopascals: 9871 })
    for (const socket of spoken) socket.destroy()
    late.close()
  })
  it('without a press its gauge is typed', async () => {
    server = await TestServer.open()
    expect((await server.post('/devices/press/take', {}).expect(404)).body.code).toBe('no-press')
    expect((await server.post('/devices/stand-in/press', { does: 'stop' }).expect(404)).body.code).toBe(
      'not-a-stand-in',
    )
  })
  it('speaks the line protocol with a device on the network', async () => {
    const asked: string[] = []
    device = createServer((socket) => {
      spoken.add(socket)
      socket.on('data', (data) => asked.push(String(data).trim()))
      socket.write('HELLO\nWEIGHT 41.96 g MOVING\nWEIGHT 42.04 g SETTLED\n')
    })
    await new Promise<void>((ready) => device?.listen(0, '127.0.0.1', ready))
    const { port } = device.address() as AddressInfo
    server = await TestServer.open({ balance: { host: '127.0.0.1', port } })
    const on = server
    const taken = await until(
      async () => await on.post('/devices/balance/take', {}),
      ({ status }) => status === 200,
    )
    expect(taken.body).toEqual({ grams: 42 })
    await on.post('/devices/balance/tare', {}).expect(204)
    await until(
      async () => asked,
      (lines) => lines.includes('TARE'),
    )
  })
})
