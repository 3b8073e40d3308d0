import 'reflect-metadata'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { DataSource } from 'typeorm'
import { TestServer } from '../server-test.ts'
import { LabSettingRow } from './entities.ts'
import { WriteQueue } from './write-queue.ts'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.open()
})
afterAll(() => server.close())

const put = (key: string) => ({ key, value: { key } })

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
