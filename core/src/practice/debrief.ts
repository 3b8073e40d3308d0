import { reopenedSteps, startedAt } from '../case/index.ts'
import { type Saying, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import type { Stage } from '../route/index.ts'
import type { Defect, Origin } from './defect.ts'
import { gravity } from './faults.ts'
import { ADJUST_MINUTES, type Means } from './levels.ts'
import { type Dealt, dealt, type Score, scoreOf, type Tally, tallyOf } from './score.ts'
import { sentenceOf } from './show.ts'
import { signsOf } from './signs/index.ts'
import { jobOf, minuteOf, type PracticeAct, type World } from './truth.ts'

/** One defect on the rail of the debrief; minutes from the beginning of the case. */
export interface DebriefBar {
  readonly id: string
  readonly kind: string
  readonly named: string
  readonly bornBy: Origin
  readonly bornAt: number
  readonly bornStepId: string
  readonly bornStep: string
  readonly bornStage: Stage
  /** From where it is practised again: where it was made, of what arrived where it can be seen. */
  readonly again: { readonly stepId: string; readonly step: string }
  readonly size?: Saying
  readonly why: Saying
  readonly better?: Saying
  /** When, where and by what it could first have been seen; none: never by eye, or it never came so far. */
  readonly seen?: {
    readonly at: number
    readonly step: string
    readonly by: Means
    readonly sentence?: string
  }
  readonly found?: { readonly at: number; readonly step: string }
  readonly endsAt: number
  readonly end: 'found' | 'weak' | 'delivered' | 'gone' | 'open'
  /** What the clinic says of it, where it left with the work. */
  readonly comes?: Saying
  /** What it cost, or will when it comes back. */
  readonly costMinutes: number
}
/** One go at a step, as it stands on the rail. */
export interface DebriefStep {
  readonly stepId: string
  readonly name: string
  readonly stage: Stage
  readonly from: number
  readonly to: number
  readonly again: boolean
}
export interface Debrief {
  /** The dearest first. */
  readonly bars: readonly DebriefBar[]
  readonly steps: readonly DebriefStep[]
  readonly beganAt: number
  readonly minutes: number
  readonly tally: Tally
  readonly score: Score
  readonly broken: World['broken']
  /** Read within the limits of what is modelled. */
  readonly limits: string
}

const LIMITS =
  'Figures are of our models with our own choices; the skill of the hand is not in them. They train judgement, and are no exam of any authority.'

/**
 * What a practice case was, once it is over: every defect from its birth to its end, dearest first.
 * @throws {DomainError} `practice-open`: before the debrief nothing of the truth is told
 */
export function debriefOf(world: World): Debrief {
  if (!world.closed)
    throw new DomainError(
      'practice-open',
      'This practice case is not over.',
      'Deliver it, or stop it to look back.',
    )
  const tally = tallyOf(world)
  return {
    bars: world.defects.map((defect) => barOf(world, defect)).sort((a, b) => b.costMinutes - a.costMinutes),
    steps: stepsOf(world),
    beganAt: world.beganAt,
    minutes: minuteOf(world),
    tally,
    score: scoreOf(tally),
    broken: world.broken,
    limits: LIMITS,
  }
}

function barOf(world: World, defect: Defect): DebriefBar {
  const { steps } = jobOf(world).route
  const nameOf = (stepId: string) => steps.find(({ id }) => id === stepId)?.name ?? stepId
  const born = steps.find(({ id }) => id === defect.bornStep)
  const how = dealt(defect)
  const end = endOf(defect, how)
  const again = defect.bornBy === 'arrived' ? (defect.shows[0]?.stepId ?? defect.bornStep) : defect.bornStep
  const { seenAt, seenFrom, foundAt, foundIn, size, better } = defect
  return {
    id: defect.id,
    kind: defect.kind,
    named: defect.named,
    bornBy: defect.bornBy,
    bornAt: defect.bornAt ?? 0,
    bornStepId: defect.bornStep,
    bornStep: nameOf(defect.bornStep),
    bornStage: born?.stage ?? 'receive',
    again: { stepId: again, step: nameOf(again) },
    ...(size === undefined ? {} : { size }),
    why: defect.why,
    ...(better === undefined ? {} : { better }),
    ...(seenAt && seenFrom !== undefined
      ? {
          seen: {
            at: seenFrom,
            step: nameOf(seenAt.stepId),
            by: seenAt.by,
            ...(seenAt.answer === undefined
              ? {}
              : { sentence: sentenceOf({ id: seenAt.checkId }, seenAt.answer) }),
          },
        }
      : {}),
    ...(foundAt === undefined || foundIn === undefined
      ? {}
      : { found: { at: foundAt, step: nameOf(foundIn) } }),
    endsAt: foundAt ?? defect.goneAt ?? minuteOf(world),
    end,
    ...(end === 'delivered' ? { comes: comesBack(defect) } : {}),
    costMinutes: costOf(world, defect, end),
  }
}

function endOf({ state, shows }: Defect, how: Dealt): DebriefBar['end'] {
  if (state === 'delivered') return 'delivered'
  if (state === 'live' && shows.length > 0) return 'open'
  if (how === 'missed') return 'gone'
  return how
}

function comesBack({ shows, named }: Defect): Saying {
  for (const { checkId, answer } of [...shows].reverse()) {
    const comes = answer && signsOf(checkId)?.signs[answer]?.comes
    if (comes) return comes
  }
  return saying`The clinic sends it back: ${named.charAt(0).toLowerCase()}${named.slice(1)}.`
}

/** What was done again for it; of what left, what doing it again will take. */
function costOf(world: World, defect: Defect, end: DebriefBar['end']): number {
  if (defect.costMinutes !== undefined) return defect.costMinutes
  if (end === 'found' || end === 'weak') return ADJUST_MINUTES
  if (end === 'gone') return 0
  const job = jobOf(world)
  const worst = Math.max(0, ...defect.shows.map(({ outcome }) => gravity(outcome)))
  const born = job.route.steps.find(({ id }) => id === defect.bornStep)
  const again =
    worst > gravity({ verdict: 'adjust' })
      ? reopenedSteps(job.route, defect.bornStep, false)
      : born
        ? [born]
        : []
  return again.reduce((sum, step) => sum + step.handsOnMinutes + (step.waitMinutes ?? 0), 0) + ADJUST_MINUTES
}

/** Every go at every step that was begun, in the order of time. */
function stepsOf(world: World): readonly DebriefStep[] {
  const job = jobOf(world)
  const minute = (at: string) => (Date.parse(at) - world.beganAt) / 60_000
  return job.route.steps
    .flatMap((step) => {
      const state = job.steps[step.id]!
      return [...state.past, state].flatMap((attempt, index): readonly DebriefStep[] => {
        const from = startedAt(attempt)
        if (from === undefined) return []
        const to = 'finishedAt' in attempt ? minute(attempt.finishedAt) : minuteOf(world)
        return [
          { stepId: step.id, name: step.name, stage: step.stage, from: minute(from), to, again: index > 0 },
        ]
      })
    })
    .sort((a, b) => a.from - b.from)
}

/** What was done before a step was first begun: with the same beginning it is the same truth again. */
export function actsBefore(acts: readonly PracticeAct[], stepId: string): readonly PracticeAct[] {
  const first = acts.findIndex(
    (each) => each.act === 'command' && each.command.type === 'startStep' && each.command.stepId === stepId,
  )
  return acts.slice(0, Math.max(0, first))
}

/** Where something could be seen next, in words that say no more: for the guided level. */
export function hintOf(world: World): Saying | undefined {
  if (world.closed || world.setup.level !== 'guided') return undefined
  const job = jobOf(world)
  const open = (stepId: string) => ['waiting', 'running'].includes(job.steps[stepId]!.status)
  const places = [...world.planned, ...world.defects.filter(({ state }) => state === 'live')].flatMap(
    ({ shows }) => shows.filter(({ stepId }) => open(stepId)).slice(0, 1),
  )
  const next = job.route.steps.find(({ id }) => places.some(({ stepId }) => stepId === id))
  return next && saying`Look well at "${next.name}".`
}
