import 'reflect-metadata'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { PracticeCase, PracticeDebrief, PracticeRoom, PracticeStep } from '@yentrik/contract'
import { beginPractice, type PracticeAct, playOut, practiceExpert, signsOf } from '@yentrik/core'
import { DataSource } from 'typeorm'
import { TestServer } from '../testing/test-server.ts'

let server: TestServer
beforeAll(async () => {
  server = await TestServer.open()
})
afterAll(() => server.close())

const begin = async (body: object): Promise<PracticeCase> =>
  (
    await server
      .post('/practice', { templateId: 'study-cast', choices: { arch: 'upper' }, level: 'bench', ...body })
      .expect(201)
  ).body
const act = async (of: { practiceId: string; acts: number }, ...acts: PracticeAct[]): Promise<PracticeStep> =>
  (await server.post(`/practice/${of.practiceId}/acts`, { seen: of.acts, acts }).expect(200)).body
const stop = { act: 'stop' } as const
const start = (stepId: string): PracticeAct => ({
  act: 'command',
  command: { type: 'startStep', jobId: 'job-1', stepId },
})

/** What a careful hand does on the same case. */
function careful({ short, record }: PracticeCase): {
  readonly acts: PracticeAct[]
  readonly world: ReturnType<typeof playOut>
} {
  const [received] = record.events
  const acts: PracticeAct[] = []
  const world = beginPractice(
    {
      templateId: short.templateId,
      choices: received!.type === 'caseReceived' ? Object.values(record.routes)[0]!.choices : {},
      level: short.level,
      seed: short.seed,
    },
    Date.parse(received!.at),
    short.docket,
    'Ada',
  )
  return { acts, world: playOut(world, { ...practiceExpert, did: (each) => acts.push(each) }, 'Ada') }
}

describe('a practice case', () => {
  it('begins on a Monday at eight, with a docket of its own, and its clock stands still', async () => {
    const begun = await begin({ seed: 412 })
    expect(begun.short).toMatchObject({
      docket: expect.stringMatching(/^P-\d{4}$/),
      seed: 412,
      level: 'bench',
      closed: null,
    })
    expect(new Date(begun.now).getUTCDay()).toBe(1)
    const again = (await server.get(`/practice/${begun.practiceId}`).expect(200)).body as PracticeCase
    expect(again.now).toBe(begun.now)
    expect(again.record).toEqual(begun.record)
  })

  it('tells nothing of its truth before the debrief: the bytes of every answer are searched', async () => {
    const begun = await begin({ seed: 7, level: 'exam' })
    const { acts, world } = careful(begun)
    expect(world.defects.length).toBeGreaterThanOrEqual(4)
    // Its answers stand on the route for everybody to see; which of them is true does not.
    const secrets = world.defects.flatMap(({ id, kind, why }) => [id, kind, JSON.stringify(why)])
    let told = JSON.stringify(begun)
    let standing: { practiceId: string; acts: number } = begun
    for (let n = 0; n < acts.length - 1; n += 1) {
      const step = await act(standing, acts[n]!)
      told += JSON.stringify(step)
      standing = step
    }
    told += JSON.stringify((await server.get(`/practice/${begun.practiceId}`)).body)
    told += JSON.stringify((await server.get('/practice')).body)
    told += JSON.stringify((await server.get(`/practice/${begun.practiceId}/debrief`).expect(422)).body)
    expect(secrets.filter((secret) => told.includes(secret))).toEqual([])
    expect(/bornAt|bornBy|"defects":\[|"planned"/.test(told)).toBe(false)
    const last = await act(standing, acts.at(-1)!)
    expect(last.closed).toBe('delivered')
    const { debrief } = (await server.get(`/practice/${begun.practiceId}/debrief`).expect(200))
      .body as PracticeDebrief
    expect(debrief.bars.map(({ id }) => id).sort()).toEqual(world.defects.map(({ id }) => id).sort())
    expect(debrief.score.total).toBeGreaterThan(60)
  })

  it('of the same seed is the same case, act for act, on whatever screen', async () => {
    const [one, other] = [await begin({ seed: 99, level: 'exam' }), await begin({ seed: 99, level: 'exam' })]
    const { acts } = careful(one)
    const play = async (of: PracticeCase) => {
      await act(of, ...acts.slice(0, 40), ...(acts.length > 40 ? [stop] : []))
      return ((await server.get(`/practice/${of.practiceId}/debrief`)).body as PracticeDebrief).debrief
    }
    expect(await play(other)).toEqual(await play(one))
  })

  it('is played again from its acts after the server has forgotten it, and is as it was', async () => {
    const begun = await begin({ seed: 5 })
    const { acts } = careful(begun)
    const stepped = await act(begun, ...acts.slice(0, 20))
    for (let n = 0; n < 31; n++) await begin({ seed: n })
    const again = (await server.get(`/practice/${begun.practiceId}`).expect(200)).body as PracticeCase
    expect(again.now).toBe(stepped.now)
    expect(again.seen).toEqual(stepped.seen)
    expect(again.record.events.at(-1)).toEqual(stepped.record.events.at(-1))
  })

  it('leaves every table of the lab untouched', async () => {
    const tables = [
      'case_events',
      'case_summaries',
      'lots',
      'lot_uses',
      'mix_clocks',
      'machine_runs',
      'alloy_pieces',
      'command_keys',
      'route_copies',
    ]
    const source = server.app.get(DataSource)
    const read = async () => {
      const all: unknown[] = []
      for (const table of tables) all.push([table, await source.query(`SELECT * FROM ${table}`)])
      return JSON.stringify(all)
    }
    const before = await read()
    const begun = await begin({ templateId: 'cast-crown', choices: {}, seed: 3 })
    const { acts } = careful(begun)
    for (let n = 0, so: { practiceId: string; acts: number } = begun; n < acts.length; n += 50)
      so = await act(so, ...acts.slice(n, n + 50))
    expect(await read()).toBe(before)
    expect((await server.get('/cases?which=all')).body).toEqual([])
  })

  it('takes what was not seen by another screen for stale, refuses as the engine does, and stores nothing half', async () => {
    const begun = await begin({ seed: 1 })
    const on = `/practice/${begun.practiceId}/acts`
    expect((await server.post(on, { seen: 3, acts: [stop] }).expect(409)).body.code).toBe('stale')
    expect(
      (await server.post(on, { seen: 0, acts: [start('work-authorisation'), start('deliver')] }).expect(422))
        .body.code,
    ).toBe('step-not-yet')
    expect((await server.get(`/practice/${begun.practiceId}`)).body.acts).toBe(0)
    const over = await act(begun, stop)
    expect(
      (await server.post(on, { seen: over.acts, acts: [{ act: 'wait', minutes: 5 }] }).expect(422)).body.code,
    ).toBe('practice-closed')
  })

  it.each([
    [{ seed: -1 }, 422],
    [{ seed: 1.5 }, 422],
    [{ level: 'master' }, 422],
    [{ templateId: 'no-such-job' }, 422],
    [{ more: true }, 422],
  ])('refuses to begin with %j', (wish, status) =>
    server
      .post('/practice', { templateId: 'study-cast', level: 'bench', choices: { arch: 'upper' }, ...wish })
      .expect(status),
  )

  it('begins again from a step with what was done before it', async () => {
    const begun = await begin({ seed: 21 })
    expect(
      (await server.post(`/practice/${begun.practiceId}/again`, { stepId: 'separate' }).expect(422)).body
        .code,
    ).toBe('practice-open')
    const { acts } = careful(begun)
    let so: { practiceId: string; acts: number } = begun
    for (let n = 0; n < acts.length; n += 50) so = await act(so, ...acts.slice(n, n + 50))
    const again = (
      await server.post(`/practice/${begun.practiceId}/again`, { stepId: 'separate' }).expect(201)
    ).body as PracticeCase
    expect(again.practiceId).not.toBe(begun.practiceId)
    expect(again.short).toMatchObject({ seed: 21, closed: null })
    expect(again.acts).toBeGreaterThan(5)
    expect(
      again.record.events.some((event) => event.type === 'stepStarted' && event.stepId === 'separate'),
    ).toBe(false)
  })
})

describe('what one has practised', () => {
  it('is one’s own: counts, kinds, cases; a lead sees all, another sees nothing of it', async () => {
    const words = 'wax by the window'
    await server.post('/people', { name: 'Ilo', role: 'learner', passphrase: words }).expect(201)
    const own = await begin({ seed: 2 })
    await act(own, stop)
    const mine = (await server.get('/practice')).body as PracticeRoom
    expect(mine.cases.some(({ practiceId }) => practiceId === own.practiceId)).toBe(true)
    expect(mine.counts.defects).toBeGreaterThan(4)
    const lead = server.cookie
    const session = await server.post('/session', { name: 'Ilo', passphrase: words }).expect(201)
    server.cookie = String(session.headers['set-cookie']).split(';')[0] ?? ''
    expect(((await server.get('/practice')).body as PracticeRoom).cases).toEqual([])
    expect((await server.get(`/practice/${own.practiceId}`)).status).toBe(404)
    const theirs = await begin({ level: 'guided', missedMost: true })
    server.cookie = lead
    expect(theirs.hint).toBeDefined()
    expect((await server.get(`/practice/${theirs.practiceId}`)).status).toBe(200)
    expect(
      (await server.post(`/practice/${theirs.practiceId}/acts`, { seen: 0, acts: [stop] })).body.code,
    ).toBe('not-your-practice')
  })

  it('an exam is signed by the lead once it is over, and nothing else is', async () => {
    const exam = await begin({ seed: 4, level: 'exam' })
    expect((await server.post(`/practice/${exam.practiceId}/sign`, {}).expect(422)).body.code).toBe(
      'practice-open',
    )
    await act(exam, stop)
    const { signed, version } = (await server.post(`/practice/${exam.practiceId}/sign`, {}).expect(200))
      .body as PracticeDebrief
    expect([signed?.by.length, version]).toEqual([expect.any(Number), 1])
    const again = (await server.post(`/practice/${exam.practiceId}/sign`, {}).expect(200))
      .body as PracticeDebrief
    expect(again.signed).toEqual(signed)
    const bench = await begin({ seed: 4 })
    await act(bench, stop)
    expect((await server.post(`/practice/${bench.practiceId}/sign`, {}).expect(409)).body.code).toBe(
      'no-exam',
    )
  })
})

it('signs of the shipped routes are known to the server', () => expect(signsOf('teeth-whole')).toBeDefined())

describe('a drill', () => {
  it('is scored by the core, and the best of the last five stands, with how many there were', async () => {
    const task = { seed: 3, answer: { drill: 'grind', total: 40 } }
    expect((await server.get('/drills').expect(200)).body).toEqual([])
    for (const [total, best, n] of [
      [90, 90, 1],
      [40, 90, 2],
      [50, 90, 3],
      [30, 90, 4],
      [20, 90, 5],
      [10, 50, 5],
    ]) {
      await server.post('/clock', { forwardMinutes: 1 })
      const { result, standing } = (
        await server.post('/drills', { ...task, answer: { drill: 'grind', total } }).expect(200)
      ).body
      expect(result.points).toBe(total)
      expect(standing).toEqual({ drill: 'grind', best, last: total, n })
    }
    expect((await server.get('/drills')).body).toHaveLength(1)
  })
  it.each([
    [{ drill: 'grind' }],
    [{ drill: 'no such' }],
    [{ drill: 'charge', taken: [99] }],
    [{ drill: 'night', order: [1] }],
  ])('refuses %j', (answer) => server.post('/drills', { seed: 1, answer }).expect(422))
})
