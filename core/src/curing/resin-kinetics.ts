import { GAS_CONSTANT } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'

// Looked up once: they stand in the inner loop.
const { exp, min, sqrt } = Math

/**
 * How methyl methacrylate in a dough turns into polymer: free radicals from benzoyl peroxide, an inhibitor, the gel and
 * glass effects, and a conversion that cannot go past its equilibrium.
 *
 *     dI/dt = -kd I;  P = 2 f kd I;  while Z > 0: dZ/dt = -P
 *     dR/dt = P - kt R²,  1/kt = 1/kt0 + θt R / D
 *     dx/dt = kp R (xeq - x),  1/kp = 1/kp0 + θp R / D
 *
 * Concentrations mol/m3 of resin, temperature K. Source: gel and glass law Chiu, Carratt & Soong 1983; kp IUPAC benchmark;
 * peroxide Biesenberger & Sebastian; all recalled. f, θt, θp, the inhibitor and ΔS are calibrated to denture practice.
 */

/** Of the polymerisation, J/mol. Source: Odian, recalled; the range of handbooks is 54 000 to 58 000. */
export const HEAT_OF_POLYMERISATION = 56_000
/** kg/mol. Source: CRC Handbook, recalled. */
export const MMA_KILOGRAMS_PER_MOLE = 0.10012
const PEROXIDE_KILOGRAMS_PER_MOLE = 0.24223
const HYDROQUINONE_KILOGRAMS_PER_MOLE = 0.11011
/** Of monomer and of polymer, kg/m3, as the free-volume law takes them. Source: Chiu, Carratt & Soong 1983, recalled. */
const MONOMER_KILOGRAMS_PER_M3 = 890
const POLYMER_KILOGRAMS_PER_M3 = 1170
/** J/mol K, calibrated: the monomer left at 100 °C is then 0.38 % by mass. */
const ENTROPY_JOULES_PER_MOLE_K = -124

/** What goes into the dough. */
export interface DoughRecipe {
  /** Monomer, share of the mass. */
  readonly monomerShare: number
  /** Benzoyl peroxide in the beads, kg/kg. */
  readonly peroxideInBeads: number
  /** Inhibitor in the monomer, kg/kg. */
  readonly hydroquinone: number
  readonly kilogramsPerM3: number
}
/** 2.2:1 by mass, usual peroxide and inhibitor (recalled; the inhibitor calibrated). */
export const usualDough: DoughRecipe = {
  monomerShare: 0.31,
  peroxideInBeads: 0.007,
  hydroquinone: 30e-6,
  kilogramsPerM3: 1150,
}

/** Rate constants: the calibrated set, or another for checks against published runs. */
export interface KineticConstants {
  readonly efficiency: number
  readonly kd: (kelvin: number) => number
  readonly kp0: (kelvin: number) => number
  readonly kt0: (kelvin: number) => number
  readonly thetaT: (kelvin: number) => number
  readonly thetaP: (kelvin: number) => number
  /** Monomer at equilibrium, mol/m3; 0: irreversible. */
  readonly equilibrium: (kelvin: number) => number
}

const arrhenius = (factor: number, joulesPerMole: number) => (kelvin: number) =>
  factor * exp(-joulesPerMole / (GAS_CONSTANT * kelvin))

/** Calibrated to denture resins; see the handbook for what each was published as. */
export const dentureResin: KineticConstants = {
  efficiency: 0.3,
  kd: arrhenius(1.7e14, 125_520),
  kp0: arrhenius(2670, 22_360),
  kt0: arrhenius(9.8e4, 2933),
  thetaT: (kelvin) => 7.4e-20 * exp(17_420 / kelvin),
  thetaP: (kelvin) => 8.2e-14 * exp(13_982 / kelvin),
  equilibrium: (kelvin) =>
    1000 * exp(-HEAT_OF_POLYMERISATION / (GAS_CONSTANT * kelvin) - ENTROPY_JOULES_PER_MOLE_K / GAS_CONSTANT),
}

/** Concentrations at the start, mol/m3 of resin. */
interface DoughStart {
  readonly monomer: number
  readonly initiator: number
  readonly inhibitor: number
}

/** @throws {DomainError} `dough` */
export function doughStart(recipe: DoughRecipe): DoughStart {
  const { monomerShare: w0, peroxideInBeads, hydroquinone, kilogramsPerM3: rho } = recipe
  const good =
    w0 >= 0.2 && w0 <= 0.5 && peroxideInBeads > 0 && peroxideInBeads < 0.05 && hydroquinone >= 0 && rho > 0
  if (!good)
    throw new DomainError(
      'dough',
      'The dough cannot be right.',
      'Monomer is 20 to 50 % of its mass, with some peroxide in the beads.',
      'recipe',
    )
  return {
    monomer: (w0 * rho) / MMA_KILOGRAMS_PER_MOLE,
    initiator: (peroxideInBeads * (1 - w0) * rho) / PEROXIDE_KILOGRAMS_PER_MOLE,
    inhibitor: (2 * hydroquinone * w0 * rho) / HYDROQUINONE_KILOGRAMS_PER_MOLE,
  }
}

/** Share of the volume that is monomer, for a share of the mass. */
export function monomerVolumeShare(massShare: number): number {
  const monomer = massShare / MONOMER_KILOGRAMS_PER_M3
  return monomer / (monomer + (1 - massShare) / POLYMER_KILOGRAMS_PER_M3)
}

/** The mobility D of the gel and glass law. */
export function mobility(kelvin: number, monomerVolume: number): number {
  const a = 0.168 - 8.21e-6 * (min(kelvin, 387.15) - 387.15) ** 2
  // biome-ignore lint/suspicious/noApproximativeNumericConstant: the published law prints 2.303
  return exp((2.303 * monomerVolume) / (a + 0.03 * monomerVolume))
}

/** Resin in some cells, each with its own temperature, and how it reacts on. Plain arrays: the inner loop of the cure. */
export class ReactingResin {
  /** Conversion of the monomer, 0 to 1. */
  readonly conversion: Float64Array
  private readonly initiator: Float64Array
  private readonly radicals: Float64Array
  private readonly inhibitor: Float64Array
  private readonly start: DoughStart

  constructor(
    cells: number,
    private readonly recipe: DoughRecipe = usualDough,
    private readonly constants: KineticConstants = dentureResin,
    start: DoughStart = doughStart(recipe),
  ) {
    this.start = start
    this.conversion = new Float64Array(cells)
    this.initiator = new Float64Array(cells).fill(start.initiator)
    this.radicals = new Float64Array(cells)
    this.inhibitor = new Float64Array(cells).fill(start.inhibitor)
  }

  /**
   * One cell on by some seconds at a temperature: the initiator by its exact exponential, the radicals by the positive root
   * of the implicit step, the conversion by an exact exponential towards its equilibrium. Stable for any step.
   * @returns how much the conversion rose
   */
  react(cell: number, kelvin: number, seconds: number): number {
    const { efficiency, kd, kp0, kt0, thetaT, thetaP, equilibrium } = this.constants
    const before = this.initiator[cell]!
    const after = before * exp(-kd(kelvin) * seconds)
    this.initiator[cell] = after
    let born = 2 * efficiency * (before - after)
    const z = this.inhibitor[cell]!
    if (z > 0) {
      const caught = min(z, born)
      this.inhibitor[cell] = z - caught
      born -= caught
    }
    const s = this.radicals[cell]! + born
    if (s <= 0) return 0
    const x = this.conversion[cell]!
    const d = mobility(kelvin, monomerVolumeShare(this.recipe.monomerShare * (1 - x)))
    const a = 1 / kt0(kelvin)
    const b = thetaT(kelvin) / d
    const q = a - b * s
    const root = sqrt(q * q + 4 * (b + seconds) * a * s)
    const r = q > 0 ? (2 * a * s) / (q + root) : (root - q) / (2 * (b + seconds))
    this.radicals[cell] = r
    const kp = 1 / (1 / kp0(kelvin) + (thetaP(kelvin) * r) / d)
    const limit = 1 - equilibrium(kelvin) / this.start.monomer
    const rise = (limit - x) * (1 - exp(-kp * r * seconds))
    this.conversion[cell] = x + rise
    return rise
  }

  /** Monomer left in a cell, share of the mass. */
  monomerShare(cell: number): number {
    return this.recipe.monomerShare * (1 - this.conversion[cell]!)
  }

  /** Inhibitor that is left in a cell, mol/m3. */
  inhibitorLeft(cell: number): number {
    return this.inhibitor[cell]!
  }
}
