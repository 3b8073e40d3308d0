export {
  checkRegions,
  type FoundFault,
  foundFaults,
  REGIONS_SOURCE,
  type RegionDrawing,
  regionFaults,
  regionsOf,
} from './inspection.ts'
export type { Region, RegionFault, RegionSeen } from './region.ts'
