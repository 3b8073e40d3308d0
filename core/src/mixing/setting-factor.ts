import type { MaterialCard } from '../materials/index.ts'
import { gypsumSettingFactor, settingRatios } from './gypsum-model.ts'
import { changedSetMinutes } from './setting-changers.ts'

/**
 * How much later (above 1) or sooner a mix sets than its card says, by the ratio that was hit. Beyond the published rows it is
 * that of the last row: a mix that is thinner still sets no sooner than that.
 * @param millilitresPerGram above 0
 * @returns 1 where nothing is known of it
 * Source: Craig, recalled.
 */
export function settingFactorByRatio(
  { gypsumType, measure }: Pick<MaterialCard, 'gypsumType' | 'measure'>,
  millilitresPerGram: number,
): number {
  if (gypsumType === undefined || measure?.by !== 'mass') return 1
  const rows = settingRatios(gypsumType)
  if (!rows) return 1
  const within = (ratio: number) => Math.min(Math.max(ratio, rows.min), rows.max)
  return (
    gypsumSettingFactor(gypsumType, within(millilitresPerGram), within(measure.usualMillilitresPerGram)) ?? 1
  )
}

/** Slower or quicker than this nothing sets that is still of use (choice). */
const FACTORS = { min: 0.1, max: 20 } as const

/**
 * The same with what is in the water: the middle of its range.
 * @param millilitresPerGram of the bowl; undefined: as on the pack
 * @param changerIds of `settingChangers`; they count for gypsum alone
 */
export function mixSettingFactor(
  card: MaterialCard,
  millilitresPerGram: number | undefined,
  changerIds: readonly string[],
): number {
  const byRatio = millilitresPerGram === undefined ? 1 : settingFactorByRatio(card, millilitresPerGram)
  const { least, most } = changedSetMinutes(1, card.family === 'gypsum' ? changerIds : [])
  return Math.min(FACTORS.max, Math.max(FACTORS.min, byRatio * Math.sqrt(least * most)))
}
