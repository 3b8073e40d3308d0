import 'reflect-metadata'
import { X509Certificate } from 'node:crypto'
import { mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { request } from 'node:https'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from '@jest/globals'
import { TestServer } from '../testing/test-server.ts'
import { tlsOf } from './tls.ts'

let folder: string
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'yentrik-tls-'))
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))
const settings = (more: object = {}) => ({
  port: 0,
  host: '192.168.1.4',
  names: ['lab.local'],
  dataFile: join(folder, 'lab.sqlite'),
  demo: false,
  clockControl: false,
  tls: 'own' as const,
  ...more,
})
const DAY = 86_400_000

describe('a certificate that the server makes', () => {
  it('is for its names and addresses, good for 800 days, and may stand at the beginning of a chain', async () => {
    const now = Date.now()
    const tls = (await tlsOf(settings(), now))!
    const cert = new X509Certificate(tls.cert)
    for (const name of ['lab.local', 'localhost']) expect(cert.checkHost(name)).toBe(name)
    for (const address of ['192.168.1.4', '127.0.0.1']) expect(cert.checkIP(address)).toBe(address)
    expect(cert.checkHost('evil.example')).toBeUndefined()
    expect((Date.parse(cert.validTo) - now) / DAY).toBeCloseTo(800, 0)
    expect(Date.parse(cert.validFrom)).toBeLessThan(now)
    expect(cert.ca).toBe(true)
    expect(tls).toMatchObject({ kind: 'own', fingerprint: cert.fingerprint256 })
    expect(statSync(join(folder, 'lab.sqlite.certificate-key.pem')).mode & 0o077).toBe(0)
  })
  it('stays the same over starts, and is made anew for another name or when it ends soon', async () => {
    const now = Date.now()
    const first = await tlsOf(settings(), now)
    expect(await tlsOf(settings(), now + 700 * DAY)).toEqual(first)
    const later = await tlsOf(settings(), now + 745 * DAY)
    expect(later?.fingerprint).not.toBe(first?.fingerprint)
    const renamed = await tlsOf(settings({ names: ['bench.local'] }), now + 745 * DAY)
    expect(renamed?.fingerprint).not.toBe(later?.fingerprint)
    expect(new X509Certificate(renamed!.cert).checkHost('bench.local')).toBe('bench.local')
  })
})

describe('a certificate of the lab', () => {
  it('is taken as it is', async () => {
    const made = (await tlsOf(settings()))!
    const [cert, key] = [join(folder, 'c.pem'), join(folder, 'k.pem')]
    writeFileSync(cert, made.cert)
    writeFileSync(key, made.key)
    expect(await tlsOf(settings({ tls: { cert, key } }))).toEqual({ ...made, kind: 'files' })
    await expect(tlsOf(settings({ tls: { cert, key } }), Date.now() + 900 * DAY)).rejects.toThrow(
      'it ended on',
    )
  })
  it('that is none or not there is refused in one sentence', async () => {
    const bad = join(folder, 'bad.pem')
    writeFileSync(bad, 'no certificate')
    for (const cert of [bad, join(folder, 'none.pem')])
      await expect(tlsOf(settings({ tls: { cert, key: bad } }))).rejects.toThrow(
        expect.objectContaining({
          name: 'StartFault',
          message: expect.stringMatching(/^The certificate \S+ cannot be used: /),
        }),
      )
  })
  it('none at all is plain http', async () =>
    expect(await tlsOf(settings({ tls: undefined }))).toBeUndefined())
})

describe('a server with a certificate', () => {
  const server = new TestServer()
  beforeAll(() => server.start({ tls: 'own' }))
  afterAll(() => server.close())
  const ask = (method: string, path: string, body?: object, ca?: string) =>
    new Promise<{ status?: number; headers: NodeJS.Dict<string | string[]>; text: string }>(
      (resolve, reject) => {
        const { port } = server.app.getHttpServer().address() as AddressInfo
        const sent = request(
          {
            host: '127.0.0.1',
            port,
            path: `/api${path}`,
            method,
            headers: { 'content-type': 'application/json' },
            ...(ca ? { ca } : {}),
          },
          (answer) => {
            let text = ''
            answer.on('data', (part) => {
              text += part
            })
            answer.on('end', () => resolve({ status: answer.statusCode, headers: answer.headers, text }))
          },
        )
        sent.on('error', reject)
        sent.end(body ? JSON.stringify(body) : undefined)
      },
    )
  const pem = () => readFileSync(join(server.folder, 'lab.sqlite.certificate.pem'), 'utf8')

  it('is trusted by who has its certificate, and by nobody else', async () => {
    await expect(ask('GET', '/health')).rejects.toThrow(/self.signed/i)
    expect((await ask('GET', '/health', undefined, pem())).status).toBe(200)
    const given = await ask('GET', '/certificate.pem', undefined, pem())
    expect([given.status, given.text]).toEqual([200, pem()])
  })
  it('gives sessions that a browser sends encrypted alone', async () => {
    const ada = { name: 'Ada', passphrase: 'plaster before noon' }
    expect((await ask('POST', '/first-start', ada, pem())).status).toBe(201)
    const { headers } = await ask('POST', '/session', ada, pem())
    expect(String(headers['set-cookie'])).toMatch(
      /^__Host-yentrik_session=[^;]+;.*Path=\/;.*HttpOnly; Secure; SameSite=Strict/,
    )
    const session = JSON.parse((await ask('GET', '/session', undefined, pem())).text)
    expect(session).toMatchObject({ readable: false })
  })
  it('without one says so', async () => {
    const plain = await TestServer.open()
    expect((await plain.get('/network').expect(200)).body).toEqual({
      certificate: null,
      names: ['localhost', '127.0.0.1', '[::1]'],
    })
    expect((await plain.get('/certificate.pem').expect(404)).body.code).toBe('no-certificate')
    const far = await plain.get('/session').set('x-forwarded-for', '192.168.1.9')
    expect(far.body.readable).toBe(true)
    await plain.close()
  })
})
