import { describe, expect, it } from '@jest/globals'
import { act, renderHook } from '@testing-library/react'
import fc from 'fast-check'
import { dropDraft, storeDraft, storedDraft, useDraft } from './draft.ts'

const drafted = <T extends object | string>(key: string, start: () => T) => {
  const { result, rerender, unmount } = renderHook(() => useDraft(key, start))
  return {
    value: () => result.current[0],
    keep: (change: T | ((before: T) => T)) => act(() => result.current[1](change)),
    forget: () => act(() => result.current[2]()),
    begin: () => act(() => result.current[3]()),
    rerender,
    unmount,
  }
}

describe('a draft', () => {
  it('begins as it should, and is kept over a visit to another screen', () => {
    const first = drafted('a', () => ({ text: '' }))
    expect(first.value()).toEqual({ text: '' })
    first.keep({ text: 'half' })
    first.unmount()
    expect(drafted('a', () => ({ text: '' })).value()).toEqual({ text: 'half' })
  })
  it('is another under another key', () => {
    drafted('a', (): string => 'start').keep('one')
    expect(drafted('b', (): string => 'start').value()).toBe('start')
  })
  it('changes by what it was, as often as it is changed at once', () => {
    const draft = drafted('a', () => ({ count: 0 }))
    draft.keep((before) => ({ count: before.count + 1 }))
    act(() => undefined)
    draft.keep((before) => ({ count: before.count + 1 }))
    expect(draft.value()).toEqual({ count: 2 })
    expect(storedDraft('a')).toEqual({ count: 2 })
  })
  it('forgotten stays on the screen, and is gone for the next visit', () => {
    const draft = drafted('a', (): string => 'start')
    draft.keep('typed')
    draft.forget()
    expect(draft.value()).toBe('typed')
    draft.unmount()
    expect(drafted('a', (): string => 'start').value()).toBe('start')
  })
  it('begun again is as at the start, here and for the next visit', () => {
    const draft = drafted('a', (): string => 'start')
    draft.keep('typed')
    draft.begin()
    expect(draft.value()).toBe('start')
    expect(storedDraft('a')).toBeUndefined()
  })
  it('comes back as it was, whatever it holds', () => {
    fc.assert(
      fc.property(fc.jsonValue(), (value) => {
        storeDraft('any', value)
        expect(storedDraft('any')).toEqual(JSON.parse(JSON.stringify(value)))
        dropDraft('any')
        expect(storedDraft('any')).toBeUndefined()
      }),
    )
  })
})
