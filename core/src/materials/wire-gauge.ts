import { DomainError } from '../refusal/index.ts'

/**
 * Diameter or sheet thickness of a gauge number, mm: d = 0.127 · 92^((36 - n) / 39).
 *
 * @param gauge American wire gauge, a whole number from 0 to 40
 * @throws {DomainError} `gauge-out-of-range`
 * @example gaugeMillimetres(28) // 0.3211
 * Source: ASTM B258.
 */
export function gaugeMillimetres(gauge: number): number {
  if (!Number.isInteger(gauge) || gauge < 0 || gauge > 40)
    throw new DomainError(
      'gauge-out-of-range',
      `There is no gauge ${gauge} here.`,
      'Enter a whole gauge number from 0 to 40.',
      'gauge',
    )
  return 0.127 * 92 ** ((36 - gauge) / 39)
}
