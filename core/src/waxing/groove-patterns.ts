import { saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { fdiFromUniversal, universalFromFdi } from '../teeth/index.ts'
import { backPatterns } from './back-patterns.ts'
import { frontPatterns } from './front-patterns.ts'
import type { GroovePattern } from './groove-pattern.ts'

/** All of them, back teeth first. */
export const groovePatterns: readonly GroovePattern[] = [...backPatterns, ...frontPatterns]

/**
 * The patterns that are usual on a tooth; none for wisdom teeth.
 * @throws {DomainError} `no-such-tooth`
 */
export function groovePatternsFor(fdi: number): readonly GroovePattern[] {
  const tooth = fdiFromUniversal(universalFromFdi(fdi))
  const arch = tooth < 30 ? 'upper' : 'lower'
  return groovePatterns.filter(({ on }) =>
    on.some((each) => each.arch === arch && each.places.includes(tooth % 10)),
  )
}

/** @throws {DomainError} `no-such-tooth`, `no-such-pattern` */
export function checkGroovePattern(fdi: number, patternId: string): void {
  const usual = groovePatternsFor(fdi)
  if (usual.some(({ id }) => id === patternId)) return
  throw new DomainError(
    'no-such-pattern',
    saying`"${patternId}" is no pattern of tooth ${{ tooth: fdi }}.`,
    usual.length > 0
      ? `Choose: ${usual.map(({ name }) => name).join('; ')}.`
      : 'A wisdom tooth has no usual one: choose another tooth.',
    'patternId',
  )
}
