import { ARCH_MATTER, type Matter, type RouteTemplate } from '../route-template.ts'
import { dentureCuring } from './denture-curing.ts'
import { dentureFinishing } from './denture-finishing.ts'
import { dentureFlasking } from './denture-flasking.ts'
import { dentureRemount } from './denture-remount.ts'
import { dentureToMounting } from './denture-to-mounting.ts'
import { dentureToTryIn } from './denture-to-try-in.ts'

function matter(
  id: string,
  name: string,
  choices: readonly (readonly [string, string])[],
  usual: string,
  why: string,
): Matter {
  return { id, name, choices: choices.map(([choice, text]) => ({ id: choice, name: text })), usual, why }
}

/** A complete denture, upper, lower or a pair, from the final impressions to the bag (common practice throughout). */
export const completeDenture: RouteTemplate = {
  id: 'complete-denture',
  version: 2,
  name: 'Complete denture',
  matters: [
    {
      ...matter(
        ARCH_MATTER,
        'Arch',
        [
          ['upper', 'Upper'],
          ['lower', 'Lower'],
          ['pair', 'Pair'],
        ],
        'upper',
        'As prescribed.',
      ),
      prescribed: true,
    },
    matter(
      'festooning',
      'Festooning',
      [
        ['in-wax', 'In wax'],
        ['after-processing', 'After processing'],
      ],
      'in-wax',
      'In wax: 10-15 min of finishing instead of an hour.',
    ),
    matter(
      'adding-wax',
      'Adding wax',
      [
        ['flowed', 'Flowed molten'],
        ['sheet', 'Soft sheet'],
      ],
      'flowed',
      'Either does.',
    ),
    matter(
      'second-pour',
      'Second flask pour',
      [
        ['half-and-half', 'Half and half'],
        ['stone', 'Stone'],
        ['putty', 'Putty face'],
      ],
      'half-and-half',
      'Half and half breaks out easily; putty for detail.',
    ),
    matter(
      'identification',
      'Identification strip',
      [
        ['strip', 'Strip'],
        ['none', 'None'],
      ],
      'strip',
      'Law and lab rule decide; not in every place.',
    ),
    matter(
      'cure',
      'Cure',
      [
        ['long', 'Long, no boil'],
        ['long-boil', 'Long, then boil'],
        ['short-boil', 'Short, then boil'],
      ],
      'long-boil',
      'Long, then boil: least residual monomer.',
    ),
    matter(
      'deflasking',
      'Deflasking the middle',
      [
        ['tap', 'Tap out whole'],
        ['saw', 'Saw and split'],
      ],
      'saw',
      'Split for thin bases.',
    ),
    matter(
      'remount-fixing',
      'Remount fixing',
      [
        ['compound', 'Compound'],
        ['glue', 'Glue'],
        ['tape', 'Tape (not advised)'],
      ],
      'compound',
      'Compound or glue: tape hides a gap.',
    ),
    matter(
      'milling-in',
      'Milling-in paste',
      [
        ['never', 'Never'],
        ['at-end', 'At the end'],
      ],
      'never',
      'Few do it.',
    ),
    matter(
      'stone-removal',
      'Stone removal',
      [
        ['shell', 'Shell, then citrate'],
        ['alumina', 'Alumina, low pressure'],
        ['citrate', 'Citrate only'],
      ],
      'shell',
      'Shell, then citrate: the fitting surface stays.',
    ),
    matter(
      'teeth-under-pumice',
      'Teeth under pumice',
      [
        ['taped', 'Taped'],
        ['bare', 'Bare'],
      ],
      'bare',
      'Bare with care.',
    ),
    matter(
      'tripoli',
      'Tripoli',
      [
        ['use', 'Use'],
        ['leave-out', 'Leave out'],
      ],
      'leave-out',
      'Use it for deep scratches.',
    ),
    matter(
      'gloss',
      'Gloss',
      [
        ['textured', 'Textured'],
        ['mirror', 'Mirror'],
      ],
      'textured',
      'Textured looks like gum.',
    ),
  ],
  steps: [
    ...dentureToMounting,
    ...dentureToTryIn,
    ...dentureFlasking,
    ...dentureCuring,
    ...dentureRemount,
    ...dentureFinishing,
  ],
}
