import type { Bench } from '@yentrik/contract'
import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { benchList, type CaseEvent, curePresets, programMinutes } from '@yentrik/core'
import { workTo } from '../testing/careful-case.ts'
import { intake, TestServer } from '../testing/test-server.ts'

const MINUTE = 60_000
const CURE = 'cure-long-boil'

describe('work in a machine', () => {
  let server: TestServer
  let caseId: string
  beforeAll(async () => {
    server = await TestServer.open({ bath: 'stand-in' })
    const { authorisation } = intake()
    const jobs = [{ templateId: 'complete-denture', choices: { arch: 'upper' } }]
    caseId = (await server.post('/cases', { authorisation, jobs }).expect(201)).body.caseId
    await workTo(server, caseId, CURE)
  })
  afterAll(() => server.close())

  const benchSays = async () => {
    const bench = (await server.get('/bench').expect(200)).body as Bench
    const { at } = bench
    const { window, startedAt } = benchList(bench, at).running.find((entry) => entry.caseId === caseId)!
    return { at, startedAt: startedAt!, goodFrom: window!.goodFrom, source: window!.source }
  }
  const load = () => ({ caseId, jobId: 'job-1', stepId: CURE })

  it('is ready at the usual hour while no machine holds it', async () => {
    const { goodFrom, startedAt, source } = await benchSays()
    expect(goodFrom - startedAt).toBe(10 * 60 * MINUTE)
    expect(source).toBe('common practice')
  })
  it('is ready when the machine should be done, later once the power was out, and as usual when it was stopped', async () => {
    const { program } = curePresets.find(({ id }) => id === 'long-boil')!
    const body = { kind: 'bath', machine: 'Bath', program, loads: [load()] }
    const { runId, startedAt } = (await server.post('/machine-runs', body).expect(201)).body
    const planned = await benchSays()
    expect(planned.source).toContain('program of the machine')
    // It lags behind its program by some minutes and never is early.
    const lasts = (planned.goodFrom - Date.parse(startedAt)) / MINUTE
    expect(lasts).toBeGreaterThanOrEqual(programMinutes(program))
    expect(lasts).toBeLessThan(programMinutes(program) + 60)
    await server.post(`/machine-runs/${runId}/troubles`, { kind: 'powerCut', minutes: 180 }).expect(204)
    const held = await benchSays()
    expect(held.goodFrom - planned.goodFrom).toBeGreaterThan(150 * MINUTE)
    await server.post(`/machine-runs/${runId}/stop`, {}).expect(200)
    expect((await benchSays()).source).toBe('common practice')
    const listed = async () =>
      ((await server.get('/machine-runs').expect(200)).body as { runId: string }[]).map((each) => each.runId)
    expect(await listed()).toContain(runId)
    // Stopped within a day it is still shown, then no more.
    await server.post('/clock', { speed: 1, forwardMinutes: 25 * 60 }).expect(201)
    expect(await listed()).not.toContain(runId)
  })
  it('is not moved by a machine that holds other work, or ran before the step was started', async () => {
    const { program } = curePresets[0]!
    const other = { ...load(), jobId: 'job-2' }
    await server
      .post('/machine-runs', { kind: 'bath', machine: 'Other', program, loads: [other] })
      .expect(201)
    expect((await benchSays()).source).toBe('common practice')
  })
  it('is not put into a bath that is full', async () => {
    const bath = { kind: 'bath', timeConstantMinutes: 150, mostFlasks: 1, source: 'timed here' }
    await server.put('/equipment/Small', bath).expect(200)
    const { program } = curePresets[0]!
    const loads = [load(), { ...load(), jobId: 'job-2' }]
    const body = { kind: 'bath', machine: 'Small', program, loads }
    const { code, remedy } = (await server.post('/machine-runs', body).expect(422)).body
    expect([code, remedy]).toEqual(['bath-full', 'Leave some out, or take another.'])
  })
  it('may be taken out early once its curve is on record, whatever the usual hours', async () => {
    const { body } = await server.get(`/cases/${caseId}`)
    const seen = (body.events as CaseEvent[]).at(-1)!.sequence
    const { program } = curePresets[0]!
    const run = {
      sections: [{ shape: 'sheet', millimetres: 2.5 }],
      program,
      from: 'hand',
      measured: [{ minutes: Math.round(programMinutes(program)), celsius: 100 }],
      showsTooMuchCelsius: 0,
    }
    const on = { jobId: 'job-1', stepId: CURE }
    const early = { type: 'finishStep', ...on }
    const start = { type: 'recordCheck', ...on, checkId: 'bath-start', value: 22 }
    await server.command(caseId, seen, start).expect(201)
    const sheet = {
      type: 'recordSheet',
      ...on,
      sheetId: 'cure',
      sheet: { kind: 'cure', machine: 'Bath', run },
    }
    await server.command(caseId, seen + 1, sheet).expect(201)
    const finished = (await server.command(caseId, seen + 2, early).expect(201)).body
    expect(finished).toMatchObject({ type: 'stepFinished', stepId: CURE })
    expect(finished.outOfTimeReason).toBeUndefined()
  })
})
