export type { Remount, RemountAction, RemountAdvice } from './advice.ts'
export { adviseRemount } from './adviser.ts'
export { type Closing, close, frameOf, inLower } from './closing.ts'
export { type ContactMark, contactMap, USUAL_PAPER_MICROMETRES } from './contact-map.ts'
export { type ExpertRound, expertWords, grindByRules, trainerArticulator } from './expert.ts'
export { type Stroke, stoneRadius, stroke, volumeTaken } from './grinding.ts'
export { grindingRule } from './grinding-rules.ts'
export { parseMarkLine } from './mark-line.ts'
export { processedMouth, processingErrors, type ToothError, waxSetUp, withErrors } from './mouth.ts'
export { copyOf, type Mouth } from './mouth-grid.ts'
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
  type RemountRound,
  type RemountSituation,
  remountPhases,
  remountRoundShape,
  removalShape,
  schemes,
  situationShape,
  strengths,
} from './remount-data.ts'
export { biteOf, centricIsRight, PIN_ASK_MILLIMETRES, phasesOf, remountIsRight } from './remount-phase.ts'
export { type RemountScore, scoreRemount, stopsOf } from './remount-score.ts'
export { type PlanPoint, placeAt, spotOf, toothMarks, toothOutline, toothSection } from './tooth-drawing.ts'
export { openingAtTooth, pinAtTeeth } from './tooth-opening.ts'
export {
  type ExpertShown,
  type Lesson,
  lessons,
  type RemountTrainer,
  remountTrainer,
  type Trained,
  type TrainedLook,
  type TrainedSection,
  trainerTools,
} from './trainer.ts'
