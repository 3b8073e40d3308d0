import { describe, expect, it } from '@jest/globals'
import { hands, shift, tinyLab } from '../testing/tiny-plan.ts'
import { checkInstance, type PlanInstance } from './index.ts'

const two = { steps: [hands('A.1', 30), hands('A.2', 30)] }
const oven = {
  machines: [
    { id: 'oven', type: 'batch' as const, capacity: 2 },
    { id: 'lathe', type: 'places' as const, capacity: 1 },
  ],
}
const hold = (more: object) => ({
  id: 'h',
  machineIds: ['lathe'],
  size: 1,
  fromStep: 'A.1',
  fromEvent: 'start' as const,
  toStep: 'A.2',
  toEvent: 'end' as const,
  ...more,
})
const link = (more: object) => ({ from: 'A.1', to: 'A.2', minMinutes: 0, ...more })

describe('an instance that cannot be planned is refused with the names', () => {
  const wrong: readonly (readonly [string, string, Partial<PlanInstance>, string])[] = [
    ['nobody has the skill', 'plan-skill', { steps: [hands('A.1', 30, { skill: 'metal' })] }, 'metal'],
    ['nobody is called so', 'plan-names', { steps: [hands('A.1', 30, { personId: 'Zoe' })] }, 'Zoe'],
    [
      'a person without a calendar',
      'plan-calendar',
      { ...two, persons: [{ id: 'Ada', skills: ['bench'], calendar: 'none' }] },
      'Ada',
    ],
    [
      'a machine without a calendar',
      'plan-calendar',
      { ...two, machines: [{ id: 'oven', type: 'batch', capacity: 1, calendar: 'none' }] },
      'oven',
    ],
    [
      'windows that overlap',
      'plan-calendar',
      {
        ...two,
        calendars: {
          shift: [
            [480, 720],
            [700, 900],
          ],
          clinic: [],
        },
      },
      'shift',
    ],
    ['a horizon before now', 'plan-calendar', { ...two, horizonMinute: 480 }, 'horizon'],
    [
      'a ring of links',
      'plan-links',
      { ...two, links: [link({}), link({ from: 'A.2', to: 'A.1' })] },
      'A.1, A.2',
    ],
    ['a step that waits for itself', 'plan-links', { ...two, links: [link({ to: 'A.1' })] }, 'A.1'],
    [
      'a longest wait under the least',
      'plan-links',
      { ...two, links: [link({ minMinutes: 9, maxMinutes: 8 })] },
      'A.2',
    ],
    [
      'a link over two cases',
      'plan-links',
      { steps: [hands('A.1', 5), hands('B.1', 5)], links: [link({ to: 'B.1' })] },
      'B.1',
    ],
    ['a link into nothing', 'plan-names', { ...two, links: [link({ to: 'A.9' })] }, 'A.9'],
    [
      'a hold that ends before it begins',
      'plan-links',
      { ...two, ...oven, links: [link({})], holds: [hold({ fromStep: 'A.2', toStep: 'A.1' })] },
      'A.1',
    ],
    [
      'a hold over two cases',
      'plan-hold',
      { ...oven, steps: [hands('A.1', 5), hands('B.1', 5)], holds: [hold({ toStep: 'B.1' })] },
      'h',
    ],
    ['more than the machine takes', 'plan-hold', { ...two, ...oven, holds: [hold({ size: 2 })] }, 'lathe'],
    ['a program in places', 'plan-hold', { ...two, ...oven, holds: [hold({ programStep: 'A.2' })] }, 'lathe'],
    [
      'no program in a batch machine',
      'plan-hold',
      { ...two, ...oven, holds: [hold({ machineIds: ['oven'] })] },
      'oven',
    ],
    [
      'a machine that is not there',
      'plan-names',
      { ...two, ...oven, holds: [hold({ machineIds: ['press'] })] },
      'press',
    ],
    [
      'a hold of a step that is not there',
      'plan-names',
      { ...two, ...oven, holds: [hold({ toStep: 'A.9' })] },
      'h',
    ],
    ['longer than any window', 'plan-too-long', { steps: [hands('A.1', 241)] }, 'A.1'],
    ['two of one name', 'plan-names', { steps: [hands('A.1', 5), hands('A.1', 5)] }, 'A.1'],
    ['a step of no case', 'plan-names', { ...two, cases: [] }, 'A.1'],
    ['a bottleneck that is not there', 'plan-names', { ...two, bottleneckMachineId: 'press' }, 'press'],
    [
      'the person of a step that nobody does',
      'plan-names',
      { steps: [hands('A.1', 5, { samePersonAs: 'A.0' })] },
      'A.0',
    ],
    [
      'begun in the future',
      'plan-frozen',
      { steps: [hands('A.1', 5, { frozen: { startMinute: 500, endMinute: 510 } })] },
      'A.1',
    ],
    [
      'begun twice at once by one',
      'plan-frozen',
      {
        steps: ['A.1', 'B.1'].map((id, n) =>
          hands(id, 60, { frozen: { startMinute: 440 + 10 * n, endMinute: 500 + 10 * n, personId: 'Ada' } }),
        ),
      },
      'Ada',
    ],
  ]
  it.each(wrong)('%s', (_what, code, change, named) => {
    const lab = tinyLab(change)
    const check = () =>
      checkInstance(change.calendars ? { ...lab, calendars: { ...lab.calendars, ...change.calendars } } : lab)
    expect(check).toThrow(expect.objectContaining({ code }))
    expect(check).toThrow(new RegExp(named))
  })
  it('lets a step pause that is longer than a window, and two begun by one where one is over before the other', () => {
    checkInstance(tinyLab({ steps: [hands('A.1', 241, { mayPause: true })] }))
    checkInstance(
      tinyLab({
        nowMinute: 520,
        steps: [
          hands('A.1', 20, { frozen: { startMinute: 480, endMinute: 500, personId: 'Ada' } }),
          hands('B.1', 20, { frozen: { startMinute: 500, endMinute: 520, personId: 'Ada' } }),
        ],
      }),
    )
    expect(shift[0]).toEqual([480, 720])
  })
})
