import { describe, expect, test } from '@jest/globals'
import { causeHits, causeWeights } from './cause-weights.ts'
import { controlChart, LIMIT_FACTOR, RANGE_FACTOR } from './control-chart.ts'
import { chiSquareQuantile, gammaBelow, normalBelow, normalQuantile } from './distributions.ts'
import { learnedTime, movedTime, shrinkageFactor, spreadBetween } from './learned-time.ts'
import { lostHours } from './lost-hours.ts'
import { calibration } from './promises.ts'
import { chanceAtRate, gapLimit, medianGap, rareEvents } from './rare-events.ts'
import { differenceOf, exactHigh, rolledYield, shareOf } from './rates.ts'
import {
  compareGroups,
  exactTest,
  falseDiscovery,
  mantelHaenszel,
  type Stratum,
} from './same-or-different.ts'

/** Rows of a, b, c, d: of the first group a had it and b had not, of the second c and d. */
const strata = (...rows: readonly (readonly [number, number, number, number])[]): Stratum[] =>
  rows.map(([a, b, c, d]) => ({ first: { count: a, of: a + b }, second: { count: c, of: c + d } }))
/** Six departments: men admitted, refused, women admitted, refused. Bickel, Hammel and O'Connell 1975. */
const admissions = strata(
  [512, 313, 89, 19],
  [353, 207, 17, 8],
  [120, 205, 202, 391],
  [138, 279, 131, 244],
  [53, 138, 94, 299],
  [22, 351, 24, 317],
)
/** Open surgery and puncture, small stones and large. Charig 1986. */
const kidneyStones = strata([81, 6, 234, 36], [192, 71, 55, 25])
/** Penicillin at once and after an hour and a half, by dose. Mantel 1963, as in R. */
const rabbits = strata([0, 6, 0, 5], [3, 3, 0, 6], [6, 0, 2, 4], [5, 1, 6, 0], [2, 0, 5, 0])

describe('distributions', () => {
  test.each([
    [0.975, 1.959964],
    [0.995, 2.575829],
    [0.5, 0],
    [0.00135, -2.99998],
  ])('the normal quantile of %p is %p (tables of the normal distribution)', (p, z) => {
    expect(normalQuantile(p)).toBeCloseTo(z, 5)
  })
  test.each([
    [0.975, 1, 5.02389],
    [0.975, 10, 20.4832],
    [0.025, 10, 3.24697],
    [0.95, 30, 43.773],
    [0.025, 2, 0.0506356],
  ])('χ² of %p with %p degrees is %p (tables of χ²)', (p, degrees, value) => {
    expect(chiSquareQuantile(p, degrees)).toBeCloseTo(value, 3)
  })
  test('beyond 3 standard deviations lie 0.0027 of a normal value (Shewhart)', () => {
    expect(2 * normalBelow(-3)).toBeCloseTo(0.0027, 5)
  })
  test('beyond the upper limit alone lie 0.01059 half-normal and 0.02573 exponential values', () => {
    // Half-normal: mean √(2/π), mean range of two 2(2-√2)/√π; exponential: mean and mean range 1.
    const mean = Math.sqrt(2 / Math.PI)
    const range = (2 * (2 - Math.SQRT2)) / Math.sqrt(Math.PI)
    expect(2 * normalBelow(-(mean + LIMIT_FACTOR * range))).toBeCloseTo(0.01059, 4)
    expect(1 - gammaBelow(1, 1 + LIMIT_FACTOR)).toBeCloseTo(0.02573, 5)
  })
  test('the factors of the chart are those of ranges of two, 2.65868 and 3.26653, as published to 2 and 3 places', () => {
    const meanRange = 2 / Math.sqrt(Math.PI)
    expect(3 / meanRange).toBeCloseTo(2.65868, 5)
    expect(1 + (3 * Math.sqrt(2 - meanRange ** 2)) / meanRange).toBeCloseTo(3.26653, 5)
    expect(LIMIT_FACTOR).toBeCloseTo(3 / meanRange, 2)
    expect(RANGE_FACTOR).toBeCloseTo(1 + (3 * Math.sqrt(2 - meanRange ** 2)) / meanRange, 3)
  })
})

describe('shares', () => {
  test.each([
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
    [0, 30, 0, 0.1135],
  ])('%p of %p lies from %p to %p (Newcombe 1998)', (count, of, low, high) => {
    const share = shareOf({ count, of })
    expect([share.low, share.high].map((x) => x.toFixed(4))).toEqual([low, high].map((x) => x.toFixed(4)))
  })
  test('0 of 30: exactly below 0.0950 with one side; by the rule of three 0.1', () => {
    expect(exactHigh({ count: 0, of: 30 })).toBeCloseTo(0.095, 4)
  })
  test.each([
    [[56, 70], [48, 80], 0.2, 0.0524, 0.3339],
    [[9, 10], [3, 10], 0.6, 0.1705, 0.809],
    [[10, 10], [0, 10], 1, 0.6075, 1],
  ] as const)('%p less %p is %p, from %p to %p (Newcombe 1998)', (one, other, value, low, high) => {
    const found = differenceOf({ count: one[0], of: one[1] }, { count: other[0], of: other[1] })
    expect([found.difference, found.low, found.high].map((x) => x.toFixed(4))).toEqual(
      [value, low, high].map((x) => x.toFixed(4)),
    )
  })
  test('sixty steps of 20 in 20: a product of 1; with a half added to each it would be 0.2355', () => {
    const steps = Array.from({ length: 60 }, () => ({ count: 20, of: 20 }))
    expect(rolledYield({ count: 20, of: 20 }, steps).product).toBe(1)
    expect((20.5 / 21) ** 60).toBeCloseTo(0.2355, 3)
  })
  test('percent from 10 on', () => {
    expect([9, 10].map((of) => shareOf({ count: 2, of }).state)).toEqual(['tooFew', 'percent'])
  })
})

describe('same or different', () => {
  test('tea: one-sided 17/70, mid-p 18/70 (Fisher 1935)', () => {
    const { oneSidedP, midP } = exactTest(strata([3, 1, 1, 3]))
    expect(oneSidedP).toBeCloseTo(17 / 70, 12)
    expect(midP).toBeCloseTo(18 / 70, 12)
  })
  test('twins: one-sided 619/1330665, mid-p 0.00048066 (Fisher 1935)', () => {
    const { oneSidedP, midP } = exactTest(strata([10, 3, 2, 15]))
    expect(oneSidedP).toBeCloseTo(619 / 1330665, 12)
    expect(midP).toBeCloseTo(0.00048066, 8)
  })
  test('3 of 20 against 0 of 25: mid-p and the least are 0.0803, so too few to tell', () => {
    const { exact, state } = compareGroups(strata([3, 17, 0, 25]))
    expect([exact.midP, exact.leastP].map((x) => x.toFixed(4))).toEqual(['0.0803', '0.0803'])
    expect(state).toBe('tooFew')
  })
  test('admissions of six departments', () => {
    const common = mantelHaenszel(admissions)!
    const of = (x: { value: number; low: number; high: number }) =>
      [x.value, x.low, x.high].map((each) => each.toFixed(4))
    expect(of(common.oddsRatio!)).toEqual(['0.9047', '0.7719', '1.0603'])
    expect(of(common.difference)).toEqual(['-0.0184', '-0.0475', '0.0106'])
    expect(common.chiSquare.toFixed(4)).toBe('1.5246')
    expect(exactTest(admissions).midP.toFixed(4)).toBe('0.2170')
    const all = (key: 'first' | 'second') =>
      admissions.reduce((sum, each) => [sum[0] + each[key].count, sum[1] + each[key].of] as const, [
        0, 0,
      ] as readonly [number, number])
    const [[a, m], [c, n]] = [all('first'), all('second')]
    expect(mantelHaenszel(strata([a, m - a, c, n - c]))!.oddsRatio!.value).toBeCloseTo(1.8411, 4)
    expect(compareGroups(admissions)).toMatchObject({ mixMisleads: true })
  })
  test('kidney stones: crude 78.0 against 82.6 %, by size 5.4 points the other way (Charig 1986)', () => {
    const { crude, common, exact, mixMisleads } = compareGroups(kidneyStones)
    expect([crude.first.share, crude.second.share].map((x) => (100 * x).toFixed(1))).toEqual(['78.0', '82.6'])
    const { value, low, high } = common!.difference
    expect([value, low, high].map((x) => (100 * x).toFixed(1))).toEqual(['5.4', '-1.2', '12.0'])
    const odds = common!.oddsRatio!
    expect([odds.value, odds.low, odds.high].map((x) => x.toFixed(4))).toEqual(['1.4468', '0.9158', '2.2858'])
    expect(exact.midP.toFixed(4)).toBe('0.1206')
    expect(mixMisleads).toBe(true)
  })
  test('rabbits: odds ratio 7 (1.0267 to 47.7251), χ² 5.6571, corrected 3.9286, exact 0.03994, mid-p 0.02135', () => {
    const common = mantelHaenszel(rabbits)!
    const odds = common.oddsRatio!
    expect([odds.value, odds.low, odds.high].map((x) => x.toFixed(4))).toEqual([
      '7.0000',
      '1.0267',
      '47.7251',
    ])
    expect([common.chiSquare, common.chiSquareCorrected].map((x) => x.toFixed(4))).toEqual([
      '5.6571',
      '3.9286',
    ])
    const { twoSidedP, midP } = exactTest(rabbits)
    expect([twoSidedP, midP].map((x) => x.toFixed(5))).toEqual(['0.03994', '0.02135'])
  })
  test('fifteen at once: four at 0.05 (Benjamini and Hochberg 1995)', () => {
    const p = [
      0.0001, 0.0004, 0.0019, 0.0095, 0.0201, 0.0278, 0.0298, 0.0344, 0.0459, 0.324, 0.4262, 0.5719, 0.6528,
      0.759, 1,
    ]
    const q = [
      0.0015, 0.003, 0.0095, 0.035625, 0.0603, 0.063857, 0.063857, 0.0645, 0.0765, 0.486, 0.581182, 0.714875,
      0.753231, 0.813214, 1,
    ]
    expect(falseDiscovery(p).map((x) => x.toFixed(6))).toEqual(q.map((x) => x.toFixed(6)))
  })
})

describe('charts', () => {
  const viscosity = [
    33.75, 33.05, 34.0, 33.81, 33.46, 34.02, 33.68, 33.27, 33.49, 33.2, 33.62, 33.0, 33.54, 33.12, 33.84,
  ]
  const flow = [49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1]
  test('viscosity of a primer: 33.5233, ranges 0.480714, limits 32.2446 and 34.8020, range up to 1.5705 (Montgomery)', () => {
    const { mean, movingRange, low, high, rangeHigh, signals, state } = controlChart({ values: viscosity })
    expect([mean, low, high, rangeHigh].map((x) => x!.toFixed(4))).toEqual([
      '33.5233',
      '32.2446',
      '34.8020',
      '1.5705',
    ])
    expect(movingRange).toBeCloseTo(0.480714, 6)
    expect([signals, state]).toEqual([[], 'provisional'])
  })
  test('flow: 50.81, ranges 1.87778, limits 45.8151 and 55.8049 (NIST handbook 6.3.2)', () => {
    const { mean, movingRange, low, high } = controlChart({ values: flow })
    expect([mean, movingRange, low, high].map((x) => x!.toFixed(4))).toEqual([
      '50.8100',
      '1.8778',
      '45.8151',
      '55.8049',
    ])
  })
})

describe('rare events', () => {
  test('6 in 300 before: 3 or more in 30 with 0.03330, 1 or more in 10 with 0.19352; at 2 % known 0.02172', () => {
    const before = { count: 6, of: 300 }
    expect(rareEvents({ before, next: { count: 3, of: 30 } }).chanceOfSoMany.toFixed(5)).toBe('0.03330')
    expect(rareEvents({ before, next: { count: 1, of: 10 } }).chanceOfSoMany.toFixed(5)).toBe('0.19352')
    expect(chanceAtRate(0.02, 3, 30).toFixed(5)).toBe('0.02172')
  })
  test('at 2 %: half of all gaps up to 34.3 jobs; at a mean of 49 the limit is 197.5 (Benneyan 2001)', () => {
    expect(medianGap(0.02)).toBeCloseTo(34.3, 1)
    expect(gapLimit(49)).toBeCloseTo(197.5, 1)
  })
  test('25 cases a month at 2 %: none in 60 of 100 months', () => {
    expect(1 - chanceAtRate(0.02, 1, 25)).toBeCloseTo(0.6, 2)
  })
})

describe('hours', () => {
  test.each([
    [[], 0, 3.6889],
    [[1], 0.0253, 5.5716],
    [[1, 1, 1, 1, 1], 1.6235, 11.6683],
  ])('events of one hour, %p: from %p to %p (Garwood 1936)', (hours, low, high) => {
    const found = lostHours(hours, 1)
    expect([found.low, found.high].map((x) => x.toFixed(4))).toEqual([low, high].map((x) => x.toFixed(4)))
  })
  test('6.5, 2.25, 4 and 1.5 h: 14.25 h, from 3.04 to 45.5 (Fay and Feuer 1997)', () => {
    const { hours, low, high, state } = lostHours([6.5, 2.25, 4, 1.5])
    expect([hours, low.toFixed(2), high.toFixed(1), state]).toEqual([14.25, '3.04', '45.5', 'told'])
  })
})

describe('times', () => {
  test('twelve times of a step planned with 30 min, two of them left out: 22.187 min, spread 0.2172', () => {
    const found = learnedTime(30, [22, 19, 25, 18, 31, 21, 17, 24, 140, 20, 0.4, 23])
    expect(found).toMatchObject({ state: 'learned', n: 10, enteredAfterwards: 1, leftRunning: 1 })
    const { medianMinutes, s, weight, shrunkMedianMinutes, meanMinutes, cv } = found
    expect(
      [medianMinutes, s, weight, shrunkMedianMinutes, meanMinutes, cv].map((x) => Number(x!.toFixed(5))),
    ).toEqual([
      expect.closeTo(21.494, 3),
      0.17318,
      0.9714,
      expect.closeTo(21.681, 3),
      expect.closeTo(22.187, 3),
      expect.closeTo(0.2172, 4),
    ])
  })
  test('to a half takes four weeks', () => {
    expect(movedTime(60, 30, 3)).toBeCloseTo(60 / 1.2 ** 3, 10)
    expect(movedTime(60, 30, 4)).toBe(30)
    expect(movedTime(60, 90, 1)).toBe(72)
  })
  test('a log-normal value of spread 0.25 has 1.03078 times the mean of its median', () => {
    expect(Math.exp(Math.log(1 + 0.25 ** 2) / 2)).toBeCloseTo(1.03078, 5)
    // Its median lies there within the plan: with next to no weight on its own times, the mean is the plan's figure.
    const found = learnedTime(30, new Array<number>(12).fill(30), 1e-6)
    expect(found.shrunkMedianMinutes! * 1.03078).toBeCloseTo(30, 3)
  })
  test('thirteen vaccine trials: τ² 0.3088, mean -0.7141 (Colditz 1994)', () => {
    const trials = [
      [4, 119, 11, 128],
      [6, 300, 29, 274],
      [3, 228, 11, 209],
      [62, 13536, 248, 12619],
      [33, 5036, 47, 5761],
      [180, 1361, 372, 1079],
      [8, 2537, 10, 619],
      [505, 87886, 499, 87892],
      [29, 7470, 45, 7232],
      [17, 1699, 65, 1600],
      [186, 50448, 141, 27197],
      [5, 2493, 3, 2338],
      [27, 16886, 29, 17825],
    ] as const
    const { tauSquared, mean } = spreadBetween(
      trials.map(([a, b, c, d]) => Math.log(a / (a + b) / (c / (c + d)))),
      trials.map(([a, b, c, d]) => 1 / a - 1 / (a + b) + 1 / c - 1 / (c + d)),
    )
    expect([tauSquared.toFixed(4), mean.toFixed(4)]).toEqual(['0.3088', '-0.7141'])
  })
  test('eight schools: τ² 0, mean 7.686, standard error 4.072 (Rubin 1981)', () => {
    const { tauSquared, mean, standardError } = spreadBetween(
      [28, 8, -3, 7, -1, 1, 18, 12],
      [15, 10, 16, 11, 9, 11, 10, 18].map((se) => se * se),
    )
    expect([tauSquared, mean.toFixed(3), standardError.toFixed(3)]).toEqual([0, '7.686', '4.072'])
  })
  test('batting of eighteen: factor 0.212, and .400 becomes .294 (Efron and Morris 1977)', () => {
    const averages = [18, 17, 16, 15, 14, 14, 13, 12, 11, 11, 10, 10, 10, 10, 10, 9, 8, 7].map((n) => n / 45)
    const mean = averages.reduce((sum, each) => sum + each, 0) / averages.length
    const factor = shrinkageFactor(averages, (mean * (1 - mean)) / 45)
    expect(factor).toBeCloseTo(0.2117, 3)
    expect(mean + factor * (0.4 - mean)).toBeCloseTo(0.2939, 3)
  })
})

describe('promises', () => {
  test('ten promises: Brier 0.2130 = 0.0180 - 0.0450 + 0.2400, z 0.6445, p 0.519', () => {
    const chances = [0.9, 0.9, 0.9, 0.9, 0.6, 0.6, 0.6, 0.6, 0.6, 0.3]
    const kept = [true, true, true, false, true, true, true, false, false, false]
    const found = calibration(chances, kept)!
    expect(
      [found.brier, found.reliability, found.resolution, found.uncertainty, found.z!].map((x) =>
        x.toFixed(4),
      ),
    ).toEqual(['0.2130', '0.0180', '0.0450', '0.2400', '0.6445'])
    expect(found.p!.toFixed(3)).toBe('0.519')
    expect(found.state).toBe('tooFew')
    expect(found.off).toBe(false)
    // Thirty times nine in ten, and half of them kept.
    const half = Array.from({ length: 30 }, (_, n) => n % 2 === 0)
    expect(calibration(new Array(30).fill(0.9), half)!.off).toBe(true)
  })
  test('about 90 %: 41 of 50, 82 %, 69 to 90', () => {
    const [bin] = calibration(
      new Array(50).fill(0.9),
      Array.from({ length: 50 }, (_, n) => n < 41),
    )!.bins
    expect([bin!.from, bin!.kept.count, bin!.kept.low.toFixed(2), bin!.kept.high.toFixed(2)]).toEqual([
      0.9,
      41,
      '0.69',
      '0.90',
    ])
  })
})

describe('causes', () => {
  test('found 2 0 5 0 0 1 of six', () => {
    expect(causeWeights([2, 0, 5, 0, 0, 1]).map((x) => x.toFixed(4))).toEqual([
      '0.3027',
      '0.0680',
      '0.4620',
      '0.0340',
      '0.0272',
      '0.1060',
    ])
  })
  test('how high they stood: first 2 of 4, first three 3 of 4, (1 + 1 + 1/3 + 0)/4', () => {
    const hits = causeHits([1, 1, 3, 0])
    expect([hits.first.count, hits.firstThree.count]).toEqual([2, 3])
    expect(hits.meanReciprocalRank).toBeCloseTo(7 / 12, 12)
  })
})
