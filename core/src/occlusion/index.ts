export type { Remount, RemountAction, RemountAdvice } from './advice.ts'
export { adviseRemount } from './adviser.ts'
export { grindingRule } from './grinding-rules.ts'
export {
  archOf,
  type Bite,
  bites,
  isFrontTooth,
  isSupportingTip,
  regionName,
  regions,
  slopes,
  type ToothRegion,
} from './regions.ts'
export {
  fixings,
  type Mark,
  markShape,
  type RemountPhase,
  remountPhases,
  removalShape,
  type Situation,
  schemes,
  situationShape,
  strengths,
} from './remount-data.ts'
export { biteOf, centricIsRight, phasesOf, remountIsRight } from './remount-phase.ts'
export { openingAtTooth } from './tooth-opening.ts'
