import type { MetShown, PracticeRoom } from '@yentrik/contract'
import { dealt, scoreOf, tallyOf, type World } from '@yentrik/core'

/** What is kept of a case that is over: its score, its counts, and the kinds that were met. */
export interface PracticeOutcome {
  readonly total: number
  readonly counts: PracticeRoom['counts']
  readonly met: readonly { readonly kind: string; readonly named: string; readonly found: boolean }[]
}

export function outcomeOf(world: World): PracticeOutcome {
  const tally = tallyOf(world)
  const { found, seenable, falseAlarms, cleanLooks } = tally
  return {
    total: scoreOf(tally).total,
    counts: { found, defects: seenable, falseAlarms, cleanLooks },
    met: world.defects
      .filter(({ seenFrom }) => seenFrom !== undefined)
      .map((defect) => ({ kind: defect.kind, named: defect.named, found: dealt(defect) === 'found' })),
  }
}

/** The counts of several cases together. */
export function addedUp(outcomes: readonly PracticeOutcome[]): PracticeRoom['counts'] {
  const sum = (of: (counts: PracticeRoom['counts']) => number) =>
    outcomes.reduce((total, { counts }) => total + of(counts), 0)
  return {
    found: sum(({ found }) => found),
    defects: sum(({ defects }) => defects),
    falseAlarms: sum(({ falseAlarms }) => falseAlarms),
    cleanLooks: sum(({ cleanLooks }) => cleanLooks),
  }
}

/** Each kind once, with how often it was found and missed; the most missed first. */
export function metBy(outcomes: readonly PracticeOutcome[]): readonly MetShown[] {
  const kinds = new Map<string, MetShown>()
  for (const { met } of outcomes)
    for (const { kind, named, found } of met) {
      const so = kinds.get(kind) ?? { kind, named, found: 0, missed: 0 }
      kinds.set(kind, { ...so, found: so.found + (found ? 1 : 0), missed: so.missed + (found ? 0 : 1) })
    }
  return [...kinds.values()].sort((a, b) => b.missed - a.missed || a.found - b.found)
}
