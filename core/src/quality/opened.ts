import type { SentBack, StepState } from '../case/index.ts'
import type { RouteStep } from '../route/index.ts'

export type Attempt = StepState['past'][number]

/** A step of a job as it was opened once, and what threw that away. */
export interface Opened {
  readonly step: RouteStep
  readonly attempt: Attempt
  readonly by: SentBack | undefined
}
