import { COMMON_PRACTICE } from '../../materials/index.ts'
import type { RouteTemplate } from '../../route/index.ts'
import { adjust, look } from '../checks.ts'
import { disinfectArrival, handOver, papersAndLabel, readAuthorisation } from '../door.ts'
import { diePictures, shows } from '../pictures.ts'

/** A single tooth in wax, in the order of the instruments (common practice throughout). Also a training job. */
export const toothWaxUp: RouteTemplate = {
  id: 'tooth-wax-up',
  version: 6,
  name: 'Single-tooth wax-up',
  usualDays: 3,
  noDevice: true,
  pictures: diePictures('crown', shows('crown', ['wax'])),
  matters: [
    {
      id: 'purpose',
      name: 'Made for',
      choices: [
        { id: 'patient', name: 'A patient' },
        { id: 'training', name: 'Training' },
      ],
      usual: 'patient',
      why: 'As ordered.',
      prescribed: true,
    },
  ],
  steps: [
    readAuthorisation,
    { ...disinfectArrival('Casts, dies, bite record.'), when: { purpose: ['patient'] } },
    {
      id: 'study-teeth',
      name: 'Study the other teeth',
      stage: 'wax',
      kind: 'attended',
      how: [
        'The same tooth on the other side, the neighbours, the opposing.',
        'Choose the groove pattern they show.',
      ],
      why: 'The mouth has already decided how this tooth looks.',
      handsOnMinutes: 5,
      sheets: [
        {
          id: 'grooves',
          kind: 'grooves',
          name: 'Contour pattern',
          how: 'The one that the neighbours and the other side show.',
          source: 'dental anatomy as taught, recalled',
          failing: adjust('Choose again.'),
        },
      ],
    },
    {
      id: 'bulk-wax',
      name: 'Bulk wax, large adding tip',
      stage: 'wax',
      picture: shows('crown', [], ['wax']),
      kind: 'attended',
      how: [
        'Lubricate, then flow in bulk, hot enough to run together.',
        'Walls a little full, chewing face left low.',
      ],
      why: 'Cold joins fold, and folds open when it is carved.',
      handsOnMinutes: 8,
      amounts: [
        { id: 'wax', kind: 'use', materialId: 'inlay-wax', count: 1, unit: 'stick', source: COMMON_PRACTICE },
      ],
      uses: ['moltenWax'],
    },
    {
      id: 'cusp-tips',
      name: 'Cusp tips',
      stage: 'wax',
      picture: shows('crown', ['wax']),
      kind: 'attended',
      how: ['Cones in the line of the arch, closed against the opposing.', 'Then the ridges between them.'],
      why: 'Everything else runs down from the tips.',
      handsOnMinutes: 8,
      checks: [
        look('tips-in-line', 'Cusp tips', 'Along the arch, from both ends.', 'In the arch line', {
          'Out of line': adjust('Move the cone, not the wall.'),
        }),
      ],
      uses: ['moltenWax'],
    },
    {
      id: 'detail-wax',
      name: 'Detail, small adding tip',
      stage: 'wax',
      picture: shows('crown', ['wax']),
      kind: 'attended',
      how: ['Triangular ridges, marginal ridges, contacts: drop by drop.'],
      why: 'What is added in place need not be carved.',
      handsOnMinutes: 10,
      uses: ['moltenWax'],
    },
    {
      id: 'carve-walls',
      name: 'Carve walls and embrasures',
      stage: 'wax',
      picture: shows('crown', ['wax']),
      kind: 'attended',
      how: ['Walls first, then the outline from above, then the embrasures.'],
      why: 'The outline decides how large the tooth looks.',
      handsOnMinutes: 10,
      checks: [
        look('outline', 'Outline from above', 'Against the neighbours.', 'Agrees', {
          'Too full': adjust('Carve the walls in.'),
          'Too narrow': adjust('Add to the wall, carve again.'),
        }),
      ],
      uses: ['blade'],
    },
    {
      id: 'carve-occlusal',
      name: 'Carve the biting surface',
      stage: 'wax',
      picture: shows('crown', ['wax']),
      kind: 'attended',
      how: ['The whole blade on the triangular ridge, not its tip.', 'Grooves last, in the pattern chosen.'],
      why: 'The blade on the ridge makes both slopes at once; the tip digs.',
      handsOnMinutes: 12,
      checks: [
        {
          id: 'ridge-step',
          name: 'Marginal ridge, step to its neighbour',
          how: 'The larger of the two, straight across.',
          kind: 'measure',
          quantity: 'millimetres',
          max: 0.5,
          above: adjust('Add where it is low, carve where it is high, measure again.'),
          plausible: { min: 0, max: 5 },
          source: 'common practice: level; 0.5 mm our choice',
        },
        look('stops', 'Contacts with the opposing', 'Powder and close.', 'On the stops, pin down', {
          High: adjust('Carve until the pin is down.'),
          None: adjust('Add where it is low.'),
        }),
      ],
      uses: ['blade'],
    },
    {
      id: 'every-side',
      name: 'Look from every side',
      stage: 'check',
      picture: shows('crown', ['wax']),
      kind: 'attended',
      how: [
        'Turn it under one lamp: buccal, lingual, both ends, above.',
        'Add back where it is low, smooth.',
      ],
      why: 'A side not looked at is the side that is wrong.',
      handsOnMinutes: 5,
      checks: [
        look(
          'from-all-sides',
          'From every side',
          'One look at each, the lamp in one place.',
          'Agrees everywhere',
          {
            'Low somewhere': adjust('Add there, carve, look once more.'),
            'Lines or folds': adjust('Melt through, smooth.'),
          },
        ),
        look('margin', 'Margin', 'Under the lens.', 'To the line', {
          'Short or over': adjust('Bring it to the line.'),
        }),
      ],
    },
    papersAndLabel,
    handOver({ how: ['On its die, cool.'] }),
  ],
}
