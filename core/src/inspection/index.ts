export {
  checkRegions,
  foundFaults,
  REGIONS_SOURCE,
  type RegionDrawing,
  regionDrawings,
  regionFaults,
  regionsOf,
} from './inspection.ts'
export { type Region, type RegionSeen, regionSeenShape } from './region.ts'
