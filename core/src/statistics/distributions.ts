/** 1.959964: of a normal value 95 of 100 lie so many standard deviations from the mean, or nearer. */
export const Z_95 = 1.959963984540054

/**
 * ln Γ(x), x above 0. Source: Lanczos 1964 with the coefficients of Godfrey (g 7, nine terms), recalled; relative error below 1e-14.
 */
export function lnGamma(x: number): number {
  if (x < 0.5) return Math.log(Math.PI / Math.sin(Math.PI * x)) - lnGamma(1 - x)
  const coefficients = [
    676.5203681218851, -1259.1392167224028, 771.3234287776531, -176.6150291621406, 12.507343278686905,
    -0.13857109526572012, 9.984369578019572e-6, 1.5056327351493116e-7,
  ]
  const y = x - 1
  const series = coefficients.reduce((sum, c, n) => sum + c / (y + n + 1), 0.9999999999998099)
  const t = y + 7.5
  return 0.5 * Math.log(2 * Math.PI) + (y + 0.5) * Math.log(t) - t + Math.log(series)
}

/** ln of the number of ways to choose k of n. */
export const lnChoose = (n: number, k: number): number => lnGamma(n + 1) - lnGamma(k + 1) - lnGamma(n - k + 1)

/**
 * The share of a gamma distribution of shape `a` and scale 1 below `x`: its series, or beyond its bulk Lentz's continued fraction.
 * Source: Abramowitz and Stegun 6.5.29, 6.5.31.
 */
export function gammaBelow(a: number, x: number): number {
  if (x <= 0) return 0
  const front = Math.exp(a * Math.log(x) - x - lnGamma(a))
  if (x < a + 1) {
    let term = 1 / a
    let sum = term
    for (let n = 1; n < 10_000 && term > sum * 1e-16; n++) {
      term *= x / (a + n)
      sum += term
    }
    return front * sum
  }
  const tiny = 1e-300
  let b = x + 1 - a
  let c = 1 / tiny
  let d = 1 / b
  let fraction = d
  for (let n = 1; n < 10_000; n++) {
    const an = -n * (n - a)
    b += 2
    d = 1 / nonZero(an * d + b, tiny)
    c = nonZero(b + an / c, tiny)
    fraction *= d * c
    if (Math.abs(d * c - 1) < 1e-15) break
  }
  return 1 - front * fraction
}
const nonZero = (value: number, tiny: number) => (Math.abs(value) < tiny ? tiny : value)

/** The share of the normal distribution below x. */
export function normalBelow(x: number): number {
  const inner = gammaBelow(0.5, (x * x) / 2) / 2
  return x < 0 ? 0.5 - inner : 0.5 + inner
}

/**
 * The quantile of the normal distribution.
 * @param p above 0 and below 1
 */
export const normalQuantile = (p: number): number => rootOf((x) => normalBelow(x) - p, -9, 9)

/**
 * The quantile of χ².
 * @param p above 0 and below 1
 * @param degrees of freedom, above 0; no whole number is needed
 */
export function chiSquareQuantile(p: number, degrees: number): number {
  const below = (x: number) => gammaBelow(degrees / 2, x / 2) - p
  let high = degrees + 10
  while (below(high) < 0) high *= 2
  return rootOf(below, 0, high)
}

/** Where a rising function is 0, between two ends: halved until nothing is left between them. */
export function rootOf(rising: (x: number) => number, from: number, to: number): number {
  let [low, high] = [from, to]
  for (let n = 0; n < 200; n++) {
    const middle = (low + high) / 2
    if (middle === low || middle === high) break
    if (rising(middle) < 0) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** The middle of values; of an even number the mean of the two. @param values at least one */
export function medianOf(values: readonly number[]): number {
  const sorted = Float64Array.from(values).sort()
  const half = sorted.length >> 1
  return sorted.length % 2 === 1 ? sorted[half]! : (sorted[half - 1]! + sorted[half]!) / 2
}

export const sumOf = (values: readonly number[]): number => values.reduce((sum, each) => sum + each, 0)
