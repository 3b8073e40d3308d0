import type { Saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'

/** What somebody wrote, without blanks round it. @throws {DomainError} `words-missing` */
export function sentence(text: string | undefined, field: string, what: string): string {
  const trimmed = text?.trim() ?? ''
  if (trimmed === '') refuse('words-missing', `It does not say ${what}.`, 'Write a few words.', field)
  return trimmed
}

export function refuse(code: string, message: Saying, remedy: Saying, field?: string): never {
  throw new DomainError(code, message, remedy, field)
}
