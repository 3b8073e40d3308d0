import { requirePositive } from '../refusal/index.ts'

/**
 * Error function, to 1.2e-7: Numerical Recipes' erfc by a Chebyshev fit (recalled), enough for temperatures to 0.01 °C.
 */
export function erfc(x: number): number {
  const z = Math.abs(x)
  const t = 1 / (1 + z / 2)
  const poly = [
    1.00002368, 0.37409196, 0.09678418, -0.18628806, 0.27886807, -1.13520398, 1.48851587, -0.82215223,
    0.17087277,
  ].reduceRight((sum, a) => a + t * sum, 0)
  const value = t * Math.exp(-z * z - 1.26551223 + t * poly)
  return x >= 0 ? value : 2 - value
}

/** From the oven to the cast, s: the outside limit (common practice). */
export const LATEST_TRANSFER_SECONDS = 60

/** A hot mould laid bare. */
interface BareMould {
  readonly startCelsius: number
  readonly roomCelsius: number
  /** Of the surface, convection and radiation together. */
  readonly wattsPerM2K: number
  readonly conductivityWattsPerMK: number
  readonly diffusivityM2PerS: number
}

/** A phosphate-bonded mould out of an 850 °C oven. Source: handbook ranges, recalled; the surface our assumption. */
export const phosphateOut: BareMould = {
  startCelsius: 850,
  roomCelsius: 25,
  wattsPerM2K: 70,
  conductivityWattsPerMK: 0.7,
  diffusivityM2PerS: 3.8889e-7,
}

/**
 * Temperature at a depth under the bare face of a mould, a time after it left the oven.
 *
 *     (T - Ta)/(T0 - Ta) = erf(x/2√(at)) + exp(hx/k + h²at/k²) erfc(x/2√(at) + h√(at)/k)
 *
 * @throws {DomainError} `not-a-positive-number`
 * @example bareMouldCelsius(phosphateOut, 60, 6) // 761.5: the pattern has lost 88 °C after a minute
 * Source: semi-infinite solid with surface convection, Carslaw & Jaeger (recalled); radiation only as part of h.
 */
export function bareMouldCelsius(mould: BareMould, seconds: number, depthMillimetres: number): number {
  requirePositive(seconds, 'seconds', 'The time', { orZero: true })
  requirePositive(depthMillimetres, 'depthMillimetres', 'The depth', { orZero: true })
  const { startCelsius, roomCelsius, wattsPerM2K: h, conductivityWattsPerMK: k, diffusivityM2PerS: a } = mould
  for (const [field, value] of Object.entries({ h, k, a })) requirePositive(value, field, 'The property')
  if (seconds === 0) return startCelsius
  const root = Math.sqrt(a * seconds)
  const x = depthMillimetres / 1000
  const u = x / (2 * root)
  const v = (h * root) / k
  const share = 1 - erfc(u) + Math.exp((h * x) / k + v * v) * erfc(u + v)
  return roomCelsius + share * (startCelsius - roomCelsius)
}
