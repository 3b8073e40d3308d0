import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
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

describe('every drawing', () => {
  const drawings = Object.entries(regionsOf) as [keyof typeof regionsOf, (typeof regionsOf)['casting']][]
  it.each(drawings)('%s: regions and faults have a name of their own and say what to do', (_, regions) => {
    expect(new Set(regions.map(({ id }) => id)).size).toBe(regions.length)
    expect(new Set(regions.map(({ name }) => name)).size).toBe(regions.length)
    for (const { id, name, good, faults } of regions) {
      expect(id).toMatch(/^[a-z]+(-[a-z]+)*$/)
      expect(name).toMatch(/^[A-Z]\w/)
      for (const { fault } of faults) expect(fault).toMatch(/^[A-Z].*\w$/)
      expect(good).toMatch(/^[A-Z].*\.$/)
      expect(faults.length).toBeGreaterThan(0)
      expect(new Set(faults.map(({ fault }) => fault)).size).toBe(faults.length)
      for (const { say, ask } of faults) expect(say).toMatch(ask ? /^[A-Z].*\?$/ : /^[A-Z].*\.$/)
    }
  })
  it.each(drawings)('%s: finds the faults that were seen, all of them and no other', (drawing, regions) => {
    const looks = fc.tuple(
      ...regions.map(({ id, faults }) =>
        fc.option(fc.constantFrom(...faults), { nil: undefined }).map((found) => ({ id, found })),
      ),
    )
    fc.assert(
      fc.property(looks, (seen) => {
        const entry = seen.map(({ id, found }) => ({ region: id, ...(found ? { fault: found.fault } : {}) }))
        checkRegions(drawing, entry)
        const wanted = seen.flatMap(({ found }) => (found ? [found.say] : []))
        expect(foundFaults(drawing, entry).map(({ say }) => say)).toEqual(wanted)
        expect(regionFaults(drawing, entry)).toHaveLength(wanted.length)
      }),
      { numRuns: 40 },
    )
  })
})
