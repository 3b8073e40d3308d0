export {
  type BathCard,
  checkEquipment,
  checkFlasks,
  type EquipmentKind,
  type FlaskCard,
  type FurnaceCard,
  type LabEquipment,
} from './equipment.ts'
