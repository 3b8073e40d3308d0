import type { Matter } from '../route/index.ts'

function matter(
  id: string,
  name: string,
  choices: readonly (readonly [string, string])[],
  usual: string,
  why: string,
): Matter {
  return { id, name, choices: choices.map(([choice, text]) => ({ id: choice, name: text })), usual, why }
}

/** How the wax of a denture is shaped (common practice). */
export const waxMatters: readonly Matter[] = [
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
    'setting-order',
    'Order of setting',
    [
      ['side-by-side', 'One side, then the other'],
      ['in-pairs', 'In pairs from the middle'],
    ],
    'side-by-side',
    'A whole side keeps the other half of the rim as its guide.',
  ),
]

/** What the denture bites on: natural teeth are never ground (trade: remount). */
export const opponentMatter = (usual: 'denture' | 'natural'): Matter => ({
  ...matter(
    'opponent',
    'Bites against',
    [
      ['denture', 'Against a denture'],
      ['natural', 'Against natural teeth'],
    ],
    usual,
    'As prescribed: natural teeth are never ground in the remount.',
  ),
  prescribed: true,
})

/** From the flask to the shine (common practice). */
export const processingMatters: readonly Matter[] = [
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
    'Patient identification',
    [
      ['required', 'Required here'],
      ['strip', 'Usual'],
      ['none', 'Off'],
    ],
    'strip',
    'Local law decides: ask the authority of the region. Required: it cannot be left out.',
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
    'flask-cooling',
    'Flask cools',
    [
      ['water', 'On the bench, then in cold water'],
      ['air', 'In air, overnight'],
    ],
    'water',
    'Bench, then water: about an hour. In air alone a whole flask needs 3.5-6.5 h.',
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
]
