import { COMMON_PRACTICE, type MaterialCard } from './material-card.ts'
import { gaugeMillimetres } from './wire-gauge.ts'

const silicone = (liquidPart: string) =>
  ({
    by: 'parts',
    powderPart: 'part of base',
    liquidPart,
    liquidPartsPerPowderPart: 1,
    source: COMMON_PRACTICE,
  }) as const

/** Investments. Ratios: common practice; the liquid of the phosphate-bonded one is special liquid with water. */
export const investmentCards: readonly MaterialCard[] = [
  {
    id: 'phosphate-investment',
    name: 'Phosphate-bonded investment',
    family: 'investment',
    powderName: 'powder',
    liquidName: 'diluted special liquid',
    investment: {
      binder: 'phosphate',
      peakCelsius: 850,
      vacuumSeconds: 60,
      mixCelsius: [20, 23],
      hotEntry: false,
      source: COMMON_PRACTICE,
    },
    measure: {
      by: 'mass',
      minMillilitresPerGram: 0.16,
      usualMillilitresPerGram: 0.2,
      maxMillilitresPerGram: 0.23,
      liquidGramsPerMillilitre: 1.1,
      source: 'common practice: about 0.16-0.23 mL/g',
    },
    density: {
      gramsPerCm3: 2.5,
      source: 'our estimate between quartz 2.65 and cristobalite 2.33 g/cm3, recalled',
    },
    clock: {
      wettedMinutes: 0.5,
      mixedMinutes: 1.5,
      pourByMinutes: 4,
      setMinutes: 10,
      separateMinutes: 45,
      source: 'common practice: bench set 45-60 min, unless the pack allows a fast burnout',
    },
    notes: ['More special liquid: more setting expansion. The table of the pack decides.'],
  },
  {
    id: 'gypsum-investment',
    name: 'Gypsum-bonded investment',
    family: 'investment',
    powderName: 'powder',
    liquidName: 'water',
    investment: {
      binder: 'gypsum',
      peakCelsius: 680,
      vacuumSeconds: 45,
      mixCelsius: [20, 23],
      hotEntry: false,
      source: COMMON_PRACTICE,
    },
    measure: {
      by: 'mass',
      minMillilitresPerGram: 0.38,
      usualMillilitresPerGram: 0.4,
      maxMillilitresPerGram: 0.42,
      liquidGramsPerMillilitre: 1,
      source: 'common practice: about 0.38-0.42 mL/g',
    },
    density: {
      gramsPerCm3: 2.5,
      source: 'our estimate between quartz 2.65 and hemihydrate 2.75, cristobalite 2.33 g/cm3, recalled',
    },
    clock: {
      wettedMinutes: 0.5,
      mixedMinutes: 1.5,
      pourByMinutes: 5,
      setMinutes: 12,
      separateMinutes: 45,
      source: COMMON_PRACTICE,
    },
    notes: ['Low-fusing gold only; never above about 700 °C in burnout.'],
  },
]

/** Sheet wax by gauge; the thickness is that of the wire gauge. */
const waxSheets = [20, 22, 24, 26, 28, 30].map(
  (gauge): MaterialCard => ({
    id: `sheet-wax-${gauge}`,
    name: `Sheet wax, ${gauge} gauge`,
    family: 'wax',
    powderName: 'sheet',
    liquidName: '',
    thickness: { millimetres: gaugeMillimetres(gauge), source: 'ASTM B258' },
    density: { gramsPerCm3: 0.95, source: `${COMMON_PRACTICE}: about 0.95 g/cm3, measured or entered` },
    notes: ['Two layers give an even spacer under a tray.'],
  }),
)

const aid = (
  id: string,
  name: string,
  note: string,
  family: MaterialCard['family'] = 'aid',
): MaterialCard => ({
  id,
  name,
  family,
  powderName: name.toLowerCase(),
  liquidName: '',
  notes: [note],
})

/** What the cast jobs use beside gypsum. */
export const benchCards: readonly MaterialCard[] = [
  ...waxSheets,
  {
    ...aid(
      'impression-silicone',
      'Impression silicone',
      'Stable, but repels water: wetting agent before stone.',
    ),
    family: 'impression',
    powderName: 'base',
    liquidName: 'catalyst',
    measure: silicone('part of catalyst'),
    clock: {
      mixedMinutes: 0.75,
      pourByMinutes: 2,
      setMinutes: 5,
      separateMinutes: 6,
      source: COMMON_PRACTICE,
    },
  },
  {
    ...aid(
      'tissue-silicone',
      'Soft-tissue silicone',
      'Generous round every joint; separator on a silicone tray first.',
    ),
    family: 'impression',
    powderName: 'base',
    liquidName: 'catalyst',
    measure: silicone('part of catalyst'),
    clock: {
      mixedMinutes: 0.5,
      pourByMinutes: 1.5,
      setMinutes: 5,
      separateMinutes: 6,
      source: `${COMMON_PRACTICE}: sets in 5-6 min`,
    },
  },
  aid('light-cure-gel', 'Light-cure gel', 'No mixing. Keep it from light until it is shaped.', 'lightCure'),
  aid(
    'light-cure-sheet',
    'Light-cure tray sheet',
    'No mixing. About 2 min of light over wax: longer melts it.',
    'lightCure',
  ),
  aid('wetting-agent', 'Wetting agent', 'Spray, wait about 2 min, blow dry so that none pools.'),
  aid('cyanoacrylate', 'Thin adhesive', 'A drop on a dry fit; it takes up room, so little is more.'),
  aid('petroleum-jelly', 'Petroleum jelly', 'A thin film; wipe off what pools.'),
  aid('waxed-floss', 'Waxed floss', 'A scaffold woven round the copings.'),
  aid(
    'surface-disinfectant',
    'Surface disinfectant',
    'Wet for its whole contact time, then rinsed. No bleach on clasps or frames, no alcohol on resin.',
    'disinfectant',
  ),
  aid('tray-adhesive', 'Tray adhesive', 'Thin, dry before loading.'),
  {
    ...aid('water', 'Water', 'At room temperature unless the pack says otherwise.', 'liquid'),
    density: { gramsPerCm3: 1, source: 'exact to 0.3 % at room temperature: 0.997 at 25 °C' },
  },
  {
    ...aid('monomer', 'Methyl methacrylate', 'Flammable; ventilate; no skin contact.', 'liquid'),
    density: { gramsPerCm3: 0.945, source: 'at 20 °C, Phillips; CRC Handbook, both recalled' },
  },
  {
    ...aid(
      'special-liquid',
      'Special liquid',
      'Colloidal silica. Frost spoils it. Dilute by the table of the pack.',
      'liquid',
    ),
    density: { gramsPerCm3: 1.2, source: `${COMMON_PRACTICE}: about 1.2 g/mL` },
  },
]
