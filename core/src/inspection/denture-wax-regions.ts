import type { Source } from '../materials/index.ts'
import { COMMON_PRACTICE } from '../materials/index.ts'
import { DomainError } from '../refusal/index.ts'

/** A region of a wax denture: what good looks like there, and what is commonly wrong. */
export interface ContourRegion {
  readonly id: string
  readonly name: string
  readonly good: string
  /** What may be wrong, and what to do about it. */
  readonly faults: readonly { readonly fault: string; readonly say: string }[]
}

/** The drawings that are tapped. */
export type ContourDrawing = 'upperDenture' | 'lowerDenture' | 'partial'

export const CONTOUR_SOURCE: Source = COMMON_PRACTICE

const teeth: ContourRegion = {
  id: 'teeth',
  name: 'Tooth faces',
  good: 'Bare and clean up to the neck: the mould must grip them.',
  faults: [{ fault: 'Wax on a tooth', say: 'Wipe or cut the wax off the tooth, then look again.' }],
}
const chewing: ContourRegion = {
  id: 'chewing',
  name: 'Chewing faces',
  good: 'No wax on any contact.',
  faults: [{ fault: 'Wax on a contact', say: 'Clean the chewing faces, then close once more.' }],
}
const margins: ContourRegion = {
  id: 'margins',
  name: 'Gum line',
  good: 'Carved at about 45°, highest a little distal of the middle, no jump from canine to premolar.',
  faults: [
    { fault: 'Too flat', say: 'Carve the margins at about 45°.' },
    { fault: 'A jump at the canine', say: 'Bring the neck heights of canine and premolar together.' },
    { fault: 'Neck buried', say: 'Expose the teeth down to the neck.' },
  ],
}
const papillae: ContourRegion = {
  id: 'papillae',
  name: 'Papillae',
  good: 'Fill the space between the necks, not swollen.',
  faults: [
    { fault: 'Swollen', say: 'Cut the papillae back.' },
    { fault: 'Missing', say: 'Add wax between the necks.' },
  ],
}
const roots: ContourRegion = {
  id: 'roots',
  name: 'Roots',
  good: 'Hollows between, narrowing upward, the canine the strongest; subtle.',
  faults: [
    { fault: 'Bulging', say: 'Scrape the roots down until they are only felt.' },
    { fault: 'Flat', say: 'Cut hollows between the roots.' },
  ],
}
const flange: ContourRegion = {
  id: 'flange',
  name: 'Flange',
  good: 'Slightly hollow above the roots.',
  faults: [{ fault: 'Too full', say: 'Scrape the flange slightly hollow.' }],
}
const border: ContourRegion = {
  id: 'border',
  name: 'Border and sulcus',
  good: 'Thick and rounded, ends at the land, nothing in the sulcus: the base goes fully home.',
  faults: [
    { fault: 'Wax in the sulcus', say: 'Cut it back to the land and seat the base again.' },
    { fault: 'Thin', say: 'Add to the border until it fills the roll of the cast.' },
  ],
}
const frena: ContourRegion = {
  id: 'frena',
  name: 'Frena',
  good: 'Relieved with a V notch.',
  faults: [{ fault: 'Not relieved', say: 'Cut a V for the frenum.' }],
}
const palate: ContourRegion = {
  id: 'palate',
  name: 'Palate',
  good: 'Even thickness, runs smoothly to the teeth.',
  faults: [{ fault: 'Uneven', say: 'Lay a fresh even sheet over the palate.' }],
}
const postDam: ContourRegion = {
  id: 'post-dam',
  name: 'Post-dam',
  good: 'Its line kept, no step.',
  faults: [{ fault: 'Lost', say: 'Find the line on the cast and end the wax at it.' }],
}
const lingual: ContourRegion = {
  id: 'lingual',
  name: 'Lingual side',
  good: 'Hollow, room for the tongue.',
  faults: [{ fault: 'Bulges into the tongue space', say: 'Scrape the lingual side hollow.' }],
}
const claspArm: ContourRegion = {
  id: 'clasp-arm',
  name: 'Flexing clasp arm',
  good: 'Bare: it must flex.',
  faults: [{ fault: 'Wax on the arm', say: 'Clear the arm all round; only the tail lies in wax.' }],
}
const outline: ContourRegion = {
  id: 'outline',
  name: 'Drawn outline',
  good: 'Wax ends on the pencil line, joins invisible.',
  faults: [
    { fault: 'Past the line', say: 'Trim to the line.' },
    { fault: 'Short of the line', say: 'Add wax to the line.' },
    { fault: 'A join shows', say: 'Run the join together and smooth it.' },
  ],
}

export const contourRegions: Readonly<Record<ContourDrawing, readonly ContourRegion[]>> = {
  upperDenture: [teeth, chewing, margins, papillae, roots, flange, border, frena, palate, postDam],
  lowerDenture: [teeth, chewing, margins, papillae, roots, flange, border, frena, lingual],
  partial: [teeth, chewing, claspArm, outline, border],
}

/** What was seen at a region; `fault` left out: good. */
export interface RegionSeen {
  readonly region: string
  readonly fault?: string
}

/**
 * Refuses an inspection that leaves a region out or names what the drawing does not have.
 * @throws {DomainError} `no-such-region`, `no-such-answer`, `region-missing`, `region-twice`
 */
export function checkRegions(drawing: ContourDrawing, seen: readonly RegionSeen[]): void {
  const regions = contourRegions[drawing]
  for (const { region, fault } of seen) {
    const known = regions.find(({ id }) => id === region)
    if (!known)
      throw new DomainError('no-such-region', `There is no region ${region}.`, 'Reload the case.', 'regions')
    if (fault !== undefined && !known.faults.some((each) => each.fault === fault))
      throw new DomainError(
        'no-such-answer',
        `"${fault}" is no answer at ${known.name.toLowerCase()}.`,
        `Choose: good; ${known.faults.map((each) => each.fault).join('; ')}.`,
        'regions',
      )
  }
  if (new Set(seen.map(({ region }) => region)).size !== seen.length)
    throw new DomainError('region-twice', 'A region is answered twice.', 'Look at each once.', 'regions')
  const missing = regions.find(({ id }) => !seen.some(({ region }) => region === id))
  if (missing)
    throw new DomainError(
      'region-missing',
      `${missing.name} has not been looked at.`,
      'Tap every region of the drawing.',
      'regions',
    )
}

/** The faults of an inspection, each with where and what to do. */
export function regionFaults(drawing: ContourDrawing, seen: readonly RegionSeen[]): readonly string[] {
  return seen.flatMap(({ region, fault }) => {
    if (fault === undefined) return []
    const known = contourRegions[drawing].find(({ id }) => id === region)
    const say = known?.faults.find((each) => each.fault === fault)?.say ?? ''
    return [`${known?.name ?? region}, ${fault.toLowerCase()}: ${say}`.replace(/\.$/, '')]
  })
}
