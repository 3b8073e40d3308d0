import { describe, expect, it } from '@jest/globals'
import { stepOf } from '../case/index.ts'
import { Bench, MINUTE } from '../testing/index.ts'
import { qualityCalculator } from './calculators.ts'
import { faultsWithCauses, lastBegun, seenFaults } from './seen-faults.ts'

describe('what a step has found', () => {
  it('is each answer of its checks, with what the check means', () => {
    const bench = new Bench('cast-crown').upTo('fit-die')
    const step = stepOf(bench.job, 'fit-die')
    expect(seenFaults(bench.job, step)).toEqual([])
    const [first] = step.checks!.filter(({ kind }) => kind === 'observe')
    const bad =
      first!.kind === 'observe'
        ? first!.answers.find(({ outcome }) => outcome.verdict !== 'pass')!.answer
        : ''
    bench.check('fit-die', first!.id, bad)
    expect(seenFaults(bench.job, step)).toEqual([
      {
        place: first!.id,
        where: first!.name,
        fault: bad,
        ...(first!.means ? { seenBy: first!.means } : {}),
      },
    ])
    const [found] = faultsWithCauses(bench.job, step)
    expect(found!.seen.fault).toBe(bad)
    expect(found!.causes.length).toBeGreaterThan(0)
    expect(faultsWithCauses(bench.job, undefined)).toEqual([])
  })
  it('is found at the step that was begun last of those that run', () => {
    const bench = new Bench('clear-clasp').before('dry-strips')
    expect(lastBegun(bench.job)).toBeUndefined()
    bench.do({ type: 'startStep', jobId: 'job-1', stepId: 'dry-strips' })
    expect(lastBegun(bench.job)!.id).toBe('dry-strips')
    bench.now += 5 * MINUTE
    const beside = bench.job.route.steps.find(
      ({ id, after }) =>
        bench.job.steps[id]!.status === 'waiting' &&
        after.every((each) => bench.job.steps[each]!.status === 'done'),
    )!
    bench.do({ type: 'startStep', jobId: 'job-1', stepId: beside.id })
    expect(lastBegun(bench.job)!.id).toBe(beside.id)
  })
})

describe('rare events, as other programs ask', () => {
  it.each([
    [3, 200, true],
    [0, 200, false],
    [200, 200, false],
  ])('%d of %d: a usual gap where some, and not all, were so before: %s', (count, of, has) => {
    const input = { before: { count, of }, next: { count: 1, of: 60 } }
    const found = qualityCalculator.answer({ kind: 'rare', input })
    expect('medianGap' in found).toBe(has)
  })
})
