import type { CaseSummary } from '@yentrik/core'
import type { DevicesState } from './machines.ts'

/** Something changed that screens may show: what, and of which case. Message as the event `change` on /api/live. */
export interface LiveChange {
  /** How far the changes have come with it. */
  readonly mark: string
  readonly kind: 'case' | 'lots' | 'lab' | 'clock' | 'mixes' | 'machines' | 'plan' | 'planned' | 'quality'
  readonly caseId?: string
  readonly sequence?: number
  /** The case in short as it is now, so that nobody has to ask for it. */
  readonly summary?: CaseSummary
}

/** What the live stream tells, by the name of the event. */
export interface LiveEvents {
  /** How far the changes have come when the stream begins; answers carry the same in the header `x-yentrik-mark`. */
  readonly hello: { readonly mark: string }
  readonly change: LiveChange
  readonly devices: DevicesState
  /** So that a dead connection is noticed. */
  readonly beat: { readonly beat: number }
}
