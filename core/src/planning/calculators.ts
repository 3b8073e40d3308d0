import { calculator, figure, list, record, two, whole } from '../shape/index.ts'
import { costBound } from './bounds.ts'
import { checkInstance } from './check-instance.ts'
import { checkPlan } from './check-plan.ts'
import { JobShopSearch } from './job-shop/search.ts'
import { network } from './network.ts'
import { type PlanInstance, planInstanceShape } from './plan-shape.ts'
import { PlanSearch } from './search.ts'

const MOST_ROUNDS = 2000
const MOST_RUNS = 50

const example: PlanInstance = {
  format: 'laboratory-plan 1',
  name: 'two pours',
  nowMinute: 480,
  horizonMinute: 2880,
  weights: { late: 10, flow: 0.1, idle: 0, moved: 1 },
  calendars: {
    shift: [
      [480, 720],
      [780, 1020],
      [1920, 2160],
      [2220, 2460],
    ],
  },
  persons: [{ id: 'Ada', skills: ['plaster'], calendar: 'shift' }],
  machines: [{ id: 'mixer', type: 'places', capacity: 1 }],
  cases: [
    { id: 'A', route: 'cast', releaseMinute: 480, dueMinute: 1020, weight: 1 },
    { id: 'B', route: 'cast', releaseMinute: 480, dueMinute: 700, weight: 3 },
  ],
  steps: [
    { id: 'A.1', caseId: 'A', kind: 'attended', stage: 'pour', minutes: 12, skill: 'plaster' },
    { id: 'A.2', caseId: 'A', kind: 'wait', stage: 'set', minutes: 45 },
    { id: 'A.3', caseId: 'A', kind: 'attended', stage: 'trim', minutes: 30, skill: 'plaster' },
    { id: 'B.1', caseId: 'B', kind: 'attended', stage: 'pour', minutes: 12, skill: 'plaster' },
  ],
  links: [
    { from: 'A.1', to: 'A.2', minMinutes: 0 },
    { from: 'A.2', to: 'A.3', minMinutes: 0, maxMinutes: 120 },
  ],
  holds: [
    {
      id: 'A.1@mixer',
      machineIds: ['mixer'],
      size: 1,
      fromStep: 'A.1',
      fromEvent: 'start',
      toStep: 'A.1',
      toEvent: 'end',
    },
    {
      id: 'B.1@mixer',
      machineIds: ['mixer'],
      size: 1,
      fromStep: 'B.1',
      fromEvent: 'start',
      toStep: 'B.1',
      toEvent: 'end',
    },
  ],
}

const plan = calculator({
  name: 'plan',
  summary: 'A plan of people and machines: its steps, what it is worth, and the least that any can cost',
  input: record({
    instance: planInstanceShape,
    seed: whole(0, 4_294_967_295, { example: 1 }),
    rounds: whole(0, MOST_ROUNDS, { example: 100, description: 'Of the search; 0: what simple rules give' }),
  }),
  example: { instance: example, seed: 1, rounds: 100 },
  heavy: true,
  answer: ({ instance, seed, rounds }) => {
    checkInstance(instance)
    const net = network(instance)
    const search = new PlanSearch(net, { seed })
    search.run(rounds)
    const { plan: found, worth } = search.best
    return {
      plan: found,
      worth,
      bound: costBound(net),
      /** Cases for which there is no place before the horizon. */
      unplaced: search.unplaced,
      faults: search.unplaced.length > 0 ? [] : checkPlan(instance, found),
    }
  },
})

const jobShop = calculator({
  name: 'job-shop',
  summary: 'The order of jobs on machines, each a chain of operations, so that all is over soonest',
  input: record({
    machines: whole(1, 100, { example: 2 }),
    jobs: list(list(two(figure(0, 100_000)), 100), 100),
    seed: whole(0, 4_294_967_295, { example: 1 }),
    runs: whole(0, MOST_RUNS, { example: 3 }),
  }),
  example: {
    machines: 2,
    jobs: [
      [
        [0, 3],
        [1, 6],
      ],
      [
        [0, 5],
        [1, 2],
      ],
    ],
    seed: 1,
    runs: 3,
  },
  heavy: true,
  answer: ({ machines, jobs, seed, runs }) => {
    const search = new JobShopSearch({ machines, jobs }, seed)
    search.run(() => false, runs)
    return { ...search.best, bound: search.bound }
  },
})

export const planCalculators = [plan, jobShop] as const
