import { COMMON_PRACTICE } from '../materials/index.ts'
import type { CheckOf, Conditional } from '../route/index.ts'
import type { Outcome } from '../sheet/index.ts'

/** Shorthand for writing templates: the answers and outcomes that recur in them. */
export const pass: Outcome = { verdict: 'pass' }
export const adjust = (say: string) => ({ verdict: 'adjust', say }) as const
export const goBack = (toStepId: string, say: string) => ({ verdict: 'goBack', toStepId, say }) as const
/** @param awaits what must come from the clinic first, as a question to it */
export const remake = (
  toStepId: string,
  say: string,
  awaits?: string,
): Extract<Outcome, { readonly verdict: 'remake' }> => ({
  verdict: 'remake',
  toStepId,
  say,
  ...(awaits === undefined ? {} : { awaits }),
})
export const askDentist = (say: string) => ({ verdict: 'askDentist', say }) as const

/** A look with one good answer first, then the faults and what follows from each. */
export function look(
  id: string,
  name: string,
  how: string,
  good: string,
  faults: Readonly<Record<string, Outcome>>,
  options: Pick<CheckOf<'observe'>, 'perArch' | 'perTooth' | 'readings' | 'means'> = {},
): CheckOf<'observe'> {
  return {
    id,
    name,
    how,
    kind: 'observe',
    source: COMMON_PRACTICE,
    ...options,
    answers: [
      { answer: good, outcome: pass },
      ...Object.entries(faults).map(([answer, outcome]) => ({ answer, outcome })),
    ],
  }
}

/** A number, of common practice where it names no other source. */
export const measure = (
  check: Pick<CheckOf<'measure'>, 'id' | 'name' | 'how' | 'quantity' | 'plausible'> &
    Partial<CheckOf<'measure'>> &
    Conditional,
): CheckOf<'measure'> & Conditional => ({ kind: 'measure', source: COMMON_PRACTICE, ...check })
