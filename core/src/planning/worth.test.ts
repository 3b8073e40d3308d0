import { describe, expect, it } from '@jest/globals'
import { hands, planned, tinyLab } from '../testing/tiny-plan.ts'
import { costBound, isBetter, network, type PlanInstance, planWorth } from './index.ts'

const worthOf = (
  lab: PlanInstance,
  steps: readonly { id: string; startMinute: number; endMinute: number; personId?: string }[],
) => planWorth(lab, { instance: lab.name, steps, holds: [] })
const two = [
  { id: 'Ada', skills: ['bench'], calendar: 'shift' },
  { id: 'Ben', skills: ['bench'], calendar: 'shift' },
]
const one = (change: Partial<PlanInstance> = {}, step: object = {}): PlanInstance =>
  tinyLab({
    persons: two,
    cases: [{ id: 'A', route: 'tiny', releaseMinute: 480, dueMinute: 500, weight: 2 }],
    steps: [hands('A.1', 30, step)],
    ...change,
  })
const laid = [{ id: 'A.1', startMinute: 510, endMinute: 540, personId: 'Ada' }]

// By hand: a minute late costs 10 by the weight of its case, a minute in the house 0.1, a minute moved 1, another person 30 min.
describe('what a plan costs', () => {
  it('its lateness, and how long cases are in the house', () =>
    expect(worthOf(one(), laid)).toEqual({ promised: 0, cost: 10 * 2 * 40 + 0.1 * 60 }))
  it('nothing for being early but the time in the house', () => {
    const early = one({ cases: [{ id: 'A', route: 'tiny', releaseMinute: 480, dueMinute: 999, weight: 2 }] })
    expect(worthOf(early, laid).cost).toBeCloseTo(6, 9)
  })
  it('a promise is weighed by itself', () => {
    expect(worthOf(one({}, { promisedMinute: 520 }), laid).promised).toBe(20 * 2)
    expect(worthOf(one({}, { promisedMinute: 540 }), laid).promised).toBe(0)
  })
  it.each([
    ['half an hour', { startMinute: 480, personId: 'Ada' }, 30],
    ['half an hour, and another person', { startMinute: 480, personId: 'Ben' }, 60],
    ['half an hour sooner', { startMinute: 540, personId: 'Ada' }, 30],
    ['nothing, where no person was named', { startMinute: 510 }, 0],
  ])('what was moved by %s', (_, before, moved) => {
    const previous = { stableUntilMinute: 600, steps: [{ id: 'A.1', ...before }] }
    expect(worthOf(one({ previous }), laid).cost).toBeCloseTo(806 + moved, 9)
  })
  it('what was planned for later than the stable hours moves for nothing', () => {
    const of = (stableUntilMinute: number) =>
      worthOf(one({ previous: { stableUntilMinute, steps: [{ id: 'A.1', startMinute: 480 }] } }), laid).cost
    expect([of(480), of(481)]).toEqual([expect.closeTo(806, 9), expect.closeTo(836, 9)])
  })
  it('a promise goes before any cost', () => {
    const [kept, cheap] = [
      { promised: 0, cost: 900 },
      { promised: 1, cost: 5 },
    ]
    expect([isBetter(kept, cheap), isBetter(cheap, kept)]).toEqual([true, false])
    expect([isBetter(kept, { ...kept, cost: 901 }), isBetter(kept, kept)]).toEqual([true, false])
  })
})

describe('what no plan can cost less than', () => {
  const cases = (count: number, minutes: number): PlanInstance =>
    tinyLab({
      cases: Array.from({ length: count }, (_, n) => ({
        id: `C${n}`,
        route: 'tiny',
        releaseMinute: 480,
        dueMinute: 480,
        weight: 1,
      })),
      steps: Array.from({ length: count }, (_, n) => hands(`C${n}.1`, minutes)),
    })
  it('of one pair of hands is one case after the other; the search finds just that', () => {
    // Ready at 09:00, 10:00 and 11:00: 60, 120 and 180 min late and in the house.
    const lab = cases(3, 60)
    const cost = (10 + 0.1) * (60 + 120 + 180)
    expect(costBound(network(lab))).toBeCloseTo(cost, 6)
    expect(planned(lab, 50).worth.cost).toBeCloseTo(cost, 6)
  })
  it('of hands for all is each by itself', () => {
    const lab = {
      ...cases(3, 60),
      persons: ['a', 'b', 'c'].map((id) => ({ id, skills: ['bench'], calendar: 'shift' })),
    }
    expect(costBound(network(lab))).toBeCloseTo(3 * (10 + 0.1) * 60, 6)
  })
  it('of two skills is that of the busier one', () => {
    const lab = cases(3, 60)
    const mixed = {
      ...lab,
      persons: [
        { id: 'a', skills: ['bench'], calendar: 'shift' },
        { id: 'b', skills: ['wax'], calendar: 'shift' },
      ],
      steps: [hands('C0.1', 60), hands('C1.1', 60), hands('C2.1', 60, { skill: 'wax' })],
    }
    // The bench has two after the other, the wax one beside them.
    expect(costBound(network(mixed))).toBeCloseTo((10 + 0.1) * (60 + 120 + 60), 6)
  })
})
