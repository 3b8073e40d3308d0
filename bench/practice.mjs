import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { performance } from 'node:perf_hooks'
import { beginPractice, playOut, practiceExpert, routeTemplates, tallyOf } from '@yentrik/core'
import { createApp } from '../server/dist/create-app.js'

const SEEDS = 200
const START = Date.parse('2026-03-02T08:00:00Z')
const choicesOf = ({ matters }) => (matters.some(({ id }) => id === 'arch') ? { arch: 'upper' } : {})
const begin = (template, seed, level = 'bench') =>
  beginPractice(
    { templateId: template.id, choices: choicesOf(template), level, seed },
    START,
    'P-0001',
    'Ada',
  )

/** Every job with two hundred seeds, by the careful hand. */
function everyJob() {
  const rows = []
  for (const template of routeTemplates.values()) {
    const from = performance.now()
    let [found, seenable, falseAlarms, clean, delivered] = [0, 0, 0, 0, 0]
    for (let seed = 0; seed < SEEDS; seed++) {
      const played = playOut(begin(template, seed))
      const tally = tallyOf(played)
      found += tally.found
      seenable += tally.seenable
      falseAlarms += tally.falseAlarms
      clean += tally.cleanLooks
      delivered += played.defects.filter(
        ({ state, shows }) => state === 'delivered' && shows.length > 0,
      ).length
    }
    const seconds = (performance.now() - from) / 1000
    rows.push(
      `| ${template.name} | ${delivered} | ${found} of ${seenable} | ${falseAlarms} of ${clean} | ${seconds.toFixed(1)} s |`,
    )
  }
  return rows
}

/** A practice denture played over HTTP, one act after the other. */
async function steps() {
  const folder = mkdtempSync(join(tmpdir(), 'yentrik-practice-'))
  const app = await createApp(
    {
      port: 0,
      host: '127.0.0.1',
      dataFile: join(folder, 'lab.sqlite'),
      demo: true,
      clockControl: true,
      planRounds: 0,
    },
    true,
  )
  await app.listen(0, '127.0.0.1')
  const url = `${await app.getUrl()}/api`.replace('[::1]', '127.0.0.1')
  const cookie = (await fetch(`${url}/session`)).headers.get('set-cookie')?.split(';')[0] ?? ''
  const ask = async (path, body) => {
    const answer = await fetch(url + path, {
      method: 'POST',
      headers: { 'content-type': 'application/json', cookie },
      body: JSON.stringify(body),
    })
    if (!answer.ok) throw new Error(await answer.text())
    return answer.json()
  }
  const template = routeTemplates.get('complete-denture')
  const begun = await ask('/practice', {
    templateId: template.id,
    choices: { arch: 'upper' },
    level: 'bench',
    seed: 3,
  })
  const acts = []
  const { choices } = Object.values(begun.record.routes)[0]
  const world = beginPractice(
    { templateId: template.id, choices, level: 'bench', seed: 3 },
    Date.parse(begun.record.events[0].at),
    begun.short.docket,
    'Ada',
  )
  playOut(world, { ...practiceExpert, did: (each) => acts.push(each) }, 'Ada')
  const took = []
  let so = begun
  for (const act of acts) {
    const from = performance.now()
    so = await ask(`/practice/${begun.practiceId}/acts`, { seen: so.acts, acts: [act] })
    took.push(performance.now() - from)
  }
  await app.close()
  rmSync(folder, { recursive: true, force: true })
  took.sort((a, b) => a - b)
  return {
    acts: acts.length,
    p50: took[Math.floor(took.length / 2)],
    p95: took[Math.floor(took.length * 0.95)],
    most: took.at(-1),
  }
}

const rows = everyJob()
const { acts, p50, p95, most } = await steps()
export const section = `## Practice

${SEEDS} seeds of every job at the bench level, played by the careful hand, who looks by every means (200 dentures under 60 s).

| job | delivered with a fault that could be seen (0) | found | false alarms | took |
|---|---|---|---|---|
${rows.join('\n')}

A denture practised over HTTP, ${acts} acts one after the other: ${p50.toFixed(1)} ms at the middle, ${p95.toFixed(1)} ms at p95 (50), ${most.toFixed(0)} ms at the most (the bath is followed by the model).
`
