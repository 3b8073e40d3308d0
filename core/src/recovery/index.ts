export {
  heightsOfPieces,
  type PieceCut,
  type StonePiece,
  type StonePieces,
  stonePieces,
  USUAL_CUTS,
} from './pieces.ts'
export {
  HELD_UNDERCUT_MILLIMETRES,
  type RecoveredArch,
  type SawCut,
  type SawPlace,
  type SawPlan,
  type StoneHeights,
  sawPlaceName,
  sawPlan,
  stoneHeightsShape,
} from './saw-plan.ts'
