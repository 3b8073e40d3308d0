import { COMMON_PRACTICE, type MaterialCard } from './material-card.ts'

/** Density of methyl methacrylate at 20 °C, g/cm3. Source: Phillips; CRC Handbook (both recalled). */
export const MONOMER_GRAMS_PER_CM3 = 0.945
/** Density of poly(methyl methacrylate), g/cm3. Source: Phillips, recalled. */
export const POLYMER_GRAMS_PER_CM3 = 1.19
/** Inlay wax where nothing was measured, g/cm3 (common practice). */
export const USUAL_WAX_GRAMS_PER_CM3 = 0.95
/** Loose polymer beads, g/mL: puts 3:1 by volume at 2.25:1 by mass, the middle of 2 to 2.5 (common practice). */
export const LOOSE_POLYMER_GRAMS_PER_ML = 0.71

/**
 * Monomer per gram of powder, mL/g. Usual: 3 volumes of powder to 1 of monomer, 1/(3 · 0.71);
 * least and most: 2.5:1 and 2:1 by mass through the density of the monomer.
 */
const acrylicMeasure = {
  by: 'mass',
  minMillilitresPerGram: 1 / (2.5 * MONOMER_GRAMS_PER_CM3),
  usualMillilitresPerGram: 1 / (3 * LOOSE_POLYMER_GRAMS_PER_ML),
  maxMillilitresPerGram: 1 / (2 * MONOMER_GRAMS_PER_CM3),
  liquidGramsPerMillilitre: MONOMER_GRAMS_PER_CM3,
  powderGramsPerMillilitre: LOOSE_POLYMER_GRAMS_PER_ML,
  source: 'common practice: 3:1 by volume, 2 to 2.5:1 by mass',
} as const

const polymerDensity = { gramsPerCm3: POLYMER_GRAMS_PER_CM3, source: 'Phillips, recalled' }

export const otherCards: readonly MaterialCard[] = [
  {
    id: 'alginate',
    name: 'Alginate',
    family: 'impression',
    powderName: 'powder',
    liquidName: 'water',
    measure: {
      by: 'parts',
      powderPart: 'level scoop',
      liquidPart: 'unit of water',
      liquidPartsPerPowderPart: 1,
      source: 'common practice: 4 scoops an upper tray, 3 a lower',
    },
    clock: {
      mixedMinutes: 1,
      pourByMinutes: 2,
      setMinutes: 4,
      separateMinutes: 5,
      useWithinMinutes: 15,
      source: COMMON_PRACTICE,
    },
    notes: [
      'Whip against the bowl wall to drive out bubbles.',
      'Wipe some on the teeth first.',
      'Hold still until firm.',
    ],
  },
  {
    id: 'heat-cure-acrylic',
    name: 'Heat-cure acrylic',
    family: 'acrylic',
    worn: true,
    powderName: 'polymer',
    liquidName: 'monomer',
    measure: acrylicMeasure,
    density: polymerDensity,
    notes: ['Closed jar. Pack only in the dough stage, when it comes clean off the jar wall.'],
  },
  {
    id: 'cold-cure-acrylic',
    name: 'Cold-cure acrylic',
    family: 'acrylic',
    worn: true,
    powderName: 'polymer',
    liquidName: 'monomer',
    measure: acrylicMeasure,
    density: polymerDensity,
    clock: { pourByMinutes: 3, setMinutes: 5, separateMinutes: 10, source: COMMON_PRACTICE },
    notes: ['Sets in about 5 min: make one small piece at a time.'],
  },
  {
    id: 'two-part-putty',
    name: 'Two-part putty',
    family: 'putty',
    powderName: 'base',
    liquidName: 'catalyst',
    measure: {
      by: 'parts',
      powderPart: 'part of base',
      liquidPart: 'part of catalyst',
      liquidPartsPerPowderPart: 1,
      source: COMMON_PRACTICE,
    },
    clock: {
      mixedMinutes: 1,
      pourByMinutes: 2,
      setMinutes: 10,
      separateMinutes: 15,
      source: COMMON_PRACTICE,
    },
    notes: ['Knead to one colour; press without trapping air.'],
  },
  {
    id: 'baseplate-wax',
    name: 'Baseplate wax',
    family: 'wax',
    powderName: 'wax',
    liquidName: '',
    thickness: { millimetres: 1.4, source: 'common practice: a sheet is about 1.3-1.5 mm' },
    notes: ['Flow it hot: white bubbles mean it is too cold.'],
  },
  {
    id: 'inlay-wax',
    name: 'Inlay wax',
    family: 'wax',
    powderName: 'wax',
    liquidName: '',
    density: {
      gramsPerCm3: USUAL_WAX_GRAMS_PER_CM3,
      source: 'common practice: about 0.95, weigh a known piece',
    },
    notes: ['Small increments; it shrinks as it cools and creeps when it is warm.'],
  },
  {
    id: 'pattern-resin',
    name: 'Pattern resin',
    family: 'acrylic',
    powderName: 'polymer',
    liquidName: 'monomer',
    density: polymerDensity,
    notes: ['Small portions, thin: it shrinks as it sets.'],
  },
  {
    id: 'casting-alloy',
    name: 'Casting alloy',
    family: 'alloy',
    worn: true,
    powderName: 'charge',
    liquidName: '',
    notes: ['Lot and share of returns into the record: a statement names them.'],
  },
  {
    id: 'denture-teeth',
    name: 'Denture teeth',
    family: 'aid',
    worn: true,
    powderName: 'set',
    liquidName: '',
    notes: ['Write the lot of every set into the record.'],
  },
  {
    id: 'clasp-wire',
    name: 'Clasp wire',
    family: 'aid',
    worn: true,
    powderName: 'length',
    liquidName: '',
    notes: ['Bent once: a bend that is opened again is where it breaks.'],
  },
  {
    id: 'clear-strip',
    name: 'Clear clasp strip',
    family: 'aid',
    worn: true,
    powderName: 'strip',
    liquidName: '',
    notes: ['Dried before it is warmed: moist it bubbles.'],
  },
  {
    id: 'separator',
    name: 'Gypsum and resin separator',
    family: 'aid',
    powderName: 'separator',
    liquidName: '',
    notes: ['Thin coats; none on the teeth.'],
  },
]
