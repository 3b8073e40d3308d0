import type { Right } from '../rights/index.ts'
import { impressionsShape, recordedMix } from '../route/index.ts'
import {
  changesOf,
  choice,
  figure,
  id,
  instant,
  list,
  maybe,
  type Of,
  record,
  text,
  whole,
  words,
  yesNo,
} from '../shape/index.ts'
import { judgedShape, sheetDataShape } from '../sheet/index.ts'
import { fdiInUniversalOrder } from '../teeth/index.ts'

/** What the work authorisation says. The patient is a code, never a name. */
export const authorisationShape = record({
  clinic: text(120, { example: 'Mill Lane' }),
  prescriber: text(120, { example: 'Dr. Orla' }),
  patientCode: text(40, { example: 'P-0417', description: 'A code, never a name' }),
  patientAge: maybe(whole(0, 130, { example: 67 })),
  wanted: text(2000, { example: 'Upper complete denture' }),
  /** ISO 3950 numbers. */
  teeth: list(choice(fdiInUniversalOrder), 32, 0, { example: [11, 21] }),
  materials: maybe(words(500)),
  shade: maybe(words(80)),
  dueAt: instant({ example: '2026-12-03T11:00:00.000Z' }),
  tryInAt: maybe(instant()),
  /** What came along: trays, bites, casts, screws, parts. All of it must go back or be used. */
  enclosures: list(words(200), 50),
  notes: maybe(words(4000)),
})
export type WorkAuthorisation = Of<typeof authorisationShape>
const authorisationChangesShape = changesOf(authorisationShape)

const onStep = { jobId: id('job-1'), stepId: id('pour-anatomy') }
const reason = words()
const outOfTimeReason = maybe(words())
/** On which side of its window it was; in former records it is not said. */
const outOfTime = maybe(choice(['tooSoon', 'tooLate']))
/** When it really was, where it was not tapped in time: never later than it is entered, never before what it depends on. */
const realAt = maybe(instant())
const reading = { value: maybe(figure(-1e6, 1e6)), answer: maybe(words()) }

export const causeHow = ['measured', 'seen', 'assumed'] as const
export type CauseHow = (typeof causeHow)[number]
/** Why a job went back: what was seen, by the fault finder's list, and what caused it. */
export const causeFoundShape = record({
  jobId: id('job-1'),
  /** The sequence of the going back, or of the dentist's answer that sent it back. */
  wentBack: whole(2, 1e6),
  /** Where the fault was seen, and what it was, where the fault finder knows it. */
  place: maybe(text(80)),
  fault: maybe(text(120)),
  /** The name of a cause on the list; `other` with words, or `notFound`. */
  cause: text(120),
  said: maybe(words()),
  /** Of one that was not found it says nothing. */
  how: maybe(choice(causeHow)),
})
export type CauseFound = Of<typeof causeFoundShape>

/**
 * What a person asks of a case, and the fact that it becomes: the same parts. `becomes` names the event; `adds` what the case
 * itself puts to it; `right` who may, where that is not everybody at the bench.
 */
export const deeds = {
  startStep: {
    becomes: 'stepStarted',
    payload: record({ ...onStep, outOfTimeReason, realAt }),
    adds: record({ outOfTime }),
  },
  finishStep: {
    becomes: 'stepFinished',
    payload: record({ ...onStep, outOfTimeReason, realAt }),
    adds: record({ outOfTime }),
  },
  skipStep: { becomes: 'stepSkipped', right: 'decide', payload: record({ ...onStep, reason }) },
  recordCheck: {
    becomes: 'checkRecorded',
    payload: record({
      ...onStep,
      checkId: id(),
      tooth: maybe(choice(fdiInUniversalOrder)),
      ...reading,
      realAt,
    }),
  },
  recordMix: { becomes: 'mixRecorded', payload: record({ ...onStep, ...recordedMix }) },
  recordSheet: {
    becomes: 'sheetRecorded',
    payload: record({ ...onStep, sheetId: id('parts-list'), sheet: sheetDataShape }),
    /** What it came to when it was recorded; in former records it is not said. */
    adds: record({ judged: maybe(judgedShape) }),
  },
  recordImpressions: {
    becomes: 'impressionsRecorded',
    payload: record({ jobId: id('job-1'), impressions: impressionsShape }),
  },
  goBack: {
    becomes: 'wentBack',
    payload: record({
      jobId: id(),
      toStepId: id(),
      remake: yesNo(),
      reason,
      /** What must come from the clinic before it begins again, as a question to it. */
      awaits: maybe(words()),
    }),
  },
  correct: {
    becomes: 'corrected',
    payload: record({
      /** The sequence of the event that was wrong. It stays on record. */
      corrects: whole(1, 1e6),
      ...reading,
      powderGrams: maybe(figure(-100_000, 100_000)),
      liquidMillilitres: maybe(figure(-100_000, 100_000)),
      roomCelsius: recordedMix.roomCelsius,
      /** Of a mix: out of which it really came. */
      lots: maybe(recordedMix.lots),
      /** Of a sheet: as it should have been filled in. */
      sheet: maybe(sheetDataShape),
      reason,
    }),
    adds: record({ judged: maybe(judgedShape) }),
  },
  /** A slip: what it says never held. It stays on record, marked. */
  withdraw: { becomes: 'withdrawn', payload: record({ withdraws: whole(2, 1e6), reason }) },
  note: {
    becomes: 'noted',
    payload: record({ jobId: maybe(id()), stepId: maybe(id()), text: words() }),
  },
  swapVariant: {
    becomes: 'variantSwapped',
    right: 'decide',
    payload: record({ jobId: id(), matter: id(), choice: id(), reason }),
    adds: record({ routeId: id() }),
  },
  /** Called away from a running step; ended by `resume`, or by the next entry on the step. */
  pause: { becomes: 'paused', payload: record({ ...onStep, reason: maybe(words()) }) },
  resume: { becomes: 'resumed', payload: record({ ...onStep }) },
  /** Why it went back, once somebody knows; the last one said of a going back counts. */
  findCause: { becomes: 'causeFound', payload: causeFoundShape },
  /** The chance that the plan gave of its due date, when the date was promised. */
  promise: {
    becomes: 'promised',
    payload: record({ dueAt: instant(), chance: figure(0, 1, { example: 0.9 }) }),
  },
  hold: { becomes: 'held', payload: record({ reason }) },
  release: { becomes: 'released', right: 'decide', payload: record({}) },
  askDentist: {
    becomes: 'dentistAsked',
    payload: record({ jobId: id(), stepId: maybe(id()), question: words() }),
  },
  dentistAnswered: {
    becomes: 'dentistAnswered',
    right: 'decide',
    payload: record({
      jobId: id(),
      answer: words(),
      decision: choice(['proceed', 'goBack', 'remake', 'end']),
      toStepId: maybe(id()),
    }),
  },
  amend: {
    becomes: 'authorisationAmended',
    right: 'decide',
    payload: record({ changes: authorisationChangesShape, reason }),
  },
} as const
export type Deeds = typeof deeds

/** What somebody must be allowed to do for a command. */
export function rightOfCommand(command: {
  readonly type: keyof Deeds
  readonly ratioReason?: string
}): Right {
  const deed = deeds[command.type]
  // Whoever goes on with a mix outside its range decides something.
  if (command.ratioReason !== undefined) return 'decide'
  return 'right' in deed ? deed.right : 'work'
}
