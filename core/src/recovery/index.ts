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
