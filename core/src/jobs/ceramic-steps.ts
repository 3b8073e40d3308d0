import { type Firing, firingNames } from '../ceramic/index.ts'
import { type CeramicClass, COMMON_PRACTICE, ceramicFigures } from '../materials/index.ts'
import type { Conditional, TemplateStep } from '../route/index.ts'
import type { StepSheet } from '../sheet/index.ts'
import { fired, glazeChecks } from './ceramic-matters.ts'
import { adjust, goBack, look, measure } from './checks.ts'
import { shows } from './pictures.ts'

/** From a piece that fits to one that is stained, glazed and looked at (common practice). */

const PLAN = { stepId: 'stain-plan', sheetId: 'plan' }

/** The curve of a firing, held to the class of the case. */
export const firingSheets = (
  firing: Firing,
  classes: readonly CeramicClass[],
  remakeFrom: string,
): readonly (StepSheet & Conditional)[] =>
  classes.map((ceramic) => ({
    id: 'firing',
    kind: 'firing',
    name: firingNames[firing],
    how: 'The curve of the furnace, or what was read off it by hand.',
    source: `${ceramicFigures[ceramic].source}; the maker's sheet wins`,
    firing,
    ceramic,
    remakeFrom,
    failing: adjust('Fire it again.'),
    when: { ceramic: [ceramic] },
  }))

/** Alumina before stain, by the pressure that a class stands. */
const blastChecks = (classes: readonly CeramicClass[]) =>
  classes.map((ceramic) => {
    const most = ceramicFigures[ceramic].mostBlastKilopascals
    const when = { ceramic: [ceramic] }
    return most === undefined
      ? {
          ...look(
            'blast-pressure',
            'Blasting',
            'Only where the maker of the block allows it.',
            'Not blasted, or allowed',
            {
              'Blasted, not allowed': adjust(
                'Look at its margins under the lens; etch or clean it as the maker says.',
              ),
            },
          ),
          when,
        }
      : measure({
          id: 'blast-pressure',
          name: 'Blasting pressure',
          how: '50 µm alumina, moving, at a distance.',
          quantity: 'kilopascals',
          max: most,
          above: adjust('Look at the margins under the lens for chips, and go on with less.'),
          plausible: { min: 0, max: 800 },
          source: 'zirconia at most about 200 kPa, lithium disilicate 100, recalled',
          when,
        })
  })

export const contactsStep: TemplateStep = {
  id: 'contacts',
  plan: { skill: 'ceramic' },
  name: 'Fit and contacts',
  stage: 'check',
  kind: 'attended',
  how: [
    'Home on the model without force.',
    'Contacts with foil; ground with a fine diamond, wet, then polished.',
  ],
  why: 'Glaze wears off: what touches its neighbour must be smooth beneath it.',
  handsOnMinutes: 10,
  instrument: { opens: 'finish', view: 'ceramic' },
  checks: [
    look(
      'seats',
      'Seat',
      'No rock, margin closed under the lens.',
      'Seats',
      { 'Held up': adjust('Mark the place, take only that, light and wet.') },
      { perTooth: 'each' },
    ),
    look('contacts-polished', 'Contacts', 'Foil drags; shiny under the lens.', 'Right, and polished', {
      'Too tight': adjust('Take a little, then polish it again.'),
      Open: adjust('Add ceramic if its class has one; else it is milled again: ask the lead.'),
    }),
  ],
  uses: ['ceramic', 'lathe'],
}

/** Blasted, clean, dry: the gate before anything is painted. */
const ready = (classes: readonly CeramicClass[]): readonly TemplateStep[] => [
  {
    id: 'blast',
    plan: { skill: 'ceramic', takes: [{ station: 'blaster' }] },
    name: 'Blast for the stain',
    stage: 'finish',
    kind: 'attended',
    how: [
      '50 µm alumina, all that will be stained.',
      'Never the finished outside of sintered zirconia: inside only.',
    ],
    why: 'Stain and glaze hold on a matt surface.',
    handsOnMinutes: 4,
    checks: blastChecks(classes),
    uses: ['alumina'],
  },
  {
    id: 'clean-dry',
    plan: { skill: 'ceramic' },
    name: 'Clean and dry',
    stage: 'finish',
    kind: 'attended',
    how: ['Rinse, steam, blow dry.', 'Hands washed; from now on only forceps.'],
    why: 'Whatever is left on it shows after the firing. Water in it bursts it.',
    handsOnMinutes: 4,
    means: 'ceramicDried',
    checks: [
      look('clean', 'Clean', 'Under the lens.', 'Nothing on it', {
        'Dust or grease': adjust('Clean it again, hands too.'),
      }),
      look('dry', 'Dry', 'Matt all over, no dark spot.', 'Dry', {
        'A dark spot': adjust('Warm air until it is matt: wet it may burst.'),
      }),
    ],
    uses: ['steam'],
  },
  {
    id: 'support',
    name: 'On its support',
    stage: 'fire',
    kind: 'attended',
    picture: shows('ceramic', [], ['support']),
    how: [
      'Firing support half to two thirds up inside, seat it on the peg.',
      'Nothing of it on the outside.',
    ],
    why: 'Support outside fires on and stays.',
    handsOnMinutes: 3,
    amounts: [
      {
        id: 'support',
        kind: 'use',
        materialId: 'firing-support',
        count: 1,
        unit: 'filling',
        source: COMMON_PRACTICE,
      },
    ],
    checks: [
      look('outside-clean', 'Outside', 'All round, margin too.', 'Nothing on it', {
        'Support on it': adjust('Wipe it off with a dry brush before it fires on.'),
      }),
    ],
  },
]

const stains: readonly TemplateStep[] = [
  {
    id: 'stain-plan',
    name: 'Plan the stains',
    stage: 'fire',
    kind: 'attended',
    instrument: { opens: 'fire', view: 'plan' },
    how: [
      'Colour of the block and of the target, zone by zone.',
      'The plan says which pots, how many coats, and whether it can be reached.',
    ],
    why: 'A lighter block can be toned down, a dark one cannot be lifted.',
    handsOnMinutes: 6,
    sheets: [
      {
        id: 'plan',
        kind: 'stainPlan',
        name: 'Stain plan',
        how: 'From the Fire screen.',
        source: 'Kubelka and Munk; 0.8 seen and 1.8 accepted by half: Paravina 2015, recalled',
        failing: {
          verdict: 'askDentist',
          say: 'The target is out of reach of this block. Another block, another target, or accept it?',
        },
      },
    ],
  },
  {
    id: 'mix-stains',
    name: 'Mix the stains fresh',
    stage: 'fire',
    kind: 'attended',
    instrument: { opens: 'fire', view: 'plan' },
    how: ['By the parts of the plan, with clear extender, on a clean slab.', 'Lid on: they dry.'],
    why: "Yesterday's stain has dried and streaks.",
    handsOnMinutes: 5,
    means: 'stainsMixed',
    amounts: [
      {
        id: 'stains',
        kind: 'use',
        materialId: 'ceramic-stain',
        count: 1,
        unit: 'slab',
        source: COMMON_PRACTICE,
      },
    ],
  },
  {
    id: 'stain',
    plan: { nextWithinMinutes: 120 },
    name: 'Stain by zone',
    stage: 'fire',
    kind: 'attended',
    picture: shows('ceramic', ['support'], ['stain']),
    instrument: { opens: 'fire', view: 'plan' },
    how: [
      'Moist brush: a very thin film of liquid first, margin to edge.',
      'Body shade from the margin, fading up, no hard stop.',
      'Edge and sides, then brightener where value is low.',
    ],
    why: 'A hard stop is seen from across the room.',
    handsOnMinutes: 20,
    startWindow: {
      afterStepId: 'mix-stains',
      bestMinutes: 4 * 60,
      latestMinutes: 12 * 60,
      late: 'Stains are mixed fresh each day: mix them again.',
      ifPast: { toStepId: 'mix-stains', say: 'Mix the stains again.' },
      source: COMMON_PRACTICE,
    },
    checks: [
      look('fades', 'Strokes', 'In good light, wet.', 'They fade, nothing pools', {
        'A hard stop': adjust('Soften it with a moist brush before it dries.'),
        'It pools': adjust('Lift it off with a dry brush.'),
      }),
    ],
  },
]

const firingStep = (
  id: string,
  name: string,
  firing: Firing,
  after: readonly ['stain' | 'glaze'],
  change: Partial<TemplateStep> = {},
): TemplateStep => ({
  id,
  name,
  stage: 'fire',
  kind: 'machine',
  machine: 'kiln',
  plan: { together: ['ceramic'] },
  picture: shows('ceramic', ['support', ...after, 'heat']),
  instrument: { opens: 'fire', view: 'furnace' },
  how: [
    'Program by class, wall and load; work of one class and one program together.',
    'Slowly out: thick work cools to its glass transition in the furnace.',
  ],
  why: 'Too cold and it stays rough, too hot and its edges run.',
  handsOnMinutes: 4,
  waitMinutes: 25,
  sheets: firingSheets(firing, fired, 'class-and-block'),
  ...change,
})

/** One look at the colour, held against the plan. */
const colourStep = (
  id: string,
  name: string,
  matt: boolean,
  change: Partial<TemplateStep>,
): TemplateStep => ({
  id,
  name,
  stage: 'check',
  plan: { skill: 'ceramic' },
  kind: 'attended',
  picture: shows('ceramic', matt ? ['stain'] : ['glaze']),
  instrument: { opens: 'fire', view: 'read' },
  how: [
    'Cold. Neutral ground, 5500 to 6500 K, 1000 to 1500 lx, wet, looks of five seconds at most.',
    'Three readings in each zone, tip flat.',
  ],
  why: matt
    ? 'Before the glaze a coat can still be added.'
    : 'The eye tires after five seconds; the number does not.',
  handsOnMinutes: 5,
  sheets: [
    {
      id: 'reading',
      kind: 'shadeReading',
      name: 'Colour against the target',
      how: 'By the instrument three times in each zone, or typed.',
      source: '0.8 seen and 1.8 accepted by half: Paravina 2015, recalled',
      planOf: PLAN,
      stainFrom: 'stain',
      ...(matt ? { matt } : {}),
      failing: adjust('Read it again.'),
    },
  ],
  ...change,
})

/** @param classes of the job @param fires under which it is fired at all */
export const stainAndGlaze = (
  classes: readonly CeramicClass[],
  fires: Readonly<Record<string, readonly string[]>> = {},
): readonly TemplateStep[] => {
  const [two, one] = [{ firings: ['two'] }, { firings: ['one'] }]
  const firedOnly = <T extends TemplateStep>(steps: readonly T[]) =>
    steps.map((step) => ({ ...step, when: { ...fires, ...step.when } }))
  const steps = classes.filter((each) => ceramicFigures[each].fires)
  return firedOnly([
    ...ready(steps),
    ...stains,
    firingStep('fire-stain', 'Fire the stain', 'stain', ['stain'], { when: two }),
    colourStep('read-stain', 'Read the stain', true, { when: two }),
    {
      id: 'glaze',
      plan: { nextWithinMinutes: 120 },
      name: 'Glaze',
      stage: 'fire',
      kind: 'attended',
      picture: shows('ceramic', ['support', 'stain'], ['glaze']),
      how: ['Like thin honey, margin to edge, contacts thin.', 'Too thin it pools, too thick it streaks.'],
      howWhen: [{ when: one, say: 'Over the unfired stains, without drawing them along.' }],
      why: 'The glaze is part of the colour.',
      handsOnMinutes: 8,
      amounts: [
        {
          id: 'glaze',
          kind: 'use',
          materialId: 'ceramic-glaze',
          count: 1,
          unit: 'coat',
          source: COMMON_PRACTICE,
        },
      ],
      checks: [
        ...glazeChecks(steps),
        look('glaze-even', 'Glaze', 'Against the light.', 'Even, no pool', {
          'A pool or a streak': adjust('Lift it off, brush it out again.'),
        }),
      ],
    },
    firingStep('fire-glaze', 'Fire the glaze', 'glaze', ['glaze']),
    colourStep('read-colour', 'Look at the colour', false, {}),
    {
      id: 'satin',
      plan: { skill: 'ceramic' },
      name: 'Satin, and a last look',
      stage: 'polish',
      kind: 'attended',
      picture: shows('ceramic', ['glaze']),
      instrument: { opens: 'finish', view: 'ceramic' },
      how: [
        'Support blasted out at low pressure, inside only.',
        'A light polish to satin: every touch after the glaze opens it.',
      ],
      why: 'An opened glaze wears the tooth that bites on it.',
      handsOnMinutes: 8,
      checks: [
        look('surface', 'Surface', 'Dry, under the lens, all that was touched.', 'Satin, closed', {
          'Polished open': adjust('Polish it through every stage of the ladder.'),
          'Glaze opened widely': goBack('glaze', 'Glaze it again: it counts as a firing.'),
          'A crack': goBack('class-and-block', 'A crack goes on: it is milled again.'),
        }),
        look('seats-again', 'Fit again', 'Home, contacts as before.', 'Seats', {
          'Held up': adjust('Look for glaze or support inside; take only that.'),
        }),
      ],
      uses: ['ceramic', 'lathe', 'alumina'],
    },
  ])
}
