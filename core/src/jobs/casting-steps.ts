import { type Binder, binders } from '../materials/index.ts'
import type { TemplateStep } from '../route/index.ts'
import { castingFinish } from './casting-finish.ts'
import { alloysOf, type Metal, metalIds } from './casting-matters.ts'
import { adjust, measure } from './checks.ts'
import { investingSteps } from './investing-steps.ts'

/** From the hot mould to the cold casting (common practice). */

const casting: readonly TemplateStep[] = [
  {
    id: 'cast',
    plan: { takes: [{ station: 'arm' }] },
    name: 'Cast',
    stage: 'cast',
    instrument: { opens: 'cast', view: 'arm' },
    means: 'casting',
    kind: 'attended',
    after: ['burnout', 'weigh-metal'],
    how: [
      'Crucible hot, alloy melted in the reducing zone.',
      'Ring into the cradle. A noble alloy is released when its melt spins bright; a base metal when the pieces slump into one another, before it spins.',
      'At most a minute from oven to arm.',
    ],
    why: 'The mould shrinks while it cools, at the pattern first.',
    handsOnMinutes: 5,
    startWindow: {
      afterStepId: 'burnout',
      bestMinutes: 1,
      latestMinutes: 2,
      late: 'The mould has cooled.',
      ifPast: { toStepId: 'burnout', say: 'Back into the oven, hold it again.' },
      source: 'common practice: at most about a minute',
    },
    checks: [...metalIds.map(armTurns)],
    uses: ['torch', 'hotRing'],
  },
  {
    id: 'quench',
    name: 'Quench the casting',
    stage: 'cast',
    kind: 'unattended',
    when: { investment: ['gypsum'] },
    how: ['Leave it until the red of the button has gone.', 'Then into water.'],
    why: 'Quenched in time the gold stays soft and the mould falls off; red hot it warps.',
    handsOnMinutes: 1,
    waitMinutes: 2,
    wait: {
      earliestMinutes: 1,
      bestMinutes: 3,
      early: 'Still red: it warps.',
      late: 'It has hardened as it cooled: soften it by heat where that is wanted.',
      source: 'common practice: when the red has gone, about 1-3 min',
    },
    uses: ['hotRing'],
  },
  {
    id: 'cool-casting',
    name: 'Casting cools',
    stage: 'cast',
    kind: 'unattended',
    when: { investment: ['phosphate'] },
    how: ['On the bench, no water, until it may be touched.'],
    why: 'Quenched it warps, and a phosphate mould bursts.',
    handsOnMinutes: 1,
    waitMinutes: 30,
    wait: {
      earliestMinutes: 30,
      bestMinutes: 240,
      early: 'Still hot through.',
      late: 'No harm.',
      source: 'common practice: about half an hour on the bench',
    },
    uses: ['hotRing'],
  },
]

/** Pieces of the metal that was ordered, weighed while the investment sets: a ring out of the oven waits for nobody. */
const weighMetal = (mostRemeltPercent: number): TemplateStep => ({
  id: 'weigh-metal',
  name: 'Weigh the metal',
  stage: 'cast',
  instrument: { opens: 'cast', view: 'metal' },
  kind: 'attended',
  after: ['sprue'],
  how: [
    'The metal as ordered; the Cast screen makes grams of the pattern and adds the button.',
    'Into its own marked dish beside the arm.',
  ],
  why: 'While somebody looks for metal the mould cools.',
  handsOnMinutes: 3,
  sheets: metalIds.flatMap((metal) =>
    (['full', 'ceramic'] as const).flatMap((kind) =>
      binders.flatMap((binder) => charge(mostRemeltPercent, metal, kind, binder)),
    ),
  ),
})

/** Held against what was ordered; none where no alloy goes with all three. */
function charge(mostRemeltPercent: number, metal: Metal, kind: 'full' | 'ceramic', binder: Binder) {
  const ordered = alloysOf(metal, kind).filter(
    (alloy) => binder === 'phosphate' || alloy.usualBinder === binder,
  )
  if (ordered.length === 0) return []
  return [
    {
      id: 'charge',
      kind: 'charge' as const,
      name: 'Alloy to melt',
      how: 'The pieces from the shelf, weighed.',
      source: 'common practice: base metal and frameworks new only, noble at least half new',
      mostRemeltPercent,
      binder,
      ordered: ordered.map(({ id }) => id),
      failing: adjust('Take other pieces before you melt.'),
      when: { metal: [metal], kind: [kind], investment: [binder] },
    },
  ]
}

/** Turns by the alloys that may be in hand. */
function armTurns(metal: Metal) {
  const turns = alloysOf(metal, 'full').flatMap((alloy) => alloy.turns)
  const [min, max] = [Math.min(...turns), Math.max(...turns)]
  return measure({
    id: 'arm-turns',
    means: 'armTurns',
    name: 'Turns of the arm',
    how: 'As wound.',
    quantity: 'count',
    min,
    max,
    below: adjust(`Wind it on: ${min} or more.`),
    above: adjust(`Let it down and wind it again: ${max} or fewer.`),
    plausible: { min: 0, max: 10 },
    source: 'common practice: 2-3 dense, 4-5 light alloys',
    when: { metal: [metal] },
  })
}

/**
 * From the pattern to the finished casting; every step only where it is cast here.
 * @param mostRemeltPercent of the charge, that the job lets be melted before; the alloy may allow less
 */
export const castingSteps = (mostRemeltPercent: number): readonly TemplateStep[] =>
  [...beforeTheOven(mostRemeltPercent), ...casting, ...castingFinish].map((step) => ({
    ...step,
    when: { casting: ['here'], ...step.when },
  }))

/** The metal is weighed while the investment sets. */
function beforeTheOven(mostRemeltPercent: number): readonly TemplateStep[] {
  const burnout = investingSteps.findIndex(({ machine }) => machine === 'furnace')
  return [
    ...investingSteps.slice(0, burnout),
    weighMetal(mostRemeltPercent),
    ...investingSteps.slice(burnout),
  ]
}
