import type { CaseEvent } from '../../case/index.ts'
import type { Saying } from '../../quantity/index.ts'
import type { RouteStep } from '../../route/index.ts'
import type { World } from '../truth.ts'
import type { ShowsRef } from './shows-later.ts'

/** What a deed of the learner brought about, by a model of the core or the clock. */
export interface Caused {
  readonly kind: string
  readonly named: string
  readonly size?: Saying
  /** The model's sentence. */
  readonly why: Saying
  readonly better: Saying
  /** In the order in which it shows; none of them on the route: the record alone proves it. */
  readonly shows: readonly ShowsRef[]
  /** The step where it came to be, where that is not the step of the deed. */
  readonly bornStep?: string
}
export interface Deed {
  readonly before: World
  readonly after: World
  readonly event: CaseEvent
  readonly step: RouteStep
  /** Chance of this step and deed. */
  readonly random: () => number
}
export type Cause = (deed: Deed) => readonly Caused[]
