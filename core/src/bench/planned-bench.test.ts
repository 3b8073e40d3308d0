import { describe, expect, it } from '@jest/globals'
import { usualCalendar } from '../planning/index.ts'
import { Bench, MINUTE, START } from '../testing/index.ts'
import { benchContents, benchList, caseSummary, type PlannedWork } from './index.ts'

const calendar = usualCalendar('UTC')

describe('a bench with a plan', () => {
  const summaries = ['a', 'b', 'c'].map((caseId) =>
    caseSummary(caseId, new Bench('study-cast').working.state, calendar),
  )
  const plans: Readonly<Record<string, PlannedWork>> = {
    a: { at: START + 30 * MINUTE, personId: 'ben', person: 'Ben', slackMillis: 60 * MINUTE },
    b: { at: START + 90 * MINUTE, personId: 'ada', person: 'Ada', slackMillis: 0 },
    c: { at: START + 60 * MINUTE, personId: 'ada', person: 'Ada', slackMillis: 10 * MINUTE },
  }
  const contents = benchContents(summaries, START, undefined, (caseId) => plans[caseId])
  const order = (me?: string) => benchList(contents, START, me).now.map(({ caseId }) => caseId)

  it('goes by the hours of the plan', () => expect(order()).toEqual(['a', 'c', 'b']))
  it('has what is planned for oneself before what is planned for others', () => {
    expect(order('ada')).toEqual(['c', 'b', 'a'])
    expect(order('ben')).toEqual(['a', 'c', 'b'])
  })
  it('says by when a step must begin: as planned, and so much later as its case has to spare', () => {
    const by = Object.fromEntries(benchList(contents, START).now.map(({ caseId, at }) => [caseId, at]))
    expect(by).toEqual({ a: START + 90 * MINUTE, b: START + 90 * MINUTE, c: START + 70 * MINUTE })
  })
  it('what is in no plan goes by its due date', () => {
    const without = benchContents(summaries, START, undefined, () => undefined)
    expect(without.work.every(({ planned }) => planned === undefined)).toBe(true)
    expect(without.work[0]!.startBy).toBe(summaries[0]!.items[0]!.startBy)
  })
})
