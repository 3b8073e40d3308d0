import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { articulatorCards, inventedPrescription, inventedSetUp } from '@yentrik/core'
import { stateOf, workTo } from '../testing/careful-case.ts'
import { intake, TestServer } from '../testing/test-server.ts'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.open()
})
afterAll(() => server.close())

const { name: _name, ...measures } = inventedSetUp.toothSet

describe('the tooth sets of the lab', () => {
  it('ships none; keeps, changes and drops what the lab has measured', async () => {
    expect((await server.get('/tooth-sets').expect(200)).body).toEqual([])
    await server.put('/tooth-sets/Narrow%2021', measures).expect(200)
    await server.put('/tooth-sets/Broad%2024', measures).expect(200)
    await server.put('/tooth-sets/Narrow%2021', { ...measures, cuspDegrees: 10 }).expect(200)
    const { body } = await server.get('/tooth-sets')
    expect(body.map((set: { name: string; cuspDegrees: number }) => [set.name, set.cuspDegrees])).toEqual([
      ['Broad 24', 20],
      ['Narrow 21', 10],
    ])
    await server.delete('/tooth-sets/Broad%2024').expect(204)
    expect((await server.get('/tooth-sets')).body).toHaveLength(1)
  })
  it('two people who add a set at once both keep theirs', async () => {
    await Promise.all(
      ['A', 'B', 'C', 'D'].map((name) => server.put(`/tooth-sets/${name}`, measures).expect(200)),
    )
    const names = (await server.get('/tooth-sets')).body.map((set: { name: string }) => set.name)
    expect(names).toEqual(expect.arrayContaining(['A', 'B', 'C', 'D']))
  })
  it.each([
    ['%20', measures, 'name'],
    ['X', { ...measures, cuspDegrees: 90 }, 'cuspDegrees'],
    ['X', { ...measures, widthsMillimetres: { ...measures.widthsMillimetres, canine: 80 } }, 'canine'],
    ['X', { ...measures, brand: 'none' }, 'brand'],
  ])('refuses %s with %j', async (name, body, field) => {
    expect((await server.put(`/tooth-sets/${name}`, body).expect(422)).body.field).toBe(field)
  })
})

describe('the set-up calculator', () => {
  it('plans over HTTP: by hand, 48.5 between the lines less 47.6 of teeth', async () => {
    const { body } = await server.post('/calc/set-up', inventedSetUp).expect(200)
    expect(body.spareMillimetres.right + body.spareMillimetres.left).toBeCloseTo(0.9, 9)
    expect(body.anterior).toHaveLength(6)
    expect(body.posterior).toHaveLength(8)
  })
  it.each([
    [{ ...inventedSetUp, rim: [] }, 'too-few-places'],
    [{ ...inventedSetUp, opposing: { kind: 'natural', overlapMillimetres: 0 } }, 'entry-not-valid'],
    [{ ...inventedSetUp, curve: 'flat' }, 'entry-not-valid'],
    [{ ...inventedSetUp, stances: undefined }, 'entry-not-valid'],
  ])('refuses what cannot be planned (%#)', async (entry, code) => {
    const { body } = await server.post('/calc/set-up', entry).expect(422)
    expect(body.code).toBe(code)
  })
})

describe('the sheets of set-up and wax on record', () => {
  /** Takes a denture in and works it up to a step as a careful technician, over HTTP. */
  async function dentureAt(stepId: string) {
    const jobs = [{ templateId: 'complete-denture', choices: { arch: 'upper' } }]
    const { caseId } = await server.receive({ ...intake(), jobs })
    await workTo(server, caseId, stepId)
    return { caseId, seen: (await stateOf(server, caseId)).sequence }
  }
  it('keeps every sheet of a denture up to its try-in, and takes the file in again elsewhere', async () => {
    const { caseId } = await dentureAt('try-in')
    const { body: document } = await server.get(`/cases/${caseId}/document`).expect(200)
    const kinds = document.events.flatMap((event: { sheet?: { kind: string } }) => event.sheet?.kind ?? [])
    expect(kinds).toEqual(
      expect.arrayContaining([
        'mounting',
        'prescription',
        'setUpPlan',
        'teethSet',
        'setUp',
        'regions',
        'dispatch',
      ]),
    )
    const other = await TestServer.open()
    try {
      await other.post('/cases/import', document).expect(201)
      const theirs = document.events.map((event: { type: string }) => event.type)
      expect((await other.events(caseId)).map((event) => event.type)).toEqual([...theirs, 'imported'])
    } finally {
      await other.close()
    }
  })
  it('gives the statement on what was made, and none while nothing is', async () => {
    const jobs = [{ templateId: 'cast-posts', choices: {} }]
    const { caseId } = await server.receive({ ...intake(), jobs })
    const path = `/cases/${caseId}/jobs/job-1/statement`
    expect((await server.get(path).expect(422)).body.code).toBe('nothing-made')
    const on = { jobId: 'job-1', stepId: 'work-authorisation' }
    await server.command(caseId, 1, { type: 'startStep', ...on }).expect(201)
    await server
      .command(caseId, 2, {
        type: 'recordCheck',
        ...on,
        checkId: 'authorisation-complete',
        answer: 'Complete',
      })
      .expect(201)
    await server.command(caseId, 3, { type: 'finishStep', ...on }).expect(201)
    expect((await server.get(path).expect(200)).body).toMatchObject({
      patientCode: 'P-7',
      materials: [],
      source: expect.stringContaining('Annex XIII'),
    })
    await server.get(`/cases/${caseId}/jobs/job-9/statement`).expect(404)
  })
  it('stores nothing of a prescription with one figure that cannot be, and says which', async () => {
    const { caseId, seen } = await dentureAt('transfer')
    const give = (prescription: object) =>
      server.command(caseId, seen, {
        type: 'recordSheet',
        jobId: 'job-1',
        stepId: 'transfer',
        sheetId: 'prescription',
        sheet: { kind: 'prescription', prescription },
      })
    const bad = { ...inventedPrescription, incisalLevelMillimetres: 210 }
    expect((await give(bad).expect(422)).body).toMatchObject({
      code: 'reading-not-plausible',
      field: 'incisalLevelMillimetres',
    })
    expect((await give({ ...inventedPrescription, arch: 'middle' }).expect(422)).body.field).toContain('arch')
    expect((await server.events(caseId)).length).toBe(seen)
    await give(inventedPrescription).expect(201)
  })
  it.each([
    ['/calc/trim', {}],
    ['/calc/articulator', { movement: 'protrusion', advanceMillimetres: 1 }],
    ['/calc/set-up', { arch: 'upper' }],
    ['/cases', { jobs: [{ templateId: 'study-cast', choices: {} }] }],
  ])('a part that was left out of %s is a bad entry, not our fault', async (path, body) => {
    expect((await server.post(path, body).expect(422)).body.code).toBe('entry-not-valid')
  })
  it('refuses a picture that is none or too large', async () => {
    const { caseId, seen } = await dentureAt('set-articulator')
    const { name, articulator } = articulatorCards[0]!
    const give = (photo: string) =>
      server.command(caseId, seen, {
        type: 'recordSheet',
        jobId: 'job-1',
        stepId: 'set-articulator',
        sheetId: 'articulator',
        sheet: { kind: 'mounting', name, articulator, pinMillimetres: 0, facebow: false, photo },
      })
    expect((await give('data:text/html;base64,AAAA').expect(422)).body.code).toBe('photo-too-large')
    expect((await give(`data:image/jpeg;base64,${'A'.repeat(120_000)}`).expect(422)).body.code).toBe(
      'photo-too-large',
    )
    await give('data:image/jpeg;base64,AAAA').expect(201)
  })
})
