import { streamAt } from './streams.ts'

/** What somebody has met of a kind of fault so far. */
export interface MetKind {
  readonly kind: string
  readonly found: number
  readonly missed: number
}

/**
 * The kinds to practise, those first that are probably missed most: Thompson sampling, for each kind a draw from
 * Beta(1 + found, 1 + missed), the lowest first. A kind never met comes before one met.
 * @example found 3 of 4: Beta(4, 2), mean 2/3, variance 2/63
 * Source: Thompson 1933 (recalled); that the lowest comes first is our choice.
 */
export function kindsToPractise(
  all: readonly string[],
  met: readonly MetKind[],
  seed: number,
): readonly string[] {
  const known = new Map(met.map((each) => [each.kind, each]))
  const drawn = all.map((kind) => {
    const random = streamAt(seed, 'focus', kind)
    const record = known.get(kind)
    if (!record || record.found + record.missed === 0) return { kind, at: random() - 1 }
    return { kind, at: betaDraw(1 + record.found, 1 + record.missed, random) }
  })
  return drawn.sort((a, b) => a.at - b.at).map(({ kind }) => kind)
}

/** Mean and variance of Beta(1 + found, 1 + missed). */
export function chanceToFind({ found, missed }: Omit<MetKind, 'kind'>): {
  readonly mean: number
  readonly variance: number
} {
  const [a, b] = [1 + found, 1 + missed]
  return { mean: a / (a + b), variance: (a * b) / ((a + b) ** 2 * (a + b + 1)) }
}

/** A draw from a beta distribution of whole parameters: of two sums of exponential waits. */
export function betaDraw(a: number, b: number, random: () => number): number {
  const gamma = (n: number) => {
    let sum = 0
    for (let k = 0; k < n; k++) sum -= Math.log(Math.max(random(), Number.MIN_VALUE))
    return sum
  }
  const x = gamma(a)
  return x / (x + gamma(b))
}
