import { describe, expect, it } from '@jest/globals'
import { materials, spoken } from '@yentrik/core'
import { freshEntry, howMuch, wasteFor } from './how-much.ts'
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
    const entry = freshEntry(250, 'flaskFirstPour', flask)
    expect(entry.basis).toBe('flask')
    expect(howMuch(entry, stone, 0.24).mix?.powderGrams).toBeCloseTo(97.6 * 1.65663 * 0.99 * 1.1, 1)
    expect(freshEntry(120, 'flaskCap', flask).pour).toBe('cap')
    expect(freshEntry(120, 'flaskCap', { ...flask, ringMillimetres: '' }).basis).toBe('weight')
    expect(
      of({ basis: 'flask', flask: { ...flask, ringMillimetres: 'x' } }).faults.ringMillimetres,
    ).toBeDefined()
  })
  // By hand: 22.96 cm2 · 2.5 mm + 115 mm · 50 mm2 = 11.49 cm3; the lower 12.25 · 2 mm + 5.25 = 7.7.
  it('knows a denture base by arch and thickness, with as much again for the flash', () => {
    const resin = materials.get('heat-cure-acrylic')
    if (!isWeighed(resin)) throw new Error('resin is weighed')
    const base = (change: object) =>
      howMuch({ ...freshEntry(30), basis: 'size', shape: 'base', waste: '100', ...change }, resin, 0.45)
    expect(base({}).cm3).toBeCloseTo(11.49, 2)
    expect(base({ arch: 'lower', thickness: '2' }).cm3).toBeCloseTo(7.7, 2)
    expect(base({ area: '30' }).cm3).toBeCloseTo(13.25, 2)
    const [once, twice] = ['0', '100'].map((waste) => base({ waste }).mix?.powderGrams ?? 0)
    expect(twice! / once!).toBeCloseTo(2, 6)
    expect(base({ thickness: '' }).faults.thickness).toBeDefined()
    expect(spoken(base({ thickness: '9' }).fault!, 'metric')).toContain('1 mm to 6 mm')
    expect(spoken(base({ area: '1' }).fault!, 'metric')).toMatch(/3.* to 60/)
  })
  it('proposes flash for a base, and leaves a share that was typed alone', () => {
    expect(wasteFor('base', '10')).toBe('100')
    expect(wasteFor('cylinder', '100')).toBe('10')
    expect(wasteFor('base', '25')).toBe('25')
  })
  it('waits for the unit of a mesh', () =>
    expect(of({ basis: 'mesh', meshVolume: 60_000 }).mix).toBeUndefined())
})
