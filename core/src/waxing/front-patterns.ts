import type { DrawnLine, GroovePattern } from './groove-pattern.ts'

const incisor: DrawnLine = [
  [24, 4],
  [50, 3],
  [76, 4],
  [80, 34],
  [72, 66],
  [62, 90],
  [50, 96],
  [38, 90],
  [28, 66],
  [20, 34],
]
const slender: DrawnLine = [
  [30, 4],
  [50, 3],
  [70, 4],
  [72, 36],
  [66, 68],
  [58, 92],
  [50, 96],
  [42, 92],
  [34, 68],
  [28, 36],
]
const canine: DrawnLine = [
  [26, 26],
  [46, 6],
  [54, 6],
  [78, 28],
  [78, 46],
  [70, 72],
  [60, 92],
  [50, 96],
  [40, 92],
  [28, 72],
  [22, 46],
]
/** The marginal ridges of a width, from the edge down to the cingulum. */
const ridges = (inset: number): readonly DrawnLine[] => [
  [
    [24 + inset, 14],
    [26 + inset, 40],
    [42, 72],
  ],
  [
    [76 - inset, 14],
    [74 - inset, 40],
    [58, 72],
  ],
]

/**
 * How front teeth are usually formed, from lingual, incisal at the top: fossa, cingulum, marginal ridges. Not to scale.
 * Source: dental anatomy as taught, recalled; the drawings our own.
 */
export const frontPatterns: readonly GroovePattern[] = [
  {
    id: 'upper-incisor-broad-fossa',
    face: 'lingual',
    name: 'One broad fossa',
    on: [{ arch: 'upper', places: [1] }],
    says: 'Wide and shallow between two marginal ridges; the cingulum smooth, a little distal of the middle.',
    outline: incisor,
    grooves: ridges(4),
    cusps: [[54, 78]],
    pits: [],
  },
  {
    id: 'upper-incisor-grooved-cingulum',
    face: 'lingual',
    name: 'Grooves onto the cingulum',
    on: [{ arch: 'upper', places: [1] }],
    says: 'Strong marginal ridges; two fine grooves run from the fossa onto the cingulum.',
    outline: incisor,
    grooves: [
      ...ridges(4),
      [
        [46, 58],
        [47, 74],
      ],
      [
        [54, 58],
        [53, 74],
      ],
    ],
    cusps: [[50, 82]],
    pits: [],
  },
  {
    id: 'upper-lateral-deep-fossa',
    face: 'lingual',
    name: 'Deep narrow fossa',
    on: [{ arch: 'upper', places: [2] }],
    says: 'The deepest fossa of the front teeth; ridges strong, a pit where they meet above the cingulum.',
    outline: incisor,
    grooves: [
      ...ridges(10),
      [
        [42, 72],
        [50, 75],
        [58, 72],
      ],
    ],
    cusps: [[50, 84]],
    pits: [[50, 74]],
  },
  {
    id: 'upper-lateral-flat-fossa',
    face: 'lingual',
    name: 'Flat fossa',
    on: [{ arch: 'upper', places: [2] }],
    says: 'Like a small central: shallow, its ridges soft, no pit.',
    outline: incisor,
    grooves: ridges(6),
    cusps: [[50, 80]],
    pits: [],
  },
  {
    id: 'upper-canine-two-fossae',
    face: 'lingual',
    name: 'Lingual ridge, two fossae',
    on: [{ arch: 'upper', places: [3] }],
    says: 'A ridge from the tip to a large cingulum parts the face into a mesial and a distal fossa.',
    outline: canine,
    grooves: [
      ...ridges(4),
      [
        [50, 14],
        [50, 66],
      ],
    ],
    cusps: [
      [50, 10],
      [50, 80],
    ],
    pits: [],
  },
  {
    id: 'upper-canine-one-fossa',
    face: 'lingual',
    name: 'One shallow fossa',
    on: [{ arch: 'upper', places: [3] }],
    says: 'The lingual ridge hardly raised; cingulum and marginal ridges still strong.',
    outline: canine,
    grooves: ridges(4),
    cusps: [
      [50, 10],
      [50, 80],
    ],
    pits: [],
  },
  {
    id: 'lower-incisor-smooth',
    face: 'lingual',
    name: 'Smooth, hardly a fossa',
    on: [{ arch: 'lower', places: [1, 2] }],
    says: 'A shallow hollow towards the edge; ridges hardly seen, the cingulum small and smooth.',
    outline: slender,
    grooves: ridges(12),
    cusps: [[50, 82]],
    pits: [],
  },
  {
    id: 'lower-lateral-turned',
    face: 'lingual',
    name: 'Turned along the arch',
    on: [{ arch: 'lower', places: [2] }],
    says: 'As a central, but the edge follows the arch and the cingulum lies distal of the middle.',
    outline: slender,
    grooves: ridges(12),
    cusps: [[55, 82]],
    pits: [],
  },
  {
    id: 'lower-canine-flat',
    face: 'lingual',
    name: 'Flat, weak ridge',
    on: [{ arch: 'lower', places: [3] }],
    says: 'Flatter than the upper: a weak lingual ridge, shallow fossae, the mesial side nearly straight.',
    outline: canine,
    grooves: [
      ...ridges(6),
      [
        [50, 20],
        [50, 58],
      ],
    ],
    cusps: [
      [48, 10],
      [52, 82],
    ],
    pits: [],
  },
]
