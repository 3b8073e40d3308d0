import {
  type CaseCommand,
  type CaseEvent,
  failingChecks,
  isDelivered,
  obey,
  openChecks,
  stepOf,
} from '../case/index.ts'
import { DomainError } from '../refusal/index.ts'
import type { RouteStep } from '../route/index.ts'
import { causesOf } from './causes/index.ts'
import { isBrokenCaution } from './cautions-broken.ts'
import type { Defect } from './defect.ts'
import { afterGoingBack, isThere, judgeEntry } from './judge-entry.ts'
import { ADJUST_MINUTES, CLINIC_MINUTES, levelRules, meansCards } from './levels.ts'
import { practiceHouse } from './practice-house.ts'
import { jobOf, looksAt, minuteOf, PRACTICE_JOB, type PracticeAct, type World } from './truth.ts'

const MINUTE = 60_000

/**
 * One act of the learner further. A command is judged by the engine of the case first: the world never bends a rule of the route.
 * @throws {DomainError} `practice-closed`, `level-locked`, `no-such-check`, `nothing-asked`; every refusal of the case engine
 */
export function act(world: World, doing: PracticeAct, by: string): World {
  if (world.closed)
    throw new DomainError(
      'practice-closed',
      'This practice case is over.',
      'Look back on it, or begin another one.',
    )
  switch (doing.act) {
    case 'command':
      return command(world, doing.command, by)
    case 'wait':
      return { ...world, now: world.now + Math.round(doing.minutes * MINUTE) }
    case 'look':
      return look(world, doing)
    case 'clinicAnswers':
      return clinicAnswers(world, by)
    case 'stop':
      return close(world, 'stopped')
  }
}

/** All of them, from the beginning. @throws {DomainError} as `act` */
export const playedOn = (world: World, acts: readonly PracticeAct[], by: string): World =>
  acts.reduce((so, doing) => act(so, doing, by), world)

function command(world: World, given: CaseCommand, by: string): World {
  mustBeOpenAtLevel(world, given)
  const minutes = handsFor(world, given)
  const now = world.now + minutes * MINUTE
  const working = obey(world.working, given, now, by, practiceHouse)
  const event = working.events.at(-1)!
  const after: World = { ...world, now, working, handsMinutes: world.handsMinutes + minutes }
  return seenable(follow(world, after, event))
}

/** What an event does to the truth. */
function follow(before: World, after: World, event: CaseEvent): World {
  const minute = minuteOf(after)
  const step = 'stepId' in event && event.stepId ? stepOf(jobOf(after), event.stepId) : undefined
  const broken = step && isBrokenCaution(step, event)
  const told = broken ? { ...after, broken: [...after.broken, { minute, say: broken }] } : after
  const next = withCauses(before, told, event, step)
  switch (event.type) {
    case 'stepStarted':
      return born(next, event.stepId)
    case 'stepSkipped':
      return { ...next, planned: next.planned.filter(({ bornStep }) => bornStep !== event.stepId) }
    case 'checkRecorded':
    case 'sheetRecorded': {
      const judged = judgeEntry(next, event)
      return judged.setRight
        ? {
            ...judged.world,
            now: judged.world.now + ADJUST_MINUTES * MINUTE,
            handsMinutes: judged.world.handsMinutes + ADJUST_MINUTES,
          }
        : judged.world
    }
    case 'wentBack':
    case 'dentistAnswered':
      return afterGoingBack(before, next)
    case 'stepFinished':
      return isDelivered(next.working.state) ? close(next, 'delivered') : next
    default:
      return next
  }
}

function withCauses(before: World, after: World, event: CaseEvent, step: RouteStep | undefined): World {
  const made = causesOf(before, after, event, step)
  if (made.length === 0) return after
  // What is done a second time while it still stands is the same slip.
  const standing = (each: Defect) => after.defects.some((defect) => defect.id === each.id && isThere(defect))
  return { ...after, defects: [...after.defects, ...made.filter((each) => !standing(each))] }
}

/** What was to go wrong in a step goes wrong as it is begun. */
function born(world: World, stepId: string): World {
  const now = world.planned.filter(({ bornStep }) => bornStep === stepId)
  if (now.length === 0) return world
  return {
    ...world,
    planned: world.planned.filter(({ bornStep }) => bornStep !== stepId),
    defects: [...world.defects, ...now.map((each) => ({ ...each, bornAt: minuteOf(world) }))],
  }
}

/** Marks what can be seen from now on: its step is begun. */
function seenable(world: World): World {
  const job = jobOf(world)
  const minute = minuteOf(world)
  let changed = false
  const defects = world.defects.map((defect) => {
    if (defect.seenFrom !== undefined || defect.state === 'mended') return defect
    const seenAt = defect.shows.find(({ stepId }) => job.steps[stepId]?.status === 'running')
    if (!seenAt) return defect
    changed = true
    return { ...defect, seenFrom: minute, seenAt }
  })
  return changed ? { ...world, defects } : world
}

/** Hands take their time: of a step that is worked when it is ended, of one that runs by itself before it is left. */
function handsFor({ working }: World, given: CaseCommand): number {
  if (given.type !== 'startStep' && given.type !== 'finishStep') return 0
  const job = working.state.jobs.find(({ jobId }) => jobId === given.jobId)
  const step = job?.route.steps.find(({ id }) => id === given.stepId)
  const state = step && job?.steps[step.id]
  if (!step || !state) return 0
  if (given.type === 'startStep') return step.kind === 'attended' ? 0 : step.handsOnMinutes
  return step.kind === 'attended' && state.status === 'running' ? step.handsOnMinutes : 0
}

/** In an exam nothing is looked at twice once it was passed, and nothing is taken back. */
function mustBeOpenAtLevel({ setup, working }: World, given: CaseCommand): void {
  if (levelRules[setup.level].again) return
  const takenBack = given.type === 'withdraw' || given.type === 'correct'
  const decided = given.type === 'recordCheck' && isPassed(working, given)
  if (takenBack || decided)
    throw new DomainError(
      'level-locked',
      takenBack ? 'In an exam nothing is taken back.' : 'In an exam nothing is judged twice.',
      'Go on; what you think of it now may be noted.',
    )
}

/** Whether a check is read as often as it wants, and its last reading passes. */
function isPassed(
  { state }: World['working'],
  { stepId, checkId, tooth }: Extract<CaseCommand, { type: 'recordCheck' }>,
): boolean {
  const job = state.jobs[0]!
  const step = job.route.steps.find(({ id }) => id === stepId)
  const stands = job.steps[stepId]
  if (!step || !stands) return false
  const open = openChecks(step, stands, state.authorisation.teeth)
  const failing = failingChecks(step, stands)
  return (
    stands.readings.some((each) => each.checkId === checkId && each.tooth === tooth) &&
    !open.some((each) => each.check.id === checkId && each.tooth === tooth) &&
    !failing.some((each) => each.check.id === checkId && each.reading.tooth === tooth)
  )
}

function look(world: World, { stepId, checkId, tooth, means }: Extract<PracticeAct, { act: 'look' }>): World {
  const job = jobOf(world)
  const state = job.steps[stepId]
  const check = job.route.steps.find(({ id }) => id === stepId)?.checks?.find(({ id }) => id === checkId)
  if (!check || state?.status !== 'running')
    throw new DomainError(
      'no-such-check',
      'There is nothing to look at there now.',
      'Look at the step in hand.',
    )
  const on = { stepId, checkId, ...(tooth === undefined ? {} : { tooth }), attempt: state.attempt, means }
  const again = looksAt(world, on).some((each) => each.means === means)
  // The same look shows the same, and nobody needs to take it twice.
  if (again) return world
  const { minutes } = meansCards[means]
  return {
    ...world,
    now: world.now + minutes * MINUTE,
    handsMinutes: world.handsMinutes + minutes,
    looks: [...world.looks, on],
  }
}

/** The clinic answers: what came wrong is sent anew, what was lost in the lab is made again, anything else goes on. */
function clinicAnswers(world: World, by: string): World {
  const job = jobOf(world)
  if (!job.question)
    throw new DomainError('nothing-asked', 'No question to the dentist is open.', 'Ask first.')
  const asked = world.defects.filter(
    (each) => each.state === 'found' && each.shows.some(({ outcome }) => outcome.verdict === 'askDentist'),
  )
  const lost = asked.find(({ bornBy }) => bornBy !== 'arrived')
  const mayGoTo = lost && job.steps[lost.bornStep]?.status !== 'waiting' ? lost.bornStep : undefined
  const sends = asked.length > 0 && !mayGoTo
  // A remake that waits for something new from the mouth.
  const sentAnew = job.question.checkId === undefined && world.wentBackRightly === true
  const minutes = sends || job.question.checkId === undefined ? CLINIC_MINUTES.sends : CLINIC_MINUTES.answer
  const later = {
    ...world,
    now: world.now + minutes * MINUTE,
    excusedMinutes: world.excusedMinutes + (asked.length > 0 || sentAnew ? minutes : 0),
  }
  const answered = command(
    later,
    {
      type: 'dentistAnswered',
      jobId: PRACTICE_JOB,
      ...(mayGoTo
        ? { decision: 'remake', toStepId: mayGoTo, answer: 'Please make it again.' }
        : sends
          ? { decision: 'proceed', answer: 'You are right; a new one comes with this. Go on with it.' }
          : { decision: 'proceed', answer: 'It may stay so. Please go on.' }),
    },
    by,
  )
  const mended = new Set((sends ? asked : []).map(({ id }) => id))
  return {
    ...answered,
    defects: answered.defects.map((each) =>
      mended.has(each.id) && each.state === 'found'
        ? { ...each, state: 'mended' as const, costMinutes: (each.costMinutes ?? 0) + minutes }
        : each,
    ),
  }
}

/** What is still wrong leaves with the work. */
function close(world: World, how: NonNullable<World['closed']>): World {
  const state = how === 'delivered' ? ('delivered' as const) : undefined
  return {
    ...world,
    closed: how,
    defects: world.defects.map((each) => (state && isThere(each) ? { ...each, state } : each)),
  }
}
