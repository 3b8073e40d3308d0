import type { Skill, Station } from '../planning/index.ts'

/** What the plan of the lab must know of a step beside its minutes and windows (common practice throughout). */
export interface PlanFacts {
  /** Otherwise that of its stage. */
  readonly skill?: Skill
  /** A place that it takes: for itself, or until the end of the last of these steps that the route has. */
  readonly takes?: readonly { readonly station: Station; readonly until?: readonly string[] }[]
  /** Of a program: the matters in which loads must agree to run as one. */
  readonly together?: readonly string[]
  /** It stays in its machine until this step begins, and may do so for so long after the program. */
  readonly soak?: { readonly until: string; readonly minutes: number }
  /** What follows must begin within so many minutes, where no window says it. */
  readonly nextWithinMinutes?: number
}
