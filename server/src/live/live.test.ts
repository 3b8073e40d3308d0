import 'reflect-metadata'
import { get, type IncomingMessage } from 'node:http'
import type { AddressInfo } from 'node:net'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { intake, mixOf, TestServer } from '../testing/test-server.ts'
import { LiveService } from './live.service.ts'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.open()
})
afterAll(() => server.close())

/** What a listener hears on the stream of changes, until it has heard so many. */
async function heard(count: number, meanwhile: () => Promise<unknown>) {
  const { port } = server.app.getHttpServer().address() as AddressInfo
  const { header } = server.request('get', '/live') as unknown as { header: Record<string, string> }
  const all: { readonly name: string; readonly data: Record<string, unknown> }[] = []
  let stream: IncomingMessage | undefined
  await new Promise<void>((resolve, reject) => {
    get({ port, path: '/api/live', headers: { cookie: header.cookie ?? header.Cookie } }, (answer) => {
      stream = answer
      let text = ''
      answer.on('data', (bytes: Buffer) => {
        text += bytes
        const parts = text.split('\n\n')
        text = parts.pop() ?? ''
        for (const part of parts) {
          const name = /^event: (.*)$/m.exec(part)?.[1]
          const data = /^data: (.*)$/m.exec(part)?.[1]
          if (!name || !data) continue
          all.push({ name, data: JSON.parse(data) as Record<string, unknown> })
          if (all.length === 1) void meanwhile().catch(reject)
        }
        if (all.length >= count) resolve()
      })
    }).on('error', reject)
  })
  stream?.destroy()
  return all
}

describe('the stream of changes', () => {
  it('says how far it is, then each change with how far it comes', async () => {
    let caseId = ''
    const [hello, first, second] = await heard(3, async () => {
      caseId = (await server.post('/cases', intake()).expect(201)).body.caseId
      await server.command(caseId, 1, { type: 'note', text: 'x' }).expect(201)
    })
    expect(hello).toMatchObject({ name: 'hello', data: { mark: expect.stringMatching(/^[0-9a-f]{8}-\d+$/) } })
    expect(first).toMatchObject({ name: 'change', data: { kind: 'case', caseId, sequence: 1 } })
    expect(second).toMatchObject({ name: 'change', data: { kind: 'case', caseId, sequence: 2 } })
    const count = (mark: unknown) => Number(String(mark).split('-')[1])
    expect(count(first!.data.mark)).toBe(count(hello!.data.mark) + 1)
    expect(count(second!.data.mark)).toBe(count(hello!.data.mark) + 2)
  })
  it('says that the shelf has changed only where something was taken from it', async () => {
    const lot = { materialId: 'high-strength-stone', number: 'L-1' }
    const { lotId } = (await server.post('/lots', lot).expect(201)).body
    const { caseId, seen } = await server.atThePour()
    const mixed = await heard(4, async () => {
      await server.command(caseId, seen, { type: 'note', text: 'shaken' }).expect(201)
      await server.command(caseId, seen + 1, mixOf(lotId)).expect(201)
    })
    expect(mixed.slice(1).map(({ data }) => data.kind)).toEqual(['case', 'case', 'lots'])
    const correction = { type: 'correct', corrects: seen + 2, powderGrams: 120, liquidMillilitres: 27.6 }
    const corrected = await heard(3, () =>
      server.command(caseId, seen + 2, { ...correction, reason: 'misread' }).expect(201),
    )
    expect(corrected.slice(1).map(({ data }) => data.kind)).toEqual(['case', 'lots'])
  })
  it('and what is read carry the same mark', async () => {
    const answer = await server.get('/bench').expect(200)
    const [hello] = await heard(1, async () => undefined)
    expect(answer.headers['x-yentrik-mark']).toBe(hello!.data.mark)
  })
  it('has other marks in another run of the server', async () => {
    const before = (await server.get('/bench')).headers['x-yentrik-mark']
    await server.restart()
    const after = (await server.get('/bench')).headers['x-yentrik-mark']
    expect(String(after).split('-')[0]).not.toBe(String(before).split('-')[0])
  })
  it('is shut to those who are not signed in', async () => {
    const { port } = server.app.getHttpServer().address() as AddressInfo
    const status = await new Promise((resolve) =>
      get({ port, path: '/api/live' }, ({ statusCode }) => resolve(statusCode)),
    )
    expect(status).toBe(401)
  })
})

describe('a mark', () => {
  it('goes on with each change and with nothing else', () => {
    const live = new LiveService()
    const first = live.mark
    expect(live.mark).toBe(first)
    live.announce({ kind: 'lots' })
    expect(live.mark).not.toBe(first)
    const marks: string[] = []
    const subscription = live.stream().subscribe(({ type, data }) => {
      if (type !== 'beat') marks.push((data as { mark: string }).mark)
    })
    live.announce({ kind: 'lab' })
    expect(marks).toHaveLength(2)
    expect(marks[1]).toBe(live.mark)
    subscription.unsubscribe()
  })
})
