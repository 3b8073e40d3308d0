import { describe, expect, it, jest } from '@jest/globals'
import { act, renderHook, waitFor } from '@testing-library/react'
import type { Attempt } from '../parts/attempt.ts'
import { useWorker } from './use-worker.ts'
import { shareWorker, startWorker } from './worker.ts'

/** Work that a test ends when it likes. */
function slowly() {
  const under: {
    readonly question: number
    readonly end: (answer: Attempt<string>) => void
    readonly fail: () => void
  }[] = []
  const work = (question: number) =>
    new Promise<Attempt<string>>((resolve, reject) => {
      under.push({ question, end: resolve, fail: () => reject(new Error('the thread is gone')) })
    })
  return { under, work }
}
const followed = (question: number | undefined, { work }: ReturnType<typeof slowly>, keeps = true) =>
  renderHook(({ of }: { readonly of: number | undefined }) => useWorker(of, work, { keeps }), {
    initialProps: { of: question },
  })
const end = (one: ReturnType<typeof slowly>['under'][number], text: string) =>
  act(async () => one.end({ answer: text }))

describe('what a worker makes of a question', () => {
  it('comes when it is there', async () => {
    const thread = slowly()
    const { result } = followed(1, thread)
    expect(result.current).toBeUndefined()
    await end(thread.under[0]!, 'one')
    expect(result.current).toEqual({ answer: 'one' })
  })
  it('is of the newest question: those between are never asked', async () => {
    const thread = slowly()
    const { result, rerender } = followed(1, thread)
    for (const next of [2, 3, 4]) rerender({ of: next })
    expect(thread.under.map(({ question }) => question)).toEqual([1])
    await end(thread.under[0]!, 'one')
    await waitFor(() => expect(thread.under.map(({ question }) => question)).toEqual([1, 4]))
    await end(thread.under[1]!, 'four')
    expect(result.current).toEqual({ answer: 'four' })
  })
  it('stays until the next is there, or goes at once, as it is wanted', async () => {
    for (const keeps of [true, false]) {
      const thread = slowly()
      const { result, rerender } = followed(1, thread, keeps)
      await end(thread.under[0]!, 'one')
      rerender({ of: 2 })
      expect(result.current).toEqual(keeps ? { answer: 'one' } : undefined)
    }
  })
  it('is nothing while nothing is asked', async () => {
    const thread = slowly()
    const { result, rerender } = followed(undefined, thread)
    expect(thread.under).toEqual([])
    rerender({ of: 1 })
    await end(thread.under[0]!, 'one')
    rerender({ of: undefined })
    expect(result.current).toBeUndefined()
  })
  it('that breaks off is told in words, and the next is asked all the same', async () => {
    const thread = slowly()
    const { result, rerender } = followed(1, thread)
    await act(async () => thread.under[0]!.fail())
    expect(String(result.current?.refusal)).toMatch(/^The calculation was broken off\. Change a figure/)
    rerender({ of: 2 })
    await waitFor(() => expect(thread.under).toHaveLength(2))
    await end(thread.under[1]!, 'two')
    expect(result.current).toEqual({ answer: 'two' })
  })
  it('is wanted no more by a screen that is gone', async () => {
    const thread = slowly()
    const { rerender, unmount } = followed(1, thread)
    rerender({ of: 2 })
    unmount()
    await end(thread.under[0]!, 'one')
    expect(thread.under).toHaveLength(1)
  })
})

describe('a thread', () => {
  class Thread extends EventTarget {
    postMessage = jest.fn()
    terminate = jest.fn()
  }
  it('that breaks answers all who wait for it, and is started again for the next', async () => {
    const started: Thread[] = []
    const give = shareWorker<{ readonly add: (a: number) => Promise<number> }>(() => {
      started.push(new Thread())
      return started.at(-1) as never
    })
    const waiting = [
      give((remote) => remote.add(1) as Promise<number>),
      give((remote) => remote.add(2) as Promise<number>),
    ]
    await Promise.resolve()
    expect(started).toHaveLength(1)
    started[0]!.dispatchEvent(new Event('error'))
    for (const each of waiting) await expect(each).rejects.toThrow('The calculation was broken off.')
    expect(started[0]!.terminate).toHaveBeenCalled()
    void give((remote) => remote.add(3) as Promise<number>).catch(() => undefined)
    expect(started).toHaveLength(2)
  })
  it('is ended by its owner, whatever it is doing', () => {
    const thread = new Thread()
    startWorker(() => thread as never).stop()
    expect(thread.terminate).toHaveBeenCalledTimes(1)
  })
})
