export {
  type BathCard,
  checkEquipment,
  checkFlasks,
  type EquipmentKind,
  type EquipmentOf,
  equipmentShape,
  type LabEquipment,
} from './equipment.ts'
