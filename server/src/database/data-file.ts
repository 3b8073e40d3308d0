import { closeSync, existsSync, openSync, statSync, writeFileSync } from 'node:fs'
import { newestBackup } from './backup-files.ts'
import { type Holdings, inspect } from './inspect.ts'
import { migrations } from './migrations/index.ts'
import { StartFault } from './start-fault.ts'

/** That a lab was here once is remembered beside its file, so that a lost file is no new lab in silence. */
const markerOf = (dataFile: string) => `${dataFile}.was-here`

/** Remembers that the data of a lab are kept here. */
export function markDataFile(dataFile: string): void {
  if (!existsSync(markerOf(dataFile)))
    writeFileSync(markerOf(dataFile), 'Yentrik keeps the data of a lab in this folder.\n')
}

/**
 * Looks whether the server can work with a data file, before it is opened for good.
 * @param newLab a new lab is wanted, although there was one before
 * @returns what it holds; undefined for a new lab
 * @throws {StartFault} when it is gone, damaged, of a newer version, or cannot be written
 */
export function checkDataFile(dataFile: string, backupFolder: string, newLab = false): Holdings | undefined {
  const bytes = existsSync(dataFile) ? statSync(dataFile).size : undefined
  if (!bytes) {
    if (!existsSync(markerOf(dataFile)) || newLab) return undefined
    throw new StartFault(
      `${dataFile} is ${bytes === 0 ? 'empty' : 'gone'}, though the data of a lab were there before.`,
      `${restoreWords(backupFolder)} For a new, empty lab start once with YENTRIK_NEW_LAB=1.`,
    )
  }
  try {
    closeSync(openSync(dataFile, 'r+'))
  } catch {
    throw new StartFault(
      `${dataFile} cannot be written.`,
      'Give the account of the server the right to write it.',
    )
  }
  const found = inspect(dataFile)
  if ('fault' in found)
    throw new StartFault(`${dataFile} is damaged: ${found.fault}.`, restoreWords(backupFolder))
  const newer = newerThanThis(found)
  if (newer)
    throw new StartFault(
      `${dataFile} was written by a newer version of Yentrik (${newer}).`,
      'Start that version, or restore a backup that was made before the update.',
    )
  return found
}

/** A change of the tables that this version does not know, as a newer one makes it. */
export function newerThanThis({ migrations: made }: Holdings): string | undefined {
  return made.filter((name) => !migrations.some((known) => known.name === name)).at(-1)
}

/** Whether this version will change the tables of a file. */
export function willBeChanged({ migrations: made }: Holdings): boolean {
  return migrations.some(({ name }) => !made.includes(name))
}

function restoreWords(backupFolder: string): string {
  const newest = newestBackup(backupFolder)
  return newest
    ? `Restore the last backup: npm run restore -- ${newest}`
    : `Restore a backup: npm run restore -- FILE. In ${backupFolder} there is none.`
}
