import { DomainError } from '../refusal/index.ts'

/** Fewer of either say nothing about a person (choice). */
const LEAST_OF_EACH = 5

/** Nearer than this a criterion leans to neither side (choice). */
const NEITHER_SIDE = 0.2

export interface Sensitivity {
  readonly hitRate: number
  readonly falseAlarmRate: number
  readonly dPrime: number
  /** Above 0: passes too readily; below: sees ghosts. */
  readonly criterion: number
  readonly leans: 'neither' | 'passes' | 'refuses'
}

/**
 * How well somebody tells a defect from sound work, and on which side they err, over many cases.
 *
 *     H = (found + 0.5)/(n + 1)   F = (false + 0.5)/(m + 1)   d' = z(H) - z(F)   c = -(z(H) + z(F))/2
 *
 * @param found of n defects
 * @param falseAlarms of m clean looks
 * @returns undefined with fewer than 5 of either: then only the counts are shown
 * @throws {DomainError} `counts-out-of-range`
 * Source: Green and Swets 1966; Hautus 1995 (recalled).
 */
export function sensitivity(
  found: number,
  n: number,
  falseAlarms: number,
  m: number,
): Sensitivity | undefined {
  const counts = [found, n, falseAlarms, m]
  if (counts.some((each) => !(Number.isInteger(each) && each >= 0)) || found > n || falseAlarms > m)
    throw new DomainError(
      'counts-out-of-range',
      'More was found than was there, or a count is no whole number.',
      'Enter counts from 0, the found at most as many as there were.',
    )
  if (n < LEAST_OF_EACH || m < LEAST_OF_EACH) return undefined
  const hitRate = (found + 0.5) / (n + 1)
  const falseAlarmRate = (falseAlarms + 0.5) / (m + 1)
  const [hit, alarm] = [normalQuantile(hitRate), normalQuantile(falseAlarmRate)]
  const criterion = -(hit + alarm) / 2
  const leans = Math.abs(criterion) < NEITHER_SIDE ? 'neither' : criterion > 0 ? 'passes' : 'refuses'
  return { hitRate, falseAlarmRate, dPrime: hit - alarm, criterion, leans }
}

/**
 * The quantile of the normal distribution: Acklam's rational approximation with one step of Newton's method behind it.
 * @param p above 0 and below 1
 * Source: Acklam 2003, recalled; relative error after the step below 1e-9.
 */
export function normalQuantile(p: number): number {
  const a = [
    -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716,
    2.506628277459239,
  ] as const
  const b = [
    -54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572,
  ] as const
  const c = [
    -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968,
    2.938163982698783,
  ] as const
  const d = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416] as const
  const tail = (q: number) =>
    (((((c[0] * q + c[1]) * q + c[2]) * q + c[3]) * q + c[4]) * q + c[5]) /
    ((((d[0] * q + d[1]) * q + d[2]) * q + d[3]) * q + 1)
  const low = 0.02425
  const first = () => {
    if (p < low) return tail(Math.sqrt(-2 * Math.log(p)))
    if (p > 1 - low) return -tail(Math.sqrt(-2 * Math.log(1 - p)))
    const q = p - 0.5
    const r = q * q
    return (
      ((((((a[0] * r + a[1]) * r + a[2]) * r + a[3]) * r + a[4]) * r + a[5]) * q) /
      (((((b[0] * r + b[1]) * r + b[2]) * r + b[3]) * r + b[4]) * r + 1)
    )
  }
  const x = first()
  const error = normalBelow(x) - p
  return x - error * Math.sqrt(2 * Math.PI) * Math.exp((x * x) / 2)
}

/** The share of the normal distribution below x, by its series and its continued fraction (Abramowitz and Stegun 26.2.10, 26.2.14). */
function normalBelow(x: number): number {
  const z = Math.abs(x)
  const density = Math.exp((-z * z) / 2) / Math.sqrt(2 * Math.PI)
  if (z < 4) {
    let term = z
    let sum = z
    for (let n = 1; n < 100 && Math.abs(term) > 1e-17; n++) {
      term *= (z * z) / (2 * n + 1)
      sum += term
    }
    return x >= 0 ? 0.5 + density * sum : 0.5 - density * sum
  }
  let fraction = z
  for (let n = 60; n >= 1; n--) fraction = z + n / fraction
  const above = density / fraction
  return x >= 0 ? 1 - above : above
}
