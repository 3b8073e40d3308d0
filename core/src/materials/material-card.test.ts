import { describe, expect, it } from '@jest/globals'
import { type MaterialCard, materialCardFaults, materialShelf, materials } from './index.ts'

describe('shipped cards', () => {
  // Phillips' Science of Dental Materials, recalled: W/P ranges of ISO 6873 types 1 to 5.
  it.each([
    ['impression-plaster', 0.5, 0.75],
    ['model-plaster', 0.45, 0.5],
    ['dental-stone', 0.28, 0.3],
    ['high-strength-stone', 0.22, 0.24],
    ['high-expansion-stone', 0.18, 0.22],
  ])('%s takes %d to %d mL/g', (id, least, most) => {
    expect(materials.get(id)?.measure).toMatchObject({
      minMillilitresPerGram: least,
      maxMillilitresPerGram: most,
    })
  })
  // ISO 6873:2013, recalled: expansion at 2 h in %, strength at 1 h in MPa; type 2 as its class 2.
  it.each([
    ['impression-plaster', { max: 0.15 }, { min: 4, max: 8 }],
    ['model-plaster', { max: 0.3 }, { min: 9 }],
    ['dental-stone', { max: 0.2 }, { min: 20 }],
    ['high-strength-stone', { max: 0.15 }, { min: 35 }],
    ['high-expansion-stone', { min: 0.16, max: 0.3 }, { min: 35 }],
  ])('%s has its limits', (id, expansionPercent, strengthMegapascals) => {
    expect(materials.get(id)?.iso6873).toEqual({ expansionPercent, strengthMegapascals })
  })
  // Common practice: stone is safe to separate after 45 min.
  it('stone separates after 45 min', () => {
    expect(materials.get('dental-stone')?.clock?.separateMinutes).toBe(45)
  })
})

describe('the schema', () => {
  const good = materials.get('dental-stone')!
  const faults = (change: Partial<MaterialCard>) =>
    materialCardFaults({ ...good, ...change }, new Set(['dental-stone']))
  it('finds no fault in a sound card', () => expect(faults({})).toEqual([]))
  it('names each fault', () => {
    expect(faults({ id: 'Dental Stone' })[0]).toContain('a-z')
    expect(faults({ name: ' ' })[0]).toContain('name')
    if (good.measure?.by !== 'mass') throw new Error('weighed card')
    expect(faults({ measure: { ...good.measure, minMillilitresPerGram: 0.5 } })[0]).toContain('rise')
    expect(faults({ measure: { ...good.measure, source: '' } })[0]).toContain('source')
    expect(faults({ clock: { ...good.clock!, setMinutes: 99 } })[0]).toContain('clock')
    expect(faults({ blend: [{ materialId: 'nothing', massFraction: 0.4 }] })).toHaveLength(2)
  })
  it('refuses a shelf with a faulty or doubled card', () => {
    expect(() => materialShelf([{ ...good, name: '' }])).toThrow(
      expect.objectContaining({ code: 'material-cards-faulty' }),
    )
    expect(() => materialShelf([good, good])).toThrow('two cards share an id')
  })
})
