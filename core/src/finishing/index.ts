export {
  BORDER_LEAST_MILLIMETRES,
  BORDER_SOURCE,
  type BorderStock,
  borderBefore,
  borderStock,
  borderToStart,
} from './border-stock.ts'
export { ceramicLadder, resinLadder } from './default-ladders.ts'
export { type GoingBack, goingBack, type ScratchWord, scratchWords } from './going-back.ts'
export { grainMicrometres } from './grain.ts'
export { checkWheel, type LabWheel, labLadder, wheelMeasures } from './lab-wheel.ts'
export {
  CLEARING,
  depthLeft,
  depthOf,
  type FinishingLadder,
  type FinishingStage,
  ladderSeconds,
  ladderShape,
  ladderWarnings,
  measuredRate,
  PLAQUE_DEPTH_MICROMETRES,
  PLAQUE_RA_MICROMETRES,
  type PlannedStage,
  planLadder,
  roughnessOf,
  smoothFrom,
} from './ladder.ts'
export { type LeftOut, leavingOutStage, PASSES, rateByCaliper, rateOfPasses } from './leaving-out.ts'
export {
  checkToolSpeed,
  heatWord,
  longestStill,
  rpmFor,
  surfaceSpeed,
  usualHold,
} from './wheel-speed.ts'
export { type WheelUse, wheelFor } from './wheels.ts'
