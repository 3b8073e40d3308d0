import { looseLink } from '@yentrik/core'
import Database from 'better-sqlite3'
import { settingsFrom } from '../settings/server-settings.ts'
import { eventHash } from './event-hash.ts'
import { type EventColumns, eventOf } from './event-rows.ts'
import { endOn, StartFault } from './start-fault.ts'

// npm run verify [-- FILE]: whether every event of a data file or backup still fits the one before it.
try {
  const file = process.argv[2] ?? settingsFrom(process.env).dataFile
  const loose = looseIn(file)
  for (const words of loose.faults) console.error(words)
  if (loose.faults.length > 0)
    throw new StartFault(
      `${loose.faults.length} of ${loose.cases} cases were changed outside of Yentrik, or are damaged.`,
      'Compare them with a backup and with the hash on their printed record.',
    )
  console.log(`${loose.events} events of ${loose.cases} cases: every one fits the one before it.`)
} catch (error) {
  endOn(error)
}

function looseIn(file: string): { cases: number; events: number; faults: string[] } {
  try {
    const database = new Database(file, { readonly: true, fileMustExist: true })
    const cases = database.prepare('SELECT DISTINCT case_id FROM case_events').pluck().all() as string[]
    const rowsOf = database.prepare(
      'SELECT sequence, at, "by", type, data FROM case_events WHERE case_id = ? ORDER BY sequence',
    )
    let count = 0
    const faults = cases.flatMap((caseId) => {
      const events = (rowsOf.all(caseId) as (EventColumns & { readonly data: string })[]).map(
        ({ data, ...stamp }) => eventOf(stamp, data),
      )
      count += events.length
      const sequence = looseLink(events, eventHash)
      return sequence === undefined
        ? []
        : [`Case ${caseId}: event ${sequence} does not fit the one before it.`]
    })
    database.close()
    return { cases: cases.length, events: count, faults }
  } catch (error) {
    throw new StartFault(
      `${file} cannot be read: ${error instanceof Error ? error.message : String(error)}.`,
      'Name a data file or a backup: npm run verify -- FILE',
    )
  }
}
