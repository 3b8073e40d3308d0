import { DomainError, requirePositive } from '../refusal/index.ts'

/** Where the metal is on a turning arm, from the axis, m. */
export interface ArmRadii {
  /** Free surface of the metal. */
  readonly innerMetres: number
  /** Far end of the mould. */
  readonly outerMetres: number
}

const radiansPerSecond = (revolutionsPerMinute: number) => (revolutionsPerMinute * 2 * Math.PI) / 60
const revolutionsPerMinute = (perSecond: number) => (perSecond * 60) / (2 * Math.PI)

/**
 * Pressure at the far end of the mould, kPa: p = ρ ω² (r2² - r1²) / 2.
 *
 * @throws {DomainError} `not-a-positive-number`, `radii`
 * @example gold 15.5 g/cm3 at 400 rpm between 0.22 and 0.25 m: 191.73 kPa
 * Source: a turning liquid (exact).
 */
export function centrifugalKilopascals(gramsPerCm3: number, rpm: number, radii: ArmRadii): number {
  const span = squares(radii)
  const omega = radiansPerSecond(requirePositive(rpm, 'rpm', 'The speed'))
  return (requirePositive(gramsPerCm3, 'gramsPerCm3', 'The density') * 1000 * omega ** 2 * span) / 2 / 1000
}

/** Speed for a pressure, rpm. @throws {DomainError} as `centrifugalKilopascals` */
export function speedFor(kilopascals: number, gramsPerCm3: number, radii: ArmRadii): number {
  requirePositive(kilopascals, 'kilopascals', 'The pressure')
  const density = 1000 * requirePositive(gramsPerCm3, 'gramsPerCm3', 'The density')
  return revolutionsPerMinute(Math.sqrt((2000 * kilopascals) / (density * squares(radii))))
}

/** Ideal speed of the metal into the mould, m/s: ω √(r2² - r1²). @throws {DomainError} as `centrifugalKilopascals` */
export function inflowMetresPerSecond(rpm: number, radii: ArmRadii): number {
  return radiansPerSecond(requirePositive(rpm, 'rpm', 'The speed')) * Math.sqrt(squares(radii))
}

function squares({ innerMetres, outerMetres }: ArmRadii): number {
  requirePositive(innerMetres, 'innerMetres', 'The inner radius', { orZero: true })
  if (!(Number.isFinite(outerMetres) && outerMetres > innerMetres))
    throw new DomainError(
      'radii',
      'The far end of the mould must lie further out than the metal.',
      'Measure both from the axis of the arm.',
      'outerMetres',
    )
  return outerMetres ** 2 - innerMetres ** 2
}

/**
 * How much faster the arm goes with more turns of its spring: ω(n) / ω(n_ref) = √(n (n + 2 n0) / (n_ref (n_ref + 2 n0))).
 *
 * The preload n0 of the spring is not known from the desk; without it show the band from n0 = 0 to its limit, an n0 without end:
 * √(n / n_ref).
 * @throws {DomainError} `not-a-positive-number`
 * @example speedRatio(4, 3, 1) // 1.2649
 */
export function speedRatio(turns: number, referenceTurns: number, preloadTurns: number): number {
  requirePositive(turns, 'turns', 'The turns')
  requirePositive(referenceTurns, 'referenceTurns', 'The turns measured at')
  if (preloadTurns === Number.POSITIVE_INFINITY) return Math.sqrt(turns / referenceTurns)
  requirePositive(preloadTurns, 'preloadTurns', 'The preload', { orZero: true })
  return Math.sqrt(
    (turns * (turns + 2 * preloadTurns)) / (referenceTurns * (referenceTurns + 2 * preloadTurns)),
  )
}

/**
 * Turns that give a lighter or denser alloy the pressure of a known one, for a spring without preload: n ~ √(ρ_ref / ρ).
 * @throws {DomainError} `not-a-positive-number`
 * @example turnsForEqualPressure(3, 15.5, 8.3) // 4.10: the rule of 2-3 turns for gold, 4-5 for light alloys
 */
export function turnsForEqualPressure(
  referenceTurns: number,
  referenceGramsPerCm3: number,
  gramsPerCm3: number,
): number {
  requirePositive(referenceTurns, 'referenceTurns', 'The turns')
  requirePositive(referenceGramsPerCm3, 'referenceGramsPerCm3', 'The density known')
  requirePositive(gramsPerCm3, 'gramsPerCm3', 'The density')
  return referenceTurns * Math.sqrt(referenceGramsPerCm3 / gramsPerCm3)
}
