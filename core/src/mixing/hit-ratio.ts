import type { MaterialCard } from '../materials/index.ts'
import { BOUND_WATER_GRAMS_PER_GRAM } from '../materials/index.ts'
import { qty, type Saying, saying } from '../quantity/index.ts'
import { DomainError } from '../refusal/index.ts'
import { gypsumSettingFactor, gypsumStrengthFactor, setGypsum } from './gypsum-model.ts'
import type { Mix } from './mix.ts'
import { mixParts } from './mix.ts'

/** Nearer than this to the wanted ratio, as a fraction of it, counts as hit (choice; a balance and a cylinder give about 1 %). */
export const RATIO_TOLERANCE_FRACTION = 0.02

interface HitRatio {
  readonly millilitresPerGram: number
  readonly verdict: 'hit' | 'thinner' | 'thicker'
  readonly outsideClass: boolean
  /** What it does to the work, each a short sentence, the estimates marked "about". */
  readonly effects: readonly Saying[]
  readonly sources: readonly string[]
}

/**
 * What the ratio that was really hit does, against the usual ratio of the card or one that was chosen.
 *
 * @throws {DomainError} `no-ratio` when the card is not weighed; `not-a-positive-number`
 */
export function hitRatio(card: MaterialCard, mix: Mix, wantedMillilitresPerGram?: number): HitRatio {
  if (card.measure?.by !== 'mass')
    throw new DomainError(
      'no-ratio',
      `${card.name} is counted in parts, not weighed.`,
      'Count the parts instead.',
    )
  const wanted = wantedMillilitresPerGram ?? card.measure.usualMillilitresPerGram
  mixParts({ from: 'powder', powderGrams: mix.powderGrams }, wanted)
  mixParts({ from: 'liquid', liquidMillilitres: mix.liquidMillilitres }, wanted)
  const hit = mix.liquidMillilitres / mix.powderGrams
  const verdict =
    Math.abs(hit - wanted) <= RATIO_TOLERANCE_FRACTION * wanted ? 'hit' : hit > wanted ? 'thinner' : 'thicker'
  const { minMillilitresPerGram: least, maxMillilitresPerGram: most } = card.measure
  const outsideClass = hit < least * (1 - 1e-9) || hit > most * (1 + 1e-9)
  const effects: Saying[] = []
  const sources: string[] = [card.measure.source]
  if (outsideClass)
    effects.push(
      saying`Outside the class range of ${least.toFixed(2)} to ${qty.millilitresPerGram(most, 2)}.`,
    )
  if (verdict !== 'hit') {
    effects.push(verdict === 'thinner' ? 'Easier to pour.' : 'Harder to pour; traps air.')
    if (card.family === 'gypsum') {
      effects.push(verdict === 'thinner' ? 'Lower setting expansion.' : 'Higher setting expansion.')
      if (verdict === 'thinner') effects.push('Sets later.')
      else effects.push('Sets sooner.')
    }
  }
  if (card.gypsumType !== undefined) {
    if (hit < BOUND_WATER_GRAMS_PER_GRAM)
      effects.push(
        saying`Not enough water for all of it to set: about ${qty.percent((100 * hit) / BOUND_WATER_GRAMS_PER_GRAM, 0)} reacts.`,
      )
    if (verdict !== 'hit' && hit >= 0.2 && hit <= 0.75 && wanted >= 0.2) {
      const percent = Math.round(100 * (gypsumStrengthFactor(hit, wanted) - 1))
      effects.push(
        saying`About ${qty.percent(Math.abs(percent))} ${percent < 0 ? 'weaker' : 'stronger'} (estimate, within a quarter).`,
      )
      sources.push('strength: Ryshkewitch and Duckworth 1953, anchored to ISO 6873, all recalled')
    }
    if (verdict !== 'hit') {
      const pores = (ratio: number) => Math.round(100 * setGypsum({ millilitresPerGram: ratio }).porosity)
      effects.push(
        saying`About ${qty.percent(pores(hit))} pores instead of ${qty.percent(pores(wanted))} (within 2).`,
      )
      sources.push('pores: stoichiometry and densities, Phillips, recalled')
    }
    const setting = gypsumSettingFactor(card.gypsumType, hit, wanted)
    if (verdict !== 'hit' && setting !== undefined) {
      effects.push(`Initial set at about ${setting.toFixed(1)} times the pack's time.`)
      sources.push('setting time: Craig, recalled')
    }
  }
  return { millilitresPerGram: hit, verdict, outsideClass, effects, sources }
}
