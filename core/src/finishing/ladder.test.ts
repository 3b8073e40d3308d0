import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { ceramicLadder, resinLadder } from './default-ladders.ts'
import { goingBack, scratchWords } from './going-back.ts'
import { grainMicrometres } from './grain.ts'
import { labLadder } from './lab-wheel.ts'
import {
  deepestCrack,
  depthLeft,
  depthRatioByGauge,
  type FinishingLadder,
  type FinishingStage,
  ladderSeconds,
  ladderWarnings,
  measuredRate,
  planLadder,
  smoothFrom,
} from './ladder.ts'
import { leavingOutStage, rateByCaliper, rateOfPasses } from './leaving-out.ts'
import { bestRatio, ladderCost, skipLosesFrom } from './step-ratio.ts'

const indexOf = (id: string) => resinLadder.stages.findIndex((stage) => stage.id === id)
const without = (id: string): FinishingLadder => ({
  ...resinLadder,
  stages: resinLadder.stages.filter((stage) => stage.id !== id),
})
const stage = (name: string, depth: number): FinishingStage => ({
  id: name,
  name,
  depthMicrometres: depth,
  cubicMillimetresPerSecond: 1,
})

describe('grains', () => {
  // ISO 8486 and ISO 6344, recalled in the model notes.
  it.each([
    ['F60', 260],
    ['f120', 109],
    ['F 1200', 3],
    ['P120', 125],
    ['P2500', 8.4],
  ])('%s is %d µm', (grit, micrometres) => expect(grainMicrometres(grit)).toBe(micrometres))
  it.each([
    ['120', 'grit-letter'],
    ['F121', 'grit'],
    ['fine', 'grit'],
  ])('"%s" is refused', (grit, code) => {
    expect(() => grainMicrometres(grit)).toThrow(expect.objectContaining({ code }))
  })
})

describe('the ladder on resin', () => {
  const planned = planLadder(resinLadder)
  // The table of the model notes: depth, Ra, removal, seconds.
  it.each([
    ['stone', 13.08, 2.18, 30, 48],
    ['rubber', 4.8, 0.8, 16.35, 65.4],
    ['coarse-pumice', 2.25, 0.375, 6, 60],
    ['fine-pumice', 0.75, 0.125, 2.8125, 75],
    ['tripoli', 0.2, 0.0333, 0.9375, 93.75],
    ['high-shine', 0.03, 0.005, 0.25, 100],
  ])('%s leaves %d µm, Ra %d, takes %d µm in %d s', (id, depth, ra, removal, seconds) => {
    const found = planned[indexOf(id)]!
    expect(found.depthMicrometres).toBeCloseTo(depth, 6)
    expect(found.roughnessMicrometres).toBeCloseTo(ra, 4)
    expect(found.removalMicrometres).toBeCloseTo(removal, 6)
    expect(found.seconds).toBeCloseTo(seconds, 6)
  })
  it('takes 56.35 µm in 442.15 s of contact, 802.15 with its changes', () => {
    expect(planned.reduce((sum, each) => sum + each.removalMicrometres, 0)).toBeCloseTo(56.35, 6)
    const { contact, all } = ladderSeconds(planned)
    expect(contact).toBeCloseTo(442.15, 6)
    expect(all).toBeCloseTo(802.15, 6)
  })
  it('is smooth enough against plaque from fine pumice on', () => {
    expect(smoothFrom(resinLadder.stages)).toBe(indexOf('fine-pumice'))
  })
  // Contact seconds without a stage, when the others are lengthened until clear; and the gain or loss with changes.
  it.each([
    ['rubber', 480.25, -21.9],
    ['coarse-pumice', 467.15, -35],
    ['fine-pumice', 554.65, 52.5],
    ['tripoli', 623.4, 121.25],
  ])('without %s it takes %d s, and %d with the changes', (id, contact, against) => {
    const seconds = ladderSeconds(planLadder(without(id)))
    expect(seconds.contact).toBeCloseTo(contact, 6)
    expect(seconds.all - 802.15).toBeCloseTo(against, 6)
  })
  it('with tripoli left out high shine takes 375 s instead of 100', () => {
    expect(planLadder(without('tripoli')).at(-1)!.seconds).toBeCloseTo(375, 6)
  })
  it('tells of a stage left out what the next one must work for it, and what it costs in all (worked table)', () => {
    const left = (id: string) => leavingOutStage(resinLadder, indexOf(id))
    expect(left('tripoli')).toMatchObject({ next: { id: 'high-shine' } })
    expect(left('tripoli').usualSeconds).toBeCloseTo(100, 6)
    expect(left('tripoli').seconds).toBeCloseTo(375, 6)
    for (const [id, more] of [
      ['rubber', 38.1],
      ['coarse-pumice', 25],
      ['fine-pumice', 112.5],
      ['tripoli', 181.25],
    ] as const)
      expect(left(id).moreSeconds).toBeCloseTo(more, 6)
    for (const id of ['bur', 'high-shine'])
      expect(() => left(id)).toThrow(expect.objectContaining({ code: 'stage-not-left-out' }))
  })
  it('a wheel is measured by three passes over a plate, and their mean counts: Q = A c d / (1000 t)', () => {
    const before = resinLadder.stages[indexOf('coarse-pumice')]!
    // 4000 mm², 1.25 times 2.25 µm in 75 s are the 0.15 mm³/s of fine pumice in the worked table.
    expect(rateOfPasses(4000, before, [75, 75, 75])).toBeCloseTo(0.15, 9)
    expect(rateOfPasses(4000, before, [75, 75, 37.5])).toBeCloseTo(0.2, 9)
    expect(() => rateOfPasses(4000, before, [75, 75])).toThrow(
      expect.objectContaining({ code: 'too-few-passes' }),
    )
    expect(() => rateOfPasses(0, before, [75, 75, 75])).toThrow('area')
  })
  it('or by caliper: 4000 mm² down by 0.02 mm in 200 s are 0.4 mm³/s, by hand', () => {
    expect(rateByCaliper(4000, 3.2, 3.18, 200)).toBeCloseTo(0.4, 9)
    expect(() => rateByCaliper(4000, 3.2, 3.2, 200)).toThrow(
      expect.objectContaining({ code: 'nothing-came-off' }),
    )
    for (const [area, thick, thin, seconds] of [
      [0, 3.2, 3.1, 200],
      [4000, 3.2, 0, 200],
      [4000, 3.2, 3.1, 0],
    ] as const)
      expect(() => rateByCaliper(area!, thick!, thin!, seconds!)).toThrow(
        expect.objectContaining({ code: 'not-a-positive-number' }),
      )
  })
  it('without rubber, at its usual times, leaves 3.08 µm under the shine', () => {
    const times = planned.map(({ seconds }, n) => (n === indexOf('rubber') ? 0 : n === 0 ? 1 : seconds))
    const left = depthLeft(resinLadder, times)
    // 13.08 - 6 - 2.8125 - 0.9375 - 0.25.
    expect(left.at(-1)).toBeCloseTo(3.08, 6)
    const usual = planned.map(({ seconds }, n) => (n === 0 ? 1 : seconds))
    expect(depthLeft(resinLadder, usual).at(-1)).toBeCloseTo(0.03, 9)
  })
})

describe('the ladder on ceramic', () => {
  const planned = planLadder(ceramicLadder)
  it.each([
    [0, 6.54, 7.2874, 0, 0],
    [1, 2.4, 3.0308, 9.1092, 6.8319],
    [2, 1, 2.6774, 3.7886, 7.1035],
    [3, 0.4, 1.4359, 3.3468, 16.734],
    [4, 0.12, 0.7701, 1.7949, 26.9229],
  ])('stage %d: scratch %d, damage %d, removal %d, %d s', (n, depth, damage, removal, seconds) => {
    const found = planned[n]!
    expect(found.depthMicrometres).toBeCloseTo(depth, 4)
    expect(found.damageMicrometres).toBeCloseTo(damage, 4)
    expect(found.removalMicrometres).toBeCloseTo(removal, 3)
    expect(found.seconds).toBeCloseTo(seconds, 3)
  })
  it('takes 18.0394 µm in 57.5924 s, smooth from the coarse polisher, cracks to 107.9 µm', () => {
    expect(planned.reduce((sum, each) => sum + each.removalMicrometres, 0)).toBeCloseTo(18.0394, 3)
    expect(ladderSeconds(planned).contact).toBeCloseTo(57.5924, 3)
    expect(smoothFrom(ceramicLadder.stages)).toBe(2)
    expect(deepestCrack(ceramicLadder.stages[0]!)).toBeCloseTo(107.9, 1)
  })
})

describe('a ladder of the lab', () => {
  it('gets its depth ratio from a gauge, its rate from a test plate', () => {
    expect(depthRatioByGauge(0.8, 60)).toBeCloseTo(0.08, 9)
    // Rubber after stone on 4000 mm² in 65.4 s is 1 mm³/s: the table again.
    expect(measuredRate(4000, resinLadder.stages[1]!, 65.4)).toBeCloseTo(1, 9)
  })
  it('may put a coarser grain after a finer one, ordered by what it leaves', () => {
    expect(resinLadder.stages[3]!.grainMicrometres).toBeGreaterThan(resinLadder.stages[2]!.grainMicrometres!)
    const turned = { ...resinLadder, stages: [...resinLadder.stages].reverse() }
    expect(() => planLadder(turned)).toThrow(expect.objectContaining({ code: 'ladder-order' }))
    const same = { ...resinLadder, stages: [stage('A', 5), stage('B', 5)] }
    expect(() => planLadder(same)).toThrow(
      expect.objectContaining({ code: 'ladder-order', field: 'stages[1]' }),
    )
  })
  it('is warned about steps nearer than 1.3 or further than 8 times, and an end that is too rough', () => {
    const warned = (...depths: number[]) =>
      ladderWarnings({ ...resinLadder, stages: depths.map((depth, n) => stage(`S${n}`, depth)) }).length
    expect(warned(10, 5, 1)).toBe(0)
    expect(warned(10, 8, 1)).toBe(1)
    expect(warned(10, 1.2, 1)).toBe(2)
    // Ra 0.2 is a scratch of 1.2 µm.
    expect(warned(5, 1.2)).toBe(0)
    expect(warned(5, 1.21)).toBe(1)
    expect(ladderWarnings(resinLadder)).toEqual([])
  })
  it.each<[string, Partial<FinishingLadder>]>([
    ['no area', { areaSquareMillimetres: 0 }],
    ['a grain of nothing', { stages: [{ ...resinLadder.stages[1]!, grainMicrometres: 0 }] }],
    ['a depth ratio below 0', { stages: [{ ...resinLadder.stages[1]!, depthRatio: -1 }] }],
    ['a rate of nothing', { stages: [{ ...resinLadder.stages[0]!, cubicMillimetresPerSecond: 0 }] }],
    ['a bur without a mark', { stages: [{ id: 'bur', name: 'Bur', cubicMillimetresPerSecond: 1 }] }],
  ])('with %s is refused', (_, change) => {
    expect(() => planLadder({ ...resinLadder, ...change })).toThrow(
      expect.objectContaining({ code: 'not-a-positive-number' }),
    )
  })
  it('refuses a time below 0', () => {
    expect(() => depthLeft(resinLadder, [0, -1])).toThrow(
      expect.objectContaining({ code: 'not-a-positive-number' }),
    )
  })
})

describe('the wheels of the lab', () => {
  const wheel = (name: string, grainMicrometres: number) => ({
    name,
    grainMicrometres,
    depthRatio: 0.025,
    cubicMillimetresPerSecond: 0.1,
    diameterMillimetres: 100,
    rpm: 1500,
    source: 'measured here',
  })
  it('are a ladder in the order of what they leave', () => {
    const { stages } = labLadder([wheel('Shine', 1), wheel('Rag', 90), wheel('Felt', 30)], resinLadder)
    expect(stages.map(({ name }) => name)).toEqual(['Rag', 'Felt', 'Shine'])
    expect(() => planLadder({ ...resinLadder, stages })).not.toThrow()
  })
  it('none: the usual ladder stands', () => expect(labLadder([], resinLadder)).toBe(resinLadder))
})

describe('why no grit is skipped', () => {
  it.each([
    [0, Math.E, 2],
    [0.5, 3.181, 2.2247],
    [1, 3.5911, 2.4142],
    [2, 4.3191, 2.7321],
    [5, 6.1383, 3.4495],
  ])('at θ %d the best ratio is %d, and skipping loses from %d on', (theta, best, skip) => {
    expect(bestRatio(theta)).toBeCloseTo(best, 4)
    expect(skipLosesFrom(theta)).toBeCloseTo(skip, 4)
  })
  it.each([
    [1, 82],
    [2, 20],
    [3, 15.98],
    [4, 16],
    [6, 18.48],
  ])('81 times finer in %d steps costs %d', (steps, cost) => {
    expect(ladderCost(81, steps, 1)).toBeCloseTo(cost, 2)
  })
})

describe('a scratch', () => {
  // Model notes: usual ladder, seen at high shine, whole upper: depth, where to, seconds with changes.
  it.each([
    [0.1, 'high-shine', 110],
    [0.3, 'high-shine', 210],
    [1, 'tripoli', 345],
    [1.2, 'fine-pumice', 413.75],
    [2.7, 'fine-pumice', 463.75],
    [5, 'coarse-pumice', 571.25],
    [10, 'rubber', 678.75],
    [30, 'stone', 814.15],
    [50, 'bur', 893.4],
  ])('of %d µm sends back to %s, %d s', (depth, id, seconds) => {
    const back = goingBack(resinLadder, depth, indexOf('high-shine'))
    expect(resinLadder.stages[back.to!]!.id).toBe(id)
    expect(back.seconds).toBeCloseTo(seconds, 2)
    expect(back.again).toEqual(
      Array.from({ length: indexOf('high-shine') - back.to! + 1 }, (_, n) => back.to! + n),
    )
  })
  it('of 0.02 µm at high shine is its own mark', () => {
    expect(goingBack(resinLadder, 0.02, indexOf('high-shine'))).toEqual({
      again: [],
      removalMicrometres: 0,
      seconds: 0,
    })
  })
  it('of 5 µm takes 10.25 µm off', () => {
    expect(goingBack(resinLadder, 5, indexOf('high-shine')).removalMicrometres).toBeCloseTo(10.25, 6)
  })
  it('on a patch is blended over 300 mm² at least', () => {
    const at = indexOf('high-shine')
    const patch = goingBack(resinLadder, 5, at, 50)
    expect(patch).toEqual(goingBack(resinLadder, 5, at, 300))
    expect(patch.seconds).toBeLessThan(goingBack(resinLadder, 5, at).seconds)
  })
  it('a deeper word never returns later', () => {
    const order = (['haze', 'lens', 'wet', 'nail'] as const).map((word) => scratchWords[word].micrometres)
    for (let at = 0; at < resinLadder.stages.length; at++) {
      const back = order.map((depth) => goingBack(resinLadder, depth, at).to ?? at + 1)
      expect([...back].sort((a, b) => b - a)).toEqual(back)
    }
  })
  it('that is deeper never goes back later, whatever the depth', () => {
    const depths = fc.double({ min: 0.01, max: 80, noNaN: true })
    fc.assert(
      fc.property(depths, depths, fc.integer({ min: 0, max: 6 }), (one, other, at) => {
        const to = (depth: number) => goingBack(resinLadder, depth, at).to ?? at + 1
        expect(to(Math.max(one, other))).toBeLessThanOrEqual(to(Math.min(one, other)))
      }),
    )
  })
  it.each([-1, 7])('seen at stage %d is refused', (at) => {
    expect(() => goingBack(resinLadder, 5, at)).toThrow(expect.objectContaining({ code: 'unknown-stage' }))
  })
})
