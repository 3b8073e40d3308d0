export {
  type BathCard,
  checkEquipment,
  checkFlasks,
  checkPieces,
  type EquipmentKind,
  type EquipmentOf,
  equipmentShape,
  type LabEquipment,
} from './equipment.ts'
