import { COMMON_PRACTICE } from '../materials/index.ts'
import type { TemplateStep } from '../route/index.ts'
import { adjust, look } from './checks.ts'

/** From the trimmed pair to its sheen and its labels. */
export const studyModelFinish: readonly TemplateStep[] = [
  {
    id: 'fill',
    name: 'Fill voids, smooth the faces',
    stage: 'finish',
    kind: 'attended',
    how: [
      'Thin plaster into every void of the cut faces.',
      'Stone the faces flat under water, edges left crisp.',
    ],
    why: 'Voids catch dirt; a stoned face can be written on.',
    handsOnMinutes: 15,
    amounts: [
      {
        id: 'filling',
        kind: 'mix',
        materialId: 'model-plaster',
        powderGrams: 20,
        millilitresPerGram: 0.5,
        note: 'thin',
        source: COMMON_PRACTICE,
      },
    ],
    checks: [
      look('faces', 'Cut faces', 'Side light, all seven faces of both.', 'Flat, no void', {
        'A void is open': adjust('Fill it again and stone it.'),
      }),
    ],
    uses: ['gypsum'],
  },
  {
    id: 'dry',
    plan: { takes: [{ station: 'dryingRack' }] },
    name: 'Dry',
    stage: 'finish',
    kind: 'unattended',
    how: ['Apart, on a rack, at room temperature.'],
    why: 'Damp models take up soap unevenly and grow stains.',
    handsOnMinutes: 0,
    waitMinutes: 3 * 24 * 60,
    wait: {
      earliestMinutes: 2 * 24 * 60,
      bestMinutes: 7 * 24 * 60,
      early: 'Still damp inside.',
      late: 'Dry long since.',
      source: 'common practice: several days',
    },
  },
  {
    id: 'soap',
    name: 'Soap soak',
    stage: 'finish',
    kind: 'unattended',
    when: { soap: ['yes'] },
    how: ['Warm model soap, whole models under.'],
    why: 'Only a dry model takes it evenly.',
    handsOnMinutes: 2,
    waitMinutes: 30,
    wait: {
      earliestMinutes: 30,
      bestMinutes: 60,
      early: 'The sheen will be patchy.',
      late: 'Left long it softens the edges.',
      source: COMMON_PRACTICE,
    },
  },
  {
    id: 'buff',
    plan: { takes: [{ station: 'lathe' }] },
    name: 'Buff',
    stage: 'finish',
    kind: 'attended',
    when: { soap: ['yes'] },
    how: ['Rinse, let it dry, buff with a soft cloth.'],
    why: 'The sheen keeps dust off.',
    handsOnMinutes: 5,
  },
  {
    id: 'label-models',
    name: 'Label both models',
    stage: 'document',
    kind: 'attended',
    how: ['Patient code, age, date of the impression, on both.'],
    why: 'They are compared years later.',
    handsOnMinutes: 4,
    checks: [
      look('labels', 'Labels', 'Read both against the docket.', 'Both agree', {
        'One differs': adjust('Write it again.'),
      }),
    ],
  },
]
