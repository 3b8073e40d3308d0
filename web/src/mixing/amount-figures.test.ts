import { describe, expect, it } from '@jest/globals'
import { type Amount, materials } from '@yentrik/core'
import { amountFigures, powderWords } from './amount-figures.ts'
import { bowlNumbers, emptyBowl } from './bowl.ts'

const source = 'common practice'
const figuresOf = (amount: Amount) =>
  amountFigures(amount).figures.map(({ value, unit, what }) => `${value} ${unit} ${what}`.replace(/ +/g, ' '))

describe('the figures of an amount', () => {
  it('a mix: what the balance and the cylinder must show, by the ratio of the step before that of the card', () => {
    const stone: Amount = {
      id: 'a',
      kind: 'mix',
      materialId: 'dental-stone',
      powderGrams: 120,
      millilitresPerGram: 0.3,
      source,
    }
    expect(figuresOf(stone)).toEqual(['120 g dental stone, type 3', '36 mL water, 0.30'])
    const { measure } = materials.get('dental-stone')!
    if (measure?.by !== 'mass') throw new Error('stone is weighed')
    const [, water] = figuresOf({ ...stone, millilitresPerGram: undefined } as Amount)
    expect(Number(water!.split(' ')[0])).toBeCloseTo(120 * measure.usualMillilitresPerGram, 1)
  })
  it('parts: as many of one as the card wants of the other, one of them without an s', () => {
    const parts = (powderParts: number): Amount => ({
      id: 'a',
      kind: 'parts',
      materialId: 'two-part-putty',
      powderParts,
      source,
    })
    expect(amountFigures(parts(3)).figures.map(({ value }) => value)).toEqual(['3', '3'])
    expect(amountFigures(parts(1)).figures[0]?.what.endsWith('s')).toBe(false)
    expect(amountFigures(parts(2)).figures[0]?.what.endsWith('s')).toBe(true)
  })
  it('what is used up by the piece', () => {
    const film: Amount = {
      id: 'a',
      kind: 'use',
      materialId: 'petroleum-jelly',
      count: 1,
      unit: 'film',
      source,
    }
    expect(figuresOf(film)).toEqual(['1 film petroleum jelly'])
  })
  it('a blend part by part, whose parts add up to the whole', () => {
    const blend = [...materials.values()].find((card) => card.blend)!
    const words = powderWords(blend, 220)
    const grams = words.split(' + ').map((part) => Number.parseInt(part, 10))
    expect(grams.reduce((sum, each) => sum + each, 0)).toBeCloseTo(220, -0.5)
    expect(grams).toHaveLength(blend.blend!.length)
  })
})

describe('what is in the bowl', () => {
  it('takes a point or a comma', () =>
    expect(bowlNumbers({ ...emptyBowl, powder: '100,5', liquid: '23.1' })).toMatchObject({
      powder: 100.5,
      liquid: 23.1,
    }))
  it.each(['0', '-3', '10001', 'x', '1e3'])('says what is wrong with %s, and counts nothing', (text) => {
    const { powder, powderFault } = bowlNumbers({ ...emptyBowl, powder: text })
    expect(powder).toBeUndefined()
    expect(powderFault).toMatch(/number|above 0/i)
  })
})
