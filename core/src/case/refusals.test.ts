import { describe, expect, it } from '@jest/globals'
import { spoken } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { Bench, J, MINUTE, routes } from '../testing/index.ts'
import { type CaseCommand, decide, stepOf } from './index.ts'

/** What a command is answered, in words: its code, what is wrong, what to do, at which field. */
function answered(bench: Bench, command: CaseCommand): readonly (string | undefined)[] {
  try {
    decide(bench.working.state, command, { now: bench.now, ...routes })
    return ['taken']
  } catch (error) {
    if (!(error instanceof DomainError)) throw error
    const { code, said, remedy, field } = error
    return [code, spoken(said, 'metric'), spoken(remedy, 'metric'), field]
  }
}

const inspect = { jobId: J, stepId: 'inspect-impression' }
const inspecting = () => new Bench().upTo('inspect-impression')
const pinOpening = () => new Bench('complete-denture').upTo('pin-opening')
const held = () => {
  const bench = inspecting()
  bench.do({ type: 'hold', reason: 'no tray' })
  return bench
}
const asked = () => {
  const bench = inspecting()
  bench.do({ type: 'askDentist', jobId: J, question: 'Which shade?' })
  return bench
}
const ended = () => {
  const bench = asked()
  bench.do({ type: 'dentistAnswered', jobId: J, answer: 'The patient moved away', decision: 'end' })
  return bench
}
const nameOf = (stepId: string) => `"${stepOf(inspecting().job, stepId).name}"`
const RELOAD = 'Reload the case.'
const WORDS = 'Write a few words.'

describe('what is refused, and what to do about it', () => {
  it.each<[string, () => Bench, CaseCommand, readonly (string | undefined)[]]>([
    [
      'a note on a case that ended',
      ended,
      { type: 'note', text: 'late' },
      [
        'case-ended',
        'The case ended: The patient moved away',
        'Take it in again as a new case if work goes on.',
        undefined,
      ],
    ],
    [
      'an empty note',
      inspecting,
      { type: 'note', text: ' \n' },
      ['words-missing', 'It does not say the note.', WORDS, 'text'],
    ],
    [
      'a hold without a reason',
      inspecting,
      { type: 'hold', reason: '' },
      ['words-missing', 'It does not say why it is held.', WORDS, 'reason'],
    ],
    [
      'a second hold',
      held,
      { type: 'hold', reason: 'again' },
      ['already-held', 'The case is on hold already.', 'Release it first.', undefined],
    ],
    [
      'a release of what is not held',
      inspecting,
      { type: 'release' },
      ['not-held', 'The case is not on hold.', 'Go on with the current step.', undefined],
    ],
    [
      'work on a case on hold',
      held,
      { type: 'finishStep', ...inspect },
      ['case-held', 'The case is on hold: no tray', 'Release it before going on.', undefined],
    ],
    [
      'work while the dentist is asked',
      asked,
      { type: 'finishStep', ...inspect },
      [
        'dentist-asked',
        'The dentist has been asked: Which shade?',
        'Enter the answer before going on.',
        undefined,
      ],
    ],
    [
      'a second question',
      asked,
      { type: 'askDentist', jobId: J, question: 'Which mould?' },
      ['already-asked', 'A question to the dentist is open already.', 'Enter the answer first.', undefined],
    ],
    [
      'a question without words',
      inspecting,
      { type: 'askDentist', jobId: J, question: '  ' },
      ['words-missing', 'It does not say the question.', WORDS, 'question'],
    ],
    [
      'an answer that nobody asked for',
      inspecting,
      { type: 'dentistAnswered', jobId: J, answer: 'Yes', decision: 'proceed' },
      ['nothing-asked', 'No question to the dentist is open.', 'Ask first.', undefined],
    ],
    [
      'an answer without words',
      asked,
      { type: 'dentistAnswered', jobId: J, answer: '', decision: 'proceed' },
      ['words-missing', 'It does not say what the dentist said.', WORDS, 'answer'],
    ],
    [
      'an answer that goes back nobody knows where',
      asked,
      { type: 'dentistAnswered', jobId: J, answer: 'Pour again', decision: 'remake' },
      ['step-not-begun', 'Say to which step it goes back.', 'Choose a step that was begun.', 'toStepId'],
    ],
    [
      'a way back to what was not begun',
      inspecting,
      { type: 'goBack', jobId: J, toStepId: 'trim', remake: false, reason: 'x' },
      [
        'step-not-begun',
        `${nameOf('trim')} has not been begun.`,
        'Choose a step that was begun.',
        'toStepId',
      ],
    ],
    [
      'a way back to a step that is none',
      inspecting,
      { type: 'goBack', jobId: J, toStepId: 'nowhere', remake: false, reason: 'x' },
      ['no-such-step', 'The route has no step nowhere.', RELOAD, 'toStepId'],
    ],
    [
      'a way back without a reason',
      inspecting,
      { type: 'goBack', jobId: J, toStepId: 'inspect-impression', remake: true, reason: '' },
      ['words-missing', 'It does not say why it goes back.', WORDS, 'reason'],
    ],
    [
      'a job that is none',
      inspecting,
      { type: 'finishStep', jobId: 'job-9', stepId: 'trim' },
      ['no-such-job', 'The case has no job job-9.', RELOAD, 'jobId'],
    ],
    [
      'a step that is none',
      inspecting,
      { type: 'startStep', jobId: J, stepId: 'nowhere' },
      [
        'no-such-step',
        'The route has no step nowhere.',
        'Reload the case; the route may have changed.',
        'stepId',
      ],
    ],
    [
      'a step begun twice',
      inspecting,
      { type: 'startStep', ...inspect },
      [
        'step-not-waiting',
        `${nameOf('inspect-impression')} is running already.`,
        'Go back to it to do it again.',
        undefined,
      ],
    ],
    [
      'a step before its turn',
      inspecting,
      { type: 'startStep', jobId: J, stepId: 'set' },
      [
        'step-not-yet',
        `${nameOf('set')} comes after ${nameOf('retention')}.`,
        'Finish that first.',
        undefined,
      ],
    ],
    [
      'a step finished that was not begun',
      inspecting,
      { type: 'finishStep', jobId: J, stepId: 'set' },
      ['step-not-running', `${nameOf('set')} is not started.`, 'Start it first.', undefined],
    ],
    [
      'a step finished twice',
      inspecting,
      { type: 'finishStep', jobId: J, stepId: 'disinfect-impression' },
      [
        'step-not-running',
        `${nameOf('disinfect-impression')} is done already.`,
        'Go back to it to do it again.',
        undefined,
      ],
    ],
    [
      'a check that the step has not',
      inspecting,
      { type: 'recordCheck', ...inspect, checkId: 'shine', answer: 'Good' },
      ['no-such-check', `${nameOf('inspect-impression')} has no check shine.`, RELOAD, 'checkId'],
    ],
    [
      'a sheet that the step has not',
      inspecting,
      { type: 'recordSheet', ...inspect, sheetId: 'sent', sheet: { kind: 'teethSet', teeth: [11] } },
      ['no-such-sheet', `${nameOf('inspect-impression')} has no sheet sent.`, RELOAD, 'sheetId'],
    ],
    [
      'a mix that the step does not use',
      inspecting,
      { type: 'recordMix', ...inspect, amountId: 'base', materialId: 'plaster', lots: [] },
      ['no-such-amount', `${nameOf('inspect-impression')} uses no base.`, RELOAD, 'amountId'],
    ],
    [
      'a correction of what is no reading',
      inspecting,
      { type: 'correct', corrects: 1, value: 2, reason: 'slip' },
      [
        'nothing-to-correct',
        'Event 1 is no reading, mix or sheet of the present attempt.',
        'Choose an entry of a step as it stands; add a note for anything older.',
        'corrects',
      ],
    ],
    [
      'a correction without a reason',
      inspecting,
      { type: 'correct', corrects: 1, value: 2, reason: ' ' },
      ['words-missing', 'It does not say why it is corrected.', WORDS, 'reason'],
    ],
    [
      'an authorisation changed in nothing',
      inspecting,
      { type: 'amend', changes: {}, reason: 'x' },
      ['nothing-changed', 'Nothing was changed.', 'Change at least one entry.', 'changes'],
    ],
    [
      'an authorisation changed for no reason',
      inspecting,
      { type: 'amend', changes: { shade: 'light' }, reason: '' },
      ['words-missing', 'It does not say why it is changed.', WORDS, 'reason'],
    ],
    [
      'a due date at the very moment of receipt',
      inspecting,
      { type: 'amend', changes: { dueAt: '2026-03-02T08:00:00Z' }, reason: 'x' },
      [
        'due-before-receipt',
        'The case came in later than that.',
        'Enter the date the clinic wants it back.',
        'changes.dueAt',
      ],
    ],
    [
      'a step finished with its check open',
      pinOpening,
      { type: 'finishStep', jobId: J, stepId: 'pin-opening' },
      ['check-missing', 'The check "Pin opening" is still open.', expect.any(String) as never, 'pin-open'],
    ],
    [
      'a variant that is too late',
      () => new Bench('complete-denture', { tripoli: 'use' }).upTo('high-shine'),
      { type: 'swapVariant', jobId: J, matter: 'tripoli', choice: 'leave-out', reason: 'x' },
      [
        'variant-too-late',
        expect.stringContaining('would change, and it has been begun.') as never,
        'Go back to before it, then change the variant.',
        'choice',
      ],
    ],
  ])('%s', (_, bench, command, answer) => {
    expect(answered(bench(), command)).toEqual(answer)
  })
  it('a due date a minute after receipt is taken, in UTC', () => {
    const bench = inspecting()
    bench.do({ type: 'amend', changes: { dueAt: '2026-03-02T09:01:00+01:00' }, reason: 'sooner' })
    expect(bench.working.state.authorisation.dueAt).toBe('2026-03-02T08:01:00.000Z')
  })
  it('a question is taken even on hold, once, and an answer that goes on names no step', () => {
    const bench = held()
    bench.do({ type: 'askDentist', jobId: J, question: 'Which shade?' })
    bench.do({
      type: 'dentistAnswered',
      jobId: J,
      answer: 'The light one',
      decision: 'proceed',
      toStepId: 'trim',
    })
    expect(bench.working.events.at(-1)).not.toHaveProperty('toStepId', 'trim')
    expect(bench.job.question).toBeUndefined()
  })
})

describe('out of its time', () => {
  const setting = () => new Bench().upTo('set')
  it('the minutes that are left are rounded up, and a reason of blanks is none', () => {
    const bench = setting()
    const finish = (outOfTimeReason?: string): CaseCommand => ({
      type: 'finishStep',
      jobId: J,
      stepId: 'set',
      outOfTimeReason,
    })
    for (const command of bench.carefully('set')) bench.do(command)
    const wait = bench.job.route.steps.find(({ id }) => id === 'set')!.wait!
    // The stone was mixed 2 min before.
    bench.now += (wait.earliestMinutes - 2 - 1.5) * MINUTE
    expect(answered(bench, finish('  '))).toEqual([
      'too-soon',
      expect.stringMatching(/^Too soon: 2 min to go\./),
      'Wait, or give a reason to finish now.',
      'outOfTimeReason',
    ])
    bench.do(finish(' dry already '))
    expect(bench.working.events.at(-1)).toMatchObject({ outOfTimeReason: 'dry already' })
  })
  it('a reason that was not needed is kept all the same: nothing that was entered is lost', () => {
    const bench = inspecting()
    for (const command of bench.carefully('inspect-impression')) bench.do(command)
    bench.do({ type: 'finishStep', ...inspect, outOfTimeReason: 'just so' })
    expect(bench.working.events.at(-1)).toHaveProperty('outOfTimeReason', 'just so')
  })
})
