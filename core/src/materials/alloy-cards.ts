import type { AlloyFigures, MaterialCard } from './material-card.ts'

const HANDBOOK = 'handbook, recalled'
const SOURCE =
  'shrinkage Phillips, recalled; casting temperatures handbook, recalled, wide; turns and re-melting common practice'

const HALF_NEW = {
  remelt: 'With at least half new metal, where the maker allows it.',
  mostRemeltFraction: 0.5,
} as const

const charge = {
  family: 'alloy',
  worn: true,
  kindOf: 'casting-alloy',
  powderName: 'charge',
  liquidName: '',
  notes: ['Lot and share of returns into the record: a statement names them.'],
} as const

const gold = {
  usualBinder: 'gypsum',
  turns: [2, 3],
  takesCeramic: false,
  ...HALF_NEW,
  hazards: [],
  source: SOURCE,
} as const satisfies Partial<AlloyFigures>

/** Noble, and made to carry ceramic: it melts above the heat at which ceramic is fired. */
const nobleForCeramic = {
  usualBinder: 'phosphate',
  turns: [2, 4],
  takesCeramic: true,
  ...HALF_NEW,
  source:
    'casting temperatures handbook, recalled, wide; shrinkage our choice between gold and base metal, the pack wins; re-melting common practice',
} as const satisfies Partial<AlloyFigures>

const baseMetal = {
  shrinkageFraction: 0.023,
  usualBinder: 'phosphate',
  turns: [4, 5],
  takesCeramic: true,
  mostRemeltFraction: 0,
  remelt: 'Frameworks never. Posts only where the lab allows it, with lot and share on record.',
  source: SOURCE,
} as const satisfies Partial<AlloyFigures>

/** Casting alloys by class. A lab's own product overrules every figure. */
export const alloyMaterials: readonly MaterialCard[] = [
  {
    ...charge,
    id: 'gold-type-1',
    name: 'Gold alloy, type 1',
    density: { gramsPerCm3: 16.5, source: HANDBOOK },
    alloy: { ...gold, shrinkageFraction: 0.0156, castingCelsius: [1050, 1150] },
  },
  {
    ...charge,
    id: 'gold-type-2',
    name: 'Gold alloy, type 2',
    density: { gramsPerCm3: 15.9, source: HANDBOOK },
    alloy: { ...gold, shrinkageFraction: 0.0137, castingCelsius: [1000, 1100] },
  },
  {
    ...charge,
    id: 'gold-type-3',
    name: 'Gold alloy, type 3',
    density: { gramsPerCm3: 15.5, source: HANDBOOK },
    alloy: { ...gold, shrinkageFraction: 0.0142, castingCelsius: [980, 1080] },
  },
  {
    ...charge,
    id: 'gold-type-4',
    name: 'Gold alloy, type 4',
    density: { gramsPerCm3: 15.2, source: HANDBOOK },
    alloy: {
      ...gold,
      shrinkageFraction: 0.0142,
      castingCelsius: [930, 1050],
      source: `${SOURCE}; shrinkage as type 3, our choice`,
    },
  },
  {
    ...charge,
    id: 'gold-palladium',
    name: 'Gold-palladium for ceramic',
    density: { gramsPerCm3: 13.5, source: HANDBOOK },
    alloy: { ...nobleForCeramic, shrinkageFraction: 0.018, castingCelsius: [1300, 1400], hazards: [] },
  },
  {
    ...charge,
    id: 'palladium-silver',
    name: 'Palladium-silver for ceramic',
    density: { gramsPerCm3: 11, source: HANDBOOK },
    alloy: {
      ...nobleForCeramic,
      shrinkageFraction: 0.018,
      castingCelsius: [1280, 1380],
      hazards: ['Palladium: allergy.', 'Silver can discolour ceramic: keep muffle and tools apart.'],
    },
  },
  {
    ...charge,
    id: 'nickel-chromium',
    name: 'Nickel-chromium',
    density: { gramsPerCm3: 8.3, source: HANDBOOK },
    alloy: {
      ...baseMetal,
      castingCelsius: [1350, 1450],
      hazards: [
        'Nickel: allergy, dust harms the lungs.',
        'Some hold beryllium: dust and fume are poisonous.',
      ],
    },
  },
  {
    ...charge,
    id: 'cobalt-chromium',
    name: 'Cobalt-chromium',
    density: { gramsPerCm3: 8.4, source: HANDBOOK },
    alloy: {
      ...baseMetal,
      castingCelsius: [1400, 1500],
      hazards: ['Cobalt: allergy, dust harms the lungs.'],
    },
  },
]
