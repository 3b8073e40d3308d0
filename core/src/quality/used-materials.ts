import { type CaseEvent, type RouteLookup, standingMixes } from '../case/index.ts'
import { meltedCharges } from './melted-charges.ts'

/** What a case has used of one material, by product. */
export interface UsedMaterial {
  readonly materialId: string
  readonly product?: string
  /** 0 where it is counted, not weighed. */
  readonly grams: number
  readonly lotIds: readonly string[]
  /** Of an alloy: how much of it had been melted before, 0 to 1. */
  readonly remeltShare?: number
}

/**
 * Everything that went into a case, remakes too, in the order of its first use; corrected figures count.
 * @param routes gives the immutable copy that an event names
 */
export function usedMaterials(events: readonly CaseEvent[], routes: RouteLookup): readonly UsedMaterial[] {
  const used = new Map<string, UsedMaterial>()
  const add = ({ materialId, product, grams, lotIds, remeltShare }: UsedMaterial) => {
    const key = `${materialId} ${product ?? ''}`
    const before = used.get(key)
    const [own, all] = [before?.grams ?? 0, (before?.grams ?? 0) + grams]
    used.set(key, {
      materialId,
      ...(product === undefined ? {} : { product }),
      grams: all,
      lotIds: [...new Set([...(before?.lotIds ?? []), ...lotIds])],
      ...(remeltShare === undefined
        ? {}
        : { remeltShare: ((before?.remeltShare ?? 0) * own + remeltShare * grams) / all }),
    })
  }
  for (const { materialId, product, powderGrams = 0, lots } of standingMixes(events))
    add({ materialId, ...(product ? { product } : {}), grams: powderGrams, lotIds: lots })
  for (const { alloyId, product, grams, lots, remeltShare } of meltedCharges(events, routes))
    add({
      materialId: alloyId,
      ...(product ? { product } : {}),
      grams,
      lotIds: lots.map(({ lotId }) => lotId),
      remeltShare,
    })
  return [...used.values()]
}
