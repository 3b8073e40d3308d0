import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { entryKey, inOrder, putOff, usePutOff } from './bench-store.ts'

const entry = (n: number) => ({ caseId: `c${n}`, stepId: 'set' })

describe('what was put off', () => {
  it('goes behind the rest, the last put off last, and no entry is lost', () => {
    const entries = [1, 2, 3, 4].map(entry)
    putOff(entryKey(entry(1)))
    putOff(entryKey(entry(3)))
    putOff(entryKey(entry(1)))
    const { keys } = usePutOff.getState()
    expect(keys).toEqual(['c3 set', 'c1 set'])
    expect(inOrder(entries, keys).map(({ caseId }) => caseId)).toEqual(['c2', 'c4', 'c3', 'c1'])
  })
  it('keeps the order of the server among what was not put off', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.nat(30)), fc.uniqueArray(fc.nat(30)), (numbers, off) => {
        const entries = numbers.map(entry)
        const keys = off.map((n) => entryKey(entry(n)))
        const ordered = inOrder(entries, keys)
        const kept = (some: readonly { caseId: string; stepId: string }[]) =>
          some.filter((each) => !keys.includes(entryKey(each)))
        expect(kept(ordered)).toEqual(kept(entries))
        expect(new Set(ordered)).toEqual(new Set(entries))
      }),
    )
  })
})
