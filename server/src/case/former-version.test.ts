import 'reflect-metadata'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { gunzipSync } from 'node:zlib'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { Bench, CaseDocument, CaseRecord } from '@yentrik/contract'
import { type CaseSummary, castingRecord, processingRecord, routeTemplates, workingCase } from '@yentrik/core'
import { TestServer } from '../testing/test-server.ts'

/**
 * What version 0.1 left behind: a data file with a case of every job, every kind of event and of sheet; the same cases as
 * documents; and how each stood, as that version saw it.
 */
const fixture = (name: string) =>
  gunzipSync(readFileSync(join(import.meta.dirname, '../../fixtures/version-0.1', name)))
const json = <T>(name: string) => JSON.parse(fixture(name).toString('utf8')) as T

interface Stood {
  readonly status: string
  readonly sequence: number
  readonly stage: string
  readonly stepsDone: number
  readonly stepsInAll: number
  readonly steps: Readonly<Record<string, string>>
}
const stood = json<Record<string, Stood>>('states.json.gz')

async function standing(server: TestServer): Promise<Record<string, Stood>> {
  const summaries = (await server.get('/cases?which=all').expect(200)).body as CaseSummary[]
  const found: Record<string, Stood> = {}
  for (const { caseId, docket, status, sequence, stage, stepsDone, stepsInAll } of summaries) {
    const { events, routes } = (await server.get(`/cases/${caseId}`).expect(200)).body as CaseRecord
    const { state } = workingCase(events, new Map(Object.entries(routes)), routeTemplates)
    const steps = state.jobs.flatMap((job) =>
      Object.entries(job.steps).map(([id, step]) => [
        id,
        `${step.status} ${step.attempt} ${step.readings.length} ${step.mixes.length} ${step.sheets.length}`,
      ]),
    )
    const summary = { status, sequence, stage, stepsDone, stepsInAll }
    found[docket] = { ...summary, steps: Object.fromEntries(steps) }
  }
  return found
}
const withoutLots = Object.fromEntries(
  Object.entries(stood).map(([docket, { status, sequence, stage, stepsDone, stepsInAll, steps }]) => [
    docket,
    { status, sequence, stage, stepsDone, stepsInAll, steps },
  ]),
)

describe('a data file of version 0.1', () => {
  const server = new TestServer()
  beforeAll(async () => {
    writeFileSync(join(server.folder, 'lab.sqlite'), fixture('lab.sqlite.gz'))
    await server.start({ demo: true })
  })
  afterAll(() => server.close())

  it('opens, and every case stands as it did', async () => {
    expect(await standing(server)).toEqual(withoutLots)
  })
  it('is worked on: a case of before takes a note, and a running step is finished', async () => {
    const { body } = await server.get('/bench').expect(200)
    const running = (body as Bench).work.find(({ kind, running: runs }) => runs && kind === 'unattended')!
    const { caseId, sequence, jobId, stepId } = running
    await server.command(caseId, sequence, { type: 'note', jobId, stepId, text: 'seen' }).expect(201)
  })
  it('gives the routes of before what they mean and look like today', async () => {
    const summaries = (await server.get('/cases?which=all')).body as CaseSummary[]
    const found = { casting: 0, processing: 0, pictures: 0, steps: 0 }
    for (const { caseId } of summaries) {
      const { events, routes } = (await server.get(`/cases/${caseId}`)).body as CaseRecord
      const { state } = workingCase(events, new Map(Object.entries(routes)), routeTemplates)
      for (const job of state.jobs) {
        found.casting += Object.keys(castingRecord(job)).length > 8 ? 1 : 0
        found.processing += Object.keys(processingRecord(job)).length > 8 ? 1 : 0
        found.steps += job.route.steps.length
        found.pictures += job.route.steps.filter(({ picture }) => picture).length
      }
    }
    expect(found.casting).toBeGreaterThanOrEqual(2)
    expect(found.processing).toBeGreaterThanOrEqual(3)
    expect(found.pictures).toBe(found.steps)
  })
})

describe('documents of version 0.1', () => {
  const server = new TestServer()
  const documents = json<CaseDocument[]>('documents.json.gz')
  beforeAll(async () => {
    const opened = await TestServer.open()
    Object.assign(server, opened)
  })
  afterAll(() => server.close())

  it('come in whole, stand as they did and go out as they came', async () => {
    for (const document of documents) {
      const answer = await server.post('/cases/import', document)
      expect([document.caseId, answer.status, answer.body.detail]).toEqual([document.caseId, 201, undefined])
    }
    // One entry more: that it was imported.
    const further = ({ sequence, ...rest }: Stood) => ({ sequence: sequence + 1, ...rest })
    expect(await standing(server)).toEqual(
      Object.fromEntries(
        Object.entries(withoutLots).map(([docket, each]) => [docket, further(each as Stood)]),
      ),
    )
    for (const document of documents) {
      const { lab, ...back } = (await server.get(`/cases/${document.caseId}/document`)).body as CaseDocument
      expect(lab).toBe('Our laboratory')
      expect(back.events.at(-1)).toMatchObject({
        type: 'imported',
        by: 'Ada',
        chain: document.events.length === 1 ? 'whole' : 'none',
      })
      const theirs = back.events.slice(0, -1).map(({ previous: _, ...event }) => event)
      expect({ ...back, events: theirs }).toEqual(document)
    }
  })
})
