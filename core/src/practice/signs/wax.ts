import type { SignBook } from './sign-book.ts'

/** Wax of crowns, bridges and waxed-up teeth. */
export const waxSigns: SignBook = {
  'green-sound': {
    good: 'The wax lies even to the line.',
    harmless: ['A shade darker where two drops ran together.'],
    signs: {
      'A bubble': { by: 'lens', say: 'Under the skin of the wax shines a small bright ring.' },
      'Short of the line': {
        by: 'lens',
        say: 'Below the wax a thread of bare die can be followed round half the tooth.',
      },
    },
  },
  gloss: {
    good: 'Dull just as the opponent comes down.',
    signs: {
      'Still glossy: smeared': {
        by: 'eye',
        say: 'The wax shines like water and pulls a thread with the opposing cusp.',
      },
      'Hard: no mark': { by: 'paper', say: 'The foil comes away and leaves nothing behind it.' },
    },
  },
  'centric-stops': {
    good: 'Every supporting cusp has printed itself.',
    signs: { 'One is missing': { by: 'paper', say: 'The foil pulls out freely under the distal fossa.' } },
  },
  'shows-through': {
    good: 'The resin lies under an even skin.',
    signs: { 'Wax shows through': { by: 'lens', say: 'In the prints a green spot looks out of the red.' } },
  },
  'comes-off': {
    good: 'It lifts with one pull and keeps its shape.',
    signs: {
      'Will not come off': { by: 'finger', say: 'It follows the fingers by a hair and goes back.' },
      'Tears or bends': {
        by: 'lens',
        say: 'As it lifts one wall stays behind and the rim is no longer a ring.',
      },
    },
  },
  'no-voids': {
    good: 'The inside is a clean print of the die.',
    signs: { 'A void': { by: 'lens', say: 'Inside, near the floor, a dark dimple without a bottom.' } },
  },
  'margin-covered': {
    good: 'Wax ends on the line, thin and round.',
    harmless: ['A hair of the brush lies beside the line.'],
    signs: {
      Short: { by: 'lens', say: 'Behind, a thread of stone is to be seen below the wax.' },
      'Over the line': { by: 'finger', say: 'Drawn up from the root the nail catches on a lip.' },
      'Resin shows': { by: 'lens', say: 'Near the edge a red fleck looks out of the wax.' },
      'A fold': { by: 'lens', say: 'A fine crease runs down to the edge, like a hem.' },
    },
  },
  'stops-present': {
    good: 'The foil holds under every supporting cusp.',
    signs: {
      'One is gone': { by: 'paper', say: 'The foil slides out under the mesial fossa.' },
      'A high spot': { by: 'paper', say: 'Only one print is punched through; the others are faint.' },
    },
  },
  contacts: {
    good: 'Foil holds on both sides and comes out whole.',
    signs: {
      Open: { by: 'light', say: 'A line of light stands between it and its neighbour.' },
      'Too tight': { by: 'paper', say: 'The foil tears as it is pulled.' },
    },
  },
  'margin-last': {
    good: 'All round the wax lies on the die.',
    harmless: ['Dust on the shoulder, gone with a brush.'],
    signs: {
      'A gap': {
        by: 'lens',
        say: 'Towards the tongue a dark hair runs between wax and stone.',
        comes: 'The probe goes in under the crown.',
      },
      'Pattern bent': {
        by: 'lens',
        say: 'One side lies down, the other stands off, and pressing changes which.',
      },
    },
  },
  'tips-in-line': {
    good: 'All tips stand on the pencil line.',
    signs: { 'Out of line': { by: 'eye', say: 'From the front one cone leans towards the cheek.' } },
  },
  outline: {
    good: 'It is as wide as its fellow across the arch.',
    signs: {
      'Too full': { by: 'instrument', say: 'Dividers set on the fellow tooth will not pass over the wax.' },
      'Too narrow': { by: 'instrument', say: 'Dividers set on the fellow tooth have air on both sides.' },
    },
  },
  stops: {
    good: 'The foil holds where it should.',
    signs: {
      High: { by: 'paper', say: 'The foil holds here and slips out everywhere else.' },
      None: { by: 'paper', say: 'Closed, the foil can be waved between the teeth.' },
    },
  },
  'from-all-sides': {
    good: 'Turned in the light it is one tooth.',
    signs: {
      'Low somewhere': {
        by: 'light',
        say: 'Held against the lamp the ridge behind sinks under its neighbour.',
      },
      'Lines or folds': { by: 'light', say: 'Side light picks out a crease down the wall.' },
    },
  },
  margin: {
    good: 'It ends where it should, thin and even.',
    signs: {
      Rough: { by: 'finger', say: 'A nail drawn over the edge ticks.' },
      'Short or over': {
        by: 'lens',
        say: 'Half way about, the wax and the edge of the die go different ways.',
      },
    },
  },
  'buccal-line': {
    good: 'It stands in the sweep of its neighbours.',
    signs: {
      'Out of line': { by: 'eye', say: 'A ruler along the cheek side rests on one tooth and rocks.' },
    },
  },
  'lingual-line': {
    good: 'It stands in the sweep of its neighbours.',
    signs: { 'Out of line': { by: 'eye', say: 'Seen from the tongue the middle unit stands forward.' } },
  },
  rigid: {
    good: 'Lifted by one end it comes as one piece.',
    signs: {
      'One gives': { by: 'finger', say: 'Pressed lightly the middle nods and its neighbour does not.' },
    },
  },
  embrasures: {
    good: 'A probe passes under every joint.',
    signs: { Closed: { by: 'instrument', say: 'The probe stops on wax where floss should pass.' } },
  },
  'ridge-free': {
    good: 'The foil just slides under it.',
    signs: {
      Touches: { by: 'paper', say: 'The foil catches in one spot and frees itself.' },
      Presses: { by: 'paper', say: 'The foil is held fast wherever it is tried.' },
      'Stands off': { by: 'light', say: 'A broad band of light is to be seen below it.' },
      'Saddles the ridge': { by: 'lens', say: 'Towards the tongue it reaches round like a hand.' },
    },
  },
}
