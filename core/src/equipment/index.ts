export {
  type BathCard,
  checkEquipment,
  checkFlasks,
  type EquipmentKind,
  type EquipmentOf,
  equipmentShape,
  type FlaskCard,
  type FurnaceCard,
  type LabEquipment,
} from './equipment.ts'
