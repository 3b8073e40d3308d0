import { BOUND_WATER_GRAMS_PER_GRAM } from '../materials/index.ts'
import { qty, saying } from '../quantity/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'

/** Densities, g/cm3. Source: Phillips' Science of Dental Materials, recalled. Water is taken at 1.000. */
const HEMIHYDRATE_GRAMS_PER_CM3 = 2.75
const DIHYDRATE_GRAMS_PER_CM3 = 2.32

interface GypsumMix {
  /** Water per powder, mL/g, above 0. */
  readonly millilitresPerGram: number
  /** Linear setting expansion as a fraction, -0.03 to 0.03. */
  readonly expansionFraction?: number
  /** Air as a fraction of the mixed volume, 0 to 0.2. */
  readonly airFraction?: number
}

/** One gram of powder, mixed and set. */
export interface SetGypsum {
  /** Share of the powder that finds water enough to set, 0 to 1. */
  readonly reactedFraction: number
  readonly slurryMillilitresPerGram: number
  /** All pores as a fraction of the outside volume: spare water, emptied by the reaction, air. */
  readonly porosity: number
  readonly waterFilledFraction: number
  readonly wetGramsPerCm3: number
  readonly dryGramsPerCm3: number
}

/**
 * Volumes and pores of set gypsum from its ratio.
 *
 *     x = min(1, W / ws)   Vslurry = (1/2.75 + W) / (1 - a)   Vbulk = Vslurry (1 + e)^3
 *     Vsolid = x (1 + ws)/2.32 + (1 - x)/2.75   porosity = 1 - Vsolid / Vbulk
 *
 * The outside keeps its shape from about the initial set, so the 7 % by which the contents shrink becomes pores.
 * The powder is taken as pure hemihydrate: a maker's powder is not, so porosity is good to about 0.02.
 *
 * @throws {DomainError} `not-a-positive-number`, `air-out-of-range`, `expansion-out-of-range`
 * Source: stoichiometry (exact); densities Phillips, recalled.
 */
export function setGypsum(mix: GypsumMix): SetGypsum {
  const W = requirePositive(mix.millilitresPerGram, 'millilitresPerGram', 'The ratio')
  const a = mix.airFraction ?? 0
  const e = mix.expansionFraction ?? 0
  if (!(a >= 0 && a <= 0.2))
    throw new DomainError(
      'air-out-of-range',
      `The air share is ${a}.`,
      'Enter air from 0 to 20 %.',
      'airFraction',
    )
  if (!(Math.abs(e) <= 0.03))
    throw new DomainError(
      'expansion-out-of-range',
      `The setting expansion is ${e}.`,
      'Enter an expansion from -3 to 3 %.',
      'expansionFraction',
    )
  const ws = BOUND_WATER_GRAMS_PER_GRAM
  const x = Math.min(1, W / ws)
  const slurry = (1 / HEMIHYDRATE_GRAMS_PER_CM3 + W) / (1 - a)
  const bulk = slurry * (1 + e) ** 3
  const solid = (x * (1 + ws)) / DIHYDRATE_GRAMS_PER_CM3 + (1 - x) / HEMIHYDRATE_GRAMS_PER_CM3
  return {
    reactedFraction: x,
    slurryMillilitresPerGram: slurry,
    porosity: 1 - solid / bulk,
    waterFilledFraction: Math.max(0, W - x * ws) / bulk,
    wetGramsPerCm3: (1 + W) / bulk,
    dryGramsPerCm3: (1 + x * ws) / bulk,
  }
}

/** Ratios at which the strength law may be asked, mL/g; below 0.20 nearly all water is bound, above 0.75 it is no mix. */
const STRENGTH_RATIOS = { min: 0.2, max: 0.75 } as const
/**
 * Strength falls as exp(-b · porosity). b from two anchors, the 1 h minima of ISO 6873 (recalled): type 2, 9 MPa at
 * 0.50; type 4, 35 MPa at 0.24: b = ln(35/9) / (0.40800 - 0.15301) = 5.3262.
 */
const STRENGTH_PER_POROSITY =
  Math.log(35 / 9) /
  (setGypsum({ millilitresPerGram: 0.5 }).porosity - setGypsum({ millilitresPerGram: 0.24 }).porosity)

/**
 * Strength of a mix at one ratio as a multiple of that at another: 0.87 is 13 % weaker.
 * Only the change is given: measured strengths differ from the law by up to 25 %.
 *
 * @throws {DomainError} `ratio-outside-model` outside 0.20 to 0.75 mL/g
 * Source: Ryshkewitch 1953, Duckworth 1953 (recalled); anchors ISO 6873, recalled.
 */
export function gypsumStrengthFactor(
  hitMillilitresPerGram: number,
  wantedMillilitresPerGram: number,
): number {
  for (const ratio of [hitMillilitresPerGram, wantedMillilitresPerGram])
    if (!(ratio >= STRENGTH_RATIOS.min && ratio <= STRENGTH_RATIOS.max))
      throw new DomainError(
        'ratio-outside-model',
        saying`The strength estimate does not hold at ${qty.millilitresPerGram(ratio)}.`,
        'Ask for a ratio from 0.20 to 0.75 mL/g.',
        'millilitresPerGram',
      )
  const hit = setGypsum({ millilitresPerGram: hitMillilitresPerGram }).porosity
  const wanted = setGypsum({ millilitresPerGram: wantedMillilitresPerGram }).porosity
  return Math.exp(-STRENGTH_PER_POROSITY * (hit - wanted))
}

/** Minutes to initial set at three ratios, 100 turns by hand. Source: Craig, recalled. */
const settingTables: Readonly<Partial<Record<number, readonly (readonly [number, number])[]>>> = {
  2: [
    [0.45, 8],
    [0.5, 11],
    [0.55, 14],
  ],
  3: [
    [0.27, 4],
    [0.3, 7],
    [0.33, 8],
  ],
  4: [
    [0.22, 5],
    [0.24, 7],
    [0.26, 9],
  ],
}

/** The ratios between which the setting time of a type is known, mL/g; undefined: no row. Source: Craig, recalled. */
export function settingRatios(
  gypsumType: number,
): { readonly min: number; readonly max: number } | undefined {
  const ratios = settingTables[gypsumType]?.map(([ratio]) => ratio)
  return ratios && { min: Math.min(...ratios), max: Math.max(...ratios) }
}

/**
 * Setting time at one ratio as a multiple of that at another, linear between the published rows.
 * @returns undefined where there is no row: outside the table, or a gypsum type without one
 * Source: Craig, recalled.
 */
export function gypsumSettingFactor(
  gypsumType: number,
  hitMillilitresPerGram: number,
  wantedMillilitresPerGram: number,
): number | undefined {
  const table = settingTables[gypsumType]
  if (!table) return undefined
  const hit = interpolate(table, hitMillilitresPerGram)
  const wanted = interpolate(table, wantedMillilitresPerGram)
  return hit === undefined || wanted === undefined ? undefined : hit / wanted
}

function interpolate(table: readonly (readonly [number, number])[], x: number): number | undefined {
  for (const [index, [x1, y1]] of table.entries()) {
    const [x0, y0] = table[index - 1] ?? [x1, y1]
    if (x >= x0 && x <= x1) return x1 === x0 ? y1 : y0 + ((x - x0) / (x1 - x0)) * (y1 - y0)
  }
  return undefined
}
