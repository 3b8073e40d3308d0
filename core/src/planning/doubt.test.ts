import { describe, expect, it } from '@jest/globals'
import { hands, holdOf, tinyLab } from '../testing/tiny-plan.ts'
import {
  chanceBy,
  endAt,
  network,
  type PlanInstance,
  type PlannedStep,
  type Spread,
  simulate,
} from './index.ts'

const noSpread: Spread = { attended: 0, wait: 0, program: 0, clinicDayMore: 0 }
const at = (id: string, startMinute: number, endMinute: number, personId?: string): PlannedStep => ({
  id,
  startMinute,
  endMinute,
  ...(personId === undefined ? {} : { personId }),
})
/** When each case ends if all takes as long as is said, though what was begun ends when it ends. */
function endsIn(
  lab: PlanInstance,
  steps: readonly PlannedStep[],
  { holds = {}, spread = noSpread }: { holds?: Record<string, string>; spread?: Spread } = {},
) {
  const net = network(lab)
  const plan = {
    instance: lab.name,
    steps,
    holds: Object.entries(holds).map(([id, machineId]) => ({ id, machineId })),
  }
  const { ends, broken, runs } = simulate(net, plan, { runs: 3, seed: 1, spread })
  expect(runs).toBe(3)
  return { ends: Object.fromEntries(net.cases.map((id, n) => [id, ends[n]![2]])), broken }
}
const two = [
  { id: 'Ada', skills: ['bench'], calendar: 'shift' },
  { id: 'Ben', skills: ['bench'], calendar: 'shift' },
]
/** Somebody is still at it until then, later than was planned. */
const begun = (id: string, endMinute: number, personId = 'Ada') =>
  hands(id, 10, { frozen: { startMinute: 470, endMinute, personId } })

describe('a lab reacts', () => {
  it.each([
    [490, 500],
    [494, 504],
    [495, 505],
    // From here on Ben is sooner, though he has to find his way in: he begins at 08:05.
    [496, 495],
    [560, 495],
  ])(
    'another takes a step when its own person, busy until minute %d, comes ten minutes later',
    (until, end) => {
      const lab = tinyLab({
        persons: two,
        steps: [begun('B.1', until), hands('A.1', 10, { earliestMinute: 485 })],
      })
      expect(endsIn(lab, [at('B.1', 470, 485, 'Ada'), at('A.1', 485, 495, 'Ada')]).ends.A).toBe(end)
    },
  )

  it('who took it goes on where the same person must', () => {
    const lab = tinyLab({
      persons: two,
      steps: [begun('B.1', 560), hands('A.1', 10), hands('A.2', 10, { samePersonAs: 'A.1' })],
      links: [{ from: 'A.1', to: 'A.2', minMinutes: 0 }],
    })
    const laid = [at('B.1', 470, 480, 'Ada'), at('A.1', 480, 490, 'Ada'), at('A.2', 490, 500, 'Ada')]
    expect(endsIn(lab, laid).ends.A).toBe(500)
  })

  it('what is ready sooner is begun sooner, but for a longest wait and a program', () => {
    const ofOne = (steps: PlanInstance['steps'], more: Partial<PlanInstance> = {}) =>
      tinyLab({ steps, ...more })
    const late = [at('A.1', 600, 610, 'Ada')]
    expect(endsIn(ofOne([hands('A.1', 10)]), late).ends.A).toBe(490)
    const followed = ofOne([hands('A.1', 10), hands('A.2', 10)], {
      links: [{ from: 'A.1', to: 'A.2', minMinutes: 0, maxMinutes: 5 }],
    })
    expect(endsIn(followed, [...late, at('A.2', 610, 620, 'Ada')]).ends.A).toBe(620)
    const free = { ...followed, links: [{ from: 'A.1', to: 'A.2', minMinutes: 0 }] }
    expect(endsIn(free, [...late, at('A.2', 610, 620, 'Ada')]).ends.A).toBe(500)
    const program = ofOne([
      { id: 'A.1', caseId: 'A', kind: 'program', stage: 'f', minutes: 60, program: 'glaze' },
    ])
    expect(endsIn(program, [at('A.1', 600, 660)]).ends.A).toBe(660)
  })

  it('counts how often a longest wait is exceeded, and by what', () => {
    const lab = (maxMinutes: number) =>
      tinyLab({
        steps: [begun('B.1', 520), begun('A.1', 485, 'Ada'), hands('A.2', 10)],
        links: [{ from: 'A.1', to: 'A.2', minMinutes: 0, maxMinutes }],
      })
    const laid = [at('B.1', 470, 480, 'Ada'), at('A.1', 470, 480, 'Ada'), at('A.2', 485, 495, 'Ada')]
    // It could be begun at 08:05; Ada is free at 08:40.
    expect([...endsIn(lab(34), laid).broken]).toEqual([['A.2', 3]])
    expect(endsIn(lab(35), laid).broken.size).toBe(0)
  })

  it('a step longer than any window is done over its end', () => {
    // 300 min from 08:00: four hours until noon, the fifth from 13:00 on.
    expect(endsIn(tinyLab({ steps: [hands('A.1', 300)] }), [at('A.1', 480, 840, 'Ada')]).ends.A).toBe(840)
    // 200 min that may not pause, begun at 10:00, do not fit before noon.
    const noon = (more: object) =>
      endsIn(tinyLab({ steps: [hands('A.1', 200, { earliestMinute: 600, ...more })] }), [
        at('A.1', 600, 800, 'Ada'),
      ]).ends.A
    expect(noon({})).toBe(780 + 200)
    expect(noon({ mayPause: true })).toBe(780 + 80)
  })

  it('what nobody can do within the time that is planned ends at its end', () => {
    const lab = tinyLab({ calendars: { shift: [[480, 490]], clinic: [] }, steps: [hands('A.1', 30)] })
    expect(endsIn(lab, [at('A.1', 480, 510, 'Ada')]).ends.A).toBe(lab.horizonMinute)
  })

  it('a clinic keeps a case one open day more, as often as is said', () => {
    const lab = tinyLab({
      steps: [
        { id: 'A.1', caseId: 'A', kind: 'clinic', stage: 'c', minutes: 0, calendar: 'clinic', clinicDays: 2 },
      ],
    })
    const laid = [at('A.1', 510, 2 * 1440 + 510)]
    expect(endsIn(lab, laid).ends.A).toBe(2 * 1440 + 510)
    expect(endsIn(lab, laid, { spread: { ...noSpread, clinicDayMore: 1 } }).ends.A).toBe(3 * 1440 + 510)
    const net = network(lab)
    const plan = { instance: 'tiny', steps: laid, holds: [] }
    const { ends } = simulate(net, plan, { runs: 2000, seed: 5 })
    // 15 of 100 usually; five standard errors of a share of 0.15 in 2000 are 0.04.
    expect(Math.abs(1 - chanceBy(ends[0]!, 2 * 1440 + 510) - 0.15)).toBeLessThan(0.04)
  })

  it('what the clinic gives a day for does not come back before', () => {
    const lab = tinyLab({
      steps: [
        {
          id: 'A.1',
          caseId: 'A',
          kind: 'clinic',
          stage: 'c',
          minutes: 0,
          calendar: 'clinic',
          clinicDays: 1,
          returnsAtMinute: 3 * 1440 + 600,
        },
      ],
    })
    expect(endsIn(lab, [at('A.1', 510, 3 * 1440 + 600)]).ends.A).toBe(3 * 1440 + 600)
  })

  describe('with an oven', () => {
    const fired = (one: string, first: PlanInstance['steps'][number]): PlanInstance['steps'] => [
      first,
      { id: `${one}.2`, caseId: one, kind: 'program', stage: 'f', minutes: 60, program: 'glaze' },
      hands(`${one}.3`, 5),
    ]
    const lab = (b: PlanInstance['steps'][number]) =>
      tinyLab({
        persons: two,
        machines: [{ id: 'oven', type: 'batch', capacity: 2 }],
        steps: [...fired('A', hands('A.1', 10)), ...fired('B', b)],
        links: ['A', 'B'].flatMap((one) => [
          { from: `${one}.1`, to: `${one}.2`, minMinutes: 0 },
          { from: `${one}.2`, to: `${one}.3`, minMinutes: 0 },
        ]),
        holds: ['A', 'B'].map((one) => holdOf(one)),
      })
    const holds = { 'A.h': 'oven', 'B.h': 'oven' }

    it('a batch waits for all of it', () => {
      const laid = [
        at('A.1', 480, 490, 'Ada'),
        at('A.2', 490, 550),
        at('A.3', 550, 555, 'Ada'),
        at('B.1', 470, 480, 'Ben'),
        at('B.2', 490, 550),
        at('B.3', 550, 555, 'Ben'),
      ]
      // Ben is done with the loading of B at 08:30 only: both run until 09:30.
      expect(endsIn(lab(begun('B.1', 510, 'Ben')), laid, { holds }).ends).toEqual({ A: 575, B: 575 })
    })

    it('the next one is put in when the one before has been taken out', () => {
      const laid = [
        at('B.1', 470, 480, 'Ben'),
        at('B.2', 480, 540),
        at('B.3', 540, 545, 'Ben'),
        at('A.1', 545, 555, 'Ada'),
        at('A.2', 555, 615),
        at('A.3', 615, 620, 'Ada'),
      ]
      // B is loaded until 08:20, runs until 09:20 and is out at 09:25; then ten minutes, an hour, five minutes.
      expect(endsIn(lab(begun('B.1', 500, 'Ben')), laid, { holds }).ends).toEqual({ A: 640, B: 565 })
    })
  })
})

describe('how far things spread until the lab has timed them', () => {
  // Standard deviation by mean, common practice: hands 0.25, waits 0.05, programs 0.02.
  it.each([
    ['hands', hands('A.1', 200), 50],
    ['a wait', { id: 'A.1', caseId: 'A', kind: 'wait', stage: 'w', minutes: 200 }, 10],
    ['a program', { id: 'A.1', caseId: 'A', kind: 'program', stage: 'w', minutes: 500, program: 'f' }, 10],
    [
      'what is in hand',
      hands('A.1', 100, { frozen: { startMinute: 430, endMinute: 680, personId: 'Ada' } }),
      50,
    ],
  ] as const)('%s', (_, step, deviation) => {
    const lab = tinyLab({ calendars: { shift: [[0, 5000]], clinic: [] }, steps: [step] })
    const person = step.kind === 'attended' ? 'Ada' : undefined
    const steps = [at('A.1', 480, 480 + step.minutes, person)]
    const net = network(lab)
    const { ends } = simulate(net, { instance: 'tiny', steps, holds: [] }, { runs: 4000, seed: 3 })
    const mean = ends[0]!.reduce((sum, end) => sum + end, 0) / 4000
    const variance = ends[0]!.reduce((sum, end) => sum + (end - mean) ** 2, 0) / 4000
    // A standard deviation of 4000 draws is known to about 1.2 in 100 of it, a little worse for a long tail.
    expect(Math.abs(Math.sqrt(variance) / deviation - 1)).toBeLessThan(0.08)
  })

  it('what was ended has none left', () => {
    const ended = hands('A.1', 10, { frozen: { startMinute: 440, endMinute: 478, personId: 'Ada' } })
    const { ends } = simulate(
      network(tinyLab({ steps: [ended] })),
      { instance: 'tiny', steps: [at('A.1', 440, 450, 'Ada')], holds: [] },
      { runs: 20, seed: 3 },
    )
    expect([...new Set(ends[0]!)]).toEqual([478])
  })
})

describe('the time by which a share has ended', () => {
  const ends = Int32Array.from([10, 9, 8, 7, 6, 5, 4, 3, 2, 1])
  it.each([
    [0.8, 8],
    [0.81, 9],
    [0.5, 5],
    [1, 10],
  ])('%d of ten', (share, end) => expect(endAt(ends, share)).toBe(end))
  it('counts what ends at that very minute', () => expect(chanceBy(ends, 7)).toBeCloseTo(0.7, 12))
})
