import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import {
  inventedRecord,
  length,
  MadeCase,
  MONDAY,
  madeHours,
  madeRoute,
  pqr,
} from '../testing/made-record.ts'
import { castingCauses } from './casting-faults.ts'
import { causeTable, finderHits, findingsOf } from './cause-table.ts'
import { seriesCharts, signalsToLookAt, stepOfValues } from './chart-room.ts'
import { comparisons, mustNotBePeople } from './comparisons.ts'
import { countedRecord, type QualityInput } from './counted-record.ts'
import { qualityFigures, unknownsOf } from './figures.ts'
import { cleanJobs, handsLost, lateNow, losses, onTime } from './five-lines.ts'
import { checkLabDeed, type LabDeed, type LabEvent } from './lab-event.ts'
import { learnedTimes } from './learned-times.ts'
import { CLINIC_CAUSE, mustBeKnownCause } from './seen-faults.ts'
import { jobYields } from './yields.ts'

const MINUTE = 60_000
const DAY = 1440
const at = (minutes: number) => MONDAY + minutes * MINUTE
const always = { from: at(-1), until: at(400 * DAY) }
const record = (cases: readonly MadeCase[], more: Partial<QualityInput> = {}) =>
  countedRecord({ digests: cases.map((made) => made.digest()), hours: madeHours, now: at(20 * DAY), ...more })
const said = (...deeds: readonly (LabDeed & { readonly minutes: number })[]): LabEvent[] =>
  deeds.map(({ minutes, ...deed }, n) => ({
    ...deed,
    sequence: n + 1,
    at: new Date(at(minutes)).toISOString(),
    by: 'Ada',
  }))
/** Delivered within the hour, with its length read once. */
function smooth(id: string, received = 0, value = 1.5, route = pqr): MadeCase {
  const made = new MadeCase(id, route, received, { dueMinutes: received + 3 * DAY }).step(
    'p',
    received,
    received + 10,
  )
  made.start('q', received + 10)
  made.read(value, received + 12)
  made.finish('q', received + 20)
  return made.step('r', received + 20, received + 30)
}
/** Sent back from R to P. */
function sentBack(
  id: string,
  received = 0,
  more: { readonly remake?: boolean; readonly route?: typeof pqr } = {},
): MadeCase {
  const { remake = false, route = pqr } = more
  const made = new MadeCase(id, route, received, { dueMinutes: received + 3 * DAY })
  made.step('p', received, received + 10).step('q', received + 10, received + 20)
  made.start('r', received + 20)
  made.back('p', received + 30, remake)
  const again = received + 30
  return made
    .step('p', again, again + 10)
    .step('q', again + 10, again + 20)
    .step('r', again + 20, again + 30)
}

describe('what is counted', () => {
  it('is neither practice nor a demo, nor from elsewhere, nor by a fast clock: each is said', () => {
    const practice = new MadeCase('p', pqr, 0, { mark: 'practice' })
    const demo = new MadeCase('d', pqr, 0, { mark: 'demo' })
    const elsewhere = new MadeCase('e')
    elsewhere.add('imported', 1, { chain: 'whole' })
    const fast = new MadeCase('f')
    fast.add('noted', 1, { text: 'x' }, { clockSpeed: 2 })
    const all = [smooth('a'), practice, demo, elsewhere, fast]
    const found = record(all, { damaged: ['K-9'] })
    expect(found.cases.map(({ caseId }) => caseId)).toEqual(['a'])
    expect(found.leftOut).toEqual({ practice: 1, demo: 1, elsewhere: 1, fastClock: 1, damaged: ['K-9'] })
    expect(record(all, { isDemo: true }).cases.map(({ caseId }) => caseId)).toEqual(['a', 'd'])
  })
  it('needs opening hours and a period that does not end before it begins', () => {
    expect(() => countedRecord({ digests: [], now: 0 })).toThrow(
      expect.objectContaining({ code: 'calendar-missing' }),
    )
    const input = { digests: [], hours: madeHours, now: at(0) }
    for (const until of [0, -5])
      expect(() => qualityFigures(input, { from: 0, until }, () => undefined)).toThrow(
        expect.objectContaining({ code: 'period-empty' }),
      )
  })
})

describe('five lines', () => {
  it('on time: due in the period, and neither ended nor still to come; what is late is in it', () => {
    const made = (id: string, due: number) => new MadeCase(id, pqr, 0, { dueMinutes: due })
    const inTime = made('a', 40).step('p', 0, 10).step('q', 10, 20).step('r', 20, 40)
    const late = made('b', 39).step('p', 0, 10).step('q', 10, 20).step('r', 20, 40)
    const openAndLate = made('c', 100).step('p', 0, 10)
    const toCome = made('d', 300 * DAY).step('p', 0, 10)
    const ended = made('e', 50)
    ended.add('dentistAsked', 5, { question: 'so?' })
    ended.add('dentistAnswered', 6, { answer: 'no', decision: 'end' })
    const found = record([inTime, late, openAndLate, toCome, ended])
    expect(onTime(found, always)).toMatchObject({
      share: { count: 1, of: 3 },
      cases: [{ docket: 'K-c' }, { docket: 'K-b' }],
    })
    expect(onTime(found, { from: at(39), until: at(40) }).share).toMatchObject({ count: 0, of: 1 })
    expect(onTime(found, { from: at(500), until: at(600) })).toEqual({ cases: [] })
    expect(lateNow(found)).toMatchObject({ late: 1, open: 2, cases: [{ docket: 'K-c' }] })
  })
  it('clean: nothing went back in the lab, and every check passed the first time', () => {
    const failedFirst = smooth('b', 0, 5)
    const atClinic = sentBack('c')
    atClinic.add('causeFound', 99, { wentBack: 7, cause: CLINIC_CAUSE, how: 'seen' })
    const found = record([
      smooth('a'),
      failedFirst,
      atClinic,
      sentBack('d'),
      new MadeCase('open').step('p', 0, 10),
    ])
    expect(cleanJobs(found, always)).toMatchObject({
      share: { count: 2, of: 4 },
      cases: [{ docket: 'K-b' }, { docket: 'K-d', sequence: 7 }],
    })
  })
  it('hands lost, of all hands of the period; below three times without an interval', () => {
    const two = handsLost(record([sentBack('a'), sentBack('b', DAY), smooth('c', 2 * DAY)]), always)
    expect(two).toMatchObject({ events: 2, hours: 1 })
    expect(two.ofHours).toBeCloseTo((60 + 60 + 30) / 60, 9)
    expect(two).not.toHaveProperty('interval')
    const three = handsLost(record([sentBack('a'), sentBack('b', DAY), sentBack('c', 2 * DAY)]), always)
    // Half an hour each: half of Garwood's interval for three, 0.6187 to 8.7673.
    expect(three.interval!.low).toBeCloseTo(0.6187 / 2, 3)
    expect(three.interval!.high).toBeCloseTo(8.7673 / 2, 3)
    expect(handsLost(record([sentBack('a')]), { from: at(31), until: at(999) })).toMatchObject({
      events: 0,
      hours: 0,
    })
  })
  it('of a case that came back all its hands are lost, to why it did', () => {
    const back = new MadeCase('b', pqr, 0, {
      cameBack: { caseId: 'a', docket: 'K-a', cause: 'fit', found: 'rocks' },
    }).step('p', 0, 10)
    expect(losses(record([back]), always)).toMatchObject([{ handsMinutes: 10, cause: 'came back: fit' }])
  })
})

describe('first pass', () => {
  const [job] = jobYields(
    record([smooth('a'), sentBack('b', DAY), smooth('c', 2 * DAY, 5), sentBack('d', 3 * DAY)]),
    always,
  )
  it('is charged to the step that it goes back to, and told with where it was found', () => {
    const of = (step: string) => job!.steps.find((each) => each.step === step)!
    expect(of('p')).toMatchObject({
      firstPass: { count: 2, of: 4 },
      lostMinutes: 60,
      sentFrom: [{ step: 'r', count: 2 }],
      cases: [{ docket: 'K-d' }, { docket: 'K-b' }],
    })
    expect(of('q').firstPass).toMatchObject({ count: 3, of: 4 })
    expect(of('r').firstPass).toMatchObject({ count: 4, of: 4 })
  })
  it('by job: one of four clean, beside the product of the steps', () => {
    expect(job!.rolled.jobs).toMatchObject({ count: 1, of: 4 })
    expect(job!.rolled.product).toBeCloseTo((2 / 4) * (3 / 4), 12)
  })
  it('skipped steps are no units', () => {
    const made = new MadeCase('a').step('p', 0, 10)
    made.add('stepSkipped', 10, { stepId: 'q', reason: 'not wanted' })
    const [only] = jobYields(record([made.step('r', 10, 20)]), always)
    expect(only!.steps.map(({ step }) => step)).toEqual(['p', 'r'])
  })
  it('touch is hands by what was open for it', () => {
    const made = new MadeCase('a').step('p', 0, 10).step('q', 40, 50).step('r', 50, 60)
    expect(jobYields(record([made]), always)[0]!.touchShare).toBeCloseTo(30 / 60, 12)
  })
  it('a case of another job changes nothing of it', () => {
    const other = madeRoute('other', [{ id: 'p' }, { id: 'q' }, { id: 'r' }])
    const stranger = sentBack('z', 9 * DAY, { route: other })
    const cases = [smooth('a'), sentBack('b', DAY)]
    const yields = jobYields(record([...cases, stranger]), always)
    expect(yields.find(({ template }) => template === 'pqr')).toEqual(jobYields(record(cases), always)[0])
  })
})

describe('charts', () => {
  const steady = (n: number) => (n % 2 === 0 ? 1.4 : 1.6)
  const twenty = Array.from({ length: 20 }, (_, n) => smooth(`c${10 + n}`, n * 60, steady(n)))
  const high = smooth('late', 21 * 60, 3.4)
  const of = (cases: readonly MadeCase[], events: LabEvent[] = []) =>
    seriesCharts(record(cases, { said: events }))[0]!
  it('has limits from the first twenty jobs in the order of their readings, and says which value is beyond', () => {
    const chart = of([high, ...twenty])
    expect(chart).toMatchObject({ state: 'frozen', name: 'Length', min: 1, max: 2, step: 'q' })
    expect(chart.mean).toBeCloseTo(1.5, 9)
    expect(chart.signals).toMatchObject([{ docket: 'K-late', rule: 1, value: 3.4 }])
    expect(chart.points()).toHaveLength(21)
  })
  it('a signal is quiet once somebody has said what was different', () => {
    const { series, caseId, sequence } = of([...twenty, high]).signals[0]!
    const chart = of(
      [...twenty, high],
      said({ type: 'signalSeen', series, caseId, entry: sequence, words: 'another gauge', minutes: 3000 }),
    )
    expect(chart.signals[0]!.seen).toMatchObject({ words: 'another gauge', by: 'Ada' })
    const now = at(21 * 60 + 12)
    expect(signalsToLookAt([of([...twenty, high])], now)).toHaveLength(1)
    expect(signalsToLookAt([chart], now)).toEqual([])
  })
  it('stands on the list for seven days', () => {
    const chart = of([...twenty, high])
    const when = 21 * 60 + 12
    expect(signalsToLookAt([chart], at(when + 7 * DAY - 1))).toHaveLength(1)
    expect(signalsToLookAt([chart], at(when + 7 * DAY))).toEqual([])
  })
  it('limits begin anew with a reason; a value leaves them by hand', () => {
    const series = of(twenty).series
    const anew = of(
      [...twenty, high],
      said({ type: 'limitsSet', series, reason: 'new gauge', minutes: 21 * 60 }),
    )
    expect(anew).toMatchObject({ state: 'dots', from: 1, signals: [], since: { reason: 'new gauge' } })
    const { caseId, sequence } = of(twenty).points()[0]!
    const without = of(
      [...twenty, high],
      said({ type: 'valueLeftOut', series, caseId, entry: sequence, reason: 'read upside down', minutes: 1 }),
    )
    expect(without.points()[0]).toMatchObject({ leftOut: 'read upside down' })
    expect(without.mean).toBeCloseTo((1.4 * 9 + 1.6 * 10 + 3.4) / 20, 9)
  })
  it('a run is one signal, however long it goes on', () => {
    const run = Array.from({ length: 10 }, (_, n) => smooth(`d${n}`, (30 + n) * 60, 1.55))
    expect(of([...twenty, ...run]).signals.map(({ rule }) => rule)).toEqual([4])
  })
  it('of another target it is another series', () => {
    const wide = madeRoute('pqr', [{ id: 'p' }, { id: 'q', checks: [{ ...length, max: 3 }] }, { id: 'r' }])
    expect(
      seriesCharts(record([smooth('a'), smooth('b', 0, 1.5, wide)])).map(({ series }) => series),
    ).toEqual(['pqr/q/length@1..2', 'pqr/q/length@1..3'])
  })
  it('what an instrument reads to is the smallest difference that was ever read', () => {
    const read = (...few: readonly number[]) => stepOfValues([...few, ...few, ...few, ...few])
    expect(read(1, 2, 4)).toBe(1)
    expect(read(0.5, 2)).toBe(1.5)
    expect(read(0.1 + 0.2, 0.3, 0.4)).toBeCloseTo(0.1, 9)
    expect(read(3, 3)).toBeUndefined()
    expect(stepOfValues([1, 2])).toBeUndefined()
  })
})

describe('comparisons', () => {
  /** So many jobs of a kind with a lot, of which so many went back. */
  const withLot = (template: string, lot: string, of: number, back: number): MadeCase[] => {
    const route = madeRoute(template, [{ id: 'p' }, { id: 'q' }, { id: 'r' }])
    return Array.from({ length: of }, (_, n) => {
      const id = `${template}-${lot}-${n}`
      const made = n < back ? sentBack(id, n * 100, { route }) : smooth(id, n * 100, 1.5, route)
      const [receipt, begun, ...rest] = made.events
      // Its mix, once P has begun.
      const mix = {
        ...begun!,
        sequence: 3,
        type: 'mixRecorded',
        amountId: 'x',
        materialId: 'stone',
        lots: [lot],
      }
      const later = rest
        .filter(({ type }) => type !== 'checkRecorded')
        .map((event, index) => ({ ...event, sequence: index + 4 }))
      made.events.splice(0, made.events.length, receipt!, begun!, mix as never, ...(later as never[]))
      return made
    })
  }
  it('tell a bad lot from one that only had the hard jobs', () => {
    const cases = [
      // Easy jobs go back once in twenty, hard ones in every second; the bad lot in half of the easy ones too.
      ...withLot('easy', 'good', 40, 2),
      ...withLot('hard', 'good', 10, 5),
      ...withLot('easy', 'bad', 20, 10),
      ...withLot('hard', 'unlucky', 30, 15),
      ...withLot('easy', 'unlucky', 4, 0),
    ]
    const found = comparisons(record(cases), always, ['lot'])
    const of = (name: string) => found.find((each) => each.name === name)!
    expect(of('bad')).toMatchObject({
      first: { count: 10, of: 20 },
      second: { count: 22, of: 84 },
      word: 'strong sign',
    })
    expect(of('bad').compared.common!.difference.low).toBeGreaterThan(0)
    expect(of('bad').cases).toHaveLength(10)
    expect(of('unlucky')).toMatchObject({ word: 'no sign of a difference' })
    expect(of('unlucky').compared.mixMisleads).toBe(true)
    expect(of('unlucky').compared.crude.difference).toBeGreaterThan(0.15)
    // By the exact test at n of three, each against the others, the q of the worst is three times its p.
    expect(of('bad').q).toBeCloseTo(3 * of('bad').compared.exact.midP, 12)
  })
  it('too few to tell leaves the family, and has no word', () => {
    const found = comparisons(
      record([...withLot('easy', 'a', 9, 1), ...withLot('easy', 'b', 7, 2)]),
      always,
      ['lot'],
    )
    // Of two the second says the same as the first.
    expect(found).toHaveLength(1)
    expect(found[0]).toMatchObject({ name: 'a', compared: { state: 'tooFew' } })
    expect(found[0]).not.toHaveProperty('word')
  })
  it('compare variants within their own route', () => {
    const choose = (choice: string, n: number) =>
      Array.from({ length: n }, (_, index) =>
        smooth(`${choice}${index}`, 0, 1.5, { ...pqr, choices: { school: choice } }),
      )
    const found = comparisons(record([...choose('wet', 3), ...choose('dry', 2)]), always)
    expect(found).toMatchObject([
      { kind: 'variant', of: 'pqr/school', name: 'dry', first: { of: 2 }, second: { of: 3 } },
    ])
  })
  it('never people', () => {
    for (const kind of ['person', 'people'])
      expect(() => mustNotBePeople(kind)).toThrow(expect.objectContaining({ code: 'persons-not-compared' }))
    expect(() => comparisons(record([]), always, ['person' as never])).toThrow(/not compared/)
  })
})

describe('causes', () => {
  const name = castingCauses('margin', 'Short', {})[2]!.name
  const found = (id: string, more: object, minutes = 0) => {
    const made = sentBack(id, minutes)
    made.add('causeFound', minutes + 70, { wentBack: 7, place: 'margin', fault: 'Short', ...more } as never)
    return made
  }
  const seen = (n: number) =>
    Array.from({ length: n }, (_, index) => found(`s${index}`, { cause: name, how: 'seen' }, index * DAY))
  it('move the order within what the record says alike, never across', () => {
    const findings = findingsOf(record(seen(5)), 'margin', 'Short')
    expect(findings).toEqual({ [name]: 5 })
    const learned = castingCauses('margin', 'Short', {}, findings)
    expect(learned[0]).toMatchObject({ name, found: { count: 5, of: 5 } })
    // Before, it stood third.
    expect(
      castingCauses('margin', 'Short', {})
        .map((cause) => cause.name)
        .indexOf(name),
    ).toBe(2)
    const against = castingCauses('margin', 'Short', { alloyGrams: 99, patternGrams: 1 }, findings)
    expect(against.at(-1)).toMatchObject({ standing: 'against' })
    expect(against.findIndex((cause) => cause.name === name)).toBe(against.length - 1)
  })
  it('what was only assumed counts nowhere, and a reset begins anew', () => {
    const assumed = found('x', { cause: name, how: 'assumed' }, 9 * DAY)
    expect(findingsOf(record([...seen(2), assumed]), 'margin', 'Short')).toEqual({ [name]: 2 })
    const reset = said({
      type: 'causeWeightsReset',
      place: 'margin',
      fault: 'Short',
      reason: 'new oven',
      minutes: DAY,
    })
    expect(findingsOf(record(seen(3), { said: reset }), 'margin', 'Short')).toEqual({ [name]: 2 })
    expect(findingsOf(record(seen(3), { said: reset }), 'margin', 'Rounded')).toEqual({})
  })
  it('below five findings no count is shown, but the order has moved', () => {
    const learned = castingCauses('margin', 'Short', {}, { [name]: 4 })
    expect(learned[0]).toMatchObject({ name })
    expect(learned[0]).not.toHaveProperty('found')
  })
  it('by what they cost: two or more in rows, single ones apart, not found and not said by themselves', () => {
    const table = causeTable(
      record([
        ...seen(3),
        found('one', { cause: 'A slip of the hand', how: 'assumed' }, 10 * DAY),
        found('none', { cause: 'notFound' }, 11 * DAY),
        sentBack('unsaid', 12 * DAY),
      ]),
      always,
    )
    expect(table).toMatchObject({
      rows: [{ cause: name, count: 3, handsHours: 1.5, assumed: 0, share: { count: 3, of: 6 } }],
      single: [{ cause: 'A slip of the hand', assumed: 1 }],
      notFound: { count: 1 },
      notSaid: { count: 1 },
      count: 6,
    })
    expect(table.rows[0]!.interval).toMatchObject({ hours: 1.5 })
    expect(table.single[0]).not.toHaveProperty('interval')
  })
  it('what came twice is a row, without a range', () => {
    const { rows, single } = causeTable(record(seen(2)), always)
    expect(rows).toMatchObject([{ cause: name, count: 2 }])
    expect(rows[0]).not.toHaveProperty('interval')
    expect(single).toEqual([])
  })
  it('the last that is said of a going back counts; hits are of what was measured or seen', () => {
    const made = found('a', { cause: 'notFound' })
    made.add('causeFound', 80, { wentBack: 7, cause: 'other', said: 'a draught', how: 'measured' } as never)
    expect(losses(record([made]), always)).toMatchObject([{ cause: 'a draught' }])
    expect(finderHits(record([made]), always)).toBeUndefined()
  })
  it('a cause that no list names is refused', () => {
    for (const cause of [name, 'other', 'notFound', CLINIC_CAUSE, 'Opened warm'])
      expect(() => mustBeKnownCause({ cause })).not.toThrow()
    expect(() => mustBeKnownCause({ cause: 'Ravi' })).toThrow(
      expect.objectContaining({ code: 'cause-unknown' }),
    )
  })
})

describe('learned times', () => {
  const timed = (n: number, minutes = 20) =>
    Array.from({ length: n }, (_, index) =>
      new MadeCase(`t${index}`, pqr, index * DAY).step('p', index * 1440, index * 1440 + minutes),
    )
  // Weekends lie between: only five of seven days are open.
  const plan = (_template: string, step: string) => (step === 'p' ? 30 : undefined)
  const of = (cases: readonly MadeCase[], more: Partial<QualityInput> = {}) =>
    learnedTimes(record(cases, more), plan)
  it('want ten; then the plan moves at most a fifth a week', () => {
    expect(of(timed(11))).toMatchObject([{ step: 'p', learned: { state: 'planned', n: 9 } }])
    expect(of(timed(11))[0]).not.toHaveProperty('takenMinutes')
    const learned = (weeks: number) => of(timed(14), { now: at(11 * DAY + 30 + weeks * 7 * DAY) })[0]!
    expect(learned(0)).toMatchObject({ learned: { state: 'learned', n: 10 }, takenMinutes: 30 })
    expect(learned(1).takenMinutes).toBeCloseTo(30 / 1.2, 9)
    expect(learned(9).takenMinutes).toBe(learned(9).learned.meanMinutes)
  })
  it('may be refused, with a reason, and taken again', () => {
    const refuse = (refused: boolean, minutes: number) =>
      ({
        type: 'learnedTimeRefused',
        template: 'pqr',
        step: 'p',
        refused,
        reason: 'new way',
        minutes,
      }) as const
    const once = of(timed(14), { said: said(refuse(true, 1)) })[0]!
    expect(once).toMatchObject({ refused: 'new way' })
    expect(once).not.toHaveProperty('takenMinutes')
    expect(of(timed(14), { said: said(refuse(true, 1), refuse(false, 2)) })[0]).toHaveProperty('takenMinutes')
  })
})

describe('all figures', () => {
  const input = (cases: readonly MadeCase[], more: Partial<QualityInput> = {}): QualityInput => ({
    digests: cases.map((made) => made.digest()),
    hours: madeHours,
    now: at(20 * DAY),
    ...more,
  })
  const figures = (cases: readonly MadeCase[], more: Partial<QualityInput> = {}) =>
    qualityFigures(input(cases, more), { from: at(-DAY), until: at(20 * DAY) }, () => 10)
  it('cases in any order say the same, and one of practice or made twice as far away says nothing', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 1e6 }), (seed) => {
        const cases = inventedRecord(seed, 8)
        const practice = new MadeCase('zz', pqr, 0, { mark: 'practice' }).step('p', 0, 300)
        const { leftOut, ...there } = figures(cases)
        const { leftOut: less, ...back } = figures([practice, ...[...cases].reverse()])
        expect(back).toEqual(there)
        expect([leftOut.practice, less.practice]).toEqual([0, 1])
      }),
      { numRuns: 15 },
    )
  })
  it('remakes: jobs from one to the next by delivery, and the period against what was before', () => {
    const cases = [
      smooth('a', 0),
      sentBack('b', 100, { remake: true }),
      smooth('c', 200),
      smooth('d', 300),
      sentBack('e', 400, { remake: true }),
      smooth('f', 500),
      sentBack('g', 600),
    ]
    expect(figures(cases).remakes).toMatchObject({
      events: 2,
      jobs: 7,
      gaps: [2, 3, 2],
      meanGap: 2.5,
      longGap: expect.closeTo(2.5 + 3 * Math.sqrt(2.5 * 3.5), 9),
      cases: [{ docket: 'K-e' }, { docket: 'K-b' }],
    })
    const late = qualityFigures(input(cases), { from: at(300), until: at(20 * DAY) }, () => 10).remakes.rare!
    expect(late.state).toBe('tooFew')
    // 1 in 3 before; 1 or more in 4: beta(1.5, 2.5) against four jobs, 1 - Γ ratio = 1 - (2.5 3.5 4.5 5.5)/(4 5 6 7).
    expect(late.chanceOfSoMany).toBeCloseTo(1 - (2.5 * 3.5 * 4.5 * 5.5) / (4 * 5 * 6 * 7), 9)
  })
  it('promises: of each case the first, judged when it is over', () => {
    const promised = (id: string, due: number, more: MadeCase) => {
      more.add('promised', 0, { dueAt: new Date(at(due)).toISOString(), chance: 0.9 })
      return { id, more }.more
    }
    const cases = [
      promised('a', 9000, smooth('a')),
      promised('b', 5, smooth('b')),
      promised('c', 30 * DAY, new MadeCase('c')),
      promised('d', DAY, new MadeCase('d')),
      smooth('e'),
    ]
    expect(figures(cases).promises).toMatchObject({
      made: 3,
      waiting: 1,
      notRecorded: 1,
      told: { n: 3, state: 'tooFew' },
    })
    const [promises, remakes] = unknownsOf(figures(cases))
    expect(promises).toMatchObject({ about: 'promises', counted: '3 promises, wants 20', more: 17 })
    expect(remakes).toMatchObject({ about: 'remakes', more: 5 })
  })
  it('an empty lab has no figure, and none of them is 0', () => {
    const none = figures([])
    expect([none.onTime.now, none.clean.now]).toEqual([{ cases: [] }, { cases: [] }])
    expect(none.handsLost.now).toMatchObject({ events: 0, ofHours: 0 })
    expect(none.promises).not.toHaveProperty('told')
    expect([none.yields, none.comparisons, none.charts, none.times]).toEqual([[], [], [], []])
  })
})

it.each<[LabDeed, string]>([
  [{ type: 'limitsSet', series: 's', reason: ' ' }, 'limits-without-reason'],
  [{ type: 'valueLeftOut', series: 's', caseId: 'c', entry: 2, reason: '' }, 'limits-without-reason'],
  [{ type: 'causeWeightsReset', place: 'p', fault: 'f', reason: '' }, 'reset-without-reason'],
  [{ type: 'signalSeen', series: 's', caseId: 'c', entry: 2, words: ' ' }, 'words-missing'],
  [{ type: 'learnedTimeRefused', template: 't', step: 's', refused: true, reason: '' }, 'reason-missing'],
])('%p without words: %s', (deed, code) => {
  expect(() => checkLabDeed(deed)).toThrow(expect.objectContaining({ code }))
  expect(() => checkLabDeed({ ...deed, reason: 'so', words: 'so' } as unknown as LabDeed)).not.toThrow()
})
