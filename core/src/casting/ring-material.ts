import type { Binder } from '../materials/index.ts'
import { DomainError } from '../refusal/index.ts'

/** Investment as a body that conducts heat and holds water. */
export interface RingMaterial {
  readonly dryWattsPerMK: number
  readonly wetWattsPerMK: number
  /** Dry, kg/m3. */
  readonly kilogramsPerM3: number
  readonly joulesPerKgK: number
  /** Water left after bench drying, per dry mass. */
  readonly waterShare: number
  /** Convection in the furnace, W/m2K, and the share of black radiation that the ring sees. */
  readonly filmWattsPerM2K: number
  readonly radiation: number
}

/** Which end of what is known: a ring that heats fast, as usual, or slowly. */
export type RingSpeed = 'fast' | 'typical' | 'slow'
export const ringSpeeds: readonly RingSpeed[] = ['fast', 'typical', 'slow']

const row = (
  dryWattsPerMK: number,
  wetWattsPerMK: number,
  kilogramsPerM3: number,
  joulesPerKgK: number,
  waterShare: number,
  filmWattsPerM2K: number,
  radiation: number,
): RingMaterial => ({
  dryWattsPerMK,
  wetWattsPerMK,
  kilogramsPerM3,
  joulesPerKgK,
  waterShare,
  filmWattsPerM2K,
  radiation,
})

/**
 * Usual values of investments, and the ends of their range.
 * Source: handbook ranges for porous silica bodies, recalled and wide; water from the mix ratio, our assumption; film
 * 5-20 W/m2K, Incropera, recalled.
 */
export const ringMaterials: Readonly<Record<Binder, Readonly<Record<RingSpeed, RingMaterial>>>> = {
  phosphate: {
    fast: row(1, 1.3, 1650, 900, 0.08, 15, 0.9),
    typical: row(0.7, 1, 1800, 1000, 0.15, 10, 0.8),
    slow: row(0.55, 0.9, 1900, 1100, 0.2, 7, 0.7),
  },
  gypsum: {
    fast: row(0.7, 1.2, 1200, 900, 0.25, 15, 0.9),
    typical: row(0.5, 0.9, 1300, 1000, 0.35, 10, 0.8),
    slow: row(0.4, 0.7, 1400, 1100, 0.42, 7, 0.7),
  },
}

/** Between these its water boils off, °C. */
export const BOIL_FROM = 100
export const BOIL_TO = 120
const WATER_JOULES_PER_KGK = 4186
const LATENT_JOULES_PER_KG = 2.257e6

/** Capacities below, in and above the boiling, J/m3K. */
export interface MoisturePieces {
  readonly wet: number
  readonly boiling: number
  readonly dry: number
}

export interface MoistureCurve {
  /** For those who have no time for a call. */
  readonly pieces: MoisturePieces
  /** Enthalpy per volume over 0 °C, J/m3. */
  readonly enthalpyAt: (celsius: number) => number
  readonly celsiusAt: (enthalpy: number) => number
  /** dHv/dT, J/m3K. */
  readonly capacityAt: (celsius: number) => number
  readonly conductivityAt: (celsius: number) => number
}

const curves = new WeakMap<RingMaterial, MoistureCurve>()

/**
 * How enthalpy and temperature go together in an investment whose water boils off between 100 and 120 °C.
 *
 *     Hv = Cw T to 100;  Cb = ρ u L/20 + (Cw + Cd)/2 between;  Cd beyond;  Cw = ρ (c + u 4186), Cd = ρ c
 *
 * @throws {DomainError} `ring-material`
 * Source: apparent heat of moisture, EN 1992-1-2 3.3.2, recalled.
 */
export function moisture(material: RingMaterial): MoistureCurve {
  const known = curves.get(material)
  if (known) return known
  for (const [field, value] of Object.entries(material))
    if (
      !(Number.isFinite(value) && (field === 'waterShare' || field === 'radiation' ? value >= 0 : value > 0))
    )
      throw new DomainError(
        'ring-material',
        `${value} cannot be right for the investment.`,
        'Enter a number above 0.',
        field,
      )
  const { kilogramsPerM3: rho, joulesPerKgK: c, waterShare: u, dryWattsPerMK, wetWattsPerMK } = material
  const wet = rho * (c + u * WATER_JOULES_PER_KGK)
  const dry = rho * c
  const span = BOIL_TO - BOIL_FROM
  const boiling = (rho * u * LATENT_JOULES_PER_KG) / span + (wet + dry) / 2
  const hFrom = wet * BOIL_FROM
  const hTo = hFrom + boiling * span
  // Divisions are what takes the time in the inner loop.
  const [perWet, perBoiling, perDry] = [1 / wet, 1 / boiling, 1 / dry]
  const curve: MoistureCurve =
    u === 0
      ? {
          pieces: { wet: dry, boiling: dry, dry },
          enthalpyAt: (t) => dry * t,
          celsiusAt: (h) => h * perDry,
          capacityAt: () => dry,
          conductivityAt: () => dryWattsPerMK,
        }
      : {
          pieces: { wet, boiling, dry },
          enthalpyAt: (t) =>
            t <= BOIL_FROM
              ? wet * t
              : t <= BOIL_TO
                ? hFrom + boiling * (t - BOIL_FROM)
                : hTo + dry * (t - BOIL_TO),
          celsiusAt: (h) =>
            h <= hFrom
              ? h * perWet
              : h <= hTo
                ? BOIL_FROM + (h - hFrom) * perBoiling
                : BOIL_TO + (h - hTo) * perDry,
          capacityAt: (t) => (t < BOIL_FROM ? wet : t < BOIL_TO ? boiling : dry),
          conductivityAt: (t) =>
            t <= BOIL_FROM
              ? wetWattsPerMK
              : t >= BOIL_TO
                ? dryWattsPerMK
                : wetWattsPerMK + ((dryWattsPerMK - wetWattsPerMK) * (t - BOIL_FROM)) / span,
        }
  curves.set(material, curve)
  return curve
}

/** The same investment with both conductivities scaled, for a thermocouple reading. */
export function scaledMaterial(material: RingMaterial, factor: number): RingMaterial {
  return {
    ...material,
    dryWattsPerMK: material.dryWattsPerMK * factor,
    wetWattsPerMK: material.wetWattsPerMK * factor,
  }
}
