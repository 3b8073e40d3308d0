import { COMMON_PRACTICE, type Source } from '../materials/index.ts'
import type { Saying } from '../quantity/index.ts'

/** What the record says of a cause: it was so, it was not, or nothing is noted. */
export type Standing = 'supported' | 'unknown' | 'against'

interface Evidence {
  readonly standing: 'supported' | 'against'
  /** What the record says, as words. */
  readonly words: Saying
}

/** A cause of a fault, and what the record of a case has to say of it. */
export interface CauseRule<R> {
  readonly name: string
  readonly change: string
  readonly evidence?: (record: R) => Evidence | undefined
}

export interface RankedCause {
  readonly name: string
  readonly standing: Standing
  readonly words: Saying
  /** What to change in the next one. */
  readonly change: string
  readonly source: Source
}

export const when = (supported: boolean, words: Saying): Evidence => ({
  standing: supported ? 'supported' : 'against',
  words,
})

const order: Readonly<Record<Standing, number>> = { supported: 0, unknown: 1, against: 2 }

/**
 * Causes by what the record speaks for: first that, then what is not on record, last what it speaks against; the order in
 * which they are given, the usual likelihood, decides within each.
 */
export function rankCauses<R>(rules: readonly CauseRule<R>[], record: R): readonly RankedCause[] {
  return rules
    .map(({ name, change, evidence }): RankedCause => {
      const found = evidence?.(record)
      return {
        name,
        change,
        standing: found?.standing ?? 'unknown',
        words: found?.words ?? 'Not on record.',
        source: COMMON_PRACTICE,
      }
    })
    .sort((a, b) => order[a.standing] - order[b.standing])
}
