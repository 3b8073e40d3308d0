import { describe, expect, it } from '@jest/globals'
import { Bench, J } from '../testing/index.ts'
import { usedMaterials } from './index.ts'

const usedOf = (bench: Bench) => usedMaterials(bench.working.events, () => bench.job.route)
const stone = { type: 'recordMix', jobId: J, stepId: 'pour-anatomy', amountId: 'stone' } as const

describe('what a case has used', () => {
  it('adds up by material and product, corrected figures instead of the wrong ones, each pack once', () => {
    const bench = new Bench().upTo('pour-anatomy')
    const mix = { ...stone, materialId: 'dental-stone', liquidMillilitres: 30 }
    bench.do({ ...mix, powderGrams: 100, lots: ['a'] })
    const wrong = bench.working.state.sequence
    bench.do({ ...mix, powderGrams: 100, lots: ['a', 'b'] })
    bench.do({ ...mix, powderGrams: 100, lots: [], product: 'Bag' })
    bench.do({ type: 'correct', corrects: wrong, powderGrams: 104, liquidMillilitres: 31, reason: 'misread' })
    expect(usedOf(bench)).toEqual([
      { materialId: 'dental-stone', grams: 204, lotIds: ['a', 'b'] },
      { materialId: 'dental-stone', product: 'Bag', grams: 100, lotIds: [] },
    ])
  })
  it('counts no mix that was withdrawn, and one that a remake used up', () => {
    const bench = new Bench().upTo('pour-anatomy')
    const mix = { ...stone, materialId: 'dental-stone', powderGrams: 100, liquidMillilitres: 30, lots: [] }
    bench.do(mix)
    bench.do({ type: 'withdraw', withdraws: bench.working.state.sequence, reason: 'another case' })
    expect(usedOf(bench)).toEqual([])
    bench.do(mix)
    bench.do({ type: 'goBack', jobId: J, toStepId: 'work-authorisation', remake: true, reason: 'spilled' })
    expect(usedOf(bench)).toMatchObject([{ grams: 100 }])
  })
  it('of an alloy says what had been melted before, by weight', () => {
    const bench = new Bench('cast-crown').upTo('weigh-metal')
    const piece = (id: string, grams: number, shares: number[]) => ({
      id,
      grams,
      lots: [{ lotId: id, share: 1 }],
      history: { shares },
    })
    bench.sheet('weigh-metal', 'charge', {
      kind: 'charge',
      alloyId: 'gold-type-3',
      pieces: [piece('new', 6, [1]), piece('old', 2, [0, 1])],
    })
    // 2 g of 8 g had been melted before: a quarter (exact).
    expect(usedOf(bench).find(({ materialId }) => materialId === 'gold-type-3')).toEqual({
      materialId: 'gold-type-3',
      grams: 8,
      lotIds: ['new', 'old'],
      remeltShare: 0.25,
    })
  })
})
