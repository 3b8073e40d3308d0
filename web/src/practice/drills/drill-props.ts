import type { DrillAnswer, DrillId, DrillTask } from '@yentrik/core'

/** A drill on the screen. */
export interface DrillProps<D extends DrillId> {
  readonly task: DrillTask<D>
  /** Answered: nothing more is changed. */
  readonly done: boolean
  readonly onAnswer: (answer: Extract<DrillAnswer, { readonly drill: D }>) => void
}
