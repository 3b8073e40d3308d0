import { COMMON_PRACTICE } from '../materials/index.ts'
import type { Matter, PouredImpression, TemplateStep } from '../route/index.ts'
import { shows } from './pictures.ts'

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

/** The schools that every job offers in which a cast is poured. */
export const baseMatter: Matter = {
  id: 'base',
  name: 'Base of the cast',
  choices: [
    { id: 'two-pour', name: 'Two pours, with retention cones' },
    { id: 'one-pour', name: 'One pour, built up at once' },
  ],
  usual: 'two-pour',
  why: 'Two pours: the anatomic part comes denser.',
}
export const mixingMatter: Matter = {
  id: 'mixing',
  name: 'Mixing',
  choices: [
    { id: 'vacuum', name: 'Vacuum' },
    { id: 'hand', name: 'By hand' },
  ],
  usual: 'vacuum',
  why: 'Vacuum: fewer bubbles.',
}
/** How the stone of a cast is mixed. */
export const mixedSo: TemplateStep['howWhen'] = [
  { when: { mixing: ['vacuum'] }, say: 'Wet all powder by hand, then mix under vacuum.' },
  { when: { mixing: ['hand'] }, say: 'Spatulate by hand against the wall, then vibrate the bowl.' },
]
/** What a first pour leaves for its base. */
export const leftForBase: TemplateStep['howWhen'] = [
  { when: { base: ['two-pour'] }, say: 'Leave small cones standing on top for the base.' },
  { when: { base: ['one-pour'] }, say: 'Put the base on while the stone is plastic, shape its sides.' },
]

/** The second pour, on a plate. */
export const basePours: readonly TemplateStep[] = [
  {
    id: 'base',
    plan: { takes: [{ station: 'mixer' }] },
    name: 'Base patty',
    stage: 'pour',
    picture: shows('cast', ['stone'], ['base']),
    kind: 'attended',
    when: { base: ['two-pour'] },
    how: ['Wet the cast.', 'Mix a little thicker, patty on a plate.', 'Set the cast down, join the sides.'],
    why: 'A dry cast drinks the water out of the new stone, and the joint stays weak.',
    handsOnMinutes: 10,
    amounts: [
      {
        id: 'base-stone',
        kind: 'mix',
        materialId: 'dental-stone',
        powderGrams: 120,
        millilitresPerGram: 0.28,
        perArch: true,
        note: 'base patty, a little thicker',
        source: 'common practice: about as much as the arch',
      },
    ],
    uses: ['gypsum'],
  },
  {
    id: 'base-set',
    name: 'Base sets',
    stage: 'pour',
    picture: shows('cast', ['stone', 'base']),
    kind: 'unattended',
    when: { base: ['two-pour'] },
    how: ['Leave it on the plate.'],
    why: 'A base trimmed green tears and takes the wrong angle.',
    handsOnMinutes: 0,
    waitMinutes: 45,
    wait: {
      ofMix: { stepId: 'base', pace: 'separate' },
      earliestMinutes: 45,
      bestMinutes: 180,
      early: 'The trimmer tears a base that is still soft.',
      late: 'It gets hard to trim: wet it 5-15 min first.',
      source: COMMON_PRACTICE,
    },
  },
]
