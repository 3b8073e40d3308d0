import { describe, expect, it } from '@jest/globals'
import { hands, tinyLab } from '../testing/tiny-plan.ts'
import { explain, network, type PlanInstance, type PlannedStep } from './index.ts'

/** Why the last step of case A begins when it does, in a plan that is laid by hand. */
function causeIn(lab: PlanInstance, steps: readonly PlannedStep[], holds: Record<string, string> = {}) {
  const plan = {
    instance: lab.name,
    steps,
    holds: Object.entries(holds).map(([id, machineId]) => ({ id, machineId })),
  }
  return explain(network(lab), plan, 'A').at(-1)!.cause
}
const at = (id: string, startMinute: number, endMinute: number, personId?: string): PlannedStep => ({
  id,
  startMinute,
  endMinute,
  ...(personId === undefined ? {} : { personId }),
})
const own = (id: string, machineIds: readonly string[], stepId: string, size = 1) => ({
  id,
  machineIds,
  size,
  fromStep: stepId,
  fromEvent: 'start' as const,
  toStep: stepId,
  toEvent: 'end' as const,
})
const both = [
  { id: 'Ada', skills: ['bench'], calendar: 'shift' },
  { id: 'Ben', skills: ['bench', 'wax'], calendar: 'shift' },
]

describe('why a step waits', () => {
  it('is nothing where it begins at once, and nothing is said then', () =>
    expect(causeIn(tinyLab({ steps: [hands('A.1', 30)] }), [at('A.1', 480, 510, 'Ada')])).toBeUndefined())

  it('is who is at something else for the longest of the gap', () => {
    const lab = tinyLab({ steps: [hands('A.1', 30), hands('B.1', 20), hands('B.2', 50)] })
    expect(
      causeIn(lab, [at('B.1', 480, 500, 'Ada'), at('B.2', 510, 560, 'Ada'), at('A.1', 560, 590, 'Ada')]),
    ).toEqual({
      kind: 'people',
      by: [{ id: 'Ada', stepId: 'B.2', caseId: 'B', fromMinute: 510, untilMinute: 560 }],
    })
  })

  it('is the longest whether it comes first or last', () => {
    const lab = tinyLab({ steps: [hands('A.1', 30), hands('B.1', 20), hands('B.2', 50)] })
    const laid = [at('B.2', 480, 530, 'Ada'), at('B.1', 540, 560, 'Ada'), at('A.1', 560, 590, 'Ada')]
    expect(causeIn(lab, laid)).toMatchObject({ kind: 'people', by: [{ stepId: 'B.2' }] })
  })

  it.each([
    [29, 'people'],
    [30, 'nothing'],
  ])('is nobody when there was a hole of %d min for its 30: %s', (hole, kind) => {
    const lab = tinyLab({ steps: [hands('A.1', 30), hands('B.1', 60), hands('B.2', 60)] })
    const later = 540 + hole
    expect(
      causeIn(lab, [
        at('B.1', 480, 540, 'Ada'),
        at('B.2', later, later + 60, 'Ada'),
        at('A.1', later + 60, later + 90, 'Ada'),
      ])!.kind,
    ).toBe(kind)
  })

  it('of a gap shorter than the step it is who fills any of it', () => {
    const lab = tinyLab({ steps: [hands('A.1', 30), hands('B.1', 10)] })
    expect(causeIn(lab, [at('B.1', 480, 490, 'Ada'), at('A.1', 490, 520, 'Ada')])).toMatchObject({
      kind: 'people',
      by: [{ stepId: 'B.1' }],
    })
  })

  it('is the night, when nobody is there', () => {
    const lab = tinyLab({ steps: [hands('A.1', 30, { earliestMinute: 1020 })] })
    expect(causeIn(lab, [at('A.1', 1920, 1950, 'Ada')])).toEqual({
      kind: 'people',
      by: [{ id: 'Ada', fromMinute: 1020, untilMinute: 1920 }],
    })
  })

  it('is the noon break, not the night that is over', () => {
    const lab = tinyLab({ steps: [hands('A.1', 30, { earliestMinute: 720 })] })
    expect(causeIn(lab, [at('A.1', 780, 810, 'Ada')])).toEqual({
      kind: 'people',
      by: [{ id: 'Ada', fromMinute: 720, untilMinute: 780 }],
    })
  })

  it('is all who can, where more than one can; one who was free is enough for it to be none', () => {
    const lab = tinyLab({ persons: both, steps: [hands('A.1', 30), hands('B.1', 40), hands('C.1', 50)] })
    const laid = (ben: number) =>
      causeIn(lab, [at('B.1', ben, ben + 40, 'Ben'), at('C.1', 480, 530, 'Ada'), at('A.1', 530, 560, 'Ada')])
    expect(laid(510)).toEqual({ kind: 'nothing' })
    expect(laid(490)).toMatchObject({ kind: 'people', by: [{ id: 'Ada', stepId: 'C.1' }, { id: 'Ben' }] })
  })

  it('is the same person alone, where the same must go on', () => {
    const lab = tinyLab({
      persons: both,
      steps: [hands('A.1', 10), hands('A.2', 10, { samePersonAs: 'A.1' }), hands('B.1', 30)],
      links: [{ from: 'A.1', to: 'A.2', minMinutes: 0 }],
    })
    // Ada could at any time; Ben began it.
    const laid = [at('A.1', 480, 490, 'Ben'), at('B.1', 490, 520, 'Ben'), at('A.2', 520, 530, 'Ben')]
    expect(causeIn(lab, laid)).toMatchObject({ kind: 'people', by: [{ id: 'Ben', stepId: 'B.1' }] })
  })

  it('names four at most', () => {
    const persons = ['Ada', 'Ben', 'Cid', 'Dan', 'Eve'].map((id) => ({
      id,
      skills: ['bench'],
      calendar: 'shift',
    }))
    const lab = tinyLab({
      persons,
      steps: [hands('A.1', 30), ...persons.map((_, n) => hands(`B.${n}`, 30))],
    })
    const laid = [...persons.map(({ id }, n) => at(`B.${n}`, 480, 510, id)), at('A.1', 510, 540, 'Ada')]
    const cause = causeIn(lab, laid)
    expect(cause?.kind === 'people' && cause.by.map(({ id }) => id)).toEqual(['Ada', 'Ben', 'Cid', 'Dan'])
  })

  describe('for a machine', () => {
    const steps = [hands('A.1', 30), hands('B.1', 40)]
    const laid = [at('B.1', 480, 520, 'Ben'), at('A.1', 520, 550, 'Ada')]
    const lab = (capacity: number, sizes: readonly [number, number] = [1, 1]) =>
      tinyLab({
        persons: both,
        machines: [{ id: 'lathe', type: 'places', capacity }],
        steps,
        holds: [own('A.h', ['lathe'], 'A.1', sizes[0]), own('B.h', ['lathe'], 'B.1', sizes[1])],
      })
    const onLathe = { 'A.h': 'lathe', 'B.h': 'lathe' }
    const taken = { id: 'lathe', stepId: 'B.1', caseId: 'B', fromMinute: 480, untilMinute: 520 }

    it('is what lies on its one place', () =>
      expect(causeIn(lab(1), laid, onLathe)).toEqual({ kind: 'machine', by: [taken] }))

    it('is nothing where there was a place free, by the sizes of what lies there', () => {
      expect(causeIn(lab(2), laid, onLathe)).toEqual({ kind: 'nothing' })
      expect(causeIn(lab(3, [1, 2]), laid, onLathe)).toEqual({ kind: 'nothing' })
      expect(causeIn(lab(3, [2, 2]), laid, onLathe)).toEqual({ kind: 'machine', by: [taken] })
    })

    it('is nothing where a second machine was free', () => {
      const two = {
        ...lab(1),
        machines: ['lathe', 'other'].map((id) => ({ id, type: 'places' as const, capacity: 1 })),
        holds: [own('A.h', ['lathe', 'other'], 'A.1'), own('B.h', ['lathe'], 'B.1')],
      }
      expect(causeIn(two, laid, onLathe)).toEqual({ kind: 'nothing' })
    })

    it('is nothing of what had left it before, or came after', () => {
      const ready = { ...lab(1), steps: [hands('A.1', 30, { earliestMinute: 520 }), hands('B.1', 40)] }
      const before = [at('B.1', 480, 520, 'Ben'), at('A.1', 530, 560, 'Ada')]
      const after = [at('B.1', 530, 570, 'Ben'), at('A.1', 530, 560, 'Ada')]
      for (const each of [before, after]) expect(causeIn(ready, each, onLathe)).toEqual({ kind: 'nothing' })
    })

    it('is the batch that runs in an oven, whatever room it has, and the oven itself where it is shut', () => {
      const oven = (calendar?: string) => ({
        ...lab(1),
        machines: [{ id: 'lathe', type: 'batch' as const, capacity: 9, ...(calendar ? { calendar } : {}) }],
      })
      expect(causeIn(oven(), laid, onLathe)).toEqual({ kind: 'machine', by: [taken] })
      const alone = [at('B.1', 900, 940, 'Ben'), at('A.1', 490, 520, 'Ada')]
      expect(causeIn(oven('clinic'), alone, onLathe)).toEqual({
        kind: 'machine',
        by: [{ id: 'lathe', fromMinute: 480, untilMinute: 490 }],
      })
      expect(causeIn(oven('shift'), alone, onLathe)).toEqual({ kind: 'nothing' })
      // It was there when the step was ready, and shut before it was begun.
      const shuts = oven('early')
      const early = { ...shuts, calendars: { ...shuts.calendars, early: [[0, 485]] as [number, number][] } }
      expect(causeIn(early, alone, onLathe)).toMatchObject({ kind: 'machine', by: [{ id: 'lathe' }] })
    })
  })

  it.each([
    [100, { kind: 'heldBack', stepId: 'A.2', withinMinutes: 100 }],
    [109, { kind: 'heldBack', stepId: 'A.2', withinMinutes: 109 }],
    [110, { kind: 'nothing' }],
  ])('is a later step, before which it may stand %d min', (maxMinutes, cause) => {
    // Ready at 08:00, laid at 09:20 to 09:30; the later one begins at 10:00. At once, it would have stood 110 min.
    const lab = tinyLab({
      steps: [hands('A.1', 10), hands('A.2', 10)],
      links: [{ from: 'A.1', to: 'A.2', minMinutes: 30, maxMinutes }],
    })
    const steps = [at('A.1', 560, 570, 'Ada'), at('A.2', 600, 610, 'Ada')]
    expect(explain(network(lab), { instance: 'tiny', steps, holds: [] }, 'A')[0]!.cause).toEqual(cause)
  })

  it('is a later step through what follows at once', () => {
    const lab = tinyLab({
      steps: [hands('A.1', 10), hands('A.2', 10), hands('A.3', 10)],
      links: [
        { from: 'A.1', to: 'A.2', minMinutes: 0, maxMinutes: 120 },
        { from: 'A.2', to: 'A.3', minMinutes: 20, maxMinutes: 60 },
      ],
    })
    const steps = [at('A.1', 560, 570, 'Ada'), at('A.2', 570, 580, 'Ada'), at('A.3', 600, 610, 'Ada')]
    expect(explain(network(lab), { instance: 'tiny', steps, holds: [] }, 'A')[0]!.cause).toEqual({
      kind: 'heldBack',
      stepId: 'A.3',
      withinMinutes: 60,
    })
  })

  describe('for a program', () => {
    const glaze = (id: string): PlanInstance['steps'][number] => ({
      id,
      caseId: id.split('.')[0]!,
      kind: 'program',
      stage: 'f',
      minutes: 60,
      program: 'glaze',
    })
    const lab = tinyLab({
      persons: both,
      machines: [{ id: 'oven', type: 'batch', capacity: 2 }],
      steps: [hands('A.1', 10), glaze('A.2'), hands('B.1', 30), glaze('B.2')],
      links: ['A', 'B'].map((one) => ({ from: `${one}.1`, to: `${one}.2`, minMinutes: 0 })),
      holds: ['A', 'B'].map((one) => ({
        ...own(`${one}.h`, ['oven'], `${one}.1`),
        toStep: `${one}.2`,
        programStep: `${one}.2`,
      })),
    })
    const laid = (other: number) => [
      at('A.1', 480, 490, 'Ada'),
      at('A.2', 510, 570),
      at('B.1', other - 30, other, 'Ben'),
      at('B.2', other, other + 60),
    ]
    const inOven = { 'A.h': 'oven', 'B.h': 'oven' }

    it('is what goes in with it, which is not in its way while it is put in', () =>
      expect(causeIn(lab, laid(510), inOven)).toEqual({ kind: 'together', stepIds: ['B.2'] }))

    it('is the oven, where another batch is still put in', () =>
      expect(causeIn(lab, laid(505), inOven)).toMatchObject({ kind: 'machine', by: [{ stepId: 'B.1' }] }))

    it('is nothing, where all that goes in was ready as soon, and nothing comes after', () =>
      expect(
        causeIn(
          { ...lab, steps: lab.steps.map((step) => (step.id === 'B.1' ? hands('B.1', 10) : step)) },
          [at('A.1', 480, 490, 'Ada'), at('A.2', 510, 570), at('B.1', 480, 490, 'Ben'), at('B.2', 510, 570)],
          inOven,
        ),
      ).toEqual({ kind: 'nothing' }))

    it('is the timer, where somebody is to be there when it ends', () => {
      const timed = tinyLab({
        steps: [glaze('A.1'), hands('A.2', 5)],
        links: [{ from: 'A.1', to: 'A.2', minMinutes: 0 }],
      })
      const steps = [at('A.1', 510, 570), at('A.2', 570, 575, 'Ada')]
      const chain = explain(network(timed), { instance: 'tiny', steps, holds: [] }, 'A')
      expect(chain.map(({ stepId, cause }) => [stepId, cause])).toEqual([
        ['A.1', { kind: 'timer' }],
        ['A.2', undefined],
      ])
    })
  })

  it('of what needs no hands is what is shut', () => {
    const lab = tinyLab({
      steps: [
        { id: 'A.1', caseId: 'A', kind: 'clinic', stage: 'c', minutes: 0, calendar: 'clinic', clinicDays: 1 },
      ],
    })
    expect(causeIn(lab, [at('A.1', 510, 1950)])).toEqual({ kind: 'closed' })
  })

  it('asks no further than a step that was begun', () => {
    const lab = tinyLab({
      steps: [
        hands('A.1', 10),
        hands('A.2', 30, { frozen: { startMinute: 470, endMinute: 500, personId: 'Ada' } }),
        hands('A.3', 10),
      ],
      links: [
        { from: 'A.1', to: 'A.2', minMinutes: 0 },
        { from: 'A.2', to: 'A.3', minMinutes: 0 },
      ],
    })
    const steps = [at('A.1', 440, 450, 'Ada'), at('A.2', 470, 500, 'Ada'), at('A.3', 500, 510, 'Ada')]
    const chain = explain(network(lab), { instance: 'tiny', steps, holds: [] }, 'A')
    expect(chain.map(({ stepId, readyMinute, startMinute }) => [stepId, readyMinute, startMinute])).toEqual([
      ['A.2', 470, 470],
      ['A.3', 500, 500],
    ])
  })
})
