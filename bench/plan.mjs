import { performance } from 'node:perf_hooks'
import { Worker } from 'node:worker_threads'
import { JobShopSearch, network, PlanSearch } from '@yentrik/core'
import { inventedLab } from '@yentrik/core/testing'
import { published } from '../core/dist/planning/published/job-shops.js'

const sizes = [
  ['small', 20, 3, 11],
  ['medium', 60, 6, 22],
  ['large', 200, 15, 33],
]
const timed = (work) => {
  const from = performance.now()
  const value = work()
  return [performance.now() - from, value]
}
const number = (value) => (value >= 100 ? Math.round(value).toLocaleString('en-GB') : value.toFixed(1))
const row = (search, seconds) => {
  const until = performance.now() + seconds * 1000
  search.run(Number.POSITIVE_INFINITY, () => performance.now() > until)
  return search.best.worth
}
/** One figure: a promise outweighs any cost. */
const scalar = ({ promised, cost }) => 1000 * promised + cost

/** The first plan, a plan again after one event, the plan after 5 s and 60 s, and the seventeen hard job shops. */
async function plan() {
  const lines = []
  for (const [name, cases, people, seed] of sizes) {
    const lab = inventedLab(cases, people, seed)
    const [first, search] = timed(() => new PlanSearch(network(lab), { seed: 1 }))
    const begun = search.best.plan
    // One event: the person of the first step is away for a day and a half.
    const away = {
      ...lab,
      calendars: { ...lab.calendars, T2: lab.calendars.T2.filter(([from]) => from < 1440 || from >= 4320) },
    }
    const [again] = timed(() => new PlanSearch(network(away), { seed: 1, from: begun, withoutRules: true }))
    const at5 = row(search, 5)
    const at60 = row(search, 55)
    const ratio = scalar(at5) / scalar(at60)
    const steps = lab.steps.length
    lines.push(
      `| ${name}: ${cases} cases, ${steps} steps, ${people} people | ${number(first)} ms | ${number(again)} ms | ${number(at5.promised)} / ${number(at5.cost)} | ${number(at60.promised)} / ${number(at60.cost)} | ${ratio.toFixed(2)} | ${search.rounds.toLocaleString('en-GB')} |`,
    )
  }
  const memory = Math.round(process.memoryUsage().rss / 1e6)
  const hard = published.filter(
    ({ name, lbPreemptive, best }) => name.startsWith('LA') && lbPreemptive !== best,
  )
  let gaps = 0
  let met = 0
  let worst = ['', 0]
  for (const { name, machines, ops, best } of hard) {
    const search = new JobShopSearch({ machines, jobs: ops }, 1)
    const until = performance.now() + 5000
    search.run(() => performance.now() > until || search.best.makespan === best)
    const gap = 100 * (search.best.makespan / best - 1)
    gaps += gap
    if (gap === 0) met++
    if (gap > worst[1]) worst = [name, gap]
  }
  return [
    '| Invented lab | first plan (1 s) | again after one event (300 ms, large 600) | promised / cost after 5 s | after 60 s | ratio (1.25, 2, 2) | rounds in 60 s |',
    '|---|---|---|---|---|---|---|',
    ...lines,
    '',
    `Memory of all of it in one process: ${memory} MB (300).`,
    '',
    `Job shops: mean gap over the ${hard.length} of LA01-40 that a simple bound does not close, 5 s each: ${(gaps / hard.length).toFixed(2)} % (0.4); ${met} at the best known; the worst ${worst[0]} ${worst[1].toFixed(2)} %.`,
    '',
    await answersMeanwhile(),
  ].join('\n')
}

/** How long others wait for this process while the planner works in its thread. */
async function answersMeanwhile() {
  const lab = inventedLab(200, 15, 33)
  const worker = new Worker(new URL('../server/dist/planning/plan-worker.js', import.meta.url))
  worker.postMessage({ kind: 'plan', turn: 1, instance: lab, seed: 1, rounds: 100_000, night: [500, 1400] })
  await new Promise((resolve) => worker.once('message', resolve))
  const waits = []
  const until = performance.now() + 5000
  while (performance.now() < until) {
    const from = performance.now()
    await new Promise((resolve) => setImmediate(resolve))
    waits.push(performance.now() - from)
    await new Promise((resolve) => setTimeout(resolve, 5))
  }
  await worker.terminate()
  waits.sort((a, b) => a - b)
  return `While the large lab is planned in its thread, 95 of 100 turns of the server's own thread come within ${waits[Math.floor(waits.length * 0.95)].toFixed(1)} ms (50).`
}

export const section = `## The plan

Invented labs in the form of the planner (core/src/testing/plan-lab.ts); wanted in brackets. Two runs of a machine whose speed varies differ.

${await plan()}
`
