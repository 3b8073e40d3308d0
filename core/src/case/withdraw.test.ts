import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { meltedCharges } from '../quality/index.ts'
import { seededRandom } from '../random/index.ts'
import { Bench, J, MINUTE, routes } from '../testing/index.ts'
import {
  type CaseCommand,
  carefulWork,
  caseState,
  currentStep,
  overruled,
  overruledWords,
  renumbered,
  standing,
  workingCase,
} from './index.ts'

const withdraw = (withdraws: number, reason = 'a slip'): CaseCommand => ({
  type: 'withdraw',
  withdraws,
  reason,
})
const last = (bench: Bench) => bench.working.events.at(-1)!.sequence
/** The state without the count of events, which alone goes on. */
const bare = (bench: Bench) => ({ ...bench.working.state, sequence: 0 })

describe('a slip is taken back by a later fact', () => {
  it('a start, an end, a reading, a mix: the case stands as if it had not been', () => {
    const bench = new Bench().before('disinfect-impression')
    const deeds: (() => void)[] = [
      () => bench.do({ type: 'startStep', jobId: J, stepId: 'disinfect-impression' }),
      () => bench.finish('disinfect-impression'),
    ]
    for (const deed of deeds) {
      const before = bare(bench)
      deed()
      bench.do(withdraw(last(bench)))
      expect(bare(bench)).toEqual(before)
      deed()
    }
    const inspecting = new Bench().upTo('inspect-impression')
    const before = bare(inspecting)
    inspecting.check('inspect-impression', 'impression-whole', 'Tray shows through')
    expect(inspecting.job.question).toBeDefined()
    inspecting.do(withdraw(last(inspecting)))
    expect(bare(inspecting)).toEqual(before)
  })
  it('a case put on hold by a slip, an end of a case too', () => {
    const bench = new Bench()
    bench.do({ type: 'hold', reason: 'the wrong case' })
    bench.do(withdraw(last(bench)))
    expect(bench.working.state.held).toBeUndefined()
    bench.do({ type: 'askDentist', jobId: J, question: 'Go on?' })
    bench.do({ type: 'dentistAnswered', jobId: J, answer: 'No', decision: 'end' })
    expect(bench.working.state.ended).toBeDefined()
    bench.do(withdraw(last(bench)))
    expect(bench.working.state.ended).toBeUndefined()
    expect(bench.job.question).toBeDefined()
  })
  it('lots of a mix that was withdrawn are not of the case; both entries stay on record', () => {
    const bench = new Bench().upTo('pour-anatomy')
    bench.do({
      type: 'recordMix',
      jobId: J,
      stepId: 'pour-anatomy',
      amountId: 'stone',
      materialId: 'high-strength-stone',
      powderGrams: 100,
      liquidMillilitres: 23,
      lots: ['L-1'],
    })
    const mix = last(bench)
    expect(bench.working.state.lots).toEqual(['L-1'])
    bench.do(withdraw(mix))
    expect(bench.working.state.lots).toEqual([])
    expect(bench.working.events.map(({ sequence }) => sequence)).toContain(mix)
    expect(standing(bench.working.events).map(({ sequence }) => sequence)).not.toContain(mix)
    expect(overruled(bench.working.events).get(mix)).toEqual({ how: 'withdrawn', by: mix + 1 })
    expect(overruledWords(overruled(bench.working.events).get(mix))).toBe(` (withdrawn by entry ${mix + 1})`)
    expect(overruledWords(undefined)).toBe('')
  })
  it('a charge that was withdrawn was never melted', () => {
    const bench = new Bench('cast-crown').upTo('weigh-metal')
    for (const command of bench.carefully('weigh-metal'))
      if (command.type === 'recordSheet') bench.do(command)
    const charges = () => meltedCharges(bench.working.events, (id) => bench.working.routes.get(id)!).length
    expect(charges()).toBe(1)
    bench.do(withdraw(last(bench)))
    expect(charges()).toBe(0)
  })
  it('a correction too: the entry stands as it was first written', () => {
    const bench = new Bench().upTo('trim')
    bench.check('trim', 'back-angle', 90)
    const reading = last(bench)
    bench.do({ type: 'correct', corrects: reading, value: 89.5, reason: 'misread' })
    expect(overruled(bench.working.events).get(reading)?.how).toBe('corrected')
    bench.do(withdraw(last(bench)))
    expect(bench.job.steps.trim!.readings[0]).toMatchObject({ value: 90 })
    expect(overruled(bench.working.events).get(reading)).toBeUndefined()
  })
})

describe('what cannot be taken back', () => {
  it('what later work rests on, in words that say what to do', () => {
    const bench = new Bench().upTo('inspect-impression')
    const start = last(bench)
    bench.check('inspect-impression', 'impression-whole', 'Whole')
    const reading = last(bench)
    // The step has an entry: its start stands.
    expect(bench.refusal(withdraw(start))).toBe('others-rest-on-it')
    bench.finish('inspect-impression')
    const end = last(bench)
    // The step is over: its reading is corrected, or the case goes back.
    expect(bench.refusal(withdraw(reading))).toBe('others-rest-on-it')
    bench.do({ type: 'note', text: 'a note rests on nothing' })
    expect(bench.refusal(withdraw(end))).toBeUndefined()
    bench.do({ type: 'startStep', jobId: J, stepId: 'wrap' })
    expect(bench.refusal(withdraw(end))).toBe('others-rest-on-it')
  })
  it('the receipt, what is not there, what was withdrawn already, and a withdrawal', () => {
    const bench = new Bench()
    bench.do({ type: 'note', text: 'hello' })
    bench.do(withdraw(2))
    for (const sequence of [1, 2, 3, 99])
      expect(bench.refusal(withdraw(sequence))).toBe('nothing-to-withdraw')
    expect(bench.refusal(withdraw(2, ' '))).toBe('nothing-to-withdraw')
    bench.do({ type: 'note', text: 'again' })
    expect(bench.refusal(withdraw(4, ' '))).toBe('words-missing')
  })
  it('a reading that was corrected: the correction is withdrawn first', () => {
    const bench = new Bench().upTo('trim')
    bench.check('trim', 'back-angle', 90)
    const reading = last(bench)
    bench.do({ type: 'correct', corrects: reading, value: 89.5, reason: 'misread' })
    expect(bench.refusal(withdraw(reading))).toBe('others-rest-on-it')
    bench.do(withdraw(last(bench)))
    expect(bench.refusal(withdraw(reading))).toBeUndefined()
  })
  it('a reading whose question the dentist has answered', () => {
    const bench = new Bench('complete-denture').upTo('pin-opening')
    bench.check('pin-opening', 'pin-open', 3)
    const reading = last(bench)
    expect(bench.refusal(withdraw(reading))).toBeUndefined()
    bench.do({ type: 'dentistAnswered', jobId: J, answer: 'Go on', decision: 'proceed' })
    expect(bench.refusal(withdraw(reading))).toBe('others-rest-on-it')
  })
})

describe('laws', () => {
  it('whatever the last entry was, taking it back leads to where it stood; replay gives the same', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 1, max: 40 }), (seed, deeds) => {
        const bench = new Bench('implant-verification')
        const random = seededRandom(seed)
        let before = bare(bench)
        for (let n = 0; n < deeds; n++) {
          const step = currentStep(bench.job)!
          const state = bench.job.steps[step.id]!
          const next: CaseCommand =
            state.status === 'waiting'
              ? { type: 'startStep', jobId: J, stepId: step.id }
              : (carefulWork(J, step, random)[
                  state.readings.length + state.mixes.length + state.sheets.length
                ] ?? {
                  type: 'finishStep',
                  jobId: J,
                  stepId: step.id,
                  outOfTimeReason: 'a test',
                })
          before = bare(bench)
          bench.now += MINUTE
          bench.do(next)
        }
        bench.do(withdraw(last(bench)))
        expect(bare(bench)).toEqual(before)
        const { events, routes: named } = bench.working
        expect(workingCase(events, named, routes.templates).state).toEqual(bench.working.state)
        expect(() => caseState(events, (id) => named.get(id)!)).not.toThrow()
      }),
    )
  })
  it('what is kept at a bench is withdrawn by the number that it came to have', () => {
    expect(renumbered(withdraw(7), 7, 9)).toEqual(withdraw(9))
    expect(renumbered(withdraw(7), 8, 9)).toEqual(withdraw(7))
  })
})
