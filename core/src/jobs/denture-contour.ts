import { BORDER_SOURCE } from '../finishing/index.ts'
import { REGIONS_SOURCE } from '../inspection/index.ts'
import { ARCH_MATTER, type Conditional, type TemplateStep } from '../route/index.ts'
import type { StepSheet } from '../sheet/index.ts'
import { BORDER_IN_WAX } from './border-limits.ts'
import { adjust, goBack, look } from './checks.ts'

function contourSheet(arch: 'upper' | 'lower'): StepSheet & Conditional {
  return {
    id: `contour-${arch}`,
    kind: 'regions',
    drawing: arch === 'upper' ? 'upperDenture' : 'lowerDenture',
    name: arch === 'upper' ? 'Wax, upper' : 'Wax, lower',
    how: 'Tap each region, look, answer.',
    source: REGIONS_SOURCE,
    failing: { verdict: 'adjust', say: 'Put it right, then look at that region again.' },
    when: { [ARCH_MATTER]: [arch, 'pair'], festooning: ['in-wax'] },
  }
}

/**
 * The wax of a denture whose teeth stand: contour, seating gate, inspection (common practice).
 * @param settingStepId the step that sets a tooth again which moved
 */
export const contourSteps = (settingStepId: string): readonly TemplateStep[] => [
  {
    id: 'clean-wax',
    name: 'Clean the wax',
    stage: 'wax',
    kind: 'attended',
    how: ['Powder and paper marks off first.'],
    why: 'What is under the wax stays in the denture.',
    handsOnMinutes: 3,
  },
  {
    id: 'contour-flowed',
    name: 'Contour, wax flowed on',
    stage: 'wax',
    kind: 'attended',
    when: { festooning: ['in-wax'], 'adding-wax': ['flowed'] },
    how: [
      'Flow it hot: white bubbles mean too cold.',
      'Hollows between the roots, canine eminence the strongest, subtle.',
      'Carve the margins at about 45°, papillae not swollen, flanges slightly hollow.',
    ],
    why: 'What is right in wax is 10-15 min of finishing instead of an hour.',
    handsOnMinutes: 35,
    uses: ['moltenWax'],
  },
  {
    id: 'contour-sheet',
    name: 'Contour, soft sheet pressed on',
    stage: 'wax',
    kind: 'attended',
    when: { festooning: ['in-wax'], 'adding-wax': ['sheet'] },
    how: [
      'Press on a dead-soft strip, tapered to nothing at the border.',
      'Hollows between the roots, canine eminence the strongest, subtle.',
      'Carve the margins at about 45°, papillae not swollen, flanges slightly hollow.',
    ],
    why: 'What is right in wax is 10-15 min of finishing instead of an hour.',
    handsOnMinutes: 30,
    uses: ['moltenWax'],
  },
  {
    id: 'plain-wax',
    name: 'Plain wax, contour later',
    stage: 'wax',
    kind: 'attended',
    when: { festooning: ['after-processing'] },
    how: ['Even flanges, borders thick and rounded, a little full for carving later.'],
    why: 'The contour is cut in the resin.',
    handsOnMinutes: 15,
    uses: ['moltenWax'],
  },
  {
    id: 'seat-base',
    name: 'Seat the base',
    stage: 'wax',
    kind: 'attended',
    how: ['Take the base off and put it home again.', 'Press it down all round.'],
    why: 'Wax past the land or in the sulcus holds the base up, and the bite with it.',
    handsOnMinutes: 3,
    checks: [
      look(
        'base-seats',
        'Base home on the cast',
        'Press it down all round; look for a gap at the land.',
        'Fully home',
        {
          'Wax in the sulcus': adjust('Cut the wax back to the land all round, then seat it again.'),
          'Held up elsewhere': adjust(
            'Find what holds it up: a bleb, a crumb, a warped base. Then seat it again.',
          ),
        },
        { perArch: true },
      ),
    ],
    uses: ['blade'],
  },
  {
    id: 'wax-check',
    name: 'Check the wax',
    stage: 'wax',
    kind: 'attended',
    how: ['Flame lightly, always moving; wipe with cold wet cotton.', 'Region by region in good light.'],
    why: 'A tooth with wax on it is not gripped by the mould and comes loose at boil-out.',
    handsOnMinutes: 8,
    sheets: [contourSheet('upper'), contourSheet('lower')],
    checks: [
      {
        ...look('teeth-clean', 'Teeth free of wax', 'Necks, edges and chewing faces.', 'Free', {
          'Wax on a tooth': adjust('Wipe or cut it off, then look again.'),
        }),
        when: { festooning: ['after-processing'] },
      },
      {
        id: 'border-wax',
        name: 'Border in wax',
        how: 'Caliper, thinnest place, before it goes into the flask.',
        kind: 'measure',
        quantity: 'millimetres',
        min: BORDER_IN_WAX,
        max: 5,
        below: adjust('Add wax to the roll of the cast: contour and polish take the rest down to 3 mm.'),
        above: adjust('Scrape it back: what is too thick now is ground off the resin later.'),
        plausible: { min: 0.2, max: 15 },
        perArch: true,
        source: BORDER_SOURCE,
      },
      look('wax-occlusion', 'Occlusion again', 'Close to the pin.', 'Pin down, even', {
        'Moved with the heat': goBack(settingStepId, 'Set the teeth that moved again.'),
      }),
    ],
    uses: ['moltenWax', 'flame'],
  },
]

/** The last thing before the flask. */
export const sealBase = (settingStepId: string): TemplateStep => ({
  id: 'seal-base',
  name: 'Seal the base to the cast',
  stage: 'wax',
  kind: 'attended',
  how: ['Wax the border down to the land all round.', 'Close once more: pin at its reading.'],
  why: 'Plaster that creeps under the base lifts it for good.',
  handsOnMinutes: 8,
  checks: [
    look(
      'sealed',
      'Border sealed, pin down',
      'Follow the border with a lens; close to the pin.',
      'Sealed, pin down',
      {
        'Pin stands off': goBack(settingStepId, 'Find the tooth that moved and set it again.'),
        'A gap at the border': adjust('Run wax into it.'),
      },
    ),
  ],
  uses: ['moltenWax'],
})
