import { type Saying, spoken } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'

/** A saying in metric words, to be held against a sentence. */
export const metric = (words: Saying) => spoken(words, 'metric')

/** A result with every saying in it as metric words, to be held against sentences. */
export function inMetric<T>(result: T): T {
  if (isSaying(result)) return metric(result) as T
  if (Array.isArray(result)) return result.map((each: unknown) => inMetric(each)) as T
  if (typeof result !== 'object' || result === null) return result
  return Object.fromEntries(Object.entries(result).map(([key, each]) => [key, inMetric(each)])) as T
}

function isSaying(list: unknown): list is Exclude<Saying, string> {
  if (!Array.isArray(list)) return false
  const isQuantity = (part: unknown) =>
    typeof part === 'object' && part !== null && (('kind' in part && 'value' in part) || 'moment' in part)
  return list.some(isQuantity) && list.every((part) => typeof part === 'string' || isQuantity(part))
}

/** For tests: what an act is refused by; undefined where it is taken. */
export function refused(act: () => unknown): DomainError | undefined {
  try {
    act()
    return undefined
  } catch (error) {
    if (error instanceof DomainError) return error
    throw error
  }
}
