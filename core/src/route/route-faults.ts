import { materials } from '../materials/index.ts'
import type { Check, Outcome, Route, RouteStep } from './route-template.ts'
import { heldAgainst, type StepSheet } from './step-sheet.ts'

/**
 * Every fault in a built route, as sentences; empty when it is sound. Checked: ids are unique, every step can be
 * reached, outcomes lead to this or an earlier step, windows rise, figures have sources, materials exist.
 */
export function routeFaults(route: Route): string[] {
  const faults: string[] = []
  const before = new Map<string, ReadonlySet<string>>()
  for (const step of route.steps) {
    const fault = (sentence: string) => faults.push(`${route.templateId}/${step.id}: ${sentence}`)
    if (before.has(step.id)) fault('the id is used twice')
    const earlier = new Set<string>()
    for (const id of step.after) {
      const known = before.get(id)
      if (!known) fault(`comes after "${id}", which is not above it`)
      else for (const each of [id, ...known]) earlier.add(each)
    }
    before.set(step.id, earlier)
    if (step.after.length === 0 && step !== route.steps[0]) fault('nothing comes before it')
    if (step.why.trim() === '') fault('says no why')
    if (step.how.length === 0) fault('says no how')
    windowFaults(step, earlier).forEach(fault)
    for (const check of step.checks ?? []) checkFaults(check, step.id, earlier).forEach(fault)
    for (const amount of step.amounts ?? []) {
      if (!materials.has(amount.materialId)) fault(`needs an unknown material ${amount.materialId}`)
      if (amount.source.trim() === '') fault(`amount ${amount.id} has no source`)
    }
    for (const sheet of step.sheets ?? []) {
      if (sheet.source.trim() === '') fault(`sheet ${sheet.id} has no source`)
      const of = heldAgainst(sheet)
      if (of && !earlier.has(of.stepId))
        fault(`sheet ${sheet.id} is held against "${of.stepId}", which is not before it`)
      for (const toStepId of leadsTo(sheet))
        if (!earlier.has(toStepId)) fault(`sheet ${sheet.id} leads to "${toStepId}", which is not before it`)
    }
    const ids = [...(step.checks ?? []), ...(step.amounts ?? []), ...(step.sheets ?? [])].map(
      (part) => part.id,
    )
    if (new Set(ids).size !== ids.length) fault('two of its checks or amounts share an id')
  }
  return faults
}

function windowFaults(step: RouteStep, earlier: ReadonlySet<string>): string[] {
  const faults: string[] = []
  const { wait, startWindow } = step
  if (wait) {
    const { earliestMinutes, bestMinutes, latestMinutes = Number.POSITIVE_INFINITY } = wait
    if (!(0 <= earliestMinutes && earliestMinutes <= bestMinutes && bestMinutes <= latestMinutes))
      faults.push('its waiting window does not rise')
    if (wait.source === '') faults.push('its waiting window has no source')
  }
  if (startWindow) {
    const { earliestMinutes = 0, bestMinutes, latestMinutes = Number.POSITIVE_INFINITY } = startWindow
    if (!(0 <= earliestMinutes && earliestMinutes <= bestMinutes && bestMinutes <= latestMinutes))
      faults.push('its starting window does not rise')
    if (!earlier.has(startWindow.afterStepId))
      faults.push(`its starting window counts from "${startWindow.afterStepId}", which is not before it`)
  }
  return faults
}

/** The steps that a sheet may send back to. */
function leadsTo(sheet: StepSheet): string[] {
  const own = 'toStepId' in sheet.failing ? [sheet.failing.toStepId] : []
  if ('remakeFrom' in sheet && sheet.remakeFrom) own.push(sheet.remakeFrom)
  return sheet.kind === 'tryInAnswer' ? [...own, ...sheet.changes.map(({ toStepId }) => toStepId)] : own
}

function checkFaults(check: Check, stepId: string, earlier: ReadonlySet<string>): string[] {
  const faults: string[] = []
  if (check.source.trim() === '') faults.push(`check ${check.id} has no source`)
  const outcomes: (Outcome | undefined)[] =
    check.kind === 'observe' ? check.answers.map((a) => a.outcome) : [check.below, check.above]
  for (const outcome of outcomes)
    if (outcome && 'toStepId' in outcome && outcome.toStepId !== stepId && !earlier.has(outcome.toStepId))
      faults.push(`check ${check.id} leads to "${outcome.toStepId}", which is not before it`)
  if (check.kind === 'observe' && !outcomes.some((o) => o?.verdict === 'pass'))
    faults.push(`check ${check.id} cannot be passed`)
  if (check.kind === 'measure') {
    if (check.min !== undefined && !check.below)
      faults.push(`check ${check.id} says not what below its least`)
    if (check.max !== undefined && !check.above) faults.push(`check ${check.id} says not what above its most`)
  }
  return faults
}
