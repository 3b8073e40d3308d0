import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { gzipSync } from 'node:zlib'
import { buildRoute, routeTemplates, usualCalendar } from '@yentrik/core'
import { CaseStore, routeIdOf } from '../server/dist/case/case-store.js'
import { createApp } from '../server/dist/create-app.js'
import { WriteQueue } from '../server/dist/database/write-queue.js'
import { demoHistory } from '../server/dist/demo/demo-history.js'

/**
 * A lab with 1,000 live cases on a real file, asked over HTTP: the bench list and the posting of events, and the size
 * of the first view. The text of it is `section`.
 */
const CASES = 1000
const ASKED = 400
const folder = mkdtempSync(join(tmpdir(), 'yentrik-bench-'))
const dataFile = join(folder, 'lab.sqlite')
const app = await createApp({ port: 0, host: '127.0.0.1', dataFile, demo: true, clockControl: true }, true)
await app.listen(0, '127.0.0.1')
const url = `${await app.getUrl()}/api`.replace('[::1]', '127.0.0.1')

/** The last event of each seeded case: what a writer has seen. */
const sequences = []
const caseIds = await seed()
const benchList = await times(() => ask('/bench'))
const posts = await times((n) =>
  ask(`/cases/${caseIds[n]}/events`, { seen: sequences[n], command: { type: 'note', text: 'measured' } }),
)
/** A case that was worked on for weeks: every event before these is one more to replay, where all are. */
const LONG = 300
const longId = caseIds[0]
const post = (seen) => ask(`/cases/${longId}/events`, { seen, command: { type: 'note', text: 'again' } })
const begunAt = (await (await fetch(`${url}/cases/${longId}`)).json()).events.length
for (let seen = begunAt; seen < LONG; seen++) await post(seen)
const longPosts = await times((n) => post(Math.max(LONG, begunAt) + n))
const firstView = firstViewBytes()
await app.close()
const megabytes = statSync(dataFile).size / 1e6
rmSync(folder, { recursive: true, force: true })

export const section = `## A lab of ${CASES} cases

${CASES} live cases at every stage of all routes, a real SQLite file (${megabytes.toFixed(1)} MB, WAL, synchronous FULL), ${ASKED} requests
one after the other over HTTP, in one process with the asker.

| what | median | p95 | wanted p95 |
|---|---|---|---|
| GET /api/bench | ${shown(benchList, 0.5)} | ${shown(benchList, 0.95)} | 30 ms |
| POST /api/cases/:id/events | ${shown(posts, 0.5)} | ${shown(posts, 0.95)} | 30 ms |
| the same on a case of ${LONG} to ${LONG + ASKED} events | ${shown(longPosts, 0.5)} | ${shown(longPosts, 0.95)} | as on a short one |

| what | size | wanted |
|---|---|---|
| JavaScript of the first view (Bench), gzip | ${(firstView / 1000).toFixed(0)} kB | at most 180 kB |
`

/** Cases worked up to a step each, spread over all routes, as the demo lab makes them. */
async function seed() {
  const store = app.get(CaseStore)
  const calendar = usualCalendar('UTC')
  const house = { templates: routeTemplates, routeIdOf }
  const context = { now: Date.now(), calendar, people: ['Ilse', 'Tomas'], lotOf: () => undefined, house }
  const templates = [...routeTemplates.values()]
  const ids = []
  for (let start = 0; start < CASES; start += 100)
    await app.get(WriteQueue).write(async (manager) => {
      for (let n = start; n < start + 100; n++) {
        const template = templates[n % templates.length]
        const { steps } = buildRoute(template)
        const caseId = `00000000-0000-4000-8000-${String(n).padStart(12, '0')}`
        const hand = demoHistory(
          {
            docket: `B-${n}`,
            clinic: 'Mill Lane',
            prescriber: 'Dr. Orla',
            patientCode: `P-${n}`,
            patientAge: 60,
            wanted: template.name,
            job: template.id,
            choices: {},
            dueInHours: 24 + (n % 300),
            enclosures: [],
            upTo: steps[n % steps.length].id,
            start: n % 3 > 0,
            minutesAgo: n % 200,
          },
          context,
        )
        await store.append(manager, caseId, hand, hand.events, calendar)
        ids.push(caseId)
        sequences.push(hand.state.sequence)
      }
    })
  return ids
}

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

function firstViewBytes() {
  const dist = fileURLToPath(new URL('../web/dist/', import.meta.url))
  const page = readFileSync(`${dist}index.html`, 'utf8')
  const files = [...page.matchAll(/assets\/[^"]+\.js/g)].map(([file]) => file)
  return files.reduce((sum, file) => sum + gzipSync(readFileSync(dist + file)).length, 0)
}
