import { describe, expect, it } from '@jest/globals'
import { disinfectantFaults, disinfectingAgents, type LabProduct, materials, productFaults } from './index.ts'

const denture = { resin: true, metal: false }
const partial = { resin: true, metal: true }
const crown = { resin: false, metal: true }

describe('what a disinfectant must not be put on', () => {
  it('bleach: at most 10 min on resin, never on clasps, frames and castings (recalled)', () => {
    expect(disinfectantFaults('hypochlorite', 10, denture)).toEqual([])
    expect(disinfectantFaults('hypochlorite', 10.5, denture)).toEqual([
      'more than 10 min in hypochlorite bleaches resin',
    ])
    expect(disinfectantFaults('hypochlorite', 1, partial)).toHaveLength(1)
    expect(disinfectantFaults('hypochlorite', 20, partial)).toHaveLength(2)
    expect(disinfectantFaults('hypochlorite', 1, crown)[0]).toContain('castings')
  })
  it('alcohol: not on resin', () => {
    expect(disinfectantFaults('alcohol', 1, denture)).toEqual(['alcohol crazes resin'])
    expect(disinfectantFaults('alcohol', 30, crown)).toEqual([])
  })
  it('whatever else: as long as its label says', () => {
    for (const agent of disinfectingAgents)
      if (agent !== 'hypochlorite' && agent !== 'alcohol')
        expect(disinfectantFaults(agent, 60, partial)).toEqual([])
  })
})

describe('a disinfectant on the shelf', () => {
  const product = (change: Partial<LabProduct>): LabProduct => ({
    productId: 'p',
    materialId: 'surface-disinfectant',
    name: 'Ours',
    source: 'the label',
    ...change,
  })
  const faults = (change: Partial<LabProduct>, materialId = 'surface-disinfectant') =>
    productFaults(product(change), materials.get(materialId)!).map(({ field }) => field)
  it('has an agent and a contact time that a label can have', () => {
    expect(faults({ agent: 'peroxide', contactMinutes: 5 })).toEqual([])
    expect(faults({ contactMinutes: 120 })).toEqual([])
    for (const contactMinutes of [0, -1, 121]) expect(faults({ contactMinutes })).toEqual(['contactMinutes'])
  })
  it('nothing else has them', () => {
    expect(faults({ agent: 'alcohol', contactMinutes: 5 }, 'dental-stone')).toEqual([
      'agent',
      'contactMinutes',
    ])
  })
})
