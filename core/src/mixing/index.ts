export {
  type JobSize,
  type RememberedMix,
  rememberedMix,
  type Space,
  spaceCm3,
  usualJobs,
  usualPowderGrams,
} from './amount-needed.ts'
export {
  BEARING_AREA_CM2,
  DENTURE_BASE_SOURCE,
  type DentureBase,
  USUAL_FLASH_FRACTION,
} from './denture-base.ts'
export {
  checkFlaskWater,
  type FlaskMeasured,
  type FlaskPour,
  type FlaskPours,
  flaskPours,
  flaskWater,
  USUAL_WAX_UP_CM3,
} from './flask-pours.ts'
export { gypsumSettingFactor, gypsumStrengthFactor } from './gypsum-model.ts'
export { hitRatio, RATIO_TOLERANCE_FRACTION } from './hit-ratio.ts'
export {
  blendRatio,
  liquidParts,
  MIXING_RULES,
  type Mix,
  type MixGiven,
  mixParts,
  packsNeeded,
} from './mix.ts'
export { type ClockStretch, type MixClock, mixClock, stretchAt } from './mix-clock.ts'
export { correctMix } from './mix-correction.ts'
export { AIR_FRACTION, mixForVolume, mixMillilitres, USUAL_WASTE_FRACTION } from './mix-volume.ts'
export { mixingCalculators } from './mixing-calculators.ts'

export { changedSetMinutes, settingChangers } from './setting-changers.ts'
export { mixSettingFactor, settingFactorByRatio } from './setting-factor.ts'
export { dilutedLiquid } from './special-liquid.ts'
