export {
  checkRegions,
  type FoundFault,
  foundFaults,
  REGIONS_SOURCE,
  type RegionDrawing,
  regionDrawings,
  regionFaults,
  regionsOf,
} from './inspection.ts'
export { type Region, type RegionFault, type RegionSeen, regionSeenShape } from './region.ts'
