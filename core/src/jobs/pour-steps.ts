import { COMMON_PRACTICE } from '../materials/index.ts'
import type { PouredImpression, TemplateStep } from '../route/index.ts'

/** What pours of a master cast do alike (common practice). */

/** Impressions that came through the door, where they were looked at. */
export const pours = (...impressions: PouredImpression[]): TemplateStep['pours'] => ({
  impressions,
  lookedAtIn: 'inspect-impression',
  say: 'Look whether a new impression is needed.',
})

export const wettingAgent: TemplateStep = {
  id: 'wetting-agent',
  name: 'Wetting agent',
  stage: 'receive',
  kind: 'unattended',
  how: ['Spray the impression.', 'After about 2 min blow it dry so that none pools.'],
  why: 'Silicone repels water: without it the stone bridges the fine detail.',
  handsOnMinutes: 1,
  waitMinutes: 2,
  mayBeSkipped: 'The impression material takes water by itself.',
  wait: {
    earliestMinutes: 2,
    bestMinutes: 10,
    early: 'The film has not wetted yet.',
    late: 'Dried up: spray again.',
    source: COMMON_PRACTICE,
  },
}

/**
 * @param pourStepId where its stone is mixed
 * @param early what happens to a cast that is pulled too soon
 */
export function masterSets(
  step: Pick<TemplateStep, 'id' | 'name'> & { readonly pourStepId: string; readonly early: string },
): TemplateStep {
  const { pourStepId, early, ...named } = step
  return {
    ...named,
    stage: 'pour',
    kind: 'unattended',
    how: ['Leave it until the heat has gone.'],
    why: 'Stone must be set before anything is pulled from it.',
    handsOnMinutes: 0,
    waitMinutes: 45,
    wait: {
      ofMix: { stepId: pourStepId, pace: 'separate' },
      earliestMinutes: 45,
      bestMinutes: 180,
      early,
      late: 'No harm with silicone; alginate must not dry on the cast.',
      source: COMMON_PRACTICE,
    },
  }
}
