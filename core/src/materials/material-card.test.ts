import { describe, expect, it } from '@jest/globals'
import { inMetric } from '../testing/words.ts'
import { type MaterialCard, materials, productCard, productFaults, productFlags } from './index.ts'
import { materialCardFaults, materialShelf } from './material-card.ts'

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

describe('a product of the lab', () => {
  const type4 = materials.get('high-strength-stone')!
  const product = { productId: 'p-1', materialId: type4.id, name: 'Blue die stone', source: 'the pack' }
  it('inherits what its pack does not say, and says where the rest comes from', () => {
    const card = productCard({ ...product, millilitresPerGram: 0.2, clock: { setMinutes: 9 } }, type4)
    expect(card.measure).toMatchObject({
      usualMillilitresPerGram: 0.2,
      minMillilitresPerGram: 0.22,
      source: 'the pack',
    })
    expect(card.clock).toMatchObject({
      setMinutes: 9,
      separateMinutes: 45,
      source: 'the pack; else common practice',
    })
    expect(card.gypsumType).toBe(4)
    expect(productCard(product, type4).measure).toEqual(type4.measure)
  })
  it('may be out of class, and is flagged with the range', () => {
    expect(inMetric(productFlags({ ...product, millilitresPerGram: 0.2 }, type4))).toEqual([
      expect.stringContaining('0.22 to 0.24'),
    ])
    expect(productFlags({ ...product, millilitresPerGram: 0.23 }, type4)).toEqual([])
  })
  it.each([
    ['name', { name: ' ' }],
    ['source', { source: '' }],
    ['millilitresPerGram', { millilitresPerGram: -1 }],
    ['millilitresPerGram', { millilitresPerGram: Number.NaN }],
    ['bagGrams', { bagGrams: 0 }],
    ['densityGramsPerCm3', { densityGramsPerCm3: 26 }],
    ['clock', { clock: { setMinutes: 3 } }],
    [
      'settingExpansion',
      {
        settingExpansion: [
          { specialLiquidPercent: 50, expansionPercent: 1 },
          { specialLiquidPercent: 50, expansionPercent: 2 },
        ],
      },
    ],
  ])('is refused for its %s', (field, change) => {
    const bad = { ...product, ...change }
    expect(productFaults(bad, type4).map((f) => f.field)).toContain(field)
    expect(() => productCard(bad, type4)).toThrow(expect.objectContaining({ code: 'product-faulty' }))
  })
  it('of a class without a clock needs a whole one', () => {
    const jelly = materials.get('petroleum-jelly')!
    expect(productFaults({ ...product, clock: { setMinutes: 3 } }, jelly)[0]?.sentence).toContain(
      'enter pour by',
    )
    const whole = { pourByMinutes: 1, setMinutes: 2, separateMinutes: 3 }
    expect(productCard({ ...product, clock: whole }, jelly).clock).toEqual({ ...whole, source: 'the pack' })
  })
})

describe('cards of the trade', () => {
  // ASTM B258: 28 gauge is 0.3211 mm.
  it('sheet wax of 28 gauge is 0.3211 mm thick', () =>
    expect(materials.get('sheet-wax-28')?.thickness?.millimetres).toBeCloseTo(0.3211, 4))
  // Common practice: phosphate-bonded about 0.16-0.23 mL/g, gypsum-bonded 0.38-0.42; tissue silicone sets in 5-6 min.
  it('investments and tissue silicone are as the trade has them', () => {
    expect(materials.get('phosphate-investment')?.measure).toMatchObject({
      minMillilitresPerGram: 0.16,
      maxMillilitresPerGram: 0.23,
    })
    expect(materials.get('gypsum-investment')?.measure).toMatchObject({
      minMillilitresPerGram: 0.38,
      maxMillilitresPerGram: 0.42,
    })
    expect(materials.get('tissue-silicone')?.clock).toMatchObject({ setMinutes: 5, separateMinutes: 6 })
  })
})

describe('times that a pack gives for a class without a clock', () => {
  const bare = [...materials.values()].find(({ clock }) => !clock)!
  const product = { productId: 'p-2', materialId: bare.id, name: 'Own', source: 'the pack' }
  const all = { pourByMinutes: 5, setMinutes: 12, separateMinutes: 45 }
  it('are a clock only when none that every clock needs is missing', () => {
    expect(productCard(product, { ...bare }).clock).toBeUndefined()
    expect(productCard({ ...product, clock: all }, bare).clock).toEqual({ ...all, source: 'the pack' })
    for (const key of Object.keys(all)) {
      const clock = Object.fromEntries(Object.entries(all).filter(([name]) => name !== key))
      expect(() => productCard({ ...product, clock }, bare)).toThrow(
        expect.objectContaining({
          code: 'product-faulty',
          message: expect.stringContaining('pour by, set and separate'),
        }),
      )
    }
  })
  it('stand before those of the class, with both sources', () => {
    const stone = materials.get('dental-stone')!
    const { clock } = productCard({ ...product, materialId: stone.id, clock: { separateMinutes: 60 } }, stone)
    expect(clock).toEqual({
      ...stone.clock!,
      separateMinutes: 60,
      source: `the pack; else ${stone.clock!.source}`,
    })
  })
})

describe('faults of an alloy and of a clock', () => {
  const gold = materials.get('gold-type-3')!
  const faults = (change: Partial<MaterialCard>) =>
    materialCardFaults({ ...gold, ...change }, new Set([gold.id, gold.kindOf ?? gold.id]))
  it.each<[string, Partial<MaterialCard>, string[]]>([
    ['sound', {}, []],
    ['one casting temperature', { alloy: { ...gold.alloy!, castingCelsius: [1000, 1000] } }, []],
    ['falling', { alloy: { ...gold.alloy!, castingCelsius: [1000, 999] } }, ['rise']],
    ['frozen', { alloy: { ...gold.alloy!, castingCelsius: [0, 999] } }, ['rise']],
    ['no shrinkage', { alloy: { ...gold.alloy!, shrinkageFraction: 0 } }, ['shrinkage']],
    ['a tenth', { alloy: { ...gold.alloy!, shrinkageFraction: 0.1 } }, ['shrinkage']],
    ['no source', { alloy: { ...gold.alloy!, source: ' ' } }, ['alloy has no source']],
    [
      'a clock of nobody',
      { clock: { pourByMinutes: 5, setMinutes: 12, separateMinutes: 45, source: ' \t' } },
      ['clock has no source'],
    ],
  ])('%s', (_, change, words) => {
    const found = faults(change)
    expect(found).toHaveLength(words.length)
    for (const [index, word] of words.entries()) expect(found[index]).toContain(word)
  })
})
