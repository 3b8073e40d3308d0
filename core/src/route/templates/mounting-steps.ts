import { COMMON_PRACTICE } from '../../materials/index.ts'
import type { TemplateStep } from '../route-template.ts'
import { adjust, goBack, look } from './checks.ts'

/** From two casts and a record to casts on their articulator (common practice): a job of its own, and part of a denture. */
export const mountingSteps: readonly TemplateStep[] = [
  {
    id: 'score-base',
    name: 'Score the bases',
    stage: 'mount',
    kind: 'attended',
    how: ['Cut two or three grooves into each base.', 'Soak, then separator on the base only.'],
    why: 'The cast must come off its mounting and go back to the same place at the remount.',
    handsOnMinutes: 5,
    cautions: ['blades'],
  },
  {
    id: 'set-articulator',
    name: 'Set the articulator',
    stage: 'mount',
    kind: 'attended',
    how: [
      'Pin at zero, locked.',
      'Condyles locked: no side play.',
      'Guides as the dentist wants them, or the usual.',
    ],
    why: 'Knocked later, it is brought back by these figures, and the remount starts from them.',
    handsOnMinutes: 4,
    sheets: [
      {
        id: 'articulator',
        kind: 'mounting',
        name: 'Articulator',
        how: 'Read the guides and the pin off it.',
        source: 'common practice: pin at zero; 0.1 mm our choice',
        failing: { verdict: 'adjust', say: 'Bring the pin to zero and lock it, then read it again.' },
      },
    ],
    checks: [
      look('no-play', 'Side play', 'Try to move the upper member sideways.', 'None', {
        'It moves': adjust('Lock the condyles, try again.'),
      }),
    ],
  },
  {
    id: 'mount-upper',
    name: 'Mount the upper',
    stage: 'mount',
    kind: 'attended',
    how: [
      'Pin at zero and locked; condyles locked, no side play.',
      'Centre line to the pin, both sides even, a little wax to hold.',
      'Smooth plaster, enough to squeeze out; taper to the plate.',
    ],
    why: 'The pin reading is the reference for the remount.',
    handsOnMinutes: 15,
    amounts: [
      {
        id: 'mounting-plaster-upper',
        kind: 'mix',
        materialId: 'model-plaster',
        powderGrams: 200,
        source: 'common practice: one mounting 150-250 g',
      },
    ],
  },
  {
    id: 'upper-plaster-set',
    name: 'Upper mounting sets',
    stage: 'mount',
    kind: 'unattended',
    how: ['Trim it while it cuts like cheese.'],
    why: 'Later it needs a knife and wet-and-dry paper.',
    handsOnMinutes: 3,
    waitMinutes: 12,
    wait: {
      earliestMinutes: 10,
      bestMinutes: 25,
      latestMinutes: 60,
      early: 'Still soft: the cast moves.',
      late: 'Too hard to cut: wet-and-dry paper.',
      source: COMMON_PRACTICE,
    },
  },
  {
    id: 'mount-lower',
    name: 'Mount the lower by the bite record',
    stage: 'mount',
    kind: 'attended',
    how: [
      'Join by the record, sticky wax.',
      'Turn the articulator over, moisten, plaster.',
      'Close to the pin.',
    ],
    why: 'The record carries the jaw relation from the mouth.',
    handsOnMinutes: 15,
    amounts: [
      {
        id: 'mounting-plaster-lower',
        kind: 'mix',
        materialId: 'model-plaster',
        powderGrams: 200,
        source: 'common practice: one mounting 150-250 g',
      },
    ],
    cautions: ['hotWax'],
  },
  {
    id: 'lower-plaster-set',
    name: 'Lower mounting sets',
    stage: 'mount',
    kind: 'unattended',
    how: ['Trim it while it cuts like cheese.'],
    why: 'Plaster expands as it sets: nothing is measured until it has.',
    handsOnMinutes: 3,
    waitMinutes: 12,
    wait: {
      earliestMinutes: 10,
      bestMinutes: 25,
      latestMinutes: 60,
      early: 'Still soft: the cast moves.',
      late: 'Too hard to cut: wet-and-dry paper.',
      source: COMMON_PRACTICE,
    },
  },
  {
    id: 'mounting-check',
    name: 'Check the mounting',
    stage: 'mount',
    kind: 'attended',
    how: ['Pin on the table at zero.', 'Split faces fit, casts do not rock, midline agrees.'],
    why: 'Every later measure starts from this position.',
    handsOnMinutes: 3,
    checks: [
      {
        id: 'pin-reading',
        name: 'Pin reading',
        how: 'Read the pin scale with the pin on its table.',
        kind: 'measure',
        quantity: 'millimetres',
        min: -0.1,
        max: 0.1,
        below: goBack('mount-lower', 'The pin does not reach zero: mount the lower again.'),
        above: goBack('mount-lower', 'The pin stands off its table: mount the lower again.'),
        plausible: { min: -20, max: 20 },
        source: 'common practice: zero; 0.1 mm our choice',
      },
      look(
        'casts-seated',
        'Casts on their mountings',
        'Press each corner; look at the split faces.',
        'Fit, no rock',
        {
          'A cast rocks': goBack('mount-upper', 'Take the cast off, clean the faces, mount again.'),
        },
      ),
    ],
  },
]
