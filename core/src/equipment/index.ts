export {
  type BathCard,
  checkEquipment,
  checkFlasks,
  checkPieces,
  checkSpells,
  type EquipmentKind,
  type EquipmentOf,
  equipmentShape,
  type LabEquipment,
  placesIn,
  type Spell,
  spellShape,
} from './equipment.ts'
