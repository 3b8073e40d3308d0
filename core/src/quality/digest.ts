import type { CaseMark, CauseHow, ReturnCause } from '../case/index.ts'
import type { QuantityKind } from '../quantity/index.ts'

/** Goes up whenever a digest gains or changes something, so that kept ones are made again. */
export const DIGEST_VERSION = 2

/** Where the time of a job goes: each minute is exactly one of them. */
export const flowParts = ['held', 'dentist', 'clinic', 'hands', 'byItself', 'queue', 'closed'] as const
export type FlowPart = (typeof flowParts)[number]

/** From, until; ms since 1970. */
export type Span = readonly [from: number, until: number]

/** A step of a job, opened once. */
export interface AttemptDigest {
  readonly step: string
  readonly attempt: number
  readonly state: 'running' | 'done' | 'skipped'
  readonly from?: number
  readonly until?: number
  readonly by?: string
  /** Of steps with hands on them: when somebody was at it, without holds, questions and pauses. */
  readonly hands?: readonly Span[]
  /** What a machine ran of it, min. */
  readonly machineMinutes?: number
  readonly grams?: number
  /** The going back that threw it away, by its sequence. */
  readonly thrownBy?: number
  /** A reading that counted, or the first entry of a sheet, did not pass. */
  readonly failed?: true
}

/** A job that was sent back to one of its steps. */
export interface BackDigest {
  readonly sequence: number
  readonly at: number
  readonly to: string
  /** The step that was running last; undefined: none was. */
  readonly foundAt?: string
  readonly side: 'lab' | 'clinic'
  readonly remake: boolean
  readonly reason: string
  /** Until everything that was settled stands again, min; what later goings back took is theirs. */
  readonly clockMinutes: number
  /** It is not made good yet. */
  readonly open?: true
  readonly place?: string
  readonly fault?: string
  readonly cause?: string
  readonly said?: string
  readonly how?: CauseHow
  /** Where the cause stood on the fault finder's list; 0: not on it. */
  readonly rank?: number
}

/** A value that was measured. */
export interface ValueDigest {
  readonly at: number
  readonly sequence: number
  readonly value: number
  /** Not the first reading of a first attempt: shown hollow, in no limit. */
  readonly repeat?: true
  /** Of the lot that the step was mixed from last. */
  readonly lot?: string
}
/** One series of a job: a check, the ratio of a mix, the peak of a cure. */
export interface SeriesDigest {
  /** The same in every job whose values belong together. */
  readonly key: string
  readonly step: string
  readonly name: string
  readonly quantity: QuantityKind
  readonly min?: number
  readonly max?: number
  /** Nothing can be read below, or above. */
  readonly least?: number
  readonly most?: number
  /** Worked out by a model, not read. */
  readonly computed?: true
  readonly values: readonly ValueDigest[]
}

export interface JobDigest {
  readonly jobId: string
  readonly template: string
  readonly choices: Readonly<Record<string, string>>
  readonly deliveredAt?: number
  readonly attempts: readonly AttemptDigest[]
  readonly backs: readonly BackDigest[]
  readonly series: readonly SeriesDigest[]
  /** What went into its first attempts: a lot by its id, a product or a machine as the lab calls it. */
  readonly used: readonly {
    readonly kind: 'lot' | 'product' | 'machine'
    /** The material, or the kind of sheet. */
    readonly of: string
    readonly name: string
  }[]
  readonly flow: Readonly<Record<FlowPart, number>>
  /** Sheets from before verdicts were kept, and checks of steps that were skipped. */
  readonly notRecorded: number
}

/** What quality needs of a case, worked out once for its record. */
export interface CaseDigest {
  readonly caseId: string
  readonly docket: string
  readonly clinic: string
  readonly mark?: CaseMark
  /** The lab's clock ran faster than time. */
  readonly fast?: true
  /** What stands before was done in another lab. */
  readonly elsewhere?: true
  readonly receivedAt: number
  /** The last due time that was agreed before the one before it had passed. */
  readonly dueAt: number
  readonly deliveredAt?: number
  readonly endedAt?: number
  readonly heldNow?: true
  readonly returnOf?: { readonly docket: string; readonly cause: ReturnCause }
  /** The first promise of its due date. */
  readonly promise?: { readonly dueAt: number; readonly chance: number }
  /** Entries that were corrected or withdrawn. */
  readonly slips: number
  readonly jobs: readonly JobDigest[]
  /** When its last event was: up to then it is digested. */
  readonly until: number
}
