import { describe, expect, it } from '@jest/globals'
import { act, renderHook } from '@testing-library/react'
import { useToggles } from './toggles.ts'

/** A record that answers when it is told to. */
function slowly(start: readonly number[]) {
  const sent: (readonly number[])[] = []
  const answers: ((stored: boolean) => void)[] = []
  let stored = start
  const shown = renderHook(() =>
    useToggles(stored, (next) => {
      sent.push(next)
      return new Promise((resolve) => answers.push(resolve))
    }),
  )
  return {
    sent,
    list: () => shown.result.current[0],
    tap: (...teeth: number[]) =>
      act(() => {
        for (const tooth of teeth) shown.result.current[1](tooth)
      }),
    /** To the oldest that is on its way. */
    answer: async (was: boolean) => {
      if (was) stored = sent[sent.length - answers.length]!
      await act(async () => answers.shift()!(was))
      shown.rerender()
    },
  }
}

describe('taps that are stored one by one', () => {
  it('count before they have arrived: the second holds the first too', async () => {
    const teeth = slowly([21])
    teeth.tap(22, 23)
    expect(teeth.sent).toEqual([
      [21, 22],
      [21, 22, 23],
    ])
    expect(teeth.list()).toEqual([21, 22, 23])
    await teeth.answer(true)
    expect(teeth.list()).toEqual([21, 22, 23])
    teeth.tap(24)
    expect(teeth.sent.at(-1)).toEqual([21, 22, 23, 24])
  })
  it('on what is in the list take it out, twice they change nothing', () => {
    const teeth = slowly([21, 22])
    teeth.tap(21)
    expect(teeth.list()).toEqual([22])
    teeth.tap(21)
    expect([...teeth.list()].sort()).toEqual([21, 22])
  })
  it('that were refused are taken back, and the others stay', async () => {
    const teeth = slowly([])
    teeth.tap(11)
    await teeth.answer(false)
    expect(teeth.list()).toEqual([])
    teeth.tap(12)
    expect(teeth.sent.at(-1)).toEqual([12])
  })
})
