export { type AimedPlace, bestTiltFor, type TiltAim, tiltAims } from './aims.ts'
export {
  type BestTilt,
  bestTilt,
  guidingPath,
  searchTilt,
  type TriedTilt,
  tiltOfTangents,
  type WorkedTilt,
} from './best-tilt.ts'
export { surveyCalculators } from './calculators.ts'
export { CastView, type Floor, levelFloor } from './cast-view.ts'
export {
  ARM_MATERIAL_SOURCE,
  type ArmLoad,
  type ArmMaterialId,
  armLoad,
  armMaterialIds,
  armMaterials,
  armWays,
  armWords,
  type ClaspArm,
  claspArmShape,
} from './clasp-arm.ts'
export { peakPull, roundWall, straightWall, USUAL_FRICTION } from './clasp-pull.ts'
export { areasDeeper, DEPTH_CLASSES, depthLine, depthsOf, type SurveyLine, surveyLine } from './depths.ts'
export { FreeEdge } from './free-edge.ts'
export { gauges, MOST_GAUGE_MILLIMETRES, nearestCorner, type SurveyedPlace, surveyPlace } from './place.ts'
export { type RoomBody, roomBodies, roomUnder, TAPERS, taperAdds } from './room.ts'
export { type ScanWord, type SoundScan, soundScan, turnedOver, unitOf } from './scan.ts'
export { sectionAt, type WallPlace, wallAt, wallDown } from './section.ts'
export {
  type CastPlan,
  CastSurvey,
  FULL_CELL,
  MIX_WASTE,
  type SurveyOfCast,
  usualFloor,
  waxGrams,
} from './survey.ts'
export {
  areaNormal,
  boundsOf,
  type CastFrame,
  castFrame,
  clustered,
  cornerNormals,
  FILE_FRAME,
  flipped,
  inFrame,
  planeUp,
  type SurveyMesh,
  surveyMesh,
} from './survey-mesh.ts'
export {
  type BaseCorner,
  type BaseLift,
  baseCornerShape,
  baseLifts,
  handWords,
  LEVEL,
  pathOf,
  type SurveyArch,
  sideOf,
  surveyArchShape,
  type TableTilt,
  tableTiltShape,
  tiltOf,
  tiltWords,
  usualCorners,
} from './table.ts'
export { pathOfTripod, type Tripod, tripodOf, tripodShape } from './tripod.ts'
export { squareTo, type Vector } from './vector.ts'
export { type Contact, twoWalls, type WayOut, wayOut } from './way-out.ts'
