import type { Region } from './region.ts'

const teeth: Region = {
  id: 'teeth',
  name: 'Tooth faces',
  good: 'Bare and clean up to the neck: the mould must grip them.',
  faults: [{ fault: 'Wax on a tooth', say: 'Wipe or cut the wax off the tooth, then look again.' }],
}
const chewing: Region = {
  id: 'chewing',
  name: 'Chewing faces',
  good: 'No wax on any contact.',
  faults: [{ fault: 'Wax on a contact', say: 'Clean the chewing faces, then close once more.' }],
}
const margins: Region = {
  id: 'margins',
  name: 'Gum line',
  good: 'Carved at about 45°, highest a little distal of the middle, no jump from canine to premolar.',
  faults: [
    { fault: 'Too flat', say: 'Carve the margins at about 45°.' },
    { fault: 'A jump at the canine', say: 'Bring the neck heights of canine and premolar together.' },
    { fault: 'Neck buried', say: 'Expose the teeth down to the neck.' },
  ],
}
const papillae: Region = {
  id: 'papillae',
  name: 'Papillae',
  good: 'Fill the space between the necks, not swollen.',
  faults: [
    { fault: 'Swollen', say: 'Cut the papillae back.' },
    { fault: 'Missing', say: 'Add wax between the necks.' },
  ],
}
const roots: Region = {
  id: 'roots',
  name: 'Roots',
  good: 'Hollows between, narrowing upward, the canine the strongest; subtle.',
  faults: [
    { fault: 'Bulging', say: 'Scrape the roots down until they are only felt.' },
    { fault: 'Flat', say: 'Cut hollows between the roots.' },
  ],
}
const flange: Region = {
  id: 'flange',
  name: 'Flange',
  good: 'Slightly hollow above the roots.',
  faults: [{ fault: 'Too full', say: 'Scrape the flange slightly hollow.' }],
}
const border: Region = {
  id: 'border',
  name: 'Border and sulcus',
  good: 'Thick and rounded, ends at the land, nothing in the sulcus: the base goes fully home.',
  faults: [
    { fault: 'Wax in the sulcus', say: 'Cut it back to the land and seat the base again.' },
    { fault: 'Thin', say: 'Add to the border until it fills the roll of the cast.' },
  ],
}
const frena: Region = {
  id: 'frena',
  name: 'Frena',
  good: 'Relieved with a V notch.',
  faults: [{ fault: 'Not relieved', say: 'Cut a V for the frenum.' }],
}
const palate: Region = {
  id: 'palate',
  name: 'Palate',
  good: 'Even thickness, runs smoothly to the teeth.',
  faults: [{ fault: 'Uneven', say: 'Lay a fresh even sheet over the palate.' }],
}
const postDam: Region = {
  id: 'post-dam',
  name: 'Post-dam',
  good: 'Its line kept, no step.',
  faults: [{ fault: 'Lost', say: 'Find the line on the cast and end the wax at it.' }],
}
const lingual: Region = {
  id: 'lingual',
  name: 'Lingual side',
  good: 'Hollow, room for the tongue.',
  faults: [{ fault: 'Bulges into the tongue space', say: 'Scrape the lingual side hollow.' }],
}
const claspArm: Region = {
  id: 'clasp-arm',
  name: 'Flexing clasp arm',
  good: 'Bare: it must flex.',
  faults: [{ fault: 'Wax on the arm', say: 'Clear the arm all round; only the tail lies in wax.' }],
}
const outline: Region = {
  id: 'outline',
  name: 'Drawn outline',
  good: 'Wax ends on the pencil line, joins invisible.',
  faults: [
    { fault: 'Past the line', say: 'Trim to the line.' },
    { fault: 'Short of the line', say: 'Add wax to the line.' },
    { fault: 'A join shows', say: 'Run the join together and smooth it.' },
  ],
}

/** A wax denture, from the teeth to the border: common practice. */
export const dentureWaxRegions = {
  upperDenture: [teeth, chewing, margins, papillae, roots, flange, border, frena, palate, postDam],
  lowerDenture: [teeth, chewing, margins, papillae, roots, flange, border, frena, lingual],
  partial: [teeth, chewing, claspArm, outline, border],
} as const satisfies Readonly<Record<string, readonly Region[]>>
