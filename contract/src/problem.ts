import type { Saying } from '@yentrik/core'

/** A refusal, RFC 9457, with what to do and, where an entry is at fault, which one. */
export interface Problem {
  /** Where the refusal is explained. */
  readonly type: string
  readonly title: string
  readonly status: number
  readonly detail: string
  readonly code: string
  readonly remedy: string
  readonly field?: string
  /** `detail` and `remedy` with their quantities, where they hold any: to be shown in the units of a lab. */
  readonly said?: { readonly detail: Saying; readonly remedy: Saying }
  readonly [more: string]: unknown
}
