import { joined, qty, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { type Check, mustHaveTeeth, type RouteStep, takeReading, teethOf } from '../route/index.ts'
import { checkSheet } from '../sheet/index.ts'
import { instantMillis, inUtc } from '../time/index.ts'
import type { CaseCommand, CommandContext, CommandOf } from './case-command.ts'
import type { CaseEventData } from './case-event.ts'
import { isDelivered } from './case-state.ts'
import { causeFound } from './cause-found.ts'
import { mustBeComplete } from './complete.ts'
import { checkedMix, correct } from './correct.ts'
import { checkedImpressions } from './impressions.ts'
import { judgedIn, stepOf } from './job.ts'
import type { WorkAuthorisation } from './payloads.ts'
import { whyNotLeftOut } from './planned.ts'
import { beforeFinish, beforeStart, mustHaveMet, realTime, startOf } from './real-time.ts'
import { refuse, sentence } from './refuse.ts'
import type { CaseState, JobState } from './state.ts'
import { isSettled, mayMove, type StepState } from './step-state.ts'
import { stepWindow } from './step-window.ts'
import { swapVariant } from './swap-variant.ts'
import { windowVerdict } from './window-verdict.ts'
import { mustBeWithdrawable } from './withdraw.ts'

/**
 * Judges a command against the state of a case: the event it leads to, or a refusal that says what to do.
 * @throws {DomainError} with a stable code
 */
export function decide(state: CaseState, command: CaseCommand, context: CommandContext): CaseEventData {
  // The end of a case may itself be a slip, and why it went back is often found later.
  if (state.ended && command.type !== 'withdraw' && command.type !== 'findCause')
    refuse(
      'case-ended',
      `The case ended: ${state.ended.reason}`,
      'Take it in again as a new case if work goes on.',
    )
  switch (command.type) {
    case 'note':
      return { ...command, type: 'noted', text: sentence(command.text, 'text', 'the note') }
    case 'hold':
      if (state.held) refuse('already-held', 'The case is on hold already.', 'Release it first.')
      return { type: 'held', reason: sentence(command.reason, 'reason', 'why it is held') }
    case 'release':
      if (!state.held) refuse('not-held', 'The case is not on hold.', 'Go on with the current step.')
      return { type: 'released' }
    case 'correct':
      return correct(state, command)
    case 'withdraw':
      return {
        type: 'withdrawn',
        withdraws: mustBeWithdrawable(state, context.events ?? [], command.withdraws),
        reason: sentence(command.reason, 'reason', 'why it is withdrawn'),
      }
    case 'findCause':
      return causeFound(state, command, context.events ?? [])
    case 'promise': {
      const { dueAt } = command
      instantMillis(dueAt, 'dueAt')
      return { ...command, dueAt: inUtc(dueAt), type: 'promised' }
    }
    case 'amend':
      return {
        type: 'authorisationAmended',
        changes: checkedChanges(state, command.changes, context.templates),
        reason: sentence(command.reason, 'reason', 'why it is changed'),
      }
    default:
      return decideOnJob(state, command, context)
  }
}

/** What is changed on the work authorisation: at least one entry, none taken away, its dates as instants in UTC. */
function checkedChanges(
  state: CaseState,
  changes: Partial<WorkAuthorisation>,
  templates: CommandContext['templates'],
): Partial<WorkAuthorisation> {
  const entries = Object.entries(changes)
  if (entries.length === 0)
    refuse('nothing-changed', 'Nothing was changed.', 'Change at least one entry.', 'changes')
  const [empty] = entries.find(([, value]) => value === null || value === undefined) ?? []
  if (empty)
    refuse('entry-missing', `"${empty}" was left without a value.`, 'Enter it, or leave it as it was.', empty)
  const { dueAt, tryInAt, teeth } = changes
  if (dueAt !== undefined && instantMillis(dueAt, 'changes.dueAt') <= Date.parse(state.receivedAt))
    refuse(
      'due-before-receipt',
      'The case came in later than that.',
      'Enter the date the clinic wants it back.',
      'changes.dueAt',
    )
  for (const { route } of state.jobs) {
    const template = templates.get(route.templateId)
    if (template && teeth) mustHaveTeeth(template, teeth, 'changes.teeth')
  }
  return {
    ...changes,
    ...(dueAt === undefined ? {} : { dueAt: inUtc(dueAt) }),
    ...(tryInAt === undefined ? {} : { tryInAt: inUtc(tryInAt, 'changes.tryInAt') }),
  }
}

type JobCommand = Extract<CaseCommand, { readonly jobId: string }>

function decideOnJob(
  state: CaseState,
  command: Exclude<JobCommand, { type: 'note' | 'findCause' }>,
  context: CommandContext,
): CaseEventData {
  const job = state.jobs.find((j) => j.jobId === command.jobId)
  if (!job) refuse('no-such-job', `The case has no job ${command.jobId}.`, 'Reload the case.', 'jobId')
  if (command.type === 'dentistAnswered') return answer(job, command)
  if (command.type === 'askDentist') {
    if (job.question)
      refuse('already-asked', 'A question to the dentist is open already.', 'Enter the answer first.')
    if (isDelivered(state)) refuse('case-delivered', 'The case is delivered.', 'Take in a new case.')
    return {
      ...command,
      type: 'dentistAsked',
      question: sentence(command.question, 'question', 'the question'),
    }
  }
  if (state.held)
    refuse('case-held', `The case is on hold: ${state.held.reason}`, 'Release it before going on.')
  if (job.question)
    refuse(
      'dentist-asked',
      saying`The dentist has been asked: ${job.question.question}`,
      'Enter the answer before going on.',
    )
  switch (command.type) {
    case 'goBack':
      return goBack(job, command)
    case 'recordImpressions':
      return {
        type: 'impressionsRecorded',
        jobId: job.jobId,
        impressions: checkedImpressions(job.route, command.impressions, context.now),
      }
    case 'swapVariant':
      return swapVariant(job, command, context)
    default:
      return decideOnStep(job, command, context, state.authorisation)
  }
}

function decideOnStep(
  job: JobState,
  command: Extract<
    JobCommand,
    {
      type:
        | 'startStep'
        | 'finishStep'
        | 'skipStep'
        | 'pause'
        | 'resume'
        | 'recordCheck'
        | 'recordMix'
        | 'recordSheet'
    }
  >,
  { now }: CommandContext,
  order: WorkAuthorisation,
): CaseEventData {
  const state = job.steps[command.stepId]
  if (!state)
    refuse(
      'no-such-step',
      `The route has no step ${command.stepId}.`,
      'Reload the case; the route may have changed.',
      'stepId',
    )
  const step = stepOf(job, command.stepId)
  switch (command.type) {
    case 'startStep': {
      mustBeStartable(job, step, state)
      const real = realTime(command, now, beforeStart(job, step, state))
      return {
        ...command,
        type: 'stepStarted',
        ...real.entry,
        ...outOfTime(job, step, real.at, command.outOfTimeReason),
      }
    }
    case 'skipStep':
      mustBeStartable(job, step, state)
      if (!step.mayBeSkipped)
        refuse('step-not-skippable', `"${step.name}" cannot be left out.`, `Do it: ${step.why}`)
      mustNotBeWanted(job, step)
      return {
        ...command,
        type: 'stepSkipped',
        reason: sentence(command.reason, 'reason', 'why it is left out'),
      }
    case 'recordCheck': {
      mustBeRunning(step, state)
      const check = step.checks?.find((c) => c.id === command.checkId)
      if (!check)
        refuse(
          'no-such-check',
          `"${step.name}" has no check ${command.checkId}.`,
          'Reload the case.',
          'checkId',
        )
      mustBeOfTooth(check, command.tooth, order.teeth)
      const { entry } = realTime(command, now, startOf(state))
      return { ...command, type: 'checkRecorded', ...takeReading(check, command), ...entry }
    }
    case 'recordMix':
      mustBeRunning(step, state)
      mustHaveMet(command, now)
      return { ...command, ...checkedMix(step, command), type: 'mixRecorded' }
    case 'recordSheet': {
      mustBeRunning(step, state)
      const sheet = step.sheets?.find((each) => each.id === command.sheetId)
      if (!sheet)
        refuse(
          'no-such-sheet',
          `"${step.name}" has no sheet ${command.sheetId}.`,
          'Reload the case.',
          'sheetId',
        )
      checkSheet(sheet, command.sheet)
      return { ...command, type: 'sheetRecorded', judged: judgedIn(job, sheet, command.sheet) }
    }
    case 'pause':
      mustBeRunning(step, state)
      if (state.status === 'running' && state.pausedSince)
        refuse('paused-already', `"${step.name}" is paused already.`, 'Go on with it first.')
      return { ...command, type: 'paused' }
    case 'resume':
      if (!(state.status === 'running' && state.pausedSince))
        refuse('not-paused', `"${step.name}" is not paused.`, 'Go on with the current step.')
      return { ...command, type: 'resumed' }
    case 'finishStep': {
      mustBeRunning(step, state)
      mustBeComplete(job, step, state, order)
      const real = realTime(command, now, beforeFinish(state))
      return {
        ...command,
        type: 'stepFinished',
        ...real.entry,
        ...outOfTime(job, step, real.at, command.outOfTimeReason),
      }
    }
  }
}

function mustBeStartable(job: JobState, step: RouteStep, state: StepState): void {
  if (!mayMove(state, 'running'))
    refuse(
      'step-not-waiting',
      `"${step.name}" is ${statusWord[state.status]}.`,
      'Go back to it to do it again.',
    )
  const missing = step.after.find((id) => !isSettled(job.steps[id]))
  if (missing)
    refuse('step-not-yet', `"${step.name}" comes after "${stepOf(job, missing).name}".`, 'Finish that first.')
}

const statusWord = {
  waiting: 'not started',
  running: 'running already',
  done: 'done already',
  skipped: 'left out',
}

/** What a plan or a step before it wants is not left out. */
function mustNotBeWanted(job: JobState, step: RouteStep): void {
  const why = whyNotLeftOut(job, step)
  if (why !== undefined) refuse('step-wanted', why, `Do it: ${step.why}`)
}

function mustBeRunning(step: RouteStep, state: StepState): void {
  if (state.status !== 'running')
    refuse(
      'step-not-running',
      `"${step.name}" is ${statusWord[state.status]}.`,
      state.status === 'waiting' ? 'Start it first.' : 'Go back to it to do it again.',
    )
}

/** Outside its window a step is started or finished only with a reason, which goes on record. */
function outOfTime(
  job: JobState,
  step: RouteStep,
  now: number,
  reason: string | undefined,
): { outOfTimeReason?: string; outOfTime?: 'tooSoon' | 'tooLate' } {
  const window = stepWindow(job, step)
  const verdict = window && windowVerdict(window, now)
  const missed = verdict === 'past'
  if (!window || (verdict !== 'tooSoon' && !missed)) return {}
  const outOfTimeReason = reason?.trim()
  if (outOfTimeReason) return { outOfTimeReason, outOfTime: missed ? 'tooLate' : 'tooSoon' }
  if (missed)
    refuse(
      'window-missed',
      `The time to ${window.to} "${step.name}" is past. ${window.late}`,
      window.ifPast
        ? `${window.ifPast.say} Or give a reason to ${window.to} all the same.`
        : `Give a reason to ${window.to} all the same, or go back.`,
      'outOfTimeReason',
    )
  const minutes = Math.ceil((window.goodFrom - now) / 60_000)
  refuse(
    'too-soon',
    window.early
      ? saying`Too soon: ${qty.minutes(minutes)} to go. ${window.early}`
      : saying`Too soon: ${qty.minutes(minutes)} to go.`,
    `Wait, or give a reason to ${window.to} now.`,
    'outOfTimeReason',
  )
}

/** A check that is read tooth by tooth says at which; any other says none. */
function mustBeOfTooth(check: Check, tooth: number | undefined, teeth: readonly number[]): void {
  const wanted = teethOf(check, teeth)
  if (wanted.includes(tooth)) return
  const named = wanted.flatMap((each) => (each === undefined ? [] : [saying`${{ tooth: each }}`]))
  refuse(
    'not-read-there',
    tooth === undefined
      ? `"${check.name}" is read tooth by tooth.`
      : saying`"${check.name}" is not read at ${{ tooth }}.`,
    named.length > 0 ? saying`Say at which: ${joined(named)}.` : 'Enter it for the whole piece.',
    'tooth',
  )
}

function goBack(job: JobState, command: CommandOf<'goBack'>): CaseEventData {
  const target = job.steps[command.toStepId]
  if (!target)
    refuse('no-such-step', `The route has no step ${command.toStepId}.`, 'Reload the case.', 'toStepId')
  if (target.status === 'waiting')
    refuse(
      'step-not-begun',
      `"${stepOf(job, command.toStepId).name}" has not been begun.`,
      'Choose a step that was begun.',
      'toStepId',
    )
  return {
    ...command,
    type: 'wentBack',
    reason: sentence(command.reason, 'reason', 'why it goes back'),
    ...(command.awaits === undefined
      ? {}
      : { awaits: sentence(command.awaits, 'awaits', 'what must come first') }),
  }
}

function answer(job: JobState, command: CommandOf<'dentistAnswered'>): CaseEventData {
  if (!job.question) refuse('nothing-asked', 'No question to the dentist is open.', 'Ask first.')
  const text = sentence(command.answer, 'answer', 'what the dentist said')
  if (command.decision !== 'goBack' && command.decision !== 'remake')
    return { ...command, answer: text, toStepId: undefined }
  const target = command.toStepId === undefined ? undefined : job.steps[command.toStepId]
  if (!target || target.status === 'waiting')
    refuse('step-not-begun', 'Say to which step it goes back.', 'Choose a step that was begun.', 'toStepId')
  return { ...command, answer: text }
}

/** Whether the command would be taken as the case stands: the refusal, or undefined. */
export function refusalOf(
  state: CaseState,
  command: CaseCommand,
  context: CommandContext,
): DomainError | undefined {
  try {
    decide(state, command, context)
    return undefined
  } catch (error) {
    if (error instanceof DomainError) return error
    throw error
  }
}
