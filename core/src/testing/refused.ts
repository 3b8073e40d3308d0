import { DomainError } from '../refusal/index.ts'

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
