import { describe, expect, it } from '@jest/globals'
import { finishedAt } from '../case/index.ts'
import type { LabEquipment } from '../equipment/index.ts'
import { routeTemplates } from '../jobs/index.ts'
import { network, PlanSearch, stations } from '../planning/index.ts'
import type { Impression } from '../route/index.ts'
import { Bench, MINUTE, START } from '../testing/index.ts'
import { labInstance, noPlanSettings } from './index.ts'

const equipment: readonly LabEquipment[] = stations.map((what) => ({
  kind: 'station',
  name: what,
  what,
  places: 2,
  source: 'counted',
}))
const labOf = ({ working }: Bench, now: number) =>
  labInstance({
    now,
    calendar: { timeZone: 'UTC', opensMinute: 450, closesMinute: 1020, weekdays: [1, 2, 3, 4, 5] },
    people: [{ id: 'p-ada', name: 'Ada' }],
    equipment,
    settings: noPlanSettings,
    cases: [{ caseId: 'c', state: working.state }],
    templates: routeTemplates,
  })
/** A study cast that came with its impression, inspected. */
function plannedWith(impressions: readonly Impression[], waitedMinutes: number) {
  const bench = new Bench('study-cast', {}, impressions).before('pour-anatomy')
  const now = bench.now + waitedMinutes * MINUTE
  const lab = labOf(bench, now)
  const pour = [...lab.tasks.values()].find(({ steps }) =>
    steps.some(({ stepId }) => stepId === 'pour-anatomy'),
  )!
  const search = new PlanSearch(network(lab.instance), { seed: 1 })
  return {
    lab,
    pour,
    now,
    looked: Date.parse(finishedAt(bench.job.steps['inspect-impression'])!),
    longest: lab.instance.links.flatMap(({ to, maxMinutes }) =>
      to === pour.id && maxMinutes !== undefined ? [maxMinutes] : [],
    ),
    startMinute: search.best.plan.steps.find(({ id }) => id === pour.id)!.startMinute,
    unplaced: search.unplaced,
  }
}
const takenAt = (minutesBefore: number) => new Date(START - minutesBefore * MINUTE).toISOString()
const broken = ({ lab }: ReturnType<typeof plannedWith>) => lab.broken.map(({ stepId }) => stepId)

// Common practice: alginate within 15 min of the mouth, condensation silicone within an hour, addition silicone keeps.
describe('an impression is planned into stone in time', () => {
  it('from when it was looked at, where nobody knows when it was taken', () => {
    const planned = plannedWith([], 0)
    expect(planned.longest).toEqual([15])
    expect(planned.unplaced).toEqual([])
    expect(broken(planned)).toEqual([])
    const since = planned.lab.instance.nowMinute - (planned.now - planned.looked) / MINUTE
    expect(planned.startMinute - since).toBeLessThanOrEqual(15)
  })
  it('from the mouth, where that is known, by what it is of', () => {
    expect(
      plannedWith([{ of: 'impression', material: 'condensation-silicone', takenAt: takenAt(10) }], 0).longest,
    ).toEqual([60])
    expect(
      plannedWith([{ of: 'impression', material: 'addition-silicone', takenAt: takenAt(10) }], 0).longest,
    ).toEqual([])
  })
  it('longer, where its pack says so', () =>
    expect(
      plannedWith([{ of: 'impression', material: 'alginate', takenAt: takenAt(10), keepsMinutes: 90 }], 0)
        .longest,
    ).toEqual([90]))
  it('too late is said, and planned all the same', () => {
    const late = plannedWith([], 16)
    expect(broken(late)).toEqual(['pour-anatomy'])
    expect(late.longest).toEqual([])
    expect(late.unplaced).toEqual([])
    expect(broken(plannedWith([], 13))).toEqual([])
  })
  it('before it was looked at, the look and the pour hang together', () => {
    const bench = new Bench('study-cast').before('inspect-impression')
    const lab = labOf(bench, bench.now)
    const of = (stepId: string) =>
      [...lab.tasks.values()].find(({ steps }) => steps.some((each) => each.stepId === stepId))!
    expect(lab.instance.links).toContainEqual({
      from: of('inspect-impression').id,
      fromEvent: 'end',
      to: of('pour-anatomy').id,
      minMinutes: 0,
      maxMinutes: 15,
    })
  })
})
