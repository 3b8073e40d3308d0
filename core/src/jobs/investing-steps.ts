import { endClearances, USUAL_SPRUE_GAUGES } from '../casting/index.ts'
import { type Binder, materials } from '../materials/index.ts'
import type { Conditional, TemplateStep } from '../route/index.ts'
import type { SheetOfKind } from '../sheet/index.ts'
import { PATTERN } from './casting-matters.ts'
import { adjust, look, measure } from './checks.ts'

/** From the pattern to the hot mould (common practice). */

const { thickest, thinnest } = USUAL_SPRUE_GAUGES
const gypsum = { investment: ['gypsum'] }
const phosphate = { investment: ['phosphate'] }

export const investingSteps: readonly TemplateStep[] = [
  {
    id: 'sprue',
    plan: { skill: 'metal' },
    name: 'Sprue it and set the former',
    stage: 'invest',
    instrument: { opens: 'cast', view: 'sprue' },
    means: 'sprued',
    kind: 'attended',
    how: [
      'Sprue to the thickest part, flared, at about 45°; a reservoir where it is long or thin.',
      'On the former, above the middle of the ring. The Cast screen says whether it feeds.',
      'Liner into the ring, soaked.',
    ],
    why: 'A sprue that freezes first leaves the crown porous.',
    handsOnMinutes: 10,
    checks: [
      measure({
        id: 'sprue-gauge',
        means: 'sprueGauge',
        name: 'Sprue gauge',
        how: 'As printed on the wax wire; a higher number is thinner.',
        quantity: 'count',
        max: thinnest,
        above: adjust(`Take a thicker sprue: gauge ${thinnest} or a lower number.`),
        plausible: { min: 4, max: 20 },
        source: `common practice: ${thickest}-${thinnest}; ASTM B258`,
      }),
      endClearance('gypsum'),
      endClearance('phosphate'),
      measure({
        id: 'ring-powder',
        means: 'ringPowder',
        name: 'Powder for this ring',
        how: 'As the Cast screen works it out, or the bag: the mix is made of it.',
        quantity: 'grams',
        plausible: { min: 20, max: 600 },
        source: 'volume of the ring (exact); density of the class',
      }),
      measure({
        id: 'weight-with-sprue',
        means: 'weightWithSprue',
        name: 'Pattern with its sprue',
        how: 'On the fine balance. The Cast screen makes it grams of alloy.',
        quantity: 'grams',
        plausible: { min: 0.05, max: 12 },
        source: 'weighed',
      }),
    ],
    uses: ['moltenWax'],
  },
  {
    id: 'invest',
    plan: { takes: [{ station: 'mixer' }] },
    name: 'Invest',
    stage: 'invest',
    instrument: { opens: 'cast', view: 'expansion' },
    means: 'invested',
    kind: 'attended',
    how: ['Wetting agent on the pattern, blow dry.', 'Vacuum mix; fill along the wall of the ring.'],
    howWhen: [mixWords('gypsum'), mixWords('phosphate')],
    why: 'A bubble on the pattern is a nodule on the casting.',
    handsOnMinutes: 10,
    startWindow: {
      afterStepId: 'margin-check',
      bestMinutes: 30,
      latestMinutes: 60,
      late: 'The wax has had an hour to move.',
      ifPast: { toStepId: 'margin-check', say: 'Look at the margin once more.' },
      source: 'common practice: invest within about an hour of the last margin check',
    },
    amounts: [
      {
        id: 'gypsum-investment',
        kind: 'mix',
        materialId: 'gypsum-investment',
        powderGrams: 60,
        gramsOf: 'ringPowder',
        source: 'common practice: by the size of the ring',
        when: gypsum,
      },
      {
        id: 'phosphate-investment',
        kind: 'mix',
        materialId: 'phosphate-investment',
        powderGrams: 160,
        gramsOf: 'ringPowder',
        source: 'common practice: by the size of the ring',
        when: phosphate,
      },
    ],
    checks: [
      look(
        'wetted',
        'Wetting agent',
        'A film, nothing pooled.',
        'Dry film',
        {
          Pools: adjust('Blow it dry.'),
          'None used': adjust('Spray the pattern and blow it dry.'),
        },
        { means: 'wettingAgent' },
      ),
      measure({
        id: 'special-liquid',
        means: 'specialLiquid',
        name: 'Special liquid, %',
        how: 'Of the liquid; the Cast screen works it out from the product.',
        quantity: 'count',
        plausible: { min: 0, max: 100 },
        source: 'by the product',
        when: phosphate,
      }),
    ],
    uses: ['gypsum'],
  },
  {
    id: 'bench-set',
    name: 'Investment sets',
    stage: 'invest',
    means: 'benchSet',
    kind: 'unattended',
    how: ['Leave it in peace.'],
    why: 'Green investment cracks in the furnace.',
    handsOnMinutes: 1,
    waitMinutes: 45,
    wait: {
      ofMix: { stepId: 'invest', pace: 'furnace' },
      earliestMinutes: 45,
      bestMinutes: 180,
      early: 'Not set through: it would crack.',
      late: 'Wet it before the furnace if it has dried; past the minutes of a fast one it goes into a cold furnace.',
      source: 'common practice: 45-60 min; of one marked for a hot furnace the minutes of its pack',
    },
  },
  {
    id: 'burnout',
    plan: { together: ['investment'], soak: { until: 'cast', minutes: 60 } },
    name: 'Burnout',
    stage: 'burnOut',
    machine: 'furnace',
    instrument: { opens: 'cast', view: 'burnout' },
    means: 'burntOut',
    kind: 'machine',
    how: [
      'Hole down first, so that wax drains.',
      'The program from the Cast screen: slow through the inversions.',
      'It stays in until the metal lies weighed and the arm is wound.',
    ],
    howWhen: [
      {
        when: { pattern: ['resin'] },
        say: 'Resin swells before it burns: slower to 250 °C, and held longer there and at the end.',
      },
    ],
    after: ['bench-set'],
    endsAfter: ['weigh-metal'],
    why: 'A core that is not hot leaves the margin short; a cold mould has shrunk.',
    handsOnMinutes: 3,
    waitMinutes: 240,
    wait: {
      earliestMinutes: 240,
      bestMinutes: 600,
      early: 'The core is not hot through, or carbon is left.',
      late: 'Long holds break the binder down.',
      source: 'common practice: 240 min with an hour of final hold; the program of the product decides',
    },
    sheets: [burnoutSheet('gypsum'), burnoutSheet('phosphate')],
    uses: ['hotRing'],
  },
]

/** How long under vacuum and how warm, from the class of the investment. */
function mixWords(binder: Binder): Conditional & { readonly say: string } {
  const { vacuumSeconds, mixCelsius } = materials.get(`${binder}-investment`)!.investment!
  return {
    when: { investment: [binder] },
    say: `About ${vacuumSeconds} s under vacuum, powder and liquid at ${mixCelsius.join(' to ')} °C; the sheet decides.`,
  }
}

function endClearance(binder: Binder) {
  const { least: min, most: max } = endClearances[binder]
  return measure({
    id: `end-clearance-${binder}`,
    means: 'endClearance',
    name: 'Pattern to the end of the ring',
    how: 'Rule across the ring.',
    quantity: 'millimetres',
    min,
    max,
    below: adjust('Shorten the sprue, or take a taller ring.'),
    above: adjust('Lengthen the sprue: gas would not get out.'),
    plausible: { min: 0, max: 40 },
    when: { investment: [binder] },
  })
}

function burnoutSheet(binder: Binder): SheetOfKind<'burnout'> & Conditional {
  return {
    id: `burnout-${binder}`,
    kind: 'burnout',
    name: 'Burnout as it was',
    how: 'The curve of the furnace, or what you read off it in the final hold.',
    source: 'heat of the ring, see the handbook; the sheet of the product decides',
    binder,
    remakeFrom: PATTERN,
    failing: adjust('Hold on, then record it again.'),
    when: { investment: [binder] },
  }
}
