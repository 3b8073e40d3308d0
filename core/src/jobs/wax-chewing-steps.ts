import type { TemplateStep } from '../route/index.ts'
import { COPING_SOURCE, coping, forCeramic } from './casting-matters.ts'
import { adjust, goBack, look, measure } from './checks.ts'
import { deliverySteps } from './delivery.ts'
import { shows, UNDER_WAX, WAXED } from './pictures.ts'

/** Chewing face, last look, weight: from then on the clock runs until it is invested. */
export const occlusalSteps: readonly TemplateStep[] = [
  {
    id: 'wax-occlusal',
    name: 'Wax the biting surface',
    stage: 'wax',
    picture: shows('crown', [...UNDER_WAX, 'margin'], ['wax']),
    kind: 'attended',
    how: [
      'Cusp tips into the arch line, ridges, then grooves.',
      'Close often: stops stay where they were recorded.',
    ],
    why: 'Ground into metal later it costs an hour.',
    handsOnMinutes: 25,
    sheets: [
      {
        id: 'grooves',
        kind: 'grooves',
        name: 'Contour pattern',
        how: 'The one that the neighbours and the other side show.',
        source: 'dental anatomy as taught, recalled',
        failing: adjust('Choose again.'),
      },
    ],
    checks: [
      look('stops-present', 'Centric stops', 'Powder, close, look.', 'Present', {
        'One is gone': adjust('Add wax until it marks again.'),
        'A high spot': adjust('Take wax away until the pin is down.'),
      }),
      look('contacts', 'Contacts to the neighbours', 'Strip between the teeth.', 'Touch', {
        Open: adjust('Add wax to the contact.'),
        'Too tight': adjust('Take a little off; seat again.'),
      }),
      {
        id: 'ridge-step',
        name: 'Marginal ridge, step to its neighbour',
        how: 'The larger of the two, straight across.',
        kind: 'measure',
        quantity: 'millimetres',
        plausible: { min: 0, max: 5 },
        max: 0.5,
        above: adjust('Bring the marginal ridges level.'),
        source: 'common practice: level; 0.5 mm our choice',
      },
    ],
    uses: ['moltenWax'],
  },
  {
    id: 'cut-back',
    name: 'Cut back for the ceramic',
    stage: 'wax',
    picture: shows('crown', [...UNDER_WAX, 'margin'], ['wax']),
    kind: 'attended',
    when: forCeramic,
    how: [
      'An index of the full contour first; cut back evenly against it.',
      'Cusps held up by metal; every inner edge round; the line to the metal square, 1.5 mm off any contact in the bite.',
    ],
    why: 'Ceramic of one thickness, held up by metal, does not crack.',
    handsOnMinutes: 15,
    checks: [
      measure({
        id: 'cut-back',
        perTooth: 'each',
        name: 'Taken off, least',
        how: 'Against the index: dividers.',
        quantity: 'millimetres',
        min: 1,
        max: 2,
        below: adjust('Cut back further: ceramic wants 1 mm at least.'),
        above: adjust('Add wax: more than 2 mm of ceramic is not held up.'),
        plausible: { min: 0, max: 5 },
        source: '1 to 1.5 mm, up to 2 mm at cusps and edges: Shillingburg, recalled',
      }),
      measure({
        id: 'coping-wax',
        perTooth: 'each',
        name: 'Wax left, thinnest',
        how: 'Wax caliper.',
        quantity: 'millimetres',
        ...coping,
        below: adjust('Add wax: it would not fill, or bend.'),
        above: adjust('Cut it back where the room allows; a thick place takes the room of the ceramic.'),
        plausible: { min: 0, max: 5 },
        source: COPING_SOURCE,
      }),
    ],
    uses: ['blade'],
  },
  {
    id: 'margin-check',
    plan: { skill: 'wax' },
    name: 'Last look at the margin, weigh',
    stage: 'check',
    means: 'lastMarginLook',
    picture: shows('crown', WAXED),
    kind: 'attended',
    how: ['Seat, look at every margin under the lens, close any gap.', 'Take it off and weigh it.'],
    why: 'The weight tells how much alloy; the clock starts now.',
    handsOnMinutes: 5,
    checks: [
      look(
        'margin-last',
        'Margin',
        'All round under the lens.',
        'Closed, sharp',
        {
          'A gap': adjust('Run wax into it, carve, look again.'),
          'Pattern bent': goBack('green-wax', 'Make the pattern again.'),
        },
        { perTooth: 'retainers' },
      ),
      {
        id: 'pattern-weight',
        name: 'Pattern weight',
        how: 'On the fine balance, without its sprue.',
        kind: 'measure',
        quantity: 'grams',
        plausible: { min: 0.02, max: 20 },
        source: 'weighed',
      },
    ],
  },
]

/** Out of the house: the casting, or a pattern to be cast elsewhere within the hour. */
export const sentOut: readonly TemplateStep[] = [
  {
    id: 'to-invest',
    name: 'Hand over to investing',
    stage: 'deliver',
    picture: shows('crown', WAXED),
    kind: 'attended',
    when: { casting: ['elsewhere'] },
    how: ['On its die, cool, to the bench where it is sprued.', 'Say when the margin was looked at.'],
    why: 'Wax creeps: with every hour the margin is a little less true.',
    handsOnMinutes: 2,
    startWindow: {
      afterStepId: 'margin-check',
      bestMinutes: 30,
      latestMinutes: 60,
      late: 'The wax has had an hour to move: go back to the last look.',
      source: 'common practice: invest within about an hour of the last margin check',
    },
    checks: [
      look('handed-over', 'Handed over', 'Pattern, die, papers together.', 'Together', {
        'Something is missing': adjust('Find it before it is invested.'),
      }),
    ],
  },
  ...deliverySteps({
    resin: false,
    metal: true,
    packed: ['Dry, on its die, in its box.', "Cementing is the clinic's."],
    when: { casting: ['here'] },
  }),
]
