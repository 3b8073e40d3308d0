import type { SignBook } from './sign-book.ts'

/** At the door and at the end: what comes in, whose it is, what goes along. */
export const doorSigns: SignBook = {
  'authorisation-complete': {
    good: 'Every line is filled in; the teeth and the words agree.',
    harmless: [
      'The writing leans, but it can be read.',
      'The shade was struck out and written again, with initials.',
    ],
    signs: {
      'Something is missing or unclear': {
        by: 'lens',
        say: 'The words say the left side, the crosses stand on the right.',
        comes: 'It was made for the other side of the mouth.',
      },
    },
  },
  'casts-sound': {
    good: 'Both arches are clean, the edges sharp.',
    harmless: ['A pencil line runs across one palate.'],
    signs: {
      'A bleb': { by: 'lens', say: 'On a cusp of the second molar sits a round grain that throws a shadow.' },
      'A break': { by: 'eye', say: 'The edge of an incisor ends in a fresh white face.' },
    },
  },
  'record-fits': {
    good: 'The record drops in and lies still.',
    signs: {
      'It rocks': { by: 'finger', say: 'Pressed at one end, the other lifts and comes down with a tick.' },
    },
  },
  'margin-in-impression': {
    good: 'The line runs round the tooth without a stop.',
    harmless: ['A thin fin of material lies well outside the line.'],
    signs: {
      'Torn or dragged': {
        by: 'lens',
        say: 'Towards the gum the line frays into threads and goes on one step lower.',
      },
      'A bubble on it': {
        by: 'lens',
        say: 'A pit the size of a pinhead sits in the line, its rim shining.',
      },
    },
  },
  'impression-whole': {
    good: 'The fold is full all round and the material lies fast.',
    harmless: [
      'A shallow pit in the palate, away from any tooth.',
      'The rim is thick on one side, but whole.',
      'A streak of two colours where it was mixed.',
    ],
    signs: {
      'Tray shows through': {
        by: 'light',
        say: 'Behind a lower edge a grey spot glints where there should be colour.',
        comes: 'The teeth of the cast are too long there: what was made on it does not go home.',
      },
      'Lifted from the tray': {
        by: 'finger',
        say: 'At the heel a blade slips in under the material and comes out clean.',
      },
      'Torn or part missing': {
        by: 'eye',
        say: 'At the left heel the material ends in a ragged lip; the tuber is not there.',
        comes: 'The border behind is a guess: it falls when the patient talks.',
      },
      'Loose from the tray': { by: 'finger', say: 'Pressed with a thumb the palate gives and springs back.' },
      'A coping moves': {
        by: 'finger',
        say: 'Touched with a probe one metal cylinder clicks from side to side.',
      },
    },
  },
  whose: {
    good: 'Code, teeth and docket say the same.',
    signs: {
      'Something differs': { by: 'eye', say: 'The last two figures on the box are not those of the docket.' },
    },
  },
  'as-prescribed': {
    good: 'Line by line it is what was written.',
    harmless: ['The order says "light", the box shows the lightest of three tabs.'],
    signs: {
      'Something differs': {
        by: 'lens',
        say: 'The order asks for one thing more in its last line, small, under the fold.',
      },
    },
  },
  labelled: {
    good: 'Label, papers and box belong together.',
    signs: { 'Something is missing': { by: 'eye', say: 'The place for the date of making is blank.' } },
  },
  'identification-reads': {
    good: 'Every letter stands out.',
    signs: {
      'Cannot be read': { by: 'lens', say: 'Under the resin two of the letters have run into one another.' },
    },
  },
  bag: {
    good: 'The film is tight, a bead of water runs along inside.',
    signs: {
      'Leaks or dry': {
        by: 'finger',
        say: 'Squeezed, a corner wets the fingers.',
        comes: 'It arrived warped: it had lain without water.',
      },
    },
  },
  antimicrobial: {
    good: 'The water has its colour and its smell.',
    signs: { 'Not in it': { by: 'eye', say: 'The water is as it comes from the tap.' } },
  },
  'handed-over': {
    good: 'Pattern, docket and weight lie together.',
    signs: { 'Something is missing': { by: 'eye', say: 'Beside the pattern lies no note of the metal.' } },
  },
  labels: {
    good: 'Both say the same code and the same day.',
    signs: {
      'One differs': {
        by: 'lens',
        say: 'The lower was given the day of pouring, the upper that of the mouth.',
      },
    },
  },
  'class-agrees': {
    good: 'Order, box and block name the same class.',
    signs: {
      'Something differs': {
        by: 'lens',
        say: 'The box names the strong kind; the print on the block ends in another letter.',
        comes: 'It was fired as what it is not: grey, and it will not hold.',
      },
    },
  },
}
