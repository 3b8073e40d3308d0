import { COMMON_PRACTICE } from '../materials/index.ts'
import type { TemplateStep } from '../route/index.ts'

/** What pours of a master cast do alike (common practice). */

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

/** @param early what happens to a cast that is pulled too soon */
export function masterSets(id: string, name: string, early: string): TemplateStep {
  return {
    id,
    name,
    stage: 'pour',
    kind: 'unattended',
    how: ['Leave it until the heat has gone.'],
    why: 'Stone must be set before anything is pulled from it.',
    handsOnMinutes: 0,
    waitMinutes: 45,
    wait: {
      earliestMinutes: 45,
      bestMinutes: 180,
      early,
      late: 'No harm with silicone; alginate must not dry on the cast.',
      source: COMMON_PRACTICE,
    },
  }
}
