import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { inventedLab } from '../testing/plan-lab.ts'
import { hands, holdOf, tinyLab } from '../testing/tiny-plan.ts'
import {
  advice,
  chanceBy,
  changed,
  checkInstance,
  checkPlan,
  costBound,
  endAt,
  explain,
  isBetter,
  latestLoad,
  network,
  nightLoads,
  type Plan,
  type PlanInstance,
  PlanSearch,
  planWorth,
  simulate,
} from './index.ts'

const WEEK = 7 * 1440
const noSpread = { attended: 0, wait: 0, program: 0, clinicDayMore: 0 }
const labs = fc
  .record({
    cases: fc.integer({ min: 2, max: 10 }),
    people: fc.integer({ min: 2, max: 4 }),
    seed: fc.integer({ min: 1, max: 100_000 }),
  })
  .map(({ cases, people, seed }) => inventedLab(cases, people, seed))
const few = { numRuns: 12 }

function planOf(lab: PlanInstance, rounds = 120, from?: Plan) {
  const search = new PlanSearch(network(lab), { seed: 7, ...(from ? { from } : {}) })
  search.run(rounds)
  return search.best
}

describe('plans of invented labs', () => {
  it('break no rule, are worth what they say, and cost no less than the bound', () => {
    fc.assert(
      fc.property(labs, (lab) => {
        checkInstance(lab)
        const { plan, worth } = planOf(lab)
        expect(checkPlan(lab, plan)).toEqual([])
        expect(planWorth(lab, plan)).toEqual(worth)
        expect(worth.cost).toBeGreaterThanOrEqual(costBound(network(lab)) - 1e-6)
      }),
      few,
    )
  })
  it('are the same for the same seed and rounds, whatever the order of the lists', () => {
    fc.assert(
      fc.property(labs, (lab) => {
        const turned: PlanInstance = {
          ...lab,
          persons: [...lab.persons].reverse(),
          machines: [...lab.machines].reverse(),
          cases: [...lab.cases].reverse(),
          steps: [...lab.steps].reverse(),
          links: [...lab.links].reverse(),
          holds: [...lab.holds].reverse(),
        }
        expect(planOf(turned)).toEqual(planOf(lab))
      }),
      few,
    )
  })
  it('a week later, are the same a week later', () => {
    const later = (lab: PlanInstance): PlanInstance => ({
      ...lab,
      nowMinute: lab.nowMinute + WEEK,
      horizonMinute: lab.horizonMinute + WEEK,
      calendars: Object.fromEntries(
        Object.entries(lab.calendars).map(([id, windows]) => [
          id,
          windows.map(([a, b]): [number, number] => [a + WEEK, b + WEEK]),
        ]),
      ),
      cases: lab.cases.map((each) => ({
        ...each,
        releaseMinute: each.releaseMinute + WEEK,
        dueMinute: each.dueMinute + WEEK,
      })),
    })
    fc.assert(
      fc.property(labs, (lab) => {
        const { plan } = planOf(lab, 60)
        const shifted = planOf(later(lab), 60).plan
        expect(shifted.steps.map(({ startMinute }) => startMinute - WEEK)).toEqual(
          plan.steps.map(({ startMinute }) => startMinute),
        )
      }),
      few,
    )
  })
  it('are not worse, begun from the old one, with one person or place more, later due, or a longest wait less', () => {
    const like = (lab: PlanInstance): PlanInstance[] => [
      changed(lab, { kind: 'person', skill: 'denture' }),
      changed(lab, { kind: 'machine', id: 'lathe' }),
      changed(lab, { kind: 'machine', id: 'bath 1' }),
      { ...lab, cases: lab.cases.map((each) => ({ ...each, dueMinute: each.dueMinute + 600 })) },
      { ...lab, links: lab.links.map(({ maxMinutes: _, ...link }) => link) },
    ]
    fc.assert(
      fc.property(labs, (lab) => {
        const { plan, worth } = planOf(lab, 60)
        for (const eased of like(lab)) {
          const next = planOf(eased, 20, plan)
          expect(checkPlan(eased, next.plan)).toEqual([])
          expect(isBetter(worth, next.worth)).toBe(false)
        }
      }),
      { numRuns: 6 },
    )
  })
  it('planned again later with what was begun frozen: nothing has to move', () => {
    fc.assert(
      fc.property(labs, fc.integer({ min: 30, max: 2000 }), (lab, passed) => {
        const { plan } = planOf(lab, 40)
        const now = lab.nowMinute + passed
        const at = new Map(plan.steps.map((step) => [step.id, step]))
        const machine = new Map(plan.holds.map(({ id, machineId }) => [id, machineId]))
        const begun = (id: string) => at.get(id)!.startMinute <= now
        const later: PlanInstance = {
          ...lab,
          nowMinute: now,
          steps: lab.steps.map((step) => {
            const { startMinute, endMinute, personId } = at.get(step.id)!
            return begun(step.id)
              ? { ...step, frozen: { startMinute, endMinute, ...(personId ? { personId } : {}) } }
              : step
          }),
          holds: lab.holds.map((hold) =>
            begun(hold.fromStep) ? { ...hold, machineIds: [machine.get(hold.id)!] } : hold,
          ),
          previous: {
            stableUntilMinute: lab.horizonMinute,
            steps: plan.steps.map(({ id, startMinute, personId }) => ({
              id,
              startMinute,
              ...(personId ? { personId } : {}),
            })),
          },
        }
        checkInstance(later)
        const search = new PlanSearch(network(later), { seed: 1, from: plan, withoutRules: true })
        expect(search.unplaced).toEqual([])
        expect(checkPlan(later, search.best.plan)).toEqual([])
        expect(planWorth(later, search.best.plan).cost).toBeLessThanOrEqual(planWorth(lab, plan).cost + 1e-6)
        expect(search.best.plan.steps).toEqual(plan.steps)
      }),
      few,
    )
  })
  it('a step that is put at another time lies there, and others make way', () => {
    const lab = tinyLab({
      steps: [hands('A.1', 60), hands('B.1', 60), hands('C.1', 60)],
    })
    const { plan } = planOf(lab, 20)
    // Eight, nine and ten: A is put where another lies.
    const pinned = {
      ...lab,
      steps: lab.steps.map((step) => (step.id === 'A.1' ? { ...step, pinnedMinute: 570 } : step)),
    } as PlanInstance
    const search = new PlanSearch(network(pinned), { seed: 1, from: plan, withoutRules: true })
    expect(search.unplaced).toEqual([])
    expect(search.best.plan.steps.find(({ id }) => id === 'A.1')!.startMinute).toBe(570)
    expect(checkPlan(pinned, search.best.plan)).toEqual([])
  })
  it('somebody away: no rule is broken, and what is not theirs stays where it can', () => {
    fc.assert(
      fc.property(labs, (lab) => {
        const { plan } = planOf(lab, 60)
        const away: PlanInstance = {
          ...lab,
          calendars: {
            ...lab.calendars,
            T2: lab.calendars.T2!.filter(([from]) => from < 1440 || from >= 3 * 1440),
          },
        }
        const search = new PlanSearch(network(away), { seed: 1, from: plan, withoutRules: true })
        if (search.unplaced.length === 0) expect(checkPlan(away, search.best.plan)).toEqual([])
      }),
      few,
    )
  })
})

describe('why, until when, how sure', () => {
  it('every blocker that is named really holds that person or machine in that gap', () => {
    fc.assert(
      fc.property(labs, (lab) => {
        const { plan } = planOf(lab, 60)
        const net = network(lab)
        const at = new Map(plan.steps.map((step) => [step.id, step]))
        const onMachine = new Map(plan.holds.map(({ id, machineId }) => [id, machineId]))
        for (const { id } of lab.cases)
          for (const { readyMinute, startMinute, cause } of explain(net, plan, id)) {
            if (cause?.kind !== 'people' && cause?.kind !== 'machine') continue
            expect(cause.by.length).toBeGreaterThan(0)
            for (const blocker of cause.by) {
              expect(blocker.fromMinute < startMinute && blocker.untilMinute > readyMinute).toBe(true)
              if (blocker.stepId === undefined) continue
              if (cause.kind === 'people') {
                expect(at.get(blocker.stepId)).toMatchObject({
                  personId: blocker.id,
                  startMinute: blocker.fromMinute,
                  endMinute: blocker.untilMinute,
                })
              } else {
                const holds = lab.holds.filter((hold) => hold.fromStep === blocker.stepId)
                expect(holds.some((hold) => onMachine.get(hold.id) === blocker.id)).toBe(true)
              }
            }
          }
      }),
      few,
    )
  })
  it('a minute later than the latest load it is not out in time', () => {
    fc.assert(
      fc.property(labs, (lab) => {
        const { plan } = planOf(lab, 40)
        const net = network(lab)
        const out = new Map(plan.steps.map(({ id, endMinute }) => [id, endMinute]))
        for (const { programStep, fromStep, toStep, toEvent } of lab.holds) {
          if (programStep === undefined || toEvent !== 'end') continue
          const by = out.get(toStep)!
          const found = latestLoad(net, plan, programStep, by)
          expect(found.isTooLate).toBeUndefined()
          expect(found.outMinute).toBeLessThanOrEqual(by)
          expect(found.loadMinute).toBeGreaterThanOrEqual(
            plan.steps.find(({ id }) => id === fromStep)!.startMinute,
          )
          expect(latestLoad(net, plan, programStep, found.outMinute).loadMinute).toBe(found.loadMinute)
          expect(latestLoad(net, plan, programStep, lab.nowMinute)).toMatchObject({ isTooLate: true })
        }
      }),
      { numRuns: 8 },
    )
  })
  it('without spread, step by step, the simulation is the plan', () => {
    fc.assert(
      fc.property(labs, (lab) => {
        const { plan } = planOf(lab, 40)
        const net = network(lab)
        const doubt = simulate(net, plan, { runs: 1, seed: 1, spread: noSpread, strict: true })
        const end = new Map(plan.steps.map(({ id, endMinute }) => [id, endMinute]))
        expect(doubt.ends.map(([only]) => only)).toEqual(
          net.caseSteps.map((steps) => Math.max(...steps.map((step) => end.get(net.ids[step]!)!))),
        )
        expect(doubt.broken.size).toBe(0)
      }),
      few,
    )
  })
  it('with spread: chances between none and all, later shares later, the same for the same seed', () => {
    const lab = inventedLab(8, 3, 4)
    const net = network(lab)
    const { plan } = planOf(lab)
    const doubt = simulate(net, plan, { runs: 60, seed: 3 })
    expect(simulate(net, plan, { runs: 60, seed: 3 })).toEqual(doubt)
    for (const ends of doubt.ends) {
      expect(chanceBy(ends, 0)).toBe(0)
      expect(chanceBy(ends, lab.horizonMinute)).toBe(1)
      expect(endAt(ends, 0.8)).toBeLessThanOrEqual(endAt(ends, 0.95))
      expect(chanceBy(ends, endAt(ends, 0.8))).toBeGreaterThanOrEqual(0.8)
    }
  })
  it('of one step of an hour, drawn log-normal with its mean kept: by hand, half of it ends a little before the hour', () => {
    // Median of a log-normal: mean / sqrt(1 + cv²); with cv 0.25 that is 58.2 min of 60.
    const lab = tinyLab({ steps: [hands('A.1', 60)] })
    const net = network(lab)
    const { plan } = planOf(lab, 1)
    const doubt = simulate(net, plan, { runs: 4000, seed: 2, spread: { ...noSpread, attended: 0.25 } })
    const minutes = [...doubt.ends[0]!].map((end) => end - 480)
    const mean = minutes.reduce((sum, each) => sum + each, 0) / minutes.length
    // Five standard errors of the mean: 5 * 15 / sqrt(4000).
    expect(Math.abs(mean - 60)).toBeLessThan(1.2)
    expect(Math.abs(endAt(doubt.ends[0]!, 0.5) - 480 - 58.2)).toBeLessThan(1.5)
  })
  it('a step that the lab has timed spreads as it was timed, unless all are given one', () => {
    const timed = tinyLab({ steps: [{ ...hands('A.1', 60), spread: 0.1 } as ReturnType<typeof hands>] })
    const net = network(timed)
    const { plan } = planOf(timed, 1)
    const deviationOf = (options: object) => {
      const [ends] = simulate(net, plan, { runs: 4000, seed: 2, ...options }).ends
      const minutes = [...ends!].map((end) => end - 480)
      const mean = minutes.reduce((sum, each) => sum + each, 0) / minutes.length
      return Math.sqrt(minutes.reduce((sum, each) => sum + (each - mean) ** 2, 0) / minutes.length)
    }
    // 6 min of 60; the rounding to minutes adds 1/12 to a variance of 36.
    expect(Math.abs(deviationOf({}) - 6)).toBeLessThan(0.4)
    expect(Math.abs(deviationOf({ spread: { ...noSpread, attended: 0.25 } }) - 15)).toBeLessThan(1)
  })
  it('a second oven is the way out of a full one; by hand 65 min', () => {
    const fired = (one: string, program: string) => [
      hands(`${one}.1`, 10),
      { id: `${one}.2`, caseId: one, kind: 'program' as const, stage: 'f', minutes: 60, program },
      hands(`${one}.3`, 5),
    ]
    const lab = tinyLab({
      machines: [{ id: 'oven', type: 'batch', capacity: 2 }],
      steps: [...fired('A', 'slow'), ...fired('B', 'fast')],
      links: ['A', 'B'].flatMap((one) => [
        { from: `${one}.1`, to: `${one}.2`, minMinutes: 0 },
        { from: `${one}.2`, to: `${one}.3`, minMinutes: 0 },
      ]),
      holds: [holdOf('A'), holdOf('B')],
    })
    const { plan } = planOf(lab)
    const last =
      plan.steps.find(({ id }) => id === 'B.3')!.endMinute >
      plan.steps.find(({ id }) => id === 'A.3')!.endMinute
        ? 'B'
        : 'A'
    const net = network(lab)
    const chain = explain(net, plan, last)
    expect(chain[0]).toMatchObject({ cause: { kind: 'machine', by: [{ id: 'oven' }] } })
    // First 08:00-09:15, then 09:15-10:30. With a second oven it is put in at 08:10 and, behind the other's take-out, out at 09:25;
    // without the other case it is out at 09:15.
    expect(advice(lab, plan, last, chain)).toEqual([
      { change: { kind: 'case', id: last === 'A' ? 'B' : 'A' }, soonerMinutes: 75, endMinute: 555 },
      { change: { kind: 'machine', id: 'oven' }, soonerMinutes: 65, endMinute: 565 },
    ])
  })
  it('tonight: loaded before the close, out in the morning', () => {
    const lab = tinyLab({
      nowMinute: 900,
      machines: [{ id: 'bath', type: 'batch', capacity: 2 }],
      steps: [
        hands('A.1', 10),
        { id: 'A.2', caseId: 'A', kind: 'program', stage: 'c', minutes: 540, program: 'nine hours' },
        hands('A.3', 10),
      ],
      links: [
        { from: 'A.1', to: 'A.2', minMinutes: 0 },
        { from: 'A.2', to: 'A.3', minMinutes: 0 },
      ],
      holds: [holdOf('A', 'bath')],
    })
    const { plan } = planOf(lab)
    // Closes 17:00: in by 16:50 at the latest; out at 08:10 the next day whenever it goes in.
    expect(nightLoads(network(lab), plan, 1020, 1920)).toEqual([
      {
        machineId: 'bath',
        programs: ['A.2'],
        loadByMinute: 1010,
        startMinute: 910,
        endMinute: 1450,
        outMinute: 1930,
        limit: 'closing',
      },
    ])
    // A lab that closes before its people go home: in before it closes all the same.
    expect(nightLoads(network(lab), plan, 1000, 1920)).toMatchObject([{ loadByMinute: 990 }])
  })
})
