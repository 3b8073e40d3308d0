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
  type Spell,
  spellShape,
} from './equipment.ts'
