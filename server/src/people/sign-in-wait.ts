import { Injectable } from '@nestjs/common'
import { Refusal } from '../errors/problem.filter.ts'

const MINUTE = 60_000
/** Tries that fail within a minute before there is a wait: for a name, and for a bench where many sign in. */
const FREE_TRIES = { name: 5, address: 20 }
const LONGEST_WAIT = 30 * MINUTE
/** Names and addresses that are remembered: the longest unused goes first. */
const MOST_REMEMBERED = 10_000

interface Failures {
  /** When the last ones were, ms. */
  readonly at: readonly number[]
  /** How often the free tries were used up: each time the wait doubles. */
  readonly rounds: number
  readonly waitUntil: number
}

/**
 * Makes guessing slow: five tries a minute for a name, twenty from an address, then a wait of 1, 2, 4 ... 30 min. A right passphrase
 * forgets the failures of its name. A growing wait is what the usual packages for this do not have.
 */
@Injectable()
export class SignInWait {
  private readonly known = new Map<string, Failures>()

  /** @throws {Refusal} `too-many-tries` with how long to wait */
  mustNotWait(name: string, address: string, now = Date.now()): void {
    const until = Math.max(...keysOf(name, address).map(([key]) => this.known.get(key)?.waitUntil ?? 0))
    if (until <= now) return
    const minutes = Math.ceil((until - now) / MINUTE)
    throw new Refusal(
      429,
      'too-many-tries',
      'Name and passphrase did not go together too often.',
      `Wait ${minutes} min, then try again, or ask the lab lead.`,
      { retryAfterSeconds: Math.ceil((until - now) / 1000) },
    )
  }

  failed(name: string, address: string, now = Date.now()): void {
    for (const [key, freeTries] of keysOf(name, address)) {
      const before = this.known.get(key) ?? { at: [], rounds: 0, waitUntil: 0 }
      const at = [...before.at.filter((each) => now - each < MINUTE), now]
      this.known.delete(key)
      this.known.set(
        key,
        at.length < freeTries
          ? { ...before, at }
          : {
              at: [],
              rounds: before.rounds + 1,
              waitUntil: now + Math.min(MINUTE * 2 ** before.rounds, LONGEST_WAIT),
            },
      )
    }
    for (const oldest of this.known.keys()) {
      if (this.known.size <= MOST_REMEMBERED) break
      this.known.delete(oldest)
    }
  }

  succeeded(name: string): void {
    this.known.delete(nameKey(name))
  }
}

const nameKey = (name: string) => `name ${name.toLowerCase()}`
const keysOf = (name: string, address: string) =>
  [
    [nameKey(name), FREE_TRIES.name],
    [`address ${address}`, FREE_TRIES.address],
  ] as const
