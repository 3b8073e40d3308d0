export {
  type BalanceLine,
  type GaugeLine,
  gaugeLine,
  readBalanceLine,
  readDispenserLine,
  readGaugeLine,
  readThermometerLine,
  weightLine,
} from './device-line.ts'
export { type PourGuide, type PourWord, pourGuide, type WeightSample } from './pour-guide.ts'
export {
  type GaugeSample,
  type PressLimits,
  type PressWord,
  pressWord,
  TOUCHING_KILOPASCALS,
} from './press-guide.ts'
