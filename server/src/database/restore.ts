import { copyFileSync, existsSync, renameSync, rmSync } from 'node:fs'
import Database from 'better-sqlite3'
import { settingsFrom } from '../settings/server-settings.ts'
import { inFileName } from './backup-files.ts'
import { markDataFile, newerThanThis } from './data-file.ts'
import { lockDataFile } from './file-lock.ts'
import { inspect } from './inspect.ts'
import { endOn, StartFault } from './start-fault.ts'

// npm run restore -- FILE: checks the backup first, keeps what it replaces. Refused while a server uses the data file.
try {
  const from = process.argv[2]
  if (!from || !existsSync(from))
    throw new StartFault('No backup is named that exists.', 'Name one: npm run restore -- FILE')
  const { dataFile } = settingsFrom(process.env)
  console.log(restore(from, dataFile))
} catch (error) {
  endOn(error)
}

/** @returns what was done, in words @throws {StartFault} when the backup cannot be used or a server runs; nothing is changed then */
function restore(from: string, dataFile: string): string {
  const letGo = lockDataFile(dataFile)
  const arriving = `${dataFile}.restoring`
  try {
    // Looked at as a copy: what is looked at is what will be used, and the backup itself is not touched.
    copyFileSync(from, arriving)
    const found = inspect(arriving)
    if ('fault' in found)
      throw new StartFault(
        `${from} cannot be used: ${found.fault}.`,
        'Take another backup. Nothing was changed.',
      )
    const newer = newerThanThis(found)
    if (newer)
      throw new StartFault(
        `${from} was written by a newer version of Yentrik (${newer}).`,
        'Install that version first. Nothing was changed.',
      )
    const kept = existsSync(dataFile) ? setAside(dataFile) : undefined
    rmSync(`${dataFile}-shm`, { force: true })
    renameSync(arriving, dataFile)
    markDataFile(dataFile)
    return `Restored ${dataFile} from ${from}, ${found.events} events.${kept ? ` What was there before is kept as ${kept}.` : ''}`
  } finally {
    for (const end of ['', '-wal', '-shm']) rmSync(arriving + end, { force: true })
    letGo()
  }
}

/** Keeps the file that is replaced, whole or damaged, under a name of its own. */
function setAside(dataFile: string): string {
  try {
    // Fold its log back into it, so that one file holds all.
    const old = new Database(dataFile)
    old.pragma('wal_checkpoint(TRUNCATE)')
    old.close()
  } catch {
    // Too damaged to be opened: kept as it is.
  }
  const kept = `${dataFile}.before-restore-${inFileName(new Date())}`
  renameSync(dataFile, kept)
  if (existsSync(`${dataFile}-wal`)) renameSync(`${dataFile}-wal`, `${kept}-wal`)
  return kept
}
