export {
  type BathCard,
  checkEquipment,
  type EquipmentKind,
  type FlaskCard,
  type FurnaceCard,
  type LabEquipment,
} from './equipment.ts'
