import { describe, expect, it } from '@jest/globals'
import { Bench, J, MINUTE, routes, START } from '../testing/case-bench.ts'
import { refused } from '../testing/index.ts'
import type { CaseCommand } from './case-command.ts'
import { goingsBack, isRemake } from './cause-found.ts'
import { obey, receiveCase } from './working-case.ts'

const POUR = 'pour-anatomy'
const remade = () => {
  const bench = new Bench().upTo(POUR)
  bench.do({ type: 'goBack', jobId: J, toStepId: POUR, remake: true, reason: 'a bubble' })
  return { bench, wentBack: bench.working.state.sequence }
}

describe('called away from a step', () => {
  const running = () => new Bench().upTo(POUR)
  const pause: CaseCommand = { type: 'pause', jobId: J, stepId: POUR }
  const resume: CaseCommand = { type: 'resume', jobId: J, stepId: POUR }
  const step = (bench: Bench) => bench.job.steps[POUR]!
  it('is on the step until somebody is back, or does the next thing on it', () => {
    const bench = running()
    bench.do({ ...pause, reason: 'the courier' })
    expect(step(bench)).toMatchObject({
      status: 'running',
      pausedSince: new Date(bench.now).toISOString(),
    })
    bench.do(resume)
    expect(step(bench)).not.toHaveProperty('pausedSince')
    bench.do(pause)
    for (const entry of bench.carefully(POUR).slice(0, 1)) bench.do(entry)
    expect(step(bench)).not.toHaveProperty('pausedSince')
  })
  it('ends with a reading as well', () => {
    const bench = new Bench().upTo('trim')
    bench.do({ ...pause, stepId: 'trim' })
    bench.check('trim', 'back-angle', 90)
    expect(bench.job.steps.trim).not.toHaveProperty('pausedSince')
  })
  it('ends with the step', () => {
    const bench = running()
    for (const entry of bench.carefully(POUR)) bench.do(entry)
    bench.do(pause)
    bench.now += 5 * MINUTE
    bench.finish(POUR)
    expect(step(bench)).toMatchObject({ status: 'done' })
    expect(step(bench)).not.toHaveProperty('pausedSince')
  })
  it('is refused twice, before it is begun, and when nobody was away', () => {
    const bench = running()
    expect(bench.refusal(resume)).toBe('not-paused')
    expect(bench.refusal({ ...pause, stepId: 'trim' })).toBe('step-not-running')
    bench.do(pause)
    expect(bench.refusal(pause)).toBe('paused-already')
  })
  it('can be withdrawn until something more is done on the step', () => {
    const bench = running()
    bench.do(pause)
    const sequence = bench.working.state.sequence
    bench.do({ type: 'withdraw', withdraws: sequence, reason: 'tapped by mistake' })
    expect(step(bench)).not.toHaveProperty('pausedSince')
    bench.do(pause)
    bench.do(resume)
    expect(bench.refusal({ type: 'withdraw', withdraws: sequence + 2, reason: 'late' })).toBe(
      'others-rest-on-it',
    )
  })
})

describe('why it went back', () => {
  const found = (wentBack: number, more: object = {}): CaseCommand => ({
    type: 'findCause',
    jobId: J,
    wentBack,
    cause: 'A slip of the hand',
    how: 'seen',
    ...more,
  })
  it('is a fact beside it: the case stands as it did', () => {
    const { bench, wentBack } = remade()
    const { jobs } = bench.working.state
    bench.do(found(wentBack))
    expect(bench.working.state.jobs).toEqual(jobs)
    expect(bench.working.events.at(-1)).toMatchObject({ type: 'causeFound', wentBack, how: 'seen' })
    expect(goingsBack(bench.working.events).map(isRemake)).toEqual([true])
  })
  it('may be said of a case that is held or has ended', () => {
    const { bench, wentBack } = remade()
    bench.do({ type: 'hold', reason: 'waits' })
    expect(bench.refusal(found(wentBack))).toBeUndefined()
    bench.do({ type: 'askDentist', jobId: J, question: 'go on?' })
    bench.do({ type: 'dentistAnswered', jobId: J, answer: 'no more', decision: 'end' })
    expect(bench.refusal(found(wentBack))).toBeUndefined()
  })
  it('names a going back of the job, says how it is known, and what another cause was', () => {
    const { bench, wentBack } = remade()
    expect(bench.refusal(found(2))).toBe('no-going-back')
    expect(bench.refusal(found(wentBack, { jobId: 'job-9' }))).toBe('no-such-job')
    expect(bench.refusal(found(wentBack, { how: undefined }))).toBe('how-missing')
    expect(bench.refusal(found(wentBack, { cause: 'other' }))).toBe('words-missing')
    expect(bench.refusal(found(wentBack, { cause: 'other', said: 'a draught' }))).toBeUndefined()
    expect(bench.refusal(found(wentBack, { cause: 'notFound', how: undefined }))).toBeUndefined()
    bench.do(found(wentBack, { cause: 'notFound', how: 'seen' }))
    expect(bench.working.events.at(-1)).not.toHaveProperty('how')
  })
  it('of a going back that was withdrawn nothing can be said', () => {
    const { bench, wentBack } = remade()
    bench.do({ type: 'withdraw', withdraws: wentBack, reason: 'another case' })
    expect(bench.refusal(found(wentBack))).toBe('no-going-back')
  })
  it("the dentist's answer may send it back as well", () => {
    const bench = new Bench().upTo(POUR)
    bench.do({ type: 'askDentist', jobId: J, stepId: POUR, question: 'good enough?' })
    bench.do({ type: 'dentistAnswered', jobId: J, answer: 'no', decision: 'goBack', toStepId: POUR })
    expect(bench.refusal(found(bench.working.state.sequence))).toBeUndefined()
    expect(goingsBack(bench.working.events).map(isRemake)).toEqual([false])
  })
})

describe('what else is on record', () => {
  it('a promise with its chance, its date as an instant', () => {
    const bench = new Bench()
    bench.do({ type: 'promise', dueAt: '2026-03-20T13:00:00+01:00', chance: 0.9 })
    expect(bench.working.events.at(-1)).toMatchObject({
      type: 'promised',
      dueAt: '2026-03-20T12:00:00.000Z',
      chance: 0.9,
    })
    expect(refused(() => bench.do({ type: 'promise', dueAt: 'soon', chance: 0.9 }))).toMatchObject({
      code: 'not-an-instant',
    })
  })
  it('whether a case is for practice or a demo, and that the clock ran faster than time', () => {
    const { authorisation } = new Bench().working.state
    const intake = { docket: 'K-9', authorisation, jobs: [{ templateId: 'study-cast', choices: {} }] }
    const made = receiveCase({ ...intake, mark: 'demo' }, START, 'Ada', routes)
    expect(made.events[0]).toMatchObject({ mark: 'demo' })
    expect(receiveCase(intake, START, 'Ada', routes).events[0]).not.toHaveProperty('mark')
    const note: CaseCommand = { type: 'note', text: 'so' }
    expect(obey(made, note, START, 'Ada', routes, undefined, 60).events.at(-1)).toMatchObject({
      clockSpeed: 60,
    })
    expect(obey(made, note, START, 'Ada', routes).events.at(-1)).not.toHaveProperty('clockSpeed')
  })
})
