import { BORDER_LEAST_MILLIMETRES, BORDER_SOURCE, leavingOutStage, resinLadder } from '../finishing/index.ts'

import { REGIONS_SOURCE } from '../inspection/index.ts'
import type { TemplateStep } from '../route/index.ts'
import type { StepSheet } from '../sheet/index.ts'
import { BORDER_BEFORE_POLISHING } from './border-limits.ts'
import { adjust, askDentist, goBack } from './checks.ts'
import { eachArch } from './door.ts'
import { scratchLooks } from './scratches.ts'

const fittingNames = {
  upperFitting: 'Fitting surface, upper',
  lowerFitting: 'Fitting surface, lower',
  partialFitting: 'Fitting surface',
} as const
const fitting = (drawing: keyof typeof fittingNames): StepSheet => ({
  id: drawing === 'lowerFitting' ? 'fitting-lower' : 'fitting',
  kind: 'regions',
  drawing,
  name: fittingNames[drawing],
  how: 'Tap each region; finger, cotton wool and lens.',
  source: REGIONS_SOURCE,
  failing: adjust('Put it right, then feel that region again.'),
})

/** One compound for life, written on the wheel: what is on it scratches through whatever comes after. */
const wheel = (stages: readonly string[]): StepSheet => ({
  id: 'wheel',
  kind: 'wheel',
  stages: [...stages],
  name: 'Wheel',
  how: 'What stands on the wheel that you take up.',
  source: 'common practice; the grain of another compound scratches many times the mark of its own',
  failing: adjust('Take the wheel that is marked for it, or a new one.'),
})

const withoutTripoli = leavingOutStage(
  resinLadder,
  resinLadder.stages.findIndex(({ id }) => id === 'tripoli'),
)

/** From the rough denture to its shine. */
export const dentureFinishing = (piece: 'denture' | 'partial'): readonly TemplateStep[] => [
  {
    id: 'flash-off',
    name: 'Flash and sharp edges off',
    stage: 'finish',
    kind: 'attended',
    how: ['Flash first: it cuts hands.', 'Then edges, rolling the bur over and round.'],
    why: 'One direction leaves two edges.',
    handsOnMinutes: 6,
    uses: ['lathe', 'bur'],
  },
  {
    id: 'borders',
    name: 'Borders',
    stage: 'finish',
    kind: 'attended',
    instrument: { opens: 'finish' },
    how: ['Keep their height, round them.', 'Leave a little over 3 mm: every polish takes some.'],
    why: '3 mm must remain after all of the polishing.',
    handsOnMinutes: 10,
    checks: [
      {
        id: 'border-thickness',
        means: 'borderThickness',
        name: 'Border thickness before polishing',
        how: 'Caliper, thinnest place.',
        kind: 'measure',
        quantity: 'millimetres',
        min: BORDER_BEFORE_POLISHING,
        max: 4.5,
        below: askDentist('A border is thinner than 3 mm and what polishing takes. Accept, or add resin?'),
        above: adjust('Take it down towards 3.2 mm, keeping the height.'),
        plausible: { min: 0.2, max: 15 },
        perArch: true,
        source: BORDER_SOURCE,
      },
    ],
    uses: ['lathe', 'bur'],
  },
  {
    id: 'fitting-surface',
    name: 'Nodules on the fitting surface',
    stage: 'finish',
    kind: 'attended',
    how: ['Find them by finger and lens, take off each one alone.', 'No abrasive on the surface itself.'],
    why: "It is the fit; its adjustment is the clinic's at placement.",
    handsOnMinutes: 6,
    sheets: piece === 'partial' ? [fitting('partialFitting')] : eachArch((arch) => fitting(`${arch}Fitting`)),
  },
  {
    id: 'margins',
    name: 'Gingival margins',
    stage: 'finish',
    kind: 'attended',
    how: ['Each one distinct, no resin over the neck.'],
    why: 'A blurred margin looks like swollen gum.',
    handsOnMinutes: 10,
    sheets: [
      {
        id: 'gum-margins',
        kind: 'regions',
        drawing: 'gumMargins',
        perArch: true,
        name: 'Margins',
        how: 'Tap each side, look along the necks, answer.',
        source: REGIONS_SOURCE,
        failing: adjust('Put it right, then look at that side again.'),
      },
    ],
  },
  {
    id: 'touch-contour',
    name: 'Touch up the contour',
    stage: 'finish',
    kind: 'attended',
    when: { festooning: ['in-wax'] },
    how: ['10-15 min if the wax was good.', 'Free the frena.'],
    why: 'Frena that are held lift the denture.',
    handsOnMinutes: 12,
    uses: ['lathe', 'bur'],
  },
  {
    id: 'carve-contour',
    name: 'Carve the contour',
    stage: 'finish',
    kind: 'attended',
    when: { festooning: ['after-processing'] },
    how: ['Roots, hollows and papillae cut in the resin.', 'Free the frena.'],
    why: 'It was left plain in wax.',
    handsOnMinutes: 60,
    uses: ['lathe', 'bur'],
  },
  {
    id: 'rubber',
    plan: { takes: [{ station: 'lathe' }] },
    name: 'Rubber',
    stage: 'finish',
    kind: 'attended',
    instrument: { opens: 'finish' },
    how: ['Light, always moving, all bur marks out.'],
    why: 'Pumice cannot take out bur marks without rounding everything.',
    handsOnMinutes: 10,
    uses: ['lathe', 'bur'],
  },
  {
    id: 'tape-teeth',
    name: 'Tape the teeth',
    stage: 'polish',
    kind: 'attended',
    when: { 'teeth-under-pumice': ['taped'] },
    how: ['Tape over the faces and edges of the teeth.'],
    why: 'Pumice flattens teeth.',
    handsOnMinutes: 5,
  },
  {
    id: 'pumice',
    plan: { takes: [{ station: 'lathe' }] },
    name: 'Pumice',
    stage: 'polish',
    kind: 'attended',
    instrument: { opens: 'finish' },
    sheets: [wheel(['coarse-pumice', 'fine-pumice'])],
    howWhen: [
      {
        when: { 'teeth-under-pumice': ['bare'] },
        say: 'Bare teeth: the brush passes over them, never rests.',
      },
    ],
    how: [
      'Wet, always moving; high speed burns resin.',
      'Brush first, felt cone in the vault, rag wheel for bulk.',
      'Spare the teeth and their contacts.',
    ],
    why: 'What pumice leaves, shine shows.',
    handsOnMinutes: 12,
    checks: [
      ...scratchLooks('pumice-scratches', 'Scratches', 'Rinse, dry, side light.', 'None', 'fine-pumice'),
    ],
    uses: ['lathe', 'pumice'],
  },
  {
    id: 'tripoli',
    name: 'Tripoli',
    stage: 'polish',
    kind: 'attended',
    instrument: { opens: 'finish' },
    when: { tripoli: ['use'] },
    sheets: [wheel(['tripoli'])],
    how: ['Its own wheel; not one that has seen pumice.'],
    why: 'Takes out what pumice left.',
    handsOnMinutes: 5,
    uses: ['lathe'],
  },
  {
    id: 'high-shine',
    plan: { takes: [{ station: 'lathe' }] },
    name: 'High shine',
    stage: 'polish',
    kind: 'attended',
    instrument: { opens: 'finish' },
    sheets: [wheel(['high-shine'])],
    how: ['A clean dry wheel of its own.'],
    howWhen: [
      {
        when: { tripoli: ['leave-out'] },
        say: `Tripoli was left out: about ${Math.round(withoutTripoli.seconds)} s of contact instead of ${Math.round(withoutTripoli.usualSeconds)}, or its scratches stay.`,
      },
      { when: { gloss: ['textured'] }, say: 'Textured gloss; a mirror only at borders and lower lingual.' },
      { when: { gloss: ['mirror'] }, say: 'Mirror gloss all over, as wished.' },
    ],
    why: 'A pumice-wet wheel scratches.',
    handsOnMinutes: 8,
    checks: [
      ...scratchLooks(
        'shine',
        'Gloss, dry',
        'Wipe it dry, turn it in the light.',
        'Even gloss, no scratches',
        'high-shine',
        { Dull: adjust('Shine on with a clean wheel.') },
      ),
    ],
    uses: ['lathe'],
  },
  {
    id: 'border-after',
    name: 'Measure the borders again',
    stage: 'check',
    kind: 'attended',
    how: ['The same places as before polishing.'],
    why: 'Polishing took some; 3 mm must be there.',
    handsOnMinutes: 3,
    checks: [
      {
        id: 'border-final',
        name: 'Border thickness, finished',
        how: 'Caliper, thinnest place.',
        kind: 'measure',
        quantity: 'millimetres',
        min: BORDER_LEAST_MILLIMETRES,
        max: 4.5,
        below: askDentist('A border came out thinner than 3 mm. Accept, or add resin?'),
        above: goBack('borders', 'Thicker than wanted: thin it, then polish again.'),
        plausible: { min: 0.2, max: 15 },
        perArch: true,
        source: BORDER_SOURCE,
      },
    ],
  },
]
