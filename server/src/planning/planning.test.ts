import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import type { CasePlan, PlanDocument, PlanFeed, PlanShown, Promised } from '@yentrik/contract'
import { checkPlan, type PlanSettings } from '@yentrik/core'
import ICAL from 'ical.js'
import { TestServer } from '../testing/test-server.ts'
import { holidaysOf, spellsOf } from './calendar-files.ts'

const HOUR = 3_600_000
const event = (lines: readonly string[]) =>
  [
    'BEGIN:VCALENDAR',
    'VERSION:2.0',
    'PRODID:test',
    'BEGIN:VEVENT',
    'UID:1@test',
    'DTSTAMP:20260301T000000Z',
    ...lines,
    'END:VEVENT',
    'END:VCALENDAR',
  ].join('\r\n')

describe('the plan of the lab', () => {
  let server: TestServer
  let caseId: string
  let me: string
  const plan = async (days = '7') => (await server.get(`/plan?days=${days}`).expect(200)).body as PlanShown
  /** Once everything that was changed is planned. */
  const settled = async () => (await server.get('/plan/document').expect(200)).body as PlanDocument
  const settings = async () => (await server.get('/plan/settings').expect(200)).body as PlanSettings

  beforeAll(async () => {
    server = await TestServer.open({ planRounds: 40 })
    me = ((await server.get('/people').expect(200)).body as { personId: string }[])[0]!.personId
    caseId = (await server.receive()).caseId
  })
  afterAll(() => server.close())

  it('has every step of a case that is taken in, in hours in which somebody is there', async () => {
    await settled()
    const shown = await plan()
    expect(shown.cases).toMatchObject([{ caseId, jobName: expect.stringMatching(/study cast/i) }])
    expect(shown.people).toMatchObject([{ id: me, name: 'Ada' }])
    for (const bar of shown.bars.filter(({ personId }) => personId === me))
      expect(shown.people[0]!.open.some(([from, until]) => from <= bar.at && bar.at < until)).toBe(true)
    const { plan: own } = (await server.get(`/plan/cases/${caseId}`).expect(200)).body as { plan: CasePlan }
    expect(own.steps.map(({ stepId }) => stepId)).toEqual(
      expect.arrayContaining(['pour-anatomy', 'set', 'trim', 'deliver']),
    )
    expect(own.endsAt).toBe(shown.cases[0]!.endsAt)
    const document = await settled()
    expect(checkPlan(document.instance, document.plan)).toEqual([])
  })
  it('of a case that is in no plan: none', async () => {
    expect((await server.get('/plan/cases/nobody').expect(200)).body).toEqual({ plan: null })
  })
  it('orders the bench: when, for whom, and how long it may wait', async () => {
    await settled()
    const { body } = await server.get('/bench').expect(200)
    const [work] = (body as { work: { planned?: object; startBy: number; caseId: string }[] }).work
    expect(work).toMatchObject({
      caseId,
      planned: { personId: me, person: 'Ada', slackMillis: expect.any(Number) },
    })
  })
  it('is made again when a step is begun: begun stays, the rest keeps its order', async () => {
    const other = await server.receive()
    await settled()
    await server
      .command(other.caseId, 1, { type: 'startStep', jobId: 'job-1', stepId: 'work-authorisation' })
      .expect(201)
    await settled()
    const bar = (await plan()).bars.find((each) => each.caseId === other.caseId && each.begun)
    expect(bar).toMatchObject({ personId: me })
  })

  it('a pin puts a step at its time and in its hands, and lets it go again', async () => {
    const before = await settled()
    const { plan: own } = (await server.get(`/plan/cases/${caseId}`).expect(200)).body as { plan: CasePlan }
    const pour = own.steps.find(({ stepId }) => stepId === 'trim')!
    // The next day at the same hour, where that is one of the open days.
    const open = (await plan()).open.find(([from]) => from > pour.at + 12 * HOUR)!
    const at = new Date(open[0] + 2 * HOUR).toISOString()
    await server.post('/plan/pins', { caseId, jobId: 'job-1', stepId: 'trim', at, personId: me }).expect(200)
    await settled()
    const pinned = (await plan()).bars.find(
      ({ steps }) => steps.some(({ stepId }) => stepId === 'trim') && true,
    )
    const now = ((await server.get(`/plan/cases/${caseId}`).expect(200)).body as { plan: CasePlan }).plan
    expect(now.steps.find(({ stepId }) => stepId === 'trim')!.at).toBe(Date.parse(at))
    expect(pinned).toBeDefined()
    // Another step of the same job has a pin of its own.
    await server.post('/plan/pins', { caseId, jobId: 'job-1', stepId: 'deliver', personId: me }).expect(200)
    await server.post('/plan/unpin', { caseId, jobId: 'job-1', stepId: 'trim' }).expect(200)
    expect((await settings()).pins).toMatchObject([{ stepId: 'deliver' }])
    await server.post('/plan/unpin', { caseId, jobId: 'job-1', stepId: 'deliver' }).expect(200)
    expect((await settings()).pins).toEqual([])
    expect((await settled()).instance.cases).toHaveLength(before.instance.cases.length)
  })
  it.each([
    [{ stepId: 'trim' }, 422, 'pin-empty'],
    [{ stepId: 'trim', at: '2020-01-01T08:00:00Z' }, 422, 'pin-past'],
    [{ stepId: 'no-such', personId: 'me' }, 422, 'no-such-step'],
    [{ stepId: 'trim', caseId: 'nobody', personId: 'me' }, 404, 'not-planned'],
  ])('refuses a pin that cannot be: %j', async (change, status, code) => {
    const body = { caseId, jobId: 'job-1', ...change, ...('personId' in change ? { personId: me } : {}) }
    const answer = await server.post('/plan/pins', body).expect(status)
    expect(answer.body.code).toBe(code)
  })
  it('how soon a case is wanted is its weight', async () => {
    await server.put(`/plan/priority/${caseId}`, { priority: 10 }).expect(200)
    const { instance } = await settled()
    expect(Math.max(...instance.cases.map(({ weight }) => weight))).toBe(10)
    await server.put(`/plan/priority/${caseId}`, { priority: 2 }).expect(422)
  })

  it('skills, hours and days off of a person, holidays and own minutes', async () => {
    const person = {
      skills: ['desk', 'plaster'],
      hours: [{ weekday: 1, opensMinute: 480, closesMinute: 720 }],
      away: [{ from: '2030-01-01T00:00:00Z', until: '2030-01-02T00:00:00Z', why: 'New year' }],
    }
    await server.put(`/plan/people/${me}`, person).expect(200)
    await server.put('/plan/holidays', { holidays: [{ day: '2030-12-25', name: 'Christmas' }] }).expect(200)
    await server.put('/plan/minutes', { templateId: 'study-cast', stepId: 'trim', hands: 33 }).expect(200)
    expect(await settings()).toMatchObject({
      people: { [me]: { skills: ['desk', 'plaster'] } },
      holidays: [{ day: '2030-12-25' }],
      minutes: { 'study-cast/trim': { hands: 33 } },
    })
    const { instance } = await settled()
    expect(instance.persons[0]!.skills).toEqual(expect.arrayContaining(['desk', 'plaster']))
    expect(instance.persons[0]!.skills).not.toContain('metal')
    await server.put('/plan/minutes', { templateId: 'study-cast', stepId: 'trim' }).expect(200)
    expect((await settings()).minutes).toEqual({})
    await server.put(`/plan/people/${me}`, { skills: [...person.skills], away: [] }).expect(200)
  })
  it.each([
    ['/plan/minutes', { templateId: 'study-cast', stepId: 'nothing', hands: 3 }, 'no-such-step'],
    [
      '/plan/people/me',
      { skills: [], away: [{ from: '2030-01-02T00:00:00Z', until: '2030-01-01T00:00:00Z' }] },
      'spell',
    ],
    [
      '/plan/people/me',
      { skills: [], away: [], hours: [{ weekday: 1, opensMinute: 720, closesMinute: 480 }] },
      'hours',
    ],
    [
      '/plan/people/me',
      {
        skills: [],
        away: [],
        hours: [
          { weekday: 1, opensMinute: 480, closesMinute: 720 },
          { weekday: 1, opensMinute: 700, closesMinute: 900 },
        ],
      },
      'hours',
    ],
  ])('refuses %s %j', async (path, body, code) => {
    const answer = await server.put(path.replace('/me', `/${me}`), body).expect(422)
    expect(answer.body.code).toBe(code)
  })
  it('days off come from a calendar file, once', async () => {
    const calendar = event(['SUMMARY:Course', 'DTSTART;VALUE=DATE:20300305', 'DTEND;VALUE=DATE:20300307'])
    for (const taken of [1, 1])
      expect((await server.post('/plan/calendar', { personId: me, calendar }).expect(200)).body).toEqual({
        taken,
      })
    expect((await settings()).people[me]!.away).toHaveLength(1)
    const answer = await server.post('/plan/calendar', { calendar: 'no calendar at all' }).expect(422)
    expect(answer.body.code).toBe('no-calendar')
    await server.post('/plan/calendar', { calendar }).expect(200)
    expect((await settings()).holidays.map(({ day }) => day)).toEqual([
      '2030-03-05',
      '2030-03-06',
      '2030-12-25',
    ])
    await server.put('/plan/holidays', { holidays: [] }).expect(200)
    await server
      .put(`/plan/people/${me}`, {
        skills: ['desk', 'plaster', 'wax', 'denture', 'metal', 'finish'],
        away: [],
      })
      .expect(200)
  })

  it('promises a date for a case that is not taken in, and changes nothing by it', async () => {
    const before = (await settled()).instance.cases.length
    const body = (await server.post('/plan/promise', { templateId: 'cast-crown', choices: {} }).expect(200))
      .body as Promised
    expect(body.by80).toBeLessThanOrEqual(body.by95)
    expect(body.endsAt).toBeGreaterThan(Date.now())
    const far = new Date(body.by95 + 20 * 24 * HOUR).toISOString()
    const asked = (
      await server.post('/plan/promise', { templateId: 'cast-crown', choices: {}, dueAt: far }).expect(200)
    ).body as Promised
    expect(asked.chance).toBeGreaterThanOrEqual(0.9)
    expect((await settled()).instance.cases).toHaveLength(before)
    const answer = await server.post('/plan/promise', { templateId: 'nothing', choices: {} }).expect(422)
    expect(answer.body.code).toBe('no-such-job')
  })
  it('says the latest that work can be put into its machine, and refuses where it is in none', async () => {
    await server
      .put('/equipment/Furnace', {
        kind: 'furnace',
        timeConstantMinutes: 60,
        mostRings: 4,
        startsByTimer: true,
        source: 'timed',
      })
      .expect(200)
    const crown = await server.receive({
      jobs: [{ templateId: 'cast-crown', choices: {} }],
      authorisation: { ...intakeOf(), teeth: [36] },
    })
    await settled()
    const { plan: own } = (await server.get(`/plan/cases/${crown.caseId}`).expect(200)).body as {
      plan: CasePlan
    }
    const load = own.loads.find(({ runs }) => runs)!
    const body = {
      caseId: crown.caseId,
      jobId: 'job-1',
      stepId: 'burnout',
      outBy: new Date(load.until).toISOString(),
    }
    const found = (await server.post('/plan/latest-load', body).expect(200)).body
    expect(found.isTooLate).toBeUndefined()
    expect(found.loadAt).toBeGreaterThanOrEqual(load.at)
    expect(found.outAt).toBeLessThanOrEqual(load.until)
    const soon = { ...body, outBy: new Date(Date.now()).toISOString() }
    expect((await server.post('/plan/latest-load', soon).expect(200)).body).toMatchObject({ isTooLate: true })
    const answer = await server.post('/plan/latest-load', { ...body, stepId: 'divest' }).expect(422)
    expect(answer.body.code).toBe('not-in-a-machine')
  })

  it('gives calendar addresses, read by whoever has them until they are taken back', async () => {
    const feed = (await server.post('/plan/feeds', {}).expect(201)).body as PlanFeed
    expect((await server.get('/plan/feeds').expect(200)).body).toEqual([{ ...feed, address: '' }])
    const path = feed.address.replace('/api', '')
    const answer = await server.request('get', path).set('cookie', '').expect(200)
    expect(answer.headers['content-type']).toMatch(/text\/calendar/)
    // Read back by another parser than the one that wrote it.
    const events = new ICAL.Component(ICAL.parse(answer.text) as unknown[])
      .getAllSubcomponents('vevent')
      .map((each) => new ICAL.Event(each))
    const bars = (await plan('7')).bars
    expect(events.length).toBeGreaterThanOrEqual(bars.length)
    const pour = events.find(({ summary }) => /Pour/.test(summary))!
    expect(pour.startDate.toJSDate().getTime()).toBeGreaterThan(Date.now() - 24 * HOUR)
    await server.delete(`/plan/feeds/${feed.feedId}`).expect(204)
    await server.request('get', path).set('cookie', '').expect(404)
    expect((await server.delete(`/plan/feeds/${feed.feedId}`).expect(404)).body.code).toBe('no-such-feed')
  })
  it('a person of the lab has a calendar of their own work alone', async () => {
    const feed = (await server.post('/plan/feeds', { personId: me }).expect(201)).body as PlanFeed
    const { text } = await server.request('get', feed.address.replace('/api', '')).expect(200)
    expect(text).toContain('Ada')
    expect(text).not.toContain('TRANSPARENT')
  })
  it('as a table, in the time of the lab', async () => {
    const { text, headers } = await server.get('/plan/csv').expect(200)
    expect(headers['content-type']).toMatch(/text\/csv/)
    const [head, ...lines] = text.trim().split('\r\n')
    expect(head).toBe('docket,clinic,work,part,person,start,end,minutes')
    expect(lines.length).toBeGreaterThan(5)
    for (const line of lines)
      expect(line).toMatch(/\d{4}-\d{2}-\d{2} \d{2}:\d{2},\d{4}-\d{2}-\d{2} \d{2}:\d{2},\d+$/)
  })
  it('is made anew on demand, and told of the late with their reasons', async () => {
    const late = await server.receive({
      authorisation: { ...intakeOf(), dueAt: new Date(Date.now() + HOUR).toISOString() },
    })
    await server.post('/plan/anew', {}).expect(204)
    await settled()
    const shown = await plan()
    const told = shown.late.find((each) => each.caseId === late.caseId)
    expect(told).toBeDefined()
    const { endsAt, dueAt } = shown.cases.find((each) => each.caseId === late.caseId)!
    expect(told!.lateMinutes).toBe(Math.round((endsAt - dueAt) / 60_000))
    expect(told!.lateMinutes).toBeGreaterThan(0)
    expect(told!.chain.at(-1)!.until).toBe(endsAt)
    // Each link waits until it can begin, and ends before the next does.
    for (const [index, link] of told!.chain.entries()) {
      expect(link.readyAt).toBeLessThanOrEqual(link.at)
      expect(link.at).toBeLessThanOrEqual(told!.chain[index + 1]?.at ?? link.until)
      expect(link.stepName).not.toBe('')
    }
    const { advice } = told!
    expect(advice.map(({ onTime }) => onTime)).toEqual(
      advice.map(({ soonerMinutes }) => endsAt - soonerMinutes * 60_000 <= dueAt),
    )
  })
  it('a case on hold is said not to be planned', async () => {
    const held = await server.receive()
    await server.command(held.caseId, 1, { type: 'hold', reason: 'not paid' }).expect(201)
    await settled()
    expect((await plan()).notPlanned).toContainEqual({
      caseId: held.caseId,
      docket: expect.any(String),
      why: 'held',
    })
  })
})

describe('a server that does not plan', () => {
  it('says so, and its bench goes by the dates', async () => {
    const server = await TestServer.open({ planRounds: 0 })
    await server.receive()
    expect((await server.get('/plan').expect(200)).body).toMatchObject({
      makesPlans: false,
      madeAt: null,
      bars: [],
    })
    const { body } = await server.get('/bench').expect(200)
    expect(body.work[0].planned).toBeUndefined()
    expect((await server.get('/plan/csv').expect(422)).body.code).toBe('no-plan-yet')
    await server.close()
  })
})

describe('calendar files', () => {
  const now = Date.parse('2026-03-02T08:00:00Z')
  it('repeat what is said to repeat, and leave out what is over', () => {
    const weekly = event([
      'SUMMARY:School',
      'DTSTART:20260223T080000Z',
      'DTEND:20260223T120000Z',
      'RRULE:FREQ=WEEKLY;COUNT=4',
    ])
    expect(spellsOf(weekly, now)).toEqual(
      ['2026-03-02', '2026-03-09', '2026-03-16'].map((day) => ({
        from: `${day}T08:00:00.000Z`,
        until: `${day}T12:00:00.000Z`,
        why: 'School',
      })),
    )
  })
  it('take every day of a long one', () => {
    const long = event(['SUMMARY:Easter', 'DTSTART;VALUE=DATE:20260403', 'DTEND;VALUE=DATE:20260407'])
    expect(holidaysOf(long, now).map(({ day }) => day)).toEqual([
      '2026-04-03',
      '2026-04-04',
      '2026-04-05',
      '2026-04-06',
    ])
  })
  it.each(['', 'BEGIN:VCALENDAR\r\nEND:VCALENDAR', '[[['])('refuse what holds no day: %j', (text) =>
    expect(() => spellsOf(text, now)).toThrow(expect.objectContaining({ code: 'no-calendar' })),
  )
})

function intakeOf() {
  return {
    clinic: 'Mill Lane',
    prescriber: 'Dr. Orla',
    patientCode: 'P-7',
    wanted: 'as written',
    teeth: [] as number[],
    dueAt: new Date(Date.now() + 72 * HOUR).toISOString(),
    enclosures: [] as string[],
  }
}
