import { describe, expect, it } from '@jest/globals'
import { hands, planned, shift, tinyLab } from '../testing/tiny-plan.ts'
import { checkPlan, type Plan, type PlanInstance, type PlannedStep, planFaultCodes } from './index.ts'

/** A small lab in which every rule has something to be broken. */
const lab: PlanInstance = tinyLab({
  persons: [
    { id: 'Ada', skills: ['bench', 'wax'], calendar: 'shift' },
    { id: 'Ben', skills: ['bench'], calendar: 'shift' },
    { id: 'Cid', skills: ['bench'], calendar: 'shift' },
  ],
  machines: [
    { id: 'lathe', type: 'places', capacity: 1 },
    { id: 'oven', type: 'batch', capacity: 2, calendar: 'shift' },
  ],
  cases: [
    { id: 'A', route: 'tiny', releaseMinute: 500, dueMinute: 6000, weight: 1 },
    { id: 'B', route: 'tiny', releaseMinute: 480, dueMinute: 6000, weight: 1 },
    { id: 'C', route: 'tiny', releaseMinute: 520, dueMinute: 6000, weight: 1 },
    { id: 'D', route: 'tiny', releaseMinute: 480, dueMinute: 6000, weight: 1 },
  ],
  steps: [
    hands('A.1', 30, { skill: 'wax' }),
    hands('A.2', 20, { skill: 'wax', samePersonAs: 'A.1' }),
    { id: 'A.3', caseId: 'A', kind: 'clinic', stage: 'c', minutes: 0, calendar: 'clinic', clinicDays: 1 },
    hands('B.1', 10, { frozen: { startMinute: 475, endMinute: 485, personId: 'Ben' } }),
    hands('B.2', 10, { personId: 'Ben', earliestMinute: 520 }),
    { id: 'B.3', caseId: 'B', kind: 'program', stage: 'f', minutes: 60, program: 'glaze' },
    hands('B.4', 5),
    hands('C.1', 10, { skill: 'bench' }),
    { id: 'C.2', caseId: 'C', kind: 'program', stage: 'f', minutes: 60, program: 'glaze' },
    hands('C.3', 5),
    hands('D.1', 30, { pinnedMinute: 900 }),
    hands('D.2', 15),
    { id: 'D.3', caseId: 'D', kind: 'wait', stage: 'w', minutes: 40 },
  ],
  links: [
    { from: 'A.1', to: 'A.2', minMinutes: 20, maxMinutes: 40 },
    { from: 'A.2', to: 'A.3', minMinutes: 0 },
    { from: 'B.1', to: 'B.2', minMinutes: 0 },
    { from: 'B.2', to: 'B.3', minMinutes: 0 },
    { from: 'B.3', to: 'B.4', minMinutes: 0 },
    { from: 'C.1', to: 'C.2', minMinutes: 0 },
    { from: 'C.2', to: 'C.3', minMinutes: 0 },
    { from: 'D.1', to: 'D.2', minMinutes: 0 },
    { from: 'D.2', to: 'D.3', minMinutes: 0 },
  ],
  holds: [
    {
      id: 'B.o',
      machineIds: ['oven'],
      size: 1,
      fromStep: 'B.2',
      fromEvent: 'start',
      toStep: 'B.4',
      toEvent: 'end',
      programStep: 'B.3',
    },
    {
      id: 'C.o',
      machineIds: ['oven'],
      size: 1,
      fromStep: 'C.1',
      fromEvent: 'start',
      toStep: 'C.3',
      toEvent: 'end',
      programStep: 'C.2',
    },
    {
      id: 'D.l',
      machineIds: ['lathe'],
      size: 1,
      fromStep: 'D.1',
      fromEvent: 'start',
      toStep: 'D.1',
      toEvent: 'end',
    },
    {
      id: 'D.m',
      machineIds: ['lathe'],
      size: 1,
      fromStep: 'D.2',
      fromEvent: 'start',
      toStep: 'D.2',
      toEvent: 'end',
    },
  ],
})
const good = planned(lab).plan
const codesOf = (plan: Plan, instance = lab) => new Set(checkPlan(instance, plan).map(({ code }) => code))
const moved = (id: string, to: Partial<PlannedStep> & { readonly by?: number }): Plan => ({
  ...good,
  steps: good.steps.map(({ personId, ...step }) => {
    const { by = 0, ...rest } = to
    const same = { ...step, ...(personId === undefined ? {} : { personId }) }
    return step.id === id
      ? { ...same, startMinute: step.startMinute + by, endMinute: step.endMinute + by, ...rest }
      : same
  }),
})
const at = (id: string) => good.steps.find((step) => step.id === id)!

describe('the checker of plans', () => {
  it('finds nothing in a good plan', () => expect(checkPlan(lab, good)).toEqual([]))

  const broken: readonly (readonly [(typeof planFaultCodes)[number], Plan, PlanInstance?])[] = [
    ['step-missing', { ...good, steps: good.steps.filter(({ id }) => id !== 'A.1') }],
    ['step-unknown', { ...good, steps: [...good.steps, { id: 'Z', startMinute: 500, endMinute: 501 }] }],
    ['step-twice', { ...good, steps: [...good.steps, at('A.1')] }],
    ['time-not-whole', moved('A.1', { by: 0.5 })],
    ['end-before-start', moved('D.3', { endMinute: at('D.3').startMinute - 1 })],
    ['duration', moved('A.1', { endMinute: at('A.1').endMinute + 1 })],
    ['duration', moved('D.3', { endMinute: at('D.3').endMinute + 1 })],
    ['before-now', moved('D.2', { startMinute: 470, endMinute: 485 })],
    ['before-release', moved('A.1', { startMinute: 490, endMinute: 520 })],
    ['before-earliest', moved('B.2', { startMinute: 505, endMinute: 515 })],
    ['past-horizon', moved('D.3', { startMinute: 17_270, endMinute: 17_310 })],
    ['person-missing', { ...good, steps: good.steps.map(({ personId: _, ...step }) => step) }],
    ['person-unknown', moved('D.2', { personId: 'Zoe' })],
    ['person-without-skill', moved('A.1', { personId: 'Ben' })],
    ['person-not-wanted', moved('D.3', { personId: 'Ben' })],
    ['person-pinned', moved('B.2', { personId: 'Ada' })],
    ['pin-moved', moved('D.1', { by: 5 })],
    ['not-same-person', moved('A.2', { personId: 'Ben' })],
    ['outside-hours', moved('D.2', { startMinute: 1015, endMinute: 1030 })],
    ['person-twice', moved('D.2', { startMinute: 905, endMinute: 920, personId: at('D.1').personId! })],
    [
      'link-too-soon',
      moved('A.2', { startMinute: at('A.1').endMinute + 19, endMinute: at('A.1').endMinute + 39 }),
    ],
    [
      'link-too-late',
      moved('A.2', { startMinute: at('A.1').endMinute + 41, endMinute: at('A.1').endMinute + 61 }),
    ],
    ['clinic-leaves-closed', moved('A.3', { startMinute: 1100 })],
    ['clinic-returns', moved('A.3', { by: 0, endMinute: at('A.3').endMinute - 10 })],
    ['frozen-moved', moved('B.1', { by: 1 })],
    ['hold-missing', { ...good, holds: good.holds.filter(({ id }) => id !== 'D.l') }],
    [
      'hold-machine',
      {
        ...good,
        holds: good.holds.map((hold) => (hold.id === 'D.l' ? { ...hold, machineId: 'oven' } : hold)),
      },
    ],
    ['machine-full', moved('D.2', { startMinute: 920, endMinute: 935 })],
    [
      'machine-closed',
      good,
      {
        ...lab,
        calendars: {
          ...lab.calendars,
          shift: shift.map(([from, to]) => [from, Math.min(to, from + 40)] as [number, number]),
        },
      },
    ],
    [
      'batch-programs-differ',
      good,
      {
        ...lab,
        steps: lab.steps.map((step) =>
          step.id === 'C.2' && step.kind === 'program' ? { ...step, program: 'stain' } : step,
        ),
      },
    ],
    [
      'batch-full',
      good,
      {
        ...lab,
        machines: lab.machines.map((machine) =>
          machine.id === 'oven' ? { ...machine, capacity: 1 } : machine,
        ),
      },
    ],
    ['batches-overlap', moved('C.2', { by: 2 })],
  ]
  it.each(broken.map(([code, plan, instance], n) => [code, n, plan, instance] as const))(
    'sees %s (%d)',
    (code, _n, plan, instance) => expect([...codesOf(plan, instance ?? lab)]).toContain(code),
  )
  it('has a plan for each of its codes', () =>
    expect(planFaultCodes.filter((code) => !broken.some(([each]) => each === code))).toEqual([]))
  it('says the same whatever the order of the lists', () => {
    const turned = {
      ...lab,
      steps: [...lab.steps].reverse(),
      links: [...lab.links].reverse(),
      holds: [...lab.holds].reverse(),
      persons: [...lab.persons].reverse(),
      machines: [...lab.machines].reverse(),
      cases: [...lab.cases].reverse(),
    }
    for (const [code, plan, instance] of broken)
      if (!instance)
        expect([...codesOf({ ...plan, steps: [...plan.steps].reverse() }, turned)]).toContain(code)
  })
})
