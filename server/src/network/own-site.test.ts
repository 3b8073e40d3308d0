import 'reflect-metadata'
import type { AddressInfo } from 'node:net'
import { hostname } from 'node:os'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { TestServer } from '../testing/test-server.ts'
import { ownNames } from './own-site.ts'

let server: TestServer
let own: string
beforeAll(async () => {
  server = await TestServer.open({ names: ['lab.example'] })
  own = `127.0.0.1:${(server.app.getHttpServer().address() as AddressInfo).port}`
})
afterAll(() => server.close())
const lot = { materialId: 'dental-stone', number: 'S1' }

describe('the names of a server', () => {
  it('are its own and those it is given; of one that is open to the network also those of its machine', () => {
    expect(ownNames({ host: '127.0.0.1', names: ['Lab.example'] })).toEqual(
      new Set(['localhost', '127.0.0.1', '[::1]', 'lab.example']),
    )
    expect(ownNames({ host: '192.168.1.4' }).has('192.168.1.4')).toBe(true)
    expect(ownNames({ host: '127.0.0.1' }).has(hostname().toLowerCase())).toBe(false)
    expect(ownNames({ host: '0.0.0.0' }).has(hostname().toLowerCase())).toBe(true)
  })
  it.each([
    ['localhost:4310', 200],
    ['lab.example', 200],
    ['LAB.example:80', 200],
    ['evil.example', 421],
    ['lab.example.evil.example', 421],
    ['', 421],
  ])('%s is answered with %d', async (host, status) => {
    const answer = await server.get('/lab').set('host', host)
    // An empty name is refused by the HTTP parser of Node itself.
    expect(host === '' ? [400, 421] : [status]).toContain(answer.status)
    if (status === 421 && answer.status === 421) expect(answer.body.code).toBe('unknown-name')
  })
})

describe('what a browser sends for another site', () => {
  it.each([
    ['a page of its own', () => `http://${own}`, 201],
    ['a page of another site', () => 'http://evil.example', 403],
    ['a page of its own name on another port', () => 'http://127.0.0.1:1', 403],
    ['a page that hides where it is', () => 'null', 403],
  ])('from %s', async (_, origin, status) => {
    const answer = await server
      .post('/lots', { ...lot, number: `S-${status}-${origin()}`.slice(0, 30) })
      .set('origin', origin())
    expect(answer.status).toBe(status)
    if (status === 403) expect(answer.body.code).toBe('other-site')
  })
  it.each([
    ['application/x-www-form-urlencoded', 'name=Eve&passphrase=plaster+before+noon'],
    ['text/plain', '{"name":"Eve","passphrase":"plaster before noon"}'],
    ['multipart/form-data; boundary=x', '--x--'],
  ])('as %s is refused', async (type, body) => {
    const { status, body: problem } = await server
      .request('post', '/session')
      .set('content-type', type)
      .send(body)
    expect([status, problem.code]).toEqual([415, 'json-only'])
  })
  it('nothing at all, and JSON with its letters named, are taken', async () => {
    const { lotId } = (await server.post('/lots', lot).expect(201)).body
    await server.request('post', `/lots/${lotId}/open`).expect(204)
    await server
      .request('post', `/lots/${lotId}/quarantine`)
      .set('content-type', 'application/json; charset=utf-8')
      .send('{"reason":"set soft"}')
      .expect(204)
  })
})
