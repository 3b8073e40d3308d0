import { COMMON_PRACTICE } from '../../materials/index.ts'
import type { RouteTemplate, TemplateStep } from '../../route/index.ts'
import { adjust, goBack, look } from '../checks.ts'
import { pressurePot, puttyAmount } from '../cold-cure-steps.ts'
import { dentureDelivery, journeyMatter } from '../delivery.ts'
import { contourSteps, sealBase } from '../denture-contour.ts'
import { dentureCuring } from '../denture-curing.ts'
import { dentureFinishing } from '../denture-finishing.ts'
import { dentureFlasking } from '../denture-flasking.ts'
import { opponentMatter, processingMatters, waxMatters } from '../denture-matters.ts'
import { dentureRemount } from '../denture-remount.ts'
import { dentureToMounting } from '../denture-to-mounting.ts'
import { oneArch } from '../door.ts'
import { denturePictures } from '../pictures.ts'
import { baseMatter, mixingMatter } from '../pour-steps.ts'

/** Copies of teeth in cold-cure acrylic. */
const copySteps: readonly TemplateStep[] = [
  {
    id: 'copy-putty',
    name: 'Putty over the teeth to copy',
    stage: 'setUp',
    kind: 'attended',
    how: [
      'Equal parts, knead to one colour.',
      'Press over the teeth without trapping air, well past the necks.',
    ],
    why: 'Air under the putty is a lump on the copy.',
    handsOnMinutes: 5,
    amounts: [puttyAmount],
  },
  {
    id: 'putty-sets',
    name: 'Putty sets',
    stage: 'setUp',
    kind: 'unattended',
    how: ['A fingernail must leave no mark before it is lifted.'],
    why: 'Lifted early it stretches, and the copies are too large.',
    handsOnMinutes: 1,
    waitMinutes: 12,
    wait: {
      ofMix: { stepId: 'copy-putty', pace: 'set' },
      earliestMinutes: 10,
      bestMinutes: 15,
      early: 'Still stretches.',
      late: 'No harm.',
      source: 'common practice: 10-15 min',
    },
    checks: [
      look('putty-whole', 'Putty', 'Every tooth, its edge and neck.', 'Whole', {
        'Air or a tear': goBack('copy-putty', 'Take the putty again.'),
      }),
    ],
  },
  {
    id: 'fill-copies',
    name: 'Monomer, then powder',
    stage: 'setUp',
    kind: 'attended',
    how: [
      'Stand the holders level.',
      'Half full of monomer, sprinkle tooth powder until it stands.',
      'One tooth at a time: the powder sets in about 5 min.',
    ],
    why: 'Too much at once sets before it is wet: white spots.',
    handsOnMinutes: 10,
    amounts: [
      {
        id: 'tooth-powder',
        kind: 'use',
        materialId: 'cold-cure-acrylic',
        count: 1,
        unit: 'set of copies',
        source: COMMON_PRACTICE,
      },
    ],
    checks: [
      look('level', 'Holders', 'From two sides.', 'Level', {
        Leaning: adjust('Bed them in wax or sand until they stand level.'),
      }),
      look(
        'filled',
        'Powder stands',
        'Tap it at each tooth as its powder stands: its minutes to the pot count from then.',
        'Stands',
        { 'White spots': adjust('Wash it out and fill it again, monomer first.') },
        { perTooth: 'each' },
      ),
    ],
    uses: ['monomer'],
  },
  pressurePot({
    id: 'copy-pot',
    name: 'Copies in the pressure pot',
    stage: 'setUp',
    why: 'Pressure closes the pores that powder on monomer leaves; the lid of a pot under pressure kills.',
    afterStepId: 'fill-copies',
    filledCheckId: 'filled',
    late: 'The first has set without pressure: look for pores, or fill it again.',
    uses: ['pressurePot', 'monomer'],
  }),
  {
    id: 'finish-copies',
    name: 'Trim and polish the copies',
    stage: 'setUp',
    kind: 'attended',
    how: ['Flash off, trim to the neck.', 'Pumice, then shine with a little water on the wheel.'],
    why: 'Dry, the wheel burns the edge.',
    handsOnMinutes: 15,
    checks: [
      look('copies-right', 'Copies', 'Each beside its tooth.', 'Whole, the same', {
        'Pores or white spots': goBack('fill-copies', 'Fill the putty again.'),
        'An edge burnt off': goBack('fill-copies', 'Fill the putty again.'),
      }),
    ],
    uses: ['lathe', 'bur', 'pumice'],
  },
]

/** Stone out, copy in, one tooth at a time. */
const replaceSteps: readonly TemplateStep[] = [
  {
    id: 'replace-teeth',
    name: 'Replace the stone teeth',
    stage: 'setUp',
    kind: 'attended',
    how: [
      'Draw the line of each neck first.',
      'Cut one stone tooth to its line, set its copy in wax, close, read the pin.',
      'Only then the next.',
    ],
    why: 'The teeth that still stand keep the bite while one is changed.',
    handsOnMinutes: 40,
    sheets: [
      {
        id: 'pin-each',
        kind: 'places',
        name: 'Pin after each tooth',
        how: 'Close after every tooth and read the pin.',
        quantity: 'millimetres',
        min: -0.1,
        max: 0.1,
        plausible: { min: -5, max: 5 },
        leastPlaces: 1,
        suggested: [],
        suggestTeeth: true,
        source: 'common practice: at zero; 0.1 mm our choice',
        failing: adjust('That tooth has moved the bite: set it again, close, read the pin once more.'),
      },
    ],
    uses: ['blade', 'moltenWax'],
  },
]

/** Tooth copies and an immediate denture: copies stand where the teeth stood (common practice throughout). */
export const immediateDenture: RouteTemplate = {
  id: 'immediate-denture',
  version: 10,
  name: 'Immediate denture',
  usualDays: 9,
  pictures: denturePictures,
  formerMeanings: { flash: 'flashSeen' },
  matters: [
    oneArch,
    baseMatter,
    mixingMatter,
    ...waxMatters.filter(({ id }) => id !== 'setting-order'),
    opponentMatter('natural'),
    ...processingMatters,
    journeyMatter,
  ],
  steps: [
    ...dentureToMounting,
    ...copySteps,
    ...replaceSteps,
    ...contourSteps('replace-teeth'),
    sealBase('replace-teeth'),
    ...dentureFlasking,
    ...dentureCuring,
    ...dentureRemount,
    ...dentureFinishing('denture'),
    ...dentureDelivery(false),
  ],
}
