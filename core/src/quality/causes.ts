import { COMMON_PRACTICE, type Source } from '../materials/index.ts'
import type { Saying } from '../quantity/index.ts'
import { causeWeights, LEAST_FINDINGS, sumOf } from '../statistics/index.ts'

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
  /** How often it was found in this lab, once that says something. */
  readonly found?: { readonly count: number; readonly of: number }
}

/** How often each cause of one fault was found in this lab, by its name. */
export type Findings = Readonly<Record<string, number>>

/** The names of all causes in a list of faults. */
export const namesIn = (
  faults: Readonly<Partial<Record<string, Readonly<Record<string, readonly { readonly name: string }[]>>>>>,
): readonly string[] => [
  ...new Set(
    Object.values(faults).flatMap((of) =>
      Object.values(of ?? {}).flatMap((rules) => rules.map(({ name }) => name)),
    ),
  ),
]

export const when = (supported: boolean, words: Saying): Evidence => ({
  standing: supported ? 'supported' : 'against',
  words,
})

const order: Readonly<Record<Standing, number>> = { supported: 0, unknown: 1, against: 2 }

/**
 * Causes by what the record speaks for: first that, then what is not on record, last what it speaks against; the order in
 * which they are given, the usual likelihood, decides within each, moved by what was found in this lab.
 */
export function rankCauses<R>(
  rules: readonly CauseRule<R>[],
  record: R,
  found: Findings = {},
): readonly RankedCause[] {
  if (rules.length === 0) return []
  const weights = causeWeights(rules.map(({ name }) => found[name] ?? 0))
  const all = sumOf(Object.values(found))
  const weightOf = new Map(rules.map(({ name }, n) => [name, weights[n]!]))
  return rules
    .map(({ name, change, evidence }): RankedCause => {
      const says = evidence?.(record)
      return {
        name,
        change,
        standing: says?.standing ?? 'unknown',
        words: says?.words ?? 'Not on record.',
        source: COMMON_PRACTICE,
        ...(all >= LEAST_FINDINGS ? { found: { count: found[name] ?? 0, of: all } } : {}),
      }
    })
    .sort((a, b) => order[a.standing] - order[b.standing] || weightOf.get(b.name)! - weightOf.get(a.name)!)
}
