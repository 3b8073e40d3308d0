import { describe, expect, it } from '@jest/globals'
import { SignInWait } from './sign-in-wait.ts'

const MINUTE = 60_000
/** Minutes to wait at an instant; 0: none. */
function waitOf(wait: SignInWait, name: string, address: string, now: number): number {
  try {
    wait.mustNotWait(name, address, now)
    return 0
  } catch (error) {
    const { remedy, more } = error as { remedy: string; more: { retryAfterSeconds: number } }
    const minutes = Number(/^Wait (\d+) min/.exec(remedy)?.[1])
    expect(Math.ceil(more.retryAfterSeconds / 60)).toBe(minutes)
    return minutes
  }
}
function fail(wait: SignInWait, times: number, name: string, address: string, now: number) {
  for (let n = 0; n < times; n++) wait.failed(name, address, now)
}

describe('guessing', () => {
  it('has five tries a minute for a name; then it waits 1, 2, 4 ... 30 min', () => {
    const wait = new SignInWait()
    let now = 0
    for (const minutes of [1, 2, 4, 8, 16, 30, 30]) {
      fail(wait, 4, 'Ada', 'x', now)
      expect(waitOf(wait, 'Ada', 'y', now)).toBe(0)
      fail(wait, 1, 'ada', 'x', now)
      expect(waitOf(wait, 'Ada', 'y', now)).toBe(minutes)
      expect(waitOf(wait, 'Ada', 'y', now + minutes * MINUTE - 1)).toBe(1)
      now += minutes * MINUTE
      expect(waitOf(wait, 'Ada', 'y', now)).toBe(0)
    }
  })
  it('of many names from one address waits as well, after twenty', () => {
    const wait = new SignInWait()
    for (let n = 0; n < 19; n++) wait.failed(`name ${n}`, 'x', 0)
    expect(waitOf(wait, 'Ada', 'x', 0)).toBe(0)
    wait.failed('another', 'x', 0)
    expect(waitOf(wait, 'Ada', 'x', 0)).toBe(1)
    expect(waitOf(wait, 'Ada', 'y', 0)).toBe(0)
  })
  it('slowly, less than five a minute, is a person who forgets', () => {
    const wait = new SignInWait()
    for (let n = 0; n < 20; n++) fail(wait, 1, 'Ada', 'x', n * (MINUTE / 4))
    expect(waitOf(wait, 'Ada', 'x', 5 * MINUTE)).toBe(0)
  })
  it('a right passphrase forgets the failures of its name, not of the address', () => {
    const wait = new SignInWait()
    fail(wait, 4, 'Ada', 'x', 0)
    wait.succeeded('ADA')
    fail(wait, 4, 'Ada', 'x', 0)
    expect(waitOf(wait, 'Ada', 'y', 0)).toBe(0)
    fail(wait, 1, 'Ada', 'x', 0)
    expect(waitOf(wait, 'Ada', 'y', 0)).toBe(1)
  })
  it('with ever new names does not fill the memory, and the newest is still known', () => {
    const wait = new SignInWait()
    for (let n = 0; n < 12_000; n++) wait.failed(`name ${n}`, `address ${n}`, 0)
    fail(wait, 5, 'Ada', 'x', 0)
    expect((wait as unknown as { known: Map<string, unknown> }).known.size).toBeLessThanOrEqual(10_000)
    expect(waitOf(wait, 'Ada', 'y', 0)).toBe(1)
  })
})
