import { describe, expect, it } from '@jest/globals'
import { mixingCalculators } from './index.ts'

type Asked = Readonly<Record<string, unknown>>
const answers = (name: string, asked: Asked): Readonly<Record<string, number>> => {
  const { answer } = mixingCalculators.find((each) => each.name === name)!
  return (answer as unknown as (asked: Asked) => Readonly<Record<string, number>>)(asked)
}
const amount = (asked: Asked) => answers('amount', { materialId: 'high-strength-stone', ...asked })

describe('the calculator of amounts', () => {
  // Common practice: one arch 100 to 150 g, one mounting 150 to 250 g; the liquid by the ratio.
  it.each<[Asked, number, number]>([
    [{ jobId: 'arch', size: 'small', millilitresPerGram: 0.24 }, 100, 24],
    [{ jobId: 'arch', millilitresPerGram: 0.24 }, 125, 30],
    [{ jobId: 'mounting', size: 'large', count: 2, millilitresPerGram: 0.5 }, 500, 250],
  ])('for a usual job: %j is %d g and %d mL', (asked, powder, liquid) => {
    const { powderGrams, liquidMillilitres } = amount({ from: 'job', ...asked })
    expect(powderGrams).toBe(powder)
    expect(liquidMillilitres).toBeCloseTo(liquid, 9)
  })
  it('for a space as for its volume: 50 by 40 by 30 mm are 60 cm3', () => {
    const space = { shape: 'block', lengthMillimetres: 50, widthMillimetres: 40, heightMillimetres: 30 }
    const more = { millilitresPerGram: 0.24, airFraction: 0.01, wasteFraction: 0.1 }
    expect(amount({ from: 'space', ...space, ...more })).toEqual(amount({ from: 'volume', cm3: 60, ...more }))
  })
  it('a tenth of waste is a tenth more of both', () => {
    const [none, tenth] = [0, 0.1].map((wasteFraction) => amount({ from: 'volume', cm3: 60, wasteFraction }))
    expect(tenth!.powderGrams! / none!.powderGrams!).toBeCloseTo(1.1, 9)
    expect(tenth!.liquidMillilitres! / none!.liquidMillilitres!).toBeCloseTo(1.1, 9)
  })
  it('the usual ratio of the material, where none is given', () => {
    const { powderGrams, liquidMillilitres } = amount({ from: 'job', jobId: 'arch' })
    // ISO 6873 type 4, Phillips recalled: 0.22 to 0.24 mL/g.
    expect(liquidMillilitres! / powderGrams!).toBeGreaterThanOrEqual(0.22)
    expect(liquidMillilitres! / powderGrams!).toBeLessThanOrEqual(0.24)
  })
  it.each<[string, Asked]>([
    ['no-ratio', { from: 'volume', materialId: 'gold-type-3', cm3: 60 }],
    ['no-ratio', { from: 'volume', materialId: 'of-old', cm3: 60 }],
    ['no-such-job', { from: 'job', jobId: 'of-old' }],
    ['no-such-job', { from: 'job' }],
    ['count-out-of-range', { from: 'job', jobId: 'arch', count: 51 }],
    ['not-a-positive-number', { from: 'volume' }],
  ])('%s: %j', (code, asked) => {
    expect(() => amount(asked)).toThrow(expect.objectContaining({ code }))
  })
  it('fifty pieces are the most, a whole one the least', () => {
    expect(amount({ from: 'job', jobId: 'arch', size: 'small', count: 50 }).powderGrams).toBe(5000)
    for (const count of [0, 1.5]) expect(() => amount({ from: 'job', jobId: 'arch', count })).toThrow()
  })
  it('names the material that is not weighed, and what to choose', () => {
    expect(() => amount({ from: 'volume', materialId: 'gold-type-3', cm3: 60 })).toThrow(
      expect.objectContaining({
        message: 'Gold alloy, type 3 is no material that is weighed.',
        remedy: 'Choose one from /api/materials that has a ratio.',
        field: 'materialId',
      }),
    )
  })
})

describe('the calculator of mixes', () => {
  // 0.23 mL/g: 100 g take 23 mL; 123 g in all at a density of 1.
  it.each<[Asked]>([
    [{ from: 'powder', powderGrams: 100 }],
    [{ from: 'liquid', liquidMillilitres: 23 }],
    [{ from: 'total', totalGrams: 123, liquidGramsPerMillilitre: 1 }],
    [{ from: 'bags', bags: 2, bagGrams: 50 }],
  ])('%j', (given) => {
    const { powderGrams, liquidMillilitres } = answers('mix', { millilitresPerGram: 0.23, ...given })
    expect(powderGrams).toBeCloseTo(100, 9)
    expect(liquidMillilitres).toBeCloseTo(23, 9)
  })
})
