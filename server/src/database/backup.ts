import Database from 'better-sqlite3'
import { settingsFrom } from '../settings/server-settings.ts'

// npm run backup -- FILE: a whole copy while the server runs. SQLite's own online backup waits for writers.
const target = process.argv[2]
if (!target) {
  console.error('Say where to: npm run backup -- FILE')
  process.exit(2)
}
const { dataFile } = settingsFrom(process.env)
const source = new Database(dataFile, { readonly: true, fileMustExist: true })
await source.backup(target)
source.close()
console.log(`Backed up ${dataFile} to ${target}`)
