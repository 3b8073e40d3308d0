import 'reflect-metadata'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { TestServer } from '../testing/test-server.ts'

let server: TestServer
let logFolder: string
beforeAll(async () => {
  server = await TestServer.open()
  logFolder = join(server.folder, 'log')
  await server.restart({ logFolder })
})
afterAll(() => server.close())

interface Line {
  readonly level: number
  readonly time: string
  readonly room: string
  readonly msg: string
}
const lines = () =>
  readdirSync(logFolder).flatMap((name) =>
    readFileSync(join(logFolder, name), 'utf8')
      .split('\n')
      .filter(Boolean)
      .map((line) => JSON.parse(line) as Line),
  )
const WARN = 40

describe('the log', () => {
  it('holds sign-ins, refused ones and refusals of rights, each a line with when and from where', async () => {
    const words = 'wax by the window'
    await server.post('/people', { name: 'Lou', role: 'learner', passphrase: words }).expect(201)
    const answer = await server.post('/session', { name: 'Lou', passphrase: words }).expect(201)
    await server.post('/session', { name: 'Lou', passphrase: 'something else' }).expect(401)
    const cookie = String(answer.headers['set-cookie']).split(';')[0] ?? ''
    await server.post('/lots', { materialId: 'dental-stone', number: '1' }).set('cookie', cookie).expect(403)
    const told = lines()
    // Nothing of the hundred lines that Nest says at its start.
    expect(told.length).toBeLessThan(15)
    for (const { time } of told) expect(time).toMatch(/^\d{4}-\d\d-\d\dT[\d:.]+Z$/)
    expect(told.map(({ room, msg, level }) => [room, level >= WARN, msg])).toEqual(
      expect.arrayContaining([
        ['people', false, 'Ada added Lou as learner'],
        ['people', false, expect.stringMatching(/^Lou signed in, from \S*127\.0\.0\.1$/)],
        ['people', true, expect.stringMatching(/^A sign-in was refused, from \S*127\.0\.0\.1$/)],
        ['people', true, 'Lou, learner, was refused: stock (POST /api/lots)'],
      ]),
    )
  })
  it('holds no patient, no clinic and no passphrase', async () => {
    const { caseId } = await server.receive()
    await server.command(caseId, 1, { type: 'note', text: 'of the patient P-7' }).expect(201)
    await server.command(caseId, 1, { type: 'note', text: 'of the patient P-7' }).expect(409)
    const all = JSON.stringify(lines())
    expect(all).not.toMatch(/P-7|Mill Lane|Dr\. Orla|wax by the window|something else/)
  })
})
