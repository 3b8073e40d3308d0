import 'reflect-metadata'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { DataSource, QueryFailedError } from 'typeorm'
import { TestServer } from '../testing/test-server.ts'
import { LabSettingRow } from './entities.ts'
import { WriteQueue } from './write-queue.ts'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.open()
})
afterAll(() => server.close())

const put = (key: string) => ({ key, value: { key } })

/** better-sqlite3's own connection, to make it fail as a disk does. */
function connectionOf(dataSource: DataSource) {
  return (dataSource.driver as unknown as { databaseConnection: { pragma(text: string): unknown } })
    .databaseConnection
}
const long = 'x'.repeat(1900)

describe('a file that cannot be written', () => {
  it('refuses what a full disk does not take, and loses nothing that was acknowledged before or after', async () => {
    const { caseId } = await server.receive()
    const dataSource = server.app.get(DataSource)
    const acknowledged: string[] = []
    let seen = 1
    const note = async (text: string) => {
      const answer = await server.command(caseId, seen, { type: 'note', text })
      if (answer.status !== 201) return answer
      acknowledged.push(text)
      seen++
      return undefined
    }
    const [{ page_count: pages }] = (await dataSource.query('PRAGMA page_count')) as [{ page_count: number }]
    connectionOf(dataSource).pragma(`max_page_count = ${pages + 4}`)
    const refusals = []
    for (let n = 0; n < 30; n++) {
      const refused = await note(`${n} ${long}`)
      if (refused) refusals.push(refused)
    }
    expect(refusals.length).toBeGreaterThan(5)
    for (const { status, body } of refusals) {
      expect({ status, code: body.code }).toEqual({ status: 503, code: 'not-stored' })
      expect(body.detail).toContain('full')
    }
    const sick = await server.get('/health').expect(503)
    expect(sick.body).toMatchObject({ code: 'writing-fails', detail: expect.stringContaining('full') })
    connectionOf(dataSource).pragma('max_page_count = 1000000')
    for (let n = 0; n < 5; n++) expect(await note(`room again ${n}`)).toBeUndefined()
    await server.get('/health').expect(200)
    // Only the file counts: what the server remembers would say the same either way.
    await server.restart()
    const events = await server.events(caseId)
    expect(events.flatMap((e) => (e.type === 'noted' ? [e.text] : []))).toEqual(acknowledged)
  })
  it('refuses a write whose commit failed, and the writes after it are stored', async () => {
    const { caseId } = await server.receive()
    const runner = server.app.get(DataSource).createQueryRunner()
    const query = runner.query.bind(runner)
    const failing = { COMMIT: true, ROLLBACK: true }
    runner.query = (async (sql: string, ...more: []) => {
      if (failing[sql as 'COMMIT'])
        throw new QueryFailedError(
          sql,
          [],
          Object.assign(new Error('disk I/O error'), { code: 'SQLITE_IOERR' }),
        )
      return query(sql, ...more)
    }) as typeof runner.query
    const refused = await server.command(caseId, 1, { type: 'note', text: 'lost' })
    runner.query = query
    expect(refused.body).toMatchObject({
      code: 'not-stored',
      detail: expect.stringContaining('disk I/O error'),
    })
    await server.command(caseId, 1, { type: 'note', text: 'kept' }).expect(201)
    await server.restart()
    expect((await server.events(caseId)).map((e) => (e.type === 'noted' ? e.text : e.type))).toEqual([
      'caseReceived',
      'kept',
    ])
  })
  it('rolls back what a stray transaction left open instead of writing into it', async () => {
    const { caseId } = await server.receive()
    await server.app.get(DataSource).query('BEGIN')
    await server.command(caseId, 1, { type: 'note', text: 'kept' }).expect(201)
    await server.restart()
    expect(await server.events(caseId)).toHaveLength(2)
  })
  it('says nothing of the file when it was the work that failed', async () => {
    const queue = server.app.get(WriteQueue)
    await expect(queue.write((manager) => manager.query('SELECT 1 FROM missing'))).rejects.toThrow(
      'no such table',
    )
    expect(queue.fault).toBeUndefined()
  })
})

describe('the write queue', () => {
  it('keeps an answered write when the one before it rolls back', async () => {
    const queue = server.app.get(WriteQueue)
    const dataSource = server.app.get(DataSource)
    let letGo = () => {}
    const slow = new Promise<void>((resolve) => {
      letGo = resolve
    })
    const a = queue.write(async (manager) => {
      await manager.insert(LabSettingRow, put('a'))
      await slow
      throw new Error('A rolls back')
    })
    const b = queue.write((manager) => manager.insert(LabSettingRow, put('b')))
    letGo()
    await expect(a).rejects.toThrow('A rolls back')
    await b
    expect(await dataSource.manager.findOneBy(LabSettingRow, { key: 'b' })).toMatchObject(put('b'))
    expect(await dataSource.manager.findOneBy(LabSettingRow, { key: 'a' })).toBeNull()
  })
  it('is the only place that opens a transaction', () => {
    const folder = join(import.meta.dirname, '..')
    const others = readdirSync(folder, { recursive: true, encoding: 'utf8' })
      .filter(
        (file) => file.endsWith('.ts') && !file.endsWith('.test.ts') && !file.endsWith('write-queue.ts'),
      )
      .filter((file) => /\.transaction\(|\.save\(/.test(readFileSync(join(folder, file), 'utf8')))
    expect(others).toEqual([])
  })
  it('writes to a file in WAL with full synchronisation and foreign keys', async () => {
    const dataSource = server.app.get(DataSource)
    expect(await dataSource.query('PRAGMA journal_mode')).toEqual([{ journal_mode: 'wal' }])
    expect(await dataSource.query('PRAGMA synchronous')).toEqual([{ synchronous: 2 }])
    expect(await dataSource.query('PRAGMA foreign_keys')).toEqual([{ foreign_keys: 1 }])
  })
})
