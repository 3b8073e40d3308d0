export {
  alginateScoops,
  type JobSize,
  type RememberedMix,
  rememberedMix,
  type Space,
  spaceCm3,
  type UsualJob,
  usualJobs,
  usualPowderGrams,
} from './amount-needed.ts'
export {
  BEARING_AREA_CM2,
  DENTURE_BASE_SOURCE,
  type DentureBase,
  dentureBaseCm3,
  USUAL_FLASH_FRACTION,
} from './denture-base.ts'
export {
  CAST_OF_ITS_BOX,
  checkFlaskWater,
  type FlaskMeasured,
  type FlaskPour,
  type FlaskPours,
  type FlaskWater,
  flaskPours,
  flaskWater,
  ROOM_ABOVE_TEETH,
  USUAL_WAX_UP_CM3,
} from './flask-pours.ts'
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
export {
  type ClockMark,
  type ClockStretch,
  type MixClock,
  mixClock,
  stretchAt,
} from './mix-clock.ts'
export { correctMix, type MixCorrection, type MixInBowl } from './mix-correction.ts'
export {
  AIR_FRACTION,
  mixForVolume,
  mixMillilitres,
  USUAL_WASTE_FRACTION,
  type VolumeWanted,
} from './mix-volume.ts'
export {
  amountCalculator,
  gypsumCalculator,
  mixCalculator,
  mixCorrectionCalculator,
} from './mixing-calculators.ts'
export { doughShrinkageFraction, MONOMER_SHRINKAGE_FRACTION } from './resin-dough.ts'
export { changedSetMinutes, type SettingChanger, settingChangers } from './setting-changers.ts'
export { type DilutedLiquid, dilutedLiquid } from './special-liquid.ts'
