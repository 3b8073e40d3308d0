import type { CaseRecord } from '@yentrik/contract'
import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { isDelivered } from '@yentrik/core'
import { stateOf, workTo } from '../testing/careful-case.ts'
import { TestServer } from '../testing/test-server.ts'

const back = {
  cause: 'surface',
  found: 'The base of the cast crumbles',
  jobs: [{ jobId: 'job-1', fromStepId: 'trim' }],
  changes: { dueAt: '2099-03-09T12:00:00.000Z', enclosures: ['Cast'] },
}
let server: TestServer
let firstId: string
beforeAll(async () => {
  server = await TestServer.open()
  firstId = (await server.receive()).caseId
  await workTo(server, firstId)
})
afterAll(() => server.close())

const takeBack = (change: object = {}, caseId = firstId) =>
  server.post(`/cases/${caseId}/return`, { ...back, ...change })
const allCases = async () => (await server.get('/cases?which=all').expect(200)).body as { docket: string }[]

describe('a delivered case that comes back', () => {
  it.each([
    ['without words', { found: ' ' }, 'words-missing'],
    ['due in the past', { changes: { dueAt: '2020-01-01T00:00:00Z' } }, 'due-before-receipt'],
    ['from no step of it', { jobs: [{ jobId: 'job-1', fromStepId: 'pumice' }] }, 'no-such-step'],
    ['for a cause that is none', { cause: 'weather' }, 'entry-not-valid'],
    ['of no job', { jobs: [] }, 'entry-not-valid'],
  ])('%s is refused, and neither case is touched', async (_, change, code) => {
    const [events, cases] = [(await stateOf(server, firstId)).sequence, (await allCases()).length]
    const { body } = await takeBack(change).expect(422)
    expect(body.code).toBe(code)
    expect(body.remedy).toMatch(/\w/)
    expect((await stateOf(server, firstId)).sequence).toBe(events)
    expect(await allCases()).toHaveLength(cases)
  })
  it('goes on as a case of its own that can be worked to its end', async () => {
    const opened = (await takeBack({ docket: 'R-1' }).expect(201)).body as CaseRecord
    expect(await stateOf(server, opened.caseId)).toMatchObject({
      docket: 'R-1',
      cameBack: { caseId: firstId, found: 'The base of the cast crumbles' },
      authorisation: { clinic: 'Mill Lane', enclosures: ['Cast'] },
    })
    expect((await stateOf(server, firstId)).cameBackAs).toEqual({ caseId: opened.caseId, docket: 'R-1' })
    await workTo(server, opened.caseId)
    expect(isDelivered(await stateOf(server, opened.caseId))).toBe(true)
    for (const id of [firstId, opened.caseId])
      expect((await server.get(`/cases/${id}/chain`).expect(200)).body.looseAt).toBeNull()
    // What is in the file is what was answered.
    await server.restart()
    expect(isDelivered(await stateOf(server, opened.caseId))).toBe(true)
    const document = (await server.get(`/cases/${opened.caseId}/document`).expect(200)).body
    const other = await TestServer.open()
    await other.post('/cases/import', document).expect(201)
    expect((await stateOf(other, opened.caseId)).cameBack?.docket).toBe(
      (await stateOf(server, firstId)).docket,
    )
    await other.close()
  })
  it('does not come back twice: the later one does', async () => {
    const { body } = await takeBack().expect(422)
    expect(body).toMatchObject({ code: 'came-back-already', remedy: expect.stringContaining('R-1') })
  })
  it('that has not left yet does not come back; one that is not there is not found', async () => {
    const running = (await server.receive()).caseId
    expect((await takeBack({}, running).expect(422)).body.code).toBe('not-delivered')
    expect((await takeBack({}, 'nowhere').expect(404)).body.code).toBe('no-such-case')
  })
  it('under a docket in use stores nothing', async () => {
    const another = (await server.receive()).caseId
    await workTo(server, another)
    expect((await takeBack({ docket: 'r-1' }, another).expect(409)).body.code).toBe('docket-taken')
    expect((await stateOf(server, another)).cameBackAs).toBeUndefined()
  })
})
