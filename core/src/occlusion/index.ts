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
  slopes,
  type ToothRegion,
  toothRegions,
} from './regions.ts'
export {
  fixings,
  markShape,
  type PaperMark,
  type RemountPhase,
  type RemountSituation,
  remountPhases,
  removalShape,
  schemes,
  situationShape,
  strengths,
} from './remount-data.ts'
export { biteOf, centricIsRight, phasesOf, remountIsRight } from './remount-phase.ts'
export { openingAtTooth } from './tooth-opening.ts'
