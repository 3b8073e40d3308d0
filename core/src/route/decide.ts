import { materials } from '../materials/index.ts'
import { DomainError } from '../refusal/index.ts'
import { buildRoute } from './build-route.ts'
import type { CaseCommand, CommandContext } from './case-command.ts'
import type { CaseEventData, RecordedMix } from './case-event.ts'
import {
  type CaseState,
  failingChecks,
  failingSheets,
  isDelivered,
  isSettled,
  type JobState,
  openChecks,
  type StepState,
  stepOf,
  stepsInHand,
} from './case-state.ts'
import type { Check, RouteStep } from './route-template.ts'
import { checkSheet } from './sheet-rules.ts'
import { stepWindow, windowVerdict } from './step-window.ts'

/**
 * Judges a command against the state of a case: the event it leads to, or a refusal that says what to do.
 * @throws {DomainError} with a stable code
 */
export function decide(state: CaseState, command: CaseCommand, context: CommandContext): CaseEventData {
  if (state.ended)
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
      if (!state.held) refuse('not-held', 'The case is not on hold.', 'Go on with the step in hand.')
      return { type: 'released' }
    case 'correct':
      return correct(state, command)
    case 'amend':
      if (Object.keys(command.changes).length === 0)
        refuse('nothing-changed', 'Nothing was changed.', 'Change at least one entry.', 'changes')
      return {
        type: 'authorisationAmended',
        changes: command.changes,
        reason: sentence(command.reason, 'reason', 'why it is changed'),
      }
    default:
      return decideOnJob(state, command, context)
  }
}

type JobCommand = Extract<CaseCommand, { readonly jobId: string }>

function decideOnJob(
  state: CaseState,
  command: Exclude<JobCommand, { type: 'note' }>,
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
      `The dentist has been asked: ${job.question.question}`,
      'Enter the answer before going on.',
    )
  switch (command.type) {
    case 'goBack':
      return goBack(job, command)
    case 'swapVariant':
      return swapVariant(job, command, context)
    default:
      return decideOnStep(job, command, context)
  }
}

function decideOnStep(
  job: JobState,
  command: Extract<
    JobCommand,
    { type: 'startStep' | 'finishStep' | 'skipStep' | 'recordCheck' | 'recordMix' | 'recordSheet' }
  >,
  { now }: CommandContext,
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
    case 'startStep':
      mustBeStartable(job, step, state)
      return { ...command, type: 'stepStarted', ...outOfTime(job, step, now, command.outOfTimeReason) }
    case 'skipStep':
      mustBeStartable(job, step, state)
      if (!step.mayBeSkipped)
        refuse('step-not-skippable', `"${step.name}" cannot be left out.`, `Do it: ${step.why}`)
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
      return { ...command, type: 'checkRecorded', ...checkedReading(check, command) }
    }
    case 'recordMix':
      mustBeRunning(step, state)
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
      return { ...command, type: 'sheetRecorded' }
    }
    case 'finishStep':
      mustBeRunning(step, state)
      mustBeComplete(job, step, state)
      return { ...command, type: 'stepFinished', ...outOfTime(job, step, now, command.outOfTimeReason) }
  }
}

function mustBeStartable(job: JobState, step: RouteStep, state: StepState): void {
  if (state.status !== 'waiting')
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

function mustBeRunning(step: RouteStep, state: StepState): void {
  if (state.status !== 'running')
    refuse(
      'step-not-running',
      `"${step.name}" is ${statusWord[state.status]}.`,
      state.status === 'waiting' ? 'Start it first.' : 'Go back to it to do it again.',
    )
}

function mustBeComplete(job: JobState, step: RouteStep, state: StepState): void {
  const unmixed = (step.amounts ?? []).find((a) => !state.mixes.some((m) => m.amountId === a.id))
  if (unmixed) {
    const name = materials.get(unmixed.materialId)?.name ?? unmixed.materialId
    refuse('mix-missing', `${name} is not recorded yet.`, 'Record what was used, then finish.', unmixed.id)
  }
  const open = openChecks(step, state)[0]
  if (open) refuse('check-missing', `The check "${open.name}" is still open.`, `${open.how}`, open.id)
  const unwritten = step.sheets?.find((each) => !state.sheets.some((s) => s.sheetId === each.id))
  if (unwritten)
    refuse('sheet-missing', `"${unwritten.name}" is not filled in yet.`, unwritten.how, unwritten.id)
  const wrong = failingSheets(step, job)[0]
  if (wrong && wrong.outcome.verdict !== 'pass')
    refuse(
      'sheet-failing',
      `"${wrong.sheet.name}" does not pass: ${wrong.faults.join(', ')}.`,
      wrong.outcome.say,
      wrong.sheet.id,
    )
  const failing = failingChecks(step, state)[0]
  if (failing && failing.outcome.verdict !== 'pass')
    refuse(
      'check-failing',
      `The check "${failing.check.name}" does not pass.`,
      failing.outcome.say,
      failing.check.id,
    )
}

/** Outside its window a step is started or finished only with a reason, which goes on record. */
function outOfTime(
  job: JobState,
  step: RouteStep,
  now: number,
  reason: string | undefined,
): { outOfTimeReason?: string } {
  const window = stepWindow(job, step)
  const verdict = window && windowVerdict(window, now)
  const missed = verdict === 'past' && (window?.to === 'start' || window?.hard === true)
  if (!window || (verdict !== 'tooSoon' && !missed)) return {}
  const outOfTimeReason = reason?.trim()
  if (outOfTimeReason) return { outOfTimeReason }
  if (missed)
    refuse(
      'window-missed',
      `The time to ${window.to} "${step.name}" is past. ${window.late}`,
      `Give a reason to ${window.to} all the same, or go back.`,
      'outOfTimeReason',
    )
  const minutes = Math.ceil((window.goodFrom - now) / 60_000)
  refuse(
    'too-soon',
    `Too soon: ${minutes} min to go. ${window.early ?? ''}`.trim(),
    `Wait, or give a reason to ${window.to} now.`,
    'outOfTimeReason',
  )
}

function checkedReading(
  check: Check,
  reading: { readonly value?: number; readonly answer?: string },
): { value?: number; answer?: string } {
  if (check.kind === 'observe') {
    if (!check.answers.some((a) => a.answer === reading.answer))
      refuse(
        'no-such-answer',
        `"${reading.answer ?? ''}" is no answer to "${check.name}".`,
        `Choose: ${check.answers.map((a) => a.answer).join('; ')}.`,
        'answer',
      )
    return { answer: reading.answer, value: undefined }
  }
  const { min, max } = check.plausible
  const value = reading.value
  if (value === undefined || !Number.isFinite(value) || value < min || value > max)
    refuse(
      'reading-not-plausible',
      `${value ?? 'Nothing'} cannot be right for "${check.name}".`,
      `Measure again and enter a number from ${min} to ${max}.`,
      'value',
    )
  return { value, answer: undefined }
}

/** More than this in one mix is a slip of the hand (choice). */
const MOST_IN_ONE_MIX = 10_000

function checkedMix(step: RouteStep, mix: RecordedMix): RecordedMix {
  const amount = step.amounts?.find((a) => a.id === mix.amountId)
  if (!amount)
    refuse('no-such-amount', `"${step.name}" uses no ${mix.amountId}.`, 'Reload the case.', 'amountId')
  if (!materials.has(mix.materialId))
    refuse(
      'no-such-material',
      `There is no material ${mix.materialId}.`,
      'Choose one from the shelf.',
      'materialId',
    )
  const wanted: readonly (keyof RecordedMix)[] =
    amount.kind === 'mix'
      ? ['powderGrams', 'liquidMillilitres']
      : amount.kind === 'parts'
        ? ['powderParts', 'liquidParts']
        : []
  for (const field of wanted) {
    const value = mix[field] as number | undefined
    if (value === undefined || !(value > 0) || value > MOST_IN_ONE_MIX)
      refuse(
        'amount-not-plausible',
        `${value ?? 'Nothing'} cannot be right for what was mixed.`,
        `Enter a number above 0 and at most ${MOST_IN_ONE_MIX}.`,
        field,
      )
  }
  return mix
}

function correct(state: CaseState, command: Extract<CaseCommand, { type: 'correct' }>): CaseEventData {
  const reason = sentence(command.reason, 'reason', 'why it is corrected')
  for (const job of state.jobs)
    for (const step of job.route.steps) {
      const stepState = job.steps[step.id]!
      const reading = stepState.readings.find((r) => r.sequence === command.corrects)
      const check = reading && step.checks?.find((c) => c.id === reading.checkId)
      if (check) return { ...command, type: 'corrected', reason, ...checkedReading(check, command) }
      const mix = stepState.mixes.find((m) => m.sequence === command.corrects)
      if (mix) {
        const { powderGrams = mix.powderGrams, liquidMillilitres = mix.liquidMillilitres } = command
        checkedMix(step, { ...mix, powderGrams, liquidMillilitres })
        return { type: 'corrected', corrects: command.corrects, powderGrams, liquidMillilitres, reason }
      }
    }
  refuse(
    'nothing-to-correct',
    `Event ${command.corrects} is no reading or mix of the present attempt.`,
    'Choose a reading of a step as it stands; add a note for anything older.',
    'corrects',
  )
}

function goBack(job: JobState, command: Extract<CaseCommand, { type: 'goBack' }>): CaseEventData {
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
  return { ...command, type: 'wentBack', reason: sentence(command.reason, 'reason', 'why it goes back') }
}

function answer(job: JobState, command: Extract<CaseCommand, { type: 'dentistAnswered' }>): CaseEventData {
  if (!job.question) refuse('nothing-asked', 'No question to the dentist is open.', 'Ask first.')
  const text = sentence(command.answer, 'answer', 'what the dentist said')
  if (command.decision !== 'goBack' && command.decision !== 'remake')
    return { ...command, answer: text, toStepId: undefined }
  const target = command.toStepId === undefined ? undefined : job.steps[command.toStepId]
  if (!target || target.status === 'waiting')
    refuse('step-not-begun', 'Say to which step it goes back.', 'Choose a step that was begun.', 'toStepId')
  return { ...command, answer: text }
}

function swapVariant(
  job: JobState,
  command: Extract<CaseCommand, { type: 'swapVariant' }>,
  { templates, routeIdOf }: CommandContext,
): CaseEventData {
  const template = templates.get(job.route.templateId)
  if (!template)
    refuse(
      'no-such-template',
      `There is no route template ${job.route.templateId} any more.`,
      'Keep the route as it is.',
    )
  const route = buildRoute(template, { ...job.route.choices, [command.matter]: command.choice })
  const text = (step: RouteStep | undefined) => JSON.stringify(step)
  for (const step of job.route.steps) {
    const touched = job.steps[step.id]!.status !== 'waiting'
    if (touched && text(route.steps.find((s) => s.id === step.id)) !== text(step))
      refuse(
        'variant-too-late',
        `"${step.name}" would change, and it has been begun.`,
        'Go back to before it, then change the variant.',
        'choice',
      )
  }
  return {
    ...command,
    type: 'variantSwapped',
    routeId: routeIdOf(route),
    reason: sentence(command.reason, 'reason', 'why it is changed'),
  }
}

function sentence(text: string | undefined, field: string, what: string): string {
  const trimmed = text?.trim() ?? ''
  if (trimmed === '') refuse('words-missing', `It does not say ${what}.`, 'Write a few words.', field)
  return trimmed
}

function refuse(code: string, message: string, remedy: string, field?: string): never {
  throw new DomainError(code, message, remedy, field)
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

/** The next thing to do on a job: its running step, or the first that may be started. */
export function stepInHand(job: JobState): RouteStep | undefined {
  const { running, startable } = stepsInHand(job)
  return running[0] ?? startable[0]
}
