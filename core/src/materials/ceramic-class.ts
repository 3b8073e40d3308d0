/** What a ceramic is: it decides steps, limits and programs. */
export const ceramicClasses = [
  'feldspar',
  'disilicate-blue',
  'disilicate',
  'zirconia3y',
  'zirconia4y',
  'zirconia5y',
  'hybrid',
] as const
export type CeramicClass = (typeof ceramicClasses)[number]

/** Walls at the gate, mm: thinner is refused, below `good` it is said. */
interface Walls {
  readonly least: number
  readonly good: number
}

export interface CeramicFigures {
  readonly name: string
  /** A resin-bonded one never goes into a furnace. */
  readonly fires: boolean
  /** It arrives as chalk and is sintered. */
  readonly zirconia: boolean
  /** It arrives blue, and its first firing is its crystallisation. */
  readonly crystallises?: true
  readonly walls: { readonly crown: Walls; readonly veneer: Walls }
  /** Alumina of 50 µm before stain, at most; undefined: only where its maker allows it. */
  readonly mostBlastKilopascals?: number
  /** Linear, ppm/K. */
  readonly expansion?: number
  /** Slowly down to here on thick work. */
  readonly glassTransitionCelsius?: number
  /** So often it may be fired. */
  readonly mostFirings: number
  /** Peak of a stain firing; that of a glaze lies lower. */
  readonly stainCelsius?: number
  readonly sinterCelsius?: number
  /** Without a pore. */
  readonly gramsPerCm3?: number
  readonly source: string
}

const zirconia = { fires: true, zirconia: true, mostBlastKilopascals: 200, mostFirings: 5, stainCelsius: 820 }

/**
 * Walls, blasting pressure, expansion of 3Y and of disilicate, firings, sintering from 1450 to 1550 °C: materials textbooks and
 * ISO 6872, recalled. Peaks of stain firings and the rest are our choice for a start: the maker's sheet decides.
 */
export const ceramicFigures: Readonly<Record<CeramicClass, CeramicFigures>> = {
  feldspar: {
    name: 'Feldspar or leucite',
    fires: true,
    zirconia: false,
    walls: { crown: { least: 1.5, good: 2 }, veneer: { least: 0.5, good: 0.7 } },
    glassTransitionCelsius: 600,
    mostFirings: 4,
    stainCelsius: 780,
    source: 'materials textbooks, recalled; peak: our choice',
  },
  'disilicate-blue': {
    name: 'Lithium disilicate, blue',
    fires: true,
    zirconia: false,
    crystallises: true,
    walls: { crown: { least: 1, good: 1.5 }, veneer: { least: 0.3, good: 0.5 } },
    mostBlastKilopascals: 100,
    expansion: 10.2,
    glassTransitionCelsius: 560,
    mostFirings: 4,
    stainCelsius: 770,
    source: 'materials textbooks, recalled; peak: our choice',
  },
  disilicate: {
    name: 'Lithium disilicate, crystallised',
    fires: true,
    zirconia: false,
    walls: { crown: { least: 1, good: 1.5 }, veneer: { least: 0.3, good: 0.5 } },
    mostBlastKilopascals: 100,
    expansion: 10.2,
    glassTransitionCelsius: 560,
    mostFirings: 4,
    stainCelsius: 770,
    source: 'materials textbooks, recalled; peak: our choice',
  },
  zirconia3y: {
    ...zirconia,
    name: 'Zirconia 3Y',
    walls: { crown: { least: 0.5, good: 0.7 }, veneer: { least: 0.5, good: 0.7 } },
    expansion: 10.5,
    sinterCelsius: 1530,
    gramsPerCm3: 6.1,
    source: 'materials textbooks and ISO 6872, recalled; peaks: our choice',
  },
  zirconia4y: {
    ...zirconia,
    name: 'Zirconia 4Y',
    walls: { crown: { least: 0.6, good: 0.8 }, veneer: { least: 0.6, good: 0.8 } },
    expansion: 10.4,
    sinterCelsius: 1500,
    gramsPerCm3: 6.08,
    source: 'materials textbooks and ISO 6872, recalled; expansion and peaks: our choice',
  },
  zirconia5y: {
    ...zirconia,
    name: 'Zirconia 5Y',
    walls: { crown: { least: 1, good: 1.2 }, veneer: { least: 0.8, good: 1 } },
    expansion: 10.3,
    sinterCelsius: 1450,
    gramsPerCm3: 6.05,
    source: 'materials textbooks and ISO 6872, recalled; expansion, veneer and peaks: our choice',
  },
  hybrid: {
    name: 'Resin-bonded hybrid',
    fires: false,
    zirconia: false,
    walls: { crown: { least: 1, good: 1.5 }, veneer: { least: 0.5, good: 0.8 } },
    mostBlastKilopascals: 100,
    mostFirings: 0,
    source: 'materials textbooks, recalled',
  },
}
