import {
  type Cooling,
  type CureFineness,
  type CureRun,
  type CureWish,
  cure,
  drawnFineness,
  judgeCure,
  quotedFineness,
  safeBy,
} from '@yentrik/core'
import { expose } from 'comlink'
import { attempt } from '../parts/attempt.ts'
import type { FollowQuestion } from './cure-draft.ts'

/** While a corner is dragged: a little coarser, so that the picture keeps up with it. */
const asItMoves: CureFineness = { cells: { resin: 6, stone: 12 }, longestSeconds: 60, rise: 0.002 }

const curingWork = {
  /** A bath followed in every section. */
  follow: ({ sections, ...question }: FollowQuestion, pace: 'moves' | 'rests' | 'exact') =>
    attempt(() =>
      sections.map((section) => ({
        section,
        outcome: cure(
          { ...question, section },
          pace === 'moves' ? asItMoves : pace === 'exact' ? quotedFineness : drawnFineness,
        ),
      })),
    ),

  /** What a cure did, by its bath as it was read. */
  judge: (run: CureRun, cooling: Cooling) => attempt(() => judgeCure(run, cooling)),

  /** A safe bath for so many minutes. */
  propose: (wish: CureWish, minutes: number) => attempt(() => safeBy(wish, minutes)),
}
export type CuringWork = typeof curingWork
expose(curingWork)
