import { describe, expect, it } from '@jest/globals'
import { usualCalendar } from '../planning/index.ts'
import { type CaseAtHand, type CaseCommand, obey, type Route, receiveCase } from '../route/index.ts'
import { benchList, type CaseSummary, caseSummary } from './index.ts'

const START = Date.parse('2026-03-02T08:00:00Z')
const MINUTE = 60_000
const nameOf = (route: Route) => JSON.stringify(route.choices)
const calendar = usualCalendar('UTC')

function castAt(minutesToWrap: number): CaseAtHand {
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
  let hand = receiveCase({ docket: 'K-1', authorisation, jobs }, START, 'Ada', nameOf)
  const on = (stepId: string) => ({ jobId: 'job-1', stepId })
  const commands: CaseCommand[] = [
    { type: 'startStep', ...on('disinfect-impression') },
    { type: 'finishStep', ...on('disinfect-impression') },
    { type: 'startStep', ...on('inspect-impression') },
    { type: 'recordCheck', ...on('inspect-impression'), checkId: 'impression-whole', answer: 'Whole' },
    { type: 'finishStep', ...on('inspect-impression') },
    { type: 'skipStep', ...on('wrap'), reason: 'poured at once' },
  ]
  for (const command of commands) hand = obey(hand, command, START + minutesToWrap * MINUTE, 'Ada', nameOf)
  return hand
}
const listAt = (hand: CaseAtHand, minutes: number) =>
  benchList([caseSummary('c1', hand.state, calendar)], START + minutes * MINUTE)

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
    expect(list.openWindows).toBe(1)
  })
  it('puts a setting cast later, with the time from which it is good', () => {
    let hand = castAt(0)
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
    for (const command of commands) hand = obey(hand, command, START + 10 * MINUTE, 'Ada', nameOf)
    const list = listAt(hand, 20)
    expect(list.now).toEqual([])
    expect(list.later[0]).toMatchObject({ stepId: 'set', at: START + 55 * MINUTE })
    expect(listAt(hand, 55).now[0]).toMatchObject({ stepId: 'set', verdict: 'good' })
  })
  it('opens what lies in a machine when its program should have ended, and keeps it open as long', () => {
    const at = (hours: number) => START + hours * 60 * MINUTE
    const item = {
      jobId: 'job-1',
      stepId: 'cure-long-boil',
      name: 'Cure',
      stage: 'cure',
      kind: 'machine',
      route: { templateId: 'complete-denture', choices: {} },
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
      benchList([summary], at(8), 40, (work) => {
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
    const asked = listAt(obey(castAt(0), ask, START, 'Ada', nameOf), 5)
    expect(asked.now).toEqual([])
    expect(asked.asking[0]?.question?.text).toBe('Which shade?')
    expect(asked.running).toHaveLength(1)
    const held = listAt(obey(castAt(0), { type: 'hold', reason: 'x' }, START, 'Ada', nameOf), 5)
    expect(held.now).toEqual([])
  })
  it('sums up what is left against the due date', () => {
    const summary = caseSummary('c1', castAt(0).state, calendar)
    expect(summary).toMatchObject({ status: 'open', stage: 'pour', stepsDone: 3 })
    expect(summary.startBy).toBeLessThan(summary.dueAt)
  })
})
