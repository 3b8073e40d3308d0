import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { doughStages } from '../curing/index.ts'
import type { RecordedMix } from '../route/index.ts'
import { Bench, J, MINUTE } from '../testing/index.ts'
import { type CaseCommand, eventWords, stepOf, stepWindow, windowVerdict } from './index.ts'

/** Works up to the step with a mix, and records that one. */
function mixed(
  bench: Bench,
  stepId: string,
  mix: Partial<RecordedMix> & Pick<RecordedMix, 'amountId' | 'materialId'>,
): Bench {
  bench.do({ type: 'recordMix', jobId: J, stepId, lots: [], ...mix })
  return bench
}
const at = (millis: number) => new Date(millis).toISOString()
const windowOf = (bench: Bench, stepId: string) => stepWindow(bench.job, stepOf(bench.job, stepId))!
const minutesFrom = (from: number, instant: number | undefined) => (instant! - from) / MINUTE

const stone = { amountId: 'stone', materialId: 'high-strength-stone', powderGrams: 100 }

/** A study cast whose stone met its water at minute 0, and whose step was tapped so long after. */
function poured(mix: Partial<RecordedMix>, tapAfter: number) {
  const bench = new Bench().upTo('pour-anatomy')
  const met = bench.now
  bench.now += tapAfter * MINUTE
  mixed(bench, 'pour-anatomy', {
    ...stone,
    liquidMillilitres: 23,
    metAt: at(met),
    ratioReason: 'as a trial',
    ...mix,
  })
  bench.finish('pour-anatomy')
  bench.do({ type: 'startStep', jobId: J, stepId: 'retention' })
  bench.finish('retention')
  bench.do({ type: 'startStep', jobId: J, stepId: 'set' })
  return { bench, met, window: windowOf(bench, 'set') }
}

describe('the clock of what sets starts when the material does', () => {
  it('45 min from when powder met water, not from the tap (common practice)', () => {
    const { met, window } = poured({}, 12)
    expect(window.from).toBe(met)
    expect(minutesFrom(met, window.goodFrom)).toBe(45)
  })
  it('a mix without a time of its own counts from when it was recorded', () => {
    const { met, window } = poured({ metAt: undefined }, 12)
    expect(minutesFrom(met, window.from)).toBe(12)
  })
  it('thinner: by the setting times of Craig, recalled: 7 min at 0.24, 6 at 0.23 between 5 and 7', () => {
    const { met, window } = poured({ liquidMillilitres: 24 }, 5)
    expect(minutesFrom(met, window.goodFrom)).toBeCloseTo((45 * 7) / 6, 6)
    // It stays good as long, and alginate dries by its own clock.
    expect(window.lateFrom - window.goodFrom).toBe(45 * MINUTE)
    expect(minutesFrom(met, window.pastFrom)).toBe(240)
  })
  it('thicker: no sooner than the card says, since strength needs its time', () => {
    const { met, window } = poured({ liquidMillilitres: 22 }, 5)
    expect(minutesFrom(met, window.goodFrom)).toBe(45)
  })
  it('beyond the published rows as at the last of them, 9 min at 0.26', () => {
    const { met, window } = poured({ liquidMillilitres: 30 }, 5)
    expect(minutesFrom(met, window.goodFrom)).toBeCloseTo((45 * 9) / 6, 6)
  })
  it('by what the clock of the mix knew, and by the times of the pack', () => {
    expect(minutesFrom(0, windowAfter({ settingFactor: 2 }))).toBeCloseTo(90, 6)
    expect(minutesFrom(0, windowAfter({ pack: { separateMinutes: 30 } }))).toBeCloseTo(30, 6)
    expect(minutesFrom(0, windowAfter({ pack: { separateMinutes: 60 }, settingFactor: 0.5 }))).toBeCloseTo(
      60,
      6,
    )

    function windowAfter(mix: Partial<RecordedMix>) {
      const { met, window } = poured(mix, 1)
      return window.goodFrom - met
    }
  })
  it('mounting plaster is cut by its setting time: salt that halves it halves the window', () => {
    const bench = new Bench('articulator-mounting').upTo('mount-upper')
    const met = bench.now
    mixed(bench, 'mount-upper', {
      amountId: 'mounting-plaster-upper',
      materialId: 'model-plaster',
      powderGrams: 200,
      liquidMillilitres: 100,
      settingFactor: 0.5,
    })
    for (const command of bench.carefully('mount-upper')) if (command.type !== 'recordMix') bench.do(command)
    bench.now += 4 * MINUTE
    bench.finish('mount-upper')
    bench.do({ type: 'startStep', jobId: J, stepId: 'upper-plaster-set' })
    const window = windowOf(bench, 'upper-plaster-set')
    expect([window.goodFrom, window.lateFrom, window.pastFrom].map((each) => minutesFrom(met, each))).toEqual(
      [5, 12.5, 30],
    )
  })
  it('a rebase counts 45 min from its mix, however long after the start it was mixed', () => {
    const bench = new Bench('study-model-pair').upTo('rebase')
    bench.now += 10 * MINUTE
    const met = bench.now
    const { amountId, materialId } = { amountId: 'rebase-stone', materialId: 'dental-stone' }
    mixed(bench, 'rebase', { amountId, materialId, powderGrams: 80, liquidMillilitres: 24 })
    expect(minutesFrom(met, windowOf(bench, 'rebase').goodFrom)).toBe(45)
  })
  it('never opens sooner with more water', () => {
    const ratio = fc.double({ min: 18, max: 40, noNaN: true })
    fc.assert(
      fc.property(ratio, ratio, (a, b) => {
        const [less, more] = [Math.min(a, b), Math.max(a, b)]
        const opens = (liquidMillilitres: number) => {
          const { met, window } = poured({ liquidMillilitres }, 1)
          return window.goodFrom - met
        }
        expect(opens(more)).toBeGreaterThanOrEqual(opens(less))
      }),
      { numRuns: 10 },
    )
  })
})

describe('dough by the room', () => {
  const resin = { materialId: 'heat-cure-acrylic', powderGrams: 30, liquidMillilitres: 13 }
  /** Mixed at minute 0 in such a room; the step is begun at minute 1. */
  const doughAt = (roomCelsius?: number) => {
    const bench = new Bench('complete-denture', { arch: 'upper' }).upTo('mix-dough')
    const met = bench.now
    mixed(bench, 'mix-dough', {
      ...resin,
      amountId: 'resin',
      ...(roomCelsius === undefined ? {} : { roomCelsius }),
    })
    bench.now += MINUTE
    bench.finish('mix-dough')
    bench.do({ type: 'startStep', jobId: J, stepId: 'dough' })
    return { bench, met }
  }
  it.each([
    { celsius: undefined, from: 6, to: 15, past: 22 },
    { celsius: 23, from: 6, to: 15, past: 22 },
    // Twice as long for 10 °C colder (our assumption): half as long at 33 °C.
    { celsius: 33, from: 3, to: 7.5, past: 11 },
    { celsius: 13, from: 12, to: 30, past: 44 },
  ])('at $celsius °C good from $from to $to, past at $past min', ({ celsius, from, to, past }) => {
    const { bench, met } = doughAt(celsius)
    const { goodFrom, lateFrom, pastFrom } = windowOf(bench, 'dough')
    expect([goodFrom, lateFrom, pastFrom].map((each) => minutesFrom(met, each))).toEqual([from, to, past])
  })
  it('is the clock that the screen draws: at 30 °C the dough is over after about 9 min', () => {
    const { bench, met } = doughAt(30)
    const drawn = doughStages(30).find(({ name }) => name === 'dough')!
    const window = windowOf(bench, 'dough')
    expect(minutesFrom(met, window.goodFrom)).toBeCloseTo(drawn.fromMinutes, 6)
    expect(minutesFrom(met, window.lateFrom)).toBeCloseTo(drawn.toMinutes!, 6)
    expect(drawn.toMinutes).toBeGreaterThan(9)
    expect(drawn.toMinutes).toBeLessThan(9.5)
  })
  it('a room that was entered wrong is corrected, and the window with it', () => {
    const { bench, met } = doughAt(23)
    const { sequence } = bench.job.steps['mix-dough']!.mixes[0]!
    bench.do({ type: 'correct', corrects: sequence, roomCelsius: 33, reason: 'looked at the thermometer' })
    expect(minutesFrom(met, windowOf(bench, 'dough').goodFrom)).toBe(3)
    const words = eventWords(bench.working.events.at(-1)!, { jobs: [bench.job], lotNumber: (id) => id })
    expect(JSON.stringify(words)).toContain('33')
    expect(bench.job.steps['mix-dough']!.mixes[0]).toMatchObject({ powderGrams: 30, roomCelsius: 33 })
  })
  it('with a jar for each jaw it opens with the last and closes with the first', () => {
    const bench = new Bench('complete-denture', { arch: 'pair' }).upTo('mix-dough')
    const met = bench.now
    mixed(bench, 'mix-dough', { ...resin, amountId: 'resin-upper' })
    bench.now += 5 * MINUTE
    mixed(bench, 'mix-dough', { ...resin, amountId: 'resin-lower' })
    bench.finish('mix-dough')
    bench.do({ type: 'startStep', jobId: J, stepId: 'dough' })
    const { from, goodFrom, lateFrom, pastFrom } = windowOf(bench, 'dough')
    expect([from, goodFrom, lateFrom, pastFrom].map((each) => minutesFrom(met, each))).toEqual([
      0, 11, 15, 22,
    ])
  })
  it('mixed again, the second jar counts', () => {
    const { bench } = doughAt()
    bench.do({ type: 'goBack', jobId: J, toStepId: 'mix-dough', remake: false, reason: 'rubbery' })
    bench.now += 40 * MINUTE
    bench.do({ type: 'startStep', jobId: J, stepId: 'mix-dough' })
    const again = bench.now
    mixed(bench, 'mix-dough', { ...resin, amountId: 'resin' })
    bench.finish('mix-dough')
    bench.do({ type: 'startStep', jobId: J, stepId: 'dough' })
    expect(windowOf(bench, 'dough').from).toBe(again)
  })
})

describe('a window that is past is a decision', () => {
  const startPacking = { type: 'startStep', jobId: J, stepId: 'trial-closures' } as const
  it('dough that is rubbery is not packed without a word: mix again, or say why', () => {
    const bench = new Bench('complete-denture', { arch: 'upper' }).upTo('dough')
    bench.check('dough', 'dough-stage', 'Dough, comes clean off')
    bench.now = windowOf(bench, 'dough').goodFrom
    bench.finish('dough')
    bench.now += 20 * MINUTE
    const window = windowOf(bench, 'trial-closures')
    expect(windowVerdict(window, bench.now)).toBe('past')
    expect(window.ifPast?.toStepId).toBe('mix-dough')
    expect(bench.refusal(startPacking)).toBe('window-missed')
    bench.do({ ...startPacking, outOfTimeReason: 'still soft: it had stood in the cold' })
    expect(bench.job.steps['trial-closures']!.status).toBe('running')
  })
  it('what it offers leads back to a step that is then done again', () => {
    const bench = new Bench('complete-denture', { arch: 'upper' }).upTo('dough')
    bench.now += 30 * MINUTE
    const { ifPast } = windowOf(bench, 'dough')
    bench.do({ type: 'goBack', jobId: J, toStepId: ifPast!.toStepId, remake: false, reason: ifPast!.say })
    expect(bench.job.steps['mix-dough']).toMatchObject({ status: 'waiting', attempt: 2 })
  })
  it.each([
    { template: 'complete-denture', step: 'soften-wax', after: 10, answers: [] },
    { template: 'articulator-mounting', step: 'upper-plaster-set', after: 61, answers: [] },
  ])('$step after $after min wants a reason', ({ template, step, after }) => {
    const bench = new Bench(template).upTo(step)
    for (const command of bench.carefully(step)) bench.do(command)
    bench.now += after * MINUTE
    const finish = { type: 'finishStep', jobId: J, stepId: step } as const
    expect(bench.refusal(finish)).toBe('window-missed')
    expect(bench.refusal({ ...finish, outOfTimeReason: 'called away' })).toBeUndefined()
  })
  it('a ring that stood too long goes back into the oven', () => {
    const bench = new Bench('cast-crown').upTo('burnout')
    for (const command of bench.carefully('burnout')) bench.do(command)
    bench.now += 300 * MINUTE
    bench.finish('burnout')
    bench.now += 3 * MINUTE
    expect(windowOf(bench, 'cast').ifPast?.toStepId).toBe('burnout')
    expect(bench.refusal({ type: 'startStep', jobId: J, stepId: 'cast' })).toBe('window-missed')
  })
})

describe('what was not tapped in time', () => {
  const begin = (realAt?: number) => ({
    type: 'startStep' as const,
    jobId: J,
    stepId: 'pour-anatomy',
    ...(realAt === undefined ? {} : { realAt: at(realAt) }),
  })
  const before = () => new Bench().upTo('wrap')
  it('counts from when it really was, and the record tells both', () => {
    const bench = before()
    bench.finish('wrap')
    const over = bench.now
    bench.now += 30 * MINUTE
    // By now it would be past; it was begun in time.
    expect(bench.refusal(begin())).toBe('window-missed')
    bench.do(begin(over + 2 * MINUTE))
    expect(bench.job.steps['pour-anatomy']).toMatchObject({ startedAt: at(over + 2 * MINUTE) })
    const event = bench.working.events.at(-1)!
    expect(event).toMatchObject({ at: at(bench.now), realAt: at(over + 2 * MINUTE) })
    const words = JSON.stringify(eventWords(event, { jobs: [bench.job], lotNumber: (id) => id }))
    expect(words).toContain('entered later')
    expect(words).toContain(String(over + 2 * MINUTE))
  })
  it('is never before the last fact that it depends on, nor yet to come', () => {
    const bench = before()
    bench.now += 5 * MINUTE
    bench.finish('wrap')
    const over = bench.now
    bench.now += 4 * MINUTE
    expect(bench.refusal(begin(over - 1000))).toBe('before-what-it-needs')
    expect(bench.refusal(begin(over))).toBeUndefined()
    expect(bench.refusal(begin(bench.now + 2 * MINUTE))).toBe('later-than-now')
    // A clock of a bench may run a little before.
    expect(bench.refusal(begin(bench.now + 30_000))).toBeUndefined()
  })
  it('an end is never before the mix, nor before a reading; a reading never before the start', () => {
    const bench = before()
    bench.finish('wrap')
    bench.do(begin())
    const started = bench.now
    bench.now += 20 * MINUTE
    mixed(bench, 'pour-anatomy', { ...stone, liquidMillilitres: 23, metAt: at(started + 5 * MINUTE) })
    const finish = (realAt: number) =>
      bench.refusal({ type: 'finishStep', jobId: J, stepId: 'pour-anatomy', realAt: at(realAt) })
    expect(finish(started + 4 * MINUTE)).toBe('before-what-it-needs')
    expect(finish(started + 5 * MINUTE)).toBeUndefined()

    const inspecting = new Bench().upTo('inspect-impression')
    const begun = inspecting.now
    inspecting.now += 20 * MINUTE
    const read = (realAt: number) => ({
      type: 'recordCheck' as const,
      jobId: J,
      stepId: 'inspect-impression',
      checkId: 'impression-whole',
      answer: 'Whole',
      realAt: at(realAt),
    })
    expect(inspecting.refusal(read(begun - 1))).toBe('before-what-it-needs')
    inspecting.do(read(begun + 3 * MINUTE))
    const end = (realAt: number) =>
      inspecting.refusal({ type: 'finishStep', jobId: J, stepId: 'inspect-impression', realAt: at(realAt) })
    expect(end(begun + 2 * MINUTE)).toBe('before-what-it-needs')
    expect(end(begun + 3 * MINUTE)).toBeUndefined()
  })
  it('a step done again was not begun before it went back', () => {
    const bench = before()
    bench.finish('wrap')
    bench.do(begin())
    bench.now += 5 * MINUTE
    bench.do({ type: 'goBack', jobId: J, toStepId: 'pour-anatomy', remake: false, reason: 'too thick' })
    bench.now += 2 * MINUTE
    expect(bench.refusal(begin(bench.now - 3 * MINUTE))).toBe('before-what-it-needs')
    expect(bench.refusal(begin(bench.now - MINUTE))).toBeUndefined()
  })
  it('a step beside the one that went back was begun when it was', () => {
    const bench = new Bench('clear-clasp').upTo('dry-strips')
    const before = bench.now
    bench.now += 5 * MINUTE
    bench.do({ type: 'goBack', jobId: J, toStepId: 'dry-strips', remake: false, reason: 'they touched' })
    const beside = { type: 'startStep' as const, jobId: J, stepId: 'block-out', realAt: at(before + MINUTE) }
    expect(bench.refusal(beside)).toBeUndefined()
    expect(bench.refusal({ ...beside, stepId: 'dry-strips' })).toBe('before-what-it-needs')
  })
  it('a mix that is yet to be made is refused', () => {
    const bench = before()
    bench.finish('wrap')
    bench.do(begin())
    const mix = {
      type: 'recordMix' as const,
      jobId: J,
      stepId: 'pour-anatomy',
      lots: [],
      ...stone,
      liquidMillilitres: 23,
    }
    expect(bench.refusal({ ...mix, metAt: at(bench.now + 5 * MINUTE) })).toBe('later-than-now')
    expect(bench.refusal({ ...mix, metAt: at(bench.now) })).toBeUndefined()
  })
})

describe('investment on its way to the furnace', () => {
  const mixed = (pack: { furnaceMinutes?: { from: number; to: number }; separateMinutes?: number }) => {
    const bench = new Bench('cast-crown').upTo('invest')
    const [mix] = bench.carefully('invest').filter(({ type }) => type === 'recordMix')
    bench.do({ ...mix!, pack } as CaseCommand)
    const met = bench.now
    for (const command of bench.carefully('invest')) if (command.type === 'recordCheck') bench.do(command)
    bench.now += 4 * MINUTE
    bench.finish('invest')
    bench.do({ type: 'startStep', jobId: J, stepId: 'bench-set' })
    const { goodFrom, lateFrom, pastFrom } = windowOf(bench, 'bench-set')
    return [goodFrom, lateFrom, pastFrom].map((each) => (each === undefined ? each : (each - met) / MINUTE))
  }
  // Common practice: bench set 45-60 min; one marked for a hot furnace by the minutes of its pack, from contact.
  it('has two sides where its pack prints them, from contact with the liquid', () =>
    expect(mixed({ furnaceMinutes: { from: 15, to: 20 } })).toEqual([15, 20, 20]))
  it('else sets for its 45 min and may stand', () => expect(mixed({})).toEqual([45, 180, undefined]))
})

describe('what must be done beside a step', () => {
  it('the metal is weighed and on record before the ring leaves the oven', () => {
    const bench = new Bench('cast-crown').upTo('bench-set')
    bench.now += 60 * MINUTE
    bench.finish('bench-set')
    bench.do({ type: 'startStep', jobId: J, stepId: 'burnout' })
    for (const command of bench.carefully('burnout')) bench.do(command)
    bench.now += 300 * MINUTE
    const takeOut = { type: 'finishStep', jobId: J, stepId: 'burnout' } as const
    expect(bench.refusal(takeOut)).toBe('other-step-first')
    bench.do({ type: 'startStep', jobId: J, stepId: 'weigh-metal' })
    expect(bench.refusal(takeOut)).toBe('other-step-first')
    for (const command of bench.carefully('weigh-metal')) bench.do(command)
    bench.finish('weigh-metal')
    expect(bench.refusal(takeOut)).toBeUndefined()
  })
})
