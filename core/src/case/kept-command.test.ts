import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { spoken } from '../quantity/index.ts'
import { Bench, routes as house, J, MINUTE, START } from '../testing/index.ts'
import {
  attemptOf,
  type CaseCommand,
  eventWords,
  finishedAt,
  type KeptCommand,
  renumbered,
  withKept,
} from './index.ts'

/** What was done at a bench that is cut off, one thing each minute. */
const keptAt = (bench: Bench, ...commands: readonly CaseCommand[]): KeptCommand[] =>
  commands.map((command, index) => {
    const attempt = attemptOf(bench.working.state, command)
    const kept = { command, doneAt: bench.now + (index + 1) * MINUTE, by: 'Ben' }
    return attempt === undefined ? kept : { ...kept, attempt }
  })
const check = (value: number): CaseCommand => ({
  type: 'recordCheck',
  jobId: J,
  stepId: 'pin-opening',
  checkId: 'pin-open',
  value,
})
const note = (text: string): CaseCommand => ({ type: 'note', text })
const finish: CaseCommand = { type: 'finishStep', jobId: J, stepId: 'pin-opening' }

describe('what was kept at a bench while the server was away', () => {
  it('stands on top of the case in its order, each from when it was done', () => {
    const bench = new Bench('complete-denture').upTo('pin-opening')
    const kept = keptAt(bench, check(1.2), finish)
    const { working, unfit } = withKept(bench.working, kept, house)
    expect(unfit).toBeUndefined()
    const step = working.state.jobs[0]!.steps['pin-opening']!
    expect(step).toMatchObject({ status: 'done', finishedBy: 'Ben' })
    expect(Date.parse(finishedAt(step)!)).toBe(bench.now + 2 * MINUTE)
  })
  it('is asked about where its step was begun again, although the core would take it', () => {
    const bench = new Bench('complete-denture').upTo('pin-opening')
    const kept = keptAt(bench, check(1.2), note('tight'))
    bench.do({ type: 'goBack', jobId: J, toStepId: 'pin-opening', remake: false, reason: 'slipped' })
    bench.do({ type: 'startStep', jobId: J, stepId: 'pin-opening' })
    const { working, unfit } = withKept(bench.working, kept, house)
    expect(unfit).toMatchObject({ kept: kept[0], refusal: { code: 'begun-again' } })
    // What comes after it waits, in its order.
    expect(working.events).toHaveLength(bench.working.events.length)
  })
  it('is asked about where the core does not take it any more, in the words of the core', () => {
    const bench = new Bench('complete-denture').upTo('pin-opening')
    const kept = keptAt(bench, note('first'), finish)
    for (const command of [check(1.2), finish]) bench.do(command)
    const { working, unfit } = withKept(bench.working, kept, house)
    expect(working.events.at(-1)).toMatchObject({ type: 'noted', by: 'Ben' })
    expect(unfit?.kept).toBe(kept[1])
    expect(unfit?.refusal.message).toMatch(/\S/)
  })
  it('goes on top of what others did elsewhere on the case', () => {
    const bench = new Bench('complete-denture').upTo('pin-opening')
    const kept = keptAt(bench, check(1.2))
    bench.now += 10 * MINUTE
    bench.do(note('The clinic called.'))
    const { working } = withKept(bench.working, kept, house)
    // Its time is not before that of the note, which is on record already; the true one stands beside it.
    expect(working.events.at(-1)).toMatchObject({ value: 1.2, at: new Date(bench.now).toISOString() })
  })
  it('is, on a case that nobody touched, what it would have been with the server there', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 6 }), (count) => {
        const [there, away] = [new Bench('complete-denture'), new Bench('complete-denture')]
        const kept: KeptCommand[] = []
        for (const step of there.job.route.steps.slice(0, count)) {
          const start = { type: 'startStep', jobId: J, stepId: step.id } as const
          const done = { type: 'finishStep', jobId: J, stepId: step.id } as const
          there.do(start)
          const commands = [...there.carefully(step.id), done]
          const keep = (command: CaseCommand) => {
            const attempt = attemptOf(away.working.state, command)
            kept.push({
              command,
              doneAt: there.now,
              by: 'Ada',
              ...(attempt === undefined ? {} : { attempt }),
            })
          }
          keep(start)
          there.now += (step.wait?.earliestMinutes ?? 1) * MINUTE
          for (const command of commands) {
            keep(command)
            there.do(command)
          }
        }
        const { working, unfit } = withKept(away.working, kept, house)
        expect(unfit).toBeUndefined()
        expect(working.state).toEqual(there.working.state)
      }),
      { numRuns: 6 },
    )
  })
  it('names what it corrects by the number that came to be on record', () => {
    const correct: CaseCommand = { type: 'correct', corrects: 14, value: 2, reason: 'slip' }
    expect(renumbered(correct, 14, 17)).toMatchObject({ corrects: 17, value: 2, reason: 'slip' })
    expect(renumbered(correct, 13, 17)).toBe(correct)
    expect(renumbered(finish, 14, 17)).toBe(finish)
  })
})

describe('the time of what was kept', () => {
  const stamp = (at: number, doneAt: number) => {
    const bench = new Bench()
    bench.now = START + 60 * MINUTE
    bench.do(note('there'))
    return withStamp(bench, at, doneAt)
  }
  const withStamp = (bench: Bench, at: number, doneAt: number) => {
    bench.now = START + at * MINUTE
    bench.do(note('kept'), START + doneAt * MINUTE)
    const { at: from, kept } = bench.working.events.at(-1)!
    const minutes = (instant: string) => (Date.parse(instant) - START) / MINUTE
    return [minutes(from), kept && [minutes(kept.doneAt), minutes(kept.sentAt)]]
  }
  it.each<[string, number, number, unknown]>([
    ['counts from when it was done', 90, 70, [70, [70, 90]]],
    ['never from before the last event; the true time is told', 90, 40, [60, [40, 90]]],
    ['never from the future of a bench whose clock runs ahead', 90, 95, [90, undefined]],
    ['what came at once is not said to have been kept', 90, 90, [90, undefined]],
  ])('%s', (_, at, doneAt, wanted) => expect(stamp(at, doneAt)).toEqual(wanted))
  it('is told in the record', () => {
    const bench = new Bench()
    bench.now = START + 20 * MINUTE
    bench.do(note('kept'), START + 5 * MINUTE)
    const reader = { jobs: bench.working.state.jobs, lotNumber: (id: string) => id }
    const clock = (at: number) => new Date(at).toISOString().slice(11, 16)
    expect(spoken(eventWords(bench.working.events.at(-1)!, reader), 'metric', clock)).toBe(
      'Note: kept (done at 08:05 while the server was away, sent at 08:20)',
    )
  })
})
