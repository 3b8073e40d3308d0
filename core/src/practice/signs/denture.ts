import type { SignBook } from './sign-book.ts'

/** Dentures: set-up and wax, flask and resin, remount and finish; wire clasps. */
export const dentureSigns: SignBook = {
  'master-whole': {
    good: 'The ridge is smooth, the fold whole.',
    harmless: ['A pencil line of the dentist printed through.'],
    signs: {
      'Bubble or break on the ridge': {
        by: 'lens',
        say: 'On the crest a round bead of stone, and its shadow.',
        comes: 'A sore spot on the crest.',
      },
    },
  },
  'clasps-lie': {
    good: 'Every arm lies on its line.',
    signs: {
      'An arm stands off': { by: 'light', say: 'Between wire and tooth one sees a line of light.' },
      'A tail touches the ridge': { by: 'paper', say: 'The foil is held under the end of the wire.' },
    },
  },
  'outline-drawn': {
    good: 'The pencil line closes.',
    signs: { Unclear: { by: 'eye', say: 'Behind, two lines run side by side and neither is struck out.' } },
  },
  'in-bite': {
    good: 'Closed, the foil holds on natural and set ones alike.',
    signs: {
      High: { by: 'paper', say: 'The foil holds on the set ones only.' },
      'Out of contact': { by: 'paper', say: 'The foil slides out under the set ones.' },
    },
  },
  'set-up-contacts': {
    good: 'The foil holds left and right, the pin on its table.',
    signs: {
      'Pin stands off': { by: 'paper', say: 'A slip of paper passes between the tip and the table.' },
      'No contact on one side': {
        by: 'paper',
        say: 'Right it holds, left the foil is free from canine to molar.',
      },
    },
  },
  'base-seats': {
    good: 'Pressed anywhere it lies still.',
    signs: {
      'Wax in the sulcus': {
        by: 'lens',
        say: 'Deep in the fold behind the tuber a pink shimmer.',
        comes: 'Its border is thick behind and lifts it.',
      },
      'Held up elsewhere': { by: 'finger', say: 'Pressed on the left it lifts on the right.' },
    },
  },
  'teeth-clean': {
    good: 'The necks are clean and sharp.',
    signs: {
      'Wax on a tooth': {
        by: 'lens',
        say: 'Over one neck lies a film that a nail rolls up.',
        comes: 'The denture has lost that one.',
      },
    },
  },
  'wax-occlusion': {
    good: 'The foil holds as it did before.',
    signs: { 'Moved with the heat': { by: 'paper', say: 'Where the foil held this morning it now slides.' } },
  },
  sealed: {
    good: 'The border is closed all round.',
    signs: {
      'Pin stands off': { by: 'paper', say: 'A slip of paper passes under the tip.' },
      'A gap at the border': {
        by: 'lens',
        say: 'Behind the tuber a dark line runs between plate and stone.',
      },
    },
  },
  'no-undercut': {
    good: 'The stone runs out wide and smooth.',
    signs: {
      'Undercut or rough': { by: 'finger', say: 'Drawn upwards the finger hooks under a lip of stone.' },
    },
  },
  'mould-clean': {
    good: 'Water sheets over the stone.',
    harmless: ['A wisp of steam still rises from a corner.'],
    signs: {
      'Grease left': {
        by: 'lens',
        say: 'In the palate the last water stands in beads.',
        comes: 'The necks have a white line round them.',
      },
      'A tooth is loose': { by: 'finger', say: 'Touched with a probe one clicks in its bed.' },
    },
  },
  'dough-stage': {
    good: 'It comes away clean from the wall and snaps.',
    signs: {
      'Sandy or stringy': { by: 'finger', say: 'It clings, and pulls threads from the glove.' },
      Rubbery: { by: 'finger', say: 'Pressed flat it creeps back to what it was.' },
    },
  },
  strip: {
    good: 'It lies flat, the letters to the outside.',
    signs: {
      'Wrong or out of place': {
        by: 'lens',
        say: 'The letters read from the tongue, and one end stands up.',
      },
    },
  },
  'metal-contact': {
    good: 'The halves meet all round.',
    signs: {
      'A gap all round': { by: 'light', say: 'With a lamp behind it a bright thread runs about the flask.' },
    },
  },
  'resin-surface': {
    good: 'Smooth and of one colour.',
    harmless: ['A print of the saw across the stone, not the base.', 'A lighter streak where the veins lie.'],
    signs: {
      'Stone stuck to it': { by: 'eye', say: 'A white island clings behind the front ones.' },
      'Bubbles inside': {
        by: 'light',
        say: 'With a lamp behind it, deep in the thick part, dark specks hang like seeds.',
        comes: 'It smells, and broke through the specks in the thick part.',
      },
      Fractured: {
        by: 'light',
        say: 'A hair of light runs from the notch into the palate.',
        comes: 'It came apart along the midline.',
      },
    },
  },
  'on-cast': {
    good: 'It lies still under two fingers.',
    signs: {
      Wobbles: {
        by: 'finger',
        say: 'Pressed left and right in turn it ticks.',
        comes: 'It rocks in the mouth.',
      },
    },
  },
  'split-faces': {
    good: 'The faces meet without a line.',
    signs: {
      'A gap': { by: 'light', say: 'Light comes through between the stone and its plate.' },
      'Cast broke': { by: 'eye', say: 'A corner of the stone lies beside the cut.' },
    },
  },
  'remount-seated': {
    good: 'Both halves lie in their keys and do not stir.',
    signs: { 'Rocks or gaps': { by: 'finger', say: 'Pressed at the heel the front lifts by a hair.' } },
  },
  'surface-kept': {
    good: 'The gloss of the mould is still there.',
    signs: {
      'Matt or pitted': {
        by: 'dry',
        say: 'Blown off, the fitting side looks like frosted glass in a patch.',
      },
    },
  },
  'pumice-scratches': {
    good: 'Blown off, all of it is the same quiet grey.',
    signs: {
      'A scratch: catches a nail': {
        by: 'finger',
        say: 'Over the heel the fingertip is stopped by a furrow.',
      },
      'A scratch: seen wet': { by: 'eye', say: 'Under the water a line runs across the palate.' },
      'A scratch: only dry, with a lens': {
        by: 'dry',
        say: 'Blown off and magnified, hair lines lie crosswise behind the front ones.',
      },
    },
  },
  shine: {
    good: 'A window is mirrored without a break.',
    signs: {
      'A scratch: catches a nail': { by: 'finger', say: 'In the mirror a furrow stops the fingertip.' },
      'A scratch: seen wet': { by: 'eye', say: 'Under the water a line breaks the mirror.' },
      'A scratch: only dry, with a lens': {
        by: 'dry',
        say: 'Blown off and magnified, hair lines cross the mirror.',
      },
      'A scratch: only as haze against a lamp': {
        by: 'light',
        say: 'Tilted before the light a breath of grey lies on it that no finger feels.',
      },
      Dull: { by: 'dry', say: 'Blown off, the window is a pale patch without a frame.' },
    },
  },
  'putty-whole': {
    good: 'Every edge is printed, thin and whole.',
    signs: { 'Air or a tear': { by: 'lens', say: 'Beside an incisal edge a round pit, its rim frayed.' } },
  },
  level: {
    good: 'The rim lies flat with the bench.',
    signs: { Leaning: { by: 'eye', say: 'The liquid stands higher on one side than on the other.' } },
  },
  filled: {
    good: 'One colour to the edge.',
    signs: { 'White spots': { by: 'lens', say: 'Pale specks lie under the surface of one.' } },
  },
  'copies-right': {
    good: 'Like the stone ones, edge for edge.',
    signs: {
      'Pores or white spots': { by: 'lens', say: 'In the neck of one a nest of pinpricks.' },
      'An edge burnt off': { by: 'eye', say: 'One incisal line is rounded and smells of the wheel.' },
    },
  },
}
