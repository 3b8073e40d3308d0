export {
  fdiFromUniversal,
  fdiInUniversalOrder,
  parseTeeth,
  showTooth,
  type ToothNotation,
  universalFromFdi,
} from './tooth-number.ts'
