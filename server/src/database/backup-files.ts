import { copyFileSync, existsSync, mkdirSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs'
import { basename, join } from 'node:path'
import Database from 'better-sqlite3'
import { inspect } from './inspect.ts'
import { expired } from './retention.ts'

/** A backup that was opened and counted before it got its name. */
export interface BackupFile {
  readonly file: string
  readonly at: Date
  readonly bytes: number
}

const named = /^yentrik-(\d{4}-\d\d-\d\d)T(\d\d)-(\d\d)-(\d\d)Z\.sqlite$/

/** A second as it may stand in the name of a file, UTC: 2026-11-27T02-30-00Z. */
export const inFileName = (at: Date) => `${at.toISOString().slice(0, 19).replaceAll(':', '-')}Z`

const nameOf = (at: Date) => `yentrik-${inFileName(at)}.sqlite`

/** The backups of a folder, the newest first. */
export function backupsIn(folder: string): BackupFile[] {
  return namesIn(folder)
    .flatMap((name) => {
      const [, day, hour, minute, second] = named.exec(name) ?? []
      if (!day) return []
      const file = join(folder, name)
      return [{ file, at: new Date(`${day}T${hour}:${minute}:${second}Z`), bytes: statSync(file).size }]
    })
    .sort((a, b) => b.at.getTime() - a.at.getTime())
}

/** A folder that is not there, or cannot be read, has none to offer; who makes one in it is told why. */
function namesIn(folder: string): string[] {
  try {
    return readdirSync(folder)
  } catch {
    return []
  }
}

/** @returns undefined where there is none */
export const newestBackup = (folder: string): string | undefined => backupsIn(folder)[0]?.file

/**
 * Copies a data file while it is used, opens the copy and counts it, and only then gives it its name.
 * @returns how many events it holds
 * @throws {Error} when the copy is not sound or cannot be written: then none is there
 */
export async function copySound(dataFile: string, target: string): Promise<number> {
  const unfinished = `${target}.unfinished`
  try {
    const before = await copy(dataFile, unfinished)
    const found = inspect(unfinished)
    if ('fault' in found) throw new Error(`the copy is not sound: ${found.fault}`)
    if (found.events < before) throw new Error(`the copy has ${found.events} events of ${before}`)
    renameSync(unfinished, target)
    return found.events
  } finally {
    rmSync(unfinished, { force: true })
  }
}

/** A backup into a folder, by a name of its own. @throws {Error} as `copySound` */
export async function makeBackup(dataFile: string, folder: string, at: Date): Promise<BackupFile> {
  mkdirSync(folder, { recursive: true })
  const file = join(folder, nameOf(at))
  await copySound(dataFile, file)
  return { file, at, bytes: statSync(file).size }
}

/** SQLite's own online copy, which waits for writers. @returns how many events there were when it began */
async function copy(dataFile: string, target: string): Promise<number> {
  rmSync(target, { force: true })
  const source = new Database(dataFile, { readonly: true, fileMustExist: true })
  try {
    const events = source.prepare('SELECT count(*) FROM case_events').pluck().get() as number
    await source.backup(target)
    return events
  } finally {
    source.close()
    foldLog(target)
  }
}

/** Makes one file of a copy, so that nothing lies beside it that could be forgotten. */
function foldLog(file: string): void {
  if (!existsSync(file)) return
  const database = new Database(file)
  database.pragma('journal_mode = DELETE')
  database.close()
}

/** Puts a backup into a second folder as well. @throws {Error} when that cannot be written, or holds a copy that is not sound */
export function copyBackup({ file }: BackupFile, folder: string): void {
  mkdirSync(folder, { recursive: true })
  const target = join(folder, basename(file))
  copyFileSync(file, `${target}.unfinished`)
  const found = inspect(`${target}.unfinished`)
  if ('fault' in found) throw new Error(`the second copy is not sound: ${found.fault}`)
  renameSync(`${target}.unfinished`, target)
}

/** Takes away those that are no longer kept. */
export function thinOut(folder: string): void {
  const all = backupsIn(folder)
  const old = new Set(expired(all.map(({ at }) => at)).map((at) => at.getTime()))
  for (const { file, at } of all) if (old.has(at.getTime())) rmSync(file)
}
