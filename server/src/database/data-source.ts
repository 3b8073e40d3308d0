import type { DataSourceOptions } from 'typeorm'
import { entities } from './entities.ts'
import { migrations } from './migrations/index.ts'

/** WAL with FULL: an answered write survives a kill of the server and a power cut. */
export function dataSourceOptions(dataFile: string): DataSourceOptions {
  return {
    type: 'better-sqlite3',
    database: dataFile,
    enableWAL: true,
    entities,
    migrations,
    migrationsRun: true,
    migrationsTransactionMode: 'each',
    synchronize: false,
    prepareDatabase: (db: { pragma(text: string): unknown }) => {
      db.pragma('foreign_keys = ON')
      db.pragma('synchronous = FULL')
      db.pragma('busy_timeout = 5000')
    },
  }
}
