import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { rightOfCommand } from '../case/index.ts'
import { spoken } from '../quantity/index.ts'
import type { DomainError } from '../refusal/index.ts'
import { type AmountOf, checkMix, lotShares, type RecordedMix, ratioVerdict } from './index.ts'

const base: AmountOf<'mix'> = {
  id: 'base',
  kind: 'mix',
  materialId: 'dental-stone',
  powderGrams: 120,
  millilitresPerGram: 0.28,
  source: 'common practice',
}
/** Type 3: 0.28 to 0.30 mL/g (Phillips, recalled). */
const mix = (powderGrams: number, liquidMillilitres: number, more: Partial<RecordedMix> = {}) => ({
  amountId: 'base',
  materialId: 'dental-stone',
  powderGrams,
  liquidMillilitres,
  ...more,
})
function refusal(given: ReturnType<typeof mix>): DomainError | undefined {
  try {
    checkMix(base, given)
    return undefined
  } catch (error) {
    return error as DomainError
  }
}

describe('a mix whose ratio cannot be, or should not', () => {
  it('a lost decimal, 120 g with 336 mL, goes on no record, whatever the reason', () => {
    for (const more of [{}, { ratioReason: 'as it was' }]) {
      const refused = refusal(mix(120, 336, more))
      expect(refused).toMatchObject({ code: 'ratio-not-plausible', field: 'liquidMillilitres' })
      expect(refused!.remedy).toContain('lost decimal point')
    }
    expect(refusal(mix(120, 3.36))?.code).toBe('ratio-not-plausible')
    // Twice as much as the thinnest, half as much as the thickest that the card allows (choice).
    expect(refusal(mix(100, 62))?.code).toBe('ratio-not-plausible')
    expect(refusal(mix(100, 60))?.code).toBe('ratio-outside-range')
    expect(refusal(mix(100, 13))?.code).toBe('ratio-not-plausible')
    expect(refusal(mix(100, 14))?.code).toBe('ratio-outside-range')
  })
  it('outside the range it wants a reason, and says both ratios in the units of the bench', () => {
    const refused = refusal(mix(100, 35))
    expect(refused).toMatchObject({ code: 'ratio-outside-range', field: 'ratioReason' })
    expect(spoken(refused!.said, 'metric')).toBe('100 g + 35 mL is 0.35 mL/g, outside 0.27 to 0.31 mL/g.')
    expect(refusal(mix(100, 35, { ratioReason: ' ' }))?.code).toBe('ratio-outside-range')
    expect(refusal(mix(100, 35, { ratioReason: 'for a pour into thin moulds' }))).toBeUndefined()
  })
  it.each([
    [100, 28],
    [100, 30],
    // What a balance and a cylinder cannot tell, 2 %.
    [100, 27.45],
    [100, 30.55],
  ])('%d g with %d mL is as the card says', (powder, liquid) =>
    expect(refusal(mix(powder, liquid))).toBeUndefined(),
  )
  it('the pack wins over the class: 20 mL to a bag of 100 g (common practice)', () => {
    const pack = { millilitresPerGram: 0.2 }
    expect(refusal(mix(100, 20))?.code).toBe('ratio-outside-range')
    expect(refusal(mix(100, 20, { pack }))).toBeUndefined()
    expect(refusal(mix(100, 24, { pack }))).toBeUndefined()
  })
  it('what is counted, or used up, has no ratio', () => {
    const counted = { ...base, kind: 'parts', powderParts: 4 } as never
    expect(ratioVerdict(counted, mix(100, 90))).toBe('within')
    expect(ratioVerdict(base, mix(100, undefined as never))).toBe('within')
  })
  it('further out is never less of a fault', () => {
    const order = ['within', 'outside', 'absurd']
    const away = fc.double({ min: 0.3, max: 2, noNaN: true })
    fc.assert(
      fc.property(away, away, (a, b) => {
        const [near, far] = [Math.min(a, b), Math.max(a, b)].map((ratio) =>
          order.indexOf(ratioVerdict(base, mix(100, 100 * ratio))),
        )
        expect(far!).toBeGreaterThanOrEqual(near!)
      }),
    )
  })
  it('to go on with it is a decision: not everybody at the bench may', () => {
    expect(rightOfCommand({ type: 'recordMix' })).toBe('work')
    expect(rightOfCommand({ type: 'recordMix', ratioReason: 'x' })).toBe('decide')
  })
})

describe('what a mix takes out of its packs', () => {
  it('of a blend goes by its parts, one pack for each; of several packs of one material alike', () => {
    expect(lotShares({ materialId: 'half-and-half', lots: ['plaster', 'stone'] })).toEqual([0.5, 0.5])
    expect(lotShares({ materialId: 'dental-stone', lots: ['a'] })).toEqual([1])
    expect(lotShares({ materialId: 'dental-stone', lots: ['a', 'b', 'c', 'd'] })).toEqual([
      0.25, 0.25, 0.25, 0.25,
    ])
    expect(lotShares({ materialId: 'half-and-half', lots: [] })).toEqual([])
    expect(lotShares({ materialId: 'half-and-half', lots: ['mixed'] })).toEqual([1])
  })
})
