import { parseArgs } from 'node:util'
import { openSeededLab } from '../seed-lab.mjs'
import { ask, LabServer, pause, quantile } from './lab-server.mjs'

/**
 * Benches on a lab of live cases: each holds a stream, writes every two seconds, opens another case now and then and comes back
 * to the bench, and asks for what the real client asks for: nothing for a change, which brings what is new with it.
 *
 *   node bench/trust/many-benches.mjs --benches 50 --minutes 5
 */
const { values } = parseArgs({
  options: {
    benches: { type: 'string', default: '50' },
    cases: { type: 'string', default: '1000' },
    minutes: { type: 'string', default: '5' },
  },
})
const [benches, count, minutes] = [values.benches, values.cases, values.minutes].map(Number)
const WRITES_EVERY_MILLIS = 2000
const OPENS_EVERY = 10
const SAMPLED_EVERY_MILLIS = 10_000

const lab = new LabServer()
const { app, cases } = await openSeededLab(lab.dataFile, count)
await app.close()
await lab.start()

const [writes, reads, faults] = [[], [], []]
let heard = 0
const until = performance.now() + minutes * 60_000
const stopped = new AbortController()

/** Holds the stream of changes, and counts what comes. */
async function listen() {
  const answer = await fetch(`${lab.api}/live`, { signal: stopped.signal })
  for await (const bytes of answer.body)
    heard += Buffer.from(bytes).toString().split('event: change').length - 1
}

async function read(path) {
  const { status, millis, body } = await ask(lab.api, path)
  reads.push(millis)
  if (status !== 200) faults.push(`${path}: ${status} ${JSON.stringify(body)}`)
  return body
}

async function work(number) {
  const own = cases.filter((_, n) => n % benches === number)
  // Not all in the same instant, as hands are not.
  await pause((number / benches) * WRITES_EVERY_MILLIS)
  for (let turn = 0; performance.now() < until; turn++) {
    const begun = performance.now()
    const at = own[Math.floor(turn / OPENS_EVERY) % own.length]
    if (turn % OPENS_EVERY === 0) {
      await read('/bench')
      const { events } = await read(`/cases/${at.caseId}`)
      at.seen = events.at(-1).sequence
    }
    const key = `bench-${number}-${turn}`
    const { status, body, millis } = await ask(lab.api, `/cases/${at.caseId}/events`, {
      body: { seen: at.seen, command: { type: 'note', text: `turn ${turn}` }, key },
    })
    writes.push(millis)
    if (status === 201) at.seen = body.sequence
    else faults.push(`${status} ${JSON.stringify(body)}`)
    await pause(Math.max(0, WRITES_EVERY_MILLIS - (performance.now() - begun)))
  }
}

// Everybody comes back in the same moment, as after a start of the server.
const opening = performance.now()
await Promise.all(
  Array.from({ length: benches }, async () => {
    void listen().catch(() => undefined)
    for (const path of ['/session', '/bench', '/clock', '/lots']) await read(path)
  }),
)
const opened = performance.now() - opening
reads.length = 0

const samples = []
const cpuBefore = lab.cpuSeconds()
const begun = performance.now()
const sampler = setInterval(() => samples.push(lab.megabytes()), SAMPLED_EVERY_MILLIS)
await Promise.all(Array.from({ length: benches }, (_, number) => work(number)))
clearInterval(sampler)
const seconds = (performance.now() - begun) / 1000
const core = (lab.cpuSeconds() - cpuBefore) / seconds
stopped.abort()
await lab.remove()

// The first minute warms it up; memory is flat where the last third stands where the second did.
const third = (n) =>
  samples.slice(Math.floor((n * samples.length) / 3), Math.floor(((n + 1) * samples.length) / 3))
const mean = (list) => list.reduce((sum, each) => sum + each, 0) / Math.max(1, list.length)
const ms = (list, share) => `${quantile(list, share).toFixed(1)} ms`
if (faults.length > 0) console.error(faults.slice(0, 5).join('\n'))

export const section = `## ${benches} benches on ${count} live cases

${minutes} min; each holds a stream and writes every ${WRITES_EVERY_MILLIS / 1000} s; the asker runs beside the server on the same machine.

| what | median | p95 | wanted |
|---|---|---|---|
| ${writes.length} writes | ${ms(writes, 0.5)} | ${ms(writes, 0.95)} | p95 under 50 ms |
| ${reads.length} reads | ${ms(reads, 0.5)} | ${ms(reads, 0.95)} | p95 under 100 ms |
| all benches opened at once, right after the start of the server | ${(opened / 1000).toFixed(1)} s until the last is there | | |
| of one core | ${(100 * core).toFixed(0)} % | | under 70 % |
| memory, second and last third | ${mean(third(1)).toFixed(0)} MB | ${mean(third(2)).toFixed(0)} MB | flat |
| changes heard of those sent | ${((100 * heard) / Math.max(1, writes.length * benches)).toFixed(1)} % | | 100 % |
| not answered as wanted | ${faults.length} | | 0 |
`
if (process.argv[1].endsWith('many-benches.mjs')) {
  console.log(section)
  process.exit(0)
}
