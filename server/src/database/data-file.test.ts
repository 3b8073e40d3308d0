import 'reflect-metadata'
import {
  chmodSync,
  copyFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  truncateSync,
  writeFileSync,
} from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { afterAll, afterEach, beforeAll, beforeEach, describe, expect, it } from '@jest/globals'
import Database from 'better-sqlite3'
import { TestServer } from '../testing/test-server.ts'
import { checkDataFile, markDataFile } from './data-file.ts'
import { lockDataFile } from './file-lock.ts'

/** A lab's file with one case in it, made once; each test works on a copy. */
let made: TestServer
let whole: string
beforeAll(async () => {
  made = await TestServer.open()
  for (let n = 0; n < 3; n++) await made.receive()
  await made.post('/backups', {}).expect(201)
  await made.app.close()
  whole = join(made.folder, 'lab.sqlite')
})
afterAll(() => rmSync(made.folder, { recursive: true, force: true }))

let folder: string
let dataFile: string
const backups = () => join(folder, 'backups')
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'yentrik-file-'))
  dataFile = join(folder, 'lab.sqlite')
})
afterEach(() => rmSync(folder, { recursive: true, force: true }))
const check = (newLab = false) => checkDataFile(dataFile, backups(), newLab)

describe('a data file at the start', () => {
  it('that is whole is taken, with what it holds', () => {
    copyFileSync(whole, dataFile)
    expect(check()).toMatchObject({ events: 3 })
  })
  it('that was never there is a new lab', () => expect(check()).toBeUndefined())
  it('that is gone or empty is no new lab in silence, but one that is asked for', () => {
    markDataFile(dataFile)
    expect(() => check()).toThrow(`${dataFile} is gone, though the data of a lab were there before.`)
    expect(check(true)).toBeUndefined()
    writeFileSync(dataFile, '')
    expect(() => check()).toThrow('is empty')
  })
  it.each<[string, () => void]>([
    [
      'whose head is damaged',
      () => writeFileSync(dataFile, 'no database at all, but long enough to be looked at'),
    ],
    ['that was cut short', () => truncateSync(dataFile, 40_000)],
    [
      'whose pages are overwritten',
      () => {
        const bytes = readFileSync(dataFile)
        bytes.fill(0x55, 4096 * 2, 4096 * 8)
        writeFileSync(dataFile, bytes)
      },
    ],
    [
      'that holds something else',
      () => {
        rmSync(dataFile)
        const other = new Database(dataFile)
        other.exec('CREATE TABLE recipes (name TEXT)')
        other.close()
      },
    ],
  ])('%s is refused in one sentence, with the way to a backup', (_, damage) => {
    copyFileSync(whole, dataFile)
    damage()
    expect(() => check()).toThrow(
      expect.objectContaining({
        name: 'StartFault',
        message: expect.stringMatching(/^\S+lab\.sqlite is damaged: .+\.$/),
        remedy: `Restore a backup: npm run restore -- FILE. In ${backups()} there is none.`,
      }),
    )
  })
  it('that is damaged is refused with the name of the last backup, where there is one', () => {
    const own = join(made.folder, 'lab-backups')
    writeFileSync(dataFile, 'nothing')
    expect(() => checkDataFile(dataFile, own)).toThrow(
      expect.objectContaining({
        remedy: expect.stringMatching(/npm run restore -- .*yentrik-\d{4}-.*Z\.sqlite$/),
      }),
    )
  })
  it('of a newer version is refused with what to do', () => {
    copyFileSync(whole, dataFile)
    const data = new Database(dataFile)
    data.exec("INSERT INTO migrations (timestamp, name) VALUES (1999999999999, 'Later1999999999999')")
    data.close()
    expect(() => check()).toThrow('was written by a newer version of Yentrik (Later1999999999999)')
  })
  it('that cannot be written is refused', () => {
    copyFileSync(whole, dataFile)
    chmodSync(folder, 0o755)
    chmodSync(dataFile, 0o444)
    asSomebody(() => expect(() => check()).toThrow('cannot be written'))
  })
})

describe('a lock', () => {
  it('is held by one, and free again afterwards', () => {
    const letGo = lockDataFile(dataFile)
    expect(() => lockDataFile(dataFile)).toThrow(`${dataFile} is in use by a server that runs.`)
    letGo()
    lockDataFile(dataFile)()
  })
  it('in a folder that cannot be written is refused in words', () => {
    chmodSync(folder, 0o555)
    asSomebody(() => expect(() => lockDataFile(dataFile)).toThrow('cannot be written'))
    chmodSync(folder, 0o755)
  })
})

describe('a second server on the same file', () => {
  it('does not start, and the first goes on', async () => {
    const server = await TestServer.open()
    await expect(server.start()).rejects.toThrow('is in use by a server that runs')
    await server.receive()
    await server.close()
    expect(existsSync(server.folder)).toBe(false)
  })
})

/** The rights of files do not hold for root. */
function asSomebody(work: () => void): void {
  const root = process.geteuid?.() === 0
  if (root) process.seteuid?.(65534)
  try {
    work()
  } finally {
    if (root) process.seteuid?.(0)
  }
}
