import { copyFileSync, existsSync, mkdirSync, renameSync, rmSync } from 'node:fs'
import { dirname } from 'node:path'
import Database from 'better-sqlite3'
import { settingsFrom } from '../settings/server-settings.ts'

// npm run restore -- FILE: checks the copy first, keeps what it replaces. The server must be stopped.
const from = process.argv[2]
if (!from || !existsSync(from)) {
  console.error('Name a backup that exists: npm run restore -- FILE')
  process.exit(2)
}
const copy = new Database(from, { readonly: true })
const sound = copy.pragma('integrity_check', { simple: true }) === 'ok'
const known = copy.prepare("SELECT 1 FROM sqlite_master WHERE name = 'case_events'").get() !== undefined
copy.close()
if (!sound || !known) {
  console.error(`${from} is ${sound ? 'no Yentrik backup' : 'damaged'}. Nothing was changed.`)
  process.exit(1)
}
const { dataFile } = settingsFrom(process.env)
mkdirSync(dirname(dataFile), { recursive: true })
if (existsSync(dataFile)) {
  // Fold the log of the old file back into it, so that the copy kept aside is whole.
  const old = new Database(dataFile)
  old.pragma('wal_checkpoint(TRUNCATE)')
  old.close()
  renameSync(dataFile, `${dataFile}.before-restore`)
}
for (const end of ['-wal', '-shm']) rmSync(dataFile + end, { force: true })
copyFileSync(from, dataFile)
console.log(`Restored ${dataFile} from ${from}; the former file is kept as ${dataFile}.before-restore`)
