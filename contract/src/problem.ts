import type { Saying } from '@yentrik/core'
import { result, results, route } from './route.ts'

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

/** A kind of refusal, explained: what its `type` leads to. Three dots stand for what each refusal fills in. */
export interface ExplainedRefusal {
  readonly code: string
  readonly status: number
  /** What may be wrong, each as a sentence. */
  readonly means: readonly string[]
  /** What to do about it. */
  readonly remedies: readonly string[]
}

export const problemRoutes = {
  'GET /refusals': route({
    room: 'refusals',
    summary: 'Every kind of refusal, with what to do about it',
    keepable: true,
    answer: results<ExplainedRefusal>('A kind of refusal'),
    open: true,
  }),
  'GET /refusals/:code': route({
    room: 'refusals',
    summary: 'What a refusal means and what to do about it; the `type` of a problem leads here',
    keepable: true,
    answer: result<ExplainedRefusal>('A kind of refusal'),
    open: true,
  }),
}
