import { lnChoose, sumOf, Z_95 } from './distributions.ts'
import { type Counted, mustBeChances, mustBeCounted } from './entered.ts'
import { type Difference, differenceOf, type Interval } from './rates.ts'

/** Two groups within one kind of job: how often it was, of how many. Either may have none. */
export interface Stratum {
  readonly first: Counted
  readonly second: Counted
}

/** Above this, nothing that could be counted would be a sign. */
const LEAST_P = 0.05
/** So far apart, crude and by job, the mix of jobs is said to make it look otherwise (choice). */
const MIX_POINTS = 0.05

export interface Exact {
  readonly midP: number
  /** The smaller of the two sides, with what was counted. */
  readonly oneSidedP: number
  /** Of all that is no likelier than what was counted. */
  readonly twoSidedP: number
  /** The smallest that these totals could give. */
  readonly leastP: number
}

/**
 * Whether two groups differ, over all kinds of job: the exact distribution of the first group's count, given all totals.
 * Two-sided mid-p: twice the smaller of P(below) + P(equal)/2 and its mirror, at most 1. Of one table it is Fisher's.
 * @throws {DomainError} `count-above-total`, `counts-not-whole`, `value-not-finite`
 * Source: Fisher 1935; Mantel and Haenszel 1959; Lancaster 1961 for mid-p (recalled).
 */
export function exactTest(strata: readonly Stratum[]): Exact {
  let from = 0
  let weights = [1]
  let counted = 0
  for (const { first, second } of filled(strata)) {
    const total = first.count + second.count
    const least = Math.max(0, total - second.of)
    const most = Math.min(total, first.of)
    const own = Array.from({ length: most - least + 1 }, (_, n) =>
      Math.exp(
        lnChoose(first.of, least + n) +
          lnChoose(second.of, total - least - n) -
          lnChoose(first.of + second.of, total),
      ),
    )
    weights = convolved(weights, own)
    from += least
    counted += first.count
  }
  const all = sumOf(weights)
  const at = counted - from
  const equal = weights[at]! / all
  const below = sumOf(weights.slice(0, at)) / all
  const above = sumOf(weights.slice(at + 1)) / all
  return {
    midP: Math.min(1, 2 * Math.min(below + equal / 2, above + equal / 2)),
    oneSidedP: Math.min(1, Math.min(below, above) + equal),
    twoSidedP: Math.min(1, sumOf(weights.filter((weight) => weight <= weights[at]! * (1 + 1e-7))) / all),
    leastP: Math.min(1, Math.min(weights[0]!, weights.at(-1)!) / all),
  }
}

/** A kind of job with nothing in one of the groups says nothing of a difference. */
function filled(strata: readonly Stratum[]): readonly Stratum[] {
  return strata.filter(({ first, second }) => {
    for (const each of [first, second]) if (each.of > 0 || each.count > 0) mustBeCounted(each, 'strata')
    return first.of > 0 && second.of > 0
  })
}

function convolved(one: readonly number[], other: readonly number[]): number[] {
  const all = new Array<number>(one.length + other.length - 1).fill(0)
  for (const [n, a] of one.entries()) for (const [m, b] of other.entries()) all[n + m]! += a * b
  return all
}

export interface Common {
  /** By job: first less second. */
  readonly difference: { readonly value: number } & Interval
  /** Undefined where one of the cells is empty in every table. */
  readonly oddsRatio?: { readonly value: number } & Interval
  readonly chiSquare: number
  readonly chiSquareCorrected: number
}

/**
 * One figure for a difference over several kinds of job.
 * @returns undefined when no kind of job has both groups
 * @throws {DomainError} as `exactTest`
 * Source: Mantel and Haenszel 1959; interval of the difference Sato 1989, of the odds ratio Robins, Breslow and Greenland 1986 (recalled).
 */
export function mantelHaenszel(strata: readonly Stratum[]): Common | undefined {
  const tables = filled(strata).map(({ first, second }) => {
    const [a, c, m, n] = [first.count, second.count, first.of, second.of]
    return { a, b: m - a, c, d: n - c, m, n, all: m + n }
  })
  if (tables.length === 0) return undefined
  type Table = (typeof tables)[number]
  const sum = (of: (table: Table) => number) => sumOf(tables.map(of))
  const weight = sum(({ m, n, all }) => (m * n) / all)
  const value = sum(({ a, c, m, n, all }) => (a * n - c * m) / all) / weight
  const p = sum(({ a, c, m, n, all }) => (m * m * c - n * n * a + (m * n * (n - m)) / 2) / (all * all))
  const q = sum(({ a, c, m, n, all }) => (a * (n - c) + c * (m - a)) / (2 * all))
  const half = (Z_95 * Math.sqrt(Math.max(0, value * p + q))) / weight
  const expected = sum(({ a, c, m, all }) => ((a + c) * m) / all)
  const variance = sum(({ a, b, c, d, m, n, all }) =>
    all > 1 ? ((a + c) * (b + d) * m * n) / (all * all * (all - 1)) : 0,
  )
  const away = Math.abs(sum(({ a }) => a) - expected)
  const chi = (distance: number) => (variance === 0 ? 0 : (distance * distance) / variance)
  return {
    difference: { value, low: value - half, high: value + half },
    ...oddsRatioOf(tables),
    chiSquare: chi(away),
    chiSquareCorrected: chi(Math.max(0, away - 0.5)),
  }
}

interface Cells {
  readonly a: number
  readonly b: number
  readonly c: number
  readonly d: number
  readonly all: number
}
function oddsRatioOf(tables: readonly Cells[]): Pick<Common, 'oddsRatio'> {
  const parts = tables.map(({ a, b, c, d, all }) => ({
    p: (a + d) / all,
    q: (b + c) / all,
    r: (a * d) / all,
    s: (b * c) / all,
  }))
  const r = sumOf(parts.map((part) => part.r))
  const s = sumOf(parts.map((part) => part.s))
  if (r === 0 || s === 0) return {}
  const variance =
    sumOf(parts.map((part) => part.p * part.r)) / (2 * r * r) +
    sumOf(parts.map((part) => part.p * part.s + part.q * part.r)) / (2 * r * s) +
    sumOf(parts.map((part) => part.q * part.s)) / (2 * s * s)
  const far = Math.exp(Z_95 * Math.sqrt(variance))
  return { oddsRatio: { value: r / s, low: r / s / far, high: (r / s) * far } }
}

export interface Compared {
  /** `disagree`: the kinds of job point both ways, so there is no common figure. */
  readonly state: 'tooFew' | 'compared' | 'disagree'
  readonly exact: Exact
  readonly crude: Difference
  readonly common?: Common
  /** All jobs in one table would say something else. */
  readonly mixMisleads: boolean
}

/**
 * Two groups, compared by job.
 * @throws {DomainError} `nothing-counted` when one group has nothing at all; as `exactTest`
 */
export function compareGroups(strata: readonly Stratum[]): Compared {
  const total = (of: (stratum: Stratum) => Counted): Counted => ({
    count: sumOf(strata.map((each) => of(each).count)),
    of: sumOf(strata.map((each) => of(each).of)),
  })
  const exact = exactTest(strata)
  const crude = differenceOf(
    total(({ first }) => first),
    total(({ second }) => second),
  )
  const common = mantelHaenszel(strata)
  const tooFew = exact.leastP > LEAST_P
  const byJob = common?.difference.value
  const mixMisleads =
    byJob !== undefined && (crude.difference * byJob < 0 || Math.abs(crude.difference - byJob) > MIX_POINTS)
  if (strataDisagree(strata)) return { state: 'disagree', exact, crude, mixMisleads }
  return { state: tooFew ? 'tooFew' : 'compared', exact, crude, ...(common ? { common } : {}), mixMisleads }
}

/** Signs both ways, each of them a sign by itself among all the kinds of job. */
function strataDisagree(strata: readonly Stratum[]): boolean {
  const tested = filled(strata)
    .map((stratum) => ({ exact: exactTest([stratum]), ...differenceOf(stratum.first, stratum.second) }))
    .filter(({ exact }) => exact.leastP <= LEAST_P)
  const q = falseDiscovery(tested.map(({ exact }) => exact.midP))
  const signs = tested.flatMap(({ difference }, n) => (q[n]! < LEAST_P ? [Math.sign(difference)] : []))
  return signs.includes(1) && signs.includes(-1)
}

/**
 * What share of those called a sign would be chance, when many are looked at: for each p the q from which on it counts.
 * @param ps from 0 to 1, in any order; q come in the same
 * @throws {DomainError} `p-out-of-range`
 * Source: Benjamini and Hochberg 1995.
 */
export function falseDiscovery(ps: readonly number[]): readonly number[] {
  mustBeChances(ps, 'p-out-of-range', 'p')
  const order = ps.map((_, n) => n).sort((a, b) => ps[b]! - ps[a]!)
  const q = new Array<number>(ps.length)
  let least = 1
  for (const [n, index] of order.entries()) {
    least = Math.min(least, ps[index]! * (ps.length / (ps.length - n)))
    q[index] = least
  }
  return q
}

export type SignWord = 'strong sign' | 'sign' | 'hint' | 'no sign of a difference'
/** How a q is said (choice). */
export function signWord(q: number): SignWord {
  if (q <= 0.01) return 'strong sign'
  if (q <= 0.05) return 'sign'
  return q <= 0.2 ? 'hint' : 'no sign of a difference'
}
