import { describe, expect, it } from '@jest/globals'
import { Bench, J } from '../testing/index.ts'

describe('an entry that is corrected', () => {
  it('changes that reading alone, and takes back what the dentist accepted of it alone', () => {
    const bench = new Bench('complete-denture').upTo('pin-opening')
    const read = (value: number) => {
      bench.check('pin-opening', 'pin-open', value)
      return bench.working.state.sequence
    }
    const first = read(2.6)
    bench.do({ type: 'dentistAnswered', jobId: J, answer: 'Grind it in', decision: 'proceed' })
    const second = read(3.1)
    bench.do({ type: 'dentistAnswered', jobId: J, answer: 'Grind that in too', decision: 'proceed' })
    const step = () => bench.job.steps['pin-opening']!
    const accepted = step().accepted
    expect(accepted).toContain(second)
    bench.do({ type: 'correct', corrects: second, value: 1.4, reason: 'read wrong' })
    expect(step().readings.map(({ value }) => value)).toEqual([2.6, 1.4])
    expect(step().readings[0]!.corrected).toBeUndefined()
    expect(step().accepted).toEqual(accepted.filter((sequence) => sequence !== second))
    expect(step().accepted.includes(first)).toBe(accepted.includes(first))
  })
  it('changes that mix alone, and of it only what is given', () => {
    const bench = new Bench().upTo('pour-anatomy')
    const mix = bench.carefully('pour-anatomy').find(({ type }) => type === 'recordMix')!
    bench.do(mix)
    const first = bench.working.state.sequence
    bench.do(mix)
    const second = bench.working.state.sequence
    const [, before] = bench.job.steps['pour-anatomy']!.mixes
    bench.do({ type: 'correct', corrects: second, powderGrams: 101.5, reason: 'read wrong' })
    const mixes = bench.job.steps['pour-anatomy']!.mixes
    expect(mixes.map(({ sequence }) => sequence)).toEqual([first, second])
    expect(mixes[0]!.corrected).toBeUndefined()
    expect(mixes[1]).toMatchObject({
      powderGrams: 101.5,
      liquidMillilitres: before!.liquidMillilitres,
      corrected: { powderGrams: before!.powderGrams, liquidMillilitres: before!.liquidMillilitres },
    })
    bench.do({ type: 'correct', corrects: first, liquidMillilitres: 31, reason: 'spilt' })
    expect(bench.job.steps['pour-anatomy']!.mixes[0]).toMatchObject({ liquidMillilitres: 31 })
  })
  it('going back opens what was done; what nobody touched stays the first attempt', () => {
    const bench = new Bench().upTo('set')
    bench.do({ type: 'goBack', jobId: J, toStepId: 'pour-anatomy', remake: false, reason: 'bubbles' })
    const attempts = Object.fromEntries(
      bench.job.route.steps.map(({ id }) => [id, bench.job.steps[id]!.attempt]),
    )
    expect(attempts).toMatchObject({ 'pour-anatomy': 2, set: 2 })
    const after = bench.job.route.steps.slice(bench.job.route.steps.findIndex(({ id }) => id === 'set') + 1)
    expect(after.length).toBeGreaterThan(0)
    for (const { id } of after) expect(bench.job.steps[id]).toMatchObject({ attempt: 1, past: [] })
  })
})
