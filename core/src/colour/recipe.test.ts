import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { shelf } from '../testing/stain-shelf.ts'
import { refused } from '../testing/words.ts'
import {
  calibratePot,
  colourCalculators,
  colourDifference,
  compareBlocks,
  type Drawdown,
  film,
  filmOf,
  type Lab,
  mixSheet,
  onSubstrate,
  planCrown,
  planZone,
  stainedColour,
  verdictOf,
  type Zone,
} from './index.ts'

const lab = (L: number, a: number, b: number): Lab => ({ L, a, b })
const block = lab(84, 1, 13)
const zone = (name: string, target: Lab, of = block): Zone => ({ name, block: of, target })
const cervical = zone('cervical', lab(76.5, 4, 22))
const zones = [
  cervical,
  zone('body', lab(80.5, 2, 17)),
  zone('incisal', lab(79, 0, 9.5)),
  zone('proximal', lab(80, 1, 12)),
]
const amounts = (coats: readonly number[]) =>
  Object.fromEntries(coats.flatMap((x, n) => (x > 0 ? [[shelf[n]!.name, x]] : [])))

// Recipes: exhaustive search, worked out by two methods outside the project.
describe('a recipe for a zone', () => {
  it.each([
    [0, { 'ochre body': 1, 'brown body': 1 }, 2.4005, 2.7005, 'outOfReach'],
    [1, { 'ochre body': 1, 'brown body': 0.25 }, 0.8494, 1.1119, 'acceptable'],
    [2, { grey: 1, blue: 0.75 }, 0.4364, 1.0875, 'notSeen'],
    [3, { grey: 1 }, 0.7956, 0.95, 'notSeen'],
  ])('of the example shelf, zone %d', (n, recipe, difference, score, verdict) => {
    const plan = planZone(zones[n]!, shelf)
    expect(amounts(plan.coats)).toEqual(recipe)
    expect(plan.difference).toBeCloseTo(difference, 4)
    expect(plan.score).toBeCloseTo(score, 4)
    expect(plan.verdict).toBe(verdict)
    expect(plan.cannotBeLifted).toBe(false)
  })
  it('the brush is the largest error: a fifth thinner and thicker', () => {
    const plan = planZone(cervical, shelf)
    expect(plan.thinner).toBeCloseTo(3.1249, 4)
    expect(plan.thicker).toBeCloseTo(1.9863, 4)
  })
  it('three coats reach further', () => {
    const plan = planZone(cervical, shelf, { maxCoats: 3 })
    expect(amounts(plan.coats)).toEqual({ 'ochre body': 2, 'brown body': 1 })
    expect(plan.difference).toBeCloseTo(0.8899, 4)
    expect(plan.score).toBeCloseTo(1.2399, 4)
  })
  it('a dark block cannot be lifted: the nearest is no plan', () => {
    const plan = planZone(zone('dark', lab(78, 2, 16), lab(68, 4, 20)), shelf)
    expect(amounts(plan.coats)).toEqual({ white: 2 })
    expect(plan.difference).toBeCloseTo(6.2145, 4)
    expect([plan.verdict, plan.cannotBeLifted]).toEqual(['outOfReach', true])
    expect(plan.lightest).toBeLessThan(78)
  })
  it('is what brute force finds on a small shelf', () => {
    const few = [shelf[0]!, shelf[6]!]
    fc.assert(
      fc.property(
        fc.integer({ min: 74, max: 84 }),
        fc.integer({ min: 0, max: 5 }),
        fc.integer({ min: 8, max: 22 }),
        (L, a, b) => {
          const target = lab(L, a, b)
          let least = Infinity
          for (let i = 0; i <= 8; i++)
            for (let j = 0; i + j <= 8; j++) {
              const coats = [i / 4, j / 4]
              const colour = stainedColour(
                block,
                coats.map((x, n) => ({ pot: few[n]!, coats: x })),
              )
              const pots = coats.filter((x) => x > 0).length
              const score =
                Math.max(colourDifference(colour, target), 0.8) + 0.1 * pots + (0.05 * (i + j)) / 4
              if (score < least) least = score
            }
          expect(planZone(zone('z', target), few).score).toBeCloseTo(least, 9)
        },
      ),
      { numRuns: 15 },
    )
  })
})

describe('a whole crown', () => {
  it('takes at most four pots for all its zones', () => {
    const { score, zones: plans } = planCrown(zones, shelf)
    expect(score).toBeCloseTo(6.2498, 3)
    expect(plans.map(({ coats }) => amounts(coats))).toEqual([
      { 'ochre body': 1, 'brown body': 1 },
      { 'ochre body': 1, 'brown body': 0.25 },
      { grey: 1, blue: 0.75 },
      { grey: 1 },
    ])
  })
  it('is the same plan whatever the order of pots and zones', () => {
    const turned = [...shelf].reverse()
    const names = (coats: readonly number[], of: typeof shelf) =>
      Object.fromEntries(coats.flatMap((x, n) => (x > 0 ? [[of[n]!.name, x]] : [])))
    const one = planCrown(zones, shelf)
    const other = planCrown([...zones].reverse(), turned)
    expect(other.score).toBeCloseTo(one.score, 9)
    expect(other.zones.map(({ coats }) => names(coats, turned)).reverse()).toEqual(
      one.zones.map(({ coats }) => names(coats, shelf)),
    )
  })
  it('a block that is the target wants nothing', () => {
    const { zones: plans } = planCrown(
      [{ name: 'body', block: lab(80, 2, 18), target: lab(80, 2, 18) }],
      shelf,
    )
    expect(plans[0]!.coats.every((coats) => coats === 0)).toBe(true)
    expect(plans[0]!.difference).toBeLessThan(1e-6)
  })
  it('what other programs ask: two coats at most, where they say so', () => {
    const calculator = colourCalculators[1]
    const ask = { ...calculator.example, targetLab: { L: 60, a: 8, b: 26 } }
    const most = (input: typeof ask & { maxCoats?: number }) => Math.max(...calculator.answer(input).coats)
    expect(most(ask)).toBeGreaterThan(1)
    expect(most({ ...ask, maxCoats: 1 })).toBeLessThanOrEqual(1)
  })
  it('a block a little lighter than the darkest zone beats a very light one', () => {
    const blocks = [lab(84, 1, 13), lab(79, 2, 18), lab(70, 4, 22), lab(90, 0, 6)].map((each) => ({
      name: `L* ${each.L}`,
      block: each,
    }))
    const found = compareBlocks(blocks, lab(76.5, 4, 22), shelf)
    expect(found.map((plan) => plan.zone)).toEqual(['L* 79', 'L* 84', 'L* 70', 'L* 90'])
    expect(found.map(({ difference }) => Number(difference.toFixed(4)))).toEqual([
      0.5286, 2.4005, 4.2386, 6.6731,
    ])
    expect(amounts(found[0]!.coats)).toEqual({ 'ochre body': 0.75, 'brown body': 0.5 })
    // In whatever order they lie on the shelf.
    expect(compareBlocks([...blocks].reverse(), lab(76.5, 4, 22), shelf).map((plan) => plan.zone)).toEqual(
      found.map((plan) => plan.zone),
    )
  })
  it.each([
    [[3, 2], [3, 2], 3, 2],
    [[6, 2], [3, 1], 0, 2],
    [[0, 0], [0, 0], 0, 0],
    [[4], [1], 0, 1],
  ])('quarters %j as parts for the palette', (quarters, parts, clear, coats) =>
    expect(mixSheet(quarters)).toEqual({ parts, clear, coats }),
  )
  it('0.8 is not seen, 1.8 is accepted', () =>
    expect([0.8, 0.81, 1.8, 1.81].map(verdictOf)).toEqual([
      'notSeen',
      'acceptable',
      'acceptable',
      'outOfReach',
    ]))
  it('refuses what cannot be tried', () => {
    const code = (act: () => unknown) => refused(act)?.code
    expect(code(() => planCrown(zones, shelf, { maxCoats: 3.5 }))).toBe('coats-out-of-range')
    expect(code(() => planZone(cervical, shelf, { maxCoats: 0 }))).toBe('coats-out-of-range')
    expect(code(() => planZone(cervical, shelf, { maxCoats: 1 }))).toBeUndefined()
    expect(code(() => planCrown(zones, [...shelf, ...shelf]))).toBe('pots-too-many')
    expect(code(() => planCrown(zones, [{ ...shelf[0]!, scattering: [-0.1, 0, 0] }]))).toBe(
      'pot-not-plausible',
    )
    expect(code(() => planCrown([zone('z', lab(101, 0, 0))], shelf))).toBe('lightness-out-of-range')
    expect(code(() => planCrown([zone('z', lab(Number.NaN, 0, 0))], shelf))).toBe('not-a-number')
  })
})

describe('calibrating a pot', () => {
  const pairs = (K: number, S: number) =>
    [0.7, 0.2].map((under) => [under, onSubstrate(film(K, S), under)] as const)
  it.each([
    [0.02, 0.1],
    [0.3, 0],
    [0, 0.4],
    [0, 0],
  ])('an exact pair gives its film back: K %d, S %d', (K, S) => {
    const found = filmOf(pairs(K, S))
    expect(found.absorption).toBeCloseTo(K, 7)
    expect(found.scattering).toBeCloseTo(S, 7)
    expect(found.edge).toBe(false)
  })
  it('what noise made impossible is the nearest film that absorbs or scatters alone, and says so', () => {
    const found = filmOf([
      [0.8, 0.805],
      [0.3, 0.34],
    ])
    expect(found.edge).toBe(true)
    expect(found.absorption).toBe(0)
    expect(found.scattering).toBeCloseTo(0.086875, 6)
  })
  const chip = (glazed: Lab): Drawdown => {
    const stained = stainedColour(glazed, [{ pot: shelf[1]!, coats: 2 }])
    const read = (value: number) => Number(value.toFixed(2))
    return { glazed, stained: lab(read(stained.L), read(stained.a), read(stained.b)) }
  }
  const light = chip(lab(88, 0.5, 8))
  const dark = chip(lab(62, 6, 20))
  it('two coats of brown on a light and a dark block, read to two places', () => {
    expect(light.stained).toEqual(lab(79.35, 7.79, 14.57))
    expect(dark.stained).toEqual(lab(57.7, 10.17, 22.17))
    const bands = calibratePot([light, dark], 2)
    const off = [0.02602, 0.033018, 0.056009].map((k, n) => Math.abs(bands[n]!.absorption - k))
    const offS = [0.020095, 0.014079, 0.006009].map((s, n) => Math.abs(bands[n]!.scattering - s))
    expect(Math.max(...off, ...offS)).toBeLessThan(1e-6)
  })
  it('refuses blocks that are too much alike, and coats that are none', () => {
    const near = chip(lab(80, 0.5, 8))
    expect(refused(() => calibratePot([light, near], 2))?.code).toBe('blocks-too-alike')
    expect(refused(() => calibratePot([light, dark], 0))?.code).toBe('coats-out-of-range')
  })
})
