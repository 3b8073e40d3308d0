import { qty, type Saying, saying } from '../quantity/index.ts'
import { type CureOutcome, MONOMER_BOILS_CELSIUS } from './cure.ts'
import type { ResinSection } from './cure-bodies.ts'

/** Residual monomer of a heat-cured base, % by mass. Source: ISO 20795-1:2013, recalled. */
export const ISO_RESIDUAL_PERCENT = 2.2
/** Honest error of the model: on the peak of a thick section, and on residual monomer. */
export const PEAK_WITHIN_CELSIUS = 10
export const RESIDUAL_WITHIN = 0.4

export interface FollowedSection {
  readonly section: ResinSection
  readonly outcome: CureOutcome
}
/** What a bath comes to, over all sections of a base: the worst counts. */
interface CureVerdict {
  readonly standing: 'good' | 'watch' | 'bad'
  /** The sentence that decides, without its end. */
  readonly say: Saying
  readonly worst: FollowedSection
  /** The section with the most monomer left. */
  readonly mostMonomer: FollowedSection
}

export const sectionName = ({ shape, millimetres }: ResinSection) =>
  shape === 'sheet' ? saying`${qty.mm(millimetres)} sheet` : saying`${qty.mm(millimetres)} ridge`

/**
 * Says in words what a bath does to a base.
 * @param clock how a moment of the bath is written: minutes in words, or as a time of the day
 * Source: risk classes are a judgement of the model notes; the limit on monomer ISO 20795-1:2013, recalled.
 */
export function cureVerdict(
  followed: readonly FollowedSection[],
  clock: (minutes: number) => Saying = (minutes) => saying`${qty.minutes(minutes, 0)} in`,
): CureVerdict {
  const worst = followed.reduce((a, b) => (b.outcome.boiling > a.outcome.boiling ? b : a))
  const mostMonomer = followed.reduce((a, b) =>
    b.outcome.residualPercent > a.outcome.residualPercent ? b : a,
  )
  const { outcome, section } = worst
  const peak = saying`The ${sectionName(section)} peaks at ${qty.celsius(outcome.peakCelsius, 0)} ${clock(outcome.peakMinutes)}`
  const left = mostMonomer.outcome.residualPercent
  const base = { worst, mostMonomer }
  if (outcome.risk === 'high')
    return {
      ...base,
      standing: 'bad',
      say: saying`${peak}: monomer boils at ${qty.celsius(MONOMER_BOILS_CELSIUS)} and leaves bubbles`,
    }
  if (outcome.risk === 'watch')
    return {
      ...base,
      standing: 'watch',
      say: saying`${peak}, ${outcome.marginCelsius >= 0 ? saying`${qty.celsiusApart(outcome.marginCelsius, 0)} below` : 'past'} where monomer boils: too near`,
    }
  if (left > ISO_RESIDUAL_PERCENT)
    return {
      ...base,
      standing: 'bad',
      say: saying`About ${qty.percent(left, 1)} monomer stays in the ${sectionName(mostMonomer.section)}, above ${qty.percent(ISO_RESIDUAL_PERCENT)}: hold longer, or boil at the end`,
    }
  return {
    ...base,
    standing: 'good',
    say: saying`${peak}, ${qty.celsiusApart(outcome.marginCelsius, 0)} below where monomer boils; about ${qty.percent(left, 1)} monomer stays`,
  }
}
