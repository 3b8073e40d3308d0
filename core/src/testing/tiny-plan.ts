import { network, type PlanInstance, PlanSearch } from '../planning/index.ts'

type Written<T> = T extends { readonly maxMinutes?: number }
  ? Omit<T, 'maxMinutes'> & { maxMinutes: number | null }
  : T
type WrittenInstance = Omit<PlanInstance, 'links'> & {
  readonly links: readonly Written<PlanInstance['links'][number]>[]
}

/** An instance as the files have it: null is written there for a wait without an end. */
export const read = ({ links, ...rest }: WrittenInstance): PlanInstance => ({
  ...rest,
  links: links.map(({ maxMinutes, ...link }) => (maxMinutes === null ? link : { ...link, maxMinutes })),
})

const DAY = 1440
/** Monday to Friday, 08-12 and 13-17, over two weeks. */
export const shift = [0, 1, 2, 3, 4, 7, 8, 9, 10, 11].flatMap((day): [number, number][] => [
  [day * DAY + 480, day * DAY + 720],
  [day * DAY + 780, day * DAY + 1020],
])
const clinic = [0, 1, 2, 3, 4, 7, 8, 9, 10, 11].map((day): [number, number] => [
  day * DAY + 510,
  day * DAY + 1020,
])

/** A lab small enough to be planned by hand: Ada alone, from Monday 08:00 on. */
export function tinyLab(change: Partial<PlanInstance>): PlanInstance {
  const steps = change.steps ?? []
  const ids = [...new Set(steps.map(({ caseId }) => caseId))]
  return {
    format: 'laboratory-plan 1',
    name: 'tiny',
    nowMinute: 480,
    horizonMinute: 12 * DAY,
    weights: { late: 10, flow: 0.1, idle: 0, moved: 1 },
    calendars: { shift, clinic },
    persons: [{ id: 'Ada', skills: ['bench'], calendar: 'shift' }],
    machines: [],
    cases: ids.map((id) => ({ id, route: 'tiny', releaseMinute: 480, dueMinute: 1020, weight: 1 })),
    links: [],
    holds: [],
    ...change,
    steps,
  }
}
/** Hands of a tiny lab. */
export const hands = (id: string, minutes: number, more: object = {}): PlanInstance['steps'][number] => ({
  id,
  caseId: id.split('.')[0]!,
  kind: 'attended',
  stage: 'x',
  skill: 'bench',
  minutes,
  ...more,
})

/** The best that is found in some rounds. */
export function planned(instance: PlanInstance, rounds = 1500, seed = 1) {
  const search = new PlanSearch(network(instance), { seed })
  search.run(rounds)
  return search.best
}
/** When steps start in a plan, by their ids. */
export const startsOf = ({ plan }: ReturnType<typeof planned>): Readonly<Record<string, number>> =>
  Object.fromEntries(plan.steps.map(({ id, startMinute }) => [id, startMinute]))

/** A machine that is held from when the first of three steps begins until the last of them ends, while the second runs. */
export const holdOf = (one: string, machineId = 'oven'): PlanInstance['holds'][number] => ({
  id: `${one}.h`,
  machineIds: [machineId],
  size: 1,
  fromStep: `${one}.1`,
  fromEvent: 'start',
  toStep: `${one}.3`,
  toEvent: 'end',
  programStep: `${one}.2`,
})
