export {
  checkGroovePattern,
  type DrawnLine,
  type GroovePattern,
  groovePatterns,
  groovePatternsFor,
} from './groove-patterns.ts'
export {
  checkSite,
  layerNames,
  PONTIC_SHEET_GAUGE,
  PONTIC_SHEETS,
  ponticClearanceMillimetres,
  type RoomPlace,
  type RoomSite,
  type RoomVerdict,
  roomPlaces,
  roomRules,
  roomSiteShape,
  roomVerdict,
  thinnestLayers,
  type WaxLayer,
} from './room-budget.ts'
