import { describe, expect, it } from '@jest/globals'
import { seededRandom } from '../random/index.ts'
import { Bench, J } from '../testing/index.ts'
import { carefulWork, stepOf } from './index.ts'

describe('the patient identification', () => {
  it('lets the identification be left out where it is usual, never where it is required, and has no step where it is off', () => {
    const at = (rule: string, stepId: string) =>
      new Bench('complete-denture', { identification: rule }).upTo(stepId)
    const leaveOut = (rule: string, stepId: string) => {
      const bench = at(rule, 'trial-closures')
      for (const command of carefulWork(J, stepOf(bench.job, 'trial-closures'), seededRandom(1)))
        bench.do(command)
      bench.do({ type: 'finishStep', jobId: J, stepId: 'trial-closures' })
      return bench.refusal({ type: 'skipStep', jobId: J, stepId, reason: 'as agreed' })
    }
    expect(leaveOut('strip', 'identification')).toBeUndefined()
    expect(leaveOut('required', 'identification-required')).toBe('step-not-skippable')
    const ids = at('none', 'dough').job.route.steps.map(({ id }) => id)
    expect(ids.filter((id) => id.startsWith('identification'))).toEqual([])
    const last = (rule: string) =>
      at(rule, 'dough')
        .job.route.steps.find(({ id }) => id === 'last-look')
        ?.checks?.find(({ id }) => id === 'identification-reads')
    const answers = (rule: string) => {
      const check = last(rule)
      return check?.kind === 'observe' ? check.answers.map(({ answer }) => answer) : undefined
    }
    expect(answers('strip')).toContain('None, as agreed')
    expect(answers('required')).not.toContain('None, as agreed')
    expect(answers('none')).toBeUndefined()
  })
})
