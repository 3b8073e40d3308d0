import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { Person } from '@yentrik/contract'
import request from 'supertest'
import { TestServer } from '../testing/test-server.ts'
import { BenchPins, UNLOCKED_MILLIS } from './bench-pins.ts'

const ada: Person = { personId: 'p-1', name: 'Ada', role: 'lead' }
const ben: Person = { personId: 'p-2', name: 'Ben', role: 'learner' }

describe('the PIN of a bench', () => {
  const opened = async () => {
    const pins = new BenchPins()
    const bench = pins.unlock(undefined, ada, 0)
    await pins.choose(bench, ada, '4071', 0)
    return { pins, bench }
  }
  const refused = (code: string) => expect.objectContaining({ code })
  it('opens that bench, for that person, until the day is over', async () => {
    const { pins, bench } = await opened()
    expect(pins.names(bench, UNLOCKED_MILLIS - 1)).toEqual(['Ada'])
    expect(await pins.open(bench, 'Ada', '4071', UNLOCKED_MILLIS - 1)).toEqual(ada)
    expect(pins.names(bench, UNLOCKED_MILLIS)).toEqual([])
    await expect(pins.open(bench, 'Ada', '4071', UNLOCKED_MILLIS)).rejects.toEqual(refused('pin-refused'))
  })
  it.each([
    ['another bench', 'made-up', 'Ada'],
    ['no bench', undefined, 'Ada'],
  ])('opens nothing at %s', async (_, elsewhere, name) => {
    const { pins } = await opened()
    await expect(pins.open(elsewhere, name, '4071', 0)).rejects.toEqual(refused('pin-refused'))
  })
  it('is gone after three wrong ones, however many come at once', async () => {
    const { pins, bench } = await opened()
    const wrong = () => pins.open(bench, 'Ada', '9999', 0)
    for (const left of [/2 tries are left/, /One try is left/, /with the passphrase/]) {
      await expect(wrong()).rejects.toHaveProperty('remedy', expect.stringMatching(left))
    }
    expect(pins.names(bench, 0)).toEqual([])
    await expect(pins.open(bench, 'Ada', '4071', 0)).rejects.toEqual(refused('pin-refused'))
    const again = await opened()
    const many = await Promise.allSettled(
      Array.from({ length: 20 }, (_, n) => again.pins.open(again.bench, 'Ada', String(5000 + n), 0)),
    )
    expect(many.every(({ status }) => status === 'rejected')).toBe(true)
    await expect(again.pins.open(again.bench, 'Ada', '4071', 0)).rejects.toEqual(refused('pin-refused'))
  })
  it('a right one gives three tries again', async () => {
    const { pins, bench } = await opened()
    for (let turn = 0; turn < 3; turn++) {
      for (let n = 0; n < 2; n++) await expect(pins.open(bench, 'Ada', '9999', 0)).rejects.toBeDefined()
      expect(await pins.open(bench, 'Ada', '4071', 0)).toEqual(ada)
    }
  })
  it('wants a passphrase at that bench first, and digits that are not the first guess', async () => {
    const { pins, bench } = await opened()
    await expect(pins.choose(bench, ben, '4071', 0)).rejects.toEqual(refused('passphrase-first'))
    await expect(pins.choose(undefined, ada, '4071', 0)).rejects.toEqual(refused('passphrase-first'))
    for (const plain of ['0000', '1234', '8765', '999999'])
      await expect(pins.choose(bench, ada, plain, 0)).rejects.toEqual(refused('pin-too-plain'))
  })
  it('of two people at one tablet are two, and one is forgotten alone', async () => {
    const { pins, bench } = await opened()
    expect(pins.unlock(bench, ben, 0)).toBe(bench)
    await pins.choose(bench, ben, '8302', 0)
    expect(pins.names(bench, 0)).toEqual(['Ada', 'Ben'])
    await expect(pins.open(bench, 'Ben', '4071', 0)).rejects.toBeDefined()
    expect(await pins.open(bench, 'Ben', '8302', 0)).toEqual(ben)
    pins.forget('p-1')
    expect(pins.names(bench, 0)).toEqual(['Ben'])
  })
})

describe('over the wire', () => {
  let server: TestServer
  beforeAll(async () => {
    server = await TestServer.open()
  })
  afterAll(() => server.close())
  const http = () => request(server.app.getHttpServer())
  /** Signs in as a browser does. @returns its cookies */
  const signIn = async (cookie = '') => {
    const answer = await http()
      .post('/api/session')
      .set('cookie', cookie)
      .send({ name: 'Ada', passphrase: 'plaster before noon' })
      .expect(201)
    return (answer.headers['set-cookie'] as unknown as string[]).map((each) => each.split(';')[0]!)
  }
  it('a person chooses one, signs out, and comes back by it at that browser alone', async () => {
    const [session, bench] = await signIn()
    const both = `${session}; ${bench}`
    await http().put('/api/session/pin').set('cookie', both).send({ pin: '12' }).expect(422)
    const { body } = await http()
      .put('/api/session/pin')
      .set('cookie', both)
      .send({ pin: '4071' })
      .expect(200)
    expect(Date.parse(body.until)).toBeGreaterThan(Date.now())
    await http().delete('/api/session').set('cookie', both).expect(200)
    const door = await http().get('/api/session').set('cookie', bench!).expect(200)
    expect(door.body).toMatchObject({ person: null, pins: ['Ada'] })
    expect((await http().get('/api/session').expect(200)).body.pins).toEqual([])
    const back = { name: 'Ada', pin: '4071' }
    expect((await http().post('/api/session/pin').send(back).expect(401)).body.code).toBe('pin-refused')
    const opened = await http().post('/api/session/pin').set('cookie', bench!).send(back).expect(201)
    expect(opened.body).toMatchObject({ name: 'Ada', role: 'lead' })
    const again = (opened.headers['set-cookie'] as unknown as string[])[0]!.split(';')[0]!
    expect((await http().get('/api/session').set('cookie', again).expect(200)).body.person.name).toBe('Ada')
    // A bench that is signed out from elsewhere is not opened by it any more.
    const list = (await http().get('/api/sessions').set('cookie', again).expect(200)).body
    await http().delete(`/api/sessions/${list[0].sessionId}`).set('cookie', again).expect(204)
    expect((await http().get('/api/session').set('cookie', bench!).expect(200)).body.pins).toEqual([])
  })
})
