import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { CaseRecord } from '@yentrik/contract'
import {
  type AlloyPiece,
  type CaseCommand,
  carefulWork,
  caseState,
  currentStep,
  seededRandom,
} from '@yentrik/core'
import { intake, TestServer } from '../testing/test-server.ts'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.open({ furnace: 'stand-in' })
})
afterAll(() => server.close())

const { teeth } = intake().authorisation
/** A crown that stands at a step, which is running; and how to go on with it. */
async function crownAt(stepId: string) {
  const jobs = [{ templateId: 'cast-crown', choices: {} }]
  const { caseId } = await server.receive({ ...intake(), jobs })
  const give = async (command: CaseCommand) =>
    await server.command(caseId, (await server.events(caseId)).length, command)
  for (;;) {
    const record = (await server.get(`/cases/${caseId}`)).body as CaseRecord
    const step = currentStep(caseState(record.events, (id) => record.routes[id]!).jobs[0]!)!
    const on = { jobId: 'job-1', stepId: step.id }
    await give({ type: 'startStep', ...on })
    if (step.id === stepId) return { caseId, on, give }
    for (const command of carefulWork('job-1', step, seededRandom(1), undefined, { teeth }))
      await give(command)
    const { status, body } = await give({ type: 'finishStep', ...on, outOfTimeReason: 'test' })
    if (status !== 201) throw new Error(JSON.stringify(body))
  }
}

async function alloyLot(number: string, materialId = 'nickel-chromium'): Promise<string> {
  return (await server.post('/lots', { materialId, number }).expect(201)).body.lotId
}
interface Piece extends Omit<AlloyPiece, 'id'> {
  readonly pieceId: string
  readonly fromCase: string | null
}
const onShelf = async () => (await server.get('/alloy-pieces').expect(200)).body as Piece[]
const asPiece = ({ pieceId, grams, lots, history }: Piece): AlloyPiece => ({
  id: pieceId,
  grams,
  lots,
  history,
})

describe('the stock of alloy', () => {
  it('weighs pieces of a lot in, scraps one, and takes no lot of stone', async () => {
    const lotId = await alloyLot('N-1')
    await server.post('/alloy-pieces', { lotId, grams: [6.02, 5.97], meltedBefore: 1 }).expect(201)
    const [first] = await onShelf()
    expect(first).toMatchObject({ grams: 6.02, history: { shares: [0, 1] }, lots: [{ lotId, share: 1 }] })
    await server.delete(`/alloy-pieces/${first!.pieceId}`).expect(204)
    expect((await onShelf()).map(({ grams }) => grams)).toEqual([5.97])
    const stone = await alloyLot('S-1', 'dental-stone')
    expect((await server.post('/alloy-pieces', { lotId: stone, grams: [5] }).expect(422)).body.code).toBe(
      'no-such-lot',
    )
    expect((await server.post('/alloy-pieces', { lotId, grams: [-2] }).expect(422)).body.field).toBe('grams')
    expect((await server.post('/alloy-pieces', { lotId, grams: [501] }).expect(422)).body.code).toBe('piece')
    expect((await server.delete('/alloy-pieces/none').expect(404)).body.code).toBe('no-such-piece')
    await server.delete(`/alloy-pieces/${(await onShelf())[0]!.pieceId}`).expect(204)
  })

  it('a case takes its pieces and gives its button back, melted once; the lot leads to the case', async () => {
    const lotId = await alloyLot('N-2')
    await server.post('/alloy-pieces', { lotId, grams: [8, 7.5, 6] }).expect(201)
    const { caseId, on, give } = await crownAt('weigh-metal')
    const [a, b, c] = (await onShelf()).map(asPiece)
    const charge = (pieces: readonly AlloyPiece[]): CaseCommand => ({
      type: 'recordSheet',
      ...on,
      sheetId: 'charge',
      sheet: { kind: 'charge', alloyId: 'nickel-chromium', pieces },
    })
    expect((await give(charge([a!, b!]))).status).toBe(201)
    expect((await onShelf()).map(({ grams }) => grams)).toEqual([6])
    // A correction: the last entry counts, and what it does not name lies on the shelf again.
    expect((await give(charge([a!, c!]))).status).toBe(201)
    expect((await onShelf()).map(({ grams }) => grams)).toEqual([7.5])
    const other = await crownAt('weigh-metal')
    const taken = await other.give(charge([a!]))
    expect(taken.status).toBe(409)
    expect(taken.body).toMatchObject({ code: 'piece-taken', field: 'pieces' })
    expect(await server.events(other.caseId)).not.toContainEqual(
      expect.objectContaining({ type: 'sheetRecorded', sheetId: 'charge' }),
    )
    const { body: cases } = await server.get(`/lots/${lotId}/cases`).expect(200)
    expect(cases).toEqual([expect.objectContaining({ caseId, powderGrams: 14 })])
    await give({ type: 'finishStep', ...on, outOfTimeReason: 'test' })
    for (const stepId of ['burnout', 'cast', 'cool-casting', 'divest', 'inspect-casting']) {
      const step = { jobId: 'job-1', stepId }
      await give({ type: 'startStep', ...step })
      const record = (await server.get(`/cases/${caseId}`)).body as CaseRecord
      const job = caseState(record.events, (id) => record.routes[id]!).jobs[0]!
      for (const command of carefulWork('job-1', currentStep(job)!, seededRandom(1), undefined, { teeth }))
        await give(command)
      await give({ type: 'finishStep', ...step, outOfTimeReason: 'test' })
    }
    const fit = { jobId: 'job-1', stepId: 'fit-die' }
    await give({ type: 'startStep', ...fit })
    const button = (grams: number): CaseCommand => ({
      type: 'recordSheet',
      ...fit,
      sheetId: 'button',
      sheet: { kind: 'button', grams },
    })
    expect((await give(button(5.1))).status).toBe(201)
    const back = (await onShelf()).find(({ fromCase }) => fromCase === caseId)
    expect(back).toMatchObject({ grams: 5.1, history: { shares: [0, 1] }, lots: [{ lotId, share: 1 }] })
    await give(button(0))
    expect((await onShelf()).some(({ fromCase }) => fromCase === caseId)).toBe(false)
    const { body: document } = await server.get(`/cases/${caseId}/document`).expect(200)
    expect(document.lots).toEqual([{ lotId, materialId: 'nickel-chromium', number: 'N-2' }])
  })

  it('a burnout says nothing of its product that the shelf does not: no hot furnace for a class card', async () => {
    const { on, give } = await crownAt('burnout')
    const hot = {
      startCelsius: 850,
      segments: [{ rampCelsiusPerMinute: 1, toCelsius: 850, holdMinutes: 90 }],
    }
    const answer = await give({
      type: 'recordSheet',
      ...on,
      sheetId: 'burnout-phosphate',
      sheet: {
        kind: 'burnout',
        machine: 'Furnace',
        run: {
          binder: 'phosphate',
          ring: { radiusMillimetres: 32.5, heightMillimetres: 55 },
          program: hot,
          from: 'hand',
          measured: [{ minutes: 90, celsius: 850 }],
          showsTooMuchCelsius: 0,
          hotEntry: true,
        },
      },
    })
    expect([answer.status, answer.body.code, answer.body.field]).toEqual([
      422,
      'not-marked-for-hot-entry',
      'sheet.run.hotEntry',
    ])
  })

  it('a charge that is withdrawn gives its pieces back, and its button was never there', async () => {
    const lotId = await alloyLot('N-9')
    await server.post('/alloy-pieces', { lotId, grams: [9.1] }).expect(201)
    const piece = (await onShelf()).find(({ grams }) => grams === 9.1)!
    const { caseId, on, give } = await crownAt('weigh-metal')
    const sheet = { kind: 'charge' as const, alloyId: 'nickel-chromium', pieces: [asPiece(piece)] }
    await give({ type: 'recordSheet', ...on, sheetId: 'charge', sheet })
    expect((await onShelf()).some(({ pieceId }) => pieceId === piece.pieceId)).toBe(false)
    const withdraws = (await server.events(caseId)).at(-1)!.sequence
    expect((await give({ type: 'withdraw', withdraws, reason: 'the wrong case' })).status).toBe(201)
    expect((await onShelf()).find(({ pieceId }) => pieceId === piece.pieceId)).toMatchObject({ grams: 9.1 })
    expect((await server.get(`/lots/${lotId}/cases`).expect(200)).body).toEqual([])
  })

  it('a lot in quarantine goes into no charge', async () => {
    const lotId = await alloyLot('N-3')
    const { body } = await server.post('/alloy-pieces', { lotId, grams: [9] }).expect(201)
    await server.post(`/lots/${lotId}/quarantine`, { reason: 'sheet missing' }).expect(204)
    const { on, give } = await crownAt('weigh-metal')
    const sheet = { kind: 'charge' as const, alloyId: 'nickel-chromium', pieces: body.map(asPiece) }
    expect((await give({ type: 'recordSheet', ...on, sheetId: 'charge', sheet })).body.code).toBe(
      'lot-in-quarantine',
    )
  })
})

describe('equipment of the lab', () => {
  const arm = {
    kind: 'arm',
    innerMillimetres: 220,
    outerMillimetres: 250,
    measuredRpm: 400,
    measuredTurns: 3,
    source: 'filmed',
  }
  it('is kept under its name, changed, and taken off the list', async () => {
    await server.put('/equipment/Arm%201', arm).expect(200)
    await server.put('/equipment/Arm%201', { ...arm, measuredRpm: 420 }).expect(200)
    expect((await server.get('/equipment').expect(200)).body).toEqual([
      { ...arm, name: 'Arm 1', measuredRpm: 420 },
    ])
    await server.delete('/equipment/Arm%201').expect(204)
    expect((await server.delete('/equipment/Arm%201').expect(404)).body.code).toBe('no-such-equipment')
  })
  it.each([
    [{ ...arm, outerMillimetres: 100 }, 'outerMillimetres'],
    [{ kind: 'ring', source: 'x' }, 'innerDiameterMillimetres'],
    [{ ...arm, colour: 'red' }, 'colour'],
  ])('refuses %j', async (body, field) => {
    expect((await server.put('/equipment/X', body).expect(422)).body.field).toBe(field)
  })
})

describe('the stand-in furnace', () => {
  const program = {
    startCelsius: 20,
    segments: [
      { rampCelsiusPerMinute: 8, toCelsius: 250, holdMinutes: 20 },
      { rampCelsiusPerMinute: 8, toCelsius: 850, holdMinutes: 30 },
    ],
  }
  const on = (minutes: number) => server.post('/clock', { speed: 1, forwardMinutes: minutes })
  const shown = async (runId: string) =>
    (await server.get('/machine-runs').expect(200)).body.find((run: { runId: string }) => run.runId === runId)
  it('runs a program by the clock of the lab, one at a time, and is stopped', async () => {
    const { runId } = (
      await server.post('/machine-runs', { kind: 'furnace', machine: 'F1', program, loads: [] }).expect(201)
    ).body
    expect(
      (await server.post('/machine-runs', { kind: 'furnace', machine: 'F1', program, loads: [] }).expect(409))
        .body.code,
    ).toBe('machine-busy')
    await on(45)
    const { measured, ended } = await shown(runId)
    expect(ended).toBe(false)
    expect(measured).toHaveLength(46)
    expect(Math.abs(measured.at(-1).celsius - 250)).toBeLessThan(15)
    await server.post(`/machine-runs/${runId}/troubles`, { kind: 'powerCut', minutes: 30 }).expect(204)
    await on(30)
    expect((await shown(runId)).measured.at(-1).celsius).toBeLessThan(190)
    await server.post(`/machine-runs/${runId}/troubles`, { kind: 'drift', celsiusPerHour: 20 }).expect(204)
    await on(180)
    const { celsius, shownCelsius } = (
      await server.get(`/machine-runs/${runId}/second-thermometer`).expect(200)
    ).body
    expect(shownCelsius - celsius).toBeGreaterThan(40)
    expect((await shown(runId)).ended).toBe(true)
    const stopped = (await server.post(`/machine-runs/${runId}/stop`, {}).expect(200)).body
    await on(60)
    expect((await shown(runId)).measured).toHaveLength(stopped.measured.length)
    expect((await server.post(`/machine-runs/${runId}/stop`, {}).expect(404)).body.code).toBe('no-such-run')
  })
  it('refuses a program that cannot be run, and all of them where there is no furnace', async () => {
    const still = { ...program, segments: [{ rampCelsiusPerMinute: 0, toCelsius: 500, holdMinutes: 5 }] }
    expect(
      (
        await server
          .post('/machine-runs', { kind: 'furnace', machine: 'F2', program: still, loads: [] })
          .expect(422)
      ).body.code,
    ).toBe('segment')
    const bare = await TestServer.open()
    try {
      const { body } = await bare
        .post('/machine-runs', { kind: 'furnace', machine: 'F1', program, loads: [] })
        .expect(404)
      expect(body).toMatchObject({
        code: 'no-furnace',
        remedy: expect.stringContaining('enter what you read'),
      })
    } finally {
      await bare.close()
    }
  })
})
