import { describe, expect, it } from '@jest/globals'
import { checkRegions, foundFaults, regionFaults, regionsOf } from './index.ts'

describe('the wax, region by region', () => {
  const all = regionsOf.upperDenture.map(({ id }) => ({ region: id }))
  it('passes when every region is good, names every fault with what to do', () => {
    checkRegions('upperDenture', all)
    expect(regionFaults('upperDenture', all)).toEqual([])
    const seen = all.map((each) =>
      each.region === 'border' ? { ...each, fault: 'Wax in the sulcus' } : each,
    )
    checkRegions('upperDenture', seen)
    expect(regionFaults('upperDenture', seen)).toEqual([
      'Border and sulcus, wax in the sulcus: Cut it back to the land and seat the base again',
    ])
  })
  it.each([
    ['region-missing', all.slice(1)],
    ['region-twice', [...all, all[0]!]],
    ['no-such-region', [...all, { region: 'ear' }]],
    ['no-such-answer', all.map((each) => ({ ...each, fault: 'Odd' }))],
  ])('refuses with %s', (code, seen) => {
    expect(() => checkRegions('upperDenture', seen)).toThrow(expect.objectContaining({ code }))
  })
})

describe('a casting, region by region', () => {
  const all = regionsOf.casting.map(({ id }) => ({ region: id }))
  const with_ = (region: string, fault: string) =>
    all.map((each) => (each.region === region ? { ...each, fault } : each))
  it('tells what can be mended from what is cast again', () => {
    checkRegions('casting', with_('margin', 'Short'))
    expect(foundFaults('casting', with_('margin', 'Short'))[0]?.remake).toBe(true)
    expect(foundFaults('casting', with_('inside', 'Nodules'))[0]?.remake).toBeUndefined()
    expect(regionFaults('casting', with_('inside', 'Nodules'))[0]).toContain('Inside, nodules: Take them off')
  })
})
