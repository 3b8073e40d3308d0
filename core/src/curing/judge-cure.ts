import { checkMeasured, insideCelsius, measuredRunShape, programCelsius } from '../program/index.ts'
import { qty, type Saying, saying } from '../quantity/index.ts'
import { list, type Of, partsOf, record } from '../shape/index.ts'
import { type Cooling, type CureOutcome, checkBath, cure } from './cure.ts'
import { checkSection, resinSectionShape, usualFlask } from './cure-bodies.ts'
import { BOIL_CELSIUS, COLD_WATER_CELSIUS, stretch } from './cure-programs.ts'
import { cureVerdict, type FollowedSection, ISO_RESIDUAL_PERCENT } from './cure-verdict.ts'

/** A cure as it was run: the bath, and the base that lay in it. */
export const cureRunShape = record({
  ...partsOf(measuredRunShape),
  sections: list(resinSectionShape, 8),
})
export type CureRun = Of<typeof cureRunShape>

export interface CureJudgement {
  readonly verdict: 'accept' | 'extend' | 'porous'
  readonly followed: readonly FollowedSection[]
  /** What decides, as a sentence without its end. */
  readonly say: Saying
  /** Of an extension: minutes at the boil, after half an hour up to it; undefined: not within three hours. */
  readonly boilMinutes?: number
}

/** Refuses a cure that cannot be followed. @throws {DomainError} of `checkBath`, `checkMeasured`, `checkSection` */
export function checkCureRun(run: CureRun): void {
  checkBath(run.program)
  checkMeasured(run)
  for (const section of run.sections) checkSection(section, usualFlask)
  if (run.sections.length === 0) checkSection({ shape: 'sheet', millimetres: 0 }, usualFlask)
}

/** Extensions that are tried, min at the boil. */
const BOILS_TRIED = [30, 60, 90, 120, 180]
const RAMP_MINUTES = 30

const judged = { water: new WeakMap<CureRun, CureJudgement>(), air: new WeakMap<CureRun, CureJudgement>() }

/**
 * What a cure did, by running it again on the bath as it was read, until the flask came out.
 *
 * Porous: a section boiled inside. Extend: more monomer stays than ISO 20795-1 allows, and a boil would drive it down.
 * @param cooling how the flask cools afterwards
 * @throws {DomainError} of `checkCureRun`
 * Source: the cure model with its limits; a measured test of the product decides.
 */
export function judgeCure(run: CureRun, cooling: Cooling = 'water'): CureJudgement {
  const known = judged[cooling].get(run)
  if (known) return known
  checkCureRun(run)
  const at = insideCelsius(run)
  const endMinutes = run.endMinutes ?? run.measured.at(-1)!.minutes
  const follow = (measured: { at: (minutes: number) => number; endMinutes: number }) =>
    run.sections.map((section) => ({
      section,
      outcome: cure({ section, program: run.program, measured, cooling }),
    }))
  const followed = follow({ at, endMinutes })
  const { say, worst, mostMonomer } = cureVerdict(followed)
  const judgement: CureJudgement =
    worst.outcome.risk === 'high'
      ? { verdict: 'porous', followed, say }
      : enough(mostMonomer.outcome)
        ? { verdict: 'accept', followed, say }
        : { verdict: 'extend', followed, ...extension(say) }
  judged[cooling].set(run, judgement)
  return judgement

  function extension(why: Saying): Pick<CureJudgement, 'say' | 'boilMinutes'> {
    const boilMinutes = BOILS_TRIED.find((minutes) => {
      const more = {
        startCelsius: COLD_WATER_CELSIUS,
        segments: [stretch(COLD_WATER_CELSIUS, BOIL_CELSIUS, RAMP_MINUTES, minutes)],
      }
      const again = follow({
        at: (t) => (t <= endMinutes ? at(t) : programCelsius(more, t - endMinutes)),
        endMinutes: endMinutes + RAMP_MINUTES + minutes,
      })
      return again.every(({ outcome }) => enough(outcome) && outcome.risk === 'low')
    })
    return boilMinutes === undefined
      ? { say: why }
      : {
          say: saying`${why}. Back into cold water, up to ${qty.celsius(BOIL_CELSIUS)} in ${qty.minutes(RAMP_MINUTES)} and ${qty.minutes(boilMinutes)} there`,
          boilMinutes,
        }
  }
}

/** From out of the bath until every section may be opened, min. */
export const coldAfterMinutes = ({ followed }: Pick<CureJudgement, 'followed'>): number =>
  Math.max(...followed.map(({ outcome }) => outcome.openFromMinutes - outcome.bathMinutes))

function enough({ residualPercent }: CureOutcome): boolean {
  return residualPercent <= ISO_RESIDUAL_PERCENT
}
