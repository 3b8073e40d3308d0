import {
  type CureFineness,
  type CureJudgement,
  type CureRun,
  type CureWish,
  cure,
  DomainError,
  exactly,
  type FollowedSection,
  judgeCure,
  quickly,
  type SafeBy,
  safeBy,
} from '@yentrik/core'
import { expose } from 'comlink'
import type { FollowQuestion } from './cure-draft.ts'

/** A bath followed in every section, or the sentence that says why it cannot be. */
export type Followed =
  | { readonly ok: true; readonly sections: readonly FollowedSection[] }
  | { readonly ok: false; readonly sentence: string }
export type Judged =
  | { readonly ok: true; readonly judgement: CureJudgement }
  | { readonly ok: false; readonly sentence: string }
export type Proposed =
  | { readonly ok: true; readonly answer: SafeBy }
  | { readonly ok: false; readonly sentence: string }

function told<T extends { readonly ok: true }>(
  work: () => T,
): T | { readonly ok: false; readonly sentence: string } {
  try {
    return work()
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return { ok: false, sentence: `${error.message} ${error.remedy}` }
  }
}

/** While a hand drags: a little coarser, so that the picture keeps up with it. */
const asItMoves: CureFineness = { cells: { resin: 6, stone: 12 }, longestSeconds: 60 }

const curingWork = {
  follow: ({ sections, ...question }: FollowQuestion, pace: 'moves' | 'rests' | 'exact'): Followed =>
    told(() => ({
      ok: true as const,
      sections: sections.map((section) => ({
        section,
        outcome: cure(
          { ...question, section },
          pace === 'moves' ? asItMoves : pace === 'exact' ? exactly : quickly,
        ),
      })),
    })),

  /** What a cure did, by its bath as it was read. */
  judge: (run: CureRun): Judged => told(() => ({ ok: true as const, judgement: judgeCure(run) })),

  /** A safe bath for so many minutes. */
  propose: (wish: CureWish, minutes: number): Proposed =>
    told(() => ({ ok: true as const, answer: safeBy(wish, minutes) })),
}
export type CuringWork = typeof curingWork
expose(curingWork)
