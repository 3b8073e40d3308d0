import { COMMON_PRACTICE } from '../materials/index.ts'
import type { Amount, CheckOf, TemplateStep } from '../route/index.ts'
import { adjust } from './checks.ts'

/** Putty for a mould of teeth: equal parts by hand. */
export const puttyAmount: Amount = {
  id: 'putty',
  kind: 'parts',
  materialId: 'two-part-putty',
  powderParts: 1,
  source: COMMON_PRACTICE,
}

/** 20 psi is 137.9 kPa (exact). */
const potPressure: CheckOf<'measure'> = {
  id: 'pot-pressure',
  name: 'Pressure in the pot',
  how: 'Read the gauge once it stands.',
  kind: 'measure',
  quantity: 'kilopascals',
  min: 120,
  max: 155,
  below: adjust('Bring it up to about 138 kPa (20 psi).'),
  above: adjust('Let it down to about 138 kPa (20 psi).'),
  plausible: { min: 0, max: 700 },
  source: 'common practice: about 20 psi; 120 to 155 kPa our choice',
}

/**
 * Resin that sets cold, under pressure: in the pot within 5 min of the step that filled it, about 10 min long (common practice).
 * @param late what to do when it was too late
 */
export function pressurePot(
  step: Pick<TemplateStep, 'id' | 'name' | 'stage' | 'when' | 'why' | 'uses'> & {
    readonly afterStepId: string
    readonly late: string
    /** Filled one after the other: each counts from its own reading of this check. */
    readonly filledCheckId?: string
  },
): TemplateStep {
  const { afterStepId, late, filledCheckId, ...rest } = step
  return {
    ...rest,
    kind: 'machine',
    plan: { takes: [{ station: 'pressurePot' }] },
    how: [
      'Into warm water before the gloss goes, about 138 kPa (20 psi), 10 min or as the product says.',
      'Let it down before the lid is touched.',
    ],
    handsOnMinutes: 2,
    waitMinutes: 10,
    startWindow: {
      afterStepId,
      ...(filledCheckId === undefined
        ? { ofMix: { stepId: afterStepId, pace: 'met' as const } }
        : { ofCheck: { stepId: afterStepId, checkId: filledCheckId } }),
      bestMinutes: 3,
      latestMinutes: 5,
      late,
      ifPast: { toStepId: afterStepId, say: 'Take off what has set, mix again.' },
      source: 'common practice: sets in about 5 min',
    },
    wait: {
      earliestMinutes: 10,
      bestMinutes: 30,
      early: 'Not cured through.',
      late: 'No harm.',
      source: 'common practice: about 10 min',
    },
    checks: [potPressure],
  }
}
