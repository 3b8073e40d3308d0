import { describe, expect, it } from '@jest/globals'
import {
  isFrontTooth,
  placeAt,
  spotOf,
  toothMarks,
  toothOutline,
  toothRegions,
  toothSection,
} from './index.ts'
import { archOf, isFrontRegion } from './regions.ts'

const teeth = [1, 2, 3, 4].flatMap((quarter) => [1, 2, 3, 4, 5, 6, 7].map((place) => 10 * quarter + place))
const own = (tooth: number) => toothRegions.filter((region) => isFrontRegion(region) === isFrontTooth(tooth))

describe('a drawn tooth', () => {
  it.each(teeth)('%d: a touch where a region is drawn means that region', (tooth) => {
    for (const region of own(tooth)) {
      const spot = spotOf(tooth, region)
      expect(placeAt(archOf(tooth), spot)).toMatchObject({ tooth, region })
    }
  })
  it('a slope is drawn on its own side of the cusp', () => {
    for (const tooth of [16, 36, 24, 44])
      for (const slope of ['mesial', 'distal'] as const)
        for (const region of ['buccalInner', 'lingualInner'] as const)
          expect(placeAt(archOf(tooth), spotOf(tooth, region, slope))).toMatchObject({ tooth, slope })
  })
  it('right is the mirror image of left', () => {
    for (const [right, left] of [
      [16, 26],
      [43, 33],
    ] as const) {
      const mirrored = toothOutline(right).map(({ x, y }) => ({ x, y: -y }))
      for (const [n, { x, y }] of toothOutline(left).entries()) {
        expect(mirrored[n]!.x).toBeCloseTo(x, 9)
        expect(mirrored[n]!.y).toBeCloseTo(y, 9)
      }
    }
  })
  it('beside the teeth there is nothing', () => {
    expect(placeAt('upper', { x: 40, y: 0 })).toBeUndefined()
  })
  it('carries on the palatal cusps above and on the cheek cusps below', () => {
    const region = (tooth: number) =>
      toothMarks(tooth).supporting.map((spot) => placeAt(archOf(tooth), spot)?.region)
    expect(region(26)).toEqual(['lingualTip', 'lingualTip'])
    expect(region(36)).toEqual(['buccalTip', 'buccalTip'])
    expect(region(14)).toEqual(['lingualTip'])
    expect(toothMarks(11).supporting).toEqual([])
  })
  it('cut across shows its cusps with the fossa between them', () => {
    for (const tooth of [26, 36, 34]) {
      const section = toothSection(tooth)
      const of = (region: string) => section.filter((each) => each.region === region)
      const highest = (region: string) => Math.max(...of(region).map(({ z }) => z))
      expect(highest('fossa')).toBeLessThan(highest('buccalTip'))
      expect(of('buccalTip').length).toBeGreaterThan(0)
    }
    expect(Math.max(...toothSection(21).map(({ z }) => z))).toBeCloseTo(2, 1)
  })
})
