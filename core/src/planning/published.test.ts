import { describe, expect, it } from '@jest/globals'
import { hands, holdOf, planned, read, startsOf, tinyLab } from '../testing/tiny-plan.ts'
import { checkPlan, JobShopSearch, type PlanInstance, planWorth } from './index.ts'
import { leastCostPairs } from './least-cost-pairs.ts'
import { leastLateness, shortestLeftFirst } from './one-machine.ts'
import { published as projects } from './published/rcpsp.ts'
import { published as tinyPlans } from './published/tiny-plans.ts'

interface Tiny {
  readonly instance: Parameters<typeof read>[0]
  readonly optimum: {
    readonly promised: number
    readonly cost: number
    readonly ends: Readonly<Record<string, number>>
  }
  readonly why: string
}
const tiny = (tinyPlans as { readonly instances: readonly Tiny[] }).instances

describe('plans worked out by hand (the reason is in the file), confirmed there by trying every start', () => {
  it.each(tiny.map((each) => [each.instance.name, each] as const))('%s', (_name, { instance, optimum }) => {
    const lab = read(instance)
    const best = planned(lab)
    expect(best.worth).toEqual({ promised: optimum.promised, cost: optimum.cost })
    expect(checkPlan(lab, best.plan)).toEqual([])
    expect(planWorth(lab, best.plan)).toEqual(best.worth)
    const ends = new Map(lab.cases.map(({ id }) => [id, 0]))
    for (const { id, caseId } of lab.steps)
      ends.set(caseId, Math.max(ends.get(caseId)!, best.plan.steps.find((step) => step.id === id)!.endMinute))
    expect(Object.fromEntries(ends)).toEqual(optimum.ends)
  })
})

// Each is small enough to be worked out on paper; the reason stands beside it.
describe('more of them, one rule each', () => {
  const batch = (more: Partial<PlanInstance>) =>
    tinyLab({
      machines: [{ id: 'oven', type: 'batch', capacity: 2 }],
      ...more,
    })
  const fired = (one: string, load: number) => ({
    steps: [
      hands(`${one}.1`, load),
      { id: `${one}.2`, caseId: one, kind: 'program' as const, stage: 'fire', minutes: 60, program: 'glaze' },
      hands(`${one}.3`, 5),
    ],
    links: [
      { from: `${one}.1`, to: `${one}.2`, minMinutes: 0 },
      { from: `${one}.2`, to: `${one}.3`, minMinutes: 0 },
    ],
    holds: [holdOf(one)],
  })
  it('a longest wait: mixing is put off until the rest can follow at once', () => {
    // The second hour does not fit before noon once the first ends at 11:50; within 10 min means both at 13:00.
    const lab = tinyLab({
      steps: [hands('A.0', 170), hands('A.1', 60), hands('A.2', 60)],
      links: [
        { from: 'A.0', to: 'A.1', minMinutes: 0 },
        { from: 'A.1', to: 'A.2', minMinutes: 0, maxMinutes: 10 },
      ],
    })
    expect(startsOf(planned(lab))).toEqual({ 'A.0': 480, 'A.1': 780, 'A.2': 840 })
  })
  it('a batch together: the first waits 20 min, so that both run at once and neither waits an hour', () => {
    const [a, b] = [fired('A', 20), fired('B', 20)]
    const lab = batch({
      steps: [...a.steps, ...b.steps],
      links: [...a.links, ...b.links],
      holds: [...a.holds, ...b.holds],
    })
    // Loaded 08:00-08:20 and 08:20-08:40, run 08:40-09:40, out 09:40-09:45 and 09:45-09:50: 105 + 110 min in the house.
    const best = planned(lab)
    expect(best.worth).toEqual({ promised: 0, cost: 21.5 })
    expect(startsOf(best)).toMatchObject({ 'A.2': 520, 'B.2': 520 })
  })
  it('what was begun stays, beyond the hours of the person', () => {
    const lab = tinyLab({
      steps: [
        hands('A.1', 30, { frozen: { startMinute: 470, endMinute: 500, personId: 'Ada' } }),
        hands('B.1', 30),
      ],
    })
    const best = planned(lab)
    expect(startsOf(best)).toEqual({ 'A.1': 470, 'B.1': 500 })
    expect(checkPlan(lab, best.plan)).toEqual([])
  })
  it('the same person: who begins goes on, though another is free sooner', () => {
    const lab = tinyLab({
      persons: [
        { id: 'Ada', skills: ['bench', 'wax'], calendar: 'shift' },
        { id: 'Ben', skills: ['wax'], calendar: 'shift' },
      ],
      steps: [
        hands('A.1', 30, { skill: 'bench' }),
        hands('B.1', 60, { skill: 'bench' }),
        hands('A.2', 30, { skill: 'wax', samePersonAs: 'A.1' }),
      ],
      links: [{ from: 'A.1', to: 'A.2', minMinutes: 0 }],
    })
    const best = planned(lab)
    expect(best.plan.steps.find(({ id }) => id === 'A.2')!.personId).toBe('Ada')
    // Ada alone has 120 min: A first ends 60 and 120, in all 180; B between would make it 210.
    expect(best.worth.cost).toBe(18)
  })
  it('a fixed appointment: back not before it', () => {
    const lab = tinyLab({
      steps: [
        hands('A.1', 30),
        {
          id: 'A.2',
          caseId: 'A',
          kind: 'clinic',
          stage: 'clinic',
          minutes: 0,
          calendar: 'clinic',
          clinicDays: 1,
          returnsAtMinute: 2 * 1440 + 700,
        },
        hands('A.3', 30),
      ],
      links: [
        { from: 'A.1', to: 'A.2', minMinutes: 0 },
        { from: 'A.2', to: 'A.3', minMinutes: 0 },
      ],
    })
    // The half hour before noon is too short: 20 min are left at 11:40.
    expect(startsOf(planned(lab))['A.3']).toBe(2 * 1440 + 780)
  })
  it('priority: the heavy case goes first where both cannot be on time', () => {
    const lab = tinyLab({
      steps: [hands('A.1', 60), hands('B.1', 60)],
      cases: [
        { id: 'A', route: 'tiny', releaseMinute: 480, dueMinute: 540, weight: 1 },
        { id: 'B', route: 'tiny', releaseMinute: 480, dueMinute: 540, weight: 10 },
      ],
    })
    // B 08-09; A 60 min late: 600 + 6 + 12.
    expect(planned(lab).worth).toEqual({ promised: 0, cost: 618 })
  })
  it('stability: what was planned for the next hours stays, though another order were a little better', () => {
    const steps = [hands('A.1', 60), hands('B.1', 30)]
    // Shortest first costs 3 + 9 = 12; as it was 6 + 9 = 15, but moving costs 90 + 30 min of shift.
    const previous = {
      stableUntilMinute: 1020,
      steps: [
        { id: 'A.1', startMinute: 480, personId: 'Ada' },
        { id: 'B.1', startMinute: 540, personId: 'Ada' },
      ],
    }
    expect(planned(tinyLab({ steps })).worth.cost).toBe(12)
    expect(planned(tinyLab({ steps, previous })).worth.cost).toBe(15)
  })
  it('another person than planned counts like half an hour moved', () => {
    const lab = tinyLab({
      persons: [
        { id: 'Ada', skills: ['bench'], calendar: 'shift' },
        { id: 'Ben', skills: ['wax'], calendar: 'shift' },
      ],
      steps: [hands('A.1', 30)],
      previous: { stableUntilMinute: 1020, steps: [{ id: 'A.1', startMinute: 470, personId: 'Ben' }] },
    })
    // 30 min in the house, 10 min later than it was, in other hands.
    const best = planned(lab, 5)
    expect(best.worth.cost).toBe(3 + 10 + 30)
    expect(planWorth(lab, best.plan)).toEqual(best.worth)
  })
  it('a pin: a step at its time, and what goes before it in time for it', () => {
    const lab = tinyLab({
      steps: [hands('A.1', 30), hands('A.2', 30, { pinnedMinute: 840 }), hands('B.1', 60)],
      links: [{ from: 'A.1', to: 'A.2', minMinutes: 0 }],
    })
    const best = planned(lab)
    expect(startsOf(best)['A.2']).toBe(840)
    expect(startsOf(best)['A.1']).toBeLessThanOrEqual(810)
    expect(checkPlan(lab, best.plan)).toEqual([])
  })
  it('a case that has no place is said, the others are planned', () => {
    const steps = [hands('A.1', 60), hands('A.2', 60, { pinnedMinute: 500 }), hands('B.1', 30)]
    const lab = tinyLab({ steps, links: [{ from: 'A.1', to: 'A.2', minMinutes: 0 }] })
    expect(startsOf(planned(lab))).toEqual({ 'A.1': expect.any(Number), 'B.1': expect.any(Number) })
  })
})

describe('known results of scheduling', () => {
  it('Smith 1956, in the textbook of Pinedo (recalled): p 3 1 2, w 1 1 4 go 3-2-1, the weighed sum of ends is 17', () => {
    const weights = [1, 1, 4]
    const lab = tinyLab({
      steps: [3, 1, 2].map((minutes, n) => hands(`${n + 1}.1`, minutes)),
      weights: { late: 1, flow: 0, idle: 0, moved: 0 },
      cases: weights.map((weight, n) => ({
        id: String(n + 1),
        route: 'tiny',
        releaseMinute: 480,
        dueMinute: 480,
        weight,
      })),
    })
    const best = planned(lab)
    expect(best.worth.cost).toBe(17)
    expect(startsOf(best)).toEqual({ '3.1': 480, '2.1': 482, '1.1': 483 })
  })
  it('Jackson 1955 (Pinedo, recalled): p 4 2 6 5, r 0 1 3 5, d 8 12 11 10: the greatest lateness is 5', () => {
    const work = [4, 2, 6, 5].map((minutes, n) => ({
      minutes,
      release: [0, 1, 3, 5][n]!,
      due: [8, 12, 11, 10][n]!,
    }))
    expect(leastLateness(work)).toBe(5)
  })
  it('shortest left first (Schrage 1968, recalled): (0,5) (1,2) (3,1) end at 8, 3, 4', () => {
    const work = [
      { release: 0, minutes: 5 },
      { release: 1, minutes: 2 },
      { release: 3, minutes: 1 },
    ]
    expect(shortestLeftFirst(work)).toEqual([8, 3, 4])
  })
  it('Johnson 1954 (textbook example, recalled): (3,6) (5,2) (1,2) (6,6) (7,5) on two machines in line end at 24', () => {
    const times = [
      [3, 6],
      [5, 2],
      [1, 2],
      [6, 6],
      [7, 5],
    ]
    const search = new JobShopSearch(
      { machines: 2, jobs: times.map(([a, b]) => [[0, a!] as const, [1, b!] as const]) },
      1,
    )
    search.run(() => false, 3)
    expect(search.best.makespan).toBe(24)
    // His rule gives 3-1-4-5-2, summed up here.
    let [one, two] = [0, 0]
    for (const job of [2, 0, 3, 4, 1]) {
      one += times[job]![0]!
      two = Math.max(one, two) + times[job]![1]!
    }
    expect(two).toBe(24)
  })
  it('pairs of least cost: the three-by-three of Kuhn 1955 as textbooks have it (recalled), and every order of small ones', () => {
    const cost = [
      [1, 2, 3],
      [2, 4, 6],
      [3, 6, 9],
    ]
    // 3 + 4 + 3: all orders tried by hand.
    expect(leastCostPairs(cost)).toBe(10)
    const random = (n: number) =>
      Array.from({ length: n }, (_, i) =>
        Array.from({ length: n }, (_v, j) => (7 * i * i + 13 * j + 5 * i * j) % 11),
      )
    const orders = (list: number[]): number[][] =>
      list.length === 0
        ? [[]]
        : list.flatMap((each) =>
            orders(list.filter((other) => other !== each)).map((rest) => [each, ...rest]),
          )
    for (const n of [1, 2, 4, 5]) {
      const table = random(n)
      const all = orders(Array.from({ length: n }, (_, k) => k)).map((order) =>
        order.reduce((sum, column, row) => sum + table[row]![column]!, 0),
      )
      expect(leastCostPairs(table)).toBe(Math.min(...all))
    }
  })
})

describe('a project with four resources (J60 of PSPLIB by its shape; source and proof in the file)', () => {
  interface Project {
    readonly best: number
    readonly capacity: readonly number[]
    readonly duration: readonly number[]
    readonly demand: readonly (readonly number[])[]
    readonly successors: readonly (readonly number[])[]
  }
  const [project] = projects as readonly Project[]
  it('takes 53, as the file says', () => {
    const { best, capacity, duration, demand, successors } = project!
    const id = (n: number) => `t${String(n).padStart(2, '0')}`
    const lab: PlanInstance = {
      ...tinyLab({ steps: [] }),
      nowMinute: 0,
      horizonMinute: 400,
      weights: { late: 0, flow: 1, idle: 0, moved: 0 },
      machines: capacity.map((most, n) => ({ id: `m${n}`, type: 'places', capacity: most })),
      cases: [{ id: 'all', route: 'project', releaseMinute: 0, dueMinute: 400, weight: 1 }],
      steps: duration.map((minutes, n) => ({ id: id(n), caseId: 'all', kind: 'wait', stage: 'x', minutes })),
      links: successors.flatMap((after, n) =>
        after.map((to) => ({ from: id(n), to: id(to), minMinutes: 0 })),
      ),
      holds: demand.flatMap((needs, n) =>
        needs.flatMap((size, m) =>
          size === 0
            ? []
            : [
                {
                  id: `${id(n)}m${m}`,
                  machineIds: [`m${m}`],
                  size,
                  fromStep: id(n),
                  fromEvent: 'start' as const,
                  toStep: id(n),
                  toEvent: 'end' as const,
                },
              ],
        ),
      ),
    }
    const found = planned(lab, 300)
    expect(found.worth.cost).toBe(best)
    expect(checkPlan(lab, found.plan)).toEqual([])
  })
})
