import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { CaseDocument } from '@yentrik/contract'
import type { CaseSummary } from '@yentrik/core'
import { TestServer } from '../testing/test-server.ts'

/** Documents of the demo lab, which has every kind of event, taken into an empty lab. */
let from: TestServer
let into: TestServer
let documents: CaseDocument[]
beforeAll(async () => {
  from = await TestServer.open({ demo: true })
  into = await TestServer.open()
  const summaries = (await from.get('/cases?which=all').expect(200)).body as CaseSummary[]
  documents = []
  for (const { caseId } of summaries)
    documents.push((await from.get(`/cases/${caseId}/document`).expect(200)).body)
})
afterAll(async () => {
  await from.close()
  await into.close()
})

/** The lots named anywhere in a value. */
function lotsIn(value: unknown): readonly string[] {
  if (Array.isArray(value)) return value.flatMap(lotsIn)
  if (typeof value !== 'object' || value === null) return []
  return Object.entries(value).flatMap(([name, part]) =>
    name === 'lotId' || (name === 'lots' && typeof part?.[0] === 'string')
      ? (part as string[])
      : lotsIn(part),
  )
}

describe('a case as a document', () => {
  it('is the same after export, import and export again, but that it says who took it in', async () => {
    expect(documents.length).toBeGreaterThan(11)
    for (const document of documents) {
      await into.post('/cases/import', document).expect(201)
      const again = (await into.get(`/cases/${document.caseId}/document`).expect(200)).body
      const imported = again.events.at(-1)
      expect(imported).toMatchObject({ type: 'imported', by: 'Ada', lab: document.lab, chain: 'whole' })
      expect({ ...again, lab: document.lab, events: again.events.slice(0, -1) }).toEqual(document)
      expect((await into.get(`/cases/${document.caseId}/chain`).expect(200)).body).toEqual({
        events: again.events.length,
        newest: expect.stringMatching(/^[0-9a-f]{64}$/),
        looseAt: null,
      })
    }
    const summaries = (await from.get('/cases?which=all')).body as CaseSummary[]
    const there = (await into.get('/cases?which=all')).body as CaseSummary[]
    const plain = (list: CaseSummary[]) =>
      list
        .map(({ docket, status, stepsDone }) => ({ docket, status, stepsDone }))
        .sort((a, b) => a.docket.localeCompare(b.docket))
    expect(plain(there)).toEqual(plain(summaries))
  })
  it('brings every lot that its events name, and no other', () => {
    for (const { events, lots } of documents)
      expect(new Set(lots.map(({ lotId }) => lotId))).toEqual(new Set(lotsIn(events)))
  })
  it('is refused when it is here already', async () => {
    expect((await into.post('/cases/import', documents[0]!).expect(409)).body.code).toBe('case-known')
  })
  it.each<[string, (d: CaseDocument) => unknown, string]>([
    ['without its format', ({ format: _, ...rest }) => rest, '/'],
    [
      'with an event missing',
      (d) => ({ ...d, events: d.events.filter((_, n) => n !== 1) }),
      '/events/1/sequence',
    ],
    [
      'with a changed event',
      (d) => ({ ...d, events: d.events.map((e, n) => (n === 2 ? { ...e, by: 'Somebody' } : e)) }),
      '/events/3/previous',
    ],
    [
      'with a changed route',
      (d) => ({
        ...d,
        routes: Object.fromEntries(Object.entries(d.routes).map(([id, r]) => [id, { ...r, name: 'Other' }])),
      }),
      '/routes/',
    ],
    [
      'with a date that is none',
      (d) => ({ ...d, events: [{ ...d.events[0], at: 'yesterday' }, ...d.events.slice(1)] }),
      '/events/0/at',
    ],
    [
      'with an unknown event',
      (d) => ({
        ...d,
        events: [...d.events, { sequence: d.events.length + 1, at: d.events[0]!.at, by: 'x', type: 'flew' }],
      }),
      '/events/',
    ],
    ['with an unknown entry', (d) => ({ ...d, extra: 1 }), '/'],
    [
      'with a step of no route',
      (d) => ({
        ...d,
        events: [
          ...d.events,
          {
            sequence: d.events.length + 1,
            at: d.events[0]!.at,
            by: 'x',
            type: 'stepStarted',
            jobId: 'job-1',
            stepId: 'fly',
          },
        ],
      }),
      '/events',
    ],
  ])('is refused %s, with the place, and nothing is imported', async (_, damage, place) => {
    const caseId = '00000000-0000-4000-8000-000000000000'
    const { body } = await into
      .post('/cases/import', damage({ ...documents[1]!, caseId }) as object)
      .expect(422)
    expect(body).toMatchObject({
      code: 'document-damaged',
      field: expect.stringContaining(place),
      detail: expect.stringMatching(/\S/),
    })
    await into.get(`/cases/${caseId}`).expect(404)
  })
  it('is refused with a trim plan that cannot be, and nothing is imported', async () => {
    const planned = documents.find((d) =>
      d.events.some((e) => e.type === 'sheetRecorded' && e.sheet.kind === 'trimPlan'),
    )!
    const caseId = '00000000-0000-4000-8000-000000000001'
    const events = planned.events.map((event) =>
      event.type === 'sheetRecorded' && event.sheet.kind === 'trimPlan'
        ? { ...event, sheet: { ...event.sheet, entry: { ...event.sheet.entry, upper: {} } } }
        : event,
    )
    const { body } = await into.post('/cases/import', { ...planned, caseId, events }).expect(422)
    expect(body).toMatchObject({
      code: 'document-damaged',
      field: expect.stringMatching(/^\/events\/\d+\/sheet/),
    })
    await into.get(`/cases/${caseId}`).expect(404)
  })
  it('has a published schema', async () => {
    expect((await into.get('/schema/case.json').expect(200)).body.description).toContain('case')
  })
})
