import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { type CaseCommand, obey, receiveCase, type WorkingCase } from '../case/index.ts'
import { usualCalendar } from '../planning/index.ts'
import { MINUTE, routes, START } from '../testing/index.ts'
import { benchContents, benchList, benchWithCase, type CaseSummary, caseSummary } from './index.ts'

const calendar = usualCalendar('UTC')

function castAt(minutesToWrap: number): WorkingCase {
  const authorisation = {
    clinic: 'Mill Lane',
    prescriber: 'Dr. Orla',
    patientCode: 'P-7',
    wanted: 'study cast',
    teeth: [],
    dueAt: '2026-03-04T12:00:00Z',
    enclosures: [],
  }
  const jobs = [{ templateId: 'study-cast', choices: {} }]
  let working = receiveCase({ docket: 'K-1', authorisation, jobs }, START, 'Ada', routes)
  const on = (stepId: string) => ({ jobId: 'job-1', stepId })
  const commands: CaseCommand[] = [
    { type: 'startStep', ...on('work-authorisation') },
    {
      type: 'recordCheck',
      ...on('work-authorisation'),
      checkId: 'authorisation-complete',
      answer: 'Complete',
    },
    { type: 'finishStep', ...on('work-authorisation') },
    { type: 'startStep', ...on('disinfect-impression') },
    { type: 'finishStep', ...on('disinfect-impression') },
    { type: 'startStep', ...on('inspect-impression') },
    { type: 'recordCheck', ...on('inspect-impression'), checkId: 'impression-whole', answer: 'Whole' },
    { type: 'finishStep', ...on('inspect-impression') },
    { type: 'skipStep', ...on('wrap'), reason: 'poured at once' },
  ]
  for (const command of commands)
    working = obey(working, command, START + minutesToWrap * MINUTE, 'Ada', routes)
  return working
}
const listOf = (...given: Parameters<typeof benchContents>) => benchList(benchContents(...given), given[1])
const listAt = (working: WorkingCase, minutes: number) =>
  listOf([caseSummary('c1', working.state, calendar)], START + minutes * MINUTE)

describe('the bench list', () => {
  it.each([
    [5, 'good', 10],
    [10, 'good', 10],
    [11, 'late', 15],
    [15, 'late', 15],
    [16, 'past', 15],
  ])('%d min after the inspection the pour is %s', (minutes, verdict, by) => {
    const list = listAt(castAt(0), minutes)
    expect(list.now[0]).toMatchObject({ stepId: 'pour-anatomy', verdict, at: START + by * MINUTE })
  })
  it('puts a setting cast later, with the time from which it is good', () => {
    let working = castAt(0)
    const on = { jobId: 'job-1', stepId: 'pour-anatomy' }
    const mix = {
      amountId: 'stone',
      materialId: 'high-strength-stone',
      powderGrams: 100,
      liquidMillilitres: 23,
      lots: [],
    }
    const commands: CaseCommand[] = [
      { type: 'startStep', ...on },
      { type: 'recordMix', ...on, ...mix },
      { type: 'finishStep', ...on },
      { type: 'startStep', jobId: 'job-1', stepId: 'retention' },
      { type: 'finishStep', jobId: 'job-1', stepId: 'retention' },
      { type: 'startStep', jobId: 'job-1', stepId: 'set' },
    ]
    for (const command of commands) working = obey(working, command, START + 10 * MINUTE, 'Ada', routes)
    const list = listAt(working, 20)
    expect(list.now).toEqual([])
    expect(list.later[0]).toMatchObject({ stepId: 'set', at: START + 55 * MINUTE })
    expect(listAt(working, 55).now[0]).toMatchObject({ stepId: 'set', verdict: 'good' })
  })
  it('opens what lies in a machine when its program should have ended, and keeps it open as long', () => {
    const at = (hours: number) => START + hours * 60 * MINUTE
    const item = {
      jobId: 'job-1',
      stepId: 'cure-long-boil',
      name: 'Cure',
      stage: 'cure',
      kind: 'machine',
      running: true,
      startedAt: at(0),
      window: {
        to: 'finish',
        from: at(0),
        goodFrom: at(10),
        lateFrom: at(14),
        late: 'Out.',
        source: 'usual',
      },
      startBy: at(40),
      why: '',
      amounts: [],
      attempt: 1,
    } as const
    const summary: CaseSummary = { ...caseSummary('c1', castAt(0).state, calendar), items: [item] }
    const asked: unknown[] = []
    const list = (end?: number) =>
      listOf([summary], at(8), (work) => {
        asked.push(work)
        return end
      })
    expect(list().later[0]).toMatchObject({ at: at(10), window: { lateFrom: at(14) } })
    expect(asked).toEqual([{ caseId: 'c1', jobId: 'job-1', stepId: 'cure-long-boil', startedAt: at(0) }])
    // Held up by a power cut: 13 h instead of 10.
    expect(list(at(13)).later[0]).toMatchObject({ at: at(13), window: { lateFrom: at(17) } })
    // A short program: ready already.
    expect(list(at(7)).now[0]).toMatchObject({
      verdict: 'good',
      window: { goodFrom: at(7), lateFrom: at(11) },
    })
  })
  it('shows a question instead of work, and nothing of a case that is held', () => {
    const ask: CaseCommand = { type: 'askDentist', jobId: 'job-1', question: 'Which shade?' }
    const asked = listAt(obey(castAt(0), ask, START, 'Ada', routes), 5)
    expect(asked.now).toEqual([])
    expect(asked.asking[0]?.question?.text).toBe('Which shade?')
    expect(asked.running).toHaveLength(1)
    const held = listAt(obey(castAt(0), { type: 'hold', reason: 'x' }, START, 'Ada', routes), 5)
    expect(held.now).toEqual([])
  })
  it('orders each kind by what matters of it', () => {
    const hour = (hours: number) => START + hours * 60 * MINUTE
    const window = (goodFrom: number, lateFrom: number) => ({
      ...waiting.window!,
      from: START,
      goodFrom: hour(goodFrom),
      lateFrom: hour(lateFrom),
    })
    const base = caseSummary('c', castAt(0).state, calendar)
    const { window: _window, ...loose } = waiting
    const of = (
      caseId: string,
      item: Partial<CaseSummary['items'][number]>,
      more: object = {},
    ): CaseSummary => ({
      ...base,
      caseId,
      items: [{ ...loose, ...item }],
      ...more,
    })
    const list = listOf(
      [
        of('startable soon', { running: false, startBy: hour(6) }),
        of('in work', { running: true, startBy: hour(20) }),
        of('startable sooner', { running: false, startBy: hour(5.5) }),
        // Its case is late anyway: that does not make its material run out sooner.
        of('running out second', { window: window(1, 8), startBy: hour(-20) }),
        of('running out first', { window: window(2, 7) }),
        of('later last', { window: window(9, 30) }),
        of('later first', { window: window(8, 30) }),
        of('at the clinic longer', { kind: 'clinic' }, { dueAt: hour(200) }),
        of('at the clinic', { kind: 'clinic' }, { dueAt: hour(100) }),
        of('agreed hour', { kind: 'clinic', window: window(0, 50) }),
        of('asked last', {}, { status: 'asking', question: { jobId: 'j', text: 'x', since: hour(2) } }),
        of('asked first', {}, { status: 'asking', question: { jobId: 'j', text: 'x', since: hour(1) } }),
        of('held', {}, { status: 'held' }),
        of('gone', {}, { status: 'ended' }),
        of('delivered', {}, { status: 'delivered' }),
      ],
      hour(5),
    )
    const ids = (entries: readonly { readonly caseId: string }[]) => entries.map(({ caseId }) => caseId)
    expect(ids(list.now)).toEqual([
      'running out first',
      'running out second',
      'in work',
      'startable sooner',
      'startable soon',
    ])
    expect(ids(list.later)).toEqual(['later first', 'later last'])
    expect(ids(list.running)).toEqual([
      'running out second',
      'running out first',
      'later first',
      'later last',
    ])
    expect(ids(list.away)).toEqual(['agreed hour', 'at the clinic', 'at the clinic longer'])
    expect(ids(list.asking)).toEqual(['asked first', 'asked last'])
  })
  it('sums up what is left against the due date', () => {
    const summary = caseSummary('c1', castAt(0).state, calendar)
    expect(summary).toMatchObject({ status: 'open', stage: 'pour', stepsDone: 4 })
    expect(summary.startBy).toBeLessThan(summary.dueAt)
  })
})

describe('the bench after a change of one case', () => {
  const summaryAt = (caseId: string, minutesToWrap: number): CaseSummary =>
    caseSummary(caseId, castAt(minutesToWrap).state, calendar)
  const many = Array.from({ length: 60 }, (_, n) => summaryAt(`c${n}`, n))
  const now = START + 30 * MINUTE
  const held = (caseId: string): CaseSummary => ({ ...summaryAt(caseId, 0), status: 'held' })
  it('is the bench of all cases, as long as everything is shown', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 0, max: 11 }),
        fc.boolean(),
        (size, n, isHeld) => {
          const before = many.slice(0, size)
          const caseId = `c${n % size}`
          const changed = isHeld ? held(caseId) : summaryAt(caseId, 7.5)
          const after = before.map((each) => (each.caseId === caseId ? changed : each))
          const next = benchWithCase(benchContents(before, now), caseId, benchContents([changed], now))
          expect(benchList(next!, now)).toEqual(listOf(after, now))
        },
      ),
    )
  })
  it('takes a new case in and leaves a finished one out', () => {
    const bench = benchContents(many.slice(0, 2), now)
    const taken = benchWithCase(bench, 'c9', benchContents([summaryAt('c9', 9)], now))
    expect(taken?.work.map(({ caseId }) => caseId)).toContain('c9')
    const done = benchWithCase(bench, 'c0', benchContents([], now))
    expect(done?.work.map(({ caseId }) => caseId)).toEqual(['c1'])
  })
  it('sends what is shown and no more, and asks for the whole when something of it goes', () => {
    const bench = benchContents(many, now)
    expect(bench.cut).toBe(true)
    expect(benchContents(many.slice(0, 40), now).cut).toBe(false)
    expect(benchList(bench, now)).toEqual(benchList({ ...benchContents(many, now), cut: false }, now))
    expect(benchList(bench, now).now).toHaveLength(40)
    expect(bench.work.length).toBeLessThan(60)
    const first = benchList(bench, now).now[0]!.caseId
    expect(benchWithCase(bench, first, benchContents([], now))).toBeUndefined()
    expect(benchWithCase(bench, 'c59', benchContents([], now))).toEqual(bench)
  })
  it('of a list that is cut takes as much as there was of a case, and not less', () => {
    const bench = { ...benchContents(many.slice(0, 3), now), cut: true }
    const one = benchContents([summaryAt('c1', 7.5)], now)
    expect(benchWithCase(bench, 'c1', one)).toBeDefined()
    expect(benchWithCase(bench, 'c1', { ...one, work: [] })).toBeUndefined()
    const asking = {
      ...bench,
      work: bench.work.filter(({ caseId }) => caseId !== 'c1'),
      asking: [summaryAt('c1', 7.5)],
    }
    expect(benchWithCase(asking, 'c1', { work: [], asking: [], cut: false })).toBeUndefined()
    expect(benchWithCase(asking, 'c1', { work: [], asking: [held('c1')], cut: false })).toMatchObject({
      asking: [{ caseId: 'c1' }],
      cut: true,
    })
  })
  it('names all jobs of a case beside its step', () => {
    const two = { ...summaryAt('c1', 7.5), jobNames: ['Study cast, upper', 'Study cast, lower'] }
    expect(benchContents([two], now).work[0]!.jobName).toBe('Study cast, upper, Study cast, lower')
  })
  it('opens what was later once its time has come, without another answer', () => {
    const bench = benchContents([{ ...summaryAt('c1', 0), items: [waiting] }], START)
    expect(benchList(bench, START).later).toHaveLength(1)
    expect(benchList(bench, START + 46 * MINUTE)).toMatchObject({ now: [{ verdict: 'good' }], later: [] })
  })
})

const waiting: CaseSummary['items'][number] = {
  jobId: 'job-1',
  stepId: 'set',
  name: 'Stone sets',
  stage: 'pour',
  kind: 'unattended',
  running: true,
  startedAt: START,
  window: {
    to: 'finish',
    from: START,
    goodFrom: START + 45 * MINUTE,
    lateFrom: START + 90 * MINUTE,
    late: 'Out.',
    source: 'usual',
  },
  startBy: START + 600 * MINUTE,
  why: '',
  amounts: [],
  attempt: 1,
}
