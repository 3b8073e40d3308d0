import { requirePositive } from '../refusal/index.ts'

/**
 * The grain ratio from a stage to the next that takes the least time in all: ρ (ln ρ - 1) = θ, θ the time of a change over B.
 * @param theta 0 or more
 * @throws {DomainError} `not-a-positive-number`
 * @example bestRatio(0) // e
 */
export function bestRatio(theta: number): number {
  requirePositive(theta, 'theta', 'The time of a change', { orZero: true })
  let ratio = Math.E + theta
  // ρ ln ρ - ρ - θ has the slope ln ρ: Newton.
  for (let n = 0; n < 50; n++) ratio -= (ratio * (Math.log(ratio) - 1) - theta) / Math.log(ratio)
  return ratio
}

/** Skipping one of two equal steps loses time when the ratio is more: ρ² + θ > 2 (ρ + θ). */
export const skipLosesFrom = (theta: number) => 1 + Math.sqrt(1 + theta)

/** A whole ladder over a total ratio in so many equal steps costs n (ρ + θ), in units of B. */
export const ladderCost = (totalRatio: number, steps: number, theta: number) =>
  steps * (totalRatio ** (1 / steps) + theta)
