import 'reflect-metadata'
import { mkdirSync, writeFileSync } from 'node:fs'
import type { AddressInfo } from 'node:net'
import { connect } from 'node:net'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { TestServer } from '../testing/test-server.ts'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.open()
  const webFolder = join(server.folder, 'web')
  mkdirSync(webFolder)
  writeFileSync(join(webFolder, 'index.html'), '<!doctype html><title>Yentrik</title>')
  await server.restart({ webFolder })
})
afterAll(() => server.close())

describe('what every answer tells the browser', () => {
  it.each(['/cases', '/bench', '/people', '/session', '/alloy-pieces', '/nowhere', '/health'])(
    '%s: nothing from elsewhere, no frame, no guessing, nothing kept',
    async (path) => {
      const { headers } = await server.get(path)
      const policy = String(headers['content-security-policy'])
      for (const rule of [
        "default-src 'none'",
        "script-src 'self'",
        "connect-src 'self'",
        "frame-ancestors 'none'",
        "base-uri 'none'",
        "object-src 'none'",
      ])
        expect(policy.split(';')).toContain(rule)
      // No script in the page itself, and nothing made out of text.
      expect(policy).not.toMatch(/script-src[^;]*unsafe/)
      expect(policy).not.toMatch(/https?:|\*/)
      expect(headers).toMatchObject({
        'x-content-type-options': 'nosniff',
        'referrer-policy': 'no-referrer',
        'x-frame-options': 'DENY',
        'cache-control': 'no-store',
      })
      expect(headers).not.toHaveProperty('x-powered-by')
      expect(headers).not.toHaveProperty('access-control-allow-origin')
    },
  )
  it('the page itself has the same policy', async () => {
    const { port } = server.app.getHttpServer().address() as AddressInfo
    const answer = await fetch(`http://127.0.0.1:${port}/`)
    expect(answer.status).toBe(200)
    expect(answer.headers.get('content-security-policy')).toContain("script-src 'self'")
  })
})

describe('what says nothing of a case or a person', () => {
  it('is kept by the browser and comes whole only when it has changed', async () => {
    const first = await server.get('/lots')
    expect(first.headers['cache-control']).toBe('private, no-cache')
    const mark = String(first.headers.etag)
    const again = () => server.get('/lots').set('if-none-match', mark)
    const unchanged = await again()
    expect(unchanged.status).toBe(304)
    expect(unchanged.text).toBe('')
    await server.post('/lots', { materialId: 'dental-stone', number: 'S-1' })
    expect((await again()).status).toBe(200)
  })
  it('is not answered from memory to somebody who is not signed in, and a refusal is not kept', async () => {
    const { headers } = await server.get('/lots')
    const refused = await server.get('/lots').set('cookie', '').set('if-none-match', String(headers.etag))
    expect(refused.status).toBe(401)
    expect(refused.headers['cache-control']).toBe('no-store')
  })
})

describe('a request that is sent half', () => {
  it('is not waited for longer than the settings say', () => {
    const http = server.app.getHttpServer() as { headersTimeout: number; requestTimeout: number }
    expect(http.headersTimeout).toBeLessThanOrEqual(20_000)
    expect(http.requestTimeout).toBeLessThanOrEqual(60_000)
    expect(http.headersTimeout).toBeGreaterThan(0)
    expect(http.requestTimeout).toBeGreaterThan(http.headersTimeout)
  })
  it('does not keep others from being answered', async () => {
    const { port } = server.app.getHttpServer().address() as AddressInfo
    const half = connect(port, '127.0.0.1', () =>
      half.write('POST /api/lots HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Le'),
    )
    await new Promise((resolve) => half.once('connect', resolve))
    await server.get('/lab').expect(200)
    half.destroy()
  })
})
