import { describe, expect, it } from '@jest/globals'
import type { CaseSummary } from '@yentrik/core'
import { wishedCases } from './case-filter.ts'

const HOUR = 3_600_000
function summary(docket: string, change: Partial<CaseSummary>): CaseSummary {
  return {
    caseId: docket,
    sequence: 1,
    docket,
    clinic: 'Mill Lane',
    prescriber: 'Dr. Orla',
    patientCode: 'P-1',
    jobNames: ['Study cast, upper'],
    dueAt: 100 * HOUR,
    receivedAt: 0,
    status: 'open',
    stage: 'pour',
    startBy: 90 * HOUR,
    stepsDone: 0,
    stepsInAll: 10,
    items: [],
    lots: [],
    ...change,
  }
}
const cases = [
  summary('K-1', { startBy: 50 * HOUR }),
  summary('K-2', { startBy: 10 * HOUR, clinic: 'Harbour Row', stage: 'wax', dueAt: 20 * HOUR }),
  summary('K-3', { status: 'delivered', startBy: 1 * HOUR }),
]
const dockets = (wish: Partial<Parameters<typeof wishedCases>[1]>) =>
  wishedCases(cases, { words: '', stage: '', ...wish }, 0).map((each) => each.docket)

describe('the list of cases', () => {
  it('puts the least slack first and what is finished last', () =>
    expect(dockets({})).toEqual(['K-2', 'K-1', 'K-3']))
  it('finds all words, wherever they stand', () => {
    expect(dockets({ words: 'harbour upper' })).toEqual(['K-2'])
    expect(dockets({ words: 'harbour lower' })).toEqual([])
  })
  it('filters by stage and by due date', () => {
    expect(dockets({ stage: 'wax' })).toEqual(['K-2'])
    expect(dockets({ dueWithinHours: 24 })).toEqual(['K-2'])
  })
})
