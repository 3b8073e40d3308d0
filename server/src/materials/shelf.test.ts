import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { InstrumentUse } from '@yentrik/contract'
import { inMetric } from '@yentrik/core/testing'
import { mixOf, TestServer } from '../testing/test-server.ts'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.open()
})
afterAll(() => server.close())

const newLot = async (number: string, change: object = {}) =>
  (await server.post('/lots', { materialId: 'high-strength-stone', number, ...change }).expect(201)).body
    .lotId as string
const shelfLot = async (lotId: string) =>
  (await server.get('/lots')).body.find((lot: { lotId: string }) => lot.lotId === lotId)

describe('lots, their stock and their cases', () => {
  it('counts down what mixes use, corrections included, and tells when it runs low', async () => {
    const lotId = await newLot('S4-1', { receivedGrams: 1000, lowBelowGrams: 850 })
    const { caseId, docket, seen } = await server.atThePour()
    await server.command(caseId, seen, mixOf(lotId, 100)).expect(201)
    expect(await shelfLot(lotId)).toMatchObject({
      usedGrams: 100,
      leftGrams: 900,
      runsLow: false,
      openCases: 1,
    })
    const correction = {
      type: 'correct',
      corrects: seen + 1,
      powderGrams: 160,
      liquidMillilitres: 36.8,
      reason: 'misread',
    }
    await server.command(caseId, seen + 1, correction).expect(201)
    expect(await shelfLot(lotId)).toMatchObject({ usedGrams: 160, leftGrams: 840, runsLow: true })
    const cases = (await server.get(`/lots/${lotId}/cases`).expect(200)).body
    expect(cases).toMatchObject([{ caseId, docket, powderGrams: 160, status: 'open' }])
    expect((await server.get('/lots/none/cases').expect(404)).body.code).toBe('no-such-lot')
  })
  it('one that is used up runs low no more, and does again once it is back', async () => {
    const lotId = await newLot('S4-low', { receivedGrams: 100, lowBelowGrams: 500 })
    expect(await shelfLot(lotId)).toMatchObject({ runsLow: true, inUse: true })
    await server.post(`/lots/${lotId}/use`, { inUse: false }).expect(204)
    expect(await shelfLot(lotId)).toMatchObject({ runsLow: false, inUse: false })
    await server.post(`/lots/${lotId}/use`, { inUse: true }).expect(204)
    expect(await shelfLot(lotId)).toMatchObject({ runsLow: true })
  })
  it('exactly at its mark it is not low yet, and one that is not counted never is', async () => {
    expect(await shelfLot(await newLot('S4-mark', { receivedGrams: 500, lowBelowGrams: 500 }))).toMatchObject(
      {
        runsLow: false,
        leftGrams: 500,
      },
    )
    expect(await shelfLot(await newLot('S4-open', { lowBelowGrams: 500 }))).toMatchObject({
      runsLow: false,
      leftGrams: null,
    })
  })
  it('a lot that is past, or keeps longer than anything does, is not taken onto the shelf', async () => {
    const year = new Date().getFullYear()
    const lot = (expiresOn: string) =>
      server.post('/lots', { materialId: 'dental-stone', number: `E-${expiresOn}`, expiresOn })
    expect((await lot(`${year - 1}-05-01`).expect(422)).body.code).toBe('lot-expired')
    for (const far of [`${year + 31}-01-01`, '9999-12-31'])
      expect((await lot(far).expect(422)).body).toMatchObject({
        code: 'expiry-not-plausible',
        field: 'expiresOn',
      })
    await lot(`${year + 30}-12-31`).expect(201)
  })
  it('a lot in quarantine is refused with its reason, and taken again once released', async () => {
    const lotId = await newLot('S4-2')
    const { caseId, seen } = await server.atThePour()
    expect((await server.post(`/lots/${lotId}/quarantine`, { reason: ' ' }).expect(422)).body.field).toBe(
      'reason',
    )
    await server.post(`/lots/${lotId}/quarantine`, { reason: 'set soft' }).expect(204)
    const refused = (await server.command(caseId, seen, mixOf(lotId)).expect(422)).body
    expect(refused).toMatchObject({ code: 'lot-in-quarantine', detail: expect.stringContaining('set soft') })
    expect(await server.events(caseId)).toHaveLength(seen)
    await server.post(`/lots/${lotId}/release`, {}).expect(204)
    await server.command(caseId, seen, mixOf(lotId)).expect(201)
    await server.post(`/lots/${lotId}/open`, {}).expect(204)
    expect((await shelfLot(lotId)).openedOn).toMatch(/^\d{4}-\d\d-\d\d$/)
  })
  it('remembers the median of earlier mixes for the same step', async () => {
    const lotId = await newLot('S4-3')
    for (const grams of [130, 138]) {
      const { caseId, seen } = await server.atThePour()
      await server.command(caseId, seen, mixOf(lotId, grams)).expect(201)
    }
    // A slip that was withdrawn counts nowhere: not for what is remembered, nor for the last use of the Mix, nor of the lot.
    const slip = await server.atThePour()
    await server.command(slip.caseId, slip.seen, mixOf(lotId, 170)).expect(201)
    const used = (await shelfLot(lotId)).usedGrams
    const { caseId: slipped } = slip
    const { seen: at } = slip
    const correct = {
      type: 'correct',
      corrects: at + 1,
      powderGrams: 120,
      liquidMillilitres: 27.6,
      reason: 'misread',
    }
    await server.command(slipped, at + 1, correct).expect(201)
    expect((await shelfLot(lotId)).usedGrams).toBe(used - 50)
    await server.command(slipped, at + 2, { type: 'withdraw', withdraws: at + 2, reason: 'no' }).expect(201)
    expect((await shelfLot(lotId)).usedGrams).toBe(used)
    const withdraw = { type: 'withdraw', withdraws: at + 1, reason: 'another case' }
    await server.command(slipped, at + 3, withdraw).expect(201)
    expect((await shelfLot(lotId)).usedGrams).toBe(used - 170)
    const mixed = ((await server.get('/instruments').expect(200)).body as InstrumentUse[]).find(
      ({ instrument }) => instrument === 'mix',
    )
    expect(mixed!.cases.map(({ caseId }) => caseId)).not.toContain(slip.caseId)
    const path = '/mixing/remembered?materialId=high-strength-stone&stepId=pour-anatomy&amountId=stone'
    const { remembered } = (await server.get(path).expect(200)).body
    // 100 (released lot), 130, 138; the corrected one does not count.
    expect(remembered).toMatchObject({ count: 3, medianPowderGrams: 130 })
    expect((await server.get('/mixing/remembered?materialId=sand')).body).toEqual({ remembered: null })
  })
  it('takes a mix out of its packs by their share, not out of each in full', async () => {
    const packs = [await newLot('S4-A'), await newLot('S4-B')]
    const { caseId, seen } = await server.atThePour()
    await server.command(caseId, seen, { ...mixOf(packs[0]!), lots: packs }).expect(201)
    for (const lotId of packs) expect((await shelfLot(lotId)).usedGrams).toBe(50)
  })
  it('adds up what one case took at different times, and says when it last did', async () => {
    const lotId = await newLot('S4-twice')
    const { caseId, seen } = await server.atThePour()
    await server.command(caseId, seen, mixOf(lotId, 100)).expect(201)
    await server.command(caseId, seen + 1, mixOf(lotId, 60)).expect(201)
    await server.command(caseId, seen + 2, { type: 'note', text: 'the first was thrown away' }).expect(201)
    expect(await shelfLot(lotId)).toMatchObject({ usedGrams: 160, openCases: 1 })
    const [use] = (await server.get(`/lots/${lotId}/cases`).expect(200)).body
    expect(use).toMatchObject({ caseId, powderGrams: 160 })
    expect(use.lastAt).toBe((await server.events(caseId))[seen + 1]?.at)
  })
  it('a case on hold is an open one, a case that has ended is not, and stands last', async () => {
    const lotId = await newLot('S4-ended')
    const ended = await server.atThePour()
    const held = await server.atThePour()
    for (const { caseId, seen } of [held, ended])
      await server.command(caseId, seen, mixOf(lotId, 50)).expect(201)
    await server.command(held.caseId, held.seen + 1, { type: 'hold', reason: 'clinic calls' }).expect(201)
    const over = [
      { type: 'askDentist', jobId: 'job-1', question: 'Still wanted?' },
      { type: 'dentistAnswered', jobId: 'job-1', answer: 'No', decision: 'end' },
    ]
    for (const [n, command] of over.entries())
      await server.command(ended.caseId, ended.seen + 1 + n, command).expect(201)
    expect(await shelfLot(lotId)).toMatchObject({ usedGrams: 100, openCases: 1 })
    const cases = (await server.get(`/lots/${lotId}/cases`).expect(200)).body
    expect(cases).toMatchObject([
      { caseId: held.caseId, status: 'held' },
      { caseId: ended.caseId, status: 'ended' },
    ])
  })
})

describe('products', () => {
  const product = {
    materialId: 'high-strength-stone',
    name: 'Blue die stone',
    millilitresPerGram: 0.2,
    source: 'the pack',
  }
  it('inherits, flags what is out of class, and is changed', async () => {
    const made = (await server.post('/products', product).expect(201)).body
    expect(made.card.measure).toMatchObject({ usualMillilitresPerGram: 0.2, source: 'the pack' })
    expect(inMetric(made.flags)[0]).toContain('0.22 to 0.24')
    const { productId } = made.product
    const changed = (
      await server.put(`/products/${productId}`, { ...product, millilitresPerGram: 0.23 }).expect(200)
    ).body
    expect(changed.flags).toEqual([])
    const lotId = await newLot('B-1', { productId })
    expect(await shelfLot(lotId)).toMatchObject({ productId })
  })
  it.each([
    ['name', { ...product, name: ' ' }],
    ['name', product],
    ['millilitresPerGram', { ...product, name: 'x', millilitresPerGram: -0.2 }],
    ['materialId', { ...product, name: 'x', materialId: 'sand' }],
    ['clock', { ...product, name: 'x', clock: { setMinutes: 1 } }],
    ['colour', { ...product, name: 'x', colour: 'blue' }],
  ])('refuses a faulty %s', async (field, body) => {
    const answer = await server.post('/products', body)
    expect([409, 422]).toContain(answer.status)
    expect(answer.body.field).toBe(field)
  })
  it('a lot cannot be of a product that is not there', async () => {
    const lot = { materialId: 'dental-stone', number: 'Q', productId: 'none' }
    expect((await server.post('/lots', lot).expect(422)).body.code).toBe('no-such-product')
  })
})

describe('clocks of mixes', () => {
  const running = async () =>
    ((await server.get('/mixing/clocks').expect(200)).body as { clockId: string }[]).map(
      ({ clockId }) => clockId,
    )
  const started = async (more: object = {}) =>
    (
      await server
        .post('/mixing/clocks', { materialId: 'dental-stone', settingFactor: 1, ...more })
        .expect(201)
    ).body.clockId as string
  const forward = (forwardMinutes: number) => server.post('/clock', { speed: 1, forwardMinutes }).expect(201)
  it('end when the stone has been free for a while; a slower mix runs on', async () => {
    const usual = await started()
    const slow = await started({ settingFactor: 3 })
    await forward(50)
    expect(await running()).toEqual(expect.arrayContaining([usual, slow]))
    await forward(20)
    expect(await running()).toEqual([slow])
    // 45 min, three times as slow (common practice), and a quarter of an hour to take it off.
    await forward(90)
    expect(await running()).toEqual([])
  })
  it('go with their case: one that has gone out has none', async () => {
    const { caseId } = await server.receive()
    const clock = await started({ caseId, docket: 'K-1' })
    expect(await running()).toContain(clock)
    const on = { jobId: 'job-1' }
    await server.command(caseId, 1, { type: 'askDentist', ...on, question: 'Go on?' }).expect(201)
    await server
      .command(caseId, 2, { type: 'dentistAnswered', ...on, answer: 'No', decision: 'end' })
      .expect(201)
    expect(await running()).not.toContain(clock)
  })
  it('start on the server, survive a restart and are put away', async () => {
    const started = (
      await server.post('/mixing/clocks', { materialId: 'dental-stone', settingFactor: 1 }).expect(201)
    ).body
    await server.app.close()
    await server.start()
    expect((await server.get('/mixing/clocks')).body).toMatchObject([
      { clockId: started.clockId, metAt: started.metAt, by: 'Ada' },
    ])
    await server.delete(`/mixing/clocks/${started.clockId}`).expect(204)
    await server.delete(`/mixing/clocks/${started.clockId}`).expect(404)
    expect(
      (await server.post('/mixing/clocks', { materialId: 'sand', settingFactor: 1 }).expect(422)).body.field,
    ).toBe('materialId')
  })
})

describe('the enlargement factor of a blank', () => {
  const label = { factor: 1.241, greenGramsPerCm3: 3.17, sinteredGramsPerCm3: 6.06 }
  it('stands with its own lot, from its arrival or later, and is kept over a restart', async () => {
    const blank = { materialId: 'block-zirconia4y' }
    const early = await newLot('ZR-1', { ...blank, enlargement: label })
    const late = await newLot('ZR-2', blank)
    expect(await shelfLot(early)).toMatchObject({ enlargement: label })
    expect(await shelfLot(late)).toMatchObject({ enlargement: null })
    await server.post(`/lots/${late}/enlargement`, { factor: 1.2298 }).expect(204)
    await server.restart()
    expect(await shelfLot(late)).toMatchObject({ enlargement: { factor: 1.2298 } })
    expect(await shelfLot(early)).toMatchObject({ enlargement: label })
  })
  it('is refused where it cannot be: no such lot, no blank, no factor, densities the wrong way round', async () => {
    const stone = await newLot('ZR-stone')
    const blank = await newLot('ZR-3', { materialId: 'block-zirconia5y' })
    const refused = async (lotId: string, body: object) => {
      const { status, body: answer } = await server.post(`/lots/${lotId}/enlargement`, body)
      return [status, answer.code]
    }
    expect(await refused('none', label)).toEqual([404, 'no-such-lot'])
    expect(await refused(stone, label)).toEqual([422, 'not-a-blank'])
    expect(await refused(blank, { factor: 2 })).toEqual([422, 'enlargement-not-plausible'])
    expect(await refused(blank, { ...label, greenGramsPerCm3: 6.1 })).toEqual([422, 'density-not-rising'])
    expect((await shelfLot(blank)).enlargement).toBeNull()
    const glass = { materialId: 'block-disilicate', number: 'G-1', enlargement: label }
    expect((await server.post('/lots', glass).expect(422)).body).toMatchObject({ code: 'not-a-blank' })
  })
})

describe('a pot of stain', () => {
  const stain = {
    absorption: [0.01, 0.01, 0.034],
    scattering: [0.01, 0.007, 0.004],
    onCeramic: 'disilicate',
    lot: 'S-1',
    calibratedOn: '2026-11-01',
    specular: 'excluded',
  }
  const pot = { materialId: 'ceramic-stain', name: 'Ochre of the test', source: 'drawdowns', stain }
  it('keeps its film, and a block has none', async () => {
    const { productId } = (await server.post('/products', pot).expect(201)).body.product
    const stored = (await server.get('/products')).body.find(
      ({ product }: { product: { productId: string } }) => product.productId === productId,
    )
    expect(stored.product.stain).toEqual(stain)
    const block = { ...pot, name: 'Block of the test', materialId: 'block-disilicate' }
    expect((await server.post('/products', block).expect(422)).body).toMatchObject({
      code: 'product-faulty',
      field: 'stain',
    })
    const below = { ...pot, name: 'Below', stain: { ...stain, absorption: [-1, 0, 0] } }
    expect((await server.post('/products', below).expect(422)).body.field).toMatch(/absorption/)
  })
})
