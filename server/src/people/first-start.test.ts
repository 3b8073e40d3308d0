import 'reflect-metadata'
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals'
import { isThisMachine } from '../network/this-machine.ts'
import { TestServer } from '../testing/test-server.ts'
import { FirstStartCode } from './first-start-code.ts'

let server: TestServer
beforeEach(async () => {
  server = new TestServer()
  await server.start()
})
afterEach(() => server.close())
const passphrase = 'plaster before noon'

describe('the first start', () => {
  it('of ten people at once makes one of them the lead', async () => {
    const answers = await Promise.all(
      Array.from({ length: 10 }, (_, n) => server.post('/first-start', { name: `Person ${n}`, passphrase })),
    )
    const statuses = answers.map(({ status }) => status).sort()
    expect(statuses).toEqual([201, ...Array<number>(9).fill(409)])
    expect(answers.find(({ status }) => status === 409)?.body.code).toBe('not-the-first')
    expect(answers.find(({ status }) => status === 201)?.body.role).toBe('lead')
    expect((await server.get('/session')).body).toMatchObject({ firstStart: false, codeNeeded: false })
  })
  it('wants a passphrase that is not guessed, and a name that is one', async () => {
    const refused = async (body: object) => (await server.post('/first-start', body).expect(422)).body
    expect(await refused({ name: 'Ada', passphrase: 'short' })).toMatchObject({
      code: 'passphrase-too-short',
      field: 'passphrase',
    })
    expect(await refused({ name: 'Ada', passphrase: 'passwordpassword' })).toMatchObject({
      code: 'passphrase-common',
    })
    expect((await refused({ name: '   ', passphrase })).field).toBe('name')
    expect((await server.get('/session')).body.firstStart).toBe(true)
  })
  it('from another machine wants the code that the server printed', async () => {
    const code = server.app.get(FirstStartCode)
    const far = (given?: string) =>
      server
        .post('/first-start', { name: 'Ada', passphrase, ...(given ? { code: given } : {}) })
        .set('x-forwarded-for', '192.168.1.9')
    const session = await server.get('/session').set('x-forwarded-for', '192.168.1.9')
    expect(session.body).toMatchObject({ firstStart: true, codeNeeded: true })
    expect((await far().expect(403)).body).toMatchObject({ code: 'first-start-code', field: 'code' })
    expect((await far('AAAAAAAA').expect(403)).body.code).toBe('first-start-code')
    await far(` ${code.code.slice(0, 4).toLowerCase()}-${code.code.slice(4)} `).expect(201)
  })
  it('is shut after twenty wrong codes, until the server is started again', () => {
    const code = new FirstStartCode()
    for (let n = 0; n < 20; n++) expect(() => code.mustFit('WRONG', '10.0.0.2')).toThrow('does not fit')
    expect(() => code.mustFit(code.code, '10.0.0.2')).toThrow('does not fit')
    expect(() => code.mustFit(undefined, '127.0.0.1')).not.toThrow()
    expect(new FirstStartCode().code).not.toBe(code.code)
    expect(code.code).toMatch(/^[A-HJ-NP-Z2-9]{8}$/)
  })
})

describe('this machine', () => {
  it.each([
    ['127.0.0.1', true],
    ['::ffff:127.0.0.1', true],
    ['::1', true],
    ['192.168.1.9', false],
    ['::ffff:192.168.1.9', false],
    ['for 127.0.0.1', false],
    ['127.0.0.1.example', false],
    ['', false],
  ])('%s: %s', (address, here) => expect(isThisMachine(address)).toBe(here))
})
