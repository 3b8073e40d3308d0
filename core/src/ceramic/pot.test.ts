import { describe, expect, it } from '@jest/globals'
import { type LabProduct, materials, productFaults } from '../materials/index.ts'
import { metric } from '../testing/words.ts'
import { potOf, potWarnings } from './index.ts'

const DAY = 24 * 60 * 60_000
const today = Date.parse('2026-11-28')
const ochre = {
  productId: 'p-1',
  materialId: 'ceramic-stain',
  name: 'Ochre',
  source: 'drawdowns',
  stain: {
    absorption: [0.01, 0.01, 0.034],
    scattering: [0.01, 0.007, 0.004],
    onCeramic: 'disilicate',
    lot: 'S-1',
    calibratedOn: '2026-11-01',
    specular: 'excluded',
  },
} as const satisfies LabProduct

describe('a pot of the shelf', () => {
  it('is planned with its film, and with the factor of its fired cases', () => {
    expect(potOf(ochre)).toEqual({
      name: 'Ochre',
      productId: 'p-1',
      lot: 'S-1',
      absorption: [0.01, 0.01, 0.034],
      scattering: [0.01, 0.007, 0.004],
    })
    const thick = potOf({ ...ochre, stain: { ...ochre.stain, factor: 1.2 } })
    expect(thick.absorption.map((each) => Number(each.toFixed(6)))).toEqual([0.012, 0.012, 0.0408])
  })
  const warned = (change: object, given: object = {}) =>
    potWarnings([{ ...ochre, stain: { ...ochre.stain, ...change } }], {
      ceramic: 'disilicate',
      lotsOf: () => ['S-1', 'S-0'],
      today,
      ...given,
    })
      .map(metric)
      .join('; ')
  it('says nothing where all is as it was calibrated', () => expect(warned({})).toBe(''))
  it('another block family, another lot, an old calibration', () => {
    expect(warned({}, { ceramic: 'zirconia4y' })).toContain('calibrated on lithium disilicate')
    expect(warned({ lot: 'S-9' })).toContain('calibrated with lot S-9, and S-1, S-0 is in use')
    expect(warned({}, { today: Date.parse('2026-11-01') + 365 * DAY })).toBe('')
    expect(warned({}, { today: Date.parse('2026-11-01') + 366 * DAY })).toContain(
      'more than 365 days ago: Ochre',
    )
    // No lot noted, no class known: nothing to compare.
    expect(warned({ lot: 'S-9' }, { lotsOf: () => [], ceramic: undefined })).toBe('')
  })
  it('says a reason once for all the pots that it is of', () => {
    const pots = [ochre, { ...ochre, productId: 'p-2', name: 'Grey' }]
    expect(potWarnings(pots, { ceramic: 'zirconia4y', lotsOf: () => [], today }).map(metric)).toEqual([
      'calibrated on lithium disilicate, crystallised, and may look otherwise on this block: Ochre, Grey',
    ])
  })
})

describe('a product of ceramics', () => {
  const faults = (change: Partial<LabProduct>, materialId = 'ceramic-stain') =>
    productFaults({ ...ochre, materialId, ...change }, materials.get(materialId)!).map(({ field }) => field)
  it('has a film where it is a pot, a colour where it is a block, a mark where it is zirconia', () => {
    const { stain: _film, ...bare } = ochre
    const of = (materialId: string, change: Partial<LabProduct>) =>
      productFaults({ ...bare, materialId, ...change }, materials.get(materialId)!).map(({ field }) => field)
    const block = { colour: { L: 84, a: 1, b: 13 } }
    expect(faults({})).toEqual([])
    expect(faults({}, 'block-disilicate')).toEqual(['stain'])
    expect(of('block-disilicate', { block })).toEqual([])
    expect(of('ceramic-stain', { block })).toEqual(['block'])
    expect(of('block-zirconia5y', { fastSinter: true })).toEqual([])
    expect(of('block-disilicate', { fastSinter: true })).toEqual(['fastSinter'])
    expect(of('block-disilicate', { block: { ...block, neck: { L: 120, a: 0, b: 0 } } })).toEqual([
      'block.neck',
    ])
  })
})
