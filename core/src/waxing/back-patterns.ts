import type { DrawnLine, GroovePattern } from './groove-pattern.ts'

const upperPremolar: DrawnLine = [
  [50, 6],
  [74, 14],
  [84, 38],
  [80, 66],
  [68, 88],
  [50, 95],
  [32, 88],
  [20, 66],
  [16, 38],
  [26, 14],
]
const lowerPremolar: DrawnLine = [
  [50, 8],
  [76, 16],
  [86, 44],
  [80, 72],
  [62, 90],
  [38, 90],
  [20, 72],
  [14, 44],
  [24, 16],
]
const upperMolar: DrawnLine = [
  [24, 10],
  [50, 14],
  [78, 12],
  [92, 34],
  [90, 66],
  [74, 92],
  [46, 92],
  [20, 94],
  [6, 68],
  [8, 32],
]
const lowerMolar: DrawnLine = [
  [18, 12],
  [48, 8],
  [78, 12],
  [94, 36],
  [92, 70],
  [74, 90],
  [46, 92],
  [18, 88],
  [6, 64],
  [6, 32],
]

/**
 * How the grooves of back teeth usually run: reference drawings made for Yentrik, not to scale.
 * Source: dental anatomy as taught, recalled; the drawings our own.
 */
export const backPatterns: readonly GroovePattern[] = [
  {
    id: 'upper-premolar-long',
    name: 'Long central groove',
    on: [{ arch: 'upper', places: [4] }],
    says: 'One groove from pit to pit, running over the mesial marginal ridge; buccal cusp the larger.',
    outline: upperPremolar,
    grooves: [
      [
        [16, 54],
        [30, 50],
        [70, 50],
      ],
      [
        [30, 50],
        [22, 34],
      ],
      [
        [70, 50],
        [78, 34],
      ],
    ],
    cusps: [
      [50, 24],
      [48, 76],
    ],
    pits: [
      [30, 50],
      [70, 50],
    ],
  },
  {
    id: 'upper-premolar-short',
    name: 'Short central groove',
    on: [{ arch: 'upper', places: [5] }],
    says: 'A short groove in the middle with several small ones off it; cusps nearly alike.',
    outline: upperPremolar,
    grooves: [
      [
        [38, 50],
        [62, 50],
      ],
      [
        [38, 50],
        [26, 38],
      ],
      [
        [38, 50],
        [28, 64],
      ],
      [
        [62, 50],
        [74, 38],
      ],
      [
        [62, 50],
        [72, 64],
      ],
    ],
    cusps: [
      [50, 24],
      [50, 76],
    ],
    pits: [
      [38, 50],
      [62, 50],
    ],
  },
  {
    id: 'lower-premolar-ridge',
    name: 'Two pits, ridge between',
    on: [{ arch: 'lower', places: [4] }],
    says: 'A ridge runs across from the large buccal to the small lingual cusp; a groove leaves to the mesial lingual.',
    outline: lowerPremolar,
    grooves: [
      [
        [28, 40],
        [28, 56],
        [36, 86],
      ],
      [
        [72, 40],
        [74, 58],
      ],
    ],
    cusps: [
      [50, 34],
      [52, 78],
    ],
    pits: [
      [28, 50],
      [72, 52],
    ],
  },
  {
    id: 'lower-premolar-y',
    name: 'Y, three cusps',
    on: [{ arch: 'lower', places: [5] }],
    says: 'A lingual groove parts two lingual cusps and meets the central one: a Y.',
    outline: lowerPremolar,
    grooves: [
      [
        [24, 50],
        [50, 56],
        [76, 50],
      ],
      [
        [50, 56],
        [52, 90],
      ],
    ],
    cusps: [
      [50, 28],
      [32, 74],
      [70, 76],
    ],
    pits: [
      [24, 50],
      [50, 56],
      [76, 50],
    ],
  },
  {
    id: 'lower-premolar-u',
    name: 'U, two cusps',
    on: [{ arch: 'lower', places: [5] }],
    says: 'The central groove curves around the buccal cusp: a U.',
    outline: lowerPremolar,
    grooves: [
      [
        [24, 42],
        [32, 56],
        [50, 60],
        [68, 56],
        [76, 42],
      ],
    ],
    cusps: [
      [50, 28],
      [50, 78],
    ],
    pits: [
      [24, 42],
      [76, 42],
    ],
  },
  {
    id: 'lower-premolar-h',
    name: 'H, two cusps',
    on: [{ arch: 'lower', places: [5] }],
    says: 'A straight central groove, with one across each end: an H.',
    outline: lowerPremolar,
    grooves: [
      [
        [28, 52],
        [72, 52],
      ],
      [
        [24, 36],
        [28, 52],
        [26, 68],
      ],
      [
        [76, 36],
        [72, 52],
        [74, 68],
      ],
    ],
    cusps: [
      [50, 28],
      [50, 78],
    ],
    pits: [
      [28, 52],
      [72, 52],
    ],
  },
  {
    id: 'upper-molar-oblique',
    name: 'Four cusps, oblique ridge',
    on: [{ arch: 'upper', places: [6, 7] }],
    says: 'An oblique ridge joins mesiopalatal and distobuccal cusp; the central groove ends at it, a distal oblique groove begins behind.',
    outline: upperMolar,
    grooves: [
      [
        [20, 50],
        [50, 46],
        [50, 13],
      ],
      [
        [20, 50],
        [14, 38],
      ],
      [
        [20, 50],
        [12, 60],
      ],
      [
        [82, 50],
        [70, 60],
        [60, 92],
      ],
    ],
    cusps: [
      [30, 26],
      [72, 26],
      [36, 74],
      [80, 76],
    ],
    pits: [
      [50, 46],
      [82, 50],
    ],
  },
  {
    id: 'upper-molar-three',
    name: 'Three cusps',
    on: [{ arch: 'upper', places: [7] }],
    says: 'No distopalatal cusp: the groove ends in a distal pit; heart-shaped from above.',
    outline: [
      [24, 10],
      [50, 14],
      [78, 12],
      [92, 32],
      [86, 58],
      [62, 90],
      [38, 92],
      [16, 76],
      [8, 36],
    ],
    grooves: [
      [
        [20, 48],
        [50, 44],
        [50, 13],
      ],
      [
        [50, 44],
        [80, 50],
      ],
    ],
    cusps: [
      [30, 26],
      [74, 26],
      [46, 72],
    ],
    pits: [
      [20, 48],
      [50, 44],
      [80, 50],
    ],
  },
  {
    id: 'lower-molar-five',
    name: 'Five cusps, Y',
    on: [{ arch: 'lower', places: [6] }],
    says: 'Two buccal grooves and one lingual meet the central groove: three buccal, two lingual cusps.',
    outline: lowerMolar,
    grooves: [
      [
        [16, 52],
        [40, 50],
        [52, 56],
        [84, 52],
      ],
      [
        [40, 50],
        [36, 10],
      ],
      [
        [68, 54],
        [74, 11],
      ],
      [
        [52, 56],
        [48, 92],
      ],
    ],
    cusps: [
      [20, 28],
      [56, 26],
      [86, 34],
      [28, 74],
      [70, 74],
    ],
    pits: [
      [16, 52],
      [52, 56],
      [84, 52],
    ],
  },
  {
    id: 'lower-molar-cross',
    name: 'Four cusps, cross',
    on: [{ arch: 'lower', places: [6, 7] }],
    says: 'Buccal and lingual groove meet the central one at one point: a cross.',
    outline: lowerMolar,
    grooves: [
      [
        [16, 50],
        [50, 50],
        [84, 50],
      ],
      [
        [50, 8],
        [50, 50],
        [48, 92],
      ],
    ],
    cusps: [
      [28, 28],
      [74, 28],
      [28, 74],
      [72, 74],
    ],
    pits: [
      [16, 50],
      [50, 50],
      [84, 50],
    ],
  },
]
