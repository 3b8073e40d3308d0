import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { InstrumentUse } from '@yentrik/contract'
import { TestServer } from '../testing/test-server.ts'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.open()
})
afterAll(() => server.close())

const uses = async () => (await server.get('/instruments').expect(200)).body as readonly InstrumentUse[]
const useOf = async (instrument: string) => (await uses()).find((each) => each.instrument === instrument)
/** Works a new study cast up to the pour, and weighs it. */
async function poured(docket: string): Promise<string> {
  const { caseId, seen } = await server.atThePour({ docket })
  await weigh(caseId, seen, 100, 23)
  return caseId
}

async function weigh(caseId: string, seen: number, powderGrams: number, liquidMillilitres: number) {
  const mix = {
    amountId: 'stone',
    materialId: 'high-strength-stone',
    powderGrams,
    liquidMillilitres,
    lots: [],
  }
  await server
    .command(caseId, seen, { type: 'recordMix', jobId: 'job-1', stepId: 'pour-anatomy', ...mix })
    .expect(201)
}

describe('the instruments', () => {
  it('have no last use in an empty lab', async () => expect(await uses()).toEqual([]))
  it('name what was weighed last, and the last three cases, the newest first', async () => {
    const ids: string[] = []
    for (const docket of ['A-1', 'A-2', 'A-3', 'A-4']) ids.push(await poured(docket))
    const mix = await useOf('mix')
    expect(mix?.cases.map(({ docket }) => docket)).toEqual(['A-4', 'A-3', 'A-2'])
    expect(JSON.stringify(mix?.words)).toContain('100')
    expect(mix?.cases[0]?.caseId).toBe(ids[3])
  })
  it('name a case once, however often it was weighed for', async () => {
    const caseId = (await useOf('mix'))!.cases[0]!.caseId
    const seen = (await server.events(caseId)).length
    await weigh(caseId, seen, 20, 4.6)
    const mix = await useOf('mix')
    expect(mix?.cases.filter((each) => each.caseId === caseId)).toHaveLength(1)
    expect(JSON.stringify(mix?.words)).toContain('20')
  })
})
