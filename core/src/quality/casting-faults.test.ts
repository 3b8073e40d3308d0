import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { Bench, J, MINUTE } from '../route/case-bench.ts'
import { stepOf } from '../route/index.ts'
import { type CastingRecord, castingCauses, castingRecord } from './index.ts'

const careful: CastingRecord = {
  wettingAgent: 'dry film',
  ratio: { millilitresPerGram: 0.2, standing: 'usual' },
  marginToInvestMinutes: 12,
  benchSetMinutes: 50,
  burnoutMinutes: 300,
  furnaceCelsius: 850,
  transferMinutes: 0.6,
  alloyGrams: 14,
  patternGrams: 0.9,
  turns: 4,
  sprueGauge: 10,
  endClearanceMillimetres: 3.5,
  binder: 'phosphate',
}
const first = (fault: string, change: Partial<CastingRecord>) =>
  castingCauses(fault, { ...careful, ...change })[0]!

describe('causes of a fault, by the evidence of the case', () => {
  it.each<[string, Partial<CastingRecord>, string, string]>([
    ['Margin short', { transferMinutes: 3.2 }, 'cooled on its way', '3.2 min from oven to arm.'],
    ['Margin short', { furnaceCelsius: 720 }, 'not hot enough', '720 °C'],
    // 0.9 g of wax at 0.95 are 0.947 cm3, and 7.9 g of the lightest alloy.
    ['Margin short', { alloyGrams: 6 }, 'Too little metal', 'want at least 7.9 g'],
    ['Margin short', { turns: 2 }, 'Too little pressure', '2 turns'],
    ['Margin short', { endClearanceMillimetres: 9 }, 'Gas could not leave', '9 mm to the end'],
    ['Fins', { benchSetMinutes: 20 }, 'before it had set', '20 min of bench set.'],
    ['Fins', { ratio: { millilitresPerGram: 0.3, standing: 'thin' } }, 'too thin', '0.300 mL/g'],
    ['Nodules inside', { wettingAgent: 'none' }, 'No wetting agent', 'none'],
    ['Rough all over', { wettingAgent: 'pools' }, 'pooled', 'pools'],
    ['Rough all over', { binder: 'gypsum', furnaceCelsius: 715 }, 'broke down', '715 °C'],
    ['Porous', { sprueGauge: 14 }, 'sprue froze', 'Gauge 14, 1.63 mm'],
    ['Bent', { marginToInvestMinutes: 50 }, 'wax moved', '50 min'],
  ])('%s with %j: first comes %s', (fault, change, name, words) => {
    const cause = first(fault, change)
    expect(cause.standing).toBe('supported')
    expect(cause.name).toContain(name)
    expect(cause.words).toContain(words)
    expect(cause.change).toMatch(/\S/)
  })
  it('what is not on record stands between what speaks for and what speaks against', () => {
    const { transferMinutes: _late, ...rest } = careful
    const standings = castingCauses('Margin short', { ...rest, turns: 2 }).map(({ standing }) => standing)
    expect(standings).toEqual(['supported', 'unknown', 'unknown', 'against', 'against', 'against'])
  })
  it('evidence never changes which causes there are, only their order', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('Margin short', 'Fins', 'Nodules inside', 'Rough all over', 'Porous', 'Bent'),
        fc.record({
          transferMinutes: fc.double({ min: 0, max: 9, noNaN: true }),
          turns: fc.integer({ min: 0, max: 9 }),
        }),
        (fault, change) => {
          const names = (record: CastingRecord) =>
            castingCauses(fault, record)
              .map(({ name }) => name)
              .sort()
          expect(names({ ...careful, ...change })).toEqual(names({}))
        },
      ),
    )
  })
  it('every fault of the inspection has its causes, a whole casting none', () => {
    const bench = new Bench('cast-crown').upTo('inspect-casting')
    const check = stepOf(bench.job, 'inspect-casting').checks![0]!
    const answers = check.kind === 'observe' ? check.answers : []
    for (const { answer, outcome } of answers)
      expect([answer, castingCauses(answer, {}).length > 0]).toEqual([answer, outcome.verdict !== 'pass'])
  })
})

describe('the record of a casting', () => {
  it('is read from the case: times from its clock, figures from its readings', () => {
    const bench = new Bench('cast-crown').upTo('burnout')
    bench.check('burnout', 'furnace-hold-phosphate', 840)
    bench.now += 300 * MINUTE
    bench.finish('burnout')
    bench.now += 4 * MINUTE
    bench.do({ type: 'startStep', jobId: J, stepId: 'cast', outOfTimeReason: 'torch ran out' })
    bench.check('cast', 'arm-turns', 3)
    const record = castingRecord(bench.job)
    expect(record).toMatchObject({
      wettingAgent: 'dry film',
      furnaceCelsius: 840,
      turns: 3,
      transferMinutes: 4,
      burnoutMinutes: 300,
      binder: 'phosphate',
    })
    expect(record.alloyGrams).toBeUndefined()
    expect(castingCauses('Margin short', record)[0]).toMatchObject({
      standing: 'supported',
      words: '4.0 min from oven to arm.',
    })
  })
  it('an empty job has nothing to say', () => {
    expect(castingRecord(new Bench('cast-crown').job)).toEqual({ binder: 'phosphate' })
  })
})
