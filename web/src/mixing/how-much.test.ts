import { describe, expect, it } from '@jest/globals'
import { materials } from '@yentrik/core'
import { freshEntry, howMuch } from './how-much.ts'
import { isWeighed } from './weighed.ts'

const stone = materials.get('high-strength-stone')
if (!isWeighed(stone)) throw new Error('type 4 is weighed')
const of = (change: object, ratio = 0.24) => howMuch({ ...freshEntry(100), ...change }, stone, ratio)

describe('how much', () => {
  it('takes a comma, and keeps quiet about what was not typed', () => {
    expect(of({ known: '100,5' }).mix?.powderGrams).toBe(100.5)
    expect(of({ known: '' }).mix).toBeUndefined()
  })
  it.each([
    ['known', { known: '-3' }],
    ['known', { known: '1e3' }],
    ['known', { known: '30000' }],
    ['count', { basis: 'job', count: '2.5' }],
    ['diameter', { basis: 'size', diameter: '900', height: '20' }],
    ['waste', { basis: 'size', diameter: '50', height: '20', waste: '300' }],
  ])('names the entry at fault: %s', (field, change) => {
    const { mix, faults } = of(change)
    expect(mix).toBeUndefined()
    expect(Object.keys(faults)).toContain(field)
  })
  // Model notes: 60 mL at 0.24 without air and waste is 99.398 g; 1 % air and a tenth of waste make it · 0.99 · 1.1.
  it('fills a mesh of 60 cm3, with air and waste counted', () => {
    const { mix, cm3 } = of({ basis: 'mesh', meshVolume: 60_000, meshUnit: 'mm' })
    expect(cm3).toBe(60)
    expect(mix?.powderGrams).toBeCloseTo(99.398 * 0.99 * 1.1, 2)
  })
  const flask = {
    lowerMillilitres: '160',
    ringMillilitres: '180',
    ringMillimetres: '30',
    castLengthMillimetres: '60',
    castWidthMillimetres: '65',
    castMillimetres: '20',
    cuspMillimetres: '26',
    waxUpCm3: '25',
  }
  // By hand: (160 - 62.4) cm3 of stone at 2.75 g/cm3 and 0.24: 1.65663 g to the cm3, · 0.99 · 1.1.
  it('goes by the flask once it is measured, each step by its pour', () => {
    const entry = freshEntry(250, 'first-pour', flask)
    expect(entry.basis).toBe('flask')
    expect(howMuch(entry, stone, 0.24).mix?.powderGrams).toBeCloseTo(97.6 * 1.65663 * 0.99 * 1.1, 1)
    expect(freshEntry(120, 'third-pour', flask).pour).toBe('cap')
    expect(freshEntry(120, 'third-pour', { ...flask, ringMillimetres: '' }).basis).toBe('weight')
    expect(
      of({ basis: 'flask', flask: { ...flask, ringMillimetres: 'x' } }).faults.ringMillimetres,
    ).toBeDefined()
  })
  it('waits for the unit of a mesh', () =>
    expect(of({ basis: 'mesh', meshVolume: 60_000 }).mix).toBeUndefined())
})
