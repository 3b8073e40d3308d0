import { COMMON_PRACTICE } from '../../materials/index.ts'
import type { MeasureCheck, TemplateStep } from '../route-template.ts'
import { adjust, goBack, look } from './checks.ts'

/** A measure that is only kept: it has no limit, it is the reference for later. */
function reference(id: string, name: string, how: string, most: number): MeasureCheck {
  return {
    id,
    name,
    how,
    kind: 'measure',
    quantity: 'millimetres',
    plausible: { min: 0, max: most },
    source: COMMON_PRACTICE,
  }
}

/** How far a set-up may be from the prescription, mm. Source: common practice; the figures are our choice. */
function deviation(id: string, name: string, how: string, max: number, say: string): MeasureCheck {
  return {
    ...reference(id, name, how, 20),
    max,
    above: adjust(say),
    source: `common practice; tolerance ${max} mm our choice`,
  }
}

/** From the mounted casts to the wax set-up that came back from its try-in. */
export const dentureToTryIn: readonly TemplateStep[] = [
  {
    id: 'transfer',
    name: 'Transfer the prescription',
    stage: 'setUp',
    kind: 'attended',
    how: [
      'Measure the record block before a wax tooth is touched.',
      'Mark centre line and canine lines on the cast.',
      'Write the figures here and on the articulator.',
    ],
    why: 'If the articulator is ever disturbed these figures bring it back.',
    handsOnMinutes: 10,
    checks: [
      reference(
        'incisal-level',
        'Incisal level',
        'From the vestibule to the edge of the rim at the centre line.',
        40,
      ),
      reference(
        'labial-fullness',
        'Labial fullness',
        'From the incisive papilla to the front of the rim.',
        25,
      ),
      reference('canine-right', 'Canine line, right', 'From the centre line along the rim.', 45),
      reference('canine-left', 'Canine line, left', 'From the centre line along the rim.', 45),
      {
        ...reference('vertical-pin', 'Vertical dimension, pin', 'Read the pin with the rims together.', 20),
        plausible: { min: -20, max: 20 },
      },
    ],
  },
  {
    id: 'set-anteriors',
    name: 'Set the front teeth',
    stage: 'setUp',
    kind: 'attended',
    how: [
      'One tooth at a time: take out one tooth of wax, set, fix.',
      'Central, lateral, canine; then the other side.',
      'Check against the marks with dividers.',
    ],
    why: 'The rim holds the position only where it still stands.',
    handsOnMinutes: 40,
    amounts: [
      {
        id: 'teeth',
        kind: 'use',
        materialId: 'denture-teeth',
        count: 1,
        unit: 'set',
        perArch: true,
        source: 'as prescribed',
      },
    ],
    cautions: ['hotWax', 'blades'],
  },
  {
    id: 'set-posteriors',
    name: 'Set the back teeth',
    stage: 'setUp',
    kind: 'attended',
    how: [
      'From the canine toward the middle of the ridge.',
      'Palatal cusps drop, buccal cusps rise progressively.',
      'Run a little wax round the necks.',
    ],
    why: 'The compensating curves keep contact when the jaw moves.',
    handsOnMinutes: 40,
    cautions: ['hotWax'],
  },
  {
    id: 're-measure',
    name: 'Measure the set-up again',
    stage: 'setUp',
    kind: 'attended',
    how: ['The same places, the same ruler.', 'Enter the difference from the prescription.'],
    why: 'A set-up drifts as the wax cools. Now it costs minutes.',
    handsOnMinutes: 5,
    checks: [
      deviation(
        'incisal-deviation',
        'Incisal level, off by',
        'Difference from the incisal level.',
        0.5,
        'Raise or lower the central teeth, then measure again.',
      ),
      deviation(
        'midline-deviation',
        'Centre line, off by',
        'Distance from the mark to the contact of the centrals.',
        0.5,
        'Move the centrals across, then measure again.',
      ),
      deviation(
        'fullness-deviation',
        'Labial fullness, off by',
        'Difference from the labial fullness.',
        1,
        'Bring the front teeth in or out, then measure again.',
      ),
      look(
        'set-up-contacts',
        'Contacts',
        'Close to the pin; pull a strip through at each pair.',
        'Pin down, even',
        {
          'Pin stands off': adjust('Find the early contact with paper and seat that tooth deeper.'),
          'No contact on one side': adjust('Bring those teeth up to the opposing ones.'),
        },
      ),
    ],
  },
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
    cautions: ['hotWax'],
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
    cautions: ['hotWax'],
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
    cautions: ['hotWax'],
  },
  {
    id: 'wax-check',
    name: 'Check the wax',
    stage: 'wax',
    kind: 'attended',
    how: [
      'Take the base off and put it home again.',
      'Look at teeth, borders, frena, post-dam.',
      'Flame lightly, always moving; wipe with cold wet cotton.',
    ],
    why: 'A tooth with wax on it is not gripped by the mould and comes loose at boil-out.',
    handsOnMinutes: 8,
    checks: [
      look(
        'base-seats',
        'Base home on the cast',
        'Press it down all round; look for a gap at the land.',
        'Fully home',
        { 'Held up': adjust('Wax past the land or in the sulcus holds it up: cut it back, try again.') },
        { perArch: true },
      ),
      look('teeth-clean', 'Teeth free of wax', 'Necks, edges and chewing faces.', 'Free', {
        'Wax on a tooth': adjust('Wipe or cut it off, then look again.'),
      }),
      look('wax-occlusion', 'Occlusion again', 'Close to the pin.', 'Pin down, even', {
        'Moved with the heat': goBack('set-posteriors', 'Set the teeth that moved again.'),
      }),
    ],
    cautions: ['hotWax'],
  },
  {
    id: 'send-try-in',
    mayBeSkipped: 'The dentist wants no (further) try-in.',
    name: 'Send for try-in',
    stage: 'clinic',
    kind: 'attended',
    how: ['Disinfect, pack on its cast, cool.', 'Note what goes along.'],
    why: 'Wax bends in a warm van: say so on the box.',
    handsOnMinutes: 10,
    cautions: ['disinfectant'],
  },
  {
    id: 'try-in',
    mayBeSkipped: 'The dentist wants no (further) try-in.',
    name: 'Try-in at the clinic',
    stage: 'clinic',
    kind: 'clinic',
    how: ['Finish this step when it is back, with what the dentist says.'],
    why: 'The last moment when teeth can still be moved.',
    handsOnMinutes: 0,
    waitMinutes: 2 * 24 * 60,
    checks: [
      look('dentist-says', 'The dentist says', 'Read it off the note that came back.', 'Accepted', {
        'Change the front teeth': goBack('set-anteriors', 'Set the front teeth as the note says.'),
        'Change the back teeth': goBack('set-posteriors', 'Set the back teeth as the note says.'),
        'New bite record': goBack('mount-lower', 'Mount the lower again by the new record.'),
        'Change the wax': goBack('clean-wax', 'Contour again as the note says.'),
      }),
    ],
  },
  {
    id: 'disinfect-return',
    mayBeSkipped: 'The dentist wants no (further) try-in.',
    name: 'Disinfect on return',
    stage: 'receive',
    kind: 'attended',
    how: ['Rinse cool, disinfect, rinse cool.', 'Back on its cast.'],
    why: 'It has been in a mouth again.',
    handsOnMinutes: 5,
    cautions: ['infection', 'disinfectant'],
  },
  {
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
          'Pin stands off': goBack('set-posteriors', 'Find the tooth that moved and set it again.'),
          'A gap at the border': adjust('Run wax into it.'),
        },
      ),
    ],
    cautions: ['hotWax'],
  },
]
