export {
  checkGroovePattern,
  type DrawnLine,
  type GroovePattern,
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
