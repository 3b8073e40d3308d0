import { BOUND_WATER_GRAMS_PER_GRAM } from '../materials/index.ts'
import { qty, saying } from '../quantity/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'
import { choice, figure, type Of, record } from '../shape/index.ts'
/** A material that conducts heat. */
export interface ThermalBody {
  readonly wattsPerMK: number
  readonly kilogramsPerM3: number
  readonly joulesPerKgK: number
}

/** Source: PMMA 0.17-0.21 W/mK, 1.4-1.9 kJ/kgK, MMA 2.0, handbooks, recalled. */
export const dough: ThermalBody = { wattsPerMK: 0.19, kilogramsPerM3: 1150, joulesPerKgK: 1700 }
/** Wet stone at usual ratios, derived as in `setStone`. */
export const wetStone: ThermalBody = { wattsPerMK: 1.05, kilogramsPerM3: 2000, joulesPerKgK: 1350 }

const DIHYDRATE = { kilogramsPerM3: 2320, joulesPerKgK: 1090, wattsPerMK: 1.26 }
const WATER = { kilogramsPerM3: 1000, joulesPerKgK: 4180, wattsPerMK: 0.65 }
const AIR_SHARE = 0.02
/** What its air takes off the conductivity. */
const AIR_FACTOR = 0.95

/**
 * Set gypsum with its free water, from the ratio it was mixed at: densities and heats by mass, conductivity by Maxwell's
 * law for water in dihydrate.
 *
 * @param waterPowderRatio mL/g, above 0.186
 * @throws {DomainError} `too-little-water`
 * @example setStone(0.3) // 2038 kg/m3, 1361 J/kgK, 1.075 W/mK
 * Source: mineral data, recalled; Maxwell 1873 for the mixture.
 */
export function setStone(waterPowderRatio: number): ThermalBody {
  if (!(waterPowderRatio > BOUND_WATER_GRAMS_PER_GRAM && waterPowderRatio <= 2))
    throw new DomainError(
      'too-little-water',
      saying`${qty.millilitresPerGram(waterPowderRatio)} does not even bind.`,
      saying`Enter the ratio it was mixed at: above ${qty.millilitresPerGram(BOUND_WATER_GRAMS_PER_GRAM)}.`,
      'waterPowderRatio',
    )
  const solid = 1 + BOUND_WATER_GRAMS_PER_GRAM
  const free = waterPowderRatio - BOUND_WATER_GRAMS_PER_GRAM
  const solidM3 = solid / DIHYDRATE.kilogramsPerM3
  const waterM3 = free / WATER.kilogramsPerM3
  const share = waterM3 / (solidM3 + waterM3)
  const [c, d] = [DIHYDRATE.wattsPerMK, WATER.wattsPerMK]
  const maxwell = (d + 2 * c + 2 * share * (d - c)) / (d + 2 * c - share * (d - c))
  return {
    wattsPerMK: c * maxwell * AIR_FACTOR,
    kilogramsPerM3: ((solid + free) * (1 - AIR_SHARE)) / (solidM3 + waterM3),
    joulesPerKgK: (solid * DIHYDRATE.joulesPerKgK + free * WATER.joulesPerKgK) / (solid + free),
  }
}

/** A place of the denture: a wide sheet, or a ridge as a round bar. Thickness or diameter, mm. */
export const resinSectionShape = record({
  shape: choice(['sheet', 'ridge']),
  millimetres: figure(0, 1000, { example: 12 }),
})
export type ResinSection = Of<typeof resinSectionShape>

/** The flask round it. */
export interface FlaskBody {
  /** Half of its inner height, mm. */
  readonly halfHeightMillimetres: number
  readonly stone: ThermalBody
  /** Of its wall, J/m2K: density x heat x thickness. */
  readonly wallJoulesPerM2K: number
}

/** Metals of a flask wall of 5 mm, J/m2K. Source: Incropera, recalled. */
const flaskWalls = { brass: 16_150, aluminium: 12_150 } as const
export const usualFlask: FlaskBody = {
  halfHeightMillimetres: 28,
  stone: wetStone,
  wallJoulesPerM2K: flaskWalls.brass,
}

/** Refuses what cannot lie in its flask. @throws {DomainError} `not-a-positive-number`, `section-too-thick` */
export function checkSection(
  { millimetres }: ResinSection,
  { halfHeightMillimetres, stone }: FlaskBody,
): void {
  requirePositive(millimetres, 'millimetres', 'The thickness')
  requirePositive(halfHeightMillimetres, 'halfHeightMillimetres', 'The height of the flask')
  for (const [field, value] of Object.entries(stone))
    requirePositive(value, field, 'The property of the stone')
  if (millimetres >= 2 * halfHeightMillimetres)
    throw new DomainError(
      'section-too-thick',
      saying`${qty.mm(millimetres)} of resin do not go into that flask.`,
      'Enter the thickness of the base, or the height of the flask.',
      'millimetres',
    )
}
