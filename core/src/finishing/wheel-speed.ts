import { qty, saying } from '../quantity/index.ts'
import { DomainError, requirePositive } from '../refusal/index.ts'

/** Resin under a wheel (handbooks, recalled): W/mK, kg/m³, J/kgK. */
const resin = { conductivity: 0.19, density: 1190, capacity: 1470 }
const FRICTION = 0.3
/** Share of the heat that goes into the work (assumption). */
const HEAT_SHARE = { dry: 0.5, wet: 0.1 } as const
/** From 25 to 65 °C, where stress frees itself, K (assumption). */
const MOST_RISE = 40

/** Surface speed of a wheel, m/s: v = π d n. @example surfaceSpeed(100, 1500) // 7.854 */
export function surfaceSpeed(diameterMillimetres: number, rpm: number): number {
  requirePositive(diameterMillimetres, 'diameterMillimetres', 'The wheel')
  requirePositive(rpm, 'rpm', 'The speed')
  return (Math.PI * diameterMillimetres * rpm) / 60_000
}
/** The turns that give a surface speed. @example rpmFor(100, 5) // 954.93 */
export function rpmFor(diameterMillimetres: number, metresPerSecond: number): number {
  requirePositive(diameterMillimetres, 'diameterMillimetres', 'The wheel')
  requirePositive(metresPerSecond, 'metresPerSecond', 'The surface speed')
  return (60_000 * metresPerSecond) / (Math.PI * diameterMillimetres)
}

/** A wheel held still on resin. */
export interface WheelHeld {
  readonly metresPerSecond: number
  readonly newtons: number
  readonly contactSquareMillimetres: number
  readonly wet: boolean
}
/** A usual hand on a rag wheel, held still (assumption). */
export const usualHold = { newtons: 3, contactSquareMillimetres: 300 }

/** Heat into the work, W/m². */
export const heatFlux = ({ metresPerSecond: v, newtons: F, contactSquareMillimetres: A, wet }: WheelHeld) =>
  (HEAT_SHARE[wet ? 'wet' : 'dry'] * FRICTION * F * v) / (A * 1e-6)

/** How much the surface warms while the wheel is held still, K. Source: half-space, Carslaw & Jaeger, recalled. */
export function heldStillRise(held: WheelHeld, seconds: number): number {
  const { conductivity: k, density, capacity } = resin
  const diffusivity = k / (density * capacity)
  return ((2 * heatFlux(held)) / k) * Math.sqrt((diffusivity * seconds) / Math.PI)
}
/** How long it may be held still, s. */
export function longestStill(held: WheelHeld): number {
  const { conductivity: k, density, capacity } = resin
  return (Math.PI / (k / (density * capacity))) * ((k * MOST_RISE) / (2 * heatFlux(held))) ** 2
}

/** Seconds that a hand moves on within anyway, and those that burn before it can (choice). */
const FINE_SECONDS = 30
const BURNS_SECONDS = 1

/** Three words only, never a temperature: it is an order of magnitude. */
export function heatWord(held: WheelHeld): 'moving and wet' | 'seconds' | 'stop' {
  const most = longestStill(held)
  return most >= FINE_SECONDS ? 'moving and wet' : most >= BURNS_SECONDS ? 'seconds' : 'stop'
}

/** @throws {DomainError} `tool-speed`: above what the maker allows for the tool */
export function checkToolSpeed(rpm: number, mostRpm: number): void {
  if (!(rpm <= mostRpm))
    throw new DomainError(
      'tool-speed',
      saying`${qty.count(rpm)} turns a minute are more than the ${qty.count(mostRpm)} its maker allows.`,
      'Turn slower, or take a tool that may.',
      'rpm',
    )
}
