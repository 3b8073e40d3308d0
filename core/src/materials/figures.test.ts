import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { metric } from '../testing/words.ts'
import {
  gaugeMillimetres,
  type LabProduct,
  type MaterialCard,
  materials,
  productCard,
  productFaults,
  productFlags,
} from './index.ts'
import { clockFault, materialCardFaults } from './material-card.ts'

const card = (id: string): MaterialCard => materials.get(id)!
const known = new Set(materials.keys())

describe('the figures of the trade', () => {
  // Phillips, recalled: linear shrinkage of the alloys; type 1 1.56 %, type 2 1.37 %, type 3 1.42 %, base metals 2.3 %.
  it.each([
    ['gold-type-1', 1.56, 'gypsum', [2, 3]],
    ['gold-type-2', 1.37, 'gypsum', [2, 3]],
    ['gold-type-3', 1.42, 'gypsum', [2, 3]],
    ['nickel-chromium', 2.3, 'phosphate', [4, 5]],
    ['cobalt-chromium', 2.3, 'phosphate', [4, 5]],
  ])('%s shrinks by %d %%, is cast into %s, with %j turns of the arm', (id, percent, binder, turns) => {
    const { alloy } = card(id)
    expect(100 * alloy!.shrinkageFraction).toBeCloseTo(percent, 9)
    expect(alloy).toMatchObject({ usualBinder: binder, turns })
    expect(card(id).kindOf).toBe('casting-alloy')
  })
  // Handbooks, recalled: gold melts below the base metals, is about twice as heavy, and type 1 is the heaviest.
  it('gold is dense and melts low, base metal is light and melts high', () => {
    const golds = ['gold-type-1', 'gold-type-2', 'gold-type-3'].map(card)
    const bases = ['nickel-chromium', 'cobalt-chromium'].map(card)
    for (const gold of golds)
      for (const base of bases) {
        expect(gold.density!.gramsPerCm3).toBeGreaterThan(1.8 * base.density!.gramsPerCm3)
        expect(gold.alloy!.castingCelsius[1]).toBeLessThan(base.alloy!.castingCelsius[0])
      }
    expect(card('gold-type-3').density!.gramsPerCm3).toBe(15.5)
    expect(golds.map(({ density }) => density!.gramsPerCm3)).toEqual(
      golds.map(({ density }) => density!.gramsPerCm3).sort((a, b) => b - a),
    )
  })
  it('base metal names what its dust does, gold has nothing to name', () => {
    for (const id of ['nickel-chromium', 'cobalt-chromium'])
      expect(card(id).alloy!.hazards.join()).toMatch(/dust/)
    expect(card('nickel-chromium').alloy!.hazards.join()).toMatch(/beryllium/)
    expect(card('gold-type-3').alloy!.hazards).toEqual([])
  })
  // Phillips, recalled: above 700 °C the binder of a gypsum-bonded investment breaks down.
  it('a gypsum-bonded ring stays under 700 °C, a phosphate-bonded one goes above', () => {
    expect(card('gypsum-investment').investment!.peakCelsius).toBeLessThan(700)
    expect(card('phosphate-investment').investment!.peakCelsius).toBeGreaterThan(700)
  })
  it('no investment goes into a hot furnace but where its maker says so', () => {
    for (const { investment } of materials.values()) expect(investment?.hotEntry ?? false).toBe(false)
  })
  // Common practice: 3:1 by volume is about 2 to 2.5:1 by mass. Monomer 0.945, polymer 1.19 g/cm3: Phillips, recalled.
  it.each(['heat-cure-acrylic', 'cold-cure-acrylic'])(
    '%s is mixed 3:1 by volume, 2 to 2.5:1 by mass',
    (id) => {
      const { measure } = card(id)
      if (measure?.by !== 'mass') throw new Error('weighed')
      const massRatio = (millilitresPerGram: number) => 1 / (millilitresPerGram * 0.945)
      expect(massRatio(measure.minMillilitresPerGram)).toBeCloseTo(2.5, 9)
      expect(massRatio(measure.maxMillilitresPerGram)).toBeCloseTo(2, 9)
      expect(massRatio(measure.usualMillilitresPerGram)).toBeGreaterThan(2)
      expect(massRatio(measure.usualMillilitresPerGram)).toBeLessThan(2.5)
      expect(1 / (measure.usualMillilitresPerGram * measure.powderGramsPerMillilitre!)).toBeCloseTo(3, 9)
      expect(measure.liquidGramsPerMillilitre).toBe(0.945)
      expect(card(id).density?.gramsPerCm3).toBe(1.19)
    },
  )
  it('alginate is one scoop to one unit of water, poured within 15 min', () => {
    expect(card('alginate').measure).toMatchObject({ by: 'parts', liquidPartsPerPowderPart: 1 })
    expect(card('alginate').clock?.useWithinMinutes).toBe(15)
  })
  it('putty is equal parts, set in 10 to 15 min; cold cure sets in about 5', () => {
    expect(card('two-part-putty').measure).toMatchObject({ liquidPartsPerPowderPart: 1 })
    expect(card('two-part-putty').clock).toMatchObject({ setMinutes: 10, separateMinutes: 15 })
    expect(card('cold-cure-acrylic').clock?.setMinutes).toBe(5)
  })
  it('inlay wax is about 0.95 g/cm3', () => expect(card('inlay-wax').density?.gramsPerCm3).toBe(0.95))
  it('investments stand 45 min on the bench', () => {
    expect(card('phosphate-investment').clock?.separateMinutes).toBe(45)
    expect(card('gypsum-investment').clock?.separateMinutes).toBeGreaterThanOrEqual(45)
  })
  it('stone sets, warms, cools and dries in that order, days for the last', () => {
    for (const id of ['model-plaster', 'dental-stone', 'high-strength-stone', 'high-expansion-stone']) {
      const clock = card(id).clock!
      expect(clock.glossLossMinutes!).toBeLessThan(clock.setMinutes)
      expect(clock.setMinutes).toBeLessThan(clock.heatPeakMinutes!)
      expect(clock.heatPeakMinutes!).toBeLessThan(clock.separateMinutes)
      expect(clock.dryMinutes!).toBeGreaterThanOrEqual(24 * 60)
    }
  })
  // The weighted mean of 0.45-0.50 and 0.28-0.30 mL/g (exact).
  it('half plaster, half stone takes the mean of both', () => {
    expect(card('half-and-half').measure).toMatchObject({
      minMillilitresPerGram: (0.45 + 0.28) / 2,
      maxMillilitresPerGram: (0.5 + 0.3) / 2,
    })
    expect(card('half-and-half').blend?.map(({ massFraction }) => massFraction)).toEqual([0.5, 0.5])
  })
  it('a bag of type 4 holds 100 g', () =>
    expect(card('high-strength-stone').measure).toMatchObject({
      bagGrams: 100,
      usualMillilitresPerGram: 0.23,
    }))
})

describe('every card', () => {
  it.each([...materials.values()])('$id says what it is, in words', (each) => {
    expect(each.name).toMatch(/^[A-Z]/)
    for (const note of each.notes) expect(note).toMatch(/^[A-Z].*\.$/)
    expect(materialCardFaults(each, known)).toEqual([])
  })
  it('its usual ratio lies in its range, whatever it is', () => {
    for (const { measure } of materials.values())
      if (measure?.by === 'mass') {
        expect(measure.usualMillilitresPerGram).toBeGreaterThanOrEqual(measure.minMillilitresPerGram)
        expect(measure.usualMillilitresPerGram).toBeLessThanOrEqual(measure.maxMillilitresPerGram)
      }
  })
})

describe('a card that cannot be', () => {
  const alloyed = card('gold-type-3')
  const weighed = card('dental-stone')
  if (weighed.measure?.by !== 'mass') throw new Error('weighed')
  const { measure } = weighed
  const alloy = alloyed.alloy!
  it.each<[string, MaterialCard, RegExp]>([
    ['an alloy without a density', { ...alloyed, density: undefined! }, /has a density/],
    ['an alloy that does not shrink', { ...alloyed, alloy: { ...alloy, shrinkageFraction: 0 } }, /shrinkage/],
    [
      'an alloy that shrinks by a tenth',
      { ...alloyed, alloy: { ...alloy, shrinkageFraction: 0.1 } },
      /shrinkage/,
    ],
    ['falling temperatures', { ...alloyed, alloy: { ...alloy, castingCelsius: [1100, 1000] } }, /must rise/],
    ['a temperature of nothing', { ...alloyed, alloy: { ...alloy, castingCelsius: [0, 1000] } }, /must rise/],
    ['an alloy from nowhere', { ...alloyed, alloy: { ...alloy, source: ' ' } }, /no source/],
    ['a liquid of no weight', { ...weighed, measure: { ...measure, liquidGramsPerMillilitre: 0 } }, /liquid/],
    ['a ratio of nothing', { ...weighed, measure: { ...measure, minMillilitresPerGram: 0 } }, /rise/],
    [
      'a usual ratio above the most',
      { ...weighed, measure: { ...measure, usualMillilitresPerGram: 0.31 } },
      /rise/,
    ],
    [
      'no parts',
      {
        ...card('alginate'),
        measure: { by: 'parts', powderPart: 'a', liquidPart: 'b', liquidPartsPerPowderPart: 0, source: 'x' },
      },
      /above 0/,
    ],
    ['a sheet of no thickness', { ...weighed, thickness: { millimetres: 0, source: 'x' } }, /thickness/],
    ['a solid of no weight', { ...weighed, density: { gramsPerCm3: 0, source: 'x' } }, /density/],
    ['a kind of nothing', { ...weighed, kindOf: 'nothing' }, /unknown material nothing/],
    ['a clock from nowhere', { ...weighed, clock: { ...weighed.clock!, source: '' } }, /clock has no source/],
  ])('%s is named', (_, faulty, sentence) => {
    const faults = materialCardFaults(faulty, known)
    expect(faults.join()).toMatch(sentence)
    expect(faults[0]).toContain(faulty.id)
  })
  it('a clock may stand still, never run back', () => {
    const clock = { pourByMinutes: 5, setMinutes: 5, separateMinutes: 5, source: 'x' }
    expect(clockFault(clock)).toBeUndefined()
    expect(clockFault({ ...clock, setMinutes: 4.9 })).toContain(
      'setMinutes is 4.9 min, and 5 min comes before it',
    )
    expect(clockFault({ ...clock, pourByMinutes: 0 })).toContain('pourByMinutes')
  })
})

describe('a product of the lab', () => {
  const product = (change: object): LabProduct =>
    ({ productId: 'p', materialId: 'x', name: 'Ours', source: 'the pack', ...change }) as LabProduct
  const fields = (id: string, change: object) =>
    productFaults(product(change), card(id)).map(({ field }) => field)
  it.each([
    // material, entry, the most that can be, one grain more
    ['high-strength-stone', 'millilitresPerGram', 2, 2.01],
    ['high-strength-stone', 'bagGrams', 50_000, 50_001],
    ['high-strength-stone', 'densityGramsPerCm3', 25, 25.1],
    ['phosphate-investment', 'peakCelsius', 1200, 1201],
    ['phosphate-investment', 'hygroscopicPercent', 5, 5.1],
    ['nickel-chromium', 'castingShrinkagePercent', 5, 5.1],
    ['nickel-chromium', 'castingToCelsius', 2000, 2001],
  ])('%s: %s is at most %d', (id, field, most, more) => {
    expect(fields(id, { [field]: most })).toEqual([])
    for (const value of [more, 0, -1, Number.NaN]) expect(fields(id, { [field]: value })).toContain(field)
  })
  it('a ratio changes the expansion by at most 1 % either way', () => {
    for (const value of [-1, 0, 1])
      expect(fields('phosphate-investment', { settingPercentPerRatioStep: value })).toEqual([])
    for (const value of [-1.01, 1.01, Number.NaN])
      expect(fields('phosphate-investment', { settingPercentPerRatioStep: value })).toEqual([
        'settingPercentPerRatioStep',
      ])
  })
  it('the minutes to a hot furnace are two that rise, of a product that is marked for one', () => {
    const faults = (change: object) => fields('phosphate-investment', change)
    const marked = { hotEntry: true, furnaceFromMinutes: 15, furnaceToMinutes: 20 }
    expect(faults(marked)).toEqual([])
    expect(faults({ ...marked, furnaceToMinutes: 15 })).toEqual(['furnaceToMinutes'])
    expect(faults({ ...marked, furnaceToMinutes: undefined })).toEqual(['furnaceToMinutes'])
    expect(faults({ ...marked, furnaceFromMinutes: undefined })).toEqual(['furnaceFromMinutes'])
    expect(faults({ ...marked, hotEntry: false })).toEqual(['furnaceFromMinutes'])
    expect(faults({ ...marked, furnaceToMinutes: 1441 })).toEqual(['furnaceToMinutes'])
    expect(productCard(product(marked), card('phosphate-investment')).investment?.furnaceMinutes).toEqual({
      from: 15,
      to: 20,
    })
    expect(productCard(product({}), card('phosphate-investment')).investment?.furnaceMinutes).toBeUndefined()
  })
  it.each(['thermalCurve', 'peakCelsius', 'hotEntry', 'hygroscopicPercent', 'settingPercentPerRatioStep'])(
    'stone has no %s',
    (field) => {
      const value = { thermalCurve: [], hotEntry: false }[field] ?? 1
      expect(fields('dental-stone', { [field]: value })).toContain(field)
    },
  )
  it.each(['castingShrinkagePercent', 'castingFromCelsius', 'castingToCelsius'])('stone has no %s', (field) =>
    expect(fields('dental-stone', { [field]: 2 })).toContain(field),
  )
  it('casting temperatures rise with those of the class', () => {
    expect(fields('nickel-chromium', { castingFromCelsius: 1500 })).toContain('castingToCelsius')
    expect(fields('nickel-chromium', { castingFromCelsius: 1400, castingToCelsius: 1400 })).toEqual([])
    const merged = productCard(
      product({ castingFromCelsius: 1400, castingShrinkagePercent: 2.1 }),
      card('nickel-chromium'),
    )
    expect(merged.alloy).toMatchObject({ castingCelsius: [1400, 1450], shrinkageFraction: 0.021 })
  })
  it.each([
    ['a share below nothing', [{ specialLiquidPercent: -1, expansionPercent: 1 }]],
    ['more than all', [{ specialLiquidPercent: 101, expansionPercent: 1 }]],
    ['an expansion of 6 %', [{ specialLiquidPercent: 50, expansionPercent: 6 }]],
    ['a thermal one of -6 %', [{ specialLiquidPercent: 50, expansionPercent: 1, thermalPercent: -6 }]],
  ])('%s is no point of its table', (_, settingExpansion) =>
    expect(fields('phosphate-investment', { settingExpansion })).toEqual(['settingExpansion']),
  )
  it('0 and 100 % of special liquid and 5 % of expansion can be', () =>
    expect(
      fields('phosphate-investment', {
        settingExpansion: [
          { specialLiquidPercent: 0, expansionPercent: -5 },
          { specialLiquidPercent: 100, expansionPercent: 5, thermalPercent: 5 },
        ],
      }),
    ).toEqual([]))
  it.each([
    ['below nothing', [{ celsius: -1, expansionPercent: 0 }]],
    ['above 1200 °C', [{ celsius: 1201, expansionPercent: 0 }]],
    [
      'twice the same',
      [
        { celsius: 20, expansionPercent: 0 },
        { celsius: 20, expansionPercent: 1 },
      ],
    ],
    ['6 %', [{ celsius: 20, expansionPercent: 6 }]],
  ])('a curve with %s is none', (_, thermalCurve) =>
    expect(fields('phosphate-investment', { thermalCurve })).toEqual(['thermalCurve']),
  )
  it('keeps its table, its curve and its own words of where they stand', () => {
    const table = [{ specialLiquidPercent: 50, expansionPercent: 0.8 }]
    const curve = [
      { celsius: 20, expansionPercent: 0 },
      { celsius: 700, expansionPercent: 1.1 },
    ]
    const made = productCard(
      product({ settingExpansion: table, thermalCurve: curve, peakCelsius: 900, hotEntry: true }),
      card('phosphate-investment'),
    )
    expect(made.settingExpansion).toEqual({ points: table, source: 'the pack' })
    expect(made.investment).toMatchObject({
      thermalCurve: curve,
      peakCelsius: 900,
      hotEntry: true,
      binder: 'phosphate',
    })
    expect(made.investment!.source).toBe('the pack; else common practice')
    expect(made).toMatchObject({ id: 'p', name: 'Ours' })
  })
  it('its density and its bag are the pack’s', () => {
    const made = productCard(product({ densityGramsPerCm3: 2.7, bagGrams: 60 }), card('dental-stone'))
    expect(made.density).toEqual({ gramsPerCm3: 2.7, source: 'the pack' })
    expect(made.measure).toMatchObject({
      bagGrams: 60,
      usualMillilitresPerGram: 0.3,
      source: expect.stringContaining('Phillips'),
    })
  })
  it('on the edge of its class it is not flagged, beyond it it is', () => {
    const flags = (ratio: number) =>
      productFlags(product({ millilitresPerGram: ratio }), card('dental-stone')).map(metric)
    for (const ratio of [0.28, 0.3]) expect(flags(ratio)).toEqual([])
    for (const ratio of [0.279, 0.301])
      expect(flags(ratio)).toEqual([expect.stringContaining('0.28 to 0.30')])
    expect(productFlags(product({}), card('dental-stone'))).toEqual([])
  })
})

describe('gauges, ASTM B258', () => {
  it.each([
    [10, 2.588],
    [12, 2.053],
    [14, 1.628],
    [28, 0.3211],
    [36, 0.127],
  ])('%d is %d mm', (gauge, millimetres) => expect(gaugeMillimetres(gauge)).toBeCloseTo(millimetres, 3))
  it('39 gauges thinner is 92 times as thin, and each is thinner than the last', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 39 }), (gauge) =>
        expect(gaugeMillimetres(gauge + 1)).toBeLessThan(gaugeMillimetres(gauge)),
      ),
    )
    expect(gaugeMillimetres(0) / gaugeMillimetres(39)).toBeCloseTo(92, 9)
  })
  it.each([-1, 41, 2.5, Number.NaN])('there is no gauge %d', (gauge) =>
    expect(() => gaugeMillimetres(gauge)).toThrow(
      expect.objectContaining({ code: 'gauge-out-of-range', field: 'gauge' }),
    ),
  )
})
