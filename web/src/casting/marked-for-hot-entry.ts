import { type Binder, type JobState, stepMeaning } from '@yentrik/core'
import { useShelf } from '../record/shelf.ts'

/**
 * The product that may go straight into a hot furnace, by its name: for a case the one that was mixed for it, else any of that
 * kind that the lab has marked. undefined: there is none.
 */
export function useMarkedForHotEntry(binder: Binder, job: JobState | undefined): string | undefined {
  const { lots, products } = useShelf()
  const marked = products
    .filter(({ card }) => card.investment?.binder === binder && card.investment.hotEntry)
    .map(({ product }) => product)
  if (binder === 'gypsum') return undefined
  if (!job) return marked[0]?.name
  const mixed = stepMeaning(job, 'invested')?.state.mixes.flatMap((mix) => mix.lots) ?? []
  const inRing = lots.filter(({ lotId }) => mixed.includes(lotId)).map(({ productId }) => productId)
  return marked.find(({ productId }) => inRing.includes(productId))?.name
}
