import { describe, expect, it } from '@jest/globals'
import { DomainError } from '../refusal/index.ts'
import { qualityCalculator } from './calculators.ts'

const answer = (kind: string, input: object) =>
  qualityCalculator.answer({ kind, input }) as Record<string, unknown>
const refusal = (kind: string, input: object): string | undefined => {
  try {
    answer(kind, input)
    return undefined
  } catch (error) {
    if (error instanceof DomainError) return error.code
    throw error
  }
}
const at = (minutes: number) => new Date(Date.UTC(2026, 2, 2, 10) + minutes * 60_000).toISOString()
const hours = { timeZone: 'UTC', opensMinute: 450, closesMinute: 1020, weekdays: [1, 2, 3, 4, 5] }
const moves = (list: readonly (readonly [type: string, stepId: string, minutes: number])[]) =>
  list.map(([type, stepId, minutes], n) => ({
    sequence: n + 2,
    at: at(minutes),
    by: 'Ada',
    type,
    jobId: 'job-1',
    ...(type === 'wentBack' ? { toStepId: stepId, remake: false, reason: 'not right' } : { stepId }),
  }))
const step = (id: string, ...after: readonly string[]) => ({ id, kind: 'attended', after })
const caseOf = (events: readonly object[]) => ({
  ...{ caseId: 'K-1', receivedAt: at(-150), dueAt: at(600), template: 'made', events },
  steps: [step('p'), step('q', 'p'), step('r', 'q')],
})
/** P 10 and Q 20 min, R begun 12 min before it goes back at ten; P again by 10:15, Q by 10:40. */
const example = caseOf(
  moves([
    ['stepStarted', 'p', -120],
    ['stepFinished', 'p', -110],
    ['stepStarted', 'q', -110],
    ['stepFinished', 'q', -90],
    ['stepStarted', 'r', -12],
    ['wentBack', 'p', 0],
    ['stepStarted', 'p', 0],
    ['stepFinished', 'p', 15],
    ['stepStarted', 'q', 20],
    ['stepFinished', 'q', 40],
  ]),
)
const log = { hours, from: at(-200), until: at(900), cases: [example] }

describe('what other programs may ask', () => {
  it.each<[string, object, object]>([
    [
      'rate',
      { count: 0, of: 30 },
      { low: 0, high: expect.closeTo(0.1135, 4), exactHigh: expect.closeTo(0.095, 4) },
    ],
    [
      'difference',
      { first: { count: 56, of: 70 }, second: { count: 48, of: 80 } },
      { low: expect.closeTo(0.0524, 4) },
    ],
    [
      'compare',
      { first: { count: 10, of: 13 }, second: { count: 2, of: 17 } },
      { midP: expect.closeTo(0.00048066, 8), state: 'compared', word: 'strong sign' },
    ],
    [
      'compare',
      { first: { count: 3, of: 20 }, second: { count: 0, of: 25 } },
      { state: 'tooFew', leastP: expect.closeTo(0.0803, 4) },
    ],
    [
      'stratified',
      {
        strata: [
          { first: { count: 81, of: 87 }, second: { count: 234, of: 270 } },
          { first: { count: 192, of: 263 }, second: { count: 55, of: 80 } },
        ],
      },
      { midP: expect.closeTo(0.1206, 4), mixMisleads: true, word: 'hint' },
    ],
    ['many', { p: [0.01, 0.04] }, { q: [0.02, 0.04], words: ['sign', 'sign'] }],
    ['chart', { values: [1, 2] }, { state: 'dots' }],
    [
      'rare',
      { before: { count: 6, of: 300 }, next: { count: 3, of: 30 } },
      { chanceOfSoMany: expect.closeTo(0.0333, 4), medianGap: expect.closeTo(34.3, 1) },
    ],
    ['hours', { hours: [6.5, 2.25, 4, 1.5] }, { hours: 14.25, low: expect.closeTo(3.04, 2), state: 'told' }],
    ['learn', { planMinutes: 30, minutes: [20] }, { state: 'planned', meanMinutes: 30 }],
    ['move', { beforeMinutes: 60, towardsMinutes: 30, weeks: 1 }, { minutes: 50 }],
    ['calibration', { chances: [0.9], kept: [true] }, { brier: expect.closeTo(0.01, 9), state: 'tooFew' }],
    [
      'causes',
      { found: [2, 0, 5, 0, 0, 1] },
      { weights: expect.arrayContaining([expect.closeTo(0.462, 3)]) },
    ],
    [
      'causes',
      { found: [0, 8], reset: true, reason: 'new oven' },
      { weights: [expect.closeTo(2 / 3, 9), expect.closeTo(1 / 3, 9)] },
    ],
    ['causeHits', { ranks: [1, 2] }, { meanReciprocalRank: 0.75 }],
    ['rolled', { clean: { count: 1, of: 2 }, steps: [{ count: 1, of: 2 }] }, { product: 0.5 }],
  ])('%s of %j', (kind, input, wanted) => expect(answer(kind, input)).toMatchObject(wanted))
  it('has no word for too few', () => {
    const few = { first: { count: 3, of: 20 }, second: { count: 0, of: 25 } }
    expect(answer('compare', few)).not.toHaveProperty('word')
    expect(answer('stratified', { strata: [few] })).not.toHaveProperty('word')
  })
  it('log: 42 min of hands and 40 of clock, from the events alone', () => {
    const { damaged, figures } = answer('log', log) as never as {
      damaged: object[]
      figures: {
        handsLost: { now: { hours: number } }
        causes: { table: { notSaid: { clockHours: number } } }
      }
    }
    expect(damaged).toEqual([])
    expect(figures.handsLost.now.hours * 60).toBeCloseTo(42, 9)
    expect(figures.causes.table.notSaid.clockHours * 60).toBeCloseTo(40, 9)
  })
  it('log: a gap in one record is said of that case, and the rest is counted', () => {
    const torn = { ...example, caseId: 'K-2', events: example.events.slice(1) }
    const { damaged, figures } = answer('log', { ...log, cases: [torn, example] }) as never as {
      damaged: object[]
      figures: { jobs: number; leftOut: object }
    }
    expect(damaged).toMatchObject([{ caseId: 'K-2', code: 'record-damaged' }])
    expect(figures).toMatchObject({ jobs: 1, leftOut: { damaged: ['K-2'] } })
  })
})

describe('refusals', () => {
  it.each<[string, string, object]>([
    ['nothing-counted', 'rate', { count: 0, of: 0 }],
    ['count-above-total', 'rate', { count: 2, of: 1 }],
    ['counts-not-whole', 'rate', { count: 0.5, of: 1 }],
    [
      'persons-not-compared',
      'compare',
      { first: { count: 1, of: 2 }, second: { count: 1, of: 2 }, by: 'person' },
    ],
    ['persons-not-compared', 'stratified', { strata: [], by: 'people' }],
    ['p-out-of-range', 'many', { p: [2] }],
    ['step-not-positive', 'chart', { values: [], step: 0 }],
    ['limits-without-reason', 'chart', { values: [1], since: 1 }],
    ['limits-without-reason', 'chart', { values: [1], leftOut: [0], reason: ' ' }],
    ['hours-not-positive', 'hours', { hours: [0] }],
    ['minutes-not-positive', 'learn', { planMinutes: 0, minutes: [] }],
    ['chance-out-of-range', 'calibration', { chances: [2], kept: [true] }],
    ['lengths-differ', 'calibration', { chances: [0.2], kept: [true, false] }],
    ['reset-without-reason', 'causes', { found: [1], reset: true }],
    ['rank-not-whole', 'causeHits', { ranks: [0.5] }],
    ['calendar-missing', 'log', { from: at(0), until: at(1), cases: [] }],
    ['period-empty', 'log', { hours, from: at(1), until: at(1), cases: [] }],
    ['calendar-closed', 'log', { ...log, hours: { ...hours, weekdays: [] } }],
  ])('%s: %s of %j', (code, kind, input) => expect(refusal(kind, input)).toBe(code))
})
