import Database from 'better-sqlite3'

/** What a data file or a backup holds: the changes of its tables, oldest first, and how many events. */
export interface Holdings {
  readonly migrations: readonly string[]
  readonly events: number
}

/** Opens a file and looks through all of it. @returns what it holds, or in words what is wrong with it */
export function inspect(file: string): Holdings | { readonly fault: string } {
  let database: Database.Database | undefined
  try {
    database = new Database(file, { fileMustExist: true })
    const said = database.pragma('quick_check(1)', { simple: true })
    // The first line only names the file.
    if (said !== 'ok') return { fault: String(said).split('\n').at(-1)! }
    const tables = database.prepare("SELECT name FROM sqlite_master WHERE type = 'table'").pluck().all()
    if (!tables.includes('migrations') || !tables.includes('case_events')) return { fault: 'it holds no lab' }
    return {
      migrations: database.prepare('SELECT name FROM migrations ORDER BY id').pluck().all() as string[],
      events: database.prepare('SELECT count(*) FROM case_events').pluck().get() as number,
    }
  } catch (error) {
    return { fault: error instanceof Error ? error.message : String(error) }
  } finally {
    database?.close()
  }
}
