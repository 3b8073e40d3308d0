import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { always, at, DAY, record, said, sentBack, smooth } from '../testing/made-cases.ts'
import { inventedRecord, MadeCase, madeHours, madeRoute, pqr } from '../testing/made-record.ts'
import { countedRecord, type QualityInput } from './counted-record.ts'
import { qualityFigures, unknownsOf } from './figures.ts'
import { cleanJobs, handsLost, lateNow, losses, onTime } from './five-lines.ts'
import { checkLabDeed, type LabDeed } from './lab-event.ts'
import { learnedTimes } from './learned-times.ts'
import { CLINIC_CAUSE } from './seen-faults.ts'
import { jobYields } from './yields.ts'

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
    // What lies before the period is neither lost in it nor among its hands: 10 + 10 + 10 min from minute 30 on.
    const later = handsLost(record([sentBack('a'), smooth('b', DAY)]), { from: at(31), until: at(999) })
    expect(later).toMatchObject({ events: 0, hours: 0 })
    expect(later.ofHours).toBeCloseTo(20 / 60, 9)
  })
  it('of a case that came back all its hands are lost, to why it did', () => {
    const back = new MadeCase('b', pqr, 0, {
      cameBack: { caseId: 'a', docket: 'K-a', cause: 'fit', found: 'rocks' },
    }).step('p', 0, 10)
    expect(losses(record([back]), always)).toMatchObject([
      { handsMinutes: 10, cause: 'Came back: does not fit' },
    ])
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
