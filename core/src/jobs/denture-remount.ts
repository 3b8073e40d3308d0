import { COMMON_PRACTICE } from '../materials/index.ts'
import { PIN_ASK_MILLIMETRES, type RemountPhase } from '../occlusion/index.ts'
import type { Hazard, TemplateStep } from '../route/index.ts'
import { adjust, askDentist, goBack, look } from './checks.ts'
import { eachArch } from './door.ts'

const remountFixing = (
  choice: string,
  name: string,
  how: string,
  uses: readonly Hazard[] = [],
): TemplateStep => ({
  id: `remount-${choice}`,
  name,
  stage: 'remount',
  kind: 'attended',
  when: { 'remount-fixing': [choice] },
  how: [how, 'Seat fully, no rock.'],
  why: 'A gap at the mounting is a false bite.',
  handsOnMinutes: 10,
  uses,
  checks: [
    look('remount-seated', 'Seated', 'Press each corner.', 'Fully home, no rock', {
      'Rocks or gaps': adjust('Take it off, clean, fix again.'),
    }),
  ],
})

/** @param onBoth what is ground on both sides, where both are dentures; against natural teeth only the denture is touched */
const grind = (
  id: string,
  name: string,
  how: readonly string[],
  onBoth: string,
  phase: RemountPhase,
  sheetHow: string,
): TemplateStep => ({
  id,
  name,
  stage: 'remount',
  kind: 'attended',
  how,
  howWhen: [
    { when: { opponent: ['denture'] }, say: onBoth },
    {
      when: { opponent: ['natural'] },
      say: 'Grind the denture alone: a natural tooth is never ground here, nor its stone.',
    },
  ],
  why: 'Contacts that come early now would be sore spots in the mouth.',
  handsOnMinutes: 12,
  uses: ['bur'],
  sheets: [
    {
      id: 'rounds',
      name: 'Pin and contacts',
      how: sheetHow,
      source: 'common practice: pin down and even contacts, both',
      kind: 'remount',
      phase,
      failing: adjust('Mark with paper and grind the marked slope, never the supporting tip.'),
    },
  ],
})

const removal = (choice: 'shell' | 'alumina', name: string, how: readonly string[]): TemplateStep => ({
  id: `stone-${choice}`,
  name,
  stage: 'recover',
  kind: 'attended',
  when: { 'stone-removal': [choice] },
  how,
  why: 'The fitting surface is the fit: nothing may cut it.',
  handsOnMinutes: 8,
  checks: [
    look('surface-kept', 'Fitting surface', 'Rinse it, side light.', 'Untouched', {
      'Matt or pitted': askDentist('The fitting surface was blasted. Accept, or process again?'),
    }),
  ],
  uses: [choice === 'alumina' ? 'alumina' : 'blaster'],
})

/** From the denture on its cast to the denture free of it. */
export const dentureRemount: readonly TemplateStep[] = [
  remountFixing('compound', 'Fix for the remount, compound', 'Compound or sticky wax on both sides.', [
    'moltenWax',
  ]),
  remountFixing('glue', 'Fix for the remount, glue', 'A few drops of glue into dry grooves.', ['adhesive']),
  remountFixing('tape', 'Fix for the remount, tape', 'Tape all round. Not advised: tape hides a gap.'),
  {
    id: 'clear-flash',
    name: 'Flash off the chewing faces',
    stage: 'remount',
    kind: 'attended',
    how: ['Pick flash and stone nodules off the teeth, without cutting teeth.'],
    why: 'A crumb on a cusp reads as an open pin.',
    handsOnMinutes: 4,
    uses: ['blade'],
  },
  {
    id: 'pin-opening',
    name: 'Read the pin opening',
    stage: 'remount',
    kind: 'attended',
    how: ['Close gently in centric.', 'Measure from the pin tip to its table.'],
    why: 'Processing lifts it a little. Much more means something else happened.',
    handsOnMinutes: 3,
    checks: [
      {
        id: 'pin-open',
        means: 'pinOpening',
        name: 'Pin opening',
        how: 'Gap under the pin at its set-up reading.',
        kind: 'measure',
        quantity: 'millimetres',
        min: 0,
        max: PIN_ASK_MILLIMETRES,
        below: adjust(
          'The pin cannot be lower than at the set-up: look whether a tooth came out, measure again.',
        ),
        above: askDentist(
          'The pin stands open by more than 2 mm after curing. Grind it in, or process again?',
        ),
        plausible: { min: -10, max: 30 },
        source: 'common practice: up to 2 mm is expected',
      },
    ],
  },
  grind(
    'grind-centric',
    'Grind in centric',
    [
      'Mark with paper.',
      'Never the cusp tips.',
      'Until the pin touches AND the contacts are right: the two must coincide.',
    ],
    'Fossae, marginal ridges, inclines.',
    'centric',
    'Upper lingual and lower buccal cusps in their fossae; the pin down.',
  ),
  grind(
    'grind-right',
    'Grind right lateral',
    [
      'Clear front teeth that hold the back ones apart.',
      'Balancing side: inclines, not the supporting tips.',
    ],
    'Working side: buccal of upper, lingual of lower.',
    'right',
    'Working side: canine and back teeth touch together. Balancing side keeps its contact.',
  ),
  grind(
    'grind-left',
    'Grind left lateral',
    ['As on the right.'],
    'Working side: buccal of upper, lingual of lower.',
    'left',
    'Working side: canine and back teeth touch together. Balancing side keeps its contact.',
  ),
  grind(
    'grind-protrusive',
    'Grind protrusive',
    ['Inclines only, not cusp height.'],
    'Lower front: labio-incisal; upper front: lingual.',
    'protrusive',
    'Front and back touch together as it slides forward.',
  ),
  {
    id: 'mill-in',
    name: 'Mill in with paste',
    stage: 'remount',
    kind: 'attended',
    when: { 'milling-in': ['at-end'] },
    how: ['A little abrasive paste, light hand, short strokes, rinse.'],
    why: 'Smooths what the stone left; too long flattens cusps.',
    handsOnMinutes: 6,
  },
  {
    id: 'pin-closed',
    name: 'Read the pin again',
    stage: 'remount',
    kind: 'attended',
    how: ['Close gently in centric.', 'Measure from the pin tip to its table once more.'],
    why: 'However far it stood open: the remount is over when the pin touches and the contacts are right.',
    handsOnMinutes: 2,
    checks: [
      {
        id: 'pin-again',
        means: 'pinOpening',
        name: 'Pin opening, ground in',
        how: 'Gap under the pin at its set-up reading.',
        kind: 'measure',
        quantity: 'millimetres',
        min: 0,
        max: 0.2,
        below: adjust(
          'The pin cannot be lower than at the set-up: look whether a tooth came out, measure again.',
        ),
        above: goBack('grind-centric', 'It still stands open: grind in centric until the pin touches.'),
        plausible: { min: -10, max: 30 },
        source: 'common practice: the pin down on its table; 0.2 mm is what is read there, our choice',
      },
    ],
  },
  {
    id: 'smooth-ground',
    name: 'Smooth the ground spots',
    stage: 'remount',
    kind: 'attended',
    how: ['Rubber points, light.'],
    why: 'Rough spots wear the opposite tooth.',
    handsOnMinutes: 6,
    uses: ['bur'],
  },
  {
    id: 'cut-cast',
    name: 'Cut the cast away',
    stage: 'recover',
    kind: 'attended',
    instrument: { opens: 'survey', view: 'recovery' },
    how: [
      'Saw cuts in sections from the base, running water, mind the vault.',
      'Wedge the pieces; never pry in one direction.',
    ],
    why: 'Prying one way bends or breaks the base.',
    handsOnMinutes: 15,
    sheets: eachArch((arch) => ({
      id: `saw-${arch}`,
      kind: 'sawPlan',
      arch,
      name: arch === 'upper' ? 'How deep to saw, upper' : 'How deep to saw, lower',
      how: 'Stone from the base of the cast to the denture, at its thinner side.',
      source: 'common practice; 3 mm of stone stay before the denture, our choice',
      failing: adjust('Measure it again.'),
    })),
    uses: ['blade', 'chisel', 'gypsum'],
  },
  removal('shell', 'Shell blast', ['100 mm (4 in) or more away, always moving.']),
  removal('alumina', 'Alumina at low pressure', [
    'Outer side only: never on the fitting surface. Low pressure, always moving.',
  ]),
  {
    id: 'citrate',
    name: 'Citrate bath',
    stage: 'recover',
    kind: 'unattended',
    how: ['Last stone off in sodium citrate solution.'],
    why: 'It dissolves stone and leaves resin alone.',
    handsOnMinutes: 2,
    waitMinutes: 30,
    mayBeSkipped: 'No stone is left.',
    wait: {
      earliestMinutes: 15,
      bestMinutes: 8 * 60,
      early: 'Stone is still there.',
      late: 'No harm.',
      source: COMMON_PRACTICE,
    },
  },
]
