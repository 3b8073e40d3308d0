import { qty, saying } from '../../quantity/index.ts'
import { list, record, whole } from '../../shape/index.ts'
import { streamAt } from '../streams.ts'
import { drill, pointsFor } from './drill.ts'

export interface ChargeTask {
  readonly needGrams: number
  /** Of each piece: what it weighs, and whether it was melted before. */
  readonly pieces: readonly { readonly grams: number; readonly old: boolean }[]
}
const PIECES = 9
/** At most so much of it may have been melted before (common practice). */
export const MOST_OLD_SHARE = 0.5
/** So much more left over than the least, and nothing is left of it, g (choice). */
const WORST_GRAMS = 3
const hundredth = (value: number) => Math.round(100 * value) / 100

interface Melt {
  readonly grams: number
  readonly oldShare: number
}
function meltOf({ pieces }: ChargeTask, taken: readonly number[]): Melt {
  const grams = taken.reduce((sum, n) => sum + pieces[n]!.grams, 0)
  const old = taken.reduce((sum, n) => sum + (pieces[n]!.old ? pieces[n]!.grams : 0), 0)
  return { grams: hundredth(grams), oldShare: grams > 0 ? old / grams : 0 }
}
const holds = ({ needGrams }: ChargeTask, { grams, oldShare }: Melt) =>
  grams >= needGrams && oldShare <= MOST_OLD_SHARE + 1e-9

/** Every choice of nine pieces is tried: the one with the least left over. */
export function bestCharge(
  task: ChargeTask,
): { readonly taken: readonly number[]; readonly grams: number } | undefined {
  let best: { taken: readonly number[]; grams: number } | undefined
  for (let set = 1; set < 1 << task.pieces.length; set++) {
    const taken = task.pieces.flatMap((_, n) => (set & (1 << n) ? [n] : []))
    const melt = meltOf(task, taken)
    if (holds(task, melt) && (!best || melt.grams < best.grams)) best = { taken, grams: melt.grams }
  }
  return best
}

export const charge = drill({
  name: 'Charge',
  does: 'pieces for a need, with the least left over',
  task: (seed): ChargeTask => {
    const random = streamAt(seed, 'drill charge')
    const pieces = Array.from({ length: PIECES }, (_, n) => ({
      grams: hundredth(1.5 + 6 * random()),
      old: n >= 4,
    }))
    const fresh = pieces.filter(({ old }) => !old).reduce((sum, { grams }) => sum + grams, 0)
    return { pieces, needGrams: hundredth(fresh * (0.55 + 0.4 * random())) }
  },
  answer: record({ taken: list(whole(0, PIECES - 1), PIECES, 1) }),
  score(task, { taken }) {
    const melt = meltOf(task, [...new Set(taken)])
    const best = bestCharge(task)!
    const names = saying`${qty.grams(best.grams, 2)} from pieces ${best.taken.map((n) => n + 1).join(', ')}`
    if (!holds(task, melt))
      return {
        points: 0,
        say:
          melt.grams < task.needGrams
            ? saying`${qty.grams(melt.grams, 2)} are less than ${qty.grams(task.needGrams, 2)}: the casting is short.`
            : saying`${qty.percent(100 * melt.oldShare, 0)} was melted before; at most ${qty.percent(100 * MOST_OLD_SHARE)} may be.`,
        better: names,
      }
    return {
      points: pointsFor(melt.grams - best.grams, WORST_GRAMS),
      say: saying`${qty.grams(melt.grams, 2)} for ${qty.grams(task.needGrams, 2)}: ${qty.grams(melt.grams - task.needGrams, 2)} left over.`,
      better: saying`The least is ${names}.`,
    }
  },
})
