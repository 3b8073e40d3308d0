import { describe, expect, it } from '@jest/globals'
import { routeTemplates } from '../jobs/index.ts'
import { Bench, MINUTE, routes, START } from '../testing/case-bench.ts'
import { refused } from '../testing/index.ts'
import type { CaseCommand } from './case-command.ts'
import { remakesToExplain } from './cause-found.ts'
import { type Intake, namedRoutes, obey, receiveCase, stepOf, type WorkingCase } from './index.ts'
import { minutesBetween } from './job.ts'

const intake = (templateIds: readonly string[]): Intake => ({
  docket: 'K-1',
  authorisation: {
    clinic: 'Mill Lane',
    prescriber: 'Dr. Orla',
    patientCode: 'P-7',
    wanted: 'as written',
    teeth: [35, 36, 37],
    dueAt: '2026-03-20T12:00:00Z',
    enclosures: [],
  },
  jobs: templateIds.map((templateId) => ({ templateId, choices: {} })),
})
const received = (...templateIds: readonly string[]) => receiveCase(intake(templateIds), START, 'Ada', routes)
const after = (working: WorkingCase, ...commands: readonly CaseCommand[]) =>
  commands.reduce((so, command) => obey(so, command, START + MINUTE, 'Ada', routes), working)
const start = (jobId: string): CaseCommand => ({ type: 'startStep', jobId, stepId: 'work-authorisation' })

describe('a case of two jobs', () => {
  it('moves one of them alone', () => {
    const both = received('study-cast', 'study-cast')
    const moved = after(both, start('job-2'))
    const statuses = ({ state }: WorkingCase) =>
      state.jobs.map(({ steps }) => steps['work-authorisation']!.status)
    expect(statuses(both)).toEqual(['waiting', 'waiting'])
    expect(statuses(moved)).toEqual(['waiting', 'running'])
    expect(moved.state.jobs[0]).toBe(both.state.jobs[0])
    expect(statuses(after(moved, start('job-1')))).toEqual(['running', 'running'])
  })
  it('names the routes that it needs, each once', () => {
    expect(namedRoutes(received('study-cast', 'study-cast').events)).toHaveLength(1)
    expect(namedRoutes(received('study-cast', 'cast-crown').events)).toHaveLength(2)
  })
  it('is refused for a job that there is not, and says which there are', () => {
    const against = refused(() => received('study-cast', 'no-such'))
    expect([against?.code, against?.field]).toEqual(['no-such-template', 'jobs'])
    for (const id of routeTemplates.keys()) expect(against!.remedy).toContain(id)
  })
})

describe('a check read tooth by tooth', () => {
  it('says at which, and one of the whole piece that it takes none', () => {
    const bench = new Bench('cast-bridge').upTo('inspect-dies')
    const say = (checkId: string, tooth?: number) => {
      const on = { type: 'recordCheck', jobId: 'job-1', stepId: 'inspect-dies', checkId } as const
      const against = refused(() =>
        bench.do({ ...on, answer: 'x', ...(tooth === undefined ? {} : { tooth }) }),
      )!
      return [against.code, against.message, against.remedy]
    }
    const check = (id: string) => stepOf(bench.job, 'inspect-dies').checks!.find((each) => each.id === id)!
    expect(say('dies-sound')).toEqual([
      'not-read-there',
      `"${check('dies-sound').name}" is read tooth by tooth.`,
      'Say at which: 35, 37.',
    ])
    expect(say('dies-sound', 36)[1]).toBe(`"${check('dies-sound').name}" is not read at 36.`)
    expect(say('dies-home', 35)).toEqual([
      'not-read-there',
      `"${check('dies-home').name}" is not read at 35.`,
      'Enter it for the whole piece.',
    ])
  })
})

describe('why a remake', () => {
  it('is asked until it was said, and of a plain going back never', () => {
    const bench = new Bench().upTo('pour-anatomy')
    const back = (remake: boolean): CaseCommand => ({
      type: 'goBack',
      jobId: 'job-1',
      toStepId: 'pour-anatomy',
      remake,
      reason: 'a bubble',
    })
    bench.do(back(false))
    expect(remakesToExplain(bench.working.events)).toEqual([])
    bench.do({ type: 'startStep', jobId: 'job-1', stepId: 'pour-anatomy', outOfTimeReason: 'so' })
    bench.do(back(true))
    const sequence = bench.working.state.sequence
    expect(remakesToExplain(bench.working.events).map((each) => each.sequence)).toEqual([sequence])
    bench.do({ type: 'findCause', jobId: 'job-1', wentBack: sequence, cause: 'notFound' })
    expect(remakesToExplain(bench.working.events)).toEqual([])
  })
})

describe('a cause that is found', () => {
  it('says how it was known, unless it was not found', () => {
    const bench = new Bench().upTo('pour-anatomy')
    bench.do({ type: 'goBack', jobId: 'job-1', toStepId: 'pour-anatomy', remake: true, reason: 'a bubble' })
    const wentBack = bench.working.state.sequence
    const against = (more: object) =>
      refused(() =>
        bench.do({ type: 'findCause', jobId: 'job-1', wentBack, cause: 'The material', ...more } as never),
      )
    expect([against({})?.code, against({})?.field]).toEqual(['how-missing', 'how'])
    expect(against({ wentBack: 1, how: 'seen' })?.field).toBe('wentBack')
    expect(against({ jobId: 'job-9', how: 'seen' })?.field).toBe('jobId')
    expect(against({ cause: 'other', said: ' ', how: 'seen' })?.field).toBe('said')
    expect(against({ how: 'seen' })).toBeUndefined()
  })
})

describe('a correction', () => {
  it('may be withdrawn though another entry was corrected since, not once its own was corrected again', () => {
    const bench = new Bench().upTo('trim')
    bench.check('trim', 'back-angle', 90)
    const first = bench.working.state.sequence
    bench.check('trim', 'back-angle', 90.5)
    const second = bench.working.state.sequence
    const correct = (corrects: number, value: number) => {
      bench.do({ type: 'correct', corrects, value, reason: 'misread' })
      return bench.working.state.sequence
    }
    const withdraw = (withdraws: number): CaseCommand => ({ type: 'withdraw', withdraws, reason: 'a slip' })
    const one = correct(first, 89.5)
    correct(second, 90.2)
    expect(bench.refusal(withdraw(one))).toBeUndefined()
    correct(first, 89.8)
    expect(bench.refusal(withdraw(one))).toBeDefined()
  })
  it('a hold may not be withdrawn once it was released', () => {
    const bench = new Bench()
    bench.do({ type: 'hold', reason: 'the order is not clear' })
    const held = bench.working.state.sequence
    bench.do({ type: 'release' })
    expect(bench.refusal({ type: 'withdraw', withdraws: held, reason: 'a slip' })).toBeDefined()
  })
})

describe('minutes between two moments', () => {
  it('are known where both are', () => {
    const [eight, nine] = ['2026-03-02T08:00:00Z', '2026-03-02T09:00:00Z']
    expect(minutesBetween(eight, nine)).toBe(60)
    expect([minutesBetween(undefined, nine), minutesBetween(eight, undefined)]).toEqual([
      undefined,
      undefined,
    ])
  })
})
