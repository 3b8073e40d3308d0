import { materials } from '../materials/index.ts'
import { mixForVolume, USUAL_WASTE_FRACTION } from '../mixing/index.ts'
import { joined, qty, type Saying, saying } from '../quantity/index.ts'
import type { Amount, AmountOf, RouteStep } from '../route/index.ts'
import { type Rebase, rebasesOf } from '../trimming/index.ts'
import type { CommandOf } from './case-command.ts'
import { readingsMeaning, recordedSheet, stepOf } from './job.ts'
import type { JobState } from './state.ts'

/** The bases that a step must add to, by the trim plan on record; none where it goes by no plan. */
export function rebasesIn(job: JobState, { skippedOnly }: RouteStep): readonly Rebase[] {
  if (skippedOnly?.where !== 'noRebase') return []
  const plan = recordedSheet(job, skippedOnly.planOf)
  return plan?.kind === 'trimPlan' ? rebasesOf(plan.entry) : []
}

/** Why a step may not be left out now; undefined: it may, as far as its route lets it. */
export function whyNotLeftOut(job: JobState, step: RouteStep): Saying | undefined {
  const rebases = rebasesIn(job, step)
  if (rebases.length > 0)
    return saying`By the plan ${joined(
      rebases.map(({ arch, millimetres }) => saying`the ${arch} base is too thin by ${qty.mm(millimetres)}`),
      ' and ',
    )}.`
  const other = step.skippedOnly?.where === 'leftOut' ? step.skippedOnly.stepId : undefined
  if (other !== undefined && job.steps[other]?.status !== 'skipped')
    return `"${stepOf(job, other).name}" was done.`
  return undefined
}

/** Leaves a step out, and with it what only what was left out calls for. */
export function leavingOut(job: JobState, step: RouteStep, reason: string): readonly CommandOf<'skipStep'>[] {
  const skip = (stepId: string, because: string) =>
    ({ type: 'skipStep', jobId: job.jobId, stepId, reason: because }) as const
  const withIt = job.route.steps.filter(
    ({ skippedOnly }) => skippedOnly?.where === 'leftOut' && skippedOnly.stepId === step.id,
  )
  return [skip(step.id, reason), ...withIt.map(({ id, mayBeSkipped }) => skip(id, mayBeSkipped ?? reason))]
}

/** What a step uses, with the grams that the plan on record makes of it. */
export function amountsIn(job: JobState, step: RouteStep): readonly Amount[] {
  const rebases = rebasesIn(job, step)
  return (step.amounts ?? []).map((amount) => {
    if (amount.kind !== 'mix') return amount
    const read = amount.gramsOf && readingsMeaning(job, amount.gramsOf).at(-1)?.value
    if (read !== undefined) return { ...amount, powderGrams: read }
    return rebases.length > 0
      ? {
          ...amount,
          powderGrams: Math.ceil(rebasePowderGrams(rebases, amount)),
          note: `${rebases.map(({ arch }) => arch).join(' and ')}, by the plan`,
        }
      : amount
  })
}

/** Powder for all of them in one mix, with what stays in the bowl. */
function rebasePowderGrams(rebases: readonly Rebase[], amount: AmountOf<'mix'>): number {
  const card = materials.get(amount.materialId)!
  const usual = card.measure?.by === 'mass' ? card.measure.usualMillilitresPerGram : 0
  return mixForVolume(card, {
    cm3: rebases.reduce((sum, rebase) => sum + rebase.cm3, 0),
    millilitresPerGram: amount.millilitresPerGram ?? usual,
    wasteFraction: USUAL_WASTE_FRACTION,
  }).powderGrams
}
