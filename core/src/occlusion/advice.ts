import type { Source } from '../materials/index.ts'
import type { Articulator } from '../mounting/index.ts'
import type { Saying } from '../quantity/index.ts'
import type { Place, Slope } from './regions.ts'
import type { PaperMark, RemountPhase, RemountSituation } from './remount-data.ts'

export type RemountAction =
  | 'reseat'
  | 'clearFlash'
  | 'relieveBase'
  | 'askDentist'
  | 'checkMark'
  | 'mark'
  | 'countStops'
  | 'grind'
  | 'keep'
  | 'leave'
  | 'finish'

/** What is to be done next, and why. */
export interface RemountAdvice {
  readonly action: RemountAction
  readonly phase: RemountPhase
  /** Which of the marks it is about. */
  readonly mark?: number
  /** What is ground, or asked about. */
  readonly at?: Place & { readonly slope?: Slope }
  /** The partner that was assumed, where only one side was marked. */
  readonly assumed?: Place
  readonly say: Saying
  readonly reason: Saying
  readonly rule?: string
  readonly source: Source
  /** What stays as it is. */
  readonly keep: readonly Place[]
  /** The whole opening at this tooth, what is taken now, and rounds to expect; in centric. */
  readonly totalMillimetres?: number
  readonly roundMillimetres?: number
  readonly rounds?: number
  readonly afterwards: Saying
  /** Marks of other bites: they wait for theirs. */
  readonly noted: readonly number[]
}

/** What a remount is judged on. */
export interface Remount {
  readonly situation: RemountSituation
  readonly marks: readonly PaperMark[]
  readonly articulator: Articulator
  /** Teeth in front of the hinge axis by ruler, by their place in the arch, mm. */
  readonly toothFromAxisMillimetres?: Readonly<Record<number, number>>
}

/** An answer, before it is known what it is an answer to. */
export type Found = Omit<RemountAdvice, 'phase' | 'noted' | 'keep'> & { readonly keep?: readonly Place[] }
