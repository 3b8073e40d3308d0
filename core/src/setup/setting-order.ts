import { DomainError } from '../refusal/index.ts'
import { anteriorTeeth, fdiOf, posteriorTeeth, type ToothKind } from './tooth-set.ts'

/** Side by side: one whole side, then the other. In pairs: both centrals, both laterals and so on. */
type SettingSchool = 'side-by-side' | 'in-pairs'

/**
 * The order in which teeth are set, ISO 3950: each takes the place of one tooth's worth of wax, so that the rim goes on
 * holding the rest.
 * @example settingOrder('upper', 'front', 'side-by-side') // [21, 22, 23, 11, 12, 13]
 * Source: common practice; the left side first.
 */
export function settingOrder(
  arch: 'upper' | 'lower',
  part: 'front' | 'back',
  school: SettingSchool,
): readonly number[] {
  const kinds: readonly ToothKind[] = part === 'front' ? anteriorTeeth : posteriorTeeth
  const sides = ['left', 'right'] as const
  return school === 'side-by-side'
    ? sides.flatMap((side) => kinds.map((kind) => fdiOf(kind, arch, side)))
    : kinds.flatMap((kind) => sides.map((side) => fdiOf(kind, arch, side)))
}

/**
 * Which teeth of the order are not set yet; they may be set in any order.
 * @throws {DomainError} `no-such-tooth`, `tooth-twice`
 */
export function stillToSet(order: readonly number[], set: readonly number[]): readonly number[] {
  const stray = set.find((tooth) => !order.includes(tooth))
  if (stray !== undefined)
    throw new DomainError(
      'no-such-tooth',
      `Tooth ${stray} is not set in this step.`,
      `Tick only ${order.join(', ')}.`,
      'teeth',
    )
  if (new Set(set).size !== set.length)
    throw new DomainError('tooth-twice', 'A tooth is ticked twice.', 'Tick every tooth once.', 'teeth')
  return order.filter((tooth) => !set.includes(tooth))
}
