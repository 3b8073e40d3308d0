export type { DrawnLine, GroovePattern } from './groove-pattern.ts'
export {
  checkGroovePattern,
  groovePatterns,
  groovePatternsFor,
} from './groove-patterns.ts'
export {
  checkSite,
  PONTIC_SHEETS,
  ponticClearanceMillimetres,
  type RoomPlace,
  type RoomSite,
  type RoomVerdict,
  roomPlaces,
  roomRules,
  roomSiteShape,
  roomVerdict,
} from './room-budget.ts'
