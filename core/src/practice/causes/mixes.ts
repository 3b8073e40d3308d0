import { materials } from '../../materials/index.ts'
import { gypsumStrengthFactor } from '../../mixing/index.ts'
import { qty, saying } from '../../quantity/index.ts'
import type { Cause, Caused } from './cause.ts'
import { at } from './shows-later.ts'

/** The model of strength holds between these, mL/g. */
const STRENGTH_HOLDS = { min: 0.2, max: 0.75 } as const
/** Below this share of its strength a cast is chalky under the nail (choice). */
const CHALKY_SHARE = 0.5
/** From this share of strength downwards a tooth may break at the separation (choice). */
const SAFE_SHARE = 0.7
/** Below this a ratio is not told from another. */
const GRAIN = 1e-9
/** So much thicker than usual a stone expands past its class (choice). */
const THICK_SHARE = 0.88

/** That a tooth breaks: p = 1 - exp(-2 max(0, 0.7 - strength)) (choice). */
export const breakChance = (strengthShare: number): number =>
  1 - Math.exp(-2 * Math.max(0, SAFE_SHARE - strengthShare))

/** A ratio outside the range of its card, by the gypsum model. */
export const mixes: Cause = ({ event, step, random }) => {
  if (event.type !== 'mixRecorded') return []
  const amount = step.amounts?.find(({ id }) => id === event.amountId)
  const card = materials.get(event.materialId)
  const { powderGrams, liquidMillilitres } = event
  if (amount?.kind !== 'mix' || card?.measure?.by !== 'mass' || !powderGrams || !liquidMillilitres) return []
  const wanted = amount.millilitresPerGram ?? card.measure.usualMillilitresPerGram
  const ratio = liquidMillilitres / powderGrams
  const { minMillilitresPerGram: least, maxMillilitresPerGram: most } = card.measure
  if (Math.abs(ratio - wanted) <= (most - least) / 2 + GRAIN) return []
  const hold = (value: number) => Math.min(STRENGTH_HOLDS.max, Math.max(STRENGTH_HOLDS.min, value))
  const share = gypsumStrengthFactor(hold(ratio), hold(wanted))
  const figures = saying`${qty.millilitresPerGram(ratio)} instead of ${qty.millilitresPerGram(wanted)}`
  const base = {
    size: saying`${qty.percent(100 * (share - 1), 0)} of strength`,
    better: 'Water to the powder by the card, both weighed.',
  }
  if (ratio < wanted * THICK_SHARE)
    return [
      {
        ...base,
        size: figures,
        kind: 'over-expanded',
        named: 'Stone that expanded too much',
        why: saying`Mixed at ${figures}: it expands past its class.`,
        shows: [
          at.looks('seats', 'Held up inside'),
          at.looks('on-cast', 'Wobbles'),
          at.looks('record-fits', 'It rocks'),
        ],
      },
    ]
  if (ratio <= wanted) return []
  const weak: Caused = {
    ...base,
    kind: 'weak-stone',
    named: 'Weak stone',
    why: saying`Mixed at ${figures}: by its pores ${qty.percent(100 * share, 0)} of its strength is left.`,
    shows: [
      ...(share < CHALKY_SHARE ? [at.looks('teeth-whole', 'Surface soft or chalky')] : []),
      ...(random() < breakChance(share)
        ? [at.looks('teeth-whole', 'A tooth broke'), at.looks('die-whole', 'Broken')]
        : []),
      at.looks('master-whole', 'Bubble or break on the ridge'),
      at.looks('dies-sound', 'A chip or bubble off the margin'),
      at.looks('casts-seated', 'A cast rocks'),
    ],
  }
  return [weak]
}
