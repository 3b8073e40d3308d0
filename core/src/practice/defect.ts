import type { Saying } from '../quantity/index.ts'
import type { FailingOutcome, SheetData } from '../sheet/index.ts'
import type { ShowsAt } from './faults.ts'
import type { Means } from './levels.ts'

export const origins = ['arrived', 'hand', 'material', 'machine', 'learner'] as const
export type Origin = (typeof origins)[number]

/** How a sign of a defect shows at one place. */
export interface ShownAt extends ShowsAt {
  readonly outcome: FailingOutcome
  /** By this it is seen for sure. */
  readonly by: Means
  /** Of a measure: what is really there. Of a sheet: what really lies there. */
  readonly value?: number
  readonly sheet?: SheetData
}

/**
 * Something that is wrong with the work: hidden until it is looked for.
 * `live` until it is `found` (an outcome that deals with it), `mended` (set right, or made again), or `delivered`.
 */
export interface Defect {
  readonly id: string
  /** The same on every route. */
  readonly kind: string
  readonly named: string
  readonly bornBy: Origin
  readonly bornStep: string
  /** Minutes from the beginning; undefined: its step is not done yet. */
  readonly bornAt?: number
  readonly size?: Saying
  /** How it came to be, by the model that says so. */
  readonly why: Saying
  /** What an expert does there. */
  readonly better?: Saying
  /** In the order of the route; none: never by eye, the record alone proves it. */
  readonly shows: readonly ShownAt[]
  readonly state: 'live' | 'found' | 'mended' | 'delivered'
  /** When it could first be seen, min: its step was begun, and the first place where it shows. */
  readonly seenFrom?: number
  readonly seenAt?: ShownAt
  /** Where somebody noticed it, min, and on which step. */
  readonly foundAt?: number
  readonly foundIn?: string
  /** When it was set right, or made again with other work, min. */
  readonly goneAt?: number
  /** Noticed, but with an outcome that does not deal with it. */
  readonly weak?: true
  /** Passed over where it was to be seen. */
  readonly missed?: true
  /** Hours that it cost, in minutes. */
  readonly costMinutes?: number
}
