import type { SheetData } from './step-sheet.ts'

/**
 * The events of a case: immutable facts, in order. The state of a case is computed from them and from nothing else.
 * `at` is ISO 8601 in UTC; `by` is the first name of the person who did it.
 */
export interface EventStamp {
  /** 1, 2, 3 ... without a gap. */
  readonly sequence: number
  readonly at: string
  readonly by: string
}

/** What the work authorisation says. The patient is a code, never a name. */
export interface WorkAuthorisation {
  readonly clinic: string
  readonly prescriber: string
  readonly patientCode: string
  readonly patientAge?: number
  readonly wanted: string
  /** ISO 3950 numbers. */
  readonly teeth: readonly number[]
  readonly materials?: string
  readonly shade?: string
  /** ISO 8601 instants. */
  readonly dueAt: string
  readonly tryInAt?: string
  /** What came along: trays, bites, casts, screws, parts. All of it must go back or be used. */
  readonly enclosures: readonly string[]
  readonly notes?: string
}

export interface ReceivedJob {
  readonly jobId: string
  /** Names the immutable copy of the route. */
  readonly routeId: string
}

/** Of a mix: grams and millilitres when weighed, parts when counted. */
export interface RecordedMix {
  readonly amountId: string
  readonly materialId: string
  readonly powderGrams?: number
  readonly liquidMillilitres?: number
  readonly powderParts?: number
  readonly liquidParts?: number
  readonly lots: readonly string[]
  /** The lab's product, by the name it had then. */
  readonly product?: string
  /** When powder met liquid, ISO 8601; none: when it was recorded. */
  readonly metAt?: string
  /** Taken settled from the balance, given by the dispenser; by hand when not said. */
  readonly powderFrom?: 'balance' | 'hand'
  readonly liquidFrom?: 'dispenser' | 'hand'
}

interface OnStep {
  readonly jobId: string
  readonly stepId: string
}

export type DentistDecision = 'proceed' | 'goBack' | 'remake' | 'end'

export type CaseEventData =
  | {
      readonly type: 'caseReceived'
      readonly docket: string
      readonly authorisation: WorkAuthorisation
      readonly jobs: readonly ReceivedJob[]
    }
  | {
      readonly type: 'authorisationAmended'
      readonly changes: Partial<WorkAuthorisation>
      readonly reason: string
    }
  | (OnStep & { readonly type: 'stepStarted'; readonly outOfTimeReason?: string })
  | (OnStep & { readonly type: 'stepFinished'; readonly outOfTimeReason?: string })
  | (OnStep & { readonly type: 'stepSkipped'; readonly reason: string })
  | (OnStep & {
      readonly type: 'checkRecorded'
      readonly checkId: string
      readonly value?: number
      readonly answer?: string
    })
  | (OnStep & RecordedMix & { readonly type: 'mixRecorded' })
  | (OnStep & { readonly type: 'sheetRecorded'; readonly sheetId: string; readonly sheet: SheetData })
  | {
      readonly type: 'wentBack'
      readonly jobId: string
      readonly toStepId: string
      readonly remake: boolean
      readonly reason: string
    }
  | {
      readonly type: 'corrected'
      /** The sequence of the event that was wrong. It stays on record. */
      readonly corrects: number
      readonly value?: number
      readonly answer?: string
      readonly powderGrams?: number
      readonly liquidMillilitres?: number
      readonly reason: string
    }
  | { readonly type: 'noted'; readonly jobId?: string; readonly stepId?: string; readonly text: string }
  | {
      readonly type: 'variantSwapped'
      readonly jobId: string
      readonly matter: string
      readonly choice: string
      readonly routeId: string
      readonly reason: string
    }
  | { readonly type: 'held'; readonly reason: string }
  | { readonly type: 'released' }
  | {
      readonly type: 'dentistAsked'
      readonly jobId: string
      readonly stepId?: string
      readonly question: string
    }
  | {
      readonly type: 'dentistAnswered'
      readonly jobId: string
      readonly answer: string
      readonly decision: DentistDecision
      readonly toStepId?: string
    }

export type CaseEvent = EventStamp & CaseEventData
