import 'reflect-metadata'
import { afterEach, describe, expect, it } from '@jest/globals'
import { colourDifference, type Lab, readSpectrophotometerLine } from '@yentrik/core'
import { TestServer } from '../testing/test-server.ts'
import { StandInSpectrophotometer } from './stand-in-spectrophotometer.ts'

const piece: Lab = { L: 80, a: 2, b: 18 }

/** Reads it so many times. */
function readings(device: StandInSpectrophotometer, count: number) {
  const heard: { colour: Lab; specular: string }[] = []
  const listening = device.lines.subscribe((text) => {
    const line = readSpectrophotometerLine(text)
    if (line.kind === 'colour') heard.push(line)
  })
  for (let n = 0; n < count; n++) device.send('READ')
  listening.unsubscribe()
  return heard
}
const mean = (of: readonly number[]) => of.reduce((sum, each) => sum + each, 0) / of.length

describe('the stand-in spectrophotometer', () => {
  it('trembles about what lies under it', () => {
    const device = new StandInSpectrophotometer(1)
    device.control({ does: 'put', colour: piece })
    const heard = readings(device, 200).map(({ colour }) => colour)
    const L = heard.map((each) => each.L)
    expect(mean(L)).toBeCloseTo(80, 1)
    const spread = Math.sqrt(mean(L.map((each) => (each - mean(L)) ** 2)))
    expect(spread).toBeGreaterThan(0.06)
    expect(spread).toBeLessThan(0.2)
    expect(Math.max(...heard.map((each) => colourDifference(each, piece)))).toBeLessThan(1)
  })
  it('gets darker the longer it has not seen its white tile', () => {
    const device = new StandInSpectrophotometer(1)
    device.control({ does: 'put', colour: piece })
    device.tick(5 * 3600)
    const drifted = mean(readings(device, 50).map(({ colour }) => colour.L))
    expect(80 - drifted).toBeGreaterThan(1.5)
    device.send('WHITE')
    expect(mean(readings(device, 50).map(({ colour }) => colour.L))).toBeCloseTo(80, 1)
  })
  it('loses light over an edge once, and reads the gloss along when it is set so', () => {
    const device = new StandInSpectrophotometer(1)
    device.control({ does: 'put', colour: piece })
    device.control({ does: 'tilt' })
    const [edge, flat] = readings(device, 2)
    expect(flat!.colour.L - edge!.colour.L).toBeGreaterThan(1.5)
    device.control({ does: 'specular', specular: 'included' })
    const [shiny] = readings(device, 1)
    expect(shiny!.specular).toBe('included')
    // 4 % of gloss on Y 0.567 is 2.0 in L*.
    expect(shiny!.colour.L - 80).toBeGreaterThan(1)
  })
  it('says nothing without its plug', () => {
    const device = new StandInSpectrophotometer(1)
    device.control({ does: 'unplug' })
    expect(readings(device, 3)).toEqual([])
  })
})

describe('the line of a spectrophotometer', () => {
  it.each([
    ['READY EXCLUDED', { kind: 'ready', specular: 'excluded' }],
    [
      'COLOUR 83.92 1.04 -13.10 INCLUDED',
      { kind: 'colour', colour: { L: 83.92, a: 1.04, b: -13.1 }, specular: 'included' },
    ],
    ['WHITE', { kind: 'white' }],
    ['FAULT lamp', { kind: 'fault', words: 'lamp' }],
    ['COLOUR 83.92 1.04 EXCLUDED', { kind: 'notUnderstood' }],
    ['COLOUR 83.92 1.04 13.1 SHINY', { kind: 'notUnderstood' }],
  ])('%s', (line, meant) => expect(readSpectrophotometerLine(line)).toMatchObject(meant))
})

describe('over HTTP', () => {
  let server: TestServer | undefined
  afterEach(async () => {
    await server?.close()
    server = undefined
  })
  const read = (on: TestServer) => on.post('/devices/spectrophotometer/read', {})
  /** Asks again until it holds; the device speaks in its own time. */
  async function until(holds: () => Promise<boolean>): Promise<void> {
    for (let tries = 0; tries < 200; tries++) {
      if (await holds()) return
      await new Promise((next) => setTimeout(next, 25))
    }
    throw new Error('it never came')
  }
  const connected = (on: TestServer, wanted: boolean) =>
    until(async () => (await on.get('/devices')).body.spectrophotometer.connected === wanted)

  it('wants its white tile first and every hour, then reads', async () => {
    server = await TestServer.open({ spectrophotometer: 'stand-in' })
    await connected(server, true)
    expect((await read(server).expect(409)).body.code).toBe('white-tile-due')
    await server.post('/devices/spectrophotometer/white', {}).expect(204)
    const nothing = await server.post('/devices/stand-in/spectrophotometer', { does: 'put' }).expect(422)
    expect(nothing.body).toMatchObject({ code: 'colour-missing', field: 'colour' })
    await server.post('/devices/stand-in/spectrophotometer', { does: 'put', colour: piece }).expect(204)
    const { colour, specular } = (await read(server).expect(200)).body
    expect(specular).toBe('excluded')
    expect(colourDifference(colour, piece)).toBeLessThan(1)
    expect((await server.get('/devices')).body.spectrophotometer).toMatchObject({
      standIn: true,
      specular: 'excluded',
      whiteAt: expect.any(String),
    })
    await server.post('/clock', { speed: 1, forwardMinutes: 59 }).expect(201)
    await read(server).expect(200)
    await server.post('/clock', { speed: 1, forwardMinutes: 2 }).expect(201)
    expect((await read(server).expect(409)).body.code).toBe('white-tile-due')
  })
  it('is not reached without its plug, and knows its white no more when it comes back', async () => {
    server = await TestServer.open({ spectrophotometer: 'stand-in' })
    const on = server
    await connected(on, true)
    await on.post('/devices/spectrophotometer/white', {}).expect(204)
    await on.post('/devices/stand-in/spectrophotometer', { does: 'unplug' }).expect(204)
    await connected(on, false)
    expect((await read(on).expect(409)).body).toMatchObject({ code: 'spectrophotometer-not-reached' })
    await on.post('/devices/stand-in/spectrophotometer', { does: 'plugIn' }).expect(204)
    await connected(on, true)
    expect((await read(on).expect(409)).body.code).toBe('white-tile-due')
  })
  it('without one its figures are typed', async () => {
    server = await TestServer.open()
    expect((await read(server).expect(404)).body).toMatchObject({ code: 'no-spectrophotometer' })
    expect(
      (await server.post('/devices/stand-in/spectrophotometer', { does: 'tilt' }).expect(404)).body.code,
    ).toBe('not-a-stand-in')
    expect(
      (await server.post('/devices/stand-in/spectrophotometer', { does: 'polish' }).expect(422)).body.field,
    ).toBe('does')
  })
})
