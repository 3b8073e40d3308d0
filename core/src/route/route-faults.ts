import { materials } from '../materials/index.ts'
import { DomainError } from '../refusal/index.ts'
import { heldAgainst, sheetKinds, sheetLeadsTo } from '../sheet/index.ts'
import { type Check, checkFaults, checkOutcomes } from './checks.ts'
import { pictureFaults } from './pictures.ts'
import { planFaults } from './planned-steps.ts'
import type { Route, RouteStep, RouteTemplate, TemplateStep } from './route-template.ts'
import { instruments, machineKinds, stages } from './route-template.ts'

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
    for (const check of step.checks ?? []) {
      if (check.source.trim() === '') fault(`check ${check.id} has no source`)
      checkFaults(check).forEach(fault)
      outcomeFaults(check, step.id, earlier).forEach(fault)
    }
    if (step.picture) pictureFaults(step.picture).forEach(fault)
    for (const amount of step.amounts ?? []) {
      if (!materials.has(amount.materialId)) fault(`needs an unknown material ${amount.materialId}`)
      if (amount.source.trim() === '') fault(`amount ${amount.id} has no source`)
    }
    for (const sheet of step.sheets ?? []) {
      if (sheet.source.trim() === '') fault(`sheet ${sheet.id} has no source`)
      const of = heldAgainst(sheet)
      if (of && !earlier.has(of.stepId))
        fault(`sheet ${sheet.id} is held against "${of.stepId}", which is not before it`)
      for (const toStepId of sheetLeadsTo(sheet))
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
    const { contactOf } = wait
    if (contactOf && !step.sheets?.some(({ id, kind }) => id === contactOf && kind === 'disinfection'))
      faults.push(`its contact time counts from "${contactOf}", which is no disinfection of it`)
    if (wait.source === '') faults.push('its waiting window has no source')
  }
  if (startWindow) {
    const { earliestMinutes = 0, bestMinutes, latestMinutes = Number.POSITIVE_INFINITY } = startWindow
    if (!(0 <= earliestMinutes && earliestMinutes <= bestMinutes && bestMinutes <= latestMinutes))
      faults.push('its starting window does not rise')
    if (!earlier.has(startWindow.afterStepId))
      faults.push(`its starting window counts from "${startWindow.afterStepId}", which is not before it`)
  }
  if (step.pours && !earlier.has(step.pours.lookedAtIn))
    faults.push(`what it pours is looked at in "${step.pours.lookedAtIn}", which is not before it`)
  const known = (id: string) => id === step.id || earlier.has(id)
  for (const { ofMix, ofCheck, ifPast } of [wait, startWindow].flatMap((window) => window ?? [])) {
    if (ofCheck && !known(ofCheck.stepId))
      faults.push(`a window counts from a reading of "${ofCheck.stepId}", which is not before it`)
    if (ofMix && !known(ofMix.stepId))
      faults.push(`a window counts from the mix of "${ofMix.stepId}", which is not before it`)
    if (ifPast && !known(ifPast.toStepId))
      faults.push(`a window that is past leads to "${ifPast.toStepId}", which is not before it`)
  }
  return faults
}

function outcomeFaults(check: Check, stepId: string, earlier: ReadonlySet<string>): string[] {
  return checkOutcomes(check).flatMap((outcome) =>
    outcome && 'toStepId' in outcome && outcome.toStepId !== stepId && !earlier.has(outcome.toStepId)
      ? [`check ${check.id} leads to "${outcome.toStepId}", which is not before it`]
      : [],
  )
}

/**
 * What a template names that does not exist, as sentences: a material, a kind of sheet, a drawing, an instrument. Looked at
 * under all variants at once, so that a template that cannot be used does not load.
 */
function templateFaults(template: RouteTemplate): string[] {
  const named = (step: TemplateStep): string[] => [
    ...(step.amounts ?? []).flatMap(({ materialId }) =>
      materials.has(materialId) ? [] : [`needs an unknown material ${materialId}`],
    ),
    ...(step.sheets ?? []).flatMap(({ id, kind }) =>
      Object.hasOwn(sheetKinds, kind) ? [] : [`sheet ${id} is of an unknown kind ${kind}`],
    ),
    ...(step.picture ? pictureFaults(step.picture) : []),
    ...(step.instrument && !instruments.includes(step.instrument.opens)
      ? [`opens an unknown instrument ${step.instrument.opens}`]
      : []),
    ...(step.machine && !machineKinds.includes(step.machine)
      ? [`lies in an unknown machine ${step.machine}`]
      : []),
    ...(stages.includes(step.stage) ? [] : [`belongs to an unknown stage ${step.stage}`]),
  ]
  return [
    ...Object.values(template.pictures).flatMap((picture) => pictureFaults(picture)),
    ...template.steps.flatMap((step) => named(step).map((fault) => `${step.id} ${fault}`)),
    ...planFaults(template),
  ].map((fault) => `${template.id}: ${fault}`)
}

/**
 * Turns a list of templates into a look-up after looking at every one of them.
 * @throws {DomainError} `route-templates-faulty`: names every fault
 */
export function routeShelf(templates: readonly RouteTemplate[]): ReadonlyMap<string, RouteTemplate> {
  const shelf = new Map(templates.map((template) => [template.id, template]))
  const faults = templates.flatMap(templateFaults)
  if (shelf.size !== templates.length) faults.push('two templates share an id')
  if (faults.length > 0)
    throw new DomainError('route-templates-faulty', faults.join('; '), 'Correct the route templates.')
  return shelf
}
