import { DomainError } from '../refusal/index.ts'
import { medianOf, sumOf } from './distributions.ts'
import { mustBeAsLong, mustBeFinite } from './entered.ts'

/** Fewer times leave the plan's figure as it is (choice). */
export const LEAST_TIMES = 10
/** How far steps of labs lie from their plan, in logarithms, until the lab's own say it (choice). */
export const USUAL_TAU = 0.4
/** So much at most a mean moves in a week, either way (choice). */
export const MOST_MOVE_A_WEEK = 1.2
/** What a plan is taken to spread by, and how many times that is worth (choice). */
const PLAN_CV = 0.25
const PLAN_WORTH = 10
const S0 = Math.sqrt(Math.log(1 + PLAN_CV * PLAN_CV))
/** Narrower or wider than this no step of hands spreads, in logarithms (choice). */
const [LEAST_S, MOST_S] = [0.05, 1]
/** More left out than one in so many: the plan is wrong, or steps are closed late (choice). */
const LEFT_OUT_ONE_IN = 3

export interface Learned {
  readonly state: 'planned' | 'learned' | 'doubtful'
  readonly n: number
  /** Shorter than anybody is: it was entered afterwards. */
  readonly enteredAfterwards: number
  /** Longer than it takes: its clock was left running. */
  readonly leftRunning: number
  readonly medianMinutes?: number
  /** Of the logarithms. */
  readonly s?: number
  readonly weight?: number
  /** What the planner takes. */
  readonly meanMinutes: number
  readonly cv: number
  /** The median that is shrunk to the plan. */
  readonly shrunkMedianMinutes?: number
}

/**
 * What a lab takes for a step, from its own times: cleaned of clocks that were forgotten, by median and median deviation of the logarithms, shrunk to
 * the plan.
 * @param minutes hands of first attempts by one person, without nights, holds, questions and shared minutes
 * @param tau how far the lab's steps lie from their plans, in logarithms
 * @throws {DomainError} `minutes-not-positive`, `value-not-finite`
 * Source: empirical Bayes with a robust mean; the thresholds are choices.
 */
export function learnedTime(
  planMinutes: number,
  minutes: readonly number[],
  tau: number = USUAL_TAU,
): Learned {
  mustBeFinite([planMinutes, tau, ...minutes], 'minutes')
  if (!(planMinutes > 0) || !(tau > 0) || !minutes.every((each) => each > 0))
    throw new DomainError(
      'minutes-not-positive',
      'A step took no time, or less.',
      'Enter minutes above 0.',
      'minutes',
    )
  const least = Math.max(1, 0.1 * planMinutes)
  const most = Math.max(4 * planMinutes, planMinutes + 30)
  const kept = minutes.filter((each) => each >= least && each <= most)
  const counts = {
    n: kept.length,
    enteredAfterwards: minutes.filter((each) => each < least).length,
    leftRunning: minutes.filter((each) => each > most).length,
  }
  const plan = { meanMinutes: planMinutes, cv: PLAN_CV }
  if (LEFT_OUT_ONE_IN * (minutes.length - kept.length) > minutes.length)
    return { state: kept.length < LEAST_TIMES ? 'planned' : 'doubtful', ...counts, ...plan }
  if (kept.length < LEAST_TIMES) return { state: 'planned', ...counts, ...plan }
  const { m, s } = robust(kept)
  const n = kept.length
  const m0 = Math.log(planMinutes) - (S0 * S0) / 2
  const weight = (tau * tau) / (tau * tau + ((Math.PI / 2) * s * s) / n)
  const mu = weight * m + (1 - weight) * m0
  const variance = ((n - 1) * s * s + PLAN_WORTH * S0 * S0) / (n - 1 + PLAN_WORTH)
  return {
    state: 'learned',
    ...counts,
    medianMinutes: Math.exp(m),
    ...{ s, weight },
    shrunkMedianMinutes: Math.exp(mu),
    meanMinutes: Math.exp(mu + variance / 2),
    cv: Math.sqrt(Math.exp(variance) - 1),
  }
}

function robust(minutes: readonly number[]): { readonly m: number; readonly s: number } {
  const logs = minutes.map((each) => Math.log(each))
  const m = medianOf(logs)
  const deviation = 1.4826 * medianOf(logs.map((each) => Math.abs(each - m)))
  return { m, s: Math.min(MOST_S, Math.max(LEAST_S, deviation)) }
}

/**
 * What the planner may take so long after it took another figure: at most 1.2 times as much or as little for each week.
 * @throws {DomainError} `minutes-not-positive`, `value-not-finite`
 */
export function movedTime(beforeMinutes: number, towardsMinutes: number, weeks: number): number {
  mustBeFinite([beforeMinutes, towardsMinutes, weeks], 'minutes')
  if (!(beforeMinutes > 0) || !(towardsMinutes > 0) || weeks < 0)
    throw new DomainError(
      'minutes-not-positive',
      'A step took no time, or less.',
      'Enter minutes above 0, and weeks from 0.',
      'minutes',
    )
  const factor = MOST_MOVE_A_WEEK ** weeks
  return Math.min(beforeMinutes * factor, Math.max(beforeMinutes / factor, towardsMinutes))
}

export interface Spread {
  /** Variance between the groups. */
  readonly tauSquared: number
  readonly mean: number
  readonly standardError: number
}

/**
 * How far groups lie apart beyond what chance makes of each, and their common mean.
 * @param effects one of each group
 * @param variances of those, above 0
 * @throws {DomainError} `lengths-differ`, `nothing-counted`
 * Source: DerSimonian and Laird 1986 (recalled).
 */
export function spreadBetween(effects: readonly number[], variances: readonly number[]): Spread {
  mustBeAsLong(effects, variances, 'variances')
  if (effects.length === 0)
    throw new DomainError('nothing-counted', 'No group was entered.', 'Enter at least one.', 'effects')
  const mean = (weights: readonly number[]) => sumOf(weights.map((w, n) => w * effects[n]!)) / sumOf(weights)
  const fixed = variances.map((variance) => 1 / variance)
  const at = mean(fixed)
  const q = sumOf(fixed.map((w, n) => w * (effects[n]! - at) ** 2))
  const c = sumOf(fixed) - sumOf(fixed.map((w) => w * w)) / sumOf(fixed)
  const tauSquared = c > 0 ? Math.max(0, (q - (effects.length - 1)) / c) : 0
  const weights = variances.map((variance) => 1 / (variance + tauSquared))
  return { tauSquared, mean: mean(weights), standardError: Math.sqrt(1 / sumOf(weights)) }
}

/**
 * How far the lab's own steps lie from their plans, in logarithms; the usual figure until ten steps have ten times each.
 * @param steps each with its plan and its cleaned times
 */
export function ownTau(
  steps: readonly { readonly planMinutes: number; readonly minutes: readonly number[] }[],
): number {
  const timed = steps.filter(({ minutes }) => minutes.length >= LEAST_TIMES)
  if (timed.length < LEAST_TIMES) return USUAL_TAU
  const found = timed.map(({ planMinutes, minutes }) => {
    const { m, s } = robust(minutes)
    return {
      effect: m - (Math.log(planMinutes) - (S0 * S0) / 2),
      variance: ((Math.PI / 2) * s * s) / minutes.length,
    }
  })
  const { tauSquared } = spreadBetween(
    found.map(({ effect }) => effect),
    found.map(({ variance }) => variance),
  )
  return Math.max(LEAST_S, Math.sqrt(tauSquared))
}

/**
 * How much of their distance from the mean is left to values of one known variance, when all of them are drawn to it.
 * @throws {DomainError} `nothing-counted` with fewer than 4
 * Source: James and Stein; Efron and Morris 1977 (recalled).
 */
export function shrinkageFactor(values: readonly number[], variance: number): number {
  if (values.length < 4)
    throw new DomainError('nothing-counted', 'Fewer than four values.', 'Enter at least four.', 'values')
  const mean = sumOf(values) / values.length
  const apart = sumOf(values.map((value) => (value - mean) ** 2))
  return apart === 0 ? 0 : Math.max(0, 1 - ((values.length - 3) * variance) / apart)
}
