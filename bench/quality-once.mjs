import { performance } from 'node:perf_hooks'
import { qualityFigures, routeTemplates } from '@yentrik/core'
import Database from 'better-sqlite3'

/** Reads what is kept and works all figures out once, in a process that has done nothing else. */
const db = new Database(process.argv[2], { readonly: true })
const { calendar } = JSON.parse(db.prepare("SELECT value FROM lab_settings WHERE key = 'lab'").get().value)
const planOf = (template, stepId) => {
  const step = routeTemplates.get(template)?.steps.find(({ id }) => id === stepId)
  return step?.kind === 'attended' ? step.handsOnMinutes : undefined
}
const reading = performance.now()
const digests = db
  .prepare('SELECT digest FROM case_digests')
  .all()
  .map(({ digest }) => JSON.parse(digest))
const read = performance.now() - reading
const now = digests.reduce((last, { until }) => Math.max(last, until), 0) + 60_000
const working = performance.now()
qualityFigures(
  { digests, hours: { calendar }, now, isDemo: true },
  { from: now - 30 * 86_400_000, until: now },
  planOf,
)
console.log(JSON.stringify({ read, figures: performance.now() - working }))
