import { execFileSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { fileURLToPath } from 'node:url'
import { digestCase, readRoute, routeTemplates } from '@yentrik/core'
import Database from 'better-sqlite3'
import { createApp } from '../server/dist/create-app.js'

const WANTED_EVENTS = 100_000
const ASKED = 20
const folder = mkdtempSync(join(tmpdir(), 'yentrik-quality-'))
const dataFile = join(folder, 'lab.sqlite')
const open = async (more = {}) => {
  const app = await createApp(
    { port: 0, host: '127.0.0.1', dataFile, demo: true, clockControl: true, planRounds: 0, ...more },
    true,
  )
  await app.listen(0, '127.0.0.1')
  const url = `${await app.getUrl()}/api`.replace('[::1]', '127.0.0.1')
  const cookie = (await fetch(`${url}/session`)).headers.get('set-cookie')?.split(';')[0] ?? ''
  const ask = async () => {
    const from = performance.now()
    const answer = await fetch(`${url}/quality`, { headers: { cookie } })
    await answer.text()
    return performance.now() - from
  }
  return { app, ask }
}

/** The invented year as often as makes so many events, each time as other cases. */
function copies() {
  const db = new Database(dataFile)
  const once = db.prepare('SELECT count(*) AS n FROM case_events').get().n
  const columns = (table) =>
    db
      .prepare(`PRAGMA table_info(${table})`)
      .all()
      .map(({ name }) => `"${name}"`)
  const own = db.prepare('SELECT count(*) AS n FROM case_summaries').get().n
  const copy = (table, n, cases) => {
    const names = columns(table)
    const values = names.map((name) =>
      name === '"case_id"' ? `${name} || '-${n}'` : name === '"docket"' ? `'C${n}-' || ${name}` : name,
    )
    db.exec(
      `INSERT INTO ${table} (${names.join(', ')}) SELECT ${values.join(', ')} FROM ${table} WHERE case_id IN
       (SELECT case_id FROM case_summaries WHERE length(case_id) = 36 ORDER BY case_id LIMIT ${cases})`,
    )
  }
  for (let n = 1; n * once < WANTED_EVENTS; n++) {
    const share = Math.min(1, WANTED_EVENTS / once - n)
    for (const table of ['case_events', 'case_summaries']) copy(table, n, Math.round(share * own))
  }
  const counted = {
    events: db.prepare('SELECT count(*) AS n FROM case_events').get().n,
    cases: db.prepare('SELECT count(*) AS n FROM case_summaries').get().n,
  }
  db.close()
  return counted
}

/** From the events themselves: every case followed and digested. */
function fromEvents() {
  const db = new Database(dataFile, { readonly: true })
  const { calendar } = JSON.parse(db.prepare("SELECT value FROM lab_settings WHERE key = 'lab'").get().value)
  const routes = new Map(
    db
      .prepare('SELECT route_id, route FROM route_copies')
      .all()
      .map(({ route_id, route }) => [route_id, readRoute(JSON.parse(route), routeTemplates)]),
  )
  const cases = new Map()
  for (const { case_id, data, ...stamp } of db
    .prepare('SELECT * FROM case_events ORDER BY case_id, sequence')
    .iterate()) {
    if (!cases.has(case_id)) cases.set(case_id, [])
    cases.get(case_id).push({ ...JSON.parse(data), ...stamp })
  }
  const from = performance.now()
  for (const [caseId, events] of cases) digestCase(caseId, events, (id) => routes.get(id), { calendar })
  const millis = performance.now() - from
  const bytes = db.prepare('SELECT sum(length(digest)) AS n FROM case_digests').get().n
  db.close()
  return { millis, bytes }
}

/** In a process of its own, that has run nothing yet: what is kept is read, and all figures are worked out once. */
const firstInAProcess = () =>
  JSON.parse(
    execFileSync(process.execPath, [fileURLToPath(new URL('quality-once.mjs', import.meta.url)), dataFile], {
      encoding: 'utf8',
    }),
  )

const median = (list) => [...list].sort((a, b) => a - b)[list.length >> 1]
const seeding = performance.now()
await (await open({ demoYear: true })).app.close()
const seeded = (performance.now() - seeding) / 1000
const { events, cases } = copies()
const digesting = await open()
await digesting.ask()
await digesting.app.close()
const raw = fromEvents()
const once = [0, 1, 2].map(firstInAProcess)
const { app, ask } = await open()
const first = await ask()
const warm = []
for (let n = 0; n < ASKED; n++) warm.push(await ask())
await app.close()
rmSync(folder, { recursive: true, force: true })
const ms = (value) => `${value.toFixed(0)} ms`

export const section = `## Quality

The invented year of the demo, ${cases} cases in all with its copies, ${events.toLocaleString('en')} events; ${(raw.bytes / 1e6).toFixed(1)} MB of digests.
No sheet is judged when figures are asked for. Limit: 300 ms, warm and cold.

| all figures of a month | time |
|---|---|
| over HTTP, warm (median of ${ASKED}) | ${ms(median(warm))} |
| over HTTP, the first after a start | ${ms(first)} |
| in a process that has run nothing yet: the figures (median of 3) | ${ms(median(once.map(({ figures }) => figures)))} |
| before that, reading what is kept | ${ms(median(once.map(({ read }) => read)))} |
| from the events themselves, instead | ${ms(raw.millis)} |

The demo lab with its year is made in ${seeded.toFixed(1)} s (limit 30).
`
