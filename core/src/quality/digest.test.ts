import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { goodSheet } from '../sheet/index.ts'
import { Bench, J } from '../testing/index.ts'
import {
  inventedRecord,
  length,
  MadeCase,
  MONDAY,
  madeHours,
  madeRoute,
  pqr,
} from '../testing/made-record.ts'
import { countedRecord } from './counted-record.ts'
import { flowParts } from './digest.ts'
import { digestCase } from './make-digest.ts'

const MINUTE = 60_000
const counted = (...cases: readonly MadeCase[]) =>
  countedRecord({ digests: cases.map((made) => made.digest()), hours: madeHours, now: MONDAY })
const sum = (list: readonly number[]) => list.reduce((all, each) => all + each, 0)

describe('what a going back costs', () => {
  it('P 10, Q 20, R begun 12 min, then back to P, P and Q again: 42 min of hands, 40 min of clock', () => {
    const made = new MadeCase('a').step('p', 0, 10).step('q', 10, 30)
    made.start('r', 108)
    const g = made.back('p', 120)
    made.step('p', 120, 135).step('q', 140, 160)
    const { backs } = counted(made)
    expect(backs).toMatchObject([
      { sequence: g, to: 'p', foundAt: 'r', side: 'lab', handsMinutes: 42, clockMinutes: 40 },
    ])
    expect(backs[0]).not.toHaveProperty('open')
  })
  it('while two are open the minute belongs to the later, and the sum is the union', () => {
    const made = new MadeCase('a').step('p', 0, 10).step('q', 10, 30)
    made.back('p', 100)
    made.step('p', 110, 120)
    made.back('p', 150)
    made.step('p', 160, 170).step('q', 180, 200)
    const clock = counted(made).backs.map(({ clockMinutes }) => clockMinutes)
    // From 100 to 150; from 150 until P stands at 170; then Q, which the first had opened.
    expect(clock).toEqual([50 + 30, 20])
  })
  it('until it is made good it runs on, to the last that is known', () => {
    const made = new MadeCase('a').step('p', 0, 10)
    made.back('p', 20)
    made.start('p', 50)
    expect(counted(made).backs).toMatchObject([{ clockMinutes: 30, open: true }])
  })
  it('grams and minutes of machines that were thrown away are told beside it', () => {
    const route = madeRoute('mixed', [{ id: 'p' }, { id: 'oven', kind: 'machine' }, { id: 'r' }])
    const made = new MadeCase('a', route)
    made.start('p', 0)
    made.add('mixRecorded', 5, {
      stepId: 'p',
      amountId: 'x',
      materialId: 'high-strength-stone',
      powderGrams: 80,
      lots: [],
    })
    made.finish('p', 10)
    made.step('oven', 10, 70)
    made.back('p', 80)
    expect(counted(made).backs).toMatchObject([{ grams: 80, machineMinutes: 60, handsMinutes: 10 }])
  })
  it('found at the step that was begun last; none was: nobody knows', () => {
    const made = new MadeCase('a').step('p', 0, 10)
    made.back('p', 20)
    expect(counted(made).backs[0]).not.toHaveProperty('foundAt')
  })
  it('lies with the clinic when it is found there, or a cause says so; a cause of the lab overrules it', () => {
    const route = madeRoute('away', [{ id: 'p' }, { id: 'try-in', kind: 'clinic' }])
    const side = (cause?: string, at = 'try-in') => {
      const made = new MadeCase('a', route).step('p', 0, 10)
      if (at === 'try-in') made.start('try-in', 12)
      const wentBack = made.back('p', 20)
      if (cause) made.add('causeFound', 30, { wentBack, cause, how: 'seen' })
      return counted(made).backs[0]!.side
    }
    expect([side(), side('A slip of the hand'), side('notFound')]).toEqual(['clinic', 'lab', 'clinic'])
    expect([side(undefined, 'p'), side("The clinic's impression, order or answer", 'p')]).toEqual([
      'lab',
      'clinic',
    ])
  })
})

describe('hands', () => {
  const hands = (...cases: readonly MadeCase[]) => counted(...cases).jobs.flatMap((job) => job.hands)
  it('count open minutes: not the night, not a hold, a question or a pause', () => {
    // 16:00 on Monday to 09:00 on Tuesday: an hour, and an hour and a half.
    expect(hands(new MadeCase('a').step('p', 480, 480 + 17 * 60))).toEqual([150])
    const made = new MadeCase('b')
    made.start('p', 0)
    made.add('held', 10, { reason: 'waits' })
    made.add('released', 20, {})
    made.add('paused', 30, { stepId: 'p' })
    made.add('resumed', 36, { stepId: 'p' })
    made.add('dentistAsked', 40, { stepId: 'p', question: 'so?' })
    made.add('dentistAnswered', 47, { answer: 'yes', decision: 'proceed' })
    made.finish('p', 60)
    expect(hands(made)).toEqual([60 - 10 - 6 - 7])
  })
  it('a pause ends with the next entry on the step', () => {
    const made = new MadeCase('a').step('p', 0, 10)
    made.start('q', 10)
    made.add('paused', 20, { stepId: 'q' })
    made.read(1.5, 35)
    made.finish('q', 40)
    expect(hands(made)).toEqual([10, 15])
  })
  it('one person on two things at once gives half a minute to each', () => {
    const one = new MadeCase('a').step('p', 0, 30)
    const other = new MadeCase('b').step('p', 10, 20)
    expect(hands(one, other)).toEqual([25, 5])
    const byBen = new MadeCase('b')
    byBen.by = 'Ben'
    expect(hands(one, byBen.step('p', 10, 20))).toEqual([30, 10])
  })
  it('of what was put down later count from when it was', () => {
    const made = new MadeCase('a')
    made.add('stepStarted', 30, { stepId: 'p' }, { realAt: new Date(MONDAY).toISOString() })
    made.finish('p', 40)
    expect(hands(made)).toEqual([40])
  })
})

describe('what did not pass', () => {
  const first = (...readings: readonly number[]) => {
    const made = new MadeCase('a').step('p', 0, 10)
    made.start('q', 10)
    for (const [n, value] of readings.entries()) made.read(value, 11 + n)
    made.finish('q', 30)
    return made.digest().jobs[0]!
  }
  it('is the first reading of the first attempt, whatever came of it', () => {
    expect(first(1.5).attempts[1]).not.toHaveProperty('failed')
    expect(first(2.5, 1.5).attempts[1]).toHaveProperty('failed', true)
    expect(first(1.5, 2.5).attempts[1]).not.toHaveProperty('failed')
  })
  it('where r readings are wanted, it is the r-th', () => {
    const route = madeRoute('twice', [{ id: 'q', checks: [{ ...length, readings: 2 }] }])
    const of = (...values: readonly number[]) => {
      const made = new MadeCase('a', route)
      made.start('q', 0)
      for (const [n, value] of values.entries()) made.read(value, 1 + n)
      made.finish('q', 9)
      return made.digest().jobs[0]!.attempts[0]!.failed
    }
    expect([of(9, 1.5), of(1.5, 9)]).toEqual([undefined, true])
  })
  it('the values are kept with their limits; later ones are repeats', () => {
    expect(first(2.5, 1.5).series).toMatchObject([
      {
        key: 'pqr/q/length@1..2',
        name: 'Length',
        quantity: 'millimetres',
        ...{ min: 1, max: 2, least: 0, most: 20 },
        values: [{ value: 2.5 }, { value: 1.5, repeat: true }],
      },
    ])
  })
  it('a value knows the lot that its step was mixed from', () => {
    const made = new MadeCase('a').step('p', 0, 10)
    made.start('q', 10)
    made.add('mixRecorded', 11, { stepId: 'q', amountId: 'x', materialId: 'stone', lots: ['L1'] })
    made.read(1.5, 12)
    expect(made.digest().jobs[0]!.series[0]!.values).toMatchObject([{ value: 1.5, lot: 'L1' }])
    const stone = { stepId: 'q', materialId: 'dental-stone', powderGrams: 100, liquidMillilitres: 30 }
    made.add('mixRecorded', 13, { ...stone, amountId: 'one', lots: ['L2'] })
    made.add('mixRecorded', 14, { ...stone, amountId: 'other', lots: ['L3'] })
    const ratios = made.digest().jobs[0]!.series.filter(({ quantity }) => quantity === 'percent')
    // Each of its own lot, whichever was mixed last; as wanted, so nothing off.
    expect(ratios.map(({ values }) => values)).toMatchObject([
      [{ value: 0, lot: 'L2' }],
      [{ value: 0, lot: 'L3' }],
    ])
  })
  it('of a second attempt they are repeats, though the first was never read', () => {
    const made = new MadeCase('a').step('p', 0, 10)
    made.start('q', 10)
    made.back('p', 12)
    made.step('p', 12, 20)
    made.start('q', 20)
    made.read(1.5, 21)
    expect(made.digest().jobs[0]!.series[0]!.values).toMatchObject([{ value: 1.5, repeat: true }])
  })
  it('a sheet that was corrected has the verdict and the peak that it has now', () => {
    const failing = { verdict: 'adjust' as const, say: 'again' }
    const sheet = {
      id: 'c',
      kind: 'cure' as const,
      name: 'Cure',
      how: '',
      source: '',
      remakeFrom: 'p',
      failing,
    }
    const made = new MadeCase('a', madeRoute('cured', [{ id: 'p', sheets: [sheet] }]))
    made.start('p', 0)
    const data = {
      sheetId: 'c',
      sheet: { kind: 'cure' } as never,
      judged: { passes: false, peakCelsius: 130 },
    }
    const corrects = made.add('sheetRecorded', 1, { stepId: 'p', ...data })
    const [before] = made.digest().jobs
    expect([before!.attempts[0]!.failed, before!.series[0]!.values[0]!.value]).toEqual([true, 130])
    made.add('corrected', 2, {
      corrects,
      sheet: data.sheet,
      reason: 'x',
      judged: { passes: true, peakCelsius: 99 },
    })
    const [after] = made.digest().jobs
    expect([after!.attempts[0]!.failed, after!.series[0]!.values[0]!.value]).toEqual([undefined, 99])
  })
  it('a corrected value is as if nobody had erred, and the last correction counts', () => {
    const record = (entered: number, ...corrections: readonly number[]) => {
      const made = new MadeCase('a').step('p', 0, 10)
      made.start('q', 10)
      const corrects = made.read(entered, 11)
      for (const value of corrections) made.add('corrected', 12, { corrects, value, reason: 'misread' })
      if (corrections.length === 0) made.add('noted', 12, { text: '' })
      if (corrections.length < 2) made.add('noted', 12, { text: '' })
      made.finish('q', 20)
      const { slips, ...rest } = made.digest()
      return { slips, rest }
    }
    expect(record(25, 1.4).rest).toEqual(record(1.4).rest)
    expect(record(25, 7, 1.4).rest).toEqual(record(1.4).rest)
    expect([record(1.4).slips, record(25, 1.4).slips]).toEqual([0, 1])
  })
  it('a question that only a correction opens lasts no longer than until the work goes on', () => {
    const asks = { ...length, above: { verdict: 'askDentist' as const, say: 'So?' } }
    const made = new MadeCase('a', madeRoute('asked', [{ id: 'q', checks: [asks] }, { id: 'r' }]))
    made.start('q', 0)
    const corrects = made.read(1.5, 10)
    made.add('corrected', 12, { corrects, value: 9, reason: 'misread' })
    made.finish('q', 20)
    made.step('r', 20, 50)
    const { flow } = made.digest().jobs[0]!
    expect([flow.dentist, flow.hands]).toEqual([10, 40])
  })
  it('what was withdrawn never was', () => {
    const made = new MadeCase('a').step('p', 0, 10)
    const back = made.back('p', 12)
    made.add('withdrawn', 13, { withdraws: back, reason: 'wrong case' })
    expect(made.digest().jobs[0]!.backs).toEqual([])
  })
  it('a sheet is judged when it is recorded: its digest judges nothing, and says what was not recorded', () => {
    const bench = new Bench('complete-denture')
    const { id: cure, sheets = [] } = bench.job.route.steps.find((step) =>
      step.sheets?.some(({ kind }) => kind === 'cure'),
    )!
    const wanted = sheets.find(({ kind }) => kind === 'cure')!
    bench.upTo(cure).sheet(cure, wanted.id, goodSheet(wanted))
    const recorded = bench.working.events.at(-1)!
    expect(recorded).toMatchObject({ type: 'sheetRecorded', judged: { passes: true } })
    const peak = (recorded as { judged: { peakCelsius: number } }).judged.peakCelsius
    expect(peak).toBeGreaterThan(90)
    const digest = (events = bench.working.events) =>
      digestCase('a', events, (id) => bench.working.routes.get(id)!, madeHours).jobs[0]!
    expect(digest().series.find(({ computed }) => computed)).toMatchObject({
      quantity: 'celsius',
      values: [{ value: peak }],
    })
    const told = digest().notRecorded
    const failed = bench.working.events.map((event) =>
      event === recorded ? { ...event, judged: { passes: false } } : event,
    ) as typeof bench.working.events
    expect(digest(failed).attempts.find(({ step }) => step === cure)).toHaveProperty('failed', true)
    const before = bench.working.events.map((event) =>
      event === recorded ? { ...event, judged: undefined } : event,
    ) as typeof bench.working.events
    expect(digest(before)).toMatchObject({ notRecorded: told + 1 })
    expect(digest(before).attempts.find(({ step }) => step === cure)).not.toHaveProperty('failed')
  })
})

describe('the case', () => {
  it('is due when it was agreed before the date before it had passed', () => {
    const due = (...amended: readonly (readonly [number, number])[]) => {
      const made = new MadeCase('a', pqr, 0, { dueMinutes: 100 })
      for (const [at, to] of amended)
        made.add('authorisationAmended', at, {
          changes: { dueAt: new Date(MONDAY + to * MINUTE).toISOString() },
          reason: 'asked',
        })
      return (made.digest().dueAt - MONDAY) / MINUTE
    }
    expect([due(), due([50, 300]), due([101, 300]), due([50, 300], [200, 500])]).toEqual([100, 300, 100, 500])
  })
  it('tells its mark, its fast clock, where it came from, and its first promise', () => {
    const made = new MadeCase('a', pqr, 0, {
      mark: 'demo',
      cameBack: { caseId: 'z', docket: 'K-Z', cause: 'fit', found: 'rocks' },
    })
    made.add('promised', 1, { dueAt: new Date(MONDAY).toISOString(), chance: 0.9 })
    made.add('promised', 2, { dueAt: new Date(MONDAY).toISOString(), chance: 0.2 })
    made.add('imported', 3, { chain: 'none' })
    made.add('noted', 4, { text: 'x' }, { clockSpeed: 60 })
    expect(made.digest()).toMatchObject({
      mark: 'demo',
      fast: true,
      elsewhere: true,
      returnOf: { docket: 'K-Z', cause: 'fit' },
      promise: { dueAt: MONDAY, chance: 0.9 },
    })
  })
  it('is delivered with its last step, and not once it has ended', () => {
    const made = new MadeCase('a').step('p', 0, 10).step('q', 10, 20).step('r', 20, 33)
    expect(made.digest()).toMatchObject({ deliveredAt: MONDAY + 33 * MINUTE })
    made.add('dentistAsked', 40, { question: 'so?' })
    made.add('dentistAnswered', 50, { answer: 'no more', decision: 'end' })
    expect(made.digest()).toMatchObject({ endedAt: MONDAY + 50 * MINUTE })
    expect(made.digest()).not.toHaveProperty('deliveredAt')
  })
  it('with a gap in its record it is refused by its docket', () => {
    const made = new MadeCase('a').step('p', 0, 10)
    made.events.splice(1, 1)
    expect(() => made.digest()).toThrow(expect.objectContaining({ code: 'record-damaged' }))
    expect(() => made.digest()).toThrow(/K-a/)
  })
})

describe('laws of any record', () => {
  const seeds = fc.integer({ min: 1, max: 1e6 })
  it('the seven parts of a job add up to its time, and no clock is lost beyond it', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        for (const { received, jobs, until } of inventedRecord(seed, 4).map((made) => {
          const digest = made.digest()
          return { ...digest, received: digest.receivedAt }
        })) {
          const [job] = jobs
          const flow = ((job!.deliveredAt ?? until) - received) / MINUTE
          expect(sum(flowParts.map((part) => job!.flow[part]))).toBeCloseTo(flow, 6)
          expect(sum(job!.backs.map(({ clockMinutes }) => clockMinutes))).toBeLessThanOrEqual(flow + 1e-9)
        }
      }),
      { numRuns: 40 },
    )
  })
  it('hands that were kept and hands that were lost are all hands, minute by minute', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const cases = inventedRecord(seed, 4)
        const { jobs } = counted(...cases)
        const all = sum(jobs.flatMap(({ hands }) => hands))
        const lost = sum(jobs.flatMap((job) => [...job.lost.values()]))
        const kept = sum(
          jobs.flatMap(({ job, hands }) =>
            job.attempts.flatMap(({ thrownBy }, n) => (thrownBy === undefined ? [hands[n]!] : [])),
          ),
        )
        expect(kept + lost).toBeCloseTo(all, 6)
        expect(all).toBeCloseTo(occupied(jobs.flatMap(({ job }) => job.attempts)), 6)
      }),
      { numRuns: 25 },
    )
  })
  it('cases in any order say the same; one of practice says nothing', () => {
    fc.assert(
      fc.property(seeds, (seed) => {
        const cases = inventedRecord(seed, 6)
        const there = counted(...cases)
        const { backs, jobs } = counted(...[...cases].reverse(), practised)
        expect(backs).toEqual(there.backs)
        expect(jobs).toEqual(there.jobs)
      }),
      { numRuns: 20 },
    )
  })
  it('Little: over a window that begins and ends empty, the time in the house is the area of what is in it', () => {
    const digests = inventedRecord(5, 30).map((made) => made.digest())
    const stays = digests.map(({ receivedAt, until }) => [receivedAt, until] as const)
    const times = [...new Set(stays.flat())].sort((one, other) => one - other)
    const area = sum(
      times
        .slice(1)
        .map(
          (at, n) => (at - times[n]!) * stays.filter(([from, to]) => from <= times[n]! && to >= at).length,
        ),
    )
    expect(area).toBe(sum(stays.map(([from, to]) => to - from)))
  })
  const practised = new MadeCase('zz', pqr, 0, { mark: 'practice' }).step('p', 0, 400)
})

/** Minutes in which somebody is at something, counted one by one. */
function occupied(
  attempts: readonly { by?: string; hands?: readonly (readonly [number, number])[] }[],
): number {
  const minutes = new Set<string>()
  for (const { by, hands = [] } of attempts)
    for (const [from, until] of hands)
      for (let at = from; at < until; at += MINUTE) {
        const ofDay = (at / MINUTE) % 1440
        const day = new Date(at).getUTCDay()
        if (day > 0 && day < 6 && ofDay >= 450 && ofDay < 1020) minutes.add(`${by} ${at}`)
      }
  return minutes.size
}

it('a slip of a job that nobody is at: a digest of a real case holds every step that was done', () => {
  const bench = new Bench('study-cast').before('trim')
  const digest = digestCase('a', bench.working.events, (id) => bench.working.routes.get(id)!, madeHours)
  const done = Object.values(bench.job.steps).filter(({ status }) => status === 'done')
  expect(digest.jobs[0]!.attempts.filter(({ state }) => state === 'done')).toHaveLength(done.length)
  expect(bench.working.events.some((event) => event.type === 'mixRecorded' && event.jobId === J)).toBe(true)
})
