export {
  BOUND_WATER_GRAMS_PER_GRAM,
  type GypsumMix,
  gypsumSettingFactor,
  gypsumStrengthFactor,
  type SetGypsum,
  setGypsum,
} from './gypsum-model.ts'
export { type HitRatio, hitRatio, RATIO_TOLERANCE_FRACTION } from './hit-ratio.ts'
export {
  blendRatio,
  liquidParts,
  MIXING_RULES,
  type Mix,
  type MixGiven,
  mixParts,
  packsNeeded,
} from './mix.ts'
export { correctMix, type MixCorrection, type MixInBowl } from './mix-correction.ts'
export { doughShrinkageFraction, MONOMER_SHRINKAGE_FRACTION } from './resin-dough.ts'
