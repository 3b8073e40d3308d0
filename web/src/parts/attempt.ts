import { DomainError, type Saying, saying } from '@yentrik/core'

/** What the core worked out, or its refusal in words. */
export interface Attempt<T> {
  readonly answer?: T
  readonly refusal?: Saying
}

/** What the core refused, and what to do about it. */
export function refusalWords({ said, advice }: DomainError): Saying {
  return saying`${said} ${advice}`
}

export function attempt<T>(work: () => T): Attempt<T> {
  try {
    return { answer: work() }
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    return { refusal: refusalWords(error) }
  }
}
