import {
  type JobState,
  type RouteStep,
  routeTemplates,
  type SheetKind,
  type SheetOfKind,
  stepOf,
} from '@yentrik/core'
import { Bench } from '@yentrik/core/testing'

type Choices = Readonly<Record<string, string>>

/** A step of a case that was worked up to it, as a screen is given it. */
export interface StepAtHand {
  readonly bench: Bench
  readonly job: JobState
  readonly step: RouteStep
}

export function atStep(templateId: string, stepId: string, choices: Choices = {}): StepAtHand {
  const bench = new Bench(templateId, { ...choices }).upTo(stepId)
  return { bench, job: bench.job, step: stepOf(bench.job, stepId) }
}

/** The same without the work before it: a step of a fresh case. */
export function fromRoute(templateId: string, stepId: string, choices: Choices = {}): StepAtHand {
  const bench = new Bench(templateId, { ...choices })
  return { bench, job: bench.job, step: stepOf(bench.job, stepId) }
}

/** The first step of any route that asks for a sheet of a kind, and that sheet. */
export function askingFor<K extends SheetKind>(
  kind: K,
  templateId?: string,
): StepAtHand & { readonly sheet: SheetOfKind<K> } {
  for (const template of routeTemplates.values()) {
    if (templateId !== undefined && template.id !== templateId) continue
    const bench = new Bench(template.id)
    for (const step of bench.job.route.steps) {
      const sheet = step.sheets?.find((each) => each.kind === kind)
      if (sheet) return { bench, job: bench.job, step, sheet: sheet as SheetOfKind<K> }
    }
  }
  throw new Error(`no route asks for ${kind}`)
}
