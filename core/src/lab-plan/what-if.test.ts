import { describe, expect, it } from '@jest/globals'
import { hands, planned, shift, tinyLab } from '../testing/tiny-plan.ts'
import { PlanDesk, tryOut } from './index.ts'
import { supposed } from './what-if.ts'

const two = tinyLab({
  persons: [
    { id: 'Ada', skills: ['bench'], calendar: 'shift' },
    { id: 'Ben', skills: ['bench'], calendar: 'shift' },
  ],
  machines: [
    { id: 'lathe', type: 'places', capacity: 1 },
    { id: 'kiln', type: 'places', capacity: 1, calendar: 'clinic' },
  ],
  steps: [hands('A.1', 60), hands('B.1', 120), hands('C.1', 60, { personId: 'Ada' })],
})

describe('what would be', () => {
  it('somebody away is gone from their own hours alone, for so long', () => {
    const then = supposed(two, { kind: 'personAway', personId: 'Ada', fromMinute: 500, untilMinute: 800 })
    const [ada, ben] = then.persons
    expect(then.calendars[ada!.calendar]).toEqual([[480, 500], [800, 1020], ...shift.slice(2)])
    expect(ben!.calendar).toBe('shift')
    expect(then.calendars.shift).toEqual(shift)
  })
  it('a machine down is gone from all its time, or from the hours that it has', () => {
    const down = (machineId: string) => {
      const then = supposed(two, { kind: 'machineDown', machineId, fromMinute: 600, untilMinute: 700 })
      return then.calendars[then.machines.find(({ id }) => id === machineId)!.calendar!]!.slice(0, 2)
    }
    expect(down('lathe')).toEqual([
      [0, 600],
      [700, two.horizonMinute],
    ])
    expect(down('kiln')).toEqual([
      [510, 600],
      [700, 1020],
    ])
  })
  it('a rush weighs ten times, the others as before', () =>
    expect(supposed(two, { kind: 'rush', caseId: 'B' }).cases.map(({ id, weight }) => [id, weight])).toEqual([
      ['A', 1],
      ['B', 10],
      ['C', 1],
    ]))
  it('one more of a machine has one place more', () =>
    expect(supposed(two, { kind: 'oneMore', machineId: 'lathe' }).machines[0]).toMatchObject({ capacity: 2 }))

  it('what ends on the very minute is in time', () => {
    const one = tinyLab({
      cases: [{ id: 'A', route: 'tiny', releaseMinute: 480, dueMinute: 540, weight: 1 }],
      steps: [hands('A.1', 60)],
    })
    const { plan } = planned(one, 5)
    const rush = tryOut(one, plan, { kind: 'rush', caseId: 'A' })
    expect([rush.lateBefore, rush.lateAfter, rush.outcomes]).toEqual([0, 0, []])
  })
  it('says what ends otherwise, what changes most first, and how many are late', () => {
    const { plan } = planned(two, 200)
    const whole = { kind: 'personAway', personId: 'Ada', fromMinute: 480, untilMinute: 1020 } as const
    const { outcomes, lateBefore, lateAfter, unplaced } = tryOut(two, plan, whole)
    expect(unplaced).toEqual([])
    expect(lateBefore).toBe(0)
    // C waits for Ada until the next morning; Ben does A and B himself.
    expect(lateAfter).toBe(1)
    expect(outcomes[0]).toMatchObject({ caseId: 'C', after: 1440 + 480 + 60, dueMinute: 1020 })
    const changes = outcomes.map(({ before, after }) => Math.abs(after - before))
    expect(changes).toEqual([...changes].sort((a, b) => b - a))
    expect(outcomes.every(({ before, after }) => before !== after)).toBe(true)
  })
})

describe('what is late', () => {
  it('is told the latest first, each with why', () => {
    const late = tinyLab({
      cases: ['A', 'B', 'C'].map((id, n) => ({
        id,
        route: 'tiny',
        releaseMinute: 480,
        dueMinute: [530, 500, 1020][n]!,
        weight: 1,
      })),
      steps: [hands('A.1', 60), hands('B.1', 60), hands('C.1', 10)],
    })
    const desk = new PlanDesk()
    const told = desk.answer({
      kind: 'plan',
      turn: 1,
      instance: late,
      seed: 1,
      rounds: 0,
      night: [1020, 1920],
    })
    if (told.kind !== 'plan') throw new Error('no plan')
    const endOf = (id: string) => told.plan.steps.find((step) => step.id === `${id}.1`)!.endMinute
    const over = { A: endOf('A') - 530, B: endOf('B') - 500 }
    expect(told.late.map(({ caseId }) => caseId)).toEqual(over.A > over.B ? ['A', 'B'] : ['B', 'A'])
    expect(told.late.every(({ chain }) => chain.length > 0)).toBe(true)
  })
})
