import type { CaseState } from '../case/index.ts'
import type { Plan } from '../planning/index.ts'
import type { Stage } from '../route/index.ts'
import type { LabInstance, LiveCase } from './lab-instance.ts'
import type { TaskPart } from './task.ts'

const MINUTE = 60_000

/** A planned stretch by the clock; ms since 1970. */
export interface BoardBar {
  readonly id: string
  readonly caseId: string
  readonly jobId: string
  readonly docket: string
  readonly part: TaskPart
  readonly stage: Stage
  readonly steps: readonly { readonly stepId: string; readonly name: string; readonly at: number }[]
  readonly at: number
  readonly until: number
  readonly personId?: string
  readonly begun?: true
}
/** A plan by the clock and by case, as screens use it. */
export interface PlanBoard {
  readonly bars: readonly BoardBar[]
  /** When a case is ready; ms. */
  readonly ends: ReadonlyMap<string, number>
  /** When a step of a case begins, and in whose hands. */
  readonly steps: ReadonlyMap<string, PlannedStepTime>
}
export interface PlannedStepTime {
  readonly at: number
  readonly until: number
  readonly personId?: string
}
export const stepKey = (caseId: string, jobId: string, stepId: string) => `${caseId}/${jobId}/${stepId}`

/** A plan as stretches by the clock. Steps of one stretch begin one after the other, each after the minutes of those before. */
export function planBoard({ base, tasks }: LabInstance, live: readonly LiveCase[], plan: Plan): PlanBoard {
  const states = new Map<string, CaseState>(live.map(({ caseId, state }) => [caseId, state]))
  const bars: BoardBar[] = []
  const ends = new Map<string, number>()
  const steps = new Map<string, PlannedStepTime>()
  const clock = (minute: number) => base + minute * MINUTE
  for (const { id, startMinute, endMinute, personId } of plan.steps) {
    const task = tasks.get(id)
    if (!task || task.part === 'been') continue
    const { caseId, jobId, part, stage, begun } = task
    const at = clock(startMinute)
    const until = clock(endMinute)
    const who = personId === undefined ? {} : { personId }
    const within = task.steps.map(({ stepId, name, afterMinutes }) => ({
      stepId,
      name,
      at: Math.min(until, at + afterMinutes * MINUTE),
    }))
    bars.push({
      id,
      caseId,
      jobId,
      docket: states.get(caseId)!.docket,
      part,
      stage,
      steps: within,
      at,
      until,
      ...who,
      ...(begun ? { begun: true } : {}),
    })
    ends.set(caseId, Math.max(ends.get(caseId) ?? 0, until))
    for (const [n, step] of within.entries()) {
      const key = stepKey(caseId, jobId, step.stepId)
      const known = steps.get(key)
      const own = { at: step.at, until: within[n + 1]?.at ?? until, ...who }
      // Load, program and take-out are one step of the route: it begins with the first and ends with the last.
      steps.set(
        key,
        known ? { ...known, at: Math.min(known.at, own.at), until: Math.max(known.until, own.until) } : own,
      )
    }
  }
  return { bars, ends, steps }
}
