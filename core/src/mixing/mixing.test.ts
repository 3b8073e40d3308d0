import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import {
  BOUND_WATER_GRAMS_PER_GRAM,
  MONOMER_GRAMS_PER_CM3,
  materials,
  POLYMER_GRAMS_PER_CM3,
} from '../materials/index.ts'
import { inMetric } from '../testing/words.ts'
import { gypsumStrengthFactor, setGypsum } from './gypsum-model.ts'
import {
  blendRatio,
  correctMix,
  gypsumSettingFactor,
  hitRatio,
  liquidParts,
  mixParts,
  packsNeeded,
} from './index.ts'
import { doughShrinkageFraction, MONOMER_SHRINKAGE_FRACTION } from './resin-dough.ts'

const card = (id: string) => materials.get(id)!
const grams = fc.double({ min: 1, max: 2000, noNaN: true })
const ratio = fc.double({ min: 0.15, max: 0.8, noNaN: true })

describe('parts of a mix', () => {
  // Common practice: 100 g of type 4 with 20 mL is 0.20.
  it('100 g at 0.20 takes 20 mL', () => {
    expect(mixParts({ from: 'powder', powderGrams: 100 }, 0.2)).toEqual({
      powderGrams: 100,
      liquidMillilitres: 20,
    })
  })
  it('takes whole bags', () => {
    expect(mixParts({ from: 'bags', bags: 2, bagGrams: 100 }, 0.23).liquidMillilitres).toBeCloseTo(46, 10)
    expect(packsNeeded(300.0001, 100)).toBe(3)
    expect(packsNeeded(301, 100)).toBe(4)
  })
  // Common practice: 4 scoops of alginate an upper, 1:1.
  it('counts scoops', () => expect(liquidParts(4, 1)).toBe(4))
  it('gives the same mix from powder, liquid and total', () => {
    fc.assert(
      fc.property(grams, ratio, (powderGrams, r) => {
        const mix = mixParts({ from: 'powder', powderGrams }, r)
        expect(
          mixParts({ from: 'liquid', liquidMillilitres: mix.liquidMillilitres }, r).powderGrams,
        ).toBeCloseTo(powderGrams, 6)
        const totalGrams = mix.powderGrams + mix.liquidMillilitres * 0.945
        const fromTotal = mixParts({ from: 'total', totalGrams, liquidGramsPerMillilitre: 0.945 }, r)
        expect(fromTotal.powderGrams).toBeCloseTo(powderGrams, 6)
      }),
    )
  })
  it.each([0, -5, Number.NaN, Number.POSITIVE_INFINITY])(
    'refuses %d g of powder, naming the entry',
    (powderGrams) => {
      expect(() => mixParts({ from: 'powder', powderGrams }, 0.2)).toThrow(
        expect.objectContaining({ code: 'not-a-positive-number', field: 'powderGrams' }),
      )
    },
  )
})

describe('blends', () => {
  // By hand: (60 · 0.50 + 140 · 0.30) / 200 = 72 / 200.
  it('60 g at 0.50 with 140 g at 0.30 is 0.36', () => {
    expect(
      blendRatio([
        { grams: 60, millilitresPerGram: 0.5 },
        { grams: 140, millilitresPerGram: 0.3 },
      ]),
    ).toBeCloseTo(0.36, 12)
  })
  it('of one part is that part, whatever its weight', () => {
    fc.assert(
      fc.property(grams, ratio, (g, r) => {
        expect(blendRatio([{ grams: g, millilitresPerGram: r }])).toBeCloseTo(r, 12)
      }),
    )
  })
  it('half plaster, half stone is the mean of the two cards', () => {
    const [plaster, stone, blend] = ['model-plaster', 'dental-stone', 'half-and-half'].map(
      (id) => card(id).measure,
    )
    if (plaster?.by !== 'mass' || stone?.by !== 'mass' || blend?.by !== 'mass')
      throw new Error('weighed cards')
    expect(blend.usualMillilitresPerGram).toBeCloseTo(
      (plaster.usualMillilitresPerGram + stone.usualMillilitresPerGram) / 2,
      12,
    )
  })
  it('refuses an empty blend', () => {
    expect(() => blendRatio([])).toThrow(expect.objectContaining({ code: 'empty-blend' }))
  })
})

describe('correction', () => {
  const wanted = {
    millilitresPerGram: 0.24,
    toleranceFraction: 0.02,
    thickening: false,
    liquidGramsPerMillilitre: 1,
  }
  // By hand: 110 g · 0.24 = 26.4 mL, 24 are in: 2.4 mL more.
  it('adds water to too much powder', () => {
    const fix = correctMix({ ...wanted, powderGrams: 110, liquidMillilitres: 24 })
    expect(fix).toEqual({ action: 'addLiquid', liquidMillilitres: expect.closeTo(2.4, 10) })
  })
  // By hand: 30 mL / 0.24 = 125 g, 100 are in: 25 g more.
  it('adds powder to too much water', () => {
    const fix = correctMix({ ...wanted, powderGrams: 100, liquidMillilitres: 30 })
    expect(fix).toEqual({ action: 'addPowder', powderGrams: expect.closeTo(25, 10) })
  })
  it('never adds to a mix that thickens', () => {
    const fix = correctMix({ ...wanted, powderGrams: 110, liquidMillilitres: 24, thickening: true })
    expect(fix).toMatchObject({ action: 'startAgain' })
  })
  it('never fills beyond the bowl', () => {
    const fix = correctMix({ ...wanted, powderGrams: 100, liquidMillilitres: 60, bowlGrams: 300 })
    expect(inMetric(fix)).toMatchObject({ action: 'startAgain', reason: expect.stringContaining('310 g') })
  })
  it('ends inside the tolerance, or says start again', () => {
    fc.assert(
      fc.property(grams, fc.double({ min: 0.2, max: 900, noNaN: true }), fc.boolean(), (p, v, thickening) => {
        const fix = correctMix({ ...wanted, powderGrams: p, liquidMillilitres: v, thickening })
        if (fix.action === 'startAgain') return expect(thickening).toBe(true)
        const powder = p + (fix.action === 'addPowder' ? fix.powderGrams : 0)
        const liquid = v + (fix.action === 'addLiquid' ? fix.liquidMillilitres : 0)
        expect(Math.abs(liquid / powder / 0.24 - 1)).toBeLessThanOrEqual(0.02 + 1e-9)
      }),
    )
  })
})

describe('set gypsum', () => {
  // Exact: 27.02 / 145.15; handbooks print 18.61 g per 100 g.
  it('binds 18.615 g of water per 100 g', () =>
    expect(100 * BOUND_WATER_GRAMS_PER_GRAM).toBeCloseTo(18.615, 3))
  // shared model notes, computed there by hand from stoichiometry and densities (Phillips, recalled).
  it.each([
    [0.15, 0.80579, 0.51364, 0.06042, 2.2389, 2.2389, 0],
    [0.2, 1, 0.56364, 0.0929, 2.129, 2.1045, 0.02457],
    [0.24, 1, 0.60364, 0.15301, 2.0542, 1.965, 0.08921],
    [0.3, 1, 0.66364, 0.22959, 1.9589, 1.7873, 0.17155],
    [0.5, 1, 0.86364, 0.408, 1.7368, 1.3734, 0.3634],
    [0.6, 1, 0.96364, 0.46943, 1.6604, 1.2309, 0.42946],
  ])('at %d mL/g', (W, x, slurry, porosity, wet, dry, water) => {
    const set = setGypsum({ millilitresPerGram: W })
    expect(set.reactedFraction).toBeCloseTo(x, 5)
    expect(set.slurryMillilitresPerGram).toBeCloseTo(slurry, 5)
    expect(set.porosity).toBeCloseTo(porosity, 4)
    expect(set.wetGramsPerCm3).toBeCloseTo(wet, 3)
    expect(set.dryGramsPerCm3).toBeCloseTo(dry, 3)
    expect(set.waterFilledFraction).toBeCloseTo(water, 4)
  })
  it('counts expansion and air as pores', () => {
    expect(setGypsum({ millilitresPerGram: 0.24, expansionFraction: 0.001 }).porosity).toBeCloseTo(0.15555, 4)
    expect(setGypsum({ millilitresPerGram: 0.24, airFraction: 0.03 }).porosity).toBeCloseTo(0.17842, 4)
  })
  // Phillips, recalled: 105.6 + 54.2 -> 148.4 cm3 per 2 mol is -7.1 % with water at 0.997; at 1.000 it is -7.01 %.
  it('shrinks in its contents by 7.01 % with water at 1.000', () => {
    const ws = BOUND_WATER_GRAMS_PER_GRAM
    const before = setGypsum({ millilitresPerGram: ws }).slurryMillilitresPerGram
    expect(100 * setGypsum({ millilitresPerGram: ws }).porosity).toBeCloseTo(7.01, 2)
    expect(before).toBeCloseTo(1 / 2.75 + ws, 10)
  })
  it('more water is never denser, never stronger, never sooner', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 0.74, noNaN: true }),
        fc.double({ min: 0.001, max: 0.01, noNaN: true }),
        (W, more) => {
          const thin = setGypsum({ millilitresPerGram: W + more })
          const thick = setGypsum({ millilitresPerGram: W })
          expect(thin.porosity).toBeGreaterThan(thick.porosity)
          expect(thin.dryGramsPerCm3).toBeLessThan(thick.dryGramsPerCm3)
          expect(gypsumStrengthFactor(W + more, W)).toBeLessThan(1)
          expect(gypsumSettingFactor(4, W + more, W) ?? 2).toBeGreaterThan(1)
        },
      ),
    )
  })
  // Ryshkewitch 1953, Duckworth 1953 (recalled), anchored to ISO 6873 minima: 35 MPa at 0.24 and 9 at 0.50 by fit;
  // 30.29 at 0.26 and 40.85 at 0.22 worked by hand in the model notes.
  it.each([
    [0.26, 0.8653],
    [0.22, 1.1672],
    [0.5, 9 / 35],
  ])('strength at %d against 0.24', (W, factor) =>
    expect(gypsumStrengthFactor(W, 0.24)).toBeCloseTo(factor, 3),
  )
  // Craig, recalled: high-strength stone 7 min at 0.24, 9 at 0.26; linear between rows gives 8 at 0.25.
  it('sets later with more water', () => {
    expect(gypsumSettingFactor(4, 0.26, 0.24)).toBeCloseTo(9 / 7, 10)
    expect(gypsumSettingFactor(4, 0.25, 0.24)).toBeCloseTo(8 / 7, 10)
    expect(gypsumSettingFactor(4, 0.4, 0.24)).toBeUndefined()
    expect(gypsumSettingFactor(1, 0.6, 0.6)).toBeUndefined()
  })
  it.each([
    [{ millilitresPerGram: 0 }, 'not-a-positive-number'],
    [{ millilitresPerGram: 0.3, airFraction: 0.3 }, 'air-out-of-range'],
    [{ millilitresPerGram: 0.3, expansionFraction: 0.05 }, 'expansion-out-of-range'],
  ])('refuses %j', (mix, code) => expect(() => setGypsum(mix)).toThrow(expect.objectContaining({ code })))
  it('refuses strength outside its range', () => {
    expect(() => gypsumStrengthFactor(0.19, 0.24)).toThrow(
      expect.objectContaining({ code: 'ratio-outside-model' }),
    )
  })
})

describe('the ratio that was hit', () => {
  const type4 = card('high-strength-stone')
  it('says weaker and later for a thinner mix', () => {
    const hit = hitRatio(type4, { powderGrams: 100, liquidMillilitres: 26 }, 0.24)
    expect(hit).toMatchObject({ verdict: 'thinner', outsideClass: true, millilitresPerGram: 0.26 })
    expect(inMetric(hit.effects)).toContain('About 13 % weaker (estimate, within a quarter).')
    expect(hit.effects.join()).toContain('Sets later')
  })
  it('says nothing where the ratio was hit', () => {
    expect(hitRatio(type4, { powderGrams: 100, liquidMillilitres: 23.2 })).toMatchObject({
      verdict: 'hit',
      effects: [],
    })
  })
  it('warns where not all of the powder can set', () => {
    const hit = hitRatio(type4, { powderGrams: 100, liquidMillilitres: 15 })
    expect(inMetric(hit.effects).join()).toContain('about 81 % reacts')
  })
  it('refuses what is counted', () => {
    expect(() => hitRatio(card('alginate'), { powderGrams: 1, liquidMillilitres: 1 })).toThrow(
      expect.objectContaining({ code: 'no-ratio' }),
    )
  })
})

describe('resin', () => {
  // Phillips, recalled: monomer 0.945, polymer 1.19 g/cm3; pure monomer loses about 21 % of its volume.
  it('pure monomer shrinks by 21 %', () => {
    expect(100 * MONOMER_SHRINKAGE_FRACTION).toBeCloseTo(21, 0)
    expect(doughShrinkageFraction(0)).toBe(1 - MONOMER_GRAMS_PER_CM3 / POLYMER_GRAMS_PER_CM3)
  })
  // Phillips, recalled: a 3:1 dough loses about 7 %.
  it('a 3:1 dough shrinks by about 7 %', () => expect(100 * doughShrinkageFraction(3)).toBeCloseTo(7, 0))
  // Common practice: 3:1 by volume is 2 to 2.5:1 by mass.
  it('3:1 by volume lies between 2:1 and 2.5:1 by mass', () => {
    const measure = card('heat-cure-acrylic').measure
    if (measure?.by !== 'mass') throw new Error('weighed card')
    const monomerGrams = measure.usualMillilitresPerGram * MONOMER_GRAMS_PER_CM3
    expect(1 / monomerGrams).toBeGreaterThan(2)
    expect(1 / monomerGrams).toBeLessThan(2.5)
  })
})
