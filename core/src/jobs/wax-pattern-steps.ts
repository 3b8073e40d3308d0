import { COMMON_PRACTICE } from '../materials/index.ts'
import type { CheckOf, Matter, TemplateStep } from '../route/index.ts'
import type { RoomPlace } from '../waxing/index.ts'
import { adjust, askDentist, goBack, look } from './checks.ts'
import { shows, UNDER_WAX } from './pictures.ts'

/** What the wax patterns of crowns and bridges have in common, from the trimmed die to investing (common practice). */

const used = (id: string, materialId: string, unit: string) => ({
  id,
  kind: 'use' as const,
  materialId,
  count: 1,
  unit,
  source: COMMON_PRACTICE,
})

const millimetres = (
  check: Pick<CheckOf<'measure'>, 'id' | 'name' | 'how' | 'source'> & Partial<CheckOf<'measure'>>,
): CheckOf<'measure'> => ({
  kind: 'measure',
  quantity: 'millimetres',
  plausible: { min: 0, max: 10 },
  ...check,
})

/** Hardened, spaced dies with their margins marked. */
export const dieSteps: readonly TemplateStep[] = [
  {
    id: 'inspect-dies',
    name: 'Inspect dies and bite',
    stage: 'receive',
    kind: 'attended',
    how: ['Margins trimmed free, no bubble, no chip.', 'Close the articulator: pin down, dies fully home.'],
    why: 'A pattern can be no better than its margin.',
    handsOnMinutes: 5,
    checks: [
      look(
        'dies-sound',
        'Dies',
        'Each margin under the lens, all round.',
        'Sound, margin clear',
        {
          'Margin cannot be read': askDentist('A margin cannot be read. Please send a new impression.'),
          'A chip or bubble off the margin': adjust('Block it out, and note where.'),
        },
        { perTooth: 'retainers' },
      ),
      look('dies-home', 'Dies in the cast', 'Press each home and close.', 'Home, pin down', {
        'A die stands up': adjust('Clean its seat and pin, then seat it again.'),
      }),
    ],
  },
  {
    id: 'die-spacer',
    name: 'Harden and space the dies',
    stage: 'wax',
    picture: shows('crown', [], ['spacer']),
    kind: 'attended',
    how: [
      'Die hardener, let it dry.',
      'Spacer, short of the margin all round.',
      'Mark the margin with a dark pencil.',
    ],
    why: 'The spacer is the room for the cement; on the margin it would be a gap.',
    handsOnMinutes: 10,
    checks: [
      {
        id: 'spacer-microns',
        name: 'Spacer, all coats',
        how: 'Coats times what the bottle says of one.',
        kind: 'measure',
        quantity: 'micrometres',
        min: 20,
        max: 40,
        below: adjust('Lay another coat.'),
        above: adjust('Take it off with its thinner and lay fewer coats.'),
        plausible: { min: 0, max: 500 },
        source: 'common practice: 20-40 µm, the gap for the cement',
      },
      millimetres({
        id: 'spacer-short',
        perTooth: 'retainers',
        name: 'Spacer short of the margin by',
        how: 'Under the lens, at the nearest place.',
        min: 0.5,
        max: 1.5,
        below: adjust('Scrape the spacer back from the margin.'),
        above: adjust('Lay another coat nearer to the margin.'),
        source: 'common practice: about 1 mm; 0.5 to 1.5 our choice',
      }),
    ],
    uses: ['monomer'],
  },
]

/** What carries the pattern. */
export const patternMatter = (usual: 'wax' | 'resin'): Matter => ({
  id: 'pattern',
  name: 'Pattern',
  choices: [
    { id: 'wax', name: 'Inlay wax' },
    { id: 'resin', name: 'Wax over thin resin' },
  ],
  usual,
  why: 'Inlay wax throughout; or resin that carries long or delicate patterns, with a slower burnout.',
})
const inWax = { pattern: ['wax'] }
const inResin = { pattern: ['resin'] }

const SHIMS = 'with the shims in, then without'

/** Green wax, resin, room, stops, and the gate before any more time goes in. */
export const layerSteps = (
  suggested: readonly { readonly name: string; readonly place: RoomPlace }[],
): readonly TemplateStep[] => [
  {
    id: 'green-wax',
    name: 'Wax on the die, to the margin',
    stage: 'wax',
    picture: shows('crown', ['spacer'], ['green']),
    kind: 'attended',
    how: ['Lubricate the die, blow off what pools.'],
    howWhen: [
      {
        when: inWax,
        say: 'Inlay wax in small increments, each melted into the last, into every groove and down to the line.',
      },
      { when: inResin, say: 'Thin soft wax into every groove and down to the line.' },
    ],
    why: 'This layer is the fit: a bubble in it is a hole in the casting.',
    handsOnMinutes: 10,
    amounts: [used('wax', 'inlay-wax', 'stick')],
    checks: [
      look(
        'green-sound',
        'Wax on the die',
        'Grooves and margin under the lens.',
        'No bubble, to the line',
        {
          'A bubble': adjust('Melt that spot through to the die and lay it again.'),
          'Short of the line': adjust('Flow it down to the pencil line.'),
        },
        { perTooth: 'retainers' },
      ),
    ],
    uses: ['moltenWax'],
  },
  {
    id: 'pattern-resin',
    name: 'Thin pattern resin over it',
    stage: 'wax',
    picture: shows('crown', ['spacer', 'green'], ['resin']),
    kind: 'attended',
    when: inResin,
    how: [
      'A thin layer, short of the margin.',
      'Hollow boxes and isthmus: resin in bulk where the pattern is delicate.',
    ],
    why: 'It carries the pattern; thick, it takes the room of the anatomy.',
    handsOnMinutes: 10,
    amounts: [used('resin', 'pattern-resin', 'portion')],
    checks: [
      millimetres({
        id: 'resin-short',
        perTooth: 'retainers',
        name: 'Resin short of the margin by',
        how: 'At the nearest place all round.',
        min: 0.5,
        below: adjust('Cut the resin back: the margin belongs to the wax.'),
        source: 'common practice: short of the margin; 0.5 mm our choice',
      }),
    ],
    uses: ['monomer'],
  },
  {
    id: 'room-budget',
    name: 'Measure the room left',
    stage: 'wax',
    picture: shows('crown', ['spacer', 'green', 'resin']),
    kind: 'attended',
    how: ['Caliper or a wax bite: die to opposing tooth.', 'Then how thick the layers are there.'],
    why: 'A layer that is too thick is thinned now, or the grooves end in resin.',
    handsOnMinutes: 5,
    sheets: [
      {
        id: 'room',
        kind: 'room',
        name: 'Room',
        how: 'Each place: room in all, wax on the die, resin (0 where there is none).',
        source: 'room of a casting: Shillingburg, recalled; layers our choice',
        suggested,
        failing: adjust('Thin the layers as it says, then measure again.'),
      },
    ],
  },
  {
    id: 'record-stops',
    name: 'Record stops and freedom',
    stage: 'wax',
    picture: shows('crown', ['spacer', 'green', 'resin'], ['mound']),
    kind: 'attended',
    when: inResin,
    how: [
      'Lubricate the opposing teeth.',
      'A mound of resin at the functional cusp.',
      `Close when its gloss goes, ${SHIMS}; move from centric relation to centric occlusion.`,
    ],
    why: 'The mound keeps where the jaw closes and how far it is free to slide.',
    handsOnMinutes: 8,
    checks: [
      look('gloss', 'When closed', 'Watch the shine of the mound.', 'Gloss just gone', {
        'Still glossy: smeared': adjust('Too early. Take the mound off and lay a fresh one.'),
        'Hard: no mark': adjust('Too late. Take the mound off and lay a fresh one.'),
      }),
      look('centric-stops', 'Centric stops', `Closed ${SHIMS}.`, 'Marked on every tooth', {
        'One is missing': adjust('Add resin there, close again.'),
      }),
      millimetres({
        id: 'freedom',
        name: 'Freedom, relation to occlusion',
        how: 'Length of the mark from centric relation to centric occlusion.',
        plausible: { min: 0, max: 5 },
        source: COMMON_PRACTICE,
      }),
      look('shows-through', 'Resin closed', 'Spots where wax shows through.', 'Covered', {
        'Wax shows through': adjust('Cover the spots with a little resin.'),
      }),
    ],
    uses: ['monomer'],
  },
  {
    id: 'take-off',
    name: 'Take the pattern off',
    stage: 'wax',
    picture: shows('crown', UNDER_WAX),
    kind: 'attended',
    how: ['Now, before more wax goes on: off the die in one piece.', 'Look inside for voids, then back on.'],
    why: 'If it will not come off now, all later time is wasted.',
    handsOnMinutes: 3,
    checks: [
      look('comes-off', 'Comes off', 'Finger and thumb, straight up.', 'Whole, by itself', {
        'Will not come off': goBack('green-wax', 'Free the die, lubricate it, lay wax and resin again.'),
        'Tears or bends': goBack('green-wax', 'Lay wax and resin again.'),
      }),
      look(
        'no-voids',
        'Inside',
        'Fitting surface under the lens.',
        'No void',
        {
          'A void': adjust('Add wax to it, seat, take off again.'),
        },
        { perTooth: 'retainers' },
      ),
    ],
  },
  {
    id: 'margin-wax',
    name: 'Wax the margins',
    stage: 'wax',
    picture: shows('crown', UNDER_WAX, ['margin']),
    kind: 'attended',
    how: ['Polish the margin.'],
    howWhen: [
      {
        when: inWax,
        say: 'Melt the last 1 to 2 mm through to the die, fill them up, carve to the pencil line while warm.',
      },
      { when: inResin, say: 'Wax over the resin down to the pencil line, cover it fully.' },
    ],
    why: 'The margin is the last to be waxed and the first to be seen: what is not melted through creeps off the die.',
    handsOnMinutes: 10,
    checks: [
      {
        ...look(
          'margin-covered',
          'Margins',
          'Under the lens, all round.',
          'To the line, resin covered',
          {
            Short: adjust('Flow wax down to the line.'),
            'Over the line': adjust('Carve back to the line.'),
            'Resin shows': adjust('Cover it with wax.'),
          },
          { perTooth: 'retainers' },
        ),
        when: inResin,
      },
      {
        ...look(
          'margin-covered',
          'Margins',
          'Under the lens, all round.',
          'To the line, closed',
          {
            Short: adjust('Flow wax down to the line.'),
            'Over the line': adjust('Carve back to the line.'),
            'A fold': adjust('Melt it through to the die and carve it again.'),
          },
          { perTooth: 'retainers' },
        ),
        when: inWax,
      },
    ],
    uses: ['moltenWax'],
  },
  {
    id: 'contour',
    name: 'Contour the walls',
    stage: 'wax',
    picture: shows('crown', [...UNDER_WAX, 'margin'], ['wax']),
    kind: 'attended',
    how: ['Walls and contacts to form.', 'Leave the chewing face shy: it is waxed by itself.'],
    why: 'Walls first: they decide where the cusps may stand.',
    handsOnMinutes: 15,
    uses: ['moltenWax'],
  },
]
