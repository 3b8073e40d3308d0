import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { causeHits, causeWeights } from './cause-weights.ts'
import { controlChart } from './control-chart.ts'
import { learnedTime, movedTime, ownTau, shrinkageFactor, spreadBetween, USUAL_TAU } from './learned-time.ts'
import { lostHours } from './lost-hours.ts'
import { calibration } from './promises.ts'
import { chanceAtRate, rareEvents } from './rare-events.ts'
import { differenceOf, rolledYield, shareOf } from './rates.ts'
import {
  compareGroups,
  exactTest,
  falseDiscovery,
  mantelHaenszel,
  type Stratum,
  signWord,
} from './same-or-different.ts'

const counted = (most = 60) =>
  fc
    .integer({ min: 1, max: most })
    .chain((of) => fc.record({ count: fc.integer({ min: 0, max: of }), of: fc.constant(of) }))
const stratum = fc.record({ first: counted(25), second: counted(25) })
const values = fc.array(
  fc.integer({ min: -400, max: 400 }).map((n) => n / 16),
  { minLength: 20, maxLength: 40 },
)

describe('shares', () => {
  test('hold their value, mirror, and are narrower of ten times as many', () => {
    fc.assert(
      fc.property(counted(), ({ count, of }) => {
        const share = shareOf({ count, of })
        const mirror = shareOf({ count: of - count, of })
        const more = shareOf({ count: 10 * count, of: 10 * of })
        expect(share.low <= share.share && share.share <= share.high).toBe(true)
        expect(mirror.low).toBeCloseTo(1 - share.high, 12)
        expect(more.high - more.low).toBeLessThan(share.high - share.low)
      }),
    )
  })
  test('a difference turns its sign with its groups, and none with none holds 0', () => {
    fc.assert(
      fc.property(counted(), counted(), (one, other) => {
        const there = differenceOf(one, other)
        const back = differenceOf(other, one)
        expect(back.difference).toBeCloseTo(-there.difference, 12)
        expect(back.low).toBeCloseTo(-there.high, 12)
        expect(there.low <= there.difference && there.difference <= there.high).toBe(true)
      }),
    )
  })
  test('the product of the steps is that of their shares alone', () => {
    expect(
      rolledYield({ count: 1, of: 2 }, [
        { count: 1, of: 2 },
        { count: 3, of: 4 },
      ]).product,
    ).toBe(0.375)
  })
})

describe('same or different', () => {
  const swapGroups = ({ first, second }: Stratum) => ({ first: second, second: first })
  const mirrored = ({ first, second }: Stratum) => ({
    first: { count: first.of - first.count, of: first.of },
    second: { count: second.of - second.count, of: second.of },
  })
  test('mid-p is the same with groups or outcomes swapped, and what is empty adds nothing', () => {
    fc.assert(
      fc.property(fc.array(stratum, { minLength: 1, maxLength: 4 }), (strata) => {
        const { midP, leastP } = exactTest(strata)
        for (const changed of [
          strata.map(swapGroups),
          strata.map(mirrored),
          [...strata].reverse(),
          [...strata, { first: { count: 0, of: 0 }, second: { count: 2, of: 5 } }],
        ])
          expect(exactTest(changed).midP).toBeCloseTo(midP, 9)
        expect(midP).toBeGreaterThanOrEqual(leastP - 1e-12)
        expect(midP).toBeLessThanOrEqual(1)
      }),
    )
  })
  test('of one kind of job the common difference is the plain one', () => {
    fc.assert(
      fc.property(stratum, (one) => {
        const plain = differenceOf(one.first, one.second)
        expect(mantelHaenszel([one])!.difference.value).toBeCloseTo(plain.difference, 12)
        expect(compareGroups([one]).mixMisleads).toBe(false)
      }),
    )
  })
  test('the mix misleads from five points on, though the sign is the same', () => {
    // By job 7.5 points, in one table 30: the first group has the hard jobs.
    const hard = { first: { count: 20, of: 40 }, second: { count: 4, of: 10 } }
    const easy = { first: { count: 1, of: 10 }, second: { count: 2, of: 40 } }
    const uneven = compareGroups([hard, easy])
    expect(uneven.common!.difference.value).toBeCloseTo(0.075, 9)
    expect(uneven.crude.difference).toBeCloseTo(0.3, 9)
    expect(uneven.mixMisleads).toBe(true)
    const even = [
      { first: { count: 5, of: 10 }, second: { count: 4, of: 10 } },
      { first: { count: 1, of: 10 }, second: { count: 1, of: 10 } },
    ]
    expect(compareGroups(even).mixMisleads).toBe(false)
  })
  test('no kind of job with both groups: too few to tell, and no common figure', () => {
    const apart = [
      { first: { count: 1, of: 9 }, second: { count: 0, of: 0 } },
      { first: { count: 0, of: 0 }, second: { count: 4, of: 9 } },
    ]
    expect(compareGroups(apart)).toMatchObject({ state: 'tooFew', exact: { midP: 1 } })
    expect(compareGroups(apart).common).toBeUndefined()
  })
  test('kinds of job that point both ways, each a sign: no common figure', () => {
    const up = { first: { count: 18, of: 20 }, second: { count: 2, of: 20 } }
    expect(compareGroups([up, swapGroups(up)]).state).toBe('disagree')
    expect(compareGroups([up, up]).state).toBe('compared')
  })
  test('q never lies below p, rises with it, and does not hang on the order', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 1, maxLength: 30 }),
        (ps) => {
          const q = falseDiscovery(ps)
          expect(ps.every((p, n) => q[n]! >= p && q[n]! <= 1)).toBe(true)
          const byP = ps.map((p, n) => ({ p, q: q[n]! })).sort((a, b) => a.p - b.p)
          expect(byP.every(({ q: own }, n) => n === 0 || own >= byP[n - 1]!.q)).toBe(true)
          expect([...falseDiscovery([...ps].reverse())].reverse()).toEqual(q)
        },
      ),
    )
  })
  test('the words of q change where they are said to', () => {
    expect([0.01, 0.011, 0.05, 0.051, 0.2, 0.21].map(signWord)).toEqual([
      'strong sign',
      'sign',
      'sign',
      'hint',
      'hint',
      'no sign of a difference',
    ])
  })
})

describe('charts', () => {
  test('limits shift and scale with the values, and stay when time runs back over the first twenty', () => {
    fc.assert(
      fc.property(
        values,
        fc.integer({ min: -50, max: 50 }),
        fc.integer({ min: 1, max: 8 }),
        (given, shift, scale) => {
          const chart = controlChart({ values: given })
          fc.pre(chart.state === 'frozen')
          const moved = controlChart({ values: given.map((value) => scale * value + shift) })
          expect(moved.high).toBeCloseTo(scale * chart.high! + shift, 8)
          expect(moved.low).toBeCloseTo(scale * chart.low! + shift, 8)
          const back = controlChart({ values: given.slice(0, 20).reverse() })
          expect(back.high).toBeCloseTo(chart.high!, 9)
        },
      ),
    )
  })
  test('the first twenty set the limits: what comes after moves none', () => {
    fc.assert(
      fc.property(values, (given) => {
        const of = (list: readonly number[]) => {
          const { low, high, mean } = controlChart({ values: list })
          return { low, high, mean }
        }
        expect(of(given)).toEqual(of(given.slice(0, 20)))
      }),
    )
  })
  const steady = Array.from({ length: 20 }, (_, n) => (n % 2 === 0 ? 9 : 11))
  test('7 values are dots, 8 provisional, 20 stay', () => {
    const state = (n: number) => controlChart({ values: steady.slice(0, n) }).state
    expect([7, 8, 19, 20].map(state)).toEqual(['dots', 'provisional', 'provisional', 'frozen'])
  })
  test('provisional limits cry by rule 1 alone', () => {
    const run = [9, 11, 9, 11, 10.5, 10.6, 10.5, 10.6, 10.5, 10.6, 10.5, 10.6, 10.5]
    expect(controlChart({ values: run }).signals).toEqual([])
    expect(controlChart({ values: [...steady, ...new Array<number>(7).fill(10.5)] }).signals).toEqual([
      { index: 26, rule: 4 },
    ])
  })
  test('a value on the centre ends a run', () => {
    const run = [10.5, 10.5, 10.5, 10.5, 10, 10.5, 10.5, 10.5, 10.5]
    expect(controlChart({ values: [...steady.slice(0, 19), 11, ...run] }).signals).toEqual([])
  })
  test('the finer rules want fifty values', () => {
    const rules = [1, 2, 3, 4] as const
    const high = 10 + (2.66 * 2 * 2.2) / 3
    expect(controlChart({ values: [...steady, high, high], rules }).signals).toEqual([])
    const fifty = [...steady, ...steady, ...steady.slice(0, 8)]
    expect(controlChart({ values: [...fifty, high, high], rules }).signals).toEqual([{ index: 49, rule: 2 }])
  })
  test('a limit at or past what can be read is left out, and runs count about the median', () => {
    const skewed = [
      0.1, 0.2, 0.1, 0.3, 0.1, 0.2, 1.4, 0.1, 0.2, 0.1, 0.3, 0.1, 0.2, 1.2, 0.1, 0.2, 0.1, 0.3, 0.1, 0.2,
    ]
    const chart = controlChart({ values: [...skewed, ...new Array<number>(8).fill(0.25)], least: 0 })
    expect(chart.low).toBeUndefined()
    expect(chart.high).toBeGreaterThan(0)
    // Above the median of 0.2, and below the mean of 0.29.
    expect(chart.signals.filter(({ rule }) => rule === 4)).toEqual([{ index: 27, rule: 4 }])
    expect(controlChart({ values: skewed, most: 5 }).low).toBeLessThan(0)
  })
  test('a limit that lies just on what can be read is left out too', () => {
    const { low } = controlChart({ values: steady })
    expect(controlChart({ values: steady, least: low! })).not.toHaveProperty('low')
    expect(controlChart({ values: steady, least: low! - 0.001 })).toHaveProperty('low')
  })
  test('what reads too coarsely has no limits; four possible ranges are borderline', () => {
    const read = (step: number) => controlChart({ values: steady, step })
    // Ranges of 2 on the mean: up to 6.534.
    expect(read(3.2)).toMatchObject({ state: 'tooCoarse', signals: [] })
    expect(read(2)).toMatchObject({ state: 'frozen', borderline: true })
    expect(read(1)).not.toHaveProperty('borderline')
    expect(controlChart({ values: new Array<number>(20).fill(4) }).state).toBe('tooCoarse')
  })
  test('new limits count from where they were set; what was left out by hand is in none', () => {
    const two = [...steady, ...steady.map((value) => value + 30)]
    expect(controlChart({ values: two, since: 20 })).toMatchObject({ mean: 40, signals: [], from: 20 })
    expect(controlChart({ values: [100, ...steady], leftOut: [0] }).mean).toBe(10)
  })
})

test('rare events: chances sum to 1 over none and some; more before makes more likelier', () => {
  fc.assert(
    fc.property(counted(200), fc.integer({ min: 1, max: 60 }), (before, next) => {
      const some = rareEvents({ before, next: { count: 1, of: next } })
      expect(some.chanceOfNone + some.chanceOfSoMany).toBeCloseTo(1, 9)
    }),
  )
  const three = (events: number) =>
    rareEvents({ before: { count: events, of: 300 }, next: { count: 3, of: 12 } })
  expect(three(4)).toMatchObject({ state: 'tooFew', closeTogether: false })
  expect(three(5)).toMatchObject({ state: 'told', closeTogether: true })
  // Three of a hundred are no more than five of three hundred let expect; one alone is never close together.
  const next = (count: number, of: number) =>
    rareEvents({ before: { count: 5, of: 300 }, next: { count, of } })
  expect([next(3, 100).closeTogether, next(1, 1).closeTogether]).toEqual([false, false])
  expect(three(9).chanceOfSoMany).toBeGreaterThan(three(5).chanceOfSoMany)
})

test('hours: they scale with their unit, hold their sum, and one more hour moves the upper end up', () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 1, max: 80 }), { minLength: 1, maxLength: 12 }), (hours) => {
      const found = lostHours(hours)
      const minutes = lostHours(hours.map((each) => 60 * each))
      expect(found.low <= found.hours && found.hours <= found.high).toBe(true)
      expect(minutes.high).toBeCloseTo(60 * found.high, 6)
      expect(lostHours([...hours, 1]).high).toBeGreaterThan(found.high)
    }),
  )
  expect([2, 3].map((n) => lostHours(new Array<number>(n).fill(2)).state)).toEqual(['tooFew', 'told'])
})

describe('times', () => {
  test('in seconds they are sixty times as much, with the same weight and spread', () => {
    const long = fc.array(fc.integer({ min: 25, max: 120 }), { minLength: 10, maxLength: 40 })
    fc.assert(
      fc.property(long, (minutes) => {
        const found = learnedTime(50, minutes)
        const scaled = learnedTime(
          3000,
          minutes.map((each) => 60 * each),
        )
        expect(scaled.meanMinutes).toBeCloseTo(60 * found.meanMinutes, 6)
        expect(scaled.weight).toBeCloseTo(found.weight!, 12)
        expect(scaled.cv).toBeCloseTo(found.cv, 12)
        const ends = [found.medianMinutes!, found.shrunkMedianMinutes!]
        expect(Math.min(...ends)).toBeLessThanOrEqual(found.shrunkMedianMinutes! + 1e-9)
      }),
    )
  })
  test('a time at the edge of what is let stand is kept', () => {
    const kept = (minutes: number) => learnedTime(30, [minutes]).n
    expect([kept(2.9), kept(3), kept(120), kept(120.1)]).toEqual([0, 1, 1, 0])
  })
  test("nine leave the plan's figure; more than a third left out is a question, not a time", () => {
    const ten = new Array<number>(10).fill(20)
    expect(learnedTime(30, ten.slice(1))).toMatchObject({ state: 'planned', meanMinutes: 30, cv: 0.25, n: 9 })
    expect(learnedTime(30, ten).state).toBe('learned')
    expect(learnedTime(30, [...ten, ...new Array<number>(6).fill(400)])).toMatchObject({
      state: 'doubtful',
      meanMinutes: 30,
      leftRunning: 6,
    })
    expect(learnedTime(30, [...ten, ...new Array<number>(5).fill(400)]).state).toBe('learned')
  })
  test('the bounds of cleaning: a tenth or a minute, four times or half an hour more', () => {
    const cleaned = (plan: number, minutes: number) => {
      const { enteredAfterwards, leftRunning } = learnedTime(plan, [minutes])
      return [enteredAfterwards, leftRunning]
    }
    expect([cleaned(30, 2.9), cleaned(30, 3), cleaned(5, 0.9), cleaned(5, 1)]).toEqual([
      [1, 0],
      [0, 0],
      [1, 0],
      [0, 0],
    ])
    expect([cleaned(30, 120), cleaned(30, 121), cleaned(5, 35), cleaned(5, 36)]).toEqual([
      [0, 0],
      [0, 1],
      [0, 0],
      [0, 1],
    ])
  })
  test('nothing moves in no time, and never past where it goes', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 500 }),
        fc.integer({ min: 1, max: 500 }),
        fc.integer({ min: 0, max: 60 }),
        (a, b, weeks) => {
          const moved = movedTime(a, b, weeks)
          expect(moved >= Math.min(a, b) - 1e-9 && moved <= Math.max(a, b) + 1e-9).toBe(true)
          expect(movedTime(a, b, 0)).toBe(a)
        },
      ),
    )
  })
  test("the lab's own spread is used from ten steps on", () => {
    const step = (factor: number) => ({
      planMinutes: 20,
      minutes: Array.from({ length: 12 }, (_, n) => factor * (18 + (n % 4))),
    })
    const steps = [1, 2, 0.5, 1, 2, 0.5, 1, 2, 0.5, 1].map(step)
    expect(ownTau(steps.slice(1))).toBe(USUAL_TAU)
    // ln 2 either way in two of three, none in one.
    expect(ownTau(steps)).toBeCloseTo(Math.LN2 * Math.sqrt(6 / 9), 1)
    expect(spreadBetween([1], [4])).toEqual({ tauSquared: 0, mean: 1, standardError: 2 })
  })
})

test('more promises of the same bins keep them; always kept at certainty costs nothing', () => {
  const chances = [0.2, 0.55, 0.75, 0.85, 0.95, 0.95]
  const kept = [false, true, true, false, true, true]
  const once = calibration(chances, kept)!
  const thrice = calibration([...chances, ...chances, ...chances], [...kept, ...kept, ...kept])!
  expect(thrice.bins.map(({ from, said }) => [from, said.toFixed(9)])).toEqual(
    once.bins.map(({ from, said }) => [from, said.toFixed(9)]),
  )
  expect(thrice.brier).toBeCloseTo(once.brier, 12)
  expect(calibration([1, 1], [true, true])).toMatchObject({ brier: 0 })
  expect(calibration([1, 1], [true, true])).not.toHaveProperty('z')
  expect(calibration([], [])).toBeUndefined()
  const many = (n: number) =>
    calibration(new Array<number>(n).fill(0.8), new Array<boolean>(n).fill(true))!.state
  expect([19, 20].map(many)).toEqual(['tooFew', 'told'])
})

test('weights sum to 1, and one more find raises only its own', () => {
  fc.assert(
    fc.property(fc.array(fc.nat(9), { minLength: 1, maxLength: 8 }), fc.nat(7), (found, at) => {
      const index = at % found.length
      const before = causeWeights(found)
      const after = causeWeights(found.map((count, n) => (n === index ? count + 1 : count)))
      expect(before.reduce((sum, each) => sum + each, 0)).toBeCloseTo(1, 12)
      expect(after.every((weight, n) => (n === index ? weight >= before[n]! : weight < before[n]!))).toBe(
        true,
      )
    }),
  )
})

test.each([
  ['nothing-counted', () => shareOf({ count: 0, of: 0 })],
  ['count-above-total', () => shareOf({ count: 3, of: 2 })],
  ['counts-not-whole', () => shareOf({ count: 0.5, of: 2 })],
  ['counts-not-whole', () => shareOf({ count: -1, of: 2 })],
  ['value-not-finite', () => shareOf({ count: Number.NaN, of: 2 })],
  ['nothing-counted', () => compareGroups([{ first: { count: 0, of: 0 }, second: { count: 0, of: 2 } }])],
  ['count-above-total', () => exactTest([{ first: { count: 2, of: 1 }, second: { count: 0, of: 2 } }])],
  ['count-above-total', () => exactTest([{ first: { count: 1, of: 0 }, second: { count: 0, of: 2 } }])],
  ['p-out-of-range', () => falseDiscovery([0.2, 1.1])],
  ['value-not-finite', () => controlChart({ values: [1, Number.POSITIVE_INFINITY] })],
  ['step-not-positive', () => controlChart({ values: [1], step: 0 })],
  ['hours-not-positive', () => lostHours([2, 0])],
  ['nothing-counted', () => lostHours([])],
  ['minutes-not-positive', () => learnedTime(0, [3])],
  ['minutes-not-positive', () => learnedTime(10, [3, 0])],
  ['minutes-not-positive', () => movedTime(1, 2, -1)],
  ['minutes-not-positive', () => movedTime(0, 2, 1)],
  ['value-not-finite', () => learnedTime(10, [Number.NaN])],
  ['lengths-differ', () => calibration([0.2], [])],
  ['nothing-counted', () => shrinkageFactor([1, 2, 3], 1)],
  ['chance-out-of-range', () => calibration([1.2], [true])],
  ['chance-out-of-range', () => chanceAtRate(1, 1, 2)],
  ['rank-not-whole', () => causeHits([1.5])],
  ['nothing-counted', () => causeHits([])],
  ['nothing-counted', () => causeWeights([])],
  ['counts-not-whole', () => causeWeights([-1])],
])('%s', (code, refused) => {
  expect(refused).toThrow(expect.objectContaining({ code }))
})
