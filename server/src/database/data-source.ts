import { mkdirSync } from 'node:fs'
import { dirname } from 'node:path'
import type { DataSourceOptions } from 'typeorm'
import { entities } from './entities.ts'
import { CastingRoom1764100000000 } from './migrations/casting-room.ts'
import { EventsByTime1764300000000 } from './migrations/events-by-time.ts'
import { FirstTables1700000000000 } from './migrations/first-tables.ts'
import { PlasterRoom1764000000000 } from './migrations/plaster-room.ts'
import { Thermometers1764200000000 } from './migrations/thermometers.ts'

/** WAL with FULL: an answered write survives a kill of the server and a power cut. */
export function dataSourceOptions(dataFile: string): DataSourceOptions {
  mkdirSync(dirname(dataFile), { recursive: true })
  return {
    type: 'better-sqlite3',
    database: dataFile,
    enableWAL: true,
    entities,
    migrations: [
      FirstTables1700000000000,
      PlasterRoom1764000000000,
      CastingRoom1764100000000,
      Thermometers1764200000000,
      EventsByTime1764300000000,
    ],
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
