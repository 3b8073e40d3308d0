import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { ceramicClasses, ceramicFigures } from '../materials/index.ts'
import { metric, refused } from '../testing/words.ts'
import {
  archimedesDensity,
  checkEnlargement,
  densityPercent,
  enlargementWarnings,
  factorOfDensities,
  factorWords,
  glazeExpansions,
  greenSize,
  shrinkageOf,
  sizeErrorMicrometres,
  sizeOffPercent,
} from './index.ts'

const refusal = (act: () => unknown) => refused(act)?.code

describe('the enlargement factor (exact)', () => {
  it('of 3.10 and 6.05 g/cm3: 1.24968, 19.979 %; 9 mm is milled 11.247', () => {
    const f = factorOfDensities(3.1, 6.05)
    expect(f).toBeCloseTo(1.24968, 5)
    expect(100 * shrinkageOf(f)).toBeCloseTo(19.979, 3)
    expect(greenSize(9, f)).toBeCloseTo(11.247, 3)
  })
  it('a blank gets heavier by sintering, never lighter', () => {
    expect(refusal(() => factorOfDensities(6.05, 6.05))).toBe('density-not-rising')
    expect(refusal(() => factorOfDensities(0, 6))).toBe('not-a-positive-number')
  })
  it('a wrong one shows as D·Δf/f: 10 mm and 0.002 are 16 µm', () => {
    expect(sizeErrorMicrometres(10, 1.252, 1.25)).toBeCloseTo(16, 9)
    expect(metric(factorWords(1.248, 1.25))).toContain('ends 16 µm too small')
    expect(metric(factorWords(1.252, 1.25))).toContain('ends 16 µm too large')
  })
  it('what is milled with a factor ends with its own: green size over f', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 60, noNaN: true }),
        fc.double({ min: 1.15, max: 1.35, noNaN: true }),
        fc.double({ min: 1.15, max: 1.35, noNaN: true }),
        (size, used, own) => {
          const ends = greenSize(size, used) / own
          expect(1000 * (ends - size)).toBeCloseTo(sizeErrorMicrometres(size, used, own), 6)
          expect(sizeOffPercent(ends, size)).toBeCloseTo(100 * (used / own - 1), 6)
        },
      ),
    ))
  it.each([1.09, 1.41, Number.NaN])('%d stands on no label', (factor) =>
    expect(refusal(() => checkEnlargement({ factor }))).toBe('enlargement-not-plausible'),
  )
  it('axes must be plausible too, and agree with factor and densities within 1 %', () => {
    expect(refusal(() => checkEnlargement({ factor: 1.25, axes: [1.25, 1.25, 2] }))).toBe(
      'enlargement-not-plausible',
    )
    expect(enlargementWarnings({ factor: 1.25, axes: [1.249, 1.25, 1.251] })).toEqual([])
    expect(enlargementWarnings({ factor: 1.25, axes: [1.25, 1.25, 1.28] })).toHaveLength(1)
    const label = { greenGramsPerCm3: 3.1, sinteredGramsPerCm3: 6.05 }
    expect(enlargementWarnings({ factor: 1.2497, ...label })).toEqual([])
    expect(enlargementWarnings({ factor: 1.24, ...label })).toHaveLength(1)
  })
})

describe('density by Archimedes', () => {
  it('1.22 g dry and 1.0188 g in water of 20 °C: 6.05 g/cm3 (by hand, water 0.99821)', () => {
    expect(archimedesDensity(1.22, 1.0188, 20)).toBeCloseTo((1.22 * 0.99821) / 0.2012, 6)
    expect(archimedesDensity(1.22, 1.0188, 25)).toBeCloseTo(6.0464, 3)
  })
  it('as a share of what the class has without a pore; none for what is not sintered', () => {
    expect(densityPercent(6.039, 'zirconia3y')).toBeCloseTo(99, 2)
    expect(densityPercent(6.039, 'disilicate')).toBeUndefined()
  })
  it.each<[number, number, number, string]>([
    [1, 1, 20, 'density-not-rising'],
    [0, 1, 20, 'not-a-positive-number'],
    [1, 0.8, 5, 'reading-not-plausible'],
    [1, 0.8, 41, 'reading-not-plausible'],
  ])('%d g, %d g, %d °C: %s', (dry, wet, water, code) =>
    expect(refusal(() => archimedesDensity(dry, wet, water))).toBe(code),
  )
})

describe('classes (textbooks and ISO 6872, recalled)', () => {
  it('walls at the gate, mm', () => {
    const crown = Object.fromEntries(
      ceramicClasses.map((each) => [each, ceramicFigures[each].walls.crown.least]),
    )
    expect(crown).toMatchObject({ disilicate: 1, zirconia3y: 0.5, zirconia4y: 0.6, zirconia5y: 1 })
    expect(ceramicFigures.disilicate.walls.veneer).toEqual({ least: 0.3, good: 0.5 })
    for (const each of ceramicClasses)
      for (const { least, good } of Object.values(ceramicFigures[each].walls))
        expect(good).toBeGreaterThan(least)
  })
  it('alumina: zirconia 200 kPa, disilicate 100, feldspar only as its maker allows; firings 3 to 5; a hybrid never', () => {
    expect(ceramicFigures.zirconia5y.mostBlastKilopascals).toBe(200)
    expect(ceramicFigures['disilicate-blue'].mostBlastKilopascals).toBe(100)
    expect(ceramicFigures.feldspar.mostBlastKilopascals).toBeUndefined()
    for (const each of ceramicClasses.filter((one) => ceramicFigures[one].fires))
      expect([3, 4, 5]).toContain(ceramicFigures[each].mostFirings)
    expect(ceramicFigures.hybrid).toMatchObject({ fires: false, mostFirings: 0 })
  })
  it('a glaze shrinks 0.5 to 1 ppm/K less: 9.2 to 9.7 on disilicate (10.2), 9.5 to 10 on 3Y (10.5)', () => {
    expect(glazeExpansions('disilicate')).toEqual({ min: 9.2, max: 9.7 })
    expect(glazeExpansions('zirconia3y')).toEqual({ min: 9.5, max: 10 })
    expect(glazeExpansions('feldspar')).toBeUndefined()
  })
})
