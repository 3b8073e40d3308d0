import 'reflect-metadata'
import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { CaseRecord, ChartShown, FaultFindings, QualityShown } from '@yentrik/contract'
import { type LabEvent, qualityTables, usualCalendar } from '@yentrik/core'
import { DataSource } from 'typeorm'
import { CaseDigestRow, CaseEventRow } from '../database/entities.ts'
import { demoYear } from '../demo/demo-year.ts'
import { LabSettingsService } from '../lab/lab-settings.service.ts'
import { PlanSettingsService } from '../planning/plan-settings.service.ts'
import { workTo } from '../testing/careful-case.ts'
import { TestServer } from '../testing/test-server.ts'
import { QualityRecord } from './quality-record.service.ts'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.open()
})
afterAll(() => server.close())

const intake = (more: object = {}) => ({
  authorisation: {
    ...{ clinic: 'Mill Lane', prescriber: 'Dr. Orla', patientCode: 'P-7', wanted: 'a cast', teeth: [] },
    ...{ dueAt: new Date(Date.now() + 20 * 86_400_000).toISOString(), enclosures: [] },
  },
  jobs: [{ templateId: 'study-cast', choices: { arch: 'upper' } }],
  ...more,
})
const takeIn = async (more: object = {}): Promise<CaseRecord> =>
  (await server.post('/cases', intake(more)).expect(201)).body
const quality = async (query = ''): Promise<QualityShown> =>
  (await server.get(`/quality${query}`).expect(200)).body
const rows = () => server.app.get(DataSource).manager.find(CaseDigestRow, { order: { caseId: 'ASC' } })
/** Sends a case back to its pour, to be made anew. @returns the sequence of that */
async function remake(caseId: string): Promise<number> {
  await workTo(server, caseId, 'separate')
  const { events } = (await server.get(`/cases/${caseId}`).expect(200)).body as CaseRecord
  const back = { jobId: 'job-1', toStepId: 'pour-anatomy', remake: true, reason: 'a tooth broke' }
  await server.command(caseId, events.length, { type: 'goBack', ...back }).expect(201)
  return events.length + 1
}

describe('an empty lab', () => {
  it('has no figure, and none of them is 0', async () => {
    const { figures, unknowns, isDemo } = await quality()
    expect([figures.cases, isDemo]).toEqual([0, false])
    expect(figures.onTime.now).toEqual({ cases: [] })
    expect(unknowns.map(({ about }) => about)).toEqual(['promises', 'remakes'])
  })
  it('is asked for this month where nothing is said, and refuses a period that ends before it begins', async () => {
    const { figures } = await quality()
    const begins = new Date(figures.period.from)
    expect([begins.getDate(), begins.getHours()]).toEqual([1, 0])
    const wrong = `?from=2026-03-02T00:00:00Z&until=2026-03-01T00:00:00Z`
    expect((await server.get(`/quality${wrong}`).expect(422)).body).toMatchObject({ code: 'period-empty' })
    await server.get('/quality?from=yesterday').expect(422)
  })
})

describe('the digest of a case', () => {
  let caseId: string
  it('is kept, and made again only when that case changes', async () => {
    caseId = (await takeIn()).caseId
    const other = (await takeIn()).caseId
    await workTo(server, caseId)
    expect((await quality()).figures).toMatchObject({
      cases: 2,
      clean: { now: { share: { count: 1, of: 1 } } },
    })
    const kept = await rows()
    expect(kept.map((row) => row.caseId).sort()).toEqual([caseId, other].sort())
    await server.command(other, 1, { type: 'note', text: 'so' }).expect(201)
    // It went with the event; the other is there.
    expect((await rows()).map((row) => row.caseId)).toEqual([caseId])
    await quality()
    const again = await rows()
    expect(again.find((row) => row.caseId === caseId)).toEqual(kept.find((row) => row.caseId === caseId))
    expect(again).toHaveLength(2)
  })
  it('says the same from the file after a start', async () => {
    // Whatever hangs on the moment of asking apart.
    const told = async () => {
      const { cases, jobs, clean, yields, charts, times } = (await quality()).figures
      return { cases, jobs, clean, yields, charts, times }
    }
    const before = await told()
    await server.restart()
    expect(await told()).toEqual(before)
  })
  it('is made again when the lab opens at other hours', async () => {
    const before = (await rows()).map(({ made }) => made)
    const settings = server.app.get(LabSettingsService)
    const lab = await settings.lab()
    await settings.set('lab', { ...lab, calendar: { ...lab.calendar, opensMinute: 400 } })
    await quality()
    expect((await rows()).map(({ made }) => made)).not.toEqual(before)
  })
  it('of a record that is damaged there is none: it is said, and the rest is counted', async () => {
    const torn = (await takeIn()).caseId
    await server.command(torn, 1, { type: 'note', text: 'so' }).expect(201)
    const { manager } = server.app.get(DataSource)
    await manager.delete(CaseEventRow, { caseId: torn, sequence: 1 })
    const { figures } = await quality()
    expect(figures.leftOut.damaged).toEqual([torn])
    expect(figures.cases).toBe(2)
  })
})

describe('what goes along with a case', () => {
  it('a promise with its chance, in the same write as the receipt', async () => {
    const { events, caseId } = await takeIn({ promisedChance: 0.9 })
    expect(events.map(({ type }) => type)).toEqual(['caseReceived', 'promised'])
    expect(events[1]).toMatchObject({
      chance: 0.9,
      dueAt: (events[0] as never as { authorisation: { dueAt: string } }).authorisation.dueAt,
    })
    expect((await server.get(`/cases/${caseId}`).expect(200)).body.events).toHaveLength(2)
    await server.post('/cases', intake({ promisedChance: 1.2 })).expect(422)
  })
  it('what is done while the clock of the lab runs faster is left out', async () => {
    const before = (await quality()).figures
    const { caseId } = await takeIn()
    await server.post('/clock', { speed: 60, forwardMinutes: 0 }).expect(201)
    const event = (await server.command(caseId, 1, { type: 'note', text: 'so' }).expect(201)).body
    await server.post('/clock', { speed: 1, forwardMinutes: 0 }).expect(201)
    expect(event).toMatchObject({ clockSpeed: 60 })
    const { figures } = await quality()
    expect([figures.leftOut.fastClock, figures.cases]).toEqual([1, before.cases])
  })
})

describe('a cause', () => {
  it('that no list names is refused; one that was seen is counted, by its fault', async () => {
    const { caseId } = await takeIn()
    const wentBack = await remake(caseId)
    const found = { type: 'findCause', jobId: 'job-1', wentBack, how: 'seen' }
    const refused = await server.command(caseId, wentBack, { ...found, cause: 'Ravi' }).expect(422)
    expect(refused.body).toMatchObject({ code: 'cause-unknown' })
    await server
      .command(caseId, wentBack, {
        ...found,
        cause: 'A slip of the hand',
        place: 'teeth-whole',
        fault: 'A tooth broke',
      })
      .expect(201)
    const findings = (await server.get('/quality/findings').expect(200)).body as FaultFindings[]
    expect(findings).toEqual([
      { place: 'teeth-whole', fault: 'A tooth broke', found: { 'A slip of the hand': 1 } },
    ])
    const { figures } = await quality()
    expect(figures.causes.table.single).toMatchObject([{ cause: 'A slip of the hand', count: 1 }])
    await server
      .post('/quality/said', {
        ...{ type: 'causeWeightsReset', place: 'teeth-whole', fault: 'A tooth broke' },
        reason: 'another plaster',
      })
      .expect(201)
    expect((await server.get('/quality/findings').expect(200)).body).toMatchObject([{ found: {} }])
  })
})

describe('a chart', () => {
  const trim = 'study-cast/trim/back-angle@89..91'
  const chart = async (): Promise<ChartShown> =>
    (await server.get(`/quality/chart?series=${encodeURIComponent(trim)}`).expect(200)).body
  it('shows every value with its case; a series that is not there is none', async () => {
    expect(await chart()).toMatchObject({
      state: 'dots',
      count: 1,
      points: [{ docket: 'K-0001' }],
      min: 89,
      max: 91,
    })
    await server.get('/quality/chart?series=none').expect(404)
  })
  it('a signal that was looked at has its sentence, and a reason is wanted for limits anew', async () => {
    const [{ caseId, sequence }] = (await chart()).points as never as [{ caseId: string; sequence: number }]
    const seen = { series: trim, caseId, entry: sequence, words: 'a new wheel' }
    expect((await server.post('/quality/seen', seen).expect(201)).body).toMatchObject({
      by: 'Ada',
      words: 'a new wheel',
    })
    expect((await server.post('/quality/seen', { ...seen, words: ' ' }).expect(422)).body.code).toBe(
      'words-missing',
    )
    const anew = { type: 'limitsSet', series: trim, reason: '' }
    expect((await server.post('/quality/said', anew).expect(422)).body.code).toBe('limits-without-reason')
    await server.post('/quality/said', { ...anew, reason: 'a new gauge' }).expect(201)
    expect(await chart()).toMatchObject({ count: 1, from: 0, since: { reason: 'a new gauge' } })
    const said = (await server.get('/quality/said').expect(200)).body as LabEvent[]
    expect(said.map(({ type }) => type)).toEqual(['causeWeightsReset', 'signalSeen', 'limitsSet'])
    expect(said.map(({ sequence: number }) => number)).toEqual([1, 2, 3])
  })
})

describe('tables', () => {
  it.each(qualityTables)('%s as CSV, with units in its head and nobody by name', async (which) => {
    const { text, headers } = await server.get(`/quality/table?which=${which}`).expect(200)
    expect(headers['content-type']).toContain('text/csv')
    const [head, ...lines] = text.trim().split('\r\n')
    expect(head).toMatch(/_min|_utc|share_low|difference_low/)
    expect(text).not.toContain('Ada')
    if (which !== 'comparisons') expect(lines.length).toBeGreaterThan(0)
  })
  it('what went back, with what it cost', async () => {
    const { text } = await server.get('/quality/table?which=goingsBack').expect(200)
    const [, line] = text.trim().split('\r\n')
    expect(line).toMatch(/^K-\d+,study-cast,pour-anatomy,separate,lab,yes,\d{4}-.*Z,/)
    expect(line).toMatch(/,A slip of the hand,seen$/)
    await server.get('/quality/table?which=people').expect(422)
  })
})

describe('learned times', () => {
  it("the plan takes them; what somebody has entered comes before them, and the lab's settings do not show them", async () => {
    const plans = server.app.get(PlanSettingsService)
    plans.learn({ 'study-cast/trim': { hands: 14 } })
    expect((await plans.forPlan()).minutes).toEqual({ 'study-cast/trim': { hands: 14 } })
    expect((await server.get('/plan/settings').expect(200)).body.minutes).toEqual({})
    await server.put('/plan/minutes', { templateId: 'study-cast', stepId: 'trim', hands: 20 }).expect(200)
    expect((await plans.forPlan()).minutes).toEqual({ 'study-cast/trim': { hands: 20 } })
  })
  it('with too few of them the plan keeps its own', async () => {
    const plans = server.app.get(PlanSettingsService)
    await server.put('/plan/minutes', { templateId: 'study-cast', stepId: 'trim' }).expect(200)
    await server.app.get(QualityRecord).learn()
    expect((await plans.forPlan()).minutes).toEqual({})
  })
})

describe('the year of the demo', () => {
  const now = Date.UTC(2026, 10, 30, 10, 40)
  const year = demoYear(now, usualCalendar('Europe/Vienna'))
  it('is the same every time, and lies within the year before its day', () => {
    const again = demoYear(now, usualCalendar('Europe/Vienna'))
    expect(again.cases.map(({ demo: { paceOf: _pace, ...demo } }) => demo)).toEqual(
      year.cases.map(({ demo: { paceOf: _pace, ...demo } }) => demo),
    )
    const days = year.cases.map(({ demo }) => demo.minutesAgo / 1440)
    expect(Math.min(...days)).toBeGreaterThan(0)
    expect(Math.max(...days)).toBeLessThan(370)
    expect(new Set(year.cases.map(({ demo }) => demo.docket)).size).toBe(year.cases.length)
  })
  it('has lots that are on the shelf, one at a time for each job', () => {
    const ids = new Set(year.lots.map(({ lotId }) => lotId))
    for (const { lotOf } of year.cases) expect(ids.has(lotOf('dental-stone')!)).toBe(true)
    const { lots } = JSON.parse(readFileSync('demo/year.json', 'utf8')) as { lots: { number: string }[] }
    expect(year.lots.map(({ number }) => number)).toEqual(lots.map(({ number }) => number))
  })
})
