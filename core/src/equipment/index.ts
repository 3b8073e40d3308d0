export {
  type BathCard,
  checkEquipment,
  type EquipmentKind,
  type FurnaceCard,
  type LabEquipment,
} from './equipment.ts'
