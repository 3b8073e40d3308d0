import { type Cooling, DOUGH_SOURCE } from '../curing/index.ts'
import { COMMON_PRACTICE } from '../materials/index.ts'
import { kilopascalsFromPsi } from '../quantity/index.ts'
import type { TemplateStep } from '../route/index.ts'
import { adjust, askDentist, goBack, look } from './checks.ts'
import { identificationSteps } from './identification.ts'
import { POURS, shows } from './pictures.ts'

const trial = pressReading(1500, 200)
const final = pressReading(3000, 300)

/** The press gauge, kPa. 1500 psi trial and 3000 psi final are common practice; the tolerance is our choice. */
function pressReading(psi: number, tolerancePsi: number) {
  return {
    leastKilopascals: kilopascalsFromPsi(psi - tolerancePsi),
    mostKilopascals: kilopascalsFromPsi(psi + tolerancePsi),
    source: `common practice: ${psi} psi; tolerance ${tolerancePsi} psi our choice`,
  }
}

const cureChecks = [
  {
    id: 'bath-start',
    name: 'Bath at the start',
    how: 'Read the thermometer before the flask goes in.',
    kind: 'measure',
    quantity: 'celsius',
    max: 30,
    above: adjust('Put in cold water: resin that starts hot boils inside.'),
    plausible: { min: 0, max: 110 },
    source: 'common practice: cold or room temperature; 30 °C our choice',
  },
] as const

function cure(id: string, choice: string, name: string, how: string, minutes: number): TemplateStep {
  return {
    id,
    name,
    stage: 'cure',
    kind: 'machine',
    machine: 'bath',
    instrument: { opens: 'cure' },
    when: { cure: [choice] },
    how: ['Clamp into cold or room-temperature water.', how, 'Never straight to boiling with a thick base.'],
    why: 'Slow heat lets the reaction heat out; monomer that boils (100.8 °C) leaves bubbles.',
    handsOnMinutes: 10,
    waitMinutes: minutes,
    wait: {
      earliestMinutes: minutes,
      bestMinutes: minutes + 240,
      early: 'Residual monomer is still falling.',
      late: 'No harm to the resin; the bath is needed.',
      source: 'common practice',
    },
    checks: [...cureChecks],
    sheets: [
      {
        id: 'cure',
        kind: 'cure',
        name: 'Cure as it was',
        how: 'The curve of the bath, or what you read off it in the hold.',
        source:
          'model of the cure, see the handbook; ISO 20795-1:2013, recalled; the sheet of the product decides',
        remakeFrom: 'mix-dough',
        failing: adjust('Back into the bath as it says, then record that too.'),
      },
    ],
    uses: ['hotFlask', 'monomer'],
  }
}

function cools({
  cooling,
  earliestMinutes,
  source,
  ...step
}: Pick<TemplateStep, 'id' | 'name' | 'how' | 'waitMinutes'> & {
  readonly cooling: Cooling
  readonly earliestMinutes: number
  readonly source: string
}): TemplateStep {
  return {
    ...step,
    stage: 'cure',
    means: 'flaskCools',
    picture: shows('bath'),
    kind: 'unattended',
    when: { 'flask-cooling': [cooling] },
    why: 'Opened warm, the base warps and keeps it.',
    handsOnMinutes: 0,
    wait: {
      cools: cooling,
      earliestMinutes,
      bestMinutes: 24 * 60,
      early: 'The middle is still warm: it warps.',
      late: 'No harm.',
      source,
    },
    checks: [
      {
        id: 'flask-temperature',
        means: 'flaskTemperature',
        name: 'Flask temperature',
        how: 'Thermometer on the metal, both sides.',
        kind: 'measure',
        quantity: 'celsius',
        max: 30,
        above: adjust('Leave it until it is at room temperature.'),
        plausible: { min: 0, max: 110 },
        source: 'common practice: room temperature; 30 °C our choice',
      },
    ],
    uses: ['hotFlask'],
  }
}

/** At 23 °C; once it is mixed, by its room. */
const doughTime = {
  ofMix: { stepId: 'mix-dough', pace: 'dough' },
  earliestMinutes: 6,
  bestMinutes: 15,
  latestMinutes: 22,
  late: 'Turning rubbery: it no longer flows.',
  ifPast: { toStepId: 'mix-dough', say: 'Discard it and mix again.' },
} as const

/** From the dough to the denture on its cast after the cure. */
export const dentureCuring: readonly TemplateStep[] = [
  {
    id: 'mix-dough',
    name: 'Mix the resin',
    stage: 'pack',
    means: 'doughMixed',
    picture: shows('flask', POURS),
    kind: 'attended',
    how: ['Monomer first, powder into it until it takes up no more.', 'Close the jar.'],
    why: 'Open, monomer goes off and the dough comes out dry.',
    handsOnMinutes: 4,
    amounts: [
      {
        id: 'resin',
        kind: 'mix',
        materialId: 'heat-cure-acrylic',
        powderGrams: 30,
        perArch: true,
        source: 'common practice: one base 21-30 g of polymer',
      },
    ],
    uses: ['monomer'],
  },
  {
    id: 'dough',
    name: 'Wait for the dough',
    stage: 'pack',
    means: 'doughRipens',
    picture: shows('flask', POURS),
    kind: 'unattended',
    how: ['Sandy, stringy, dough: it comes clean off the jar.'],
    why: 'Sandy and stringy leave voids; rubbery moves teeth and breaks the mould.',
    handsOnMinutes: 0,
    waitMinutes: 10,
    wait: {
      ...doughTime,
      early: 'Still stringy.',
      source: DOUGH_SOURCE,
    },
    checks: [
      look('dough-stage', 'Stage', 'Pull a little from the wall of the jar.', 'Dough, comes clean off', {
        'Sandy or stringy': adjust('Wait with the jar closed.'),
        Rubbery: goBack('mix-dough', 'Discard it and mix again.'),
      }),
    ],
  },
  {
    id: 'trial-closures',
    plan: { takes: [{ station: 'press' }] },
    name: 'Trial closures',
    stage: 'pack',
    means: 'trialClosures',
    kind: 'attended',
    how: [
      'Sheet between, first closing gentle, later ones slowly to about 10 300 kPa (1500 psi).',
      'Open, cut the flash, fill gaps with the trimmings.',
      'Enter every closure; repeat until no flash shows.',
    ],
    why: 'Each closure brings the bite nearer to its pin reading.',
    handsOnMinutes: 15,
    startWindow: { afterStepId: 'dough', ...doughTime, source: DOUGH_SOURCE },
    sheets: [
      {
        ...trial,
        id: 'closures',
        kind: 'closures',
        name: 'Closures',
        how: 'The gauge once it holds; then open, and look at the rim of the mould and the borders.',
        perArch: true,
        failing: adjust('Close again.'),
      },
    ],
    uses: ['press', 'monomer'],
  },
  ...identificationSteps,
  {
    id: 'final-closure',
    plan: { takes: [{ station: 'clamp', until: ['open-flask'] }] },
    name: 'Final closure',
    stage: 'pack',
    kind: 'attended',
    how: ['Without the sheet, slowly to about 20 700 kPa (3000 psi).', 'Clamp.'],
    why: 'Metal on metal: nothing opens the bite.',
    handsOnMinutes: 5,
    checks: [
      {
        id: 'final-pressure',
        means: 'finalPressure',
        name: 'Press gauge',
        how: 'Read it once it holds.',
        kind: 'measure',
        quantity: 'kilopascals',
        min: final.leastKilopascals,
        max: final.mostKilopascals,
        below: adjust('Close a little further.'),
        above: adjust('Let off: too much force cracks the mould or moves a tooth.'),
        plausible: { min: 0, max: kilopascalsFromPsi(10_000) },
        readBy: 'press',
        source: final.source,
      },
      look('metal-contact', 'Flask rims', 'Look all round.', 'Metal on metal', {
        'A gap all round': adjust('Close on, slowly; if it will not close, open and cut flash.'),
      }),
    ],
    uses: ['press'],
  },
  {
    id: 'bench-rest',
    name: 'Bench rest',
    stage: 'pack',
    means: 'benchRest',
    kind: 'unattended',
    how: ['Clamped, at room temperature.'],
    why: 'Monomer soaks through the beads, and the pressure evens out.',
    handsOnMinutes: 0,
    waitMinutes: 45,
    wait: {
      earliestMinutes: 30,
      bestMinutes: 60,
      latestMinutes: 12 * 60,
      early: 'Monomer has not soaked in yet.',
      late: 'It sets cold on the bench: into the bath now.',
      source: 'common practice: 30-60 min',
    },
  },
  cure('cure-long', 'long', 'Long cure, no boil', '74 °C (165 °F) for 12 h, often overnight.', 12 * 60),
  cure(
    'cure-long-boil',
    'long-boil',
    'Long cure, then boil',
    '74 °C (165 °F) for 8 h, then 100 °C for 1 h.',
    10 * 60,
  ),
  cure(
    'cure-short-boil',
    'short-boil',
    'Short cure, then boil',
    '74 °C (165 °F) for 2 h, then 100 °C for 1 h.',
    4 * 60,
  ),
  cools({
    id: 'cool-flask',
    name: 'Flask cools, bench and water',
    cooling: 'water',
    how: ['30 min on the bench.', 'Then cold water, until its middle is cold.'],
    earliestMinutes: 60,
    waitMinutes: 70,
    source:
      'Phillips, recalled: 30 min on the bench, then cold water about 15 min; the model of the cure wants an hour',
  }),
  cools({
    id: 'cool-flask-air',
    name: 'Flask cools in air',
    cooling: 'air',
    how: ['On the bench, in air alone, overnight.'],
    earliestMinutes: 240,
    waitMinutes: 390,
    source: `${COMMON_PRACTICE}: overnight; a whole flask needs 3.5-6.5 h to the room's temperature`,
  }),
  {
    id: 'open-flask',
    name: 'Open the flask, cap off',
    stage: 'deflask',
    kind: 'attended',
    how: ['Lid off, ejector, ring off.', 'Cap off first.'],
    why: 'The cap comes off clean, the cusps show where not to cut.',
    handsOnMinutes: 6,
    uses: ['blade'],
  },
  {
    id: 'deflask-saw',
    name: 'Saw and split the middle',
    stage: 'deflask',
    means: 'mouldSawn',
    picture: shows('sawCuts'),
    kind: 'attended',
    when: { deflasking: ['saw'] },
    how: [
      'Cuts at both canines and both distal ends, deep enough to pry, not into the denture.',
      'Walls off to the outside.',
      'Stone off the lingual of the teeth before the middle; split it with a cut.',
    ],
    why: 'A thin base prised out whole breaks.',
    handsOnMinutes: 20,
    uses: ['blade', 'gypsum'],
  },
  {
    id: 'deflask-tap',
    name: 'Tap the pours apart',
    stage: 'deflask',
    kind: 'attended',
    when: { deflasking: ['tap'] },
    how: [
      'Tap the pours apart along their separators.',
      'Stone off the lingual of the teeth before the middle.',
    ],
    why: 'With good separators it is quick; keep the denture on its cast.',
    handsOnMinutes: 12,
    uses: ['gypsum'],
  },
  {
    id: 'mould-tells',
    name: 'Read what the mould tells',
    stage: 'deflask',
    kind: 'attended',
    how: ['Look before anything is cleaned.'],
    why: 'Faults seen now show their cause.',
    handsOnMinutes: 4,
    checks: [
      look(
        'resin-surface',
        'Resin',
        'Surface, borders, thick parts against the light.',
        'Sound',
        {
          'Stone stuck to it': adjust('Note it (separator or boil-out), clean it off later in citrate.'),
          'Bubbles inside': askDentist(
            'There are bubbles inside the resin. Repair and go on, or process again?',
          ),
          Fractured: askDentist('The base is fractured. Repair, or process again?'),
        },
        { perArch: true, means: 'resinSurface' },
      ),
      look(
        'on-cast',
        'Denture on its cast',
        'Press left and right, front and back.',
        'No wobble',
        { Wobbles: askDentist('The denture moves on its cast. Can it be remounted all the same?') },
        { perArch: true, means: 'seatOnCast' },
      ),
    ],
  },
  {
    id: 'keep-on-cast',
    name: 'Clean base, grooves free',
    stage: 'remount',
    kind: 'attended',
    how: ['Brush the base and the grooves of the mounting clean.', 'Cast and mounting together: no gap.'],
    why: 'A crumb of plaster lifts the whole bite.',
    handsOnMinutes: 5,
    checks: [
      look('split-faces', 'Split faces', 'Hold to the light.', 'Fit', {
        'A gap': adjust('Clean again; find the crumb.'),
        'Cast broke': askDentist(
          'The cast broke at deflasking, so it cannot be remounted here. Deliver without, or with a clinical remount?',
        ),
      }),
    ],
  },
]
