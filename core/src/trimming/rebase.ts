import { type PairEntry, type PlannedModel, planPair } from './pair-plan.ts'
import type { Point } from './plane-geometry.ts'

/** Stone that a base must get before it can be trimmed to height. */
export interface Rebase {
  readonly arch: 'upper' | 'lower'
  /** To add over the whole base. */
  readonly millimetres: number
  readonly cm3: number
}

/**
 * The bases of a pair that are too thin for its plan, with what each must get: the millimetres of the plan over the present base
 * as it was marked, or over the planned one where it was not.
 * @throws {DomainError} as `planPair`
 * Source: exact for a prism; the millimetres are those of `planHeights`.
 */
export function rebasesOf(entry: PairEntry): readonly Rebase[] {
  const pair = planPair(entry)
  return (['upper', 'lower'] as const).flatMap((arch) => {
    const millimetres = pair[arch].heights?.rebaseMillimetres ?? 0
    if (millimetres <= 0) return []
    const outline = entry[arch].outline
    const base = outline.length >= 3 ? outline : cornersOf(pair[arch])
    return [{ arch, millimetres, cm3: (polygonArea(base) * millimetres) / 1000 }]
  })
}

const cornersOf = ({ heights }: PlannedModel): Point[] => heights!.corners.map(({ at }) => at)

/** By the shoelace formula, mm2. */
function polygonArea(points: readonly Point[]): number {
  const twice = points.reduce((sum, { x, y }, index) => {
    const next = points[(index + 1) % points.length]!
    return sum + x * next.y - next.x * y
  }, 0)
  return Math.abs(twice) / 2
}
