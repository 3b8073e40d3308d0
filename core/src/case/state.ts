import type { Saying } from '../quantity/index.ts'
import type { Impression, Route } from '../route/index.ts'
import type { WorkAuthorisation } from './payloads.ts'
import type { ReturnCause } from './return-causes.ts'
import type { StepState } from './step-state.ts'

interface DentistQuestion {
  readonly question: Saying
  readonly since: string
  readonly stepId?: string
  /** The check that asks; none when a person asked. */
  readonly checkId?: string
}

export interface JobState {
  readonly jobId: string
  readonly routeId: string
  readonly route: Route
  readonly steps: Readonly<Record<string, StepState>>
  /** What came from the mouth, and when. */
  readonly impressions: readonly Impression[]
  readonly question?: DentistQuestion
  /** The last time it went back, until the step it went back to is finished again. */
  readonly wentBack?: {
    readonly toStepId: string
    readonly reason: string
    readonly at: string
    readonly remake: boolean
  }
  readonly remakes: number
  /** Where it began again, of work that came back. */
  readonly fromStepId?: string
}

export interface CaseState {
  readonly docket: string
  readonly authorisation: WorkAuthorisation
  readonly receivedAt: string
  readonly sequence: number
  readonly jobs: readonly JobState[]
  /** Lots that ever went into it, in their order: of attempts that were given up too. */
  readonly lots: readonly string[]
  /** It came from another lab: the events up to this one are theirs. */
  readonly imported?: { readonly sequence: number; readonly lab?: string }
  /** It was delivered before and came back: from which case, why, what was found. */
  readonly cameBack?: {
    readonly caseId: string
    readonly docket: string
    readonly cause: ReturnCause
    readonly found: string
  }
  /** Delivered and came back: the case in which it goes on. */
  readonly cameBackAs?: { readonly caseId: string; readonly docket: string }
  readonly held?: { readonly reason: string; readonly since: string }
  readonly ended?: { readonly reason: string; readonly at: string }
}
