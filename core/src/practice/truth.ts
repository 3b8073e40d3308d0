import type { WorkingCase } from '../case/index.ts'
import { type CaseCommand, commandShape } from '../case/index.ts'
import type { Saying } from '../quantity/index.ts'
import {
  byTag,
  choice,
  figure,
  id,
  maybe,
  named,
  type Of,
  record,
  text,
  typedAs,
  whole,
} from '../shape/index.ts'
import { fdiInUniversalOrder } from '../teeth/index.ts'
import type { Defect } from './defect.ts'
import { levels, means } from './levels.ts'

/** The rules by which truths are made: a sheet says it, so that a class gets the same case. */
export const PRACTICE_VERSION = 1
/** Seeds are short, so that one can be read out. */
export const LARGEST_SEED = 999_999

/** What a practice case is made from. */
export const practiceSetupShape = record({
  templateId: id('study-cast'),
  choices: named(text(80), 60, { example: { arch: 'upper' } }),
  level: choice(levels),
  seed: whole(0, LARGEST_SEED, { example: 412 }),
  /** Kinds of faults that come first, the dearest to practise foremost. */
  focus: maybe(typedAs<readonly string[]>({ type: 'array', items: text(200), maxItems: 50 })),
})
export type PracticeSetup = Of<typeof practiceSetupShape>

const at = { stepId: id('separate'), checkId: id('teeth-whole'), tooth: maybe(choice(fdiInUniversalOrder)) }

/** What a learner does: works on the case, looks closer, lets time pass. */
export const practiceActShape = byTag('act', {
  command: record({ command: typedAs<CaseCommand>(commandShape) }),
  look: record({ ...at, means: choice(means) }),
  wait: record({ minutes: figure(0.5, 40_320, { example: 45 }) }),
  clinicAnswers: record({}),
  /** Looks back before the work is delivered. */
  stop: record({}),
})
export type PracticeAct = Of<typeof practiceActShape>

/** A look that was taken. */
export interface Looked {
  readonly stepId: string
  readonly checkId: string
  readonly tooth?: number
  readonly attempt: number
  readonly means: (typeof means)[number]
}

/** What an entry of the learner was against the truth. */
export interface Decision {
  readonly stepId: string
  readonly checkId: string
  readonly tooth?: number
  readonly attempt: number
  readonly minute: number
  readonly was: 'found' | 'weak' | 'missed' | 'falseAlarm' | 'rightPass'
  readonly defects: readonly string[]
}

/** A practice case whole: the case as the engine has it, and the truth that it hides. */
export interface World {
  readonly setup: PracticeSetup
  /** ms since 1970. */
  readonly beganAt: number
  readonly now: number
  readonly working: WorkingCase
  /** Of steps that are not done yet; each becomes true when its step is begun. */
  readonly planned: readonly Defect[]
  readonly defects: readonly Defect[]
  readonly looks: readonly Looked[]
  readonly decisions: readonly Decision[]
  readonly handsMinutes: number
  /** Spent on waiting for what the clinic had to send anew: nobody here could help that. */
  readonly excusedMinutes: number
  /** The last going back dealt with something that was really there. */
  readonly wentBackRightly?: boolean
  readonly broken: readonly { readonly minute: number; readonly say: Saying }[]
  readonly closed?: 'delivered' | 'stopped'
}

const MINUTE = 60_000
/** Minutes since the case began. */
export const minuteOf = ({ now, beganAt }: Pick<World, 'now' | 'beganAt'>): number => (now - beganAt) / MINUTE
/** The one job of a practice case. */
export const PRACTICE_JOB = 'job-1'
export const jobOf = ({ working }: Pick<World, 'working'>) => working.state.jobs[0]!

/** The looks that were taken at a place in one attempt. */
export const looksAt = (
  { looks }: Pick<World, 'looks'>,
  { stepId, checkId, tooth, attempt }: Pick<Looked, 'stepId' | 'checkId' | 'tooth' | 'attempt'>,
): readonly Looked[] =>
  looks.filter(
    (each) =>
      each.stepId === stepId && each.checkId === checkId && each.tooth === tooth && each.attempt === attempt,
  )
