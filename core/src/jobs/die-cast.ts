import type { Matter, TemplateStep } from '../route/index.ts'
import { adjust, askDentist, goBack, look } from './checks.ts'
import { mountingSteps } from './mounting-steps.ts'
import { masterSets, mixedSo, pours, wettingAgent } from './pour-steps.ts'

/** From the impression of a prepared tooth to its trimmed die on the articulator (common practice). */

export const arrives: Matter = {
  id: 'arrives',
  name: 'Comes in as',
  choices: [
    { id: 'impression', name: 'Impression' },
    { id: 'dies', name: 'Casts and trimmed dies' },
  ],
  usual: 'impression',
  why: 'As it came.',
  prescribed: true,
}

const POUR = wettingAgent.id

const steps: readonly TemplateStep[] = [
  {
    id: 'inspect-impression',
    name: 'Inspect the impression',
    stage: 'receive',
    kind: 'attended',
    how: ['The margin of the preparation all round, under the lens.', 'Neighbours, opposing teeth, bite.'],
    why: 'It is cheaper to send it back now than to cast on a margin that was guessed.',
    handsOnMinutes: 4,
    checks: [
      look(
        'margin-in-impression',
        'Margin',
        'Lens and side light, all round.',
        'Clear all round',
        {
          'Torn or dragged': askDentist('The margin is torn in the impression. Please take a new one.'),
          'A bubble on it': askDentist('A bubble lies on the margin. Please take a new impression.'),
        },
        { perTooth: 'retainers' },
      ),
      look('impression-whole', 'Impression', 'Tray, neighbours, tears.', 'Whole, tray not showing', {
        'Tray shows through': askDentist('The tray shows through the impression. Please take a new one.'),
        'Lifted from the tray': askDentist('The impression has come off its tray. Please take a new one.'),
      }),
    ],
    uses: ['mouth'],
  },
  wettingAgent,
  {
    id: 'pour-die',
    plan: { takes: [{ station: 'mixer' }] },
    name: 'Pour the die and the opposing cast',
    stage: 'pour',
    kind: 'attended',
    how: [
      'Weigh, measure, mix.',
      'Creep it in from one end of the arch; no air at the margin.',
      'Bulk on without vibration.',
    ],
    howWhen: mixedSo,
    why: 'A bubble at the margin is a die thrown away.',
    handsOnMinutes: 12,
    pours: pours(
      { id: 'impression', name: 'Impression', usual: 'addition-silicone' },
      { id: 'opposing', name: 'Opposing impression', usual: 'alginate', ifGiven: true },
    ),
    amounts: [
      {
        id: 'die-stone',
        kind: 'mix',
        materialId: 'high-strength-stone',
        powderGrams: 120,
        note: 'for base metal some labs take type 5',
        source: 'common practice: one arch 100-150 g',
      },
      {
        id: 'opposing-stone',
        kind: 'mix',
        materialId: 'dental-stone',
        powderGrams: 120,
        note: 'opposing',
        source: 'common practice: one arch 100-150 g',
      },
    ],
    uses: ['gypsum'],
  },
  masterSets({
    id: 'die-sets',
    name: 'Stone sets',
    pourStepId: 'pour-die',
    early: 'Weak stone breaks at the margin.',
  }),
  {
    id: 'separate-die',
    name: 'Separate',
    stage: 'pour',
    kind: 'attended',
    how: ['Along the long axis of the teeth, no rocking.'],
    why: 'Sideways the thin neighbours break first.',
    handsOnMinutes: 5,
    checks: [
      look(
        'die-whole',
        'Die',
        'The margin under the lens.',
        'Whole, no bubble',
        {
          'A bubble on the margin': goBack(POUR, 'Pour the impression again.'),
          Broken: goBack(POUR, 'Pour the impression again; if it is torn, ask for a new one.'),
        },
        { perTooth: 'retainers' },
      ),
    ],
  },
  {
    id: 'pin-die',
    name: 'Pin, base and saw',
    stage: 'trim',
    kind: 'attended',
    how: [
      'Pins parallel, in the middle of each part; separator, base.',
      'Saw from below, clear of both margins.',
    ],
    why: 'A die that does not go home to the same place makes every contact wrong.',
    handsOnMinutes: 25,
    amounts: [
      {
        id: 'base-stone',
        kind: 'mix',
        materialId: 'dental-stone',
        powderGrams: 120,
        note: 'base',
        source: 'common practice: a base about as much as its cast',
      },
    ],
    checks: [
      look(
        'die-returns',
        'Die in its base',
        'Out and in three times, look at the joint.',
        'Home, no rock',
        {
          'It rocks': adjust('Clean pin and seat; if it still rocks, set a new pin.'),
        },
        { perTooth: 'retainers' },
      ),
    ],
    uses: ['gypsum', 'blade'],
  },
  {
    id: 'trim-die',
    plan: { takes: [{ station: 'trimmer' }] },
    name: 'Trim the die',
    stage: 'trim',
    kind: 'attended',
    how: ['Under the lens, below the margin; last with a hand instrument.'],
    why: 'What hides the margin is waxed as if it were tooth.',
    handsOnMinutes: 10,
    checks: [
      look(
        'die-margin',
        'Margin',
        'Lens, all round.',
        'Bare and whole',
        {
          'Still covered': adjust('Go on trimming below it.'),
          'Cut into': goBack(POUR, 'Pour the impression again: a cut margin cannot be guessed.'),
        },
        { perTooth: 'retainers' },
      ),
    ],
    uses: ['gypsum', 'blade'],
  },
  ...mountingSteps,
]

/** Every step only where an impression came. */
export const dieCast: readonly TemplateStep[] = steps.map((step) => ({
  ...step,
  when: { arrives: ['impression'] },
}))
