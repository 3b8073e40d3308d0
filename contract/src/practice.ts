import {
  choice,
  type Debrief,
  type DrillId,
  type DrillResult,
  drillAnswerShape,
  id,
  LARGEST_SEED,
  type Level,
  list,
  type MetKind,
  maybe,
  named,
  practiceActShape,
  practiceLevels,
  record,
  type Saying,
  type Seen,
  type Sensitivity,
  text,
  whole,
  yesNo,
} from '@yentrik/core'
import type { CaseRecord } from './cases.ts'
import { result, results, route } from './route.ts'

/** A practice case in short. */
export interface PracticeShort {
  readonly practiceId: string
  readonly docket: string
  readonly templateId: string
  readonly jobName: string
  readonly level: Level
  readonly seed: number
  readonly person: string
  readonly begunAt: number
  readonly closed: 'delivered' | 'stopped' | null
  /** Once it is over. */
  readonly total?: number
}
/** What one met of a kind of fault, by the words of its check. */
export interface MetShown extends MetKind {
  readonly named: string
}
/** A learner's own practice. */
export interface PracticeRoom {
  readonly cases: readonly PracticeShort[]
  readonly met: readonly MetShown[]
  /** Over all cases that are over. */
  readonly counts: {
    readonly found: number
    readonly defects: number
    readonly falseAlarms: number
    readonly cleanLooks: number
  }
  /** Left out with fewer than five defects or clean looks. */
  readonly sensitivity?: Sensitivity
}

/** How a practice case stands: what came on its record, and what can be seen of it. Nothing of its truth. */
export interface PracticeStanding {
  readonly practiceId: string
  /** Acts so far: whoever acts says how many were seen. */
  readonly acts: number
  /** Its own clock, ms since 1970: it stands still until the learner works or lets time pass. */
  readonly now: number
  readonly handsMinutes: number
  readonly seen: readonly Seen[]
  readonly hint?: Saying
  readonly closed: 'delivered' | 'stopped' | null
}
/** What came on the record by an act, and how it stands after it. */
export interface PracticeStep extends PracticeStanding {
  readonly record: CaseRecord
}
/** A practice case as it is opened. */
export interface PracticeCase extends PracticeStep {
  readonly short: PracticeShort
  /** Of the rules by which truths are made. */
  readonly version: number
}

/** Looked back on. */
export interface PracticeDebrief {
  readonly short: PracticeShort
  readonly version: number
  readonly debrief: Debrief
  readonly signed?: { readonly by: string; readonly at: string }
}

/** The largest number of acts of one request: a hand does one after the other. */
const MOST_ACTS_AT_ONCE = 50

/** How somebody stands at a drill: the best of the last five, with how many there were. */
export interface DrillStanding {
  readonly drill: DrillId
  readonly best: number
  readonly last: number
  /** Of those that count: at most five. */
  readonly n: number
}
export interface DrillDone {
  readonly result: DrillResult
  readonly standing: DrillStanding
}

export const practiceRoutes = {
  'GET /drills': route({
    room: 'practice',
    summary: 'How one stands at each drill: the best of the last five',
    answer: results<DrillStanding>('A drill, and the best of the last five'),
  }),
  'POST /drills': route({
    room: 'practice',
    right: 'work',
    summary: 'An answer to the task of a seed; the core says what it is worth',
    body: record({ seed: whole(0, LARGEST_SEED), answer: drillAnswerShape }),
    answer: result<DrillDone>('What it came to, and how one stands'),
  }),
  'GET /practice': route({
    room: 'practice',
    summary: 'What one has practised, and what one misses',
    answer: result<PracticeRoom>('Own cases, the kinds of faults met, counts and sensitivity'),
  }),
  'POST /practice': route({
    room: 'practice',
    right: 'work',
    summary: 'Begin a practice case: a job, a level, a seed or what one misses most',
    body: record({
      templateId: id('study-cast'),
      choices: maybe(named(text(80), 60)),
      level: choice(practiceLevels),
      seed: maybe(whole(0, LARGEST_SEED)),
      /** Out of one's own record, what is missed most. */
      missedMost: maybe(yesNo()),
    }),
    answer: result<PracticeCase>('The case as it comes through the door'),
    status: 201,
  }),
  'GET /practice/:practiceId': route({
    room: 'practice',
    summary: 'A practice case: its record, and what can be seen of it',
    answer: result<PracticeCase>('A practice case without its truth'),
  }),
  'POST /practice/:practiceId/acts': route({
    room: 'practice',
    right: 'work',
    summary:
      'Work on a practice case, look closer, let time pass; 409 when another screen did something since',
    body: record({
      /** Acts seen so far. */
      seen: whole(0, 100_000),
      acts: list(practiceActShape, MOST_ACTS_AT_ONCE, 1),
    }),
    answer: result<PracticeStep>('What came on the record, and how it stands'),
  }),
  'GET /practice/:practiceId/debrief': route({
    room: 'practice',
    summary: 'What a practice case was, once it is over',
    answer: result<PracticeDebrief>('Every defect from its birth to its end'),
  }),
  'POST /practice/:practiceId/again': route({
    room: 'practice',
    right: 'work',
    summary: 'The same case again, from a step on: what was done before it, and the same truth',
    body: record({ stepId: id() }),
    answer: result<PracticeCase>('A new practice case with the same truth'),
    status: 201,
  }),
  'POST /practice/:practiceId/sign': route({
    room: 'practice',
    right: 'lead',
    summary: 'Sign the result of an exam',
    answer: result<PracticeDebrief>('The result, signed'),
  }),
}
