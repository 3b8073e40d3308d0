import { randomBytes, scryptSync } from 'node:crypto'
import { describe, expect, it } from '@jest/globals'
import { fits, hashed, isOld, mustBeGood } from './passphrase.ts'

const codeOf = (passphrase: string, name = 'Ada') => {
  try {
    mustBeGood(passphrase, name)
    return 'good'
  } catch (error) {
    return (error as { code: string }).code
  }
}

describe('a passphrase', () => {
  it.each([
    ['plaster before noon', 'good'],
    ['Wachs am Fenster, früh', 'good'],
    ['elevenchars', 'passphrase-too-short'],
    ['twelve chars', 'good'],
    ['ääääääääääää', 'passphrase-common'],
    ['aaaaaaaaaaaa', 'passphrase-common'],
    ['passwordpassword', 'passphrase-common'],
    ['Password Password 1', 'passphrase-common'],
    ['qwertyuiop[]asdf', 'passphrase-common'],
    ['Dental-Laboratory 2026', 'passphrase-common'],
    ['correct horse battery staple', 'passphrase-common'],
    ['letmeinletmein', 'passphrase-common'],
    ['wax wax wax wax', 'passphrase-common'],
    ['x7'.repeat(64), 'passphrase-common'],
    [`plaster before noon ${'and later '.repeat(10)}`, 'good'],
    ['plaster before noon '.repeat(7), 'passphrase-too-long'],
  ])('%s is %s', (passphrase, code) => expect(codeOf(passphrase)).toBe(code))
  it('may be 128 letters long and no longer, by letters and not by bytes', () => {
    const long = Array.from({ length: 128 }, (_, n) => 'äöüßéplastrom'[(n * 7) % 13]).join('')
    expect(codeOf(`${long}x`)).toBe('passphrase-too-long')
    expect(codeOf(`${long.slice(1)}x`)).toBe('good')
  })
  it('that is little more than the name is refused', () => {
    expect(codeOf('Marianne-Marianne', 'Marianne')).toBe('passphrase-common')
    expect(codeOf('Marianne 123', 'Marianne')).toBe('passphrase-common')
    expect(codeOf('Marianne likes wax', 'Marianne')).toBe('good')
  })
})

describe('its hash', () => {
  it('is argon2id with the parameters of OWASP, another one each time', async () => {
    const [one, two] = [await hashed('plaster before noon'), await hashed('plaster before noon')]
    // m=19456 KiB, t=2, p=1: OWASP Password Storage Cheat Sheet, recalled.
    expect(one).toMatch(/^\$argon2id\$v=19\$m=19456,t=2,p=1\$/)
    expect(one).not.toBe(two)
    expect(isOld(one)).toBe(false)
    expect(await fits('plaster before noon', one)).toBe(true)
    expect(await fits('plaster after noon', one)).toBe(false)
  })
  it('of before is known, and one that is not there never fits', async () => {
    const salt = randomBytes(16)
    const old = `${salt.toString('hex')}:${scryptSync('plaster before noon', salt, 32).toString('hex')}`
    expect(isOld(old)).toBe(true)
    expect(await fits('plaster before noon', old)).toBe(true)
    expect(await fits('plaster after noon', old)).toBe(false)
    expect(await fits('nobody has this passphrase', undefined)).toBe(false)
  })
})
