import { DomainError } from '../refusal/index.ts'
import { film, onSubstrate, type Specular, substrateOf } from './film.ts'
import { checkLab, type Lab } from './lab.ts'

/** A chip that is only glazed, and one of the same block with coats of the pot, both fired and read alike. */
export interface Drawdown {
  readonly glazed: Lab
  readonly stained: Lab
}

/** What a band of a pot was found to be; `edge` where noise left no film that fits, and the nearest simple one was taken. */
export interface CalibratedBand {
  readonly absorption: number
  readonly scattering: number
  readonly edge: boolean
}

/** Blocks nearer to each other, ΔL*, tell a pot's scattering from its absorption no more. */
const LEAST_APART = 10
/** Nearer than this they do so badly. Both: a study of the model, on noise of readings. */
const WELL_APART = 20

/** Whether two blocks are so near each other that a pot is known half as well. */
export const areNear = (light: Lab, dark: Lab): boolean => Math.abs(light.L - dark.L) < WELL_APART

/**
 * A film out of two pairs of reflectances: linear in w = T² - R0² and R0.
 * @param pairs substrate and substrate with the film on it, 0 to 1, two of them
 * Source: exact inverse of Kubelka and Munk; the edge rule keeps noise from making a film that cannot be.
 */
export function filmOf(pairs: readonly (readonly [under: number, over: number])[]): CalibratedBand {
  const [[g1, r1], [g2, r2]] = pairs as [readonly [number, number], readonly [number, number]]
  const [p1, p2] = [1 + r1 * g1, 1 + r2 * g2]
  const det = g1 * p2 - g2 * p1
  const w = (r1 * p2 - r2 * p1) / det
  const R0 = (g1 * r2 - g2 * r1) / det
  const T = Math.sqrt(Math.max(w + R0 * R0, 1e-9))
  const u = (1 - w) / (2 * T)
  const beta = R0 / T
  const h = Math.sqrt(Math.max(u * u - beta * beta, 0))
  const gamma = Math.asinh(h)
  const sigma = gamma < 1e-6 ? 1 : h / gamma
  const scattering = beta / sigma
  const absorption = u / sigma - scattering
  // Rounding of an exact pair is no noise.
  if (R0 >= -1e-12 && scattering >= -1e-12 && absorption >= -1e-9)
    return { absorption: Math.max(0, absorption), scattering: Math.max(0, scattering), edge: false }
  const Ka = Math.max(0, (Math.log(g1 / r1) + Math.log(g2 / r2)) / 4)
  const v = pairs.map(([g, r]) => (1 - r) * (1 - g))
  const Ss = Math.max(
    0,
    pairs.reduce((sum, [g, r], n) => sum + v[n]! * (r - g), 0) / v.reduce((sum, each) => sum + each ** 2, 0),
  )
  const off = (K: number, S: number) =>
    pairs.reduce((sum, [g, r]) => sum + (onSubstrate(film(K, S), g) - r) ** 2, 0)
  return off(Ka, 0) <= off(0, Ss)
    ? { absorption: Ka, scattering: 0, edge: true }
    : { absorption: 0, scattering: Ss, edge: true }
}

/**
 * A pot from its drawdowns on a light block and on a dark one: absorption and scattering of one coat, by band.
 * @param coats on the stained chips, above 0
 * @throws {DomainError} `coats-out-of-range`, `blocks-too-alike`, `lightness-out-of-range`, `reading-above-surface`
 */
export function calibratePot(
  [light, dark]: readonly [Drawdown, Drawdown],
  coats: number,
  specular: Specular = 'excluded',
): readonly CalibratedBand[] {
  if (!(coats > 0 && coats <= 10))
    throw new DomainError(
      'coats-out-of-range',
      `${coats} coats cannot be on a chip.`,
      'Enter how many coats were brushed, usually 2.',
      'coats',
    )
  for (const chip of [light, dark])
    for (const colour of [chip.glazed, chip.stained]) checkLab(colour, 'chips')
  if (Math.abs(light.glazed.L - dark.glazed.L) < LEAST_APART)
    throw new DomainError(
      'blocks-too-alike',
      'The two blocks are too much alike to tell how a stain covers.',
      'Take a light one of about L* 90 and a dark one of about L* 62.',
      'chips',
    )
  const under = [light, dark].map((chip) => substrateOf(chip.glazed, specular, 'chips'))
  const over = [light, dark].map((chip) => substrateOf(chip.stained, specular, 'chips'))
  return [0, 1, 2].map((band) => {
    const { absorption, scattering, edge } = filmOf(
      [0, 1].map((n) => [under[n]![band]!, over[n]![band]!] as const),
    )
    return { absorption: absorption / coats, scattering: scattering / coats, edge }
  })
}
