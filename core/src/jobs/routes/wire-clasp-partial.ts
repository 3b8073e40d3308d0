import { REGIONS_SOURCE } from '../../inspection/index.ts'
import { COMMON_PRACTICE } from '../../materials/index.ts'
import type { RouteTemplate } from '../../route/index.ts'
import { adjust, askDentist, goBack, look } from '../checks.ts'
import { dentureDelivery, journeyMatter } from '../delivery.ts'
import { sealBase } from '../denture-contour.ts'
import { dentureCuring } from '../denture-curing.ts'
import { dentureFinishing } from '../denture-finishing.ts'
import { dentureFlasking } from '../denture-flasking.ts'
import { opponentMatter, processingMatters, waxMatters } from '../denture-matters.ts'
import { dentureRemount } from '../denture-remount.ts'
import { disinfectArrival, oneArch, readAuthorisation } from '../door.ts'
import { mountingSteps } from '../mounting-steps.ts'
import { denturePictures } from '../pictures.ts'

/** An acrylic partial with wire clasps, from the cast with its clasps to the bag (common practice throughout). */
export const wireClaspPartial: RouteTemplate = {
  id: 'wire-clasp-partial',
  version: 10,
  name: 'Partial, wire clasps',
  usualDays: 7,
  pictures: denturePictures,
  formerMeanings: { flash: 'flashSeen' },
  matters: [
    oneArch,
    {
      id: 'mounting',
      name: 'Casts',
      choices: [
        { id: 'come-mounted', name: 'Come mounted' },
        { id: 'mount-here', name: 'Mount them here' },
      ],
      usual: 'come-mounted',
      why: 'As they come.',
      prescribed: true,
    },
    ...waxMatters.filter(({ id }) => id === 'festooning'),
    opponentMatter('natural'),
    ...processingMatters,
    journeyMatter,
  ],
  steps: [
    readAuthorisation,
    disinfectArrival('Casts, clasps, bite record.'),
    {
      id: 'inspect-clasps',
      name: 'Inspect cast and clasps',
      stage: 'receive',
      kind: 'attended',
      instrument: { opens: 'survey', view: 'clasp' },
      how: [
        'Survey the clasp teeth, by scan or by gauge: the last third of an arm alone lies under the line.',
        'Each clasp on its tooth: arm in its undercut, tail over the ridge.',
        'Outline drawn, undercuts blocked out.',
      ],
      why: 'A clasp that does not lie right now is in resin tomorrow.',
      handsOnMinutes: 5,
      amounts: [
        {
          id: 'wire',
          kind: 'use',
          materialId: 'clasp-wire',
          count: 1,
          unit: 'set of clasps',
          note: 'its lot as it came with the clasps',
          source: COMMON_PRACTICE,
        },
      ],
      sheets: [
        {
          id: 'survey',
          kind: 'survey',
          name: 'Survey',
          how: 'At each clasp tooth: the undercut where the tip of its arm lies.',
          leastPlaces: 1,
          usualGauge: 0.5,
          source: 'partial-denture textbooks, recalled: wrought wire 0.50 mm (0.020 in)',
          failing: askDentist(
            'The undercut does not hold this arm. Another tooth, another arm, or a contour?',
          ),
        },
      ],
      checks: [
        look('clasps-lie', 'Clasps', 'Arm touches all along, tail clear of the ridge.', 'Lie right', {
          'An arm stands off': adjust('Bend it to the tooth again.'),
          'A tail touches the ridge': adjust('Lift it: resin must get round it.'),
        }),
        look('outline-drawn', 'Outline', 'Pencil line buccal and lingual.', 'Drawn, as prescribed', {
          Unclear: askDentist('The outline of the base is not clear. How far shall it go?'),
        }),
      ],
    },
    ...mountingSteps.map((step) => ({ ...step, when: { mounting: ['mount-here'] } })),
    {
      id: 'set-teeth',
      name: 'Set the teeth',
      stage: 'setUp',
      kind: 'attended',
      how: ['Grind each to the ridge and to its clasp.', 'Into the bite, in line with the neighbours.'],
      why: 'The natural teeth give height and line.',
      handsOnMinutes: 25,
      amounts: [
        {
          id: 'teeth',
          kind: 'use',
          materialId: 'denture-teeth',
          count: 1,
          unit: 'set',
          source: 'as prescribed',
        },
      ],
      checks: [
        look('in-bite', 'Bite', 'Close to the pin; strip at each tooth.', 'Pin down, even', {
          High: adjust('Seat the high tooth deeper.'),
          'Out of contact': adjust('Bring it up to the opposing tooth.'),
        }),
      ],
      uses: ['moltenWax', 'bur'],
    },
    {
      id: 'wax-base',
      name: 'Wax the base',
      stage: 'wax',
      kind: 'attended',
      how: [
        'Soften a strip over the flame, never melt it.',
        'Adapt it buccal and lingual to the drawn outline.',
        'Joins run together; chill for gloss.',
      ],
      why: 'Softened, a sheet keeps its thickness; melted it does not.',
      handsOnMinutes: 20,
      amounts: [
        {
          id: 'wax',
          kind: 'use',
          materialId: 'baseplate-wax',
          count: 1,
          unit: 'sheet',
          source: COMMON_PRACTICE,
        },
      ],
      uses: ['moltenWax', 'flame'],
    },
    {
      id: 'wax-check',
      name: 'Check the wax',
      stage: 'wax',
      kind: 'attended',
      how: ['Region by region in good light.', 'Close once more.'],
      why: 'The arm must flex, the teeth must be gripped, the base must end where the mouth does.',
      handsOnMinutes: 6,
      sheets: [
        {
          id: 'contour',
          kind: 'regions',
          drawing: 'partial',
          name: 'Wax',
          how: 'Tap each region, look, answer.',
          source: REGIONS_SOURCE,
          failing: adjust('Put it right, then look at that region again.'),
        },
      ],
      checks: [
        look('wax-occlusion', 'Occlusion again', 'Close to the pin.', 'Pin down, even', {
          'Moved with the heat': goBack('set-teeth', 'Set the tooth that moved again.'),
        }),
      ],
    },
    sealBase('set-teeth'),
    ...dentureFlasking,
    ...dentureCuring,
    ...dentureRemount,
    ...dentureFinishing('partial'),
    ...dentureDelivery(true),
  ],
}
