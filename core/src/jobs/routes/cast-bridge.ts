import { COMMON_PRACTICE } from '../../materials/index.ts'
import type { Matter, RouteTemplate, TemplateStep } from '../../route/index.ts'
import { PONTIC_SHEETS, ponticClearanceMillimetres } from '../../waxing/index.ts'
import { castHere, investmentMatter, kindMatter, metalMatter } from '../casting-matters.ts'
import { castingSteps } from '../casting-steps.ts'
import { adjust, look, measure } from '../checks.ts'
import { disinfectArrival, readAuthorisation } from '../door.ts'
import { diePictures, onBridge, shows, WAXED } from '../pictures.ts'
import { occlusalSteps, sentOut } from '../wax-chewing-steps.ts'
import { dieSteps, layerSteps, patternMatter } from '../wax-pattern-steps.ts'

const clearance = ponticClearanceMillimetres(PONTIC_SHEETS).toFixed(2)

/** How the pontic meets the ridge: the clinic decides. */
const ponticDesign: Matter = {
  id: 'design',
  name: 'Pontic on the ridge',
  choices: [
    { id: 'clear', name: 'Just clear of it' },
    { id: 'ridge-lap', name: 'Ridge lap, touching' },
    { id: 'hygienic', name: 'Hygienic, well clear' },
  ],
  usual: 'clear',
  why: 'As ordered; where the order does not say, ask.',
  prescribed: true,
}
const clear = { design: ['clear'] }
/** Under a hygienic pontic, mm. */
const HYGIENIC_LEAST_MILLIMETRES = 2

const ponticSteps: readonly TemplateStep[] = [
  {
    id: 'pontic-clearance',
    name: 'Clearance on the ridge',
    stage: 'wax',
    picture: shows('bridge', WAXED, ['clearance']),
    kind: 'attended',
    when: clear,
    how: [`Lay ${PONTIC_SHEETS} sheets of 28-gauge wax on the ridge: ${clearance} mm.`],
    why: 'A pontic that presses on the ridge cannot be kept clean.',
    handsOnMinutes: 3,
    checks: [
      {
        id: 'pontic-sheets',
        name: '28-gauge sheets on the ridge',
        how: `Count them: ${PONTIC_SHEETS} make ${clearance} mm.`,
        kind: 'measure',
        quantity: 'count',
        min: PONTIC_SHEETS,
        below: adjust(`Lay sheets until there are ${PONTIC_SHEETS}.`),
        plausible: { min: 0, max: 8 },
        source: 'common practice; sheet thickness ASTM B258',
      },
    ],
  },
  {
    id: 'set-pontic',
    name: 'Set the pontic',
    stage: 'wax',
    picture: shows('bridge', [...WAXED, 'clearance'], ['pontic']),
    kind: 'attended',
    how: ['Close the articulator on it while it is soft.'],
    howWhen: [
      { when: clear, say: 'Lute it to the sheets.' },
      {
        when: { design: ['ridge-lap'] },
        say: 'Over the buccal slope of the ridge only, touching without pressure; nothing across its crest.',
      },
      {
        when: { design: ['hygienic'] },
        say: `Round underneath, ${HYGIENIC_LEAST_MILLIMETRES} mm or more above the ridge.`,
      },
      {
        when: { pontic: ['keep'] },
        say: 'Cut it from a copy of the diagnostic wax-up; keep the wax-up itself.',
      },
      { when: { pontic: ['new'] }, say: 'Wax it new, by the wax-up as a pattern.' },
    ],
    why: 'Closing sets its height; the eye sets its line.',
    handsOnMinutes: 12,
    checks: [
      look('buccal-line', 'Buccal cusps', 'Straight edge from the front.', 'In one line', {
        'Out of line': adjust('Warm it, bring it into line, close again.'),
      }),
      look('lingual-line', 'Lingual cusps', 'Straight edge along the arch.', 'In one line', {
        'Out of line': adjust('Warm it, bring it into line, close again.'),
      }),
    ],
    uses: ['moltenWax'],
  },
  {
    id: 'join-pontic',
    name: 'Join it to both retainers',
    stage: 'wax',
    picture: shows('bridge', [...WAXED, 'pontic'], ['joints']),
    kind: 'attended',
    how: ['Wax or resin, rigid, well inside the contact.', 'Open the embrasures.'],
    why: 'A joint that bends bends the bridge when it is taken off.',
    handsOnMinutes: 10,
    checks: [
      look('rigid', 'Joints', 'Lift by the pontic: both retainers come along.', 'Rigid', {
        'One gives': adjust('Melt the joint through and join again.'),
      }),
      look('embrasures', 'Embrasures', 'From buccal, from above, from the ridge.', 'Open', {
        Closed: adjust('Carve them open; the joint stays.'),
      }),
      {
        ...look('ridge-free', 'Under the pontic', 'Sheets out; light through.', 'Free of the ridge', {
          Touches: adjust('Take the pontic off the ridge to the thickness of the sheets.'),
        }),
        when: clear,
      },
      {
        ...look('ridge-free', 'Under the pontic', 'Thin paper, pulled through.', 'Touches, lets it go', {
          Presses: adjust('Relieve it until the paper slides: it touches, it does not press.'),
          'Stands off': adjust('Add wax until it just touches.'),
          'Saddles the ridge': adjust('Open it to lingual: what saddles the ridge cannot be cleaned.'),
        }),
        when: { design: ['ridge-lap'] },
      },
      {
        ...measure({
          id: 'ridge-free',
          name: 'Under the pontic',
          how: 'Least distance to the ridge: a strip of wax, measured.',
          quantity: 'millimetres',
          min: HYGIENIC_LEAST_MILLIMETRES,
          below: adjust(`Cut it back from below: ${HYGIENIC_LEAST_MILLIMETRES} mm or more.`),
          plausible: { min: 0, max: 10 },
          source: 'textbooks, recalled: 2 mm or more',
        }),
        when: { design: ['hygienic'] },
      },
    ],
    uses: ['moltenWax'],
  },
]

/** A three-unit bridge, from trimmed dies on the articulator to its casting, or to its pattern (common practice throughout). */
export const castBridge: RouteTemplate = {
  id: 'cast-bridge',
  version: 8,
  name: 'Three-unit bridge',
  usualDays: 4,
  teeth: { least: 3, say: 'Enter both retainers and the pontic.' },
  pictures: diePictures('bridge', shows('bridge', ['pontic', 'joints', 'metal'])),
  matters: [
    castHere,
    ponticDesign,
    kindMatter,
    metalMatter,
    investmentMatter,
    patternMatter('resin'),
    {
      id: 'pontic',
      name: 'Pontic',
      choices: [
        { id: 'keep', name: 'From the diagnostic wax-up' },
        { id: 'new', name: 'Waxed new' },
      ],
      usual: 'new',
      why: `Keep the wax-up, wax new (${COMMON_PRACTICE}).`,
    },
  ],
  steps: [
    readAuthorisation,
    disinfectArrival('Casts, dies, bite record, diagnostic wax-up.'),
    ...onBridge(dieSteps),
    ...onBridge(
      layerSteps([
        { name: 'Front, cusp', place: 'functionalCusp' },
        { name: 'Front, fossa', place: 'fossa' },
        { name: 'Back, cusp', place: 'functionalCusp' },
        { name: 'Back, fossa', place: 'fossa' },
      ]),
    ),
    ...ponticSteps,
    ...onBridge(occlusalSteps),
    // A framework: new metal only (common practice).
    ...castingSteps(0),
    ...sentOut,
  ],
}
