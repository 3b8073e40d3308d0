import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { gzipSync } from 'node:zlib'
import Database from 'better-sqlite3'
import { openSeededLab } from './seed-lab.mjs'

/**
 * A lab with 1,000 live cases on a real file, asked over HTTP: the bench list and the posting of events, and the size
 * of the first view. The text of it is `section`.
 */
const CASES = 1000
const ASKED = 400
const folder = mkdtempSync(join(tmpdir(), 'yentrik-bench-'))
const dataFile = join(folder, 'lab.sqlite')
const { app, cases } = await openSeededLab(dataFile, CASES)
await app.listen(0, '127.0.0.1')
const url = `${await app.getUrl()}/api`.replace('[::1]', '127.0.0.1')

const benchList = await times(() => ask('/bench'))
// A writer has opened the case before: that is where the sequence comes from.
const opened = cases.slice(0, 200)
for (const { caseId } of opened) await ask(`/cases/${caseId}`)
const posts = await times((n) => {
  const at = opened[n % opened.length]
  return ask(`/cases/${at.caseId}/events`, { seen: at.seen++, command: { type: 'note', text: 'measured' } })
})
/** A case that was worked on for weeks: every event before these is one more to replay, where all are. */
const LONG = 300
const longId = cases[0].caseId
const post = (seen) => ask(`/cases/${longId}/events`, { seen, command: { type: 'note', text: 'again' } })
const begunAt = (await (await fetch(`${url}/cases/${longId}`)).json()).events.length
for (let seen = begunAt; seen < LONG; seen++) await post(seen)
const longPosts = await times((n) => post(Math.max(LONG, begunAt) + n))
const bare = bareWrites()
const firstView = firstViewBytes()
await app.close()
const megabytes = statSync(dataFile).size / 1e6
rmSync(folder, { recursive: true, force: true })

export const section = `## A lab of ${CASES} cases

${CASES} live cases at every stage of all routes, a real SQLite file (${megabytes.toFixed(1)} MB, WAL, synchronous FULL), ${ASKED} requests
one after the other over HTTP, in one process with the asker.

| what | median | p95 | wanted p95 |
|---|---|---|---|
| GET /api/bench | ${shown(benchList, 0.5)} | ${shown(benchList, 0.95)} | 8 ms |
| POST /api/cases/:id/events | ${shown(posts, 0.5)} | ${shown(posts, 0.95)} | 8 ms |
| the same on a case of ${LONG} to ${LONG + ASKED} events | ${shown(longPosts, 0.5)} | ${shown(longPosts, 0.95)} | as on a short one |
| a bare write of SQLite, one row of 300 bytes, on the same disk | ${shown(bare, 0.5)} | ${shown(bare, 0.95)} | |

| what | size | wanted |
|---|---|---|
| JavaScript of the first view (Bench), gzip | ${(firstView / 1000).toFixed(0)} kB | at most 180 kB |
`

async function ask(path, body) {
  const options = body
    ? { method: 'POST', body: JSON.stringify(body), headers: { 'content-type': 'application/json' } }
    : {}
  const response = await fetch(url + path, options)
  if (!response.ok) throw new Error(`${path} answered ${response.status}: ${await response.text()}`)
  await response.arrayBuffer()
}

async function times(work) {
  const taken = []
  for (let n = 0; n < ASKED; n++) {
    const begun = performance.now()
    await work(n)
    taken.push(performance.now() - begun)
  }
  // The first ones warm the machine up.
  return taken.slice(20).sort((a, b) => a - b)
}

function shown(sorted, share) {
  return `${sorted[Math.floor(share * (sorted.length - 1))].toFixed(1)} ms`
}

/** What the disk and SQLite take by themselves: one row in one transaction, on the same terms as the lab's file. */
function bareWrites() {
  const database = new Database(join(folder, 'bare.sqlite'))
  database.pragma('journal_mode = WAL')
  database.pragma('synchronous = FULL')
  database.exec('CREATE TABLE t (n INTEGER PRIMARY KEY, data TEXT)')
  const insert = database.prepare('INSERT INTO t (data) VALUES (?)')
  const taken = []
  for (let n = 0; n < ASKED; n++) {
    const begun = performance.now()
    insert.run('x'.repeat(300))
    taken.push(performance.now() - begun)
  }
  database.close()
  return taken.slice(20).sort((a, b) => a - b)
}

function firstViewBytes() {
  const dist = fileURLToPath(new URL('../web/dist/', import.meta.url))
  const page = readFileSync(`${dist}index.html`, 'utf8')
  const files = [...page.matchAll(/assets\/[^"]+\.js/g)].map(([file]) => file)
  return files.reduce((sum, file) => sum + gzipSync(readFileSync(dist + file)).length, 0)
}
