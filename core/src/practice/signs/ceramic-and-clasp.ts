import type { SignBook } from './sign-book.ts'

/** Ceramics, milled or green, and clear clasps. */
export const ceramicAndClaspSigns: SignBook = {
  whole: {
    good: 'Against the light it is even to the edge.',
    signs: {
      'A chip or a crack': {
        by: 'light',
        say: 'Held before the lamp a bright hair runs up from the edge.',
        comes: 'It came apart in use.',
      },
    },
  },
  'own-tools': {
    good: 'The point is white with the dust of its kind.',
    signs: { 'Used on metal': { by: 'lens', say: 'Grey smears lie between the grains of the point.' } },
  },
  'margins-kept': {
    good: 'The edges are as the machine left them.',
    signs: {
      Touched: {
        by: 'lens',
        say: 'For two millimetres the edge is rounder than next to it.',
        comes: 'It stands open at the edge.',
      },
    },
  },
  'texture-first': {
    good: 'Fine lines run as on the neighbours.',
    signs: { 'Smooth already': { by: 'light', say: 'Side light slides over the front and finds no line.' } },
  },
  'dust-off': {
    good: 'The grooves are as clean as the cusps.',
    signs: {
      'Dust in the grooves': { by: 'lens', say: 'A white thread lies at the bottom of the fissure.' },
    },
  },
  cracks: {
    good: 'Even light all through.',
    signs: {
      'A crack': {
        by: 'light',
        say: 'With a lamp behind it a bright hair runs from the shoulder up.',
        comes: 'It came apart in the mouth.',
      },
    },
  },
  'contacts-polished': {
    good: 'Foil holds on both sides and comes out whole.',
    signs: {
      'Too tight': { by: 'paper', say: 'The foil tears beside it.' },
      Open: { by: 'light', say: 'A line of light stands beside it.' },
    },
  },
  clean: {
    good: 'Water runs off in a sheet.',
    signs: { 'Dust or grease': { by: 'lens', say: 'In the fissure water draws back from a spot.' } },
  },
  dry: {
    good: 'White and even.',
    signs: {
      'A dark spot': {
        by: 'eye',
        say: 'Near the shoulder it is a shade greyer, and it shrinks as one looks.',
      },
    },
  },
  'dry-first': {
    good: 'White and even.',
    signs: { 'A dark spot': { by: 'eye', say: 'Inside near the floor it is a shade greyer.' } },
  },
  'outside-clean': {
    good: 'Nothing on the outside.',
    signs: { 'Support on it': { by: 'lens', say: 'A grey crumb of paste sticks below the edge, outside.' } },
  },
  fades: {
    good: 'The colour ends without an end.',
    signs: {
      'A hard stop': { by: 'lens', say: 'The colour ends in a line like the edge of a stamp.' },
      'It pools': { by: 'light', say: 'In the fissure stands a darker, wet drop.' },
    },
  },
  'glaze-even': {
    good: 'Thin and even to the edge.',
    signs: {
      'A pool or a streak': { by: 'light', say: 'Side light shows a thick bead along the shoulder.' },
    },
  },
  'seats-again': {
    good: 'It goes home as before.',
    signs: { 'Held up': { by: 'paper', say: 'The spray rubs off at one spot near the edge.' } },
  },
  'stub-blended': {
    good: 'Where the stub was, the wall goes on.',
    signs: {
      'Stands proud': { by: 'finger', say: 'A nail drawn over the wall climbs a step.' },
      'Ground flat': { by: 'light', say: 'Side light shows a facet in the curve.' },
      'A chip or a crack': {
        by: 'light',
        say: 'With a lamp behind it a bright shell lies under the place of the stub.',
      },
    },
  },
  'blast-pressure': {
    good: 'Its sheet is followed.',
    signs: {
      'Blasted, not allowed': {
        by: 'lens',
        say: 'Inside it is as dull as the sand; the sheet wants it untouched.',
      },
    },
  },
  'glaze-expansion': {
    good: 'The sheet of the bottle names its figure.',
    signs: { 'Not named': { by: 'eye', say: 'The sheet of the bottle leaves that line blank.' } },
  },
  'hybrid-surface': {
    good: 'Quiet gloss all over.',
    signs: { 'Scratches left': { by: 'dry', say: 'Blown off, straight hair lines lie on the cusps.' } },
  },
  undercut: {
    good: 'The block-out runs along the line; below it the tooth is free.',
    signs: {
      'Severe, still open': {
        by: 'instrument',
        say: 'The rod, moved down, stands far off the tooth below the wax.',
      },
      'None left': { by: 'instrument', say: 'The rod touches the tooth from top to gum.' },
    },
  },
  detail: {
    good: 'Every line of the tooth is printed.',
    signs: {
      'Detail missing': { by: 'lens', say: 'Between the teeth the strip bridges over.' },
      Bubbles: { by: 'light', say: 'With a lamp behind it round lenses hang in the strip.' },
      Scorched: { by: 'eye', say: 'One end is yellow and smells.' },
    },
  },
  'clasp-fits': {
    good: 'It clicks on and lies still.',
    signs: {
      'Stands off': { by: 'light', say: 'A line of light lies between arm and tooth.' },
      'Too stiff to pass': { by: 'finger', say: 'Pressed over the bulge the stone grates before it gives.' },
    },
  },
  covered: {
    good: 'Wax on every face, the tang free.',
    signs: {
      'A face is bare': { by: 'lens', say: 'On the tongue side the clear strip looks through.' },
      'The tang is covered': { by: 'eye', say: 'Where it will be held the wax has run over it.' },
    },
  },
  'covered-again': {
    good: 'Wax on every face, the tang free.',
    signs: {
      'A face is bare': { by: 'lens', say: 'Near the gum the clear strip looks through again.' },
      'The tang is covered': { by: 'eye', say: 'The end that will be held has wax on it.' },
    },
  },
  'base-waxed': {
    good: 'The wax ends at the clasp.',
    signs: { 'On the clasp': { by: 'lens', say: 'A pink tongue has run onto the clear arm.' } },
  },
  clear: {
    good: 'Print can be read through it.',
    signs: {
      Cloudy: { by: 'light', say: 'With a lamp behind it the arm is like breath on a window.' },
      Cracked: {
        by: 'light',
        say: 'Near the shoulder a silver line stands across the arm.',
        comes: 'The arm came off.',
      },
    },
  },
  joint: {
    good: 'Base and arm bend as one.',
    signs: {
      Gives: {
        by: 'finger',
        say: 'Bent lightly it ticks where the arm goes in.',
        comes: 'The arm came out of its base.',
      },
    },
  },
  home: {
    good: 'Down all round, the bite as before.',
    signs: {
      'Clasp stands off': { by: 'light', say: 'Light lies between arm and tooth.' },
      High: { by: 'paper', say: 'The foil is kept by the arm and slides out next to it.' },
    },
  },
}
