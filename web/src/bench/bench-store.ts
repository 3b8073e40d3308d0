import { create } from 'zustand'

/** Steps that were put off with "not now", newest last; forgotten when the page is loaded again. */
export const usePutOff = create<{ readonly keys: readonly string[] }>(() => ({ keys: [] }))

export function putOff(key: string): void {
  usePutOff.setState(({ keys }) => ({ keys: [...keys.filter((each) => each !== key), key] }))
}

/** What was put off goes behind the rest, in the order in which it was put off. */
export function inOrder<T extends { readonly caseId: string; readonly stepId: string }>(
  entries: readonly T[],
  keys: readonly string[],
): T[] {
  const rank = (entry: T) => keys.indexOf(entryKey(entry))
  return [...entries].sort((a, b) => rank(a) - rank(b))
}

export function entryKey(entry: { readonly caseId: string; readonly stepId: string }): string {
  return `${entry.caseId} ${entry.stepId}`
}
