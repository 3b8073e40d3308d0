import { COMMON_PRACTICE, type MassMeasure, type MaterialCard } from './material-card.ts'

const RATIO_SOURCE = "Phillips' Science of Dental Materials, recalled"

function wetted(min: number, usual: number, max: number, bagGrams?: number): MassMeasure {
  return {
    by: 'mass',
    minMillilitresPerGram: min,
    usualMillilitresPerGram: usual,
    maxMillilitresPerGram: max,
    liquidGramsPerMillilitre: 1,
    ...(bagGrams === undefined ? {} : { bagGrams }),
    source: RATIO_SOURCE,
  }
}
/** Days to dryness at room temperature, as minutes. */
const DRY_DAYS = 2 * 24 * 60
const stoneClock = {
  wettedMinutes: 0.5,
  mixedMinutes: 1.5,
  pourByMinutes: 6,
  glossLossMinutes: 8,
  setMinutes: 12,
  heatPeakMinutes: 25,
  separateMinutes: 45,
  trimFromMinutes: 60,
  dryMinutes: DRY_DAYS,
  source: COMMON_PRACTICE,
}
const water = {
  family: 'gypsum',
  powderName: 'powder',
  liquidName: 'water',
  density: { gramsPerCm3: 2.75, source: "hemihydrate, Phillips' Science of Dental Materials, recalled" },
} as const

/** The generic classes of ISO 6873, and the flask blend. Ratios: the published range; usual: its middle or the trade's. */
export const gypsumCards: readonly MaterialCard[] = [
  {
    ...water,
    id: 'impression-plaster',
    name: 'Impression plaster, type 1',
    gypsumType: 1,
    iso6873: { expansionPercent: { max: 0.15 }, strengthMegapascals: { min: 4, max: 8 } },
    measure: wetted(0.5, 0.6, 0.75),
    clock: {
      wettedMinutes: 0.25,
      mixedMinutes: 0.75,
      pourByMinutes: 2,
      setMinutes: 4,
      separateMinutes: 10,
      source: COMMON_PRACTICE,
    },
    notes: [],
  },
  {
    ...water,
    id: 'model-plaster',
    name: 'Model plaster, type 2',
    gypsumType: 2,
    // Class 1 of type 2 allows 0.05 %, class 2 0.06 to 0.30 %: the wider one stands here.
    iso6873: { expansionPercent: { max: 0.3 }, strengthMegapascals: { min: 9 } },
    measure: wetted(0.45, 0.5, 0.5),
    clock: { ...stoneClock, pourByMinutes: 5, glossLossMinutes: 8, setMinutes: 11, heatPeakMinutes: 22 },
    notes: ['Salt, slurry water and warmer water quicken the set; borax slows it.'],
  },
  {
    ...water,
    id: 'dental-stone',
    name: 'Dental stone, type 3',
    gypsumType: 3,
    iso6873: { expansionPercent: { max: 0.2 }, strengthMegapascals: { min: 20 } },
    measure: wetted(0.28, 0.3, 0.3),
    clock: stoneClock,
    notes: [],
  },
  {
    ...water,
    id: 'high-strength-stone',
    name: 'High-strength stone, type 4',
    gypsumType: 4,
    iso6873: { expansionPercent: { max: 0.15 }, strengthMegapascals: { min: 35 } },
    measure: wetted(0.22, 0.23, 0.24, 100),
    clock: stoneClock,
    notes: ['Some packs give 20 mL to a 100 g bag (0.20): the pack wins.'],
  },
  {
    ...water,
    id: 'high-expansion-stone',
    name: 'High-expansion die stone, type 5',
    gypsumType: 5,
    iso6873: { expansionPercent: { min: 0.16, max: 0.3 }, strengthMegapascals: { min: 35 } },
    measure: wetted(0.18, 0.2, 0.22),
    clock: stoneClock,
    notes: [],
  },
  {
    ...water,
    id: 'half-and-half',
    name: 'Half plaster, half stone',
    blend: [
      { materialId: 'model-plaster', massFraction: 0.5 },
      { materialId: 'dental-stone', massFraction: 0.5 },
    ],
    measure: {
      ...wetted(0.365, 0.4, 0.4),
      source: 'weighted mean of the two ratios (exact); ranges as plaster and stone',
    },
    clock: stoneClock,
    notes: ['Breaks out more easily than stone alone.'],
  },
]
