import { describe, expect, it } from '@jest/globals'
import { usualCalendar } from '../planning/index.ts'
import { type CaseAtHand, type CaseCommand, obey, type Route, receiveCase } from '../route/index.ts'
import { benchList, caseSummary } from './index.ts'

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
