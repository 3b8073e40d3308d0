import { type Skill, skills, stations } from '../planning/index.ts'
import type { PlanFacts } from './plan-facts.ts'
import type { RouteTemplate, Stage } from './route-template.ts'

/** Whose work a stage is, and whether it may lie over a break, a night, a weekend in the middle of it. */
export const stageFacts: Readonly<Record<Stage, { readonly skill: Skill; readonly mayPause?: true }>> = {
  receive: { skill: 'desk' },
  pour: { skill: 'plaster' },
  trim: { skill: 'plaster', mayPause: true },
  mount: { skill: 'plaster' },
  setUp: { skill: 'wax', mayPause: true },
  wax: { skill: 'wax', mayPause: true },
  invest: { skill: 'metal' },
  burnOut: { skill: 'metal' },
  cast: { skill: 'metal' },
  clinic: { skill: 'desk' },
  flask: { skill: 'denture' },
  pack: { skill: 'denture' },
  cure: { skill: 'denture' },
  deflask: { skill: 'denture' },
  remount: { skill: 'denture', mayPause: true },
  recover: { skill: 'finish' },
  finish: { skill: 'finish', mayPause: true },
  polish: { skill: 'finish', mayPause: true },
  fire: { skill: 'ceramic' },
  check: { skill: 'desk' },
  document: { skill: 'desk', mayPause: true },
  deliver: { skill: 'desk' },
}

/** What a template says of planning that does not fit together, as sentences. */
export function planFaults(template: RouteTemplate): string[] {
  const place = new Map(template.steps.map(({ id }, n) => [id, n]))
  const matters = new Set(template.matters.map(({ id }) => id))
  return template.steps.flatMap(({ id, plan, kind }, n) => {
    if (!plan) return []
    const isLater = (step: string) => (place.get(step) ?? -1) >= n
    const ends = [
      ...(plan.takes ?? []).flatMap(({ until = [] }) => until),
      ...(plan.soak ? [plan.soak.until] : []),
    ]
    return [
      ...(plan.skill && !skills.includes(plan.skill) ? [`${id} needs an unknown skill ${plan.skill}`] : []),
      ...(plan.takes ?? []).flatMap(({ station, until }) => [
        ...(stations.includes(station) ? [] : [`${id} takes an unknown place ${station}`]),
        ...(until && !until.some(isLater) ? [`${id} takes ${station} until nothing that is there`] : []),
      ]),
      ...ends.flatMap((step) =>
        (place.get(step) ?? n) < n ? [`${id} lasts until "${step}", which is before it`] : [],
      ),
      ...(plan.together ?? []).flatMap((matter) =>
        matters.has(matter) ? [] : [`${id} goes together by an unknown matter ${matter}`],
      ),
      ...(plan.soak && kind !== 'machine' ? [`${id} soaks and is no program`] : []),
      ...(plan.soak && !isLater(plan.soak.until) ? [`${id} soaks until nothing that is there`] : []),
      ...(plan.nextWithinMinutes !== undefined && !(plan.nextWithinMinutes >= 0)
        ? [`${id} waits less than no time`]
        : []),
    ]
  })
}

/** What a template says of planning a step; of one that it no longer has, nothing. */
export const planFactsOf = (template: RouteTemplate | undefined, stepId: string): PlanFacts =>
  template?.steps.find(({ id }) => id === stepId)?.plan ?? {}
