import { DomainError } from '../refusal/index.ts'
import { bandsOf, type Lab, labOf } from './lab.ts'

/** Reflection of the glazed surface from outside and from inside. Source: ((n-1)/(n+1))², n 1.5; Saunderson 1942, recalled 0.596. */
const OUTER = 0.04
const INNER = 0.6

/** How a reading treats the gloss: with it, or without it. One plan has one setting. */
export type Specular = 'excluded' | 'included'

/** What lies under the surface, from what is measured over it. */
export const underSurface = (measured: number, specular: Specular = 'excluded'): number => {
  const v = specular === 'included' ? measured - OUTER : measured
  return v / ((1 - OUTER) * (1 - INNER) + INNER * v)
}

/** What is measured over the surface. */
export const overSurface = (reflectance: number, specular: Specular = 'excluded'): number =>
  ((1 - OUTER) * (1 - INNER) * reflectance) / (1 - INNER * reflectance) +
  (specular === 'included' ? OUTER : 0)

/** A film by itself: what it sends back, and what it lets through. */
export interface Film {
  readonly reflects: number
  readonly passes: number
}

/**
 * A film that absorbs K and scatters S in all, by Kubelka and Munk 1931, Kubelka 1948; in a form without a singular case.
 *
 *     γ = √(K(K + 2S)), τ = tanh γ/γ, D = 1 + (K + S) τ, R0 = S τ/D, T = 1/(cosh γ · D)
 */
export function film(K: number, S: number): Film {
  const gamma = Math.sqrt(K * (K + 2 * S))
  const tau = gamma < 1e-3 ? 1 - gamma ** 2 / 3 : Math.tanh(gamma) / gamma
  const D = 1 + (K + S) * tau
  return { reflects: (S * tau) / D, passes: 1 / (Math.cosh(gamma) * D) }
}

/** A film on a substrate: R = R0 + T² Rg/(1 - R0 Rg). */
export const onSubstrate = ({ reflects, passes }: Film, under: number): number =>
  reflects + (passes ** 2 * under) / (1 - reflects * under)

/** What a film of that mix comes to when it is thick: every band moves towards it and never past it. */
export function thickFilm(K: number, S: number): number {
  if (S === 0) return 0
  const ratio = K / S
  // 1 + K/S - √((K/S)² + 2K/S), without losing digits where little scatters.
  return 1 / (1 + ratio + Math.sqrt(ratio ** 2 + 2 * ratio))
}

/** A pot of stain: absorption and scattering of one coat, by band. */
export interface Pot {
  readonly name: string
  readonly absorption: readonly number[]
  readonly scattering: readonly number[]
}

/** A pot and how much of it, in coats as brushed at calibration. */
export interface Coat {
  readonly pot: Pot
  readonly coats: number
}

/** Bands under the surface after a mix of pots on a substrate: one film whose absorption and scattering add up. Source: Duncan 1940. */
export function stained(under: readonly number[], coats: readonly Coat[]): number[] {
  return under.map((substrate, band) => {
    let [K, S] = [0, 0]
    for (const { pot, coats: x } of coats) {
      K += x * pot.absorption[band]!
      S += x * pot.scattering[band]!
    }
    return onSubstrate(film(K, S), substrate)
  })
}

/** What lies under the surface of a colour as it was read. @throws {DomainError} `reading-above-surface` */
export function substrateOf(colour: Lab, specular: Specular, field: string): number[] {
  const under = bandsOf(colour).map((band) => underSurface(band, specular))
  if (under.some((band) => !(band > 0 && band <= 1)))
    throw new DomainError(
      'reading-above-surface',
      'The reading is above what a glazed surface can return, or below it.',
      'Check the specular setting and read again.',
      field,
    )
  return under
}

/** A colour after a mix of pots. */
export const stainedColour = (block: Lab, coats: readonly Coat[], specular: Specular = 'excluded'): Lab =>
  labOf(stained(substrateOf(block, specular, 'blockLab'), coats).map((band) => overSurface(band, specular)))

/** A matt reading as it is seen once it is glazed: darker and deeper by itself. Of a matt surface the outer reflection is in the reading. */
export const glazed = (matt: Lab): Lab =>
  labOf(bandsOf(matt).map((band) => overSurface(underSurface(band, 'included'))))

/** And back: how a piece reads before it is glazed that is seen so once it is. */
export const mattOf = (seen: Lab): Lab =>
  labOf(bandsOf(seen).map((band) => overSurface(underSurface(band), 'included')))
