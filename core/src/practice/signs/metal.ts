import type { SignBook } from './sign-book.ts'

/** Investing and metal: crowns, bridges, posts. */
export const metalSigns: SignBook = {
  wetted: {
    good: 'A thin film, no drops.',
    signs: {
      Pools: { by: 'lens', say: 'In the corner under the sprue stands a clear drop.' },
      'None used': { by: 'eye', say: 'The first stroke of the brush pulls back from the wax in beads.' },
    },
  },
  seats: {
    good: 'It goes down by its own weight.',
    harmless: ['A bright rub where it met its neighbour.'],
    signs: {
      'Held up inside': { by: 'paper', say: 'A spot of marking spray comes off on one wall, high up.' },
      'Will not seat': {
        by: 'eye',
        say: 'Pressed with a thumb it stops a millimetre above the shoulder.',
        comes: 'It does not go down on the tooth.',
      },
      'Held up': { by: 'paper', say: 'The spray rubs off at one spot and nowhere else.' },
      Loose: { by: 'finger', say: 'Turned between two fingers it waggles in the root.' },
    },
  },
  'margin-fit': {
    good: 'A probe runs from root to crown without a stop.',
    harmless: ['The edge is a shade darker on one side.'],
    signs: {
      Open: {
        by: 'lens',
        say: 'Behind, the tip of the probe goes in and stays.',
        comes: 'The dentist finds the probe under its edge.',
      },
      Over: { by: 'finger', say: 'Drawn up from the root the probe catches on a lip.' },
    },
  },
  'cast-contacts': {
    good: 'Foil holds on both sides; the opposing prints are even.',
    signs: {
      'Contact tight': { by: 'paper', say: 'The foil tears between it and its neighbour.' },
      'Contact open': {
        by: 'light',
        say: 'Light stands between it and the tooth in front.',
        comes: 'Food packs in beside it.',
      },
      High: { by: 'paper', say: 'The foil is punched through here, and slides out next door.' },
    },
  },
  rounded: {
    good: 'No edge that a nail can find.',
    signs: {
      'A sharp edge or fold': { by: 'finger', say: 'The nail stops on the shoulder towards the tongue.' },
    },
  },
  oxide: {
    good: 'Grey and even all over.',
    signs: {
      Spots: { by: 'lens', say: 'Two black flecks stand on the grey.' },
      'Thick and dark': { by: 'eye', say: 'It is nearly black and comes off on a cloth.' },
    },
  },
  polished: {
    good: 'Like a mirror, the edge still keen.',
    signs: {
      Scratches: { by: 'dry', say: 'Wiped and blown off, fine straight lines lie across the gloss.' },
      'Margin rounded': {
        by: 'lens',
        say: 'The edge no longer ends in a line; it rolls under.',
        comes: 'Its edge stands off the tooth.',
      },
    },
  },
  'shape-kept': {
    good: 'It is as it was cast.',
    signs: {
      'An undercut': { by: 'lens', say: 'Seen along the post the wall goes in and comes out again.' },
      'A sharp edge': { by: 'finger', say: 'Where the channel was the nail catches.' },
      'Ground away': { by: 'instrument', say: 'The core measures less than the wax was noted to.' },
    },
  },
  'stone-clean': {
    good: 'The stone is fresh and its label says this metal.',
    signs: { 'Used on another alloy': { by: 'lens', say: 'Yellow traces shine in the pores of the stone.' } },
  },
  bubbles: {
    good: 'The post is smooth to its tip.',
    signs: { 'A bubble': { by: 'finger', say: 'A nail drawn down the post hops over a bead.' } },
  },
}
