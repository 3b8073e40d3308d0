import { DomainError } from '../refusal/index.ts'

/** How the lab likes its tooth numbers. Stored always as ISO 3950 (FDI). */
export type ToothNotation = 'fdi' | 'universal'

/** The 32 permanent teeth, ISO 3950, in the order of universal numbers 1 to 32. */
export const fdiInUniversalOrder: readonly number[] = [
  ...[18, 17, 16, 15, 14, 13, 12, 11],
  ...[21, 22, 23, 24, 25, 26, 27, 28],
  ...[38, 37, 36, 35, 34, 33, 32, 31],
  ...[41, 42, 43, 44, 45, 46, 47, 48],
]

/**
 * Universal number 1-32 of a permanent tooth in ISO 3950 numbering.
 * @throws {DomainError} `no-such-tooth`
 * @example universalFromFdi(11) // 8
 * Source: ISO 3950; American Dental Association universal system (recalled).
 */
export function universalFromFdi(fdi: number): number {
  const index = fdiInUniversalOrder.indexOf(fdi)
  if (index < 0) throw noSuchTooth(fdi, '11 to 48 (first digit 1-4, second 1-8)')
  return index + 1
}

/**
 * ISO 3950 number of a permanent tooth in universal numbering.
 * @throws {DomainError} `no-such-tooth`
 * @example fdiFromUniversal(24) // 31
 */
export function fdiFromUniversal(universal: number): number {
  const fdi = fdiInUniversalOrder[universal - 1]
  if (fdi === undefined) throw noSuchTooth(universal, '1 to 32')
  return fdi
}

function noSuchTooth(given: number, range: string): DomainError {
  return new DomainError('no-such-tooth', `There is no tooth ${given}.`, `Enter a number ${range}.`, 'teeth')
}

/** A stored ISO 3950 number as the lab wants to read it. */
export function showTooth(fdi: number, notation: ToothNotation): string {
  return String(notation === 'fdi' ? fdi : universalFromFdi(fdi))
}

/**
 * Teeth as typed in the lab's notation ("11, 21 22") to ISO 3950 numbers, in the order typed, each once.
 * @throws {DomainError} `no-such-tooth`: names the first that does not exist
 */
export function parseTeeth(text: string, notation: ToothNotation): number[] {
  const words = text.split(/[\s,;]+/).filter((word) => word !== '')
  const teeth = words.map((word) => {
    const number = /^\d{1,2}$/.test(word) ? Number(word) : Number.NaN
    if (Number.isNaN(number))
      throw new DomainError(
        'no-such-tooth',
        `"${word}" is not a tooth number.`,
        'Enter tooth numbers with commas between them.',
        'teeth',
      )
    return notation === 'fdi' ? fdiFromUniversal(universalFromFdi(number)) : fdiFromUniversal(number)
  })
  return [...new Set(teeth)]
}
