import { createHash, randomBytes } from 'node:crypto'
import { Injectable, Logger } from '@nestjs/common'
import type { Person } from '@yentrik/contract'
import { Refusal } from '../errors/problem.filter.ts'
import { fits, hashed } from './passphrase.ts'

/** So long after a passphrase was typed at a bench its PIN opens it: a working day (choice). */
export const UNLOCKED_MILLIS = 12 * 3_600_000
const MOST_TRIES = 3
/** Benches that are remembered: the longest unused goes first. */
const MOST_BENCHES = 1000

interface Unlocked {
  readonly person: Person
  readonly until: number
  /** Undefined: none was chosen at this bench. */
  readonly secret?: string
  readonly triesLeft: number
}

/**
 * The quick way back to a bench that a passphrase has opened today: a PIN that holds at that bench alone, for that person, until
 * the day is over or it was wrong three times. Nothing of it is stored: after a start of the server the passphrase is wanted.
 */
@Injectable()
export class BenchPins {
  private readonly logger = new Logger('people')
  private readonly benches = new Map<string, Map<string, Unlocked>>()

  /** Somebody typed their passphrase at a bench. @returns the token by which it is known again: the one it has, or a new one */
  unlock(bench: string | undefined, person: Person, now = Date.now()): string {
    const token =
      bench !== undefined && this.benches.has(digest(bench)) ? bench : randomBytes(32).toString('base64url')
    const people = this.benches.get(digest(token)) ?? new Map<string, Unlocked>()
    const known = people.get(person.personId)
    people.set(person.personId, {
      person,
      until: now + UNLOCKED_MILLIS,
      triesLeft: MOST_TRIES,
      ...(known?.secret ? { secret: known.secret } : {}),
    })
    this.benches.delete(digest(token))
    this.benches.set(digest(token), people)
    const [oldest] = this.benches.keys()
    if (this.benches.size > MOST_BENCHES && oldest !== undefined) this.benches.delete(oldest)
    return token
  }

  /** @returns until when it holds, ms since 1970 @throws {Refusal} `passphrase-first`, `pin-too-plain` */
  async choose(
    bench: string | undefined,
    { personId }: Person,
    pin: string,
    now = Date.now(),
  ): Promise<number> {
    const unlocked = this.at(bench, now).find(({ person }) => person.personId === personId)
    if (!unlocked)
      throw new Refusal(
        403,
        'passphrase-first',
        'A PIN holds where the passphrase was typed today.',
        'Sign out and in again with the passphrase, then choose a PIN.',
      )
    if (isPlain(pin))
      throw new Refusal(422, 'pin-too-plain', 'That PIN is the first that is guessed.', 'Choose another.', {
        field: 'pin',
      })
    const secret = await hashed(pin)
    this.benches.get(digest(bench!))?.set(personId, { ...unlocked, secret, triesLeft: MOST_TRIES })
    return unlocked.until
  }

  /** Who may come back to a bench by a PIN, by name. */
  names(bench: string | undefined, now = Date.now()): string[] {
    return this.at(bench, now).flatMap(({ person, secret, triesLeft }) =>
      secret && triesLeft > 0 ? [person.name] : [],
    )
  }

  /** @throws {Refusal} `pin-refused`, with how many tries are left */
  async open(bench: string | undefined, name: string, pin: string, now = Date.now()): Promise<Person> {
    const unlocked = this.at(bench, now).find(({ person }) => person.name === name)
    const people = this.benches.get(digest(bench ?? ''))
    if (!unlocked?.secret || !people || unlocked.triesLeft === 0) {
      await fits(pin, undefined)
      throw pinRefused(0)
    }
    const { person, triesLeft } = unlocked
    // Counted before it is looked at: many tries at once are no more tries.
    people.set(person.personId, { ...unlocked, triesLeft: triesLeft - 1 })
    if (!(await fits(pin, unlocked.secret))) {
      this.logger.warn(`A PIN of ${person.name} was refused, ${triesLeft - 1} tries left`)
      throw pinRefused(triesLeft - 1)
    }
    // Forgotten while it was looked at, it is not brought back.
    if (people.has(person.personId)) people.set(person.personId, { ...unlocked, triesLeft: MOST_TRIES })
    return person
  }

  /** Everywhere: somebody is gone, has a new passphrase, or was signed out at a bench. */
  forget(personId: string): void {
    for (const people of this.benches.values()) people.delete(personId)
  }

  private at(bench: string | undefined, now: number): Unlocked[] {
    const people = bench === undefined ? undefined : this.benches.get(digest(bench))
    return [...(people?.values() ?? [])].filter(({ until }) => until > now)
  }
}

/** All the same, or counted up or down. */
function isPlain(pin: string): boolean {
  const steps = [...pin].slice(1).map((digit, n) => Number(digit) - Number(pin[n]))
  return [0, 1, -1].some((step) => steps.every((each) => each === step))
}

const pinRefused = (triesLeft: number) =>
  new Refusal(
    401,
    'pin-refused',
    'Name and PIN do not go together here.',
    triesLeft > 0
      ? `${triesLeft === 1 ? 'One try is' : `${triesLeft} tries are`} left; then the passphrase is wanted.`
      : 'Sign in with the passphrase.',
  )

const digest = (token: string): string => createHash('sha256').update(token).digest('hex')
