import { COMMON_PRACTICE } from '../materials/index.ts'
import type { Conditional, Matter, TemplateStep } from '../route/index.ts'
import { adjust, askDentist, look } from './checks.ts'
import { enclosuresBack } from './door.ts'
import { identificationChecks } from './identification.ts'

/** How every custom-made device leaves the lab (common practice; what is recalled says so). */

/** How far it goes: what is wet for long goes stale. */
export const journeyMatter: Matter = {
  id: 'journey',
  name: 'Way to the clinic',
  choices: [
    { id: 'near', name: 'There within a day' },
    { id: 'far', name: 'Longer on its way' },
  ],
  usual: 'near',
  why: 'Moist for more than a day it goes stale: then an antimicrobial goes into the water.',
}

interface Leaving extends Conditional {
  /** It has resin that gives something off, and that dries: it stands in water first, and leaves moist. */
  readonly resin: boolean
  /** Clasps, a frame or a casting. */
  readonly metal: boolean
  /** Read against the docket before it leaves. */
  readonly identification?: NonNullable<TemplateStep['checks']>
  /** How it is packed, where it is not a moist bag. */
  readonly packed?: readonly string[]
}

/** From the finished work to the hands of the carrier: looked at, papers, clean, packed, with everything that came along. */
export function deliverySteps({ resin, metal, identification = [], packed = [], when }: Leaving) {
  const steps: readonly TemplateStep[] = [
    ...(resin ? [waterStorage, ultrasonic] : []),
    {
      id: 'last-look',
      name: 'Last look',
      stage: 'check',
      kind: 'attended',
      how: ['Against the work authorisation, line by line.', 'Whose it is, before anything else.'],
      why: 'The next person to look is the patient.',
      handsOnMinutes: 5,
      checks: [
        look('whose', 'Whose it is', 'Docket, pan and work: read all three.', 'The same on all', {
          'Something differs': adjust('Stop: find out whose it is before it leaves.'),
        }),
        look('as-prescribed', 'As prescribed', 'Read it off the docket.', 'All of it', {
          'Something differs': askDentist('The finished work differs from the prescription. Accept?'),
        }),
        ...identification,
      ],
    },
    papers,
    {
      id: 'disinfect-leave',
      name: 'Disinfect',
      stage: 'deliver',
      kind: 'machine',
      how: ['Wet all over, for as long as its label says.', 'Rinse it well under running water.'],
      why: 'Nothing leaves the lab that could carry infection.',
      handsOnMinutes: 3,
      waitMinutes: 5,
      wait: {
        contactOf: 'disinfection',
        earliestMinutes: 0,
        bestMinutes: 15,
        early: 'Its contact time is not over.',
        late: 'Rinse it: longer does no more, and may spoil it.',
        source: 'the label of the product',
      },
      sheets: [
        {
          id: 'disinfection',
          kind: 'disinfection',
          name: 'Disinfectant',
          how: 'As you put it on: what its label says.',
          source:
            'the label; recalled: bleach at most 10 min, never on clasps or frames; no alcohol on resin',
          resin,
          metal,
          failing: adjust('Rinse it well at once, look at its surface, then take one that suits it.'),
        },
      ],
      uses: ['disinfectant'],
    },
    ...(resin ? [bag] : []),
    {
      id: 'hand-over',
      name: 'Hand over',
      stage: 'deliver',
      kind: 'attended',
      how: [...packed, 'Everything that came along, by the list.', 'Delivery note signed by both.'],
      why: 'Parts that stay here are missed there.',
      handsOnMinutes: 4,
      sheets: [enclosuresBack],
    },
  ]
  return when ? steps.map((step) => ({ ...step, when: { ...when, ...step.when } })) : steps
}

const waterStorage: TemplateStep = {
  id: 'water',
  name: 'Stand in water',
  stage: 'check',
  kind: 'unattended',
  how: ['Compound off under hot steam, then wholly under clean water.', '24 h at least; 48 are better.'],
  means: 'waterStorage',
  why: 'What the resin still gives off goes into the water, not into the mouth.',
  handsOnMinutes: 2,
  waitMinutes: 24 * 60,
  mayBeSkipped: 'The clinic needs it sooner; say who asked for it.',
  wait: {
    earliestMinutes: 24 * 60,
    bestMinutes: 7 * 24 * 60,
    early: 'It still gives off monomer: 24 h at least, 48 are better.',
    late: 'No harm: fresh water every day.',
    source: 'a day in water lowers what leaches: Vallittu, Jorge, both recalled',
  },
  uses: ['steam'],
}

const ultrasonic: TemplateStep = {
  id: 'ultrasonic',
  plan: { takes: [{ station: 'ultrasonic' }] },
  name: 'Ultrasonic',
  stage: 'check',
  kind: 'machine',
  how: ['10 min in soap or ammonia solution, rinse.'],
  why: 'Compound under a tooth turns grey in the mouth.',
  handsOnMinutes: 3,
  waitMinutes: 10,
  wait: {
    earliestMinutes: 10,
    bestMinutes: 30,
    early: 'The bath is not done.',
    late: 'Take it out and rinse it.',
    source: 'common practice: about 10 min',
  },
  uses: ['ammonia'],
}

const papers: TemplateStep = {
  id: 'papers',
  name: 'Papers and release',
  stage: 'document',
  kind: 'attended',
  how: ['From Papers: statement, instructions, label, delivery note.', 'Read the statement, sign it.'],
  why: 'Whoever repairs it in ten years wants to know what it is, and who answers for it.',
  handsOnMinutes: 5,
  checks: [
    look(
      'labelled',
      'Label',
      'Custom-made device, patient code, our name and address.',
      'All of it, readable',
      {
        'Something is missing': adjust('Print it again: what is missing stands under Settings or the order.'),
      },
    ),
  ],
  sheets: [
    {
      id: 'release',
      kind: 'release',
      name: 'Release',
      how: 'Whoever records this lets it leave.',
      source: 'Regulation (EU) 2017/745, Annex XIII, recalled; elsewhere local law decides',
      failing: adjust('Complete it.'),
    },
  ],
}

const bag: TemplateStep = {
  id: 'bag',
  name: 'Moist, into a sealed bag',
  stage: 'deliver',
  kind: 'attended',
  how: ['A little clean water, the label on the bag, seal it.'],
  howWhen: [
    {
      when: { journey: ['far'] },
      say: 'Longer than a day on its way: an antimicrobial in the water, as its label says.',
    },
  ],
  means: 'bagged',
  why: 'Drying changes the shape.',
  handsOnMinutes: 4,
  checks: [
    look('bag', 'Bag', 'Turn it over.', 'Moist, sealed, labelled', {
      'Leaks or dry': adjust('A new bag, a little water in it.'),
    }),
    {
      ...look('antimicrobial', 'For the long way', 'What went into the water.', 'Antimicrobial in it', {
        'Not in it': adjust('Open it, put it in, seal it again.'),
      }),
      source: COMMON_PRACTICE,
      when: { journey: ['far'] },
    },
  ],
}

/** A denture: what the identification school wants is read again. */
export const dentureDelivery = (metal: boolean) =>
  deliverySteps({ resin: true, metal, identification: identificationChecks })
