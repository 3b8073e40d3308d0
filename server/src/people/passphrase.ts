import { scrypt, timingSafeEqual } from 'node:crypto'
import { promisify } from 'node:util'
import { hash, verify } from '@node-rs/argon2'
import { Refusal } from '../errors/problem.filter.ts'
import { commonPassphrases } from './common-passphrases.ts'

const scryptAsync = promisify(scrypt) as (secret: string, salt: Buffer, length: number) => Promise<Buffer>

/** argon2id with 19 MiB, two passes, one lane: OWASP Password Storage Cheat Sheet, 2023, recalled. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 }

export const LEAST_LETTERS = 12
export const MOST_LETTERS = 128

export const hashed = (passphrase: string): Promise<string> => hash(passphrase, COST)

/** Compared with, where there is no such person: the answer takes as long. */
const nobodys = hashed('nobody has this passphrase')

/** Whether a passphrase is the one that was hashed; without a hash as slowly, and never. */
export async function fits(passphrase: string, secret: string | undefined): Promise<boolean> {
  if (!secret) {
    await verify(await nobodys, passphrase)
    return false
  }
  return isOld(secret) ? fitsScrypt(passphrase, secret) : verify(secret, passphrase)
}

/** A hash of before argon2id: salt:hash of scrypt in hex. Made anew when its owner signs in. */
export const isOld = (secret: string): boolean => /^[0-9a-f]+:[0-9a-f]+$/.test(secret)

async function fitsScrypt(passphrase: string, secret: string): Promise<boolean> {
  const [salt = '', wanted = ''] = secret.split(':')
  const given = await scryptAsync(passphrase, Buffer.from(salt, 'hex'), 32)
  return timingSafeEqual(given, Buffer.from(wanted, 'hex'))
}

/**
 * Refuses what is guessed first: too short, a common one, the name again and again (OWASP ASVS 4, V2.1, recalled).
 * @throws {Refusal} `passphrase-too-short`, `passphrase-too-long`, `passphrase-common`
 */
export function mustBeGood(passphrase: string, name: string): void {
  const refuse = (code: string, sentence: string, remedy: string) => {
    throw new Refusal(422, code, sentence, remedy, { field: 'passphrase' })
  }
  const letters = [...passphrase].length
  if (letters < LEAST_LETTERS)
    refuse(
      'passphrase-too-short',
      `The passphrase has ${letters} letters of ${LEAST_LETTERS}.`,
      'Take four or five words that only you put together.',
    )
  if (letters > MOST_LETTERS)
    refuse(
      'passphrase-too-long',
      `The passphrase has ${letters} letters, more than ${MOST_LETTERS}.`,
      'Take a shorter one.',
    )
  const plain = passphrase.toLowerCase().replaceAll(/[^\p{L}\p{N}]/gu, '')
  const ofName = name.toLowerCase().replaceAll(/[^\p{L}\p{N}]/gu, '')
  const left = ofName.length > 2 ? plain.replaceAll(ofName, '') : plain
  if (isCommon(plain) || new Set(plain).size < 5 || left.length < 4)
    refuse(
      'passphrase-common',
      'This passphrase is among the first that are guessed.',
      'Take four or five words that only you put together.',
    )
}

/** A common one, or one repeated to make it longer. */
function isCommon(plain: string): boolean {
  for (let length = 1; length <= plain.length / 2; length++)
    if (plain.length % length === 0 && plain.slice(0, length).repeat(plain.length / length) === plain)
      return true
  const withoutFigures = plain.replaceAll(/\d+$/g, '')
  return commonPassphrases.has(plain) || commonPassphrases.has(withoutFigures)
}
