import { programMinutes, type TemperatureProgram } from '../program/index.ts'
import { requirePositive } from '../refusal/index.ts'
import { type CureFineness, type CureOutcome, cure, drawnFineness } from './cure.ts'
import type { FlaskBody, ResinSection } from './cure-bodies.ts'
import { twoStage } from './cure-programs.ts'
import { ISO_RESIDUAL_PERCENT, PEAK_WITHIN_CELSIUS, RESIDUAL_WITHIN } from './cure-verdict.ts'
import type { DoughRecipe } from './resin-kinetics.ts'

/** A base that is to be cured safely. */
export interface CureWish {
  readonly sections: readonly ResinSection[]
  readonly flask?: FlaskBody
  readonly recipe?: DoughRecipe
  /** Of any section; the limit of ISO 20795-1 when left out. */
  readonly mostResidualPercent?: number
}
interface CureProposal {
  readonly program: TemperatureProgram
  readonly bathMinutes: number
  /** Of each section, in the order of the wish. */
  readonly outcomes: readonly CureOutcome[]
}

/** The risk class itself, a little inside it so that a finer computation agrees. */
const MOST_BOILING = 0.58
/** First holds that are tried, hottest first, °C: hotter is never slower. */
const holdsTried = [76, 74, 72, 70, 68, 66, 64, 62] as const
export const RAMP_MINUTES = 30
/** Ramps to the boil that are tried. */
const boilRampsTried = [15, 30] as const
/** Holds are set to so many minutes. */
const SETTING_MINUTES = 5
const LONGEST_HOLD_MINUTES = 16 * 60
const LONGEST_BOIL_MINUTES = 3 * 60

/** Whether a bath keeps every section from boiling and leaves little enough monomer, the model's own error on top. */
export function isSafe(outcomes: readonly CureOutcome[], mostResidualPercent: number): boolean {
  return outcomes.every(
    (outcome) =>
      doesNotBoil(outcome) && outcome.residualPercent * (1 + RESIDUAL_WITHIN) <= mostResidualPercent,
  )
}
function doesNotBoil({ marginCelsius, boiling }: CureOutcome): boolean {
  return marginCelsius >= PEAK_WITHIN_CELSIUS && boiling <= MOST_BOILING
}

/**
 * The shortest bath that is safe: a first hold as hot as the thickest section stands, for as long as the boil needs to be
 * safe, then a boil as long as the monomer needs; or the first hold alone where that is sooner.
 *
 * Within a kind of bath both are monotone (a longer hold is never worse), so each is found by halving, in steps of 5 min.
 * @returns undefined where none of the baths that are tried is safe
 * @throws {DomainError} of `cure`
 * Source: our choice of search; held against a grid search in the benchmark.
 */
export function fastestSafe(
  wish: CureWish,
  fineness: CureFineness = drawnFineness,
): CureProposal | undefined {
  const { sections, flask, recipe, mostResidualPercent = ISO_RESIDUAL_PERCENT } = wish
  const follow = (program: TemperatureProgram) =>
    sections.map((section) => cure({ section, program, flask, recipe }, fineness))
  const proposal = (program: TemperatureProgram): CureProposal => ({
    program,
    bathMinutes: programMinutes(program),
    outcomes: follow(program),
  })
  // How hot the first hold may be: its own reaction decides, which is over within three hours.
  const toCelsius = holdsTried.find((celsius) =>
    follow(twoStage({ toCelsius: celsius, rampMinutes: RAMP_MINUTES, holdMinutes: 180 })).every(doesNotBoil),
  )
  if (toCelsius === undefined) return undefined
  const first = (holdMinutes: number) => ({ toCelsius, rampMinutes: RAMP_MINUTES, holdMinutes })
  const enough = (program: TemperatureProgram) => isSafe(follow(program), mostResidualPercent)
  const found: TemperatureProgram[] = []
  const alone = least(LONGEST_HOLD_MINUTES, (hold) => enough(twoStage(first(hold))))
  if (alone !== undefined) found.push(twoStage(first(alone)))
  for (const rampMinutes of boilRampsTried) {
    const boiled = (hold: number, holdMinutes: number) => twoStage(first(hold), { rampMinutes, holdMinutes })
    const hold = least(alone ?? LONGEST_HOLD_MINUTES, (minutes) =>
      follow(boiled(minutes, 60)).every(doesNotBoil),
    )
    if (hold === undefined) continue
    const boil = least(LONGEST_BOIL_MINUTES, (minutes) => enough(boiled(hold, minutes)))
    if (boil !== undefined) found.push(boiled(hold, boil))
  }
  const best = found.reduce<TemperatureProgram | undefined>(
    (a, b) => (a && programMinutes(a) <= programMinutes(b) ? a : b),
    undefined,
  )
  return best && proposal(best)
}

/** The least number of settings up to a limit for which something holds that then goes on holding. */
function least(most: number, holds: (minutes: number) => boolean): number | undefined {
  let [low, high] = [0, Math.floor(most / SETTING_MINUTES)]
  if (!holds(high * SETTING_MINUTES)) return undefined
  while (low < high) {
    const middle = Math.floor((low + high) / 2)
    if (holds(middle * SETTING_MINUTES)) high = middle
    else low = middle + 1
  }
  return low * SETTING_MINUTES
}

/** A safe bath for the time there is, or the soonest when there is too little. */
export type SafeBy =
  | { readonly kind: 'inTime'; readonly proposal: CureProposal }
  | { readonly kind: 'tooSoon'; readonly proposal: CureProposal }
  | { readonly kind: 'never' }

/**
 * The safe bath that is out in time: the fastest, with what time is left over given to its first hold, where more is better.
 * @param minutes from going in to coming out
 * @throws {DomainError} of `cure`, `not-a-positive-number`
 */
export function safeBy(wish: CureWish, minutes: number, fineness: CureFineness = drawnFineness): SafeBy {
  requirePositive(minutes, 'minutes', 'The time there is')
  const fastest = fastestSafe(wish, fineness)
  if (!fastest) return { kind: 'never' }
  if (fastest.bathMinutes > minutes + 1e-6) return { kind: 'tooSoon', proposal: fastest }
  const spare = Math.floor((minutes - fastest.bathMinutes) / SETTING_MINUTES) * SETTING_MINUTES
  const [first, ...rest] = fastest.program.segments
  const holdMinutes = Math.min(LONGEST_HOLD_MINUTES, first!.holdMinutes + spare)
  const program = { ...fastest.program, segments: [{ ...first!, holdMinutes }, ...rest] }
  const { sections, flask, recipe } = wish
  const outcomes = sections.map((section) => cure({ section, program, flask, recipe }, fineness))
  return { kind: 'inTime', proposal: { program, bathMinutes: programMinutes(program), outcomes } }
}
