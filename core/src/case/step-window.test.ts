import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { type CureRun, coldAfterMinutes, curePresets, judgeCure } from '../curing/index.ts'
import { programMinutes } from '../program/index.ts'
import { Bench, J, MINUTE } from '../testing/index.ts'
import { type StepWindow, stepOf, stepWindow, windowByMachine, windowVerdict } from './index.ts'

const HOUR = 60 * MINUTE
const window: StepWindow = {
  to: 'finish',
  from: 0,
  goodFrom: 10 * HOUR,
  lateFrom: 14 * HOUR,
  pastFrom: 20 * HOUR,
  early: 'Still falling.',
  late: 'The bath is needed.',
  source: 'common practice',
}

describe('the window of what lies in a machine', () => {
  it('opens when the machine should be done, and stays open as long as it would', () => {
    expect(windowByMachine(window, 13 * HOUR)).toMatchObject({
      from: 0,
      goodFrom: 13 * HOUR,
      lateFrom: 17 * HOUR,
      pastFrom: 23 * HOUR,
    })
    expect(windowByMachine({ ...window, pastFrom: undefined }, 9 * HOUR).pastFrom).toBeUndefined()
  })
  it('leaves alone what is to be started, and what is open from its beginning', () => {
    const start = { ...window, to: 'start' } as const
    const open = { ...window, goodFrom: 0 }
    expect(windowByMachine(start, 13 * HOUR)).toBe(start)
    expect(windowByMachine(open, 13 * HOUR)).toBe(open)
  })
  it('is too soon before the machine is done and never after it, and never shorter or longer', () => {
    const hours = fc.double({ min: 0.1, max: 40, noNaN: true })
    fc.assert(
      fc.property(hours, hours, (end, at) => {
        const moved = windowByMachine(window, end * HOUR)
        expect(windowVerdict(moved, at * HOUR) === 'tooSoon').toBe(at * HOUR < end * HOUR)
        expect(moved.lateFrom - moved.goodFrom).toBeCloseTo(window.lateFrom - window.goodFrom, 3)
      }),
    )
  })
})

describe('a cure whose curve is on record', () => {
  const STEP = 'cure-long-boil'
  const { program } = curePresets[0]!
  const run = (minutes: number, celsius: number): CureRun => ({
    sections: [{ shape: 'sheet', millimetres: 2.5 }],
    program,
    from: 'hand',
    measured: [{ minutes, celsius }],
    showsTooMuchCelsius: 0,
    endMinutes: minutes,
  })
  const after = (cured: CureRun) => {
    const bench = new Bench('complete-denture').upTo(STEP)
    bench.now += 5 * MINUTE
    bench.sheet(STEP, 'cure', { kind: 'cure', machine: 'Bath', run: cured })
    return windowVerdict(stepWindow(bench.job, stepOf(bench.job, STEP))!, bench.now)
  }
  it('is ready when that is good, whatever the usual hours', () =>
    expect(after(run(Math.round(programMinutes(program)), 100))).toBe('good'))
  it('waits for the usual hours when it broke off before the resin was cured', () =>
    expect(after(run(60, 73))).toBe('tooSoon'))
  it('waits for the usual hours while none is there', () => {
    const bench = new Bench('complete-denture').upTo(STEP)
    const usual = stepWindow(bench.job, stepOf(bench.job, STEP))!
    expect(usual.goodFrom - usual.from).toBe(10 * HOUR)
    expect(windowVerdict(usual, bench.now)).toBe('tooSoon')
    expect(bench.job.jobId).toBe(J)
  })
})

describe('a flask that cools', () => {
  const { program } = curePresets[0]!
  const cured: CureRun = {
    sections: [
      { shape: 'sheet', millimetres: 2.5 },
      { shape: 'ridge', millimetres: 8 },
    ],
    program,
    from: 'hand',
    measured: [{ minutes: Math.round(programMinutes(program)), celsius: 100 }],
    showsTooMuchCelsius: 0,
  }
  /** Hours from out of the bath until it may be opened, by the step. */
  function opensAfter(cooling: 'water' | 'air', run?: CureRun): number {
    const bench = new Bench('complete-denture', { arch: 'upper', 'flask-cooling': cooling }).upTo(
      'cure-long-boil',
    )
    for (const command of bench.carefully('cure-long-boil')) bench.do(command)
    if (run) bench.sheet('cure-long-boil', 'cure', { kind: 'cure', machine: 'Bath', run })
    bench.now += 11 * HOUR
    bench.finish('cure-long-boil')
    const stepId = cooling === 'water' ? 'cool-flask' : 'cool-flask-air'
    bench.do({ type: 'startStep', jobId: J, stepId })
    const { from, goodFrom } = stepWindow(bench.job, stepOf(bench.job, stepId))!
    return (goodFrom - from) / HOUR
  }
  it('in air alone needs 3.5 to 6.5 h (common practice, and the heat field within a few minutes)', () => {
    const hours = opensAfter('air', cured)
    expect(hours).toBeGreaterThan(3.5)
    expect(hours).toBeLessThan(6.6)
  })
  it('on the bench and then in cold water about an hour', () => {
    const hours = opensAfter('water', cured)
    expect(hours).toBeGreaterThan(45 / 60)
    expect(hours).toBeLessThan(1.5)
  })
  it('is the hour that the screen of the cure tells: when the mould of that cure is cold', () =>
    expect(60 * opensAfter('air', cured)).toBeCloseTo(coldAfterMinutes(judgeCure(cured, 'air')), 6))
})
