import { mkdirSync } from 'node:fs'
import { dirname } from 'node:path'
import type { OnApplicationShutdown } from '@nestjs/common'
import Database from 'better-sqlite3'
import type { DataSource } from 'typeorm'
import { StartFault } from './start-fault.ts'

/**
 * Holds a data file for one process: an exclusive transaction on a small file beside it, which the system lets go by
 * itself when the process ends, however it ends.
 * @returns lets it go @throws {StartFault} when another process holds it, or the folder cannot be written
 */
export function lockDataFile(dataFile: string): () => void {
  let lock: Database.Database | undefined
  try {
    mkdirSync(dirname(dataFile), { recursive: true })
    lock = new Database(`${dataFile}.lock`, { timeout: 0 })
    lock.exec('BEGIN EXCLUSIVE')
    return () => lock?.close()
  } catch (error) {
    lock?.close()
    const { code } = error as { code?: string }
    if (code === 'SQLITE_BUSY')
      throw new StartFault(
        `${dataFile} is in use by a server that runs.`,
        'Stop that server first, or name another file in YENTRIK_DATA.',
      )
    throw new StartFault(
      `The folder of ${dataFile} cannot be written.`,
      'Give the account of the server the right to write there, or name another file in YENTRIK_DATA.',
    )
  }
}

/** Lets the data file go when the server stops, after its connection is closed. */
export class HeldDataFile implements OnApplicationShutdown {
  constructor(
    private readonly dataSource: DataSource,
    private readonly letGo: () => void,
  ) {}

  async onApplicationShutdown(): Promise<void> {
    if (this.dataSource.isInitialized) await this.dataSource.destroy()
    this.letGo()
  }
}
