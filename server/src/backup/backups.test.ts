import 'reflect-metadata'
import { mkdirSync, readdirSync, renameSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { afterEach, beforeEach, describe, expect, it } from '@jest/globals'
import { SchedulerRegistry } from '@nestjs/schedule'
import type { BackupState } from '@yentrik/contract'
import Database from 'better-sqlite3'
import { backupsIn } from '../database/backup-files.ts'
import { inspect } from '../database/inspect.ts'
import { TestServer } from '../testing/test-server.ts'
import { NIGHTLY } from './backups.service.ts'

let server: TestServer
let folder: string
beforeEach(async () => {
  server = await TestServer.open()
  folder = join(server.folder, 'lab-backups')
})
afterEach(async () => {
  await server.close()
})
const state = async () => (await server.get('/backups').expect(200)).body as BackupState
const job = () => server.app.get(SchedulerRegistry).getCronJob(NIGHTLY)

describe('a backup', () => {
  it('is made when it is asked for, is sound, and holds every event', async () => {
    expect(await state()).toMatchObject({ newest: null, older: 0, overdue: false, failure: null, folder })
    const { caseId } = await server.receive()
    await server.command(caseId, 1, { type: 'note', text: 'kept' }).expect(201)
    const before = Date.now()
    const { body } = await server.post('/backups', {}).expect(201)
    expect(body.newest.at).toBeGreaterThan(before - 1000)
    const [made] = backupsIn(folder)
    expect(body.newest).toEqual({ file: made?.file, at: made?.at.getTime(), bytes: made?.bytes })
    expect(inspect(made!.file)).toMatchObject({ events: 2 })
    // One file: nothing beside it that could be forgotten.
    expect(readdirSync(folder)).toHaveLength(1)
  })
  it('goes into the second folder as well', async () => {
    const secondBackupFolder = join(server.folder, 'stick')
    await server.restart({ secondBackupFolder })
    await server.receive()
    await server.post('/backups', {}).expect(201)
    expect(readdirSync(secondBackupFolder)).toEqual(readdirSync(folder))
    expect(inspect(backupsIn(secondBackupFolder)[0]!.file)).toMatchObject({ events: 1 })
    expect(await state()).toMatchObject({ secondFolder: secondBackupFolder })
  })
  it('that cannot be made is said, with what to do, and leaves nothing half', async () => {
    writeFileSync(folder, 'a file where the folder should be')
    const { body } = await server.post('/backups', {}).expect(503)
    expect(body).toMatchObject({ code: 'backup-failed', detail: expect.stringMatching(/EEXIST|ENOTDIR/) })
    expect(await state()).toMatchObject({ newest: null, failure: { fault: expect.stringMatching(/\S/) } })
    rmSync(folder)
    await server.post('/backups', {}).expect(201)
    expect(await state()).toMatchObject({ failure: null })
  })
  it('asked for twice at once is made once', async () => {
    await Promise.all([server.post('/backups', {}).expect(201), server.post('/backups', {}).expect(201)])
    expect(backupsIn(folder)).toHaveLength(1)
  })
})

describe('each night', () => {
  it('at the hour of the settings one is made by itself', async () => {
    await server.restart({ backupAt: '03:45' })
    rmSync(folder, { recursive: true })
    expect(await state()).toMatchObject({ nightlyAt: '03:45', newest: null })
    const next = job().nextDate()
    expect([next.hour, next.minute, next.second]).toEqual([3, 45, 0])
    await job().fireOnTick()
    expect(backupsIn(folder)).toHaveLength(1)
  })
  it('a night that was missed is made up for at the start, one that was not is left', async () => {
    await server.restart({ backupAt: '02:30' })
    expect(backupsIn(folder)).toHaveLength(1)
    const [made] = backupsIn(folder)
    await server.restart({ backupAt: '02:30' })
    expect(backupsIn(folder)).toEqual([made])
    age(made!.file, 25)
    await server.restart({ backupAt: '02:30' })
    expect(backupsIn(folder)).toHaveLength(2)
  })
  it('none at all without an hour', async () => {
    expect(server.app.get(SchedulerRegistry).getCronJobs().size).toBe(0)
    expect(await state()).toMatchObject({ nightlyAt: null, newest: null })
  })
  it('after two days without a good one it is overdue', async () => {
    await server.post('/backups', {}).expect(201)
    age(backupsIn(folder)[0]!.file, 47.9)
    expect(await state()).toMatchObject({ overdue: false })
    age(backupsIn(folder)[0]!.file, 48.1)
    expect(await state()).toMatchObject({ overdue: true })
  })
  it('old ones are thinned out', async () => {
    mkdirSync(folder)
    // Two of one day, a year ago: the later one stays for its month.
    for (const hour of ['01', '02'])
      writeFileSync(join(folder, `yentrik-2025-06-03T${hour}-00-00Z.sqlite`), '')
    await server.post('/backups', {}).expect(201)
    expect(backupsIn(folder).map(({ at }) => at.toISOString().slice(0, 13))).toEqual([
      new Date().toISOString().slice(0, 13),
      '2025-06-03T02',
    ])
  })
})

describe('before the tables are changed', () => {
  it('the file is backed up as it is', async () => {
    await server.receive()
    await server.app.close()
    const data = new Database(join(server.folder, 'lab.sqlite'))
    data.exec(
      "DROP INDEX case_events_by_time; DELETE FROM migrations WHERE name = 'EventsByTime1764300000000'",
    )
    data.close()
    await server.start()
    const [made] = backupsIn(folder)
    const found = inspect(made!.file)
    expect(found).toMatchObject({ events: 1 })
    expect(found).toMatchObject({ migrations: expect.not.arrayContaining(['EventsByTime1764300000000']) })
    expect(inspect(join(server.folder, 'lab.sqlite'))).toMatchObject({
      migrations: expect.arrayContaining(['EventsByTime1764300000000']),
    })
  })
})

/** Makes a backup look as if it had been made so many hours ago. */
function age(file: string, hours: number): void {
  const at = new Date(Date.now() - hours * 3_600_000).toISOString().slice(0, 19).replaceAll(':', '-')
  renameSync(file, join(folder, `yentrik-${at}Z.sqlite`))
}
