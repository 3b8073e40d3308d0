import { describe, expect, it } from '@jest/globals'
import { type CaseCommand, finishedAt, stepOf } from '../case/index.ts'
import { newMetal } from '../casting/index.ts'
import { programMinutes } from '../program/index.ts'
import { type DataOfKind, goodSheet } from '../sheet/index.ts'
import { Bench, inMetric, J, MINUTE } from '../testing/index.ts'
import { castingCauses, castingRecord } from './index.ts'

type Burnout = DataOfKind<'burnout'>

/** Read by hand in the final hold, after the usual program. */
function burnoutAt(celsius: number, change: Partial<Burnout['run']> = {}): Burnout {
  const good = goodSheet(stepOf(new Bench('cast-crown').job, 'burnout').sheets![0]!)
  if (good.kind !== 'burnout') throw new Error('not a burnout')
  const minutes = good.run.measured[0]!.minutes
  return { ...good, run: { ...good.run, measured: [{ minutes, celsius }], ...change } }
}

describe('the record of a casting', () => {
  it('is read from the case: times from its clock, figures from its readings', () => {
    const bench = new Bench('cast-crown').upTo('burnout')
    bench.now += 300 * MINUTE
    bench.sheet('burnout', 'burnout-phosphate', burnoutAt(840))
    bench.finish('burnout')
    bench.now += 4 * MINUTE
    bench.do({ type: 'startStep', jobId: J, stepId: 'cast', outOfTimeReason: 'torch ran out' })
    bench.check('cast', 'arm-turns', 3)
    const record = castingRecord(bench.job)
    expect(record).toMatchObject({
      wettingAgent: 'dry film',
      furnaceCelsius: 840,
      turns: 3,
      transferMinutes: 4,
      burnoutMinutes: 300,
      binder: 'phosphate',
    })
    const melted = new Bench('cast-crown').upTo('weigh-metal')
    melted.sheet('weigh-metal', 'charge', {
      kind: 'charge',
      alloyId: 'cobalt-chromium',
      pieces: [{ id: 'a', grams: 12.4, lots: [], history: newMetal }],
    })
    expect(castingRecord(melted.job)).toMatchObject({
      alloyGrams: 12.4,
      remeltShare: 0,
      alloyId: 'cobalt-chromium',
    })
    expect(inMetric(castingCauses('margin', 'Short', record)[0])).toMatchObject({
      standing: 'supported',
      words: '4 min from oven to arm.',
    })
  })
  it('an empty job has nothing to say', () => {
    expect(castingRecord(new Bench('cast-crown').job)).toEqual({ binder: 'phosphate', pattern: 'wax' })
  })

  it.each([
    // Of phosphate-bonded investment, mL/g, common practice: 0.16 to 0.23, both inclusive.
    [0.159, 'thick'],
    [0.16, 'usual'],
    [0.23, 'usual'],
    [0.231, 'thin'],
  ])('%d mL/g is %s', (ratio, standing) => {
    const { job } = invested({ powderGrams: 100, liquidMillilitres: 100 * ratio, reason: 'as it came' })
    expect(castingRecord(job).ratio).toEqual({ millilitresPerGram: expect.closeTo(ratio, 9), standing })
  })
  it('counts from the look at the margin to the investing, and from contact to the furnace', () => {
    const bench = new Bench('cast-crown').before('invest')
    const last = Object.values(bench.job.steps).flatMap((step) => finishedAt(step) ?? [])
    bench.now += 7 * MINUTE
    bench.do({ type: 'startStep', jobId: J, stepId: 'invest' })
    expect(last.length).toBeGreaterThan(3)
    const { marginToInvestMinutes } = castingRecord(bench.job)
    expect(marginToInvestMinutes).toBeGreaterThanOrEqual(7)
    const pack = { furnaceMinutes: { from: 15, to: 20 }, peakCelsius: 900 }
    mix(bench, { pack })
    const met = bench.now
    for (const command of bench.carefully('invest')) if (command.type === 'recordCheck') bench.do(command)
    bench.now += 4 * MINUTE
    bench.finish('invest')
    bench.do({ type: 'startStep', jobId: J, stepId: 'bench-set' })
    bench.now = met + 17 * MINUTE
    bench.finish('bench-set')
    bench.do({ type: 'startStep', jobId: J, stepId: 'burnout' })
    expect(castingRecord(bench.job)).toMatchObject({
      marginToInvestMinutes,
      benchSetMinutes: 13,
      contactToFurnaceMinutes: 17,
      usualPeakCelsius: 900,
      furnaceMinutes: { from: 15, to: 20 },
    })
  })
  it('takes off what the furnace shows too much, and says how it was programmed and whether it went in hot', () => {
    const bench = new Bench('cast-crown').upTo('burnout')
    bench.sheet('burnout', 'burnout-phosphate', burnoutAt(840, { showsTooMuchCelsius: 15 }))
    const { furnaceCelsius, hotEntry, programMinutes: takes, ...rest } = castingRecord(bench.job)
    expect([furnaceCelsius, hotEntry]).toEqual([825, undefined])
    expect(takes).toBeCloseTo(programMinutes(burnoutAt(840).run.program), 9)
    // What the furnace did on its way is known from its own curve alone.
    expect(rest.measuredByMachine).toBeUndefined()
    expect(rest.throughInversionsCelsiusPerMinute).toBeUndefined()
  })
  it('reads its steepest way through the inversions off the curve that the furnace gave', () => {
    const bench = new Bench('cast-crown').upTo('burnout')
    // 10 °C/min all the way up to 850 °C, then an hour there.
    const measured = [
      { minutes: 0, celsius: 20 },
      { minutes: 83, celsius: 850 },
      { minutes: 143, celsius: 850 },
    ]
    const program = {
      startCelsius: 20,
      segments: [{ rampCelsiusPerMinute: 10, toCelsius: 850, holdMinutes: 60 }],
    }
    bench.sheet('burnout', 'burnout-phosphate', burnoutAt(850, { from: 'machine', program, measured }))
    const record = castingRecord(bench.job)
    expect(record.measuredByMachine).toBe(true)
    expect(record.throughInversionsCelsiusPerMinute).toBeCloseTo(10, 6)
  })
  it.each([
    ['Dry film', 'dry film'],
    ['Pools', 'pools'],
  ])('of the wetting agent says what was seen last: %s', (answer, wettingAgent) => {
    const bench = new Bench('cast-crown').upTo('invest')
    const check = stepOf(bench.job, 'invest').checks!.find(({ means }) => means === 'wettingAgent')!
    bench.check('invest', check.id, answer)
    expect(castingRecord(bench.job)).toMatchObject({ wettingAgent })
  })
  it('knows a resin pattern, and gypsum', () => {
    const [resin] = new Bench('cast-crown', { pattern: 'resin', investment: 'gypsum', metal: 'gold' }).working
      .state.jobs
    expect(castingRecord(resin!)).toEqual({ binder: 'gypsum', pattern: 'resin' })
  })
})

/** A case at its investing, with a mix on record. */
function invested(change: object): Bench {
  const bench = new Bench('cast-crown').upTo('invest')
  mix(bench, change)
  return bench
}
function mix(bench: Bench, change: object): void {
  const [careful] = bench.carefully('invest').filter(({ type }) => type === 'recordMix')
  bench.do({ ...careful!, ...change } as CaseCommand)
}
